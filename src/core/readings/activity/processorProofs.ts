import { formatAmount } from "@/core/money";

import {
  type ActivityRow,
  effectUnder,
  footsUnder,
  isOpenWay,
  netOf,
  type SignReading,
} from "./processorRows";

/** How many rows do not foot: gross less fee is not net. */
export const broken = (rows: readonly ActivityRow[], reading: SignReading): number =>
  rows.filter((row) => footsUnder(row, reading) === false).length;

/** What each payout that stands in the file is off from its items, where there are any; how many are. */
export function payoutsOff(rows: readonly ActivityRow[], reading: SignReading): number {
  return payoutSums(rows, reading).filter(({ off }) => off !== 0).length;
}

/** Payouts with a row that may go either way: they prove nothing. */
const openPayouts = (rows: readonly ActivityRow[], { sums }: SignReading): ReadonlySet<string> =>
  new Set(rows.filter((row) => sums === "sizes" && isOpenWay(row)).map(({ payoutId }) => payoutId));

function payoutSums(
  rows: readonly ActivityRow[],
  reading: SignReading,
): { id: string; off: number }[] {
  const nets = new Map<string, number>();
  const open = openPayouts(rows, reading);
  for (const row of rows) {
    if (row.kind === "payout" || row.payoutId === "") continue;
    const effect = effectUnder(row, reading);
    if (effect) nets.set(row.payoutId, (nets.get(row.payoutId) ?? 0) + netOf(effect));
  }
  return rows.flatMap((row) => {
    const id = row.payoutId || row.id;
    const items = nets.get(id);
    if (row.kind !== "payout" || items === undefined || open.has(id)) return [];
    const paid = Math.abs(row.net ?? row.gross ?? 0);
    return [{ id, off: paid - Math.abs(items) }];
  });
}

/** The first line whose balance does not follow from the one before; null where all do, or there is none. */
export const brokenBalance = (rows: readonly ActivityRow[], reading: SignReading): number | null =>
  breaksOf(rows, reading)?.[0]?.line ?? null;

/** Lines that do not follow from the one before by the balance column; null where there is none. */
export const balanceBreaks = (rows: readonly ActivityRow[], reading: SignReading): number | null =>
  breaksOf(rows, reading)?.length ?? null;

/** What each row does to the balance; what is paid out lowers it. */
export const movesOf = (rows: readonly ActivityRow[], reading: SignReading): number[] =>
  rows.map((row) => {
    const effect = effectUnder(row, reading);
    const net = effect ? netOf(effect) : 0;
    return row.kind === "payout" ? -Math.abs(net) : net;
  });

/** A balance goes on by the lines of one currency. */
function breaksOf(rows: readonly ActivityRow[], reading: SignReading): ActivityRow[] | null {
  if (new Set(rows.map(({ currency }) => currency)).size > 1) return null;
  const known = rows.filter(({ balance }) => balance !== null);
  if (known.length < 3 || known.length < rows.length) return null;
  if (reading.sums === "sizes" && rows.some(isOpenWay)) return null;
  const moves = movesOf(known, reading);
  const breaks = (forward: boolean): ActivityRow[] =>
    known.slice(1).filter((row, at) => {
      const [before, after] = [known[at]?.balance ?? 0, row.balance ?? 0];
      return forward
        ? before + (moves[at + 1] ?? 0) !== after
        : after + (moves[at] ?? 0) !== before;
    });
  const [ahead, back] = [breaks(true), breaks(false)];
  return ahead.length <= back.length ? ahead : back;
}

/** What the sums of a file prove of one another, and what is off, in words. */
export function proofsOf(rows: readonly ActivityRow[], reading: SignReading): string[] {
  const three = rows.map((row) => footsUnder(row, reading)).filter((foots) => foots !== null);
  const payouts = payoutSums(rows, reading);
  const breaks = balanceBreaks(rows, reading);
  const off = payouts.find((payout) => payout.off !== 0);
  return [
    ...(three.length > 0 && three.every(Boolean)
      ? [
          `gross less fee is net on ${three.length === 1 ? "the line that has" : `all ${three.length} lines that have`} the three`,
        ]
      : []),
    ...(payouts.length > 0 && !off ? [`${payouts.length} payouts are the sum of their items`] : []),
    ...(off
      ? [
          `payout ${off.id.slice(0, 30)} is off by ${formatAmount(off.off, rows[0]?.currency ?? ("USD" as never))} from its items in this file`,
        ]
      : []),
    ...(breaks === 0 ? [`all ${rows.length} lines follow on by the balance`] : []),
  ];
}
