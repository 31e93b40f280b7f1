import { columnsIn, linesIn, list, openIn, readList } from "../../../tests/support/readings";

/* Lists that say a thing in another way than most; made by hand, common practice, no source. */

describe("lists that say a thing in another way", () => {
  it("terms of a number alone are days, where the head says so or terms have it", () => {
    const dueIn = (head: string, cell: string): string | undefined =>
      readList(
        list(`Invoice,Customer,Date,${head},Total,Balance`, `1,C1,2026-11-02,${cell},9.00,9.00`),
        {
          kind: "invoices",
        },
      ).table.rows[0]?.cells.find((value) => value.startsWith("n/"));
    expect(dueIn("Payment terms (days)", "0")).toBe("n/0");
    expect(dueIn("Terms", "30")).toBe("n/30");
    expect(dueIn("Terms", "3")).toBeUndefined();
  });
  it("invoices of a statement are due by how late they are, where that is said", () => {
    const file = list(
      "Statement date,Customer,Reference,Original,Open,Days past due",
      "2026-11-20,C1,9801,80.00,80.00,18",
      "2026-11-20,C1,9802,50.00,50.00,-13",
    );
    const asked = { kind: "invoices" as const };
    expect(
      readList(file, asked).questions.map(({ key, choices }) => [key, choices[0]?.answer]),
    ).toEqual([["due", "late"]]);
    const lines = linesIn("invoices", file, { answers: { due: "late" } });
    expect(lines[0]).toContain("Mon 2 Nov");
    expect(lines[1]).toContain("due Thu 3 Dec");
  });
  it("the things of an order are no orders", () => {
    const file = list(
      "Order,Item,Order total,Paid at,Customer",
      "#1001,Mug,55.00,2026-11-02,Ada",
      "#1001,Bowl,,,",
      "#1001,Jug,,,",
      "#1002,Vase,80.00,2026-11-03,Bo",
    );
    const left = readList(file, { kind: "processor" });
    expect(left.leftOut.map(({ line, why }) => `${line} ${why}`)).toEqual([
      "3 same_payment",
      "4 same_payment",
    ]);
    expect(left.refused).toEqual([]);
  });
  it("a tax that is withheld is no reserve by itself", () =>
    expect(
      openIn(list("id,date,gross,fee,net,tax_withheld", "c1,2026-11-02,100.00,3.00,92.00,5.00"), {
        kind: "processor",
      }),
    ).toContain("column:tax_withheld"));
  it("a fee in another currency than its sum is asked about", () => {
    const file = list(
      "Ref,Date,Customer,Currency,Amount,Fee currency,Fee",
      "x1,2026-11-16,Ada,USD,100.00,USD,3.20",
      "x2,2026-11-17,Bo,USD,50.00,CAD,2.10",
    );
    const asked = { kind: "processor" as const };
    expect(openIn(file, asked)).toEqual(["column:Fee currency"]);
    const answers = { "column:Fee currency": "apart" };
    expect(linesIn("processor", file, { answers })).toEqual([
      "Mon 16 Nov | 100.00 | charge, fee 3.20 | Ada",
      "Tue 17 Nov | 50.00 | charge | Bo",
    ]);
  });
  it("a line is what it is by whom its text names", () => {
    const file = list(
      "Date,Description,Amount,Running total",
      "2026-11-16,Payment from Ada,100.00,100.00",
      "2026-11-16,Processing fee,-3.20,96.80",
      "2026-11-18,Sent to bank ****4417,-96.80,0.00",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(linesIn("processor", file).map((line) => line.split(" | ")[2])).toEqual([
      "charge",
      "fee",
      "payout",
    ]);
  });
  it("what is due may stand under that word alone", () => {
    const file = list(
      "Number,Customer,Date,Due date,Gross,Payments,Due",
      "9801,C1,2026-11-02,2026-12-02,110.00,50.00,60.00",
    );
    expect(columnsIn("invoices", file)).toMatchObject({ dueOn: "Due date", balance: "Due" });
    const day = list("Number,Customer,Date,Due,Total", "9801,C1,20261102,20261202,110.00");
    expect(columnsIn("invoices", day)).toMatchObject({ dueOn: "Due", total: "Total" });
  });
});
