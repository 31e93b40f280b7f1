import type { ImportReport } from "@/contracts/arrivals";
import { trayCount, trayPage } from "@/db/tray";

import { CHARGES, eachBook, type TestBook } from "../../../tests/support/book";
import { proveBookTrail } from "../books/trail/bookTrail";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const WRONG = CHARGES.replace("864.50,25.37,839.13", "864.50,25.37,839.14");
const file = (id: string): number =>
  book.id("import_file", `name = 'processor.csv' AND undone_by IS NULL ORDER BY id ${id}`);
const mappingOf = (): never =>
  JSON.parse(
    book.db.get<{ mapping: string }>("SELECT mapping FROM import_file WHERE kind = 'processor'")
      ?.mapping ?? "{}",
  ) as never;
const take = (text: string, more: { again?: number; backFirst?: boolean } = {}): ImportReport => {
  const kept = book.keep(text);
  return book.must("importFile", {
    ...kept,
    name: "processor.csv",
    mapping: mappingOf(),
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
  it("waits there too where it says otherwise than the book, and the book keeps what it has", () => {
    book.mustTake("processor", CHARGES);
    const more = CHARGES.replace("84.00,2.74,81.26", "90.00,2.74,87.26");
    book.mustTake("processor", more);
    // Nothing rested on it: the book has taken it over, and nobody has to look.
    expect(trayCount(book.db)).toBe(0);
    book.must("setAside", {
      receiptId: book.id("receipt", "amount = 9000"),
      reason: "scrap metal sold",
      as: "income",
    });
    book.mustTake("processor", CHARGES);
    expect(waiting()).toEqual([[4, "id", "Known already with "]]);
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
  it("is two records in one go: the new reading is taken back alone, and read again once more", () => {
    book.mustTake("processor", CHARGES);
    const first = file("ASC");
    const more = CHARGES.replace("84.00,2.74,81.26", "90.00,2.74,87.26");
    const { fileId } = take(more, { again: first, backFirst: true });
    const next = take(CHARGES, { again: fileId ?? 0, backFirst: true });
    expect(book.balance("clearing")).toBe(103_661);
    book.must("undoFile", { fileId: next.fileId ?? 0 });
    expect(book.balance("clearing")).toBe(0);
    expect(book.db.get("SELECT count(*) AS n FROM processor_item")).toEqual({ n: 0 });
    expect(proveBookTrail(book.db).problem).toBeNull();
    expect(take(CHARGES, { again: first, backFirst: true })).toMatchObject({ new: 3 });
  });
  it("stays as it was where the new reading is refused, or only rehearsed", () => {
    book.mustTake("processor", CHARGES);
    const asked = {
      ...book.keep(CHARGES),
      name: "processor.csv",
      mapping: mappingOf(),
      account: "none",
      again: file("ASC"),
      backFirst: true,
    };
    expect(book.do("importFile", asked)).toMatchObject({ error: { code: "account.unknown" } });
    const good = { ...asked, account: "card" };
    expect(book.do("importFile", good, "k1", { rehearse: true })).toMatchObject({
      value: { new: 3 },
    });
    expect([book.balance("clearing"), file("ASC")]).toEqual([103_661, asked.again]);
    // The same key is done once.
    expect(book.do("importFile", good, "k2")).toEqual(book.do("importFile", good, "k2"));
  });
  it("asked about in earnest is not taken back for a question alone", () => {
    book.mustTake("processor", CHARGES);
    const mapping = { ...(mappingOf() as object), answers: {} } as never;
    const open = CHARGES.replaceAll(",Charge,", ",Gizmo,");
    const done = book.do("importFile", {
      ...book.keep(open),
      name: "processor.csv",
      mapping,
      account: "card",
      asking: true,
      again: file("ASC"),
      backFirst: true,
    });
    expect(done).toMatchObject({ ok: false, error: { code: "questions.open" } });
    expect(book.balance("clearing")).toBe(103_661);
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
