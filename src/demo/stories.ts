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
  comeBack(payments);
  dispute(payments, extras);
  lump(of("Brightwater Unified"), invoices, payments);
  roughen(payments, random);
  begin(invoices, payments);
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
  payments.push({ ...twice, id: "ch_19001", paidOn: on, given: [] });
}

/** Paid twice before, in August: the second stood on account and was sent back. */
function payTwiceAndRefund(payments: Payment[], extras: Extra[]): void {
  const earlier = payments.find((payment) => isPlain(payment) && payment.paidOn >= "2026-08-10");
  if (!earlier) return;
  const on = addBankingDays(earlier.paidOn, 1);
  payments.push({ ...earlier, id: "ch_19000", paidOn: on, given: [] });
  extras.push({ kind: "refund", on: addBankingDays(on, 8), payment: "ch_19000" });
}

/** An ACH debit that comes back, the day after it settled and paid an invoice. */
function comeBack(payments: readonly Payment[]): void {
  const back = payments.find(({ via, paidOn }) => via === "ach" && paidOn === "2026-11-09");
  // Taken a day later it settles on the 16th, and is worked through before it comes back.
  if (back) Object.assign(back, { paidOn: day("2026-11-10"), returns: "01" });
}

/** A customer who is late has begun to pay: it settles days later, and no reminder goes out until then. */
function begin(invoices: readonly Invoice[], payments: Payment[]): void {
  const late = invoices.find(({ number }) => number === "20630");
  if (!late) return;
  const { number, person, total } = late;
  const before = payments.findIndex(({ given }) => given?.some((line) => line.number === number));
  if (before >= 0) payments.splice(before, 1);
  payments.push({
    id: "ad_19950",
    person,
    via: "ach",
    paidOn: day("2026-11-20"),
    amount: total,
    payerName: person.name,
    payerEmail: person.email,
    memo: number,
    given: [{ number, amount: total, discount: minor(0), smallDifference: minor(0) }],
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
  if (disputed) extras.push({ kind: "dispute", on: day("2026-11-17"), payment: disputed.id });
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
    amount: sumOf(given, (line) => line.amount),
    payerName: "BRIGHTWATER UNIF",
    payerEmail: "",
    memo: `${first} ${rest.map((number) => number.slice(-3)).join(" ")}`,
    given,
  });
}
