import { stringify } from "csv-stringify/sync";

import { addDays, day, type Day } from "@/core/calendar";
import { currencyOf, toDecimal, type Currency } from "@/core/money";

import { CUT_OVER, type World } from "./world";

/** Files as they would arrive: what happened after `from`, up to and including `to`. */
type Span = { from: Day; to: Day };

/** Brands that the card account names; made up as they are for the demo. */
const BRANDS = ["Kiln Card", "Harbor Card", "Kiln Card", "Meridian Card"];
/** A debit that was started and has not settled. */
const BEGUN = { invoice: "20630", on: day("2026-11-20") };
/** Days in which the processor wants a dispute answered. */
const ANSWER_DAYS = 14;
const USD = currencyOf("USD") as Currency;
const sum = (amount: number): string => toDecimal(amount, USD);
const csv = (rows: readonly (readonly string[])[]): string =>
  stringify(
    rows.map((row) => [...row]),
    { record_delimiter: "windows" },
  );
const within = (on: Day, { from, to }: Span): boolean => on > from && on <= to;
/** 2026-11-24 as 11/24/2026, as American banks and processors write it. */
const american = (on: Day): string => `${on.slice(5, 7)}/${on.slice(8)}/${on.slice(0, 4)}`;

/** Numbers kept free for fiction (NANP: 555-0100 to 555-0199); a few have none. */
const phoneOf = (at: number): string =>
  at % 11 === 10 ? "" : `+1 312 555 01${String(at % 100).padStart(2, "0")}`;

export function customersFile({ people }: World): string {
  return csv([
    ["customer_id", "name", "email", "phone", "parent_id"],
    ...people.map((person, at) => [
      person.id,
      person.name,
      person.email,
      phoneOf(at),
      person.parent ?? "",
    ]),
  ]);
}

export function invoicesFile(world: World, span: Span): string {
  const paidBefore = new Set(
    world.invoices.filter((invoice) => invoice.dueOn <= CUT_OVER).map(({ number }) => number),
  );
  for (const payment of world.payments)
    for (const line of payment.given ?? []) paidBefore.delete(line.number);
  const rows = world.invoices.filter(
    (invoice) => within(invoice.issuedOn, span) && !paidBefore.has(invoice.number),
  );
  return csv([
    [
      "invoice_number",
      "customer_id",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "tax",
      "po_number",
      "terms",
      "description",
    ],
    ...rows.map((row) => [
      row.number,
      row.person.id,
      row.issuedOn,
      row.dueOn,
      "USD",
      sum(row.total),
      sum(row.total),
      sum(row.tax),
      row.po,
      row.terms,
      row.description,
    ]),
  ]);
}

const payoutOf = (world: World): Map<string, World["payouts"][number]> =>
  new Map(world.payouts.flatMap((payout) => payout.items.map((id) => [id, payout] as const)));

/** The card account: one row a charge with gross, fee and net, the payout's id on each row. */
export function cardFile(world: World, span: Span): string {
  const payouts = payoutOf(world);
  const rows = [
    ...world.payments
      .filter((payment) => payment.via === "card" && within(payment.settledOn, span))
      .map((payment) => [
        payment.id,
        "Charge",
        american(payment.paidOn),
        sum(payment.amount),
        sum(payment.fee),
        sum(payment.amount - payment.fee),
        payment.payerName,
        payment.payerEmail,
        payment.memo,
        payouts.get(payment.id)?.id ?? "",
        "",
        BRANDS[payment.id.length % 2 === 0 ? Number(payment.id.at(-1)) % 4 : 0] ?? "",
        "",
      ]),
    ...world.extras
      .filter((extra) => extra.via === "card" && within(extra.on, span))
      .map((extra) => [
        extra.id,
        extra.kind === "refund" ? "Refund" : "Dispute",
        american(extra.on),
        sum(-extra.amount),
        sum(extra.fee),
        sum(-extra.amount - extra.fee),
        extra.payerName,
        "",
        "",
        payouts.get(extra.id)?.id ?? "",
        extra.related,
        "",
        extra.kind === "dispute" ? american(addDays(extra.on, ANSWER_DAYS)) : "",
      ]),
  ];
  return csv([
    [
      "Id",
      "Type",
      "Date",
      "Gross",
      "Fee",
      "Net",
      "Payer",
      "Email",
      "Memo",
      "Payout id",
      "Original id",
      "Card brand",
      "Answer by",
    ],
    ...rows,
  ]);
}

const ACH_COLUMNS = [
  "Entry id",
  "Entry type",
  "Date",
  "Settled",
  "Amount",
  "Payer",
  "Email",
  "Memo",
  "For charge",
  "From",
  "To",
  "Return code",
] as const;
type AchRow = Partial<Record<(typeof ACH_COLUMNS)[number], string>>;

const achRow = (id: string, type: string, dates: [on: Day, settled: Day], row: AchRow): AchRow => ({
  "Entry id": id,
  "Entry type": type,
  Date: american(dates[0]),
  Settled: american(dates[1]),
  ...row,
});

/** The ACH account: charge and fee on rows of their own, and a row for each payout that says which days it covers. */
export function achFile(world: World, span: Span): string {
  const own = <Entry extends { via: string }>(entries: readonly Entry[]): Entry[] =>
    entries.filter(({ via }) => via === "ach");
  const rows: AchRow[] = [
    ...own(world.payments)
      .filter(({ settledOn }) => within(settledOn, span))
      .flatMap(achPayment),
    ...own(world.extras)
      .filter(({ on }) => within(on, span))
      .flatMap(achReturn),
    ...own(world.payouts)
      .filter(({ paidOn }) => within(paidOn, span))
      .map((payout) =>
        achRow(payout.id, "payout", [payout.paidOn, payout.paidOn], {
          Amount: sum(-payout.net),
          From: american(payout.spanFrom),
          To: american(payout.spanTo),
        }),
      ),
    ...(within(BEGUN.on, span) ? achBegun(world) : []),
  ];
  return csv([
    [...ACH_COLUMNS],
    ...rows.map((row) => ACH_COLUMNS.map((column) => row[column] ?? "")),
  ]);
}

const achPayment = (payment: World["payments"][number]): AchRow[] => [
  achRow(payment.id, "ach debit", [payment.paidOn, payment.settledOn], {
    Amount: sum(payment.amount),
    Payer: payment.payerName,
    Email: payment.payerEmail,
    Memo: payment.memo,
  }),
  achRow(`${payment.id}-f`, "fee", [payment.settledOn, payment.settledOn], {
    Amount: sum(-payment.fee),
    "For charge": payment.id,
  }),
];

const achReturn = (extra: World["extras"][number]): AchRow[] => [
  achRow(extra.id, "return", [extra.on, extra.on], {
    Amount: sum(-extra.amount),
    Payer: extra.payerName,
    "For charge": extra.related,
    "Return code": "R01",
  }),
  achRow(`${extra.id}-f`, "return fee", [extra.on, extra.on], {
    Amount: sum(-extra.fee),
    "For charge": extra.related,
  }),
];

/** A customer who is late has begun to pay: it settles days later, and no reminder goes out until then. */
const achBegun = (world: World): AchRow[] =>
  world.invoices
    .filter(({ number }) => number === BEGUN.invoice)
    .map((begun) =>
      achRow("ach_begun_1", "ach debit, pending", [BEGUN.on, BEGUN.on], {
        Amount: sum(begun.total),
        Payer: begun.person.name,
        Email: begun.person.email,
        Memo: begun.number,
      }),
    );

/** The bank statement, with what stood on the account after each line. */
export function bankFile(world: World, span: Span, openingBalance: number): string {
  let balance = openingBalance;
  const rows: string[][] = [];
  for (const line of world.bankLines) {
    balance += line.amount;
    if (within(line.on, span))
      rows.push([
        american(line.on),
        line.description,
        line.amount < 0 ? sum(-line.amount) : "",
        line.amount > 0 ? sum(line.amount) : "",
        sum(balance),
      ]);
  }
  return csv([["Date", "Description", "Money out", "Money in", "Balance"], ...rows]);
}
