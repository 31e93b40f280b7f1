import type { ReferencedItems } from "../memo/scope";
import type { MatchItem, Payer } from "../types";
import type { PayerCertainty } from "./candidate";

/** How well a payer is known to be the customer, among all who may be. */
export function whoIs(payer: Payer | undefined, payers: readonly Payer[]): PayerCertainty {
  const [best] = payers;
  if (!payer) return best && (best.beyondDoubt || best.weight >= 4.5) ? "other" : "unknown";
  if (payer.beyondDoubt) return "certain";
  if (!best || payer.weight >= best.weight - 0.01) return payer.weight >= 3 ? "likely" : "weak";
  return best.beyondDoubt ? "other" : "weak";
}

/**
 * Every list that the named numbers can stand for, where a damaged one leaves a choice; at most a
 * few dozen.
 */
export function choices(named: ReferencedItems): MatchItem[][] {
  let lists: MatchItem[][] = [[...named.items]];
  for (const options of named.open.slice(0, 4)) {
    lists = lists.flatMap((list) =>
      options.filter((item) => !list.includes(item)).map((item) => [...list, item]),
    );
    if (lists.length > 64) break;
  }
  return lists.filter((list) => list.length > 0).slice(0, 64);
}

/**
 * How money that goes to the oldest comes out: more than all, a part of the only item, of one of
 * few or of many, or over several.
 */
export function oldestShape(given: number, open: number, off: number): string {
  if (off > 0) return "over";
  if (given > 1) return given === open ? "all-but-a-rest" : "several";
  if (open === 1) return "only";
  if (open <= 3) return "part-of-few";
  return "part-of-many";
}
