import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";

import {
  agingOf,
  allowanceFor,
  averageDaysLate,
  bestPossibleDso,
  cashByWeek,
  cei,
  dso,
  latenessOf,
  mondayOf,
  UNKNOWN_HABIT,
} from ".";

describe("figures of collecting", () => {
  // Credit management handbooks (value from memory): 48,000 / 360,000 x 365 = 48.67.
  it("DSO", () => expect([dso(4_800_000, 36_000_000, 365), dso(1, 0, 365)]).toEqual([48.67, null]));
  // The part of it that is not due: the best that could be.
  it("best possible DSO", () => expect(bestPossibleDso(3_000_000, 36_000_000, 365)).toBe(30.42));
  // Credit Research Foundation (value from memory): (80,000 + 60,000 - 70,000) / (80,000 + 60,000 - 50,000) = 77.78.
  it("CEI", () =>
    expect([
      cei(8_000_000, 6_000_000, 7_000_000, 5_000_000),
      cei(0, 100, 0, 0),
      cei(0, 0, 0, 0),
    ]).toEqual([77.78, 100, null]));
  it("average days late, by sum", () =>
    expect([
      averageDaysLate([
        { amount: 300, daysLate: 10 },
        { amount: 100, daysLate: -2 },
      ]),
      averageDaysLate([]),
    ]).toEqual([7, null]));
});

describe("allowance for doubtful debts", () => {
  // Aging-of-receivables method (accounting textbooks; the pattern from memory): each bucket by its rate, summed.
  it("is each bucket by its rate", () => {
    const today = day("2026-11-24");
    const aging = agingOf(
      [
        ["2026-12-01", 1_000_000],
        ["2026-11-20", 200_000],
        ["2026-10-10", 50_000],
        ["2026-09-10", 30_000],
        ["2026-01-01", 10_000],
        ["2026-10-01", -2000],
      ].map(([dueOn, balance]) => ({ dueOn: day(String(dueOn)), balance: Number(balance) })),
      today,
    );
    expect(allowanceFor(aging)).toEqual({
      byBucket: { not_due: 10_000, d1_30: 6000, d31_60: 4800, d61_90: 7500, over_90: 5000 },
      sum: 33_300,
    });
    expect(allowanceFor(agingOf([{ dueOn: today, balance: -500 }], today)).sum).toBe(0);
  });
});

describe("cash to expect", () => {
  const today = day("2026-11-24");
  const item = (
    amount: number,
    dueOn: string,
    habit = { early: 0, middle: 7, late: 14 },
    promisedOn: string | null = null,
  ): Parameters<typeof cashByWeek>[0][number] => ({
    amount: minor(amount),
    dueOn: day(dueOn),
    habit,
    promisedOn: promisedOn === null ? null : day(promisedOn),
  });
  it("comes in the week in which its customer usually pays, or has promised to", () => {
    const weeks = cashByWeek(
      [item(1000, "2026-11-25"), item(500, "2026-11-30", UNKNOWN_HABIT, "2026-11-27")],
      today,
      4,
    );
    expect(weeks.map(({ from, expected, least, most }) => [from, expected, least, most])).toEqual([
      ["2026-11-23", 500, 500, 1500],
      ["2026-11-30", 1000, 0, 1000],
      ["2026-12-07", 0, 0, 0],
      ["2026-12-14", 0, 0, 0],
    ]);
  });
  it("that is late beyond its habit comes a week from now, or later", () => {
    expect(
      cashByWeek([item(1000, "2026-09-01")], today, 4).map(({ expected, most }) => [
        expected,
        most,
      ]),
    ).toEqual([
      [0, 1000],
      [1000, 1000],
      [0, 0],
      [0, 0],
    ]);
  });
  it("lies within its range, and no money comes twice", () => {
    const any = fc.record({
      amount: fc.integer({ min: 1, max: 100_000 }).map(minor),
      dueOn: fc.integer({ min: -90, max: 60 }).map((by) => addDays(today, by)),
      habit: fc
        .tuple(fc.integer({ min: -10, max: 10 }), fc.nat(20), fc.nat(30))
        .map(([early, more, most]) => ({ early, middle: early + more, late: early + more + most })),
      promisedOn: fc.constant(null),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (items) => {
        const weeks = cashByWeek(items, today, 12);
        for (const { least, expected, most } of weeks)
          expect(least <= expected && expected <= most && least >= 0).toBe(true);
        expect(weeks.reduce((sum, { expected }) => sum + expected, 0)).toBeLessThanOrEqual(
          items.reduce((sum, { amount }) => sum + amount, 0),
        );
      }),
    );
  });
  it("takes habits by quarters, and weeks from Monday", () => {
    expect([
      latenessOf([10, 0, -2, 4]),
      latenessOf([]),
      mondayOf(day("2026-11-29")),
      mondayOf(day("2026-11-23")),
    ]).toEqual([{ early: 0, middle: 4, late: 10 }, null, "2026-11-23", "2026-11-23"]);
  });
});
