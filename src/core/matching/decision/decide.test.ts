import fc from "fast-check";

import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor, sumOf } from "@/core/money";

import type { Draft } from "../candidates/candidate";
import { exactWays, fill, subsetsOf } from "../candidates/sums";
import type { MatchItem } from "../types";
import { confidenceOf, patternOf } from "./calibration";
import { decide, type Seen } from "./decide";

const USD = currencyOf("USD") as Currency;
const line = { itemId: 1, number: "20431", amount: minor(100), discount: minor(0) };
const draft = (more: Partial<Draft> = {}): Draft => ({
  customerId: 1,
  lines: [line],
  onAccount: minor(0),
  confidence: 0,
  pattern: "",
  reasons: [],
  score: 54,
  numbers: "whole",
  sum: "exact",
  who: "certain",
  shape: "",
  flaws: 0,
  lean: 0,
  ...more,
});
const nothing: Seen = {
  closed: [],
  doubleOf: null,
  claimed: false,
  alsoOn: null,
  smallShort: false,
  foreignCurrency: false,
};
const decision = (best: Draft, seen: Partial<Seen> = {}, others: Draft[] = []): string =>
  decide(best, others, { ...nothing, ...seen }).decision;

describe("what may be sure", () => {
  it("a quoted number with its exact sum, from whoever is not somebody else", () => {
    expect(
      (["certain", "likely", "weak", "unknown", "other"] as const).map((who) =>
        decision(draft({ who })),
      ),
    ).toEqual(["sure", "sure", "sure", "sure", "check"]);
  });
  it("a sum alone only from a payer beyond doubt", () => {
    expect(
      (["certain", "likely", "weak", "unknown"] as const).map((who) =>
        decision(draft({ numbers: "none", sum: "single", who, score: 30 })),
      ),
    ).toEqual(["sure", "check", "check", "check"]);
  });
  it.each<[string, Partial<Draft>]>([
    ["the sum of several", { numbers: "none", sum: "several" }],
    ["oldest first without a word", { numbers: "none", sum: "oldest" }],
    ["a discount taken late", { sum: "late" }],
    ["a list that does not come out", { sum: "short" }],
    ["a list mended by the sum", { sum: "mended" }],
    [
      "a part by a damaged number from a likely payer",
      { numbers: "damaged", sum: "part", who: "likely" },
    ],
  ])("never %s", (_case, more) => expect(decision(draft(more))).toBe("check"));
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
    const found = decide(draft(), [], { ...nothing, ...seen });
    expect([found.decision, found.against.map((reason) => reason.code)]).toEqual(["check", [code]]);
  });
  it("not with a number left unexplained, a very small rest, or a second reading near", () => {
    expect([
      decision(draft({ flaws: 1 })),
      decision(draft({ sum: "part" }), { smallShort: true }),
      decision(draft(), {}, [draft({ score: 50, lines: [{ ...line, itemId: 2 }] })]),
      decision(draft(), {}, [draft({ score: 40, lines: [{ ...line, itemId: 2 }] })]),
    ]).toEqual(["check", "check", "check", "sure"]);
  });
  it("not everything open where another way comes to the same sum", () => {
    expect(
      decision(draft({ numbers: "none", sum: "all", score: 29 }), {}, [
        draft({ numbers: "none", sum: "several", score: 18 }),
      ]),
    ).toBe("check");
  });
  it("proposes nothing where nothing says enough", () =>
    expect(decision(draft({ numbers: "none", sum: "oldest", who: "weak", score: 4 }))).toBe(
      "none",
    ));
});

describe("how likely a reading is", () => {
  it("is the hit rate of its pattern, never certainty, and that of its decision for a pattern never seen", () => {
    expect(confidenceOf(patternOf(draft(), "sure", [], 1), "sure")).toBeGreaterThan(0.995);
    expect(confidenceOf(patternOf(draft(), "sure", [], 1), "sure")).toBeLessThan(1);
    expect(confidenceOf("a pattern never seen", "check")).toBe(0.56);
  });
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
