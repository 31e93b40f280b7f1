import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";

const MOST_DETAILS = 12;

/**
 * Keeps where money goes, in words, under a name, or (without words) drops it; papers that are
 * approved keep what they said. Account numbers are masked by the gate before this is reached.
 */
export const setBankDetails = defineCommand({
  name: "setBankDetails",
  schema: z.object({
    name: z.string().trim().min(1, "Bank details have a name.").max(40),
    words: z.string().trim().max(500),
  }),
  run(ctx, { name, words }): Result<null> {
    const { bankDetails, looks } = ctx.settings;
    const others = bankDetails.filter((known) => known.name !== name);
    const isUsed = looks.find(({ bank }) => bank === name);
    if (words === "" && isUsed) return fail("look.bank_used", { look: isUsed.name });
    if (words !== "" && others.length >= MOST_DETAILS)
      return fail("look.bank_many", { most: MOST_DETAILS });
    const kept = words === "" ? others : [...others, { name, words }];
    writeSettings(ctx.db, {
      bankDetails: kept.toSorted((a, b) => a.name.localeCompare(b.name)),
    });
    const done = words === "" ? "dropped" : "kept";
    ctx.act("settings", { kind: "book", id: 0 }, `bank details ${name} ${done}`);
    return ok(null);
  },
});
