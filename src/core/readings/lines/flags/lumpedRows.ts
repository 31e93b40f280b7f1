import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sureDirection } from "../../rowWords";
import type { Question } from "../../types";

const COUNT_HEAD =
  /^(?:number|count) of \w+$|^(?:transactions|sales|payments|orders|charges|items)(?: count)?$|\bcount$/;

/** Lists that give a day or a batch a line, with how many payments it stands for. */
function lumpQuestions(cells: Cells, rows: readonly Row[]): Question[] {
  // A payout stands for several payments, and is one.
  if (cells.file.answers.payouts === "payout") return [];
  return cells.unread().flatMap(({ head, at }) => {
    if (!COUNT_HEAD.test(plainWords(head))) return [];
    const many = rows.filter((row) => /^[2-9]$|^[1-9]\d{1,5}$/.test((row.cells[at] ?? "").trim()));
    const [first] = many;
    if (!first) return [];
    return [
      {
        key: `column:${head}`,
        words: `“${head}” says that a line stands for several payments (line ${first.line}: ${(first.cells[at] ?? "").trim()}). A list of each payment is needed to match them.`,
        choices: [
          { answer: "leave", result: "each line is one payment, whatever the column says" },
        ],
      },
    ];
  });
}

/** Lists of debits and credits of other people's accounts: which of the two brought money. */
function wayQuestions(cells: Cells, rows: readonly Row[]): Question[] {
  return cells.unread().flatMap(({ head, at }) => {
    const words = [...new Set(rows.map((row) => (row.cells[at] ?? "").trim()))];
    const [first, second, ...more] = words;
    if (first === undefined || second === undefined || more.length > 0) return [];
    if (words.some((word) => sureDirection(word) === null)) return [];
    const of = (word: string): Row[] => rows.filter((row) => (row.cells[at] ?? "").trim() === word);
    return [
      {
        key: `column:${head}`,
        words: `“${head}” says ${first} on ${of(first).length} and ${second} on ${of(second).length} lines (first lines ${of(first)[0]?.line ?? 0} and ${of(second)[0]?.line ?? 0}). Which brought money?`,
        choices: [
          { answer: `without ${second}`, result: `${first}: the others are left out` },
          { answer: `without ${first}`, result: `${second}: the others are left out` },
          ...[second, first].map((word) => ({
            answer: `takes ${word}`,
            result: `both: ${word} took money, as of line ${of(word)[0]?.line ?? 0}`,
          })),
          { answer: "leave", result: "both: the sums say it by their signs" },
        ],
      },
    ];
  });
}

/** What columns that no field has say of whole lines of activity. */
export const columnQuestions = (cells: Cells, rows: readonly Row[]): Question[] =>
  [...lumpQuestions(cells, rows), ...(cells.has("kind") ? [] : wayQuestions(cells, rows))].filter(
    ({ key }) => cells.file.answers[key] === undefined,
  );

/** Lines that were said to be left out by the word of one of their columns. */
export function without(cells: Cells, rows: readonly Row[]): readonly Row[] {
  const said = cells.unread().flatMap(({ head, at }) => {
    const answer = cells.file.answers[`column:${head}`] ?? "";
    return answer.startsWith("without ") ? [{ at, word: answer.slice(8) }] : [];
  });
  if (said.length === 0) return [];
  return rows.filter((row) => said.some(({ at, word }) => (row.cells[at] ?? "").trim() === word));
}
