import { ACTIVITY_ORDER } from "@/core/activity";
import { earlierFirst } from "@/core/calendar";
import type { ActivityRecord, PayoutRecord, ProcessorRecord } from "@/core/formats";

import { type Tallying, withoutTwins } from "./report";

/**
 * A file's activity in the order in which it is taken in: each kind after those that it may be
 * about, by days; and its payouts, which come last.
 */
export function inOrder(
  records: readonly ProcessorRecord[],
  tally: Tallying,
): { activity: ActivityRecord[]; payouts: PayoutRecord[] } {
  const rows = withoutTwins(
    records,
    (row) => `${row.kind}\u0000${row.externalId}`,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const refusedLines = new Set(tally.refused.map(({ line }) => line));
  const payouts: PayoutRecord[] = [];
  const byKind = new Map(ACTIVITY_ORDER.map((kind) => [kind, [] as ActivityRecord[]]));
  for (const row of rows)
    if (row.kind === "payout") payouts.push(row);
    else if (!refusedLines.has(row.line)) byKind.get(row.kind)?.push(row);
  const activity = [...byKind.values()].flatMap((ofKind) =>
    ofKind.sort((a, b) => earlierFirst(a.settledOn, b.settledOn) || a.line - b.line),
  );
  return { activity, payouts };
}
