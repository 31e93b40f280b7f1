import { type Currency, currencyOf } from "@/core/money";

import { type Cells, type Row, some } from "../cells";
import type { Question } from "../types";
import { currencyHeads } from "./currencyHeads";
import { sumFields } from "./sumFields";

type CurrencyColumn = {
  /** The currency that a row's cell names, where the column was said to hold that of the sums. */
  readonly of: (row: Row) => Currency | undefined;
  readonly questions: readonly Question[];
};

const NONE: CurrencyColumn = { of: () => undefined, questions: [] };

/**
 * A column that holds codes of currencies alone and whose name does not say that they are those of the
 * sums: what was sold, settled or owed elsewhere may be. Asked about where it names another than `own`.
 */
export function currencyColumn(cells: Cells, rows: readonly Row[], own: Currency): CurrencyColumn {
  const heads = currencyHeads(cells);
  // What every sum is in stands in its head.
  if (cells.has("currency") || (heads.length > 0 && heads.length === sumFields(cells).length))
    return NONE;
  const codes = cells.unread().filter(({ at }) => holdsCodes(rows, at));
  const said = codes.find(({ head }) => cells.file.answers[`column:${head}`] === "currency");
  if (said) return { of: (row) => currencyOf((row.cells[said.at] ?? "").trim()), questions: [] };
  return { of: NONE.of, questions: codes.flatMap((column) => question(cells, rows, column, own)) };
}

/** Whether every filled cell is a code, and some is. */
function holdsCodes(rows: readonly Row[], at: number): boolean {
  let isFilled = false;
  for (const { cells } of rows) {
    const cell = (cells[at] ?? "").trim();
    if (cell === "") continue;
    if (currencyOf(cell) === undefined) return false;
    isFilled = true;
  }
  return isFilled;
}

function question(
  cells: Cells,
  rows: readonly Row[],
  { head, at }: { head: string; at: number },
  own: Currency,
): Question[] {
  const named = rows.map((row) => (row.cells[at] ?? "").trim());
  const others = named.filter((cell) => cell !== "" && cell !== own);
  if (others.length === 0 || cells.file.answers[`column:${head}`] !== undefined) return [];
  return [
    {
      key: `column:${head}`,
      words: `“${head}” names ${some(others)}. Is that what the sums of each line are in?`,
      choices: [
        { answer: "currency", result: "yes: each sum is in the currency of its line" },
        { answer: "leave", result: `no: the sums are in ${own}` },
      ],
    },
  ];
}
