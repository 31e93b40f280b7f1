import { list, openIn, readList } from "../../../../tests/support/readings";

/* What files say of themselves above and among their lines, by hand; common practice, no source. */

const bank = { kind: "bank" as const };
const LINES = [
  "11/12/2026,Check 1041,-150.00",
  "11/13/2026,Card settlement,970.00",
  "11/16/2026,Alder,420.00",
];

describe("the balances that a statement begins and ends with", () => {
  /** Ways to write the two, with a file that ends in the given balance. */
  const WAYS: readonly [name: string, file: (closing: string) => string][] = [
    [
      "in lines without a day",
      (closing) =>
        list(
          "Date,Description,Amount",
          ',Beginning balance,"18,240.55"',
          ...LINES,
          `,Ending balance,"${closing}"`,
        ),
    ],
    [
      "in lines with one, under the sums",
      (closing) =>
        list(
          "Date,Description,Amount",
          "11/01/2026,OPENING BALANCE,18240.55",
          ...LINES,
          `11/30/2026,CLOSING BALANCE,"${closing}"`,
        ),
    ],
    [
      "above the list in one cell each",
      (closing) =>
        list(
          "Opening balance: 18240.55,,",
          `"Closing balance: ${closing}",,`,
          "Date,Description,Amount",
          ...LINES,
        ),
    ],
    [
      "above the list, each below its name",
      (closing) =>
        list(
          "Opening balance,Closing balance,",
          `"18,240.55","${closing}",`,
          "Date,Description,Amount",
          ...LINES,
        ),
    ],
    [
      "with the newest first",
      (closing) =>
        list(
          "Date,Description,Amount,Balance",
          `,Closing balance,,"${closing}"`,
          ...[...LINES].reverse().map((line) => `${line},`),
          ',Opening balance,,"18,240.55"',
        ),
    ],
  ];
  it.each(WAYS)("%s: proven by the lines, or asked", (_, file) => {
    expect(openIn(file("19,480.55"), bank)).toEqual([]);
    expect(readList(file("19,480.55"), bank).proofs).toContain(
      "all 3 lines follow on from 18,240.55 to the 19,480.55 that it ends with",
    );
    expect(openIn(file("19,400.55"), bank)).toEqual(["balance"]);
  });
  it("are held against balances that run beside the lines", () => {
    const file = (opening: string): string =>
      list(
        `Beginning balance as of 11/01/2026,,,${opening}`,
        "Date,Description,Amount,Running balance",
        "11/12/2026,Check 1041,-150.00,",
        "11/13/2026,Card settlement,970.00,19060.55",
        "11/16/2026,Alder,420.00,19480.55",
      );
    expect(readList(file('"18,240.55"'), bank).proofs).toEqual([
      "all 3 lines follow on from 18,240.55",
    ]);
    expect(openIn(file('"18,300.55"'), bank)).toEqual(["balance"]);
  });
  it("of each day lead from one to the next", () => {
    const file = (next: string): string =>
      list(
        "Date,Description,Amount,Balance",
        "11/12/2026,Opening balance,,100.00",
        "11/12/2026,Ada,50.00,",
        "11/12/2026,Closing balance,,150.00",
        `11/13/2026,Opening balance,,${next}`,
        "11/13/2026,Ben,-20.00,",
        "11/13/2026,Closing balance,,130.00",
      );
    expect(openIn(file("150.00"), bank)).toEqual([]);
    expect(openIn(file("140.00"), bank)).toEqual(["balance"]);
  });
  it("of another account are none of its own", () => {
    const file = list(
      "Account,Date,Description,Amount,Balance",
      "4417,,Opening balance,,100.00",
      "4417,11/13/2026,Ada,50.00,",
      "4417,,Closing balance,,150.00",
      "9982,,Opening balance,,7.00",
      "9982,11/13/2026,Fee,-5.00,",
      "9982,,Closing balance,,2.00",
    );
    expect(openIn(file, { ...bank, answers: { whose: "4417" } })).toEqual([]);
  });
  it("may be said by their days, above the list or below it", () => {
    const above = (closing: string): string =>
      list(
        '"Kontostand am 01.11.2026: 1.000,00 EUR";;',
        `"Kontostand am 30.11.2026: ${closing} EUR";;`,
        "Datum;Text;Betrag",
        "13.11.2026;Miete;-50,00",
        "16.11.2026;Eingang;120,00",
      );
    const usd = (text: string): string => text.replaceAll(" EUR", "");
    expect(openIn(usd(above("1.070,00")), bank)).toEqual([]);
    expect(openIn(usd(above("1.170,00")), bank)).toEqual(["balance"]);
  });
  it("may be overdrawn", () =>
    expect(
      readList(
        list(
          "Beginning balance,250.00 OD,",
          "Ending balance,570.00,",
          "Date,Description,Amount",
          "11/12/2026,Check 1041,-150.00",
          "11/13/2026,Card settlement,970.00",
        ),
        bank,
      ).proofs,
    ).toContain("all 2 lines follow on from (250.00) to the 570.00 that it ends with"));
  it("are no line that has a sum and another balance after it", () => {
    const file = list(
      "Date,Description,Amount,Balance",
      "11/12/2026,Check 1041,-150.00,850.00",
      "11/13/2026,CLOSING BALANCE OF OLD ACCOUNT,970.00,1820.00",
    );
    expect(openIn(file, bank)).toEqual([]);
    expect(readList(file, bank).leftOut).toEqual([]);
  });
  it("the last is that of the latest line", () => {
    const [, file] = WAYS[4] ?? [];
    const { table } = readList(file?.("19,480.55") ?? "", bank);
    const at = table.headers.indexOf("balance");
    expect(table.rows.map(({ cells }) => cells[at])).toEqual(["19480.55", "", ""]);
  });
  it("of a processor", () => {
    const file = (closing: string): string =>
      list(
        "Opening balance,120.00,,,,",
        `Closing balance,${closing},,,,`,
        "Type,Id,Date,Gross,Fee,Net",
        "Charge,a1,2026-11-16,120.00,3.78,116.22",
        "Refund,a2,2026-11-17,-30.00,0.00,-30.00",
        "Payout,a3,2026-11-18,-120.00,0.00,-120.00",
      );
    expect(openIn(file("86.22"))).toEqual([]);
    expect(readList(file("86.22")).proofs).toContain(
      "all 3 lines lead from the 120.00 that the file begins with to the 86.22 that it ends with",
    );
    expect(openIn(file("160.00"))).toEqual(["balance"]);
  });
  it("of a processor by a word alone, with balances beside the lines", () => {
    const file = list(
      "Reference,Event,On,In,Out,Fee charged,Running",
      "A1,Opening,2026-11-15,,,,500.00",
      "A2,Sale,2026-11-16,100.00,,3.20,596.80",
      "A3,Payout,2026-11-17,,550.00,,46.80",
      "A4,Refund,2026-11-17,,20.00,-0.70,27.50",
    );
    expect(openIn(file)).toEqual([]);
    expect(readList(file).leftOut).toEqual([{ line: 2, why: "balance" }]);
  });
});

describe("totals above a list", () => {
  it("of a column", () => {
    const file = (fees: string): string =>
      list(
        "Total gross,250.00,,,",
        `Total fees,${fees},,,`,
        "Id,Date,Gross,Fees,Net",
        "a1,2026-11-16,120.00,3.78,116.22",
        "a2,2026-11-16,130.00,4.02,125.98",
      );
    expect(openIn(file("7.80"))).toEqual([]);
    expect(readList(file("7.80")).proofs).toContain(
      "“Total gross”, “Total fees” above the list are what its lines come to",
    );
    expect(openIn(file("8.80"))).toEqual(["totals"]);
    expect(openIn(file("8.80"), { answers: { totals: "take" } })).toEqual([]);
  });
  it("of each kind of line, and of all of them", () => {
    const file = (refunds: string, all: string): string =>
      list(
        "Total charges,300.00,,,,",
        `Total refunds,${refunds},,,,`,
        `Total: ${all},,,,,`,
        "Id,Type,Date,Amount,Fee,Net",
        "a1,charge,2026-11-16,120.00,3.78,116.22",
        "a2,charge,2026-11-16,180.00,5.62,174.38",
        "a3,refund,2026-11-17,-20.00,0.00,-20.00",
      );
    expect(openIn(file("-20.00", "270.60"))).toEqual([]);
    expect(openIn(file("-30.00", "270.60"))).toEqual(["totals"]);
    expect(openIn(file("-20.00", "271.60"))).toEqual(["totals"]);
  });
  it("of what came in and went out, there and below it", () => {
    const file = (out: string, below: string): string =>
      list(
        "Total deposits (2),1390.00,",
        `Total withdrawals (1),${out},`,
        "Date,Description,Amount",
        ...LINES,
        ",Total credits,1390.00",
        `,Total debits,${below}`,
      );
    expect(openIn(file("150.00", "-150.00"), bank)).toEqual([]);
    expect(openIn(file("210.00", "-150.00"), bank)).toEqual(["totals"]);
    expect(openIn(file("150.00", "-210.00"), bank)).toEqual(["totals"]);
  });
});

describe("how many lines a list says it has", () => {
  it.each([
    ["above it", (count: number) => [`Transactions: ${count},,`], []],
    ["above it, of a page", (count: number) => [`Showing 1 to 3 of ${count} entries,,`], []],
    ["in a line of its own", () => [], (count: number) => [`Number of records,,${count}`]],
    ["in words of a line", () => [], (count: number) => [`*** ${count} rows exported ***,,`]],
    ["with its total", () => [], (count: number) => [`Total (${count} transactions),,1240.00`]],
  ])("%s", (_, above, below) => {
    const file = (count: number): string =>
      list(
        ...above(count),
        "Date,Description,Amount",
        ...LINES,
        ...(typeof below === "function" ? below(count) : []),
      );
    expect(openIn(file(3), bank)).toEqual([]);
    expect(readList(file(3), bank).proofs).toContain("it has the 3 lines that it says it has");
    expect(openIn(file(5), bank)).toEqual(["totals"]);
  });
  it("is not how many there may be", () =>
    expect(
      openIn(list("Last 30 transactions,,", "Date,Description,Amount", ...LINES), bank),
    ).toEqual([]));
});

it("a balance that is brought forward is the sum of its line, and not the number of that", () => {
  const file = (closing: string): string =>
    list(
      "Date,Ref,Details,Debit,Credit",
      "11/12/2026,001,BALANCE BROUGHT FORWARD,,1240.00",
      "11/13/2026,002,Card settlement,,970.00",
      "11/16/2026,003,Check 1041,150.00,",
      `11/16/2026,004,BALANCE CARRIED FORWARD,,${closing}`,
    );
  expect(openIn(file("2060.00"), bank)).toEqual([]);
  expect(readList(file("2060.00"), bank).proofs).toContain(
    "all 2 lines follow on from 1,240.00 to the 2,060.00 that it ends with",
  );
  expect(openIn(file("2061.00"), bank)).not.toEqual([]);
});
