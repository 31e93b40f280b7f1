import { linesIn, list, openIn } from "../../../../tests/support/readings";

describe("columns that no field has taken", () => {
  it("are not asked about where they are what an invoice's total is made of, and what is paid is known", () => {
    const head = "Invoice #,Customer,Invoice date,Due date,Subtotal,Freight,Tax,Total";
    const lines = [
      "1,Ada,11/13/2026,12/13/2026,100.00,10.00,8.00,118.00",
      "2,Bo,11/14/2026,12/14/2026,50.00,0.00,4.00,54.00",
    ];
    const paid = list(`${head},Paid to date`, ...lines.map((line) => `${line},20.00`));
    expect(openIn(paid, { kind: "invoices" })).toEqual([]);
    // One that is off by a cent proves nothing.
    const off = paid.replace("10.00,8.00", "10.01,8.00");
    expect(openIn(off, { kind: "invoices" })).toEqual(["column:Subtotal", "column:Freight"]);
    // Where nothing says what is paid, a part of the total may be just that.
    const parts = list(
      "Invoice #,Customer,Invoice date,Due date,Total,Part A,Part B",
      "1,Ada,11/13/2026,12/13/2026,118.00,20.00,98.00",
      "2,Bo,11/14/2026,12/14/2026,54.00,10.00,44.00",
    );
    expect(openIn(parts, { kind: "invoices" })).not.toEqual([]);
  });
  it("are not asked about where an advice takes them off to what was paid; its total is no document", () => {
    const advice = list(
      "Payment No,Payment Date,Doc Type,Doc No,Doc Amount,Discount,Deduction,Amount Paid",
      "P900,11/18/2026,INV,20404,500.00,10.00,0.00,490.00",
      "P900,11/18/2026,INV,20405,250.00,0.00,25.00,225.00",
      "P900,11/18/2026,TOTAL,,750.00,10.00,25.00,715.00",
    );
    expect(openIn(advice, { kind: "remittance" })).toEqual([]);
    expect(linesIn("remittance", advice)).toHaveLength(2);
  });
  it("of a payment are asked about where they may be what was given back", () => {
    const sales = (part: string): string =>
      list(
        `Id,Date,Item sales,${part},Gross,Fee`,
        "a,2026-11-13,100.00,15.00,115.00,3.34",
        "b,2026-11-14,50.00,5.00,55.00,1.60",
      );
    expect(openIn(sales("Tip"), { kind: "processor" })).toEqual([]);
    expect(openIn(sales("Sent back"), { kind: "processor" })).not.toEqual([]);
  });
});

describe("what a tip is", () => {
  it("is no second fee: it goes the other way than the fee", () => {
    const file = list(
      "Date,Description,Amount,Tip,Total Collected,Fees,Net Total",
      "11/13/2026,Sale 1001,100.00,15.00,115.00,-3.34,111.66",
      "11/14/2026,Sale 1002,50.00,0.00,50.00,-1.60,48.40",
    );
    expect(linesIn("processor", file).map((line) => line.split(" | ")[1])).toEqual([
      "115.00",
      "50.00",
    ]);
  });
});

describe("a list of payouts", () => {
  const file = list(
    "Payout ID,Arrival date,Amount,Status",
    "po_1,2026-11-13,970.10,paid",
    "po_2,2026-11-16,455.20,paid",
  );
  it("asks whether its lines are payouts or payments", () => {
    expect(openIn(file, { kind: "processor" })).toEqual(["payouts"]);
    const as = (payouts: string): string[] => linesIn("processor", file, { answers: { payouts } });
    expect(as("payout")[0]).toContain("payout");
    expect(as("charge")[0]).not.toContain("payout |");
  });
  it("asks so too where a fee stands beside each, or no head names its ids", () => {
    const fees = list(
      "Payout ID,Created,Arrival date,Amount,Fees,Net",
      "po_1,2026-11-03,2026-11-05,412.55,12.26,400.29",
    );
    expect(openIn(fees, { kind: "processor" })).toEqual(["payouts"]);
    expect(linesIn("processor", fees, { answers: { payouts: "payout" } })).toEqual([
      "Thu 5 Nov | 400.29 | payout | po_1",
    ]);
    const sent = list("Reference,Date sent to bank,Amount", "55120,2026-11-05,400.29");
    expect(openIn(sent, { kind: "processor" })).toEqual(["payouts"]);
    const batches = list(
      "Funded on,Batch count,Gross,Fees,Net deposit",
      "2026-11-04,12,90.00,2.00,88.00",
    );
    expect(openIn(batches, { kind: "processor", answers: { payouts: "payout" } })).toEqual([]);
  });
  it("does not ask where a head or words name payments", () => {
    const ofPayments = file.replace("Payout ID", "Payment ID");
    expect(openIn(ofPayments, { kind: "processor" })).not.toContain("payouts");
    const withWords = file.replace("Status", "Description").replaceAll("paid", "vase, blue");
    expect(openIn(withWords.replace("Payout ID", "Id"), { kind: "processor" })).toEqual([]);
  });
});

describe("other shapes", () => {
  it("terms in the column of the due day are terms", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Amount,Balance",
      "2001,Ada,11/13/2026,Net 30,100.00,100.00",
      "2002,Bo,11/14/2026,12/25/2026,80.00,80.00",
    );
    expect(openIn(file, { kind: "invoices" })).toEqual([]);
    expect(linesIn("invoices", file)).toHaveLength(2);
  });
  it("a register whose marks say what the bank has cleared asks about lines without one", () => {
    const file = list(
      "Date,Payee,Amount,Cleared,Balance",
      "11/13/2026,Ada,100.00,R,100.00",
      "11/14/2026,Bo,-50.00,,50.00",
    );
    expect(openIn(file, { kind: "bank" })).toContain("column:Cleared");
  });
});
