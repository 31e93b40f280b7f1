import { type Day, formatDay } from "@/core/calendar";

import type { PartOrder } from "./dayUnder";
import type { Question, ReadingContext } from "../types";
import type { WrittenColumn } from "./zonesOfFile";

/** The days of each column of a file under one order of their numbers. */
export type Candidate = {
  readonly order: PartOrder;
  readonly columns: readonly (readonly (Day | null)[])[];
};

type Asked = {
  readonly context: ReadingContext;
  readonly cellsOf: (field: string) => readonly string[];
};

const ORDER_WORDS: Readonly<Record<PartOrder, string>> = {
  mdy: "month, day, year",
  dmy: "day, month, year",
  yy: "year, month, day",
};

/** Which of the orders that give different days it is. `cellsOf`: the dates of a column as they stand. */
export function orderQuestion(
  columns: readonly WrittenColumn[],
  candidates: readonly Candidate[],
  { context: { today }, cellsOf }: Asked,
): Question {
  const [first] = candidates;
  const found = (first?.columns ?? [])
    .flatMap((days, column) => days.map((day, nth) => ({ day, column, nth })))
    .find(({ day, column, nth }) =>
      candidates.some((other) => other.columns[column]?.[nth] !== day),
    );
  const field = found && columns[found.column]?.field;
  const sample = (found && cellsOf(field ?? "")[found.nth]) ?? "A date";
  const inWords = (day: Day | null | undefined): string => (day ? formatDay(day, today) : "no day");
  return {
    key: "days",
    words: `${sample} can be ${candidates
      .map(({ columns: days }) => inWords(found && days[found.column]?.[found.nth]))
      .join(" or ")}. Which comes first?`,
    choices: candidates.map(({ order, columns: days }) => {
      const all = days.flat().flatMap((day) => day ?? []);
      const sorted = [...all].sort();
      return {
        answer: order,
        result: `${ORDER_WORDS[order]}: days from ${inWords(sorted[0])} to ${inWords(sorted.at(-1))}`,
      };
    }),
  };
}
