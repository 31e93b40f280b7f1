import fc from "fast-check";
import { RRuleTemporal } from "rrule-temporal";
import { Temporal } from "temporal-polyfill";

import { day } from "./dates";
import type { Day } from "./day";
import { type Every, occurrence, occurrenceBefore, UNITS } from "./recurrence";

const every = (unit: Every["unit"], count = 1, monthEnd = false): Every => ({
  count,
  unit,
  monthEnd,
});
const first = (of: Day, how: Every, many: number): Day[] =>
  Array.from({ length: many }, (_, at) => occurrence(of, how, at));

describe("what comes again", () => {
  // Worked by hand from a calendar of 2026 to 2028.
  it.each<[Every, string, string[]]>([
    [every("day", 10), "2026-12-25", ["2026-12-25", "2027-01-04", "2027-01-14"]],
    [every("week", 2), "2026-12-24", ["2026-12-24", "2027-01-07", "2027-01-21"]],
    [every("month"), "2027-01-31", ["2027-01-31", "2027-02-28", "2027-03-31", "2027-04-30"]],
    [every("month"), "2027-11-30", ["2027-11-30", "2027-12-30", "2028-01-30", "2028-02-29"]],
    [every("month", 1, true), "2027-02-28", ["2027-02-28", "2027-03-31", "2027-04-30"]],
    [every("quarter"), "2026-11-30", ["2026-11-30", "2027-02-28", "2027-05-30", "2027-08-30"]],
    [every("year"), "2028-02-29", ["2028-02-29", "2029-02-28", "2030-02-28", "2031-02-28"]],
    [every("year", 4), "2028-02-29", ["2028-02-29", "2032-02-29"]],
  ])("%j from %s", (how, from, days) => {
    expect(first(day(from), how, days.length)).toEqual(days);
  });

  it("is what the recurrence package gives (RFC 5545), where a month has the day", () => {
    const rules = {
      day: "DAILY",
      week: "WEEKLY",
      month: "MONTHLY",
      quarter: "MONTHLY",
      year: "YEARLY",
    };
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 0, max: 9000 }),
        fc.integer({ min: 1, max: 28 }),
        (unit, count, month, of) => {
          const from = Temporal.PlainDate.from("2000-01-01")
            .add({ months: month % 300 })
            .with({ day: of });
          const interval = unit === "quarter" ? count * 3 : count;
          const rule = new RRuleTemporal({
            rruleString: `DTSTART:${from.toString().replaceAll("-", "")}T000000Z\nRRULE:FREQ=${rules[unit]};INTERVAL=${interval};COUNT=8`,
          });
          expect(first(day(from.toString()), every(unit, count), 8)).toEqual(
            rule.all().map((moment) => moment.toPlainDate().toString()),
          );
        },
      ),
      { numRuns: 150 },
    );
  });

  it("on the last day of each month is what the package gives for BYMONTHDAY=-1", () => {
    const rule = new RRuleTemporal({
      rruleString: "DTSTART:20270131T000000Z\nRRULE:FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=30",
    });
    expect(first(day("2027-01-31"), every("month", 1, true), 30)).toEqual(
      rule.all().map((moment) => moment.toPlainDate().toString()),
    );
  });

  it("grows, and the time before a day is the latest that is not after it", () => {
    fc.assert(
      fc.property(
        fc.record({
          unit: fc.constantFrom(...UNITS),
          count: fc.integer({ min: 1, max: 7 }),
          monthEnd: fc.boolean(),
          index: fc.integer({ min: 0, max: 40 }),
          later: fc.integer({ min: 0, max: 27 }),
        }),
        ({ unit, count, monthEnd, index, later }) => {
          const how = every(unit, count, monthEnd && unit !== "day" && unit !== "week");
          const from = day("2026-08-31");
          const [at, next] = [occurrence(from, how, index), occurrence(from, how, index + 1)];
          expect(next > at).toBe(true);
          expect(occurrenceBefore(from, how, at)).toBe(index);
          const between = Temporal.PlainDate.from(at).add({ days: later }).toString() as Day;
          const found = occurrenceBefore(from, how, between);
          expect(occurrence(from, how, found) <= between).toBe(true);
          expect(occurrence(from, how, found + 1) > between).toBe(true);
        },
      ),
    );
    expect(occurrenceBefore(day("2026-08-31"), every("day"), day("2026-08-30"))).toBe(-1);
  });
});
