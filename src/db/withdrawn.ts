import type { Db } from "./connection";

/** Takes back an item that was booked to explain a difference. */
export function withdrawExplained(db: Db, itemId: number): void {
  db.run("UPDATE processor_item SET withdrawn = 1 WHERE id = ? AND origin = 'explained'", itemId);
}

/**
 * Takes back an item that the processor told otherwise since: it counts nothing any more, and its id
 * is free for what is told now.
 */
export function withdrawReported(db: Db, itemId: number): void {
  db.run(
    "UPDATE processor_item SET withdrawn = 1, external_id = external_id || ' (before, ' || id || ')' WHERE id = ?",
    itemId,
  );
}

/** Whether a receipt has refunds, returns or disputes. */
export const hasItemsBesideFees = (db: Db, receiptId: number): boolean =>
  db.get(
    "SELECT 1 FROM processor_item WHERE receipt_id = ? AND withdrawn = 0 AND kind IN ('refund', 'ach_return', 'dispute') LIMIT 1",
    receiptId,
  ) !== undefined;

/** The fees of a receipt belong to the one that took its place. */
export function moveFees(db: Db, from: number, to: number): void {
  db.run(
    "UPDATE processor_item SET receipt_id = ? WHERE receipt_id = ? AND kind <> 'charge' AND withdrawn = 0",
    to,
    from,
  );
}
