import { day, type Day } from "@/core/calendar";
import { agingOf, BUCKETS, totalAging } from "@/core/metrics";
import { add, toDecimal, type Currency, type Minor } from "@/core/money";
import type { Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import { balancesAsOf, journalBetween } from "@/db/journal";
import { openByAge, openItemsAsOf } from "@/db/openItems";
import { payoutsBetween, type PayoutListed } from "@/db/payouts";
import { clearingAsOf } from "@/db/processor";
import { readSettings } from "@/db/settings";

export const EXPORTS = ["journal", "open-items", "clearing", "payouts", "aging", "trial-balance"] as const;
export type ExportName = (typeof EXPORTS)[number];

/** A table with a header; cells are text, money as decimal text; an empty cell means "does not apply". */
export type Sheet = { columns: readonly string[]; rows: readonly (readonly string[])[] };
export type Period = { asOf: Day; from: Day; to: Day };

const FIRST = day("1900-01-01");
const LAST = day("9999-12-31");

/** The days an export is for: as-of reports end today unless told, periods take in everything. */
export function periodOf(today: Day, given: { asOf?: Day | undefined; from?: Day | undefined; to?: Day | undefined }): Period {
  return { asOf: given.asOf ?? today, from: given.from ?? FIRST, to: given.to ?? given.asOf ?? LAST };
}

/** An export as contracts.md describes it: signed sums, the book's currency foots. */
export function sheetOf(db: Db, name: ExportName, period: Period): Sheet {
  const { currency } = readSettings(db);
  switch (name) {
    case "journal":
      return journal(db, period, currency);
    case "open-items":
      return openItemSheet(db, period.asOf, currency);
    case "clearing":
      return clearing(db, period.asOf, currency);
    case "payouts":
      return payouts(db, period);
    case "aging":
      return aging(db, period.asOf, currency);
    case "trial-balance":
      return trialBalance(db, period.asOf, currency);
    default:
      throw name satisfies never;
  }
}

function journal(db: Db, { from, to }: Period, book: Currency): Sheet {
  return {
    columns: ["entry_id", "posted_on", "event", "document", "party", "account_code", "account_name", "account_role", "currency", "amount", "book_amount", "reverses"],
    rows: journalBetween(db, from, to).map((line) => [
      String(line.entryId), line.postedOn, line.event, line.document, line.party ?? "", line.code, line.name, line.role, line.currency, toDecimal(line.amount, line.currency), toDecimal(line.bookAmount, book), line.reverses === null ? "" : String(line.reverses),
    ]),
  };
}

function openItemSheet(db: Db, asOf: Day, book: Currency): Sheet {
  return {
    columns: ["kind", "number", "customer_id", "customer", "issued_on", "due_on", "currency", "total", "balance", "book_balance"],
    rows: openItemsAsOf(db, asOf).map((item) => [item.kind, item.number, item.externalId, item.customer, item.issuedOn, item.dueOn, item.currency, toDecimal(item.total, item.currency), toDecimal(item.ownBalance, item.currency), toDecimal(item.asOfBalance, book)]),
  };
}

function clearing(db: Db, asOf: Day, book: Currency): Sheet {
  return {
    columns: ["processor_account", "kind", "external_id", "occurred_on", "currency", "amount", "book_amount", "payout_id", "posted_on"],
    rows: clearingAsOf(db, asOf).map((item) => [item.processorAccount, item.kind, item.externalId, item.occurredOn, item.currency, toDecimal(item.amount, item.currency), toDecimal(item.book, book), item.payout ?? "", item.postedOn]),
  };
}

/** Bank amount less net; null while no line is tied. */
export function offBy(payout: Pick<PayoutListed, "bankAmount" | "net">): Minor | null {
  return payout.bankAmount === null ? null : add(payout.bankAmount, -payout.net);
}

function payouts(db: Db, { from, to }: Period): Sheet {
  return {
    columns: ["payout_id", "processor_account", "paid_on", "currency", "charges", "fees", "refunds", "disputes", "other", "net", "bank_line", "bank_amount", "off_by"],
    rows: payoutsBetween(db, from, to).map((one) => {
      const sum = (value: Minor | null): string => (value === null ? "" : toDecimal(value, one.currency));
      return [one.externalId, one.processorAccount, one.paidOn, one.currency, sum(one.charges), sum(one.fees), sum(one.refunds), sum(one.disputes), sum(one.other), sum(one.net), one.bankLine ?? "", sum(one.bankAmount), sum(offBy(one))];
    }),
  };
}

export type AgingRow = { customerId: number; externalId: string; customer: string; aging: ReturnType<typeof agingOf>; credit: Minor };

/** Aging by customer as of a day, from what was posted up to it; credit on account beside it, negative. */
export function agingRows(db: Db, asOf: Day): { rows: AgingRow[]; total: ReturnType<typeof totalAging> } {
  const byCustomer = new Map<number, { dueOn: Day; balance: Minor }[]>();
  for (const { customerId, on, sum } of openByAge(db, asOf)) { const known = byCustomer.get(customerId); if (known) known.push({ dueOn: on, balance: sum }); else byCustomer.set(customerId, [{ dueOn: on, balance: sum }]); }
  const credits = new Map(
    db.all<{ id: number; credit: Minor }>(
      `SELECT r.customer_id AS id, sum(l.book_amount) AS credit FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN receipt r ON r.id = l.item_id
       WHERE l.item_kind = 'receipt' AND e.posted_on <= ? AND r.customer_id IS NOT NULL AND l.account_id IN (SELECT id FROM account WHERE role = 'credits') GROUP BY r.customer_id HAVING sum(l.book_amount) <> 0`,
      asOf,
    ).map(({ id, credit }) => [id, credit]),
  );
  const rows = allCustomers(db).filter(({ id }) => byCustomer.has(id) || credits.has(id)).map((customer): AgingRow => {
    const items = byCustomer.get(customer.id) ?? [];
    return { customerId: customer.id, externalId: customer.externalId, customer: customer.name, aging: agingOf(items, asOf), credit: credits.get(customer.id) ?? (0 as Minor) };
  });
  rows.sort((a, b) => a.customer.localeCompare(b.customer, "en") || a.customerId - b.customerId);
  return { rows, total: totalAging(rows.map((row) => row.aging)) };
}

function aging(db: Db, asOf: Day, currency: Currency): Sheet {
  return {
    columns: ["customer_id", "customer", "currency", ...BUCKETS, "total", "credit"],
    rows: agingRows(db, asOf).rows.map((row) => [row.externalId, row.customer, currency, ...BUCKETS.map((bucket) => toDecimal(row.aging[bucket], currency)), toDecimal(row.aging.total, currency), toDecimal(row.credit, currency)]),
  };
}

function trialBalance(db: Db, asOf: Day, currency: Currency): Sheet {
  return {
    columns: ["account_code", "account_name", "account_role", "debit", "credit"],
    rows: balancesAsOf(db, asOf).map((account) => [account.code, account.name, account.role, toDecimal(Math.max(account.balance, 0), currency), toDecimal(Math.max(-account.balance, 0), currency)]),
  };
}
