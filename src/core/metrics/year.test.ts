import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";

import { cashIncome, creditAge } from ".";

describe("income on the cash basis (income when it is received: accounting textbooks)", () => {
  it("is what was paid less the tax in it, by month; what goes back is taken off in its own month", () => {
    const half = { total: minor(10_800), tax: minor(800) };
    expect(
      cashIncome([
        { on: day("2026-10-05"), amount: minor(5400), ...half },
        { on: day("2026-10-20"), amount: minor(5400), ...half },
        { on: day("2026-11-02"), amount: minor(-5400), ...half },
      ]),
    ).toEqual([
      { month: "2026-10", received: 10_800, income: 10_000, tax: 800 },
      { month: "2026-11", received: -5400, income: -5000, tax: -400 },
    ]);
  });
  it("income and tax make what was received, whatever is paid", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            day: fc.nat(400),
            amount: fc.integer({ min: -99_999, max: 99_999 }),
            total: fc.integer({ min: 1, max: 99_999 }),
            share: fc.nat(20),
          }),
        ),
        (all) => {
          for (const month of cashIncome(
            all.map(({ day: at, amount, total, share }) => ({
              on: addDays(day("2026-01-01"), at),
              amount: minor(amount),
              total: minor(total),
              tax: minor(Math.floor((total * share) / 100)),
            })),
          ))
            expect(month.income + month.tax).toBe(month.received);
        },
      ),
    );
  });
});

describe("credit on account by age", () => {
  it.each([
    [0, "to_90"],
    [90, "to_90"],
    [91, "to_365"],
    [365, "to_365"],
    [366, "to_1095"],
    [1095, "to_1095"],
    [1096, "over_1095"],
  ])("after %i days: %s", (days, age) =>
    expect(creditAge(addDays(day("2026-11-24"), -days), day("2026-11-24"))).toBe(age),
  );
});
