import {
  columnsIn,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* What stands beside a sum, and what a list is by its columns; made by hand, common practice, no source. */

describe("what stands beside a sum", () => {
  const ledger = (...heads: string[]): string =>
    list(
      `Num,Date,Due date,Customer,Currency,${heads.join(",")},Open balance`,
      "1,2026-11-01,2026-12-01,Ada,EUR,108.00,100.00,108.00",
      "2,2026-11-02,2026-12-02,Bo,USD,50.00,50.00,50.00",
    );
  it("the same in another currency: the one that is called foreign, else asked", () => {
    const named = ledger("Amount", "Foreign amount");
    expect(columnsIn("invoices", named).total).toBe("Foreign amount");
    expect(columnsIn("invoices", ledger("Amount", "Home amount")).total).toBe("Amount");
    expect(openIn(ledger("Amount", "Value"))).toEqual(["currencies"]);
  });
  it("the side of an account: its credit lowers what is owed", () => {
    const file = list(
      "Account,Doc no,Doc date,Net due,Amount in LC,D/C,Open amount",
      "101,90001,2026-11-01,2026-12-01,100.00,S,100.00",
      "101,90002,2026-11-02,2026-12-02,40.00,H,40.00",
    );
    expect(linesIn("invoices", file)[1]).toContain("(40.00)");
    // Letters of another head are of something else.
    expect(linesIn("invoices", file.replace("D/C", "Tax class"))[1]).not.toContain("(40.00)");
  });
  it("a word in brackets that says which sum it is", () => {
    const file = list(
      "Date,Description,Amount (net),Fees deducted,Customer,Batch",
      "2026-11-13,Invoice payment,97.00,3.00,Ada,B4",
      "2026-11-14,Invoice payment,48.50,1.50,Bo,B4",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      net: "Amount (net)",
      fee: "Fees deducted",
    });
    expect(linesIn("processor", file)[0]).toContain("100.00");
    const owed = list(
      "Invoice,Customer,Date,Due,Amount (gross)",
      "1,Ada,2026-11-01,2026-12-01,5.00",
    );
    expect(columnsIn("invoices", owed).total).toBe("Amount (gross)");
  });
  it("a currency in the head of every sum leaves nothing open of what was paid elsewhere", () => {
    const file = list(
      "Txn,When,Kind,Amount,Currency,Amount (USD),Fee (USD),Net (USD),From",
      "X1,2026-11-13 14:22,Payment,90.00,CAD,66.00,2.00,64.00,Ada",
      "X2,2026-11-14 14:22,Payment,50.00,USD,50.00,1.50,48.50,Bo",
    );
    expect(openIn(file)).toEqual([]);
    expect(columnsIn("processor", file).gross).toBe("Amount (USD)");
  });
});

describe("what a list is", () => {
  it("what one customer owes, with its balance, is no statement of a bank", () => {
    const file = list(
      "Statement for: Ada",
      "Date,Invoice,Due,Charges,Credits,Balance",
      "2026-11-01,INV1,2026-12-01,100.00,,100.00",
      "2026-11-08,INV2,2026-12-08,50.00,,150.00",
    );
    expect(kindsIn(file).sure).toBeNull();
  });
  it("what a processor's account did, with its balance, may be a statement: asked", () => {
    const file = list(
      "Posting date,Type,Reference,Debit,Credit,Balance",
      "2026-11-01,Opening balance,,,,10.00",
      "2026-11-01,Payment,R1,,100.00,110.00",
      "2026-11-01,Fee,R1,3.00,,107.00",
      "2026-11-02,Payout,P1,107.00,,0.00",
    );
    expect(kindsIn(file).possible).toEqual(["processor", "bank"]);
    expect(leftOutOf(file, { kind: "processor" })).toEqual(["2 balance"]);
    expect(leftOutOf(file, { kind: "bank" })).toEqual(["2 balance"]);
    const paid = list("Id,Date,Type,Amount,Payer", "t1,2026-11-01,Sale,5.00,Balance at Home");
    expect(leftOutOf(paid, { kind: "processor" })).toEqual([]);
  });
  it("days without a year are of the span above them, though a comma parts it", () => {
    const file = list(
      "Statement period: Dec 15, 2025 to Jan 14, 2026",
      "Date,Transaction,Withdrawals,Deposits,Balance",
      "Dec 31,Service fee,15.00,,85.00",
      "Jan 2,Deposit,,10.00,95.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(linesIn("bank", file).map((line) => line.slice(0, 10))).toEqual([
      "Wed 31 Dec",
      "Fri 2 Jan ",
    ]);
  });
  it("what an advice takes off with a minus is none of what was paid", () => {
    const file = list(
      "Cheque No.,Cheque Date,Cheque Amount,Invoice,Gross,Adj.,Net",
      "44,2026-11-13,147.00,KR1,100.00,-3.00,97.00",
      "44,2026-11-13,147.00,KR2,50.00,0.00,50.00",
    );
    expect(openIn(file, { kind: "remittance" })).toEqual([]);
  });
});

describe("what stands beside the words of a statement's line", () => {
  it("is said with them, once: who paid, and what for", () => {
    const file = list(
      "Date,Description,Amount,Balance,Memo,Extended Description",
      "11/13/2026,ACH CREDIT,100.00,1100.00,INV 50001,ANN POT",
      "11/16/2026,RENT,-50.00,1050.00,RENT,",
    );
    const { table } = readList(file);
    const at = table.headers.indexOf("description");
    expect(table.rows.map(({ cells }) => cells[at])).toEqual([
      "ACH CREDIT INV 50001 ANN POT",
      "RENT",
    ]);
  });
});
