import type { ToSend } from "@/contracts/invoices";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { documentsToReach } from "@/db/documentWays";
import { backAddresses, personsOf } from "@/db/persons";
import { addressed, whyNoAddress } from "@/server/overdue/letters";

/** What is still to be sent or printed, with the address that it goes to or why it cannot. */
export function documentsToSend(db: Db): ToSend[] {
  const known = new Map(backAddresses(db).map(({ address, why }) => [address.toLowerCase(), why]));
  return documentsToReach(db).map((document): ToSend => {
    const customer = customerById(db, document.customerId);
    if (document.way !== "mail" || !customer) return { ...document, to: null, problem: null };
    const { to, back } = addressed(
      { persons: personsOf(db, customer.id), customer },
      (address) => known.get(address.toLowerCase()) ?? null,
    );
    return { ...document, to, problem: whyNoAddress({ to, back }) };
  });
}
