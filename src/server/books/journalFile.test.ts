import { day } from "@/core/calendar";
import { FIRST_LAYOUT, type JournalLayout } from "@/core/formats";

import { eachBook, type TestBook } from "../../../tests/support/book";
import { yearPageOf } from "../reports/queries/yearEnd";
import { journalFilePage, journalFileSheet } from "./queries/journalFile";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const from = day("2026-11-01");
const to = day("2026-11-30");
const make = (more: { again?: boolean; spec?: JournalLayout } = {}) =>
  book.do("makeJournalFile", {
    layout: "Other ledger",
    spec: { ...FIRST_LAYOUT, columns: [...FIRST_LAYOUT.columns] },
    from,
    to,
    ...more,
  } as never);

describe("the journal for another ledger", () => {
  it("takes every entry once; those sent again are marked; what never went out goes with the next", () => {
    const waiting = journalFilePage(book.db, from, to);
    expect(waiting.fresh).toBe(waiting.all);
    const first = make();
    expect(first).toMatchObject({ ok: true, value: { entries: waiting.all, again: 0 } });
    expect(make()).toMatchObject({ ok: false, error: { code: "journal.nothing" } });
    expect(make({ again: true })).toMatchObject({
      ok: true,
      value: { entries: waiting.all, again: waiting.all },
    });
    if (!first.ok) return;
    const value = first.value as { actId: number; fileId: number };
    const sheet = journalFileSheet(book.db, value.fileId)!;
    const [debit, credit] = [sheet.columns.indexOf("Debit"), sheet.columns.indexOf("Credit")];
    const cents = (text: string | undefined): bigint =>
      BigInt((text ?? "").replace(".", "") || "0");
    expect(sheet.rows.reduce((sum, row) => sum + cents(row[debit]) - cents(row[credit]), 0n)).toBe(
      0n,
    );
    for (const file of journalFilePage(book.db, from, to).made)
      book.must("undo", { actId: file.actId });
    expect(journalFilePage(book.db, from, to).fresh).toBe(waiting.all);
  });
  it("is laid out as the other ledger wants it, and the layout is kept", () => {
    const spec: JournalLayout = {
      columns: [
        { header: "Datum", field: "posted_on" },
        { header: "Konto", field: "account" },
        { header: "Betrag", field: "amount" },
      ],
      accounts: { 1200: "AR-01" },
      dayOrder: "dmy",
      decimalMark: ",",
    };
    const done = make({ spec });
    expect(done.ok).toBe(true);
    const sheet = journalFileSheet(book.db, (done as { value: { fileId: number } }).value.fileId)!;
    expect([sheet.columns, sheet.rows[0]]).toEqual([
      ["Datum", "Konto", "Betrag"],
      ["02.11.2026", "AR-01", "106,00"],
    ]);
    expect(journalFilePage(book.db, from, to).layouts).toEqual([{ name: "Other ledger", spec }]);
  });
  it.each<[string, object, string]>([
    [
      "without an account column",
      { spec: { ...FIRST_LAYOUT, columns: [{ header: "Sum", field: "amount" }] } },
      "journal.columns",
    ],
    ["with its days turned", { from: to, to: from }, "journal.span"],
  ])("is refused %s", (_case, more, code) =>
    expect(make(more)).toMatchObject({ ok: false, error: { code } }),
  );
});

describe("the year", () => {
  it("gross by processor and month, income on the cash basis, tax and credits, as the journal has them", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Payer,Email,Memo\nc_1,Charge,2026-11-16,106.00,3.37,Alder Lane Pottery School,office@alderlane.example,20402\nc_2,Charge,2026-10-30,70.00,2.33,Heron Point Studio,heron@mail.example,\n",
    );
    book.must("postSure", { receiptIds: null });
    book.must("applyReceipt", {
      receiptId: book.id("receipt", "amount = 7000"),
      customerId: book.id("customer", "external_id = 'C2'"),
      lines: [],
    });
    const year = yearPageOf(book.db, "2026", day("2026-11-24"));
    expect(year.gross).toMatchObject([{ account: "card account", sum: 17_600 }]);
    expect([year.gross[0]?.months[9], year.gross[0]?.months[10]]).toEqual([7000, 10_600]);
    expect(year.cash).toMatchObject({ received: 10_600, tax: 600, income: 10_000 });
    expect([year.tax[0]?.charged, year.tax[0]?.balance]).toEqual([
      -book.balance("tax"),
      -book.balance("tax"),
    ]);
    expect([year.credits.sum, year.credits.ages.map(({ count }) => count)]).toEqual([
      -book.balance("credits"),
      [1, 0, 0, 0],
    ]);
    expect(yearPageOf(book.db, "2025", day("2026-11-24")).gross).toEqual([]);
  });
});
