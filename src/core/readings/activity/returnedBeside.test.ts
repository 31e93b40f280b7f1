import { linesIn, list, openIn } from "../../../../tests/support/readings";

/* What came back, told beside what it is of; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const linesOf = (text: string): string[] => linesIn("processor", text);

describe("a debit with its return on the same line", () => {
  const debits = (status: string, returned: string): string =>
    list(
      "Trace Number,Effective Date,Individual Name,Amount,Status,Return Code,Return Date",
      "T1,2026-11-14,Brightwater,1450.00,Settled,,",
      `T2,2026-11-14,Tallow,620.10,${status},${returned}`,
    );
  it("is money that came, and that came back on its own day", () => {
    const file = debits("Returned", "R01,2026-11-18");
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)).toEqual([
      "Sat 14 Nov | 1,450.00 | charge | Brightwater",
      "Sat 14 Nov | 620.10 | charge | Tallow",
      "Wed 18 Nov | (620.10) | ACH return | Tallow",
    ]);
  });
  it("is asked about where nothing says why, or when", () => {
    expect(openIn(debits("Returned", "R01,"), asked)).toEqual(["state:returned"]);
    expect(openIn(debits("Returned", ",2026-11-18"), asked)).toEqual(["state:returned"]);
  });
  it("is told once where a line of its own tells of the return, too", () => {
    const file = list(
      "Trace Number,Type,Effective Date,Amount,Status,Return Code,Return Date",
      "T1,ACH debit,2026-11-14,1450.00,Settled,,",
      "T2,ACH debit,2026-11-14,620.10,Returned,R01,2026-11-18",
      "T3,ACH return,2026-11-18,-620.10,Settled,R01,",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file).filter((line) => line.includes("ACH return"))).toHaveLength(1);
  });
  it("is what it was where it stands as settled", () => {
    expect(linesOf(debits("Settled", ","))).toHaveLength(2);
  });
});

describe("a fee that is given back", () => {
  const sized = list(
    "Date,Type,Amount,Ref",
    "2026-11-13,Payment,100.00,A1",
    "2026-11-13,Fee,3.20,A1",
    "2026-11-14,Refund,50.00,A1",
    "2026-11-14,Refunded fee,1.60,A1",
  );
  it("brings money by its word, where sums carry no sign", () => {
    expect(openIn(sized, asked)).toEqual([]);
    expect(linesOf(sized).at(-1)).toBe("Sat 14 Nov | 1.60 | fee | A1");
  });
  it("is not the fee of its payment, though it goes by the same id", () => {
    const file = list(
      "Payout ID,Payout Date,Transaction,Kind,Debit,Credit",
      "P1,2026-11-16,TX1,Sale,,250.00",
      "P1,2026-11-16,TX1,Processing fee,7.55,",
      "P1,2026-11-16,TX1,Refund,50.00,",
      "P1,2026-11-16,TX1,Refunded fee,,1.50",
      "P1,2026-11-16,,Payout,193.95,",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)).toHaveLength(5);
  });
  it("is no fee for giving something back", () => {
    expect(openIn(sized.replace("Refunded fee", "Refund fee"), asked)).toEqual(["word:refund fee"]);
  });
});

describe("how a payout stands", () => {
  const file = (kind: string): string =>
    list(
      "Date,Type,Order,Payout Status,Amount,Fee,Net",
      "2026-11-13,charge,#1,paid,120.00,-3.78,116.22",
      `2026-11-14,${kind},#2,in_transit,-20.00,0.00,-20.00`,
    );
  it("says nothing of what is in it", () => {
    expect(openIn(file("refund"), asked)).toEqual([]);
    expect(linesOf(file("refund"))).toHaveLength(2);
  });
  it("is asked about where it failed: what is in it may be sent with another", () => {
    const failed = file("refund").replace("in_transit", "Failed");
    expect(openIn(failed, asked)).toEqual(["column:Payout Status"]);
  });
  it("is asked about where a line is a payout itself", () => {
    expect(openIn(file("payout"), asked)).toContain("column:Payout Status");
  });
});

describe("a line that charges nothing and has a refund with a fee on it", () => {
  const file = list(
    "Settlement Ref,Txn Date,Sale,Refund,MSC,Net",
    "S1,2026-11-13,200.00,,2.60,197.40",
    "S1,2026-11-13,75.25,,0.98,74.27",
    "S1,2026-11-14,,25.25,0.33,-25.58",
    "S1,,275.25,25.25,3.91,246.09",
  );
  it("is that refund, and what all come to is no line, though it says of which batch it is", () => {
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)).toHaveLength(3);
    expect(linesOf(file).at(-1)).toContain("(25.25) | refund, fee 0.33");
  });
});

it("codes of ACH entries are no ids, and say which line sent money (Nacha file format)", () => {
  const file = list(
    "File Date,Company,Entry Class,Name,Amount,Transaction",
    "2026-11-13,KESTREL,CCD,Brightwater,1450.00,27",
    "2026-11-13,KESTREL,CCD,Tallow,620.10,27",
    "2026-11-14,KESTREL,CCD,Refund Lark,25.00,22",
  );
  expect(openIn(file, asked)).toEqual(["column:Transaction"]);
  expect(linesIn("processor", file, { answers: { "column:Transaction": "status" } })).toEqual([
    "Fri 13 Nov | 1,450.00 | charge | Brightwater",
    "Fri 13 Nov | 620.10 | charge | Tallow",
  ]);
});
