import { type Day } from "@/core/calendar";
import { type PromisedPart, promiseToday, type PromiseToday } from "@/core/followup";
import { type Db } from "@/db/connection";
import { type ContactRow, paidBetween } from "@/db/contacts";

/**
 * How a promise stands today, by what came of the customer since it was made; null where the
 * contact is none.
 */
export function promiseNow(
  db: Db,
  contact: ContactRow,
  parts: readonly PromisedPart[] | undefined,
  today: Day,
): PromiseToday | null {
  if (contact.promisedOn === null) return null;
  return promiseToday(
    parts ?? [{ dueOn: contact.promisedOn, sum: contact.promisedSum }],
    (to) => paidBetween(db, contact.customerId, contact.onDay, to),
    today,
  );
}
