import { add, type Minor } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import type { Row } from "../cells";

/**
 * What was charged on a line: the sum of its column, or of the one that was said to be that instead,
 * with what was paid on top of it.
 */
export function chargedOf(reading: Reading, row: Row): Minor | null {
  const [instead] = headsUsedAs(reading, "charged");
  const said = instead === undefined ? null : sumUnderHead(reading, row, instead);
  const gross = said ?? sumOfCell(reading, row, "gross");
  const more = headsUsedAs(reading, "on_top").map((head) => sumUnderHead(reading, row, head));
  const onTop = [sumOfCell(reading, row, "onTop"), ...more];
  return onTop.reduce<Minor | null>(
    (all, sum) => (all === null || sum === null ? all : add(all, sum)),
    gross,
  );
}
