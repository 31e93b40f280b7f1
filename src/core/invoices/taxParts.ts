import { add, type Minor, mulDiv, sumOf } from "@/core/money";

import { decimalOf } from "./decimal";
import { type TaxCode, type TaxRules, UNTAXED } from "./taxes";

/** A line or charge after the discount, with its tax. */
export type Part = { readonly amount: Minor; readonly tax: TaxCode };
export const partOf = (amount: Minor, tax: TaxCode = UNTAXED): Part => ({ amount, tax });

type Group = { readonly tax: TaxCode; readonly at: number[]; readonly amounts: Minor[] };

/** The parts by tax code, in the order in which the codes first come up. */
export function groupsOf(parts: readonly Part[]): Group[] {
  const groups = new Map<string, Group>();
  for (const [at, { amount, tax }] of parts.entries()) {
    const group = groups.get(tax.code) ?? { tax, at: [], amounts: [] };
    group.at.push(at);
    group.amounts.push(amount);
    groups.set(tax.code, group);
  }
  return [...groups.values()];
}

/** The tax of one code, and what its parts are without it. */
export function taxOf(
  { tax, at, amounts }: Group,
  rules: TaxRules,
): { tax: TaxCode; at: number[]; nets: Minor[]; sum: Minor } {
  const taxIn = (amount: number): Minor => taxOfSum(amount, tax.percent, rules.included);
  const own = amounts.map(taxIn);
  const all = sumOf(amounts, (amount) => amount);
  const sum = rules.rounded === "by_line" ? sumOf(own, (line) => line) : taxIn(all);
  if (!rules.included) return { tax, at, nets: amounts, sum };
  // What rounding by code leaves over is borne by the largest parts first.
  const shares = rules.rounded === "by_line" ? own : spread(sum, own, amounts);
  return { tax, at, nets: amounts.map((amount, index) => add(amount, -(shares[index] ?? 0))), sum };
}

/** Shares near `own` that sum to `sum`: a cent more or less for the largest parts. */
function spread(sum: Minor, own: readonly Minor[], amounts: readonly Minor[]): Minor[] {
  const shares = [...own];
  let left = sum - sumOf(own, (share) => share);
  const order = amounts
    .map((_, at) => at)
    .sort((a, b) => (amounts[b] ?? 0) - (amounts[a] ?? 0) || a - b);
  for (let at = 0; left !== 0; at = (at + 1) % order.length) {
    const place = order[at] ?? 0;
    shares[place] = add(shares[place] ?? 0, Math.sign(left));
    left -= Math.sign(left);
  }
  return shares;
}

/** Tax on a sum, or in it, half away from zero. `percent` was checked with its code. */
function taxOfSum(amount: number, percent: string, included: boolean): Minor {
  const read = decimalOf(percent);
  if (!read.ok) throw new RangeError("a tax code has a percent");
  const { units, places } = read.value;
  const hundred = 100n * 10n ** BigInt(places);
  return mulDiv(amount, units, included ? hundred + units : hundred, "half-up");
}
