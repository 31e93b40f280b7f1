import fc from "fast-check";

import {
  explanationsOf,
  bulkPayoutAnswers,
  type BulkPayoutItem,
  type OffPayout,
} from "@/core/payouts";

import {
  addBankingDays,
  addDays,
  bankingDaysBetween,
  day,
  type Day,
  earlierFirst,
} from "../calendar";
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

/** The same by trying everything: every run of days, every way to leave out up to three. */
function slowAnswers(
  items: readonly BulkPayoutItem[],
  sum: number,
  on: Day,
  delayDays: number,
): object[] {
  const days = [...new Set(items.map((one) => one.on))].sort();
  const best = new Map<
    string,
    { ids: number[]; from: Day; to: Day; leftOut: number[]; rank: number }
  >();
  for (let first = 0; first < days.length; first += 1)
    for (let last = first; last < days.length && last < first + 12; last += 1) {
      const [from, to] = [days[first] as Day, days[last] as Day];
      const run = items.filter((one) => one.on >= from && one.on <= to);
      for (let mask = 0; mask < 1 << run.length; mask += 1) {
        const out = run.filter((_, at) => mask & (1 << at));
        const ids = run.filter((_, at) => !(mask & (1 << at))).map(({ id }) => id);
        const comesTo = run.reduce((all, { id, net }) => (ids.includes(id) ? all + net : all), 0);
        if (out.length > 3 || ids.length === 0 || comesTo !== sum) continue;
        // A run that comes out whole is not looked through for others.
        if (out.length > 0 && run.reduce((all, { net }) => all + net, 0) === sum) continue;
        const middle = out.some((one) => one.on > from && one.on < to) ? 1 : 0;
        const late = Math.abs(bankingDaysBetween(to, on) - delayDays);
        const rank = 4 * out.length + 8 * late + 4 * Math.min(first, 4) + middle;
        const known = best.get(ids.join());
        if (known && known.rank <= rank) continue;
        best.set(ids.join(), { ids, from, to, leftOut: out.map(({ id }) => id), rank });
      }
    }
  return [...best.values()].sort(
    (a, b) => a.rank - b.rank || a.leftOut.length - b.leftOut.length || (a.from < b.from ? -1 : 1),
  );
}

describe("every answer, against trying everything", () => {
  it("gives the same, in the same order, whatever order the items stand in", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ net: fc.integer({ min: -2, max: 6 }), on: fc.nat(15) }), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.integer({ min: -3, max: 14 }),
        fc.nat(4),
        (drawn, sum, delayDays) => {
          const items = drawn
            .map(({ net, on }, at) => item(at + 1, on, net))
            .sort((a, b) => earlierFirst(a.on, b.on) || a.id - b.id);
          const on = addDays(start, 16);
          const slow = slowAnswers(
            items.filter(({ net }) => net !== 0),
            sum,
            on,
            delayDays,
          );
          const fast = bulkPayoutAnswers([...items].reverse(), { sum: minor(sum), on, delayDays });
          const ranks = (answers: readonly object[]): object[] =>
            answers.map((answer) => [
              (answer as { rank: number }).rank,
              (answer as { from: Day }).from,
            ]);
          expect(ranks(fast.answers)).toEqual(ranks(slow.slice(0, 10)));
          if (slow.length <= 10)
            expect(new Set(fast.answers.map((answer) => JSON.stringify(answer)))).toEqual(
              new Set(slow.map((answer) => JSON.stringify(answer))),
            );
          expect(fast.only).toBe(fast.count === 1 && slow.length === 1);
        },
      ),
    );
  });
  it("looks at runs of twelve days at the most, and gives ten answers at the most", () => {
    const days = (count: number): BulkPayoutItem[] =>
      Array.from({ length: count }, (_, at) => item(at + 1, at, 100));
    const of = (count: number): number =>
      bulkPayoutAnswers(days(count), {
        sum: minor(100 * count),
        on: addDays(start, 20),
        delayDays: 1,
      }).answers.length;
    expect([of(12), of(13)]).toEqual([1, 0]);
    expect(
      bulkPayoutAnswers(days(13), { sum: minor(300), on: addDays(start, 20), delayDays: 1 })
        .answers,
    ).toHaveLength(10);
  });
  it("says that it is too much to count, and up to where it counts", () => {
    const asked = (count: number, net: number, sum: number): [number | null, number] => {
      const items = Array.from({ length: count }, (_, at) => item(at + 1, at % 3, net));
      const found = bulkPayoutAnswers(items, {
        sum: minor(sum),
        on: addDays(start, 5),
        delayDays: 1,
      });
      return [found.count, found.cap];
    };
    expect([
      asked(4, 100_000_000, 100_000_000),
      asked(5, 100_000_000, 100_000_000),
      asked(24, 1, 12),
      asked(24, 1, 3),
    ]).toEqual([
      [4, 1_000_000],
      [null, 1_000_000],
      [1_000_000, 1_000_000],
      [2024, 1_000_000],
    ]);
    expect(
      bulkPayoutAnswers([item(1, 0, 5)], { sum: minor(-1), on: start, delayDays: 0 }).count,
    ).toBe(0);
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
