import { TestBook } from "../../../tests/support/book";
import { bookLines } from "./queries/bookLines";
import { firstFiles, firstStepsDone } from "./queries/firstSteps";

let book: TestBook;
beforeEach(() => {
  book = new TestBook();
});
afterEach(() => book.close());

it("the first steps of a book are done one by one, the files when one of each kind was taken in", () => {
  expect(firstStepsDone(book.db)).toEqual({
    business: true,
    bank: false,
    processor: false,
    files: false,
  });
  book.must("addBankAccount", { code: "operating", name: "Operating", openingBalance: 0 });
  book.must("addProcessorAccount", { code: "card", name: "card", delayDays: 2, descriptor: null });
  expect(firstStepsDone(book.db)).toMatchObject({ bank: true, processor: true, files: false });
  book.mustTake("customers", "customer_id,name\nC1,Alder Lane\n");
  expect(firstFiles(book.db).map(({ kind, taken }) => [kind, taken])).toEqual([
    ["customers", true],
    ["invoices", false],
    ["processor", false],
    ["bank", false],
  ]);
});

it("the list of books says whose each is, when something was last done, and what waits", () => {
  expect(bookLines()).toEqual([
    {
      book: book.name,
      name: "Test",
      lastOn: null,
      waiting: { arrivals: 0, match: 0, payouts: 0 },
      problem: null,
    },
  ]);
  book.must("changeSettings", { name: "Heron Point", country: "CA" });
  expect(bookLines()).toMatchObject([{ name: "Heron Point", lastOn: "2026-11-24" }]);
  expect(book.do("changeSettings", { country: "Canada" })).toMatchObject({
    error: { code: "input.invalid" },
  });
});
