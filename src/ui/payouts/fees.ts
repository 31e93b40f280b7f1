/** What the Fees page is given; the server's query has the same shapes. */

export const METHODS_WITH_FEES = [
  ["card", "card"],
  ["ach_debit", "ACH debit"],
] as const;

export function methodWords(method: string): string {
  return METHODS_WITH_FEES.find(([name]) => name === method)?.[1] ?? method.replaceAll("_", " ");
}

/** Parts per million as percent with two decimals. */
export function percentWords(perMillion: number): string {
  return `${(perMillion / 10_000).toFixed(2)} %`;
}
