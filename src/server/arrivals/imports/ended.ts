import { ROW_KINDS, type RowKind } from "@/core/activity";
import type { UnderstoodFile } from "@/core/readings";
import { payoutByExternalId, refreshNet, releasePayout } from "@/db/payouts";
import { processorItemByExternalId, type ProcessorItemRow } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { withdraw } from "../steps/withdraw";
import type { FileRun } from "./report";

/**
 * What was declined, voided or failed since it was taken in: what was posted of it is reversed, a
 * payout's items are free for the next. Where something rests on it, it stays, and is said.
 */
export function takeEnded(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  ended: UnderstoodFile["ended"],
  { actId, tally }: FileRun,
): void {
  for (const { line, id, kind } of ended) {
    if (kind === "payout") {
      endPayout(ctx, account, { line, id }, tally);
      continue;
    }
    const items = itemsOf(ctx, account, id, kind);
    const [first] = items;
    if (!first) continue;
    const was = ctx.sum(first.amount, first.currency);
    if (!withdraw(ctx, first, actId)) {
      tally.change(line, "status", { code: "activity.end_rests", was });
      continue;
    }
    tally.replace(line, "status", { code: "activity.ended", was });
    for (const fee of items.slice(1)) withdraw(ctx, fee, actId);
    if (first.payoutId !== null) refreshNet(ctx.db, first.payoutId);
    tally.also("reversed, as they were declined, voided or failed", first.amount, first.currency);
  }
}

/** The item of a row, and the fee that stood beside it. */
function itemsOf(
  { db }: CommandContext,
  account: ProcessorAccountRow,
  id: string,
  kind: Exclude<RowKind, "payout">,
): ProcessorItemRow[] {
  if (kind === "ignore" || kind === "started") return [];
  const known = (of: ProcessorItemRow["kind"]): ProcessorItemRow[] => {
    const found = processorItemByExternalId(db, account.id, of, id);
    return found ? [found] : [];
  };
  const { item } = ROW_KINDS[kind];
  const [first] = known(item);
  if (!first) return [];
  return [first, ...(item === "charge" ? known("fee") : [])];
}

function endPayout(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  { line, id }: { line: number; id: string },
  tally: FileRun["tally"],
): void {
  const payout = payoutByExternalId(ctx.db, account.id, id);
  if (!payout) return;
  const was = ctx.sum(payout.statedNet ?? payout.net, payout.currency);
  const isGone = payout.state === "open" && releasePayout(ctx.db, payout.id);
  if (!isGone) return tally.change(line, "status", { code: "activity.end_rests", was });
  tally.replace(line, "status", { code: "payout.ended", was });
  tally.also("payouts that failed: their items wait for the next", payout.net, payout.currency);
}
