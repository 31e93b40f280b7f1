import fc from "fast-check";

import {
  explanationsOf,
  bulkPayoutAnswers,
  type BulkPayoutItem,
  type OffPayout,
} from "@/core/payouts";

import { addBankingDays, addDays, day } from "../calendar";
import { minor } from "../money";

const start = day("2026-11-02");
const item = (id: number, on: number, net: number): BulkPayoutItem => ({
  id,
  on: addDays(start, on),
  net: minor(net),
});

describe("what a lump is made of", () => {
  it("a run of days, whole", () => {
    const items = [item(1, 0, 1000), item(2, 0, 2500), item(3, 1, 700), item(4, 2, 9900)];
    const found = bulkPayoutAnswers(items, {
      sum: minor(4200),
      on: addBankingDays(addDays(start, 1), 2),
      delayDays: 2,
    });
    expect([found.answers[0]?.ids, found.count, found.only]).toEqual([[1, 2, 3], 1, true]);
  });
  it("says that there are several, and is never the only one then", () => {
    const items = [item(1, 0, 1000), item(2, 0, 2500), item(3, 1, 3500), item(4, 2, 100)];
    const found = bulkPayoutAnswers(items, {
      sum: minor(3500),
      on: addDays(start, 3),
      delayDays: 2,
    });
    expect([found.count, found.only, found.answers.map(({ ids }) => ids.join("+")).sort()]).toEqual(
      [2, false, ["1+2", "3"]],
    );
  });
  it("a refund takes part with its sign; nothing fits where nothing does", () => {
    expect(
      bulkPayoutAnswers([item(1, 0, 1000), item(2, 1, -300)], {
        sum: minor(700),
        on: addDays(start, 3),
        delayDays: 2,
      }).answers[0]?.ids,
    ).toEqual([1, 2]);
    expect(
      bulkPayoutAnswers([item(1, 0, 1000)], {
        sum: minor(999),
        on: addDays(start, 3),
        delayDays: 2,
      }),
    ).toMatchObject({ answers: [], count: 0, only: false });
  });
  it("counts as a slow count does, signs and all", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.integer({ min: -40, max: 60 }).filter((net) => net !== 0),
          { minLength: 1, maxLength: 11 },
        ),
        fc.integer({ min: 1, max: 150 }),
        (nets, sum) => {
          let slow = 0;
          for (let mask = 1; mask < 1 << nets.length; mask += 1)
            if (nets.reduce((all, net, at) => all + (mask & (1 << at) ? net : 0), 0) === sum)
              slow += 1;
          expect(
            bulkPayoutAnswers(
              nets.map((net, at) => item(at + 1, at % 4, net)),
              { sum: minor(sum), on: addDays(start, 6), delayDays: 2 },
            ).count,
          ).toBe(slow);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe("what explains a difference", () => {
  const base: OffPayout = {
    externalId: "po_1",
    off: minor(0),
    items: [
      { id: 1, kind: "charge", amount: minor(86_450), externalId: "ch_1", words: "charge ch_1" },
      { id: 2, kind: "fee", amount: minor(-2537), externalId: "ch_1", words: "of ch_1" },
    ],
    elsewhere: [],
    usual: { dispute: [], return: [] },
  };
  const dispute = {
    id: 3,
    kind: "dispute" as const,
    amount: minor(-37_800),
    externalId: "d_1",
    words: "dispute d_1",
  };
  it("names every item that it moves, and where from; it never empties another payout", () => {
    const charge = {
      id: 9,
      kind: "charge" as const,
      amount: minor(12_000),
      externalId: "ch_9",
      words: "charge ch_9",
      payout: "po_2" as string | null,
    };
    const beside = { ...charge, id: 10, amount: minor(700), words: "charge ch_10" };
    const off = { ...base, off: minor(12_000) };
    const codes = (elsewhere: OffPayout["elsewhere"]): string[] =>
      explanationsOf({ ...off, elsewhere }).map(({ code }) => code);
    expect(codes([charge])).not.toContain("item_of_another");
    expect(codes([{ ...charge, payout: null }])).toContain("item_missing");
    expect(explanationsOf({ ...off, elsewhere: [charge, beside] })).toContainEqual(
      expect.objectContaining({
        code: "item_of_another",
        moved: [{ words: "charge ch_9", amount: 12_000, from: "po_2", to: "po_1" }],
      }),
    );
    for (const found of explanationsOf({ ...base, off: minor(2537), elsewhere: [] }))
      expect(found.moved).toHaveLength(found.remedy.as === "take_out" ? 1 : 0);
  });
  it.each<[string, Partial<OffPayout>, string]>([
    ["nothing, where it comes out", {}, ""],
    [
      "a dispute fee, of the sum it was before",
      {
        off: minor(-1500),
        items: [...base.items, dispute],
        usual: { dispute: [minor(1500)], return: [] },
      },
      "fee_missing",
    ],
    ["a fee taken twice", { off: minor(-2537) }, "fee_twice"],
    ["a fee not taken", { off: minor(2537) }, "fee_not_taken"],
    [
      "an item in no payout",
      {
        off: minor(12_000),
        elsewhere: [
          {
            id: 9,
            kind: "charge",
            amount: minor(12_000),
            externalId: "ch_9",
            words: "charge ch_9",
            payout: null,
          },
        ],
      },
      "item_missing",
    ],
    [
      "a charge with its fee, in another payout",
      {
        off: minor(11_622),
        elsewhere: [
          {
            id: 9,
            kind: "charge",
            amount: minor(12_000),
            externalId: "ch_9",
            words: "charge ch_9",
            payout: "po_2",
          },
          {
            id: 10,
            kind: "fee",
            amount: minor(-378),
            externalId: "ch_9",
            words: "of ch_9",
            payout: "po_2",
          },
          {
            id: 11,
            kind: "charge",
            amount: minor(5000),
            externalId: "ch_10",
            words: "charge ch_10",
            payout: "po_2",
          },
        ],
      },
      "item_of_another",
    ],
    ["an item that was not paid", { off: minor(-86_450) }, "item_not_paid"],
    ["a sign turned", { off: minor(75_600), items: [...base.items, dispute] }, "sign"],
    ["two digits in each other's place (864.50 for 846.50)", { off: minor(-1800) }, "digits"],
    ["cents rounded", { off: minor(1) }, "rounding"],
  ])("%s", (_case, more, code) =>
    expect(explanationsOf({ ...base, ...more })[0]?.code ?? "").toBe(code),
  );
  it("a swap of neighbouring digits always changes a number by a multiple of 9", () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 9_999_999 }), fc.nat(6), (amount, place) => {
        const digits = String(amount);
        const at = place % (digits.length - 1);
        const swapped = Number(
          digits.slice(0, at) + digits[at + 1] + digits[at] + digits.slice(at + 2),
        );
        expect(Math.abs((swapped - amount) % 9)).toBe(0);
      }),
    );
  });
});
