import { formatOf } from "..";

const SPACE = "urn:oasis:names:specification:ubl:schema:xsd:";

/** An invoice by UBL 2.1 (OASIS; made-up data) with what is put before its parties. */
const invoice = (facts: string): string =>
  `<Invoice xmlns="${SPACE}Invoice-2" xmlns:a="${SPACE}CommonAggregateComponents-2" xmlns:b="${SPACE}CommonBasicComponents-2"><b:ID>9001</b:ID><b:IssueDate>2026-11-02</b:IssueDate><b:DocumentCurrencyCode>USD</b:DocumentCurrencyCode><a:AccountingCustomerParty><a:Party><a:PartyName><b:Name>Ada</b:Name></a:PartyName></a:Party></a:AccountingCustomerParty>${facts}<a:TaxTotal><b:TaxAmount currencyID="USD">0</b:TaxAmount></a:TaxTotal><a:LegalMonetaryTotal><b:LineExtensionAmount currencyID="USD">100</b:LineExtensionAmount><b:TaxExclusiveAmount currencyID="USD">100</b:TaxExclusiveAmount><b:TaxInclusiveAmount currencyID="USD">100</b:TaxInclusiveAmount><b:PayableAmount currencyID="USD">100</b:PayableAmount></a:LegalMonetaryTotal><a:InvoiceLine><b:ID>1</b:ID><b:InvoicedQuantity>1</b:InvoicedQuantity><b:LineExtensionAmount currencyID="USD">100</b:LineExtensionAmount><a:Item><b:Name>Glaze</b:Name></a:Item><a:Price><b:PriceAmount currencyID="USD">100</b:PriceAmount></a:Price></a:InvoiceLine></Invoice>`;

const dueOf = (text: string): string => {
  const read = formatOf(text).read(text);
  if (!read.ok) return read.error.code;
  return read.value.rows[0]?.cells[read.value.headers.indexOf("due_on")] ?? "";
};

const means = (day: string): string =>
  `<a:PaymentMeans><b:PaymentDueDate>${day}</b:PaymentDueDate></a:PaymentMeans>`;
const terms = (day: string): string =>
  `<a:PaymentTerms><b:PaymentDueDate>${day}</b:PaymentDueDate></a:PaymentTerms>`;

describe("an invoice of UBL 2.1", () => {
  it("is due on its own day, else on the one on which it is to be paid", () => {
    expect(dueOf(invoice(means("2026-12-15")))).toBe("2026-12-15");
    expect(dueOf(invoice(terms("2026-12-15")))).toBe("2026-12-15");
    expect(dueOf(invoice(means("2026-12-15") + terms("2026-12-15")))).toBe("2026-12-15");
    const own = invoice(means("2026-12-15")).replace(
      "<b:DocumentCurrencyCode>",
      "<b:DueDate>2026-12-02</b:DueDate><b:DocumentCurrencyCode>",
    );
    expect(dueOf(own)).toBe("2026-12-02");
  });
  it("that is to be paid in parts has no one day: it is asked", () =>
    expect(dueOf(invoice(means("2026-12-15") + means("2027-01-15")))).toBe(""));
  it("is read from the envelope that it was sent in (Standard Business Document Header)", () => {
    const sent = (...documents: string[]): string =>
      `<StandardBusinessDocument xmlns="http://www.unece.org/cefact/namespaces/StandardBusinessDocumentHeader"><StandardBusinessDocumentHeader><HeaderVersion>1.0</HeaderVersion></StandardBusinessDocumentHeader>${documents.join("")}</StandardBusinessDocument>`;
    const document = invoice(means("2026-12-15"));
    expect(dueOf(sent(document))).toBe("2026-12-15");
    expect(dueOf(sent(document, document))).toBe("ubl.other");
  });
});
