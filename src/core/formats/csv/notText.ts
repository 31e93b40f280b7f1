/** What a file is that is no text, where its first bytes say so. */
export type NotText =
  "file.binary" | "file.picture" | "file.pdf" | "file.backup" | "file.zip" | "file.old_sheet";

/** The first bytes by which files are known (PRONOM, as published; from memory). */
const BEGINNINGS: readonly (readonly [NotText, readonly number[]])[] = [
  ["file.picture", [0x89, 0x50, 0x4e, 0x47]],
  ["file.picture", [0xff, 0xd8, 0xff]],
  ["file.picture", [0x47, 0x49, 0x46, 0x38]],
  ["file.picture", [0x49, 0x49, 0x2a, 0x00]],
  ["file.pdf", [0x25, 0x50, 0x44, 0x46]],
  ["file.backup", [..."SQLite format 3"].map((letter) => letter.charCodeAt(0))],
  ["file.backup", [0x1f, 0x8b]],
  ["file.zip", [0x50, 0x4b, 0x03, 0x04]],
  ["file.old_sheet", [0xd0, 0xcf, 0x11, 0xe0]],
];

/** Why bytes are no text that could be a list; null where nothing says so. */
export const notText = (bytes: Uint8Array): NotText | null =>
  BEGINNINGS.find(([, beginning]) => beginning.every((byte, at) => bytes[at] === byte))?.[0] ??
  null;
