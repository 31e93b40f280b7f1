import { headWords } from "@/core/formats";
import { type Minor, sumOf } from "@/core/money";

import { type Reading, sumUnderHead } from "../canonical";
import type { Cells, Row } from "../cells";

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
  const heads = cells.unread().flatMap(({ head }) => (AGE.test(headWords(head)) ? [head] : []));
  const isAging = cells.file.kind === "invoices" && heads.length >= ENOUGH && !cells.has("balance");
  const found = isAging ? heads : [];
  known.set(cells, found);
  return found;
}

/** What is open of an invoice by the columns of its ages; null where none holds anything. */
export function openByAge(reading: Reading, row: Row): Minor | null {
  const sums = ages(reading.cells).map((head) => sumUnderHead(reading, row, head));
  const filled = sums.filter((sum): sum is Minor => sum !== null);
  return filled.length === 0 ? null : sumOf(filled, (sum) => sum);
}
