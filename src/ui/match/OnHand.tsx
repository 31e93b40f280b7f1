"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { DepositUnderWay, OnHandFacts } from "@/contracts/match";
import { formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";

import { Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { EmptyState, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { type Shared, ToDeposit } from "./ToDeposit";

/** Checks and cash that lie here, ticked for one bank deposit; and the deposits that no statement shows yet. */
export function OnHand({ hand, ...shared }: Shared & { hand: OnHandFacts }): ReactNode {
  const { currency } = shared;
  if (hand.rows.length === 0 && hand.deposits.length === 0)
    return (
      <EmptyState>
        <p>No checks and no cash on hand.</p>
        <p>
          Record one with <kbd>N</kbd>.
        </p>
      </EmptyState>
    );
  return (
    <Halves ratio="3:2">
      <Section>
        <Subheading>
          On hand{" "}
          <span data-tone="soft">
            {hand.rows.length}, {formatAmount(hand.sum, currency)}
          </span>
        </Subheading>
        {hand.rows.length === 0 ? (
          <p data-tone="good">✓ All of it is on its way to the bank.</p>
        ) : (
          <ToDeposit hand={hand} {...shared} />
        )}
      </Section>
      <Section>
        <Subheading>
          On the way to the bank{" "}
          <span data-tone="soft">
            {hand.deposits.length}, {formatAmount(hand.depositsSum, currency)}
          </span>
        </Subheading>
        {hand.deposits.length === 0 ? (
          <p data-tone="soft">No deposit is under way.</p>
        ) : (
          hand.deposits.map((deposit) => <Deposit key={deposit.id} deposit={deposit} {...shared} />)
        )}
      </Section>
    </Halves>
  );
}
function Deposit({
  deposit,
  book,
  currency,
  today,
}: Shared & { deposit: DepositUnderWay }): ReactNode {
  const { act, busy } = useActing();
  return (
    <DetailTable marginBottom="14px" aria-label={`Deposit of ${formatDay(deposit.onDay, today)}`}>
      <tbody>
        {deposit.rows.map((row) => (
          <tr key={row.id}>
            <td>
              <NextLink href={`/b/${book}/receipts/${row.id}`} prefetch={false}>
                {row.what}
              </NextLink>{" "}
              <span data-tone="soft">{row.from}</span>
            </td>
            <td data-numeric data-sum>
              {formatAmount(row.amount, currency)}
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">
            {deposit.bank}, {formatDay(deposit.onDay, today)}
          </td>
          <td data-numeric>
            <Total>{formatAmount(deposit.sum, currency)}</Total>
          </td>
        </tr>
        {deposit.lines.map((line) => (
          <tr key={line.id}>
            <td>
              on the statement, {formatDay(line.postedOn, today)}: {line.description}
            </td>
            <td data-numeric>
              <RowButton
                data-strong
                disabled={busy}
                onClick={() =>
                  void act<{ actId: number }>(
                    "tieDeposit",
                    { depositId: deposit.id, lineId: line.id },
                    (value) => ({
                      words: "The deposit is tied to its bank line.",
                      undo: value.actId,
                    }),
                  )
                }
              >
                It is this line
              </RowButton>
            </td>
          </tr>
        ))}
        {deposit.lines.length === 0 ? (
          <tr>
            <td data-tone="waits" colSpan={2}>
              not on a statement yet
            </td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}
