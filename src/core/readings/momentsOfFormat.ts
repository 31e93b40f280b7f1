import { type Day, formatDay } from "@/core/calendar";
import { dayInZone, type Table } from "@/core/formats";

import type { Made } from "./canonical";
import type { Answers, Question, ReadingContext } from "./types";

type Line = Made["rows"][number];

/**
 * Lines that stand at a moment of another zone: the day that is written there may be the bank's own,
 * or another here. Asked where the two differ.
 */
export function momentsOfFormat(
  made: readonly Line[],
  moments: NonNullable<Table["moments"]>,
  answers: Answers,
  { timeZone, today }: ReadingContext,
): { lines: readonly Line[]; questions: Question[] } {
  const here = new Map(
    moments.map(({ line, mark }) => [line, dayInZone(new Date(mark), timeZone)]),
  );
  const isMoved = ({ line, fields }: Line): boolean =>
    here.has(line) && here.get(line) !== fields.postedOn;
  const [first, ...others] = made.filter(isMoved);
  if (!first || answers.moments === "bank") return { lines: made, questions: [] };
  if (answers.moments === "here")
    return {
      lines: made.map((row) =>
        isMoved(row)
          ? { ...row, fields: { ...row.fields, postedOn: here.get(row.line) ?? "" } }
          : row,
      ),
      questions: [],
    };
  const [written, moved] = [first.fields.postedOn as Day, here.get(first.line)].map((day) =>
    day ? formatDay(day, today) : "no day",
  );
  const lines =
    others.length === 0
      ? `Line ${first.line} stands`
      : `${others.length + 1} lines (first line ${first.line}) stand`;
  return {
    lines: made,
    questions: [
      {
        key: "moments",
        words: `${lines} at a time of another zone: there it is ${written}, here ${moved}. Which day did the bank book?`,
        choices: [
          { answer: "bank", result: `the day as it is written: ${written}` },
          { answer: "here", result: `the day here: ${moved}` },
        ],
      },
    ],
  };
}
