import Database from "better-sqlite3";
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { createFile, openToRead, openToWrite } from "./opening";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "dozo-identity-"));
  path = join(folder, "book.sqlite");
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Both ways of opening, with what each says and whether the file is as it was. */
function openings(): unknown[] {
  const before = readFileSync(path);
  return [openToRead, openToWrite].map((open) => {
    const opened = open(path);
    if (opened.ok) opened.value.close();
    return [opened.ok || opened.error.code, readFileSync(path).equals(before)];
  });
}
const DAMAGED = [
  ["book.unreadable", true],
  ["book.unreadable", true],
];

describe("a file that is no book", () => {
  it("is damaged, and nothing is written to it: an empty one", () => {
    writeFileSync(path, "");
    expect(openings()).toEqual(DAMAGED);
  });
  it.each([0, 1, 5, 42])("another program's, whatever version it says it has: %i", (version) => {
    const other = new Database(path);
    other.exec("CREATE TABLE track (name TEXT)");
    other.pragma(`user_version = ${version}`);
    other.close();
    expect(openings()).toEqual(DAMAGED);
  });
  it("a text, and a book that was cut off", () => {
    writeFileSync(path, "this is a letter, not a book\n".repeat(200));
    expect(openings()).toEqual(DAMAGED);
    rmSync(path);
    createFile(path).close();
    const whole = readFileSync(path).length;
    for (const part of [0.99, 0.5, 0.1]) {
      const cut = join(folder, "cut.sqlite");
      copyFileSync(path, cut);
      truncateSync(cut, Math.floor(whole * part));
      const opened = openToWrite(cut);
      expect(opened.ok || opened.error.code).toBe("book.unreadable");
    }
  });
});

describe("a book", () => {
  it("says that it is one, and has an id that no other has", () => {
    const ids = ["a", "b"].map((name) => {
      const db = createFile(join(folder, `${name}.sqlite`));
      const id = db.get<{ id: string }>("SELECT id FROM identity")?.id;
      db.close();
      return id;
    });
    expect(new Set(ids).size).toBe(2);
    for (const id of ids) expect(id).toMatch(/^[0-9a-f]{32}$/);
    // "Dozo": what file(1) and others tell it by (https://www.sqlite.org/fileformat.html, 1.3.20).
    const bytes = readFileSync(join(folder, "a.sqlite"));
    expect(bytes.subarray(68, 72).toString("latin1")).toBe("Dozo");
  });
  it("of before the id is known by its tables, and gets one when it is brought up to date", () => {
    const root = join(folder, "before");
    mkdirSync(join(root, "src/db/migrations"), { recursive: true });
    for (const name of readdirSync("src/db/migrations").filter((file) => file < "010"))
      copyFileSync(join("src/db/migrations", name), join(root, "src/db/migrations", name));
    process.env.DOZO_ROOT = root;
    createFile(path).close();
    delete process.env.DOZO_ROOT;
    const opened = openToWrite(path);
    expect(opened.ok && opened.value.all("SELECT length(id) AS length FROM identity")).toEqual([
      { length: 32 },
    ]);
    if (opened.ok) opened.value.close();
  });
});
