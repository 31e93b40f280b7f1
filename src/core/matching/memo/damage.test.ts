import fc from "fast-check";

import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import type { MatchItem } from "../types";
import { editDistance, mayBe } from "./damage";

/** The textbook's whole table of distances (Damerau 1964; Wagner and Fischer 1974), nothing saved. */
function slowDistance(a: string, b: string): number {
  const table = Array.from({ length: a.length + 1 }, (_, i) =>
    Array.from({ length: b.length + 1 }, (_, j) => (i === 0 || j === 0 ? i + j : 0)),
  );
  const at = (i: number, j: number): number => table[i]![j]!;
  for (let i = 1; i <= a.length; i += 1)
    for (let j = 1; j <= b.length; j += 1) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      const ways = [at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + cost];
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        ways.push(at(i - 2, j - 2) + 1);
      table[i]![j] = Math.min(...ways);
    }
  return at(a.length, b.length);
}

const word = fc.string({ unit: fc.constantFrom("1", "2", "3", "A", "B"), maxLength: 9 });

describe("how far two words are apart", () => {
  // Kukich, Techniques for automatically correcting words in text (ACM Computing Surveys 1992), and
  // textbook pairs; values from memory.
  it.each([
    ["kitten", "sitting", 3],
    ["saturday", "sunday", 3],
    ["20431", "20413", 1],
    ["20431", "2043", 1],
    ["20431", "120431", 1],
    ["CA", "ABC", 3],
    ["", "abc", 3],
    ["same", "same", 0],
  ])("%s and %s are %d apart", (a, b, expected) =>
    expect([editDistance(a, b, 9), editDistance(b, a, 9)]).toEqual([expected, expected]),
  );
  it("is the whole table's, up to the bound", () => {
    fc.assert(
      fc.property(word, word, (a, b) => editDistance(a, b, 20) === slowDistance(a, b)),
      { numRuns: 500 },
    );
  });
  it("is over the bound wherever the lengths alone are", () => {
    fc.assert(
      fc.property(word, word, fc.nat(3), (a, b, bound) => {
        fc.pre(Math.abs(a.length - b.length) > bound);
        return editDistance(a, b, bound) > bound;
      }),
    );
  });
});

describe("what a damaged number may be", () => {
  const item = (id: number, number: string): MatchItem => ({
    id,
    number,
    customerId: 1,
    issuedOn: day("2026-11-01"),
    dueOn: day("2026-12-01"),
    currency: currencyOf("USD") as Currency,
    total: minor(100),
    balance: minor(100),
    poNumber: null,
    terms: null,
  });
  const items = [
    item(1, "20431"),
    item(2, "20998"),
    item(3, "INV-77120"),
    item(4, "KR-0001234"),
    item(5, "2026-00581"),
  ];
  const found = (text: string, last = false): number[] => {
    const digits = text.replace(/\D/g, "").replace(/^0+/, "");
    const around = { after: "", ownStyle: true, leftOut: false, stated: "" };
    return mayBe({ text, at: 0, digits, last, ...around }, items).map(({ id }) => id);
  };

  it.each([
    ["two digits swapped", "20413", [1]],
    ["a wrong digit", "20439", [1]],
    ["a digit too many", "204311", [1]],
    ["cut in front", "431", [1]],
    ["cut in front, with zeros", "1234", [4]],
    ["a wrong digit behind a prefix", "INV-77121", [3]],
    ["a prefix of its own", "INW-77120", [3]],
    ["nothing like it", "98765", []],
    ["too short to say anything", "31", []],
  ])("%s: %s", (_case, text, ids) => expect(found(text)).toEqual(ids));

  it("is cut behind only at the end of the field", () => {
    expect([found("2043", true), found("2099", true)]).toEqual([[1], [2]]);
    expect(found("INV-771", true)).toEqual([3]);
    expect(found("INV-7", true)).toEqual([]);
  });
  it("is always found where one digit of a number is off", () => {
    fc.assert(
      fc.property(fc.nat(4), fc.nat(9), (at, digit) => {
        const wrong = `${"20998".slice(0, at)}${digit}${"20998".slice(at + 1)}`;
        fc.pre(wrong !== "20998" && !wrong.startsWith("0"));
        return found(wrong).includes(2);
      }),
    );
  });
});
