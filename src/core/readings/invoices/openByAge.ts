import { headWords } from "@/core/formats";
import { formatAmount, type Minor, sumOf } from "@/core/money";

import { type Reading, sumOfCell, sumUnderHead } from "../canonical";
import type { Cells, Row } from "../cells";
import type { Question } from "../types";

/** Heads of columns that hold what is open by how late it is (common practice, no source). */
const AGE =
  /^(?:current|not due|not yet due|(?:\d+ )?(?:to |bis |a )?\d+(?: days?| tage?| jours?| dias?)?(?: and over| or more| plus| past due| overdue)?|(?:over|above|past|more than|older than|uber|plus de|mas de) \d+(?: days?| tage?| jours?| dias?)?|older)$/;
/** So many make an aging of a list. */
const ENOUGH = 3;

const known = new WeakMap<Cells, readonly string[]>();

/** The heads of columns of a list of invoices that hold what is open by its age; none where it is no aging. */
export function ages(cells: Cells): readonly string[] {
  const before = known.get(cells);
  if (before) return before;
  const found = cells.has("balance") ? [] : agesOf(cells);
  known.set(cells, found);
  return found;
}

function agesOf(cells: Cells): readonly string[] {
  const heads = cells.unread().flatMap(({ head }) => (AGE.test(headWords(head)) ? [head] : []));
  return cells.file.kind === "invoices" && heads.length >= ENOUGH ? heads : [];
}

/** What is open by its ages beside a column of what is open, where the two are not the same. */
export function agesQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const heads = cells.has("balance") && cells.file.answers.ages === undefined ? agesOf(cells) : [];
  if (heads.length === 0) return [];
  const found = rows.flatMap((row) => {
    const parts = heads.flatMap((head) => sumUnderHead(reading, row, head) ?? []);
    const open = sumOfCell(reading, row, "balance");
    const come = sumOf(parts, (sum) => sum);
    return parts.length === 0 || open === null || come === open ? [] : [{ row, open, come }];
  });
  const [first] = found;
  // Columns that are never what is open are of something else.
  if (!first || found.length === rows.length) return [];
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(first.row));
  return [
    {
      key: "ages",
      words: `What is open of line ${first.row.line} is ${shown(first.open)} under “${cells.head("balance")}”, and its columns by age come to ${shown(first.come)}.`,
      choices: [{ answer: "take", result: "take the lines in as they stand" }],
    },
  ];
}

/** What is open of an invoice by the columns of its ages; null where none holds anything. */
export function openByAge(reading: Reading, row: Row): Minor | null {
  const sums = ages(reading.cells).map((head) => sumUnderHead(reading, row, head));
  const filled = sums.filter((sum): sum is Minor => sum !== null);
  return filled.length === 0 ? null : sumOf(filled, (sum) => sum);
}
