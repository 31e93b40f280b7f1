import { eachBook, type TestBook } from "../../../tests/support/book";
import { matchWorkings } from "./queries/workings";

let book: TestBook;
eachBook((made) => {
  book = made;
});

it("the second of two payments that look like one is shown with what is open, and whether anything of its sum is", () => {
  const charge = (id: string, on: string, memo: string): string =>
    `${id},Charge,${on},864.50,0.00,864.50,Alder Lane Pottery School,office@alderlane.example,${memo}`;
  book.mustTake(
    "processor",
    `Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\n${charge("ch_1", "11/16/2026", "20401")}\n${charge("ch_2", "11/17/2026", "")}\n`,
  );
  const openBeside = (charged: string): string | undefined => {
    const receiptId = book.id(
      "receipt",
      `id = (SELECT receipt_id FROM processor_item WHERE external_id = '${charged}')`,
    );
    const proposal = book.proposals().find((one) => one.receiptId === receiptId);
    return matchWorkings(book.db, receiptId, proposal)?.twin?.open;
  };
  expect([openBeside("ch_1"), openBeside("ch_2")]).toEqual([
    undefined,
    "2 items, 970.50; of this sum 20401",
  ]);
  const [sure] = book.proposals().filter(({ decision }) => decision === "sure");
  book.must("applyReceipt", {
    receiptId: sure?.receiptId ?? 0,
    customerId: null,
    lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 86_450, discount: 0 }],
  });
  expect(openBeside("ch_2")).toBe("one item, 106.00; none of this sum");
});
