import fc from "fast-check";

import { LARGEST_SUM } from "@/core/money";

import {
  emailAddresses,
  inputProblem,
  isBookDay,
  isBookSum,
  isEmailAddress,
  MOST_IN_FIELD,
  textProblem,
} from "./index";
import { isByParser } from "./addresses";

describe("addresses", () => {
  it.each([
    // RFC 5322 appendix A.1.1 and RFC 6531 (internationalized), from memory
    "jdoe@machine.example",
    "mary.o'neil+invoices@example.net",
    "accounts@sub.domain.example",
    "büro@example.de",
  ])("%s is one", (text) => expect(isEmailAddress(text)).toBe(true));
  it.each([
    "",
    "nobody",
    "@example.net",
    "a@",
    "a@b",
    "a b@example.net",
    "a@example.net, b@example.net",
    "a@example.net\nBcc: thief@elsewhere.example",
    "a@example.net\r\nthief@elsewhere.example",
    "Mary <mary@example.net>",
    '"quoted part"@example.net',
    "a(comment)@example.net",
    "group: a@example.net;",
    "a@[127.0.0.1]",
    "a..b@example.net",
    "a@example.net\u202e",
    "a\u0000@example.net",
    `${"a".repeat(250)}@example.net`,
  ])("%j is none", (text) => expect(isEmailAddress(text)).toBe(false));
  it("of a cell are taken one by one: one that is none spoils all", () => {
    expect(emailAddresses("a@example.net; b@example.net,c@example.net")).toEqual([
      "a@example.net",
      "b@example.net",
      "c@example.net",
    ]);
    expect(emailAddresses("a@example.net; nobody")).toBeNull();
    expect(emailAddresses(" ; ")).toEqual([]);
  });
});

describe("plain addresses, told without the parser", () => {
  const letters = [..."abcXYZ019!#$%&'*+/=?^_`{|}~-"];
  const atom = fc.string({ unit: fc.constantFrom(...letters), minLength: 1, maxLength: 12 });
  const label = fc.string({ unit: fc.constantFrom(..."aZ9-"), minLength: 1, maxLength: 8 });
  const local = fc.array(atom, { minLength: 1, maxLength: 3 }).map((atoms) => atoms.join("."));
  const domain = fc.array(label, { minLength: 1, maxLength: 3 }).map((labels) => labels.join("."));
  it("are what the parser takes too, whatever letters they are made of", () =>
    fc.assert(
      fc.property(local, domain, (before, behind) => {
        const text = `${before}@${behind}`;
        // What is plain is one by the parser; the parser alone decides of the rest.
        return !isEmailAddress(text) || isByParser(text);
      }),
      { numRuns: 400 },
    ));
  it.each([
    "a..b@c.example",
    ".a@c.example",
    "a.@c.example",
    "a@localhost",
    "a@-c.example",
    "a@c..example",
  ])("%s is told as the parser tells it", (text) =>
    expect(isEmailAddress(text)).toBe(isByParser(text)),
  );
});

describe("sums, days and texts", () => {
  it.each([
    [LARGEST_SUM, true],
    [LARGEST_SUM + 1, false],
    [-LARGEST_SUM, true],
    [-LARGEST_SUM - 1, false],
    [0, true],
  ])("%d: %s", (sum, may) => expect(isBookSum(sum)).toBe(may));
  it.each([
    ["1899-12-31", false],
    ["1900-01-01", true],
    ["2199-12-31", true],
    ["2200-01-01", false],
    ["0099-01-01", false],
  ])("%s: %s", (day, may) => expect(isBookDay(day)).toBe(may));
  it.each([
    ["Ängström, 50 %\tnet\r\n第二行 🙂", null],
    ["a\u0000b", "text.control"],
    ["a\u001bb", "text.control"],
    ["a\u009bb", "text.control"],
    ["a\u202eb", "text.control"],
    ["a\ud800b", "text.control"],
    ["x".repeat(MOST_IN_FIELD), null],
    ["x".repeat(MOST_IN_FIELD + 1), "text.long"],
  ])("a text %#: %s", (text, problem) => expect(textProblem(text)).toBe(problem));
});

describe("an input", () => {
  it("says where it holds what may not enter, names of fields included", () => {
    expect(inputProblem({ lines: [{ sum: 1 }, { sum: 4e13 }] })).toEqual({
      path: ["lines", 1, "sum"],
      code: "sum.large",
    });
    expect(inputProblem({ why: "a\u0007" })).toEqual({ path: ["why"], code: "text.control" });
    expect(inputProblem({ said: { "a\u0000": "b" } })).toEqual({
      path: ["said"],
      code: "text.control",
    });
    expect(inputProblem({ at: null, is: true, sums: [1, -2], words: "fine" })).toBeNull();
  });
  it("whatever else it holds, one bad value is found", () => {
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.string({ unit: "grapheme-ascii" }),
          fc.jsonValue({ maxDepth: 2, noUnicodeString: true }),
          { maxKeys: 5 },
        ),
        fc.constantFrom(2e12, -2e12, "\u0000", "\u2066", "x".repeat(MOST_IN_FIELD + 1)),
        (fields, bad) => inputProblem({ ...fields, last: [[bad]] }) !== null,
      ),
    );
  });
});
