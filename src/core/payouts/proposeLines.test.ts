import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import { proposeLines, type WaitingPayout } from "./proposeLines";
import type { TieLine } from "./tieOut";

const USD = currencyOf("USD") as Currency;
const EUR = currencyOf("EUR") as Currency;
const MONDAY = day("2026-11-16");

const payout = (id: number, net: number, more: Partial<WaitingPayout> = {}): WaitingPayout => ({
  id,
  externalId: `po_10${id}`,
  paidOn: MONDAY,
  currency: USD,
  net: minor(net),
  statedNet: minor(net),
  descriptor: "PRACTICE PROC",
  worth: null,
  ...more,
});
const line = (id: number, amount: number, after = 0, more: Partial<TieLine> = {}): TieLine => ({
  id,
  postedOn: addDays(MONDAY, after),
  currency: USD,
  amount: minor(amount),
  description: "PRACTICE PROC PAYOUT",
  ...more,
});
/** Each payout's line and why, as "payout-line why". */
const shown = (payouts: WaitingPayout[], lines: TieLine[]): string[] =>
  [...proposeLines(payouts, lines)]
    .map(([id, { line: found, by }]) => `${id}-${found.id} ${by}`)
    .sort();

describe("the line that a payout would tie to", () => {
  it.each<[string, TieLine, string[]]>([
    ["its sum", line(1, 9680), ["1-1 sum"]],
    ["its sum, days later", line(1, 9680, 3), ["1-1 sum"]],
    ["its sum, the day before", line(1, 9680, -1), []],
    ["its sum, a week before", line(1, 9680, -7), []],
    ["its number", line(1, 9000, 1, { description: "ACH PO_101" }), ["1-1 number"]],
    ["its number, before its day", line(1, 9000, -1, { description: "ACH PO_101" }), []],
    ["the processor’s name", line(1, 9000, 1), ["1-1 name"]],
    ["the name, money going out", line(1, -9000, 1), []],
    ["the name, too late", line(1, 9000, 12), []],
    ["nothing of it", line(1, 9000, 1, { description: "RENT" }), []],
    ["its sum, in another currency", line(1, 9680, 0, { currency: EUR }), []],
  ])("by %s", (_case, only, expected) =>
    expect(shown([payout(1, 9680)], [only])).toEqual(expected),
  );

  it("is found at the bank’s own rate where it came in the book’s currency", () => {
    const abroad = payout(1, 10_000, { currency: EUR, worth: minor(10_834) });
    expect(shown([abroad], [line(1, 10_790, 2)])).toEqual(["1-1 rate"]);
    expect(shown([abroad], [line(1, 10_790, -2)])).toEqual([]);
    expect(shown([{ ...abroad, statedNet: minor(9000) }], [line(1, 10_790, 2)])).toEqual([]);
  });
});

describe("several payouts together", () => {
  it("have each line once: three with one line between them have one proposal", () => {
    const three = [1, 2, 3].map((id) => payout(id, 9680));
    expect(shown(three, [line(1, 9680)])).toEqual(["1-1 sum"]);
    expect(shown(three, [line(1, 5000, 1)])).toHaveLength(1);
  });
  it("share out as many as there are, a line being given up where its payout has another", () => {
    const early = payout(1, 9680);
    const late = payout(2, 9680, { paidOn: addDays(MONDAY, 2) });
    expect(shown([late, early], [line(1, 9680, 1), line(2, 9680, 2)])).toEqual([
      "1-1 sum",
      "2-2 sum",
    ]);
    expect(shown([early, late], [line(1, 9680, 2), line(2, 9680, 1)])).toEqual([
      "1-2 sum",
      "2-1 sum",
    ]);
  });
  it("leave a line of the sum of one to that one, whatever its words are like", () => {
    const named = line(1, 9680, 0, { description: "PRACTICE PROC PO_102" });
    expect(shown([payout(1, 9680), payout(2, 5000)], [named])).toEqual(["1-1 sum"]);
  });

  const worlds = fc.record({
    payouts: fc.array(fc.record({ net: fc.integer({ min: 1, max: 3 }), after: fc.nat(4) }), {
      maxLength: 6,
    }),
    lines: fc.array(fc.record({ amount: fc.integer({ min: 1, max: 3 }), after: fc.nat(5) }), {
      maxLength: 6,
    }),
  });
  const made = (world: {
    payouts: { net: number; after: number }[];
    lines: { amount: number; after: number }[];
  }): [WaitingPayout[], TieLine[]] => [
    world.payouts.map(({ net, after }, at) =>
      payout(at + 1, net, { paidOn: addDays(MONDAY, after) }),
    ),
    world.lines.map(({ amount, after }, at) => line(at + 1, amount, after)),
  ];
  /** The most pairs of a payout and a line of its sum, by trying every way. */
  function most(payouts: WaitingPayout[], lines: TieLine[]): number {
    const [first, ...rest] = payouts;
    if (!first) return 0;
    const fits = lines.filter(
      ({ amount, postedOn }) => amount === first.net && postedOn >= first.paidOn,
    );
    const without = most(rest, lines);
    return Math.max(
      without,
      ...fits.map(
        (chosen) =>
          1 +
          most(
            rest,
            lines.filter(({ id }) => id !== chosen.id),
          ),
      ),
    );
  }
  it("never share a line, have none of before their day, and as many of their sum as can be", () => {
    fc.assert(
      fc.property(worlds, (world) => {
        const [payouts, lines] = made(world);
        const found = proposeLines(payouts, lines);
        const used = [...found.values()].map((proposed) => proposed.line.id);
        expect(new Set(used).size).toBe(used.length);
        for (const [id, { line: of }] of found)
          expect(of.postedOn >= payouts.find((each) => each.id === id)!.paidOn).toBe(true);
        const bySum = [...found.values()].filter(({ by }) => by === "sum").length;
        expect(bySum).toBe(most(payouts, lines));
      }),
    );
  });
  it("come out the same in whatever order they stand", () => {
    fc.assert(
      fc.property(worlds, (world) => {
        const [payouts, lines] = made(world);
        expect(shown([...payouts].reverse(), [...lines].reverse())).toEqual(shown(payouts, lines));
      }),
    );
  });
});
