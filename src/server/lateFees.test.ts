import { eachBook, TODAY, type TestBook } from "../../tests/support/book";
import { lateFeesPage, proposedFees, type ProposedFee } from "./queries/lateFees";
import { overdueRows } from "./queries/overdue";

let book: TestBook;
eachBook((made) => { book = made; });
const STEPS = [{ fromDays: 1, act: "letter" }] as const;
const rule = (fee: object): void => void book.must("setLadder", { id: 1, name: "Standard", steps: [...STEPS], fee: { kind: "fixed", fixed: 2500, percent: "0", grace: 5, least: 0, most: null, ...fee } as never });
const proposed = (): ProposedFee[] => proposedFees(book.db, TODAY, overdueRows(book.db, TODAY, book.proposals()));

it("are proposed by the customer's ladder, charged as open items, and never on a fee", () => {
  expect(proposed()).toEqual([]);
  rule({});
  // 20401 is 24 days late; 20403 is 5 days late, within the days of grace.
  expect(proposed().map(({ number, sum }) => [number, sum])).toEqual([["20401", 2500]]);
  expect(book.must("chargeLateFees", { itemIds: proposed().map(({ itemId }) => itemId) })).toEqual({ charged: 1 });
  expect([book.balance("late_fees"), book.broken(), proposed()]).toEqual([-2500, [], []]);
  expect(book.do("chargeLateFees", { itemIds: [1] })).toMatchObject({ ok: false, error: { code: "late_fee.none" } });
  book.db.run("UPDATE open_item SET due_on = '2026-10-01' WHERE kind = 'late_fee'");
  rule({ kind: "monthly", percent: "2", grace: 0 });
  expect(proposed().every(({ number }) => !number.startsWith("LF-"))).toBe(true);
});

it("are waived with a reason, charged again if they are still due, and not taken back once they are paid", () => {
  rule({});
  book.must("chargeLateFees", { itemIds: proposed().map(({ itemId }) => itemId) });
  const [fee] = lateFeesPage(book.db, TODAY, []).charged;
  expect(book.do("waiveLateFee", { feeId: fee!.id, reason: "" })).toMatchObject({ ok: false, error: { code: "input.invalid" } });
  book.must("waiveLateFee", { feeId: fee!.id, reason: "good customer" });
  expect([book.balance("late_fees"), book.balance("receivables"), proposed()]).toEqual([0, 183_050, [expect.objectContaining({ number: "20401" })]]);
  expect(book.db.get<{ text: string }>("SELECT text FROM act ORDER BY id DESC LIMIT 1")?.text).toContain("good customer");
  book.must("chargeLateFees", { itemIds: proposed().map(({ itemId }) => itemId) });
  const [again] = lateFeesPage(book.db, TODAY, []).charged;
  book.mustTake("processor", "Id,Type,Date,Gross,Fee,Payer,Memo\nch_1,Charge,11/24/2026,25.00,1.00,Alder Lane Pottery School,fee\n");
  book.must("placeReceipt", { receiptId: 1, customerId: 1, lines: [{ itemId: again!.feeItemId, amount: 2500 }] });
  expect(book.do("waiveLateFee", { feeId: again!.id, reason: "good customer" })).toMatchObject({ ok: false, error: { code: "act.rests" } });
});

it("are not charged while the customer waits, or on what is left out", () => {
  rule({});
  book.mustTake("processor", "Id,Type,Date,Gross,Fee,Payer,Memo\nch_1,Charge,11/24/2026,864.50,1.00,Alder Lane Pottery School,20401\n");
  expect(proposed()).toEqual([]);
  book.must("setAside", { receiptId: 1, reason: "test" });
  expect(proposed()).toHaveLength(1);
  book.must("leaveItemOut", { itemId: book.id("open_item", "number = '20401'"), reason: "in dispute" });
  expect(proposed()).toEqual([]);
});
