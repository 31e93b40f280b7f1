import { plainWords } from "@/core/formats";
import { formatAmount } from "@/core/money";

import { type Reading, sumUnderHead } from "../canonical";
import { movesOf } from "./processorProofs";
import type { ActivityEntry, SignReading } from "./processorRows";

/** Heads of what a payout came to, on each of its lines (common practice, no source). */
const TOTAL =
  /^(?:payout|deposit|settlement|transfer|batch) (?:total|amount|net|sum|net amount|total amount)$/;

/** What stands beside each line as the sum of its payout, held against the lines of that payout in the file. */
export function payoutTotals(
  reading: Reading,
  entries: readonly ActivityEntry[],
  signs: SignReading,
): string[] {
  const head = reading.cells.unread().find((one) => TOTAL.test(plainWords(one.head)))?.head;
  if (head === undefined) return [];
  const moves = movesOf(
    entries.map(({ activity }) => activity),
    signs,
  );
  const said = new Map<string, number | null>();
  const come = new Map<string, number>();
  entries.forEach(({ row, activity: { kind, payoutId } }, at) => {
    const total = sumUnderHead(reading, row, head);
    if (payoutId === "" || kind === "payout" || total === null) return;
    const before = said.get(payoutId);
    // Lines of one payout that say two sums say none.
    said.set(payoutId, before === undefined || before === total ? total : null);
    come.set(payoutId, (come.get(payoutId) ?? 0) + (moves[at] ?? 0));
  });
  const known = [...said].flatMap(([id, total]) => (total === null ? [] : [{ id, total }]));
  const off = known.find(({ id, total }) => Math.abs(come.get(id) ?? 0) !== Math.abs(total));
  if (known.length === 0) return [];
  const [first] = entries;
  if (!off || !first)
    return [
      `“${head}” is what the lines of ${known.length === 1 ? "its payout" : `each of ${known.length} payouts`} come to`,
    ];
  const shown = (sum: number): string => formatAmount(sum, first.activity.currency);
  return [
    `payout ${off.id.slice(0, 30)} is ${shown(off.total)} by “${head}”, and its lines in this file come to ${shown(come.get(off.id) ?? 0)}`,
  ];
}
