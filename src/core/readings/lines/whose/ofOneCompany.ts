import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import type { Question } from "../../types";
import type { OfOne } from "./ofOneAccount";

/** Heads of whose book a line is of, in a ledger that keeps several. */
const COMPANY =
  /^(?:company|company code|entity|legal entity|subsidiary|business unit|org|organi[sz]ation|buchungskreis|mandant|societe|sociedad|azienda)$/;
/** So many companies keep one ledger; a column of more is of customers. */
const MOST = 6;
const ALL = "all";

/** Of a list of what several companies of one ledger are owed the lines of one: of that which is said. */
export function ofOneCompany(cells: Cells, rows: readonly Row[]): OfOne {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  const column = cells.unread().find(({ head }) => COMPANY.test(plainWords(head)));
  const { whose } = cells.file.answers;
  if (!column || whose === ALL) return all;
  const companyOf = (row: Row): string => (row.cells[column.at] ?? "").trim();
  const counts = new Map<string, number>();
  for (const row of rows) counts.set(companyOf(row), (counts.get(companyOf(row)) ?? 0) + 1);
  counts.delete("");
  if (counts.size < 2 || counts.size > MOST || counts.size * 2 > rows.length) return all;
  if (whose === undefined || !counts.has(whose))
    return { ...all, questions: [question(column.head, counts)] };
  return {
    ...all,
    rows: rows.filter((row) => companyOf(row) === whose),
    leftOut: rows
      .filter((row) => companyOf(row) !== whose)
      .map(({ line }) => ({ line, why: "other_account" as const })),
  };
}

const question = (head: string, counts: ReadonlyMap<string, number>): Question => ({
  key: "whose",
  words: `“${head}” names ${counts.size} companies. Whose book is this?`,
  choices: [
    ...[...counts].map(([name, count]) => ({
      answer: name,
      result: `of “${name}”: ${count} lines, and the others are left out`,
    })),
    { answer: ALL, result: "all lines are of this book, whatever the column says" },
  ],
});
