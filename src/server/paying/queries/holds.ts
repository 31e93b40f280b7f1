import type { Day } from "@/core/calendar";
import { formatAmount, sumOf } from "@/core/money";
import { groupHead } from "@/core/parties";
import type { Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import { openQuestions } from "@/db/questions";
import { readSettings } from "@/db/settings";
import { proposalsOf } from "@/server/match/proposals";
import { factsByGroup } from "@/server/overdue/queries/groupFacts";

/**
 * Why nothing is taken from a customer just now, in words: money of theirs may be here already, or is
 * disputed. Gives a function of the customer; null where nothing is in the way.
 */
export function holdsOn(db: Db, today: Day): (customerId: number) => string | null {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const headOf = (id: number): number => {
    const customer = customers.get(id);
    return customer ? groupHead(customer, customers) : id;
  };
  const { maybe, disputed, credit } = factsByGroup(db, proposalsOf(db), headOf, today);
  const { currency } = readSettings(db);
  const contested = new Map(
    openQuestions(db).flatMap(({ kind, customerId, number }) =>
      kind === "dispute" ? [[headOf(customerId), number ?? "the account"] as const] : [],
    ),
  );
  return (customerId) => {
    const head = headOf(customerId);
    const receipts = maybe.get(head) ?? [];
    if (receipts.length > 0)
      return `${formatAmount(
        sumOf(receipts, ({ amount }) => amount),
        currency,
      )} in Match may be theirs`;
    const what = contested.get(head);
    if (what !== undefined) return `they do not agree with ${what}`;
    const [withBank, kept] = [disputed.get(head) ?? 0, credit.get(head) ?? 0];
    if (withBank > 0) return `a dispute of ${formatAmount(withBank, currency)} is open`;
    return kept > 0 ? `${formatAmount(kept, currency)} is on account: give it first` : null;
  };
}
