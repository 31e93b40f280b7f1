import { type AccountRef, type EntryDraft, postReversal } from "@/core/ledger";
import { type EntryRow, linesOfEntry } from "@/db/journal";
import type { CommandContext } from "@/server/runtime/context";

/** An entry as it was posted, but for its event and day. */
function draftOf(ctx: CommandContext, entry: EntryRow): Omit<EntryDraft, "event" | "postedOn"> {
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
  return {
    document: { kind: entry.documentKind, id: entry.documentId, text: entry.document },
    partyId: entry.customerId,
    lines,
  };
}

/** The mirror of an entry, dated the same day (or the first open one). */
export function reverseEntry(ctx: CommandContext, entry: EntryRow, actId: number): void {
  ctx.post(postReversal(draftOf(ctx, entry), entry.postedOn), actId, entry.id);
}

/** An entry that had been mirrored is posted once more, as what mirrored it is taken back. */
export function postAgain(ctx: CommandContext, entry: EntryRow, actId: number): void {
  const { event, postedOn } = entry;
  ctx.post({ ...draftOf(ctx, entry), event, postedOn }, actId, null, { asItWas: true });
}
