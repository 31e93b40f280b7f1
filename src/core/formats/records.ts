import { type Day, dueDay, parseTerms } from "@/core/calendar";
import { type Currency, minor, type Minor } from "@/core/money";

import type { RowReader } from "./rows";

export type CustomerRecord = {
  line: number;
  externalId: string;
  name: string;
  email: string | null;
  phone: string | null;
  parentId: string | null;
  /** Other names, as one cell gives them: between semicolons or bars. */
  aliases: string[];
};

export function readCustomer(row: RowReader): CustomerRecord {
  const orNull = (field: string): string | null => row.text(field) || null;
  return {
    line: row.line,
    externalId: row.needed("externalId"),
    name: row.needed("name"),
    email: row.emails("email"),
    phone: orNull("phone"),
    parentId: orNull("parentId"),
    aliases: row
      .text("aliases")
      .split(/[;|]/)
      .map((name) => name.trim())
      .filter((name) => name !== ""),
  };
}

export type InvoiceRecord = {
  line: number;
  number: string;
  customerId: string;
  /** What the list calls the customer beside the number; null where it does not. */
  customerName: string | null;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
  balance: Minor;
  tax: Minor;
  poNumber: string | null;
  terms: string | null;
  description: string | null;
};

/**
 * An invoice, or a credit note where its total is negative. The due day comes from the terms if it
 * has no column of its own.
 */
export function readInvoice(row: RowReader): InvoiceRecord | null {
  const number = row.needed("number");
  const customerId = row.needed("customerId");
  row.needed("issuedOn");
  row.needed("total");
  const issuedOn = row.day("issuedOn");
  const currency = row.currency("currency");
  const total = row.amount("total", currency);
  const terms = row.text("terms") || null;
  const dueOn = row.day("dueOn") ?? dueByTerms(row, issuedOn, terms);
  const balance = row.amount("balance", currency) ?? total;
  const tax = row.amount("tax", currency) ?? minor(0);
  if (issuedOn === null || dueOn === null || total === null || balance === null) return null;
  refuseUnlikely(row, { issuedOn, dueOn, total, balance });
  return {
    line: row.line,
    number,
    customerId,
    customerName: row.text("customerName") || null,
    issuedOn,
    dueOn,
    currency,
    total,
    balance,
    tax,
    poNumber: row.text("poNumber") || null,
    terms,
    description: row.text("description") || null,
  };
}

/** The due day by the terms; where there are none, the day of issue. */
function dueByTerms(row: RowReader, issuedOn: Day | null, terms: string | null): Day | null {
  if (terms === null) return issuedOn;
  const parsed = parseTerms(terms);
  if (!parsed.ok) row.refuse("terms", parsed.error);
  return issuedOn && parsed.ok ? dueDay(issuedOn, parsed.value) : issuedOn;
}

function refuseUnlikely(
  row: RowReader,
  {
    issuedOn,
    dueOn,
    total,
    balance,
  }: Pick<InvoiceRecord, "issuedOn" | "dueOn" | "total" | "balance">,
): void {
  if (dueOn < issuedOn)
    row.refuse("dueOn", { code: "invoice.due_before_issue", due: dueOn, issued: issuedOn });
  if (total === 0) row.refuse("total", { code: "invoice.zero" });
  if (Math.sign(balance) * Math.sign(total) < 0 || Math.abs(balance) > Math.abs(total))
    row.refuse("balance", { code: "invoice.balance" });
}
