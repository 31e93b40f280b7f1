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
  it("reads the remittance advice that came with a payment", () => {
    book.mustTake(
      "bank",
      "Date,Description,Money out,Money in,Balance\n11/18/2026,ACH CREDIT BRIGHTWATER UNIF 12345,,740.00,1740.00\n",
    );
    book.mustTake(
      "remittance",
      "Trace,Payment date,Payer,Invoice,Amount paid,Discount\n0012345,2026-11-18,Brightwater Unified,20404,490.00,10.00\n0012345,2026-11-18,Brightwater Unified,20405,250.00,\n",
    );
    const posted = placeAll();
    const { kinds, differences } = replayOf(book.db, TODAY);
    // The advice's receipt is one of them: without its numbers nothing would tell its two items.
    expect(book.id("receipt", "state = 'placed' AND amount = 74000")).toBeGreaterThan(0);
    expect([kinds.reduce((sum, kind) => sum + kind.posted, 0), differences]).toEqual([posted, []]);
  });
  it("knows what was paid before: a second payment that people kept on account stays a question", () => {
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_9,Charge,11/18/2026,864.50,0.00,864.50,Alder Lane Pottery School,office@alderlane.example,invoice 20401\n",
    );
    placeAll();
    const second = book.id("receipt", "state = 'to_match' AND amount = 86450");
    book.must("applyReceipt", {
      receiptId: second,
      customerId: book.id("customer", "external_id = 'C1'"),
      lines: [],
    });
    expect(replayOf(book.db, TODAY)).toMatchObject({ receipts: 3, differences: [] });
  });
});
