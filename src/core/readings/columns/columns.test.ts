import { columnsOfFile } from "@/core/readings";
import { readTable } from "@/core/formats";

import {
  columnsIn as columnsNamed,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../../tests/support/readings";

const columnsIn = (kind: "bank" | "processor" | "returns", file: string): object => {
  const table = readTable(file);
  return table.ok ? columnsOfFile(table.value, kind) : {};
};

describe("a head with words around its own", () => {
  it("sums and days, whatever says that they are", () => {
    const file = list(
      "Processed date,Details,Withdrawal amount,Deposit amount,Ledger balance",
      "2026-11-13,ADA,,100.00,1100.00",
      "2026-11-14,RENT,50.00,,1050.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(columnsIn("bank", file)).toMatchObject({
      postedOn: "Processed date",
      moneyIn: "Deposit amount",
      moneyOut: "Withdrawal amount",
    });
  });
  it("in German, in whatever order", () =>
    expect(
      columnsIn(
        "processor",
        list(
          "ID;Datum;Art;Betrag brutto;Gebühr;Betrag netto",
          "1;13.11.2026;Zahlung;1.200,00;-24,30;1.175,70",
          "2;14.11.2026;Zahlung;300,00;-6,30;293,70",
        ),
      ),
    ).toMatchObject({ gross: "Betrag brutto", fee: "Gebühr", net: "Betrag netto" }));
});

describe("a column by what it holds", () => {
  it("codes of returns (Nacha Operating Rules, Appendix Four)", () => {
    const file = list(
      "Effective,Original trace,Individual,Amount,Cause",
      "2026-11-13,091000010000001,ADA,100.00,R01",
      "2026-11-14,091000010000002,BEN,250.00,R29",
    );
    expect(kindsIn(file).sure).toBe("returns");
    expect(columnsIn("returns", file)).toMatchObject({ code: "Cause", on: "Effective" });
  });
  it("codes of currencies under a head that does not say of what are asked about", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Amount,Open,Subsidiary currency",
      "1,Ada,2026-10-13,2026-11-12,500.00,300.00,EUR",
      "2,Ben,2026-10-14,2026-11-13,100.00,100.00,USD",
    );
    expect(openIn(file)).toEqual(["column:Subsidiary currency"]);
    expect(openIn(file.replace("EUR", "USD"))).toEqual([]);
    const { table } = readList(file, { answers: { "column:Subsidiary currency": "currency" } });
    const at = table.headers.indexOf("currency");
    expect(table.rows.map(({ cells }) => cells[at])).toEqual(["EUR", "USD"]);
  });
  it("words that go with the signs of the sums are kinds, and those that nobody knows are asked", () => {
    const file = list(
      "Date,Id,Description,Gross,Fee,Net",
      "2026-11-13,a,Website payment,100.00,-3.20,96.80",
      "2026-11-13,b,Hold for review,-96.80,0.00,-96.80",
      "2026-11-14,c,Hold given back,96.80,0.00,96.80",
      "2026-11-14,d,Bank deposit,-96.80,0.00,-96.80",
    );
    expect(openIn(file)).toEqual(["word:hold for review", "word:hold given back"]);
    const answers = { "word:hold for review": "reserve", "word:hold given back": "reserve" };
    expect(linesIn("processor", file, { answers })).toHaveLength(4);
  });
});

describe("what no sum proves is asked", () => {
  it("whether a second fee comes on top", () => {
    const file = list(
      "Id,Date,Amount,Processing fee,Application fee",
      "a,2026-11-13,90.00,2.91,0.90",
    );
    expect(openIn(file)).toEqual(["column:Application fee"]);
    expect(openIn(file.replace("fee,App", "fee,Net,App").replace("2.91", "2.91,86.19"))).toEqual(
      [],
    );
  });
  it("what a payout that failed brought back, where the line names no payout", () => {
    const head = "Id,Type,Date,Amount,Fee,Net,Payout";
    const line = "b,Payout failure,2026-11-14,57.96,0.00,57.96,";
    const file = list(head, "a,charge,2026-11-13,60.00,2.04,57.96,po_1", line);
    expect(openIn(file)).toEqual(["word:payout failure"]);
    expect(openIn(list(head, `${line}po_1`))).toEqual([]);
  });
  it("what a number under “clearing” says of an invoice", () => {
    const file = list(
      "Doc,Cust,Doc date,Due date,Amount in doc currency,Curr,Clearing doc",
      "90001,C1,2026-10-01,2026-10-31,500.00,USD,",
      "90002,C2,2026-10-02,2026-11-01,300.00,USD,77001",
    );
    expect(openIn(file)).toEqual(["column:Clearing doc", "balance"]);
  });
});

it("what is open by its age is open together", () => {
  const file = list(
    "Customer,Ref,Date,Due,Original amount,Current,1-30,31-60,Over 60",
    "Ada,50001,2026-10-01,2026-10-31,500.00,,200.00,,",
    "Ben,50002,2026-11-10,2026-12-10,300.00,300.00,,,",
  );
  expect(openIn(file)).toEqual([]);
  expect(linesIn("invoices", file)).toEqual([
    "Thu 1 Oct | 200.00 | 50001, due Sat 31 Oct, of 500.00 | Ada",
    "Tue 10 Nov | 300.00 | 50002, due Thu 10 Dec | Ben",
  ]);
});

it("a balance at the end stands in whatever column", () =>
  expect(
    leftOutOf(
      list(
        "Date;Libellé;Débit euros;Crédit euros;Solde",
        "02/11/2026;VIR ADA;;120,00;1120,00",
        "13/11/2026;PRLV GAZ;45,30;;1074,70",
        "Solde final;1074,70;;;",
      ),
    ),
  ).toEqual(["4 balance"]));

describe("what stands beside the lines", () => {
  it("a currency above the head is that of the sums", () => {
    const file = list(
      "Statement of transfers",
      "Currency: CAD",
      "Date,Ref,Payer,Amount,Fees,Net",
      "2026-11-13,T1,Ada,100.00,3.20,96.80",
      "2026-11-14,T2,Ben,50.00,1.75,48.25",
    );
    const { table } = readList(file);
    const at = table.headers.indexOf("currency");
    expect(table.rows.map(({ cells }) => cells[at])).toEqual(["CAD", "CAD"]);
  });
  it("what is kept back of a charge is asked about, though the rest foots", () => {
    const file = list(
      "Date,Txn,Gross,Fee,Net,Held",
      "2026-11-13,T1,100.00,3.00,97.00,10.00",
      "2026-11-14,T2,50.00,1.50,48.50,5.00",
    );
    expect(openIn(file)).toEqual(["column:Held"]);
    const answers = { "column:Held": "reserve" };
    expect(linesIn("processor", file, { answers })).toHaveLength(4);
  });
  it("a unit above the head or beside the sums says that their cents are lost", () => {
    const rows = ["2026-11-13,ADA,1.25,11.25", "2026-11-14,GAS,-0.50,10.75"];
    const plain = list("Date,Text,Amount,Balance", ...rows);
    expect(openIn(plain)).toEqual([]);
    expect(openIn(`All amounts in thousands,,,\n${plain}`)).toEqual(["unit"]);
    const beside = list(
      "Date,Text,Amount,Balance,Unit",
      ...rows.map((row) => `${row},thousands USD`),
    );
    expect(openIn(beside)).toEqual(["unit"]);
  });
  it("an advice that says how it was paid has no fee either", () => {
    const head = "Invoice,Paid on,Amount,Way,Fee,ACH trace";
    const line = "50001,2026-11-13,100.00,ACH,0.80,091000010000001";
    expect(kindsIn(list(head, line)).sure).toBeNull();
    expect(kindsIn(list(head, line).replace("Fee", "Discount")).sure).toBe("remittance");
  });
  it("an advice has nothing open, and what payers and processors keep of it is activity", () => {
    const line = "2026-11-13,2026-11-14,2026-11-15,9.00,8.00,1.00";
    const portal = "Payment date,Payer,Invoice,Amount paid,Your fee,You receive";
    expect(kindsIn(list("Invoice,Date,Due,Amount,Open", line)).sure).toBeNull();
    expect(kindsIn(list(portal, line)).sure).toBe("processor");
  });
  it("the only days of a list are those of its lines", () =>
    expect(
      columnsIn("processor", list("Funds came,Id,Gross,Fee", "2026-11-13,T1,100.00,3.00")),
    ).toMatchObject({ occurredOn: "Funds came" }));
});

describe("columns that no field takes", () => {
  const activity = (head: string, cell: string): string =>
    list(
      `Id,Date,Amount,Fee,${head}`,
      "a,2026-11-13,9.00,0.30,Settled",
      `b,2026-11-14,8.00,0.30,${cell}`,
    );
  it("a word that nobody knows under a head that says how a line stands", () => {
    expect(openIn(activity("Settlement status", "Taken apart"))).toEqual([
      "column:Settlement status",
    ]);
    expect(openIn(activity("Settlement status", "Completed"))).toEqual([]);
    expect(openIn(activity("E-mail status", "Bounced"))).toEqual([]);
  });
  it("an invoice that words somewhere say is given up", () => {
    const lines = Array.from(
      { length: 20 },
      (_, at) => `${at},Ada,2026-10-13,2026-11-12,9.00,9.00,call ${at}`,
    );
    const last = "99,Ben,2026-10-13,2026-11-12,9.00,9.00,written off 2026-11-20";
    const file = list("Invoice,Customer,Date,Due,Amount,Open,Last action", ...lines);
    expect(openIn(file)).toEqual([]);
    expect(openIn(file + last)).toEqual(["column:Last action"]);
  });
  it("the head office of a customer, whatever it is called", () => {
    const file = list("Cust#,Cust Name,Contact Email,Bill-To Cust#", "2,Ada North,a@x.example,1");
    expect(linesIn("customers", file)).toHaveLength(1);
    const { table } = readList(file);
    expect(table.headers).toContain("parent_id");
  });
  it("an invoice in whose place another stands", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Amount,Open,Superseded by",
      "1,Ada,2026-10-13,2026-11-12,500.00,500.00,2",
      "2,Ada,2026-10-20,2026-11-19,450.00,450.00,",
    );
    expect(openIn(file)).toEqual(["column:Superseded by"]);
  });
  it("numbers are no kinds, and what names a charge names a line that has no other name", () => {
    const numbered = list(
      "Entry,Date,Amount,Fee",
      "1,2026-11-13,9.00,0.30",
      "2,2026-11-14,8.00,0.30",
    );
    expect(columnsIn("processor", numbered)).not.toHaveProperty("kind");
    const charges = list("Charge,Date,Amount,Fee", "c1,2026-11-13,9.00,0.30");
    expect(columnsIn("processor", charges)).toMatchObject({ id: "Charge" });
  });
});

describe("an advice", () => {
  const advice = (head: string, ...lines: string[]): string =>
    list(`Payment no,Paid on,Invoice,${head}`, ...lines.map((line) => `P9,2026-11-13,${line}`));
  it("what was paid may stand in another column than the sum that has its name", () => {
    const file = advice(
      "Amount,Our deduction,We paid",
      "1,500.00,25.00,475.00",
      "2,400.00,0.00,400.00",
    );
    expect(openIn(file)).toEqual(["column:Our deduction", "column:We paid"]);
    const answers = { "column:Our deduction": "discount", "column:We paid": "amount" };
    const { table } = readList(file, { answers });
    const at = ["amount", "discount"].map((head) => table.headers.indexOf(head));
    expect(table.rows.map(({ cells }) => at.map((place) => cells[place]))).toEqual([
      ["475.00", "25.00"],
      ["400.00", "0.00"],
    ]);
  });
  it("is proven by its total, or by what the discount leaves", () => {
    expect(
      openIn(advice("Gross,Discount,Net", "1,500.00,10.00,490.00", "2,9.00,0.00,9.00")),
    ).toEqual([]);
    const whole = advice("Payment amount,Owed,Paid", "1,12.00,9.00,8.00", "2,12.00,5.00,4.00");
    expect(openIn(whole)).toEqual([]);
    expect(openIn(whole.replace("4.00", "3.00"))).toEqual(["foot", "column:Owed"]);
  });
});

it("an invoice that is open below zero is asked about", () => {
  const file = list(
    "Invoice,Customer,Date,Due,Amount,Balance",
    "1,Ada,2026-10-13,2026-11-12,500.00,(300.00)",
    "2,Ben,2026-10-14,2026-11-13,100.00,100.00",
  );
  expect(openIn(file)).toEqual(["openSign"]);
  const of = (openSign: string): string[] => linesIn("invoices", file, { answers: { openSign } });
  expect(of("size")[0]).toContain("| 300.00 |");
  expect(of("written")[0]).toContain("| (300.00) |");
});

describe("sums of several currencies", () => {
  it("a head that names another than its line is asked about", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Currency,Total,Balance (USD)",
      "1,Ada,2026-10-13,2026-11-12,EUR,500.00,324.00",
      "2,Ben,2026-10-14,2026-11-13,USD,100.00,100.00",
    );
    expect(openIn(file)).toEqual(["currencies"]);
    expect(openIn(file.replace("EUR", "USD"))).toEqual([]);
  });
});

it("signs and sides of invoices in a column of their own", () => {
  const file = (sign: string, other: string): string =>
    list(
      "Invoice,Customer,Date,Due,Amount,Balance,Side",
      `1,Ada,2026-10-13,2026-11-12,500.00,300.00,${other}`,
      `2,Ada,2026-10-14,2026-11-14,40.00,40.00,${sign}`,
    );
  expect(openIn(file("-", "+"))).toEqual(["column:Side"]);
  expect(openIn(file("Cr", "Dr"))).toEqual([]);
  expect(linesIn("invoices", file("Cr", "Dr"))[1]).toContain("(40.00)");
});

describe("columns of whom something is", () => {
  it("their numbers are no ids of payments", () => {
    const file = list(
      "Student ID,Student,Date,Amount,Fee",
      "S100,Ada Park,11/13/2026,45.00,1.61",
      "S101,Lin Roe,11/13/2026,45.00,1.61",
    );
    expect(columnsNamed("processor", file)).toMatchObject({ payerName: "Student" });
    expect(columnsNamed("processor", file).id).toBeUndefined();
  });
  it.each([
    ["Transaction", "Online sale to Ada", "Online sale to Lin"],
    ["Transaction", "VISA", "MC"],
    ["Payment Reference", "INV 20310", "INV 20311"],
  ])("%s is no id where it says %s", (head, one, other) => {
    const file = list(
      `Date,${head},Amount,Fee`,
      `2026-11-13,${one},100.00,2.90`,
      `2026-11-14,${other},60.00,1.74`,
    );
    expect(columnsNamed("processor", file)).toMatchObject({ reference: head });
    expect(columnsNamed("processor", file).id).toBeUndefined();
  });
  it("a group of customers is a head office where it is one of them", () => {
    const file = (group: string): string =>
      list("CustNo,Name,Mail,Group", `C1,Fernhill,a@x.example,${group}`, "C2,Moss,b@x.example,");
    expect(columnsNamed("customers", file("C2")).parentId).toBe("Group");
    expect(columnsNamed("customers", file("Schools")).parentId).toBeUndefined();
  });
});

it("letters for open and closed are states of invoices, and what is paid in full is no question", () => {
  const file = (paid: string): string =>
    list(
      "DocNum,CardCode,CardName,DocDate,DocDueDate,DocTotal,PaidToDate,DocStatus",
      "9301,C101,Brightwater,2026-11-13,2026-12-13,500.00,100.00,O",
      `9302,C107,Tallow,2026-11-14,2026-12-14,75.00,${paid},C`,
    );
  expect(openIn(file("75.00"), { kind: "invoices" })).toEqual([]);
  expect(openIn(file("0.00"), { kind: "invoices" })).toEqual(["column:DocStatus"]);
});
