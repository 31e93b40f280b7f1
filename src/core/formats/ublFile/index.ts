import { maskedNumbers } from "@/core/gate";
import { minorDigits } from "@/core/money";
import { ok, type Result } from "@/core/result";

import { agreedTable, decimalOf } from "../agreedTable";
import type { Table } from "../csv/table";
import type { FileFormat } from "../fileFormat";
import { readUbl } from "../ubl";

/** A UBL document as one open invoice, or one credit note with negative sums. */
function ublTable(text: string): Result<Table> {
  const read = readUbl(text);
  if (!read.ok) return read;
  const { kind, number, issuedOn, dueOn, currency, total, payable, tax, poNumber, buyer } =
    read.value;
  const sign = kind === "credit_note" ? -1 : 1;
  const written = (sum: number): string => decimalOf(sign * sum, minorDigits(currency));
  const fields = {
    number,
    customerId: buyer.id ?? buyer.name ?? "",
    issuedOn,
    dueOn: dueOn ?? "",
    currency,
    total: written(total),
    balance: written(payable),
    tax: written(tax),
    poNumber: poNumber ?? "",
  };
  return ok(
    agreedTable("invoices", [{ line: 1, fields }], {
      proofs: ["lines, tax and total are what one another say"],
    }),
  );
}

/** Invoices and credit notes as UBL 2.1. */
export const ublFile: FileFormat = {
  name: "ubl",
  recognizes: (text) =>
    /urn:oasis:names:specification:ubl:schema:xsd:(?:Invoice|CreditNote)-2/.test(
      text.slice(0, 4000),
    ),
  read: ublTable,
  masked: maskedNumbers,
};
