import { currencyOf, type Currency } from "@/core/money";

import { decimalMarkOf } from "./decimalMark";

const found = (code: string, ...texts: string[]) =>
  decimalMarkOf(texts.map((text) => ({ text, currency: currencyOf(code) as Currency })));

it.each([
  ["USD", ["12.50", "1,234.00"], ".", null],
  ["USD", ["12,50", "1.234,00"], ",", null],
  ["USD", ["5.005", "12,50"], ",", null],
  ["USD", ["5.005", "12.50"], ".", null],
  ["USD", ["5.005"], ",", "5.005"],
  ["USD", ["12", "7", "5.005"], ",", "5.005"],
  ["USD", ["1,234"], ".", null],
  ["USD", ["12", "7"], ".", null],
  ["KWD", ["1.234"], ".", "1.234"],
  ["KWD", ["1.234", "12.5"], ".", null],
  ["KWD", ["1.234", "12,5"], ",", null],
  ["KWD", ["1,234"], ".", "1,234"],
  ["KWD", ["1.234,500"], ",", null],
  ["JPY", ["1.234"], ",", "1.234"],
  ["JPY", ["1,234"], ".", null],
  ["USD", [], ".", null],
  ["USD", ["", "nothing"], ".", null],
])("%s %j: mark %s, open at %s", (code, texts, mark, sample) =>
  expect(found(code, ...texts)).toEqual({ mark, sample }),
);
