import { earlierFirst } from "@/core/calendar";
import { add, minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { whole } from "./candidate";
import type { CustomerScope } from "./customerScope";
import { doubtIf } from "./doubts";
import { fill } from "./sums";

/**
 * Readings that the words tell of without naming what is paid: a statement less what is in dispute,
 * the oldest first.
 */
export function readByWords(scope: CustomerScope): void {
  const { told } = scope;
  if (told.statement) addStatement(scope);
  if (told.oldestFirst) addOldest(scope);
}

/** Everything issued up to a day, but for what the words leave out. */
function addStatement(scope: CustomerScope): void {
  const { told, receipt, named } = scope;
  const out = new Set(named.out.map(({ id }) => id));
  const items = scope.items.filter(({ id }) => !out.has(id)).sort(byIssue);
  const days = [...new Set(items.map(({ issuedOn }) => issuedOn))];
  const ends = told.until === null ? days : [told.until];
  const found = ends.flatMap((end) => {
    const upTo = items.filter(({ issuedOn }) => issuedOn <= end);
    const off = sumOf(upTo, ({ balance }) => balance) - receipt.amount;
    if (upTo.length === 0) return [];
    if (off === 0) return [upTo];
    const left = told.less && out.size === 0 ? upTo.filter(({ balance }) => balance === off) : [];
    return left.length === 1 ? [upTo.filter((item) => item !== left[0])] : [];
  });
  for (const set of found.slice(0, 2))
    scope.add({
      lines: set.map((item) => whole(item)),
      sum: "statement",
      numbers: "none",
      reasons: [{ code: "statement", until: told.until, count: set.length }],
      doubts: doubtIf(found.length > 1, "ways"),
    });
}

const byIssue = (a: MatchItem, b: MatchItem): number =>
  earlierFirst(a.issuedOn, b.issuedOn) || a.id - b.id;

/** Whether only one customer of the group owes anything in that currency. */
function onlyOneOwes({ around, customerId, receipt }: CustomerScope): boolean {
  const owing = around
    .scope(around.payers.group(customerId))
    .filter(({ balance, currency }) => balance > 0 && currency === receipt.currency);
  return new Set(owing.map((item) => item.customerId)).size <= 1;
}

/** The words say that the oldest are paid first. */
function addOldest(scope: CustomerScope): void {
  const due = scope.items.filter(({ balance }) => balance > 0);
  const filled = fill(due, scope.receipt.amount);
  if (filled.length === 0 || scope.named.items.length > 0) return;
  const off = add(scope.receipt.amount, -sumOf(filled, ({ item }) => item.balance));
  scope.add({
    lines: filled.map(({ item, amount }) => whole(item, amount)),
    sum: "told-oldest",
    numbers: "none",
    doubts: doubtIf(!scope.isItself && !onlyOneOwes(scope), "site"),
    reasons: [
      { code: "oldest_first" },
      ...(off < 0 ? [{ code: "against_short", by: minor(-off) } as const] : []),
      ...(off > 0 ? [{ code: "against_over", by: off } as const] : []),
    ],
  });
}
