import NextLink from "next/link";
import type { ReactNode } from "react";

import { type Day, daysBetween, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { LinkedTable, Story } from "../history/History";
import type { Around, Linked, Told } from "../history/types";
import { Sum } from "../kit/Amount";
import { GiveUp, type GivingUp } from "../overdue/WriteOffQuestion";

type Item = {
  id: number;
  kind: "invoice" | "late_fee" | "credit_note";
  number: string;
  issuedOn: Day;
  dueOn: Day;
  total: Minor;
  currency: Currency;
  tax: Minor;
  opened: Minor;
  balance: Minor;
  openedOn: Day;
  poNumber: string | null;
  terms: string | null;
  description: string | null;
};
type Props = Around & {
  item: Item;
  customer: { id: number; name: string };
  paid: Linked[];
  letters: { on: Day; words: string }[];
  givingUp: GivingUp;
  told: Told;
};

const KIND = { invoice: "Invoice", late_fee: "Late fee", credit_note: "Credit note" } as const;

/** An invoice or credit note with everything that happened to it. */
export function InvoicePage({
  item,
  customer,
  paid,
  letters,
  givingUp,
  told,
  ...around
}: Props): ReactNode {
  const { book, today } = around;
  const { currency } = item;
  return (
    <>
      <div className="heading">
        <h1>
          <Sum of={item.balance} currency={currency} />{" "}
          <small>
            open of <Sum of={item.total} currency={currency} />
          </small>
        </h1>
        <span>
          <b className="strong">
            {KIND[item.kind]} {item.number}
          </b>
          , <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
        </span>
        <State item={item} today={today} />
        <div className="end">
          <a className="soft" href={`/api/v1/b/${book}/invoices/${item.id}/pdf`}>
            PDF
          </a>
        </div>
      </div>
      <div className="columns">
        <section>
          <h2>What it says</h2>
          <dl className="facts">
            <dt>Issued</dt>
            <dd>{formatDay(item.issuedOn, today)}</dd>
            <dt>Due</dt>
            <dd>
              {formatDay(item.dueOn, today)}
              {item.terms ? <span className="soft">, {item.terms}</span> : null}
            </dd>
            {item.description ? (
              <>
                <dt>For</dt>
                <dd>{item.description}</dd>
              </>
            ) : null}
            {item.poNumber ? (
              <>
                <dt>PO number</dt>
                <dd>{item.poNumber}</dd>
              </>
            ) : null}
            {item.tax !== 0 ? (
              <>
                <dt>Tax in it</dt>
                <dd className="sum">
                  <Sum of={item.tax} currency={currency} />
                </dd>
              </>
            ) : null}
            {item.opened !== item.total ? (
              <>
                <dt>Came over with</dt>
                <dd>
                  <Sum of={item.opened} currency={currency} /> open, on{" "}
                  {formatDay(item.openedOn, today)}
                </dd>
              </>
            ) : null}
          </dl>
          <h2>{item.kind === "credit_note" ? "Used with" : "Paid by"}</h2>
          <LinkedTable
            linked={paid}
            label="Receipts given to it"
            foot="together"
            empty="Nothing was given to it yet."
            {...around}
            currency={currency}
          />
          {letters.length > 0 ? (
            <>
              <h2>Asked for</h2>
              <table className="small">
                <tbody>
                  {letters.map((letter, at) => (
                    <tr key={at}>
                      <td className="soft" style={{ width: 118 }}>
                        {formatDay(letter.on, today)}
                      </td>
                      <td>{letter.words}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          ) : null}
          {item.balance > 0 ? <GiveUp item={item} {...givingUp} /> : null}
        </section>
        <Story told={told} {...around} />
      </div>
    </>
  );
}

function State({ item, today }: { item: Item; today: Day }): ReactNode {
  if (item.balance === 0) return <span className="good">✓ settled</span>;
  if (item.kind === "credit_note") return <span className="waits">to be used</span>;
  const days = daysBetween(item.dueOn, today);
  if (days <= 0) return <span className="soft">not due yet</span>;
  return (
    <span className="off">
      overdue for {days} {days === 1 ? "day" : "days"}
    </span>
  );
}
