import { headedAt, plainWords, type Table } from "@/core/formats";

import { isBalanceWords, isTotalWord } from "./rowsLeftOut";
import { writtenSum } from "../sums/sumCells";
import type { Answers, Question } from "../types";
import { isMarkedDay } from "../days/writtenDay";

/** The line of a head as it is said, in an answer or an address: 7, or 0 for none. */
export const headLineIn = (said: string | null | undefined): number | undefined =>
  said != null && /^\d{1,6}$/.test(said) ? Number(said) : undefined;

/** The list with its head where it was said to stand. */
export function headSaid(table: Table, answers: Answers): Table {
  const line = headLineIn(answers.head);
  return line === undefined ? table : headedAt(table, line);
}

const isSum = (cell: string): boolean => /\d[.,]\d\d\D*$/.test(cell) && writtenSum(cell) !== null;

/** Which list of a workbook is meant, where several sheets have one: by the line of its head. Null elsewhere. */
export function sheetQuestion({ sheets = [] }: Table): Question | null {
  if (sheets.length < 2) return null;
  return {
    key: "head",
    words: `The workbook has lists on ${sheets.length} sheets. Which is meant?`,
    choices: sheets.map(({ name, headLine, lines }) => ({
      answer: String(headLine),
      result: `“${name}”, with ${lines} ${lines === 1 ? "line" : "lines"}`,
    })),
  };
}

/** Lines above the head that have a day and a sum as the lines below it have: they may be of the list. */
export function headQuestion(table: Table, answers: Answers): Question[] {
  if (answers.head !== undefined) return [];
  const { records = [], headLine = 1 } = table;
  const sheets = sheetQuestion(table);
  if (sheets !== null) return [sheets];
  const above = records.slice(0, Math.max(0, headLine - 1)).flatMap((cells, at) => {
    const trimmed = cells.map((cell) => cell.trim());
    const plain = plainWords(trimmed.join(" "));
    const isLine = trimmed.some(isMarkedDay) && trimmed.some(isSum);
    return isLine && !isBalanceWords(plain) && !isTotalWord(plain) ? [{ at, trimmed }] : [];
  });
  const [first] = above;
  if (!first) return [];
  const shown = first.trimmed.filter((cell) => cell !== "").join(" ");
  return [
    {
      key: "head",
      words: `The head of the list stands on line ${headLine}, and above it line ${first.at + 1} has a day and a sum (${shown.slice(0, 60)}).`,
      choices: [
        {
          answer: String(headLine),
          result: `the list begins below line ${headLine}: what is above is left out`,
        },
        {
          answer: String(first.at),
          result:
            first.at === 0
              ? "the list begins with line 1 and has no head"
              : `the list begins below line ${first.at}`,
        },
      ],
    },
  ];
}
