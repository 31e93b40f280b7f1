import { compact, lookalike } from "./patterns";

/** What may stand before the last digits of a number: `INV-`, `HQ/26/`, `2026-`. */
export const STEM = String.raw`(?:[A-Z0-9]{1,6}[-/.]){0,3}[A-Z]{0,5}`;

export const RANGE = new RegExp(
  String.raw`(?<![A-Z\d.,/-])(${STEM}\d{3,12}) ?(?:-|–|TO|THRU|THROUGH|BIS|AL|AU|A) ?(?:${STEM})(\d{2,12})(?![\d/]|[.,]\d)`,
  "g",
);

export const PART = new RegExp(String.raw`${STEM}\d{2,12}[A-Z]?`, "g");

export const LIST = new RegExp(
  String.raw`(?<![A-Z\d.,/-])(${STEM}\d{4,12}[A-Z]?)((?: ?[,/+&;] ?${STEM}\d{2,12}[A-Z]?){1,30})(?![.,]?\d)`,
  "g",
);

export const GROUPS =
  /(?<![\dA-Z.,-])[A-Z]{0,4}(?:[/-]?\d{1,4})(?: ?[-/._ ] ?\d{1,6}[A-Z]?){1,4}(?![\dA-Z]|[.,]\d)/g;

/** A number whose digits a scanner took for letters, behind the letters that it begins with. */
export function digitsSeen(text: string): string {
  const letters = compact(text);
  return letters.slice(0, 1).replace(/[OIZSB]/g, lookalike) + lookalike(letters.slice(1));
}
