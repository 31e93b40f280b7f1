import { formatDay } from "@/core/calendar";
import type { ActivityRecord } from "@/core/formats";
import { adoptItem, type ItemKnown, type ProcessorItemRow } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import { moveFees } from "@/db/withdrawn";
import type { CommandContext } from "@/server/runtime/context";

/** What a line says otherwise than before, its sum or its day, and how that is said. */
export function changeOf(
  ctx: CommandContext,
  { currency }: ProcessorAccountRow,
  row: ActivityRecord,
  known: ItemKnown,
): { was: string; stays: string; reposted: string; tallied: string } {
  if (row.amount !== known.amount)
    return {
      was: ctx.sum(known.amount, currency),
      stays: "activity.changed",
      reposted: "activity.reposted",
      tallied: "reversed and posted anew with another sum",
    };
  return {
    was: formatDay(known.occurredOn, ctx.today),
    stays: "activity.day_changed",
    reposted: "activity.day_reposted",
    tallied: "reversed and posted anew with another day",
  };
}

/** What belonged to an item that was reversed goes to the one in its place: its payout, and its charge's fees. */
export function handOver(
  { db }: CommandContext,
  before: ProcessorItemRow,
  now: ProcessorItemRow | undefined,
): void {
  if (!now) return;
  if (before.payoutId !== null && now.payoutId === null)
    adoptItem(db, now.id, now.externalId, before.payoutId);
  if (now.kind === "charge" && before.receiptId !== null && now.receiptId !== null)
    moveFees(db, before.receiptId, now.receiptId);
}
