import { add, type Minor, negate, sumOf } from "@/core/money";
import { type AskedSum, askedSum, isWithin, type PaidPart, type SettledPart } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { OpenItemRow } from "@/db/openItems";
import { payLinkById } from "@/db/payLinks";
import { beingPaid } from "@/db/payments";
import type { PayMethodRow } from "@/db/payMethods";
import type { CommandContext } from "@/server/runtime/context";

import { sumLimitsFor, sumRulesFor } from "./sumRules";

const NO_RULES = { surchargePercent: null, savingPercent: null };

type Asking = {
  readonly by: "link" | "agreed" | "clerk";
  /** The link by which it is paid; null for the page of the account. */
  readonly linkId: number | null;
  /** The part of a plan that it pays: its sum was agreed to as it is. */
  readonly planPartId: number | null;
  /** The sum that was shown before; undefined where nobody was shown one. */
  readonly sum?: Minor | undefined;
  readonly parts: readonly PaidPart[];
};

/**
 * The sum that is taken for some items, if it may be: a customer pays invoices whole, or a sum
 * between the limits of its link or the book, and never another than it was shown.
 */
export function askedOf(
  ctx: CommandContext,
  asking: Asking,
  { method, items }: { method: Pick<PayMethodRow, "way">; items: readonly OpenItemRow[] },
): Result<AskedSum> {
  const open = items.map(({ id, balance }) => add(balance, negate(beingPaid(ctx.db, id))));
  const parts = asking.parts.map((part, at): SettledPart => ({
    ...part,
    isWhole: part.amount === open[at],
  }));
  const problem = asking.by === "link" ? sumProblem(ctx, asking, { parts, open }) : null;
  if (problem) return problem;
  const rules = asking.planPartId === null ? sumRulesFor(ctx.settings, asking.by) : NO_RULES;
  const asked = askedSum(parts, method.way, rules);
  return asking.sum === undefined || asking.sum === asked.sum ? ok(asked) : fail("pay.sum");
}

function sumProblem(
  ctx: CommandContext,
  { linkId }: Asking,
  { parts, open }: { parts: readonly SettledPart[]; open: readonly Minor[] },
): Result<never> | null {
  const link = linkId === null ? null : payLinkById(ctx.db, linkId);
  const limits = sumLimitsFor(ctx.settings, link);
  if (limits === null) return parts.every(({ isWhole }) => isWhole) ? null : fail("pay.whole");
  const settled = sumOf(parts, ({ amount }) => amount);
  const all = sumOf(open, (sum) => sum);
  return isWithin(settled, limits, all) ? null : fail("pay.limits");
}
