import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { listSheet } from "../output/lists";
import { customerPageOf } from "./queries/customer";
import { payingOf } from "./queries/paying";

let book: TestBook;
eachBook((made) => {
  book = made;
});

let paid = 0;
type PaymentMade = {
  number: string;
  on: string;
  cents: number;
  customerId: number;
  method?: string;
};

function pay({ number, on, cents, customerId, method = "Card" }: PaymentMade): void {
  paid += 1;
  const [year, month, date] = on.split("-");
  book.mustTake(
    "processor",
    `Id,Type,Method,Date,Gross,Fee,Net,Payer,Email,Memo\nch_p${paid},Charge,${method},${month}/${date}/${year},${(cents / 100).toFixed(2)},0.00,${(cents / 100).toFixed(2)},Somebody,,${number}\n`,
  );
  book.must("applyReceipt", {
    receiptId: book.id("receipt", "id = (SELECT max(id) FROM receipt)"),
    customerId,
    lines: [{ itemId: book.id("open_item", `number = '${number}'`), amount: cents }],
  });
}

describe("how a customer pays", () => {
  it("nothing yet: no month, no method", () =>
    expect(payingOf(book.db, 1, TODAY)).toEqual({ months: [], methods: [] }));
  it("days late of what was paid in full, by the month in which it was, with the invoices behind each", () => {
    pay({ number: "20401", on: "2026-11-10", cents: 86_450, customerId: 1 });
    pay({ number: "20402", on: "2026-11-20", cents: 10_600, customerId: 1 });
    const { months, methods } = payingOf(book.db, 1, TODAY);
    // 20401 was due on 31 October and came 10 days late; 20402 is due on 2 December and came 12 days early.
    expect(months).toEqual([
      {
        month: "2026-11",
        daysLate: -1,
        count: 2,
        invoices: [
          expect.objectContaining({ number: "20401", daysLate: 10 }),
          expect.objectContaining({ number: "20402", daysLate: -12 }),
        ],
      },
    ]);
    expect(methods).toEqual([{ method: "card", count: 2 }]);
  });
  it("an invoice counts in the month of its last payment, and one that is paid in part counts nowhere", () => {
    pay({ number: "20401", on: "2026-10-05", cents: 50_000, customerId: 1 });
    expect(payingOf(book.db, 1, TODAY).months).toEqual([]);
    pay({ number: "20401", on: "2026-11-05", cents: 36_450, customerId: 1 });
    expect(
      payingOf(book.db, 1, TODAY).months.map(({ month, daysLate }) => [month, daysLate]),
    ).toEqual([["2026-11", 5]]);
  });
  it("of a head office with its sites; of a year, and no longer", () => {
    pay({ number: "20404", on: "2026-11-16", cents: 50_000, customerId: 4 });
    pay({ number: "20405", on: "2026-11-23", cents: 25_000, customerId: 3 });
    expect(
      payingOf(book.db, 3, TODAY).months.map(({ count, daysLate }) => [count, daysLate]),
    ).toEqual([[2, -13.5]]);
    expect(payingOf(book.db, 4, TODAY).months.map(({ count }) => count)).toEqual([1]);
    expect(payingOf(book.db, 3, "2027-11-01" as typeof TODAY).months).toEqual([]);
  });
  it("stands on the customer's page with the promises it kept, and invoice by invoice in its files", () => {
    pay({ number: "20403", on: "2026-11-21", cents: 12_000, customerId: 2 });
    expect(customerPageOf(book.db, 2, TODAY, [])?.paying).toMatchObject({
      months: [{ month: "2026-11", daysLate: 2 }],
      kept: 0,
      broken: 0,
    });
    expect(
      listSheet(
        { db: book.db, today: TODAY, proposals: [] },
        "paying",
        new URLSearchParams("customer=2"),
      ),
    ).toEqual({
      columns: ["paid_on", "invoice_number", "customer", "due_on", "days_late"],
      rows: [["2026-11-21", "20403", "Heron Point Studio", "2026-11-19", "2"]],
    });
    expect(
      listSheet(
        { db: book.db, today: TODAY, proposals: [] },
        "paying",
        new URLSearchParams("customer=999"),
      ).rows,
    ).toEqual([]);
  });
});
