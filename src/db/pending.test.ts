import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { Db } from "./connection";
import { createFile } from "./opening";
import type { Gathering } from "./pending";

const PARENT: Gathering = { table: "parent", columns: ["name"], isNumbered: true };
const CHILD: Gathering = { table: "child", columns: ["parent_id"], isNumbered: false };
const RUN: Gathering = {
  table: "run",
  columns: ["first", "last"],
  isNumbered: false,
  isRun: true,
};
const ORDER = [PARENT, CHILD, RUN];

let folder: string;
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "dozo-pending-"));
  db = createFile(join(folder, "book.sqlite"));
  db.exec(
    `CREATE TABLE parent (id INTEGER PRIMARY KEY, name TEXT NOT NULL) STRICT;
     CREATE TABLE child (parent_id INTEGER NOT NULL REFERENCES parent (id)) STRICT;
     CREATE TABLE run (first INTEGER PRIMARY KEY, last INTEGER NOT NULL) STRICT`,
  );
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

const names = (): string[] =>
  db.all<{ name: string }>("SELECT name FROM parent ORDER BY id").map(({ name }) => name);

describe("rows that wait to be inserted together", () => {
  it.each([1, 31, 32, 33, 100, 5000])("%i of them stand in order, with the ids told", (count) => {
    const ids = db.transaction(() =>
      db.gathering(ORDER, () =>
        Array.from({ length: count }, (_, at) => db.insert(PARENT, `no ${at}`)),
      ),
    );
    expect(ids).toEqual(Array.from({ length: count }, (_, at) => at + 1));
    expect(names()).toEqual(ids.map((id) => `no ${id - 1}`));
  });

  it("are written before anybody reads, whatever came first", () => {
    db.transaction(() =>
      db.gathering(ORDER, () => {
        const first = db.insert(PARENT, "one");
        db.insert(CHILD, first);
        // A child that came before its parent's fellow: parents are written first all the same.
        db.insert(CHILD, db.insert(PARENT, "two"));
        expect(names()).toEqual(["one", "two"]);
        expect(db.get("SELECT count(*) AS n FROM child")).toEqual({ n: 2 });
      }),
    );
  });

  it("take numbers after rows that others wrote meanwhile", () => {
    db.transaction(() =>
      db.gathering(ORDER, () => {
        expect(db.insert(PARENT, "one")).toBe(1);
        db.run("INSERT INTO parent (id, name) VALUES (7, 'between')");
        expect(db.insert(PARENT, "two")).toBe(8);
      }),
    );
    expect(names()).toEqual(["one", "between", "two"]);
  });

  it("go with the part of the work that is refused, and with no other", () => {
    db.transaction(() =>
      db.gathering(ORDER, () => {
        db.insert(PARENT, "stays");
        expect(() =>
          db.savepoint(() => {
            db.insert(PARENT, "goes");
            throw new Error("refused");
          }),
        ).toThrow("refused");
        db.insert(PARENT, "stays too");
      }),
    );
    expect(names()).toEqual(["stays", "stays too"]);
  });

  it("are not written where the work fails", () => {
    const work = (): void => {
      db.insert(PARENT, "goes");
      throw new Error("refused");
    };
    expect(() => db.transaction(() => db.gathering(ORDER, work))).toThrow("refused");
    expect(names()).toEqual([]);
  });

  it("are held to what the tables demand", () => {
    const work = (): number => db.insert(CHILD, 99);
    expect(() => db.transaction(() => db.gathering(ORDER, work))).toThrow(/FOREIGN KEY/);
  });
  it("are one row where they are runs that follow on, until they are written", () => {
    db.transaction(() =>
      db.gathering(ORDER, () => {
        for (const at of [1, 2, 3, 5, 6]) db.insert(RUN, at, at);
        expect(db.all("SELECT * FROM run")).toEqual([
          { first: 1, last: 3 },
          { first: 5, last: 6 },
        ]);
        db.insert(RUN, 7, 7);
      }),
    );
    expect(db.all("SELECT * FROM run WHERE first > 5")).toEqual([{ first: 7, last: 7 }]);
  });
});
