import { cpSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { trailPlaces } from "@/db/trailPlaces";

import { TestBook } from "../../../../tests/support/book";
import { CHARGES, CUSTOMERS, INVOICES, STATEMENT } from "../../../../tests/support/book";
import { openBookToWrite } from "../../runtime/books";
import { provePackage, writePackage } from "./auditPackage";
import { proveBookTrail } from "./bookTrail";

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
  book.mustTake("customers", CUSTOMERS);
  book.mustTake("invoices", INVOICES);
  book.mustTake("processor", CHARGES, { account: "card" });
  book.mustTake("bank", STATEMENT);
});
afterEach(() => book.close());

const problem = (): string | null => proveBookTrail(book.db).problem;

describe("the audit trail", () => {
  it("is whole whatever was done, dry runs and refused commands among it", () => {
    expect(book.do("changeSettings", { feedDays: 400 } as never).ok).toBe(false);
    book.do("changeSettings", { feedDays: 9 }, "rehearsed", { rehearse: true });
    book.must("changeSettings", { feedDays: 8 });
    const proof = proveBookTrail(book.db);
    expect(proof).toMatchObject({ holds: true, problem: null });
    expect(proof.records).toBe(
      (book.db.get<{ n: number }>("SELECT count(*) AS n FROM command")?.n ?? 0) + 1,
    );
    expect(proof.head).toBe(
      book.db.get<{ chain: string }>("SELECT chain FROM command ORDER BY id DESC LIMIT 1")?.chain,
    );
  });
  it("finds a row that was changed, deleted or written by nobody, in every table that has rows", () => {
    const places = trailPlaces(book.db).filter(
      ({ name }) => book.db.get(`SELECT 1 FROM "${name}" LIMIT 1`) !== undefined,
    );
    expect(places.length).toBeGreaterThan(15);
    const survived: string[] = [];
    for (const { name, columns } of places) {
      const column = columns.at(-1) ?? "";
      for (const tamper of [
        `DELETE FROM "${name}" WHERE rowid IN (SELECT rowid FROM "${name}" LIMIT 1)`,
        `DELETE FROM "${name}"`,
        `UPDATE "${name}" SET "${column}" = CASE typeof("${column}") WHEN 'integer' THEN "${column}" + 1 WHEN 'text' THEN "${column}" || 'x' ELSE 'x' END`,
      ]) {
        book.db.exec("PRAGMA foreign_keys = OFF; PRAGMA ignore_check_constraints = ON; BEGIN");
        let done = false;
        try {
          book.db.exec(tamper);
          done = true;
        } catch {
          // A table without rowid, a trigger or a type stands in the way: the book itself refused.
        }
        if (done && (problem() ?? "").includes(name) === false) survived.push(`${name}: ${tamper}`);
        book.db.exec("ROLLBACK; PRAGMA foreign_keys = ON; PRAGMA ignore_check_constraints = OFF");
      }
    }
    expect(survived).toEqual([]);
    expect(problem()).toBeNull();
  });
  it.each([
    ["an act", "UPDATE act SET text = 'nothing happened' WHERE id = 3"],
    ["who did it", "UPDATE act SET actor = 'somebody else' WHERE id = 3"],
    ["a command's result", "UPDATE command SET result = '{}' WHERE id = 3"],
    ["a command that is gone", "DELETE FROM command WHERE id = 4"],
    [
      "a command that nobody gave",
      "INSERT INTO command (id, key, name, actor, at, result) VALUES (99, 'k', 'n', 'a', 'now', 'null')",
    ],
    [
      "an act that nobody did",
      "INSERT INTO act (command_id, kind, subject_kind, subject_id, text, on_day, at, actor) VALUES (3, 'import', 'book', 0, 't', '2026-11-24', 'now', 'a')",
    ],
    ["what the trail keeps", "UPDATE trail SET digest = 'x' WHERE command_id = 3"],
    [
      "a line of the journal",
      "DROP TRIGGER entry_line_kept_update; UPDATE entry_line SET amount = amount + 1",
    ],
    [
      "an entry",
      "DROP TRIGGER entry_kept_update; UPDATE entry SET posted_on = '2026-01-01' WHERE id = 2",
    ],
    ["an entry that is gone", "DROP TRIGGER entry_kept_delete; DELETE FROM entry WHERE id = 2"],
  ])("finds %s", (_what, sql) => {
    book.db.exec("PRAGMA foreign_keys = OFF; BEGIN");
    book.db.exec(sql);
    expect(problem()).toMatch(/record|belongs to/);
    book.db.exec("ROLLBACK; PRAGMA foreign_keys = ON");
  });
});

it("does not seal what somebody wrote from outside, whatever is done honestly after it", () => {
  const outside = openBookToWrite(book.name);
  if (!outside.ok) throw new Error(outside.error.code);
  // Above every number that there is, as if it had come with the next command.
  outside.value.run(
    "INSERT INTO customer (id, external_id, name) VALUES (9000, 'X9', 'Nobody of ours')",
  );
  outside.value.close();
  book.must("changeSettings", { feedDays: 8 });
  book.mustTake("customers", "customer_id,name\nC77,Somebody New\n");
  // With its row goes one that the book itself keeps beside it.
  expect(problem()).toMatch(
    /^the row \[9000\] of (customer|account_link) was written by no command$/,
  );
});

it("is sealed anew where the schema is brought up to date, and goes on from there", () => {
  const root = mkdtempSync(join(tmpdir(), "dozo-schema-"));
  cpSync("src/db/migrations", join(root, "src/db/migrations"), { recursive: true });
  writeFileSync(
    join(root, "src/db/migrations/999_more.sql"),
    "ALTER TABLE customer ADD COLUMN more TEXT; UPDATE customer SET more = 'x';",
  );
  const before = proveBookTrail(book.db);
  process.env.DOZO_ROOT = root;
  const opened = openBookToWrite(book.name);
  delete process.env.DOZO_ROOT;
  if (!opened.ok) throw new Error(opened.error.code);
  const proof = proveBookTrail(opened.value);
  expect(proof).toMatchObject({ holds: true, records: before.records + 1 });
  opened.value.exec("UPDATE customer SET more = 'y' WHERE id = 1");
  expect(proveBookTrail(opened.value).problem).toContain("customer");
  opened.value.close();
});

describe("an audit package", () => {
  const path = join(mkdtempSync(join(tmpdir(), "dozo-audit-")), "audit.jsonl");
  const lines = (): string[] => readFileSync(path, "utf8").split("\n");
  beforeEach(() => writePackage(book.db, path));

  it("is proven by itself, and holds no link of a customer", async () => {
    const { head, records } = proveBookTrail(book.db);
    expect(await provePackage(path)).toEqual({
      ok: true,
      value: { holds: true, records, head, problem: null },
    });
    const token = book.db.get<{ token: string }>("SELECT token FROM account_link")?.token ?? "none";
    expect(readFileSync(path, "utf8")).not.toContain(token);
  });
  it("shows each line that was changed, left out or added, and a history that was rewritten", async () => {
    const all = lines();
    const changed = async (made: string[], head?: string): Promise<boolean> => {
      writeFileSync(path, made.join("\n"));
      const proof = await provePackage(path, head);
      return proof.ok && proof.value.holds;
    };
    expect(await changed(all)).toBe(true);
    for (const at of [1, 2, 3, all.length - 2]) {
      expect(await changed(all.filter((_, index) => index !== at))).toBe(false);
      const altered = all.map((line, index) =>
        index === at ? line.replace('"key":"', '"key":"7') : line,
      );
      expect(await changed(altered)).toBe(false);
    }
    expect(await changed(all, "0".repeat(64))).toBe(false);
  });
  it("says which line is none of a package", async () => {
    writeFileSync(path, "nothing of the kind\n");
    expect(await provePackage(path)).toMatchObject({
      error: { code: "audit.unreadable", line: 1 },
    });
  });
});

it("a key that was used with another input is refused, and with the same gives what it gave", () => {
  const first = book.do("changeSettings", { feedDays: 8 }, "one-key");
  expect(book.do("changeSettings", { feedDays: 8 }, "one-key")).toEqual(first);
  expect(book.do("changeSettings", { feedDays: 9 }, "one-key")).toMatchObject({
    error: { code: "key.reused" },
  });
});
