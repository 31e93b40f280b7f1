import fc from "fast-check";

import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor, sumOf } from "@/core/money";

import type { Draft } from "../candidates/candidate";
import { exactWays, fill, subsetsOf } from "../candidates/sums";
import type { MatchItem, Reason } from "../types";
import { confidenceOf, featuresOf, patternOf } from "./calibration";
import { decide, type Seen } from "./decide";
import { draftReading, LINE, NOTHING_SEEN } from "./draftReading.fixture";

const USD = currencyOf("USD") as Currency;
const decision = (best: Draft, seen: Partial<Seen> = {}, others: Draft[] = []): string =>
  decide(best, others, { ...NOTHING_SEEN, ...seen }).decision;

describe("what may be sure", () => {
  it("a quoted number with its exact sum, from whoever is not somebody else", () => {
    expect(
      (["certain", "likely", "weak", "unknown", "other"] as const).map((who) =>
        decision(draftReading({ who })),
      ),
    ).toEqual(["sure", "sure", "sure", "sure", "check"]);
  });
  it("a sum alone only from a payer beyond doubt, or likely with a sum that hardly anybody owes", () => {
    const bySum = (who: Draft["who"], bits: number): string =>
      decision(draftReading({ numbers: "none", sum: "single", who, score: 30, bits }));
    expect([bySum("certain", 0), bySum("likely", 10.9), bySum("likely", 11)]).toEqual([
      "sure",
      "check",
      "sure",
    ]);
    expect([bySum("weak", 30), bySum("unknown", 30)]).toEqual(["check", "check"]);
  });
  it.each<Draft["sum"]>(["several", "credit"])(
    "%s by the sum alone only where hardly any set makes it by chance",
    (sum) => {
      const byChance = (chance: number): string =>
        decision(draftReading({ numbers: "none", sum, score: 30, chance }));
      expect([byChance(0.02), byChance(0.021)]).toEqual(["sure", "check"]);
    },
  );
  it.each<Draft["sum"]>(["gap", "mended"])(
    "%s lists only of a payer beyond doubt, and where chance makes hardly any",
    (sum) =>
      expect([
        decision(draftReading({ numbers: "cut", sum, chance: 0.001 })),
        decision(draftReading({ numbers: "cut", sum, chance: 0.1 })),
        decision(draftReading({ numbers: "cut", sum, chance: 0.001, who: "likely" })),
      ]).toEqual(["sure", "check", "check"]),
  );
  it.each<[string, Partial<Draft>]>([
    ["oldest first without a word", { numbers: "none", sum: "oldest" }],
    ["a list that does not come out", { sum: "short" }],
    [
      "a part by a damaged number from a likely payer",
      { numbers: "damaged", sum: "part", who: "likely" },
    ],
  ])("never %s", (_case, more) => expect(decision(draftReading(more))).toBe("check"));
  it.each<[string, Partial<Seen>, string]>([
    ["a number that is paid already", { closed: [{ at: 0, text: "20400" }] }, "against_closed"],
    [
      "a payment that came before",
      { doubleOf: { id: 2, paidOn: day("2026-11-18") } },
      "against_double",
    ],
    ["a better claim of another receipt", { claimed: true }, "against_claimed"],
    ["an earlier receipt that may be for the same", { alsoOn: day("2026-11-18") }, "against_also"],
    ["another currency", { foreignCurrency: true }, "against_currency"],
  ])("not with %s, and says so", (_case, seen, code) => {
    const found = decide(draftReading(), [], { ...NOTHING_SEEN, ...seen });
    expect([found.decision, found.against.map((reason) => reason.code)]).toEqual(["check", [code]]);
  });
  it("what only weighs holds back where nothing else does, and then the estimate decides", () => {
    const held = (best: Draft, seen: Partial<Seen> = {}): boolean =>
      decide(best, [], { ...NOTHING_SEEN, ...seen }).held;
    const also = { alsoOn: day("2026-11-18") };
    expect([
      held(draftReading(), also),
      held(draftReading({ doubts: ["nearly"], flaws: 1 })),
      held(draftReading({ doubts: ["stated", "sums"], flaws: 2 }), { claimed: true }),
    ]).toEqual([true, true, true]);
    // What weighs is no way round a veto, nor round what can never be sure.
    expect([
      held(draftReading()),
      held(draftReading(), { ...also, doubleOf: { id: 2, paidOn: day("2026-11-18") } }),
      held(draftReading(), { ...also, foreignCurrency: true }),
      held(draftReading({ doubts: ["nearly", "ways"], flaws: 2 })),
      held(draftReading({ doubts: ["nearly"], flaws: 2 })),
      held(draftReading({ sum: "short" }), also),
      held(draftReading({ sum: "part" }), { ...also, smallShort: true }),
    ]).toEqual([false, false, false, false, false, false, false]);
  });
  it("not with a number left unexplained, a very small rest, or a second reading near", () => {
    expect([
      decision(draftReading({ flaws: 1 })),
      decision(draftReading({ sum: "part" }), { smallShort: true }),
      decision(draftReading(), {}, [draftReading({ score: 50, lines: [{ ...LINE, itemId: 2 }] })]),
      decision(draftReading(), {}, [draftReading({ score: 40, lines: [{ ...LINE, itemId: 2 }] })]),
    ]).toEqual(["check", "check", "check", "sure"]);
  });
  it("not everything open where another way comes to the same sum", () => {
    expect(
      decision(draftReading({ numbers: "none", sum: "all", score: 29 }), {}, [
        draftReading({ numbers: "none", sum: "several", score: 18 }),
      ]),
    ).toBe("check");
  });
  it("proposes nothing where nothing says enough", () =>
    expect(decision(draftReading({ numbers: "none", sum: "oldest", who: "weak", score: 4 }))).toBe(
      "none",
    ));
});

describe("how likely a reading is", () => {
  const of = (more: Partial<Draft>, decided: "sure" | "check", against: Reason[] = []): number =>
    confidenceOf(patternOf(draftReading(more), decided, against, 1));
  it("is high, and never certainty, where everything agrees", () => {
    expect(of({}, "sure")).toBeGreaterThan(0.995);
    expect(of({}, "sure")).toBeLessThan(1);
  });
  it("falls with each thing that nothing explains", () => {
    const plain = of({ numbers: "none", sum: "single" }, "sure");
    const unread = of({ numbers: "none", sum: "single" }, "check", [
      { code: "against_closed", spots: [] },
    ]);
    const rival = of({ numbers: "none", sum: "single", doubts: ["ways"] }, "check", [
      { code: "against_other_reading", count: 1 },
    ]);
    expect([unread < plain, rival < plain]).toEqual([true, true]);
  });
  it("is doubt for evidence that was never seen", () =>
    expect(confidenceOf("check never seen at-all")).toBeLessThan(0.9));
  it("counts words of a pattern alone, and with where number and sum come from", () =>
    expect(featuresOf("check none single certain unread")).toEqual([
      "all",
      "check",
      "none",
      "single",
      "none/single",
      "none/single check",
      "certain",
      "none/single certain",
      "unread",
      "none/single unread",
    ]));
});

describe("ways to a sum", () => {
  const item = (id: number, balance: number, terms: string | null = null): MatchItem => ({
    id,
    number: String(id),
    customerId: 1,
    issuedOn: day("2026-11-10"),
    dueOn: day("2026-12-10"),
    currency: USD,
    total: minor(balance),
    balance: minor(balance),
    poNumber: null,
    terms,
  });
  it("finds a discount taken on some of the items only", () => {
    const items = [item(1, 10_000, "2/10 n/30"), item(2, 20_000, "2/10 n/30"), item(3, 5000)];
    const [way] = exactWays(items, minor(34_600), day("2026-11-18"), 0);
    expect(way?.map(({ amount, discount }) => [amount, discount])).toEqual([
      [10_000, 0],
      [19_600, 400],
      [5000, 0],
    ]);
    expect(exactWays(items, minor(34_601), day("2026-11-18"), 0)).toEqual([]);
  });
  it("agrees with a slow, obvious search over all subsets of two to four", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 2, maxLength: 9 }),
        fc.integer({ min: 2, max: 150 }),
        (sums, amount) => {
          const items = sums.map((sum, at) => item(at + 1, sum));
          let slow = 0;
          for (let mask = 0; mask < 1 << items.length; mask += 1) {
            const chosen = items.filter((_, at) => mask & (1 << at));
            if (
              chosen.length >= 2 &&
              chosen.length <= 4 &&
              sumOf(chosen, ({ balance }) => balance) === amount
            )
              slow += 1;
          }
          const found = subsetsOf(items, minor(amount));
          expect(found.length).toBe(Math.min(slow, 12));
          for (const subset of found) expect(sumOf(subset, ({ balance }) => balance)).toBe(amount);
        },
      ),
      { numRuns: 200 },
    );
  });
  it("fills oldest first, and never gives more than came in", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 500 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 3000 }),
        (sums, amount) => {
          const items = sums.map((sum, at) => item(at + 1, sum));
          const given = fill(items, minor(amount));
          expect(sumOf(given, (entry) => entry.amount)).toBe(
            Math.min(
              amount,
              sumOf(items, ({ balance }) => balance),
            ),
          );
          expect(given.slice(0, -1).every((entry) => entry.amount === entry.item.balance)).toBe(
            true,
          );
        },
      ),
    );
  });
});
