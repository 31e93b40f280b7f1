import { addBankingDays, addDays, day, isBankingDay } from "@/core/calendar";
import { minor } from "@/core/money";
import { bulkPayoutAnswers, type BulkPayoutItem } from "@/core/payouts";

const start = day("2026-11-02");

/** Sixty receipts over a dozen banking days as a shop has them: round prices and odd ones with tax, less a fee. */
function takings(seed: number): BulkPayoutItem[] {
  let state = seed * 2_654_435_761;
  const next = (below: number): number => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * below);
  };
  const items: BulkPayoutItem[] = [];
  for (let on = 0; items.length < 60; on += 1) {
    if (!isBankingDay(addDays(start, on))) continue;
    for (let times = 3 + next(4); times > 0 && items.length < 60; times -= 1) {
      const gross = next(2) === 0 ? 500 * (1 + next(160)) : 300 + next(80_000);
      const net = minor(gross - Math.round(gross * 0.029) - 30);
      items.push({ id: items.length + 1, on: addDays(start, on), net });
    }
  }
  return items;
}

describe("a lump among sixty receipts as a shop has them", () => {
  it("every answer makes the sum", () => {
    for (let seed = 1; seed <= 5; seed += 1) {
      const items = takings(seed);
      const sum = minor(items.slice(0, 20).reduce((all, { net }) => all + net, 0));
      for (const { ids } of bulkPayoutAnswers(items, { sum, on: addDays(start, 12), delayDays: 2 })
        .answers)
        expect(
          items.filter(({ id }) => ids.includes(id)).reduce((all, { net }) => all + net, 0),
        ).toBe(sum);
    }
  });
  it("finds the true one first in nearly all lumps of a run of days that leave out at most three of sixty", () => {
    let [first, all] = [0, 0];
    for (let seed = 1; seed <= 60; seed += 1) {
      const items = takings(seed);
      const days = [...new Set(items.map(({ on }) => on))];
      const [from, to] = [seed % 3, (seed % 3) + 1 + (seed % 3)];
      const run = items.filter(({ on }) => on >= days[from]! && on <= days[to]!);
      const out = new Set(
        Array.from({ length: seed % 4 }, (_, at) => run[(seed * 7 + at * 5) % run.length]?.id),
      );
      const truth = run.filter(({ id }) => !out.has(id));
      // What was paid out before the run is no longer in clearing.
      const waiting = items.filter(({ on }) => on >= days[from]!);
      const found = bulkPayoutAnswers(waiting, {
        sum: minor(truth.reduce((sum, { net }) => sum + net, 0)),
        on: addBankingDays(days[to]!, 2),
        delayDays: 2,
      });
      all += 1;
      if (found.answers[0]?.ids.join() === truth.map(({ id }) => id).join()) first += 1;
    }
    expect(first / all).toBeGreaterThanOrEqual(0.95);
  });
});
