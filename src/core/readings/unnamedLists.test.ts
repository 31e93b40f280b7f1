import {
  cellsIn,
  columnsIn,
  kindsIn,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* Lists that do not say what their lines are; made by hand, common practice, no source. */

describe("activity of one kind", () => {
  it("whose lines have ids of refunds is asked about, and goes by those", () => {
    const file = list(
      "Refund ID,Payment ID,Created,Amount,Customer",
      "re0,ch0,2026-11-13,45.00,Ada",
      "re1,ch1,2026-11-14,30.00,Bo",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["lines_are"]);
    const heads = ["id", "kind", "related_id", "gross"];
    expect(cellsIn(file, heads, { lines_are: "refund" })).toEqual([
      "re0 refund ch0 -45.00",
      "re1 refund ch1 -30.00",
    ]);
    expect(cellsIn(file, heads.slice(0, 2), { lines_are: "charge" })[0]).toBe("ch0 charge");
  });
  it("whose lines are payouts is asked about, whatever the same words stand on each", () => {
    const file = list(
      "Payout ID,Created,Arrival date,Amount,Statement descriptor",
      "po0,2026-11-13,2026-11-16,450.00,KESTREL",
      "po1,2026-11-14,2026-11-17,300.00,KESTREL",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["payouts"]);
  });
  it("stands below its summary, whose head is as good as its own", () => {
    const file = list(
      "Payout summary,,,",
      "Gross,Fees,Net,Currency",
      "150.00,4.50,145.50,USD",
      "Date,Description,Amount,Processing fee",
      "11/13/2026,Card payment Ada,100.00,3.00",
      "11/14/2026,Card payment Bo,50.00,1.50",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Amount", fee: "Processing fee" });
  });
});

describe("a list of what is owed", () => {
  const ledger = (...lines: string[]): string =>
    list("Doc,Customer,Date,Due,Amount,Open", ...lines);
  it("whose every sum is below zero is asked about", () => {
    const file = ledger("D0,Ada,2026-11-01,2026-12-01,-20.00,-20.00");
    expect(openIn(file)).toEqual(["owed"]);
    const totals = (owed: string): string | undefined =>
      readList(file, { answers: { owed } }).table.rows[0]?.cells.find((cell) =>
        /20\.00/.test(cell),
      );
    expect([totals("size"), totals("written")]).toEqual(["20.00", "-20.00"]);
    expect(openIn(ledger("D0,Ada,2026-11-01,2026-12-01,20.00,20.00"))).toEqual([]);
  });
  it("with several due days of one invoice has installments, and no items", () => {
    const file = list(
      "Invoice,Customer,Invoice date,Due date,Invoice total,Paid",
      "F0,Ada,11/13/2026,12/13/2026,90.00,30.00",
      "F0,Ada,11/13/2026,01/13/2027,90.00,0.00",
    );
    const [question] = readList(file).questions;
    expect(question?.choices.map(({ answer }) => answer)).toEqual(["apart"]);
  });
});

describe("lines that are not of this list", () => {
  it("stand below a heading of payments, or are of another company: asked", () => {
    const file = list(
      "Company,Customer,Number,Date,Due,Open amount",
      "KRCK,Ada,I0,11/13/2026,12/13/2026,80.00",
      "KRCK,Bo,I1,11/14/2026,12/14/2026,20.00",
      "OTHER,Cy,I2,11/15/2026,12/15/2026,30.00",
      "Unapplied payments,,,,,",
      "KRCK,Ada,PAY1,11/16/2026,,18.50",
    );
    expect(openIn(file)).toEqual(["whose", "section", "total", "due"]);
    const answers = { whose: "KRCK", section: "credit", total: "balance", due: "issue" };
    const { table, leftOut } = readList(file, { answers });
    expect(leftOut.map(({ line, why }) => `${line} ${why}`)).toEqual([
      "4 other_account",
      "5 heading",
    ]);
    expect(table.rows.at(-1)?.cells).toContain("-18.50");
  });
  it("with money in and money out are what moved on a day", () => {
    const file = list(
      "As of,Account,Opening ledger,Total credits,Total debits",
      "11/13/2026,9873210,100.00,50.00,40.00",
      "11/14/2026,9873210,110.00,20.00,10.00",
    );
    expect(openIn(file, { kind: "bank" })).toContain("both");
  });
});

describe("columns of one list", () => {
  it("may each have their own order of day and month, where only that makes days of them", () => {
    const file = list(
      "Invoice,Customer,Issued,Due,Total,Open",
      "I0,Ada,13/10/2026,11/12/2026,50.00,50.00",
      "I1,Bo,14/10/2026,11/13/2026,60.00,60.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(readList(file).table.rows[0]?.cells).toEqual(
      expect.arrayContaining(["2026-10-13", "2026-11-12"]),
    );
  });
  it("without names may be gross and net, by the fees that lie between them; what was cancelled adds up to nothing", () => {
    const file = list(
      "Order,Event,Date,Client paid,Service fee,You get,Payer",
      "O1,PAYMENT,2026-11-13,100.00,3.00,97.00,Ada",
      "O2,PAYMENT,2026-11-14,50.00,1.50,48.50,Bo",
      "O3,CANCELLED,2026-11-15,70.00,0.00,0.00,Cy",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Client paid", net: "You get" });
  });
  it("may have the side of a sum behind it, and numbers that a spreadsheet gave a decimal", () => {
    const bank = list(
      "Datum;Text;Betrag;Saldo",
      "13.11.2026;Ada;10,00 EUR H;110,00",
      "16.11.2026;Bo;5,00 EUR S;105,00",
    );
    expect(readList(bank).table.rows[1]?.cells).toContain("-5.00");
    const ids = list("Customer No,Customer,Email", "1001.0,Ada,a@x.example");
    expect(readList(ids, { kind: "customers" }).table.rows[0]?.cells[0]).toBe("1001");
  });
  it("of two are parted by what parts most lines", () => {
    const advice = list(
      "ADVICE",
      "Paid by|Ada",
      "Amount|1,234.00",
      "Invoice|Amount",
      "2501|1,000.00",
      "2502|234.00",
    );
    expect(columnsIn("remittance", advice)).toMatchObject({ number: "Invoice", amount: "Amount" });
  });
});

describe("what lies between sums", () => {
  it("a gross that is called so is more than what is left of it", () => {
    const file = list(
      "Date,Type,Guest,Amount,Service Fee,Gross earnings",
      "11/13/2026,Payment,Ada,97.00,3.00,100.00",
      "11/14/2026,Payment,Bo,48.50,1.50,50.00",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Gross earnings", net: "Amount" });
  });
  it("two fees without names that leave a net of a gross", () => {
    const file = list(
      "Order #,Order Date,Email,Gross Sales,Service Fees Paid,Payment Processing Fees,Organizer Share",
      "8000,11/13/2026,a@x.example,100.00,3.70,2.90,93.40",
      "8001,11/14/2026,b@x.example,50.00,1.85,1.45,46.70",
    );
    expect(columnsIn("processor", file)).toMatchObject({ net: "Organizer Share" });
  });
  it("a transfer's fee beside a balance makes no processor of a bank: asked", () => {
    const file = list(
      "Transfer ID,Date,Amount,Description,Running Balance,Payer Name,Total fees",
      "T1,11/13/2026,100.00,Received,1100.00,Ada,0.00",
      "T2,11/14/2026,-50.00,Sent,1048.80,,1.20",
    );
    expect(kindsIn(file).possible).toEqual(["processor", "bank"]);
  });
  it("strokes stand for nothing, and somebody has a name by its two parts", () => {
    const file = list(
      "Date,Type,Info,Amount,Net",
      "11/13/2026,Sale,Order 300,100.00,100.00",
      "11/13/2026,Fee,Order 300,--,-6.50",
    );
    expect(readList(file, { kind: "processor" }).refused).toEqual([]);
    const people = list(
      "Customer ID,First Name,Last Name,Company,Email",
      "'700,Ann,Lee,,a@x.example",
    );
    expect(readList(people, { kind: "customers" }).table.rows[0]?.cells.slice(0, 2)).toEqual([
      "700",
      "Ann Lee",
    ]);
  });
});

it("a statement that is empty after each transfer to the bank may be a processor's: asked", () => {
  const file = list(
    "Date,Ref ID,Type,Description,Amount,Balance",
    "11/13/2026,500,Fixed Price,Invoice for work,100.00,100.00",
    "11/13/2026,501,Service Fee,Fee for 500,-10.00,90.00",
    "11/16/2026,502,Withdrawal,Wire to bank,-90.00,0.00",
  );
  expect(kindsIn(file).possible).toEqual(["processor", "bank"]);
  expect(kindsIn(file.replace("-90.00,0.00", "-80.00,10.00")).sure).toBe("bank");
});

describe("lists that are nearly something", () => {
  it("a balance of an account with a line missing goes on all the same: asked", () => {
    const lines = Array.from(
      { length: 11 },
      (_, at) =>
        `Ada,I${at},11/${10 + at}/2026,12/${10 + at}/2026,10.00,${10 * (at + 1) + (at > 5 ? 3 : 0)}.00`,
    );
    const file = list("Customer,Doc,Date,Due,Amount,Balance", ...lines);
    expect(openIn(file)).toContain("running");
  });
  it("some returns among debits make no list of returns; a code may have its words behind it", () => {
    const file = (...codes: string[]): string =>
      list(
        "Date,Customer,Amount,Trace,Original trace,Return code",
        ...codes.map((code, at) => `11/13/2026,Ada,10.00,0910${at},0911${at},${code}`),
      );
    expect(kindsIn(file("R01", "", "", "")).sure).not.toBe("returns");
    expect(kindsIn(file("R01 - NSF", "R02 - Closed")).sure).toBe("returns");
    expect(readList(file("R01 - NSF", "R02")).table.rows[0]?.cells).toContain("R01");
  });
});

it("a company that is the same on every line is no payer", () => {
  const file = (...companies: string[]): string =>
    list(
      "Id,Date,Type,Amount,Fee,Company",
      ...companies.map((name, at) => `t${at},11/13/2026,Sale,10.00,0.30,${name}`),
    );
  expect(columnsIn("processor", file("Ada", "Bo", "Cy")).payerName).toBe("Company");
  expect(columnsIn("processor", file("KRCK", "KRCK", "KRCK")).payerName).toBeUndefined();
});

describe("the agreed layout", () => {
  it("leaves nothing to a question: credits are below zero, and what is missing is refused by its line", () => {
    const heads = "invoice_number,customer_id,issued_on,due_on,currency,total,balance";
    const credit = "CN1,C1,2026-11-01,2026-11-01,USD,-20.00,-20.00";
    expect(openIn(list(heads, credit))).toEqual([]);
    const nobody = "2,,2026-11-01,2026-12-01,USD,5.00,5.00";
    expect(openIn(list(heads, credit, nobody))).toEqual([]);
    const activity = list(
      "id,kind,occurred_on,payer_name,gross",
      "a,charge,2026-11-01,Ada,5.00",
      "a,charge,2026-11-01,Ada,6.00",
    );
    expect(openIn(activity, { kind: "processor" })).toEqual([]);
  });
});

describe("lines of words that are names of customers", () => {
  it("are none of a heading of credits, whatever they are called", () => {
    const file = list(
      "Date,Num,Due date,Amount,Open balance",
      "Alder Pottery,,,,",
      "11/13/2026,1,12/13/2026,10.00,10.00",
      "Troy Credit Union,,,,",
      "11/16/2026,2,12/16/2026,20.00,20.00",
    );
    expect(openIn(file)).toEqual([]);
    expect(linesIn("invoices", file)[1]).toContain("Troy Credit Union");
    const blank = list(
      ",Date,Num,Due date,Amount,Open balance",
      "Alder Pottery,,,,,",
      ",11/02/2026,1,12/02/2026,10.00,10.00",
      "Troy Credit Union,,,,,",
      ",11/03/2026,2,12/03/2026,20.00,20.00",
    );
    expect(linesIn("invoices", blank)[1]).toContain("Troy Credit Union");
  });
});

describe("what was charged, without a name", () => {
  it("is what the fees leave the net of, and never less than it", () => {
    const file = (sales: string, other: string): string =>
      list(
        "Date,Reference,Takings,Fee,Net",
        `11/13/2026,D0,${sales},2.00,98.00`,
        `11/14/2026,D1,${other},1.00,49.00`,
      );
    expect(columnsIn("processor", file("100.00", "50.00")).gross).toBe("Takings");
    expect(columnsIn("processor", file("96.00", "48.00")).gross).toBeUndefined();
  });
  it("is what it came to where it is settled, as its fee is in that currency", () => {
    const file = list(
      "ID,Created,Amount,Currency,Fee,Converted Amount,Converted Currency,Customer Email",
      "c1,2026-11-13,331.03,eur,10.73,357.51,usd,a@x.example",
      "c2,2026-11-14,50.00,usd,1.50,50.00,usd,b@x.example",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      gross: "Converted Amount",
      currency: "Converted Currency",
    });
    expect(openIn(file)).toContain("settled");
    expect(openIn(file.replace(",10.73,", ",0.00,"))).not.toContain("settled");
  });
});

describe("a list of refunds, or of disputes, by the head of its sums", () => {
  const refunds = list(
    "Charge id,Date refunded,Refund amount",
    "ch_9,2026-11-04,100.00",
    "ch_8,2026-11-05,20.00",
  );
  it("is asked about, once, and read as it was said", () => {
    expect(openIn(refunds, { kind: "processor" })).toEqual(["lines_are"]);
    expect(linesIn("processor", refunds, { answers: { lines_are: "refund" } })[0]).toContain(
      "(100.00) | refund",
    );
    const disputes = list(
      "Received,Chargeback amount,Cardholder",
      "2026-11-04,100.00,Fernhill Studio",
    );
    expect(openIn(disputes, { kind: "processor" })).toEqual(["lines_are"]);
  });
  it("is none where its lines say what was charged", () => {
    const both = list(
      "Id,Date,Amount,Refund amount",
      "ch_9,2026-11-04,100.00,0.00",
      "ch_8,2026-11-05,20.00,0.00",
    );
    expect(openIn(both, { kind: "processor" })).toEqual([]);
  });
  it("of one sum under a head that nobody knows asks whether that is what was charged", () => {
    const one = list("Date,Payment,Received,From", "2026-11-02,T-88101,400.29,Fernhill Studio");
    expect(openIn(one, { kind: "processor" })).toEqual(["gross"]);
  });
});

it("a list of fees alone is asked about by its head; they take money, as a rule", () => {
  const fees = list(
    "Date,Description,Fee amount",
    "2026-11-02,Processing fee,3.20",
    "2026-11-03,Account fee,15.00",
  );
  expect(openIn(fees, { kind: "processor" })).toEqual(["lines_are"]);
  const read = readList(fees, { kind: "processor", answers: { lines_are: "fee" } });
  expect(read.questions.map(({ choices }) => choices[0]?.answer)).toEqual(["sizes"]);
});

it("what is to be charged next is no charge yet", () => {
  const next = list("Customer,Next charge,Amount", "Fernhill Studio,2026-11-02,45.00");
  expect(openIn(next, { kind: "processor" })).toEqual(["titled:next charge"]);
});

it("of disputes alone by their ids, what was won took nothing in the end: asked", () => {
  const file = list(
    "Dispute,Date,Amount,Outcome",
    "d1,2026-11-02,100.00,Won",
    "d2,2026-11-03,50.00,Lost",
  );
  expect(openIn(file, { kind: "processor" }).sort()).toEqual([
    "lines_are",
    "state:lost",
    "state:won",
  ]);
  const answers = { lines_are: "dispute", "state:lost": "counts", "state:won": "none" };
  expect(linesIn("processor", file, { answers })).toEqual(["Tue 3 Nov | (50.00) | dispute"]);
});

it("what has our own name as its payer is no customer's payment: asked", () => {
  const file = list(
    "Transfer,Date,Amount,From,To",
    "tr1,2026-11-02,100.00,Fernhill Studio,Kestrel Row",
    "tr2,2026-11-03,50.00,Kestrel Row,Bank 4417",
  );
  expect(openIn(file, { kind: "processor" })).toEqual(["column:From"]);
  const left = readList(file, { kind: "processor", answers: { "column:From": "status" } });
  expect(left.leftOut).toEqual([{ line: 3, why: "said" }]);
});
