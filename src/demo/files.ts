import { addDays, type Day } from "@/core/calendar";
import { american, csv, sum } from "@/practice/csv";

import { CUT_OVER, type World } from "./types";

/** Files as they would arrive: what happened after `from`, up to and including `to`. */
export type Span = { from: Day; to: Day };

/** Brands that the card account names; made up as they are for the demo. */
const BRANDS = ["Kiln Card", "Harbor Card", "Kiln Card", "Meridian Card"];
/** Days in which the processor wants a dispute answered. */
const ANSWER_DAYS = 14;
export const within = (on: Day, { from, to }: Span): boolean => on > from && on <= to;
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
