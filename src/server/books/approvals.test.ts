import { eachBook, type TestBook } from "../../../tests/support/book";
import { writeDraft } from "../../../tests/support/orders";
import { waitingForSecond } from "./queries/approvals";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const waiting = () =>
  waitingForSecond(book.db).map(({ kind, customer, askedBy, sum, href }) => [
    kind,
    customer,
    askedBy,
    sum,
    href,
  ]);

describe("what waits for a second person", () => {
  it("is one list, whatever it is, and leaves it once somebody else agreed", () => {
    book.must("changeSettings", { approvalOver: 100, people: ["tester", "Theo"] });
    const id = writeDraft(book);
    const draft = book.db.get<{ total: number }>("SELECT total FROM document WHERE id = ?", id);
    book.must("approveDocuments", { ids: [id] });
    const itemId = book.id("open_item", "number = '20401'");
    const asked = book.do("writeOff", { itemId, sum: 86_450, why: "closed down" });
    expect(asked.ok).toBe(true);
    expect(waiting()).toEqual([
      ["document", "Alder Lane Pottery School", "tester", draft?.total, `invoices/drafts/${id}`],
      ["write-off", "Alder Lane Pottery School", "tester", 86450, `invoices/${itemId}`],
    ]);
    // Who wrote it cannot be the second.
    expect(book.do("approveDocuments", { ids: [id] })).toMatchObject({ ok: false });
    book.as("Theo").do("approveDocuments", { ids: [id] });
    expect(waiting().map(([kind]) => kind)).toEqual(["write-off"]);
  });
});
