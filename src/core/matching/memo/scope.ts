import type { MatchItem, Payer, Spot } from "../types";
import { mayBe } from "./damage";
import { coreOf, type Memo, type UnresolvedToken } from "./memo";

/**
 * How the numbers of a memo lead to items: to the letter, by digits, by order number, or damaged on
 * the way.
 */
export type ReferenceQuality = "whole" | "digits" | "order" | "damaged" | "none";
/** What a memo names within one customer's open items. */
export type ReferencedItems = {
  readonly items: readonly MatchItem[];
  readonly how: ReferenceQuality;
  /** A damaged number that may be one of several items; the sum tells which. */
  readonly open: readonly (readonly MatchItem[])[];
  /**
   * Numbers that are other customers' items, and words built like the book's numbers that nothing
   * explains.
   */
  readonly foreign: readonly Spot[];
  readonly unexplained: readonly Spot[];
  /** Where each item is named. */
  readonly spots: ReadonlyMap<number, Spot>;
  /** Items that the words leave out, and sums that stand beside numbers, by item. */
  readonly out: readonly MatchItem[];
  readonly stated: ReadonlyMap<number, string>;
  /** Sums of money in the memo, and whether it has digits that nothing explains, however short. */
  readonly sums: number;
  readonly loose: boolean;
};

const RANK: readonly ReferenceQuality[] = ["none", "whole", "digits", "order", "damaged"];
const worse = (a: ReferenceQuality, b: ReferenceQuality): ReferenceQuality =>
  RANK.indexOf(a) > RANK.indexOf(b) ? a : b;

/**
 * Reads a memo as one customer would have meant it. `items` are what is open at the customer and
 * its group.
 */
export function namedIn(
  memo: Memo,
  items: readonly MatchItem[],
  payer: Payer | undefined,
  amount: number,
): ReferencedItems {
  const chosen = new Map<number, MatchItem>();
  const open: MatchItem[][] = [];
  const [foreign, unexplained]: [Spot[], Spot[]] = [[], []];
  const spots = new Map<number, Spot>();
  const strangers: Memo["mentions"][number][] = [];
  const out: MatchItem[] = [];
  const stated = new Map<number, string>();
  let how: ReferenceQuality = "none";
  const current = (list: readonly MatchItem[]): MatchItem[] =>
    items.filter((item) => list.some(({ id }) => id === item.id));
  for (const mention of memo.mentions) {
    const own = current(mention.items);
    const ordered = current(mention.orders);
    const [only] = own;
    for (const item of own.length > 0 ? own : ordered)
      spots.set(item.id, { at: mention.at, text: mention.text });
    if (only && mention.stated !== "") stated.set(only.id, mention.stated);
    if (mention.leftOut) out.push(...own);
    else if (only && own.length === 1) {
      chosen.set(only.id, only);
      how = worse(how, mention.how);
    } else if (own.length > 1 && mention.how === "order") {
      for (const item of own) chosen.set(item.id, item);
      how = worse(how, "order");
    } else if (own.length > 1) {
      open.push(own);
      how = worse(how, mention.how);
    } else if (ordered.length > 0) {
      for (const item of ordered) chosen.set(item.id, item);
      how = worse(how, "order");
    } else if (mention.how !== "order") strangers.push(mention);
  }
  // Somebody else's number that is one digit off from an own one is taken for damaged, if the payer
  // is known and the sum does not fit the other.
  for (const mention of strangers) {
    const near =
      payer === undefined
        ? []
        : mayBe(
            {
              text: mention.text,
              at: mention.at,
              digits: coreOf(mention.text),
              last: false,
              after: "",
              ownStyle: true,
            },
            items,
          ).filter(({ id }) => !chosen.has(id));
    if (near.length === 0 || mention.items.some(({ balance }) => balance === amount))
      foreign.push({ at: mention.at, text: mention.text });
    else {
      open.push(near.slice(0, 8));
      for (const item of near.slice(0, 8))
        spots.set(item.id, { at: mention.at, text: mention.text });
      how = worse(how, "damaged");
    }
  }
  for (const stray of memo.strays) {
    const candidates =
      payer === undefined && chosen.size === 0
        ? []
        : mayBe(stray, items).filter(({ id }) => !chosen.has(id));
    if (candidates.length === 0) {
      if (stray.ownStyle) unexplained.push({ at: stray.at, text: stray.text });
      continue;
    }
    for (const item of candidates.slice(0, 8))
      spots.set(item.id, { at: stray.at, text: stray.text });
    const [single] = candidates;
    if (single && candidates.length === 1 && isNear(stray)) chosen.set(single.id, single);
    else open.push(candidates.slice(0, 8));
    how = worse(how, "damaged");
  }
  return {
    items: [...chosen.values()],
    how,
    open,
    foreign,
    unexplained,
    spots,
    out,
    stated,
    sums: memo.sums,
    loose: memo.strays.length > 0,
  };
}

/** A damaged number long enough that a single fit is no accident. */
function isNear(stray: UnresolvedToken): boolean {
  return stray.digits.length >= 3;
}
