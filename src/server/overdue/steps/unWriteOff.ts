import { type Currency, minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import type { ActRow } from "@/db/acts";
import { familyOf } from "@/db/customers";
import { changeBalance } from "@/db/openItems";
import { decideWriteOffRow, overRecovered, writeOffOfAct } from "@/db/writeOffs";
import type { CommandContext } from "@/server/runtime/context";

/** A debt written off is owed again; to give it up once more, it is asked for anew. */
export function unWriteOff(ctx: CommandContext, act: ActRow): Result<unknown> {
  const row = writeOffOfAct(ctx.db, act.id);
  if (row?.state !== "posted") return fail("approval.unknown");
  changeBalance(ctx.db, row.itemId, row.sum);
  decideWriteOffRow(ctx.db, row.id, {
    state: "undone",
    by: row.decidedBy,
    why: row.decidedWhy,
    tax: minor(0),
    postedAct: null,
  });
  return notRecovered(ctx, row.customerId, row.currency) ?? ok(null);
}

/** A write-off that waits is asked for no more. */
export function withdrawWriteOff(ctx: CommandContext, act: ActRow): Result<unknown> {
  const row = writeOffOfAct(ctx.db, act.id);
  if (row?.state !== "waiting") return fail("approval.unknown");
  decideWriteOffRow(ctx.db, row.id, {
    state: "withdrawn",
    by: ctx.who.actor,
    why: null,
    tax: minor(0),
    postedAct: null,
  });
  return ok(null);
}

/**
 * Why a write-off cannot be taken back: more was paid for the customer's debts written off than
 * would be left of them.
 */
export function notRecovered(
  ctx: CommandContext,
  customerId: number | null,
  currency: Currency,
): Result<never> | null {
  if (customerId === null) return null;
  const over = overRecovered(
    ctx.db,
    familyOf(ctx.db, customerId).map(({ id }) => id),
    currency,
  );
  return over > 0
    ? fail("act.rests", { what: `a payment of ${ctx.sum(over, currency)} for that debt` })
    : null;
}
