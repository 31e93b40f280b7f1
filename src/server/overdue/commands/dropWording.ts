import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { deleteWording } from "@/db/letterTexts";
import { defineCommand } from "@/server/runtime/command";

import { which } from "../steps/letterTextKey";

/** Goes back to the words that ship. */
export const dropWording = defineCommand({
  name: "dropWording",
  schema: z.object(which),
  run(ctx, input): Result<null> {
    if (!deleteWording(ctx.db, input.ladderId, input.tone, input.language))
      return fail("wording.none");
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `the words that ship are used again for tone ${input.tone} in ${input.language}`,
    );
    return ok(null);
  },
});
