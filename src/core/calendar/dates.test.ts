import fc from "fast-check";
import { Temporal } from "temporal-polyfill";

import { addMonths, day, endOfMonth, parseDay } from "./dates";
import type { Day } from "./day";

/** Days a book may hold, and the parts of ones that may not be. */
const days = fc
  .integer({ min: -25_567, max: 83_000 })
  .map((number) => new Date(number * 86_400_000).toISOString().slice(0, 10) as Day)
  .filter((on) => on >= "1900-01-01" && on <= "2199-12-31");
const parts = fc.tuple(
  fc.integer({ min: 1890, max: 2210 }),
  fc.integer({ min: 0, max: 14 }),
  fc.integer({ min: 0, max: 33 }),
);

const inCalendar = (year: number, month: number, dayOfMonth: number): boolean => {
  try {
    return (
      Temporal.PlainDate.from({ year, month, day: dayOfMonth }, { overflow: "reject" }) !== null
    );
  } catch {
    return false;
  }
};

// The reference is ECMA-262's Temporal in its polyfill: ISO 8601's calendar, constrained at the end of a month.
describe("days and months against Temporal", () => {
  it("the end of a month, and months later or earlier", () =>
    fc.assert(
      fc.property(days, fc.integer({ min: -400, max: 400 }), (on, months) => {
        const date = Temporal.PlainDate.from(on);
        expect(endOfMonth(on)).toBe(date.with({ day: date.daysInMonth }).toString());
        expect(addMonths(on, months)).toBe(date.add({ months }).toString());
      }),
    ));

  it("what is a day and what is none", () =>
    fc.assert(
      fc.property(parts, ([year, month, dayOfMonth]) => {
        const [mm, dd] = [month, dayOfMonth].map((part) => String(part).padStart(2, "0"));
        const text = `${year}-${mm}-${dd}`;
        const there = inCalendar(year, month, dayOfMonth);
        const read = parseDay(text, "ymd");
        const refusal = there ? "day.range" : "day.impossible";
        const expected = there && year >= 1900 && year <= 2199 ? text : { code: refusal };
        expect(read.ok ? read.value : { code: read.error.code }).toEqual(expected);
        if (there) expect(day(text)).toBe(text);
        else expect(() => day(text)).toThrow(RangeError);
      }),
    ));

  it.each(["2026-1-5", "26-01-05", "2026-01-05T10:00", "", "2026-01-05 "])(
    "%j is not written as days are kept",
    (text) => expect(() => day(text)).toThrow(RangeError),
  );
});
