import type { Day } from "@/core/calendar";
import { add, minor, percentOf, ratioOf, sumOf, type Minor } from "@/core/money";
import type { Method } from "@/core/receipts";

/** What was agreed with a processor for charges of a method in a period: percent (decimal text) and a fixed sum, within a least and a most. */
export type AgreedRate = { readonly id: number; readonly method: Method; readonly from: Day; readonly to: Day | null; readonly percent: string; readonly fixed: Minor; readonly least: Minor | null; readonly most: Minor | null };
/** A charge with the fee that was taken for it, positive. */
export type FeeCharge = { readonly id: number; readonly on: Day; readonly method: Method; readonly amount: Minor; readonly fee: Minor };
/** `expected` is null where nothing was agreed for its method and day; `off` is what was taken too much (below zero: too little). */
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

/** The rate agreed for a method on a day; of several the one agreed last. */
export function rateFor(rates: readonly AgreedRate[], method: Method, on: Day): AgreedRate | undefined {
  return rates.filter((rate) => rate.method === method && rate.from <= on && (rate.to === null || on <= rate.to)).reduce<AgreedRate | undefined>((last, rate) => (last === undefined || rate.from > last.from || (rate.from === last.from && rate.id > last.id) ? rate : last), undefined);
}

/** Every charge with the fee it should have had, what was taken too much first. */
export function checkFees(charges: readonly FeeCharge[], rates: readonly AgreedRate[]): CheckedFee[] {
  return charges
    .map((charge): CheckedFee => {
      const rate = rateFor(rates, charge.method, charge.on);
      const expected = rate ? expectedFee(rate, charge.amount) : null;
      return { ...charge, expected, off: expected === null ? minor(0) : add(charge.fee, -expected) };
    })
    .sort((a, b) => b.off - a.off || b.amount - a.amount || a.id - b.id);
}

/** A month's charges of a method: what was taken, what should have been, and the effective rate in parts per million of the charges. */
export type FeeMonth = { readonly month: string; readonly method: Method; readonly count: number; readonly charges: Minor; readonly fees: Minor; readonly expected: Minor | null; readonly off: Minor; readonly perMillion: number };

export function feesByMonth(checked: readonly CheckedFee[]): FeeMonth[] {
  const groups = new Map<string, CheckedFee[]>();
  for (const one of checked) groups.set(`${one.on.slice(0, 7)} ${one.method}`, [...(groups.get(`${one.on.slice(0, 7)} ${one.method}`) ?? []), one]);
  return [...groups].sort(([a], [b]) => (a < b ? 1 : -1)).flatMap(([key, all]): FeeMonth[] => {
    const [first] = all;
    if (!first) return [];
    const [charges, fees] = [sumOf(all, ({ amount }) => amount), sumOf(all, ({ fee }) => fee)];
    return [{ month: key.slice(0, 7), method: first.method, count: all.length, charges, fees, expected: all.some(({ expected }) => expected === null) ? null : sumOf(all, ({ expected }) => expected ?? minor(0)), off: sumOf(all, ({ off }) => off), perMillion: charges === 0 ? 0 : Math.round((fees * 1_000_000) / charges) }];
  });
}

/**
 * What the same card charges would have cost by ACH, and from how many payments
 * a month ACH pays for its fixed costs; null where ACH saves nothing.
 * @example 10 card charges of 100.00 at 3.20 each, ACH at 0.80: 24.00 saved; at 12.00 fixed a month worth it from 5 payments
 */
export function achInstead(cards: readonly FeeCharge[], ach: AgreedRate, fixedPerMonth: Minor): { readonly saved: Minor; readonly from: number | null } {
  const saved = sumOf(cards, (charge) => add(charge.fee, -expectedFee(ach, charge.amount)));
  if (cards.length === 0 || saved <= 0) return { saved, from: null };
  // fixed / (saved / count), rounded up, without a fraction on the way
  return { saved, from: Math.max(1, Math.ceil((fixedPerMonth * cards.length) / saved)) };
}
