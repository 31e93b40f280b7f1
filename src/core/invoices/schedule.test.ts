import fc from "fast-check";

import { addDays, day, daysBetween, UNITS } from "@/core/calendar";
import { currencyOf } from "@/core/money";

import { lineAmount } from "./line";
import { inPeriod, lineOfPeriod } from "./periodLines";
import { type Period, periodOf, periodsAhead, periodsDue, type Plan } from "./schedule";

const USD = currencyOf("USD")!;
const JPY = currencyOf("JPY")!;
const plan = (more: Partial<Plan> = {}): Plan => ({
  countedFrom: day("2026-11-01"),
  startsOn: day("2026-11-01"),
  every: { count: 1, unit: "month", monthEnd: false },
  until: null,
  times: null,
  ahead: 0,
  ...more,
});
const line = {
  quantity: "1",
  rate: "850",
  discountPercent: null,
  taxCode: null,
  description: "Rent",
};

describe("the periods of a schedule", () => {
  it("follow on from one another from its first day on", () => {
    expect(periodsAhead(plan(), 0, 3)).toEqual([
      { no: 0, from: "2026-11-01", to: "2026-11-30", days: 30, of: 30, writtenOn: "2026-11-01" },
      { no: 1, from: "2026-12-01", to: "2026-12-31", days: 31, of: 31, writtenOn: "2026-12-01" },
      { no: 2, from: "2027-01-01", to: "2027-01-31", days: 31, of: 31, writtenOn: "2027-01-01" },
    ]);
  });
  it("are a part of one where it begins or ends within it, and are written ahead", () => {
    const part = plan({ startsOn: day("2026-11-25"), until: day("2026-12-10"), ahead: 5 });
    expect(periodsAhead(part, 0, 9)).toEqual([
      { no: 0, from: "2026-11-25", to: "2026-11-30", days: 6, of: 30, writtenOn: "2026-11-20" },
      { no: 1, from: "2026-12-01", to: "2026-12-10", days: 10, of: 31, writtenOn: "2026-11-26" },
    ]);
  });
  it("end with their count, their last day, or never", () => {
    expect(periodsAhead(plan({ times: 2 }), 0, 9)).toHaveLength(2);
    expect(periodOf(plan({ until: day("2026-11-30") }), 1)).toBeNull();
    expect(periodOf(plan({ until: day("2026-12-01") }), 1)?.days).toBe(1);
    expect(periodOf(plan(), 500)?.from).toBe("2068-07-01");
  });
  it("are due on the day they are written, none before, all that were missed", () => {
    const numbers = (today: string): number[] =>
      periodsDue(plan({ ahead: 3 }), 0, day(today)).map(({ no }) => no);
    expect(numbers("2026-10-28")).toEqual([]);
    expect(numbers("2026-10-29")).toEqual([0]);
    expect(numbers("2027-01-28")).toEqual([0, 1, 2]);
    expect(numbers("2027-01-29")).toEqual([0, 1, 2, 3]);
    expect(periodsDue(plan(), 2, day("2027-01-31")).map(({ no }) => no)).toEqual([2]);
  });
  it("cover each day from the first once, whatever the plan", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 700 }),
        (unit, count, later, length) => {
          const startsOn = addDays(day("2026-08-31"), later);
          const until = addDays(startsOn, length);
          const periods = periodsAhead(
            plan({
              countedFrom: day("2026-08-31"),
              startsOn,
              until,
              every: { count, unit, monthEnd: false },
            }),
            0,
            2000,
          );
          expect(periods[0]?.from).toBe(startsOn);
          expect(periods.at(-1)?.to).toBe(until);
          for (const [at, { from, to, days, of }] of periods.entries()) {
            expect(days).toBe(daysBetween(from, to) + 1);
            expect(days <= of).toBe(true);
            expect(periods[at + 1]?.from ?? addDays(until, 1)).toBe(addDays(to, 1));
            if (at > 0 && at < periods.length - 1) expect(days).toBe(of);
          }
        },
      ),
    );
  });
});

describe("a line of a period", () => {
  const period = (days: number, of: number): Period => ({
    no: 0,
    from: day("2026-11-24"),
    to: day("2026-11-30"),
    days,
    of,
    writtenOn: day("2026-11-24"),
  });
  const as = { currency: USD, prorated: true, language: "en" };
  it("is the share of its days, to the cent, and says so", () => {
    // 850.00 x 7 / 31 = 191.935...
    expect(lineOfPeriod(line, period(7, 31), as)).toEqual({
      ...line,
      rate: "191.94",
      description: "Rent (7 of 31 days)",
    });
    expect(lineOfPeriod({ ...line, quantity: "2.5", rate: "-10.01" }, period(1, 3), as).rate).toBe(
      "-8.34",
    );
    expect(lineOfPeriod(line, period(7, 31), { ...as, currency: JPY }).rate).toBe("192");
  });
  it("is whole where the period is, or where parts are billed whole", () => {
    expect(lineOfPeriod(line, period(30, 30), as)).toEqual(line);
    expect(lineOfPeriod(line, period(7, 31), { ...as, prorated: false })).toEqual(line);
  });
  it("of all parts of a period comes to the whole but for a cent of each rounding", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10_000_000 }),
        fc.integer({ min: 2, max: 31 }),
        (cents, of) => {
          const whole = { ...line, rate: (cents / 100).toFixed(2) };
          const amounts = [1, of - 1].map((days) => {
            const amount = lineAmount(lineOfPeriod(whole, period(days, of), as), USD);
            return amount.ok ? amount.value : Number.NaN;
          });
          expect(Math.abs((amounts[0] ?? 0) + (amounts[1] ?? 0) - cents)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  it("says its month and days in the customer's language", () => {
    const words = "Rent {month}, {from} to {to}, {year} {other}";
    expect(inPeriod(words, period(7, 30), "en")).toBe(
      "Rent November 2026, Nov 24, 2026 to Nov 30, 2026, 2026 {other}",
    );
    expect(inPeriod("Miete {month}", period(7, 30), "de")).toBe("Miete November 2026");
    expect(inPeriod("Loyer {month}", period(7, 30), "fr")).toBe("Loyer novembre 2026");
  });
});
