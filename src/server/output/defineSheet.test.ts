import { z } from "zod";

import { TestBook, TODAY } from "../../../tests/support/book";
import { columnsFor, defineSheet } from "./defineSheet";

type Row = { name: string; cents: number };

const sheet = defineSheet({
  name: "sample",
  query: z.object({ least: z.coerce.number().catch(0) }),
  rows: ({ query }): Row[] =>
    [
      { name: "clay", cents: 1250 },
      { name: "glaze", cents: -5 },
    ].filter(({ cents }) => cents >= query.least),
  columns: {
    name: (row) => row.name,
    ...columnsFor(
      ["once", "twice"],
      (name) =>
        (row: Row, { sum }) =>
          sum(name === "once" ? row.cents : 2 * row.cents),
    ),
    day: (_row, { today }) => today,
  },
});

let book: TestBook;
beforeAll(() => {
  book = TestBook.ready();
});
afterAll(() => book.close());

const made = (query: unknown): ReturnType<typeof sheet.make> =>
  sheet.make({ db: book.db, today: TODAY, proposals: [], query });

describe("a sheet as a definition", () => {
  it("has its columns in the order they are written, and a cell for each", () => {
    expect(made({ least: "-100" })).toEqual({
      columns: ["name", "once", "twice", "day"],
      rows: [
        ["clay", "12.50", "25.00", TODAY],
        ["glaze", "-0.05", "-0.10", TODAY],
      ],
    });
  });
  it("takes what cannot be read of an address as not asked", () => {
    expect(made({ least: "much" }).rows).toHaveLength(1);
    expect(made({}).rows).toHaveLength(1);
  });
});
