import fc from "fast-check";

import { addDays, day, formatDay, readTypedDay, shownDay, weekday } from "./index";

/** A Tuesday. */
const TODAY = day("2026-11-24");
const read = (text: string, order: "mdy" | "dmy" = "mdy"): string => {
  const found = readTypedDay(text, TODAY, order);
  return found.ok ? found.value : found.error.code;
};

describe("a day as it is typed", () => {
  it.each([
    ["today", "2026-11-24"],
    [" Today ", "2026-11-24"],
    ["yesterday", "2026-11-23"],
    ["tomorrow", "2026-11-25"],
    ["+3", "2026-11-27"],
    ["+ 3", "2026-11-27"],
    ["-2", "2026-11-22"],
    ["+40", "2027-01-03"],
  ])("from today on: %s is %s", (text, expected) => expect(read(text)).toBe(expected));

  it.each([
    ["wed", "2026-11-25"],
    ["Friday", "2026-11-27"],
    ["mon", "2026-11-30"],
    ["thurs", "2026-11-26"],
    // Today is no Tuesday to come.
    ["tue", "2026-12-01"],
  ])("the next of a weekday: %s is %s", (text, expected) => expect(read(text)).toBe(expected));

  it.each([
    ["Wed 11 Nov", "2026-11-11"],
    ["11 nov", "2026-11-11"],
    ["11. Nov.", "2026-11-11"],
    ["Nov 11", "2026-11-11"],
    ["Tue Nov 24", "2026-11-24"],
    ["november 11, 2025", "2025-11-11"],
    ["Tue 11 Nov 2025", "2025-11-11"],
    ["Wed, 11 Nov", "2026-11-11"],
    // No year is said: January is the one to come, June the one that was (161 days to 204).
    ["5 Jan", "2027-01-05"],
    ["16 Jun", "2026-06-16"],
  ])("as the page writes it: %s is %s", (text, expected) => expect(read(text)).toBe(expected));

  it.each([
    ["11/12", "2026-11-12", "2026-12-11"],
    ["12/31", "2026-12-31", "day.impossible"],
    ["1/5", "2027-01-05", "2027-05-01"],
    ["11/12/25", "2025-11-12", "2025-12-11"],
    ["11/12/2025", "2025-11-12", "2025-12-11"],
    ["2026-11-05", "2026-11-05", "2026-11-05"],
    ["20261105", "2026-11-05", "2026-11-05"],
  ])("in figures: %s is %s, or %s where the day stands first", (text, mdy, dmy) =>
    expect([read(text), read(text, "dmy")]).toEqual([mdy, dmy]),
  );

  it.each([
    ["", "day.empty"],
    ["   ", "day.empty"],
    ["31 Nov", "day.impossible"],
    ["29 Feb 2026", "day.impossible"],
    ["2/30", "day.impossible"],
    ["13/13", "day.impossible"],
    ["soon", "day.unreadable"],
    ["11 foo", "day.unreadable"],
    ["su", "day.unreadable"],
    ["+", "day.unreadable"],
  ])("or it is refused: %s, %s", (text, expected) => expect(read(text)).toBe(expected));

  it("29 February without a year is the leap day near enough, or none", () => {
    expect(read("29 Feb")).toBe("day.impossible");
    const found = readTypedDay("29 Feb", day("2027-11-24"));
    expect(found.ok && found.value).toBe("2028-02-29");
  });
});

describe("what a field shows", () => {
  const anyDay = fc.integer({ min: -20_000, max: 20_000 }).map((count) => addDays(TODAY, count));

  it("is read back as the same day, whatever day it is", () => {
    fc.assert(
      fc.property(anyDay, anyDay, (of, today) => {
        const found = readTypedDay(shownDay(of, today), today);
        return found.ok && found.value === of;
      }),
    );
  });
  it("is read back with its year in every case", () => {
    fc.assert(
      fc.property(anyDay, (of) => {
        const found = readTypedDay(`${formatDay(of)} ${of.slice(0, 4)}`, TODAY);
        return found.ok && found.value === of;
      }),
    );
  });
  it("has the next weekday within a week, and never today", () => {
    fc.assert(
      fc.property(
        anyDay,
        fc.constantFrom("mon", "tue", "wed", "thu", "fri", "sat", "sun"),
        (today, word) => {
          const found = readTypedDay(word, today);
          if (!found.ok) return false;
          const ahead = [1, 2, 3, 4, 5, 6, 7].map((count) => addDays(today, count));
          const wanted = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"].indexOf(word) + 1;
          return ahead.includes(found.value) && weekday(found.value) === wanted;
        },
      ),
    );
  });
  it("has its year only where another one would be meant without", () => {
    expect(shownDay(day("2026-11-11"), TODAY)).toBe("Wed 11 Nov");
    expect(shownDay(day("2027-01-05"), TODAY)).toBe("Tue 5 Jan");
    expect(shownDay(day("2026-01-05"), TODAY)).toBe("Mon 5 Jan 2026");
  });
  it("is nothing where there is no day", () => expect(shownDay("", TODAY)).toBe(""));
});
