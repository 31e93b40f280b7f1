import { editDistance, propose, type MatchingInput, type MatchReceipt } from "@/core/matching";

import { generate } from "../bench/books/generate";
import { trial } from "../bench/books/trial";

/**
 * The plainest matcher there is, slow and without doubt: every receipt against
 * every item. It knows one rule only: the whole number stands in the memo as a
 * word, no other item's number does, the sum is its balance to the cent, and
 * no other receipt says the same.
 */
function obvious(input: MatchingInput): Map<number, number> {
  const words = ({ reference }: MatchReceipt): string[] =>
    reference.toUpperCase().split(/[^A-Z0-9/-]+/);
  const found = new Map<number, number>();
  for (const receipt of input.receipts) {
    const named = input.items.filter(({ number }) => words(receipt).includes(number.toUpperCase()));
    const [only] = named;
    if (
      only &&
      named.length === 1 &&
      only.balance === receipt.amount &&
      only.currency === receipt.currency
    )
      found.set(receipt.id, only.id);
  }
  for (const [receipt, item] of found)
    if ([...found].some(([other, same]) => other !== receipt && same === item))
      found.delete(receipt);
  return found;
}

describe("the slow obvious matcher against the fast one", () => {
  it.each([
    ["generate", generate],
    ["trial", trial],
  ] as const)("what is obvious is read so, in books made by %s", (_name, make) => {
    let [agreed, all] = [0, 0];
    for (const [seed, hard] of [
      [9200, false],
      [9201, true],
      [9202, true],
    ] as const) {
      const { input, truth } = make(seed, hard, 150);
      const proposals = new Map(propose(input).map((proposal) => [proposal.receiptId, proposal]));
      for (const [receiptId, itemId] of obvious(input)) {
        const best = proposals.get(receiptId)?.readings[0];
        // Where the truth is another (an old list quoted again, two digits swapped into somebody
        // else's number), the obvious is wrong.
        const real = truth.get(receiptId)?.lines ?? [];
        if (
          real.length !== 1 ||
          real[0]?.number !== input.items.find(({ id }) => id === itemId)?.number
        )
          continue;
        all += 1;
        if (best?.lines.length === 1 && best.lines[0]?.itemId === itemId) agreed += 1;
      }
    }
    expect(all).toBeGreaterThan(60);
    expect(agreed).toBe(all);
  });
  it("edits are counted as by the textbook's table, within the bound", () => {
    const table = (a: string, b: string): number => {
      const d = Array.from({ length: a.length + 1 }, (_, i) =>
        Array.from({ length: b.length + 1 }, (_, j) => {
          if (i === 0) return j;
          if (j === 0) return i;
          return 0;
        }),
      );
      const at = (i: number, j: number): number => d[i]?.[j] ?? 0;
      for (let i = 1; i <= a.length; i += 1) {
        for (let j = 1; j <= b.length; j += 1) {
          const same = a[i - 1] === b[j - 1] ? 0 : 1;
          const swap =
            i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]
              ? at(i - 2, j - 2) + 1
              : Infinity;
          d[i]![j] = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + same, swap);
        }
      }
      return at(a.length, b.length);
    };
    const words = [
      "20431",
      "20413",
      "2431",
      "",
      "JUNIPERSPUR",
      "JUNIPERCROP",
      "POTTERY",
      "POTTREY",
      "ABC",
      "CA",
      "ALDER",
      "ELDER",
    ];
    for (const a of words)
      for (const b of words)
        expect([a, b, Math.min(4, editDistance(a, b, 3))]).toEqual([
          a,
          b,
          Math.min(4, table(a, b)),
        ]);
  });
});
