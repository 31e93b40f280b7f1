import fc from "fast-check";

import { addDays, day, isBankingDay, type Day } from "@/core/calendar";
import { minor } from "@/core/money";

import {
  daysAhead,
  DEFAULT_STEPS,
  followUpToday,
  namedItems,
  sumsOf,
  type FollowedItem,
  LANGUAGES,
  lastStepTaken,
  letterTemplate,
  SMALLEST_INTERVAL_DAYS,
  TONES,
  type FollowUpFacts,
  type LadderStep,
} from ".";

const TODAY = day("2026-11-24");
const item = (
  id: number,
  dueOn: string,
  balance: number,
  leftOut: string | null = null,
): FollowedItem => ({ id, dueOn: day(dueOn), balance: minor(balance), leftOut });
type Made = Omit<FollowUpFacts, "sums"> & { items: readonly FollowedItem[] };
const facts = (more: Partial<Made> = {}): Made => ({
  today: TODAY,
  items: [item(1, "2026-11-10", 50_000), item(2, "2026-12-10", 9000)],
  steps: DEFAULT_STEPS,
  said: [],
  lastLetterOn: null,
  interval: SMALLEST_INTERVAL_DAYS,
  credit: minor(0),
  smallest: minor(1000),
  maybeTheirs: [],
  disputed: minor(0),
  promise: null,
  promiseBroken: false,
  leftOut: null,
  byItself: false,
  ...more,
});
/** What a customer with these items gets, with the ids of what is named. */
const gets = (
  made: Made,
): (ReturnType<typeof followUpToday> & object & { named: number[] }) | null => {
  const found = followUpToday({
    ...made,
    sums: sumsOf(made.items, made.today, daysAhead(made.steps)),
  });
  return (
    found && {
      ...found,
      named: namedItems(made.items, found.next.step, daysAhead(made.steps), made.today).map(
        ({ id }) => id,
      ),
    }
  );
};
const BEFORE: readonly LadderStep[] = [
  { step: 1, fromDays: -5, act: "letter", tone: 1, byItself: true, attach: "none", fee: minor(0) },
  { step: 2, fromDays: 10, act: "task", tone: 1, byItself: false, attach: "none", fee: minor(0) },
  {
    step: 3,
    fromDays: 20,
    act: "letter",
    tone: 4,
    byItself: true,
    attach: "invoices",
    fee: minor(0),
  },
];

describe("what a customer gets today", () => {
  it("is the next rung, for all that is past its date and nothing else", () => {
    expect(gets(facts())).toMatchObject({
      state: "ready",
      next: { step: { step: 1 }, on: "2026-11-12" },
      named: [1],
      asked: 50_000,
      overdue: 50_000,
      oldestDays: 14,
      goesByItself: false,
    });
  });
  it.each<[string, Partial<Made>, object]>([
    [
      "nothing, where nothing is late",
      { items: [item(2, "2026-12-10", 9000)] },
      { state: undefined },
    ],
    [
      "later, when it was written to within the smallest interval",
      { said: [{ step: 1, on: day("2026-11-20") }], lastLetterOn: day("2026-11-20") },
      { state: "later", next: { on: "2026-12-02" } },
    ],
    [
      "a call after a broken promise, whatever the interval",
      {
        said: [{ step: 1, on: day("2026-11-20") }],
        lastLetterOn: day("2026-11-20"),
        promiseBroken: true,
      },
      { state: "ready", next: { step: { act: "call" } }, letterFrom: "2026-12-02" },
    ],
    [
      "a letter after a broken promise, where the last one is long ago",
      {
        said: [{ step: 1, on: day("2026-11-11") }],
        lastLetterOn: day("2026-11-11"),
        promiseBroken: true,
      },
      { state: "ready", next: { step: { act: "letter", step: 2 } } },
    ],
    [
      "later, by the interval of the book",
      { said: [{ step: 1, on: day("2026-11-11") }], lastLetterOn: day("2026-11-11"), interval: 20 },
      { state: "later", next: { on: "2026-12-01" } },
    ],
    [
      "a wait, with its reason",
      { maybeTheirs: [{ receiptId: 3, amount: minor(50_000) }] },
      { state: "waits", waits: [{ code: "receipt" }] },
    ],
    [
      "a wait until the day it asked for",
      { quietUntil: day("2026-12-01") },
      { state: "waits", waits: [{ code: "quiet" }] },
    ],
    [
      "what is left of it, where an invoice is left out",
      { items: [item(1, "2026-11-10", 50_000, "in dispute"), item(3, "2026-11-15", 2000)] },
      { state: "ready", named: [3], asked: 2000, overdue: 52_000, oldestDueOn: "2026-11-15" },
    ],
    [
      "nothing to be said, where all of it is left out, and why",
      { items: [item(1, "2026-11-10", 50_000, "in dispute")] },
      { state: "left_out", leftOut: "in dispute", named: [] },
    ],
    [
      "left out with its reason, where the customer is",
      { leftOut: "owner's friend" },
      { state: "left_out", leftOut: "owner's friend" },
    ],
    [
      "a wait, where what may be named is a very small sum",
      { items: [item(1, "2026-11-10", 50_000, "in dispute"), item(3, "2026-11-15", 900)] },
      { state: "waits", waits: [{ code: "small" }] },
    ],
    [
      "a rung before the due day",
      { items: [item(2, "2026-11-28", 9000)], steps: BEFORE, byItself: true },
      {
        state: "ready",
        next: { step: { step: 1 } },
        named: [2],
        oldestDays: -4,
        overdue: 0,
        goesByItself: true,
      },
    ],
    [
      "not yet, days before that rung",
      { items: [item(2, "2026-11-30", 9000)], steps: BEFORE },
      { state: undefined },
    ],
    [
      "a task that does not go by itself",
      {
        items: [item(1, "2026-11-10", 9000)],
        steps: BEFORE,
        byItself: true,
        said: [{ step: 1, on: day("2026-11-06") }],
        lastLetterOn: day("2026-11-06"),
      },
      { state: "ready", next: { step: { act: "task" } }, goesByItself: false },
    ],
    [
      "no letter by itself where only the step says so",
      { items: [item(2, "2026-11-28", 9000)], steps: BEFORE },
      { goesByItself: false },
    ],
    [
      "no letter by itself on a day the banks are closed",
      {
        today: day("2026-11-26"),
        items: [item(2, "2026-11-28", 9000)],
        steps: BEFORE,
        byItself: true,
      },
      { state: "ready", goesByItself: false },
    ],
  ])("%s", (_case, more, expected) => {
    expect(gets(facts(more)) ?? { state: undefined }).toMatchObject(expected);
  });
  it("begins anew where what was said was about something older", () => {
    expect(
      lastStepTaken(
        day("2026-11-10"),
        [
          { step: 3, on: day("2026-09-01") },
          { step: 1, on: day("2026-11-12") },
        ],
        DEFAULT_STEPS,
      ),
    ).toBe(1);
    expect(
      lastStepTaken(day("2026-11-10"), [{ step: 3, on: day("2026-11-10") }], DEFAULT_STEPS),
    ).toBe(0);
  });
});

describe("over whatever may be", () => {
  const someDay = fc.integer({ min: -90, max: 40 }).map((by) => addDays(TODAY, by));
  const any = fc.record({
    items: fc.array(
      fc.record({
        id: fc.nat(),
        dueOn: someDay,
        balance: fc.integer({ min: -5000, max: 50_000 }).map(minor),
        leftOut: fc.option(fc.constant("disputed"), { freq: 4 }),
      }),
      { maxLength: 6 },
    ),
    steps: fc.constantFrom(DEFAULT_STEPS, BEFORE),
    said: fc.array(
      fc.record({ step: fc.integer({ min: 1, max: 4 }), on: someDay.filter((on) => on <= TODAY) }),
      { maxLength: 3 },
    ),
    lastLetterOn: fc.option(someDay.filter((on) => on <= TODAY)),
    interval: fc.constantFrom(1, 12, 30),
    credit: fc.integer({ min: 0, max: 60_000 }).map(minor),
    smallest: fc.constantFrom(minor(0), minor(1000)),
    maybeTheirs: fc.constantFrom([], [{ receiptId: 1, amount: minor(10) }]),
    disputed: fc.constantFrom(minor(0), minor(0), minor(500)),
    promise: fc.constantFrom(null, null, { dueOn: day("2026-11-30"), sum: null }),
    promiseBroken: fc.boolean(),
    leftOut: fc.constantFrom(null, null, "ours"),
    byItself: fc.boolean(),
    today: fc.constantFrom<Day>(TODAY, day("2026-11-26"), day("2026-11-28")),
    quietUntil: fc.constantFrom(null, null, day("2026-12-05")),
  });
  it("every overdue item is in a step, or waits or is left out with a reason; no letter names what is left out or not due; nobody is written to twice within the interval", () => {
    fc.assert(
      fc.property(any, (made) => {
        const found = gets(made);
        const late = made.items.filter(({ balance, dueOn }) => balance > 0 && dueOn < made.today);
        if (found === null) return expect(late).toEqual([]);
        const named = new Set(found.named);
        expect(found.asked).toBe(
          made.items
            .filter(
              ({ balance, leftOut, dueOn }) =>
                balance > 0 &&
                leftOut === null &&
                (dueOn < made.today ||
                  (found.next.step.fromDays < 0 &&
                    dueOn <= addDays(made.today, daysAhead(made.steps)))),
            )
            .reduce((so, { balance }) => so + balance, 0),
        );
        for (const item of made.items)
          if (named.has(item.id) && made.items.filter(({ id }) => id === item.id).length === 1)
            expect(
              item.balance > 0 &&
                item.leftOut === null &&
                (item.dueOn < made.today || found.next.step.fromDays < 0),
            ).toBe(true);
        if (found.state === "ready" || found.state === "later")
          for (const entry of late)
            expect(named.has(entry.id) || entry.leftOut !== null).toBe(true);
        if (found.state === "waits") expect(found.waits.length).toBeGreaterThan(0);
        if (found.state === "left_out") expect(found.leftOut).not.toBeNull();
        if (
          found.state === "ready" &&
          found.next.step.act === "letter" &&
          made.lastLetterOn !== null
        )
          expect(addDays(made.lastLetterOn, made.interval) <= made.today).toBe(true);
        if (found.goesByItself)
          expect([
            found.state,
            made.byItself,
            found.next.step.byItself,
            isBankingDay(made.today),
          ]).toEqual(["ready", true, true, true]);
      }),
      { numRuns: 1000 },
    );
  });
});

describe("letters", () => {
  it.each(LANGUAGES.flatMap((language) => TONES.map((_, at) => [language, at + 1] as const)))(
    "in %s, tone %i, name the sum, the table and the business",
    (language, tone) => {
      const { subject, body } = letterTemplate(tone, language);
      for (const field of ["{{ customer }}", "{{ sum }}", "{{ table }}", "{{ business }}"])
        expect(body).toContain(field);
      expect(subject).toContain("{{ sum }}");
      if (tone >= 2) expect(body).toMatch(tone === 1 ? /./ : /\{\{ reply_by \}\}/);
    },
  );
});
