import type { Draft } from "../candidates/candidate";
import { listOf } from "../lists";
import type { MatchReceipt } from "../types";
import type { Looked } from "./plan";

/** Who gives no name, or hardly one, may be anybody; a stranger's name is a stranger's. */
export function isNobody(receipt: MatchReceipt, before: readonly Draft[]): boolean {
  return before.length === 0 && receipt.payerName.replace(/[^A-Za-z]/g, "").length <= 6;
}

/**
 * How far a change reaches: the groups that it touches, the receipts that could
 * be for any of them, all other groups that those could be for, and so on; and
 * receipts of nobody's, which are rivals of every receipt of their sum. What is
 * not reached reads as before, as nothing it could claim or lose to has changed.
 */
export function affectedReceipts(
  receipts: readonly MatchReceipt[],
  looks: ReadonlyMap<number, Looked>,
  groups: ReadonlySet<number>,
  sums: ReadonlySet<number>,
): { receipts: MatchReceipt[]; groups: Set<number> } {
  const nobodys = new Set<number>(sums);
  for (const { receipt, before } of looks.values())
    if (isNobody(receipt, before)) nobodys.add(receipt.amount);
  // Groups and sums are the places where receipts meet.
  const placesOf = (id: number): string[] => {
    const look = looks.get(id);
    return look
      ? [
          ...look.groups.map((group) => `group ${group}`),
          ...(nobodys.has(look.receipt.amount) ? [`sum ${look.receipt.amount}`] : []),
        ]
      : [];
  };
  const meeting = new Map<string, number[]>();
  for (const { id } of receipts) for (const place of placesOf(id)) listOf(meeting, place).push(id);
  const places = new Set([
    ...[...groups].map((group) => `group ${group}`),
    ...[...sums].map((sum) => `sum ${sum}`),
  ]);
  const found = new Set<number>();
  const waiting = [...places];
  for (let place = waiting.pop(); place !== undefined; place = waiting.pop()) {
    for (const id of meeting.get(place) ?? []) {
      if (found.has(id)) continue;
      found.add(id);
      for (const other of placesOf(id))
        if (!places.has(other)) {
          places.add(other);
          waiting.push(other);
        }
    }
  }
  return {
    receipts: receipts.filter(({ id }) => found.has(id)),
    groups: new Set(
      [...places].flatMap((place) => (place.startsWith("group ") ? [Number(place.slice(6))] : [])),
    ),
  };
}
