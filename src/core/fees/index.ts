import { type Day, earlierFirst } from "@/core/calendar";
import { add, minor, percentOf, ratioOf, sumOf, type Minor } from "@/core/money";
import type { Method } from "@/core/receipts";

/**
 * What was agreed with a processor for charges of a method in a period: percent
 * (decimal text) and a fixed sum, within a least and a most. It may hold for one
 * brand of card only, for cards of this country or from abroad only, and from a
 * volume of the month on.
 */
export type AgreedRate = {
  readonly id: number;
  readonly method: Method;
  readonly from: Day;
  readonly to: Day | null;
  readonly percent: string;
  readonly fixed: Minor;
  readonly least: Minor | null;
  readonly most: Minor | null;
  readonly brand: string | null;
  readonly abroad: boolean | null;
  readonly fromVolume: Minor;
};
/** A charge with the fee that was taken for it, positive. */
export type FeeCharge = {
  readonly id: number;
  readonly on: Day;
  readonly method: Method;
  readonly amount: Minor;
  readonly fee: Minor;
  readonly brand?: string | null;
  readonly abroad?: boolean;
};
/**
 * `expected` is null where nothing was agreed for its method and day; `off` is what was taken too
 * much (below zero: too little).
 */
export type CheckedFee = FeeCharge & { readonly expected: Minor | null; readonly off: Minor };

/**
 * The fee that was agreed for an amount: percent of it, rounded half to even,
 * plus the fixed sum; not below the least, nor above the most.
 * @example 2.9 % + 0.30 on 100.00: 3.20; 0.8 %, at most 5.00, on 1,000.00: 5.00
 */
export function expectedFee(rate: AgreedRate, amount: Minor): Minor {
  const percent = ratioOf(rate.percent);
  const fee = add(percent.ok ? percentOf(amount, percent.value, "half-even") : 0, rate.fixed);
  const floored = rate.least === null ? fee : minor(Math.max(fee, rate.least));
  return rate.most === null ? floored : minor(Math.min(floored, rate.most));
}

/**
 * The rate agreed for a charge: of its method, day, brand and country, and of
 * what the month had come to before it. The one that says most of these counts;
 * of equal ones the highest volume reached, then the one agreed last.
 */
export function rateFor(
  rates: readonly AgreedRate[],
  charge: Pick<FeeCharge, "method" | "on" | "brand" | "abroad">,
  volume: number,
): AgreedRate | undefined {
  const brand = charge.brand?.toLowerCase() ?? null;
  const fits = rates.filter(
    (rate) =>
      rate.method === charge.method &&
      rate.from <= charge.on &&
      (rate.to === null || charge.on <= rate.to) &&
      rate.fromVolume <= volume &&
      (rate.brand === null || rate.brand.toLowerCase() === brand) &&
      (rate.abroad === null || rate.abroad === (charge.abroad ?? false)),
  );
  const says = (rate: AgreedRate): number =>
    (rate.brand === null ? 0 : 2) + (rate.abroad === null ? 0 : 1);
  return fits.sort(
    (a, b) =>
      says(b) - says(a) ||
      b.fromVolume - a.fromVolume ||
      earlierFirst(b.from, a.from) ||
      b.id - a.id,
  )[0];
}

/**
 * Every charge with the fee it should have had, what was taken too much first. The month's volume
 * counts charge by charge, in the order they settled.
 */
export function checkFees(
  charges: readonly FeeCharge[],
  rates: readonly AgreedRate[],
): CheckedFee[] {
  const volumes = new Map<string, number>();
  return [...charges]
    .sort((a, b) => earlierFirst(a.on, b.on) || a.id - b.id)
    .map((charge): CheckedFee => {
      const month = `${charge.on.slice(0, 7)} ${charge.method}`;
      const volume = volumes.get(month) ?? 0;
      volumes.set(month, volume + charge.amount);
      const rate = rateFor(rates, charge, volume);
      const expected = rate ? expectedFee(rate, charge.amount) : null;
      return {
        ...charge,
        expected,
        off: expected === null ? minor(0) : add(charge.fee, -expected),
      };
    })
    .sort((a, b) => b.off - a.off || b.amount - a.amount || a.id - b.id);
}

/**
 * A month's charges of a method: what was taken, what should have been, and the effective rate in
 * parts per million of the charges.
 */
export type FeeMonth = {
  readonly month: string;
  readonly method: Method;
  readonly count: number;
  readonly charges: Minor;
  readonly fees: Minor;
  readonly expected: Minor | null;
  readonly off: Minor;
  readonly perMillion: number;
};

export function feesByMonth(checked: readonly CheckedFee[]): FeeMonth[] {
  const keyOf = ({ on, method }: CheckedFee): string => `${on.slice(0, 7)} ${method}`;
  const keys = [...new Set(checked.map(keyOf))].sort().reverse();
  const groups = new Map<string, CheckedFee[]>(keys.map((key) => [key, []]));
  for (const fee of checked) groups.get(keyOf(fee))?.push(fee);
  return [...groups.values()].flatMap(monthOf);
}

function monthOf(all: readonly CheckedFee[]): FeeMonth[] {
  const [first] = all;
  if (!first) return [];
  const [charges, fees] = [sumOf(all, ({ amount }) => amount), sumOf(all, ({ fee }) => fee)];
  return [
    {
      month: first.on.slice(0, 7),
      method: first.method,
      count: all.length,
      charges,
      fees,
      expected: all.some(({ expected }) => expected === null)
        ? null
        : sumOf(all, ({ expected }) => expected ?? minor(0)),
      off: sumOf(all, ({ off }) => off),
      perMillion: charges === 0 ? 0 : Math.round((fees * 1_000_000) / charges),
    },
  ];
}

/**
 * What the same card charges would have cost by ACH, and from how many payments
 * a month ACH pays for its fixed costs; null where ACH saves nothing.
 * @example 10 card charges of 100.00 at 3.20 each, ACH at 0.80: 24.00 saved; at 12.00 fixed a month
 * worth it from 5 payments
 */
export function achInstead(
  cards: readonly FeeCharge[],
  ach: AgreedRate,
  fixedPerMonth: Minor,
): { readonly saved: Minor; readonly from: number | null } {
  const saved = sumOf(cards, (charge) => add(charge.fee, -expectedFee(ach, charge.amount)));
  if (cards.length === 0 || saved <= 0) return { saved, from: null };
  // fixed / (saved / count), rounded up, without a fraction on the way
  return { saved, from: Math.max(1, Math.ceil((fixedPerMonth * cards.length) / saved)) };
}
