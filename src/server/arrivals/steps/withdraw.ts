import { entriesOfDocument } from "@/db/journal";
import { paymentOfReceipt } from "@/db/payments";
import { payoutById } from "@/db/payouts";
import { type ProcessorItemRow } from "@/db/processor";
import { withdrawReported, hasItemsBesideFees } from "@/db/withdrawn";
import { deleteUntouchedReceipt, receiptById } from "@/db/receipts";
import { reverseEntry } from "@/server/books/steps/reverse";
import type { CommandContext } from "@/server/runtime/context";

/** Kinds of items that only move money of their own; others are given to receipts, and rest on them. */
const ALONE = new Set<ProcessorItemRow["kind"]>([
  "charge",
  "fee",
  "dispute_fee",
  "return_fee",
  "reserve",
  "adjustment",
]);

/**
 * Takes back what an item was posted as, by mirrors; its row stays and counts nothing. False, and
 * nothing done, where something rests on it: a payout that is tied, or a receipt that was dealt with.
 */
export function withdraw(ctx: CommandContext, item: ProcessorItemRow, actId: number): boolean {
  if (!mayGo(ctx, item)) return false;
  for (const entry of entriesOfDocument(ctx.db, "processor_item", item.id))
    if (entry.reversedBy === null && entry.reverses === null) reverseEntry(ctx, entry, actId);
  withdrawReported(ctx.db, item.id);
  if (item.kind === "charge" && item.receiptId !== null)
    deleteUntouchedReceipt(ctx.db, item.receiptId);
  return true;
}

function mayGo({ db }: CommandContext, item: ProcessorItemRow): boolean {
  if (!ALONE.has(item.kind) || item.origin !== "file") return false;
  if (item.payoutId !== null && payoutById(db, item.payoutId)?.state === "tied") return false;
  if (item.kind !== "charge" || item.receiptId === null) return true;
  const receipt = receiptById(db, item.receiptId);
  return (
    receipt?.state === "to_match" &&
    receipt.unidentified === receipt.amount &&
    paymentOfReceipt(db, receipt.id) === undefined &&
    !hasItemsBesideFees(db, receipt.id)
  );
}
