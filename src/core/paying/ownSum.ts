import { minor, type Minor } from "@/core/money";

/** Between which sums a customer chooses; `to` null: up to all that is open. Both the same: it is fixed. */
export type SumLimits = { readonly from: Minor; readonly to: Minor | null };

/** The limits as they hold for what is open: nobody pays more than that, and the last rest may be small. */
export function limitsFor({ from, to }: SumLimits, open: Minor): { from: Minor; to: Minor } {
  const most = Math.min(open, to ?? open);
  return { from: minor(Math.min(from, most)), to: minor(most) };
}

/** Whether a sum may be paid of what is open. */
export function isWithin(sum: Minor, limits: SumLimits, open: Minor): boolean {
  const { from, to } = limitsFor(limits, open);
  return sum >= from && sum <= to;
}
