import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { Db } from "./connection";
import { createFile, openToRead, openToWrite } from "./opening";
import { backFrom, personsOf } from "./persons";

let folder: string;
let db: Db;
const path = (): string => join(folder, "book.sqlite");

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "dozo-db-"));
  db = createFile(path());
  db.exec(`BEGIN; INSERT INTO account (id, code, name, role) VALUES (1, '1200', 'Receivables', 'receivables'), (2, '4000', 'Sales', 'income');
    INSERT INTO act (id, command_id, kind, subject_kind, subject_id, text, on_day, at, actor) VALUES (1, 1, 'import', 'book', 0, 't', '2026-11-24', 'now', 'a');
    INSERT INTO command (id, key, name, actor, at, result) VALUES (1, 'k', 'n', 'a', 'now', 'null');
    INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) VALUES (1, 'invoice', '2026-11-24', 'open_item', 1, 'd', 1);
    INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES (1, 1, 1, 'USD', 100, 100), (1, 2, 2, 'USD', -100, -100);
    INSERT INTO posting (first_entry, last_entry) VALUES (1, 1); COMMIT;`);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("the journal is append only, and the database itself holds to it", () => {
  it.each([
    ["changing an entry", "UPDATE entry SET event = 'fee'"],
    ["deleting an entry", "DELETE FROM entry"],
    [
      "replacing an entry",
      "REPLACE INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) VALUES (1, 'fee', '2026-11-24', 'open_item', 1, 'd', 1)",
    ],
    ["changing a line", "UPDATE entry_line SET amount = 5"],
    ["deleting a line", "DELETE FROM entry_line"],
    [
      "replacing a line",
      "REPLACE INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES (1, 1, 1, 'USD', 9, 9)",
    ],
    [
      "a line for an entry already posted",
      "INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES (1, 3, 1, 'USD', 5, 5)",
    ],
    ["posting twice", "INSERT INTO posting (first_entry, last_entry) VALUES (1, 1)"],
    ["taking a posting back", "DELETE FROM posting"],
  ])("refuses %s", (_case, sql) => {
    expect(() => db.exec(sql)).toThrow(/append only|already posted/);
    expect(db.get<{ sum: number }>("SELECT sum(abs(amount)) AS sum FROM entry_line")?.sum).toBe(
      200,
    );
  });
  it.each([
    ["does not foot", "(2, 1, 1, 'USD', 100, 100), (2, 2, 2, 'USD', -99, -99)"],
    ["has one line only", "(2, 1, 1, 'USD', 0, 0)"],
  ])("refuses an entry that %s", (_case, lines) => {
    db.exec(
      `INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) VALUES (2, 'invoice', '2026-11-24', 'open_item', 1, 'd', 1); INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES ${lines};`,
    );
    expect(() => db.exec("INSERT INTO posting (first_entry, last_entry) VALUES (2, 2)")).toThrow(
      /does not foot/,
    );
  });
  it.each(["INSERT", "REPLACE"])("refuses a run with one that is posted: %s", (verb) => {
    const more = [2, 3].map((id) => `(${id}, 'invoice', '2026-11-24', 'open_item', 1, 'd', 1)`);
    const lines = [2, 3].map((id) => `(${id}, 1, 1, 'USD', 7, 7), (${id}, 2, 2, 'USD', -7, -7)`);
    db.exec(
      `INSERT INTO entry (id, event, posted_on, document_kind, document_id, document, act_id) VALUES ${more.join(", ")}; INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES ${lines.join(", ")};`,
    );
    const post = (first: number, last: number): void =>
      db.exec(`${verb} INTO posting (first_entry, last_entry) VALUES (${first}, ${last})`);
    expect(() => post(1, 3)).toThrow(/append only/);
    // One that is not there does not foot.
    expect(() => post(2, 4)).toThrow(/does not foot/);
    post(2, 3);
    expect(() => post(3, 3)).toThrow(/append only/);
    expect(db.all("SELECT balance FROM account_now ORDER BY id")).toEqual([
      { balance: 114 },
      { balance: -114 },
    ]);
  });
  it("keeps each account's balance beside it as entries take effect", () => {
    expect(
      db
        .all<{ balance: number }>("SELECT balance FROM account_now ORDER BY id")
        .map(({ balance }) => balance),
    ).toEqual([100, -100]);
  });
});

describe("tables", () => {
  it("take whole minor units only: all are STRICT", () => {
    expect(() =>
      db.exec(
        "INSERT INTO entry_line (entry_id, line_no, account_id, currency, amount, book_amount) VALUES (9, 1, 1, 'USD', 1.5, 1.5)",
      ),
    ).toThrow();
    expect(
      db.all<{ strict: number; name: string; type: string }>("PRAGMA table_list").filter(
        ({ name, strict, type }) =>
          type !== "view" &&
          !name.startsWith("sqlite_") &&
          // The index of words is kept by SQLite itself.
          !name.startsWith("item_words") &&
          strict === 0,
      ),
    ).toEqual([]);
  });
  it("hold a receipt's parts to its amount, and an open item's balance between zero and what it opened with", () => {
    expect(() =>
      db.exec(
        "INSERT INTO receipt (source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, state, unidentified) VALUES ('bank', 'wire', '2026-11-24', '2026-11-24', 'USD', 100, '', '', '', 'to_match', 99)",
      ),
    ).toThrow(/CHECK/);
    db.exec(
      "INSERT INTO customer (id, external_id, name) VALUES (1, 'C1', 'A'); INSERT INTO open_item (kind, number, customer_id, issued_on, due_on, currency, total, opened, balance, opened_on) VALUES ('invoice', '1', 1, '2026-11-01', '2026-12-01', 'USD', 100, 100, 100, '2026-11-01')",
    );
    expect(() => db.exec("UPDATE open_item SET balance = -1")).toThrow(/CHECK/);
    expect(() => db.exec("UPDATE open_item SET balance = 101")).toThrow(/CHECK/);
  });
});

describe("opening", () => {
  it("says what is wrong with a file: missing, no book, newer than the program", () => {
    expect(openToRead(join(folder, "none.sqlite"))).toMatchObject({
      error: { code: "book.missing" },
    });
    db.exec("PRAGMA user_version = 999");
    expect(openToWrite(path())).toMatchObject({ error: { code: "book.newer", found: 999 } });
  });
  it("copies the file before it migrates it, and applies what is new once", () => {
    const migrations = join(folder, "src/db/migrations");
    mkdirSync(migrations, { recursive: true });
    writeFileSync(
      join(migrations, "900_more.sql"),
      "CREATE TABLE more (id INTEGER PRIMARY KEY) STRICT;",
    );
    // As left by a migration that was cut off right after its copy.
    writeFileSync(`${path()}.before-900`, "an earlier copy");
    const root = process.env.DOZO_ROOT;
    process.env.DOZO_ROOT = folder;
    try {
      for (let times = 0; times < 2; times += 1) {
        const opened = openToWrite(path());
        expect(opened.ok && opened.value.all("SELECT * FROM more")).toEqual([]);
        if (opened.ok) opened.value.close();
      }
    } finally {
      if (root === undefined) delete process.env.DOZO_ROOT;
      else process.env.DOZO_ROOT = root;
    }
    const before = openToRead(`${path()}.before-900-2`);
    expect(readFileSync(`${path()}.before-900`, "utf8")).toBe("an earlier copy");
    expect(before.ok && before.value.get("SELECT balance FROM account_now WHERE id = 1")).toEqual({
      balance: 100,
    });
    if (before.ok) before.value.close();
  });
  /** A book of an earlier version, with what `fill` puts into it. */
  const older = (version: number, fill: string): string => {
    const migrations = join(folder, `old${version}/src/db/migrations`);
    const own = join(process.cwd(), "src/db/migrations");
    mkdirSync(migrations, { recursive: true });
    for (const name of readdirSync(own).filter((name) => Number.parseInt(name, 10) <= version))
      copyFileSync(join(own, name), join(migrations, name));
    const root = process.env.DOZO_ROOT;
    process.env.DOZO_ROOT = join(folder, `old${version}`);
    const path = join(folder, `old${version}.sqlite`);
    const made = createFile(path);
    made.exec(fill);
    made.close();
    if (root === undefined) delete process.env.DOZO_ROOT;
    else process.env.DOZO_ROOT = root;
    return path;
  };
  it("brings a book of the first version up to date with all that is in it, also where it is only read", () => {
    const opened = openToRead(
      older(
        1,
        `INSERT INTO import_file VALUES (1, 'x', 'a.csv', 1, 'bank', '{}', '2026-11-01T00:00:00Z', '2026-11-01', 'clerk', 1, 0, 0, 0);
      INSERT INTO bank_account (id, code, name, currency) VALUES (1, 'operating', 'Operating bank', 'USD');
      INSERT INTO receipt (id, source, method, paid_on, settled_on, currency, amount, payer_name, payer_email, reference, state, unidentified, file_id) VALUES (7, 'bank', 'check', '2026-11-01', '2026-11-01', 'USD', 500, 'A', '', '', 'to_match', 500, 1);
      INSERT INTO bank_line (id, bank_account_id, external_id, posted_on, currency, amount, description, state, receipt_id, file_id) VALUES (3, 1, 'l', '2026-11-01', 'USD', 500, 'CHECK', 'receipt', 7, 1);`,
      ),
    );
    expect(
      opened.ok && [
        opened.value.get("SELECT id, amount, hand_state AS hand, number FROM receipt"),
        opened.value.get("SELECT receipt_id AS receipt, file_id AS file FROM bank_line"),
        opened.value.all("PRAGMA foreign_key_check"),
      ],
    ).toEqual([{ id: 7, amount: 500, hand: null, number: null }, { receipt: 7, file: 1 }, []]);
    if (opened.ok) opened.value.close();
  });
  it("makes contact persons of the names and addresses of an earlier version, and keeps where letters came back from", () => {
    const opened = openToRead(
      older(
        7,
        `INSERT INTO customer (id, external_id, name) VALUES (1, 'C1', 'Alder Lane'), (2, 'C2', 'Heron Point'), (3, 'C3', 'Fernhill');
      INSERT INTO customer_followup (customer_id, contact_name, contact_email, contact_phone) VALUES (1, 'Ms Ito', 'ito@a.example, ware@a.example', '+1 312 555 0142'), (2, 'Mr Bell', '', ''), (3, '', '', '');
      INSERT INTO command (id, key, name, actor, at, result) VALUES (1, 'k', 'sendLetter', 'clerk', '2026-11-01T00:00:00Z', '{}');
      INSERT INTO act (id, command_id, kind, on_day, at, actor, subject_kind, subject_id, text) VALUES (1, 1, 'letter', '2026-11-01', '2026-11-01T00:00:00Z', 'clerk', 'customer', 1, 'letter');
      INSERT INTO letter (id, customer_id, step, on_day, to_address, subject, body, currency, sum, message_id, file_name, act_id, came_back) VALUES (1, 1, 1, '2026-11-01', 'ito@a.example, ware@a.example', 's', 'b', 'USD', 1, 'm1', 'f1', 1, 'nobody there'), (2, 1, 1, '2026-11-02', 'old@a.example', 's', 'b', 'USD', 1, 'm2', 'f2', 1, 'full'), (3, 1, 1, '2026-11-03', 'old@a.example', 's', 'b', 'USD', 1, 'm3', 'f3', 1, NULL);`,
      ),
    );
    if (!opened.ok) throw new Error(opened.error.code);
    const [ito, ware] = personsOf(opened.value, 1);
    expect([ito, ware]).toEqual([
      {
        name: "Ms Ito",
        duty: "",
        email: "ito@a.example",
        phone: "+1 312 555 0142",
        letters: "to",
        calls: true,
      },
      { name: "", duty: "", email: "ware@a.example", phone: "", letters: "to", calls: false },
    ]);
    expect([personsOf(opened.value, 2), personsOf(opened.value, 3)]).toEqual([
      [{ name: "Mr Bell", duty: "", email: "", phone: "", letters: "none", calls: false }],
      [],
    ]);
    expect(
      ["ito@a.example", "Ware@a.example", "old@a.example"].map((address) =>
        backFrom(opened.value, address),
      ),
    ).toEqual(["nobody there", "nobody there", null]);
    opened.value.close();
  });
  it("reads without being able to write", () => {
    const reader = openToRead(path());
    expect(reader.ok).toBe(true);
    if (!reader.ok) return;
    expect(() => reader.value.exec("DELETE FROM account")).toThrow(/readonly/);
    reader.value.close();
  });
});
