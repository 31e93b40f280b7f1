import { columnsIn, openIn, readList } from "../../../tests/support/readings";

/* Lists that do not say what their lines are; made by hand, common practice, no source. */

const list = (...lines: string[]): string => `${lines.join("\n")}\n`;
const cellsIn = (text: string, heads: string[], answers: Record<string, string>): string[] => {
  const { table } = readList(text, { kind: "processor", answers });
  const at = heads.map((head) => table.headers.indexOf(head));
  return table.rows.map(({ cells }) => at.map((place) => cells[place]).join(" "));
};

describe("activity of one kind", () => {
  it("whose lines have ids of refunds is asked about, and goes by those", () => {
    const file = list(
      "Refund ID,Payment ID,Created,Amount,Customer",
      "re0,ch0,2026-11-13,45.00,Ada",
      "re1,ch1,2026-11-14,30.00,Bo",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["lines_are"]);
    const heads = ["id", "kind", "related_id", "gross"];
    expect(cellsIn(file, heads, { lines_are: "refund" })).toEqual([
      "re0 refund ch0 -45.00",
      "re1 refund ch1 -30.00",
    ]);
    expect(cellsIn(file, heads.slice(0, 2), { lines_are: "charge" })[0]).toBe("ch0 charge");
  });
  it("whose lines are payouts is asked about, whatever the same words stand on each", () => {
    const file = list(
      "Payout ID,Created,Arrival date,Amount,Statement descriptor",
      "po0,2026-11-13,2026-11-16,450.00,KESTREL",
      "po1,2026-11-14,2026-11-17,300.00,KESTREL",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["payouts"]);
  });
  it("stands below its summary, whose head is as good as its own", () => {
    const file = list(
      "Payout summary,,,",
      "Gross,Fees,Net,Currency",
      "150.00,4.50,145.50,USD",
      "Date,Description,Amount,Processing fee",
      "11/13/2026,Card payment Ada,100.00,3.00",
      "11/14/2026,Card payment Bo,50.00,1.50",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Amount", fee: "Processing fee" });
  });
});

describe("a list of what is owed", () => {
  const ledger = (...lines: string[]): string =>
    list("Doc,Customer,Date,Due,Amount,Open", ...lines);
  it("whose every sum is below zero is asked about", () => {
    const file = ledger("D0,Ada,2026-11-01,2026-12-01,-20.00,-20.00");
    expect(openIn(file)).toEqual(["owed"]);
    const totals = (owed: string): string | undefined =>
      readList(file, { answers: { owed } }).table.rows[0]?.cells.find((cell) =>
        /20\.00/.test(cell),
      );
    expect([totals("size"), totals("written")]).toEqual(["20.00", "-20.00"]);
    expect(openIn(ledger("D0,Ada,2026-11-01,2026-12-01,20.00,20.00"))).toEqual([]);
  });
  it("with several due days of one invoice has installments, and no items", () => {
    const file = list(
      "Invoice,Customer,Invoice date,Due date,Invoice total,Paid",
      "F0,Ada,11/13/2026,12/13/2026,90.00,30.00",
      "F0,Ada,11/13/2026,01/13/2027,90.00,0.00",
    );
    const [question] = readList(file).questions;
    expect(question?.choices.map(({ answer }) => answer)).toEqual(["apart"]);
  });
});
