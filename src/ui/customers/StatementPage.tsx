"use client";

import NextLink from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import type { ReactNode } from "react";

import { type Day, formatDay } from "@/core/calendar";
import type { Aging } from "@/core/metrics";
import type { Currency, Minor } from "@/core/money";

import type { Around } from "../history/types";
import { Sum } from "../kit/Amount";
import { AsOf } from "../kit/lists/AsOf";
import { AgeBar } from "../overdue/AgeBar";

type Open = {
  id: number;
  kind: string;
  number: string;
  customer: string;
  dueOn: Day;
  total: Minor;
  balance: Minor;
  description: string | null;
};
type Part = {
  currency: Currency;
  opening: Minor;
  lines: { on: Day; words: string; amount: Minor; balance: Minor }[];
  closing: Minor;
  open: Open[];
  onAccount: Minor;
  aging: Aging;
};
type Props = Around & {
  customer: { id: number; name: string; externalId: string };
  sites: number;
  from: Day;
  to: Day;
  parts: Part[];
};

/** A customer's statement of account: what moved between two days with the balance after each, what is open, and how old. */
export function StatementPage({
  customer,
  sites,
  from,
  to,
  parts,
  book,
  currency,
  today,
}: Props): ReactNode {
  const query = `from=${from}&to=${to}`;
  const [first] = parts;
  return (
    <>
      <div className="heading">
        <h1>
          {first ? <Sum of={first.closing} currency={first.currency} /> : "0.00"}{" "}
          <small>
            owed at the end of {formatDay(to, today)}
            {parts.length > 1
              ? `, and ${parts.length - 1} more ${parts.length === 2 ? "currency" : "currencies"}`
              : ""}
          </small>
        </h1>
        <span>
          Statement of{" "}
          <b className="strong">
            <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
          </b>
          {sites > 0 ? (
            <span className="soft">
              {" "}
              and {sites} {sites === 1 ? "site" : "sites"}
            </span>
          ) : null}
        </span>
        <div className="end">
          <From day={from} />
          <AsOf day={to} />
          <a
            className="soft"
            href={`/api/v1/b/${book}/customers/${customer.id}/statement?format=pdf&${query}`}
          >
            PDF
          </a>
          <a
            className="soft"
            href={`/api/v1/b/${book}/customers/${customer.id}/statement?format=csv&${query}`}
          >
            CSV
          </a>
        </div>
      </div>
      {parts.length === 0 ? (
        <div className="empty">
          <p>Nothing moved between these days, and nothing is open.</p>
        </div>
      ) : (
        parts.map((part) => (
          <OnePart
            key={part.currency}
            part={part}
            book={book}
            from={from}
            to={to}
            today={today}
            currency={currency}
          />
        ))
      )}
    </>
  );
}

/** The day the statement begins. */
function From({ day }: { day: Day }): ReactNode {
  const [router, path, search] = [useRouter(), usePathname(), useSearchParams()];
  const go = (to: string): void => {
    if (!/^\d{4}-\d\d-\d\d$/.test(to) || to === day) return;
    const query = new URLSearchParams(search);
    query.set("from", to);
    router.replace(`${path}?${query}`);
  };
  return (
    <label className="soft">
      from{" "}
      <input
        type="date"
        className="sumfield"
        style={{ fontFamily: "inherit" }}
        defaultValue={day}
        key={day}
        onChange={(event) => go(event.target.value)}
      />
    </label>
  );
}

function OnePart({
  part,
  book,
  from,
  to,
  today,
}: { part: Part; from: Day; to: Day } & Around): ReactNode {
  const { currency } = part;
  return (
    <div className="columns" style={{ gridTemplateColumns: "minmax(0, 5fr) minmax(0, 4fr)" }}>
      <section>
        <h2>
          What moved <span className="soft">in {currency}</span>
        </h2>
        <table className="small" aria-label={`What moved in ${currency}`}>
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">What</th>
              <th scope="col" className="num">
                Amount
              </th>
              <th scope="col" className="num">
                Balance
              </th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td className="soft">{formatDay(from, today)}</td>
              <td className="soft">opening balance</td>
              <td />
              <td className="num">
                <Sum of={part.opening} currency={currency} />
              </td>
            </tr>
            {part.lines.map((line, at) => (
              <tr key={at}>
                <td className="soft">{formatDay(line.on, today)}</td>
                <td title={line.words}>{line.words}</td>
                <td className="num">
                  <Sum of={line.amount} currency={currency} />
                </td>
                <td className="num">
                  <Sum of={line.balance} currency={currency} />
                </td>
              </tr>
            ))}
            <tr>
              <td className="soft">{formatDay(to, today)}</td>
              <td className="soft">closing balance</td>
              <td />
              <td className="num">
                <span className="total">
                  <Sum of={part.closing} currency={currency} />
                </span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>
          Open <span className="soft">{part.open.length}</span>
        </h2>
        <table className="small" aria-label={`Open in ${currency}`}>
          <tbody>
            {part.open.map((item) => (
              <tr key={item.id}>
                <td>
                  <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                    <b className="strong">{item.number}</b>
                  </NextLink>{" "}
                  <span className="soft">
                    {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
                  </span>
                </td>
                <td className={item.balance > 0 && item.dueOn < to ? "off" : "soft"}>
                  {item.kind === "credit_note" ? "" : `due ${formatDay(item.dueOn, today)}`}
                </td>
                <td className="num">
                  <Sum of={item.balance} currency={currency} />
                </td>
              </tr>
            ))}
            {part.onAccount === 0 ? null : (
              <tr>
                <td>On account</td>
                <td />
                <td className="num">
                  <Sum of={part.onAccount} currency={currency} />
                </td>
              </tr>
            )}
            <tr>
              <td className="soft">together</td>
              <td />
              <td className="num">
                <span className="total">
                  <Sum of={part.closing} currency={currency} />
                </span>
              </td>
            </tr>
          </tbody>
        </table>
        <AgeBar aging={part.aging} currency={currency} words />
      </section>
    </div>
  );
}
