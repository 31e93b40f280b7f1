import { plainWords } from "@/core/formats";

import type { Cells } from "../cells";
import { sumFields } from "./sumFields";

const THOUSANDS = /\b(thousands?|000s|tsd|teur|keur|kusd|millions?|mio)\b/;
/** Three noughts that stand for those left out: `($000)`, `'000`. */
const NOUGHTS = /(?<![\d.,])[($€£'’]{1,2}0{3}s?(?![\d.,])/;
/** Lines that a unit is looked for in. */
const MOST_LOOKED_AT = 50;
/** A unit is a word or two; a text of more is of something else. */
const LONGEST = 30;

/** What says that sums are in thousands: a head, a line above it, a column of units; undefined where nothing does. */
export function saysThousands(cells: Cells): string | undefined {
  const { above = [], rows } = cells.file.table;
  const is = (text: string): boolean => THOUSANDS.test(plainWords(text)) || NOUGHTS.test(text);
  const heads = sumFields(cells).map((field) => cells.head(field));
  const units = cells.unread().flatMap(({ at }) => {
    const looked = rows.slice(0, MOST_LOOKED_AT).map((row) => (row.cells[at] ?? "").trim());
    const filled = looked.filter((cell) => cell !== "");
    return filled.length > 0 && filled.every((cell) => cell.length <= LONGEST && is(cell))
      ? filled.slice(0, 1)
      : [];
  });
  return [...heads, ...above, ...units].find(is);
}
