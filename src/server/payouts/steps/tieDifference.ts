import { z } from "zod";

import { FEE_KINDS, type FeeKind } from "@/core/activity";
import { inBook, postFee, postParkedDifference } from "@/core/ledger";
import { add, type Minor, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { type BankLineRow } from "@/db/bank";
import { payoutById, type PayoutRow, refreshNet } from "@/db/payouts";
import {
  insertProcessorItem,
  moveItem,
  processorItemById,
  type ProcessorItemRow,
  type NewItem,
} from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";
import { type CommandContext } from "@/server/runtime/context";

import { tie } from "./tie";

const FEE_KIND_NAMES = Object.keys(FEE_KINDS) as FeeKind[];

export const difference = z.discriminatedUnion("as", [
  z.object({ as: z.literal("fee"), kind: z.enum(FEE_KIND_NAMES) }),
  // Items that stand elsewhere and belong to it, or stand in it and were not paid with it.
  z.object({ as: z.literal("take_in"), itemIds: z.array(z.number().int()).min(1).max(20) }),
  z.object({ as: z.literal("take_out"), itemIds: z.array(z.number().int()).min(1).max(20) }),
  z.object({
    as: z.literal("park"),
    reason: z.string().trim().min(1, "Say why, in a few words.").max(200),
  }),
]);

type OffPayout = {
  payout: PayoutRow;
  lines: readonly BankLineRow[];
  off: Minor;
  came: Minor;
};

type Difference = z.output<typeof difference>;

/** The difference is booked as what the clerk says it is: items moved, a fee, or parked. */
export function tieWithDifference(
  ctx: CommandContext,
  { payout, lines, off, came }: OffPayout,
  as: Difference | null,
): Result<{ actId: number }> {
  if (as === null)
    return fail("payout.off", {
      bank: ctx.sum(came),
      net: ctx.sum(payout.net),
      off: ctx.sum(off),
    });
  if (as.as === "take_in" || as.as === "take_out")
    return tieMovingItems(ctx, { payout, lines, off, came }, as);
  const booked = as.as === "fee" ? "booked as a fee" : `parked: ${as.reason}`;
  const actId = tie(ctx, payout, lines, `by hand, ${ctx.sum(off)} ${booked}`);
  bookDifference(ctx, { payout, off, as, lines, actId });
  return ok({ actId });
}

function tieMovingItems(
  ctx: CommandContext,
  { payout, lines, off }: OffPayout,
  as: Extract<Difference, { as: "take_in" | "take_out" }>,
): Result<{ actId: number }> {
  const moved = itemsToMove(ctx, payout, as, off);
  if (!moved.ok) return moved;
  const takenIn = as.as === "take_in";
  const ids = moved.value.map(({ externalId }) => externalId).join(", ");
  const words = `by hand, ${ids} ${takenIn ? "taken into it" : "taken out of it"}`;
  const actId = tie(ctx, payout, lines, words);
  for (const item of moved.value) moveItem(ctx.db, item, takenIn ? payout.id : null, actId);
  const touched = [payout.id, ...moved.value.flatMap(({ payoutId }) => payoutId ?? [])];
  for (const id of new Set(touched)) refreshNet(ctx.db, id);
  return ok({ actId });
}

/**
 * The items that explain the difference to the cent, of the payout's own account; not out of a
 * payout that is tied.
 */
function itemsToMove(
  ctx: CommandContext,
  payout: PayoutRow,
  { as, itemIds }: { as: "take_in" | "take_out"; itemIds: readonly number[] },
  off: Minor,
): Result<ProcessorItemRow[]> {
  const items: ProcessorItemRow[] = [];
  for (const id of new Set(itemIds)) {
    const item = processorItemById(ctx.db, id);
    if (
      !item ||
      item.processorAccountId !== payout.processorAccountId ||
      (as === "take_out") !== (item.payoutId === payout.id)
    )
      return fail("payout.item");
    if (item.payoutId !== null && payoutById(ctx.db, item.payoutId)?.state === "tied")
      return fail("payout.item");
    items.push(item);
  }
  const sum = sumOf(items, ({ amount }) => amount);
  return sum === (as === "take_in" ? off : negate(off))
    ? ok(items)
    : fail("payout.off", {
        bank: ctx.sum(add(payout.net, off)),
        net: ctx.sum(add(payout.net, as === "take_in" ? sum : negate(sum))),
        off: ctx.sum(add(off, as === "take_in" ? negate(sum) : sum)),
      });
}

type DifferenceToBook = {
  payout: PayoutRow;
  off: Minor;
  as: Extract<z.output<typeof difference>, { as: "fee" | "park" }>;
  lines: readonly BankLineRow[];
  actId: number;
};

/**
 * The difference becomes an item of the payout, so that its items sum to what the bank got, and is
 * posted in the same act.
 */
function bookDifference(
  ctx: CommandContext,
  { payout, off, as, lines, actId }: DifferenceToBook,
): void {
  const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
  if (!processor) throw new Error("a payout has its processor account");
  const on = lines.reduce(
    (latest, line) => (line.postedOn > latest ? line.postedOn : latest),
    payout.paidOn,
  );
  const kind = as.as === "park" ? "adjustment" : FEE_KINDS[as.kind].item;
  const item: NewItem = {
    processorAccountId: payout.processorAccountId,
    externalId: `${payout.externalId} off ${actId}`,
    kind,
    occurredOn: on,
    settledOn: on,
    currency: payout.currency,
    amount: off,
    payoutId: payout.id,
    relatedId: null,
    origin: "explained",
    reason: as.as === "park" ? as.reason : `missing ${as.kind} fee`,
    settledState: null,
    fileId: null,
    lineNo: null,
  };
  const id = insertProcessorItem(ctx.db, item, null);
  const head = {
    on,
    document: {
      kind: "processor_item" as const,
      id,
      text: `difference of payout ${payout.externalId}`,
    },
    processor: processor.code,
    processorItemId: id,
  };
  if (as.as === "park")
    ctx.post(postParkedDifference({ ...head, sum: inBook(off, payout.currency) }), actId);
  else
    ctx.post(postFee({ ...head, kind: as.kind, sum: inBook(negate(off), payout.currency) }), actId);
  refreshNet(ctx.db, payout.id);
}
