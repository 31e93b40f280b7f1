import type { ReferenceQuality } from "../memo/scope";
import type { AmountFit, PayerCertainty } from "./candidate";

const NAMED: Partial<Record<AmountFit, number>> = {
  exact: 40,
  surcharge: 39,
  discount: 39,
  credit: 37,
  told: 37,
  late: 33,
  fee: 36,
  claim: 36,
  next: 35,
  gap: 31,
  mended: 30,
  part: 30,
  over: 26,
  allowed: 22,
  short: 20,
};
const SUMS: Partial<Record<AmountFit, number>> = {
  single: 18,
  surcharge: 16,
  discount: 16,
  all: 15,
  credit: 12,
  due: 12,
  late: 9,
  allowed: 1,
  several: 6,
  statement: 19,
  "told-oldest": 14,
  rounded: 8,
  oldest: 2,
  account: 0,
};
const READ: Record<ReferenceQuality, number> = {
  whole: 0,
  digits: -2,
  order: -4,
  cut: -6,
  damaged: -7,
  none: 0,
};
const WHO: Record<PayerCertainty, number> = {
  certain: 14,
  likely: 8,
  weak: 2,
  unknown: 0,
  other: -16,
};

/** What a reading rests on, and what is wrong with it. */
export type Grounds = {
  readonly sum: AmountFit;
  readonly numbers: ReferenceQuality;
  readonly who: PayerCertainty;
  /** How many lines it has. */
  readonly lines: number;
  /** Numbers of somebody else, words that nothing explains, numbers that it does not follow. */
  readonly foreign: number;
  readonly unexplained: number;
  readonly skipped: number;
  readonly doubts: number;
  /** Bits of evidence for the payer. */
  readonly payerWeight: number;
};

/** How good a reading is; only its order among the others counts. */
export function scoreOf(grounds: Grounds): number {
  const { sum, numbers, who, lines } = grounds;
  const base = (numbers === "none" ? SUMS[sum] : NAMED[sum]) ?? 0;
  return (
    base +
    READ[numbers] +
    WHO[who] -
    grounds.foreign * 9 -
    grounds.unexplained * 5 -
    grounds.skipped * 9 -
    grounds.doubts * 4 -
    (sum === "several" ? lines : 0) -
    (sum === "late" ? 1 : 0) +
    Math.min(4, grounds.payerWeight / 8)
  );
}
