import type { Minor } from "@/core/money";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { sumUnder, writtenSum } from "../sums/sumCells";

/** A sum with the word that it is still open, as a state says it: `Partially paid, $200.00 due`. */
const STILL_OPEN =
  /(?:^|[\s,])(\S{0,4}\d[\d.,]{0,14}) (?:is )?(?:still )?(?:due|open|left|remaining|outstanding)\b/i;

/** What the state of an invoice says is open of it; null where it says no sum. */
export function openInWords(reading: Reading, row: Row): Minor | null {
  const sum = STILL_OPEN.exec(reading.cells.of(row, "status"))?.[1];
  const written = sum === undefined || !/[.,]\d\d$/.test(sum) ? null : writtenSum(sum);
  return written && sumUnder(written, { ...reading.sums, currency: reading.currencyOf(row) });
}
