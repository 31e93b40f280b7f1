import type { ProcessorItemKind } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";

export type ProcessorAccountRow = {
  id: number;
  code: string;
  name: string;
  currency: Currency;
  delayDays: number;
  descriptor: string | null;
  /** Whether fees are taken with the charges, or billed by the month. */
  feeBilling: "taken" | "monthly";
};
const ACCOUNT =
  "SELECT id, code, name, currency, delay_days AS delayDays, descriptor, fee_billing AS feeBilling FROM processor_account";

export function processorAccounts(db: Db): ProcessorAccountRow[] {
  return db.all<ProcessorAccountRow>(`${ACCOUNT} ORDER BY id`);
}

export function insertProcessorAccount(db: Db, account: Omit<ProcessorAccountRow, "id">): number {
  return db.run(
    "INSERT INTO processor_account (code, name, currency, delay_days, descriptor, fee_billing) VALUES (?, ?, ?, ?, ?, ?)",
    account.code,
    account.name,
    account.currency,
    account.delayDays,
    account.descriptor,
    account.feeBilling,
  ).id;
}

export type ProcessorItemRow = {
  id: number;
  processorAccountId: number;
  externalId: string;
  kind: ProcessorItemKind;
  occurredOn: Day;
  settledOn: Day;
  currency: Currency;
  amount: Minor;
  payoutId: number | null;
  receiptId: number | null;
  relatedId: string | null;
  origin: "file" | "explained";
  reason: string | null;
  settledState: "opened" | "won" | "lost" | null;
  /** Why a debit came back. */
  returnCode: string | null;
  /** By when a dispute is to be answered, and when it was. */
  answerBy: Day | null;
  answeredOn: Day | null;
  brand: string | null;
  abroad: 0 | 1;
  fileId: number | null;
  lineNo: number | null;
};
const ITEM = `SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, kind, occurred_on AS occurredOn, settled_on AS settledOn, currency, amount, payout_id AS payoutId, receipt_id AS receiptId,
  related_id AS relatedId, origin, reason, settled_state AS settledState, return_code AS returnCode, answer_by AS answerBy, answered_on AS answeredOn, brand, abroad, file_id AS fileId, line_no AS lineNo FROM processor_item`;

export function processorItemById(db: Db, id: number): ProcessorItemRow | undefined {
  return db.get<ProcessorItemRow>(`${ITEM} WHERE id = ?`, id);
}

export function processorItemByExternalId(
  db: Db,
  accountId: number,
  kind: ProcessorItemKind,
  externalId: string,
): ProcessorItemRow | undefined {
  return db.get<ProcessorItemRow>(
    `${ITEM} WHERE processor_account_id = ? AND kind = ? AND external_id = ?`,
    accountId,
    kind,
    externalId,
  );
}

/** An item that comes in; what its file says nothing of is left out. */
export type NewItem = Omit<
  ProcessorItemRow,
  "id" | "returnCode" | "answerBy" | "answeredOn" | "brand" | "abroad"
> &
  Partial<Pick<ProcessorItemRow, "returnCode" | "answerBy" | "brand" | "abroad">>;

export function insertProcessorItem(db: Db, item: NewItem): number {
  return db.run(
    `INSERT INTO processor_item (processor_account_id, external_id, kind, occurred_on, settled_on, currency, amount, payout_id, receipt_id, related_id, origin, reason, settled_state, return_code, answer_by, brand, abroad, file_id, line_no)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    item.processorAccountId,
    item.externalId,
    item.kind,
    item.occurredOn,
    item.settledOn,
    item.currency,
    item.amount,
    item.payoutId,
    item.receiptId,
    item.relatedId,
    item.origin,
    item.reason,
    item.settledState,
    item.returnCode ?? null,
    item.answerBy ?? null,
    item.brand ?? null,
    item.abroad ?? 0,
    item.fileId,
    item.lineNo,
  ).id;
}

/**
 * What the book has of these items (kind and id) already, with their sums; by "kind id". Read at
 * once, as a file may have hundreds of thousands.
 */
export function itemsKnown(
  db: Db,
  accountId: number,
  items: readonly (readonly [kind: ProcessorItemKind, externalId: string])[],
): Map<string, Minor> {
  const known = db.all<{ kind: string; externalId: string; amount: Minor }>(
    "SELECT i.kind, i.external_id AS externalId, i.amount FROM json_each(?) j CROSS JOIN processor_item i ON i.processor_account_id = ? AND i.kind = j.value ->> 0 AND i.external_id = j.value ->> 1",
    JSON.stringify(items),
    accountId,
  );
  return new Map(known.map(({ kind, externalId, amount }) => [`${kind} ${externalId}`, amount]));
}

/** Charges that items of the book name and that it does not have. */
export function orphanedCharges(db: Db, accountId: number): Set<string> {
  return new Set(
    db
      .all<{ id: string }>(
        "SELECT DISTINCT related_id AS id FROM processor_item WHERE processor_account_id = ? AND receipt_id IS NULL AND related_id IS NOT NULL AND kind <> 'charge'",
        accountId,
      )
      .map(({ id }) => id),
  );
}

/** Items that name a charge which the book did not have when they came. */
export function orphansOf(db: Db, accountId: number, chargeId: string): ProcessorItemRow[] {
  return db.all<ProcessorItemRow>(
    `${ITEM} WHERE processor_account_id = ? AND related_id = ? AND receipt_id IS NULL AND kind <> 'charge' AND withdrawn = 0 ORDER BY id`,
    accountId,
    chargeId,
  );
}

/** An item has found its receipt, and is parked no more. */
export function setReceiptOfItem(db: Db, id: number, receiptId: number): void {
  db.run("UPDATE processor_item SET receipt_id = ?, reason = NULL WHERE id = ?", receiptId, id);
}

/** The debit that a trace number stands for: its own id, whole or with the bank's part in front. */
export function chargeByTrace(db: Db, trace: string): ProcessorItemRow | undefined {
  const found = db.all<ProcessorItemRow>(
    `${ITEM} WHERE kind = 'charge' AND withdrawn = 0 AND external_id IN (?1, ltrim(?1, '0'), substr(?1, 9), ltrim(substr(?1, 9), '0')) ORDER BY external_id <> ?1, id LIMIT 2`,
    trace,
  );
  const [first, second] = found;
  // A short number that two accounts use says nothing.
  return second && first?.externalId !== trace ? undefined : first;
}

/** A return of a charge that is in the book already, whichever file told of it. */
export function returnOfCharge(
  db: Db,
  charge: ProcessorItemRow,
  amount: number,
): ProcessorItemRow | undefined {
  return db.get<ProcessorItemRow>(
    `${ITEM} WHERE processor_account_id = ? AND kind = 'ach_return' AND related_id = ? AND amount = ? AND withdrawn = 0`,
    charge.processorAccountId,
    charge.externalId,
    -amount,
  );
}

export function adoptItem(db: Db, id: number, externalId: string, payoutId: number | null): void {
  db.run(
    "UPDATE processor_item SET external_id = ?, payout_id = ? WHERE id = ?",
    externalId,
    payoutId,
    id,
  );
}

export function setReturnCode(db: Db, id: number, code: string): void {
  db.run("UPDATE processor_item SET return_code = ? WHERE id = ?", code, id);
}

export function setDisputeState(db: Db, id: number, state: "opened" | "won" | "lost"): void {
  db.run("UPDATE processor_item SET settled_state = ? WHERE id = ?", state, id);
}

export function itemsOfReceipt(db: Db, receiptId: number): ProcessorItemRow[] {
  return db.all<ProcessorItemRow>(
    `${ITEM} WHERE receipt_id = ? AND withdrawn = 0 ORDER BY id`,
    receiptId,
  );
}

export function itemsOfPayout(db: Db, payoutId: number): ProcessorItemRow[] {
  return db.all<ProcessorItemRow>(
    `${ITEM} WHERE payout_id = ? AND withdrawn = 0 ORDER BY settled_on, id`,
    payoutId,
  );
}

/** Items of an account that are in no payout, or in another open one than this. */
export function itemsElsewhere(
  db: Db,
  accountId: number,
  payoutId: number | null,
): (ProcessorItemRow & { payout: string | null })[] {
  return db.all(
    `SELECT i.*, p.external_id AS payout FROM (${ITEM} WHERE processor_account_id = ?1 AND withdrawn = 0 AND (payout_id IS NULL OR payout_id <> coalesce(?2, -1))) i LEFT JOIN payout p ON p.id = i.payoutId
     WHERE i.payoutId IS NULL OR p.state = 'open' ORDER BY i.settledOn, i.id`,
    accountId,
    payoutId,
  );
}

/** Moves an item into a payout, or out of any, and keeps where it was for an undo of the act. */
export function moveItem(
  db: Db,
  item: ProcessorItemRow,
  toPayout: number | null,
  actId: number,
): void {
  db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", toPayout, item.id);
  db.run(
    "INSERT INTO item_move (act_id, item_id, from_payout, to_payout) VALUES (?, ?, ?, ?)",
    actId,
    item.id,
    item.payoutId,
    toPayout,
  );
}

/** Puts back what an act moved; gives the payouts whose items changed by it. */
export function moveBack(db: Db, actId: number): number[] {
  const moves = db.all<{ itemId: number; fromPayout: number | null; toPayout: number | null }>(
    "SELECT item_id AS itemId, from_payout AS fromPayout, to_payout AS toPayout FROM item_move WHERE act_id = ?",
    actId,
  );
  for (const { itemId, fromPayout } of moves)
    db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", fromPayout, itemId);
  return [
    ...new Set(
      moves.flatMap(({ fromPayout, toPayout }) =>
        [fromPayout, toPayout].filter((id): id is number => id !== null),
      ),
    ),
  ];
}

/** What the processor took for disputes and returns before, each sum once, latest first. */
export function usualFees(db: Db, accountId: number, kind: "dispute_fee" | "return_fee"): Minor[] {
  return db
    .all<{ sum: Minor }>(
      "SELECT -amount AS sum FROM processor_item WHERE processor_account_id = ? AND kind = ? AND amount < 0 AND withdrawn = 0 GROUP BY amount ORDER BY max(settled_on) DESC LIMIT 12",
      accountId,
      kind,
    )
    .map(({ sum }) => sum);
}

type SpanOfItems = {
  payoutId: number;
  accountId: number;
  from: Day;
  to: Day;
};

/** Puts items that name no payout, and settled within a span, into the payout that covers it. */
export function claimSpan(db: Db, { payoutId, accountId, from, to }: SpanOfItems): number {
  return db.run(
    "UPDATE processor_item SET payout_id = ? WHERE processor_account_id = ? AND payout_id IS NULL AND withdrawn = 0 AND settled_on BETWEEN ? AND ?",
    payoutId,
    accountId,
    from,
    to,
  ).changes;
}

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

/** Why an item was parked. */
export function setReason(db: Db, itemId: number, reason: string): void {
  db.run("UPDATE processor_item SET reason = ? WHERE id = ?", reason, itemId);
}

/** Takes back an item that was booked to explain a difference. */
export function withdrawExplained(db: Db, itemId: number): void {
  db.run("UPDATE processor_item SET withdrawn = 1 WHERE id = ? AND origin = 'explained'", itemId);
}

/** The disputes of a receipt that are open. */
export function openDisputesOf(db: Db, receiptId: number): number[] {
  return db
    .all<{ id: number }>(
      `SELECT id FROM processor_item
       WHERE receipt_id = ? AND kind = 'dispute' AND settled_state = 'opened'`,
      receiptId,
    )
    .map(({ id }) => id);
}

/**
 * The processor account a receipt came through, and the fee of its charge (positive; null where
 * none is known).
 */
export function chargeOfReceipt(
  db: Db,
  receiptId: number,
): { externalId: string; fee: Minor | null; account: string } | undefined {
  return db.get(
    `SELECT i.external_id AS externalId, a.name AS account,
       (SELECT -sum(f.amount) FROM processor_item f
        WHERE f.kind = 'fee' AND f.processor_account_id = i.processor_account_id
          AND f.related_id = i.external_id) AS fee
     FROM processor_item i
     JOIN processor_account a ON a.id = i.processor_account_id
     WHERE i.receipt_id = ? AND i.kind = 'charge'`,
    receiptId,
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

/** Fees that name a charge as theirs and belong to no receipt of their own. */
export function feesOfCharge(db: Db, accountId: number, externalId: string): number[] {
  return db
    .all<{ id: number }>(
      `SELECT id FROM processor_item
       WHERE processor_account_id = ? AND related_id = ? AND receipt_id IS NULL AND withdrawn = 0
       ORDER BY id`,
      accountId,
      externalId,
    )
    .map(({ id }) => id);
}
