import { missingFields } from "@/core/formats";

import {
  cellsIn,
  columnsIn,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* What lists hold beside what they are for; made by hand, common practice, no source. */

describe("a list of names", () => {
  const contacts = (head: string, ...said: string[]): string =>
    list(
      `No,Name,Email,${head}`,
      ...said.map((word, at) => `${at},N${at},n${at}@x.example,${word}`),
    );
  const asked = { kind: "customers" as const };
  it("asks who of them are customers", () => {
    const file = contacts("Is customer", "Yes", "No", "Yes");
    expect(openIn(file, asked)).toEqual(["column:Is customer"]);
    const answers = { "column:Is customer": "status" };
    expect(leftOutOf(file, { ...asked, answers })).toEqual(["3 said"]);
    expect(openIn(contacts("Vendor", "", "Yes"), asked)).toEqual(["column:Vendor"]);
    expect(openIn(contacts("Contact type", "Customer", "Supplier"), asked)).toEqual([
      "column:Contact type",
    ]);
  });
  it("asks nothing of customers of several sorts", () => {
    expect(openIn(contacts("Type", "Wholesale", "Retail"), asked)).toEqual([]);
    expect(openIn(contacts("Type", "Customer and vendor", "Customer"), asked)).toEqual([]);
  });
  it("asks by who buys alone, where it says who sells too", () => {
    const file = contacts("Customer?,Vendor?", "Yes,Yes", "No,Yes", "Yes,No");
    expect(openIn(file, asked)).toEqual(["column:Customer?"]);
  });
});

describe("what a spreadsheet has made", () => {
  const ledger = (...lines: string[]): string =>
    list("Invoice,Customer,Date,Due,Amount,Open", ...lines);
  it("of a number, a day, is not taken for it where the others look otherwise", () => {
    const line = (number: string): string => `${number},Ada,2026-11-01,2026-12-01,9.00,9.00`;
    const refusedIn = (...numbers: string[]): number[] =>
      readList(ledger(...numbers.map(line))).refused.map((refusal) => refusal.line);
    expect(refusedIn("NOV-0", "2026-11-01", "NOV-2")).toEqual([3]);
    expect(refusedIn("NOV-10", "NOV-11", "3-Nov")).toEqual([4]);
    expect(refusedIn("2026-11-01", "2026-11-02", "2026-11-45")).toEqual([]);
  });
  it("of a column, a sum without a name, is a total", () => {
    const file = ledger(
      "1,Ada,2026-11-01,2026-12-01,9.00,9.00",
      "2,Bo,2026-11-01,2026-12-01,5.00,3.00",
      ",,,,14.00,12.00",
    );
    expect(leftOutOf(file)).toEqual(["4 total"]);
    expect(readList(file).proofs).toContain("the total of line 4 is what its lines come to");
    expect(openIn(file.replace("12.00", "13.00"))).toContain("above");
  });
  it("is no total where other lines have no more than sums either", () => {
    const file = list("Date,Amount", "13.11.2026,20.00", ",30.00", ",50.00");
    expect(leftOutOf(file, { kind: "bank" })).toEqual([]);
    expect(openIn(file, { kind: "bank" })).toContain("above");
  });
});

describe("a list without a head", () => {
  it("is told by days and sums with their way in letters, and by the balance that follows", () => {
    const file = list(
      "10/13/2026,Rent,818.25DR,718.25DR",
      "10/14/2026,Ada,521.16CR,197.09DR",
      "10/15/2026,Bo,300.00CR,102.91CR",
    );
    expect(columnsIn("bank", file)).toEqual({
      postedOn: "Column 1",
      description: "Column 2",
      amount: "Column 3",
      balance: "Column 4",
    });
    expect(openIn(file, { kind: "bank" })).toEqual([]);
    expect(readList(file, { kind: "bank" }).proofs).toEqual(["all 3 lines follow on from 100.00"]);
  });
});

describe("what lies between what was charged and what arrives", () => {
  const charges = (...sums: string[]): string =>
    list(
      "Id,Date,Name,Amount,Settlement amount",
      ...sums.map((two, at) => `c${at},2026-11-0${at + 1},Ada,${two}`),
    );
  it("is the fee where it can be one", () => {
    expect(openIn(charges("100.00,97.10", "50.00,48.30"), { kind: "processor" })).toEqual([]);
  });
  it("is asked about where it is too much for one, or goes the other way", () => {
    const file = charges("100.00,100.00", "250.00,200.00");
    expect(openIn(file, { kind: "processor" })).toEqual(["between"]);
    const sums = ["gross", "fee"];
    expect(cellsIn(file, sums, { between: "fee" })).toEqual(["100.00 0.00", "250.00 50.00"]);
    expect(cellsIn(file, sums, { between: "net" })).toEqual(["100.00 0.00", "200.00 0.00"]);
    expect(openIn(charges("100.00,137.00", "50.00,68.50"), { kind: "processor" })).toEqual([
      "between",
    ]);
  });
});

describe("a market place's settlement", () => {
  const settlement = (other: string): string =>
    list(
      `Date,Type,Order,Product sales,Shipping,Sales tax,${other},Selling fees,Total`,
      "10/13/2026,Order,o1,100.00,5.00,8.00,0.00,-15.00,98.00",
      "10/14/2026,Order,o2,50.00,5.00,4.00,0.00,-8.00,51.00",
      "10/15/2026,Refund,o1,-100.00,-5.00,-8.00,0.00,12.00,-101.00",
      "10/16/2026,Adjustment,,0.00,0.00,0.00,-3.00,0.00,-3.00",
    );
  it("whose total all its parts come to says what was charged by them", () => {
    const file = settlement("Other");
    expect(columnsIn("processor", file)).toMatchObject({ net: "Total", fee: "Selling fees" });
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(cellsIn(file, ["kind", "gross", "fee"])).toEqual([
      "charge 113.00 15.00",
      "charge 59.00 8.00",
      "refund -113.00 -12.00",
      "adjustment -3.00 0.00",
    ]);
  });
  it("has one more cost that is asked about, where it goes off a sale", () => {
    const file = settlement("Error charge").replace("0.00,-8.00,51.00", "-1.00,-8.00,50.00");
    expect(columnsIn("processor", file)).toMatchObject({
      fee: "Error charge",
      fee2: "Selling fees",
    });
    expect(cellsIn(file, ["gross", "fee"])[1]).toBe("59.00 9.00");
  });
});

describe("a statement whose lines begin as those of a processor do", () => {
  const statement = (...words: string[]): string =>
    list(
      "Date,Details,Paid in,Paid out,Balance",
      `10/13/2026,${words[0]} Ada,300.00,,300.00`,
      `10/14/2026,${words[1]} Ada,,20.00,280.00`,
      `10/15/2026,${words[2]},,200.00,80.00`,
    );
  it("is asked about, and its lines are what they begin with", () => {
    const file = statement("Sale -", "Refund -", "Transfer to bank");
    expect(kindsIn(file)).toEqual({ sure: null, possible: ["processor", "bank"] });
    expect(linesIn("processor", file).map((line) => line.split(" | ")[2])).toEqual([
      "charge",
      "refund",
      "payout",
    ]);
  });
  it("is a bank's where they do not", () => {
    expect(kindsIn(statement("Ach", "Refund", "Rent")).sure).toBe("bank");
    expect(kindsIn(statement("Payment", "Fee", "Rent")).sure).toBe("bank");
  });
  it("in months has no accounts", () => {
    const file = list(
      "October 2026",
      "Date,Description,Money in,Money out",
      "13 Oct,Ada,20.00,",
      "November 2026",
      "Date,Description,Money in,Money out",
      "13 Nov,Bo,30.00,",
    );
    expect(columnsIn("bank", file).account).toBeUndefined();
  });
});

describe("what a customer owes", () => {
  it("in his own account is no statement of a bank, whatever goes on in it", () => {
    const account = (...words: [string, string]): string =>
      list(
        "Date,Transaction,Reference,Debit,Credit,Balance",
        `10/13/2026,${words[0]},50000,660.68,,1660.68`,
        `10/14/2026,${words[1]},50001,,601.57,1059.11`,
      );
    expect(kindsIn(account("Invoice", "Payment received")).sure).toBeNull();
    expect(kindsIn(account("Rent", "Ada Pottery")).sure).toBe("bank");
    expect(kindsIn(account("Invoice 50000", "Invoice 50001")).sure).toBe("bank");
  });
  it("is said by the state of an invoice, and how long it is due", () => {
    const file = list(
      "Date,No.,Customer,Amount,Status",
      "10/13/2026,1,Ada,900.00,Overdue 15 days",
      '10/14/2026,2,Bo,900.00,"Partially paid, $200.00 due"',
      "10/15/2026,3,Cy,900.00,Due in 12 days",
      "10/16/2026,4,Di,900.00,Paid",
    );
    const asked = { kind: "invoices" as const, answers: { due: "n/30" } };
    expect(openIn(file, asked)).toEqual([]);
    expect(linesIn("invoices", file, asked).map((line) => line.split(" | ")[1])).toEqual([
      "900.00",
      "200.00",
      "900.00",
      "0.00",
    ]);
    expect(openIn(file.replace(", $200.00 due", ""), asked)).toEqual(["balance"]);
  });
});

describe("lines as they are understood", () => {
  it("say what they cost, what is given back of it, and what a fee alone is", () => {
    const file = list(
      "Id,Type,Date,Gross,Fee,Net",
      "c1,Charge,2026-11-13,100.00,3.20,96.80",
      "r1,Refund,2026-11-14,-100.00,-3.20,-96.80",
      "f1,Fee,2026-11-15,0.00,25.00,-25.00",
    );
    expect(linesIn("processor", file)).toEqual([
      "Fri 13 Nov | 100.00 | charge, fee 3.20",
      "Sat 14 Nov | (100.00) | refund, 3.20 of a fee back",
      "Sun 15 Nov | (25.00) | fee",
    ]);
  });
  it("are the first, and behind them the earliest, the latest and the largest", () => {
    const on = (day: string, sum: string, at: number): string => `c${at},Charge,${day},${sum}`;
    const lines = [
      ...Array.from({ length: 6 }, (_, at) => on(`2026-11-1${at}`, "10.00", at)),
      ...["2026-11-12", "2006-11-12", "2026-11-22", "2026-11-14"].map((day, at) =>
        on(day, at === 3 ? "900.00" : "10.00", 6 + at),
      ),
    ];
    expect(linesIn("processor", list("Id,Type,Date,Gross", ...lines)).slice(6)).toEqual([
      "Sun 12 Nov 2006 | 10.00 | charge",
      "Sun 22 Nov | 10.00 | charge",
      "Sat 14 Nov | 900.00 | charge",
    ]);
  });
  it("are asked about by what is likeliest, for Enter takes the first answer", () => {
    const firstOf = (word: string, sum: string): string | undefined => {
      const file = list(
        "Id,Type,Date,Gross",
        "c1,Charge,2026-11-13,90.00",
        `x,${word},2026-11-14,${sum}`,
      );
      const { questions } = readList(file, { kind: "processor" });
      return questions.find(({ key }) => key.startsWith("word:"))?.choices[0]?.answer;
    };
    expect(firstOf("Transfer", "-50.00")).toBe("payout");
    expect(firstOf("Refund of a sale", "-50.00")).toBe("refund");
    expect(firstOf("Studio sale", "50.00")).toBe("charge");
    expect(firstOf("Studio sale", "-50.00")).toBe("refund");
    expect(firstOf("Return", "50.00")).toBe("refund");
  });
});

describe("a line that takes money, and no column says what it is", () => {
  const statement = (...lines: string[]): string =>
    list("Date,Description,Reference,Debit,Credit", ...lines);
  it("is what its text begins with", () => {
    const file = statement(
      "11/22/2026,Card payment Ada,ch1,,80.00",
      "11/23/2026,Refund Ada,rf1,25.00,",
      "11/24/2026,Payout to bank,po1,55.00,",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(cellsIn(file, ["kind", "gross"])).toEqual([
      "charge 80.00",
      "refund -25.00",
      "payout 55.00",
    ]);
  });
  it("is asked about whoever it is of, by whatever name", () => {
    for (const head of ["Customer", "Company name", "Sold to client"]) {
      const file = list(
        `Id,Date,${head},Amount`,
        "c1,11/22/2026,Ada,80.00",
        "c2,11/23/2026,Refund Depot LLC,-50.00",
        "c3,11/24/2026,Fee Simple Realty,-20.00",
      );
      expect(openIn(file, { kind: "processor" })).toContain("negatives");
      expect(cellsIn(file, ["kind"])).toEqual(["charge", "charge", "charge"]);
    }
  });
  it("is asked about where it begins with nothing that is known", () => {
    const file = statement("11/22/2026,Ada,ch1,,80.00", "11/23/2026,Thursday levy,x,9.99,");
    expect(openIn(file, { kind: "processor" })).toEqual(["negatives"]);
    expect(linesIn("processor", file)).toHaveLength(2);
  });
});

describe("what other lists have instead of what is asked for", () => {
  it("somebody's name, where a customer is no company", () => {
    const file = list(
      "Cust #,Company,First,Last",
      "1001,Mill Pond Pottery,Jane,Roe",
      "1002,,Omar,Diaz",
    );
    expect(linesIn("customers", file)).toEqual(["1001 | Mill Pond Pottery", "1002 | Omar Diaz"]);
  });
  it("the name of the law, and that of the trade beside it", () => {
    const head = "ID,Legal name,Trading name";
    expect(columnsIn("customers", list(head, "1,Harbor Arts Ltd,Harbor"))).toMatchObject({
      name: "Legal name",
      aliases: "Trading name",
    });
    expect(columnsIn("customers", list("ID,Trading name", "1,Harbor"))).toMatchObject({
      name: "Trading name",
    });
  });
  it("one trace, which is that of what came back", () => {
    const head = "Return Date,Trace Number,Individual Name,Amount,Return Code";
    const line = "11/18/2026,091000010000041,BRIGHTWATER UNIFIED,310.00,R01";
    expect(columnsIn("returns", list(head, line))).toMatchObject({ originalTrace: "Trace Number" });
    const two = list(`${head},Original Trace Number`, `${line},091000010000007`);
    expect(columnsIn("returns", two)).toMatchObject({
      trace: "Trace Number",
      originalTrace: "Original Trace Number",
    });
  });
  it("a day of what came back, beside that of the debit", () => {
    const head = "Returned Item Date,Return Reason,Trace,Amt,Effective Date";
    const line = "11/18/2026,R01 NSF,091000010000041,310.00,11/16/2026";
    expect(columnsIn("returns", list(head, line))).toMatchObject({ on: "Returned Item Date" });
  });
  it("the day of booking, beside the value date", () => {
    const head = "Value Date,Transaction Date,Transaction Remarks,Withdrawal,Deposit";
    const line = "2026-11-15,2026-11-13,Brightwater,,20.00";
    expect(columnsIn("bank", list(head, line))).toMatchObject({
      postedOn: "Transaction Date",
      description: "Transaction Remarks",
    });
    expect(
      columnsIn("bank", list("Value Date,Details,Amount", "2026-11-15,Ada,2.00")),
    ).toMatchObject({ postedOn: "Value Date" });
  });
  it("what arrives alone, of which it is asked whether a fee was taken off", () => {
    const file = list(
      "Transaction ID,Date,Transaction Type,Settlement Amount,Company",
      "600,11/13/2026,Sale,125.00,Mill Pond",
    );
    expect(missingFields({ kind: "processor", columns: columnsIn("processor", file) })).toEqual([]);
    expect(openIn(file, { kind: "processor" })).toEqual(["gross"]);
  });
  it("prices, which are of one piece and no sum of the line", () => {
    const file = list(
      "Id,Date,Type,Amount,Lineitem price,Shipping,Taxes,Subtotal",
      "1,11/13/2026,Sale,95.00,40.00,10.00,5.00,80.00",
      "2,11/14/2026,Sale,53.00,25.00,0.00,3.00,50.00",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
  });
});

describe("who paid", () => {
  it("is somebody by the two parts of a name, where the line names no company", () => {
    const file = list(
      "Txn,Date,Amount,Payer First,Payer Last,Payer Company",
      "T1,2026-11-12,100.00,Jane,Roe,",
      "T2,2026-11-13,50.00,,,Dara Ceramics",
    );
    expect(cellsIn(file, ["payer_name"])).toEqual(["Jane Roe", "Dara Ceramics"]);
  });
});
