import highs from "highs";
import fc from "fast-check";

import { addDays, day, type Day } from "@/core/calendar";
import { minor } from "@/core/money";
import { bulkPayoutAnswers, type BulkPayoutItem } from "@/core/payouts";

type Solver = Awaited<ReturnType<typeof highs>>;
const START = day("2026-11-02");

/**
 * The fewest items of a run of days that must be left out for the rest to make the sum; null where
 * none do: an integer program, solved by HiGHS.
 */
function fewestLeftOut(solver: Solver, run: readonly BulkPayoutItem[], sum: number): number | null {
  const terms = run
    .map(({ net }, at) => `${net >= 0 ? "+" : "-"} ${Math.abs(net)} x${at}`)
    .join(" ");
  const solved = solver.solve(
    `Maximize\n obj: ${run.map((_, at) => `x${at}`).join(" + ")}\nSubject To\n c: ${terms} = ${sum}\nBinary\n ${run.map((_, at) => `x${at}`).join(" ")}\nEnd`,
  );
  return solved.Status === "Optimal" ? run.length - Math.round(solved.ObjectiveValue) : null;
}

const worlds = fc.record({
  items: fc.array(
    fc.record({
      on: fc.nat(5),
      net: fc.integer({ min: -60, max: 300 }).filter((net) => net !== 0),
    }),
    { minLength: 2, maxLength: 14 },
  ),
  taken: fc.array(fc.boolean(), { minLength: 14, maxLength: 14 }),
});

describe("lumps against an integer program", () => {
  let solver: Solver;
  beforeAll(async () => {
    solver = await highs({});
  });

  it("whether any set makes the sum, and the fewest left out of each run of days, are the program's", () => {
    fc.assert(
      fc.property(worlds, ({ items: made, taken }) => {
        const items = made.map(({ on, net }, at): BulkPayoutItem => ({
          id: at + 1,
          on: addDays(START, on),
          net: minor(net),
        }));
        const sum = items.reduce((so, { net }, at) => so + (taken[at] ? net : 0), 0);
        fc.pre(sum > 0);
        const found = bulkPayoutAnswers(items, {
          sum: minor(sum),
          on: addDays(START, 8),
          delayDays: 2,
        });
        expect((found.count ?? 0) > 0).toBe(fewestLeftOut(solver, items, sum) !== null);
        // The best of each run that leaves out at most three, as the solver has it, is among ours
        // (of which the ten best are shown).
        const days = [...new Set(items.map(({ on }) => on))].sort();
        const runs = days.flatMap((from, at) =>
          days.slice(at).map((to): readonly [Day, Day] => [from, to]),
        );
        let any = false;
        for (const [from, to] of runs) {
          const run = items.filter(({ on }) => on >= from && on <= to);
          const fewest = fewestLeftOut(solver, run, sum);
          if (fewest === null || fewest > 3 || fewest === run.length) continue;
          any = true;
          const within = found.answers.filter(({ ids }) =>
            ids.every((id) => run.some((item) => item.id === id)),
          );
          if (found.answers.length < 10)
            expect(run.length - Math.max(0, ...within.map(({ ids }) => ids.length))).toBe(fewest);
        }
        expect(found.answers.length > 0).toBe(any);
      }),
      { numRuns: 120 },
    );
  });
});
