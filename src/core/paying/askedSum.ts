import { minor, type Minor, percentOf, ratioOf, sumOf, ZERO } from "@/core/money";

import type { PaidPart } from "./choose";
import type { WayToPay } from "./processor";

/** What a way to pay costs or saves, in percent (decimal text); null for nothing. */
export type SumRules = {
  /** On top of what is paid by card. */
  readonly surchargePercent: string | null;
  /** Off an invoice that is paid whole from a bank account. */
  readonly savingPercent: string | null;
};

/** What of an item is settled, and whether that is all that is open of it. */
export type SettledPart = PaidPart & { readonly isWhole: boolean };

/** What is asked for: what each item saves of it, what comes on top, and the sum that is taken. */
export type AskedSum = {
  readonly savings: readonly Minor[];
  readonly surcharge: Minor;
  readonly sum: Minor;
};

/**
 * The sum that is taken for some items by a way, as it is said before and taken afterwards. Each
 * saving is rounded by itself, the surcharge once, half to even.
 * @example askedSum([{ itemId: 1, amount: 10_000, isWhole: true }], "card", rules).sum // 10_300 at 3 %
 */
export function askedSum(
  parts: readonly SettledPart[],
  way: WayToPay,
  { surchargePercent, savingPercent }: SumRules,
): AskedSum {
  const savings = parts.map(({ amount, isWhole }) =>
    way === "bank" && isWhole ? partOf(amount, savingPercent) : ZERO,
  );
  const settled = sumOf(parts, ({ amount }) => amount);
  const surcharge = way === "card" ? partOf(settled, surchargePercent) : ZERO;
  const saved = sumOf(savings, (saving) => saving);
  return { savings, surcharge, sum: minor(settled + surcharge - saved) };
}

function partOf(amount: Minor, percent: string | null): Minor {
  const ratio = ratioOf(percent ?? "0");
  return ratio.ok ? percentOf(amount, ratio.value, "half-even") : ZERO;
}
