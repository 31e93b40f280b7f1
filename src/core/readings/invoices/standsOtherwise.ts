import { plainWords } from "@/core/formats";
import { formatAmount, type Minor, ZERO } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import { isAgreed, type Row } from "../cells";
import type { Question } from "../types";
import { sureStanding } from "./documentWords";
import { statedOpen } from "./emptyOpen";

/** States that say that something is owed still, and not only that a document went out. */
const OWED =
  /^(?:open|unpaid|overdue|past due|outstanding|not paid|awaiting payment|partially paid|part paid|partial|offen|uberfallig|impayee|en retard|pendiente|vencida|abierta|scaduta|da pagare)$/;

/** What is open of an invoice by its state, where the column of what is open says otherwise; else null. */
function otherwise(reading: Reading, row: Row): Minor | null {
  const word = reading.cells.of(row, "status");
  const open = word === "" ? null : statedOpen(reading, row);
  const total = sumOfCell(reading, row, "total");
  if (open === null || total === null || total <= 0) return null;
  if (sureStanding(word) === "paid") return open === 0 ? null : ZERO;
  return open === 0 && OWED.test(plainWords(word)) ? total : null;
}

/** The same where it was said that the state is right. */
export const openByState = (reading: Reading, row: Row): Minor | null =>
  reading.cells.file.answers.stands === "state" ? otherwise(reading, row) : null;

/** Invoices that stand as paid and have something open, or as open and have nothing. */
export function standsOtherwiseQuestion(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  if (!cells.has("status") || isAgreed(cells) || cells.file.answers.stands !== undefined) return [];
  const found = rows.flatMap((row) => {
    const open = otherwise(reading, row);
    return open === null ? [] : [{ row, open }];
  });
  const [first] = found;
  if (!first) return [];
  const shown = (sum: number): string => formatAmount(sum, reading.currencyOf(first.row));
  const [word, stated] = [cells.of(first.row, "status"), statedOpen(reading, first.row) ?? 0];
  const count = found.length === 1 ? "1 line" : `${found.length} lines`;
  return [
    {
      key: "stands",
      words: `${count} ${found.length === 1 ? "has" : "have"} a state that goes against the sum that is open (line ${first.row.line}: “${word}”, and ${shown(stated)} open). Which is right?`,
      choices: [
        {
          answer: "state",
          result: `the state: line ${first.row.line} is open with ${shown(first.open)}`,
        },
        {
          answer: "balance",
          result: `the sum: line ${first.row.line} is open with ${shown(stated)}`,
        },
      ],
    },
  ];
}
