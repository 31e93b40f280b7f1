import { day, type Day } from "@/core/calendar";
import { BUCKETS } from "@/core/metrics";
import { add, type Currency, type Minor, toDecimal } from "@/core/money";
import type { Db } from "@/db/connection";
import { balancesAsOf, journalBetween } from "@/db/journal";
import { openItemsAsOf } from "@/db/openItems";
import { type PayoutListed, payoutsBetween } from "@/db/payouts";
import { clearingAsOf } from "@/db/processor";
import { readSettings } from "@/db/settings";

import { agingRows } from "../reports/queries/ages";
import type { Sheet } from "./sheets";

export const EXPORTS = [
  "journal",
  "open-items",
  "clearing",
  "payouts",
  "aging",
  "trial-balance",
] as const;
export type ExportName = (typeof EXPORTS)[number];

export type Period = { asOf: Day; from: Day; to: Day };

const FIRST = day("1900-01-01");
const LAST = day("9999-12-31");

/** The days an export is for: as-of reports end today unless told, periods take in everything. */
export function periodOf(
  today: Day,
  given: { asOf?: Day | undefined; from?: Day | undefined; to?: Day | undefined },
): Period {
  return {
    asOf: given.asOf ?? today,
    from: given.from ?? FIRST,
    to: given.to ?? given.asOf ?? LAST,
  };
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
    columns: [
      "entry_id",
      "posted_on",
      "event",
      "document",
      "party",
      "account_code",
      "account_name",
      "account_role",
      "currency",
      "amount",
      "book_amount",
      "reverses",
    ],
    rows: journalBetween(db, from, to).map((line) => [
      String(line.entryId),
      line.postedOn,
      line.event,
      line.document,
      line.party ?? "",
      line.code,
      line.name,
      line.role,
      line.currency,
      toDecimal(line.amount, line.currency),
      toDecimal(line.bookAmount, book),
      line.reverses === null ? "" : String(line.reverses),
    ]),
  };
}

function openItemSheet(db: Db, asOf: Day, book: Currency): Sheet {
  return {
    columns: [
      "kind",
      "number",
      "customer_id",
      "customer",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "book_balance",
    ],
    rows: openItemsAsOf(db, asOf).map((item) => [
      item.kind,
      item.number,
      item.externalId,
      item.customer,
      item.issuedOn,
      item.dueOn,
      item.currency,
      toDecimal(item.total, item.currency),
      toDecimal(item.ownBalance, item.currency),
      toDecimal(item.asOfBalance, book),
    ]),
  };
}

function clearing(db: Db, asOf: Day, book: Currency): Sheet {
  return {
    columns: [
      "processor_account",
      "kind",
      "external_id",
      "occurred_on",
      "currency",
      "amount",
      "book_amount",
      "payout_id",
      "posted_on",
    ],
    rows: clearingAsOf(db, asOf).map((item) => [
      item.processorAccount,
      item.kind,
      item.externalId,
      item.occurredOn,
      item.currency,
      toDecimal(item.amount, item.currency),
      toDecimal(item.book, book),
      item.payout ?? "",
      item.postedOn,
    ]),
  };
}

/** Bank amount less net; null while no line is tied. */
export function offBy(payout: Pick<PayoutListed, "bankAmount" | "net">): Minor | null {
  return payout.bankAmount === null ? null : add(payout.bankAmount, -payout.net);
}

function payouts(db: Db, { from, to }: Period): Sheet {
  return {
    columns: [
      "payout_id",
      "processor_account",
      "paid_on",
      "currency",
      "charges",
      "fees",
      "refunds",
      "disputes",
      "other",
      "net",
      "bank_line",
      "bank_amount",
      "off_by",
    ],
    rows: payoutsBetween(db, from, to).map((payout) => {
      const sum = (value: Minor | null): string =>
        value === null ? "" : toDecimal(value, payout.currency);
      return [
        payout.externalId,
        payout.processorAccount,
        payout.paidOn,
        payout.currency,
        sum(payout.charges),
        sum(payout.fees),
        sum(payout.refunds),
        sum(payout.disputes),
        sum(payout.other),
        sum(payout.net),
        payout.bankLine ?? "",
        sum(payout.bankAmount),
        sum(offBy(payout)),
      ];
    }),
  };
}

function aging(db: Db, asOf: Day, currency: Currency): Sheet {
  return {
    columns: ["customer_id", "customer", "currency", ...BUCKETS, "total", "credit"],
    rows: agingRows(db, asOf).rows.map((row) => [
      row.externalId,
      row.customer,
      currency,
      ...BUCKETS.map((bucket) => toDecimal(row.aging[bucket], currency)),
      toDecimal(row.aging.total, currency),
      toDecimal(row.credit, currency),
    ]),
  };
}

function trialBalance(db: Db, asOf: Day, currency: Currency): Sheet {
  return {
    columns: ["account_code", "account_name", "account_role", "debit", "credit"],
    rows: balancesAsOf(db, asOf).map((account) => [
      account.code,
      account.name,
      account.role,
      toDecimal(Math.max(account.balance, 0), currency),
      toDecimal(Math.max(-account.balance, 0), currency),
    ]),
  };
}
