import { z } from "zod";

import { mailboxSchema } from "@/contracts/settings";
import { ok, type Result } from "@/core/result";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";

import { keepPassword } from "../keepPassword";

/**
 * Says which mailbox is read, and who may send files to it; null: none. The password is kept outside
 * the book and never shown again: left out, it stays; empty, it goes.
 */
export const changeMailbox = defineCommand({
  name: "changeMailbox",
  schema: z.object({
    mailbox: mailboxSchema.nullable(),
    secret: z.string().max(500).optional(),
  }),
  run(ctx, { mailbox, secret }): Result<null> {
    writeSettings(ctx.db, { mailbox });
    keepPassword(ctx, "mailbox", { secret, isGone: mailbox === null });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      mailbox === null
        ? "no mailbox is read"
        : `the mailbox of ${mailbox.user} at ${mailbox.host} is read; files may come from ${mailbox.from.join(", ") || "nobody"}`,
    );
    return ok(null);
  },
});
