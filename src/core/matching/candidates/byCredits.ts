import { minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { whole } from "./candidate";
import { chanceOf, chanceOfOne, isRound } from "./chance";
import type { CustomerScope } from "./customerScope";
import { doubtIf } from "./doubts";
import { pairsOf } from "./gaps";

/** At most this many items are looked at one by one, and so many ways kept. */
const MOST = 60;
const MOST_WAYS = 3;

/** One or two items less a credit note, where nothing else makes the sum. */
export function addLessCredit(scope: CustomerScope, due: readonly MatchItem[]): void {
  if (scope.items.length < 3) return;
  const { receipt, unit } = scope;
  const sets = scope.notesBeside([]);
  const found = sets.flatMap((set) => {
    const gross = receipt.amount - sumOf(set, ({ balance }) => balance);
    const one = due.find(({ balance }) => balance === gross);
    const more = one ? [[one]] : pairsOf(due.slice(0, MOST), gross).slice(0, MOST_WAYS);
    return more.map((items) => ({ items, set, gross }));
  });
  for (const { items, set, gross } of found.slice(0, MOST_WAYS)) {
    const size = items.length;
    const pairs = size > 1 ? chanceOf(due, gross, { size, unit }) : 0;
    scope.add({
      lines: [...items, ...set].map((item) => whole(item)),
      sum: "credit",
      numbers: "none",
      reasons: [
        size === 1
          ? { code: "sum_one", number: items[0]?.number ?? "" }
          : { code: "sum_several", count: size },
        { code: "credit_note", numbers: set.map(({ number }) => number) },
      ],
      doubts: doubtIf(found.length > 1, "ways"),
      chance: sets.length * (chanceOfOne(due) + pairs),
    });
  }
}

/** An item whose sum was rounded up to whole units. */
export function addRounded(scope: CustomerScope, due: readonly MatchItem[]): void {
  const { amount } = scope.receipt;
  if (!isRound(amount, scope.unit)) return;
  const near = due.filter(({ balance }) => balance < amount && amount - balance < scope.unit);
  for (const item of near.slice(0, 2))
    scope.add({
      lines: [whole(item)],
      sum: "rounded",
      numbers: "none",
      reasons: [
        { code: "sum_one", number: item.number },
        { code: "rounded", by: minor(amount - item.balance) },
      ],
      doubts: doubtIf(near.length > 1, "ways"),
    });
}
