"use client";

import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { HandRow, OnHandFacts } from "@/contracts/match";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { SmallChoice, Tick } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { DetailTable, Heads } from "../kit/tables";
import { LastLook } from "../shell/LastLook";
import { useActing } from "../shell/Notices";

const STATE: Record<HandRow["state"], string> = {
  to_match: "to match",
  placed: "matched",
  set_aside: "set aside",
  returned: "gone back",
};
export type Shared = BookFacts;
export function ToDeposit({
  hand,
  book,
  currency,
  today,
}: Shared & { hand: OnHandFacts }): ReactNode {
  const { act, busy } = useActing();
  const [out, setOut] = useState<ReadonlySet<number>>(new Set());
  const [bank, setBank] = useState(hand.banks[0]?.code ?? "");
  const wanted = hand.rows.filter((row) => !out.has(row.id));
  const deposit = (): void => {
    if (busy || wanted.length === 0 || bank === "") return;
    void act<{ actId: number; banked: boolean }>(
      "makeDeposit",
      { receiptIds: wanted.map(({ id }) => id), bank },
      (value) => ({
        words: `${formatAmount(
          sumOf(wanted, (row) => row.amount),
          currency,
        )} taken to the bank${value.banked ? ", and found on the statement" : ""}.`,
        undo: value.banked ? null : value.actId,
        final:
          "The statement shows this deposit: what ties it to its line is undone in the audit trail first.",
      }),
    );
  };
  return (
    <>
      <DetailTable aria-label="Checks and cash on hand">
        <Heads of={["Goes along", "From", "Memo", "In Match", { number: "Amount" }]} />
        <tbody>
          {hand.rows.map((row) => (
            <HandRowLine
              key={row.id}
              book={book}
              currency={currency}
              out={out}
              row={row}
              setOut={setOut}
              today={today}
            />
          ))}
          <tr>
            <td data-tone="soft" colSpan={4}>
              {wanted.length} of {hand.rows.length} in this deposit
            </td>
            <td data-numeric>
              <Total>
                {formatAmount(
                  sumOf(wanted, (row) => row.amount),
                  currency,
                )}
              </Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
      <DepositActs
        bank={bank}
        currency={currency}
        deposit={deposit}
        hand={hand}
        setBank={setBank}
        wanted={wanted}
      />
    </>
  );
}
type HandRowLineProps = {
  book: string;
  currency: Currency;
  out: ReadonlySet<number>;
  row: HandRow;
  setOut: Dispatch<SetStateAction<ReadonlySet<number>>>;
  today: Day;
};
function HandRowLine({ book, currency, out, row, setOut, today }: HandRowLineProps): ReactNode {
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={!out.has(row.id)}
            onChange={() =>
              setOut(
                new Set(
                  out.has(row.id) ? [...out].filter((id) => id !== row.id) : [...out, row.id],
                ),
              )
            }
          />{" "}
          {row.what}, {formatDay(row.paidOn, today)}
        </label>
      </td>
      <td>
        <NextLink href={`/b/${book}/receipts/${row.id}`} prefetch={false}>
          {row.from}
        </NextLink>
      </td>
      <td title={row.memo}>{row.memo || "–"}</td>
      <td data-tone={row.state === "to_match" ? "waits" : "soft"}>{STATE[row.state]}</td>
      <td data-numeric data-sum>
        {formatAmount(row.amount, currency)}
      </td>
    </tr>
  );
}
type DepositActsProps = {
  bank: string;
  currency: Currency;
  deposit: () => void;
  hand: OnHandFacts;
  setBank: Dispatch<SetStateAction<string>>;
  wanted: HandRow[];
};
function DepositActs({
  bank,
  currency,
  deposit,
  hand,
  setBank,
  wanted,
}: DepositActsProps): ReactNode {
  return (
    <ActRow>
      <LastLook
        hint="D"
        ask="Take them to the bank"
        go="Deposit them"
        words={`${wanted.length} in one deposit into ${hand.banks.find(({ code }) => code === bank)?.name ?? ""}, ${formatAmount(
          sumOf(wanted, ({ amount }) => amount),
          currency,
        )}.`}
        onGo={deposit}
        disabled={wanted.length === 0 || bank === ""}
      />
      {hand.banks.length > 1 ? (
        <SmallChoice
          aria-label="Into which account"
          value={bank}
          onChange={(event) => setBank(event.target.value)}
        >
          {hand.banks.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </SmallChoice>
      ) : null}
      {hand.banks.length === 0 ? (
        <span data-tone="waits">Add a bank account under Set-up first.</span>
      ) : null}
    </ActRow>
  );
}
