import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";

/* Lists of a processor that keeps back a part, by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const sumsOf = (text: string): string[] =>
  linesIn("processor", text).map((line) => line.split(" | ").slice(1, 3).join(" | "));

describe("a column of what is kept back", () => {
  it("is a reserve and no fee, where the net is less it too", () => {
    const file = list(
      "Date,Order,Gross,Fee,Held,Net",
      "2026-11-12,O1,1000.00,29.00,100.00,871.00",
      "2026-11-13,O2,500.00,14.50,50.00,435.50",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(readList(file, asked).proofs).toContain("“Held” is a reserve: the rest of each net");
    expect(sumsOf(file).slice(0, 2)).toEqual([
      "1,000.00 | charge, fee 29.00",
      "(100.00) | reserve",
    ]);
  });
  it("comes back in a column of its own, or above zero in the same", () => {
    const two = list(
      "Date,Order,Type,Gross,Fee,Rolling Reserve,Reserve Release,Net",
      "2026-11-12,O1,Sale,1000.00,29.00,100.00,0.00,871.00",
      "2026-11-13,O2,Sale,500.00,14.50,50.00,0.00,435.50",
      "2026-11-14,O3,Release,0.00,0.00,0.00,75.00,75.00",
    );
    const one = list(
      "Date,Order,Type,Gross,Fee,Reserve,Net",
      "2026-11-12,O1,Sale,1000.00,-29.00,-100.00,871.00",
      "2026-11-13,O2,Sale,500.00,-14.50,-50.00,435.50",
      "2026-11-14,O1,Reserve release,0.00,0.00,75.00,75.00",
    );
    for (const file of [two, one]) {
      expect(openIn(file, asked)).toEqual([]);
      expect(sumsOf(file)).toEqual([
        "1,000.00 | charge, fee 29.00",
        "(100.00) | reserve",
        "500.00 | charge, fee 14.50",
        "(50.00) | reserve",
        "75.00 | reserve",
      ]);
    }
  });
  it("is asked about where the net says nothing of it", () => {
    const file = list(
      "Date,Order,Gross,Fee,Held,Net",
      "2026-11-12,O1,1000.00,29.00,100.00,971.00",
      "2026-11-13,O2,500.00,14.50,50.00,485.50",
    );
    expect(openIn(file, asked)).toEqual(["column:Held"]);
    const answers = { "column:Held": "reserve" };
    expect(readList(file, { ...asked, answers })).toMatchObject({
      questions: [],
      proofs: ["gross less fee is net on all 2 lines that have the three"],
    });
  });
  it("is no fee whatever else was taken off: a loan that is paid back is asked about", () => {
    const file = list(
      "Date,Order,Gross,Fee,Loan repayment,Net",
      "2026-11-12,O1,1000.00,29.00,100.00,871.00",
      "2026-11-13,O2,500.00,14.50,50.00,435.50",
    );
    expect(openIn(file, asked)).toContain("column:Loan repayment");
  });
});

describe("an adjustment whose text tells of a dispute", () => {
  const file = (text: string): string =>
    list("id,type,created,amount,description", `t1,adjustment,2026-11-12,-200.00,${text}`);
  it("is that dispute, where its words are sure", () => {
    expect(sumsOf(file("Chargeback withdrawal for ch_1"))).toEqual(["(200.00) | dispute"]);
    expect(sumsOf(file("Dispute fee"))).toEqual(["(200.00) | dispute fee"]);
    expect(sumsOf(file("Rounding"))).toEqual(["(200.00) | adjustment"]);
  });
  it("is asked about where they are not", () =>
    expect(openIn(file("Settled dispute with ch_1"), asked)).toEqual([
      "word:settled dispute with",
    ]));
});
