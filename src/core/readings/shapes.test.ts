import type { FileKind } from "@/core/formats";

import {
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/** A list of a head and lines, as files write it. */
const linesOf = (kind: FileKind, text: string, answers = {}): string[] =>
  linesIn(kind, text, { answers });

describe("lines that are no money, by columns that no field has", () => {
  const activity = (head: string, ...cells: string[]): string =>
    list(
      `Id,Date,Amount,Fee,Net,${head}`,
      ...cells.map((cell, at) => `c${at},2026-11-1${at},100.00,3.20,96.80,${cell}`),
    );
  it.each([
    ["trials", "Mode", ["live", "test"]],
    ["trials by a flag", "Live mode", ["true", "false"]],
    ["what was only authorized", "Captured", ["yes", "no"]],
    ["what was voided on a day", "Voided at", ["", "2026-11-12"]],
    ["what is disputed", "Disputed", ["false", "true"]],
    ["what was disputed by a sum", "Dispute amount", ["", "100.00"]],
    ["a second state", "Clearing", ["done", "declined"]],
    ["why it failed", "Failure reason", ["", "insufficient_funds"]],
    ["a day that never came", "Captured at", ["2026-11-12", ""]],
    ["yes and no that nobody knows", "Zubb", ["no", "yes"]],
  ])("%s: asked once, and left out where it was said", (_, head, cells) => {
    const file = activity(head, ...cells);
    expect(openIn(file)).toEqual([`column:${head}`]);
    const said = { answers: { [`column:${head}`]: "status" } };
    expect(openIn(file, said)).toEqual([]);
    expect(leftOutOf(file, said)).toEqual(["3 no_money"]);
    expect(leftOutOf(file, { answers: { [`column:${head}`]: "leave" } })).toEqual([]);
  });
  it.each([
    ["all of them are money", "Captured", ["yes", "yes"]],
    ["checks of an address are none of this", "AVS result", ["Y", "N"]],
    ["where a card was", "Card present", ["false", "true"]],
  ])("%s: nothing is asked", (_, head, cells) =>
    expect(openIn(activity(head, ...cells))).toEqual([]),
  );
  it("cash and the like in a list of cards, unless they have a fee or a payout", () => {
    const file = (fee: string): string =>
      list(
        "Id,Date,Payment type,Total,Fees",
        "1,2026-11-12,Card,9.00,0.30",
        `2,2026-11-12,Cash,5.00,${fee}`,
      );
    expect(openIn(file("0.00"))).toEqual(["tender:cash"]);
    expect(openIn(file("0.20"))).toEqual([]);
    expect(leftOutOf(file("0.00"), { answers: { "tender:cash": "elsewhere" } })).toEqual([
      "3 not_ours",
    ]);
  });
  it("invoices that another column says are paid or void", () => {
    const file = (head: string): string =>
      list(
        `Invoice,Customer,Date,Due,Total,${head}`,
        "1,Ada,2026-11-01,2026-12-01,9.00,No",
        "2,Ben,2026-11-01,2026-12-01,8.00,Yes",
      );
    expect(openIn(file("Paid"))).toEqual(["column:Paid", "balance"]);
    expect(openIn(file("Void"))).toEqual(["column:Void", "balance"]);
    expect(
      leftOutOf(file("Paid"), { answers: { "column:Paid": "status", balance: "total" } }),
    ).toEqual(["3 said"]);
  });
});

describe("columns that sums prove", () => {
  it("two fees between gross and net, whatever they are called", () =>
    expect(
      linesOf(
        "processor",
        list(
          "Id,Date,Amount,Levy A,Levy B,Net",
          "a,2026-11-12,100.00,2.90,0.30,96.80",
          "b,2026-11-13,200.00,5.80,0.30,193.90",
        ),
      ),
    ).toEqual([
      "Thu 12 Nov | 100.00 | charge, fee 3.20",
      "Fri 13 Nov | 200.00 | charge, fee 6.10",
    ]));
  it("the sum that was settled, with its own currency", () => {
    const file = list(
      "Id,Date,Gross,Currency,Settled sum,Settled in,Fee,Net",
      "a,2026-11-12,100.00,EUR,110.00,USD,3.50,106.50",
      "b,2026-11-13,200.00,EUR,220.00,USD,6.70,213.30",
    );
    expect(openIn(file)).toEqual([]);
    expect(linesOf("processor", file)).toEqual([
      "Thu 12 Nov | 110.00 | charge, fee 3.50",
      "Fri 13 Nov | 220.00 | charge, fee 6.70",
    ]);
  });
  it("a net by another name; a share in a hundred is no fee", () => {
    expect(
      readList(
        list(
          "Id,Date,Amount,Fee,You keep",
          "a,2026-11-12,9.00,0.30,8.70",
          "b,2026-11-13,8.00,0.20,7.80",
        ),
      ).proofs,
    ).toEqual(["gross less fee is net on all 2 lines that have the three"]);
    const file = list(
      "Id,Date,Amount,Fee %,Net",
      "a,2026-11-12,100.00,2.90,97.10",
      "b,2026-11-13,50.00,2.90,48.55",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    const { table } = readList(file, { kind: "processor" });
    expect(table.rows.map(({ cells }) => cells[table.headers.indexOf("fee")])).toEqual([
      "2.90",
      "1.45",
    ]);
  });
  it("what does not agree is asked, with what each answer makes of it", () => {
    const file = list(
      "Id,Date,Amount,Fee,Net",
      "a,2026-11-12,100.00,2.90,97.10",
      "b,2026-11-13,50.00,2.90,48.55",
    );
    const [question] = readList(file).questions;
    expect(question?.key).toBe("foot");
    expect(question?.choices.map(({ result }) => result)).toEqual([
      "gross and net: line 3 costs 1.45",
      "gross and fee: line 3 costs 2.90",
    ]);
  });
  it("the balance among two, and one by another name, by what follows on", () => {
    const file = (head: string): string =>
      list(
        `Date,Description,Debits,Credits,${head}`,
        "11/13/2026,DEPOSIT,,100.00,950.00,1100.00",
        "11/16/2026,CHECK,200.00,,900.00,900.00",
      );
    for (const head of ["Available balance,Current balance", "Free,Standing"])
      expect([openIn(file(head)), readList(file(head)).proofs]).toEqual([
        [],
        ["all 2 lines follow on from 1,000.00"],
      ]);
  });
  it("columns of credit and debit in a processor's list", () =>
    expect(
      linesOf(
        "processor",
        list(
          "Date,Id,Type,Credit,Debit",
          "2026-11-12,1,payment,100.00,",
          "2026-11-12,2,fee,,3.20",
          "2026-11-13,3,reserve,,10.00",
          "2026-11-14,4,reserve,10.00,",
        ),
      ),
    ).toEqual([
      "Thu 12 Nov | 100.00 | charge",
      "Thu 12 Nov | (3.20) | fee",
      "Fri 13 Nov | (10.00) | reserve",
      "Sat 14 Nov | 10.00 | reserve",
    ]));
});

describe("statements as they are printed", () => {
  it("deposits under one heading, withdrawals under another, balances of days under a third", () => {
    const file = list(
      "Deposits and credits,,",
      "Date,Description,Amount",
      "11/12/2026,CARD PAYOUT,300.00",
      "Withdrawals and debits,,",
      "Date,Description,Amount",
      "11/13/2026,RENT,200.00",
      "Daily ending balances,,",
      "Date,Amount,",
      "11/12/2026,1300.00,",
    );
    expect(linesOf("bank", file)).toEqual([
      "Thu 12 Nov | 300.00 | CARD PAYOUT",
      "Fri 13 Nov | (200.00) | RENT",
    ]);
    expect(leftOutOf(file, { kind: "bank" })).toEqual([
      "4 heading",
      "5 head",
      "7 heading",
      "8 balance",
      "9 balance",
    ]);
  });
  it("what is on its way under a heading of its own", () => {
    const file = (heading: string): string =>
      list("Date,Description,Amount", "11/12/2026,ADA,100.00", heading, "11/27/2026,RENT,-20.00");
    for (const heading of ["Pending transactions,,", ",Pending transactions,"])
      expect(leftOutOf(file(heading), { kind: "bank", answers: { signs: "signed" } })).toEqual([
        "3 heading",
        "4 not_yet",
      ]);
  });
  it("words that go on below their line, but no totals", () => {
    const file = list(
      "Date,Description,Amount,Balance",
      "11/12/2026,ACH CREDIT,100.00,100.00",
      ",ADA INV 1001,,",
      "11/13/2026,RENT,-50.00,50.00",
      ",Total,,",
    );
    expect(linesOf("bank", file)).toEqual([
      "Thu 12 Nov | 100.00 | ACH CREDIT ADA INV 1001",
      "Fri 13 Nov | (50.00) | RENT",
    ]);
    expect(leftOutOf(file)).toEqual(["3 continues", "5 total"]);
  });
  it("days without a year: of the span above the list, else asked", () => {
    const days = list(
      "Date,Details,Paid out,Paid in,Balance",
      "28 Dec,Payout,,300.00,1300.00",
      "02 Jan,Rent,200.00,,1100.00",
    );
    const file = `Statement 15 Dec 2025 to 14 Jan 2026\n${days}`;
    expect(linesOf("bank", file)).toEqual([
      "Sun 28 Dec 2025 | 300.00 | Payout",
      "Fri 2 Jan | (200.00) | Rent",
    ]);
    expect(openIn(days)).toEqual(["year", "future"]);
    expect(openIn(days, { answers: { year: "2025" } })).toEqual([]);
  });
  it("sums of which only some say their way", () => {
    const file = list(
      "Date,Description,Amount",
      "11/12/2026,ADA,100.00 CR",
      "11/13/2026,CLAY CO,200.00",
    );
    expect(openIn(file, { kind: "bank" })).toEqual(["word:", "signs"]);
    expect(linesOf("bank", file, { "word:": "out", signs: "words" })).toEqual([
      "Thu 12 Nov | 100.00 | ADA",
      "Fri 13 Nov | (200.00) | CLAY CO",
    ]);
  });
  it("states that a bank has a word of its own for", () =>
    expect(
      openIn(
        list(
          "Date,Description,Amount,Status",
          "11/12/2026,ADA,1.00,Posted",
          "11/13/2026,BEN,-2.00,Memo",
        ),
        { kind: "bank" },
      ),
    ).toEqual(["state:memo"]));
  it("a column without a name that says in or out, and one called Valuta that holds days", () =>
    expect(
      linesOf(
        "bank",
        list(
          "Buchungstag;Valuta;Verwendungszweck;Umsatz;",
          "13.11.2026;13.11.2026;RECHNUNG;1.190,00;+",
          "16.11.2026;16.11.2026;MIETE;800,00;-",
        ),
      ),
    ).toEqual(["Fri 13 Nov | 1,190.00 | RECHNUNG", "Mon 16 Nov | (800.00) | MIETE"]));
});

describe("where a list begins", () => {
  it("with its first line where it has no head: what it is is asked", () => {
    const file = list("11/13/2026,100.00,*,,ACH CREDIT ADA", "11/16/2026,-200.00,*,,RENT");
    expect(kindsIn(file).sure).toBeNull();
    expect(linesOf("bank", file)).toEqual([
      "Fri 13 Nov | 100.00 | ACH CREDIT ADA",
      "Mon 16 Nov | (200.00) | RENT",
    ]);
  });
  it("lines above the head that look like lines are asked about, and taken where it was said", () => {
    const file = list(
      "11/11/2026,INTEREST,5.00",
      "Date,Description,Amount,Balance",
      "11/13/2026,ADA,100.00,600.00",
      "11/16/2026,CLAY,-200.00,400.00",
    );
    expect(openIn(file)).toEqual(["head"]);
    expect(readList(file, { answers: { head: "2" } }).table.rows).toHaveLength(2);
  });
});

describe("lists of what customers owe", () => {
  it("a customer in a line of his own, and what he owes under it", () => {
    const file = list(
      ",Date,Type,Num,Due date,Amount,Open balance",
      "Total Ceramics,,,,,,",
      ",11/01/2026,Invoice,1001,12/01/2026,100.00,60.00",
      "Total for Total Ceramics,,,,,100.00,60.00",
      "Ben Clay,,,,,,",
      ",11/05/2026,Invoice,1003,12/05/2026,300.00,300.00",
      "TOTAL,,,,,400.00,360.00",
    );
    expect(linesOf("invoices", file)).toEqual([
      "Sun 1 Nov | 60.00 | 1001, due Tue 1 Dec, of 100.00 | Total Ceramics",
      "Thu 5 Nov | 300.00 | 1003, due Sat 5 Dec | Ben Clay",
    ]);
    expect(leftOutOf(file)).toEqual(["2 heading", "4 total", "5 heading", "7 total"]);
  });
  it("tax on top of a sum: proven by what is open, else asked", () => {
    const file = (open: string, head: string): string =>
      list(
        `Invoice,Customer,Date,Due,Amount,Tax${head}`,
        `1,Ada,2026-11-01,2026-12-01,100.00,8.00${open}`,
      );
    expect(openIn(file(",108.00", ",Balance due"))).toEqual([]);
    expect(linesOf("invoices", file(",108.00", ",Balance due"))).toEqual([
      "Sun 1 Nov | 108.00 | 1, due Tue 1 Dec | Ada",
    ]);
    expect(openIn(file("", ""))).toEqual(["taxed", "balance"]);
    expect(linesOf("invoices", file("", ""), { taxed: "on_top", balance: "total" })).toEqual([
      "Sun 1 Nov | 108.00 | 1, due Tue 1 Dec | Ada",
    ]);
  });
  it("an account's balance beside its lines is not what of each is open", () => {
    const file = list(
      "Date,Document,Customer,Due,Debit,Credit,Balance",
      "2026-11-01,1001,Ada,2026-12-01,100.00,,100.00",
      "2026-11-14,C-1,Ada,2026-11-14,,30.00,70.00",
      "2026-11-15,1002,Ada,2026-12-15,200.00,,270.00",
    );
    expect(openIn(file, { kind: "invoices" })).toEqual(["running"]);
    expect(linesOf("invoices", file, { running: "account" })).toEqual([
      "Sun 1 Nov | 100.00 | 1001, due Tue 1 Dec | Ada",
      "Sat 14 Nov | (30.00) | C-1 | Ada",
      "Sun 15 Nov | 200.00 | 1002, due Tue 15 Dec | Ada",
    ]);
  });
  it("what is open alone; sums in thousands; a last payment", () => {
    expect(
      openIn(list("Invoice,Customer,Date,Due,Outstanding", "1,Ada,2026-11-01,2026-12-01,9.00")),
    ).toEqual(["total"]);
    expect(
      openIn(
        list("Invoice,Customer,Date,Due,Total (thousands)", "1,Ada,2026-11-01,2026-12-01,1.5"),
      ),
    ).toEqual(["unit", "balance"]);
    expect(
      openIn(
        list(
          "Invoice,Customer,Date,Due,Total,Last payment",
          "1,Ada,2026-11-01,2026-12-01,9.00,5.00",
        ),
      ),
    ).toEqual(["balance", "column:Last payment"]);
  });
});
