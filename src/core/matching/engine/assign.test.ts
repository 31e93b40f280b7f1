import fc from "fast-check";
import highs from "highs";

import { minor } from "@/core/money";

import type { Draft } from "../candidates/candidate";
import { assign, type Contender } from "./assign";

/** A reading that takes these balances, with its score. */
const reading = (balances: readonly number[], score: number): Draft =>
  ({
    numbers: "none",
    sum: "several",
    score,
    onAccount: minor(0),
    lines: balances.map((amount) => ({ amount: minor(amount), discount: minor(0) })),
  }) as unknown as Draft;

type Some = readonly { readonly takes: readonly number[]; readonly score: number }[];
const contendersOf = (all: readonly Some[]): Contender[] =>
  all.map((some, at) => ({
    id: at + 1,
    drafts: some.map(({ takes, score }) => reading(takes, score)),
  }));

/** What an answer comes to: receipts, and their scores. Fails where a balance is taken twice. */
function worth(all: readonly Some[], free: readonly number[], chosen: Map<number, string>) {
  const left = [...free];
  let score = 0;
  for (const [id, takes] of chosen) {
    const same = all[id - 1]!.filter((some) => [...some.takes].sort(byNumber).join(" ") === takes);
    score += Math.max(...same.map((some) => some.score));
    for (const balance of takes.split(" ").map(Number)) {
      expect(left).toContain(balance);
      left.splice(left.indexOf(balance), 1);
    }
  }
  return { count: chosen.size, score };
}
const byNumber = (a: number, b: number): number => a - b;

/** A count above all: more than all scores together. */
const ONE = 10_000;

describe("receipts of a customer that only their sums speak for", () => {
  it("each has its own where there is enough for all", () => {
    const all = [[{ takes: [5, 3], score: 10 }], [{ takes: [3], score: 10 }]];
    expect([...assign(contendersOf(all), [3, 3, 5])]).toEqual([
      [1, "3 5"],
      [2, "3"],
    ]);
  });
  it("as many as possible come out, whatever the better evidence of one would take", () => {
    const all = [
      [
        { takes: [1, 2], score: 90 },
        { takes: [4], score: 5 },
      ],
      [{ takes: [1], score: 10 }],
      [{ takes: [2], score: 10 }],
    ];
    expect([...assign(contendersOf(all), [1, 2, 4])].sort()).toEqual([
      [1, "4"],
      [2, "1"],
      [3, "2"],
    ]);
  });
  it("those without a reading, or of what nobody has open, get none", () =>
    expect(assign(contendersOf([[], [{ takes: [7], score: 10 }]]), [1]).size).toBe(0));

  // Of a few dozen that share claims, the optimum; an integer program, solved by HiGHS, finds it too.
  it("are solved as well as by an integer program, up to forty together", async () => {
    const solver = await highs({});
    const some = fc.record({
      takes: fc.array(fc.integer({ min: 1, max: 24 }), { minLength: 1, maxLength: 3 }),
      score: fc.integer({ min: 1, max: 40 }),
    });
    const worlds = fc.record({
      all: fc.array(fc.array(some, { minLength: 1, maxLength: 3 }), {
        minLength: 2,
        maxLength: 40,
      }),
      free: fc.array(fc.integer({ min: 1, max: 24 }), { minLength: 5, maxLength: 60 }),
    });
    fc.assert(
      fc.property(worlds, ({ all, free }) => {
        const { count, score } = worth(all, free, assign(contendersOf(all), free));
        expect(count * ONE + score).toBe(optimum(solver, all, free));
      }),
      { numRuns: 60 },
    );
  });
});

function optimum(
  solver: Awaited<ReturnType<typeof highs>>,
  all: readonly Some[],
  free: readonly number[],
): number {
  const choices = all.flatMap((choices, receipt) =>
    choices.map((choice, at) => ({ ...choice, receipt, name: `x_${receipt}_${at}` })),
  );
  const needs = (balance: number, takes: readonly number[]): number =>
    takes.filter((one) => one === balance).length;
  const rows = [
    ...all.map((_, receipt) =>
      choices
        .filter((choice) => choice.receipt === receipt)
        .map(({ name }) => [1, name, 1] as const),
    ),
    ...[...new Set(choices.flatMap(({ takes }) => takes))].map((balance) =>
      choices
        .filter(({ takes }) => takes.includes(balance))
        .map(({ name, takes }) => [needs(balance, takes), name, needs(balance, free)] as const),
    ),
  ].map(
    (row, at) =>
      ` c${at}: ${row.map(([times, name]) => `${times} ${name}`).join(" + ")} <= ${row[0]![2]}`,
  );
  const goal = choices.map(({ name, score }) => `${ONE + score} ${name}`).join(" + ");
  return Math.round(
    solver.solve(
      `Maximize\n obj: ${goal}\nSubject To\n${rows.join("\n")}\nBinary\n ${choices.map(({ name }) => name).join(" ")}\nEnd`,
    ).ObjectiveValue,
  );
}
