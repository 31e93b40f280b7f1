import type { ProcessorItemKind } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import { PROCESSOR_ITEMS } from "./gathered";

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
export const ITEM = `SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, kind, occurred_on AS occurredOn, settled_on AS settledOn, currency, amount, payout_id AS payoutId, receipt_id AS receiptId,
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
  "id" | "receiptId" | "returnCode" | "answerBy" | "answeredOn" | "brand" | "abroad"
> &
  Partial<Pick<ProcessorItemRow, "returnCode" | "answerBy" | "brand" | "abroad">>;

/** Of a large file hundreds of thousands: the receipt is given beside the item, which is not copied. */
export function insertProcessorItem(db: Db, item: NewItem, receiptId: number | null): number {
  return db.insert(
    PROCESSOR_ITEMS,
    item.processorAccountId,
    item.externalId,
    item.kind,
    item.occurredOn,
    item.settledOn,
    item.currency,
    item.amount,
    item.payoutId,
    receiptId,
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
  );
}

/** What the book has of an item already. */
export type ItemKnown = { amount: Minor; occurredOn: Day; fileId: number | null };

/**
 * What the book has of these items (kind and id) already, with their sums; by "kind id". Read at
 * once, as a file may have hundreds of thousands.
 */
export function itemsKnown(
  db: Db,
  accountId: number,
  items: readonly (readonly [kind: ProcessorItemKind, externalId: string])[],
): Map<string, ItemKnown> {
  const known = db.all<ItemKnown & { kind: string; externalId: string }>(
    "SELECT i.kind, i.external_id AS externalId, i.amount, i.occurred_on AS occurredOn, i.file_id AS fileId FROM json_each(?) j CROSS JOIN processor_item i ON i.processor_account_id = ? AND i.kind = j.value ->> 0 AND i.external_id = j.value ->> 1",
    JSON.stringify(items),
    accountId,
  );
  return new Map(known.map(({ kind, externalId, ...item }) => [`${kind} ${externalId}`, item]));
}

/** An item has found its receipt, and is parked no more. */
export function setReceiptOfItem(db: Db, id: number, receiptId: number): void {
  db.run("UPDATE processor_item SET receipt_id = ?, reason = NULL WHERE id = ?", receiptId, id);
}

/** The name of another account that has an item of an id; undefined where none has. */
export function idInOtherProcessorAccount(
  db: Db,
  accountId: number,
  externalId: string,
): string | undefined {
  return db.get<{ name: string }>(
    `SELECT a.name FROM processor_account a
     WHERE a.id <> ? AND EXISTS (
       SELECT 1 FROM processor_item i
       WHERE i.processor_account_id = a.id AND i.external_id = ?
         AND i.kind IN ('charge', 'refund', 'dispute', 'ach_return', 'fee', 'adjustment', 'reserve')
     )`,
    accountId,
    externalId,
  )?.name;
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

/** Disputes that are not decided, the first first. */
export const openDisputes = (
  db: Db,
): { id: number; externalId: string; occurredOn: Day; answeredOn: Day | null }[] =>
  db.all(
    `SELECT id, external_id AS externalId, occurred_on AS occurredOn, answered_on AS answeredOn FROM processor_item
     WHERE kind = 'dispute' AND settled_state = 'opened' ORDER BY id`,
  );

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

/** Why an item was parked. */
export function setReason(db: Db, itemId: number, reason: string): void {
  db.run("UPDATE processor_item SET reason = ? WHERE id = ?", reason, itemId);
}
