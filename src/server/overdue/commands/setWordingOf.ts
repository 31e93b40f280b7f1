import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { ladders } from "@/db/ladders";
import { setWording } from "@/db/letterTexts";
import { defineCommand } from "@/server/runtime/command";

import { readsWell } from "../letterTexts";
import { which } from "../steps/letterTextKey";

/**
 * Keeps the book's own words for a tone in a language, for one ladder or (0) for all; only words
 * that can be filled in for every kind of letter.
 */
export const setWordingOf = defineCommand({
  name: "setWordingOf",
  schema: z.object({
    ...which,
    subject: z.string().trim().min(1, "The letter needs a subject.").max(300),
    body: z.string().trim().min(1, "The letter has no words.").max(20_000),
  }),
  run(ctx, input): Result<null> {
    if (input.ladderId !== 0 && !ladders(ctx.db).some(({ id }) => id === input.ladderId))
      return fail("ladder.unknown");
    const body = `${input.body}\n`;
    const well = readsWell({ subject: input.subject, body });
    if (!well.ok) return well;
    setWording(ctx.db, { ...input, body });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `own words for letters of tone ${input.tone} in ${input.language} kept`,
    );
    return ok(null);
  },
});
