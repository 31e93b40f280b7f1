import { linesIn, list, openIn } from "../../../../tests/support/readings";

const sums = (kind: "processor" | "invoices", text: string): string[] =>
  linesIn(kind, text).map((line) => line.split(" | ").slice(1, 3).join(" | "));

describe("sums in a column for each kind of line", () => {
  it("come to a total less the fees: the total is what arrives, and not what was charged", () => {
    const file = list(
      "Deposit date,Type,Order,Customer,Charge Amount,Refund Amount,Adjustments,Fees,Total",
      "2026-11-13,Charge,#1101,Ada,480.00,,,-14.22,465.78",
      "2026-11-13,Refund,#1098,Bo,,-60.00,,0.00,-60.00",
      "2026-11-14,Adjustment,,,,,-15.00,0.00,-15.00",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(sums("processor", file)).toEqual([
      "480.00 | charge, fee 14.22",
      "(60.00) | refund",
      "(15.00) | adjustment",
    ]);
  });

  it("do so too where what is charged is the only one of them; it is asked what that is", () => {
    const file = list(
      "Date,Type,Order,Customer,Collected,Fee,Total",
      "2026-11-13,Charge,#1101,Ada,480.00,-14.22,465.78",
      "2026-11-13,Charge,#1102,Cy,96.50,-3.10,93.40",
      "2026-11-14,Refund,#1098,Bo,,0.00,-60.00",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["column:Collected"]);
    const asked = { answers: { "column:Collected": "leave" } };
    expect(linesIn("processor", file, asked).map((line) => line.split(" | ")[1])).toEqual([
      "480.00",
      "96.50",
      "(60.00)",
    ]);
  });

  it("of a refund may stand in the column of what was given back alone", () => {
    const file = (last: string): string =>
      list(
        "Id,Date,Type,Customer,Sales,Refunds,Fees,Net",
        "a,2026-11-13,Sale,Ada,480.00,0.00,14.22,465.78",
        "b,2026-11-14,Sale,Bo,96.50,0.00,3.10,93.40",
        last,
      );
    const taken = file("c,2026-11-14,Refund,Cy,0.00,60.00,-1.20,-58.80");
    expect(openIn(taken, { kind: "processor" })).toEqual([]);
    expect(sums("processor", taken).at(-1)).toBe("(60.00) | refund, 1.20 of a fee back");
    // A cent off is asked about.
    const off = file("c,2026-11-14,Refund,Cy,0.00,60.00,-1.20,-58.79");
    expect(openIn(off, { kind: "processor" })).toEqual(["foot"]);
  });
});

describe("a list of what is open, customer by customer", () => {
  const lines = [
    "501,IN,2026-10-13,2026-11-12,1240.00,1240.00",
    "C-7,CR,2026-10-20,2026-10-20,40.00,40.00",
    "Customer total,,,,1200.00,1200.00",
  ];
  const others = [
    "Customer: Bo Pottery,,,,,",
    "502,IN,2026-10-14,2026-11-13,300.00,300.00",
    "Customer total,,,,300.00,300.00",
  ];
  const head = "Doc,Type,Date,Due,Original,Remaining";
  const whose = (text: string): string[] =>
    linesIn("invoices", text).map((line) => line.split(" | ")[3] ?? "");

  it("names each above its documents, whose numbers need not begin with a digit", () => {
    const file = list(head, "Customer: Ada Studio,,,,,", ...lines, ...others);
    expect(openIn(file, { kind: "invoices" })).toEqual([]);
    expect(whose(file)).toEqual(["Ada Studio", "Ada Studio", "Bo Pottery"]);
  });

  it("names the first, or the only one, above the head", () => {
    const above = "Customer: Ada Studio,,,,,";
    expect(whose(list(above, head, ...lines))).toEqual(["Ada Studio", "Ada Studio"]);
    expect(whose(list(above, head, ...lines, ...others))).toEqual([
      "Ada Studio",
      "Ada Studio",
      "Bo Pottery",
    ]);
  });
});
