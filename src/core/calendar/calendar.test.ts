import fc from "fast-check";

import {
  addBankingDays,
  addDays,
  addMonths,
  bankingDaysBetween,
  day,
  daysBetween,
  discountOn,
  dueDay,
  endOfMonth,
  formatDay,
  isBankHoliday,
  isBankingDay,
  parseDay,
  parseTerms,
  weekday,
  type Day,
  type DayOrder,
  type Terms,
  momentInZone,
} from ".";

const terms = (text: string): Terms => {
  const read = parseTerms(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};

describe("moments", () => {
  // The zones' rules are those of the IANA database: Chicago is UTC-6 in winter, UTC-5 in summer.
  it.each([
    ["2026-11-25T03:03:10.000Z", "America/Chicago", "2026-11-24 21:03:10"],
    ["2026-07-01T04:59:59.999Z", "America/Chicago", "2026-06-30 23:59:59"],
    ["2026-07-01T05:00:00.000Z", "America/Chicago", "2026-07-01 00:00:00"],
    ["2026-11-24T23:30:00.000Z", "Europe/Berlin", "2026-11-25 00:30:00"],
    ["2026-11-24T12:00:00.000Z", "UTC", "2026-11-24 12:00:00"],
  ])("%s in %s is %s", (at, zone, expected) => expect(momentInZone(at, zone)).toBe(expected));
});

describe("bank holidays (Federal Reserve Banks' holiday schedule, values from memory)", () => {
  const schedule: Record<number, string[]> = {
    2026: [
      "01-01",
      "01-19",
      "02-16",
      "05-25",
      "06-19",
      "09-07",
      "10-12",
      "11-11",
      "11-26",
      "12-25",
    ],
    2027: ["01-01", "01-18", "02-15", "05-31", "07-05", "09-06", "10-11", "11-11", "11-25"],
    2028: ["01-17", "02-21", "05-29", "06-19", "07-04", "09-04", "10-09", "11-23", "12-25"],
    2029: [
      "01-01",
      "01-15",
      "02-19",
      "05-28",
      "06-19",
      "07-04",
      "09-03",
      "10-08",
      "11-12",
      "11-22",
      "12-25",
    ],
    2030: [
      "01-01",
      "01-21",
      "02-18",
      "05-27",
      "06-19",
      "07-04",
      "09-02",
      "10-14",
      "11-11",
      "11-28",
      "12-25",
    ],
  };
  it.each([2026, 2027, 2028, 2029, 2030])("%i has these weekdays closed and no others", (year) => {
    const closed: string[] = [];
    for (let at = day(`${year}-01-01`); at <= day(`${year}-12-31`); at = addDays(at, 1))
      if (isBankHoliday(at)) closed.push(at.slice(5));
    expect(closed).toEqual(schedule[year]);
  });
  it("leaves the Friday before a holiday on a Saturday open", () => {
    expect(
      ["2026-07-03", "2027-06-18", "2027-12-24"].map((text) => isBankingDay(day(text))),
    ).toEqual([true, true, true]);
    expect(isBankingDay(day("2026-07-04"))).toBe(false);
  });
});

describe("banking days", () => {
  it("steps over weekends and holidays", () => {
    expect(addBankingDays(day("2026-11-25"), 1)).toBe("2026-11-27");
    expect(addBankingDays(day("2026-11-28"), 0)).toBe("2026-11-30");
    expect(addBankingDays(day("2026-11-30"), -2)).toBe("2026-11-25");
    expect(bankingDaysBetween(day("2026-11-20"), day("2026-11-30"))).toBe(5);
  });
  it("counts what it adds", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3000 }),
        fc.integer({ min: 1, max: 40 }),
        (from, count) => {
          const start = addBankingDays(addDays(day("2024-01-01"), from), 0);
          expect(bankingDaysBetween(start, addBankingDays(start, count))).toBe(count);
          expect(addBankingDays(addBankingDays(start, count), -count)).toBe(start);
        },
      ),
    );
  });
});

describe("dates as they are written", () => {
  it.each<[string, DayOrder, string]>([
    ["2026-11-24", "mdy", "2026-11-24"],
    ["11/24/2026", "mdy", "2026-11-24"],
    ["24.11.26", "dmy", "2026-11-24"],
    ["20261124", "ymd", "2026-11-24"],
    ["2026-11-24T09:30:00Z", "ymd", "2026-11-24"],
    ["2/29/2028", "mdy", "2028-02-29"],
    ["1/2/2026 14:05", "dmy", "2026-02-01"],
  ])("%s in order %s", (text, order, expected) => {
    expect(parseDay(text, order)).toEqual({ ok: true, value: expected });
  });
  it.each<[string, DayOrder, string]>([
    ["2026-02-31", "ymd", "day.impossible"],
    ["31.02.2026", "dmy", "day.impossible"],
    ["13/13/2026", "mdy", "day.impossible"],
    ["soon", "ymd", "day.unreadable"],
    ["", "ymd", "day.empty"],
    ["11/24/2026", "ymd", "day.unreadable"],
  ])("%s in order %s is refused", (text, order, code) => {
    const read = parseDay(text, order);
    expect(!read.ok && read.error.code).toBe(code);
  });
  it("agrees with the engine's own dates on distance and weekday", () => {
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 20_000 }), (count) => {
        const from = day("2000-02-28");
        const to = addDays(from, count);
        expect(daysBetween(from, to)).toBe(count);
        expect(weekday(to) % 7).toBe(new Date(`${to}T00:00:00Z`).getUTCDay());
      }),
    );
  });
  it("keeps to the month's end, and names days in words", () => {
    expect([
      addMonths(day("2026-01-31"), 1),
      endOfMonth(day("2028-02-03")),
      formatDay(day("2026-11-24")),
      formatDay(day("2025-11-24"), day("2026-01-01")),
    ]).toEqual(["2026-02-28", "2028-02-29", "Tue 24 Nov", "Mon 24 Nov 2025"]);
  });
});

describe("banking days between", () => {
  it.each<[string, string, number]>([
    ["2026-11-20", "2026-11-20", 0],
    ["2026-11-20", "2026-11-23", 1],
    ["2026-11-23", "2026-11-20", -1],
    // Thanksgiving lies between.
    ["2026-11-24", "2026-11-30", 3],
    ["2026-11-30", "2026-11-24", -3],
  ])("%s and %s: %d", (from, to, count) =>
    expect(bankingDaysBetween(from as Day, to as Day)).toBe(count),
  );
  it("Juneteenth is kept since 2021", () =>
    expect([
      isBankHoliday(day("2020-06-19")),
      isBankHoliday(day("2023-06-19")),
      isBankHoliday(day("2021-06-18")),
    ]).toEqual([false, true, false]));
});

describe("payment terms (common practice, no source)", () => {
  it.each([
    ["n/30", "2026-01-31", "2026-03-02"],
    ["2/10 n/30", "2026-11-01", "2026-12-01"],
    ["n/0", "2026-11-24", "2026-11-24"],
    ["due on receipt", "2026-11-24", "2026-11-24"],
    ["n/eom", "2026-02-03", "2026-02-28"],
    ["n/31st", "2026-01-05", "2026-02-28"],
    ["net 15", "2026-11-24", "2026-12-09"],
    ["eom/15", "2026-11-24", "2026-12-15"],
    ["eom/0", "2026-02-03", "2026-02-28"],
    ["2/10 eom/30", "2026-01-31", "2026-03-02"],
    ["day/10", "2026-11-09", "2026-11-10"],
    ["day/10", "2026-11-10", "2026-12-10"],
    ["day/31", "2026-01-31", "2026-02-28"],
    ["day/31", "2026-02-27", "2026-02-28"],
    ["now", "2026-11-24", "2026-11-24"],
    // 26 November 2026 is Thanksgiving, 28 November a Saturday, 1 January a holiday.
    ["n/2, banking day", "2026-11-24", "2026-11-27"],
    ["n/4 banking day", "2026-11-24", "2026-11-30"],
    ["2/10 eom/1 banking day", "2026-12-05", "2027-01-04"],
    ["n/1 Banking Day", "2026-11-24", "2026-11-25"],
  ])("%s from %s falls due on %s", (text, issued, due) => {
    expect(dueDay(issued as Day, terms(text))).toBe(due);
  });
  it.each<[string, string, number, ReturnType<typeof discountOn>]>([
    ["2/10 n/30", "2026-11-11", 0, { percent: "2", inTime: true }],
    ["2/10 n/30", "2026-11-12", 0, { percent: "2", inTime: false }],
    ["2/10 n/30", "2026-11-13", 2, { percent: "2", inTime: true }],
    ["n/30", "2026-11-02", 9, null],
    ["3/5 2/10 n/30", "2026-11-06", 0, { percent: "3", inTime: true }],
    ["3/5, 2/10, n/30", "2026-11-07", 0, { percent: "2", inTime: true }],
    ["2/10 3/5 n/30", "2026-11-06", 0, { percent: "3", inTime: true }],
    ["3/5 2/10 n/30", "2026-11-12", 0, { percent: "2", inTime: false }],
    ["3/5 2/10 n/30", "2026-11-12", 1, { percent: "2", inTime: true }],
  ])("%s of 1 November, paid on %s with %d days of grace", (text, paid, grace, offered) => {
    expect(discountOn(day("2026-11-01"), terms(text), day(paid), grace)).toEqual(offered);
  });
  it.each([
    "30 days",
    "n/45th",
    "",
    "2/10",
    "day/0",
    "day/32",
    "eom/",
    "2/10 2/10 n/30",
    "banking day",
    "soon, banking day",
  ])("“%s” are none", (text) => expect(parseTerms(text).ok).toBe(false));
  it.each<[string, string]>([
    ["soon", "soon"],
    [" Soon ", "Soon"],
    ["n/32nd", "n/32nd"],
    ["n/0th", "n/0th"],
    [" N/40TH ", "N/40TH"],
    ["2/10 3/10 n/30", "2/10 3/10 n/30"],
    ["soon, banking day", "soon, banking day"],
    ["xn/30", "xn/30"],
    ["n/30x", "n/30x"],
    ["xeom/15", "xeom/15"],
    ["eom/1512", "eom/1512"],
    ["day/0", "day/0"],
    ["day/32", "day/32"],
    ["know", "know"],
    ["now or later", "now or later"],
    ["n/x15th", "n/x15th"],
  ])("“%s” is told as it was written", (text, told) =>
    expect(parseTerms(text)).toEqual({
      ok: false,
      error: { code: "terms.unreadable", text: told },
    }),
  );
  it.each<[string, Terms]>([
    ["n/1st", { due: { by: "day-of-month", day: 1 }, discounts: [] }],
    ["n/31st", { due: { by: "day-of-month", day: 31 }, discounts: [] }],
    ["day/1", { due: { by: "next-day", day: 1 }, discounts: [] }],
    ["day / 31", { due: { by: "next-day", day: 31 }, discounts: [] }],
    ["EOM / 120", { due: { by: "end-of-month", plus: 120 }, discounts: [] }],
    [
      "10.25 / 10, n/30",
      { due: { by: "days", days: 30 }, discounts: [{ percent: "10.25", days: 10 }] },
    ],
    [
      "1/20 2/10 n/30, banking day",
      {
        due: { by: "days", days: 30 },
        discounts: [
          { percent: "2", days: 10 },
          { percent: "1", days: 20 },
        ],
        banking: true,
      },
    ],
  ])("“%s” are read whole", (text, expected) => {
    expect(parseTerms(text)).toEqual({ ok: true, value: expected });
    // The same words say the same a second time.
    expect(parseTerms(text)).toEqual({ ok: true, value: expected });
  });
});
