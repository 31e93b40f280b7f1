/** Letters of one cell of a file, and of one field that is typed. */
export const MOST_IN_CELL = 2000;
export const MOST_IN_FIELD = 20_000;

/**
 * Characters that are no text: controls but for line breaks and tabs (Unicode Cc), those that turn
 * the direction of what follows (Bidi_Control, UAX #9), halves of a pair, and the byte order mark.
 */
const NO_TEXT =
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069\uD800-\uDFFF\uFEFF]/u;

const ALL_NO_TEXT = new RegExp(NO_TEXT, "gu");

/** A text from outside without what is no text, no longer than `most`. */
export const textOnly = (text: string, most: number): string =>
  text.slice(0, most).replace(ALL_NO_TEXT, "");

export type TextProblem = "text.control" | "text.long";

/** What keeps a text out of a book; null where nothing does. */
export function textProblem(text: string, most: number = MOST_IN_FIELD): TextProblem | null {
  if (text.length > most) return "text.long";
  return NO_TEXT.test(text) ? "text.control" : null;
}
