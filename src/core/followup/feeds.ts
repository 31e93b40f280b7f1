import { bankingDaysBetween, type Day, daysBetween, earlierFirst } from "@/core/calendar";

/** What says who has paid: the processor's activity, or the bank statement. */
export type Feed = "processor" | "bank";

/** The last day that what came of an account covers. */
export type FeedReach = { readonly feed: Feed; readonly account: string; readonly to: Day };

/**
 * An account that lies so many days behind another of its feed is not used any more, and holds
 * nobody's letter for ever.
 */
const OUT_OF_USE_DAYS = 90;

/**
 * The account whose files have fallen behind the furthest: the last day that they cover lies more
 * than `within` banking days back, so that nobody knows who has paid since. Null while all are
 * fresh, or none has come yet.
 */
export function staleFeed(
  reaches: readonly FeedReach[],
  { today, within }: { today: Day; within: number },
): FeedReach | null {
  const inUse = reaches.filter(({ feed, to }) =>
    reaches.every((other) => other.feed !== feed || daysBetween(to, other.to) <= OUT_OF_USE_DAYS),
  );
  const [oldest] = [...inUse].sort((a, b) => earlierFirst(a.to, b.to));
  return oldest && bankingDaysBetween(oldest.to, today) > within ? oldest : null;
}
