"use client";

import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { DepositUnderWay, HandRow, OnHandFacts } from "@/contracts/match";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { SmallChoice, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow, EmptyState, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

const STATE: Record<HandRow["state"], string> = {
  to_match: "to match",
  placed: "matched",
  set_aside: "set aside",
  returned: "gone back",
};
type Shared = BookFacts;

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

function ToDeposit({ hand, book, currency, today }: Shared & { hand: OnHandFacts }): ReactNode {
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
      }),
    );
  };
  useHotkeys("d", deposit, { ignoreEventWhen: onOwnControl }, [wanted, bank, busy]);
  return (
    <>
      <DetailTable aria-label="Checks and cash on hand">
        <thead>
          <tr>
            <th scope="col">Goes along</th>
            <th scope="col">From</th>
            <th scope="col">Memo</th>
            <th scope="col">In Match</th>
            <th data-numeric scope="col">
              Amount
            </th>
          </tr>
        </thead>
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
      <DepositActs bank={bank} deposit={deposit} hand={hand} setBank={setBank} wanted={wanted} />
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
  deposit: () => void;
  hand: OnHandFacts;
  setBank: Dispatch<SetStateAction<string>>;
  wanted: HandRow[];
};

function DepositActs({ bank, deposit, hand, setBank, wanted }: DepositActsProps): ReactNode {
  const { busy } = useActing();
  return (
    <ActRow>
      <Act main hint="D" onClick={deposit} disabled={busy || wanted.length === 0 || bank === ""}>
        Take them to the bank
      </Act>
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
