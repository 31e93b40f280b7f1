import { z } from "zod";

import { LANGUAGES } from "@/core/followup";
import { fail, ok, type Result } from "@/core/result";
import { ladders } from "@/db/ladders";
import { deleteWording, setWording } from "@/db/wordings";

import { defineCommand } from "../command";
import { readsWell } from "../wordings";

const which = {
  ladderId: z.number().int().min(0),
  tone: z.number().int().min(1).max(4),
  language: z.enum(LANGUAGES),
};

/** Keeps the book's own words for a tone in a language, for one ladder or (0) for all; only words that can be filled in for every kind of letter. */
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
