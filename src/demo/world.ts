import {
  addBankingDays,
  addDays,
  day,
  type Day,
  dueDay,
  parseTerms,
  weekday,
} from "@/core/calendar";
import { minor, type Minor, mulDiv } from "@/core/money";

import { makePayments } from "./payments";
import { GOODS } from "@/practice/orders";
import { makePeople, type Person } from "@/practice/people";
import { Random } from "@/practice/random";
import { tellStories } from "./stories";
import { type Extra, type Invoice, TODAY, type World } from "./types";

const FIRST = day("2025-04-14");

/** Makes the whole invented history of the business, the same every time. */
export function makeWorld(): World {
  const random = new Random(20261124);
  const people = makePeople(random);
  const billed = makeInvoices(people, random);
  const notes = makeCreditNotes(billed);
  const payments = makePayments(people, billed, notes, random);
  const invoices = [...billed, ...notes.values()].sort((a, b) => {
    if (a.issuedOn < b.issuedOn) return -1;
    if (a.issuedOn > b.issuedOn) return 1;
    return 0;
  });
  const extras: Extra[] = [];
  tellStories({ people, invoices, payments, extras, random });
  payments.sort((a, b) => {
    if (a.paidOn < b.paidOn) return -1;
    if (a.paidOn > b.paidOn) return 1;
    return 0;
  });
  return { people, invoices, payments, extras };
}

function makeInvoices(people: readonly Person[], random: Random): Invoice[] {
  const drafts: Omit<Invoice, "number">[] = [];
  for (const person of people) {
    for (let on = FIRST; on <= TODAY; on = addDays(on, 1)) {
      if (weekday(on) > 5) continue;
      if (person.habit.plan > 0 && on.endsWith("-03"))
        drafts.push(
          invoiceOf({
            person,
            issuedOn: on,
            total: minor(person.habit.plan),
            description: "Kiln plan",
            po: "",
          }),
        );
      if (random.chance(person.habit.orders / 21)) drafts.push(order(person, on, random));
    }
  }
  drafts.sort((a, b) => {
    if (a.issuedOn < b.issuedOn) return -1;
    if (a.issuedOn > b.issuedOn) return 1;
    return 0;
  });
  return drafts.map((draft, index) => ({ ...draft, number: String(17_950 + index) }));
}

/**
 * Bags that broke on the way: every so often a part of an order is taken back by a credit note,
 * which its payment then takes off.
 */
function makeCreditNotes(billed: readonly Invoice[]): Map<string, Invoice> {
  const broken = billed.filter(
    (invoice, at) =>
      at % 11 === 7 &&
      invoice.description.endsWith("bags") &&
      invoice.person.parent === null &&
      !invoice.terms.includes("/10 ") &&
      invoice.total > 12_000,
  );
  return new Map(
    broken.map((invoice) => {
      const total = minor(-mulDiv(invoice.total, 1, 8, "half-even"));
      const issuedOn = addBankingDays(addDays(invoice.issuedOn, 2), 0);
      return [
        invoice.number,
        {
          ...invoice,
          number: `CN-${invoice.number}`,
          issuedOn,
          dueOn: issuedOn,
          total,
          tax: mulDiv(total, 6, 106, "half-even"),
          po: "",
          description: "Broken bags",
        },
      ] as const;
    }),
  );
}

function order(person: Person, on: Day, random: Random): Omit<Invoice, "number"> {
  if (random.chance(0.02))
    return invoiceOf({
      person,
      issuedOn: on,
      total: minor(random.whole(24, 68) * 10_000),
      description: "Kiln, front loading",
      po: `PO ${random.whole(1000, 9999)}`,
    });
  const [words, price, most] = random.pick(GOODS);
  return invoiceOf({
    person,
    issuedOn: on,
    total: minor(price * random.whole(1, most) + random.pick([0, 0, 1250, 1895])),
    description: words,
    po: person.parent || random.chance(0.15) ? `P-${random.whole(10_000, 99_999)}` : "",
  });
}

type InvoiceFacts = {
  person: Person;
  issuedOn: Day;
  total: Minor;
  description: string;
  po: string;
};

function invoiceOf({
  person,
  issuedOn,
  total,
  description,
  po,
}: InvoiceFacts): Omit<Invoice, "number"> {
  const terms = parseTerms(person.habit.terms);
  const dueOn = terms.ok ? dueDay(issuedOn, terms.value) : issuedOn;
  // Schools are exempt; others pay 6 % on goods, inside the total.
  const tax =
    person.habit.terms === "2/10 n/30" || description === "Kiln plan"
      ? minor(0)
      : mulDiv(total, 6, 106, "half-even");
  return { person, issuedOn, dueOn, total, tax, po, terms: person.habit.terms, description };
}
