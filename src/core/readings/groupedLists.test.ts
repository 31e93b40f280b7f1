import {
  columnsIn,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* Lists in groups, with totals, and with what is printed once; made by hand, common practice, no source. */

describe("a list whose groups are named in lines of their own", () => {
  const open = list(
    "Open invoices,,,,,",
    "Date,Transaction type,Num,Due date,Amount,Open balance",
    "Alder Pottery,,,,,",
    "10/13/2026,Invoice,3001,11/13/2026,120.00,100.00",
    "10/14/2026,Invoice,3002,11/14/2026,80.00,80.00",
    "Total for Alder Pottery,,,,200.00,180.00",
    "Brook Studio,,,,,",
    "10/15/2026,Invoice,3003,11/15/2026,50.00,50.00",
    "Total for Brook Studio,,,,50.00,50.00",
    "TOTAL,,,,250.00,230.00",
    '"Friday, November 20, 2026 03:15 PM - accrual basis",,,,,',
  );
  it("has its customers in a column of their own, and its totals held against it", () => {
    expect(kindsIn(open).sure).toBe("invoices");
    expect(openIn(open)).toEqual([]);
    expect(linesIn("invoices", open).map((line) => line.split(" | ").slice(-2))).toEqual([
      ["3001, due Fri 13 Nov, of 120.00", "Alder Pottery"],
      ["3002, due Sat 14 Nov", "Alder Pottery"],
      ["3003, due Sun 15 Nov", "Brook Studio"],
    ]);
    expect(readList(open).proofs).toContain("3 totals are what their lines come to");
  });
  it("is asked about where a total is not what its lines come to", () => {
    const short = open.replace("10/14/2026,Invoice,3002,11/14/2026,80.00,80.00\n", "");
    expect(openIn(short)).toEqual(["totals"]);
    expect(openIn(short, { answers: { totals: "take" } })).toEqual([]);
  });
  it("has ages, and no customers, where its groups say how long they are due", () => {
    const aged = list(
      "Date,Num,Customer,Due date,Amount,Open balance",
      "31 - 60 days past due,,,,,",
      "08/13/2026,3001,Ada,09/13/2026,120.00,100.00",
      "Current,,,,,",
      "11/14/2026,3002,Bo,12/14/2026,80.00,80.00",
    );
    expect(columnsIn("invoices", aged).customerId).toBe("Customer");
    expect(openIn(aged)).toEqual([]);
    expect(leftOutOf(aged)).toEqual(["2 heading", "4 heading"]);
  });
  it("leaves what stands below a total without a customer, to be refused", () => {
    const nested = open.replace("TOTAL", "10/16/2026,Invoice,3004,11/16/2026,9.00,9.00\nTOTAL");
    expect(linesIn("invoices", nested).at(-1)).not.toContain("Brook");
  });
  it("is none where its first record is short", () => {
    const file = list("customer_id,name,email", "Ada,,", "B,Bo,b@x.example", "C,Cy,c@x.example");
    expect(readList(file, { kind: "customers" }).leftOut).toEqual([]);
  });
});

describe("what a list prints once for several lines", () => {
  it("a customer: asked whether the lines below are of him", () => {
    const file = list(
      "Customer,No.,Date,Due,Amount,Balance",
      "Ada,500,11/13/2026,12/13/2026,10.00,10.00",
      ",501,11/14/2026,12/14/2026,20.00,20.00",
      "Bo,502,11/15/2026,12/15/2026,30.00,30.00",
    );
    expect(openIn(file)).toEqual(["above"]);
    expect(linesIn("invoices", file, { answers: { above: "day" } })[1]).toContain("Ada");
  });
  it("a payment with its day, its number and its sum", () => {
    const file = list(
      "Payment date,Payment number,Payer,Payment amount,Invoice,Amount paid",
      "2026-11-13,7001,Ada,30.00,3001,10.00",
      ",,,,3002,20.00",
    );
    expect(openIn(file, { kind: "remittance" })).toContain("above");
    const said = { kind: "remittance" as const, answers: { above: "day" } };
    expect(readList(file, said).proofs).toContain("the lines are the sum of the payment");
  });
});

describe("what an advice says of its payment", () => {
  const advice = (...lines: string[]): string =>
    list(
      "Paid by our transfer of 2026-11-20",
      "Document,Your reference,Date,Gross,Discount,Net",
      ...lines,
      "Payment total,,,300.00,6.00,294.00",
    );
  const file = advice(
    "19001,INV 2500,2026-11-13,100.00,2.00,98.00",
    "19002,INV 2501,2026-11-16,200.00,4.00,196.00",
  );
  it("goes by the number that the payee knows, and its total is no line", () => {
    expect(columnsIn("remittance", file).number).toBe("Your reference");
    expect(leftOutOf(file, { kind: "remittance" })).toEqual(["5 total"]);
  });
  it("has several days for one payment, which may be those of its invoices: asked", () => {
    const [question] = readList(file, { kind: "remittance" }).questions;
    expect(question?.key).toBe("paid_on");
    expect(question?.choices.map(({ answer }) => answer)).toEqual(["2026-11-20", "each"]);
    const said = { answers: { paid_on: "2026-11-20" } };
    expect(linesIn("remittance", file, said)[0]).toContain("20 Nov");
  });
  it("has what was paid of each invoice in the column that comes to each payment", () => {
    const lockbox = list(
      "Deposit date,Check no,Check amount,Remitter,Invoice no,Invoice amount",
      "2026-11-13,7001,30.00,Ada,3001,10.00",
      "2026-11-13,7001,30.00,Ada,3002,20.00",
      "2026-11-13,7002,5.00,Bo,3003,5.00",
    );
    expect(columnsIn("remittance", lockbox).amount).toBe("Invoice amount");
  });
});

describe("a payment that is told in parts", () => {
  const parts = list(
    "Settlement,Type,Order id,Part,Amount,Currency,Posted",
    "88,Order,o-1,Price,60.00,USD,2026-11-13",
    "88,Order,o-1,Tax,4.80,USD,2026-11-13",
    "88,Order,o-1,Commission,-6.00,USD,2026-11-13",
    "88,Refund,o-2,Price,-30.00,USD,2026-11-14",
    "88,Refund,o-2,Commission,3.00,USD,2026-11-14",
  );
  const read = (answers: Record<string, string>) => {
    const { table } = readList(parts, { kind: "processor", answers });
    const at = ["kind", "gross", "fee"].map((head) => table.headers.indexOf(head));
    return table.rows.map(({ cells }) => at.map((place) => cells[place]));
  };
  it("is one where somebody says so: what it brings, and what is kept of it", () => {
    expect(openIn(parts, { kind: "processor" })).toContain("parts");
    expect(read({ parts: "sum" })).toEqual([
      ["charge", "64.80", "6.00"],
      ["refund", "-30.00", "-3.00"],
    ]);
  });
});

describe("states and signs", () => {
  it("a line that stands as credited may be a refund", () => {
    const file = list(
      "Id,Status,Type,Date,Amount,Payer",
      "t1,Settled,Sale,2026-11-13,100.00,Ada",
      "t2,Credited,Sale,2026-11-14,40.00,Bo",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["state:credited"]);
    const { table } = readList(file, {
      kind: "processor",
      answers: { "state:credited": "refund" },
    });
    expect(table.rows[1]?.cells).toContain("refund");
    expect(table.rows[1]?.cells).toContain("-40.00");
  });
  it("the list of a card, where what is bought stands without a sign: asked", () => {
    const file = list(
      "Date,Description,Amount",
      "11/13/2026,CLAY SUPPLY,49.20",
      "11/14/2026,AUTOPAY PAYMENT - THANK YOU,-120.00",
    );
    expect(openIn(file, { kind: "bank" })).toEqual(["signs"]);
  });
});

describe("what stands above the list of an advice", () => {
  const lines = ["Invoice,Amount", "2501,1000.00", "2502,234.00"];
  const above = [
    "PAYMENT ADVICE,",
    "Paid by,Alder Pottery",
    "Paid on,2026-11-20",
    "Reference: EFT-889,",
    'Amount,"1,234.00"',
  ];
  it("says of each line who paid, when, by which number and how much in all", () => {
    const file = list(...above, ...lines);
    expect(kindsIn(file).sure).toBe("remittance");
    expect(columnsIn("remittance", file)).toMatchObject({
      payerName: "Paid by (above)",
      paidOn: "Paid on (above)",
      trace: "Reference (above)",
      total: "Payment amount (above)",
    });
    expect(readList(file).proofs).toEqual(["the lines are the sum of the payment"]);
    expect(openIn(file.replace("1,234.00", "1,240.00"))).toEqual(["foot"]);
  });
  it("is none of what stands above a statement, or of what is owed", () => {
    const owed = list(
      ...above,
      "Invoice,Customer,Date,Due,Balance",
      "1,Ada,2026-11-01,2026-12-01,5.00",
    );
    expect(columnsIn("invoices", owed)).not.toMatchObject({ total: "Payment amount (above)" });
    const statement = list("Reference: 12,,", "Date,Description,Amount", "2026-11-01,Deposit,5.00");
    expect(Object.values(columnsIn("bank", statement))).not.toContain("Reference (above)");
  });
});
