import type { Cells, Row } from "../cells";
import { sureState } from "../rowWords";
import { sumFields } from "../sums/sumFields";
import { writtenSum } from "../sums/sumCells";
import type { Question } from "../types";

/**
 * Statements that print a day once, on its first line: whether a line without one is of the day above
 * it is asked. The answer is kept with the mapping, as a bank writes all of its statements so.
 */
export function daysAbove(cells: Cells, rows: readonly Row[]): DatedRows {
  const { kind, table, answers } = cells.file;
  const at = table.headers.indexOf(cells.head("postedOn"));
  if (kind !== "bank" || at < 0 || answers.above === "leave") return { rows, questions: [] };
  const sums = sumFields(cells).filter((field) => field !== "balance");
  // What was never booked has no day on which it was.
  const isBooked = (row: Row): boolean =>
    cells.of(row, "status") === "" || sureState(cells.of(row, "status")) === "counts";
  const hasSum = (row: Row): boolean =>
    sums.some((field) => writtenSum(cells.of(row, field)) !== null) && isBooked(row);
  let above = "";
  const open: Row[] = [];
  const dated = rows.map((row) => {
    const own = cells.of(row, "postedOn");
    above = own || above;
    if (own !== "" || above === "" || !hasSum(row)) return row;
    const ofDay = { ...row, cells: row.cells.with(at, above) };
    open.push(ofDay);
    return ofDay;
  });
  const [first] = open;
  if (!first) return { rows, questions: [] };
  return answers.above === "day"
    ? { rows: dated, questions: [] }
    : { rows, questions: [question(first.line, cells.of(first, "postedOn"), open.length)] };
}

type DatedRows = { readonly rows: readonly Row[]; readonly questions: readonly Question[] };

const question = (line: number, day: string, count: number): Question => ({
  key: "above",
  words: `${count === 1 ? "1 line with a sum has" : `${count} lines with a sum have`} no day, first line ${line}. Are they of the day above them?`,
  choices: [
    { answer: "day", result: `yes: line ${line} is of ${day}` },
    { answer: "leave", result: "no: they are refused until their day is said" },
  ],
});
