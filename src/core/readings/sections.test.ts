import {
  columnsIn,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* Lists with several heads, labels over a head, and codes; made by hand, common practice, no source. */

describe("a list that repeats its head", () => {
  const accounts = list(
    "Account: Checking ...1234",
    "Date,Description,Amount,Balance",
    "11/13/2026,ACH ADA,100.00,1100.00",
    "11/16/2026,RENT,-50.00,1050.00",
    "Account: Savings ...9876",
    "Date,Description,Amount,Balance",
    "11/13/2026,INTEREST,1.00,501.00",
  );
  it("under the names of accounts is of several, of which one is taken in", () => {
    expect(openIn(accounts)).toContain("whose");
    const said = { answers: { whose: "1234" } };
    expect(linesIn("bank", accounts, said)).toHaveLength(2);
    expect(leftOutOf(accounts, said)).toEqual(["5 heading", "6 head", "7 other_account"]);
  });
  it("under the names of customers is of theirs", () => {
    const customers = list(
      "Customer: Ann Pot",
      "Invoice,Date,Due,Amount,Open",
      "50001,11/13/2026,12/13/2026,500.00,300.00",
      "Customer: Bob Pot",
      "Invoice,Date,Due,Amount,Open",
      "50003,11/15/2026,12/15/2026,80.00,80.00",
    );
    expect(kindsIn(customers).sure).toBe("invoices");
    expect(linesIn("invoices", customers).map((line) => line.split(" | ").at(-1))).toEqual([
      "Ann Pot",
      "Bob Pot",
    ]);
  });
  it("on a new page has what is carried forward between them, held against the lines", () => {
    const pages = list(
      "Page 1",
      "Inv,Date,Due,Customer,Amount,Balance",
      "P1,11/13/2026,12/13/2026,Ada,10.00,10.00",
      "Carried forward,,,,10.00,10.00",
      "Page 2",
      "Inv,Date,Due,Customer,Amount,Balance",
      "P2,11/14/2026,12/14/2026,Bo,20.00,20.00",
    );
    expect(openIn(pages)).toEqual([]);
    expect(leftOutOf(pages)).toEqual(["4 total", "5 heading", "6 head"]);
  });
});

describe("names of columns", () => {
  it("that stand twice are told apart by the labels over them", () => {
    const file = list(
      ",,Sale,,,Refund,,",
      "Date,Order,Amount,Fee,Net,Amount,Fee back,Customer",
      "11/13/2026,O1,100.00,3.00,97.00,,,Ada",
      "11/14/2026,O2,50.00,1.50,48.50,20.00,0.60,Bo",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      gross: "Sale Amount",
      refunded: "Refund Amount",
    });
    expect(openIn(file)).toEqual(["refunded", "column:Fee back"]);
  });
  it("in Danish, Swedish, Norwegian and Polish", () => {
    const heads = (...names: string[]): string =>
      list(`${names.join(";")}`, "13.11.2026;Ada;10,00;110,00", "16.11.2026;Bo;-5,50;104,50");
    for (const file of [
      heads("Bogføringsdato", "Tekst", "Beløb", "Saldo").replace("Bogføringsdato", "Dato"),
      heads("Bokföringsdag", "Beskrivning", "Belopp", "Bokfört saldo"),
      heads("Data operacji", "Opis operacji", "Kwota", "Saldo po operacji"),
    ]) {
      expect(kindsIn(file).sure).toBe("bank");
      expect(readList(file).proofs).toContain("all 2 lines follow on from 100.00");
    }
  });
  it("that count in thousands by their noughts: asked", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Amount ($000)",
      "Q1,Ada,11/13/2026,12/13/2026,65.3",
    );
    expect(openIn(file)).toContain("unit");
  });
  it("a cell that a spreadsheet is to keep as text is that text", () => {
    const file = list("Id,Date,Type,Gross,Fee,Net", '="007",11/13/2026,Payment,10.00,0.30,9.70');
    expect(readList(file).table.rows[0]?.cells[0]).toBe("007");
  });
});

describe("a list beside the list", () => {
  it("is parted from it by an empty column, and its sums are asked about whatever adds up", () => {
    const file = list(
      "Id,Type,Date,Gross,Fee,Net,,Fee type,Fee amount",
      "c1,Charge,11/13/2026,100.00,3.00,97.00,,Monthly,25.00",
      "c2,Charge,11/14/2026,50.00,1.50,48.50,,,",
    );
    expect(openIn(file)).toEqual(["column:Fee amount"]);
    expect(openIn(file.replace("Net,,Fee", "Net,Note,Fee"))).toEqual([]);
  });
});

describe("codes and sides", () => {
  it("letters of a terminal that say what a line is are asked about, one by one", () => {
    const file = list(
      "TRAN,DATE,CD,AMT,CARD",
      "1,11/13/2026,S,43.74,1111",
      "2,11/13/2026,S,20.00,1111",
      "3,11/14/2026,R,5.00,1111",
      "4,11/14/2026,R,6.00,1111",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["word:s", "word:r"]);
  });
  it("what comes in and goes out on one line: a fee, or the rest counts; asked", () => {
    const file = list(
      "When,What,In,Out,Payer",
      "2026-11-13,Payment,100.00,3.20,Ada",
      "2026-11-14,Payment,50.00,1.75,Bo",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["both"]);
    const { table } = readList(file, { kind: "processor", answers: { both: "fee" } });
    expect(table.rows[0]?.cells).toEqual(expect.arrayContaining(["100.00", "3.20"]));
  });
});

describe("sections whose heads have other names", () => {
  it("say what their lines are as the others do", () => {
    const file = list(
      "CHARGES",
      "Date,Order,Customer,Amount",
      "2026-11-12,O1,Fernhill,100.00",
      "REFUNDS",
      "Date,Order,Customer,Amount",
      "2026-11-13,O1,Fernhill,20.00",
      "FEES",
      "Date,Description,,Amount",
      "2026-11-14,Processing fees,,4.80",
    );
    expect(linesIn("processor", file).map((line) => line.split(" | ").slice(1, 3))).toEqual([
      ["100.00", "charge"],
      ["(20.00)", "refund"],
      ["(4.80)", "fee"],
    ]);
  });
});
