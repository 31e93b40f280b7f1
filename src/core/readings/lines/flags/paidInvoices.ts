import type { Cells, Row } from "../../cells";
import { sureStanding } from "../../invoices/documentWords";
import { isGivenUp } from "./flagWords";

/** Whether a column of what was paid says another sum than the total. */
export function isPaidInPart(cells: Cells, row: Row): boolean {
  const paid = cells.of(row, "paid");
  return /[1-9]/.test(paid) && paid !== cells.of(row, "total");
}

/** An invoice that another column says is paid or given up, where nothing says what of it is open. */
export const isGone = (cells: Cells, cell: string, row: Row): boolean =>
  isGivenUp(cell) ||
  (sureStanding(cell) === "paid" && cells.of(row, "balance") === "" && !isPaidInFull(cells, row));

/** Whether a column of what was paid says the whole total: then nothing is open of it anyway. */
const isPaidInFull = (cells: Cells, row: Row): boolean =>
  cells.of(row, "paid") !== "" && cells.of(row, "paid") === cells.of(row, "total");
