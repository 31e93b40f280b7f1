import fc from "fast-check";
import { Temporal } from "temporal-polyfill";

import { addMonths, day, endOfMonth, parseDay } from "./dates";
import { addDays, type Day, type DayOrder, earlierFirst, formatDay, formatDayAs } from "./day";

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

describe("a written date", () => {
  const read = (text: string, order: DayOrder): object => {
    const found = parseDay(text, order);
    return found.ok ? { day: found.value } : found.error;
  };
  it.each<[string, DayOrder, object]>([
    ["2026-11-24", "ymd", { day: "2026-11-24" }],
    ["2026/11/4", "mdy", { day: "2026-11-04" }],
    ["20261124", "dmy", { day: "2026-11-24" }],
    ["2026-11-24T23:10:00Z", "ymd", { day: "2026-11-24" }],
    ["2026-11-24 23:10", "dmy", { day: "2026-11-24" }],
    ["11/24/2026, 3:20 PM", "mdy", { day: "2026-11-24" }],
    ["24.11.26 08:00", "dmy", { day: "2026-11-24" }],
    ["1-2-26", "dmy", { day: "2026-02-01" }],
    ["1-2-26", "mdy", { day: "2026-01-02" }],
    ["01.02.0026", "dmy", { code: "day.range", text: "01.02.0026" }],
    [" 2026-11-24 ", "ymd", { day: "2026-11-24" }],
    ["1899-12-31", "ymd", { code: "day.range", text: "1899-12-31" }],
    ["1900-01-01", "ymd", { day: "1900-01-01" }],
    ["2199-12-31", "ymd", { day: "2199-12-31" }],
    ["2200-01-01", "ymd", { code: "day.range", text: "2200-01-01" }],
    ["", "ymd", { code: "day.empty" }],
    ["  ", "mdy", { code: "day.empty" }],
    ["x2026-11-24", "ymd", { code: "day.unreadable", text: "x2026-11-24", order: "ymd" }],
    ["2026-11-24x", "ymd", { code: "day.unreadable", text: "2026-11-24x", order: "ymd" }],
    ["x20261124", "ymd", { code: "day.unreadable", text: "x20261124", order: "ymd" }],
    ["202611245", "ymd", { code: "day.unreadable", text: "202611245", order: "ymd" }],
    ["x1/2/2026", "mdy", { code: "day.unreadable", text: "x1/2/2026", order: "mdy" }],
    ["1/2/2026x", "mdy", { code: "day.unreadable", text: "1/2/2026x", order: "mdy" }],
    ["1/2/2026", "ymd", { code: "day.unreadable", text: "1/2/2026", order: "ymd" }],
    ["31/02/2026", "dmy", { code: "day.impossible", text: "31/02/2026", order: "dmy" }],
    ["24/11/2026", "mdy", { code: "day.impossible", text: "24/11/2026", order: "mdy" }],
  ])("%j in the order %s", (text, order, expected) => expect(read(text, order)).toEqual(expected));
  it("says of a text that is none what it was", () =>
    expect(() => day("2026-02-31")).toThrow("2026-02-31 is no day."));
});

describe("days as text and number", () => {
  const [early, late] = [day("2026-11-09"), day("2026-11-24")];
  it("sort by which is earlier", () => {
    expect([late, early, late].sort(earlierFirst)).toEqual([early, late, late]);
    expect([
      earlierFirst(early, late),
      earlierFirst(late, early),
      earlierFirst(late, late),
    ]).toEqual([-1, 1, 0]);
  });
  it("are written in each order", () =>
    expect([
      formatDayAs(early, "ymd"),
      formatDayAs(early, "mdy"),
      formatDayAs(early, "dmy"),
    ]).toEqual(["2026-11-09", "11/09/2026", "09.11.2026"]));
  it("tell their weekday, and their year only where it is another", () => {
    const week = [0, 1, 2, 3, 4, 5, 6].map((more) => formatDay(addDays(day("2026-11-23"), more)));
    expect(week.join(", ")).toBe(
      "Mon 23 Nov, Tue 24 Nov, Wed 25 Nov, Thu 26 Nov, Fri 27 Nov, Sat 28 Nov, Sun 29 Nov",
    );
    expect([
      formatDay(early, late),
      formatDay(early, day("2027-11-09")),
      formatDay(day("2025-11-24"), late),
      formatDay(early),
    ]).toEqual(["Mon 9 Nov", "Mon 9 Nov 2026", "Mon 24 Nov 2025", "Mon 9 Nov"]);
  });
});
