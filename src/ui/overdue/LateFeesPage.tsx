"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { Act } from "../kit/Act";
import { Sum } from "../kit/Amount";
import { onOwnControl } from "../kit/keys";
import { LedgerList } from "../kit/lists/LedgerList";
import { useActing } from "../shell/Notices";
import { OverdueTabs } from "./OverdueTabs";

type Proposed = {
  itemId: number;
  letterId: number | null;
  number: string;
  customerId: number;
  customer: string;
  currency: Currency;
  dueOn: Day;
  balance: Minor;
  balanceIn: Currency;
  through: Day;
  sum: Minor;
  words: string;
};
type Charged = {
  id: number;
  itemId: number;
  number: string;
  feeItemId: number;
  feeNumber: string;
  customerId: number;
  customer: string;
  currency: Currency;
  on: Day;
  sum: Minor;
  balance: Minor;
  letterId: number | null;
};
type Props = {
  book: string;
  currency: Currency;
  today: Day;
  proposed: Proposed[];
  count: number;
  charged: Charged[];
  rules: { name: string; fee: { kind: string } }[];
  byLetter: boolean;
};

const idOf = ({ itemId, letterId }: Pick<Proposed, "itemId" | "letterId">): string =>
  `${itemId}-${letterId ?? ""}`;

/** Late fees: what each customer's ladder would charge now, ticked off and charged; what was charged can be waived with a reason. */
export function LateFeesPage({
  book,
  currency,
  today,
  proposed,
  count,
  charged,
  rules,
  byLetter,
}: Props): ReactNode {
  const { act, busy } = useActing();
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const wanted = proposed.filter((one) => !out.has(idOf(one)));
  const currencies = [...new Set([currency, ...wanted.map((one) => one.currency)])];
  const sums = currencies
    .map((one) => ({
      one,
      sum: wanted.filter((fee) => fee.currency === one).reduce((so, { sum }) => so + sum, 0),
    }))
    .filter(({ one, sum }) => one === currency || sum > 0);
  const charge = (): void => {
    if (wanted.length > 0 && !busy)
      void act<{ charged: number }>(
        "chargeLateFees",
        { fees: wanted.map(({ itemId, letterId }) => ({ itemId, letterId })) },
        (value) => ({
          words:
            value.charged === 1
              ? "One late fee is an open item now."
              : `${value.charged} late fees are open items now.`,
        }),
      );
  };
  useHotkeys("enter", charge, { ignoreEventWhen: onOwnControl, preventDefault: true }, [charge]);
  const toggle = (id: string): void =>
    setOut(new Set(out.has(id) ? [...out].filter((one) => one !== id) : [...out, id]));
  const none = !byLetter && rules.every(({ fee }) => fee.kind === "none");
  return (
    <>
      <div className="heading">
        <h1>
          {sums.map(({ one, sum }, at) => (
            <span key={one}>
              {at > 0 ? " + " : ""}
              <Sum of={sum} currency={one} />
            </span>
          ))}{" "}
          <small>
            late fees that may be charged, {wanted.length}
            {count > proposed.length ? ` of ${count}; the others come when these are done` : ""}
          </small>
        </h1>
        <div className="end">
          <Act main hint="Enter" onClick={charge} disabled={busy || wanted.length === 0}>
            Charge these {wanted.length}
          </Act>
        </div>
      </div>
      <OverdueTabs at="fees" />
      <LedgerList<Proposed>
        label="Late fees that may be charged"
        rows={proposed}
        idOf={idOf}
        columns={[
          {
            id: "take",
            header: "Charge",
            width: "7%",
            cell: (row) => (
              <input
                type="checkbox"
                aria-label={`Charge ${row.number}${row.letterId === null ? "" : ` for the ${row.words}`}`}
                checked={!out.has(idOf(row))}
                onChange={() => toggle(idOf(row))}
              />
            ),
            foot: `${wanted.length} of ${proposed.length}`,
          },
          {
            id: "customer",
            header: "Customer",
            width: "26%",
            cell: (row) => (
              <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
                {row.customer}
              </NextLink>
            ),
          },
          {
            id: "number",
            header: "On invoice",
            width: "11%",
            cell: (row) => (
              <NextLink href={`/b/${book}/invoices/${row.itemId}`} prefetch={false}>
                {row.number}
              </NextLink>
            ),
          },
          {
            id: "due",
            header: "Due",
            width: "13%",
            cell: (row) => <span className="off">{formatDay(row.dueOn, today)}</span>,
          },
          {
            id: "through",
            header: "For",
            width: "19%",
            cell: (row) =>
              row.letterId === null
                ? `late until ${formatDay(row.through, today)}`
                : `${row.words} of ${formatDay(row.through, today)}`,
          },
          {
            id: "open",
            header: "Open",
            width: "12%",
            number: true,
            cell: (row) => <Sum of={row.balance} currency={row.balanceIn} />,
          },
          {
            id: "fee",
            header: "Fee",
            width: "12%",
            number: true,
            cell: (row) => <Sum of={row.sum} currency={row.currency} />,
            foot: (
              <span className="total">
                {sums.map(({ one, sum }) => (
                  <div key={one}>
                    <Sum of={sum} currency={one} />
                  </div>
                ))}
              </span>
            ),
          },
        ]}
        empty={
          none ? (
            <>
              <p>No ladder charges anything for paying late.</p>
              <p>
                What is charged is said under <NextLink href="?show=ladders">Ladders</NextLink>.
              </p>
            </>
          ) : (
            <p className="good">✓ No late fee is to be charged today.</p>
          )
        }
      />
      {charged.length > 0 ? (
        <section style={{ maxWidth: 900 }}>
          <h2>
            Charged <span className="soft">{charged.length}</span>
          </h2>
          <table className="small" aria-label="Late fees charged">
            <tbody>
              {charged.map((fee) => (
                <tr key={fee.id}>
                  <td className="soft">{formatDay(fee.on, today)}</td>
                  <td>
                    <NextLink href={`/b/${book}/invoices/${fee.feeItemId}`} prefetch={false}>
                      {fee.feeNumber}
                    </NextLink>{" "}
                    <span className="soft">{fee.customer}</span>
                  </td>
                  <td className="num">
                    <Sum of={fee.sum} currency={fee.currency} />
                  </td>
                  <td className="num" style={{ width: 220 }}>
                    {fee.balance === fee.sum ? (
                      <Waive id={fee.id} number={fee.feeNumber} />
                    ) : (
                      <span className="good">{fee.balance === 0 ? "paid" : "paid in part"}</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ) : null}
    </>
  );
}

function Waive({ id, number }: { id: number; number: string }): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  if (!asking)
    return (
      <button
        type="button"
        className="row-open strong"
        disabled={busy}
        onClick={() => setAsking(true)}
      >
        waive
      </button>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void act("waiveLateFee", { feeId: id, reason }, () => ({ words: `${number} is waived.` }));
      }}
    >
      <input
        className="sumfield words"
        style={{ width: 200, fontFamily: "inherit" }}
        autoFocus
        aria-label={`Why ${number} is waived`}
        placeholder="why, then Enter"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </form>
  );
}
