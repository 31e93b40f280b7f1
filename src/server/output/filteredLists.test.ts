import { OVERDUE_STATES } from "@/server/overdue/queries/overduePage";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { ALL_FEES, feeCheck } from "@/server/payouts/queries/fees";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { type ListName, LISTS, listSheet } from "./lists";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const sheet = (name: ListName, query: Record<string, string> = {}) =>
  listSheet(
    { db: book.db, today: TODAY, proposals: book.proposals() },
    name,
    new URLSearchParams(query),
  );

describe("a list as a file, as it is filtered", () => {
  it("Overdue gives the customers of a state, and all of them without one", () => {
    const rows = overdueRows(book.db, TODAY, book.proposals());
    expect(sheet("overdue").rows).toHaveLength(rows.length);
    for (const state of OVERDUE_STATES)
      expect(sheet("overdue", { state }).rows).toHaveLength(
        rows.filter((row) => row.state === state).length,
      );
    // A state that is none is shown as all of them on the page, and so it is in the file.
    expect(sheet("overdue", { state: "nobody" }).rows).toHaveLength(rows.length);
  });
  it("the journal gives the entries of an event, of a month, of a text", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer\nch_1,Charge,11/16/2026,64.50,2.17,62.33,Alder Lane\n",
    );
    const events = sheet("entries").rows.map(([, , event]) => event);
    const receipts = sheet("entries", { event: "receipt" }).rows;
    expect(receipts).toHaveLength(events.filter((event) => event === "receipt").length);
    expect(receipts.length).toBeGreaterThan(0);
    expect(sheet("entries", { event: "receipt", month: "2026-11" }).rows).toEqual(receipts);
    expect(sheet("entries", { event: "receipt", month: "2026-10" }).rows).toEqual([]);
    expect(sheet("entries", { q: "no such document" }).rows).toEqual([]);
  });
  it("payouts are those of the month and what is not tied; with show=open only these", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Payout id\nch_1,Charge,10/12/2026,64.50,2.17,62.33,Alder Lane,po_1\n",
    );
    const ids = (query: Record<string, string>) =>
      sheet("payout-list", query).rows.map(([id]) => id);
    expect([ids({}), ids({ month: "2026-10" }), ids({ show: "open" })]).toEqual([
      ["po_1"],
      ["po_1"],
      ["po_1"],
    ]);
  });
  it("what a month's fees were too much is the sum of the charges that its link lists", () => {
    book.must("agreeRate", {
      account: "card",
      method: "card",
      from: "2026-01-01",
      percent: "2.9",
      fixed: 30,
    });
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer\nch_1,Charge,10/12/2026,64.50,3.17,61.33,Alder Lane\nch_2,Charge,11/16/2026,64.50,2.17,62.33,Alder Lane\nch_3,Charge,11/17/2026,100.00,4.00,96.00,Alder Lane\nch_4,Charge,11/18/2026,100.00,3.10,96.90,Alder Lane\n",
    );
    const { months } = feeCheck(book.db, TODAY, ALL_FEES);
    expect(months.map(({ month, off }) => [month, off]).sort()).toEqual([
      ["2026-10", 100],
      ["2026-11", 70],
    ]);
    for (const { month, method, code: account, off } of months) {
      const { rows, columns } = sheet("fees", { month, method, account });
      const sums = rows.map((row) => Math.round(100 * Number(row[columns.indexOf("too_much")])));
      expect(sums.reduce((all, sum) => all + sum, 0)).toBe(off);
    }
    expect(sheet("fees", { month: "2026-11" }).rows.map(([, charge]) => charge)).toEqual([
      "ch_3",
      "ch_4",
    ]);
    expect(sheet("fees", { account: "nobody" }).rows).toEqual([]);
  });
  it.each(["letters", "automatic-letters", "late-fees", "write-offs", "expected"] as const)(
    "%s has a column for each that the page shows, also of a book where there is nothing",
    (name) => {
      expect(LISTS).toContain(name);
      const { columns, rows } = sheet(name, { show: "whatever" });
      expect(columns.length).toBeGreaterThan(4);
      for (const row of rows) expect(row).toHaveLength(columns.length);
    },
  );
  it("letters of today are those that the page has, in its order", () => {
    const { columns, rows } = sheet("letters");
    expect(columns.slice(0, 2)).toEqual(["customer", "says"]);
    expect(rows.map(([customer]) => customer)).toEqual(
      overdueRows(book.db, TODAY, book.proposals())
        .filter(({ state, next }) => state === "ready" && next.step.act === "letter")
        .map(({ customer }) => customer.name),
    );
  });
});
