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
