import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { letterById, setDelivery } from "@/db/letters";
import { defineCommand } from "@/server/runtime/command";

/**
 * Says what became of a letter that was perhaps sent, as a person found out: it arrived, or it did
 * not and goes again. Nothing else sends it a second time.
 */
export const settleLetter = defineCommand({
  name: "settleLetter",
  schema: z.object({ letterId: z.number().int(), arrived: z.boolean() }),
  run(ctx, { letterId, arrived }): Result<null> {
    const letter = letterById(ctx.db, letterId);
    if (!letter) return fail("letter.unknown");
    if (letter.delivery !== "perhaps sent") return fail("letter.settled");
    setDelivery(ctx.db, letterId, arrived ? "sent" : "queued");
    const { customerId, toAddress } = letter;
    ctx.act(
      "settings",
      { kind: "customer", id: customerId, customerId },
      arrived
        ? `the letter to ${toAddress} arrived, as somebody found out`
        : `the letter to ${toAddress} did not arrive and goes again`,
    );
    return ok(null);
  },
});
