import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Backing } from "@/contracts/history";
import { type PayoutShare } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import { History } from "../history/History";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";

type Props = BookFacts & {
  line: {
    id: number;
    postedOn: Day;
    description: string;
    amount: Minor;
    state:
      "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce" | "fee_bill" | "refund";
    receiptId: number | null;
    balanceAfter: Minor | null;
  };
  bank: string;
  payouts: PayoutShare[];
  told: Backing;
};

/** A line of the bank's statement: what it is, and what it led to. */
export function LinePage({ line, bank, payouts, told, ...around }: Props): ReactNode {
  const { book, currency, today } = around;
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(line.amount, currency)}{" "}
          <small>
            {bank}, {formatDay(line.postedOn, today)}
          </small>
        </Title>
        <span data-strong>{line.description}</span>
      </PageHeading>
      <Halves>
        <Section>
          <Subheading>What it is</Subheading>
          <p>
            {line.state === "open" ? (
              <NextLink
                data-tone="waits"
                href={`/b/${book}/arrivals?list=lines&state=open&open=${line.id}`}
              >
                not explained yet: say what it is
              </NextLink>
            ) : null}
            {payouts.map((payout, at) => (
              <span key={payout.id}>
                {at === 0 ? "the bank’s side of " : " and of "}
                <NextLink href={`/b/${book}/payouts/${payout.id}`}>
                  payout {payout.externalId}
                </NextLink>
                , {payout.processor}
                {payouts.length > 1 ? ` (${formatAmount(payout.share, currency)})` : ""}
              </span>
            ))}
            {line.state === "fee_bill" ? "the processor’s bill for fees that were accrued" : null}
            {line.state === "refund" ? (
              <>
                credit on account that was sent back
                {line.receiptId === null ? (
                  ""
                ) : (
                  <>
                    :{" "}
                    <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>the receipt</NextLink>
                  </>
                )}
              </>
            ) : null}
            {line.state === "receipt" && line.receiptId !== null ? (
              <>
                a receipt by itself:{" "}
                <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>the receipt</NextLink>
              </>
            ) : null}
            {line.state === "deposit" ? "a deposit of checks and cash by hand" : null}
            {line.state === "bounce" ? (
              <>
                a check that the bank took back, or its fee
                {line.receiptId === null ? (
                  ""
                ) : (
                  <>
                    :{" "}
                    <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>the receipt</NextLink>
                  </>
                )}
              </>
            ) : null}
            {line.state === "elsewhere" ? "not of this job, put aside" : null}
          </p>
          {line.balanceAfter !== null ? (
            <p data-tone="soft">
              The statement says {formatAmount(line.balanceAfter, currency)} stood on the account
              after it.
            </p>
          ) : null}
        </Section>
        <History told={told} {...around} />
      </Halves>
    </>
  );
}
