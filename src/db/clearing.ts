import { type Day } from "@/core/calendar";
import { type Currency, type Minor } from "@/core/money";

import { type Db } from "./connection";
import { type ProcessorItemRow } from "./processor";
import { BOOK_CURRENCY, bookValue } from "./rates";

export type ClearingItem = ProcessorItemRow & {
  processorAccount: string;
  /** In the book's currency, as of the day. */
  book: Minor;
  payout: string | null;
  payer: string | null;
  /** The day of its entry: its settlement, or the first open day after it. */
  postedOn: Day;
  /** When its payout reached the bank, if it has by now. */
  bankedOn: Day | null;
};

/**
 * Everything that was posted to clearing up to a day and is in no payout whose tie was posted up to
 * it; by the journal's own days.
 */
export function clearingAsOf(db: Db, asOf: Day): ClearingItem[] {
  return db.all<ClearingItem>(
    `WITH tied AS (SELECT t.payout_id AS id, min(e.posted_on) AS on_day FROM payout_tie t JOIN entry e ON e.act_id = t.act_id AND e.event = 'payout' AND e.document_kind = 'payout' AND e.document_id = t.payout_id WHERE t.ended_by IS NULL GROUP BY t.payout_id)
     SELECT * FROM (
       SELECT i.id, i.processor_account_id AS processorAccountId, i.external_id AS externalId, i.kind, i.occurred_on AS occurredOn, i.settled_on AS settledOn, i.currency, i.amount, i.payout_id AS payoutId,
         i.receipt_id AS receiptId, i.related_id AS relatedId, i.origin, i.reason, i.settled_state AS settledState, i.return_code AS returnCode, i.answer_by AS answerBy, i.answered_on AS answeredOn, i.brand, i.abroad, i.file_id AS fileId, i.line_no AS lineNo,
         a.code AS processorAccount, p.external_id AS payout, r.payer_name AS payer,
         CASE WHEN i.currency = ${BOOK_CURRENCY} THEN i.amount ELSE (SELECT coalesce(sum(l.book_amount), 0) FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account k ON k.id = l.account_id WHERE l.item_kind = 'processor_item' AND l.item_id = i.id AND k.role = 'clearing' AND e.posted_on <= ?1) END AS book, tied.on_day AS bankedOn,
         (SELECT min(e.posted_on) FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account k ON k.id = l.account_id WHERE l.item_kind = 'processor_item' AND l.item_id = i.id AND k.role = 'clearing') AS postedOn
       FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id LEFT JOIN payout p ON p.id = i.payout_id LEFT JOIN tied ON tied.id = i.payout_id LEFT JOIN receipt r ON r.id = i.receipt_id
       WHERE i.withdrawn = 0 AND i.settled_on <= ?1 AND (tied.on_day IS NULL OR tied.on_day > ?1))
     WHERE postedOn <= ?1 ORDER BY postedOn, id`,
    asOf,
  );
}

/** What settled and is in no payout, by account and day. */
export function unpaidByDay(db: Db): {
  account: string;
  currency: Currency;
  delayDays: number;
  settledOn: Day;
  amount: Minor;
  book: Minor;
  charges: number;
}[] {
  return db.all(
    `SELECT a.name AS account, a.currency, a.delay_days AS delayDays, i.settled_on AS settledOn, sum(i.amount) AS amount, sum(${bookValue({ table: "i", column: "amount", role: "clearing", kind: "processor_item" })}) AS book, sum(i.kind = 'charge') AS charges FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id
     WHERE i.payout_id IS NULL AND i.withdrawn = 0 GROUP BY a.id, i.settled_on`,
  );
}

/** Takings by day of settlement in the book's currency, for the band of days. */
export function takingsByDay(
  db: Db,
  from: Day,
  to: Day,
): { on: Day; charges: Minor; items: number }[] {
  return db.all(
    `SELECT settled_on AS 'on', sum(${bookValue({ table: "i", column: "amount", role: "clearing", kind: "processor_item" })}) AS charges, count(*) AS items FROM processor_item i WHERE kind = 'charge' AND withdrawn = 0 AND settled_on BETWEEN ? AND ? GROUP BY settled_on ORDER BY settled_on`,
    from,
    to,
  );
}

/** Which items stand in an account role by themselves. */
const WHERE_OF_ROLE = {
  parked: `settled_state IS NULL AND reason IS NOT NULL
    AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')`,
  disputed: "kind = 'dispute' AND settled_state IN ('opened', 'won')",
  reserve: "kind = 'reserve'",
} as const;

export type ItemsOfRole = keyof typeof WHERE_OF_ROLE;

/** The items that make up an account role, oldest first; the sum in the book's currency. */
export function itemsOfRole(
  db: Db,
  role: ItemsOfRole,
): {
  id: number;
  kind: string;
  externalId: string;
  on: Day;
  amount: Minor;
  reason: string | null;
  receiptId: number | null;
  payoutId: number | null;
}[] {
  return db.all(
    `SELECT id, kind, external_id AS externalId, settled_on AS "on",
       ${bookValue({ table: "i", column: "amount", role, kind: "processor_item", sign: -1 })} AS amount,
       reason, receipt_id AS receiptId, payout_id AS payoutId
     FROM processor_item i
     WHERE withdrawn = 0 AND ${WHERE_OF_ROLE[role]}
     ORDER BY settled_on, id`,
  );
}
