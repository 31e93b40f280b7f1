"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { Backing } from "@/contracts/history";
import type { BankLine, PayoutItem, PayoutRow, PayoutState } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import type { Minor } from "@/core/money";

import { History } from "../history/History";
import { Amount, Total } from "../kit/Amount";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { PayoutItems } from "./PayoutItems";

type Payout = Omit<
  PayoutRow,
  "bankOn" | "takenFrom" | "takenTo" | "chargeCount" | "bankAmount" | "atBank"
>;
type Props = BookFacts & { payout: Payout; items: PayoutItem[]; lines: BankLine[]; told: Backing };

const SHOWN: Record<PayoutState, [string, string]> = {
  tied: ["good", "✓ tied to the bank"],
  off: ["off", "off"],
  fits: ["waits", "its line is there: tie it"],
  late: ["off", "late"],
  on_way: ["soft", "on its way"],
};

/** A payout with its sum line, its items and its bank lines, and everything that was posted for it. */
export function PayoutPage({ payout, items, lines, told, ...around }: Props): ReactNode {
  const { book, today } = around;
  const { currency } = payout;
  const terms: [string, Minor][] = [
    ["Charges", payout.charges],
    ["Fees", payout.fees],
    ["Refunds", payout.refunds],
    ["Disputes", payout.disputes],
    ["Returns, reserves, adjustments", payout.other],
  ];
  const [tone, words] = SHOWN[payout.shown];
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={payout.net} currency={currency} />{" "}
          <small>
            {payout.processorName}, paid out {formatDay(payout.paidOn, today)}
          </small>
        </Title>
        <span data-strong>Payout {payout.externalId}</span>
        {payout.shown === "tied" ? (
          <span data-tone={tone}>{words}</span>
        ) : (
          <NextLink data-tone={tone} href={`/b/${book}/payouts?show=open&open=${payout.id}`}>
            {words}
            {payout.offBy ? (
              <>
                {" "}
                by <Amount of={payout.offBy} currency={currency} />
              </>
            ) : null}
          </NextLink>
        )}
      </PageHeading>
      <Halves>
        <Section>
          <Subheading>How it comes about</Subheading>
          <DetailTable aria-label="How it comes about">
            <tbody>
              {terms.map(([name, sum]) => (
                <tr key={name}>
                  <td>{name}</td>
                  <td data-numeric data-sum>
                    <Amount of={sum} currency={currency} dash />
                  </td>
                </tr>
              ))}
              <tr>
                <td data-tone="soft">
                  should reach the bank{" "}
                  {payout.shown === "tied" ? "" : `on ${formatDay(payout.expectedOn, today)}`}
                </td>
                <td data-numeric>
                  <Total>
                    <Amount of={payout.net} currency={currency} />
                  </Total>
                </td>
              </tr>
              {lines.map((line) => (
                <tr key={line.id}>
                  <td>
                    <NextLink href={`/b/${book}/lines/${line.id}`}>{line.description}</NextLink>{" "}
                    <span data-tone="soft">{formatDay(line.postedOn, today)}</span>
                  </td>
                  <td data-numeric data-sum>
                    <Amount of={line.amount} currency={around.currency} />
                  </td>
                </tr>
              ))}
            </tbody>
          </DetailTable>
          {payout.statedNet !== null && payout.statedNet !== payout.net ? (
            <p data-tone="off">
              The file says <Amount of={payout.statedNet} currency={currency} /> was paid.
            </p>
          ) : null}
          <PayoutItems workings={{ payout, items }} currency={currency} today={today} />
        </Section>
        <History told={told} {...around} />
      </Halves>
    </>
  );
}
