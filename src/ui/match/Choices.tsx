"use client";

import type { ReactNode } from "react";

import { formatDay, type Day } from "@/core/calendar";
import { formatAmount, sumOf, type Currency, type Minor } from "@/core/money";

import { LeftOver } from "../Sum";
import type { Tally } from "./tally";
import type { Item, ShownReading } from "./types";

/** What else the receipt could be; each by its number key. */
export function OtherReadings({ readings, chosen, choose, currency, amount }: { readings: readonly ShownReading[]; chosen: number; choose: (at: number) => void; currency: Currency; amount: Minor }): ReactNode {
  if (readings.length < 2) return null;
  return (
    <>
      <h2>Other readings</h2>
      <table className="small">
        <tbody>
          {readings.map((reading, at) => (at === chosen ? null : (
            <tr key={`${reading.words} ${at}`}>
              <td><button type="button" className="row-open" onClick={() => choose(at)} title={`${reading.customer}: ${reading.words}`}><kbd>{at + 1}</kbd> {reading.words.startsWith("on account") || reading.customerId === readings[chosen]?.customerId ? reading.words : `${reading.customer}: ${reading.words}`}</button></td>
              <td className="num"><LeftOver of={reading.lines.length === 0 ? amount : reading.onAccount} currency={currency} /></td>
            </tr>
          )))}
        </tbody>
      </table>
    </>
  );
}

/** What is open at the customer and its sites; ticked items stand in the tally. */
export function OpenItems({ items, tally, toggle, currency, today }: { items: readonly Item[]; tally: Tally; toggle: (item: Item) => void; currency: Currency; today: Day }): ReactNode {
  if (tally.customerId === null) return null;
  const several = new Set(items.map((item) => item.customer)).size > 1;
  return (
    <>
      <h2>Open at {tally.customer} <span className="soft" style={{ fontWeight: 400 }}>{items.length} items, {formatAmount(sumOf(items, (item) => item.open), currency)}</span></h2>
      <div style={{ maxHeight: 210, overflow: "auto" }} tabIndex={0} role="group" aria-label={`Open at ${tally.customer}`}>
        <table className="small">
          <tbody>
            {items.slice(0, 300).map((item) => (
              <tr key={item.itemId}>
                <td><label style={{ cursor: "pointer" }} title={`${item.customer}, ${item.description}`}><input type="checkbox" checked={tally.terms.some((term) => term.itemId === item.itemId)} onChange={() => toggle(item)} /> {item.number} <span className={item.dueOn < today ? "waits" : "soft"}>{item.open < 0 ? "credit note" : `due ${formatDay(item.dueOn, today)}`}</span>{several ? <span className="soft"> {item.customer}</span> : null}</label></td>
                <td className="num sum">{formatAmount(item.open, currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
