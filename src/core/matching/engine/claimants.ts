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

/** An earlier receipt of the same payer that says the same of the same sum. */
export function sameAgain(
  receipt: MatchReceipt,
  sameSum: readonly Looked[],
): { readonly id: number; readonly paidOn: MatchReceipt["paidOn"] } | null {
  const said = saidBy(receipt);
  const first = sameSum.find(
    ({ receipt: other }) =>
      order(other, receipt) < 0 &&
      daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS &&
      saidBy(other) === said,
  );
  return first?.receipt ?? null;
}

const saidBy = ({ payerName, payerEmail, reference }: MatchReceipt): string =>
  `${payerName}\n${payerEmail}\n${reference}`.toUpperCase();

/**
 * The day of another receipt of the same sum and customer that names in part the same and in part
 * other items: a list that was sent again with a number put right, or a second payment.
 */
export function resentOn(
  receipt: MatchReceipt,
  best: Draft,
  sameSum: readonly Looked[],
): MatchReceipt["paidOn"] | null {
  if (best.numbers === "none" || best.lines.length < 2) return null;
  const own = new Set(best.lines.map(({ itemId }) => itemId));
  const twin = sameSum.find(({ receipt: other, before: [first] }) => {
    if (other.id === receipt.id || !first || first.customerId !== best.customerId) return false;
    const shared = first.lines.filter(({ itemId }) => own.has(itemId)).length;
    return (
      shared > 0 &&
      first.numbers !== "none" &&
      Math.abs(daysBetween(other.paidOn, receipt.paidOn)) <= DOUBLE_WITHIN_DAYS
    );
  });
  return twin?.receipt.paidOn ?? null;
}

/**
 * The day of an earlier receipt that may be for the very items a reading by sum alone would take;
 * equal items go round.
 */
export function earlierFor(
  receipt: MatchReceipt,
  best: Draft,
  claimants: ReadonlyMap<string, readonly MatchReceipt[]>,
  isPlaced: (receiptId: number) => boolean,
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
        !isPlaced(other.id) &&
        order(other, receipt) < 0 &&
        daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS,
    )?.paidOn ?? null
  );
}
