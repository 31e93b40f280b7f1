import type { PaperFacts } from "@/contracts/invoices";
import type { OrdersTaken } from "@/server/invoices/commands/takeOrders";
import { paperOfNumber } from "@/server/invoices/queries/papers";
import { readOrders } from "@/server/invoices/steps/readOrders";

import { type TestBook, TODAY } from "./book";

const HEAD =
  "document,customer_id,issued_on,terms,due_on,currency,po_number,item,description,quantity,rate,discount_percent,tax_code,tax_percent\n";

/** Takes rows of orders.csv into a book, as the command line does. */
export function takeOrders(book: TestBook, rows: string, approve = true): OrdersTaken {
  const read = readOrders(Buffer.from(HEAD + rows));
  if (!read.ok) throw new Error(read.error.code);
  const taken = book.must("takeOrders", { orders: read.value.orders, approve });
  return { ...taken, refused: [...read.value.refused, ...taken.refused] };
}

/** The paper of an approved document. */
export function paperIn(book: TestBook, number: string): PaperFacts {
  const found = paperOfNumber(book.db, number);
  if (!found.ok) throw new Error(found.error.code);
  return found.value;
}

/** Writes a draft of one kiln for the book's first customer, or of what is said; gives its id. */
export function writeDraft(book: TestBook, more: object = {}): number {
  const draft = {
    customerId: firstCustomer(book),
    issuedOn: TODAY,
    lines: [{ description: "Kiln", quantity: "1", rate: "4800" }],
    ...more,
  };
  return book.must("writeDraft", { draft: draft as never }).id;
}

export const firstCustomer = (book: TestBook): number => book.id("customer", "external_id = 'C1'");
