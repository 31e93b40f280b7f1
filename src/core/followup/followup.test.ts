import { day } from "@/core/calendar";
import { currencyOf, minor, type Currency } from "@/core/money";

import { DEFAULT_STEPS, isRunDay, nextRunDay, nextStep, promiseToday, waitInWords, waitsFor } from ".";

const USD = currencyOf("USD") as Currency;
const facts = { today: day("2026-11-24"), overdue: minor(50_000), credit: minor(0), smallest: minor(1000), maybeTheirs: [], disputed: minor(0), promise: null };

describe("the ladder (first steps around 15, 30 and 45 days, about twice a month: common practice, no source)", () => {
  it.each([[0, null, 1, "2026-10-02"], [1, "2026-10-05", 2, "2026-10-17"], [1, "2026-10-02", 2, "2026-10-16"], [2, "2026-10-20", 3, "2026-11-01"], [3, "2026-11-02", 4, "2026-11-15"], [4, "2026-11-20", 4, "2026-12-02"]])("after step %i on %s comes step %i on %s", (last, on, step, expected) => {
    const next = nextStep(day("2026-10-01"), last, on === null ? null : day(on));
    expect([next.step.step, next.on]).toEqual([step, expected]);
  });
  it("ends with a call", () => expect(DEFAULT_STEPS.at(-1)?.act).toBe("call"));
});

describe("what holds a reminder back", () => {
  it("nothing, where nothing does", () => expect(waitsFor(facts)).toEqual([]));
  it.each([
    ["a receipt not placed that may be theirs", { maybeTheirs: [{ receiptId: 3, amount: minor(29_607) }] }, "296.07 to match"],
    ["an ACH debit on its way", { onWay: { sum: minor(12_000), startedOn: day("2026-11-23") } }, "120.00 by ACH on its way since Mon 23 Nov"],
    ["files that are too old", { stale: { feed: "bank" as const, since: day("2026-11-10") } }, "a newer bank statement: the last came Tue 10 Nov"],
    ["a promise not yet due", { promise: { dueOn: day("2026-11-27"), sum: null } }, "promise, Fri 27 Nov"],
    ["a dispute", { disputed: minor(37_800) }, "dispute of 378.00 open"],
    ["no reminders until a day", { quietUntil: day("2026-12-01") }, "no reminders until Tue 1 Dec"],
    ["a credit that covers it", { credit: minor(50_000) }, "credit of 500.00 covers it"],
    ["a very small sum", { overdue: minor(999) }, "under 10.00"],
  ])("%s", (_case, more, words) => {
    expect(waitsFor({ ...facts, ...more }).map((wait) => waitInWords(wait, USD))).toEqual([words]);
  });
  it("a credit that does not cover it does not", () => expect(waitsFor({ ...facts, credit: minor(49_999) })).toEqual([]));
});

describe("promises to pay", () => {
  const whole = [{ dueOn: day("2026-11-06"), sum: minor(100_000) }];
  const came = (...paid: [string, number][]) => (to: string): number => paid.filter(([on]) => on <= to).reduce((so, [, sum]) => so + sum, 0);
  it.each([[100_000, "2026-11-05", "kept"], [99_999, "2026-11-06", "open"], [99_999, "2026-11-07", "broken"]])("%i paid by %s: %s", (paid, today, state) => expect(promiseToday(whole, came(["2026-11-05", paid]), day(today)).state).toBe(state));
  it("without a sum any payment keeps it", () => expect(promiseToday([{ dueOn: day("2026-11-06"), sum: null }], came(["2026-11-06", 1]), day("2026-11-09")).state).toBe("kept"));
  it("paid after its day is broken all the same", () => expect(promiseToday(whole, came(["2026-11-07", 100_000]), day("2026-11-09")).state).toBe("broken"));
  it.each<[string, [string, number][], string, string, string | null]>([
    ["the first part waits", [], "2026-05-01", "open", "2026-05-01"], ["the first part missed", [], "2026-05-02", "broken", "2026-05-01"], ["the first there, the second waits", [["2026-04-28", 10_000]], "2026-05-02", "open", "2026-06-01"],
    ["both paid at once", [["2026-04-28", 20_000]], "2026-05-02", "kept", null], ["the second missed", [["2026-04-28", 10_000], ["2026-06-02", 10_000]], "2026-06-02", "broken", "2026-06-01"], ["both in time", [["2026-05-01", 10_000], ["2026-06-01", 10_000]], "2026-07-01", "kept", null],
  ])("in two parts: %s", (_case, paid, today, state, next) => {
    // Written the other way round: parts are taken by their days.
    const found = promiseToday([{ dueOn: day("2026-06-01"), sum: minor(10_000) }, { dueOn: day("2026-05-01"), sum: minor(10_000) }], came(...paid), day(today));
    expect([found.state, found.next?.dueOn ?? null]).toEqual([state, next]);
  });
});

describe("runs by schedule", () => {
  // Banking days by the Federal Reserve's calendar: Thanksgiving is 26 November 2026.
  it.each([["a Thursday", [4], "2026-11-19", true], ["a holiday is not", [4], "2026-11-26", false], ["the day after it is", [4], "2026-11-27", true], ["the Friday after another Thursday is not", [4], "2026-11-20", false], ["Saturday moves to Monday", [6], "2026-11-23", true], ["Sunday itself is not", [7], "2026-11-22", false]] as const)("%s", (_case, weekdays, on, goes) => expect(isRunDay({ weekdays, hour: 9 }, day(on))).toBe(goes));
  it("name the next day, and none where no weekday is chosen", () => {
    expect([nextRunDay({ weekdays: [4], hour: 9 }, day("2026-11-24")), nextRunDay({ weekdays: [2, 5], hour: 9 }, day("2026-11-24")), nextRunDay({ weekdays: [], hour: 9 }, day("2026-11-24"))]).toEqual(["2026-11-27", "2026-11-24", null]);
  });
});
