import { plainWords } from "@/core/formats";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { openWords } from "../grouped";
import { totalWords } from "../totalWords";
import type { Question } from "../types";

/** Ways of paying that do not go through a processor of cards and debits (common practice, no source). */
const BESIDE =
  /^(cash|check|cheque|paper check|money order|gift ?cards?|gift certificate|store credit|voucher|coupon|bar|barzahlung|especes|cheques|efectivo|contanti|contant|on account|house account|charge account|manual|external|offline|other|other tender|trade|barter|points|loyalty|comp|cash on delivery|cod|bank deposit|bank transfer|wire|wire transfer|invoice|(?:.* )?pay later|invoice .*)$/;

/** Whether a column of sums is of money that went another way, by its head. */
export const isBesideHead = (head: string): boolean =>
  BESIDE.test(plainWords(head)) && !OF_INVOICE.test(plainWords(head));

/** Heads that say something of the invoice that was paid. */
const OF_INVOICE = /^invoice (?:.* )?(?:amount|total|date|day|number|no|id|ref|reference|balance)$/;

/** A line that was paid some other way, with no fee and of no payout: nothing says that it is this processor's. */
function isBeside(reading: Reading, row: Row): boolean {
  const { cells } = reading;
  const word = wordOf(reading, row);
  if (word === "" || !BESIDE.test(plainWords(word))) return false;
  return (sumOfCell(reading, row, "fee") ?? 0) === 0 && cells.of(row, "payoutId") === "";
}

/** How a line was paid, without the number of its check. */
function wordOf(reading: Reading, row: Row): string {
  const words = reading.cells.of(row, "method").toLowerCase().split(" ");
  const isNumbered = words.length > 1 && /^#?\d/.test(words.at(-1) ?? "");
  return (isNumbered ? words.slice(0, -1) : words).join(" ");
}

/** Lines that were said to be no affair of this processor. */
export const isElsewhere = (reading: Reading, row: Row): boolean =>
  isBeside(reading, row) &&
  reading.cells.file.answers[`tender:${wordOf(reading, row)}`] === "elsewhere";

/** Whether what was paid in cash and the like went through this processor. */
export function tenderQuestions(reading: Reading, rows: readonly Row[]): Question[] {
  const { answers } = reading.cells.file;
  const open = openWords(rows, (row) => {
    const word = wordOf(reading, row);
    return isBeside(reading, row) && answers[`tender:${word}`] === undefined ? word : null;
  });
  return open.map(([word, lines]) => {
    const total = totalWords(reading, lines);
    return {
      key: `tender:${word}`,
      words: `${lines.length} ${lines.length === 1 ? "line was" : "lines were"} paid by “${word}”, first line ${lines[0]?.line ?? 0}. Did that money go through this processor?`,
      choices: [
        { answer: "elsewhere", result: `no: ${total} left out` },
        { answer: "here", result: `yes: ${total} are taken in` },
      ],
    };
  });
}
