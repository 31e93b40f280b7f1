import { Db } from "@/db/connection";

import { activity } from "../support/activity";
import { Dice } from "../support/exports/dice";
import { TestBook } from "../support/book";

const LINES = 400;

/** Every row that a file of activity brings, but for the moments at which it came. */
function rowsOf({ db }: TestBook): unknown {
  const tables = ["receipt", "processor_item", "payout", "entry", "entry_line", "account_day"];
  return [
    ...tables.map((table) => db.all(`SELECT * FROM "${table}"`)),
    // Entries that are gathered take effect together, by one row.
    db.all(
      "SELECT e.id FROM entry e JOIN posting p ON e.id BETWEEN p.first_entry AND p.last_entry ORDER BY 1",
    ),
  ];
}

describe("rows that are gathered, against rows that are written one by one", () => {
  afterEach(() => {
    jest.restoreAllMocks();
  });
  it.each([1, 2, 3])("give the same book, row by row (%s)", (seed) => {
    const text = activity(new Dice(seed), LINES);
    const taken = (): unknown => {
      const book = TestBook.ready();
      book.mustTake("processor", text, { account: "card" });
      book.mustTake("processor", text, { account: "card" });
      const rows = rowsOf(book);
      book.close();
      return rows;
    };
    const gathered = taken();
    jest.spyOn(Db.prototype, "gathering").mockImplementation((_order, work) => work());
    const oneByOne = taken();
    expect(gathered).toEqual(oneByOne);
    const [, items, , entries, , , posted] = gathered as unknown[][];
    expect(items?.length).toBeGreaterThan(LINES);
    expect(posted).toHaveLength(entries?.length ?? 0);
  });
});
