import { day } from "@/core/calendar";

import { mendBy, retryOf, returnableUntil, returnCodeOf, returnRates } from ".";

// Nacha Operating Rules (return codes, return times, reinitiation, return rate levels, notification
// of change); values from memory.
describe("ACH return codes and their times (Nacha Operating Rules)", () => {
  it.each(["R01", "R02", "R03", "R04", "R08", "R09", "R16", "R20", "R29"])(
    "%s comes within two banking days of settlement",
    (code) => {
      // 25 Nov 2026 is a Wednesday, the 26th a holiday.
      expect(returnableUntil(code, day("2026-11-25"))).toBe("2026-11-30");
    },
  );
  it.each(["R05", "R07", "R10", "R11"])("%s may come 60 calendar days later", (code) =>
    expect(returnableUntil(code, day("2026-11-25"))).toBe("2027-01-24"),
  );
  it.each([
    ["R01", "funds"],
    ["R02", "account"],
    ["r03 ", "account"],
    ["R10", "unauthorized"],
    ["R23", "other"],
  ])("%s is known as %s", (code, kind) => expect(returnCodeOf(code)?.kind).toBe(kind));
  it("takes a code that nobody knows for two banking days", () =>
    expect([returnCodeOf("R99"), returnableUntil("R99", day("2026-11-25"))]).toEqual([
      undefined,
      "2026-11-30",
    ]));
});

describe("trying again (at most twice within 180 days, for R01 and R09)", () => {
  const settled = day("2026-11-02");
  it.each<[string, [string, number], string, object]>([
    ["want of funds", ["R01", 0], "2026-11-20", { may: true, until: "2027-05-01" }],
    [
      "uncollected funds, a second time",
      ["R09", 1],
      "2026-11-20",
      { may: true, until: "2027-05-01" },
    ],
    ["a third time", ["R01", 2], "2026-11-20", { may: false, why: "tries" }],
    ["on the last day", ["R01", 0], "2027-05-01", { may: true, until: "2027-05-01" }],
    ["after 180 days", ["R01", 0], "2027-05-02", { may: false, why: "days" }],
    ["a closed account", ["R02", 0], "2026-11-20", { may: false, why: "account" }],
    ["not authorized", ["R10", 0], "2026-11-20", { may: false, why: "unauthorized" }],
    ["payment stopped", ["R08", 0], "2026-11-20", { may: false, why: "code" }],
    ["no code", ["", 0], "2026-11-20", { may: false, why: "code" }],
  ])("%s", (_case, [code, tried], today, expected) =>
    expect(retryOf(code, tried, settled, day(today))).toEqual(expected),
  );
  it("an account is mended within six banking days of the notice", () =>
    expect(mendBy(day("2026-11-20"))).toBe("2026-12-01"));
});

describe("return rates against the limits (unauthorized 0.5 %, administrative 3 %, all 15 %)", () => {
  it("counts each return where it belongs, and all of them", () => {
    expect(returnRates(["R01", "R10", "R03", "R29", "R16"], 400)).toEqual([
      { name: "unauthorized", returns: 2, debits: 400, perMillion: 5000, limitPerMillion: 5000 },
      {
        name: "administrative",
        returns: 1,
        debits: 400,
        perMillion: 2500,
        limitPerMillion: 30_000,
      },
      { name: "all", returns: 5, debits: 400, perMillion: 12_500, limitPerMillion: 150_000 },
    ]);
    expect(returnRates([], 0).every(({ perMillion }) => perMillion === 0)).toBe(true);
  });
});
