import { z } from "zod";

import { mailServerSchema } from "@/contracts/settings";
import { ok, type Result } from "@/core/result";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";

import { keepPassword } from "../keepPassword";

/**
 * Says by which server letters leave; null: by none. The password is kept outside the book and never
 * shown again: left out, it stays; empty, it goes.
 */
export const changeMailServer = defineCommand({
  name: "changeMailServer",
  schema: z.object({
    server: mailServerSchema.nullable(),
    secret: z.string().max(500).optional(),
  }),
  run(ctx, { server, secret }): Result<null> {
    writeSettings(ctx.db, { mailServer: server });
    keepPassword(ctx, "mail", { secret, isGone: server === null });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      server === null
        ? "letters go to the outbox alone"
        : `letters leave by ${server.host}, port ${server.port}`,
    );
    return ok(null);
  },
});
