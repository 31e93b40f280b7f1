import { add, minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { sumReasons, whole } from "./candidate";
import { oldestShape } from "./choices";
import type { CustomerScope } from "./customerScope";
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
    several &&
    (scope.named.loose || equal.some(({ customerId }) => customerId !== oldest.customerId));
  scope.add({
    lines: [whole(oldest)],
    sum: "single",
    numbers: "none",
    reasons: [
      { code: "sum_one", number: oldest.number },
      ...(several ? [{ code: "equal_items", count: equal.length } as const] : []),
    ],
    doubt: unclear ? 1 : 0,
  });
  return true;
}

function addDiscounted(scope: CustomerScope, due: readonly MatchItem[]): void {
  const { receipt, around } = scope;
  for (const item of due.slice(0, MOST)) {
    const part = partsOf(item, receipt.paidOn, around.graceDays)[1];
    if (part?.amount === receipt.amount)
      scope.add({
        lines: [part],
        sum: part.inTime ? "discount" : "late",
        numbers: "none",
        reasons: [{ code: "sum_one", number: item.number }, ...sumReasons([part])],
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

function addLessCredit(scope: CustomerScope, due: readonly MatchItem[]): void {
  for (const note of scope.items.filter((item) => item.balance < 0)) {
    const less = due.find((item) => item.balance + note.balance === scope.receipt.amount);
    if (less && scope.items.length > 2)
      scope.add({
        lines: [whole(less), whole(note)],
        sum: "credit",
        numbers: "none",
        reasons: [
          { code: "sum_one", number: less.number },
          { code: "credit_note", numbers: [note.number] },
        ],
      });
  }
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
  for (const subset of subsetsOf(due, scope.receipt.amount).slice(0, most))
    if (subset.length < scope.items.length) addSet(scope, subset, "several");
}

function addSet(scope: CustomerScope, set: readonly MatchItem[], sum: "due" | "several"): void {
  scope.add({
    lines: set.map((item) => whole(item)),
    sum,
    numbers: "none",
    reasons: [{ code: "sum_several", count: set.length }],
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
