import { guessRowKind, ROW_KIND_NAMES, ROW_KINDS, type RowKind } from "@/core/activity/index";
import { plainWords } from "@/core/formats";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { openWords } from "../grouped";
import { totalWords } from "../totalWords";
import { movedBy } from "./kindsInText";
import { mayBeDisputes } from "./linesAre";
import { kindByWord } from "./moneyRows";
import { cameBack, cameBackChoice } from "./returnedBeside";
import { isReturnWord, sureState } from "../rowWords";
import type { Question } from "../types";
import { TAKING } from "./unnamedRows";

/** Words of a column of kinds that surely stand for none. */
export function wordQuestions(
  reading: Reading,
  rows: readonly Row[],
  wordOf: (row: Row) => string,
): Question[] {
  const { answers } = reading.cells.file;
  const isSure = (row: Row, word: string): boolean =>
    word === "" ||
    kindByWord(reading, row, word) !== null ||
    (sureState(word) === "none" && !bringsBack(reading, row, word));
  const open = openWords(rows, (row) => {
    const word = wordOf(row).toLowerCase();
    return isSure(row, word) || answers[`word:${word}`] !== undefined ? null : word;
  });
  return open.map(([word, lines]) => {
    const total = totalWords(reading, lines);
    return {
      key: `word:${word}`,
      words: `${lines.length} ${lines.length === 1 ? "line is" : "lines are"} “${word}”, first line ${lines[0]?.line ?? 0}. What is that?`,
      choices: choicesFor(word, takesMoney(reading, lines)).map((kind) => ({
        answer: kind,
        result: `${ROW_KINDS[kind].label}: ${total}`,
      })),
    };
  });
}

/** A payout that failed and names none: its sum may be what came back of another line. */
function bringsBack(reading: Reading, row: Row, word: string): boolean {
  const namesNone = reading.cells.of(row, "payoutId") === "";
  const sums = ["gross", "net"].map((field) => sumOfCell(reading, row, field) ?? 0);
  return /\bpayout\b/.test(plainWords(word)) && namesNone && sums.some((sum) => sum !== 0);
}

const takesMoney = (reading: Reading, lines: readonly Row[]): boolean =>
  lines.every((row) => movedBy(reading, row) < 0);

/** Words of what is sent to the bank. */
const TO_BANK = /\b(?:transfer|bank|withdrawal|deposit|settlement|sent|disburse\w*)\b/;
/** What brings money: never first where a line takes some. */
const BRINGING: readonly RowKind[] = ["charge", "started", "dispute_won"];

/** Words of what takes something back. */
const TURNED = /\b(?:revers\w*|void\w*|undo|undone|taken back|cancel\w*)\b/;

/** Words of what was agreed and not taken yet: where it is taken, a line of its own says so. */
const AGREED_ALONE =
  /\b(?:auth|authori[sz]ations?|pre ?auth\w*|reservations?|verification|verify)\b/;

/** The kinds that a word may stand for, the likeliest first. */
function choicesFor(word: string, takes: boolean): RowKind[] {
  // Goods go back to a shop more often than debits to a bank, by this word alone.
  const isBack = isReturnWord(word) || TURNED.test(plainWords(word));
  const guess =
    isBack && !/\b(?:dispute|chargeback|payout|fee)\b/.test(word) ? "refund" : guessRowKind(word);
  if (AGREED_ALONE.test(plainWords(word))) return firstOf(["ignore"], ROW_KIND_NAMES);
  if (!takes) return guess ? firstOf([guess], ROW_KIND_NAMES) : [...ROW_KIND_NAMES];
  const likely: RowKind[] = [
    ...(guess !== undefined && !BRINGING.includes(guess) ? [guess] : []),
    ...(TO_BANK.test(plainWords(word)) ? (["payout"] as const) : []),
    ...TAKING.filter((kind) => kind !== "ignore"),
  ];
  const rest = ROW_KIND_NAMES.filter((kind) => !BRINGING.includes(kind));
  return firstOf(likely, [...rest, ...BRINGING]);
}

const firstOf = (first: readonly RowKind[], all: readonly RowKind[]): RowKind[] => [
  ...new Set([...first, ...all]),
];

/** States that say that a line is a refund itself, and not a charge that was given back. */
const GIVEN_BACK = /\bcredit(?:ed)?\b|^refund\b|^revers(?:al|ed)$/;

/** A charge that was given back, and how much of it beside it: it was money, and that is asked of. */
const wasGivenBack = (reading: Reading, row: Row, word: string): boolean =>
  /\brefunded\b/.test(plainWords(word)) && (sumOfCell(reading, row, "refunded") ?? 0) !== 0;

/** Words of a column of states that do not say whether a line is money. */
export function stateQuestions(reading: Reading, rows: readonly Row[]): Question[] {
  const { cells } = reading;
  const ofDisputes = mayBeDisputes(cells, rows);
  const isSureState = (word: string): boolean =>
    sureState(word) !== null && !(ofDisputes && /\bwon\b/.test(word));
  const open = openWords(rows, (row) => {
    const word = cells.of(row, "status").toLowerCase();
    const isSure =
      word === "" || isSureState(word) || wasGivenBack(reading, row, word) || cameBack(cells, row);
    return isSure || cells.file.answers[`state:${word}`] !== undefined ? null : word;
  });
  return open.map(([word, lines]) => ({
    key: `state:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "line stands" : "lines stand"} as “${word}”. Is that money?`,
    choices: [
      { answer: "counts", result: `yes: ${totalWords(reading, lines)} are taken in` },
      ...(GIVEN_BACK.test(plainWords(word))
        ? [{ answer: "refund", result: `it went back: ${totalWords(reading, lines)} as refunds` }]
        : []),
      ...cameBackChoice(reading, word, lines),
      { answer: "none", result: "no: they are left out" },
      { answer: "pending", result: "not yet: they are left out until they come as settled" },
    ],
  }));
}
