import { missingFields } from "@/core/formats";

import {
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

describe("what a list is", () => {
  it("is no activity where it is an advice of a payment, or what is owed by age", () => {
    const advice = list(
      "Payment Date,Vendor,Invoice No,Gross Amount,Discount,Net Amount",
      "11/13/2026,Kestrel,1001,100.00,2.00,98.00",
    );
    const aging = list(
      "Customer,Doc,Date,Current,30,60,Total due",
      "Ada,1001,11/13/2026,100.00,,,100.00",
    );
    const days = list("Date,Gross,Fees,Net", "2026-11-13,300.00,9.00,291.00");
    expect([advice, aging, days].map((file) => kindsIn(file).sure)).toEqual([
      "remittance",
      "invoices",
      null,
    ]);
  });
  it("is a statement though it has an empty column of fees", () =>
    expect(
      kindsIn(
        list(
          "Transaction Number,Date,Description,Memo,Amount Debit,Amount Credit,Balance,Fees",
          "1,11/13/2026,Deposit,ADA,,100.00,1100.00,",
        ),
      ).sure,
    ).toBe("bank"));
  it("customers without numbers go by their names, where that was said", () => {
    const file = list("Name,Email", "Kiln Works,kw@x.example");
    expect(openIn(file)).toEqual(["number"]);
    expect(linesIn("customers", file, { answers: { number: "name" } })).toEqual([
      "Kiln Works | Kiln Works",
    ]);
  });
});

describe("kinds of activity by their words", () => {
  const of = (word: string, more = ""): string =>
    list(
      `Id,Date,Type,Amount,Fee${more === "" ? "" : ",Reason code"}`,
      "a,2026-11-12,sale,9.00,0.30",
      `b,2026-11-13,${word},-5.00,0.00${more}`,
    );
  it("a return of goods or of a debit: asked, unless the line has the code of a debit", () => {
    expect(openIn(of("return"))).toEqual(["word:return"]);
    expect(openIn(of("return", ",R01"))).toEqual([]);
  });
  it.each([
    ["refund.sent", "refund"],
    ["Payout issued", "payout"],
    ["payment completed", "charge"],
  ])("a kind with its state in one word: %s is a %s", (word, kind) => {
    const { table } = readList(of(word).replace("-5.00", kind === "charge" ? "5.00" : "-5.00"));
    expect(table.rows[1]?.cells[table.headers.indexOf("kind")]).toBe(kind);
  });
  it("lines that take money, and no column says what they are", () => {
    const file = list("Id,Date,Amount,Fee", "a,2026-11-12,9.00,0.30", "b,2026-11-13,-5.00,0.00");
    expect(openIn(file)).toEqual(["negatives"]);
    expect(linesIn("processor", file, { answers: { negatives: "payout" } })).toEqual([
      "Thu 12 Nov | 9.00 | charge, fee 0.30",
      "Fri 13 Nov | 5.00 | payout",
    ]);
    expect(leftOutOf(file, { answers: { negatives: "ignore" } })).toEqual(["3 not_ours"]);
  });
  it("debits and credits of others: which of them brought money", () => {
    const file = list(
      "Id,Date,Way,Amount,Fee",
      "a,2026-11-12,Debit,9.00,0.30",
      "b,2026-11-13,Credit,5.00,0.00",
    );
    expect(openIn(file)).toEqual(["column:Way"]);
    expect(leftOutOf(file, { answers: { "column:Way": "without Credit" } })).toEqual([
      "3 no_money",
    ]);
  });
  it("lines that stand for several payments", () =>
    expect(
      openIn(list("Batch,Date,Transactions,Gross,Fees", "b1,2026-11-12,4,300.00,9.00"), {
        kind: "processor",
      }),
    ).toEqual(["column:Transactions", "payouts"]));
});

describe("invoices with a line for each item", () => {
  it("the same head on each line is one invoice", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Item,Total,Balance",
      "1,Ada,2026-11-01,2026-12-01,Bowl,100.00,100.00",
      "1,Ada,2026-11-01,2026-12-01,Cup,100.00,100.00",
      "2,Ben,2026-11-01,2026-12-01,Vase,50.00,50.00",
    );
    expect(linesIn("invoices", file)).toEqual([
      "Sun 1 Nov | 100.00 | 1, due Tue 1 Dec | Ada",
      "Sun 1 Nov | 50.00 | 2, due Tue 1 Dec | Ben",
    ]);
    expect(leftOutOf(file)).toEqual(["3 same_invoice"]);
  });
  it("sums that differ are those of its items where it was said; a line given twice is none", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Item,Amount",
      "1,Ada,2026-11-01,2026-12-01,Bowl,60.00",
      "1,Ada,2026-11-01,2026-12-01,Cup,40.00",
    );
    expect(openIn(file)).toEqual(["balance", "lines"]);
    expect(linesIn("invoices", file, { answers: { balance: "total", lines: "sum" } })).toEqual([
      "Sun 1 Nov | 100.00 | 1, due Tue 1 Dec | Ada",
    ]);
    expect(
      linesIn("invoices", file.replace("Cup,40.00", "Bowl,60.00"), {
        answers: { balance: "total" },
      }),
    ).toHaveLength(2);
  });
});

it("when an invoice is due of which nothing says it", () => {
  const file = list("Invoice,Customer,Date,Balance,Total", "1,Ada,2026-11-01,9.00,9.00");
  expect(openIn(file, { kind: "invoices" })).toEqual(["due"]);
  const due = (answer: string): string[] => linesIn("invoices", file, { answers: { due: answer } });
  expect(due("issue")).toEqual(["Sun 1 Nov | 9.00 | 1 | Ada"]);
  const { table } = readList(file, { kind: "invoices", answers: { due: "n/30" } });
  expect(table.rows[0]?.cells[table.headers.indexOf("terms")]).toBe("n/30");
});

describe("what of an invoice is open, by what was paid", () => {
  it("the column that is left over, whatever it is called", () => {
    const file = list(
      "Number,Customer,Created,Due,Amount due,Amount paid,Still to come",
      "1,Ada,2026-11-01,2026-12-01,100.00,0.00,100.00",
      "2,Ben,2026-11-01,2026-12-05,200.00,50.00,150.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(linesIn("invoices", file)).toEqual([
      "Sun 1 Nov | 100.00 | 1, due Tue 1 Dec | Ada",
      "Sun 1 Nov | 150.00 | 2, due Sat 5 Dec, of 200.00 | Ben",
    ]);
  });
  it("a debit that a credit beside it lowers", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Debit,Credit",
      "1,Ada,2026-11-01,2026-12-01,100.00,40.00",
    );
    const { table } = readList(file, { answers: { balance: "total" } });
    expect(
      ["total", "balance"].map((head) => table.rows[0]?.cells[table.headers.indexOf(head)]),
    ).toEqual(["100.00", "60.00"]);
  });
});

describe("lists that look like another kind", () => {
  it("a settlement of cards is no statement, nor a statement with fees surely activity", () => {
    const cards = list(
      "Transaction Date,Posting Date,Reference,Cardholder,Sales Amount,Net Amount",
      "11/12/2026,11/13/2026,R1,Ada,100.00,100.00",
    );
    const fees = list("Date,Name,Amount,Fee,Balance", "2026-11-13,Wire,100.00,-15.00,1085.00");
    expect([cards, fees].map((file) => kindsIn(file).sure)).toEqual([null, null]);
  });
  it("heads that are written short", () => {
    const file = list(
      "Cust #,Inv #,Inv Date,Due Date,Inv Amt,Applied,Open Amt",
      "C1,1,2026-11-01,2026-12-01,100.00,40.00,60.00",
      "C2,2,2026-11-01,2026-12-05,50.00,0.00,50.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(linesIn("invoices", file)).toEqual([
      "Sun 1 Nov | 60.00 | 1, due Tue 1 Dec, of 100.00 | C1",
      "Sun 1 Nov | 50.00 | 2, due Sat 5 Dec | C2",
    ]);
  });
  it("the other side of a statement, by its balance, whatever it is called", () => {
    const file = list(
      "Date,Description,Deposits,Withdrawls,Balance",
      "11/13/2026,ADA,100.00,,1100.00",
      "11/16/2026,RENT,,50.00,1050.00",
    );
    expect(linesIn("bank", file)).toEqual([
      "Fri 13 Nov | 100.00 | ADA",
      "Mon 16 Nov | (50.00) | RENT",
    ]);
  });
  it("three columns without known names of which one is what another leaves of a third", () => {
    const file = list(
      "Payment date,Payer,Received,Cost to us,To the bank",
      "11/13/2026,Ada,100.00,3.20,96.80",
      "11/16/2026,Ben,50.00,1.75,48.25",
    );
    expect(readList(file, { kind: "processor" }).proofs).toEqual([
      "gross less fee is net on all 2 lines that have the three",
    ]);
  });
  it("cash in a column of its own, and invoices that were given up", () => {
    const till = list(
      "Id,Date,Type,Total,Fees,Net,Cash",
      "a,2026-11-12,sale,100.00,2.90,97.10,0.00",
      "b,2026-11-12,sale,37.80,0.00,37.80,37.80",
    );
    expect(openIn(till)).toEqual(["column:Cash"]);
    const owed = list(
      "Invoice,Customer,Date,Due,Total,Balance,Collection",
      "1,Ada,2026-11-01,2026-12-01,9.00,9.00,Written off",
    );
    expect(openIn(owed)).toEqual(["column:Collection"]);
  });
});

it("a field without a column may be said to be the same on every line", () => {
  const file = list("Id,Date,Amount,Fee", "a,2026-11-12,9.00,0.30");
  const { table } = readList(file, {
    answers: { "fixed:currency": "EUR", "fixed:payerName": "Ada" },
  });
  expect(table.rows[0]?.cells).toEqual(expect.arrayContaining(["EUR", "Ada"]));
  expect(missingFields({ kind: "bank", columns: { amount: "A", description: "D" } })).toEqual([
    "postedOn",
  ]);
  const answers = { "fixed:postedOn": "2026-11-12" };
  expect(
    missingFields({ kind: "bank", columns: { amount: "A", description: "D" }, answers }),
  ).toEqual([]);
});

describe("statements that say it in their words", () => {
  it("a line on its way", () => {
    const file = list(
      "Date,Description,Amount",
      "11/13/2026,ADA (pending),100.00",
      "11/16/2026,RENT,-50.00",
    );
    expect(openIn(file, { kind: "bank" })).toEqual(["pending"]);
    expect(leftOutOf(file, { kind: "bank", answers: { pending: "not_yet" } })).toEqual([
      "2 not_yet",
    ]);
    expect(leftOutOf(file, { kind: "bank", answers: { pending: "booked" } })).toEqual([]);
  });
  it("a side whose sums have both signs", () => {
    const file = list(
      "Date,Description,Paid in,Paid out",
      "11/13/2026,ADA,100.00,",
      "11/16/2026,RENT,,-50.00",
      "11/17/2026,CORRECTION,,25.00",
    );
    expect(openIn(file)).toEqual(["sides"]);
    const of = (sides: string): string | undefined =>
      linesIn("bank", file, { answers: { sides } })[2];
    expect([of("signed"), of("sizes")]).toEqual([
      "Tue 17 Nov | 25.00 | CORRECTION",
      "Tue 17 Nov | (25.00) | CORRECTION",
    ]);
  });
  it("what was refunded or lost by columns of words; cents by a head with a stroke", () => {
    const file = list(
      "Id,Date,Amount,Fee,Net,Refund status,Dispute status",
      "a,2026-11-13,9.00,0.30,8.70,,",
      "b,2026-11-14,8.00,0.30,7.70,Refunded,",
      "c,2026-11-15,7.00,0.30,6.70,,Lost",
    );
    expect(openIn(file)).toEqual(["column:Refund status", "column:Dispute status"]);
    expect(openIn(list("id,created,amount_cents,fee_cents", "a,2026-11-13,1000,30"))).toEqual([]);
  });
});

it("a column of words of which each is another is asked about in parts, and at once", () => {
  const lines = Array.from({ length: 20_000 }, (_, at) => `a${at},2026-11-12,zorp ${at},9.00,0.30`);
  const file = list("Id,Date,Type,Amount,Fee", ...lines);
  expect(openIn(file).length).toBeLessThan(50);
  const same = file.replaceAll(/zorp \d+/g, "zorp");
  expect(readList(same).questions[0]?.words).toContain("20000 lines are “zorp”");
});

it("how often something was paid is not how much", () => {
  const file = list(
    "Invoice,Customer,Date,Due,Total,Payments",
    "1,Ada,2026-11-01,2026-12-01,9.00,2",
    "2,Ben,2026-11-01,2026-12-05,8.00,0",
  );
  expect(openIn(file)).toEqual(["balance", "column:Payments"]);
});
