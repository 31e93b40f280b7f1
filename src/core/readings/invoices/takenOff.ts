import type { Minor } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import type { Row } from "../cells";

/** The debit of a line that a credit beside it lowers: it was made out for that, and is open with less. */
export function chargedIn(reading: Reading, row: Row): Minor | null {
  const debit = sumOfCell(reading, row, "debit");
  return debit !== null && debit !== 0 && sumOfCell(reading, row, "total") === null ? debit : null;
}

/** What was paid or credited, in columns of their own, by size. */
export function takenOff(reading: Reading, row: Row): number {
  const fields = chargedIn(reading, row) === null ? [] : ["credit"];
  const named = ["paid", "credited", ...fields].map((field) => sumOfCell(reading, row, field));
  const extra = headsUsedAs(reading, "paid").map((head) => sumUnderHead(reading, row, head));
  return [...named, ...extra].reduce((total: number, sum) => total + Math.abs(sum ?? 0), 0);
}
