import type { Currency, Minor } from "@/core/money";

/** A customer as matching and follow-up see one. A site has the customer that pays for it as parent. */
export type Customer = {
  readonly id: number; readonly externalId: string; readonly name: string; readonly email: string | null; readonly parentId: number | null;
  /** Other names it goes by: trade names, the name of its owner. */
  readonly aliases?: readonly string[];
};

/** What a customer owes and has to their credit, in the book's currency: receivables less credit on account. */
export type Position = { readonly currency: Currency; readonly receivables: Minor; readonly credit: Minor; readonly position: Minor };

/** The head of a customer's group: the customer itself unless it is a site. One level is meant; a loop ends where it began. */
export function groupHead(customer: Customer, byId: ReadonlyMap<number, Customer>): number {
  let at = customer;
  const seen = new Set<number>();
  while (at.parentId !== null && !seen.has(at.id)) {
    seen.add(at.id);
    const parent = byId.get(at.parentId);
    if (!parent) break;
    at = parent;
  }
  return at.id;
}
