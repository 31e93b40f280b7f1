"use client";

import NextLink from "next/link";
import type { RefundFacts } from "@/contracts/paying";
import type { ReactNode } from "react";

import type { Backing, Linked } from "@/contracts/history";
import type { ReceiptItem, StatementLine } from "@/contracts/match";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { PageHeading, Title } from "../kit/headings";
import { FactList } from "../kit/layout";
import { DetailTable } from "../kit/tables";

type Receipt = {
  id: number;
  paidOn: Day;
  settledOn: Day;
  amount: Minor;
  currency: Currency;
  payerName: string;
  payerEmail: string;
  reference: string;
  state: "to_match" | "placed" | "set_aside" | "returned";
  unidentified: Minor;
  onAccount: Minor;
  applied: Minor;
  parked: Minor;
  income: Minor;
  surcharge: Minor;
  recovered: Minor;
  goneBack: Minor;
  reason: string | null;
};
export type Props = BookFacts & {
  receipt: Receipt;
  method: string;
  customer: { id: number; name: string } | null;
  given: Linked[];
  items: ReceiptItem[];
  line: StatementLine | null;
  hand: { number: string | null; state: string; depositOn: Day | null } | null;
  told: Backing;
  /** What may go back by the processor; null where it did not come by one that can be asked. */
  refunds: RefundFacts | null;
};
const STATE = {
  to_match: "waits in Match",
  placed: "placed",
  set_aside: "set aside",
  returned: "gone back",
} as const;
type ReceiptHeadingProps = {
  book: BookFacts["book"];
  currency: Props["receipt"]["currency"];
  method: Props["method"];
  receipt: Props["receipt"];
  today: BookFacts["today"];
};
export function ReceiptHeading({
  book,
  currency,
  method,
  receipt,
  today,
}: ReceiptHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        <Amount of={receipt.amount} currency={currency} />{" "}
        <small>
          by {method} on {formatDay(receipt.paidOn, today)}
        </small>
      </Title>
      <span data-strong>{receipt.payerName || receipt.payerEmail || "payer not known"}</span>
      {receipt.state === "to_match" ? (
        <NextLink data-tone="waits" href={`/b/${book}/match?open=${receipt.id}`}>
          waits in Match
        </NextLink>
      ) : (
        <span data-tone={receipt.state === "placed" ? "good" : "waits"}>
          {STATE[receipt.state]}
          {receipt.reason ? `: ${receipt.reason}` : ""}
        </span>
      )}
    </PageHeading>
  );
}
type ReceiptFactsProps = {
  book: BookFacts["book"];
  customer: Props["customer"];
  hand: Props["hand"];
  receipt: Props["receipt"];
  today: BookFacts["today"];
};
export function ReceiptFacts({
  book,
  customer,
  hand,
  receipt,
  today,
}: ReceiptFactsProps): ReactNode {
  return (
    <FactList>
      {receipt.payerEmail ? (
        <>
          <dt>E-mail</dt>
          <dd>{receipt.payerEmail}</dd>
        </>
      ) : null}
      <dt>Memo</dt>
      <dd>{receipt.reference || <span data-tone="soft">none</span>}</dd>
      {hand ? (
        <>
          <dt>By hand</dt>
          <dd>
            {hand.number ? `number ${hand.number}, ` : ""}
            {hand.state}
            {hand.depositOn ? `, taken there ${formatDay(hand.depositOn, today)}` : ""}
          </dd>
        </>
      ) : null}
      <dt>Settled</dt>
      <dd>{formatDay(receipt.settledOn, today)}</dd>
      <dt>Customer</dt>
      <dd>
        {customer ? (
          <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
        ) : (
          <span data-tone="soft">not known yet</span>
        )}
      </dd>
    </FactList>
  );
}
type ReceiptPartsProps = {
  currency: Props["receipt"]["currency"];
  parts: [string, Minor][];
  receipt: Props["receipt"];
};
export function ReceiptParts({ currency, parts, receipt }: ReceiptPartsProps): ReactNode {
  return (
    <DetailTable aria-label="What became of it">
      <tbody>
        {parts
          .filter(([, sum]) => sum !== 0)
          .map(([words, sum]) => (
            <tr key={words}>
              <td>{words}</td>
              <td data-numeric data-sum>
                <Amount of={sum} currency={currency} />
              </td>
            </tr>
          ))}
        <tr>
          <td data-tone="soft">the receipt</td>
          <td data-numeric>
            <Total>
              <Amount of={receipt.amount} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
