import fc from "fast-check";

import {
  addDays,
  bankingDaysBetween,
  day,
  daysBetween,
  isBankingDay,
  weekday,
} from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import {
  DEFAULT_STEPS,
  isRunDay,
  nextRunDay,
  nextStep,
  promiseToday,
  waitInWords,
  waitsFor,
} from ".";

const USD = currencyOf("USD") as Currency;
const facts = {
  today: day("2026-11-24"),
  overdue: minor(50_000),
  credit: minor(0),
  smallest: minor(1000),
  maybeTheirs: [],
  disputed: minor(0),
  promise: null,
};

describe("the ladder (first steps around 15, 30 and 45 days, about twice a month: common practice, no source)", () => {
  it.each([
    [0, null, 1, "2026-10-02"],
    [1, "2026-10-05", 2, "2026-10-19"],
    [1, "2026-10-02", 2, "2026-10-16"],
    [2, "2026-10-20", 3, "2026-11-02"],
    [3, "2026-11-02", 4, "2026-11-16"],
    [4, "2026-11-20", 4, "2026-12-02"],
  ])("after step %i on %s comes step %i on %s", (last, on, step, expected) => {
    const next = nextStep({
      oldestDueOn: day("2026-10-01"),
      lastStep: last,
      lastWordOn: on === null ? null : day(on),
    });
    expect([next.step.step, next.on]).toEqual([step, expected]);
  });
  it("never falls on a weekend or a bank holiday, a broken promise neither", () => {
    for (const past of Array.from({ length: 400 }, (_, at) => at)) {
      const oldestDueOn = addDays(day("2025-11-01"), past);
      const { on } = nextStep({ oldestDueOn, lastStep: 0, lastWordOn: null });
      expect([on, isBankingDay(on)]).toEqual([on, true]);
    }
  });
  it("ends with a call", () => expect(DEFAULT_STEPS.at(-1)?.act).toBe("call"));
});

describe("what holds a reminder back", () => {
  it("nothing, where nothing does", () => expect(waitsFor(facts)).toEqual([]));
  it.each([
    [
      "a receipt not placed that may be theirs",
      { maybeTheirs: [{ receiptId: 3, amount: minor(29_607) }] },
      "296.07 to match",
    ],
    [
      "an ACH debit on its way",
      { onWay: { sum: minor(12_000), startedOn: day("2026-11-23") } },
      "120.00 by ACH on its way since Mon 23 Nov",
    ],
    [
      "files that are too old",
      { stale: { feed: "bank" as const, account: "Operating", to: day("2026-11-10"), silent: 0 } },
      "a newer bank statement of Operating: the last goes to Tue 10 Nov",
    ],
    [
      "a promise not yet due",
      { promise: { dueOn: day("2026-11-27"), sum: null } },
      "promise, Fri 27 Nov",
    ],
    [
      "a question that nobody has ended",
      { question: { on: day("2026-11-20"), number: "20533" } },
      "a question of Fri 20 Nov about 20533 is open",
    ],
    ["a dispute", { disputed: minor(37_800) }, "dispute of 378.00 open"],
    ["no reminders until a day", { quietUntil: day("2026-12-01") }, "no reminders until Tue 1 Dec"],
    ["a credit that covers it", { credit: minor(50_000) }, "credit of 500.00 covers it"],
    ["a very small sum", { overdue: minor(999) }, "under 10.00"],
  ])("%s", (_case, more, words) => {
    expect(waitsFor({ ...facts, ...more }).map((wait) => waitInWords(wait, USD))).toEqual([words]);
  });
  it("a credit that does not cover it does not", () =>
    expect(waitsFor({ ...facts, credit: minor(49_999) })).toEqual([]));
});

describe("promises to pay", () => {
  const whole = [{ dueOn: day("2026-11-06"), sum: minor(100_000) }];
  const came =
    (...paid: [string, number][]) =>
    (to: string): number =>
      paid.filter(([on]) => on <= to).reduce((so, [, sum]) => so + sum, 0);
  it.each([
    [100_000, "2026-11-05", "kept"],
    [99_999, "2026-11-06", "open"],
    [99_999, "2026-11-07", "broken"],
  ])("%i paid by %s: %s", (paid, today, state) =>
    expect(promiseToday(whole, came(["2026-11-05", paid]), day(today)).state).toBe(state),
  );
  it("without a sum any payment keeps it", () =>
    expect(
      promiseToday(
        [{ dueOn: day("2026-11-06"), sum: null }],
        came(["2026-11-06", 1]),
        day("2026-11-09"),
      ).state,
    ).toBe("kept"));
  it("paid after its day is broken all the same", () =>
    expect(promiseToday(whole, came(["2026-11-07", 100_000]), day("2026-11-09")).state).toBe(
      "broken",
    ));
  it.each<[string, [string, number][], string, [string, string | null]]>([
    ["the first part waits", [], "2026-05-01", ["open", "2026-05-01"]],
    ["the first part missed", [], "2026-05-02", ["broken", "2026-05-01"]],
    [
      "the first there, the second waits",
      [["2026-04-28", 10_000]],
      "2026-05-02",
      ["open", "2026-06-01"],
    ],
    ["both paid at once", [["2026-04-28", 20_000]], "2026-05-02", ["kept", null]],
    [
      "the second missed",
      [
        ["2026-04-28", 10_000],
        ["2026-06-02", 10_000],
      ],
      "2026-06-02",
      ["broken", "2026-06-01"],
    ],
    [
      "both in time",
      [
        ["2026-05-01", 10_000],
        ["2026-06-01", 10_000],
      ],
      "2026-07-01",
      ["kept", null],
    ],
  ])("in two parts: %s", (_case, paid, today, expected) => {
    // Written the other way round: parts are taken by their days.
    const found = promiseToday(
      [
        { dueOn: day("2026-06-01"), sum: minor(10_000) },
        { dueOn: day("2026-05-01"), sum: minor(10_000) },
      ],
      came(...paid),
      day(today),
    );
    expect([found.state, found.next?.dueOn ?? null]).toEqual(expected);
  });
});

describe("promises, day by day", () => {
  const start = day("2026-05-01");
  type Said = { parts: { after: number; sum: number }[]; paid: { after: number; sum: number }[] };
  const said = fc.record<Said>({
    parts: fc.uniqueArray(
      fc.record({ after: fc.integer({ min: 0, max: 40 }), sum: fc.integer({ min: 1, max: 500 }) }),
      { selector: ({ after }) => after, minLength: 1, maxLength: 4 },
    ),
    paid: fc.array(
      fc.record({ after: fc.integer({ min: 0, max: 60 }), sum: fc.integer({ min: 1, max: 600 }) }),
      { maxLength: 6 },
    ),
  });
  /** The slow way: money is laid by each evening; on the evening of a part its sum must lie there, and is taken. */
  function slowly({ parts, paid }: Said, today: number): { state: string; next: number | null } {
    let lies = 0;
    const left = [...parts].sort((a, b) => a.after - b.after);
    for (let evening = 0; evening <= today; evening += 1) {
      lies += paid
        .filter(({ after }) => after === evening)
        .reduce((sum, entry) => sum + entry.sum, 0);
      for (let first = left[0]; first && first.after <= evening; first = left[0]) {
        if (lies < first.sum)
          return evening < today || first.after < today
            ? { state: "broken", next: first.after }
            : { state: "open", next: first.after };
        lies -= first.sum;
        left.shift();
      }
    }
    // What is not due yet may be there already.
    for (let first = left[0]; first && lies >= first.sum; first = left[0]) {
      lies -= first.sum;
      left.shift();
    }
    return left[0] ? { state: "open", next: left[0].after } : { state: "kept", next: null };
  }
  it("stand as if each evening were looked at, for whatever parts and payments", () => {
    fc.assert(
      fc.property(said, fc.integer({ min: 0, max: 70 }), (entry, today) => {
        const found = promiseToday(
          entry.parts.map(({ after, sum }) => ({ dueOn: addDays(start, after), sum: minor(sum) })),
          (to) =>
            entry.paid
              .filter(({ after }) => addDays(start, after) <= to)
              .reduce((sum, paid) => sum + paid.sum, 0),
          addDays(start, today),
        );
        expect([
          found.state,
          found.next === null ? null : daysBetween(start, found.next.dueOn),
        ]).toEqual([slowly(entry, today).state, slowly(entry, today).next]);
      }),
      { numRuns: 400 },
    );
  });
});

describe("runs by schedule", () => {
  it("go once for each chosen weekday at the most, on banking days alone, never more than four days after it", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 1400 }),
        (weekdays, from) => {
          const rule = { weekdays, hour: 9 };
          const start = addDays(day("2025-01-01"), from);
          const next = nextRunDay(rule, start);
          expect(next !== null && isRunDay(rule, next) && isBankingDay(next)).toBe(true);
          for (let at = start; at < (next ?? start); at = addDays(at, 1))
            expect(isRunDay(rule, at)).toBe(false);
          // Between the chosen weekday and its run there is no banking day.
          for (let at = start; at < addDays(start, 14); at = addDays(at, 1)) {
            if (!weekdays.includes(weekday(at))) continue;
            const run = nextRunDay(rule, at) ?? at;
            expect(daysBetween(at, run)).toBeLessThanOrEqual(4);
            expect(run === at || bankingDaysBetween(addDays(at, -1), run) === 1).toBe(true);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  // Banking days by the Federal Reserve's calendar: Thanksgiving is 26 November 2026.
  it.each([
    ["a Thursday", [4], "2026-11-19", true],
    ["a holiday is not", [4], "2026-11-26", false],
    ["the day after it is", [4], "2026-11-27", true],
    ["the Friday after another Thursday is not", [4], "2026-11-20", false],
    ["Saturday moves to Monday", [6], "2026-11-23", true],
    ["Sunday itself is not", [7], "2026-11-22", false],
  ] as const)("%s", (_case, weekdays, on, goes) =>
    expect(isRunDay({ weekdays, hour: 9 }, day(on))).toBe(goes),
  );
  it("name the next day, and none where no weekday is chosen", () => {
    expect([
      nextRunDay({ weekdays: [4], hour: 9 }, day("2026-11-24")),
      nextRunDay({ weekdays: [2, 5], hour: 9 }, day("2026-11-24")),
      nextRunDay({ weekdays: [], hour: 9 }, day("2026-11-24")),
    ]).toEqual(["2026-11-27", "2026-11-24", null]);
  });
});
