import { formatAmount, type Minor, minor } from "@/core/money";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import type { Question } from "../types";
import type { ActivityEntry, ActivityRow } from "./processorRows";

/** Where refunds are that stand beside their charge: told there alone, or in lines of their own. */
export type RefundsAre = "here" | "apart" | null;

/** What a line says was given back of its charge. */
export const givenBack = (reading: Reading, row: Row): number =>
  Math.abs(sumOfCell(reading, row, "refunded") ?? 0);

/**
 * By an answer, or by nets that are less what was given back, too: no other line takes that then.
 * A charge with an id of its own may have refunds with theirs, in another list.
 */
export function refundsAre(reading: Reading, entries: readonly ActivityEntry[]): RefundsAre {
  const said = reading.cells.file.answers.refunded;
  if (said !== undefined) return said === "here" ? "here" : "apart";
  const given = entries.filter((entry) => isGiven(reading, entry));
  const isLess = given.every(
    ({ row, activity }) => withoutRefund(reading, row, activity) !== activity,
  );
  return given.length > 0 && isLess && !reading.cells.has("id") ? "here" : null;
}

const isGiven = (reading: Reading, { row, activity }: ActivityEntry): boolean =>
  activity.kind === "charge" && givenBack(reading, row) !== 0;

/** What a refund is of, where it stands in the column of what was given back alone; else as it stands. */
export function sumOfRefund(reading: Reading, row: Row, written: Minor | null): Minor | null {
  const given = givenBack(reading, row);
  return given === 0 || (written ?? 0) !== 0 ? written : minor(-given);
}

/** A line that charges nothing and tells of a refund alone. */
export const isRefundAlone = (reading: Reading, { row, activity }: ActivityEntry): boolean =>
  (activity.gross ?? 0) === 0 && (activity.fee ?? 0) === 0 && givenBack(reading, row) !== 0;

/** Charges with the net that they had before a part of them was given back. */
export const withoutRefunds = (
  reading: Reading,
  entries: readonly ActivityEntry[],
): readonly ActivityEntry[] =>
  entries.map(({ row, activity }) => ({ row, activity: withoutRefund(reading, row, activity) }));

/** The same of one; itself where its net is not less what was given back. */
function withoutRefund(reading: Reading, row: Row, activity: ActivityRow): ActivityRow {
  const { gross, fee, net, kind } = activity;
  const given = givenBack(reading, row);
  if (kind !== "charge" || given === 0 || gross === null || net === null) return activity;
  const before = gross - Math.abs(fee ?? 0);
  const isLess = net !== before && net === before - given;
  return isLess ? { ...activity, net: minor(before) } : activity;
}

/** Sums given back that stand beside their charge: rows of their own, or told here alone. */
export function refundedQuestion(reading: Reading, entries: readonly ActivityEntry[]): Question[] {
  const given = entries.filter((entry) => isGiven(reading, entry));
  const [first] = given;
  if (!first || refundsAre(reading, entries) !== null) return [];
  const { line, currency } = first.activity;
  const sum = formatAmount(givenBack(reading, first.row) as Minor, currency);
  return [
    {
      key: "refunded",
      words: `${given.length} ${given.length === 1 ? "charge says" : "charges say"} that something was given back (line ${line}: ${sum}). Do those refunds have lines of their own?`,
      choices: [
        { answer: "apart", result: "yes: the column changes nothing" },
        {
          answer: "here",
          result: `no: each is a refund of its charge, on its day (${sum} on line ${line})`,
        },
      ],
    },
  ];
}
