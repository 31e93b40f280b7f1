import type { ImportReport } from "@/contracts/arrivals";
import { trayCount, trayPage } from "@/db/tray";

import { CHARGES, eachBook, type TestBook } from "../../../tests/support/book";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const WRONG = CHARGES.replace("864.50,25.37,839.13", "864.50,25.37,839.14");
const file = (id: string): number =>
  book.id("import_file", `name = 'processor.csv' AND undone_by IS NULL ORDER BY id ${id}`);
const take = (text: string, more: { again?: number; backFirst?: boolean } = {}): ImportReport => {
  const kept = book.keep(text);
  const { mapping } = book.db.get<{ mapping: string }>(
    "SELECT mapping FROM import_file WHERE kind = 'processor'",
  ) ?? { mapping: "{}" };
  return book.must("importFile", {
    ...kept,
    name: "processor.csv",
    mapping: JSON.parse(mapping) as never,
    account: "card",
    ...more,
  });
};
const waiting = () =>
  trayPage(book.db, 10, 0).rows.map(({ line, column, why }) => [line, column, why.slice(0, 19)]);

describe("what was refused", () => {
  it("waits in the tray by its line and why; a rehearsal lays nothing there", () => {
    book.take("processor", WRONG, { rehearse: true });
    expect(trayCount(book.db)).toBe(0);
    book.mustTake("processor", WRONG);
    expect(waiting()).toEqual([[2, expect.any(String), "Gross less fee is n"]]);
  });
  it("leaves it once its file is read again and takes it, and stays where it is refused anew", () => {
    book.mustTake("processor", WRONG);
    const first = file("ASC");
    expect(take(WRONG.replace("839.14", "839.15"), { again: first })).toMatchObject({ new: 0 });
    // It waits once, under the new reading.
    expect(trayCount(book.db)).toBe(1);
    expect(take(CHARGES, { again: file("DESC") })).toMatchObject({ new: 1, known: 2 });
    expect(trayCount(book.db)).toBe(0);
  });
  it("is dropped with a reason, waits again by undo, and goes with its file", () => {
    book.mustTake("processor", WRONG);
    const [line] = trayPage(book.db, 10, 0).rows;
    const lineId = line?.id ?? 0;
    expect(book.do("dropLine", { lineId, reason: "x" })).toMatchObject({
      error: { code: "input.invalid" },
    });
    const { actId } = book.must("dropLine", { lineId, reason: "a test payment" });
    expect(trayCount(book.db)).toBe(0);
    expect(book.do("dropLine", { lineId, reason: "twice" })).toMatchObject({
      error: { code: "tray.gone" },
    });
    book.must("undo", { actId });
    expect(trayCount(book.db)).toBe(1);
    book.must("dropLine", { lineId, reason: "a test payment" });
    // Refused anew, it stays dropped.
    take(WRONG.replace("839.14", "839.15"), { again: file("ASC") });
    expect(trayCount(book.db)).toBe(0);
    book.must("undoFile", { fileId: file("DESC") });
    book.must("undoFile", { fileId: file("ASC") });
    expect(book.db.get("SELECT count(*) AS n FROM tray_line")).toEqual({ n: 0 });
  });
});

describe("a file that is read again", () => {
  it("is taken back first in the same go, and comes anew under another reading", () => {
    book.mustTake("processor", CHARGES);
    const before = book.balance("clearing");
    const report = take(CHARGES.replaceAll("po_2", "po_7"), {
      again: file("ASC"),
      backFirst: true,
    });
    expect(report).toMatchObject({ new: 3, known: 0, refused: [] });
    expect(book.balance("clearing")).toBe(before);
    expect(book.db.all("SELECT external_id FROM payout ORDER BY 1")).toEqual([
      { external_id: "po_1" },
      { external_id: "po_7" },
    ]);
  });
  it("is refused where something rests on what it brought, or where it is another kind of file", () => {
    book.mustTake("processor", CHARGES);
    book.must("setAside", {
      receiptId: book.id("receipt", "amount = 8400"),
      reason: "scrap metal sold",
      as: "income",
    });
    const again = (more: object) =>
      book.do("importFile", {
        ...book.keep("customer_id,name\nC1,A\n"),
        name: "x.csv",
        mapping: {
          kind: "customers",
          columns: { customerId: "customer_id", name: "name" },
          dayOrder: "ymd",
          decimalMark: ".",
          rowKinds: {},
          signs: "as_written",
          payoutSign: "as_written",
          feeSign: "cost",
        },
        account: null,
        again: file("ASC"),
        ...more,
      } as never);
    expect(again({})).toMatchObject({ error: { code: "again.file" } });
    expect(again({ backFirst: true })).toMatchObject({ error: { code: "file.rests" } });
  });
});
