import { z } from "zod";

import { ok, type Result } from "@/core/result";
import { defineCommand } from "@/server/runtime/command";

import type { Returned } from "../steps/returnedLetter";
import { returned, returnedMailSchema } from "../steps/returnedMails";

/**
 * Takes in what the mail system reported of letters that did not arrive, as it
 * was read from its mails. Taking in the same mail again changes nothing.
 */
export const takeReturnedMail = defineCommand({
  name: "takeReturnedMail",
  schema: z.object({ reports: z.array(returnedMailSchema).min(1).max(500) }),
  run(ctx, input): Result<{ returned: Returned[] }> {
    return ok({
      returned: input.reports.map((report) => returned(ctx, report)),
    });
  },
});
