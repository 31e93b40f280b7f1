import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import { mayTakeFrom, type PaidPart } from "@/core/paying";
import type { Db } from "@/db/connection";
import { lastTaken, toldOn } from "@/db/sumsTold";

/** What a payment waits for: its customer was told of its sum and it may be taken from a day, or was not told. */
export type Notice = { readonly from: Day | null };

type ToBeTaken = {
  readonly customerId: number;
  readonly currency: Currency;
  readonly amount: Minor;
  readonly parts: readonly PaidPart[];
};

/**
 * Whether a sum still waits for its notice, on a day; null where it may be taken: the book wants no
 * notice, it is the sum that was taken before, or it was told in time.
 */
export function noticeFor(
  db: Db,
  { customerId, currency, amount, parts }: ToBeTaken,
  { days, on }: { days: number; on: Day },
): Notice | null {
  if (days === 0 || lastTaken(db, customerId, currency) === amount) return null;
  const from = mayTakeFrom(
    parts.map((part) => toldOn(db, part.itemId, part.amount)),
    days,
  );
  return from !== null && from <= on ? null : { from };
}
