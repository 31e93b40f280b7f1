import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";

import type { PaperLook } from "@/core/invoices";

import { unpackedFont } from "./sfnt";

const FAMILIES = {
  plain: "@fontsource/figtree/files/figtree-latin",
  serif: "@fontsource/source-serif-4/files/source-serif-4-latin",
} as const satisfies Record<PaperLook["letters"], string>;

const fonts = new Map<string, Buffer>();

/** The application's own letters, by family and weight, as printers of pages want them. */
export function paperFont(family: PaperLook["letters"], weight: 400 | 600): Buffer {
  const path = `${FAMILIES[family]}-${weight}-normal.woff`;
  const known = fonts.get(path);
  if (known) return known;
  const require = createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
  const bytes = unpackedFont(readFileSync(require.resolve(path)));
  fonts.set(path, bytes);
  return bytes;
}
