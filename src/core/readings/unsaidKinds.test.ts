import { kindsIn, leftOutOf, linesIn, list, openIn } from "../../../tests/support/readings";

/* What no column of kinds says, and another does; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const kindsOf = (text: string, answers: Record<string, string> = {}): string[] =>
  linesIn("processor", text, { answers }).map((line) => line.split(" | ").slice(1, 3).join(" | "));

describe("a line whose text begins with a refund", () => {
  const file = (text: string, sum = "30.00"): string =>
    list(
      "Date,Ref,Customer,Amount,Comments",
      "2026-11-12,R1,Fernhill,100.00,",
      `2026-11-13,R2,Dara,${sum},${text}`,
    );
  it("is asked about where its sum has no sign", () => {
    expect(openIn(file("REFUND of order 77"), asked)).toEqual(["word:refund of order 77"]);
    expect(openIn(file("Refund"), asked)).toEqual(["word:refund, by its text"]);
    expect(openIn(file("Fee for a class"), asked)).toEqual([]);
    expect(openIn(file("Refund of order 77", "-30.00"), asked)).toEqual([]);
  });
  it("is one where a column of yes and no says so, if that is said", () => {
    const flagged = file("Yes").replace("Comments", "Is refund").replace("100.00,", "100.00,No");
    expect(openIn(flagged, asked)).toEqual(["column:Is refund"]);
    expect(kindsOf(flagged, { "column:Is refund": "refund" })).toEqual([
      "100.00 | charge",
      "(30.00) | refund",
    ]);
  });
});

describe("batches among the lines of what is in them", () => {
  const head = "Level,Batch,Date,Ref,Amount,Fee";
  const batch = (sum: string): string => `BATCH,B1,2026-11-12,,${sum},4.95`;
  const lines = ["TXN,B1,2026-11-12,T1,100.00,3.20", "TXN,B1,2026-11-12,T2,50.00,1.75"];
  it("are no lines of their own where they are the sum of those, before them or behind", () => {
    expect(leftOutOf(list(head, batch("150.00"), ...lines), asked)).toEqual(["2 heading"]);
    expect(leftOutOf(list(head, ...lines, batch("150.00")), asked)).toEqual(["4 total"]);
    expect(leftOutOf(list(head, batch("151.00"), ...lines), asked)).toEqual([]);
    expect(openIn(list(head, batch("151.00"), ...lines), asked)).toEqual(["column:Level"]);
  });
});

describe("states under the name of kinds", () => {
  it("are states, and another column says what was done", () => {
    const file = list(
      "Date,Event,Group,Amount",
      "2026-11-12,settled,payment,100.00",
      "2026-11-13,settled,refund,30.00",
      "2026-11-13,failed,payment,50.00",
    );
    expect(openIn(file, asked)).toEqual(["column:Event"]);
    expect(kindsOf(file, { "column:Event": "status" })).toEqual([
      "100.00 | charge",
      "(30.00) | refund",
    ]);
  });
});

describe("invoices", () => {
  it("are open in full where what is called due is what a discount leaves", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Gross,Cash Discount,Net Due",
      "1,Ada,2026-11-18,2026-12-18,500.00,10.00,490.00",
      "2,Ben,2026-11-19,2026-12-19,200.00,4.00,196.00",
    );
    expect(openIn(file, { kind: "invoices" })).toContain("balance");
  });
  it("are asked about where one is only pro forma", () => {
    const file = list(
      "Invoice,Customer,Date,Due,Amount,Balance,Document Kind",
      "1,Ada,2026-11-18,2026-12-18,500.00,500.00,Final",
      "2,Ben,2026-11-19,2026-12-19,200.00,200.00,Pro forma",
    );
    expect(openIn(file, { kind: "invoices" })).toEqual(["column:Document Kind"]);
  });
});

describe("a credit in an advice", () => {
  const file = (number: string, type: string): string =>
    list(
      "Payment,Date,Doc,Doc Type,Amount",
      "R1,2026-11-19,1001,XY,142.50",
      `R1,2026-11-19,${number},${type},20.50`,
    );
  it("is one by its type or its number, and asked about without a sign", () => {
    const open = (text: string): string[] => openIn(text, { kind: "remittance" });
    expect(open(file("7", "CN"))).toEqual(["credits"]);
    expect(open(file("CN-7", "XY"))).toEqual(["credits"]);
    expect(open(file("7", "XY"))).toEqual([]);
  });
});

describe("what is open of an invoice", () => {
  const file = (open: string): string =>
    list(
      "Invoice,Customer,Date,Due,Total,Open",
      `1,Ada,2026-11-18,2026-12-18,500.00,${open}`,
      "2,Ben,2026-11-19,2026-12-19,200.00,150.00",
    );
  const openOf = (text: string, answers = {}): string | undefined =>
    linesIn("invoices", text, { answers })[0]?.split(" | ")[1];
  it("is nothing where a stroke says so, and is asked about where nothing stands there", () => {
    expect(openIn(file("-"), { kind: "invoices" })).toEqual([]);
    expect(openOf(file("-"))).toBe("0.00");
    expect(openIn(file(""), { kind: "invoices" })).toEqual(["openEmpty"]);
    expect(openIn(file("n/a"), { kind: "invoices" })).toEqual(["openEmpty"]);
    expect(openOf(file(""), { openEmpty: "none" })).toBe("0.00");
    expect(openOf(file(""), { openEmpty: "total" })).toBe("500.00");
  });
});

describe("a column of ways beside sums without a sign", () => {
  it("says which lines took money, if that is said", () => {
    const file = list(
      "Txn,Date,Party,Value,In/Out",
      "1,2026-11-12,Fernhill,100.00,In",
      "2,2026-11-13,Dara,30.00,Out",
    );
    expect(openIn(file, asked)).toEqual(["column:In/Out"]);
    expect(openIn(file, { ...asked, answers: { "column:In/Out": "takes Out" } })).toEqual([
      "negatives",
    ]);
    const answers = { "column:In/Out": "takes Out", negatives: "refund" };
    expect(kindsOf(file, answers)).toEqual(["100.00 | charge", "(30.00) | refund"]);
  });
  it("is asked about word by word in a statement", () => {
    const file = list(
      "Date,Code,Details,Amount",
      "2026-11-12,CR,BRIGHTWATER,20.00",
      "2026-11-13,SO,RENT,5.00",
    );
    expect(openIn(file, { kind: "bank" })).toContain("word:so");
    const answers = { "word:so": "out", signs: "words" };
    expect(linesIn("bank", file, { answers })[1]).toBe("Fri 13 Nov | (5.00) | RENT");
  });
});

describe("what is no affair of a processor", () => {
  it("is a check with its number, which is asked about by its word alone", () => {
    const file = list(
      "Receipt,Date,Method,From,Amount",
      "1,2026-11-12,Card,Fernhill,100.00",
      "2,2026-11-13,Check 1022,Dara,30.00",
      "3,2026-11-13,Check #1023,Ada,20.00",
    );
    expect(openIn(file, asked)).toEqual(["tender:check"]);
    expect(leftOutOf(file, { ...asked, answers: { "tender:check": "elsewhere" } })).toHaveLength(2);
  });
  it("is a tax that is more than one on a fee can be", () => {
    const file = (tax: string, net: string): string =>
      list(
        "Date,Order,Gross,Sales Tax,Fee,Net",
        `2026-11-12,O1,100.00,-${tax},-10.00,${net}`,
        `2026-11-13,O2,100.00,-${tax},-10.00,${net}`,
      );
    expect(openIn(file("8.00", "82.00"), asked)).toContain("column:Sales Tax");
    expect(openIn(file("1.90", "88.10"), asked)).toEqual([]);
  });
});

describe("when something was answered", () => {
  it("is no answer, whatever its column is called", () => {
    const file = list(
      "Effective,Name,Amount,Result,Result Date",
      "2026-11-12,Fernhill,100.00,Cleared,2026-11-13",
      "2026-11-12,Dara,50.00,Cleared,2026-11-14",
    );
    expect(openIn(file, asked)).toEqual([]);
  });
});

describe("lines whose sums come to another by chance", () => {
  it("stay lines where no word says that one is of several", () => {
    const file = (head: string, one: string): string =>
      list(
        `Txn,Date,${head},Amount,Customer`,
        `1,2026-11-12,${one},150.00,Ada`,
        "2,2026-11-12,shop,100.00,Ben",
        "3,2026-11-12,shop,50.00,Cleo",
      );
    expect(leftOutOf(file("Channel", "web"), asked)).toEqual([]);
    expect(leftOutOf(file("Group", "A"), asked)).toEqual([]);
    expect(leftOutOf(file("Line", "BATCH"), asked)).toEqual(["2 heading"]);
  });
});

describe("what a file is", () => {
  it.each([
    ["customer_id,name,email\n1,A,b@c.example\n", "customers"],
    ["Invoice no,Customer no,Invoice date,Amount,Amount due\n1,2,1/2/2026,3,3\n", "invoices"],
    ["Id,Type,Date,Gross,Fee,Net\n1,Charge,1/2/2026,3,0,3\n", "processor"],
    ["Date,Description,Amount,Balance\n1/2/2026,RENT,-3,4\n", "bank"],
    ["Date,Description,Amount\n1/2/2026,RENT,-3\n", "bank"],
    [
      "Payout ID,Created,Arrival date,Amount,Fees,Net\npo_1,2026-11-03,2026-11-05,9.00,1.00,8.00\n",
      "processor",
    ],
    ["Refund id,Date refunded,Refund amount,Customer\nre_1,2026-11-03,9.00,Ada\n", "processor"],
    ["Date,Payment,Received,From\n2026-11-02,T-88101,400.29,Ada\n", "processor"],
    ["Customer ID,Customer Name,Ship To,Credit Hold\nK1,Marsh End,Dock,N\n", "customers"],
    ["Account,Name,Type,Email,Balance\nA1,Ada,Customer,a@b.example,100.00\n", "customers"],
    ["Check,Check date,Payer,Invoice,Paid\n55120,2026-11-12,Ada,9001,9.00\n", "remittance"],
  ])("%j is likeliest %s, or surely", (text, kind) => {
    const { sure, possible } = kindsIn(text);
    expect(sure ?? possible[0]).toBe(kind);
  });
});

describe("what is bought and paid with a card of ours", () => {
  it("is no activity of a processor: its charges go both ways", () => {
    const card = list(
      "Type,Trans Date,Post Date,Description,Amount",
      "Sale,2026-11-13,2026-11-14,KILN PARTS DEPOT,-145.20",
      "Payment,2026-11-15,2026-11-15,Payment received,2000.00",
      "Fee,2026-11-16,2026-11-16,ANNUAL MEMBERSHIP,-95.00",
    );
    expect(kindsIn(card).sure).toBeNull();
    const account = list(
      "Date,Type,Description,Amount,Fee,Balance",
      "2026-11-13,Payment,Payment from Harbor Kiln,2100.00,0.00,6100.00",
      "2026-11-14,Payment,To Clay Supply,-350.25,5.00,5744.75",
    );
    expect(kindsIn(account).sure).toBe("bank");
  });
});
