import fc from "fast-check";

import { addBankingDays, day, isBankingDay } from "@/core/calendar";
import { minor } from "@/core/money";

import { keptOf, offerFor } from ".";

const today = day("2026-11-24");
const offer = (asked: number, usual: number | null, broken = false): ReturnType<typeof offerFor> =>
  offerFor({ asked: minor(asked), usual: usual === null ? null : minor(usual), broken, today });

describe("what to offer on the telephone (common practice, no source)", () => {
  it.each<[string, [number, number | null, boolean], string, [string, number][]]>([
    [
      "what it usually pays: all of it within a week",
      [30_000, 20_000, false],
      "usual",
      [["2026-12-02", 30_000]],
    ],
    ["who has not paid yet: all of it", [30_000, null, false], "new", [["2026-12-02", 30_000]]],
    [
      "three times what it usually pays is not large yet",
      [60_000, 20_000, false],
      "usual",
      [["2026-12-02", 60_000]],
    ],
    [
      "a large sum in three parts, the odd cents first",
      [100_001, 20_000, false],
      "large",
      [
        ["2026-12-02", 33_335],
        ["2026-12-16", 33_333],
        ["2026-12-31", 33_333],
      ],
    ],
    [
      "after a broken promise half on the next banking day, half later",
      [100_001, 200_000, true],
      "broken",
      [
        ["2026-11-25", 50_001],
        ["2026-12-16", 50_000],
      ],
    ],
  ])("%s", (_case, facts, why, parts) => {
    const found = offer(...facts);
    expect([found?.why, found?.parts.map(({ dueOn, sum }) => [dueOn, sum])]).toEqual([why, parts]);
  });
  it("nothing where nothing is asked for", () =>
    expect([offer(0, 100), offer(-5, null, true)]).toEqual([null, null]));
  it("comes to what is asked, to the cent, on rising banking days", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 10_000_000 }),
        fc.option(fc.integer({ min: 1, max: 100_000 })),
        fc.boolean(),
        (asked, usual, broken) => {
          const parts = offer(asked, usual, broken)?.parts ?? [];
          expect(parts.reduce((sum, part) => sum + part.sum, 0)).toBe(asked);
          parts.forEach(({ dueOn, sum }, at) => {
            expect(isBankingDay(dueOn) && dueOn > (parts[at - 1]?.dueOn ?? today)).toBe(true);
            expect(sum).toBeGreaterThanOrEqual(0);
          });
          expect(
            Math.max(...parts.map(({ sum }) => sum)) - Math.min(...parts.map(({ sum }) => sum)),
          ).toBeLessThan(parts.length);
        },
      ),
    );
  });
  it("is counted from the banking day that it is said on", () =>
    expect(offer(100, null)?.parts[0]?.dueOn).toBe(addBankingDays(today, 5)));
  it("goes with how promises were kept", () =>
    expect(
      keptOf([{ state: "kept" }, { state: "open" }, { state: "broken" }, { state: "kept" }]),
    ).toEqual({ kept: 2, broken: 1 }));
});
