import { linesIn, list, openIn, readList } from "../../../../tests/support/readings";

const head = "Date,Payee,Category,Amount,Running total";
const split = [
  "2026-11-13,Harbor Kiln,Sales,2100.00,6100.00",
  "2026-11-14,Clay Supply,Split,-350.25,5749.75",
  "2026-11-14,Clay Supply,Materials,-300.25,",
  "2026-11-14,Clay Supply,Freight,-50.00,",
];
const bank = { kind: "bank" } as const;

describe("a line and, below it, what it is made of", () => {
  it("counts once by the balance after it", () => {
    const file = list(head, ...split, "2026-11-16,Rent,Rent,-900.00,4849.75");
    expect(openIn(file, bank)).toEqual([]);
    expect(linesIn("bank", file).map((line) => line.split(" | ")[1])).toEqual([
      "2,100.00",
      "(350.25)",
      "(900.00)",
    ]);
    expect(readList(file, bank).proofs).toContain(
      "by the balances, 2 lines say what the line above them is made of",
    );
    expect(readList(file, bank).leftOut).toEqual([
      { line: 4, why: "part" },
      { line: 5, why: "part" },
    ]);
  });

  it("counts once where its balance stands beside each part, too", () => {
    const same = split.map((line) => line.replace(/,$/, ",5749.75"));
    const file = list(head, ...same, "2026-11-16,Rent,Rent,-900.00,4849.75");
    expect(openIn(file, bank)).toEqual([]);
    expect(linesIn("bank", file)).toHaveLength(3);
  });

  it("counts with the lines below it where the balance after them says so", () => {
    const file = list(head, ...split, "2026-11-16,Rent,Rent,-900.00,4499.50");
    expect(openIn(file, bank)).toEqual([]);
    expect(linesIn("bank", file)).toHaveLength(5);
  });

  it("is asked about where no balance follows, or none stands anywhere", () => {
    expect(openIn(list(head, ...split), bank)).toEqual(["split"]);
    const cut = (line: string): string => line.split(",").slice(0, 4).join(",");
    expect(openIn(list(cut(head), ...split.map(cut)), bank)).toEqual(["split"]);
    const said = (parts: string): number =>
      linesIn("bank", list(head, ...split), { answers: { split: parts } }).length;
    expect([said("leave"), said("count")]).toEqual([2, 4]);
  });

  it("is asked about below what is booked as one, whatever the words of its parts", () => {
    const deposit = (word: string): string =>
      list(
        "Date,Description,Amount",
        `2026-11-13,${word},1850.00`,
        "2026-11-13,Check 7001,1540.00",
        "2026-11-13,Check 512,310.00",
        "2026-11-16,Rent,-900.00",
      );
    expect(openIn(deposit("Deposit total"), bank)).toEqual(["split"]);
    expect(openIn(deposit("Harbor Kiln"), bank)).toEqual([]);
  });

  it("is none where the lines below it are of another day, or of others", () => {
    const other = split.map((line) => line.replace(/2026-11-14(.*,)$/, "2026-11-15$1"));
    expect(openIn(list(head, ...other), bank)).toEqual([]);
  });
});

describe("lines after the last balance", () => {
  it("are not said to follow on", () => {
    const file = list(
      head,
      split[0] ?? "",
      "2026-11-14,Rent,Rent,-900.00,5200.00",
      "2026-11-15,Tin,Tin,-5.00,",
    );
    expect(readList(file, bank).proofs).toContain("2 of 3 lines follow on from 4,000.00");
  });
});

describe("what a bank takes beside a sum", () => {
  it("comes off it by the balance, in columns of money in and out too", () => {
    const file = list(
      "Date,Description,Deposits,Withdrawals,Service Fees,Balance",
      "2026-11-13,Mobile deposit,410.00,,,4410.00",
      "2026-11-14,Wire in,2100.00,,15.00,6495.00",
      "2026-11-16,Wire out,,900.00,25.00,5570.00",
    );
    expect(openIn(file, bank)).toEqual([]);
    expect(linesIn("bank", file).map((line) => line.split(" | ")[1])).toEqual([
      "410.00",
      "2,085.00",
      "(925.00)",
    ]);
  });
});
