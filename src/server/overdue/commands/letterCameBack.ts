import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { letterById } from "@/db/letters";
import { addressesOf } from "@/server/output/delivery";
import { defineCommand } from "@/server/runtime/command";

import { noteBack } from "../steps/returnedLetter";

/** Notes by hand that a letter came back, so that none goes to its addresses any more. */
export const letterCameBack = defineCommand({
  name: "letterCameBack",
  schema: z.object({
    letterId: z.number().int(),
    why: z.string().trim().min(3, "Say what came back, in a few words.").max(200),
  }),
  run(ctx, input): Result<null> {
    const letter = letterById(ctx.db, input.letterId);
    if (!letter) return fail("letter.unknown");
    for (const address of addressesOf(letter)) noteBack(ctx, letter, address, input.why);
    return ok(null);
  },
});
