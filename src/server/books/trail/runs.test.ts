import { CUSTOMERS, TestBook } from "../../../../tests/support/book";

import { proveBookTrail } from "./bookTrail";

/** More rows than are kept one by one, and than one run holds. */
const MANY = 1200;

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
  book.mustTake("customers", CUSTOMERS);
  const lines = Array.from({ length: MANY }, (_, at) => `M${at},Many Number${at}`);
  book.mustTake("customers", `customer_id,name\n${lines.join("\n")}\n`);
});
afterEach(() => book.close());

const problem = (): string | null => proveBookTrail(book.db).problem;
const count = (sql: string): number => book.db.get<{ n: number }>(sql)?.n ?? -1;
const customer = (external: string): number => book.id("customer", `external_id = '${external}'`);

describe("rows that came together", () => {
  it("share rows of the trail", () => {
    expect(count("SELECT count(*) AS n FROM trail_run WHERE place = 'customer'")).toBe(3);
    expect(count("SELECT count(*) AS n FROM trail WHERE place = 'customer'")).toBeLessThan(10);
    expect(problem()).toBeNull();
  });
  it.each([
    [
      "changed",
      "UPDATE customer SET name = 'x' WHERE external_id = 'M700'",
      "of customer was changed",
    ],
    ["deleted", "DELETE FROM customer WHERE external_id = 'M700'", "of customer was deleted"],
    ["kept otherwise", "UPDATE trail_run SET digests = replace(digests, 'a', 'b')", "does not fit"],
    ["not kept", "DELETE FROM trail_run WHERE place = 'customer'", "does not fit"],
  ])("one that was %s by nobody is found", (_, sql, said) => {
    book.db.exec("PRAGMA foreign_keys = OFF; BEGIN");
    book.db.exec(sql);
    expect(problem()).toContain(said);
    book.db.exec("ROLLBACK; PRAGMA foreign_keys = ON");
  });
  it("one that a later file changed is of that one; their file can be taken back with it", () => {
    book.mustTake("customers", "customer_id,name,email\nM700,Another Name,m700@x.example\n");
    expect(problem()).toBeNull();
    const fileId = book.id("import_file", "id = 2");
    const alone = book.do("undoFile", { fileId });
    expect(alone.ok).toBe(false);
    expect(customer("M700")).toBeGreaterThan(0);
    book.must("undoFile", { fileId: book.id("import_file", "id = 3") });
    book.must("undoFile", { fileId });
    expect(count("SELECT count(*) AS n FROM customer WHERE external_id LIKE 'M%'")).toBe(0);
    expect(problem()).toBeNull();
  });
  it("numbers that come anew after they were taken back are of the later file", () => {
    book.must("undoFile", { fileId: book.id("import_file", "id = 2") });
    const lines = Array.from({ length: MANY }, (_, at) => `N${at},New Number${at}`);
    book.mustTake("customers", `customer_id,name\n${lines.join("\n")}\n`);
    expect(problem()).toBeNull();
    expect(count("SELECT count(*) AS n FROM customer WHERE external_id LIKE 'N%'")).toBe(MANY);
  });
});
