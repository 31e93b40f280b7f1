import { type Day, daysBetween, formatDay } from "@/core/calendar";

import type { Cells } from "../cells";
import { type DayReading, dayUnder, type PartOrder } from "./dayUnder";
import type { WrittenColumn } from "./zonesOfFile";
import type { Question } from "../types";

/** Months, and so the days that a spreadsheet can take for one. */
const MONTHS = 12;

/**
 * Whether a spreadsheet may have turned day and month around: it reads `02/11/2026` in the order of its
 * own country and keeps a day, and leaves `13/11/2026` as text where that has no such month. Then the
 * days up to the twelfth stand as days, and all others as texts.
 */
function mayBeTurned({ days }: WrittenColumn, order: PartOrder): boolean {
  const texts = days.flatMap(({ open, yearLast }) => (open && yearLast ? [open] : []));
  const kept = days.flatMap(({ fixed }) => (fixed ? [fixed] : []));
  return (
    texts.length > 0 &&
    texts.every(([first, second]) => (order === "mdy" ? second : first) > MONTHS) &&
    kept.every(([, , day]) => day <= MONTHS) &&
    kept.some(([, month, day]) => month !== day)
  );
}

/** The reading with days turned back where that was said, and the question where it is open. */
export function turnedDays(
  cells: Cells,
  columns: readonly WrittenColumn[],
  { base, today }: { base: DayReading; today: Day },
): { reading: DayReading; questions: Question[] } {
  const said = cells.file.answers.turned;
  const turned: DayReading = { ...base, isTurned: true };
  const found = columns.find((column) => mayBeTurned(column, base.order));
  const sample = found?.days.find(({ fixed }) => fixed !== null && fixed[1] !== fixed[2]);
  if (!found || !sample) return { reading: base, questions: [] };
  if (said !== undefined) return { reading: said === "turn" ? turned : base, questions: [] };
  const inWords = (day: Day | null | undefined): string => (day ? formatDay(day, today) : "no day");
  const spanOf = (reading: DayReading): Day[] =>
    found.days.flatMap((written) => dayUnder(written, reading) ?? []).sort();
  const choices = [
    { answer: "stand", result: "as they stand", days: spanOf(base) },
    { answer: "turn", result: "turned back", days: spanOf(turned) },
  ];
  // Days that lie close together are the likelier ones.
  choices.sort((a, b) => lengthOf(a.days) - lengthOf(b.days));
  const [stands, other] = [base, turned].map((reading) => inWords(dayUnder(sample, reading)));
  return {
    reading: base,
    questions: [
      {
        key: "turned",
        words: `Days up to the 12th stand as days, and all others as text: a spreadsheet may have turned day and month around. ${stands} may be ${other}.`,
        choices: choices.map(({ answer, result, days }) => ({
          answer,
          result: `${result}: days from ${inWords(days[0])} to ${inWords(days.at(-1))}`,
        })),
      },
    ],
  };
}

const lengthOf = (days: readonly Day[]): number => {
  const [first, last] = [days[0], days.at(-1)];
  return first && last ? daysBetween(first, last) : 0;
};
