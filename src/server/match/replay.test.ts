import { CHARGES, CUSTOMERS, INVOICES, TestBook, TODAY } from "../../../tests/support/book";
import { replayOf } from "./queries/replay";

let book: TestBook;
beforeEach(() => {
  book = TestBook.ready();
  book.mustTake("customers", CUSTOMERS);
  book.mustTake("invoices", INVOICES);
  book.mustTake("processor", CHARGES);
});
afterEach(() => book.close());

const placeAll = (): number => {
  const sure = book.proposals().filter(({ decision }) => decision === "sure");
  book.must("postSure", { receiptIds: sure.map(({ receiptId }) => receiptId) });
  return sure.length;
};

describe("the replay of what was placed", () => {
  it("has nothing to say of a book in which nothing was", () => {
    expect(replayOf(book.db, TODAY)).toMatchObject({ receipts: 0, kinds: [], differences: [] });
  });
  it("would have posted again what was posted as sure, against what was open that morning", () => {
    const posted = placeAll();
    const { receipts, limits, differences } = replayOf(book.db, TODAY);
    expect(posted).toBeGreaterThan(0);
    expect([receipts, differences]).toEqual([posted, []]);
    expect(limits.map(({ otherwise }) => otherwise)).toEqual(limits.map(() => 0));
    expect(limits.every(({ posted: one }, at) => one >= (limits[at - 1]?.posted ?? 0))).toBe(true);
  });
  it("counts each receipt under one kind", () => {
    placeAll();
    const { receipts, kinds } = replayOf(book.db, TODAY);
    expect(kinds.reduce((sum, { posted, proposed }) => sum + posted + proposed, 0)).toBe(receipts);
  });
  it("shows the book’s own limit among the others", () => {
    book.must("changeSettings", { wrongPerThousand: 7 });
    expect(replayOf(book.db, TODAY).limits.map(({ perThousand }) => perThousand)).toEqual([
      5, 7, 10, 20, 50, 100,
    ]);
  });
});
