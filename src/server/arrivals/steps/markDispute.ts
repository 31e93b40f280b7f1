import { openDisputesOf } from "@/db/charges";
import { type ProcessorItemRow, setDisputeState } from "@/db/processor";
import { type ReceiptRow, setDisputed } from "@/db/receipts";
import type { CommandContext } from "@/server/runtime/context";

/** Marks a receipt as disputed, or no longer so, with a line of its history. */
export function markDispute(
  ctx: CommandContext,
  item: ProcessorItemRow,
  receipt: ReceiptRow | undefined,
  kind: "dispute" | "dispute_won",
): void {
  setDisputeState(ctx.db, item.id, kind === "dispute" ? "opened" : "won");
  if (!receipt) return;
  if (kind === "dispute_won") {
    for (const id of openDisputesOf(ctx.db, receipt.id)) setDisputeState(ctx.db, id, "won");
  }
  setDisputed(ctx.db, receipt.id, kind === "dispute" ? 1 : 0);
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    kind === "dispute"
      ? `dispute ${item.externalId} opened: ${ctx.sum(-item.amount, item.currency)} withdrawn, the invoice stays paid and marked`
      : `dispute won: ${ctx.sum(item.amount, item.currency)} given back`,
  );
}
