import { type Day, parseDay } from "@/core/calendar";
import { type Currency, currencyOf, minor, type Minor, parseAmount } from "@/core/money";
import { type Failure, fail, ok, type Result } from "@/core/result";

import { allAt, at, textAt, type XmlNode, xmlTree } from "../xml/tree";

/** What is read of a UBL invoice or credit note; sums in minor units, positive for both. */
export type UblRecord = {
  kind: "invoice" | "credit_note";
  number: string;
  issuedOn: Day;
  dueOn: Day | null;
  currency: Currency;
  poNumber: string | null;
  corrects: string | null;
  note: string | null;
  terms: string | null;
  seller: string | null;
  buyer: { id: string | null; name: string | null };
  lines: {
    item: string | null;
    description: string | null;
    quantity: string;
    net: Minor;
    category: string | null;
  }[];
  allowances: Minor;
  charges: Minor;
  taxes: { category: string | null; percent: string | null; net: Minor; sum: Minor }[];
  lineSum: Minor;
  net: Minor;
  tax: Minor;
  total: Minor;
  /** What was paid before, and what the total is rounded by. */
  prepaid: Minor;
  rounding: Minor;
  payable: Minor;
  /** What kind of document it says it is, in the codes of UNTDID 1001; null where it does not. */
  typeCode: string | null;
};

const ROOTS: Readonly<Record<string, UblRecord["kind"]>> = {
  "urn:oasis:names:specification:ubl:schema:xsd:Invoice-2 Invoice": "invoice",
  "urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2 CreditNote": "credit_note",
};

/** What is wrong with the place where it stands. */
class Wrong extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code);
  }
}

/**
 * Reads a UBL 2.1 invoice or credit note, and refuses one whose sums do not add up by the rules
 * BR-CO-10 to BR-CO-16 of EN 16931-1.
 */
export function readUbl(text: string): Result<UblRecord> {
  const tree = xmlTree(text);
  if (!tree.ok) return tree;
  const document = withinEnvelope(tree.value);
  const kind = kindOf(document);
  if (!kind) return fail("ubl.other", { name: document.name });
  try {
    const record = recordOf(document, kind);
    const off = wrongSum(record);
    return off ? fail("ubl.sums", off) : ok(record);
  } catch (error) {
    if (error instanceof Wrong) return { ok: false, error: error.failure };
    throw error;
  }
}

const kindOf = ({ space, name }: XmlNode): UblRecord["kind"] | undefined =>
  ROOTS[`${space} ${name}`];

/** A document that is sent in an envelope (UN/CEFACT Standard Business Document Header), where it is the only one. */
function withinEnvelope(root: XmlNode): XmlNode {
  const sent = root.name === "StandardBusinessDocument" ? root.children.filter(kindOf) : [];
  return sent.length === 1 && sent[0] ? sent[0] : root;
}

/** When a document is due: by its own day, else by that of its payment, where that is one. */
function dueIn(root: XmlNode): string | null {
  const own = textAt(root, "DueDate");
  if (own !== null) return own;
  const days = ["PaymentMeans", "PaymentTerms"].flatMap((name) =>
    allAt(root, name).flatMap((node) => textAt(node, "PaymentDueDate") ?? []),
  );
  return new Set(days).size === 1 ? (days[0] ?? null) : null;
}

function recordOf(root: XmlNode, kind: UblRecord["kind"]): UblRecord {
  const currency = currencyOf(needed(root, "DocumentCurrencyCode"));
  if (!currency)
    throw new Wrong({ code: "currency.unknown", text: textAt(root, "DocumentCurrencyCode") });
  const sums = at(root, "LegalMonetaryTotal");
  const sum = (node: XmlNode | undefined, name: string): Minor => amountAt(node, name, currency);
  const due = dueIn(root);
  const optional = (node: XmlNode | undefined, name: string): Minor =>
    textAt(node, name) === null ? minor(0) : sum(node, name);
  const taxTotal = at(root, "TaxTotal");
  return {
    kind,
    number: needed(root, "ID"),
    issuedOn: dayOf(needed(root, "IssueDate")),
    dueOn: due === null ? null : dayOf(due),
    currency,
    poNumber: textAt(root, "OrderReference", "ID"),
    corrects: textAt(root, "BillingReference", "InvoiceDocumentReference", "ID"),
    note: textAt(root, "Note"),
    terms: textAt(root, "PaymentTerms", "Note"),
    seller: nameOf(at(root, "AccountingSupplierParty", "Party")),
    buyer: {
      id: textAt(root, "AccountingCustomerParty", "Party", "PartyIdentification", "ID"),
      name: nameOf(at(root, "AccountingCustomerParty", "Party")),
    },
    lines: allAt(root, kind === "invoice" ? "InvoiceLine" : "CreditNoteLine").map((line) => ({
      item: textAt(line, "Item", "SellersItemIdentification", "ID"),
      description: textAt(line, "Item", "Name"),
      quantity: textAt(line, "InvoicedQuantity") ?? textAt(line, "CreditedQuantity") ?? "1",
      net: sum(line, "LineExtensionAmount"),
      category: textAt(line, "Item", "ClassifiedTaxCategory", "ID"),
    })),
    allowances: optional(sums, "AllowanceTotalAmount"),
    charges: optional(sums, "ChargeTotalAmount"),
    taxes: allAt(taxTotal, "TaxSubtotal").map((tax) => ({
      category: textAt(tax, "TaxCategory", "ID"),
      percent: textAt(tax, "TaxCategory", "Percent"),
      net: sum(tax, "TaxableAmount"),
      sum: sum(tax, "TaxAmount"),
    })),
    lineSum: sum(sums, "LineExtensionAmount"),
    net: sum(sums, "TaxExclusiveAmount"),
    tax: optional(taxTotal, "TaxAmount"),
    total: sum(sums, "TaxInclusiveAmount"),
    prepaid: optional(sums, "PrepaidAmount"),
    rounding: optional(sums, "PayableRoundingAmount"),
    payable: sum(sums, "PayableAmount"),
    typeCode: textAt(root, "InvoiceTypeCode") ?? textAt(root, "CreditNoteTypeCode"),
  };
}

const nameOf = (party: XmlNode | undefined): string | null =>
  textAt(party, "PartyName", "Name") ?? textAt(party, "PartyLegalEntity", "RegistrationName");

function needed(node: XmlNode, name: string): string {
  const text = textAt(node, name);
  if (text === null) throw new Wrong({ code: "field.empty", field: name });
  return text;
}

function dayOf(text: string): Day {
  const read = parseDay(text, "ymd");
  if (!read.ok) throw new Wrong(read.error);
  return read.value;
}

function amountAt(node: XmlNode | undefined, name: string, currency: Currency): Minor {
  const element = at(node, name);
  const said = element?.attributes.currencyID;
  if (said !== undefined && said !== currency)
    throw new Wrong({ code: "ubl.currency", field: name, text: said, currency });
  const read = parseAmount(element?.text ?? "", ".", currency);
  if (!read.ok) throw new Wrong({ ...read.error, field: name });
  return read.value;
}

/** The first rule that a document's sums break. */
function wrongSum(record: UblRecord): { rule: string; stated: number; found: number } | null {
  const { lines, lineSum, net, allowances, charges, taxes, tax, total } = record;
  const { prepaid, rounding, payable } = record;
  const lineNets = lines.reduce((all, line) => all + line.net, 0);
  const taxSums = taxes.reduce((all, { sum }) => all + sum, 0);
  const rules: [string, number, number][] = [
    ["BR-CO-10", lineSum, lineNets],
    ["BR-CO-13", net, lineSum - allowances + charges],
    ["BR-CO-14", tax, taxes.length === 0 ? tax : taxSums],
    ["BR-CO-15", total, net + tax],
    ["BR-CO-16", payable, total - prepaid + rounding],
  ];
  const broken = rules.find(([, stated, found]) => stated !== found);
  return broken ? { rule: broken[0], stated: broken[1], found: broken[2] } : null;
}
