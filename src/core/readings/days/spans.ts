import { addDays, type Day, formatDay, parseDay } from "@/core/calendar";

import type { Made } from "../canonical";
import { isOutside, type OwnSpan } from "./ownSpan";
import type { Answers, LeftOut, Question, ReadingContext } from "../types";

type Line = Made["rows"][number];

/** The day by which a line is in the book, by kind of file. */
const BOOK_DAY: Readonly<Record<string, readonly string[]>> = {
  bank: ["postedOn"],
  processor: ["settledOn", "occurredOn"],
  invoices: ["issuedOn"],
  remittance: ["paidOn"],
};

/** Kinds whose lines up to the cut-over are in the opening balances already. */
const OPENED = new Set(["bank", "processor"]);

const dayOfLine = (kind: string, { fields }: Line): Day | null => {
  const text = (BOOK_DAY[kind] ?? []).map((field) => fields[field] ?? "").find((day) => day !== "");
  const day = parseDay(text ?? "", "ymd");
  return day.ok ? day.value : null;
};

type Spans = ReadingContext & { own: OwnSpan | null };

/**
 * Lines of days that are before the book begins, that have not come, or that are not of the days which
 * the file says it is of: asked for, and left out as said.
 */
export function withinSpan(
  kind: string,
  lines: readonly Line[],
  answers: Answers,
  { today, cutOverOn, own }: Spans,
): { lines: Line[]; leftOut: LeftOut[]; questions: Question[] } {
  const isBefore = (line: Line): boolean => {
    const day = dayOfLine(kind, line);
    return OPENED.has(kind) && cutOverOn !== null && day !== null && day <= cutOverOn;
  };
  const latest = addDays(today, 1);
  const isFuture = (line: Line): boolean => (dayOfLine(kind, line) ?? today) > latest;
  const isOut = (line: Line): boolean => {
    const day = dayOfLine(kind, line);
    return own !== null && day !== null && isOutside(day, own);
  };
  // A span of one day of which no line is: some programs write the day of the download there.
  const saysSomething = own?.from !== own?.to || !lines.every(isOut);
  const before = lines.filter(isBefore);
  const future = lines.filter(isFuture);
  const outside = lines.filter((line) => isOut(line) && !isBefore(line) && !isFuture(line));
  const questions = questionsOf(
    kind,
    { before, future, outside: saysSomething ? outside : [] },
    {
      answers,
      today,
      cutOverOn,
      own,
    },
  );
  const leftOut: LeftOut[] = [];
  const kept = lines.filter((line) => {
    const out = leaveFor({
      before: isBefore(line) && answers.before === "leave",
      future: isFuture(line) && answers.future === "leave",
      outside: isOut(line) && answers.outside === "leave",
    });
    if (out) leftOut.push({ line: line.line, why: out });
    return out === null;
  });
  return { lines: kept, leftOut, questions };
}

type Odd = Readonly<Record<Leave, readonly Line[]>>;
type Asking = Pick<Spans, "today" | "cutOverOn" | "own"> & { answers: Answers };

/** What is asked of lines of odd days, where nobody has said it. */
function questionsOf(
  kind: string,
  { before, future, outside }: Odd,
  { answers, today, cutOverOn, own }: Asking,
): Question[] {
  const questions: Question[] = [];
  if (before.length > 0 && answers.before === undefined && cutOverOn !== null)
    questions.push(beforeQuestion(kind, before, cutOverOn, today));
  if (future.length > 0 && answers.future === undefined)
    questions.push(futureQuestion(kind, future, today));
  if (outside.length > 0 && answers.outside === undefined && own !== null)
    questions.push(outsideQuestion(kind, outside, own, today));
  return questions;
}

type Leave = "before" | "future" | "outside";
const leaveFor = (leave: Readonly<Record<Leave, boolean>>): Leave | null =>
  (["before", "future", "outside"] as const).find((why) => leave[why]) ?? null;

const days = (kind: string, lines: readonly Line[], today: Day): string => {
  const sorted = lines.flatMap((line) => dayOfLine(kind, line) ?? []).sort();
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last) return "";
  return first === last
    ? formatDay(first, today)
    : `${formatDay(first, today)} to ${formatDay(last, today)}`;
};

const linesAre = ({ length }: readonly Line[], between = ""): string =>
  length === 1 ? `1 line ${between}is` : `${length} lines ${between}are`;
const them = ({ length }: readonly Line[]): string => (length === 1 ? "it" : "them");

const beforeQuestion = (
  kind: string,
  lines: readonly Line[],
  cutOverOn: Day,
  today: Day,
): Question => ({
  key: "before",
  words: `${linesAre(lines, `(${days(kind, lines, today)}) `)} of a day up to the cut-over on ${formatDay(cutOverOn, today)}, which the opening balances hold already.`,
  choices: [
    { answer: "leave", result: `leave ${them(lines)} out` },
    {
      answer: "take",
      result: `take ${them(lines)} in: the opening balances do not hold ${them(lines)}`,
    },
  ],
});

const futureQuestion = (kind: string, lines: readonly Line[], today: Day): Question => ({
  key: "future",
  words: `${linesAre(lines)} of a day that has not come (${days(kind, lines, today)}).`,
  choices: [
    { answer: "leave", result: `leave ${them(lines)} out` },
    { answer: "take", result: `take ${them(lines)} in: the day is right` },
  ],
});

const outsideQuestion = (
  kind: string,
  lines: readonly Line[],
  { from, to }: OwnSpan,
  today: Day,
): Question => ({
  key: "outside",
  words: `The file says that it is of ${formatDay(from, today)} to ${formatDay(to, today)}; ${linesAre(lines)} of another day (${days(kind, lines, today)}).`,
  choices: [
    { answer: "take", result: `take ${them(lines)} in: the day is right` },
    { answer: "leave", result: `leave ${them(lines)} out` },
  ],
});
