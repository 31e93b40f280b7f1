import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { ItemKindOfProcessor } from "@/core/payouts";

import type { Db } from "./connection";

export type ProcessorAccountRow = { id: number; code: string; name: string; currency: Currency; delayDays: number; descriptor: string | null };
const ACCOUNT = "SELECT id, code, name, currency, delay_days AS delayDays, descriptor FROM processor_account";

export function processorAccounts(db: Db): ProcessorAccountRow[] {
  return db.all<ProcessorAccountRow>(`${ACCOUNT} ORDER BY id`);
}

export function insertProcessorAccount(db: Db, account: Omit<ProcessorAccountRow, "id">): number {
  return db.run("INSERT INTO processor_account (code, name, currency, delay_days, descriptor) VALUES (?, ?, ?, ?, ?)", account.code, account.name, account.currency, account.delayDays, account.descriptor).id;
}

export type ProcessorItemRow = {
  id: number; processorAccountId: number; externalId: string; kind: ItemKindOfProcessor; occurredOn: Day; settledOn: Day; currency: Currency; amount: Minor; payoutId: number | null; receiptId: number | null;
  relatedId: string | null; origin: "file" | "explained"; reason: string | null; settledState: "opened" | "won" | "lost" | null; fileId: number | null; lineNo: number | null;
};
const ITEM = `SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, kind, occurred_on AS occurredOn, settled_on AS settledOn, currency, amount, payout_id AS payoutId, receipt_id AS receiptId,
  related_id AS relatedId, origin, reason, settled_state AS settledState, file_id AS fileId, line_no AS lineNo FROM processor_item`;

export function processorItemById(db: Db, id: number): ProcessorItemRow | undefined {
  return db.get<ProcessorItemRow>(`${ITEM} WHERE id = ?`, id);
}

export function processorItemByExternalId(db: Db, accountId: number, kind: ItemKindOfProcessor, externalId: string): ProcessorItemRow | undefined {
  return db.get<ProcessorItemRow>(`${ITEM} WHERE processor_account_id = ? AND kind = ? AND external_id = ?`, accountId, kind, externalId);
}

export function insertProcessorItem(db: Db, item: Omit<ProcessorItemRow, "id">): number {
  return db.run(
    `INSERT INTO processor_item (processor_account_id, external_id, kind, occurred_on, settled_on, currency, amount, payout_id, receipt_id, related_id, origin, reason, settled_state, file_id, line_no)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    item.processorAccountId, item.externalId, item.kind, item.occurredOn, item.settledOn, item.currency, item.amount, item.payoutId, item.receiptId, item.relatedId, item.origin, item.reason, item.settledState, item.fileId, item.lineNo,
  ).id;
}

export function setDisputeState(db: Db, id: number, state: "opened" | "won" | "lost"): void {
  db.run("UPDATE processor_item SET settled_state = ? WHERE id = ?", state, id);
}

export function itemsOfReceipt(db: Db, receiptId: number): ProcessorItemRow[] {
  return db.all<ProcessorItemRow>(`${ITEM} WHERE receipt_id = ? AND withdrawn = 0 ORDER BY id`, receiptId);
}

export function itemsOfPayout(db: Db, payoutId: number): ProcessorItemRow[] {
  return db.all<ProcessorItemRow>(`${ITEM} WHERE payout_id = ? AND withdrawn = 0 ORDER BY settled_on, id`, payoutId);
}

/** Items of an account that are in no payout, or in another open one than this. */
export function itemsElsewhere(db: Db, accountId: number, payoutId: number | null): (ProcessorItemRow & { payout: string | null })[] {
  return db.all(
    `SELECT i.*, p.external_id AS payout FROM (${ITEM} WHERE processor_account_id = ?1 AND withdrawn = 0 AND (payout_id IS NULL OR payout_id <> coalesce(?2, -1))) i LEFT JOIN payout p ON p.id = i.payoutId
     WHERE i.payoutId IS NULL OR p.state = 'open' ORDER BY i.settledOn, i.id`,
    accountId, payoutId,
  );
}

/** Moves an item into a payout, or out of any, and keeps where it was for an undo of the act. */
export function moveItem(db: Db, item: ProcessorItemRow, toPayout: number | null, actId: number): void {
  db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", toPayout, item.id);
  db.run("INSERT INTO item_move (act_id, item_id, from_payout, to_payout) VALUES (?, ?, ?, ?)", actId, item.id, item.payoutId, toPayout);
}

/** Puts back what an act moved; gives the payouts whose items changed by it. */
export function moveBack(db: Db, actId: number): number[] {
  const moves = db.all<{ itemId: number; fromPayout: number | null; toPayout: number | null }>("SELECT item_id AS itemId, from_payout AS fromPayout, to_payout AS toPayout FROM item_move WHERE act_id = ?", actId);
  for (const { itemId, fromPayout } of moves) db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", fromPayout, itemId);
  return [...new Set(moves.flatMap(({ fromPayout, toPayout }) => [fromPayout, toPayout].filter((id): id is number => id !== null)))];
}

/** What the processor took for disputes and returns before, each sum once, latest first. */
export function usualFees(db: Db, accountId: number, kind: "dispute_fee" | "return_fee"): Minor[] {
  return db.all<{ sum: Minor }>("SELECT -amount AS sum FROM processor_item WHERE processor_account_id = ? AND kind = ? AND amount < 0 AND withdrawn = 0 GROUP BY amount ORDER BY max(settled_on) DESC LIMIT 12", accountId, kind).map(({ sum }) => sum);
}

/** Puts items that name no payout, and settled within a span, into the payout that covers it. */
export function claimSpan(db: Db, payoutId: number, accountId: number, from: Day, to: Day): number {
  return db.run("UPDATE processor_item SET payout_id = ? WHERE processor_account_id = ? AND payout_id IS NULL AND withdrawn = 0 AND settled_on BETWEEN ? AND ?", payoutId, accountId, from, to).changes;
}

export type ClearingItem = ProcessorItemRow & { processorAccount: string; payout: string | null; payer: string | null };

/** Everything that settled up to a day and is not in a payout tied up to that day. */
export function clearingAsOf(db: Db, asOf: Day): ClearingItem[] {
  return db.all<ClearingItem>(
    `SELECT i.id, i.processor_account_id AS processorAccountId, i.external_id AS externalId, i.kind, i.occurred_on AS occurredOn, i.settled_on AS settledOn, i.currency, i.amount, i.payout_id AS payoutId,
       i.receipt_id AS receiptId, i.related_id AS relatedId, i.origin, i.reason, i.settled_state AS settledState, i.file_id AS fileId, i.line_no AS lineNo,
       a.code AS processorAccount, p.external_id AS payout, r.payer_name AS payer
     FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id LEFT JOIN payout p ON p.id = i.payout_id LEFT JOIN receipt r ON r.id = i.receipt_id
     WHERE i.withdrawn = 0 AND i.settled_on <= ?1
       AND NOT EXISTS (SELECT 1 FROM payout_tie t WHERE t.payout_id = i.payout_id AND t.ended_by IS NULL AND t.on_day <= ?1)
     ORDER BY i.settled_on, i.id`,
    asOf,
  );
}

/** Takings and fees by day of settlement, for the band of days. */
export function takingsByDay(db: Db, from: Day, to: Day): { on: Day; charges: Minor; items: number }[] {
  return db.all("SELECT settled_on AS 'on', sum(amount) AS charges, count(*) AS items FROM processor_item WHERE kind = 'charge' AND withdrawn = 0 AND settled_on BETWEEN ? AND ? GROUP BY settled_on ORDER BY settled_on", from, to);
}
