import {
  addBankingDays,
  addDays,
  type Day,
  discountOn,
  parseTerms,
  weekday,
} from "@/core/calendar";
import { add, minor, percentOf, ratioOf, sumOf } from "@/core/money";

import { type Person } from "@/practice/people";
import { type Random } from "@/practice/random";
import { CUT_OVER, type Given, type Invoice, type Payment, TODAY } from "./types";

export function makePayments(
  people: readonly Person[],
  invoices: readonly Invoice[],
  notes: ReadonlyMap<string, Invoice>,
  random: Random,
): Payment[] {
  const payments: Payment[] = [];
  const names = new Map(people.map((person) => [person.id, person.name]));
  for (const { batch, paidOn } of batchesOf(invoices, random)) {
    if (paidOn <= CUT_OVER || paidOn >= TODAY) continue;
    payments.push(
      paymentOf({
        batch,
        notes: batch.flatMap(({ number }) => notes.get(number) ?? []),
        paidOn,
        random,
        index: payments.length,
        names,
      }),
    );
  }
  return payments;
}

type Batch = { batch: Invoice[]; paidOn: Day };

/** Invoices that are paid together: of those who do so, all that they pay in a week. */
function batchesOf(invoices: readonly Invoice[], random: Random): Batch[] {
  const batches = new Map<string, Batch>();
  for (const invoice of invoices) {
    const { habit, id, parent } = invoice.person;
    const late =
      habit.lateDays + random.whole(-4, 5) + (random.chance(0.04) ? random.whole(10, 50) : 0);
    // A few are never paid; recent ones more often so that follow-up has work.
    if (random.chance(invoice.issuedOn > "2026-08-10" ? 0.045 : 0)) continue;
    const least = 1 - (habit.terms === "n/10" ? 8 : 20);
    const paidOn = banked(addDays(invoice.dueOn, Math.max(late, least)), invoice.issuedOn);
    const key = habit.together ? `${parent ?? id}|${sameWeek(paidOn)}` : invoice.number;
    const known = batches.get(key);
    batches.set(key, {
      batch: [...(known?.batch ?? []), invoice],
      paidOn: habit.together ? maxDay(known?.paidOn, paidOn) : paidOn,
    });
  }
  return [...batches.values()];
}

const maxDay = (a: Day | undefined, b: Day): Day => (a !== undefined && a > b ? a : b);

const sameWeek = (on: Day): Day => addDays(on, 1 - weekday(on));

const banked = (on: Day, notBefore: Day): Day =>
  addBankingDays(on <= notBefore ? addDays(notBefore, 1) : on, 0);

type PaymentFacts = {
  batch: readonly Invoice[];
  notes: readonly Invoice[];
  paidOn: Day;
  random: Random;
  index: number;
  names: ReadonlyMap<string, string>;
};

function paymentOf({ batch, notes, paidOn, random, index, names }: PaymentFacts): Payment {
  const [first] = batch;
  if (!first) throw new RangeError("a payment pays something");
  const { person } = first;
  const payer = names.get(person.parent ?? person.id) ?? person.name;
  const given = batch.map((invoice) => givenTo(invoice, paidOn));
  const only = given[0];
  if (only && given.length === 1 && only.discount === 0 && random.chance(0.02)) {
    const short = minor(Math.min(random.whole(5, 480), only.amount - 1));
    given[0] = { ...only, amount: add(only.amount, -short), smallDifference: short };
  }
  for (const note of notes)
    if (note.issuedOn <= paidOn)
      given.push({
        number: note.number,
        amount: note.total,
        discount: minor(0),
        smallDifference: minor(0),
      });
  const via = viaOf(person);
  const amount = sumOf(given, (line) => line.amount);
  return {
    id: `${prefixOf(via)}_${String(10_001 + index)}`,
    person,
    via,
    paidOn,
    amount,
    payerName: payerName(payer, via, random),
    payerEmail: via === "bank" ? "" : person.email,
    memo: memoOf(person, batch, via, random),
    given,
  };
}

/** What an invoice gets: its total, less its discount of 2 % where that is in time. */
function givenTo({ number, total, terms, issuedOn }: Invoice, paidOn: Day): Given {
  const parsed = parseTerms(terms);
  const percent = ratioOf("2");
  const takes = parsed.ok && discountOn(issuedOn, parsed.value, paidOn, 0)?.inTime === true;
  const discount = takes && percent.ok ? percentOf(total, percent.value, "half-even") : minor(0);
  return { number, amount: add(total, -discount), discount, smallDifference: minor(0) };
}

function viaOf(person: Person): "card" | "ach" | "bank" {
  if (person.habit.pays === "card") return "card";
  if (person.habit.pays === "ach_debit") return "ach";
  return "bank";
}

function prefixOf(via: string): string {
  if (via === "card") return "ch";
  if (via === "ach") return "ad";
  return "bk";
}

/** An ACH field takes 16 characters, upper case (Nacha file format, company name). */
function payerName(name: string, via: Payment["via"], random: Random): string {
  if (via !== "card")
    return name
      .toUpperCase()
      .replace(/[^A-Z0-9 &]/g, "")
      .slice(0, 16)
      .trim();
  return random.chance(0.12) ? name.split(" ").slice(0, 2).join(" ") : name;
}

function memoOf(
  person: Person,
  batch: readonly Invoice[],
  via: Payment["via"],
  random: Random,
): string {
  const numbers = batch.map((invoice) => invoice.number);
  if (via === "bank") return numbers.join(" ");
  switch (person.habit.memo) {
    case "number":
      return random.chance(0.5) ? `invoice ${numbers.join(", ")}` : numbers.join(" and ");
    case "digits":
      return `inv #${numbers.join(" #")}`;
    case "name":
      return batch[0]?.description.toLowerCase() ?? "";
    case "none":
      return "";
    default:
      throw person.habit.memo satisfies never;
  }
}
