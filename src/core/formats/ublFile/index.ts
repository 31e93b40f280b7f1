import { minorDigits } from "@/core/money";
import { ok, type Result } from "@/core/result";

import { agreedTable, decimalOf } from "../agreedTable";
import type { Table } from "../csv/table";
import type { Doubt } from "../doubts";
import type { FileFormat } from "../fileFormat";
import { readUbl, type UblRecord } from "../ubl";
import { maskedUbl } from "./masked";

/** A UBL document as one open invoice, or one credit note with negative sums. */
function ublTable(text: string): Result<Table> {
  const read = readUbl(text);
  if (!read.ok) return read;
  const { kind, number, issuedOn, dueOn, currency, tax, poNumber, buyer } = read.value;
  const { total, rounding, payable } = read.value;
  const sign = kind === "credit_note" ? -1 : 1;
  const written = (sum: number): string => decimalOf(sign * sum, minorDigits(currency));
  const fields = {
    number,
    customerId: buyer.id ?? buyer.name ?? "",
    issuedOn,
    dueOn: dueOn ?? "",
    currency,
    total: written(total + rounding),
    balance: written(payable),
    tax: written(tax),
    poNumber: poNumber ?? "",
    terms: read.value.terms ?? "",
  };
  return ok(
    agreedTable("invoices", [{ line: 1, fields, doubt: doubtOf(read.value) }], {
      proofs: ["lines, tax and total are what one another say"],
      madeOutTo: buyer.name,
    }),
  );
}

/** Codes of UNTDID 1001 for credit notes, as EN 16931 allows them. */
const CREDIT_NOTES: ReadonlySet<string> = new Set([
  "81",
  "83",
  "261",
  "296",
  "308",
  "381",
  "396",
  "420",
  "458",
  "532",
]);

/** Codes of UNTDID 1001 for what is owed, as EN 16931 allows them, but for proforma invoices (325; from memory). */
const INVOICES: ReadonlySet<string> = new Set(
  "80,82,84,295,326,331,380,382,383,384,385,386,387,388,389,390,393,394,395,456,457,527,553,575,623,633,780,817,870,875,876,877,935".split(
    ",",
  ),
);
/** A corrected invoice (UNTDID 1001), which stands in the place of another. */
const CORRECTED = "384";

/** A document that is called one thing, and has the code of the other, or whose sums say something else. */
function doubtOf({ kind, typeCode, payable, total }: UblRecord): Doubt | null {
  if (kind === "credit_note" && (payable < 0 || total < 0)) return "negative_credit";
  if (typeCode === null) return null;
  if (typeCode === CORRECTED) return "corrects";
  if (!INVOICES.has(typeCode) && !CREDIT_NOTES.has(typeCode)) return "no_invoice";
  const says = CREDIT_NOTES.has(typeCode) ? "credit_note" : "invoice";
  if (says === kind) return null;
  return says === "credit_note" ? "credit_note" : "no_credit_note";
}

/** Invoices and credit notes as UBL 2.1. */
export const ublFile: FileFormat = {
  name: "ubl",
  recognizes: (text) =>
    /urn:oasis:names:specification:ubl:schema:xsd:(?:Invoice|CreditNote)-2/.test(
      text.slice(0, 4000),
    ),
  read: ublTable,
  masked: maskedUbl,
};
