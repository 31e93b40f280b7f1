import { bankingDaysBetween, type Day, daysBetween, earlierFirst } from "@/core/calendar";

/** What says who has paid: the processor's activity, or the bank statement. */
export type Feed = "processor" | "bank";

/**
 * The last day that what came of an account covers, and the longest that it was silent before, in
 * banking days: an account with a payment a month is not behind after a week.
 */
export type FeedReach = {
  readonly feed: Feed;
  readonly account: string;
  readonly to: Day;
  readonly silent: number;
};

/**
 * An account that lies so many days behind another of its feed is not used any more, and holds
 * nobody's letter for ever.
 */
const OUT_OF_USE_DAYS = 90;

/** A day on which something happened in an account. */
export type ActiveDay = { readonly id: number; readonly account: string; readonly on: Day };

/** How far each account of a feed reaches, from the days on which something happened, rising. */
export function reachOf(feed: Feed, days: readonly ActiveDay[]): FeedReach[] {
  const reaches = new Map<number, FeedReach>();
  for (const { id, account, on } of days) {
    const before = reaches.get(id);
    const silent = before ? Math.max(before.silent, bankingDaysBetween(before.to, on)) : 0;
    reaches.set(id, { feed, account, to: on, silent });
  }
  return [...reaches.values()];
}

/**
 * The account whose files have fallen behind the furthest: the last day that they cover lies more
 * than `within` banking days back, and further than it is ever silent, so that nobody knows who has
 * paid since. Null while all are fresh, or none has come yet.
 */
export function staleFeed(
  reaches: readonly FeedReach[],
  { today, within }: { today: Day; within: number },
): FeedReach | null {
  const behind = reaches.filter(
    ({ feed, to, silent }) =>
      bankingDaysBetween(to, today) > Math.max(within, silent) &&
      reaches.every((other) => other.feed !== feed || daysBetween(to, other.to) <= OUT_OF_USE_DAYS),
  );
  return behind.sort((a, b) => earlierFirst(a.to, b.to))[0] ?? null;
}
