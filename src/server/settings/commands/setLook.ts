import { createHash } from "node:crypto";
import { z } from "zod";

import { lookInput } from "@/contracts/looks";
import { fail, ok, type Result } from "@/core/result";
import { insertLogo, logoOf } from "@/db/logos";
import { writeSettings } from "@/db/settings";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import { paperType } from "@/server/customers/steps/paperType";

const MOST_LOOKS = 12;
/** Bytes of a picture, and its letters in base64. */
const MOST_BYTES = 300_000;

/** Keeps a look of papers under its name, or (without facts) drops it; the first is the book's usual one. */
export const setLook = defineCommand({
  name: "setLook",
  schema: z.object({
    name: z.string().trim().max(40),
    look: lookInput.nullable(),
    /** A new picture in base64; it takes the place of the one before. */
    picture: z
      .string()
      .max(MOST_BYTES * 1.4)
      .nullable()
      .default(null),
  }),
  run(ctx, { name, look, picture }): Result<{ logo: string | null }> {
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
    const logo = picture === null ? ok(look.logo) : kept(ctx, picture);
    if (!logo.ok) return logo;
    if (logo.value !== null && logoOf(ctx.db, logo.value) === null)
      return fail("look.picture", { what: "not there any more" });
    const made = { ...look, logo: logo.value };
    writeSettings(ctx.db, {
      looks: at < 0 ? [...looks, made] : looks.map((known, index) => (index === at ? made : known)),
    });
    ctx.act("settings", { kind: "book", id: 0 }, `look of papers ${look.name} kept`);
    return ok({ logo: logo.value });
  },
});

function kept(ctx: CommandContext, picture: string): Result<string> {
  const bytes = Buffer.from(picture, "base64");
  if (bytes.length > MOST_BYTES) return fail("look.picture", { what: "over 300 kB" });
  const type = paperType(bytes, "The picture");
  if (!type.ok) return type;
  if (type.value === "application/pdf") return fail("look.picture", { what: "a PDF" });
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  insertLogo(ctx.db, sha256, { type: type.value, bytes });
  return ok(sha256);
}
