import type { Currency, Minor } from "@/core/money";

export {
  LETTER_SHARES,
  reachedBy,
  type ContactPerson,
  type LetterShare,
  type Reached,
} from "./persons";

/** A customer as matching and follow-up see one. A site has the customer that pays for it as parent. */
export type Customer = {
  readonly id: number;
  readonly externalId: string;
  readonly name: string;
  readonly email: string | null;
  readonly parentId: number | null;
  /** Other names it goes by: trade names, the name of its owner. */
  readonly aliases?: readonly string[];
};

/** What a customer owes and has to their credit, in the book's currency: receivables less credit on account. */
export type Position = {
  readonly currency: Currency;
  readonly receivables: Minor;
  readonly credit: Minor;
  readonly position: Minor;
};

/** The head of a customer's group: the customer itself unless it is a site. */
export function groupHead(customer: Customer, byId: ReadonlyMap<number, Customer>): number {
  return topOf(customer.id, (id) => {
    const parent = byId.get(id)?.parentId ?? null;
    return parent !== null && byId.has(parent) ? parent : null;
  });
}

/** Who stands above a customer and has nobody above; one level is meant, and a loop ends where it began. */
export function topOf(id: number, parentOf: (id: number) => number | null): number {
  let at = id;
  const seen = new Set<number>();
  for (let parent = parentOf(at); parent !== null && !seen.has(at); parent = parentOf(at)) {
    seen.add(at);
    at = parent;
  }
  return at;
}
export { nextCustomerNumber } from "./customerNumber";
export type { BackAddress } from "./backAddress";
export { type BecameOfMail, isForged, maySend, ownWords, type ReadMail } from "./mailIn";
