import type { Day } from "@/core/calendar";

import { kindsIn, linesIn, openIn, readList } from "../../../tests/support/readings";
import type { Answers } from "./types";

const possibleKinds = (text: string): readonly string[] => kindsIn(text).possible;

describe("what a file leaves open is asked", () => {
  it("the kind of a file that no column tells", () => {
    expect(
      possibleKinds("Date,Reference,Name,Description,Amount\n2026-11-02,R1,Lee,clay,5.00\n"),
    ).toEqual(["invoices", "processor", "bank"]);
  });
  it("the order of its days, with what each makes of them; a day over twelve, or enough days in a row, prove it", () => {
    const file = (days: string[]): string =>
      `Date,Description,Amount,Balance\n${days.map((day, at) => `${day},RENT,-1.00,${9 - at}.00`).join("\n")}\n`;
    expect(readList(file(["02/11/2026", "05/11/2026"])).questions).toEqual([
      {
        key: "days",
        words: "02/11/2026 can be Mon 2 Nov or Wed 11 Feb. Which comes first?",
        choices: [
          { answer: "dmy", result: "day, month, year: days from Mon 2 Nov to Thu 5 Nov" },
          { answer: "mdy", result: "month, day, year: days from Wed 11 Feb to Mon 11 May" },
        ],
      },
    ]);
    // As likely as not by its length: by its points, else as the book's country writes.
    const first = (days: string[]): string | undefined =>
      readList(file(days)).questions[0]?.choices[0]?.answer;
    expect(first(["02/11/2026", "02/11/2026"])).toBe("mdy");
    expect(first(["02.11.2026", "02.11.2026"])).toBe("dmy");
    expect(readList(file(["2.11.26"])).questions[0]?.words).toMatch(/^2\.11\.26 can be/);
    expect(openIn(file(["02/11/2026", "13/11/2026"]))).toEqual([]);
    expect(openIn(file(["02/11/2026", "05/11/2026"]), { answers: { days: "dmy" } })).toEqual([]);
    // 12 February would be 2 December, which has not come.
    expect(openIn(file(["02/12/2026", "02/11/2026"]))).toEqual([]);
  });
  it("times without a zone, where they would be another day in UTC", () => {
    const file = "ID,Date,Type,Gross,Fee\nc1,2026-11-03 03:30,charge,5.00,0.20\n";
    expect(openIn(file)).toEqual(["zone"]);
    expect(openIn(file.replace("Date", "Date (UTC)"))).toEqual([]);
    expect(openIn(file.replace("03:30", "13:30"))).toEqual([]);
  });
  it("midnight UTC on every line: a day, or a moment of the day before; of one column and not of the others", () => {
    const file =
      "ID,Created (UTC),Available on (UTC),Type,Gross,Fee\nc1,2026-11-19 02:10,2026-11-21 00:00,charge,5.00,0.20\n";
    expect(openIn(file)).toEqual(["midnight:settledOn"]);
    const days = (answers: Answers): (string | undefined)[] => {
      const { table } = readList(file, { answers });
      return ["occurred_on", "settled_on"].map(
        (head) => table.rows[0]?.cells[table.headers.indexOf(head)],
      );
    };
    expect(days({ "midnight:settledOn": "day" })).toEqual(["2026-11-18", "2026-11-21"]);
    expect(days({ "midnight:settledOn": "moment" })).toEqual(["2026-11-18", "2026-11-20"]);
    // Without a zone, midnight is a day and nothing is asked.
    expect(openIn(file.replaceAll(" (UTC)", "").replace("02:10", "12:10"))).toEqual([]);
  });
  it("the decimal sign, and whether whole numbers are hundredths", () => {
    const file = (sum: string): string =>
      `Date,Description,Amount,Balance\n2026-11-02,RENT,${sum},${sum}\n`;
    expect(openIn(file("5.005"))).toContain("mark");
    expect(openIn(file("12345"))).toContain("unit");
    expect(openIn(file("12345.00"))).not.toContain("unit");
  });
  it("words that nobody knows, and columns of sums that nothing explains", () => {
    const file =
      "ID,Date,Type,Gross,Fee,Tip\nc1,2026-11-03,charge,5.00,0.20,1.00\nc2,2026-11-03,Zorp,4.00,0.10,0.00\n";
    expect(openIn(file)).toEqual(["word:zorp", "column:Tip"]);
    expect(openIn(file, { answers: { "word:zorp": "ignore", "column:Tip": "leave" } })).toEqual([]);
  });
  it("lines up to the cut-over, and lines of days that have not come", () => {
    const file =
      "Date,Description,Amount,Balance\n2026-10-30,RENT,-1.00,9.00\n2026-12-30,RENT,-2.00,7.00\n";
    expect(openIn(file, { cutOverOn: "2026-10-31" as Day })).toEqual(["before", "future"]);
    expect(
      readList(file, {
        cutOverOn: "2026-10-31" as Day,
        answers: { before: "leave", future: "leave" },
      }).leftOut,
    ).toEqual([
      { line: 2, why: "before" },
      { line: 3, why: "future" },
    ]);
  });
});

describe("which way sums go", () => {
  it("is by a balance that follows on, even the other way round", () => {
    const file =
      "Date,Description,Amount,Balance\n2026-11-13,RENT,5.00,95.00\n2026-11-14,SALE,-20.00,115.00\n";
    expect(linesIn("bank", file)).toEqual([
      "Fri 13 Nov | (5.00) | RENT",
      "Sat 14 Nov | 20.00 | SALE",
    ]);
    expect(readList(file).proofs).toEqual(["all 2 lines follow on from 100.00"]);
  });
  it("is asked where a bank's debit may be a ledger's, and where the balance breaks", () => {
    expect(
      openIn("Date,Details,Debit,Credit\n2026-11-13,RENT,5.00,\n2026-11-14,SALE,,20.00\n", {
        kind: "bank",
      }),
    ).toEqual(["signs"]);
    expect(
      openIn("Date,Details,Money out,Money in\n2026-11-13,RENT,5.00,\n2026-11-14,SALE,,20.00\n", {
        kind: "bank",
      }),
    ).toEqual([]);
    expect(
      openIn(
        "Date,Description,Amount,Balance\n2026-11-13,RENT,-5.00,95.00\n2026-11-14,SALE,20.00,116.00\n2026-11-15,SALE,1.00,117.00\n",
      ),
    ).toEqual(["balance"]);
  });
  it("is by what the lines say, where enough of them do and none says otherwise", () => {
    const file = (first: string, second: string): string =>
      `Date,Description,Amount\n2026-11-13,${first},5.00 DR\n2026-11-14,${second},20.00 CR\n`;
    expect(openIn(file("LEE", "FOX"), { kind: "bank" })).toEqual(["signs"]);
    expect(openIn(file("PAYROLL", "FOX"), { kind: "bank" })).toEqual(["signs"]);
    expect(linesIn("bank", file("PAYROLL", "DEPOSIT"), { kind: "bank" })).toEqual([
      "Fri 13 Nov | (5.00) | PAYROLL",
      "Sat 14 Nov | 20.00 | DEPOSIT",
    ]);
    // A ledger writes the same the other way round.
    expect(linesIn("bank", file("DEPOSIT", "PAYROLL"), { kind: "bank" })).toEqual([
      "Fri 13 Nov | 5.00 | DEPOSIT",
      "Sat 14 Nov | (20.00) | PAYROLL",
    ]);
    expect(openIn(file("PAYROLL", "RENT"), { kind: "bank" })).toEqual(["signs"]);
    // Sums of one sign may be sizes: what two lines say proves nothing of the third.
    const sizes = (third: string): string =>
      `Date,Description,Amount\n2026-11-13,DEPOSIT,5.00\n2026-11-14,ACH PAYOUT,7.00\n2026-11-15,${third},9.00\n`;
    expect(openIn(sizes("FOX"), { kind: "bank" })).toEqual(["signs"]);
    expect(openIn(sizes("DEPOSIT 2"), { kind: "bank" })).toEqual([]);
  });
  it("keeps who it was beside what it was for, and refuses a sum for its own reason", () => {
    const file =
      "Date,Payee,Description,Amount,Balance\n2026-11-13,Lee,inv 7,-5.00,95.00\n2026-11-14,Fox,Fox,-9999999999999.00,90.00\n";
    expect(linesIn("bank", file)).toEqual(["Fri 13 Nov | (5.00) | Lee inv 7"]);
    expect(readList(file).refused).toMatchObject([{ line: 3, error: { code: "amount.large" } }]);
  });
  it("of a processor's rows is by what gross, fee and net say of one another", () => {
    const file =
      "ID,Date,Type,Gross,Fee,Net\nc1,2026-11-13,charge,100.00,3.20,96.80\nr1,2026-11-14,refund,50.00,1.60,-48.40\n";
    const { table, questions, proofs } = readList(file);
    expect(questions).toEqual([]);
    expect(proofs).toEqual(["gross less fee is net on all 2 lines that have the three"]);
    const at = (head: string): (string | undefined)[] =>
      table.rows.map(({ cells }) => cells[table.headers.indexOf(head)]);
    expect([at("gross"), at("fee")]).toEqual([
      ["100.00", "-50.00"],
      ["3.20", "-1.60"],
    ]);
  });
  it("of a fee beside a refund is asked where nothing proves that it is given back", () => {
    const file =
      "ID,Date,Type,Gross,Fee\nc1,2026-11-13,charge,100.00,3.20\nr1,2026-11-14,refund,50.00,1.60\n";
    expect(readList(file).questions).toMatchObject([
      {
        key: "refund_fees",
        choices: [
          { answer: "charged", result: "line 3 (refund) takes 50.00 and costs a fee of 1.60" },
          {
            answer: "given_back",
            result: "line 3 (refund) takes 50.00 and gives a fee of 1.60 back",
          },
        ],
      },
    ]);
  });
  it("of adjustments without a sign is asked, and never taken from another adjustment", () => {
    const file =
      "ID,Date,Type,Gross,Fee\nc1,2026-11-13,charge,100.00,3.20\nr1,2026-11-14,refund,50.00,0.00\na1,2026-11-15,adjustment,7.00,0.00\n";
    expect(openIn(file)).toEqual(["adjustments"]);
  });
  it("of a payout with a fee of its own is by its net, and refused without one", () => {
    const file =
      "ID,Date,Type,Gross,Fee,Net\nc1,2026-11-13,charge,100.00,3.20,96.80\np1,2026-11-14,payout,-95.80,1.00,-96.80\n";
    expect(linesIn("processor", file)).toEqual([
      "Fri 13 Nov | 100.00 | charge, fee 3.20",
      "Sat 14 Nov | 95.80 | payout",
      "Sat 14 Nov | (1.00) | fee | p1",
    ]);
    expect(readList(file.replace("-96.80", "")).refused).toMatchObject([
      { line: 3, error: { code: "activity.payout_fee" } },
    ]);
  });
});

describe("which rows are money", () => {
  it("leaves out titles above the head, the head once more, totals, balances, declined and pending rows", () => {
    const file = [
      "Activity of the card account,,,,,",
      "ID,Date,Type,Status,Gross,Fee",
      "c1,2026-11-13,charge,succeeded,100.00,3.20",
      "c2,2026-11-13,charge,declined,50.00,0.00",
      "ID,Date,Type,Status,Gross,Fee",
      "c3,2026-11-14,charge,pending,60.00,0.00",
      ",,Total,,210.00,3.20",
    ].join("\n");
    expect(readList(file).leftOut).toEqual([
      { line: 4, why: "no_money" },
      { line: 5, why: "head" },
      { line: 6, why: "not_yet" },
      { line: 7, why: "total" },
    ]);
    expect(readList(file).table.rows.map(({ line }) => line)).toEqual([3]);
  });
  it("refuses a row that a mark of thousands has parted", () => {
    const file =
      "Date,Description,Amount,Notes\n2026-11-13,RENT,-950.00,\n2026-11-14,SALE,1,234.00\n";
    expect(readList(file, { kind: "bank" }).refused).toMatchObject([
      { line: 3, error: { code: "amount.parted", text: "1,234.00" } },
    ]);
  });
  it("takes credit notes as such by their type, takes off what was paid, and leaves out what is void", () => {
    const file = [
      "Number,Customer,Date,Due,Type,Status,Amount,Paid",
      "1,C1,2026-11-13,2026-12-13,Invoice,Open,100.00,40.00",
      "2,C1,2026-11-13,2026-12-13,Credit memo,Open,30.00,0.00",
      "3,C1,2026-11-13,2026-12-13,Invoice,Void,70.00,0.00",
    ].join("\n");
    expect(linesIn("invoices", file)).toEqual([
      "Fri 13 Nov | 60.00 | 1, due Sun 13 Dec, of 100.00 | C1",
      "Fri 13 Nov | (30.00) | 2, due Sun 13 Dec | C1",
    ]);
    expect(readList(file).leftOut).toEqual([{ line: 4, why: "no_money" }]);
  });
  it("refunds that only their charge tells of are asked about, and made where that was said", () => {
    const file = "ID,Date,Type,Gross,Fee,Amount refunded\nc1,2026-11-13,charge,100.00,3.20,25.00\n";
    expect(openIn(file)).toEqual(["refunded"]);
    expect(linesIn("processor", file, { answers: { refunded: "here" } })).toEqual([
      "Fri 13 Nov | 100.00 | charge, fee 3.20",
      "Fri 13 Nov | (25.00) | refund",
    ]);
  });
});

describe("a charge and its state in one word", () => {
  const kinds = (word: string): string[] =>
    openIn(
      `ID,Date,Type,Gross,Fee\nc1,2026-11-03,charge,5.00,0.20\nc2,2026-11-03,${word},4.00,0.10\n`,
    );
  it.each(["ACH debit (pending)", "pending payment", "payment completed", "Sale - settled"])(
    "is understood: %s",
    (word) => {
      expect(kinds(word)).toEqual([]);
    },
  );
  it.each(["payment processing", "payment on hold", "charge zorped", "order shipped"])(
    "is asked about: %s",
    (word) => {
      expect(kinds(word)).toContain(`word:${word}`);
    },
  );
});
