import fc from "fast-check";

import { addDays, day } from "@/core/calendar";
import { currencyOf, minor, type Currency } from "@/core/money";

import { expectedAtBank, fitsPayout, makeUp, PROCESSOR_ITEM_KINDS, tieOut, type TieLine, type TiePayout } from ".";

const USD = currencyOf("USD") as Currency;
const payout = (more: Partial<TiePayout>): TiePayout => ({ id: 1, externalId: "po_1", paidOn: day("2026-11-18"), currency: USD, net: minor(97_000), statedNet: null, descriptor: null, ...more });
const line = (more: Partial<TieLine>): TieLine => ({ id: 1, postedOn: day("2026-11-18"), currency: USD, amount: minor(97_000), description: "DEPOSIT", ...more });

describe("the sum line of a payout", () => {
  it("foots: charges, fees, refunds, disputes and other sum to net", () => {
    fc.assert(fc.property(fc.array(fc.record({ kind: fc.constantFrom(...PROCESSOR_ITEM_KINDS), amount: fc.integer({ min: -1e7, max: 1e7 }) }), { maxLength: 40 }), (items) => {
      const sums = makeUp(items);
      expect(sums.charges + sums.fees + sums.refunds + sums.disputes + sums.other).toBe(sums.net);
      expect(sums.net).toBe(items.reduce((sum, item) => sum + item.amount, 0));
    }));
  });
  it("puts every fee in one column", () => {
    expect(makeUp([{ kind: "charge", amount: 10_000 }, { kind: "fee", amount: -320 }, { kind: "dispute_fee", amount: -1500 }, { kind: "return_fee", amount: -400 }])).toMatchObject({ charges: 10_000, fees: -2220, net: 7780 });
  });
});

describe("tying to the bank", () => {
  it.each<[string, Partial<TieLine>, boolean]>([
    ["same day", {}, true], ["four banking days later, over a weekend", { postedOn: day("2026-11-24") }, true], ["five banking days later", { postedOn: day("2026-11-25") }, false], ["the banking day before", { postedOn: day("2026-11-17") }, true],
    ["a cent off", { amount: minor(97_001) }, false], ["another currency", { currency: currencyOf("CAD") as Currency }, false],
  ])("%s", (_case, more, fits) => expect(fitsPayout(payout({}), line(more))).toBe(fits));
  it("asks for the descriptor where the account has one", () => {
    expect([fitsPayout(payout({ descriptor: "PRACTICE PROC" }), line({})), fitsPayout(payout({ descriptor: "PRACTICE PROC" }), line({ description: "practice proc card" }))]).toEqual([false, true]);
  });
  it("ties by itself only where one line fits one payout", () => {
    expect(tieOut([payout({})], [line({})])).toEqual([{ payoutId: 1, bankLineId: 1 }]);
    expect(tieOut([payout({}), payout({ id: 2, externalId: "po_2" })], [line({})])).toEqual([]);
    expect(tieOut([payout({})], [line({}), line({ id: 2 })])).toEqual([]);
    expect(tieOut([payout({ statedNet: minor(96_000) })], [line({})])).toEqual([]);
  });
  it("tells equal payouts apart by the id in the description", () => {
    const [a, b] = [payout({ id: 1, externalId: "po_881" }), payout({ id: 2, externalId: "po_882" })];
    expect(tieOut([a, b], [line({ id: 5, description: "PROC PO_882" }), line({ id: 6, description: "PROC PO_881" })])).toEqual([{ payoutId: 1, bankLineId: 6 }, { payoutId: 2, bankLineId: 5 }]);
  });
  it("agrees with a slow, obvious tie", () => {
    fc.assert(fc.property(fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(8)), { maxLength: 12 }), fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(8)), { maxLength: 12 }), (ps, ls) => {
      const payouts = ps.map(([net, on], id) => payout({ id, externalId: "p", net: minor(net), paidOn: addDays(day("2026-11-02"), on) }));
      const lines = ls.map(([amount, on], id) => line({ id, amount: minor(amount), postedOn: addDays(day("2026-11-02"), on) }));
      const slow = payouts.flatMap((one) => {
        const fitting = lines.filter((other) => fitsPayout(one, other));
        const [only] = fitting;
        return only && fitting.length === 1 && payouts.filter((other) => fitsPayout(other, only)).length === 1 ? [{ payoutId: one.id, bankLineId: only.id }] : [];
      });
      expect(tieOut(payouts, lines)).toEqual(slow);
    }));
  });
  it("expects a payout on the next banking day at the latest", () => {
    expect([expectedAtBank(day("2026-11-26")), expectedAtBank(day("2026-11-24"))]).toEqual(["2026-11-27", "2026-11-24"]);
  });
});
