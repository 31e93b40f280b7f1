import { Temporal } from "temporal-polyfill";

import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";
import { minutesAhead, zoneIn } from "./zoneNames";

/* Zones of times, as files name them; the book is in Chicago. */

const HEAD = "Id,Type,Date,Gross,Fee,Net";
const line = (day: string): string => `a1,Charge,${day},100.00,3.20,96.80`;
const dayOf = (file: string): string => linesIn("processor", file)[0]?.split(" | ")[0] ?? "";

describe("minutes ahead of UTC", () => {
  it("are those of an implementation of Temporal, in summer and winter and where they change", () => {
    for (const zone of ["America/New_York", "Europe/Berlin", "Australia/Lord_Howe", "Asia/Kolkata"])
      for (const day of ["2026-01-15", "2026-03-08", "2026-03-29", "2026-07-15", "2026-11-01"])
        for (const hour of [0, 6, 12, 23]) {
          const { offsetNanoseconds } = Temporal.PlainDateTime.from(
            `${day}T${String(hour).padStart(2, "0")}:30`,
          ).toZonedDateTime(zone);
          expect([zone, day, hour, minutesAhead(zone, day, hour * 60 + 30)]).toEqual([
            zone,
            day,
            hour,
            offsetNanoseconds / 60_000_000_000,
          ]);
        }
  });
  it("are the ones that are said", () =>
    expect(minutesAhead("-03:30", "2026-01-15", 0)).toBe(-210));
});

it.each([
  ["Eastern Time (US & Canada)", "America/New_York"],
  ["(UTC-06:00) Central Time", "-06:00"],
  ["Europe/Berlin", "Europe/Berlin"],
  ["Central European Time", "Europe/Berlin"],
  ["PT", "America/Los_Angeles"],
  ["UTC", "Etc/UTC"],
  ["Europe/Nowhere", null],
  ["our own", null],
])("%s is %s", (words, zone) => expect(zoneIn(words)).toBe(zone));

describe("a time just after midnight", () => {
  it.each([
    ["All times UTC", "Nov 18, 2026, 3:10 AM", "Tue 17 Nov"],
    ["Times are shown in Pacific Time", "11/17/2026 11:10 PM", "Wed 18 Nov"],
    ["Time zone: America/New_York", "2026-11-18 00:30", "Tue 17 Nov"],
    ["Time zone: America/Chicago", "2026-11-18 00:30", "Wed 18 Nov"],
    ["Report", "2026-11-18 00:30 America/New_York", "Tue 17 Nov"],
    ["Report", "11/18/2026 12:30 AM ET", "Tue 17 Nov"],
    ["Report", "11/17/2026 10:30 PM PST", "Wed 18 Nov"],
    ["Report", "11/18/2026 12:30 a.m. EST", "Tue 17 Nov"],
    ["Report", "18 Nov 2026 09:30 JST", "Tue 17 Nov"],
  ])("%s: %s is %s", (above, day, here) => {
    const file = list(above, "", HEAD, line(`"${day}"`));
    expect(openIn(file)).toEqual([]);
    expect(dayOf(file)).toBe(here);
  });
  it("in a column of zones, beside a time or a day with one", () => {
    const zone = "Eastern Time (US & Canada)";
    const beside = list(`${HEAD},Time,Time Zone`, `${line("2026-11-18")},00:30:00,${zone}`);
    const within = list(`${HEAD},Time Zone`, `${line("2026-11-18 00:30")},${zone}`);
    expect([dayOf(beside), dayOf(within)]).toEqual(["Tue 17 Nov", "Tue 17 Nov"]);
  });
  it("in a zone that nobody knows is refused", () =>
    expect(
      readList(list(HEAD, line("2026-11-18 00:30 QQT"))).refused.map(({ error }) => error.code),
    ).toEqual(["day.unreadable"]));
});
