import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";

import { lateFeeOn, NO_FEE, type LateFeeRule } from ".";

const due = day("2026-09-15");
const item = { balance: minor(100_000), dueOn: due, chargedThrough: null };
const rule = (more: Partial<LateFeeRule>): LateFeeRule => ({ ...NO_FEE, ...more });

describe("late fees", () => {
  it.each<[string, Partial<LateFeeRule>, number, object | null]>([
    ["none where none is agreed", {}, 90, null],
    ["not within the days of grace", { kind: "fixed", fixed: minor(2500), grace: 10 }, 10, null],
    [
      "a fixed sum from the day after",
      { kind: "fixed", fixed: minor(2500), grace: 10 },
      11,
      { sum: 2500 },
    ],
    [
      "two whole months at 1.5 %",
      { kind: "monthly", percent: "1.5" },
      70,
      { sum: 3000, through: "2026-11-15" },
    ],
    ["no month yet", { kind: "monthly", percent: "1.5" }, 29, null],
    [
      "by the day of the year: 1,000.00 x 18 % x 73 / 365 = 36.00",
      { kind: "yearly", percent: "18" },
      73,
      { sum: 3600 },
    ],
    ["at least the least", { kind: "yearly", percent: "1", least: minor(500) }, 30, { sum: 500 }],
    ["at most the most", { kind: "monthly", percent: "10", most: minor(4000) }, 70, { sum: 4000 }],
  ])("%s", (_case, more, days, expected) => {
    const fee = lateFeeOn(item, rule(more), addDays(due, days));
    if (expected === null) expect(fee).toBeNull();
    else expect(fee).toMatchObject(expected);
  });
  it("are charged once for each time: a fixed one never again, months from where they ended", () => {
    expect(
      lateFeeOn(
        { ...item, chargedThrough: day("2026-10-01") },
        rule({ kind: "fixed", fixed: minor(2500) }),
        day("2026-12-01"),
      ),
    ).toBeNull();
    expect(
      lateFeeOn(
        { ...item, chargedThrough: day("2026-11-15") },
        rule({ kind: "monthly", percent: "1.5" }),
        day("2026-12-20"),
      ),
    ).toEqual({ sum: 1500, through: "2026-12-15" });
  });
  it("by the day come to the same in one go or in parts, within a cent for each part", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5_000_000 }),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 200 }),
        (balance, first, second) => {
          const yearly = rule({ kind: "yearly", percent: "12" });
          const [middle, end] = [addDays(due, first), addDays(due, first + second)];
          const of = (chargedThrough: typeof due | null, on: typeof due): number =>
            lateFeeOn({ balance: minor(balance), dueOn: due, chargedThrough }, yearly, on)?.sum ??
            0;
          expect(Math.abs(of(null, end) - of(null, middle) - of(middle, end))).toBeLessThanOrEqual(
            1,
          );
        },
      ),
    );
  });
});
