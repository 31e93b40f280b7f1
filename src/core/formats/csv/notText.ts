/** What a file is that is no text, where its bytes say so. */
export type NotText =
  | "file.binary"
  | "file.picture"
  | "file.pdf"
  | "file.backup"
  | "file.zip"
  | "file.packed"
  | "file.program"
  | "file.old_sheet";

const HEX = /^(?:[\da-f]{2} ?)+$/;
const asLetters = (text: string): string =>
  HEX.test(text)
    ? String.fromCharCode(...text.split(" ").map((byte) => Number.parseInt(byte, 16)))
    : text;

/** Bytes by which files are known, and from where they stand (PRONOM, as published; from memory). */
const KNOWN: readonly (readonly [NotText, from: number, letters: string])[] = (
  [
    ["file.picture", 0, "89 50 4e 47"],
    ["file.picture", 0, "ff d8 ff"],
    ["file.picture", 0, "GIF8"],
    ["file.picture", 0, "49 49 2a 00"],
    ["file.picture", 0, "4d 4d 00 2a"],
    ["file.picture", 4, "ftypheic"],
    ["file.picture", 4, "ftypmif1"],
    ["file.picture", 4, "ftypavif"],
    ["file.picture", 8, "WEBP"],
    ["file.pdf", 0, "%PDF"],
    ["file.backup", 0, "SQLite format 3"],
    ["file.backup", 4, "Standard Jet DB"],
    ["file.backup", 0, "PAR1"],
    ["file.backup", 0, "1f 8b"],
    ["file.packed", 0, "37 7a bc af 27 1c"],
    ["file.packed", 0, "Rar!"],
    ["file.zip", 0, "50 4b 03 04"],
    ["file.old_sheet", 0, "d0 cf 11 e0"],
  ] as const
).map(([what, from, letters]) => [what, from, asLetters(letters)]);

/** Two letters alone may begin a list too: they count where empty bytes follow, as in no text. */
const SHORT: readonly (readonly [NotText, letters: string])[] = [
  ["file.picture", "BM"],
  ["file.program", "MZ"],
];

/** Why bytes are no text that could be a list; null where nothing says so. */
export function notText(bytes: Uint8Array): NotText | null {
  const head = String.fromCharCode(...bytes.subarray(0, 64));
  const [what] = KNOWN.find(([, from, letters]) => head.startsWith(letters, from)) ?? [];
  if (what !== undefined) return what;
  const [short] = SHORT.find(([, letters]) => head.startsWith(letters)) ?? [];
  return short !== undefined && head.includes("\0") ? short : null;
}
