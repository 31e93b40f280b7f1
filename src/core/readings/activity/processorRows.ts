import { ROW_KINDS, type RowKind } from "@/core/activity/index";
import type { Day } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, minor } from "@/core/money";

import type { Row } from "../cells";
import { isFeeGivenBack } from "../rowWords";

/** A row of a processor's file with its sums as they are written. */
export type ActivityRow = {
  readonly line: number;
  readonly kind: RowKind;
  readonly word: string;
  readonly on: Day | null;
  readonly currency: Currency;
  readonly gross: Minor | null;
  /** Every fee of the row together. */
  readonly fee: Minor | null;
  readonly net: Minor | null;
  readonly balance: Minor | null;
  readonly payoutId: string;
  readonly id: string;
};

/** A row of a file with what it says as activity. */
export type ActivityEntry = { readonly row: Row; readonly activity: ActivityRow };

/** One way to read the signs of a file. */
export type SignReading = {
  /** Whether sums carry their effect on the processor's balance, or their size alone. */
  readonly sums: "signed" | "sizes";
  /** Whether a fee is written as what it costs, or as its effect. */
  readonly fees: "cost" | "effect";
  /** A fee beside a refund: what it costs, or what is given back, where fees are sizes. */
  readonly refundFee: "charged" | "given_back";
  /** Which way an adjustment or a reserve goes that is written as a size. */
  readonly others: "lower" | "raise";
};

/** What a row does to the processor's balance. */
export type Effect = { readonly gross: Minor; readonly cost: Minor };

export const ALL_READINGS: readonly SignReading[] = (["signed", "sizes"] as const).flatMap((sums) =>
  (["cost", "effect"] as const).flatMap((fees) =>
    (["charged", "given_back"] as const).map((refundFee) => ({
      sums,
      fees,
      refundFee,
      others: "lower" as const,
    })),
  ),
);

const DIRECTED: ReadonlySet<RowKind> = new Set(["reserve", "adjustment"]);
const HELD = /\b(hold|held|withheld|retained)\b/;
const RELEASED = /\b(releas\w*|returned)\b/;

/** The effect of a row under a reading; null where it has no sum. */
export function effectUnder(row: ActivityRow, reading: SignReading): Effect | null {
  const cost = costUnder(row, reading);
  if (row.gross === null) {
    if (row.net === null) return null;
    const net = signed(row, row.net, reading);
    return { gross: minor(net + cost), cost };
  }
  const gross = signed(row, row.gross, reading);
  // Two of the three are enough: the fee is what lies between gross and net.
  if (row.fee === null && row.net !== null) {
    const net = signed(row, row.net, reading);
    return { gross, cost: minor(gross - net) };
  }
  return { gross, cost };
}

function signed(row: ActivityRow, sum: Minor, { sums, others }: SignReading): Minor {
  if (sums === "signed" || row.kind === "payout") return sum;
  if (DIRECTED.has(row.kind)) {
    const way = wayOf(row);
    if (way !== null) return minor(way * Math.abs(sum));
    return others === "lower" ? minor(-sum) : sum;
  }
  if (bringsFeeBack(row)) return minor(Math.abs(sum));
  return ROW_KINDS[row.kind].lowers ? minor(-Math.abs(sum)) : sum;
}

/** Whether a row of fees gives one back, by its word. */
export const bringsFeeBack = ({ kind, word }: ActivityRow): boolean =>
  kind === "fee" && isFeeGivenBack(word);

/** The way of an adjustment or a reserve by its word or its own sign; null where neither says. */
function wayOf({ gross, net, word }: ActivityRow): 1 | -1 | null {
  if ((gross ?? 0) < 0 || (net ?? 0) < 0) return -1;
  if (HELD.test(word)) return -1;
  return RELEASED.test(word) ? 1 : null;
}

/** Whether a row could go either way where sums are sizes: it proves nothing of the others then. */
export const isOpenWay = (row: ActivityRow): boolean =>
  DIRECTED.has(row.kind) && wayOf(row) === null && (row.gross ?? row.net ?? 0) !== 0;

function costUnder(row: ActivityRow, { sums, fees, refundFee }: SignReading): Minor {
  const fee = row.fee ?? minor(0);
  if (fee === 0) return minor(0);
  const cost = fees === "cost" ? fee : minor(-fee);
  const asSize = ROW_KINDS[row.kind].lowers && row.kind !== "fee" && cost > 0;
  return asSize && sums === "sizes" && refundFee === "given_back" ? minor(-cost) : cost;
}

export const netOf = ({ gross, cost }: Effect): number => gross - cost;

/** Whether a row's three sums agree under a reading; null where it has not all three, or no fee. */
export function footsUnder(row: ActivityRow, reading: SignReading): boolean | null {
  if (row.gross === null || row.fee === null || row.net === null || row.kind === "payout")
    return null;
  const effect = effectUnder(row, reading);
  if (!effect) return null;
  const net = netOf(effect);
  if (row.gross === 0 && row.fee === 0) return null;
  return reading.sums === "sizes" && (ROW_KINDS[row.kind].lowers || isOpenWay(row))
    ? Math.abs(row.net) === Math.abs(net)
    : row.net === net;
}

/** How a row and what it does to the balance are told. */
export const effectWords = (row: ActivityRow, effect: Effect | null): string =>
  effect
    ? `line ${row.line} (${ROW_KINDS[row.kind].label}) ${effect.gross < 0 ? "takes" : "brings"} ${formatAmount(Math.abs(effect.gross), row.currency)}${feeWords(effect, row.currency)}`
    : `line ${row.line} has no sum`;

function feeWords({ cost }: Effect, currency: Currency): string {
  if (cost === 0) return "";
  const size = formatAmount(Math.abs(cost), currency);
  return cost > 0 ? ` and costs a fee of ${size}` : ` and gives a fee of ${size} back`;
}
