import type { Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

/** What may be paid: an open invoice of a customer. */
export type Payable = {
  readonly itemId: number;
  readonly dueOn: Day;
  readonly balance: Minor;
};

/** What of an item is paid. */
export type PaidPart = { readonly itemId: number; readonly amount: Minor };

/**
 * How a sum is given to what was chosen: the oldest due first, each at most at its balance; what is
 * over stays on account.
 */
export function spread(amount: Minor, chosen: readonly Payable[]): PaidPart[] {
  let left: number = amount;
  const parts: PaidPart[] = [];
  for (const { itemId, balance } of [...chosen].sort(byDue)) {
    const part = Math.min(left, balance);
    if (part <= 0) continue;
    parts.push({ itemId, amount: minor(part) });
    left -= part;
  }
  return parts;
}

const byDue = (a: Payable, b: Payable): number => {
  if (a.dueOn !== b.dueOn) return a.dueOn < b.dueOn ? -1 : 1;
  return a.itemId - b.itemId;
};
