import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";

/* Lists of invoices by hand, common practice, no source. */

describe("total, paid and balance beside one another", () => {
  const file = (balance: string): string =>
    list(
      "Invoice,Customer,Date,Due,Total,Paid,Balance due",
      "R1,Ada,2026-11-01,2026-12-01,100.00,40.00,60.00",
      `R2,Ben,2026-11-02,2026-12-02,80.00,30.00,${balance}`,
    );
  it("are proven where they agree", () => {
    expect(openIn(file("50.00"))).toEqual([]);
    expect(readList(file("50.00")).proofs).toContain(
      "total less paid is the balance on all 2 lines",
    );
  });
  it("are asked about where they do not: the balance counts, or what is left of the total", () => {
    expect(openIn(file("45.00"))).toEqual(["three"]);
    const sumOf = (three: string): string | undefined =>
      linesIn("invoices", file("45.00"), { answers: { three } })[1]?.split(" | ")[1];
    expect([sumOf("balance"), sumOf("rest")]).toEqual(["45.00", "50.00"]);
  });
});

it("what is kept back for a time is neither paid nor in the balance: asked", () => {
  const file = list(
    "Invoice,Customer,Date,Due,Work billed,Retainage held,Balance due now",
    "R1,Ada,2026-11-01,2026-12-01,8000.00,800.00,7200.00",
  );
  expect(openIn(file)).toEqual(["column:Retainage held"]);
  expect(linesIn("invoices", file, { answers: { "column:Retainage held": "open" } })).toEqual([
    "Sun 1 Nov | 8,000.00 | R1, due Tue 1 Dec | Ada",
  ]);
});

it("a state against the sum that is open is asked about: nobody who has paid is reminded", () => {
  const file = list(
    "Invoice,Customer,Date,Due,Status,Total,Balance",
    "R1,Ada,2026-11-01,2026-12-01,Paid,100.00,100.00",
    "R2,Ben,2026-11-02,2026-12-02,Overdue,40.00,0.00",
    "R3,Cy,2026-11-03,2026-12-03,Open,60.00,60.00",
    "R4,Di,2026-11-03,2026-12-03,Paid,70.00,0.00",
  );
  expect(openIn(file)).toEqual(["stands"]);
  const sums = (stands: string): (string | undefined)[] =>
    linesIn("invoices", file, { answers: { stands } }).map((line) => line.split(" | ")[1]);
  expect(sums("state")).toEqual(["0.00", "40.00", "60.00", "0.00"]);
  expect(sums("balance")).toEqual(["100.00", "0.00", "60.00", "0.00"]);
});

it("columns by age that do not come to what is open are asked about", () => {
  const file = (late: string): string =>
    list(
      "Invoice,Customer,Date,Due,Total,Current,1-30,31-60,Balance",
      "R1,Ada,2026-11-01,2026-12-01,100.00,100.00,,,100.00",
      `R2,Ben,2026-09-02,2026-10-02,90.00,,,${late},90.00`,
    );
  expect(openIn(file("90.00"))).toEqual([]);
  expect(openIn(file("80.00"))).toEqual(["ages"]);
});

it("a day on which an invoice was paid that is open whole is asked about", () => {
  const file = (balance: string): string =>
    list(
      "Invoice,Customer,Date,Due,Total,Balance,Paid on",
      "R1,Ada,2026-11-01,2026-12-01,100.00,100.00,",
      `R2,Ben,2026-11-02,2026-12-02,80.00,${balance},2026-11-20`,
    );
  expect(openIn(file("80.00"))).toEqual(["column:Paid on"]);
  expect(openIn(file("30.00"))).toEqual([]);
});
