import { formatOf, type Table } from "@/core/formats";

import { understand, type UnderstoodFile } from ".";

const CONTEXT = {
  today: "2026-11-30",
  cutOverOn: null,
  currency: "USD",
  timeZone: "America/New_York",
  ownName: "Kestrel Row Clay & Kiln",
} as never;

const tableOf = (text: string): Table => {
  const read = formatOf(text).read(text);
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};
const errorOf = (text: string): unknown => {
  const read = formatOf(text).read(text);
  return read.ok ? "read" : read.error;
};

function understood(text: string, answers: Record<string, string> = {}): UnderstoodFile {
  const table = tableOf(text);
  const columns = Object.fromEntries(
    table.headers.map((head) => [head.replace(/_(\w)/g, (_, l: string) => l.toUpperCase()), head]),
  );
  const kind = table.kind ?? "bank";
  return understand(
    { table, kind, columns: { ...columns, number: "invoice_number" }, answers },
    CONTEXT,
  );
}
/** What is asked; what is left out; the cells of some columns of what is taken. */
const asked = (text: string): string[] => understood(text).questions.map(({ key }) => key);
const leftOut = (text: string, answers = {}): string[] =>
  understood(text, answers).leftOut.map(({ line, why }) => `${line} ${why}`);
const taken = (text: string, heads: string[], answers = {}): string[] => {
  const { headers, rows } = understood(text, answers).table;
  return rows.map(({ cells }) => heads.map((head) => cells[headers.indexOf(head)]).join(" "));
};

/** OFX 2.2, 11.4 (made-up data). */
const ofx = (...transactions: string[]): string =>
  `<OFX><STMTRS><CURDEF>USD<BANKACCTFROM><ACCTID>9876543210</BANKACCTFROM><BANKTRANLIST><DTSTART>20261101<DTEND>20261130\n${transactions.join("\n")}\n</BANKTRANLIST></STMTRS></OFX>`;
const transaction = (type: string, sum: string, id: string, more = ""): string =>
  `<STMTTRN><TRNTYPE>${type}<DTPOSTED>20261106<TRNAMT>${sum}<FITID>${id}<NAME>PAYER${more}</STMTTRN>`;

describe("an OFX statement", () => {
  it("whose debit is written as money that came is asked about, and turned as was said", () => {
    const file = ofx(transaction("DEBIT", "25.00", "a1"), transaction("CREDIT", "40.00", "a2"));
    expect(asked(file)).toEqual(["wrong_side"]);
    expect(understood(file).questions[0]?.words).toContain("calls line 2 a debit");
    expect(taken(file, ["id", "amount"], { wrong_side: "turn" })).toEqual([
      "a1 -25.00",
      "a2 40.00",
    ]);
    expect(taken(file, ["id", "amount"], { wrong_side: "keep" })).toEqual(["a1 25.00", "a2 40.00"]);
    // A fee may be given back.
    expect(asked(ofx(transaction("FEE", "25.00", "a1")))).toEqual([]);
  });
  it("has a correction in the place of what it corrects, and takes back what is deleted (11.4.4.2)", () => {
    const first = transaction("CREDIT", "100.00", "a2");
    const replace = transaction("CREDIT", "120.00", "a3", "<CORRECTFITID>a2<CORRECTACTION>REPLACE");
    const remove = transaction("CREDIT", "100.00", "a3", "<CORRECTFITID>a2<CORRECTACTION>DELETE");
    expect(taken(ofx(first, replace), ["id", "amount"])).toEqual(["a2 120.00"]);
    expect(leftOut(ofx(first, replace))).toEqual(["2 replaced"]);
    expect(taken(ofx(first, remove), ["id"])).toEqual([]);
    expect(leftOut(ofx(first, remove))).toEqual(["2 replaced", "3 replaced"]);
    // A correction of a correction is the line that was told first; one of an earlier file is asked about.
    const again = transaction("CREDIT", "130.00", "a4", "<CORRECTFITID>a3<CORRECTACTION>REPLACE");
    expect(taken(ofx(first, replace, again), ["id", "amount"])).toEqual(["a2 130.00"]);
    expect([asked(ofx(replace)), asked(ofx(again))]).toEqual([["corrected"], ["corrected"]]);
    expect(taken(ofx(replace, again), ["id"], { corrected: "keep" })).toEqual(["a2"]);
    const round = transaction("CREDIT", "1.00", "b1", "<CORRECTFITID>b1<CORRECTACTION>REPLACE");
    expect(taken(ofx(round), ["id"])).toEqual(["b1"]);
    // What was deleted stands in an earlier file: a person has to undo it.
    expect(asked(ofx(remove))).toEqual(["taken_back"]);
    expect(leftOut(ofx(remove), { taken_back: "leave" })).toEqual(["2 said"]);
  });
  it("sets pending lines aside, and is in the account's currency where a sum was turned into it", () => {
    const pending = "<STMTTRNP><TRNTYPE>CREDIT<DTTRAN>20261129<TRNAMT>55.00<NAME>LATER</STMTTRNP>";
    const foreign = (tag: string): string =>
      transaction("CREDIT", "110.00", "a2", `<${tag}><CURRATE>1.1<CURSYM>EUR</${tag}>`);
    expect(leftOut(ofx(transaction("CREDIT", "1.00", "a1"), pending))).toEqual(["3 not_yet"]);
    expect(taken(ofx(foreign("ORIGCURRENCY")), ["currency"])).toEqual(["USD"]);
    expect(taken(ofx(foreign("CURRENCY")), ["currency"])).toEqual(["EUR"]);
  });
  it("whose time is another day here is asked about, unless it is midnight or noon, or names no zone", () => {
    // The book is in New York.
    const at = (time: string): string =>
      ofx(transaction("CREDIT", "1.00", "a1").replace("20261106", `20261106${time}`));
    expect(
      ["", "003000[0:GMT]", "003000", "120000[0:GMT]", "000000[0:GMT]", "090000[-5:EST]"].map(
        (time) => asked(at(time)),
      ),
    ).toEqual([[], ["moments"], [], [], [], []]);
    const day = (moments: string): string[] =>
      taken(at("003000.000[0:GMT]"), ["posted_on"], { moments });
    expect([day("bank"), day("here")]).toEqual([["2026-11-06"], ["2026-11-05"]]);
  });
});

it("a camt entry at a time of UTC that is another day here is asked about (ISO 20022, made-up data)", () => {
  const file = (booked: string): string =>
    `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Ntry><Amt Ccy="USD">12.50</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt>${booked}</BookgDt></Ntry></Stmt></BkToCstmrStmt></Document>`;
  const times = [
    "2026-11-06T02:30:00Z",
    "2026-11-06T02:30:00",
    "2026-11-06T00:00:00Z",
    "2026-11-06T15:30:00Z",
  ];
  expect(times.map((time) => asked(file(`<DtTm>${time}</DtTm>`)))).toEqual([
    ["moments"],
    [],
    [],
    [],
  ]);
  expect(asked(file("<Dt>2026-11-06</Dt>"))).toEqual([]);
});

it("a camt entry in a state of the bank's own is asked about, one that is pending is set aside", () => {
  const file = (state: string): string =>
    `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Ntry><Amt Ccy="USD">12.50</Amt><CdtDbtInd>CRDT</CdtDbtInd>${state}<BookgDt><Dt>2026-11-06</Dt></BookgDt></Ntry></Stmt></BkToCstmrStmt></Document>`;
  const own = file("<Sts><Prtry>HELD</Prtry></Sts>");
  expect(asked(own)).toEqual(["own_state"]);
  expect(taken(own, ["amount"], { own_state: "keep" })).toEqual(["12.50"]);
  expect(leftOut(own, { own_state: "leave" })).toEqual(["1 said"]);
  expect(leftOut(file("<Sts><Cd>FUTR</Cd></Sts>"))).toEqual(["1 not_yet"]);
  expect(
    ["", "<Sts>BOOK</Sts>", "<Sts><Cd>BOOK</Cd></Sts>"].map((state) => asked(file(state))),
  ).toEqual([[], [], []]);
});

describe("a group of BAI2 (cash management balance reporting 2, record 02: status 1 to 4)", () => {
  const file = (status: string): string =>
    `01,021000021,KESTREL,261116,2000,1,80,1,2/\n02,KESTREL,021000021,${status},261116,,USD,2/\n03,9876543210,,010,50000,,,015,60000,,/\n16,165,10000,0,REF1,CUST1,ACH CREDIT/\n49,120000,3/\n98,120000,1,5/\n99,120000,1,7/\n`;
  it("that updates is taken; one that deletes or corrects is asked about; a trial is no money", () => {
    expect(["1", "2", "3", "4"].map((status) => asked(file(status)))).toEqual([
      [],
      ["taken_back"],
      ["corrected"],
      [],
    ]);
    expect(leftOut(file("4"))).toEqual(["4 no_money"]);
    expect(taken(file("3"), ["amount"], { corrected: "keep" })).toEqual(["100.00"]);
    expect(leftOut(file("3"), { corrected: "leave" })).toEqual(["4 said"]);
  });
});

describe("a UBL document", () => {
  const sums = (payable: string, more = ""): string =>
    `<cac:LegalMonetaryTotal><cbc:LineExtensionAmount currencyID="USD">100.00</cbc:LineExtensionAmount><cbc:TaxExclusiveAmount currencyID="USD">100.00</cbc:TaxExclusiveAmount><cbc:TaxInclusiveAmount currencyID="USD">108.00</cbc:TaxInclusiveAmount>${more}<cbc:PayableAmount currencyID="USD">${payable}</cbc:PayableAmount></cac:LegalMonetaryTotal>`;
  const ubl = (root: string, code: string, total = sums("108.00")): string =>
    `<?xml version="1.0"?><${root} xmlns="urn:oasis:names:specification:ubl:schema:xsd:${root}-2" xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2" xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2"><cbc:ID>20999</cbc:ID><cbc:IssueDate>2026-11-10</cbc:IssueDate>${root === "Invoice" ? "<cbc:DueDate>2026-12-10</cbc:DueDate>" : ""}<cbc:${root}TypeCode>${code}</cbc:${root}TypeCode><cbc:DocumentCurrencyCode>USD</cbc:DocumentCurrencyCode><cac:AccountingCustomerParty><cac:Party><cac:PartyName><cbc:Name>Brightwater</cbc:Name></cac:PartyName></cac:Party></cac:AccountingCustomerParty><cac:TaxTotal><cbc:TaxAmount currencyID="USD">8.00</cbc:TaxAmount></cac:TaxTotal>${total}<cac:${root}Line><cbc:ID>1</cbc:ID><cbc:LineExtensionAmount currencyID="USD">100.00</cbc:LineExtensionAmount><cac:Item><cbc:Name>Clay</cbc:Name></cac:Item></cac:${root}Line></${root}>`;
  it("that has the code of the other kind is asked about (UNTDID 1001)", () => {
    expect(asked(ubl("Invoice", "380"))).toEqual([]);
    expect(asked(ubl("CreditNote", "381"))).toEqual([]);
    expect(asked(ubl("Invoice", "381"))).toEqual(["credit_note"]);
    expect(asked(ubl("CreditNote", "380"))).toEqual(["no_credit_note"]);
    const heads = ["total", "balance", "tax"];
    expect(taken(ubl("Invoice", "381"), heads, { credit_note: "turn" })).toEqual([
      "-108.00 -108.00 -8.00",
    ]);
    expect(taken(ubl("CreditNote", "380"), heads, { no_credit_note: "turn" })).toEqual([
      "108.00 108.00 8.00",
    ]);
  });
  it("that corrects another, or asks for no payment, or credits less than nothing is asked about", () => {
    expect(asked(ubl("Invoice", "384"))).toEqual(["corrects"]);
    expect(asked(ubl("Invoice", "325"))).toEqual(["no_invoice"]);
    expect(leftOut(ubl("Invoice", "325"), { no_invoice: "leave" })).toEqual(["1 said"]);
    const negative = ubl("CreditNote", "381").replaceAll(/>(100|108|8)\.00</g, ">-$1.00<");
    expect(asked(negative)).toContain("negative_credit");
    expect(taken(negative, ["total"], { negative_credit: "turn" })).toEqual(["-108.00"]);
  });
  it("that is made out to the business of the book is asked about", () => {
    expect(
      asked(
        ubl("Invoice", "380").replace(
          "Brightwater",
          "Kestrel Row, Clay & Kiln".replace("&", "&amp;"),
        ),
      ),
    ).toEqual(["own_bill"]);
  });
  it("is owed what its total is less what was paid, rounded as it says (EN 16931-1, BR-CO-16)", () => {
    const rounded = '<cbc:PayableRoundingAmount currencyID="USD">0.02</cbc:PayableRoundingAmount>';
    const prepaid = '<cbc:PrepaidAmount currencyID="USD">20.00</cbc:PrepaidAmount>';
    const owed = (total: string): string[] =>
      taken(ubl("Invoice", "380", total), ["total", "balance"]);
    expect(owed(sums("108.02", rounded))).toEqual(["108.02 108.02"]);
    expect(owed(sums("88.00", prepaid))).toEqual(["108.00 88.00"]);
    expect(errorOf(ubl("Invoice", "380", sums("-108.00")))).toMatchObject({ rule: "BR-CO-16" });
  });
});

describe("what a document or a statement leaves out", () => {
  it("a UBL invoice is due by its terms, and is asked about where it says none (BR-CO-25)", () => {
    const invoice = (more: string): string =>
      `<?xml version="1.0"?><Invoice xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2" xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2" xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2"><cbc:ID>1</cbc:ID><cbc:IssueDate>2026-11-10</cbc:IssueDate>${more.startsWith("<cbc:Due") ? more : ""}<cbc:DocumentCurrencyCode>USD</cbc:DocumentCurrencyCode>${more.startsWith("<cac:") ? more : ""}<cac:LegalMonetaryTotal><cbc:LineExtensionAmount>100.00</cbc:LineExtensionAmount><cbc:TaxExclusiveAmount>100.00</cbc:TaxExclusiveAmount><cbc:TaxInclusiveAmount>100.00</cbc:TaxInclusiveAmount><cbc:PayableAmount>100.00</cbc:PayableAmount></cac:LegalMonetaryTotal><cac:InvoiceLine><cbc:ID>1</cbc:ID><cbc:LineExtensionAmount>100.00</cbc:LineExtensionAmount></cac:InvoiceLine></Invoice>`;
    const terms = (text: string): string =>
      invoice(`<cac:PaymentTerms><cbc:Note>${text}</cbc:Note></cac:PaymentTerms>`);
    expect(taken(terms("2% 10 Net 30"), ["terms"])).toEqual(["2/10 n/30"]);
    expect([terms("2% 10 Net 30"), terms("as agreed"), invoice("")].map(asked)).toEqual([
      [],
      ["due"],
      ["due"],
    ]);
    expect(asked(invoice("<cbc:DueDate>2026-12-10</cbc:DueDate>"))).toEqual([]);
    expect(taken(terms("as agreed"), ["terms"], { due: "n/14" })).toEqual(["n/14"]);
    expect(asked(invoice(""))).toEqual(["due"]);
    expect(understood(invoice(""), { due: "issue" }).questions).toEqual([]);
  });
  it("a camt.053 with fewer entries than it counts does not add up (ISO 20022, TotalTransactions)", () => {
    const camt = (count: number): string =>
      `<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Id>1</Id><TxsSummry><TtlNtries><NbOfNtries>${count}</NbOfNtries></TtlNtries></TxsSummry><Ntry><Amt Ccy="USD">100.00</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>2026-11-16</Dt></BookgDt></Ntry></Stmt></BkToCstmrStmt></Document>`;
    expect([1, 2].map((count) => asked(camt(count)))).toEqual([[], ["balance"]]);
  });
  it("an OFX line of a day that does not exist is no line of a day to come", () =>
    expect(asked(ofx(transaction("CREDIT", "1.00", "a1").replace("20261106", "20261306")))).toEqual(
      [],
    ));
});

describe("an 820 with adjustments (ASC X12 820, ADX)", () => {
  const set = (total: string, ...segments: string[]): string => {
    const body = [
      "ST*820*0001",
      `BPR*I*${total}*C*ACH************20261103`,
      "TRN*1*T-55",
      ...segments,
    ];
    return `${[...body, `SE*${body.length + 1}*0001`].join("~")}~`;
  };
  const documents = ["RMR*IV*1042**150.00", "RMR*IV*1043**140.00*150.00"];
  it("lowers the document that an adjustment names, and is asked about where nothing adds up", () => {
    const heads = ["invoice_number", "amount"];
    expect(taken(set("250.00", ...documents, "ADX*-40.00*01", "REF*IV*1042"), heads)).toEqual([
      "1042 110.00",
      "1043 140.00",
    ]);
    expect(taken(set("280.00", ...documents, "ADX*-10.00*01*IV*1043"), heads)).toEqual([
      "1042 150.00",
      "1043 130.00",
    ]);
    // Here it only says why the second was not paid whole.
    expect(taken(set("290.00", ...documents, "ADX*-10.00*01*IV*1043"), heads)).toEqual([
      "1042 150.00",
      "1043 140.00",
    ]);
    expect(asked(set("200.00", ...documents, "ADX*-10.00*01*IV*1043"))).toEqual(["balance"]);
  });
  it("names what is settled with the payment beside its documents, or says that it names nothing", () => {
    const memo = set("280.00", ...documents, "ADX*-10.00*01*CM*118");
    expect(taken(memo, ["invoice_number", "amount"])).toEqual([
      "1042 150.00",
      "1043 140.00",
      "118 -10.00",
    ]);
    expect(asked(set("280.00", ...documents, "ADX*-10.00*01"))).toEqual(["balance"]);
  });
  it("names by its qualifier what is no invoice (ASC X12, data element 128): asked", () => {
    const order = set("290.00", "RMR*PO*77**150.00", documents[1] ?? "");
    expect(asked(order)).toEqual(["other_document"]);
    expect(taken(order, ["invoice_number"], { other_document: "leave" })).toEqual(["1043"]);
  });
  it("is named where it is another transaction", () =>
    expect(errorOf(set("290.00", ...documents).replace("ST*820", "ST*810"))).not.toBe("read"));
});
