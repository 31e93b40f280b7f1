import {
  addBankingDays,
  addDays,
  day,
  discountInTime,
  dueDay,
  isBankingDay,
  parseTerms,
  weekday,
  type Day,
} from "@/core/calendar";
import { add, minor, mulDiv, percentOf, ratioOf, sumOf, type Minor } from "@/core/money";

import { makePeople, type Person } from "./people";
import { Random } from "./random";

export const TODAY = day("2026-11-24");
export const CUT_OVER = day("2025-05-31");
const FIRST = day("2025-04-14");

export type Invoice = {
  number: string;
  person: Person;
  issuedOn: Day;
  dueOn: Day;
  total: Minor;
  tax: Minor;
  po: string;
  terms: string;
  description: string;
};
export type Given = { number: string; amount: Minor; discount: Minor; smallDifference: Minor };
/** A payment and what it is truly for; `given` empty means it stays on account, null that it is not ours. */
export type Payment = {
  id: string;
  person: Person;
  via: "card" | "ach" | "bank";
  paidOn: Day;
  settledOn: Day;
  amount: Minor;
  fee: Minor;
  payerName: string;
  payerEmail: string;
  memo: string;
  given: Given[] | null;
};
export type Extra = {
  id: string;
  via: "card" | "ach";
  kind: "refund" | "dispute" | "ach_return";
  on: Day;
  amount: Minor;
  fee: Minor;
  related: string;
  payerName: string;
};
export type Payout = {
  id: string;
  via: "card" | "ach";
  paidOn: Day;
  net: Minor;
  atBank: Minor;
  spanFrom: Day;
  spanTo: Day;
  items: string[];
};
export type BankLine = { on: Day; amount: Minor; description: string };
export type World = {
  people: Person[];
  invoices: Invoice[];
  payments: Payment[];
  extras: Extra[];
  payouts: Payout[];
  bankLines: BankLine[];
};

const GOODS = [
  ["Stoneware, bags", 2450, 30],
  ["Porcelain, bags", 3175, 20],
  ["Glaze, pints", 1890, 24],
  ["Kiln shelves", 7400, 8],
  ["Pyrometric cones", 1225, 12],
  ["Kiln furniture", 15800, 3],
  ["Thermocouples", 4350, 4],
  ["Banding wheels", 8900, 5],
] as const;

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
  const payouts = makePayouts(payments, extras);
  return {
    people,
    invoices,
    payments,
    extras,
    payouts,
    bankLines: makeBankLines(payments, payouts),
  };
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

function makePayments(
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
  const settledOn = via === "ach" ? addBankingDays(paidOn, 3) : paidOn;
  return {
    id: `${prefixOf(via)}_${String(10_001 + index)}`,
    person,
    via,
    paidOn,
    settledOn,
    amount,
    fee: feeOf(via, amount),
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
  const takes =
    parsed.ok &&
    parsed.value.discount !== null &&
    discountInTime(issuedOn, parsed.value, paidOn, 0);
  const discount = takes && percent.ok ? percentOf(total, percent.value, "half-even") : minor(0);
  return { number, amount: add(total, -discount), discount, smallDifference: minor(0) };
}

function viaOf(person: Person) {
  if (person.habit.pays === "card") return "card";
  if (person.habit.pays === "ach_debit") return "ach";
  return "bank";
}

function prefixOf(via: string) {
  if (via === "card") return "ch";
  if (via === "ach") return "ad";
  return "bk";
}

/** 2.9 % + 0.30 by card; 0.8 %, at most 5.00, by ACH (common practice, no source). */
export function feeOf(via: Payment["via"], amount: Minor): Minor {
  if (via === "bank") return minor(0);
  if (via === "card") return add(mulDiv(amount, 29, 1000, "half-even"), 30);
  return minor(Math.min(500, mulDiv(amount, 8, 1000, "half-even")));
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

type StoryStage = {
  people: readonly Person[];
  invoices: readonly Invoice[];
  payments: Payment[];
  extras: Extra[];
  random: Random;
};

/** The little stories that the README walks through. */
function tellStories({ people, invoices, payments, extras, random }: StoryStage): void {
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

/**
 * The last days' memos are as people write them: cut, bare, with a word only; and three payments
 * that are nobody's.
 */
function roughen(payments: Payment[], random: Random): void {
  const last = payments.filter(
    (payment) =>
      payment.paidOn > "2026-11-11" && payment.via !== "bank" && payment.id !== "ch_19001",
  );
  for (const [index, payment] of last.entries()) roughenOne(payment, index, random);
  const [stranger] = last;
  if (stranger) payments.push(...STRANGERS.map((_, index) => strangersPayment(stranger, index)));
}

function roughenOne(payment: Payment, index: number, random: Random): void {
  if (index % 5 === 1)
    Object.assign(payment, {
      memo: "",
      payerEmail: `${payment.person.id.toLowerCase()}${index}@mail.example`,
      payerName: payment.payerName.split(" ").slice(0, 2).join(" "),
    });
  else if (index % 5 === 3) {
    const amount = minor(payment.amount - random.pick([380, 1260, 2500]));
    if (amount > 0) Object.assign(payment, { amount, fee: feeOf(payment.via, amount) });
  } else if (payment.memo !== "" && random.chance(0.4))
    payment.memo = random.pick([
      "",
      "glaze order",
      "thank you",
      (payment.given?.[0]?.number ?? "").slice(0, 4),
      "november",
    ]);
}

const STRANGERS = [
  ["R. Castellano", 31_550, "deposit for wheel"],
  ["Jo Amberley", 8_400, "workshop fee"],
  ["KLN SERVICES", 62_250, "ref 88213"],
] as const;

function strangersPayment(like: Payment, index: number): Payment {
  const [name, cents, memo] = STRANGERS[index] ?? STRANGERS[0];
  const on = addBankingDays(day("2026-11-16"), index);
  const amount = minor(cents);
  return {
    ...like,
    id: `ch_1950${index}`,
    via: "card",
    paidOn: on,
    settledOn: on,
    amount,
    fee: feeOf("card", amount),
    payerName: name,
    payerEmail: index === 2 ? "" : `${name.toLowerCase().replace(/[^a-z]/g, "")}@mail.example`,
    memo,
    given: null,
  };
}

function makePayouts(payments: readonly Payment[], extras: readonly Extra[]): Payout[] {
  const groups = new Map<string, Payout>();
  const put = (via: "card" | "ach", on: Day, id: string, effect: number): void => {
    const paidOn = addBankingDays(on, via === "card" ? 2 : 1);
    const key = `${via}|${paidOn}`;
    const known = groups.get(key) ?? {
      id: "",
      via,
      paidOn,
      net: minor(0),
      atBank: minor(0),
      spanFrom: on,
      spanTo: on,
      items: [],
    };
    groups.set(key, {
      ...known,
      net: add(known.net, effect),
      atBank: add(known.atBank, effect),
      spanFrom: on < known.spanFrom ? on : known.spanFrom,
      spanTo: on > known.spanTo ? on : known.spanTo,
      items: [...known.items, id],
    });
  };
  for (const payment of payments)
    if (payment.via !== "bank")
      put(payment.via, payment.settledOn, payment.id, payment.amount - payment.fee);
  for (const extra of extras) put(extra.via, extra.on, extra.id, -extra.amount - extra.fee);
  const payouts = [...groups.values()]
    .filter((group) => group.paidOn <= TODAY)
    .sort((a, b) => {
      if (a.paidOn < b.paidOn) return -1;
      if (a.paidOn > b.paidOn) return 1;
      if (a.via < b.via) return -1;
      return 1;
    });
  const disputeId = extras.find((extra) => extra.kind === "dispute")?.id ?? "";
  // The processor kept a dispute fee of 15.00 that its file does not show.
  return payouts.map((payout, index) => ({
    ...payout,
    id: `po_${payout.via === "card" ? "c" : "a"}${String(101 + index)}`,
    atBank: payout.items.includes(disputeId) ? add(payout.atBank, -1500) : payout.atBank,
  }));
}

function makeBankLines(payments: readonly Payment[], payouts: readonly Payout[]): BankLine[] {
  const lines: BankLine[] = payouts.map((payout) => ({
    on: addBankingDays(payout.paidOn, 0),
    amount: payout.atBank,
    description:
      payout.via === "card"
        ? `PRACTICE PROC CARD PAYOUT ${payout.id.toUpperCase()}`
        : `PRACTICE PROC ACH PAYOUT ${payout.id.toUpperCase()}`,
  }));
  for (const payment of payments)
    if (payment.via === "bank")
      lines.push({
        on: payment.paidOn,
        amount: payment.amount,
        description: `ACH CREDIT ${payment.payerName} ${payment.memo}`.trim(),
      });
  for (let on = CUT_OVER; on < TODAY; on = addDays(on, 1)) {
    if (!isBankingDay(on)) continue;
    if (weekday(on) === 5 && Math.floor(Date.parse(on) / 604_800_000) % 2 === 0)
      lines.push({ on, amount: minor(-1_184_250), description: "PAYROLL KESTREL ROW" });
    if (on.endsWith("-02"))
      lines.push({ on, amount: minor(-420_000), description: "RENT ROW STREET WORKSHOP" });
    if (on.endsWith("-28")) lines.push({ on, amount: minor(1_137), description: "INTEREST PAID" });
    if (weekday(on) === 3)
      lines.push({
        on,
        amount: minor(-(350_000 + ((Date.parse(on) / 86_400_000) % 97) * 1_113)),
        description: "SUPPLIER PAYMENT CLAYWORKS MINE",
      });
  }
  return lines
    .filter((line) => line.on > CUT_OVER && line.on < TODAY && line.amount !== 0)
    .sort((a, b) => {
      if (a.on < b.on) return -1;
      if (a.on > b.on) return 1;
      return b.amount - a.amount;
    });
}
