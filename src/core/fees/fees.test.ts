import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";

import {
  achInstead,
  checkFees,
  expectedFee,
  feesByMonth,
  rateFor,
  type AgreedRate,
  type FeeCharge,
} from ".";

const card: AgreedRate = {
  id: 1,
  method: "card",
  from: day("2026-01-01"),
  to: null,
  percent: "2.9",
  fixed: minor(30),
  least: null,
  most: null,
  brand: null,
  abroad: null,
  fromVolume: minor(0),
};
const ach: AgreedRate = {
  id: 2,
  method: "ach_debit",
  from: day("2026-01-01"),
  to: null,
  percent: "0.8",
  fixed: minor(0),
  least: null,
  most: minor(500),
  brand: null,
  abroad: null,
  fromVolume: minor(0),
};
const charge = (
  id: number,
  amount: number,
  fee: number,
  more: Partial<FeeCharge> = {},
): FeeCharge => ({
  id,
  on: day("2026-11-10"),
  method: "card",
  amount: minor(amount),
  fee: minor(fee),
  ...more,
});

describe("the fee that was agreed (card fees near 2.9 % + 0.30, ACH near 0.8 % with a cap of 5.00: common practice, no source)", () => {
  it.each<[string, AgreedRate, number, number]>([
    ["2.9 % + 0.30 on 100.00", card, 10_000, 320],
    ["0.8 % on 100.00", ach, 10_000, 80],
    ["0.8 %, at most 5.00, on 1,000.00", ach, 100_000, 500],
    ["a least of 0.50", { ...ach, least: minor(50) }, 1000, 50],
    // IEEE 754-2008, half to even: 2.9 % of 2.50 is 0.0725, so 0.07; of 7.50 it is 0.2175, so 0.22.
    ["half to even, down", { ...card, fixed: minor(0) }, 250, 7],
    ["half to even, up", { ...card, fixed: minor(0) }, 750, 22],
  ])("%s", (_case, rate, amount, fee) => expect(expectedFee(rate, minor(amount))).toBe(fee));
  // Accounting textbooks: a card sale of 1,000 with a fee of 3 % brings 970 and an expense of 30; value from memory.
  it("3 % of a sale of 1,000 is 30", () =>
    expect(expectedFee({ ...card, percent: "3", fixed: minor(0) }, minor(100_000))).toBe(3000));
  it("goes by the period, and by what was agreed last", () => {
    const lower = { ...card, id: 3, from: day("2026-10-01"), percent: "2.7" };
    const at = (
      on: string,
      method: FeeCharge["method"] = "card",
    ): Pick<FeeCharge, "method" | "on"> => ({ method, on: day(on) });
    expect([
      rateFor([card, lower], at("2026-09-30"), 0)?.id,
      rateFor([card, lower], at("2026-10-01"), 0)?.id,
      rateFor([{ ...card, to: day("2026-10-31") }], at("2026-11-01"), 0),
      rateFor([card], at("2026-11-01", "ach_debit"), 0),
    ]).toEqual([1, 3, undefined, undefined]);
  });
  it("goes by what says most: brand before country, country before neither", () => {
    const rates = [
      card,
      { ...card, id: 4, brand: "Amex" },
      { ...card, id: 5, abroad: true },
      { ...card, id: 6, brand: "amex", abroad: true },
    ];
    const of = (brand: string | null, abroad: boolean): number | undefined =>
      rateFor(rates, { method: "card", on: day("2026-11-10"), brand, abroad }, 0)?.id;
    expect([
      of("visa", false),
      of("amex", false),
      of("visa", true),
      of("AMEX", true),
      of(null, false),
    ]).toEqual([1, 4, 5, 6, 1]);
  });
  it("goes by what the month had come to before the charge, month by month", () => {
    const cheaper = { ...card, id: 7, percent: "2.5", fromVolume: minor(20_000) };
    const checked = checkFees(
      [
        charge(1, 10_000, 0),
        charge(2, 10_000, 0),
        charge(3, 10_000, 0),
        charge(4, 10_000, 0, { on: day("2026-12-01") }),
      ],
      [card, cheaper],
    );
    expect([...checked].sort((a, b) => a.id - b.id).map(({ expected }) => expected)).toEqual([
      320, 320, 280, 320,
    ]);
  });
});

describe("the rate that counts, whatever order the rates stand in", () => {
  const on = day("2026-11-10");
  it.each<[string, Partial<AgreedRate>, Partial<AgreedRate>]>([
    ["a brand before the country", { brand: "amex" }, { abroad: false, from: on }],
    ["the country before neither", { abroad: false }, { from: on, fromVolume: minor(900) }],
    ["a volume reached before a later day", { fromVolume: minor(900) }, { from: on }],
    ["of volumes the higher", { fromVolume: minor(900) }, { fromVolume: minor(500) }],
    ["the later day before the later number", { from: on, id: 1 }, { id: 9 }],
    ["the later number", { id: 10 }, { id: 9 }],
    ["its last day counts", { to: on, from: on }, {}],
  ])("%s", (_case, wins, loses) => {
    const [winner, loser] = [
      { ...card, id: 8, ...wins },
      { ...card, id: 9, ...loses },
    ];
    for (const rates of [
      [winner, loser],
      [loser, winner],
    ])
      expect(rateFor(rates, { method: "card", on, brand: "Amex" }, 900)).toBe(winner);
  });
  it.each<[string, Partial<AgreedRate>]>([
    ["another method", { method: "wire" }],
    ["from tomorrow", { from: day("2026-11-11") }],
    ["up to yesterday", { to: day("2026-11-09") }],
    ["from a volume not reached", { fromVolume: minor(901) }],
    ["another brand", { brand: "visa" }],
    ["cards from abroad", { abroad: true }],
  ])("%s is none", (_case, more) =>
    expect(
      rateFor([{ ...card, ...more }], { method: "card", on, brand: "Amex" }, 900),
    ).toBeUndefined(),
  );
  it("a percent that cannot be read leaves the fixed sum", () =>
    expect(expectedFee({ ...card, percent: "?" }, minor(10_000))).toBe(30));
});

describe("what was taken against what was agreed", () => {
  it("counts a month's volume by the days and numbers of its charges, in whatever order they come", () => {
    const cheaper = { ...card, id: 7, percent: "2.5", fromVolume: minor(10_000) };
    const all = [
      charge(1, 10_000, 0, { on: day("2026-11-12") }),
      charge(2, 10_000, 0, { on: day("2026-11-11") }),
      charge(3, 10_000, 0, { on: day("2026-11-11") }),
      charge(4, 10_000, 0, { on: day("2026-11-10"), method: "ach_debit" }),
    ];
    for (const charges of [all, [...all].reverse()])
      expect(
        Object.fromEntries(
          checkFees(charges, [card, cheaper]).map(({ id, expected }) => [id, expected]),
        ),
      ).toEqual({ 1: 280, 2: 320, 3: 280, 4: null });
  });
  it("of what is off alike, the larger charge stands first, then the one of the lower number", () => {
    const all = [
      charge(1, 1000, 59),
      charge(2, 10_000, 320),
      charge(3, 20_000, 610),
      charge(4, 20_000, 610),
    ];
    for (const charges of [all, [...all].reverse()])
      expect(checkFees(charges, [card]).map(({ id }) => id)).toEqual([3, 4, 2, 1]);
  });
  it("by month, the latest first, with what is not agreed told apart", () => {
    const checked = checkFees(
      [
        charge(1, 10_000, 320, { on: day("2026-10-31") }),
        charge(2, 20_000, 640),
        charge(3, 10_000, 300),
        charge(4, 5000, 45, { method: "ach_debit" }),
        charge(5, 0, 0, { method: "wire" }),
        charge(6, 100, 9, { method: "wire" }),
      ],
      [card, { ...card, id: 3, method: "wire", fromVolume: minor(100) }],
    );
    const of = (month: string, method: string, ...sums: (number | null)[]): object => {
      const [count, charges, fees, expected, off, perMillion] = sums;
      return { month, method, count, charges, fees, expected, off, perMillion };
    };
    expect(feesByMonth(checked)).toEqual([
      of("2026-11", "wire", 2, 100, 9, null, 0, 90_000),
      of("2026-11", "card", 2, 30_000, 940, 930, 10, 31_333),
      of("2026-11", "ach_debit", 1, 5000, 45, null, 0, 9000),
      of("2026-10", "card", 1, 10_000, 320, 320, 0, 32_000),
    ]);
    expect(feesByMonth([]).concat(feesByMonth(checkFees([charge(1, 0, 7)], [])))).toEqual([
      of("2026-11", "card", 1, 0, 7, null, 0, 0),
    ]);
  });
  it("says what was too much, worst first, and nothing where nothing was agreed", () => {
    const checked = checkFees(
      [
        charge(1, 10_000, 320),
        charge(2, 10_000, 350),
        charge(3, 10_000, 300),
        charge(4, 10_000, 900, { method: "wire" }),
      ],
      [card],
    );
    expect(checked.map(({ id, off, expected }) => [id, off, expected])).toEqual([
      [2, 30, 320],
      [1, 0, 320],
      [4, 0, null],
      [3, -20, 320],
    ]);
  });
  it("months add up to their charges, and the whole to all", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            amount: fc.integer({ min: 100, max: 500_000 }),
            fee: fc.integer({ min: 0, max: 9000 }),
            on: fc.nat(90),
          }),
          { maxLength: 40 },
        ),
        (all) => {
          const checked = checkFees(
            all.map(({ amount, fee, on }, id) =>
              charge(id, amount, fee, { on: addDays(day("2026-09-01"), on) }),
            ),
            [card],
          );
          const months = feesByMonth(checked);
          const sum = (pick: (of: (typeof months)[number]) => number): number =>
            months.reduce((so, of) => so + pick(of), 0);
          expect([
            sum(({ fees }) => fees),
            sum(({ charges }) => charges),
            sum(({ count }) => count),
          ]).toEqual([
            all.reduce((so, { fee }) => so + fee, 0),
            all.reduce((so, { amount }) => so + amount, 0),
            all.length,
          ]);
          for (const { expected, fees, off } of months) expect(fees - (expected ?? 0)).toBe(off);
        },
      ),
    );
  });
  it("what ACH would have saved, and from how many payments it is worth its fixed costs", () => {
    const ten = Array.from({ length: 10 }, (_, id) => charge(id, 10_000, 320));
    expect(achInstead(ten, ach, minor(1200))).toEqual({ saved: 2400, from: 5 });
    expect(achInstead([charge(1, 10_000, 50)], ach, minor(1200))).toEqual({
      saved: -30,
      from: null,
    });
    expect(achInstead([charge(1, 10_000, 80)], ach, minor(1200))).toEqual({ saved: 0, from: null });
    expect(achInstead([], ach, minor(1200))).toEqual({ saved: 0, from: null });
    expect(achInstead(ten, ach, minor(1201))).toEqual({ saved: 2400, from: 6 });
    expect(achInstead(ten, ach, minor(0))).toEqual({ saved: 2400, from: 1 });
  });
});
