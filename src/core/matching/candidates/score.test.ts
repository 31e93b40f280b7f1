import fc from "fast-check";

import type { ReferenceQuality } from "../memo/scope";
import type { AmountFit, PayerCertainty } from "./candidate";
import { type Grounds, scoreOf } from "./score";

const grounds = (more: Partial<Grounds> = {}): Grounds => ({
  sum: "exact",
  numbers: "whole",
  who: "certain",
  lines: 1,
  foreign: 0,
  unexplained: 0,
  skipped: 0,
  doubts: 0,
  payerWeight: 0,
  ...more,
});
const best = (...all: Partial<Grounds>[]): Partial<Grounds>[] =>
  [...all].sort((a, b) => scoreOf(grounds(b)) - scoreOf(grounds(a)));

/** What stands first in each list is the better reading, all else alike. */
const ORDERS: [string, Partial<Grounds>[]][] = [
  [
    "numbers to the letter, by digits, by order, damaged",
    (["whole", "digits", "order", "damaged"] as ReferenceQuality[]).map((numbers) => ({ numbers })),
  ],
  [
    "a payer beyond doubt, likely, one of several, not known, somebody else",
    (["certain", "likely", "weak", "unknown", "other"] as PayerCertainty[]).map((who) => ({ who })),
  ],
  [
    "by numbers: the exact sum, with a credit, too late a discount, mended, too much, short",
    (["exact", "credit", "late", "mended", "over", "short"] as AmountFit[]).map((sum) => ({ sum })),
  ],
  [
    "by the sum alone: one item, all, all that is due, several, the oldest, on account",
    (["single", "all", "due", "several", "oldest", "account"] as AmountFit[]).map((sum) => ({
      numbers: "none",
      sum,
    })),
  ],
  ["no word of somebody else’s, one, two", [0, 1, 2].map((foreign) => ({ foreign }))],
  ["no word that nothing explains, one, two", [0, 1, 2].map((unexplained) => ({ unexplained }))],
  ["no number that is passed over, one, two", [0, 1, 2].map((skipped) => ({ skipped }))],
  ["no doubt, some, more", [0, 1, 2].map((doubts) => ({ doubts }))],
  [
    "a set of few items, of more",
    [2, 3, 4].map((lines) => ({ numbers: "none", sum: "several", lines })),
  ],
];

describe("how good a reading is", () => {
  it.each(ORDERS)("%s", (_case, inOrder) =>
    expect(best(...[...inOrder].reverse())).toEqual(inOrder),
  );
  it("rises with what is known of the payer, up to a point, and never by much", () => {
    fc.assert(
      fc.property(fc.float({ min: 0, max: 60, noNaN: true }), (payerWeight) => {
        const more = scoreOf(grounds({ payerWeight })) - scoreOf(grounds());
        return more >= 0 && more <= 4;
      }),
    );
  });
  it("is never raised by something that speaks against it", () => {
    const flaw = fc.constantFrom("foreign", "unexplained", "skipped", "doubts");
    fc.assert(
      fc.property(flaw, fc.integer({ min: 1, max: 5 }), fc.nat(5), (name, more, before) => {
        const so = scoreOf(grounds({ [name]: before }));
        return scoreOf(grounds({ [name]: before + more })) < so;
      }),
    );
  });
});
