import { z } from "zod";

import { type Minor, minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { openItemById, type OpenItemRow } from "@/db/openItems";
import { insertWriteOff, writeOffsOf } from "@/db/writeOffs";
import { isOver } from "@/server/match/steps/checkTally";
import { defineCommand } from "@/server/runtime/command";
import { type CommandContext } from "@/server/runtime/context";

import { post } from "../steps/postWriteOff";

/**
 * Gives up what is open of an invoice, or a part, without a payment. Within the
 * book's limit it is posted at once as a small difference; over it, it waits
 * for a second person and is a bad debt.
 */
export const writeOff = defineCommand({
  name: "writeOff",
  schema: z.object({
    itemId: z.number().int(),
    sum: z.number().int().positive().transform(minor),
    why: z.string().trim().min(3, "Say why it is written off, in a few words.").max(200),
  }),
  run(ctx, input): Result<{ actId: number; waits: boolean }> {
    const found = itemToGiveUp(ctx, input);
    if (!found.ok) return found;
    const item = found.value;
    const over = isOver(ctx, input.sum, item.currency, ctx.today);
    if (over && ctx.settings.people.length < 2) return fail("approval.people");
    const words = `${ctx.sum(input.sum, item.currency)} of ${item.number}`;
    const actId = ctx.act(
      over ? "ask" : "write_off",
      { kind: "open_item", id: item.id, customerId: item.customerId },
      over
        ? `a write-off of ${words} waits for a second person: ${input.why}`
        : `${words} written off: ${input.why}`,
    );
    const id = insertWriteOff(ctx.db, {
      itemId: item.id,
      sum: input.sum,
      kind: over ? "bad_debt" : "small",
      why: input.why,
      askedBy: ctx.who.actor,
      askedOn: ctx.today,
      actId,
    });
    if (!over) post(ctx, { id, actId, by: null, why: null });
    return ok({ actId, waits: over });
  },
});

function itemToGiveUp(
  ctx: CommandContext,
  { itemId, sum }: { itemId: number; sum: Minor },
): Result<OpenItemRow> {
  const item = openItemById(ctx.db, itemId);
  if (!item || item.balance <= 0)
    return fail("write_off.settled", { number: item?.number ?? "this invoice" });
  if (sum > item.balance)
    return fail("tally.item", {
      number: item.number,
      balance: ctx.sum(item.balance, item.currency),
      wanted: ctx.sum(sum, item.currency),
    });
  return writeOffsOf(ctx.db, item.id).some(({ state }) => state === "waiting")
    ? fail("write_off.waits", { number: item.number })
    : ok(item);
}
