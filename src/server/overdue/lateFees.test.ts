import type { ProposedFee } from "@/contracts/overdue";
import { readSettings } from "@/db/settings";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { draftLetter } from "./letters";
import { lateFeesPage, proposedFees } from "./queries/lateFees";
import { overdueRows } from "./queries/overdue";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const STEPS = [{ fromDays: 1, act: "letter" }] as const;
const rule = (fee: object): void =>
  void book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [...STEPS],
    fee: {
      kind: "fixed",
      fixed: 2500,
      percent: "0",
      grace: 5,
      least: 0,
      most: null,
      ...fee,
    } as never,
  });
const proposed = (): ProposedFee[] =>
  proposedFees(book.db, TODAY, overdueRows(book.db, TODAY, book.proposals()));

it("are proposed by the customer's ladder, charged as open items, and never on a fee", () => {
  expect(proposed()).toEqual([]);
  rule({});
  // 20401 is 24 days late; 20403 is 5 days late, within the days of grace.
  expect(proposed().map(({ number, sum }) => [number, sum])).toEqual([["20401", 2500]]);
  expect(book.must("chargeLateFees", { fees: proposed() })).toMatchObject({ charged: 1 });
  expect([book.balance("late_fees"), book.broken(), proposed()]).toEqual([-2500, [], []]);
  expect(book.do("chargeLateFees", { fees: [{ itemId: 1 }] })).toMatchObject({
    ok: false,
    error: { code: "late_fee.none" },
  });
  book.db.run("UPDATE open_item SET due_on = '2026-10-01' WHERE kind = 'late_fee'");
  rule({ kind: "monthly", percent: "2", grace: 0 });
  expect(proposed().every(({ number }) => !number.startsWith("LF-"))).toBe(true);
});

it("are taken back together, all that were charged at once", () => {
  rule({ grace: 0 });
  const before = proposed();
  expect(before.length).toBeGreaterThan(1);
  const { charged, commandId } = book.must("chargeLateFees", { fees: before });
  expect([charged, proposed()]).toEqual([before.length, []]);
  expect(book.must("undoTogether", { commandId })).toEqual({ undone: before.length });
  expect([book.balance("late_fees"), book.broken(), proposed()]).toEqual([0, [], before]);
  // A second time there is nothing left of it to take back.
  expect(book.do("undoTogether", { commandId })).toMatchObject({ error: { code: "act.unknown" } });
});

it("are waived with a reason and not asked for again; taken back by mistake, they are; and not once they are paid", () => {
  rule({});
  book.must("chargeLateFees", { fees: proposed() });
  const charged = (): number => lateFeesPage(book.db, TODAY, []).charged[0]?.id ?? 0;
  expect(book.do("waiveLateFee", { feeId: charged(), reason: "" })).toMatchObject({
    ok: false,
    error: { code: "input.invalid" },
  });
  book.must("undo", { actId: lateFeesPage(book.db, TODAY, []).charged[0]!.actId });
  expect([book.balance("late_fees"), proposed()]).toEqual([
    0,
    [expect.objectContaining({ number: "20401" })],
  ]);
  book.must("chargeLateFees", { fees: proposed() });
  const [again] = lateFeesPage(book.db, TODAY, []).charged;
  book.mustTake(
    "processor",
    "Id,Type,Date,Gross,Fee,Payer,Memo\nch_1,Charge,11/24/2026,25.00,1.00,Alder Lane Pottery School,fee\n",
  );
  book.must("applyReceipt", {
    receiptId: 1,
    customerId: 1,
    lines: [{ itemId: again!.feeItemId, amount: 2500 }],
  });
  expect(book.do("waiveLateFee", { feeId: again!.id, reason: "good customer" })).toMatchObject({
    ok: false,
    error: { code: "act.rests" },
  });
  const placed = book.db.get<{ id: number }>(
    "SELECT id FROM act WHERE kind = 'place' AND undone_by IS NULL ORDER BY id DESC LIMIT 1",
  )!.id;
  book.must("undo", { actId: placed });
  book.must("setAside", { receiptId: 1, reason: "test" });
  book.must("waiveLateFee", { feeId: again!.id, reason: "good customer" });
  expect([book.balance("late_fees"), book.balance("receivables"), proposed()]).toEqual([
    0,
    183_050,
    [],
  ]);
  expect(
    book.db.get<{ text: string }>("SELECT text FROM act ORDER BY id DESC LIMIT 1")?.text,
  ).toContain("good customer");
});

it("of a letter are named in it, and asked for once it went, on the oldest invoice that it named", () => {
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [
      { fromDays: 1, act: "letter" },
      { fromDays: 15, act: "letter", tone: 2, fee: 1500 },
    ],
  });
  const write = (): void =>
    void book.must("sendLetter", {
      customerId: 1,
      subject: "Still open",
      body: "Dear Alder Lane,\n\nplease pay.",
    });
  const draft = (): string => {
    const made = draftLetter(book.db, overdueRows(book.db, TODAY, [], 1)[0]!, {
      settings: readSettings(book.db),
      today: TODAY,
    });
    return made.ok ? made.value.body : made.error.code;
  };
  expect(draft()).not.toContain("we charge");
  write();
  book.db.run("UPDATE letter SET on_day = '2026-11-04'");
  expect([draft(), proposed()]).toEqual([
    expect.stringContaining("For this letter we charge USD 15.00"),
    [],
  ]);
  write();
  expect(proposed()).toEqual([
    expect.objectContaining({ number: "20401", letterId: 2, sum: 1500, words: "letter 2" }),
  ]);
  book.must("chargeLateFees", { fees: proposed() });
  expect([book.balance("late_fees"), book.broken(), proposed()]).toEqual([-1500, [], []]);
  expect(book.db.get("SELECT description FROM open_item WHERE kind = 'late_fee'")).toEqual({
    description: "fee for the letter 2 of 2026-11-24",
  });
  book.must("waiveLateFee", {
    feeId: lateFeesPage(book.db, TODAY, []).charged[0]!.id,
    reason: "first time",
  });
  expect([book.balance("late_fees"), proposed()]).toEqual([0, []]);
});

it("are not charged while the customer waits, or on what is left out", () => {
  rule({});
  book.mustTake(
    "processor",
    "Id,Type,Date,Gross,Fee,Payer,Memo\nch_1,Charge,11/24/2026,864.50,1.00,Alder Lane Pottery School,20401\n",
  );
  expect(proposed()).toEqual([]);
  book.must("setAside", { receiptId: 1, reason: "test" });
  expect(proposed()).toHaveLength(1);
  book.must("leaveItemOut", {
    itemId: book.id("open_item", "number = '20401'"),
    reason: "in dispute",
  });
  expect(proposed()).toEqual([]);
});

it("that ladders set in the book's currency are asked for in the invoice's, at the rate of the day", () => {
  book.must("setRates", {
    rates: [
      { currency: "EUR", onDay: "2026-11-02", rate: "1.10" },
      { currency: "EUR", onDay: "2026-11-23", rate: "1.12" },
    ],
  });
  book.mustTake(
    "customers",
    "customer_id,name,email\nC9,Moosewillow Clay Guild,office@moosewillow.example\n",
  );
  book.mustTake(
    "invoices",
    "invoice_number,customer_id,issued_on,due_on,currency,total\nEX-1,C9,2026-11-03,2026-11-10,EUR,200.00\n",
  );
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [{ fromDays: 1, act: "letter", fee: 1500 }],
  });
  const [row] = overdueRows(book.db, TODAY, []).filter(
    ({ customer }) => customer.externalId === "C9",
  );
  book.must("sendLetters", { letters: [{ customerId: row!.customer.id }] });
  expect(proposed()).toEqual([
    expect.objectContaining({
      number: "EX-1",
      currency: "EUR",
      // 15.00 at 1.12 of the day before; the letter names the same sum.
      sum: 1339,
      balance: 20_000,
      balanceIn: "EUR",
    }),
  ]);
  book.must("chargeLateFees", { fees: proposed() });
  expect(book.db.get("SELECT currency, balance FROM open_item WHERE kind = 'late_fee'")).toEqual({
    currency: "EUR",
    balance: 1339,
  });
  expect(
    book.db.get("SELECT fee, fee_currency AS currency, instr(body, '13.39') AS says FROM letter"),
  ).toMatchObject({ fee: 1339, currency: "EUR" });
  rule({ fixed: 2800, grace: 0 });
  expect(proposed().filter(({ number }) => number === "EX-1")).toMatchObject([
    { currency: "EUR", sum: 2500 },
  ]);
});
