import { linesIn, list, openIn } from "../../../../tests/support/readings";

/* What was paid beside or instead of a sum; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const sumsOf = (text: string, answers: Record<string, string> = {}): string[] =>
  linesIn("processor", text, { answers }).map((line) => line.split(" | ").slice(1, 3).join(" | "));

describe("a tip", () => {
  const file = (...ends: [string, string]): string =>
    list(
      `Payment,Date,Amount,Tip,Fee${ends[0] === "" ? "" : ",Deposit"}`,
      `p1,2026-11-12,100.00,10.00,3.49${ends[0]}`,
      `p2,2026-11-13,50.00,0.00,1.75${ends[1]}`,
    );
  it("is charged too, where the fees leave what arrives of both together", () => {
    expect(openIn(file(",106.51", ",48.25"), asked)).toEqual([]);
    expect(sumsOf(file(",106.51", ",48.25"))).toEqual([
      "110.00 | charge, fee 3.49",
      "50.00 | charge, fee 1.75",
    ]);
  });
  it("is within the sum where they leave it of that alone", () => {
    expect(openIn(file(",96.51", ",48.25"), asked)).toEqual([]);
    expect(sumsOf(file(",96.51", ",48.25"))[0]).toBe("100.00 | charge, fee 3.49");
  });
  it("is asked about where nothing arrives that says it", () => {
    expect(openIn(file("", ""), asked)).toEqual(["column:Tip"]);
    expect(sumsOf(file("", ""), { "column:Tip": "on_top" })).toEqual([
      "110.00 | charge, fee 3.49",
      "50.00 | charge, fee 1.75",
    ]);
    expect(sumsOf(file("", ""), { "column:Tip": "leave" })[0]).toBe("100.00 | charge, fee 3.49");
  });
});

it("what was captured of a payment is asked about, and is what was charged where that is said", () => {
  const file = list(
    "Payment,Date,Amount,Captured amount,Fee,Type",
    "p1,2026-11-12,100.00,80.00,2.62,Charge",
    "p2,2026-11-13,50.00,50.00,1.75,Charge",
    "p3,2026-11-14,-50.00,,0.00,Refund",
  );
  expect(openIn(file, asked)).toEqual(["column:Captured amount"]);
  expect(sumsOf(file, { "column:Captured amount": "charged" })).toEqual([
    "80.00 | charge, fee 2.62",
    "50.00 | charge, fee 1.75",
    "(50.00) | refund",
  ]);
});
