import { z } from "zod";

import { inBook, postSetOff } from "@/core/ledger";
import { add, minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { creditUsesOfAct, endCreditUse, insertCreditUse } from "@/db/creditUses";
import { changeBalance, openItemById } from "@/db/openItems";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

type SetOff = { creditItemId: number; itemId: number; amount: number };

/** Sets a credit note off against an invoice of the same customer; the amount in minor units. */
export const setOff = defineCommand({
  name: "setOff",
  schema: z.object({
    creditItemId: z.number().int(),
    itemId: z.number().int(),
    amount: z.number().int().positive(),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const done = setOffItems(ctx, input);
    return done.ok ? ok({ actId: done.value }) : done;
  },
});

/** Both items come down by the amount; neither past nothing. */
export function setOffItems(
  ctx: CommandContext,
  { creditItemId, itemId, amount }: SetOff,
): Result<number> {
  const [creditNote, item] = [openItemById(ctx.db, creditItemId), openItemById(ctx.db, itemId)];
  if (creditNote?.kind !== "credit_note" || !item || item.kind === "credit_note")
    return fail("item.unknown");
  if (creditNote.customerId !== item.customerId || creditNote.currency !== item.currency)
    return fail("credit.other", { number: item.number });
  if (amount > item.balance || amount > -creditNote.balance)
    return fail("credit.over", { number: item.number });
  const actId = ctx.act(
    "set_off",
    { kind: "open_item", id: item.id, customerId: item.customerId },
    `credit note ${creditNote.number} set off, ${ctx.sum(amount, item.currency)}`,
  );
  insertCreditUse(ctx.db, {
    creditItemId,
    openItemId: itemId,
    amount: minor(amount),
    onDay: ctx.today,
    actId,
  });
  changeBalance(ctx.db, creditItemId, amount);
  changeBalance(ctx.db, itemId, -amount);
  ctx.post(
    postSetOff({
      on: ctx.today,
      partyId: item.customerId,
      document: { kind: "open_item", id: itemId, text: `invoice ${item.number}` },
      creditItemId,
      itemId,
      sum: inBook(amount, item.currency),
    }),
    actId,
  );
  return ok(actId);
}

/** Both are open again by what was set off. */
export const unsetOff: Reversal = (ctx, act, by) => {
  for (const use of creditUsesOfAct(ctx.db, act.id)) {
    const items = [openItemById(ctx.db, use.creditItemId), openItemById(ctx.db, use.openItemId)];
    const [creditNote, item] = items;
    if (!creditNote || !item) return fail("item.unknown");
    if (add(item.balance, use.amount) > item.opened)
      return fail("act.rests", { what: item.number });
    endCreditUse(ctx.db, use.id, by);
    changeBalance(ctx.db, use.creditItemId, -use.amount);
    changeBalance(ctx.db, use.openItemId, use.amount);
  }
  return ok(null);
};
