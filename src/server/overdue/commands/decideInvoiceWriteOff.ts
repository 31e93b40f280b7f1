import { z } from "zod";

import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { openItemById } from "@/db/openItems";
import { decideWriteOffRow, writeOffById } from "@/db/writeOffs";
import { defineCommand } from "@/server/runtime/command";

import { post } from "../steps/postWriteOff";

/** The second person agrees (then it is posted) or refuses (then the invoice stays open). */
export const decideInvoiceWriteOff = defineCommand({
  name: "decideInvoiceWriteOff",
  schema: z.object({
    writeOffId: z.number().int(),
    approve: z.boolean(),
    why: z.string().trim().max(200).default(""),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const asked = writeOffById(ctx.db, input.writeOffId);
    if (!asked || asked.state !== "waiting") return fail("approval.unknown");
    if (asked.askedBy === ctx.who.actor)
      return fail("approval.same_person", { person: asked.askedBy });
    const about = { kind: "open_item" as const, id: asked.itemId, customerId: asked.customerId };
    const words = `${ctx.sum(asked.sum, asked.currency)} of ${asked.number}`;
    if (!input.approve) {
      decideWriteOffRow(ctx.db, asked.id, {
        state: "refused",
        by: ctx.who.actor,
        why: input.why || null,
        tax: minor(0),
        postedAct: null,
      });
      return ok({
        actId: ctx.act(
          "decide",
          about,
          `write-off of ${words} refused${input.why ? `: ${input.why}` : ""}`,
        ),
      });
    }
    const item = openItemById(ctx.db, asked.itemId);
    if (!item || item.balance < asked.sum)
      return fail("tally.item", {
        number: asked.number,
        balance: ctx.sum(item?.balance ?? 0, asked.currency),
        wanted: ctx.sum(asked.sum, asked.currency),
      });
    const actId = ctx.act(
      "write_off",
      about,
      `${words} written off, asked by ${asked.askedBy}: ${asked.why}`,
    );
    post(ctx, { id: asked.id, actId, by: ctx.who.actor, why: input.why || null });
    return ok({ actId });
  },
});
