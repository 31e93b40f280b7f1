import { propose } from "@/core/matching";

import { accuracy } from "../bench/accuracy";
import { generate } from "../bench/books/generate";

/**
 * The goals of docs/benchmarks.md, on a few made-up books with known truth; `npm run bench --
 * makers` measures more.
 */
describe("matching made-up books", () => {
  it("with one difficulty a receipt: nothing wrong is applied, and nearly everything clear is", () => {
    const found = accuracy([9100, 9101, 9102], false, undefined, (seed, hard) =>
      generate(seed, hard, 250),
    );
    expect(found.all).toBeGreaterThan(500);
    expect(found.appliedRight).toBe(found.applied);
    expect(found.clearApplied / found.clear).toBeGreaterThan(0.985);
    expect(found.homeBest / found.home).toBeGreaterThan(0.97);
    expect(found.brier).toBeLessThan(0.028);
  });
  it("with two or three: hardly anything wrong is applied, and most of what is clear is", () => {
    const found = accuracy([9100, 9101, 9102], true, undefined, (seed, hard) =>
      generate(seed, hard, 250),
    );
    expect(found.appliedRight / found.applied).toBeGreaterThan(0.995);
    expect(found.clearApplied / found.clear).toBeGreaterThan(0.85);
    expect(found.homeBest / found.home).toBeGreaterThan(0.87);
    expect(found.brier).toBeLessThan(0.05);
  });
  it("never claims a balance twice, whatever the noise", () => {
    const { input } = generate(9103, true, 250);
    const used = new Map<number, number>();
    for (const { decision, readings } of propose(input))
      if (decision !== "none")
        for (const line of readings[0]?.lines ?? [])
          used.set(line.itemId, (used.get(line.itemId) ?? 0) + line.amount + line.discount);
    for (const item of input.items)
      expect(Math.abs(used.get(item.id) ?? 0)).toBeLessThanOrEqual(Math.abs(item.balance));
  });
  it("says the same whatever the order of receipts, items and customers", () => {
    const { input } = generate(9104, true, 150);
    const turned = {
      ...input,
      receipts: [...input.receipts].reverse(),
      items: [...input.items].reverse(),
      customers: [...input.customers].reverse(),
      history: [...input.history].reverse(),
    };
    const told = (all: ReturnType<typeof propose>): string[] =>
      all
        .map(
          ({ receiptId, decision, readings }) =>
            `${receiptId} ${decision} ${
              readings[0]?.lines
                .map((line) => `${line.number}:${line.amount}`)
                .sort()
                .join("+") ?? ""
            }`,
        )
        .sort();
    expect(told(propose(turned))).toEqual(told(propose(input)));
  });
});
