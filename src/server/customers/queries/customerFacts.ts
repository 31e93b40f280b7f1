import { type CustomerFacts, NEW_CUSTOMER } from "@/contracts/customers";
import { cardOf } from "@/db/customerCards";
import type { Db } from "@/db/connection";
import { customerById, type CustomerRow } from "@/db/customers";

/** What the form of a customer begins with. */
export function factsOfCustomer(db: Db, customer: CustomerRow): CustomerFacts {
  const card = cardOf(db, customer.id);
  const parent = customer.parentId === null ? undefined : customerById(db, customer.parentId);
  return {
    id: customer.id,
    name: customer.name,
    number: customer.externalId,
    email: customer.email ?? "",
    phone: customer.phone ?? "",
    parent: parent ? { id: parent.id, name: parent.name } : null,
    address: card.address.join("\n"),
    country: card.country ?? "",
    taxNumber: card.taxNumber ?? "",
    terms: card.terms ?? "",
    currency: card.currency ?? "",
    way: card.way,
    paysBy: (card.paysBy?.join(",") ?? "") as CustomerFacts["paysBy"],
    notes: card.notes,
    look: card.look ?? "",
  };
}

/** The form of a customer by its id, or (null) an empty one; undefined where there is none. */
export function customerFacts(db: Db, id: number | null, name = ""): CustomerFacts | undefined {
  if (id === null) return { ...NEW_CUSTOMER, name };
  const customer = customerById(db, id);
  return customer && factsOfCustomer(db, customer);
}
