import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor } from "@/core/money";

import type { MatchItem } from "../types";
import { mayBe } from "./damage";
import { NumberIndex } from "./memo";
import { type UnresolvedToken } from "./mention";
import { coreOf } from "./patterns";

const USD = currencyOf("USD") as Currency;
const item = (id: number, number: string, poNumber: string | null = null): MatchItem => ({
  id,
  number,
  customerId: 1,
  issuedOn: day("2026-11-01"),
  dueOn: day("2026-12-01"),
  currency: USD,
  total: minor(100),
  balance: minor(100),
  poNumber,
  terms: null,
});
const plain = [
  item(1, "1041"),
  item(2, "1042"),
  item(3, "1043"),
  item(4, "1044", "PO 7781"),
  item(5, "20431"),
  item(6, "20433"),
];
const styled = [
  item(1, "INV-000431"),
  item(2, "INV-000502"),
  item(3, "2026-00041"),
  item(4, "2611/2251"),
  item(5, "KR0001201"),
];

/** What a memo names, as "number how", and the strays that it leaves. */
function read(items: MatchItem[], memo: string): { named: string[]; strays: string[] } {
  const { mentions, strays } = new NumberIndex(items).read(memo);
  return {
    named: mentions.flatMap((mention) =>
      mention.items.map((item) => `${item.number} ${mention.how}`),
    ),
    strays: strays.map(({ text }) => text),
  };
}

describe("numbers in a memo, in a book that numbers plainly", () => {
  it.each<[string, string, string[]]>([
    ["in a sentence", "payment for your invoice 1042 with thanks", ["1042 whole"]],
    ["a list with its ends only", "1041, 42 and 44", ["1041 whole", "1042 digits", "1044 digits"]],
    ["a range", "invoices 1041-1044", ["1041 digits", "1042 digits", "1043 digits", "1044 digits"]],
    ["a range in words", "1041 to 1043", ["1041 digits", "1042 digits", "1043 digits"]],
    ["spaced", "2 0 4 3 1", ["20431 whole"]],
    ["O for 0", "2O431", ["20431 whole"]],
    ["zeros in front", "0020431", ["20431 digits"]],
    ["an order", "PO 7781", ["1044 order"]],
    ["an order without its letters", "7781", ["1044 order"]],
    ["wrapped in the middle", "20431 204\n33", ["20431 whole", "20433 whole"]],
    ["amounts beside them", "1041 120.00 1042 80.00", ["1041 whole", "1042 whole"]],
    ["in Spanish", "factura 1043, gracias", ["1043 whole"]],
    ["a prefix of its own", "INV1043", ["1043 whole"]],
  ])("%s", (_case, memo, named) => expect(read(plain, memo).named).toEqual(named));
  it.each([
    ["a date", "paid 11/24/2026"],
    ["an ISO date", "2026-10-41 2026-11-24"],
    ["a telephone number", "call 312-555-1041"],
    ["an amount", "USD 1,041.00"],
    ["a job", "job 1039"],
    ["words only", "thank you"],
  ])("takes %s for what it is", (_case, memo) => {
    expect(read(plain, memo).named).toEqual([]);
  });
  it("keeps what looks like a number of the book and is none", () => {
    expect(read(plain, "1041 and 20999")).toEqual({ named: ["1041 whole"], strays: ["20999"] });
  });
});

describe("numbers in books with prefixes, years and zeros", () => {
  it.each<[string, string, string[]]>([
    ["the prefix lost", "000431", ["INV-000431 digits"]],
    ["prefix and zeros lost", "invoice 502", ["INV-000502 digits"]],
    ["the prefix apart", "INV 000431", ["INV-000431 whole"]],
    ["small letters without the hyphen", "inv000502", ["INV-000502 whole"]],
    ["O for each 0", "INV-OOO5O2", ["INV-000502 whole"]],
    ["the year part", "2026-00041", ["2026-00041 whole"]],
    ["the year lost", "00041", ["2026-00041 digits"]],
    ["with a slash", "2611/2251", ["2611/2251 whole"]],
    ["letters glued on", "KR1201", ["KR0001201 digits"]],
  ])("%s", (_case, memo, named) => expect(read(styled, memo).named).toEqual(named));
  // ISO 11649: RF18 5390 0754 7034 is a valid creditor reference, mod 97 = 1; value from memory.
  it("reads a creditor reference, and only one whose check digits are right", () => {
    const book = [item(1, "539007547034")];
    expect(read(book, "RF18 5390 0754 7034 thanks").named).toEqual(["539007547034 whole"]);
    expect(read(book, "RF18539007547034").named).toEqual(["539007547034 whole"]);
    expect(read(book, "RF19539007547034").named).toEqual([]);
  });
});

describe("numbers damaged on the way", () => {
  const stray = (text: string, last = false): UnresolvedToken => ({
    text,
    at: 0,
    digits: text.replace(/\D/g, "").replace(/^0+/, ""),
    last,
    after: "",
    ownStyle: true,
    leftOut: false,
    stated: "",
  });
  it.each<[string, UnresolvedToken, string[]]>([
    ["two digits swapped", stray("20413"), ["20431", "20433"]],
    ["one digit wrong", stray("20437"), ["20431", "20433"]],
    ["cut at the end of the field", stray("2043", true), ["20431", "20433"]],
    ["cut in front", stray("431"), ["20431"]],
    ["something else", stray("99999"), []],
    ["two digits wrong", stray("20598"), []],
  ])("%s", (_case, written, numbers) =>
    expect(mayBe(written, plain.slice(4)).map(({ number }) => number)).toEqual(numbers),
  );
  it("takes the digits at the end as the core of a number", () =>
    expect(["INV-000431", "2611/2251", "KR0001201", "S70"].map(coreOf)).toEqual([
      "431",
      "2251",
      "1201",
      "70",
    ]));
});
