import { headedAt, mended, readTable, SHEET_MARK, type Table } from "@/core/formats";
import { columnsOfFile, kindsOf, understand } from "@/core/readings";

const BOOK = [
  `${SHEET_MARK},Summary`,
  "Payout report,",
  "Date,Total",
  "2026-10-31,500.00",
  "2026-11-30,600.00",
  `${SHEET_MARK},Transactions`,
  "Id,Date,Type,Amount,Fee,Net",
  "a,2026-11-13,charge,100.00,3.20,96.80",
  "b,2026-11-14,charge,50.00,1.75,48.25",
  `${SHEET_MARK},Payouts`,
  "Payout,Date,Amount",
  "po_1,2026-11-16,145.05",
  "",
].join("\n");

const tableOf = (text: string): Table => {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.error.code);
  return table.value;
};

const CONTEXT = {
  today: "2026-11-28",
  cutOverOn: null,
  currency: "USD",
  timeZone: "America/Chicago",
} as never;

describe("a workbook with lists on several sheets", () => {
  it("has each list with its name, its head and its lines", () =>
    expect(tableOf(BOOK).sheets).toEqual([
      { name: "Summary", headLine: 3, lines: 2 },
      { name: "Transactions", headLine: 7, lines: 2 },
      { name: "Payouts", headLine: 11, lines: 1 },
    ]));
  it("is asked which is meant, and read no further than that sheet", () => {
    const table = tableOf(BOOK);
    const read = (answers: Record<string, string>): ReturnType<typeof understand> => {
      const own = headedAt(table, Number(answers.head ?? table.headLine));
      const columns = columnsOfFile(own, "processor");
      return understand({ table: own, kind: "processor", columns, answers }, CONTEXT);
    };
    const [question] = read({}).questions;
    expect(question?.key).toBe("head");
    expect(question?.choices.map(({ answer, result }) => [answer, result])).toEqual([
      ["3", "“Summary”, with 2 lines"],
      ["7", "“Transactions”, with 2 lines"],
      ["11", "“Payouts”, with 1 line"],
    ]);
    const said = read({ head: "7" });
    expect(said.questions).toEqual([]);
    expect(said.table.rows.map(({ line }) => line)).toEqual([8, 9]);
    expect(kindsOf(headedAt(table, 7)).sure).toBe("processor");
  });
  it("is mended in the sheet that was said", () => {
    const done = mended(BOOK, { line: 9, column: "Amount", cell: "51.00", head: 7 });
    expect(done.ok && done.value).toContain("b,2026-11-14,charge,51.00,1.75,48.25");
    expect(mended(BOOK, { line: 12, column: "Fee", cell: "1.00", head: 11 }).ok).toBe(false);
  });
  it("is one list where it has one", () => {
    const one = tableOf("Date,Amount\n2026-11-13,9.00\n");
    expect(one.sheets).toBeUndefined();
  });
});
