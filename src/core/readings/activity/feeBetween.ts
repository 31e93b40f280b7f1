import { formatAmount } from "@/core/money";

import type { Answers, Question } from "../types";
import type { ActivityRow } from "./processorRows";

/** A fee of more than a tenth of a charge, and of more than one unit, is rare (common practice, no source). */
const MOST_OF_CHARGE = 10;
const SMALL = 100;

/** Whether what lies between the two sums of a charge is more than a fee, or less than none. */
function isOdd({ kind, gross, fee, net }: ActivityRow): boolean {
  if (kind !== "charge" || fee !== null || gross === null || net === null) return false;
  const between = Math.abs(gross) - Math.abs(net);
  return between < 0 || (between > SMALL && between * MOST_OF_CHARGE > Math.abs(gross));
}

/**
 * Where no column is a fee, it is what lies between gross and net. What is too large for one may as
 * well never have been charged, as only a part of it was taken.
 */
export function betweenQuestion(rows: readonly ActivityRow[], answers: Answers): Question[] {
  const odd = rows.find(isOdd);
  if (!odd || answers.between !== undefined) return [];
  const shown = (sum: number | null): string => formatAmount(Math.abs(sum ?? 0), odd.currency);
  const between = Math.abs(odd.gross ?? 0) - Math.abs(odd.net ?? 0);
  return [
    {
      key: "between",
      words: `Line ${odd.line} says ${shown(odd.gross)} and brings ${shown(odd.net)}, and no column says what lies between. What was charged?`,
      choices: [
        {
          answer: "fee",
          result: `${shown(odd.gross)}: its fee is ${formatAmount(between, odd.currency)}`,
        },
        { answer: "net", result: `${shown(odd.net)}: that is all that was taken, without a fee` },
      ],
    },
  ];
}

/** Lines whose charge is what they bring, where somebody said so. */
export const asBrought = <T extends { readonly activity: ActivityRow }>(
  lines: readonly T[],
  answers: Answers,
): readonly T[] =>
  answers.between === "net"
    ? lines.map((line) => ({
        ...line,
        activity: { ...line.activity, gross: line.activity.net ?? line.activity.gross },
      }))
    : lines;
