import { minor, sumOf } from "@/core/money";

import type { MatchItem } from "../types";
import { sumReasons } from "./candidate";
import { chanceOfOne } from "./chance";
import { choices } from "./choices";
import type { CustomerScope } from "./customerScope";
import { doubtIf } from "./doubts";
import { withNotesAndGaps } from "./gaps";
import { mended } from "./lists";
import { saidItems, saidNumbers } from "./said";
import { lessClaim, lessFee, type Shortfall } from "./shortfalls";

/** Lists that are short by what a bank keeps, or by a claim that the words name. */
export function addShortfall(scope: CustomerScope): boolean {
  const lists = choices(scope.named).filter((items) => !isOnAccount(scope, items));
  const claims = lists.flatMap((items) => lessClaim(scope, items));
  const found = claims.length > 0 ? claims : lists.flatMap((items) => lessFee(scope, items));
  const unclear =
    scope.named.out.length > 0 || new Set(found.map(({ by }) => by)).size > 1 || found.some(isOdd);
  for (const { lines, by } of found.slice(0, 2))
    scope.add({
      lines,
      sum: claims.length > 0 ? "claim" : "fee",
      numbers: scope.named.how,
      reasons: [
        saidNumbers(scope, lines),
        ...sumReasons(lines).filter(({ code }) => code === "discount"),
        { code: claims.length > 0 ? "claim" : "fee", by: minor(by) },
      ],
      doubts: [...doubtIf(unclear, "odd"), ...doubtIf(found.length > 1, "ways")],
    });
  return found.length > 0;
}

/** A sum that no bank keeps, of more than one item or beside a discount, may be anything. */
const isOdd = ({ usual, lines }: Shortfall): boolean =>
  !usual && (lines.length > 1 || lines.some(({ discount }) => discount > 0));

/** What is short stands on account. */
function isOnAccount(scope: CustomerScope, items: readonly MatchItem[]): boolean {
  const short = sumOf(items, ({ balance }) => balance) - scope.receipt.amount;
  return short > 0 && scope.around.credit(scope.customerId) === short;
}

/** Lists that come out with what the words leave unsaid: a credit note, an item or two. */
export function addGaps(scope: CustomerScope): number {
  const found = choices(scope.named)
    .slice(0, 8)
    .flatMap((items) => withNotesAndGaps(scope, items));
  const next = scope.told.restAndNext && found.length === 1;
  for (const { lines, chance } of found.slice(0, 3))
    scope.add({
      lines,
      sum: next ? "next" : "gap",
      numbers: scope.named.how,
      reasons: [
        saidNumbers(scope, lines),
        ...(next ? [{ code: "rest_next" } as const] : sumReasons(lines)),
        { code: "mended", count: lines.length },
      ],
      doubts: doubtIf(found.length > 1, "ways"),
      chance,
    });
  return found.length;
}

export function addMended(scope: CustomerScope, items: readonly MatchItem[]): number {
  const found = mended(scope, items);
  const [only] = found;
  if (only && found.length === 1)
    scope.add({
      lines: only,
      sum: "mended",
      numbers: scope.named.how,
      reasons: [saidItems(scope, items), { code: "mended", count: only.length }],
      doubts: [
        ...doubtIf(scope.named.open.length, "open"),
        ...doubtIf(only.length < items.length, "out"),
      ],
      chance: mendedByChance(scope, items),
    });
  return found.length;
}

/** How many lists with one number wrong would come out by mere chance. */
const mendedByChance = (scope: CustomerScope, items: readonly MatchItem[]): number =>
  (items.length + 1) * chanceOfOne(scope.items.filter(({ balance }) => balance > 0));
