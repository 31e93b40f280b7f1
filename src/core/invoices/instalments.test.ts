import fc from "fast-check";

import { addDays, day, type Day } from "@/core/calendar";
import { minor } from "@/core/money";

import { instalmentsOf, readPlan } from ".";

const ISSUED = day("2026-11-24") as Day;

/** Parts as `[due day, sum]`, or the code of the failure. */
function parts(text: string, total = 100_000): [Day, number][] | string {
  const plan = readPlan(text);
  if (!plan.ok) return plan.error.code;
  return instalmentsOf(plan.value, ISSUED, minor(total)).map(({ dueOn, sum }) => [dueOn, sum]);
}

describe("terms in parts", () => {
  // Worked by hand with a calendar.
  it.each([
    ["n/30", [["2026-12-24", 100_000]]],
    [
      "30% now; rest n/30",
      [
        ["2026-11-24", 30_000],
        ["2026-12-24", 70_000],
      ],
    ],
    [
      "30 % now + 40 % n/eom + 30 % eom/15",
      [
        ["2026-11-24", 30_000],
        ["2026-11-30", 40_000],
        ["2026-12-15", 30_000],
      ],
    ],
    [
      "33.333333% n/10;33.333333% n/20;Rest day/1",
      [
        // The cent that is left is the largest remainder's: the rest is 33.333334 %.
        ["2026-12-01", 33_334],
        ["2026-12-04", 33_333],
        ["2026-12-14", 33_333],
      ],
    ],
    [
      "50% 2/10 n/30; 50% n/60, banking day",
      [
        ["2026-12-24", 50_000],
        // 23 January 2027 is a Saturday.
        ["2027-01-25", 50_000],
      ],
    ],
  ])("%s", (text, expected) => {
    expect(parts(text)).toEqual(expected);
  });
  it("keeps a part's own terms, for its own discount", () => {
    const plan = readPlan("50% 2/10  n/30; rest n/60");
    expect(
      plan.ok && instalmentsOf(plan.value, ISSUED, minor(1000)).map(({ terms }) => terms),
    ).toEqual(["2/10 n/30", "n/60"]);
  });
  it.each([
    ["30% now; 60% n/30", "plan.percent"],
    ["30% now; 80% n/30", "plan.percent"],
    ["rest now; 50% n/30", "plan.percent"],
    ["100% now; rest n/30", "plan.percent"],
    ["0% now; rest n/30", "plan.percent"],
    ["now; n/30", "plan.percent"],
    ["30% soon; rest n/30", "terms.unreadable"],
    ["30% now;", "terms.unreadable"],
    ["soon", "terms.unreadable"],
    [Array.from({ length: 25 }, () => "4% n/30").join(";"), "plan.parts"],
  ])("refuses %s", (text, code) => {
    expect(parts(text)).toBe(code);
  });
  it("the parts make the total, in the order of their days, none of them nothing", () => {
    const weights = fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(weights, fc.integer({ min: 1, max: 10 ** 12 }), (percents, total) => {
        fc.pre(percents.reduce((sum, each) => sum + each, 0) < 100);
        const days = percents.map((_, at) => (at * 37) % 90);
        const text = [...percents.map((each, at) => `${each}% n/${days[at]}`), "rest n/95"].join(
          ";",
        );
        const made = parts(text, total) as [Day, number][];
        expect(made.reduce((sum, [, each]) => sum + each, 0)).toBe(total);
        expect(made.map(([dueOn]) => dueOn)).toEqual(made.map(([dueOn]) => dueOn).toSorted());
        // No part is further from its exact share than a cent.
        const shares = new Map<Day, number>();
        const count = (dueOn: Day, share: number): unknown =>
          shares.set(dueOn, (shares.get(dueOn) ?? 0) + share);
        percents.forEach((each, at) => count(addDays(ISSUED, days[at] ?? 0), (total * each) / 100));
        for (const [dueOn, sum] of made)
          if (shares.has(dueOn))
            expect(Math.abs(sum - (shares.get(dueOn) ?? 0))).toBeLessThan(1.01);
      }),
    );
  });
});
