import {
  CHARGES,
  CUSTOMERS,
  INVOICES,
  STATEMENT,
  TestBook,
  TODAY,
} from "../../../tests/support/book";
import { takeOrders as orders } from "../../../tests/support/orders";
import { importFile } from "../arrivals/commands/importFile";
import { openBookToWrite } from "../runtime/books";
import { runCommand } from "../runtime/command";
import { changeSettings } from "../settings/commands/changeSettings";
import { proofs } from "./queries/proofs";
import { restsOnFile } from "./steps/restsOnFile";
import { proveBookTrail } from "./trail/bookTrail";

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
});
afterEach(() => book.close());

const file = (name: string): number =>
  book.id("import_file", `name LIKE '${name}%' AND undone_by IS NULL`);
const count = (table: string): number =>
  book.db.get<{ n: number }>(`SELECT count(*) AS n FROM ${table}`)?.n ?? -1;
const holds = (): void => {
  expect(proofs(book.db).proofs.filter((proof) => !proof.holds)).toEqual([]);
  expect(proveBookTrail(book.db).problem).toBeNull();
};
/** What the book comes to, account by account. */
const sums = () =>
  book.db.all("SELECT code, balance FROM account_now WHERE balance <> 0 ORDER BY code");
/** Everything that stands but for history. */
const standing = () =>
  [
    "customer",
    "customer_alias",
    "open_item",
    "receipt",
    "processor_item",
    "payout",
    "bank_line",
  ].map((table) => [table, count(table)]);

describe("a whole file is taken back", () => {
  it("as from a tally: nothing of it is left but its history, and it can be taken in anew", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    const [before, sumsBefore] = [standing(), sums()];
    book.mustTake("processor", CHARGES, { account: "card" });
    const [after, sumsAfter] = [standing(), sums()];
    book.must("undoFile", { fileId: file("processor") });
    expect([standing(), sums()]).toEqual([before, sumsBefore]);
    holds();
    expect(book.db.get("SELECT text FROM act ORDER BY id DESC LIMIT 1")).toEqual({
      text: "undone: took in processor.csv",
    });
    book.mustTake("processor", CHARGES, { account: "card" });
    expect([standing(), sums()]).toEqual([after, sumsAfter]);
    holds();
  });
  it("refused while something rests on it, which is listed and undone in the same go when asked for", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    const before = [standing(), sums()];
    book.mustTake("processor", CHARGES, { account: "card" });
    book.mustTake("bank", STATEMENT);
    book.must("postSure", {});
    const rests = restsOnFile(book.db, file("processor"));
    expect(rests.map(({ words }) => words)).toEqual([expect.any(String), "took in bank.csv"]);
    expect(book.do("undoFile", { fileId: file("processor") })).toMatchObject({
      error: { code: "file.rests", count: 4 },
    });
    // As many as were announced, and the file itself.
    expect(rests.reduce((sum, { count: things }) => sum + things, 0)).toBe(4);
    expect(book.must("undoFile", { fileId: file("processor"), rest: true })).toEqual({ undone: 5 });
    expect([standing(), sums()]).toEqual(before);
    holds();
    expect(
      book.do("undoFile", { fileId: book.id("import_file", "name LIKE 'processor%'") }),
    ).toMatchObject({
      error: { code: "file.undone" },
    });
  });
  it("gives what it changed what it held before", () => {
    book.mustTake("customers", CUSTOMERS);
    const rows = () =>
      book.db.all("SELECT external_id, name, email, parent_id FROM customer ORDER BY id");
    const before = rows();
    book.mustTake(
      "customers",
      "customer_id,name,email\nC1,Another Name Altogether,other@alder.example\nC99,New Here,\n",
    );
    expect(rows()).not.toEqual(before);
    book.must("undoFile", {
      fileId: book.id("import_file", "id = (SELECT max(id) FROM import_file)"),
    });
    expect(rows()).toEqual(before);
    holds();
  });
  it("customers whom the journal names stay, and nothing else of their file", () => {
    book.mustTake("customers", CUSTOMERS);
    book.mustTake("invoices", INVOICES);
    book.must("undoFile", { fileId: file("customers"), rest: true });
    expect(count("open_item")).toBe(0);
    expect(sums()).toEqual(sums());
    holds();
  });
  it("as well where a connection began with dry runs, and with commands that were refused", () => {
    expect(book.take("customers", CUSTOMERS, { rehearse: true }).ok).toBe(true);
    const opened = openBookToWrite(book.name);
    if (!opened.ok) throw new Error(opened.error.code);
    const who = { book: book.name, actor: "tester" };
    const nothing = { sha256: "0".repeat(64), name: "x.csv", size: 1, mapping: {} };
    runCommand(opened.value, importFile, nothing, { ...who, key: "refused-1" });
    runCommand(
      opened.value,
      changeSettings,
      { feedDays: 7 },
      { ...who, key: "dry-1", rehearse: true },
    );
    const done = runCommand(
      opened.value,
      changeSettings,
      { feedDays: 7 },
      { ...who, key: "real-1" },
    );
    expect(done.ok).toBe(true);
    opened.value.close();
    book.mustTake("customers", CUSTOMERS);
    book.must("undoFile", { fileId: book.id("import_file", "name LIKE 'customers%'") });
    holds();
  });
  it("never where the trail began after it: what was there before is not known", () => {
    book.mustTake("customers", CUSTOMERS);
    // As in a book of an earlier version, whose last command took this file in.
    book.db.exec(
      "UPDATE command SET chain = ''; DELETE FROM trail; DELETE FROM trail_start; DELETE FROM undo_image",
    );
    const before = standing();
    const refused = book.do("undoFile", { fileId: file("customers") });
    expect(refused).toMatchObject({ error: { code: "file.before" } });
    book.must("changeSettings", { feedDays: 7 });
    expect(book.do("undoFile", { fileId: file("customers"), rest: true })).toEqual(refused);
    expect(standing()).toEqual(before);
    holds();
  });
  it("says which file it does not know", () => {
    expect(book.do("undoFile", { fileId: 99 })).toMatchObject({ error: { code: "file.unknown" } });
  });
});

describe("files and invoices that are written here", () => {
  it("what was set off against an invoice of the file is undone with it, and comes back to the credit note", () => {
    book.mustTake("customers", CUSTOMERS);
    orders(book, `A,C1,${TODAY},now,,,,,Clay,1,50,,,\n`);
    book.mustTake("invoices", INVOICES);
    const credited = book.must("writeCreditNote", {
      itemId: book.id("open_item", "number LIKE 'INV-%'"),
      taken: { what: "whole" },
      reason: "broken",
    });
    const act = book.id("act" as never, "kind = 'set_off'");
    book.must("undo", { actId: act });
    const creditItemId = book.id("open_item", `number = '${credited.number}'`);
    book.must("setOff", {
      creditItemId,
      itemId: book.id("open_item", "number = '20401'"),
      amount: 2000,
    });
    expect(restsOnFile(book.db, file("invoices")).map(({ words }) => words)).toEqual([
      `credit note ${credited.number} set off, 20.00`,
    ]);
    book.must("undoFile", { fileId: file("invoices"), rest: true });
    holds();
    expect(book.db.get("SELECT balance FROM open_item WHERE id = ?", creditItemId)).toEqual({
      balance: -5000,
    });
  });
  it("of a file of customers the one who has an invoice stays, with it", () => {
    book.mustTake("customers", CUSTOMERS);
    orders(book, `A,C1,${TODAY},now,,,,,Clay,1,50,,,\n`);
    book.must("undoFile", { fileId: file("customers"), rest: true });
    expect(book.db.all("SELECT external_id AS id FROM customer")).toEqual([{ id: "C1" }]);
    expect(book.balance("receivables")).toBe(5000);
    holds();
  });
});
