import type { Row } from "../cells";
import type { LeftOut, Question, Unread } from "../types";

type Shown = { rows: readonly Row[]; leftOut: LeftOut[]; questions: Question[] };

/**
 * Lines that the sheet of a workbook hides, by a filter or by hand: whoever kept it saw the others
 * alone, and may have meant them alone.
 */
export function shownRows(rows: readonly Row[], { table, answers }: Unread): Shown {
  const hidden = new Set(table.hidden);
  const unseen = rows.filter(({ line }) => hidden.has(line));
  const [first] = unseen;
  if (!first || answers.hidden === "take") return { rows, leftOut: [], questions: [] };
  const leftOut = unseen.map(({ line }) => ({ line, why: "hidden" as const }));
  if (answers.hidden === "leave")
    return { rows: rows.filter(({ line }) => !hidden.has(line)), leftOut, questions: [] };
  const count = unseen.length;
  const words = `The sheet hides ${count === 1 ? "a line" : `${count} of its lines`}, ${count === 1 ? "line" : "the first is line"} ${first.line}. ${count === 1 ? "Is it" : "Are they"} part of the list?`;
  const choices = [
    { answer: "take", result: count === 1 ? "it is taken in too" : "they are taken in too" },
    { answer: "leave", result: count === 1 ? "1 line left out" : `${count} lines left out` },
  ];
  return { rows, leftOut: [], questions: [{ key: "hidden", words, choices }] };
}
