import { type Minor } from "@/core/money";

import { type Db } from "./connection";
import { ITEM, type ProcessorItemRow } from "./processor";

/** Charges that items of the book name and that it does not have. */
export function orphanedCharges(db: Db, accountId: number): Set<string> {
  return db.ids(
    "SELECT DISTINCT related_id AS id FROM processor_item WHERE processor_account_id = ? AND receipt_id IS NULL AND related_id IS NOT NULL AND kind <> 'charge'",
    accountId,
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
