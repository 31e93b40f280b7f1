import { type Currency, type Minor, parseAmount, sumOf } from "@/core/money";

import { subsetsOf } from "./sums";

/** An open item as a list shows it. */
export type Listed = {
  readonly itemId: number;
  readonly number: string;
  readonly customer: string;
  readonly description: string;
  readonly open: Minor;
};
/** Items a filter lets through, and sets of several that make the sum that was typed. */
export type Filtered = {
  readonly ids: readonly number[];
  readonly sets: readonly { readonly ids: readonly number[]; readonly sum: Minor }[];
};

const MOST_SETS = 5;

/**
 * Filters open items by what a clerk types: a sum (`540` or `1,284.50`: items
 * of that balance, and sets of two to four that make it), `=` (what makes the
 * sum that is left over), `> 500`, `< 100`, `100 - 200`, else part of a number,
 * a description or a customer's name. Items stand oldest first.
 */
export function filterItems(
  items: readonly Listed[],
  text: string,
  left: Minor,
  currency: Currency,
): Filtered {
  const typed = text.trim();
  if (typed === "") return { ids: items.map(({ itemId }) => itemId), sets: [] };
  if (typed === "=") return bySum(items, left, []);
  const within = boundsOf(typed, currency);
  if (within)
    return { ids: items.filter(({ open }) => within(open)).map(({ itemId }) => itemId), sets: [] };
  const words = typed.toLowerCase();
  const named = items.filter((item) =>
    [item.number, item.description, item.customer].some((part) =>
      part.toLowerCase().includes(words),
    ),
  );
  const sum = read(typed, currency);
  return sum === null || sum <= 0
    ? { ids: named.map(({ itemId }) => itemId), sets: [] }
    : bySum(items, sum, named);
}

const read = (part: string | undefined, currency: Currency): Minor | null => {
  const parsed = parseAmount(part ?? "", ".", currency);
  return parsed.ok ? parsed.value : null;
};

/** The bounds that were typed, as `> 500`, `< 100` or `100 - 200`; null where none were. */
function boundsOf(typed: string, currency: Currency): ((open: Minor) => boolean) | null {
  const range = /^([<>])\s*(\S+)$/.exec(typed);
  const edge = read(range?.[2], currency);
  if (range && edge !== null) return (open) => (range[1] === "<" ? open < edge : open > edge);
  const span = /^(\S+)\s*(?:-|to)\s+?(\S+)$/.exec(typed) ?? /^([\d.,]+)-([\d.,]+)$/.exec(typed);
  const [from, to] = [read(span?.[1], currency), read(span?.[2], currency)];
  return from !== null && to !== null && from <= to ? (open) => open >= from && open <= to : null;
}

function bySum(items: readonly Listed[], sum: Minor, named: readonly Listed[]): Filtered {
  const exact = items.filter(({ open }) => open === sum);
  const due = items.filter(({ open }) => open > 0).map((item) => ({ ...item, balance: item.open }));
  const sets = subsetsOf(due, sum)
    .slice(0, MOST_SETS)
    .map((set) => ({
      ids: set.map(({ itemId }) => itemId),
      sum: sumOf(set, ({ balance }) => balance),
    }));
  return { ids: [...new Set([...exact, ...named].map(({ itemId }) => itemId))], sets };
}
