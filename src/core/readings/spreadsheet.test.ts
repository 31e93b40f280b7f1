import { FROM_1904_MARK } from "@/core/formats";

import { leftOutOf, linesIn, list, openIn, readList } from "../../../tests/support/readings";

describe("a workbook that counts its days from 1904", () => {
  it("has days that are plain numbers four years and a day later (ECMA-376 part 1, 18.17.4.1)", () => {
    const file = (mark: string): string =>
      `Id,Type,Date,Gross,Payer\nc1,Sale,44866,10.50,Ada\n${mark}\n`;
    const dayIn = (text: string): string | undefined =>
      readList(text, { kind: "processor" }).table.rows[0]?.cells.find((cell) => /^20/.test(cell));
    expect(dayIn(file(FROM_1904_MARK))).toBe("2026-11-02");
    expect(dayIn(file(""))).toBe("2022-11-01");
  });
});

describe("what a spreadsheet did to a list", () => {
  const sums = (sign: string): string =>
    list(
      "Id,Type,Date,Gross,Fee",
      `a,charge,2026-11-12,"${sign}",""`,
      `b,charge,2026-11-13,"${sign}",""`,
    );
  it.each([
    ["¥1,200", ["JPY", "CNY", "USD"]],
    ["1.200,50 kr", ["SEK", "NOK", "DKK", "ISK", "USD"]],
    ["Rs. 1,200.50", ["INR", "PKR", "LKR", "USD"]],
    ["$1,200.50", undefined],
    ["S$1,200.50", undefined],
  ])(
    "a sign that several currencies share is asked about, unless one is the account's: %s",
    (sign, choices) => {
      const { questions } = readList(sums(sign));
      const asked = questions.find(({ key }) => key === "currency");
      expect(asked?.choices.map(({ answer }) => answer)).toEqual(choices);
    },
  );
  it("lines that a sheet hides are asked about", () => {
    const file = list(
      "Id,Type,Date,Gross,Fee",
      ...["a", "b", "c", "d"].map((id) => `${id},charge,2026-11-12,9.00,0.30`),
      "\u241f,3,5",
    );
    expect(openIn(file)).toEqual(["hidden"]);
    expect(leftOutOf(file, { answers: { hidden: "leave" } })).toEqual(["3 hidden", "5 hidden"]);
    expect(linesIn("processor", file, { answers: { hidden: "take" } })).toHaveLength(4);
  });
  it("days up to the twelfth that it kept as days, with all others as texts, may be turned around", () => {
    const file = (...days: string[]): string =>
      list("Id,Type,Date,Gross,Fee", ...days.map((day, at) => `${at},charge,${day},9.00,0.30`));
    const turned = file("2026-02-11", "2026-03-11", "13/11/2026");
    expect(openIn(turned)).toEqual(["turned"]);
    const firstDay = (answer: string): string | undefined =>
      linesIn("processor", turned, { answers: { turned: answer } })[0]?.split(" | ")[0];
    expect([firstDay("turn"), firstDay("stand")]).toEqual(["Mon 2 Nov", "Wed 11 Feb"]);
    // What was said of another file turns nothing here.
    const other = file("2026-02-11", "2026-03-11", "2026-03-12");
    const said = { answers: { turned: "turn" } };
    expect(linesIn("processor", other, said)[0]).toContain("Wed 11 Feb");
    // One that could not have been turned, or a text that would have been kept, proves that they stand.
    expect(openIn(file("2026-02-11", "2026-03-14", "13/11/2026"))).toEqual([]);
    expect(openIn(file("2026-02-11", "2026-03-11", "13/11/2026", "02/11/2026"))).toEqual([]);
  });
  it("what the lines of a customer come to is no invoice", () => {
    const file = list(
      "Customer,Invoice,Issued,Due,Total,Open",
      "Ada,1,2026-11-02,2026-12-02,9.00,9.00",
      "Ada Total,,,,9.00,9.00",
    );
    expect(leftOutOf(file, { kind: "invoices" })).toEqual(["3 total"]);
  });
  it("ids of which it left the first digits alone are no ids", () => {
    const file = list(
      "Id,Type,Date,Gross,Fee",
      "1.23457E+19,charge,2026-11-12,9.00,0.30",
      "b,charge,2026-11-13,9.00,0.30",
    );
    expect(readList(file).refused).toMatchObject([
      { line: 2, field: "id", error: { code: "id.cut" } },
    ]);
  });
});

describe("days and heads", () => {
  it("what customers got back is no fee, though it lies between gross and net", () => {
    const file = list(
      "Settlement date,Gross sales,Returns,Net sales",
      "11/13/2026,1240.50,40.00,1200.50",
      "11/14/2026,980.00,20.00,960.00",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(linesIn("processor", file).slice(0, 2)).toEqual([
      "Fri 13 Nov | 1,240.50 | charge",
      "Fri 13 Nov | (40.00) | refund",
    ]);
  });
  it("how a card was read is no kind of what was done", () => {
    const file = list(
      "Date,Reference,Amount,Entry,Fee",
      "11/13/2026,R1,45.00,Chip,0.30",
      "11/14/2026,R2,12.00,Tap,0.30",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(linesIn("processor", file)).toEqual([
      "Fri 13 Nov | 45.00 | charge, fee 0.30 | R1",
      "Sat 14 Nov | 12.00 | charge, fee 0.30 | R2",
    ]);
  });
  it("days of eight digits are no sums", () => {
    const file = list(
      "Client,Invoice,Doc date,Net due,Total",
      "Ada,1,20261102,20261202,9.00",
      "Ada,2,20261103,20261203,8.00",
    );
    expect(linesIn("invoices", file, { answers: { balance: "total" } })[0]).toContain("9.00");
  });
  it("six digits are a day, in an order that is asked", () => {
    const file = list(
      "Id,Type,Date,Gross,Fee",
      "a,charge,021126,9.00,0.30",
      "b,charge,031126,8.00,0.30",
    );
    expect(openIn(file)).toEqual(["days"]);
    const first = (text: string, days: string): string | undefined =>
      linesIn("processor", text, { answers: { days } })[0]?.split(" | ")[0];
    expect([first(file, "dmy"), first(file, "mdy")]).toEqual(["Mon 2 Nov", "Wed 11 Feb"]);
    // 25 November 2026, or the 26th of the year before.
    const years = file.replace("021126", "261125").replace("031126", "261126");
    expect(openIn(years)).toEqual(["days"]);
    expect(first(years, "yy")).toBe("Wed 25 Nov");
  });
  it("the day of an invoice is not the day on which it was paid", () => {
    const file = list(
      "Inv,Inv date,Gross,Disc,Paid",
      "1001,2026-11-02,100.00,2.00,98.00",
      "1002,2026-11-03,9.00,0.00,9.00",
    );
    expect(readList(file, { kind: "remittance" }).table.headers).not.toContain("paid_on");
  });
  it("an invoice that is paid by one column and open by another is asked about", () => {
    const file = list(
      "Number,Customer,Issued,Due,Total,Balance,Paid",
      "1,Ada,2026-11-02,2026-12-02,9.00,9.00,yes",
      "2,Ada,2026-11-03,2026-12-03,8.00,8.00,no",
    );
    expect(openIn(file)).toEqual(["column:Paid"]);
    expect(openIn(file.replace("9.00,9.00,yes", "9.00,0.00,yes"))).toEqual([]);
  });
});
