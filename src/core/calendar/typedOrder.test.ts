import { day } from "./dates";
import { readTypedDay, typedOrderIn } from "./typed";

/** Countries and the order of day and month in their short dates: Unicode CLDR, dates in English. */
const CLDR = [
  ["US", "mdy"],
  ["GB", "dmy"],
  ["DE", "dmy"],
  ["FR", "dmy"],
  ["AU", "dmy"],
  ["IN", "dmy"],
  // The year comes first there, and the month before the day.
  ["JP", "mdy"],
  ["CA", "mdy"],
] as const;

describe("the order in which a country writes day and month", () => {
  it.each(CLDR)("%s: %s", (country, order) => expect(typedOrderIn(country)).toBe(order));
  it("is the month first where the country is not known", () => {
    for (const none of ["", "us", "USA", "1"]) expect(typedOrderIn(none)).toBe("mdy");
  });
  it("decides what figures mean, and nothing else", () => {
    const today = day("2026-11-24");
    expect(readTypedDay("3/12", today, typedOrderIn("GB"))).toEqual({
      ok: true,
      value: "2026-12-03",
    });
    expect(readTypedDay("3/12", today, typedOrderIn("US"))).toEqual({
      ok: true,
      value: "2027-03-12",
    });
    for (const country of ["GB", "US"])
      expect(readTypedDay("3 Dec", today, typedOrderIn(country))).toEqual({
        ok: true,
        value: "2026-12-03",
      });
  });
});
