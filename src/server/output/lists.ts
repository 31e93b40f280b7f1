import type { QueueName } from "@/contracts/match";
import { type Day, parseDay } from "@/core/calendar";
import { waitInWords } from "@/core/followup";
import type { Proposal } from "@/core/matching";
import { BUCKETS, creditAgeWords } from "@/core/metrics";
import { toDecimal } from "@/core/money";
import { lastActs } from "@/db/acts";
import { bankLinePage } from "@/db/bank";
import type { Db } from "@/db/connection";
import { customerPage } from "@/db/customers";
import { importFilePage } from "@/db/files";
import { accountLines } from "@/db/journal";
import { openItemPage } from "@/db/openItems";
import { readSettings } from "@/db/settings";

import { journalFileSheet } from "../books/queries/journalFile";
import { proofInWords, proofs } from "../books/queries/proofs";
import { payingSheet } from "../customers/queries/paying";
import { matchQueue } from "../match/queries/match";
import { overdueRows } from "../overdue/queries/overdue";
import { feeCheck } from "../payouts/queries/fees";
import { returnsAndDisputes } from "../payouts/queries/returnsAndDisputes";
import { agesAsked, agesSheet } from "../reports/queries/ages";
import { figuresOf } from "../reports/queries/figures";
import { yearPageOf } from "../reports/queries/yearEnd";
import type { Sheet } from "./sheets";

/** Lists of pages that are given as they stand, with the filter of the page. */
export const LISTS = [
  "match",
  "overdue",
  "customers",
  "invoices",
  "bank-lines",
  "files",
  "account",
  "trail",
  "proofs",
  "fees",
  "came-back",
  "year",
  "journal-file",
  "figures",
  "ages",
  "paying",
] as const;
export type ListName = (typeof LISTS)[number];

const ALL = 1_000_000;

export function listSheet(
  db: Db,
  name: ListName,
  today: Day,
  proposals: readonly Proposal[],
  query: URLSearchParams,
): Sheet {
  const { currency } = readSettings(db);
  const sum = (amount: number): string => toDecimal(amount, currency);
  const text = query.get("q") || null;
  switch (name) {
    case "match": {
      const queue =
        (["sure", "check", "none", "aside"] as const).find((name) => name === query.get("queue")) ??
        "check";
      const { rows } = matchQueue(
        db,
        proposals,
        queue satisfies QueueName,
        query.get("sort") ?? "paid",
        currency,
      );
      return {
        columns: [
          "receipt_id",
          "paid_on",
          "method",
          "payer",
          "memo",
          "best_reading",
          "look_at",
          "amount",
          "currency",
        ],
        rows: rows.map((row) => [
          String(row.id),
          row.paidOn,
          row.method,
          row.from,
          row.memo,
          row.best,
          row.look,
          toDecimal(row.amount, row.currency),
          row.currency,
        ]),
      };
    }
    case "overdue":
      return {
        columns: [
          "customer_id",
          "customer",
          "state",
          ...BUCKETS,
          "overdue",
          "oldest_days",
          "next_step",
          "next_on",
          "waits_for",
        ],
        rows: overdueRows(db, today, proposals).map((row) => [
          row.customer.externalId,
          row.customer.name,
          row.state,
          ...BUCKETS.map((bucket) => sum(row.aging[bucket])),
          sum(row.overdue),
          String(row.oldestDays),
          `${row.next.step.act} ${row.next.step.step}`,
          row.next.on,
          row.waits.map((wait) => waitInWords(wait, currency)).join("; "),
        ]),
      };
    case "customers":
      return {
        columns: ["customer_id", "customer", "email", "open", "credit"],
        rows: customerPage(db, { text, order: "name", limit: ALL, offset: 0 }).rows.map((row) => [
          row.externalId,
          row.name,
          row.email ?? "",
          sum(row.open),
          sum(row.credit),
        ]),
      };
    case "figures": {
      const figures = figuresOf(db, today, overdueRows(db, today, proposals), currency);
      const plain = (value: number | null): string => (value === null ? "" : value.toFixed(2));
      return {
        columns: ["figure", "of", "value"],
        rows: [
          ...figures.months.flatMap((month) => [
            ["sold", month.month, sum(month.sales)],
            ["owed at the end", month.month, sum(month.receivables)],
            ["not due at the end", month.month, sum(month.notDue)],
            ["dso", month.month, plain(month.dso)],
            ["best possible dso", month.month, plain(month.best)],
            ["cei", month.month, plain(month.cei)],
            ["days late", month.month, plain(month.daysLate)],
          ]),
          ...figures.weeks.flatMap((week) => [
            ["cash expected", week.from, sum(week.expected)],
            ["cash at least", week.from, sum(week.least)],
            ["cash at most", week.from, sum(week.most)],
          ]),
          ...BUCKETS.map((bucket) => [
            "allowance",
            bucket,
            sum(figures.allowance.byBucket[bucket]),
          ]),
        ],
      };
    }
    case "ages":
      return agesSheet(db, agesAsked(query, readSettings(db), today));
    case "paying":
      return payingSheet(db, Number(query.get("customer")), today);
    case "invoices": {
      const state =
        (["all", "open", "overdue", "paid"] as const).find((name) => name === query.get("state")) ??
        "open";
      return {
        columns: [
          "number",
          "customer_id",
          "customer",
          "issued_on",
          "due_on",
          "total",
          "balance",
          "po_number",
          "currency",
          "book_balance",
        ],
        rows: openItemPage(db, {
          state,
          today,
          text,
          issued: query.get("issued"),
          order: "i.issued_on",
          limit: ALL,
          offset: 0,
        }).rows.map((row) => [
          row.number,
          row.externalId,
          row.customer,
          row.issuedOn,
          row.dueOn,
          toDecimal(row.total, row.currency),
          toDecimal(row.balance, row.currency),
          row.poNumber ?? "",
          row.currency,
          sum(row.bookBalance),
        ]),
      };
    }
    case "bank-lines":
      return {
        columns: ["posted_on", "description", "amount", "state"],
        rows: bankLinePage(db, {
          state:
            (["open", "payout", "receipt", "elsewhere"] as const).find(
              (name) => name === query.get("state"),
            ) ?? null,
          text,
          limit: ALL,
          offset: 0,
        }).rows.map((row) => [row.postedOn, row.description, sum(row.amount), row.state]),
      };
    case "files":
      return {
        columns: ["imported_at", "name", "kind", "new", "known", "changed", "refused", "sha256"],
        rows: importFilePage(db, ALL, 0).rows.map((row) => [
          row.importedAt,
          row.name,
          row.kind,
          String(row.rowsNew),
          String(row.rowsKnown),
          String(row.rowsChanged),
          String(row.rowsRefused),
          row.sha256,
        ]),
      };
    case "account": {
      const asOf = parseDay(query.get("as-of") ?? "", "ymd");
      return {
        columns: ["posted_on", "entry_id", "event", "document", "party", "amount", "balance"],
        rows: accountLines(
          db,
          Number(query.get("account")),
          asOf.ok ? asOf.value : today,
          ALL,
          0,
        ).map((row) => [
          row.postedOn,
          String(row.entryId),
          row.event,
          row.document,
          row.party ?? "",
          sum(row.bookAmount),
          sum(row.running),
        ]),
      };
    }
    case "trail":
      return {
        columns: ["on", "at", "actor", "what", "undone_by"],
        rows: lastActs(db, ALL, 0).map((act) => [
          act.onDay,
          act.at,
          act.actor,
          act.text,
          act.undoneBy === null ? "" : String(act.undoneBy),
        ]),
      };
    case "proofs":
      return {
        columns: ["proof", "journal", "documents", "off_by", "holds"],
        rows: proofs(db).proofs.map((proof) => [
          proofInWords(proof.name).what,
          sum(proof.journal),
          sum(proof.documents),
          sum(proof.off),
          proof.holds ? "yes" : "no",
        ]),
      };
    case "journal-file":
      return (
        journalFileSheet(db, Number(query.get("id"))) ?? {
          columns: ["there is no such file"],
          rows: [],
        }
      );
    case "year": {
      const year = yearPageOf(
        db,
        /^\d{4}$/.test(query.get("year") ?? "") ? (query.get("year") ?? "") : today.slice(0, 4),
        today,
      );
      const month = (at: number): string => `${year.year}-${String(at + 1).padStart(2, "0")}`;
      return {
        columns: ["figure", "of", "month", "sum"],
        rows: [
          ...year.gross.flatMap(({ account, months }) =>
            months.map((minor, at) => ["gross", account, month(at), sum(minor)]),
          ),
          ...year.cash.months.flatMap((month) => [
            ["cash basis, received", "", month.month, sum(month.received)],
            ["cash basis, tax", "", month.month, sum(month.tax)],
            ["cash basis, income", "", month.month, sum(month.income)],
          ]),
          ...year.tax.flatMap((entry) => [
            ["tax charged", `${entry.code} ${entry.name}`, "", sum(entry.charged)],
            ["tax taken off", `${entry.code} ${entry.name}`, "", sum(entry.less)],
            ["tax payable", `${entry.code} ${entry.name}`, "", sum(entry.balance)],
          ]),
          ...year.credits.ages.map((age) => [
            "credit on account",
            creditAgeWords(age.age),
            "",
            sum(age.sum),
          ]),
        ],
      };
    }
    case "came-back":
      return {
        columns: ["do_by", "what", "whose", "says", "came_back_on", "sum"],
        rows: returnsAndDisputes(db, today).rows.map((row) => [
          row.until ?? "",
          row.what,
          row.from,
          row.words,
          row.on,
          row.sum === null ? "" : toDecimal(row.sum, row.currency),
        ]),
      };
    case "fees":
      return {
        columns: [
          "processor_account",
          "charge",
          "settled_on",
          "method",
          "payer",
          "amount",
          "fee",
          "agreed_fee",
          "too_much",
        ],
        rows: feeCheck(db, today).lines.map((line) => [
          line.account,
          line.externalId,
          line.on,
          line.method,
          line.payer,
          sum(line.amount),
          sum(line.fee),
          line.expected === null ? "" : sum(line.expected),
          sum(line.off),
        ]),
      };
    default:
      throw name satisfies never;
  }
}
