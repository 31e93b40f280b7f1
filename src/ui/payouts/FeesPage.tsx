"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { FeeLine } from "@/contracts/payouts";
import { formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { Halves, Section } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { AchCost, AchSaving, type Props, Rates } from "./AgreedRates";
import { Billed, Months } from "./FeeMonths";
import { methodWords } from "./fees";
import { PayoutTabs } from "./PayoutTabs";

const RateChart = dynamic(() => import("./RateChart").then((module) => module.RateChart), {
  ssr: false,
  loading: () => <Box height="150px" />,
});
/**
 * Fees against what was agreed: what was taken too much, the rate by month, and what was agreed.
 * `asked` says of which month, method and account the charges are listed; of all where it says none.
 */
export function FeesPage(props: Props & { asked: Asked }): ReactNode {
  const { currency, today, lines, over, checked, count, book, asked } = props;
  const of = askedInWords(asked, props.accounts);
  return (
    <>
      <PageHeading>
        <Title>
          {over === 0 ? (
            <>
              <span data-tone="good">0.00</span>{" "}
              <small>too much, of {checked.toLocaleString("en")} fees checked</small>
            </>
          ) : (
            <>
              <span data-tone="off">{formatAmount(over, currency)}</span>{" "}
              <small>
                too much, of {checked.toLocaleString("en")} fees checked{" "}
                {of !== "" ? `of ${of}` : "in twelve months"}
              </small>
            </>
          )}
        </Title>
        <PayoutTabs at="fees" />
        <HeadingEnd>
          <ListFiles book={book} list="fees" />
        </HeadingEnd>
      </PageHeading>
      <Halves ratio="3:2">
        <Section>
          <Subheading>
            Not as agreed{" "}
            <span data-tone="soft">
              {count === lines.length ? count : `${lines.length} of ${count}`}, worst first
            </span>
            {of !== "" ? (
              <small>
                {" "}
                of {of} · <NextLink href={`/b/${book}/payouts?show=fees`}>All months</NextLink>
              </small>
            ) : null}
          </Subheading>
          <LedgerList<FeeLine>
            label="Fees that are not as agreed"
            rows={lines}
            idOf={(line) => line.id}
            href={(line) =>
              line.receiptId === null
                ? `/b/${book}/payouts`
                : `/b/${book}/receipts/${line.receiptId}`
            }
            columns={feeColumns({ count, currency, over, today })}
            empty={
              props.rates.length === 0 ? (
                <p>Nothing is agreed yet: say at the right what the processor may take.</p>
              ) : (
                <p data-tone="good">✓ Every fee is as agreed.</p>
              )
            }
          />
        </Section>
        <Section>
          <Subheading>Effective rate by month</Subheading>
          {props.months.length === 0 ? (
            <p data-tone="soft">No charges yet.</p>
          ) : (
            <>
              <RateChart months={props.months} />
              <Months {...props} />
            </>
          )}
          {props.accounts.some(({ monthly }) => monthly) ? <Billed {...props} /> : null}
          <Subheading>Agreed</Subheading>
          <Rates {...props} />
          {props.ach ? <AchSaving ach={props.ach} currency={currency} /> : null}
          {props.ach ? <AchCost fixed={props.ach.fixed} currency={currency} /> : null}
        </Section>
      </Halves>
    </>
  );
}
type Asked = Record<"month" | "method" | "account", string | null>;

/** `2026-10, card, card account`; nothing where all are asked for. */
function askedInWords({ month, method, account }: Asked, accounts: Props["accounts"]): string {
  return [
    month,
    method === null ? null : methodWords(method),
    accounts.find(({ code }) => code === account)?.name ?? account,
  ]
    .filter((said) => said !== null)
    .join(", ");
}

type FeeColumnsProps = {
  count: Props["count"];
  currency: Props["currency"];
  over: Props["over"];
  today: Props["today"];
};
function feeColumns({ count, currency, over, today }: FeeColumnsProps): ListColumn<FeeLine>[] {
  return [
    {
      id: "charge",
      narrow: "state",
      header: "Charge",
      width: "20%",
      cell: (line) => line.externalId,
      foot: `${count} charges`,
    },
    {
      id: "on",
      narrow: "more",
      header: "Settled",
      width: "14%",
      cell: (line) => formatDay(line.on, today),
    },
    {
      id: "payer",
      narrow: "who",
      header: "From",
      width: "24%",
      cell: (line) => <span title={line.payer}>{line.payer}</span>,
    },
    {
      id: "amount",
      header: "Charge of",
      width: "12%",
      number: true,
      cell: (line) => <Amount of={line.amount} currency={line.currency} />,
    },
    {
      id: "fee",
      header: "Taken",
      width: "10%",
      number: true,
      cell: (line) => <Amount of={line.fee} currency={line.currency} />,
    },
    {
      id: "agreed",
      header: "Agreed",
      width: "10%",
      number: true,
      cell: (line) =>
        line.expected === null ? "–" : <Amount of={line.expected} currency={line.currency} />,
    },
    {
      id: "off",
      narrow: "sum",
      header: "Too much",
      width: "10%",
      number: true,
      cell: (line) => (
        <Amount of={line.off} currency={line.currency} tone={line.off > 0 ? "off" : undefined} />
      ),
      foot: <Total>{formatAmount(over, currency)}</Total>,
    },
  ];
}
