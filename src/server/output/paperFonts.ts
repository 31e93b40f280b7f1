import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";

import type { PaperLook } from "@/core/invoices";

import { unpackedFont } from "./sfnt";

type Letters = PaperLook["letters"];
export type Weight = 400 | 600;
/** A file of letters: a family, and which of its letters. */
export type FontPart = `${"figtree" | "source-serif-4"}-${string}`;

const OTHERS = ["vietnamese", "cyrillic", "cyrillic-ext", "greek"].map(
  (subset) => `source-serif-4-${subset}` as const,
);
/** Where a letter is looked for, in this order: the look's own family, then what only the other has. */
const PARTS: Readonly<Record<Letters, readonly [FontPart, ...FontPart[]]>> = {
  plain: ["figtree-latin", "figtree-latin-ext", ...OTHERS],
  serif: ["source-serif-4-latin", "source-serif-4-latin-ext", ...OTHERS],
};
export const ALL_PARTS: readonly FontPart[] = [...new Set([...PARTS.plain, ...PARTS.serif])];

const packages = (): NodeJS.Require =>
  createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
const familyOf = (part: FontPart): string =>
  part.startsWith("figtree") ? "figtree" : "source-serif-4";

const fonts = new Map<string, Buffer>();

/** The application's own letters, as printers of pages want them. */
export function paperFont(part: FontPart, weight: Weight): Buffer {
  const path = `@fontsource/${familyOf(part)}/files/${part}-${weight}-normal.woff`;
  const known = fonts.get(path);
  if (known) return known;
  const bytes = unpackedFont(readFileSync(packages().resolve(path)));
  fonts.set(path, bytes);
  return bytes;
}

type Range = readonly [from: number, to: number];
const ranges = new Map<FontPart, readonly Range[]>();

/** Which letters a file has, as its package says. */
function rangesOf(part: FontPart): readonly Range[] {
  const known = ranges.get(part);
  if (known) return known;
  const family = familyOf(part);
  const path = packages().resolve(`@fontsource/${family}/unicode.json`);
  const said = JSON.parse(readFileSync(path, "utf8")) as Record<string, string>;
  const read = (said[part.slice(family.length + 1)] ?? "").split(",").map((text): Range => {
    const [from = "", to = from] = text.replace("U+", "").split("-");
    return [parseInt(from, 16), parseInt(to, 16)];
  });
  ranges.set(part, read);
  return read;
}

const has = (part: FontPart, letter: string): boolean => {
  const code = letter.codePointAt(0) ?? 0;
  return rangesOf(part).some(([from, to]) => code >= from && code <= to);
};

/** A piece of a text whose letters are all in one file. */
export type Run = { text: string; part: FontPart };

/**
 * A text cut where its letters change from one file to another. A letter that is in none is written
 * without its accent, else as a question mark. Controls but line breaks are left out.
 */
export function runsOf(text: string, letters: Letters): Run[] {
  const parts = PARTS[letters];
  const runs: Run[] = [];
  for (const letter of text.normalize("NFC")) {
    if (letter < " " && letter !== "\n") continue;
    const [written, part] = writtenIn(parts, letter);
    const last = runs.at(-1);
    if (last?.part === part) last.text += written;
    else runs.push({ text: written, part });
  }
  return runs.length === 0 ? [{ text: "", part: parts[0] }] : runs;
}

function writtenIn(parts: readonly [FontPart, ...FontPart[]], letter: string): [string, FontPart] {
  const part = parts.find((known) => has(known, letter));
  if (part) return [letter, part];
  const plain = letter.normalize("NFD").charAt(0);
  return [has(parts[0], plain) ? plain : "?", parts[0]];
}
