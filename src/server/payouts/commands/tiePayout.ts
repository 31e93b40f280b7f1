import { z } from "zod";

import { FEE_KINDS, type FeeKind } from "@/core/activity";
import { inBook, postFee, postParkedDifference } from "@/core/ledger";
import { add, inCurrency, type Minor, negate, ownRate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankLineById, type BankLineRow, setBankLineState } from "@/db/bank";
import { entriesOfAct } from "@/db/journal";
import {
  endTies,
  payoutById,
  type PayoutRow,
  refreshNet,
  setPayoutState,
  tiesOfAct,
} from "@/db/payouts";
import {
  insertProcessorItem,
  moveBack,
  moveItem,
  processorAccounts,
  processorItemById,
  type ProcessorItemRow,
  withdrawExplained,
} from "@/db/processor";
import { rateOn } from "@/db/rates";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

import { tie } from "../steps/tie";

const FEE_KIND_NAMES = Object.keys(FEE_KINDS) as FeeKind[];

const difference = z.discriminatedUnion("as", [
  z.object({ as: z.literal("fee"), kind: z.enum(FEE_KIND_NAMES) }),
  // Items that stand elsewhere and belong to it, or stand in it and were not paid with it.
  z.object({ as: z.literal("take_in"), itemIds: z.array(z.number().int()).min(1).max(20) }),
  z.object({ as: z.literal("take_out"), itemIds: z.array(z.number().int()).min(1).max(20) }),
  z.object({
    as: z.literal("park"),
    reason: z.string().trim().min(1, "Say why, in a few words.").max(200),
  }),
]);
/**
 * Ties a payout by hand. Where the lines do not come to its net, the difference is booked as what
 * the clerk says it is.
 */
export const tiePayout = defineCommand({
  name: "tiePayout",
  schema: z.object({
    payoutId: z.number().int(),
    bankLineIds: z.array(z.number().int()).min(1).max(20),
    difference: difference.nullable().default(null),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const payout = payoutById(ctx.db, input.payoutId);
    if (!payout) return fail("payout.unknown");
    if (payout.state === "tied") return fail("payout.tied");
    const found = linesToTie(ctx, payout, input.bankLineIds);
    if (!found.ok) return found;
    const lines = found.value;
    const came = sumOf(lines, (line) => line.amount);
    if (payout.currency !== lines[0]?.currency)
      return tieAtItsRate(ctx, {
        payout,
        lines,
        came,
        withDifference: input.difference !== null,
      });
    const off = add(came, -payout.net);
    if (off === 0) return ok({ actId: tie(ctx, payout, lines, "by hand") });
    return tieWithDifference(ctx, { payout, lines, off, came }, input.difference);
  },
});

/** Bank lines that are open, of one account, in the payout's or the book's currency. */
function linesToTie(
  ctx: CommandContext,
  payout: PayoutRow,
  ids: readonly number[],
): Result<BankLineRow[]> {
  const lines: BankLineRow[] = [];
  for (const id of new Set(ids)) {
    const line = bankLineById(ctx.db, id);
    if (!line) return fail("line.unknown");
    const [first = line] = lines;
    const currencies = [payout.currency, ctx.settings.currency];
    if (
      line.state !== "open" ||
      !currencies.includes(line.currency) ||
      first.bankAccountId !== line.bankAccountId
    )
      return fail("payout.line");
    lines.push(line);
  }
  return ok(lines);
}

type OffPayout = {
  payout: PayoutRow;
  lines: readonly BankLineRow[];
  off: Minor;
  came: Minor;
};
type Difference = z.output<typeof difference>;

/** The difference is booked as what the clerk says it is: items moved, a fee, or parked. */
function tieWithDifference(
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

/** The bank's rate for a payout lies this near the day's, in percent. */
const RATE_APART = 7;
type TieAsked = {
  payout: PayoutRow;
  lines: readonly BankLineRow[];
  came: Minor;
  withDifference: boolean;
};

/**
 * A payout that reached the bank in the book's currency: what came is what it is worth, as long as
 * the rate is one of this world.
 */
function tieAtItsRate(
  ctx: CommandContext,
  { payout, lines, came, withDifference }: TieAsked,
): Result<{ actId: number }> {
  const { currency } = ctx.settings;
  const day = rateOn(ctx.db, payout.currency, payout.paidOn);
  const expected = day ? inCurrency(payout.net, payout.currency, currency, day.rate) : null;
  if (
    withDifference ||
    payout.net === 0 ||
    (payout.statedNet !== null && payout.statedNet !== payout.net)
  )
    return fail("payout.other_currency");
  if (expected === null || Math.abs(came - expected) * 100 > Math.abs(expected) * RATE_APART)
    return fail("payout.rate", {
      currency: payout.currency,
      own: ownRate(came, currency, payout.net, payout.currency),
      rate: day?.rate ?? "none",
    });
  return ok({
    actId: tie(
      ctx,
      payout,
      lines,
      `${ctx.sum(payout.net, payout.currency)} at ${ownRate(came, currency, payout.net, payout.currency)}`,
    ),
  });
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
  const id = insertProcessorItem(ctx.db, {
    processorAccountId: payout.processorAccountId,
    externalId: `${payout.externalId} off ${actId}`,
    kind,
    occurredOn: on,
    settledOn: on,
    currency: payout.currency,
    amount: off,
    payoutId: payout.id,
    receiptId: null,
    relatedId: null,
    origin: "explained",
    reason: as.as === "park" ? as.reason : `missing ${as.kind} fee`,
    settledState: null,
    fileId: null,
    lineNo: null,
  });
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

/** A payout and its bank lines are open again; a difference booked with the tie goes with it. */
export const untiePayout: Reversal = (ctx, act, by) => {
  for (const tie of tiesOfAct(ctx.db, act.id)) {
    setBankLineState(ctx.db, { id: tie.bankLineId, state: "open" });
    setPayoutState(ctx.db, tie.payoutId, "open");
  }
  endTies(ctx.db, act.id, by);
  // A difference that was booked with the tie goes with it.
  const explained = entriesOfAct(ctx.db, act.id)
    .filter((entry) => entry.documentKind === "processor_item")
    .map((entry) => entry.documentId);
  for (const id of explained) withdrawExplained(ctx.db, id);
  for (const id of new Set([...moveBack(ctx.db, act.id), act.subjectId])) refreshNet(ctx.db, id);
  return ok(null);
};
