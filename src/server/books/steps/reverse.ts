import { type AccountRef, postReversal } from "@/core/ledger";
import { type EntryRow, linesOfEntry } from "@/db/journal";
import type { CommandContext } from "@/server/runtime/context";

/** The mirror of an entry, dated the same day (or the first open one). */
export function reverseEntry(ctx: CommandContext, entry: EntryRow, actId: number): void {
  const lines = linesOfEntry(ctx.db, entry.id).map((line) => ({
    account: (line.of === null
      ? { role: line.role }
      : { role: line.role, of: line.of }) satisfies AccountRef,
    sum: { amount: line.amount, currency: line.currency, book: line.bookAmount },
    item:
      line.itemKind === null || line.itemId === null
        ? null
        : { kind: line.itemKind, id: line.itemId },
  }));
  ctx.post(
    postReversal(
      {
        document: { kind: entry.documentKind, id: entry.documentId, text: entry.document },
        partyId: entry.customerId,
        lines,
      },
      entry.postedOn,
    ),
    actId,
    entry.id,
  );
}
