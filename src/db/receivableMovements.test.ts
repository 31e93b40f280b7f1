import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import { openBookToRead } from "@/server/runtime/books";

import { eachBook, type TestBook } from "../../tests/support/book";
import type { Db } from "./connection";
import { receivableMovements, standingOn, toBePaidOn } from "./receivableMovements";

let book: TestBook;
let reader: Db;
eachBook((made) => {
  book = made;
  const opened = openBookToRead(made.name);
  if (!opened.ok) throw new Error(opened.error.code);
  reader = opened.value;
});
afterEach(() => {
  reader.close();
});

const idOf = (number: string): number => book.id("open_item", `number = '${number}'`);
const pay = (sum: number, number: string): void => {
  const id = `ch_${number}_${sum}`;
  book.mustTake(
    "processor",
    `Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\n${id},Charge,11/16/2026,${(sum / 100).toFixed(2)},0.00,${(sum / 100).toFixed(2)},Alder Lane Pottery School,office@alderlane.example,${number}\n`,
  );
  book.must("applyReceipt", {
    receiptId: book.id("receipt", "id = (SELECT max(id) FROM receipt)"),
    customerId: 1,
    lines: [{ itemId: idOf(number), amount: sum }],
  });
};

describe("the lines of receivables in memory", () => {
  it("are read once by a connection that reads, and what is posted later is appended", () => {
    const first = receivableMovements(reader);
    const lines = first.item.length;
    expect(lines).toBe(6);
    pay(86_450, "20401");
    const second = receivableMovements(reader);
    expect([second === first, second.item.length, second.now[idOf("20401")]]).toEqual([
      true,
      lines + 1,
      0,
    ]);
    expect(receivableMovements(book.db)).not.toBe(receivableMovements(book.db));
  });
  it("know nothing of what was tried and taken back, and the same of what is undone as the journal does", () => {
    receivableMovements(reader);
    book.mustTake(
      "invoices",
      "invoice_number,customer_id,issued_on,due_on,total\n20499,C1,2026-11-20,2026-12-20,10.00\n",
      { rehearse: true },
    );
    expect(receivableMovements(reader).item).toHaveLength(6);
    pay(40_000, "20401");
    const act =
      book.db.get<{ id: number }>(
        "SELECT id FROM act WHERE kind = 'place' ORDER BY id DESC LIMIT 1",
      )?.id ?? 0;
    expect(receivableMovements(reader).now[idOf("20401")]).toBe(46_450);
    book.must("undo", { actId: act });
    expect(receivableMovements(reader).now[idOf("20401")]).toBe(86_450);
  });
  it("add up to what the journal says of each item on any day", () => {
    pay(40_000, "20401");
    pay(10_600, "20402");
    const moves = receivableMovements(reader);
    for (let asOf = day("2026-10-30"); asOf <= "2026-11-26"; asOf = addDays(asOf, 1)) {
      const sums = standingOn(moves, asOf, "own");
      const slow = book.db.all<{ id: number; sum: number }>(
        "SELECT l.item_id AS id, sum(l.amount) AS sum FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account a ON a.id = l.account_id WHERE a.role = 'receivables' AND l.item_kind = 'open_item' AND e.posted_on <= ? GROUP BY l.item_id",
        asOf,
      );
      expect(slow.map(({ id }) => sums[id])).toEqual(slow.map(({ sum }) => sum));
      expect(sums.reduce((so, sum) => so + sum, 0)).toBe(slow.reduce((so, { sum }) => so + sum, 0));
    }
  });
  it("tell what is to be paid by due day, without credit notes, in the book's currency", () => {
    book.must("setRates", { rates: [{ currency: "EUR", onDay: "2026-11-02", rate: "1.10" }] });
    book.mustTake(
      "invoices",
      "invoice_number,customer_id,issued_on,due_on,currency,total\nE-1,C2,2026-11-03,2026-11-10,EUR,100.00\n",
    );
    const open = toBePaidOn(reader, day("2026-11-24"));
    expect(open.map(({ id, dueOn, left }) => [id, dueOn, left])).toEqual([
      [idOf("20401"), "2026-10-31", minor(86_450)],
      [idOf("E-1"), "2026-11-10", 11_000],
      [idOf("20403"), "2026-11-19", 12_000],
      [idOf("20402"), "2026-12-02", 10_600],
      [idOf("20404"), "2026-12-03", 50_000],
      [idOf("20405"), "2026-12-03", 25_000],
    ]);
    expect(toBePaidOn(reader, day("2026-10-30"))).toEqual([]);
  });
});
