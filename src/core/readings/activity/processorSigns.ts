import { ROW_KINDS } from "@/core/activity/index";
import {
  type ActivityRow,
  ALL_READINGS,
  type Effect,
  effectUnder,
  effectWords,
  isOpenWay,
  type SignReading,
} from "./processorRows";
import { balanceBreaks, broken, payoutsOff, proofsOf } from "./processorProofs";
import type { Answers, Question } from "../types";

export type SignsFound = {
  readonly reading: SignReading;
  readonly questions: readonly Question[];
  readonly proofs: readonly string[];
};

/**
 * How the signs of a processor's file are read. Every reading is tried; the sums that check one
 * another (gross, fee and net of a row, payouts and their items, a running balance) leave out the
 * ones that do not foot. What is left is the same for every row, or it is asked.
 */
export function signsOf(rows: readonly ActivityRow[], answers: Answers): SignsFound {
  const said = ALL_READINGS.filter(
    (reading) =>
      fits(answers.signs, reading.sums) &&
      fits(answers.fees, reading.fees) &&
      fits(answers.refund_fees, reading.refundFee),
  );
  const possible = best(said, [
    (reading) => broken(rows, reading),
    (reading) => payoutsOff(rows, reading),
    (reading) => balanceBreaks(rows, reading) ?? 0,
    (reading) => unlikely(rows, reading),
  ]);
  const [first = ALL_READINGS[0]] = possible;
  const others = answers.adjustments === "raise" ? "raise" : "lower";
  const netsSigned = netsCarrySigns(rows);
  const way: SignReading["others"] =
    netsSigned && answers.adjustments === undefined ? "raise" : others;
  const reading: SignReading = { ...(first as SignReading), others: way };
  const proofs = proofsOf(rows, reading);
  // The rival that differs in the fewest things: one thing is asked at a time.
  const [rival] = possible
    .map((other) => ({ ...other, others: way }))
    .filter((other) => differing(rows, reading, other) !== null)
    .sort((a, b) => apart(reading, a) - apart(reading, b));
  return {
    reading,
    questions: [
      ...(rival ? [signQuestion(rows, reading, rival)] : []),
      ...(rival ? [] : openWays(rows, reading, answers)),
    ],
    proofs,
  };
}

const netsCarrySigns = (rows: readonly ActivityRow[]): boolean =>
  rows.some(({ net, kind }) => (net ?? 0) < 0 && kind !== "payout");

/** Adjustments whose size alone is written, beside refunds that are sizes too: nothing proves their way. */
function openWays(
  rows: readonly ActivityRow[],
  reading: SignReading,
  answers: Answers,
): Question[] {
  if (reading.sums === "signed" || answers.adjustments !== undefined) return [];
  // Where nets carry their sign, a positive one raises by itself.
  if (netsCarrySigns(rows)) return [];
  const open = rows.filter(isOpenWay);
  const [row] = open;
  if (!row) return [];
  return [
    {
      key: "adjustments",
      words: `${open.length} ${open.length === 1 ? "line is" : "lines are"} “${row.word}” (first line ${row.line}), and the sums carry no sign. Which way do they go?`,
      choices: (["lower", "raise"] as const).map((others) => ({
        answer: others,
        result: effectWords(row, effectUnder(row, { ...reading, others })),
      })),
    },
  ];
}

const apart = (a: SignReading, b: SignReading): number =>
  DIMENSIONS.filter(([, name]) => a[name] !== b[name]).length;

const fits = (said: string | undefined, value: string): boolean =>
  said === undefined || said === value;

/** Those of some that break the fewest rules, rule after rule. */
function best(
  readings: readonly SignReading[],
  rules: readonly ((reading: SignReading) => number)[],
): SignReading[] {
  return rules.reduce<SignReading[]>(
    (left, rule) => {
      const counts = left.map(rule);
      const fewest = Math.min(...counts);
      return left.filter((_, at) => counts[at] === fewest);
    },
    [...readings],
  );
}

/** Rows that no processor writes: a charge that takes, a fee on a charge that brings, a refund that brings. */
function unlikely(rows: readonly ActivityRow[], reading: SignReading): number {
  return rows.filter((row) => {
    const effect = effectUnder(row, reading);
    if (!effect || row.kind === "payout") return false;
    if (row.kind === "charge" || row.kind === "started") return effect.gross < 0 || effect.cost < 0;
    const lowers = ROW_KINDS[row.kind].lowers && row.kind !== "fee";
    return lowers && effect.gross > 0;
  }).length;
}

/** The first row on which two readings are not the same; null where there is none. */
function differing(
  rows: readonly ActivityRow[],
  a: SignReading,
  b: SignReading,
): ActivityRow | null {
  const same = (x: Effect | null, y: Effect | null): boolean =>
    x?.gross === y?.gross && x?.cost === y?.cost;
  return rows.find((row) => !same(effectUnder(row, a), effectUnder(row, b))) ?? null;
}

const DIMENSIONS = [
  ["signs", "sums"],
  ["fees", "fees"],
  ["refund_fees", "refundFee"],
] as const;

function signQuestion(rows: readonly ActivityRow[], a: SignReading, b: SignReading): Question {
  const row = differing(rows, a, b) ?? rows[0];
  const [key, field] = DIMENSIONS.find(([, name]) => a[name] !== b[name]) ?? DIMENSIONS[0];
  const result = (reading: SignReading): string =>
    row ? effectWords(row, effectUnder(row, reading)) : "";
  const word = row?.word ? ` (“${row.word}”)` : "";
  // A fee that brings money is the rarer one.
  const likelier = [a, b].sort((x, y) => feesThatBring(rows, x) - feesThatBring(rows, y));
  return {
    key,
    words: `The file does not say which way the sum of line ${row?.line ?? 0}${word} goes. Which is right?`,
    choices: likelier.map((reading) => ({ answer: reading[field], result: result(reading) })),
  };
}

const feesThatBring = (rows: readonly ActivityRow[], reading: SignReading): number =>
  rows.filter((row) => row.kind === "fee" && (effectUnder(row, reading)?.gross ?? 0) > 0).length;
