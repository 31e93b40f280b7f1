"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useEffect, useState } from "react";

import type { ProofBreakdown, ProofLine, WorkLine } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Amount, LeftOver, Total } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenName } from "../kit/lists/useOpenRow";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { BooksHeading } from "./BooksHeading";

type Props = BookFacts & { proofs: ProofLine[]; work: WorkLine[] };

/**
 * The proofs: each control sum computed twice, from the journal and from the documents; below, the
 * work that is still open.
 */
export function ProofsView(props: Props): ReactNode {
  const { currency, proofs, book } = props;
  const [open, setOpen] = useOpenName("proof");
  const broken = proofs.filter(({ holds }) => !holds);
  return (
    <>
      <BooksHeading
        view="proofs"
        sum={
          broken.length === 0 ? (
            <>
              <span data-tone="good">0.00</span> <small>off: all {proofs.length} proofs hold</small>
            </>
          ) : (
            <>
              <span data-tone="off">{broken.length}</span>{" "}
              <small>{broken.length === 1 ? "proof is" : "proofs are"} broken</small>
            </>
          )
        }
        end={
          <a data-tone="soft" href={`/api/v1/b/${book}/export/proofs`}>
            CSV
          </a>
        }
      />
      <LedgerList<ProofLine>
        label="Proofs"
        rows={proofs}
        idOf={(row) => row.name}
        openId={open}
        onOpen={(id) => setOpen(id === null ? null : String(id))}
        workings={(row) => <ProofDocuments key={row.name} row={row} {...props} />}
        columns={[
          { id: "what", header: "What must hold", width: "46%", cell: (row) => row.what },
          {
            id: "journal",
            header: "In the journal",
            width: "16%",
            number: true,
            cell: (row) => <Amount of={row.journal} currency={currency} dash />,
          },
          {
            id: "documents",
            header: "By the documents",
            width: "16%",
            number: true,
            cell: (row) => <Amount of={row.documents} currency={currency} dash />,
          },
          {
            id: "off",
            header: "Off by",
            width: "12%",
            number: true,
            cell: (row) => <LeftOver of={row.off} currency={currency} />,
          },
          {
            id: "holds",
            header: "Holds",
            width: "10%",
            cell: (row) =>
              row.holds ? (
                <span data-tone="good">✓ holds</span>
              ) : (
                <span data-tone="off">✗ broken</span>
              ),
          },
        ]}
        empty={<p>No proofs.</p>}
      />
      <Work {...props} />
    </>
  );
}

/** What a control sum is made of, document by document. */
function ProofDocuments({ row, book, currency, today }: BookFacts & { row: ProofLine }): ReactNode {
  const { complain } = useActing();
  const [made, setMade] = useState<ProofBreakdown | null>(null);
  useEffect(() => {
    let current = true;
    void load<ProofBreakdown>(`/api/v1/b/${book}/proofs/${row.name}`).then((sent) => {
      if (!current) return;
      if (sent.ok) setMade(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.name]);
  if (!made) return <p data-tone="soft">Reading …</p>;
  if (made.count === 0 && made.off.length === 0)
    return (
      <chakra.p data-tone="soft" paddingLeft="16px">
        {row.documents === 0
          ? "Nothing stands there now."
          : "This is checked over all of them; there is no list of its own."}{" "}
        {row.holds ? "Both sides agree." : ""}
      </chakra.p>
    );
  return (
    <Box
      padding="0 16px"
      maxHeight="330px"
      overflow="auto"
      tabIndex={0}
      role="group"
      aria-label={row.what}
    >
      {made.off.length > 0 ? (
        <OffTable book={book} currency={currency} made={made} today={today} />
      ) : null}
      <MadeOf book={book} currency={currency} made={made} today={today} />
    </Box>
  );
}

type OffTableProps = {
  book: string;
  currency: Currency;
  made: ProofBreakdown;
  today: Day;
};

function OffTable({ book, currency, made, today }: OffTableProps): ReactNode {
  return (
    <DetailTable aria-label="Where it is off">
      <thead>
        <tr>
          <th data-tone="off" scope="col">
            Off in
          </th>
          <th data-numeric scope="col">
            in the journal
          </th>
          <th data-numeric scope="col">
            by itself
          </th>
          <th scope="col">since</th>
          <th scope="col">what explains it</th>
        </tr>
      </thead>
      <tbody>
        {made.off.map((off) => (
          <tr key={off.words}>
            <td>
              {off.href ? (
                <NextLink href={`/b/${book}/${off.href}`} prefetch={false}>
                  {off.words}
                </NextLink>
              ) : (
                off.words
              )}
            </td>
            <td data-numeric data-sum>
              {formatAmount(off.journal, currency)}
            </td>
            <td data-numeric data-sum>
              {formatAmount(off.documents, currency)}
            </td>
            <td>
              {off.sinceEntry === null ? (
                "no entry"
              ) : (
                <NextLink
                  href={`/b/${book}/books?view=journal&open=${off.sinceEntry}`}
                  prefetch={false}
                >
                  entry {off.sinceEntry}
                  {off.sinceOn ? ` of ${formatDay(off.sinceOn, today)}` : ""}
                </NextLink>
              )}
            </td>
            <td data-wrap>{off.explained}</td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

type MadeOfProps = {
  book: string;
  currency: Currency;
  made: ProofBreakdown;
  today: Day;
};

function MadeOf({ book, currency, made, today }: MadeOfProps): ReactNode {
  return (
    <DetailTable aria-label="What it is made of">
      <tbody>
        {made.documents.map((document, at) => (
          <tr key={at}>
            <td>
              {document.href ? (
                <NextLink href={`/b/${book}/${document.href}`} prefetch={false}>
                  {document.words}
                </NextLink>
              ) : (
                document.words
              )}
            </td>
            <td data-tone="soft" data-wrap>
              {document.more}
            </td>
            <Cell data-tone="soft" width="130px">
              {document.on ? formatDay(document.on, today) : ""}
            </Cell>
            <Cell data-numeric data-sum width="120px">
              {formatAmount(document.amount, currency)}
            </Cell>
          </tr>
        ))}
        {made.count > made.documents.length ? (
          <tr>
            <td data-tone="soft" colSpan={4}>
              and {made.count - made.documents.length} more; the CSV has them all
            </td>
          </tr>
        ) : null}
        <tr>
          <td data-tone="soft">{made.count} in all</td>
          <td />
          <td />
          <td data-numeric>
            <Total>{formatAmount(made.sum, currency)}</Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

function Work({ work, book, currency }: Props): ReactNode {
  return (
    <Section padding="10px 8px 16px" flex="none">
      <Subheading fontSize="14px" fontWeight={600} margin="4px 0">
        Open work{" "}
        <span data-tone="soft" data-light>
          shown until it is done; it breaks no proof
        </span>
      </Subheading>
      {work.length === 0 ? (
        <p data-tone="good">✓ None.</p>
      ) : (
        <DetailTable maxWidth="640px" aria-label="Open work">
          <tbody>
            {work.map((workLine) => (
              <tr key={workLine.name}>
                <Cell data-numeric width="60px">
                  {workLine.count}
                </Cell>
                <td>
                  <NextLink href={`/b/${book}/${workLine.href}`}>{workLine.words}</NextLink>
                </td>
                <td data-numeric data-sum>
                  {formatAmount(workLine.sum, currency)}
                </td>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      )}
    </Section>
  );
}
