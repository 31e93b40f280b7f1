import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import { PROCESSOR_ITEM_KIND_NAMES } from "../activity";
import {
  expectedAtBank,
  expectedOf,
  expectedUpTo,
  fitsPayout,
  payoutComposition,
  type TieLine,
  tieOut,
  type TiePayout,
  tieTogether,
} from ".";

const USD = currencyOf("USD") as Currency;
const payout = (more: Partial<TiePayout>): TiePayout => ({
  id: 1,
  externalId: "po_1",
  paidOn: day("2026-11-18"),
  currency: USD,
  net: minor(97_000),
  statedNet: null,
  descriptor: null,
  ...more,
});
const line = (more: Partial<TieLine>): TieLine => ({
  id: 1,
  postedOn: day("2026-11-18"),
  currency: USD,
  amount: minor(97_000),
  description: "DEPOSIT",
  ...more,
});

describe("the sum line of a payout", () => {
  it("foots: charges, fees, refunds, disputes and other sum to net", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom(...PROCESSOR_ITEM_KIND_NAMES),
            amount: fc.integer({ min: -1e7, max: 1e7 }),
          }),
          { maxLength: 40 },
        ),
        (items) => {
          const sums = payoutComposition(items);
          expect(sums.charges + sums.fees + sums.refunds + sums.disputes + sums.other).toBe(
            sums.net,
          );
          expect(sums.net).toBe(items.reduce((sum, item) => sum + item.amount, 0));
        },
      ),
    );
  });
  it("puts every fee in one column", () => {
    expect(
      payoutComposition([
        { kind: "charge", amount: 10_000 },
        { kind: "fee", amount: -320 },
        { kind: "dispute_fee", amount: -1500 },
        { kind: "return_fee", amount: -400 },
      ]),
    ).toMatchObject({ charges: 10_000, fees: -2220, net: 7780 });
  });
});

describe("tying to the bank", () => {
  it.each<[string, Partial<TieLine>, boolean]>([
    ["same day", {}, true],
    ["four banking days later, over a weekend", { postedOn: day("2026-11-24") }, true],
    ["five banking days later", { postedOn: day("2026-11-25") }, false],
    ["the banking day before", { postedOn: day("2026-11-17") }, true],
    ["a cent off", { amount: minor(97_001) }, false],
    ["another currency", { currency: currencyOf("CAD") as Currency }, false],
  ])("%s", (_case, more, fits) => expect(fitsPayout(payout({}), line(more))).toBe(fits));
  it("asks for the descriptor where the account has one", () => {
    expect([
      fitsPayout(payout({ descriptor: "PRACTICE PROC" }), line({})),
      fitsPayout(
        payout({ descriptor: "PRACTICE PROC" }),
        line({ description: "practice proc card" }),
      ),
    ]).toEqual([false, true]);
  });
  it("ties by itself only where one line fits one payout", () => {
    expect(tieOut([payout({})], [line({})])).toEqual([{ payoutId: 1, bankLineId: 1 }]);
    expect(tieOut([payout({}), payout({ id: 2, externalId: "po_2" })], [line({})])).toEqual([]);
    expect(tieOut([payout({})], [line({}), line({ id: 2 })])).toEqual([]);
    expect(tieOut([payout({ statedNet: minor(96_000) })], [line({})])).toEqual([]);
  });
  it("tells equal payouts apart by the id in the description", () => {
    const [a, b] = [
      payout({ id: 1, externalId: "po_881" }),
      payout({ id: 2, externalId: "po_882" }),
    ];
    expect(
      tieOut(
        [a, b],
        [line({ id: 5, description: "PROC PO_882" }), line({ id: 6, description: "PROC PO_881" })],
      ),
    ).toEqual([
      { payoutId: 1, bankLineId: 6 },
      { payoutId: 2, bankLineId: 5 },
    ]);
  });
  it("agrees with a slow, obvious tie", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(8)), { maxLength: 12 }),
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(8)), { maxLength: 12 }),
        (ps, ls) => {
          const payouts = ps.map(([net, on], id) =>
            payout({
              id,
              externalId: "p",
              net: minor(net),
              paidOn: addDays(day("2026-11-02"), on),
            }),
          );
          const lines = ls.map(([amount, on], id) =>
            line({ id, amount: minor(amount), postedOn: addDays(day("2026-11-02"), on) }),
          );
          const slow = payouts.flatMap((payout) => {
            const fitting = lines.filter((other) => fitsPayout(payout, other));
            const [only] = fitting;
            return only &&
              fitting.length === 1 &&
              payouts.filter((other) => fitsPayout(other, only)).length === 1
              ? [{ payoutId: payout.id, bankLineId: only.id }]
              : [];
          });
          expect(tieOut(payouts, lines)).toEqual(slow);
        },
      ),
    );
  });
  it("expects a payout on the next banking day at the latest", () => {
    expect([expectedAtBank(day("2026-11-26")), expectedAtBank(day("2026-11-24"))]).toEqual([
      "2026-11-27",
      "2026-11-24",
    ]);
  });
});

describe("ties that need several together", () => {
  it("one payout in two lines, and two payouts in one line", () => {
    expect(
      tieTogether(
        [payout({ net: minor(100_000) })],
        [
          line({ id: 1, amount: minor(97_000) }),
          line({ id: 2, amount: minor(3000) }),
          line({ id: 3, amount: minor(500) }),
        ],
      ),
    ).toEqual([{ payoutIds: [1], bankLineIds: [1, 2] }]);
    expect(
      tieTogether(
        [payout({}), payout({ id: 2, externalId: "po_2", net: minor(3000) })],
        [line({ amount: minor(100_000) })],
      ),
    ).toEqual([{ payoutIds: [1, 2], bankLineIds: [1] }]);
  });
  it("says every way where there is more than one, and none where one line fits by itself", () => {
    expect(
      tieTogether(
        [payout({ net: minor(100) })],
        [1, 2, 3, 4].map((id) => line({ id, amount: minor(id <= 2 ? 50 : 25) })),
      ).map(({ bankLineIds }) => bankLineIds),
    ).toEqual(
      expect.arrayContaining([
        [1, 2],
        [1, 3, 4],
        [2, 3, 4],
      ]),
    );
    expect(
      tieTogether(
        [payout({})],
        [line({}), line({ id: 2, amount: minor(96_000) }), line({ id: 3, amount: minor(1000) })],
      ),
    ).toEqual([]);
    expect(
      tieTogether(
        [payout({ net: minor(100_000) })],
        [
          line({ amount: minor(97_000) }),
          line({ id: 2, amount: minor(3000), postedOn: day("2026-12-15") }),
        ],
      ),
    ).toEqual([]);
  });
  it("agrees with a slow, obvious search", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 7 }),
        fc.integer({ min: 2, max: 30 }),
        (amounts, net) => {
          const lines = amounts.map((amount, id) => line({ id: id + 1, amount: minor(amount) }));
          const sets = Array.from({ length: 2 ** lines.length }, (_, mask) =>
            lines.filter((__, at) => mask & (1 << at)),
          );
          const slow = amounts.includes(net)
            ? []
            : sets
                .filter(
                  (set) =>
                    (set.length === 2 || set.length === 3) &&
                    set.reduce((so, { amount }) => so + amount, 0) === net,
                )
                .map((set) => set.map(({ id }) => id).join());
          const fast = tieTogether([payout({ net: minor(net) })], lines)
            .filter(({ payoutIds }) => payoutIds.length === 1)
            .map(({ bankLineIds }) => [...bankLineIds].sort((a, b) => a - b).join());
          expect([...fast].sort()).toEqual([...slow].sort());
        },
      ),
    );
  });
});

describe("what is on its way", () => {
  it("lands by the processor's delay in banking days; what should have landed is late and stands first", () => {
    const unpaid = (settledOn: string, amount: number) => ({
      account: "card account",
      delayDays: 2,
      settledOn: day(settledOn),
      amount: minor(amount),
      charges: 1,
    });
    // 26 Nov 2026 is a holiday of the Federal Reserve Banks.
    const expected = expectedOf(
      [unpaid("2026-11-25", 500), unpaid("2026-11-17", 300), unpaid("2026-11-25", -20)],
      day("2026-11-25"),
    );
    expect(expected.map(({ on, sum, charges, late }) => [on, sum, charges, late])).toEqual([
      ["2026-11-19", 300, 1, true],
      ["2026-11-30", 480, 2, false],
    ]);
    expect(expectedUpTo(expected, day("2026-11-29"))).toBe(300);
  });
});
