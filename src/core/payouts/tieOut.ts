import { bankingDaysBetween, daysBetween, type Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

export type TiePayout = {
  readonly id: number;
  readonly externalId: string;
  readonly paidOn: Day;
  readonly currency: Currency;
  readonly net: Minor;
  readonly statedNet: Minor | null;
  readonly descriptor: string | null;
};
export type TieLine = {
  readonly id: number;
  readonly postedOn: Day;
  readonly currency: Currency;
  readonly amount: Minor;
  readonly description: string;
};

/**
 * A payout reaches the bank at the earliest the banking day before its own date, at the latest this
 * many banking days after.
 */
const LATEST_BANKING_DAYS = 4;
/** Days within which so many banking days must have passed, whatever holidays there are. */
const FAR = 14;

/**
 * Whether a bank line could be this payout: same sum and currency, within banking days, and not
 * with another processor's descriptor.
 */
export function fitsPayout(payout: TiePayout, line: TieLine): boolean {
  if (line.currency !== payout.currency || line.amount !== payout.net) return false;
  return nearInTime(payout, line) && speaksOf(line, payout);
}

export function nearInTime(payout: TiePayout, line: TieLine): boolean {
  // Banking days are counted one by one: what is weeks apart is seen without it.
  if (Math.abs(daysBetween(payout.paidOn, line.postedOn)) > FAR) return false;
  const days = bankingDaysBetween(payout.paidOn, line.postedOn);
  return days >= -1 && days <= LATEST_BANKING_DAYS;
}

export function speaksOf(line: TieLine, payout: TiePayout): boolean {
  return (
    payout.descriptor === null ||
    payout.descriptor === "" ||
    line.description.toLowerCase().includes(payout.descriptor.toLowerCase())
  );
}

/** Where a line's description carries the payout's own id, equal sums beside it do not count. */
function named(payout: TiePayout, lines: TieLine[]): TieLine[] {
  const id = payout.externalId.toLowerCase();
  const saying =
    id.length >= 4 ? lines.filter((line) => line.description.toLowerCase().includes(id)) : [];
  return saying.length === 1 ? saying : lines;
}

/**
 * The ties that need nobody to look: a payout that only one line fits, which
 * fits no other payout, and whose items make what the file says it paid.
 * Indexed by sum, so thousands of payouts and lines take milliseconds.
 */
export function tieOut(
  payouts: readonly TiePayout[],
  lines: readonly TieLine[],
): { payoutId: number; bankLineId: number }[] {
  const linesBySum = new Map<number, TieLine[]>();
  for (const line of lines)
    linesBySum.set(line.amount, [...(linesBySum.get(line.amount) ?? []), line]);
  const claims = new Map<number, number>();
  const single: { payout: TiePayout; line: TieLine }[] = [];
  for (const payout of payouts) {
    const fitting = named(
      payout,
      (linesBySum.get(payout.net) ?? []).filter((line) => fitsPayout(payout, line)),
    );
    for (const line of fitting) claims.set(line.id, (claims.get(line.id) ?? 0) + 1);
    const [only] = fitting;
    if (
      only &&
      fitting.length === 1 &&
      (payout.statedNet === null || payout.statedNet === payout.net)
    )
      single.push({ payout, line: only });
  }
  return single
    .filter(({ line }) => claims.get(line.id) === 1)
    .map(({ payout, line }) => ({ payoutId: payout.id, bankLineId: line.id }));
}
