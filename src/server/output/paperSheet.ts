import type { PaperFacts } from "@/contracts/invoices";
import { toDecimal } from "@/core/money";

import type { Sheet } from "./sheets";

/** The lines of a paper as a table, so that who gets it need not type them again. */
export function paperSheet(paper: PaperFacts): Sheet {
  const sum = (amount: number): string => toDecimal(amount, paper.currency);
  return {
    columns: [
      "number",
      "issued_on",
      "due_on",
      "currency",
      "po_number",
      "item",
      "description",
      "quantity",
      "rate",
      "amount",
      "tax_code",
      "document_total",
    ],
    rows: paper.lines.map((line) => [
      paper.number ?? "",
      paper.issuedOn,
      paper.dueOn,
      paper.currency,
      paper.poNumber ?? "",
      line.item ?? "",
      line.description,
      line.quantity,
      line.rate,
      sum(line.amount),
      line.taxCode ?? "",
      sum(paper.total),
    ]),
  };
}
