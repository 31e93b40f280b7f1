import { addBankingDays, day, type Day } from "@/core/calendar";
import { minor, sumOf } from "@/core/money";

import { type Person } from "@/practice/people";
import { type Random } from "@/practice/random";
import { roughen } from "./roughen";
import { type Extra, type Given, type Invoice, type Payment } from "./types";

type StoryStage = {
  people: readonly Person[];
  invoices: readonly Invoice[];
  payments: Payment[];
  extras: Extra[];
  random: Random;
};

/** The little stories that the README walks through. */
export function tellStories({ people, invoices, payments, extras, random }: StoryStage): void {
  const of = (name: string): Person => {
    const found = people.find((person) => person.name === name);
    if (!found) throw new Error(`no ${name}`);
    return found;
  };
  for (const [name, from] of PAYING_NOTHING) paysNothing(payments, of(name), day(from));
  payTwice(payments);
  payTwiceAndRefund(payments, extras);
  comeBack(payments, extras);
  dispute(payments, extras);
  lump(of("Brightwater Unified"), invoices, payments);
  roughen(payments, random);
}

/** Who pays nothing any more, and from when. */
const PAYING_NOTHING = [
  ["Emberline Studio", "2026-07-20"],
  ["Larkspur Ceramics Guild", "2026-08-20"],
  ["Fernhill Studio", "2026-09-15"],
  ["Cobalt Row Ceramics", "2026-10-10"],
] as const;

function paysNothing(payments: Payment[], person: Person, from: Day): void {
  for (let at = payments.length - 1; at >= 0; at -= 1)
    if (payments[at]?.person.id === person.id && (payments[at]?.paidOn ?? "") >= from)
      payments.splice(at, 1);
}

/** Paid by card, one invoice, in full. */
const isPlain = ({ via, given }: Payment): boolean =>
  via === "card" && given?.length === 1 && given[0]?.smallDifference === 0;

const between = (on: Day, from: string, to: string): boolean => on >= from && on <= to;

/** Paid twice: the same invoice, by card, two days apart. */
function payTwice(payments: Payment[]): void {
  const twice = payments
    .filter((payment) => isPlain(payment) && between(payment.paidOn, "2026-11-06", "2026-11-11"))
    .reduce<Payment | undefined>(
      (last, payment) => (last && last.paidOn >= payment.paidOn ? last : payment),
      undefined,
    );
  if (!twice) return;
  const on = addBankingDays(twice.paidOn, 3);
  payments.push({ ...twice, id: "ch_19001", paidOn: on, settledOn: on, given: [] });
}

/** Paid twice before, in August: the second stood on account and was sent back. */
function payTwiceAndRefund(payments: Payment[], extras: Extra[]): void {
  const earlier = payments.find((payment) => isPlain(payment) && payment.paidOn >= "2026-08-10");
  if (!earlier) return;
  const on = addBankingDays(earlier.paidOn, 1);
  payments.push({ ...earlier, id: "ch_19000", paidOn: on, settledOn: on, given: [] });
  extras.push({
    id: "rf_31",
    via: "card",
    kind: "refund",
    on: addBankingDays(on, 8),
    amount: earlier.amount,
    fee: minor(0),
    related: "ch_19000",
    payerName: earlier.payerName,
  });
}

/** An ACH debit that comes back three weeks after it had paid an invoice. */
function comeBack(payments: readonly Payment[], extras: Extra[]): void {
  const back = payments.find(
    ({ via, settledOn }) => via === "ach" && between(settledOn, "2026-11-02", "2026-11-06"),
  );
  if (back)
    extras.push({
      id: "rt_501",
      via: "ach",
      kind: "ach_return",
      on: day("2026-11-17"),
      amount: back.amount,
      fee: minor(400),
      related: back.id,
      payerName: back.payerName,
    });
}

/** A dispute of a charge from October; its fee is taken at the bank but missing in the file. */
function dispute(payments: readonly Payment[], extras: Extra[]): void {
  const disputed = payments.find(
    ({ via, paidOn, amount }) =>
      via === "card" &&
      between(paidOn, "2026-10-12", "2026-10-30") &&
      amount > 20_000 &&
      amount < 90_000,
  );
  if (disputed)
    extras.push({
      id: "dp_77",
      via: "card",
      kind: "dispute",
      on: day("2026-11-17"),
      amount: disputed.amount,
      fee: minor(0),
      related: disputed.id,
      payerName: disputed.payerName,
    });
}

/** One sum for four invoices of a district, two of them named by their last digits only. */
function lump(district: Person, invoices: readonly Invoice[], payments: Payment[]): void {
  const paid = new Set(
    payments.flatMap((payment) => payment.given?.map(({ number }) => number) ?? []),
  );
  const four = invoices
    .filter(
      (invoice) =>
        (invoice.person.parent === district.id || invoice.person.id === district.id) &&
        invoice.issuedOn >= "2026-10-19" &&
        invoice.issuedOn <= "2026-11-13" &&
        (!paid.has(invoice.number) || invoice.issuedOn >= "2026-11-02"),
    )
    .slice(-4);
  const numbers = new Set(four.map(({ number }) => number));
  for (let at = payments.length - 1; at >= 0; at -= 1)
    if (payments[at]?.given?.some(({ number }) => numbers.has(number))) payments.splice(at, 1);
  const given = four.map((invoice): Given => ({
    number: invoice.number,
    amount: invoice.total,
    discount: minor(0),
    smallDifference: minor(0),
  }));
  const [first = "", ...rest] = four.map(({ number }) => number);
  payments.push({
    id: "bk_19900",
    person: district,
    via: "bank",
    paidOn: day("2026-11-18"),
    settledOn: day("2026-11-18"),
    amount: sumOf(given, (line) => line.amount),
    fee: minor(0),
    payerName: "BRIGHTWATER UNIF",
    payerEmail: "",
    memo: `${first} ${rest.map((number) => number.slice(-3)).join(" ")}`,
    given,
  });
}
