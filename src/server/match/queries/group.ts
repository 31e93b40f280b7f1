import { type FoundCustomer, type OnAccount, type WorkingsItem } from "@/contracts/match";
import { earlierFirst } from "@/core/calendar";
import { add, type Currency, type Minor } from "@/core/money";
import { groupHead } from "@/core/parties";
import { type Db } from "@/db/connection";
import { cardOf } from "@/db/customerCards";
import { familyOf } from "@/db/customers";
import { findCustomersByText } from "@/db/find";
import { openItems, openItemsOf } from "@/db/openItems";
import { receiptsOnAccount } from "@/db/receipts";
import { recoverable } from "@/db/writeOffs";

/** What stands in a currency on account of a customer and the other members of its group, oldest first. */
export function groupCredits(db: Db, customerId: number, currency: Currency): OnAccount[] {
  return familyOf(db, customerId)
    .flatMap(({ id }) => receiptsOnAccount(db, id))
    .filter((receipt) => receipt.currency === currency)
    .map(({ id, paidOn, onAccount }) => ({ receiptId: id, on: paidOn, sum: onAccount }));
}

/** What was written off in a currency of the debts of a customer and its group, and not paid since. */
export function groupGivenUp(db: Db, customerId: number, currency: Currency): Minor {
  return recoverable(
    db,
    familyOf(db, customerId).map(({ id }) => id),
    currency,
  );
}

/**
 * What is open in a currency at a customer and the other members of its group: its own first, each
 * oldest first.
 */
export function groupItems(db: Db, customerId: number, currency: Currency): WorkingsItem[] {
  const customers = new Map(familyOf(db, customerId).map((customer) => [customer.id, customer]));
  const customer = customers.get(customerId);
  if (!customer) return [];
  const head = groupHead(customer, customers);
  return [...customers.values()]
    .flatMap((member) =>
      openItemsOf(db, member.id)
        .filter((item) => item.currency === currency)
        .map((item) => ({
          itemId: item.id,
          number: item.number,
          customer: member.name,
          own: member.id === customerId || customerId === head,
          description: item.description ?? "",
          dueOn: item.dueOn,
          open: item.balance,
        })),
    )
    .sort(
      (a, b) =>
        Number(b.own) - Number(a.own) || earlierFirst(a.dueOn, b.dueOn) || a.itemId - b.itemId,
    );
}

/** Customers offered while a name is typed. */
const MOST_CUSTOMERS = 12;

/** Customers whose name, number or e-mail holds a text, for a receipt whose payer is not known. */
export function findCustomers(db: Db, text: string): FoundCustomer[] {
  const open = new Map<number, number>();
  for (const item of openItems(db))
    open.set(item.customerId, (open.get(item.customerId) ?? 0) + item.bookBalance);
  return findCustomersByText(db, { text, sum: null }, MOST_CUSTOMERS).map((customer) => {
    const { terms, currency } = cardOf(db, customer.id);
    return { ...customer, open: add(open.get(customer.id) ?? 0), terms, currency };
  });
}
