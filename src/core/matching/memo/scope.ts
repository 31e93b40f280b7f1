import type { MatchItem, Payer, Spot } from "../types";
import { isCut, mayBe } from "./damage";
import { type Memo, type UnresolvedToken } from "./mention";
import { coreOf } from "./patterns";

/**
 * How the numbers of a memo lead to items: to the letter, by digits, by order number, or damaged on
 * the way.
 */
export type ReferenceQuality = "whole" | "digits" | "order" | "cut" | "damaged" | "none";
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
  /** How many numbers lead nowhere. */
  readonly unread: number;
};

const RANK: readonly ReferenceQuality[] = ["none", "whole", "digits", "order", "cut", "damaged"];
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
  const scope = new Scope(items, payer, amount);
  const strangers = memo.mentions.filter((mention) => !scope.takeMention(mention));
  for (const mention of strangers) scope.takeStranger(mention);
  for (const stray of memo.strays) scope.takeStray(stray);
  return scope.found(memo);
}

type Mention = Memo["mentions"][number];

/** At most this many items that a damaged number may be. */
const MOST = 8;

/** What is found so far of what a memo names. */
class Scope {
  private readonly chosen = new Map<number, MatchItem>();
  private readonly open: MatchItem[][] = [];
  private readonly foreign: Spot[] = [];
  private readonly unexplained: Spot[] = [];
  private readonly spots = new Map<number, Spot>();
  private readonly out: MatchItem[] = [];
  private readonly stated = new Map<number, string>();
  private how: ReferenceQuality = "none";
  private unread = 0;

  constructor(
    private readonly items: readonly MatchItem[],
    private readonly payer: Payer | undefined,
    private readonly amount: number,
  ) {}

  /** A number of the book: whether it names something of this customer, or nothing to speak of. */
  takeMention(mention: Mention): boolean {
    const own = this.current(mention.items);
    const ordered = this.current(mention.orders);
    const [only] = own;
    this.mark(own.length > 0 ? own : ordered, mention);
    if (only && mention.stated !== "") this.stated.set(only.id, mention.stated);
    if (mention.leftOut) this.out.push(...own);
    else if (own.length === 1 || (own.length > 1 && mention.how === "order"))
      this.choose(own, mention.how);
    else if (own.length > 1) this.leaveOpen(own, mention.how);
    else if (ordered.length > 0) this.choose(ordered, "order");
    else return false;
    return true;
  }

  /**
   * Somebody else's number that is one digit off from an own one is taken for damaged, if the payer
   * is known and the sum does not fit the other.
   */
  takeStranger(mention: Mention): void {
    const token = {
      text: mention.text,
      at: mention.at,
      digits: coreOf(mention.text),
      last: false,
      after: "",
      ownStyle: true,
      leftOut: mention.leftOut,
      stated: mention.stated,
    };
    if (mention.otherwise && this.payer !== undefined) return;
    const near = this.payer === undefined ? [] : this.damaged(token);
    if (near.length === 0 || mention.items.some(({ balance }) => balance === this.amount)) {
      // Somebody else's order number may be anything.
      if (mention.how !== "order") this.foreign.push({ at: mention.at, text: mention.text });
      return;
    }
    this.mark(near, mention);
    this.leaveOpen(near, "damaged");
  }

  /** A word that nothing explains may be one of the customer's numbers, damaged on the way. */
  takeStray(stray: UnresolvedToken): void {
    const known = this.payer !== undefined || this.chosen.size > 0;
    const candidates = known ? this.damaged(stray) : [];
    if (candidates.length === 0) {
      this.unread += 1;
      if (stray.ownStyle) this.unexplained.push({ at: stray.at, text: stray.text });
      return;
    }
    this.mark(candidates, stray);
    if (stray.leftOut && candidates.length === 1) return void this.out.push(...candidates);
    if (stray.stated !== "") for (const { id } of candidates) this.stated.set(id, stray.stated);
    const how = candidates.every((item) => isCut(stray, item)) ? "cut" : "damaged";
    if (candidates.length === 1 && isNear(stray)) this.choose(candidates, how);
    else this.leaveOpen(candidates, how);
  }

  found(memo: Memo): ReferencedItems {
    return {
      items: [...this.chosen.values()],
      how: this.how,
      open: this.open,
      foreign: this.foreign,
      unexplained: this.unexplained,
      spots: this.spots,
      out: this.out,
      stated: this.stated,
      sums: memo.sums,
      loose: this.unread > 0,
      unread: this.unread,
    };
  }

  private current(list: readonly MatchItem[]): MatchItem[] {
    return this.items.filter((item) => list.some(({ id }) => id === item.id));
  }

  private damaged(token: UnresolvedToken): MatchItem[] {
    return mayBe(token, this.items)
      .filter(({ id }) => !this.chosen.has(id))
      .slice(0, MOST);
  }

  private mark(items: readonly MatchItem[], { at, text }: Spot): void {
    for (const item of items) this.spots.set(item.id, { at, text });
  }

  private choose(items: readonly MatchItem[], how: ReferenceQuality): void {
    for (const item of items) this.chosen.set(item.id, item);
    this.how = worse(this.how, how);
  }

  private leaveOpen(items: MatchItem[], how: ReferenceQuality): void {
    this.open.push(items);
    this.how = worse(this.how, how);
  }
}

/** A damaged number long enough that a single fit is no accident. */
function isNear(stray: UnresolvedToken): boolean {
  return stray.text.replace(/\D/g, "").length >= 3;
}
