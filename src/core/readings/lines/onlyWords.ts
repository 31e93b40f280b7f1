import { isMarkedDay, writtenDay } from "../days/writtenDay";
import { writtenSum } from "../sums/sumCells";

/** The place of the only filled cell of a line, where it is words and no day and no sum; -1 else. */
export function onlyWords(cells: readonly string[]): number {
  const only = onlyCell(cells);
  const text = (cells[only] ?? "").trim();
  return writtenSum(text) === null && writtenDay(text) === null ? only : -1;
}

/** Whether a line is a day or a moment and nothing else: when a list was printed. */
export const isDayAlone = (cells: readonly string[]): boolean =>
  isMarkedDay((cells[onlyCell(cells)] ?? "").trim());

/** The place of the only filled cell of a line; -1 where there are more, or none. */
function onlyCell(cells: readonly string[]): number {
  let only = -1;
  for (const [at, cell] of cells.entries()) {
    if (cell.trim() === "") continue;
    if (only >= 0) return -1;
    only = at;
  }
  return only;
}
