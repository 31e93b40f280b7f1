import { existsSync, readFileSync } from "node:fs";
import { z } from "zod";

import { lookInput } from "@/contracts/looks";
import { fail, ok, type Result } from "@/core/result";
import { insertLogo, logoOf } from "@/db/logos";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import { keptFile } from "@/server/runtime/folders";
import { paperType } from "@/server/customers/steps/paperType";

const MOST_LOOKS = 12;
/** Bytes of a picture. */
const MOST_BYTES = 300_000;

/** Keeps a look of papers under its name, or (without facts) drops it; the first is the book's usual one. */
export const setLook = defineCommand({
  name: "setLook",
  schema: z.object({
    name: z.string().trim().max(40),
    /** Its picture lies under its hash already, in the book or among the kept files. */
    look: lookInput.nullable(),
  }),
  run(ctx, { name, look }): Result<{ logo: string | null }> {
    const { looks } = ctx.settings;
    const at = looks.findIndex((known) => known.name === name);
    if (look === null) {
      if (at < 0) return fail("look.unknown", { look: name });
      if (looks.length === 1) return fail("look.last");
      writeSettings(ctx.db, { looks: looks.filter((known) => known.name !== name) });
      ctx.act("settings", { kind: "book", id: 0 }, `look of papers ${name} dropped`);
      return ok({ logo: null });
    }
    if (at < 0 && looks.length >= MOST_LOOKS) return fail("look.many", { most: MOST_LOOKS });
    const kept = look.logo === null ? ok(null) : keepLogo(ctx, look.logo);
    if (!kept.ok) return kept;
    writeSettings(ctx.db, {
      looks: at < 0 ? [...looks, look] : looks.map((known, index) => (index === at ? look : known)),
    });
    ctx.act("settings", { kind: "book", id: 0 }, `look of papers ${look.name} kept`);
    return ok({ logo: look.logo });
  },
});

/** Takes a picture into the book, where it is not there yet. */
function keepLogo(ctx: CommandContext, sha256: string): Result<null> {
  if (logoOf(ctx.db, sha256) !== null) return ok(null);
  const path = keptFile(ctx.who.book, sha256);
  if (!existsSync(path)) return fail("look.picture", { what: "not there any more" });
  const bytes = readFileSync(path);
  if (bytes.length > MOST_BYTES) return fail("look.picture", { what: "over 300 kB" });
  const type = paperType(bytes, "The picture");
  if (!type.ok) return type;
  if (type.value === "application/pdf") return fail("look.picture", { what: "a PDF" });
  insertLogo(ctx.db, sha256, { type: type.value, bytes });
  return ok(null);
}
