import fc from "fast-check";

import { list } from "../../../tests/support/readings";
import { TestBook } from "../../../tests/support/book";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* Statements that end within a day; made by hand, common practice, no source. */

const book = bookOfEach();
const { must } = taking(book);

type Line = readonly [words: string, sum: number, balance: number];
const statement = (lines: readonly Line[], day = "2026-11-17"): string =>
  list(
    "Date,Description,Amount,Balance",
    ...lines.map(([words, ...sums]) =>
      [day, words, ...sums.map((sum) => sum.toFixed(2))].join(","),
    ),
  );
const RENT: Line = ["RENT", -500, 500];
const FIRST: Line = ["DEPOSIT", 20, 520];
const FEE: Line = ["FEES", -5, 515];
const SECOND: Line = ["DEPOSIT", 20, 535];
const counts = (lines: readonly Line[], answers = {}): unknown => {
  const { new: fresh, known } = must("bank", statement(lines), answers);
  return [fresh, known];
};

describe("a statement that ends within a day", () => {
  it("is continued by the next: an equal line there is another by its balance", () => {
    expect(counts([RENT, FIRST])).toEqual([2, 0]);
    expect(counts([FEE, SECOND], { signs: "signed" })).toEqual([2, 0]);
    // Each of them again, and the whole day, bring nothing.
    expect(counts([FEE, SECOND], { signs: "signed" })).toEqual([0, 2]);
    expect(counts([RENT, FIRST])).toEqual([0, 2]);
    expect(counts([RENT, FIRST, FEE, SECOND])).toEqual([0, 4]);
  });

  it("is continued where the next begins with lines that it has, too, and by what was before it", () => {
    expect(counts([RENT, FIRST, FEE])).toEqual([3, 0]);
    expect(counts([FEE, SECOND])).toEqual([1, 1]);
    expect(counts([["RENT", -500, 1000], RENT])).toEqual([1, 1]);
  });

  it("stays as it is where the bank tells the day once more in another order", () => {
    expect(counts([RENT, FIRST, FEE])).toEqual([3, 0]);
    expect(counts([RENT, ["FEES", -5, 495], ["DEPOSIT", 20, 515]])).toEqual([0, 3]);
    // A line that was booked late stands before others, which have other balances then.
    const late: Line[] = [RENT, ["CARD", -7, 493], ["DEPOSIT", 20, 513], ["FEES", -5, 508]];
    expect(counts(late)).toEqual([1, 3]);
  });

  it("ends in the same lines wherever it was cut, from its start and from its end", () => {
    const sums = fc.array(fc.constantFrom(20, 35, 50), { minLength: 4, maxLength: 12 });
    const cut = fc.record({
      length: fc.integer({ min: 2, max: 4 }),
      back: fc.integer({ min: 0, max: 1 }),
    });
    fc.assert(
      fc.property(sums, fc.array(cut, { maxLength: 6 }), fc.boolean(), (all, cuts, isBackwards) => {
        const own = TestBook.ready();
        const lines = all.map((sum, at): Line => {
          const balance = all.slice(0, at + 1).reduce((total, one) => total + one, 100);
          return ["DEPOSIT", sum, balance];
        });
        const pieces: (readonly Line[])[] = [];
        let from = 0;
        for (const { length, back } of cuts) {
          pieces.push(lines.slice(Math.max(0, from - back), from + length));
          from = Math.min(lines.length, from + length);
        }
        pieces.push(lines.slice(Math.max(0, from - 1)));
        const take = taking(() => own).must;
        for (const piece of isBackwards ? pieces.reverse() : pieces)
          if (piece.length > 0) take("bank", statement(piece), { first: "in", signs: "signed" });
        const found = own.db.all<{ amount: number }>("SELECT amount FROM bank_line").length;
        own.close();
        expect(found).toBe(lines.length);
      }),
      { numRuns: 15 },
    );
  });
});
