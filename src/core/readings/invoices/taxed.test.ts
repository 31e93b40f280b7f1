import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";

/* Invoices with their tax apart, and what else is owed; made by hand, common practice, no source. */

const asked = { kind: "invoices" as const };
const sums = (text: string, answers: Record<string, string> = {}): (string | undefined)[] =>
  linesIn("invoices", text, { answers }).map((line) => line.split(" | ")[1]);

describe("invoices of which only what comes before the tax is said", () => {
  const file = (head: string, ...ends: string[]): string =>
    list(
      `Invoice,Customer,Date,Due,${head}`,
      `9001,Ada,2026-11-01,2026-12-01,100.00${ends[0] ?? ""}`,
      `9002,Bo,2026-11-02,2026-12-02,200.00${ends[1] ?? ""}`,
    );
  it("come to that and the tax beside it", () => {
    const taxed = file("Subtotal,Tax", ",8.00", ",16.00");
    const { questions } = readList(taxed, asked);
    expect(questions.map(({ key }) => key)).toEqual(["balance"]);
    expect(questions[0]?.choices[0]?.result).toBe("all of it: line 2 is open with 108.00");
    expect(sums(taxed, { balance: "total" })).toEqual(["108.00", "216.00"]);
  });
  it("are asked about where no column says the tax", () => {
    expect(openIn(file("Amount (excl. tax)"), asked)).toEqual(["taxed", "balance"]);
    expect(openIn(file("Amount (incl. tax)"), asked)).toEqual(["balance"]);
  });
});

it("what is owed for paying late is owed on top where that is said", () => {
  const file = list(
    "Invoice,Customer,Date,Due,Amount,Late fee",
    "9001,Ada,2026-09-01,2026-10-01,100.00,5.00",
    "9002,Bo,2026-11-02,2026-12-02,200.00,0.00",
  );
  expect(openIn(file, asked)).toEqual(["balance", "column:Late fee"]);
  expect(sums(file, { balance: "total", "column:Late fee": "owed" })).toEqual(["105.00", "200.00"]);
});

describe("what another column says of an invoice", () => {
  const file = (head: string, cell: string): string =>
    list(
      `Invoice,Customer,Date,Due,Amount,Open,${head}`,
      `9001,Ada,2026-09-01,2026-10-01,100.00,100.00,${cell}`,
      "9002,Bo,2026-11-02,2026-12-02,200.00,200.00,0",
    );
  const first = (text: string): string | undefined =>
    readList(text, asked).questions[0]?.choices[0]?.answer;
  it("is nothing where it counts the reminders", () => {
    for (const head of ["Mahnstufe", "Dunning level", "Reminders sent"])
      expect(openIn(file(head, "1"), asked)).toEqual([]);
  });
  it("is asked about where it is disputed, and owed sooner than not; void sooner not", () => {
    expect(first(file("Disputed", "1"))).toBe("leave");
    expect(first(file("Voided", "1"))).toBe("status");
  });
  it("is nothing where a day of payment stands beside what was paid of it", () => {
    const paid = list(
      "Invoice,Customer,Date,Due,Amount,Paid on,Paid amount",
      "9001,Ada,2026-11-01,2026-12-01,100.00,2026-11-10,40.00",
      "9002,Bo,2026-11-02,2026-12-02,200.00,,0.00",
    );
    expect(openIn(paid, asked)).toEqual([]);
    expect(sums(paid)).toEqual(["60.00", "200.00"]);
  });
});

it("customers that only names tell apart are found by those, whatever their column is called", () => {
  const file = list(
    "invoice_id,customer_name,created,due,amount,open",
    "9001,Ada,2026-09-01,2026-10-01,100.00,100.00",
  );
  expect(linesIn("invoices", file)[0]).toContain("Ada");
});

it("a document is by the sign of what is open of it what it is taken for first", () => {
  const firsts = (open: string): string | undefined =>
    readList(
      list("Type,Num,Name,Date,Due,Open", `Zorp,1,Ada,2026-11-01,2026-12-01,${open}`),
      asked,
    ).questions.find(({ key }) => key === "word:zorp")?.choices[0]?.answer;
  expect(["12.00", "-12.00", "0.00"].map(firsts)).toEqual(["invoice", "credit", "leave"]);
});
