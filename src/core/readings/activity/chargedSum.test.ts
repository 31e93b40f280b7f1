import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";

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

describe("a total beside its parts", () => {
  const file = (total: string): string =>
    list(
      "Time,Txn,Status,Amount,Tip,Surcharge,Total",
      "2026-11-16 10:00,a1,APPROVED,100.00,0.00,3.00,103.00",
      `2026-11-16 11:00,a2,APPROVED,50.00,5.00,1.50,${total}`,
      "2026-11-16 12:00,a3,DECLINED,20.00,0.00,0.60,0.00",
    );
  it("is what was charged where it is their sum on every line", () => {
    expect(openIn(file("56.50"), asked)).toEqual([]);
    expect(sumsOf(file("56.50"))).toEqual(["103.00 | charge", "56.50 | charge"]);
    expect(readList(file("56.50"), asked).proofs).toEqual([
      "“Total” is what was charged: on all 2 lines it is “Amount” and “Tip” and “Surcharge”",
    ]);
  });
  it("is asked about where one line says otherwise", () => {
    expect(openIn(file("55.00"), asked)).toContain("column:Total");
  });
});
