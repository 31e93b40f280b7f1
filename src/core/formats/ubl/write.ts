import { create } from "xmlbuilder2";

import { type Currency, toDecimal } from "@/core/money";

import type { UblAllowance, UblDocument, UblLine, UblParty, UblTax } from "./document";

const ROOT = "urn:oasis:names:specification:ubl:schema:xsd:";
const PROFILE = "urn:cen.eu:en16931:2017";
/** UNTDID 1001: commercial invoice, credit note. */
const TYPE = { invoice: "380", credit_note: "381" } as const;
/** UN/ECE Recommendation 20: one. */
const UNIT = "C62";

type Node = { [name: string]: unknown };

/**
 * Writes UBL 2.1 by the rules of EN 16931-1 (the semantic model) and CEN/TS 16931-3-2 (its syntax
 * in UBL). @see https://docs.oasis-open.org/ubl/os-UBL-2.1/UBL-2.1.html
 */
export function writeUbl(document: UblDocument): string {
  const name = document.kind === "invoice" ? "Invoice" : "CreditNote";
  const root = {
    [name]: {
      "@xmlns": `${ROOT}${name}-2`,
      "@xmlns:cac": `${ROOT}CommonAggregateComponents-2`,
      "@xmlns:cbc": `${ROOT}CommonBasicComponents-2`,
      ...head(document),
      "cac:AccountingSupplierParty": { "cac:Party": party(document.seller) },
      "cac:AccountingCustomerParty": { "cac:Party": party(document.buyer) },
      ...payment(document),
      "cac:AllowanceCharge": document.allowances.map((allowance) =>
        allowanceOf(allowance, document.currency),
      ),
      "cac:TaxTotal": taxTotal(document),
      "cac:LegalMonetaryTotal": totals(document),
      [`cac:${name}Line`]: document.lines.map((line) => lineOf(line, document)),
    },
  };
  return create({ version: "1.0", encoding: "UTF-8" }, without(root) as Node).end({
    prettyPrint: true,
    wellFormed: true,
  });
}

/** Leaves out what there is nothing of: an element without content is not written. */
function without(value: unknown): unknown {
  if (Array.isArray(value)) return value.length === 0 ? undefined : value.map(without);
  if (typeof value !== "object" || value === null) return value ?? undefined;
  const kept = Object.entries(value)
    .map(([name, inner]) => [name, without(inner)] as const)
    .filter(([, inner]) => inner !== undefined);
  return kept.length === 0 ? undefined : Object.fromEntries(kept);
}

const money = (amount: number, currency: Currency): Node => ({
  "@currencyID": currency,
  "#": toDecimal(amount, currency),
});

const head = ({
  kind,
  number,
  issuedOn,
  dueOn,
  note,
  currency,
  poNumber,
  corrects,
}: UblDocument): Node => ({
  "cbc:CustomizationID": PROFILE,
  "cbc:ID": number,
  "cbc:IssueDate": issuedOn,
  ...(kind === "invoice"
    ? { "cbc:DueDate": dueOn, "cbc:InvoiceTypeCode": TYPE.invoice }
    : { "cbc:CreditNoteTypeCode": TYPE.credit_note }),
  "cbc:Note": note,
  "cbc:DocumentCurrencyCode": currency,
  "cac:OrderReference": poNumber === null ? null : { "cbc:ID": poNumber },
  "cac:BillingReference":
    corrects === null ? null : { "cac:InvoiceDocumentReference": { "cbc:ID": corrects } },
});

const firstAddress = (email: string): string => email.split(/[;,]/)[0]?.trim() ?? email;

const party = ({ id, name, address, country, taxNumber, email }: UblParty): Node => ({
  // BT-34 and BT-49 by the code list EAS: EM is electronic mail.
  // It is one address, where a customer may have several.
  "cbc:EndpointID": email === null ? null : { "@schemeID": "EM", "#": firstAddress(email) },
  "cac:PartyIdentification": id === null ? null : { "cbc:ID": id },
  "cac:PartyName": { "cbc:Name": name },
  "cac:PostalAddress": {
    "cbc:StreetName": address[0],
    "cbc:AdditionalStreetName": address[1],
    "cbc:CityName": address[2],
    "cac:Country": { "cbc:IdentificationCode": country },
  },
  "cac:PartyTaxScheme":
    taxNumber === null
      ? null
      : { "cbc:CompanyID": taxNumber, "cac:TaxScheme": { "cbc:ID": "VAT" } },
  "cac:PartyLegalEntity": { "cbc:RegistrationName": name },
  "cac:Contact": email === null ? null : { "cbc:ElectronicMail": email },
});

const payment = ({ kind, terms, dueOn }: UblDocument): Node => ({
  // UNTDID 4461, 1: by whichever way; a credit note has its day here.
  "cac:PaymentMeans":
    kind === "credit_note" ? { "cbc:PaymentMeansCode": "1", "cbc:PaymentDueDate": dueOn } : null,
  "cac:PaymentTerms": terms === null ? null : { "cbc:Note": terms },
});

const category = ({ code, percent }: UblTax): Node => ({
  "cbc:ID": code,
  "cbc:Percent": percent,
  "cac:TaxScheme": { "cbc:ID": "VAT" },
});

const allowanceOf = ({ charge, reason, sum, tax }: UblAllowance, currency: Currency): Node => ({
  "cbc:ChargeIndicator": String(charge),
  "cbc:AllowanceChargeReason": reason,
  "cbc:Amount": money(sum, currency),
  "cac:TaxCategory": category(tax),
});

const taxTotal = ({ tax, taxes, currency }: UblDocument): Node => ({
  "cbc:TaxAmount": money(tax, currency),
  "cac:TaxSubtotal": taxes.map(({ tax: own, net, sum }) => ({
    "cbc:TaxableAmount": money(net, currency),
    "cbc:TaxAmount": money(sum, currency),
    "cac:TaxCategory": {
      "cbc:ID": own.code,
      "cbc:Percent": own.percent,
      "cbc:TaxExemptionReason": own.reason,
      "cac:TaxScheme": { "cbc:ID": "VAT" },
    },
  })),
});

function totals({ lines, allowances, net, total, currency }: UblDocument): Node {
  const sumOf = (charge: boolean): number =>
    allowances
      .filter((allowance) => allowance.charge === charge)
      .reduce((all, { sum }) => all + sum, 0);
  const [off, on] = [sumOf(false), sumOf(true)];
  return {
    "cbc:LineExtensionAmount": money(
      lines.reduce((all, line) => all + line.net, 0),
      currency,
    ),
    "cbc:TaxExclusiveAmount": money(net, currency),
    "cbc:TaxInclusiveAmount": money(total, currency),
    "cbc:AllowanceTotalAmount": off === 0 ? null : money(off, currency),
    "cbc:ChargeTotalAmount": on === 0 ? null : money(on, currency),
    "cbc:PayableAmount": money(total, currency),
  };
}

function lineOf(line: UblLine, { kind, currency }: UblDocument): Node {
  const quantity = { "@unitCode": UNIT, "#": line.quantity };
  return {
    "cbc:ID": line.id,
    [kind === "invoice" ? "cbc:InvoicedQuantity" : "cbc:CreditedQuantity"]: quantity,
    "cbc:LineExtensionAmount": money(line.net, currency),
    "cac:AllowanceCharge":
      line.allowance === 0
        ? null
        : {
            "cbc:ChargeIndicator": "false",
            "cbc:AllowanceChargeReason": "Discount",
            "cbc:Amount": money(line.allowance, currency),
          },
    "cac:Item": {
      "cbc:Name": line.description,
      "cac:SellersItemIdentification": line.item === null ? null : { "cbc:ID": line.item },
      "cac:ClassifiedTaxCategory": category(line.tax),
    },
    "cac:Price": {
      "cbc:PriceAmount": { "@currencyID": currency, "#": line.price },
      "cbc:BaseQuantity":
        line.baseQuantity === null ? null : { "@unitCode": UNIT, "#": line.baseQuantity },
    },
  };
}
