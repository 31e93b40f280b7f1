import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { Processor } from "@/core/paying";
import { openItemByNumber, openItemsOf } from "@/db/openItems";
import { PracticeStore } from "@/db/practice";
import { type ReceiptRow, receiptById, receiptsInState } from "@/db/receipts";
import { refundById, refundByKey, refundsIn } from "@/db/refunds";
import { activityFile } from "@/practice/files";
import { practiceCard } from "@/practice/numbers";
import { PracticeProcessor } from "@/practice/processor";
import { waitingForSecond } from "@/server/books/queries/approvals";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { type DoCommand, payNow } from "./payNow";
import { refundFactsOf } from "./queries/refundFacts";
import { sendIfFree, sendRefunds } from "./sendRefunds";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let folder: string;
let store: PracticeStore;
let processor: PracticeProcessor;
let receipt: ReceiptRow;
const ON = day(TODAY);
const run: DoCommand = (name, input, key) => book.do(name, input, key);
const sending = () => ({ processor, run, on: ON });
const theReceipt = (): ReceiptRow => receiptById(book.db, receipt.id) as ReceiptRow;
const ask = (more: object = {}) =>
  book.do("askRefund", {
    key: "refund-one",
    receiptId: receipt.id,
    amount: 3000,
    why: "paid twice",
    ...more,
  });
const facts = () => refundFactsOf(book.db, receipt.id, (id) => processor.leftOf(id));

/** A customer pays 100.00 by card for an invoice of which 40.00 turn out to be credited later. */
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "dozo-refunds-"));
  store = new PracticeStore(join(folder, "practice.sqlite"));
  processor = new PracticeProcessor(store);
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\n`);
  const item = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
  const card = { number: practiceCard(1, "00"), expiry: "12/31", code: "123" };
  const taken = processor.takeCard(card, ON);
  if (!taken.ok || !item) throw new Error("nothing to pay by, or nothing to pay");
  const customerId = firstCustomer(book);
  const kept = book.must("keepMethod", { customerId, ...taken.value, onFile: true });
  const paid = await payNow({
    ...sending(),
    ask: {
      key: "paid-by-card",
      customerId,
      methodId: kept.id,
      by: "link",
      parts: [{ itemId: item.id, amount: minor(10_000) }],
    },
  });
  expect(paid).toMatchObject({ ok: true, value: { state: "paid" } });
  receipt = receiptsInState(book.db, "placed")[0] as ReceiptRow;
  // Of what it paid, 40.00 stand on account after all.
  book.must("undo", { actId: lastApplied() });
  book.must("applyReceipt", {
    receiptId: receipt.id,
    customerId,
    lines: [{ itemId: item.id, amount: 6000 }],
  });
  expect(theReceipt().onAccount).toBe(4000);
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

const lastApplied = (): number =>
  book.db.get<{ id: number }>("SELECT max(id) AS id FROM act WHERE kind = 'place'")?.id ?? 0;

describe("money that goes back the way it came", () => {
  it("is posted at once; the processor's file says nothing new, and all proofs hold", async () => {
    expect(facts()).toMatchObject({ free: 4000, asked: [] });
    const asked = ask();
    if (!asked.ok) throw new Error(asked.error.code);
    expect(asked.value.state).toBe("asked");
    const sent = await sendIfFree(book.db, sending(), asked.value.id);
    expect(sent).toEqual({ ok: true, value: { state: "sent", code: null } });
    expect(theReceipt()).toMatchObject({ onAccount: 1000, goneBack: 3000 });
    expect(book.broken()).toEqual([]);
    const text = activityFile(store, "card", ON) ?? "";
    const mapping = { signs: "as_written" as const, payoutSign: "turned" as const };
    expect(book.take("processor", text, { account: "card", mapping })).toMatchObject({
      value: { refused: [], known: 3, new: 0 },
    });
    expect(book.broken()).toEqual([]);
    expect(facts()).toMatchObject({ free: 1000, asked: [{ amount: 3000, state: "sent" }] });
  });

  it("goes back once, however often it is asked, and whoever was cut off in between", async () => {
    ask();
    ask();
    expect(refundsIn(book.db, "asked")).toHaveLength(1);
    const [asked] = refundsIn(book.db, "asked");
    // The processor sent it, and the answer never came.
    processor.refund({
      key: "refund-one",
      chargeId: asked?.chargeId ?? "",
      amount: minor(3000),
      on: ON,
    });
    expect(await sendRefunds(book.db, sending())).toBe(1);
    expect(await sendRefunds(book.db, sending())).toBe(0);
    expect(store.refundsOf(asked?.chargeId ?? "")).toMatchObject([{ amount: 3000 }]);
    expect(theReceipt()).toMatchObject({ onAccount: 1000, goneBack: 3000 });
    expect(ask({ amount: 2000 })).toMatchObject({ error: { code: "pay.key" } });
    expect(book.broken()).toEqual([]);
  });

  it("stands already where the processor's file was quicker than its answer", async () => {
    ask();
    const chargeId = refundByKey(book.db, "refund-one")?.chargeId ?? "";
    processor.refund({ key: "refund-one", chargeId, amount: minor(3000), on: ON });
    const text = activityFile(store, "card", ON) ?? "";
    const mapping = { signs: "as_written" as const, payoutSign: "turned" as const };
    expect(book.take("processor", text, { account: "card", mapping })).toMatchObject({
      value: { known: 2, new: 1 },
    });
    await sendRefunds(book.db, sending());
    expect(theReceipt()).toMatchObject({ onAccount: 1000, goneBack: 3000 });
    expect(refundByKey(book.db, "refund-one")?.state).toBe("sent");
    expect(book.broken()).toEqual([]);
  });

  it("is never more than is free, what is under way counted", () => {
    expect(ask({ amount: 4001 })).toMatchObject({
      error: { code: "refund.free", sum: "40.01", credit: "40.00" },
    });
    ask();
    expect(ask({ key: "refund-two", amount: 1001 })).toMatchObject({
      error: { code: "refund.free", credit: "10.00" },
    });
    expect(facts()?.free).toBe(1000);
    expect(ask({ key: "refund-two", amount: 1000 })).toMatchObject({ ok: true });
  });

  it("waits for a second person over the limit; who asked does not agree to it", async () => {
    book.must("changeSettings", { approvalOver: 2000 });
    const asked = ask();
    if (!asked.ok) throw new Error(asked.error.code);
    expect(waitingForSecond(book.db)).toMatchObject([
      { kind: "refund", sum: 3000, why: "paid twice", words: "money sent back" },
    ]);
    const { id } = asked.value;
    await sendIfFree(book.db, sending(), id);
    await sendRefunds(book.db, sending());
    expect(theReceipt().goneBack).toBe(0);
    expect(book.do("decideRefund", { refundId: id, approve: true })).toMatchObject({
      error: { code: "document.second" },
    });
    expect(
      book.as("Theo Lindqvist").do("decideRefund", { refundId: id, approve: true }),
    ).toMatchObject({ value: { state: "asked" } });
    expect(await sendRefunds(book.db, sending())).toBe(1);
    expect(refundById(book.db, id)).toMatchObject({ state: "sent", decidedBy: "Theo Lindqvist" });
    expect([theReceipt().goneBack, waitingForSecond(book.db)]).toEqual([3000, []]);
    expect(book.do("decideRefund", { refundId: id, approve: false })).toMatchObject({
      error: { code: "refund.decided" },
    });
  });

  it("that is given back goes nowhere, and frees what it held", () => {
    book.must("changeSettings", { approvalOver: 2000 });
    const asked = ask();
    if (!asked.ok) throw new Error(asked.error.code);
    expect(facts()?.free).toBe(1000);
    book.must("decideRefund", { refundId: asked.value.id, approve: false });
    expect(facts()).toMatchObject({ free: 4000, asked: [{ state: "given_back" }] });
  });

  it("pays out a credit note of money that had been applied", async () => {
    const invoice = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
    book.must("useCredit", {
      receiptId: receipt.id,
      customerId: null,
      lines: [{ itemId: invoice?.id ?? 0, amount: 4000 }],
    });
    const taken = { what: "sum" as const, sum: 2500, line: 1 };
    book.must("writeCreditNote", { itemId: invoice?.id ?? 0, taken, reason: "came broken" });
    const note = openItemsOf(book.db, firstCustomer(book)).findLast(({ balance }) => balance < 0);
    expect(facts()?.free).toBe(0);
    expect(facts()?.notes).toContainEqual({
      itemId: note?.id,
      number: note?.number,
      sum: 2500,
    });
    const asked = ask({ amount: 2500, creditNoteId: note?.id });
    if (!asked.ok) throw new Error(asked.error.code);
    expect(await sendIfFree(book.db, sending(), asked.value.id)).toMatchObject({ ok: true });
    expect(theReceipt()).toMatchObject({ onAccount: 0, goneBack: 2500 });
    expect(openItemByNumber(book.db, note?.number ?? "")?.balance).toBe(0);
    expect(book.broken()).toEqual([]);
  });

  it("is not sent where its credit was given to something else meanwhile, and not agreed to either", async () => {
    const invoice = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
    const give = () =>
      book.must("useCredit", {
        receiptId: receipt.id,
        customerId: null,
        lines: [{ itemId: invoice?.id ?? 0, amount: 4000 }],
      });
    ask();
    give();
    expect(await sendRefunds(book.db, sending())).toBe(1);
    expect(refundByKey(book.db, "refund-one")).toMatchObject({
      state: "refused",
      code: "refund.used",
    });
    expect([store.refundsOf(refundCharge()), theReceipt().goneBack]).toEqual([[], 0]);
    book.must("undo", { actId: lastApplied() });
    book.must("changeSettings", { approvalOver: 2000 });
    const waiting = ask({ key: "refund-two" });
    if (!waiting.ok) throw new Error(waiting.error.code);
    give();
    const theo = book.as("Theo Lindqvist");
    const decide = (approve: boolean) =>
      theo.do("decideRefund", { refundId: waiting.value.id, approve });
    expect(decide(true)).toMatchObject({ error: { code: "refund.free", credit: "0.00" } });
    expect(decide(false)).toMatchObject({ value: { state: "given_back" } });
    expect(book.broken()).toEqual([]);
  });

  it("that was sent is kept as sent, though its credit was used before the answer came", async () => {
    ask();
    const chargeId = refundCharge();
    processor.refund({ key: "refund-one", chargeId, amount: minor(3000), on: ON });
    const invoice = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
    book.must("useCredit", {
      receiptId: receipt.id,
      customerId: null,
      lines: [{ itemId: invoice?.id ?? 0, amount: 4000 }],
    });
    await sendRefunds(book.db, sending());
    expect(refundByKey(book.db, "refund-one")?.state).toBe("sent");
    // The books say what went out, and that it wants its credit note.
    expect(theReceipt()).toMatchObject({ onAccount: -3000, goneBack: 3000 });
  });

  it("pays out a credit note once, whichever receipts it is asked of", () => {
    const note = openItemByNumber(book.db, "CN-9");
    if (!note) throw new Error("no credit note");
    const pays = { creditNoteId: note.id, amount: -note.balance };
    expect(ask(pays)).toMatchObject({ ok: true });
    expect(ask({ ...pays, key: "refund-two", amount: 1 })).toMatchObject({
      error: { code: "refund.free", credit: "0.00" },
    });
    expect(facts()?.notes).toEqual([]);
    // Credit on account is another thing, and free all the same.
    expect(facts()?.free).toBe(4000);
  });

  it("is refused where the processor has no such charge, or its holder disputes it", async () => {
    const charge = store.charge(refundCharge());
    if (!charge) throw new Error("no charge");
    processor.dispute(charge, addDays(ON, 0));
    expect(facts()?.free).toBe(0);
    ask();
    await sendRefunds(book.db, sending());
    expect(refundByKey(book.db, "refund-one")).toMatchObject({
      state: "refused",
      code: "refund.left",
    });
    expect(theReceipt().goneBack).toBe(0);
    const elsewhere: Pick<Processor, "refund"> = new PracticeProcessor(
      new PracticeStore(join(folder, "other.sqlite")),
    );
    expect(
      elsewhere.refund({ key: "k-elsewhere", chargeId: charge.id, amount: minor(1), on: ON }),
    ).toMatchObject({ error: { code: "refund.charge" } });
  });

  it("is not offered for money that came another way", () => {
    const check = book.must("recordReceipt", {
      method: "check",
      number: "7",
      paidOn: TODAY,
      amount: 500,
      payerName: "Alder",
      reference: "",
    });
    expect(refundFactsOf(book.db, check.receiptId, () => minor(500))).toBeNull();
    expect(ask({ receiptId: check.receiptId })).toMatchObject({ error: { code: "refund.way" } });
  });
});

const refundCharge = (): string =>
  book.db.get<{ id: string }>("SELECT external_id AS id FROM processor_item WHERE kind = 'charge'")
    ?.id ?? "";
