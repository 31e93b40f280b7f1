import { minor, type Minor } from "./minor";

/**
 * Splits an amount by weights so that the parts sum to it exactly (largest
 * remainder, Hamilton's method). Ties go to the earlier part. Weights are
 * non-negative whole numbers; if all are 0 the whole goes to the first part.
 * @example split(100, [1, 1, 1]) // [34, 33, 33]
 */
export function split(amount: number, weights: readonly number[]): Minor[] {
  const all = weights.reduce((sum, weight) => sum + BigInt(weight), 0n);
  if (weights.length === 0) return [];
  if (all === 0n) return weights.map((_, index) => minor(index === 0 ? amount : 0));
  const sign = amount < 0 ? -1 : 1;
  const size = BigInt(Math.abs(amount));
  const parts = weights.map((weight) => Number((size * BigInt(weight)) / all));
  const order = weights
    .map((weight, index) => ({ index, rest: (size * BigInt(weight)) % all }))
    .sort((a, b) => {
      if (a.rest === b.rest) return a.index - b.index;
      if (a.rest > b.rest) return -1;
      return 1;
    });
  let left = Math.abs(amount) - parts.reduce((sum, part) => sum + part, 0);
  for (const { index } of order) {
    if (left === 0) break;
    parts[index] = (parts[index] ?? 0) + 1;
    left -= 1;
  }
  return parts.map((part) => minor(part * sign));
}
