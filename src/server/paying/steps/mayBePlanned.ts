import { fail, ok, type Result } from "@/core/result";
import { sitesOf } from "@/db/customers";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { beingPaid } from "@/db/payments";
import { isInPlan } from "@/db/payPlans";
import type { CommandContext } from "@/server/runtime/context";

/** The items that a plan would pay, if it may: the customer's, one currency, one of them overdue, none in a plan. */
export function mayBePlanned(
  ctx: CommandContext,
  customerId: number,
  itemIds: readonly number[],
): Result<OpenItemRow[]> {
  const own = new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)]);
  const items: OpenItemRow[] = [];
  for (const itemId of new Set(itemIds)) {
    const item = openItemById(ctx.db, itemId);
    if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
    if (items[0] && items[0].currency !== item.currency) return fail("pay.currencies");
    const isPaid = item.balance <= 0 || beingPaid(ctx.db, itemId) > 0;
    if (isPaid || isInPlan(ctx.db, itemId)) return fail("pay.paid", { number: item.number });
    items.push(item);
  }
  return items.some(({ dueOn }) => dueOn < ctx.today) ? ok(items) : fail("plan.not_late");
}
