import { leftOutOf, linesIn, list, openIn } from "../../../../../tests/support/readings";

describe("a payment and, below it, what it is made of", () => {
  const payments = (part: string): string =>
    list(
      "Date,Customer,Amount,Note",
      "2026-11-13,Ada,1540.00,",
      "2026-11-13,Ada,1240.00,inv 2101",
      `2026-11-13,${part},300.00,inv 2110`,
      "2026-11-14,Bo,310.00,inv 2107",
    );
  const asked = { kind: "processor" } as const;

  it("is asked about, and counts once where that was said", () => {
    expect(openIn(payments("Ada"), asked)).toEqual(["split"]);
    const as = (split: string): number =>
      linesIn("processor", payments("Ada"), { answers: { split } }).length;
    expect([as("leave"), as("count")]).toEqual([2, 4]);
    expect(leftOutOf(payments("Ada"), { ...asked, answers: { split: "leave" } })).toEqual([
      "3 part",
      "4 part",
    ]);
  });

  it("is none where another paid one of them, or a cent is missing", () => {
    expect(openIn(payments("Cy"), asked)).toEqual([]);
    expect(openIn(payments("Ada").replace("300.00", "299.99"), asked)).toEqual([]);
  });

  it("is none where each has an id of its own, but for those that go on from its own", () => {
    const withIds = (ids: readonly string[]): string =>
      list(
        "Id,Date,Customer,Amount",
        ...["1540.00", "1240.00", "300.00"].map((sum, at) => `${ids[at]},2026-11-13,Ada,${sum}`),
      );
    expect(openIn(withIds(["c1", "c2", "c3"]), asked)).toEqual([]);
    expect(openIn(withIds(["c1", "c1-1", "c1-2"]), asked)).toEqual(["split"]);
  });
});

describe("an invoice and its instalments, an advice and what it names", () => {
  it("are asked about", () => {
    const invoices = list(
      "Invoice,Customer,Date,Due,Amount,Open",
      "501,Ada,2026-10-13,2026-11-12,1240.00,1240.00",
      "501-1,Ada,2026-10-13,2026-11-12,620.00,620.00",
      "501-2,Ada,2026-10-13,2026-12-12,620.00,620.00",
    );
    expect(openIn(invoices, { kind: "invoices" })).toEqual(["split"]);
    expect(openIn(invoices.replaceAll("501-", "60"), { kind: "invoices" })).toEqual([]);
    const advice = list(
      "Payment,Date,Payer,Invoice,Amount",
      "P-1,2026-11-13,Ada,2101 2110,1540.00",
      "P-1,2026-11-13,Ada,2101,1240.00",
      "P-1,2026-11-13,Ada,2110,300.00",
    );
    expect(openIn(advice, { kind: "remittance" })).toEqual(["split"]);
    expect(openIn(advice.replace("2101 2110", "2099"), { kind: "remittance" })).toEqual([]);
  });
});
