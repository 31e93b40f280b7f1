"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";

import type { BookFacts } from "@/contracts/shell";
import { FIRST_STEPS, type FirstStep, type FirstStepsDone, nextFirstStep } from "@/contracts/start";

import { Act } from "../kit/buttons";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { ActRow, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { AddBank, AddProcessor } from "./AddAccount";
import { FirstSteps } from "./FirstSteps";

type Account = { code: string; name: string };
type Props = BookFacts & {
  at: FirstStep;
  done: FirstStepsDone;
  settings: { name: string };
  banks: readonly Account[];
  processors: readonly Account[];
  files: readonly { kind: string; taken: boolean }[];
};

const FILE_WORDS: Record<string, string> = {
  customers: "Customers, one a row",
  invoices: "Invoices, open ones and new ones",
  processor: "What the processor reports: charges, fees, payouts",
  bank: "The bank statement",
};

/** The way to a book that works: one step at a time, each left and come back to as one likes. */
export function FirstPath(props: Props): ReactNode {
  const { at, book, done, settings } = props;
  const router = useRouter();
  const next = nextFirstStep(done);
  return (
    <>
      <PageHeading>
        <Title>
          {settings.name}{" "}
          <small>{next === null ? "is ready to work" : `next: ${FIRST_STEPS[next].name}`}</small>
        </Title>
      </PageHeading>
      <Halves ratio="4:5">
        <Section>
          <FirstSteps at={at} done={done} book={book} />
        </Section>
        <Section>
          <Subheading>{FIRST_STEPS[at].name}</Subheading>
          <StepWork {...props} />
          <ActRow>
            <Act
              main={done[at]}
              onClick={() =>
                router.push(`/b/${book}/${next === null ? "match" : `start?step=${next}`}`)
              }
            >
              {next === null ? "Begin with Match" : `On to ${FIRST_STEPS[next].name.toLowerCase()}`}
            </Act>
            <NextLink href={`/b/${book}/settings`}>Everything else is under Set-up</NextLink>
          </ActRow>
        </Section>
      </Halves>
    </>
  );
}

function StepWork({ at, book, banks, processors, files, currency }: Props): ReactNode {
  switch (at) {
    case "business":
      return <p data-tone="soft">The book is there; what it is set to stands under Set-up.</p>;
    case "bank":
      return (
        <>
          <Accounts label="Bank accounts" accounts={banks} />
          <AddBank currency={currency} />
        </>
      );
    case "processor":
      return (
        <>
          <Accounts label="Processor accounts" accounts={processors} />
          <AddProcessor currency={currency} />
        </>
      );
    case "files":
      return <FilesToCome book={book} files={files} />;
    default:
      throw at satisfies never;
  }
}

function Accounts({ label, accounts }: { label: string; accounts: readonly Account[] }): ReactNode {
  if (accounts.length === 0) return <p data-tone="soft">None yet.</p>;
  return (
    <DetailTable aria-label={label}>
      <tbody>
        {accounts.map(({ code, name }) => (
          <tr key={code}>
            <td>
              <b data-strong>{name}</b> <span data-tone="soft">{code}</span>
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

function FilesToCome({ book, files }: Pick<Props, "book" | "files">): ReactNode {
  return (
    <Box>
      <DetailTable aria-label="First files">
        <tbody>
          {files.map(({ kind, taken }) => (
            <tr key={kind}>
              <td>{FILE_WORDS[kind]}</td>
              <td data-numeric>
                {taken ? (
                  <span data-tone="good">✓ taken in</span>
                ) : (
                  <span data-tone="waits">to come</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      <p>
        <NextLink href={`/b/${book}/arrivals`}>Take files in under Arrivals</NextLink>: a dry run
        shows what each would do, and nothing is kept until you say so.
      </p>
    </Box>
  );
}
