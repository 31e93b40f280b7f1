import fc from "fast-check";

import { type Currency, currencyOf, minor } from "@/core/money";

import { filterItems, piecesOf, restsOn } from "..";
import { oddity, sureKind } from "../decision/sureKinds";
import { agreement, disagreement } from "../payers/weights";

const USD = currencyOf("USD") as Currency;

describe("match weights (Fellegi and Sunter 1969; values from memory)", () => {
  it("m 0.95 and u 0.01 weigh 6.57 in agreement, -4.31 in disagreement", () => {
    expect(agreement(0.95, 0.01)).toBeCloseTo(6.57, 2);
    expect(disagreement(0.95, 0.01)).toBeCloseTo(-4.31, 2);
  });
});

describe("what a reading rests on, marked in place", () => {
  const shown = (memo: string, spots: { at: number; text: string }[]): string =>
    piecesOf(memo, spots)
      .map(({ text, mark }) => (mark === null ? text : `[${mark} ${text}]`))
      .join("");
  it.each<[string, string, { at: number; text: string }[], string]>([
    [
      "one number",
      "invoice 20431, thanks",
      [{ at: 8, text: "20431" }],
      "invoice [0 20431], thanks",
    ],
    [
      "two, given in another order",
      "20431 and 433",
      [
        { at: 10, text: "433" },
        { at: 0, text: "20431" },
      ],
      "[1 20431] and [0 433]",
    ],
    [
      "a number written with gaps, to its last digit",
      "inv 2 0 4 3 1 ok",
      [{ at: 4, text: "20431" }],
      "inv [0 2 0 4 3 1] ok",
    ],
    ["a number broken by a line's end", "20\n431", [{ at: 0, text: "20431" }], "[0 20\n431]"],
    [
      "what lies in the remittance behind the memo",
      "thanks",
      [{ at: 12, text: "20431" }],
      "thanks",
    ],
    [
      "two on one place",
      "20431",
      [
        { at: 0, text: "20431" },
        { at: 0, text: "20431" },
      ],
      "[0 20431]",
    ],
  ])("%s", (_case, memo, spots, expected) => expect(shown(memo, spots)).toBe(expected));
  it("put together again the pieces are the memo, whatever the spots", () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 40 }),
        fc.array(fc.record({ at: fc.nat(50), text: fc.stringMatching(/^[0-9]{1,8}$/) }), {
          maxLength: 5,
        }),
        (memo, spots) => {
          expect(
            piecesOf(memo, spots)
              .map(({ text }) => text)
              .join(""),
          ).toBe(memo);
        },
      ),
    );
  });
  it("reasons rest on the memo, or on name, address and sum", () => {
    expect(
      restsOn({
        code: "numbers",
        numbers: ["20431"],
        how: "whole",
        spots: [{ at: 3, text: "20431" }],
      }),
    ).toEqual({ spots: [{ at: 3, text: "20431" }], field: null });
    expect([
      restsOn({ code: "email" }).field,
      restsOn({ code: "name", exact: true }).field,
      restsOn({ code: "sum_one", number: "1" }).field,
      restsOn({ code: "group" }).field,
    ]).toEqual(["email", "name", "sum", null]);
  });
});

describe("open items filtered by what is typed", () => {
  const items = [
    ["20431", 86_450],
    ["20433", 42_000],
    ["20440", 21_225],
    ["20450", 54_000],
    ["CN-9", -1000],
  ].map(([number, open], at) => ({
    itemId: at + 1,
    number: String(number),
    customer: at === 3 ? "North Campus" : "Alder Lane",
    description: at === 0 ? "Porcelain, bags" : "",
    open: minor(Number(open)),
  }));
  const found = (text: string, left = 0): { ids: readonly number[]; sets: string[] } => {
    const { ids, sets } = filterItems(items, text, minor(left), USD);
    return { ids, sets: sets.map((set) => set.ids.join("+")) };
  };
  it.each<[string, number[]]>([
    ["", [1, 2, 3, 4, 5]],
    ["540", [4]],
    ["864.50", [1]],
    ["2043", [1, 2]],
    ["porcelain", [1]],
    ["north", [4]],
    ["> 500", [1, 4]],
    ["<300", [3, 5]],
    ["400-600", [2, 4]],
    ["400 - 600.00", [2, 4]],
    ["400 to 600", [2, 4]],
    ["nothing like it", []],
  ])("“%s”", (text, ids) => expect(found(text).ids).toEqual(ids));
  it("finds several that make a sum, and what makes the sum that is left over", () => {
    expect(found("632.25").sets).toEqual(["2+3"]);
    expect(found("=", 128_450)).toEqual({ ids: [], sets: ["1+2"] });
    expect(found("=", 21_225)).toEqual({ ids: [3], sets: [] });
  });
  it("every set it offers makes the sum", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 10 }),
        fc.integer({ min: 1, max: 120 }),
        (opens, sum) => {
          const list = opens.map((open, at) => ({
            itemId: at,
            number: `n${at}`,
            customer: "",
            description: "",
            open: minor(open * 100),
          }));
          for (const set of filterItems(list, `${sum}.00`, minor(0), USD).sets)
            expect(set.ids.reduce((all, id) => all + (opens[id] ?? 0), 0)).toBe(sum);
        },
      ),
    );
  });
});

describe("sure ones by kind", () => {
  const reading = (pattern: string): Parameters<typeof sureKind>[0] => ({
    customerId: 1,
    lines: [],
    onAccount: minor(0),
    confidence: 0.999,
    pattern,
    reasons: [],
  });
  it.each([
    ["sure whole exact certain", "number quoted, exact sum"],
    ["sure none single certain", "known payer, exact sum of one item"],
    ["sure order discount likely", "order number quoted, less the discount, in time"],
  ])("%s", (pattern, words) => expect(sureKind(reading(pattern))).toBe(words));
  it.each([
    ["sure whole exact certain", 5000, null],
    ["sure whole exact certain", 90_000, "a large sum"],
    ["sure damaged exact certain", 5000, "a number with a slip"],
    ["sure whole over certain", 5000, "more than the invoice"],
    ["sure whole part certain", 5000, "paid in part"],
    ["sure whole exact unknown", 5000, "the payer is hardly known"],
  ])("%s of %i is odd: %s", (pattern, amount, words) => {
    expect(oddity(reading(pattern), minor(amount), minor(10_000))).toBe(words);
  });
});
