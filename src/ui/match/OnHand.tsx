"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import { Act } from "../kit/Act";
import { onOwnControl } from "../kit/keys";
import { useActing } from "../shell/Notices";
import type { HandFacts, HandRow, UnderWay } from "./types";

const STATE: Record<HandRow["state"], string> = {
  to_match: "to match",
  placed: "matched",
  set_aside: "set aside",
  returned: "gone back",
};
type Shared = { book: string; currency: Currency; today: Day };

/** Checks and cash that lie here, ticked for one bank deposit; and the deposits that no statement shows yet. */
export function OnHand({ hand, ...shared }: Shared & { hand: HandFacts }): ReactNode {
  const { currency } = shared;
  if (hand.rows.length === 0 && hand.deposits.length === 0)
    return (
      <div className="empty">
        <p>No checks and no cash on hand.</p>
        <p>
          Record one with <kbd>N</kbd>.
        </p>
      </div>
    );
  return (
    <div className="columns" style={{ gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)" }}>
      <section>
        <h2>
          On hand{" "}
          <span className="soft">
            {hand.rows.length}, {formatAmount(hand.sum, currency)}
          </span>
        </h2>
        {hand.rows.length === 0 ? (
          <p className="good">✓ All of it is on its way to the bank.</p>
        ) : (
          <ToDeposit hand={hand} {...shared} />
        )}
      </section>
      <section>
        <h2>
          On the way to the bank{" "}
          <span className="soft">
            {hand.deposits.length}, {formatAmount(hand.depositsSum, currency)}
          </span>
        </h2>
        {hand.deposits.length === 0 ? (
          <p className="soft">No deposit is under way.</p>
        ) : (
          hand.deposits.map((deposit) => <Deposit key={deposit.id} deposit={deposit} {...shared} />)
        )}
      </section>
    </div>
  );
}

function ToDeposit({ hand, book, currency, today }: Shared & { hand: HandFacts }): ReactNode {
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
      <table className="small" aria-label="Checks and cash on hand">
        <thead>
          <tr>
            <th scope="col">Goes along</th>
            <th scope="col">From</th>
            <th scope="col">Memo</th>
            <th scope="col">In Match</th>
            <th scope="col" className="num">
              Amount
            </th>
          </tr>
        </thead>
        <tbody>
          {hand.rows.map((row) => (
            <tr key={row.id}>
              <td>
                <label>
                  <input
                    type="checkbox"
                    checked={!out.has(row.id)}
                    onChange={() =>
                      setOut(
                        new Set(
                          out.has(row.id)
                            ? [...out].filter((id) => id !== row.id)
                            : [...out, row.id],
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
              <td className={row.state === "to_match" ? "waits" : "soft"}>{STATE[row.state]}</td>
              <td className="num sum">{formatAmount(row.amount, currency)}</td>
            </tr>
          ))}
          <tr>
            <td colSpan={4} className="soft">
              {wanted.length} of {hand.rows.length} in this deposit
            </td>
            <td className="num">
              <span className="total">
                {formatAmount(
                  sumOf(wanted, (row) => row.amount),
                  currency,
                )}
              </span>
            </td>
          </tr>
        </tbody>
      </table>
      <div className="acts">
        <Act main hint="D" onClick={deposit} disabled={busy || wanted.length === 0 || bank === ""}>
          Take them to the bank
        </Act>
        {hand.banks.length > 1 ? (
          <select
            className="plain person"
            aria-label="Into which account"
            value={bank}
            onChange={(event) => setBank(event.target.value)}
          >
            {hand.banks.map(({ code, name }) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </select>
        ) : null}
        {hand.banks.length === 0 ? (
          <span className="waits">Add a bank account under Set-up first.</span>
        ) : null}
      </div>
    </>
  );
}

function Deposit({ deposit, book, currency, today }: Shared & { deposit: UnderWay }): ReactNode {
  const { act, busy } = useActing();
  return (
    <table
      className="small"
      aria-label={`Deposit of ${formatDay(deposit.onDay, today)}`}
      style={{ marginBottom: 14 }}
    >
      <tbody>
        {deposit.rows.map((row) => (
          <tr key={row.id}>
            <td>
              <NextLink href={`/b/${book}/receipts/${row.id}`} prefetch={false}>
                {row.what}
              </NextLink>{" "}
              <span className="soft">{row.from}</span>
            </td>
            <td className="num sum">{formatAmount(row.amount, currency)}</td>
          </tr>
        ))}
        <tr>
          <td className="soft">
            {deposit.bank}, {formatDay(deposit.onDay, today)}
          </td>
          <td className="num">
            <span className="total">{formatAmount(deposit.sum, currency)}</span>
          </td>
        </tr>
        {deposit.lines.map((line) => (
          <tr key={line.id}>
            <td>
              on the statement, {formatDay(line.postedOn, today)}: {line.description}
            </td>
            <td className="num">
              <button
                type="button"
                className="row-open strong"
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
              </button>
            </td>
          </tr>
        ))}
        {deposit.lines.length === 0 ? (
          <tr>
            <td colSpan={2} className="waits">
              not on a statement yet
            </td>
          </tr>
        ) : null}
      </tbody>
    </table>
  );
}
