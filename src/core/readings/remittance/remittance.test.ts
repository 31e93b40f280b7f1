import {
  columnsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../../tests/support/readings";

describe("advice of a payment", () => {
  const of = (type: string, more = ""): string =>
    list(
      `Payment date,Document,Type,Gross,Discount,Net${more === "" ? "" : ",Payment total"}`,
      `2026-11-09,1001,INV,100.00,2.00,98.00${more}`,
      `2026-11-09,CM-5,${type},20.00,0.00,20.00${more}`,
    );
  const asAdvice = (text: string, answers = {}): string[] =>
    linesIn("remittance", text, { answers }).map((line) => line.split(" | ")[1] ?? "");
  it("a credit without a sign lowers what was paid where the payment says so, else it is asked", () => {
    expect(openIn(of("CRN"), { kind: "remittance" })).toEqual(["credits"]);
    expect(asAdvice(of("CRN"), { credits: "off" })).toEqual(["98.00", "(20.00)"]);
    expect(asAdvice(of("CRN"), { credits: "on" })).toEqual(["98.00", "20.00"]);
    expect(openIn(of("CRN", ",78.00"), { kind: "remittance" })).toEqual([]);
    expect(asAdvice(of("CRN", ",78.00"))).toEqual(["98.00", "(20.00)"]);
    expect(openIn(of("INV"), { kind: "remittance" })).toEqual([]);
  });
  it("what was refused, is only to come, or void, is asked about", () => {
    const file = (status: string, check = "5511"): string =>
      list(
        "Check,Paid on,Invoice,Amount,Status",
        "5510,2026-11-09,1001,98.00,paid",
        `${check},2026-11-09,1002,20.00,${status}`,
      );
    const open = (text: string): string[] => openIn(text, { kind: "remittance" });
    expect(["paid", "scheduled", "rejected"].map((status) => open(file(status)))).toEqual([
      [],
      ["column:Status"],
      ["column:Status"],
    ]);
    expect(open(file("paid", "VOID 5511"))).toEqual(["column:Check"]);
  });
  it("of several invoices in one cell is what the payment was, where it has one line", () => {
    const head = "Payment Date,Payment Ref,Invoices Paid,Payment Amount";
    const one = '11/13/2026,EFT-8,"1001, 1002",142.50';
    expect(linesIn("remittance", list(head, one))).toEqual(["Fri 13 Nov | 142.50 | 1001, 1002"]);
    // Nothing says what of it is for each.
    expect(
      linesIn("remittance", list(head, one, "11/13/2026,EFT-8,1003,142.50")).map(
        (line) => line.split(" | ")[1],
      ),
    ).toEqual(["1001, 1002", "1003"]);
  });
  it("a credit note beside an invoice is a line of its own, where what was paid is what it leaves", () => {
    const file = (paid: string): string =>
      list(
        "Trace,Date,Invoice No,Invoice Amt,Credit Memo No,Credit Amt,Paid",
        "77,2026-11-18,1001,440.00,,,440.00",
        `77,2026-11-18,1002,260.00,CM-220,-40.00,${paid}`,
      );
    expect(linesIn("remittance", file("220.00"))).toEqual([
      "Wed 18 Nov | 440.00 | 1001",
      "Wed 18 Nov | 260.00 | 1002",
      "Wed 18 Nov | (40.00) | CM-220",
    ]);
    expect(openIn(file("210.00"), { kind: "remittance" })).toContain("column:Credit Amt");
  });
  it("a line without a number is the total where its sums are those above it", () => {
    const file = (total: string): string =>
      list(
        "EFT No,Pay Date,Doc Number,Gross,Discount,Net Amount",
        "70,11/17/2026,1001,500.00,10.00,490.00",
        "70,11/17/2026,1002,820.00,0.00,820.00",
        `70,11/17/2026,,"1,320.00",10.00,${total}`,
      );
    expect(leftOutOf(file('"1,310.00"'), { kind: "remittance" })).toEqual(["4 total"]);
    expect(leftOutOf(file('"1,300.00"'), { kind: "remittance" })).toEqual([]);
  });
  it("is not held against a total of the sum that stands above it, which each line bears", () => {
    const file = list(
      "Payment Date: 11/19/2026,,",
      "Payment Amount: 173.50 USD,,",
      ",,",
      "Invoice Number,Gross,Amount Paid",
      "1001,142.50,142.50",
      "1002,31.00,31.00",
      "Total,173.50,173.50",
    );
    expect(openIn(file, { kind: "remittance" })).toEqual([]);
    expect(leftOutOf(file, { kind: "remittance" })).toEqual(["7 total"]);
  });
  it("is read as it was printed, with what stands above it in one line", () => {
    const file = list(
      "PAYER: BRIGHTWATER UNIFIED",
      "EFT DATE: 11/19/2026   EFT NUMBER: 558812   EFT AMOUNT: 173.50",
      "",
      "INVOICE       INV DATE     GROSS        DISCOUNT     NET",
      "1001          10/20/2026     142.50         0.00       142.50",
      "1002          10/21/2026      31.00         0.00        31.00",
      "TOTAL                        173.50         0.00       173.50",
    );
    expect(linesIn("remittance", file)).toEqual([
      "Thu 19 Nov | 142.50 | 1001 | BRIGHTWATER UNIFIED",
      "Thu 19 Nov | 31.00 | 1002 | BRIGHTWATER UNIFIED",
    ]);
  });
  it("of a payer who writes below zero what he pays is what was paid", () => {
    const file = (credit: string): string =>
      list(
        "Payment No,Payment Date,Invoice,Amount Paid",
        "77,2026-11-19,1001,-142.50",
        `77,2026-11-19,CM-5,${credit}`,
      );
    const sums = (text: string): string[] =>
      linesIn("remittance", text).map((line) => line.split(" | ")[1] ?? "");
    expect(sums(file("42.50"))).toEqual(["142.50", "(42.50)"]);
    expect(sums(file("342.50"))).toEqual(["(142.50)", "342.50"]);
  });
});

describe("numbers of documents in two columns", () => {
  const head =
    "Document Number,Reference,Doc. Date,Gross Amount,Deductions,Amount,Payment doc,Pmt date";
  const file = list(
    head,
    "1900001,2101,2026-10-13,1240.00,24.80-,1215.20,2000551,2026-11-13",
    "1900002,CM-12,2026-10-20,40.00-,0.00,40.00-,2000551,2026-11-13",
  );
  const asked = { kind: "remittance" } as const;
  const numbers = (number: string): (string | undefined)[] =>
    linesIn("remittance", file, { answers: { number } }).map((line) => line.split(" | ")[2]);

  it("may be the payer's own or ours: it is asked which", () => {
    expect(openIn(file, asked)).toEqual(["number"]);
    expect(numbers("Reference")).toEqual(["2101", "CM-12"]);
    expect(numbers("Document Number")).toEqual(["1900001", "1900002"]);
  });

  it("are asked about where the other would be taken for the number of the payment", () => {
    const other = file.replaceAll(",2000551", "").replace(",Payment doc", "");
    expect(openIn(other, asked)).toEqual(["number"]);
  });

  it("are not where one is the same on all lines, or holds no numbers", () => {
    expect(
      openIn(file.replace(",CM-12,", ",2101,").replace("Reference", "Payment ref"), asked),
    ).toEqual([]);
    expect(openIn(file.replace("CM-12", "Vases").replace("2101", "Bowls"), asked)).toEqual([]);
  });

  it("stand in a ledger's list of invoices, too", () => {
    const invoices = list(
      "Document number,Invoice reference,Customer,Date,Due,Total,Open",
      "1900001,INV-2101,Ada,2026-10-13,2026-11-12,1240.00,1240.00",
      "1900002,INV-2102,Ada,2026-10-14,2026-11-13,300.00,300.00",
    );
    expect(openIn(invoices, { kind: "invoices" })).toEqual(["number"]);
    // What a credit note is of is another invoice.
    const ofCredits = invoices.replace("Invoice reference", "Credited invoice");
    expect(openIn(ofCredits, { kind: "invoices" })).toEqual([]);
  });
});

it("what discounts leave of what was owed is what was paid, whatever the columns are called", () => {
  const file = list(
    "Your ref,Payment date,Amount,Discount,Paid",
    "20088,2026-11-19,98.00,1.96,96.04",
    "20103,2026-11-19,56.70,0.00,56.70",
    ",,Total,1.96,152.74",
  );
  expect(openIn(file, { kind: "remittance" })).toEqual([]);
  expect(columnsIn("remittance", file)).toMatchObject({ amount: "Paid", discount: "Discount" });
});

it("a number of the payment above the list is that of each line, in whatever order it is called so", () => {
  const file = list(
    "Payor: Tallow County Schools",
    "EFT/Check Number: 5512",
    "Payment Date: 11/20/2026",
    "Your ref,Amount Paid",
    "20111,59.40",
    "20115,56.00",
  );
  const { table } = readList(file, { kind: "remittance" });
  const at = table.headers.indexOf("trace");
  expect(table.rows.map(({ cells }) => cells[at])).toEqual(["5512", "5512"]);
});
