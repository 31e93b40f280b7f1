"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { MovedItem, PayoutItem, PayoutWorkings as Workings } from "@/contracts/payouts";
import { PROCESSOR_ITEM_KINDS } from "@/core/activity";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Subheading } from "../kit/headings";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

export function PayoutItems({
  workings,
  currency,
  today,
}: {
  workings: { items: PayoutItem[]; payout: { net: Minor } };
  currency: Currency;
  today: Day;
}): ReactNode {
  const { book } = useActing();
  const { items } = workings;
  return (
    <Box>
      <Subheading>{items.length === 1 ? "1 item" : `${items.length} items`}</Subheading>
      <Box
        maxHeight="240px"
        overflow="auto"
        tabIndex={0}
        role="group"
        aria-label="Items of the payout"
      >
        <DetailTable>
          <tbody>
            {items.map((item) => (
              <tr key={item.id}>
                <td
                  title={`${item.externalId}, settled ${formatDay(item.settledOn, today)}${item.reason ? `, ${item.reason}` : ""}`}
                >
                  {PROCESSOR_ITEM_KINDS[item.kind].label}{" "}
                  {item.receiptId === null ? (
                    <span data-tone="soft">{item.reason ?? item.externalId}</span>
                  ) : (
                    <NextLink href={`/b/${book}/receipts/${item.receiptId}`}>
                      {item.payer || item.externalId}
                    </NextLink>
                  )}
                </td>
                <td data-numeric>
                  <Amount of={item.amount} currency={currency} />
                </td>
              </tr>
            ))}
            <tr>
              <td data-tone="soft">should be</td>
              <td data-numeric>
                <Total>
                  <Amount of={workings.payout.net} currency={currency} />
                </Total>
              </td>
            </tr>
          </tbody>
        </DetailTable>
      </Box>
    </Box>
  );
}
type MovesProps = { explanations: Workings["explanations"]; currency: Currency };

/** What Enter moves where the payout is off, named beside what it posts. */
function Moves({ explanations, currency }: MovesProps): ReactNode {
  const moved = explanations.find(({ remedy }) => remedy.as !== "ask")?.moved ?? [];
  if (moved.length === 0) return null;
  return (
    <DetailTable aria-label="What it will move">
      <tbody>
        {moved.map((item) => (
          <tr key={item.words}>
            <td data-wrap data-tone="waits">
              moves {item.words} {placeInWords(item)}
            </td>
            <td data-numeric>
              <Amount of={item.amount} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
/** Where an item leaves and where it goes. */
function placeInWords({ from, to }: MovedItem): string {
  if (to === null) return "out of this payout";
  return from === null ? "into this payout" : `out of payout ${from} into this one`;
}
type OffRowProps = { what: string; debit?: string; credit?: string };

/** What the bank's line and the items differ by. */
const OffRow = ({ what, debit = "", credit = "" }: OffRowProps): ReactNode => (
  <tr>
    <td>{what}</td>
    <td data-numeric data-sum>
      {debit}
    </td>
    <td data-numeric data-sum>
      {credit}
    </td>
  </tr>
);

export function Entry({
  workings,
  currency,
  today,
}: {
  workings: Workings;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { payout, lines, explanations } = workings;
  const cleared = payout.bookNet;
  const bank =
    lines.length > 0 ? sumOf(lines, (line) => line.amount) : (payout.candidate?.amount ?? cleared);
  const on = lines[0]?.postedOn ?? payout.candidate?.on;
  const off = bank - cleared;
  const [lost, gained] = payout.abroad ? ["Exchange", "Exchange"] : ["Fee, or parked", "Parked"];
  return (
    <Box>
      <Subheading>
        {payout.shown === "tied" ? "Posted" : "It will post"}
        {on ? `, ${formatDay(on, today)}` : ""}
      </Subheading>
      <DetailTable>
        <tbody>
          <tr>
            <td>Operating bank</td>
            <td data-numeric data-sum>
              {formatAmount(bank, currency)}
            </td>
            <td data-numeric />
          </tr>
          {off < 0 ? <OffRow what={lost} debit={formatAmount(-off, currency)} /> : null}
          {off > 0 ? <OffRow what={gained} credit={formatAmount(off, currency)} /> : null}
          <tr>
            <Cell paddingLeft="16px">Clearing, {payout.processorName}</Cell>
            <td data-numeric />
            <td data-numeric data-sum>
              {formatAmount(cleared, currency)}
            </td>
          </tr>
        </tbody>
      </DetailTable>
      <Moves explanations={explanations} currency={payout.currency} />
      <p data-tone="soft">Charges and fees were booked apart when the file was taken in.</p>
    </Box>
  );
}
