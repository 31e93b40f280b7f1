import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { create, type Font } from "fontkit";

import type { PaperLook } from "@/core/invoices";

import { unpackedFont } from "./sfnt";

type Letters = PaperLook["letters"];
export type Weight = 400 | 600;
/** A file of letters: a family, and which of its letters. */
export type FontPart = `${"figtree" | "source-serif-4"}-${string}`;

const SERIF = ["latin", "latin-ext", "vietnamese", "cyrillic", "cyrillic-ext", "greek"].map(
  (subset): FontPart => `source-serif-4-${subset}`,
);
/** Where a letter is looked for, in this order: the look's own family, then what only the other has. */
const PARTS: Readonly<Record<Letters, readonly [FontPart, ...FontPart[]]>> = {
  plain: ["figtree-latin", "figtree-latin-ext", ...SERIF],
  serif: ["source-serif-4-latin", ...SERIF.slice(1), "figtree-latin", "figtree-latin-ext"],
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
  const before = fonts.get(path);
  if (before) return before;
  const bytes = unpackedFont(readFileSync(packages().resolve(path)));
  fonts.set(path, bytes);
  return bytes;
}

const known = new Map<FontPart, ReadonlySet<number>>();

/** Which letters a file has: by the file itself, as what its package says of it is more than there is. */
function lettersOf(part: FontPart): ReadonlySet<number> {
  const before = known.get(part);
  if (before) return before;
  const font = create(paperFont(part, 400)) as Font;
  const letters = new Set(font.characterSet);
  known.set(part, letters);
  return letters;
}

const has = (part: FontPart, letter: string): boolean =>
  lettersOf(part).has(letter.codePointAt(0) ?? 0);

/** A piece of a text whose letters are all in one file. */
export type Run = { text: string; part: FontPart };

/**
 * A text cut where its letters change from one file to another. Spaces of any width are spaces,
 * signs that only steer a text are left out, and a letter that no file has is written without its
 * accent, else as a question mark.
 */
export function runsOf(text: string, letters: Letters): Run[] {
  const parts = PARTS[letters];
  const runs: Run[] = [];
  for (const letter of text.normalize("NFC")) {
    const [written, part] = letter === "\n" ? [letter, parts[0]] : writtenIn(parts, letter);
    const last = runs.at(-1);
    if (last?.part === part) last.text += written;
    else if (written !== "") runs.push({ text: written, part });
  }
  return runs.length === 0 ? [{ text: "", part: parts[0] }] : runs;
}

type Parts = (typeof PARTS)[Letters];

function writtenIn(parts: Parts, letter: string): [string, FontPart] {
  if (/\p{C}/u.test(letter)) return ["", parts[0]];
  if (/\p{Zs}/u.test(letter)) return [letter === "\u00a0" ? letter : " ", parts[0]];
  const part = parts.find((each) => has(each, letter));
  if (part) return [letter, part];
  if (/\p{Pd}/u.test(letter)) return ["-", parts[0]];
  const plain = letter.normalize("NFD").charAt(0);
  const plainPart = parts.find((each) => has(each, plain));
  return plainPart ? [plain, plainPart] : ["?", parts[0]];
}

/** Whether a text stands on paper as it is written; else how it does. */
export function asPrinted(text: string): string {
  return runsOf(text, "plain")
    .map((run) => run.text)
    .join("");
}

/** The file that holds most of a look's letters. */
export const mainPart = (letters: Letters): FontPart => PARTS[letters][0];
