import { add, minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { addLessCredit, addRounded } from "./byCredits";
import { lateOrAllowed, whole } from "./candidate";
import { chanceOf, waysTo } from "./chance";
import { oldestShape } from "./choices";
import type { CustomerScope } from "./customerScope";
import { doubtIf } from "./doubts";
import { fill, partsOf, subsetsOf } from "./sums";

/** At most this many items are looked at one by one. */
const MOST = 60;

/** Readings by the sum alone, of a payer who is known. */
export function readBySums(scope: CustomerScope, hasDigits: boolean): void {
  const due = scope.items.filter((item) => item.balance > 0);
  const single = addSingle(scope, due);
  addDiscounted(scope, due);
  addSurcharged(scope, due);
  addLessCredit(scope, due);
  if (!single) addRounded(scope, due);
  addAllOpen(scope);
  addPastDue(scope, due);
  addOldestOnes(scope, due);
  addSubsets(scope, due);
  if (due.length > 0 && !single) addOldestFirst(scope, due, hasDigits);
  scope.add({ lines: [], sum: "account", numbers: "none", reasons: [] });
}

/** An item of the very sum; of equal ones the oldest. */
function addSingle(scope: CustomerScope, due: readonly MatchItem[]): boolean {
  const equal = due.filter((item) => item.balance === scope.receipt.amount);
  const [oldest] = equal;
  if (!oldest) return false;
  const several = equal.length > 1;
  const unclear =
    (several &&
      (scope.named.loose || equal.some(({ customerId }) => customerId !== oldest.customerId))) ||
    hasSister(scope, oldest);
  scope.add({
    lines: [whole(oldest)],
    sum: "single",
    numbers: "none",
    reasons: [
      { code: "sum_one", number: oldest.number },
      ...(several ? [{ code: "equal_items", count: equal.length } as const] : []),
    ],
    doubts: doubtIf(unclear, "equal"),
  });
  return true;
}

/** Where it is only known that somebody of the group paid, another site's item of the sum may be meant. */
function hasSister(scope: CustomerScope, { id, balance, currency }: MatchItem): boolean {
  const group = scope.around.payers.group(scope.customerId);
  return (
    !scope.isItself &&
    scope.around
      .scope(group)
      .some(
        (other) =>
          other.id !== id &&
          other.balance === balance &&
          other.currency === currency &&
          other.customerId !== scope.customerId,
      )
  );
}

function addDiscounted(scope: CustomerScope, due: readonly MatchItem[]): void {
  const { receipt, around } = scope;
  for (const item of due.slice(0, MOST)) {
    const part = partsOf(item, receipt.paidOn, around.graceDays)[1];
    if (part?.amount === receipt.amount)
      for (const paid of lateOrAllowed([part]))
        scope.add({
          ...paid,
          numbers: "none",
          reasons: [{ code: "sum_one", number: item.number }, ...paid.reasons],
        });
  }
}

function addSurcharged(scope: CustomerScope, due: readonly MatchItem[]): void {
  const { receipt, around } = scope;
  const topped = due.find(({ balance }) => {
    const surcharge = around.surcharge(receipt.method, balance);
    return surcharge > 0 && balance + surcharge === receipt.amount;
  });
  if (topped)
    scope.add({
      lines: [whole(topped)],
      sum: "surcharge",
      numbers: "none",
      reasons: [
        { code: "sum_one", number: topped.number },
        scope.onTop(add(receipt.amount, -topped.balance)),
      ],
    });
}

function addAllOpen(scope: CustomerScope): void {
  const { items, receipt } = scope;
  if (items.length > 1 && sumOf(items, (item) => item.balance) === receipt.amount)
    scope.add({
      lines: items.map((item) => whole(item)),
      sum: "all",
      numbers: "none",
      reasons: [{ code: "sum_all_open", count: items.length }],
    });
}

const pastDue = ({ receipt }: CustomerScope, due: readonly MatchItem[]): MatchItem[] =>
  due.filter((item) => item.dueOn <= receipt.paidOn);

function addPastDue(scope: CustomerScope, due: readonly MatchItem[]): void {
  const past = pastDue(scope, due);
  const some = past.length > 1 && past.length < due.length;
  if (some && sumOf(past, (item) => item.balance) === scope.receipt.amount)
    addSet(scope, past, "due");
}

/** The oldest so many, as people pay who work down a statement. */
function addOldestOnes(scope: CustomerScope, due: readonly MatchItem[]): void {
  const past = pastDue(scope, due).length;
  let [running, count] = [0, 0];
  for (const item of due.slice(0, MOST)) {
    running += item.balance;
    count += 1;
    if (running === scope.receipt.amount && count > 1 && count < due.length && count !== past)
      addSet(scope, due.slice(0, count), "due");
  }
}

function addSubsets(scope: CustomerScope, due: readonly MatchItem[]): void {
  if (due.length <= 2) return;
  const most = due.length > 12 ? 4 : 12;
  const subsets = subsetsOf(due, scope.receipt.amount);
  const only = subsets.length > 0 && waysTo(due, scope.receipt.amount) === 1;
  for (const subset of subsets.slice(0, most))
    if (subset.length < scope.items.length)
      addSet(
        scope,
        subset,
        "several",
        only ? chanceOf(due, scope.receipt.amount, { size: subset.length, unit: scope.unit }) : 1,
      );
}

function addSet(
  scope: CustomerScope,
  set: readonly MatchItem[],
  sum: "due" | "several",
  chance = 0,
): void {
  scope.add({
    lines: set.map((item) => whole(item)),
    sum,
    numbers: "none",
    reasons: [{ code: "sum_several", count: set.length }],
    chance,
  });
}

/** Where no item has the sum: the oldest first, as far as it goes. */
function addOldestFirst(scope: CustomerScope, due: readonly MatchItem[], hasDigits: boolean): void {
  const filled = fill(due, scope.receipt.amount);
  const off = add(scope.receipt.amount, -sumOf(filled, ({ item }) => item.balance));
  scope.add({
    lines: filled.map(({ item, amount }) => whole(item, amount)),
    sum: "oldest",
    numbers: "none",
    reasons: [
      off > 0 ? { code: "against_over", by: off } : { code: "against_short", by: minor(-off) },
    ],
    shape: `${oldestShape(filled.length, due.length, off)}${hasDigits ? " digits" : ""}`,
  });
}
