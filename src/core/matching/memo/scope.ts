import type { MatchItem, Payer, Spot } from "../types";
import { mayBe } from "./damage";
import { coreOf, type Memo, type Stray } from "./memo";

/** How the numbers of a memo lead to items: to the letter, by digits, by order number, or damaged on the way. */
export type Numbers = "whole" | "digits" | "order" | "damaged" | "none";
/** What a memo names within one customer's open items. */
export type Named = {
  readonly items: readonly MatchItem[];
  readonly how: Numbers;
  /** A damaged number that may be one of several items; the sum tells which. */
  readonly open: readonly (readonly MatchItem[])[];
  /** Numbers that are other customers' items, and words built like the book's numbers that nothing explains. */
  readonly foreign: readonly Spot[];
  readonly unexplained: readonly Spot[];
  /** Where each item is named. */
  readonly spots: ReadonlyMap<number, Spot>;
  /** Items that the words leave out, and sums that stand beside numbers, by item. */
  readonly out: readonly MatchItem[];
  readonly told: ReadonlyMap<number, string>;
  /** Sums of money in the memo, and whether it has digits that nothing explains, however short. */
  readonly sums: number;
  readonly loose: boolean;
};

const RANK: readonly Numbers[] = ["none", "whole", "digits", "order", "damaged"];
const worse = (a: Numbers, b: Numbers): Numbers => (RANK.indexOf(a) > RANK.indexOf(b) ? a : b);

/** Reads a memo as one customer would have meant it. `items` are what is open at the customer and its group. */
export function namedIn(
  memo: Memo,
  items: readonly MatchItem[],
  payer: Payer | undefined,
  amount: number,
): Named {
  const chosen = new Map<number, MatchItem>();
  const open: MatchItem[][] = [];
  const [foreign, unexplained]: [Spot[], Spot[]] = [[], []];
  const spots = new Map<number, Spot>();
  const strangers: Memo["mentions"][number][] = [];
  const out: MatchItem[] = [];
  const told = new Map<number, string>();
  let how: Numbers = "none";
  const current = (list: readonly MatchItem[]): MatchItem[] =>
    items.filter((item) => list.some(({ id }) => id === item.id));
  for (const mention of memo.mentions) {
    const own = current(mention.items);
    const ordered = current(mention.orders);
    const [only] = own;
    for (const item of own.length > 0 ? own : ordered)
      spots.set(item.id, { at: mention.at, text: mention.text });
    if (only && mention.told !== "") told.set(only.id, mention.told);
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
  // Somebody else's number that is one digit off from an own one is taken for damaged, if the payer is known and the sum does not fit the other.
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
    told,
    sums: memo.sums,
    loose: memo.strays.length > 0,
  };
}

/** A damaged number long enough that a single fit is no accident. */
function isNear(stray: Stray): boolean {
  return stray.digits.length >= 3;
}
