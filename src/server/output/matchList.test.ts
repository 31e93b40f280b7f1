import { QUEUES } from "@/contracts/match";
import { currencyOf, type Currency } from "@/core/money";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { matchQueue } from "../match/queries/match";
import { returnsAndDisputes } from "../payouts/queries/returnsAndDisputes";
import { listSheet } from "./lists";

const USD = currencyOf("USD") as Currency;
let book: TestBook;
eachBook((made) => {
  book = made;
  book.mustTake(
    "processor",
    "Id,Type,Date,Gross,Payer,Email,Memo\nch_1,Charge,2026-11-16,864.50,Alder Lane Pottery School,office@alderlane.example,invoice 20401\nch_2,Charge,2026-11-17,84.00,Jo Amberley,,workshop\nch_3,Charge,2026-11-18,33.00,Nobody,,\n",
  );
  book.must("setAside", {
    receiptId: book.id("receipt", "payer_name = 'Nobody'"),
    reason: "asked them",
  });
});
const rowsOf = (queue: string): Record<string, string>[] => {
  const from = { db: book.db, today: TODAY, proposals: book.proposals() };
  const { columns, rows } = listSheet(from, "match", new URLSearchParams({ queue }));
  return rows.map((row) => Object.fromEntries(columns.map((name, at) => [name, row[at] ?? ""])));
};

describe("the file of a queue of Match", () => {
  it.each(QUEUES)("%s has the rows of that queue's page, and no other's", (queue) => {
    const page = matchQueue(book.db, book.proposals(), { queue, sort: "paid", currency: USD });
    expect(rowsOf(queue).map(({ receipt_id: id }) => Number(id))).toEqual(
      page.rows.map(({ id }) => id),
    );
  });
  it("on hand has what is with us and what is in a deposit, each with its sum", () => {
    const record = (number: string, amount: number): number =>
      book.must("recordReceipt", {
        method: "check",
        number,
        paidOn: "2026-11-23",
        amount,
        payerName: "Heron Point Studio",
      }).receiptId;
    const [deposited] = [record("1187", 12_000), record("1188", 4500)];
    book.must("makeDeposit", {
      bank: "operating",
      receiptIds: [deposited],
      onDay: "2026-11-24",
    });
    expect(
      rowsOf("hand").map(({ method, look_at: look, amount }) => [method, look, amount]),
    ).toEqual([
      ["check 1188", "on hand", "45.00"],
      ["check 1187", "in the deposit of 2026-11-24", "120.00"],
    ]);
  });
  it("that is none is refused, never another's", () => {
    expect(() => rowsOf("fifth")).toThrow();
  });
});

describe("returns and disputes", () => {
  it("tell what is to be dealt with apart from all that came back", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Original id,Answer by\ndp_1,Dispute,2026-11-18,84.00,ch_2,2026-12-01\nrf_1,Refund,2026-11-19,33.00,ch_3,\n",
    );
    const { rows, open, sum, listed } = returnsAndDisputes(book.db, TODAY);
    const all = rows.reduce((so, row) => so + (row.sum ?? 0), 0);
    const waiting = rows.filter((row) => row.open);
    expect([rows.length, listed]).toEqual([2, all]);
    expect([open, sum]).toEqual([
      waiting.length,
      waiting.reduce((so, row) => so + (row.sum ?? 0), 0),
    ]);
    expect([sum, listed]).toEqual([8400, 11_700]);
  });
});
