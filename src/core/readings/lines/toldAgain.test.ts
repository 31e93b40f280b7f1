import { leftOutOf, linesIn, list, openIn, readList } from "../../../../tests/support/readings";

/* Lines that other lines of the file speak of, and rates for fees; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const kinds = (text: string, answers: Record<string, string> = {}): string[] =>
  linesIn("processor", text, { answers }).map((line) => line.split(" | ").slice(1, 3).join(" | "));

describe("a payment that names another of the file", () => {
  const file = (head: string, cell: string): string =>
    list(
      `Id,Date,Payer,Amount,${head}`,
      "R1,2026-11-12,Ada,100.00,",
      `R2,2026-11-13,Ada,100.00,${cell}`,
    );
  it("is asked about, whatever the column is called", () => {
    for (const head of ["Linked payment", "Original id", "Zorp"])
      expect(openIn(file(head, "R1"), asked)).toEqual([`column:${head}`]);
    expect(kinds(file("Zorp", "R1"), { "column:Zorp": "refund" })).toEqual([
      "100.00 | charge",
      "(100.00) | refund",
    ]);
  });
  it("is none where it names itself, or what is not in the file", () => {
    expect(openIn(file("Zorp", "R2"), asked)).toEqual([]);
    expect(openIn(file("Zorp", "X9"), asked)).toEqual([]);
  });
});

describe("what is told again, or tried again", () => {
  const file = (head: string, ...cells: string[]): string =>
    list(
      `Ref,Date,Payer,Amount,${head}`,
      ...cells.map((cell, at) => `R1,2026-11-1${at},Ada,100.00,${cell}`),
    );
  it("is asked about, and the last of it counts where that is said", () => {
    for (const [head, cells] of [
      ["Version", ["1", "2"]],
      ["Attempt", ["1 of 3", "2 of 3", "3 of 3"]],
      ["Rev", ["v1", "v2"]],
    ] as const) {
      const text = file(head, ...cells);
      expect(openIn(text, asked)).toEqual([`column:${head}`]);
      const answers = { [`column:${head}`]: "status" };
      expect(leftOutOf(text, { ...asked, answers })).toHaveLength(cells.length - 1);
    }
    expect(openIn(file("Version", "1", "1"), asked)).toEqual([]);
  });
});

it("what stands below a head of another order stays out, up to a head of the first", () => {
  const file = list(
    "Id,Type,Date,Gross,Fee",
    "ch1,Charge,2026-11-12,100.00,3.20",
    "ch0,Charge,2026-11-12,90.00,2.91",
    "ch9,Charge,2026-11-12,80.00,2.62",
    "Id,Type,Date,Fee,Gross",
    "ch2,Charge,2026-11-13,1.75,50.00",
    "Id,Type,Date,Gross,Fee",
    "ch3,Charge,2026-11-14,70.00,2.33",
  );
  const { refused } = readList(file, asked);
  expect(refused.map(({ line, error }) => `${line} ${error.code}`)).toEqual([
    "5 row.other_head",
    "6 row.other_head",
  ]);
  expect(kinds(file).at(-1)).toBe("70.00 | charge, fee 2.33");
  expect(kinds(file)).toHaveLength(4);
});

describe("rates in the column of fees", () => {
  const file = list(
    "Date,Ref,Payer,Amount,Fee",
    "11/12/2026,R1,Ada,100.00,2.9%",
    "11/13/2026,R2,Ada,50.50,2.9%",
  );
  it("are asked about: the fees would be lost", () => {
    expect(readList(file, asked).questions).toMatchObject([
      { key: "column:Fee", choices: [{ answer: "rate" }, { answer: "leave" }] },
    ]);
    expect(kinds(file, { "column:Fee": "rate" })).toEqual([
      "100.00 | charge, fee 2.90",
      "50.50 | charge, fee 1.46",
    ]);
  });
  it("are nothing beside the fees themselves", () => {
    const both = list("Date,Ref,Payer,Amount,Fee rate,Fee", "11/12/2026,R1,Ada,100.00,2.9%,2.90");
    expect(openIn(both, asked)).toEqual([]);
  });
});

it("a statement is of the days on which the bank booked, whatever stands before them", () => {
  const file = list(
    "Trans date,Post date,Description,Amount,Balance",
    "11/11/2026,11/12/2026,ACH CREDIT ADA,100.00,1100.00",
    "11/12/2026,11/13/2026,CHECK 9,-20.00,1080.00",
  );
  expect(linesIn("bank", file)[0]).toContain("Thu 12 Nov");
});
