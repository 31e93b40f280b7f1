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
  const range = /^([<>])\s*(\S+)$/.exec(typed);
  const span = /^(\S+)\s*(?:-|to)\s+?(\S+)$/.exec(typed) ?? /^([\d.,]+)-([\d.,]+)$/.exec(typed);
  const read = (part: string | undefined): Minor | null => {
    const parsed = parseAmount(part ?? "", ".", currency);
    return parsed.ok ? parsed.value : null;
  };
  const [edge, from, to] = [read(range?.[2]), read(span?.[1]), read(span?.[2])];
  if (range && edge !== null)
    return {
      ids: items
        .filter(({ open }) => (range[1] === "<" ? open < edge : open > edge))
        .map(({ itemId }) => itemId),
      sets: [],
    };
  if (from !== null && to !== null && from <= to)
    return {
      ids: items.filter(({ open }) => open >= from && open <= to).map(({ itemId }) => itemId),
      sets: [],
    };
  const words = typed.toLowerCase();
  const named = items.filter((item) =>
    [item.number, item.description, item.customer].some((part) =>
      part.toLowerCase().includes(words),
    ),
  );
  const sum = read(typed);
  return sum === null || sum <= 0
    ? { ids: named.map(({ itemId }) => itemId), sets: [] }
    : bySum(items, sum, named);
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
