import { propose } from "@/core/matching";

import { generate } from "../bench/books/generate";
import { MAKERS } from "../bench/books/makers";
import { figuresOf } from "../bench/quality";

/**
 * The goals of docs/benchmarks.md, on a few made-up books with known truth; `npm run bench --
 * makers` measures more.
 */
describe("matching made-up books", () => {
  // The books of another maker lie beside the project, and not in a fresh clone.
  const own = MAKERS.filter(({ name }) => !name.startsWith("third"));
  it.each(own)(
    "of $name, easier: nothing wrong is applied, and nearly everything clear is",
    async (maker) => {
      const found = figuresOf(await maker.judged("easier", 9100));
      expect(found.strict).toBe(100);
      expect(found.applied).toBeGreaterThan(98);
      expect(found.home).toBeGreaterThan(97);
      expect(found.brier).toBeLessThan(0.028);
    },
  );
  it.each(own)(
    "of $name, hardest: hardly anything wrong is applied, and most of what is clear is",
    async (maker) => {
      const found = figuresOf(await maker.judged("hardest", 9101));
      expect(found.strict).toBeGreaterThanOrEqual(99.3);
      expect(found.applied).toBeGreaterThan(85);
      expect(found.home).toBeGreaterThan(87);
      expect(found.brier).toBeLessThan(0.05);
    },
  );
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
