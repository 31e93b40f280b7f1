import { z } from "zod";

import { add, inCurrency, type Minor, ownRate, sumOf } from "@/core/money";
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
import { moveBack } from "@/db/processor";
import { withdrawExplained } from "@/db/withdrawn";
import { rateOn } from "@/db/rates";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

import { tie } from "../steps/tie";
import { difference, tieWithDifference } from "../steps/tieDifference";

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
