import { daysBetween, earlierFirst } from "@/core/calendar";

import { type Draft, moneyOf } from "../candidates/candidate";
import { listOf } from "../lists";
import { type MatchReceipt } from "../types";
import { isNobody } from "./affectedReceipts";
import { type Looked } from "./plan";

export const DOUBLE_WITHIN_DAYS = 10;

export type Judged = Looked & { rank: number };

export const order = (a: MatchReceipt, b: MatchReceipt): number =>
  earlierFirst(a.paidOn, b.paidOn) || a.id - b.id;

/**
 * Equal sums that seem one customer's are judged in the order they came, so that the second is the
 * possible double.
 */
export function twinsTogether(all: Judged[]): void {
  const twins = new Map<string, Judged[]>();
  for (const judged of all) {
    const best = judged.before[0];
    if (best) listOf(twins, `${best.customerId} ${judged.receipt.amount}`).push(judged);
  }
  for (const group of twins.values()) {
    group.sort((a, b) => order(a.receipt, b.receipt));
    group.forEach((judged, at) => {
      if (at > 0 && judged.before[0]?.numbers === "none")
        judged.rank = Math.min(judged.rank, ...group.slice(0, at).map(({ rank }) => rank - 0.01));
    });
  }
}

/** Receipts by what their readings would pay, to see where a second one wants the same. */
export function byMoney(all: readonly Looked[]): Map<string, MatchReceipt[]> {
  const found = new Map<string, MatchReceipt[]>();
  for (const { receipt, before } of all) {
    if (isNobody(receipt, before)) listOf(found, `nobody's ${receipt.amount}`).push(receipt);
    for (const draft of before.slice(0, 4))
      if (draft.lines.length > 0) listOf(found, moneyOf(draft)).push(receipt);
  }
  return found;
}

/**
 * The day of an earlier receipt that may be for the very items a reading by sum alone would take;
 * equal items go round.
 */
export function earlierFor(
  receipt: MatchReceipt,
  best: Draft,
  claimants: ReadonlyMap<string, readonly MatchReceipt[]>,
): MatchReceipt["paidOn"] | null {
  if (best.lines.length === 0 || best.reasons.some(({ code }) => code === "equal_items"))
    return null;
  const wanting = [
    ...(claimants.get(moneyOf(best)) ?? []),
    ...(claimants.get(`nobody's ${receipt.amount}`) ?? []),
  ];
  return (
    wanting.find(
      (other) =>
        other.id !== receipt.id &&
        order(other, receipt) < 0 &&
        daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS,
    )?.paidOn ?? null
  );
}
