import { createHash, randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import type { Processor } from "@/core/paying";
import { openItemByNumber } from "@/db/openItems";
import { paymentByKey } from "@/db/payments";
import { payMethodById } from "@/db/payMethods";
import { PracticeStore } from "@/db/practice";
import { receiptsInState } from "@/db/receipts";
import { onTheirWay } from "@/db/started";
import { activityFile } from "@/practice/files";
import { practiceAccount, practiceCard, PRACTICE_ROUTING } from "@/practice/numbers";
import { PracticeProcessor } from "@/practice/processor";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { type DoCommand, payNow } from "./payNow";
import { agreedDue } from "./queries/agreed";
import { payingPageOf } from "./queries/payingPage";
import { hashOfLink, payLinkOf, payPageOf } from "./queries/payPage";
import { runAgreed } from "./runAgreed";
import { settleAsked } from "./settleAsked";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let folder: string;
let store: PracticeStore;
let processor: PracticeProcessor;
let invoice: { id: number; number: string };
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "dozo-paying-"));
  store = new PracticeStore(join(folder, "practice.sqlite"));
  processor = new PracticeProcessor(store);
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\n`);
  const item = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
  invoice = { id: item?.id ?? 0, number: item?.number ?? "" };
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

const ON = day(TODAY);
const run: DoCommand = (name, input, key) => book.do(name, input, key);
const balance = (): number => openItemByNumber(book.db, invoice.number)?.balance ?? -1;

function method(answer = "00", way: "card" | "bank" = "card"): number {
  const account = practiceAccount(1, answer);
  const taken =
    way === "card"
      ? processor.takeCard({ number: practiceCard(1, answer), expiry: "12/31", code: "123" }, ON)
      : processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account });
  if (!taken.ok) throw new Error(taken.error.code);
  const kept = { customerId: firstCustomer(book), ...taken.value, onFile: true };
  return book.must("keepMethod", kept).id;
}

const ask = (methodId: number, key: string = randomUUID(), amount = 10_000) => ({
  key,
  customerId: firstCustomer(book),
  methodId,
  by: "link" as const,
  parts: [{ itemId: invoice.id, amount: minor(amount) }],
});
type Asking = Omit<ReturnType<typeof ask>, "by"> & { by: "link" | "clerk"; word?: string };
const pay = (asked: Asking, by: Processor = processor) =>
  payNow({ processor: by, run, on: ON, ask: asked });

/** The processor's file of a day, as a clerk would take it in. */
const takeFile = (account: string, on = ON) => {
  const text = activityFile(store, account, on);
  if (text === null) throw new Error("nothing was told");
  return book.take("processor", text, {
    account,
    mapping: { signs: "as_written", payoutSign: "turned" },
  });
};

describe("a payment that a customer makes", () => {
  it("by card is posted at once and never waits in Match; its file says nothing new", async () => {
    expect(await pay(ask(method()))).toEqual({ ok: true, value: { state: "paid", code: null } });
    expect([balance(), receiptsInState(book.db, "to_match")]).toEqual([0, []]);
    expect(book.broken()).toEqual([]);
    expect(takeFile("card")).toMatchObject({ value: { refused: [], known: 2, new: 0 } });
    expect(book.broken()).toEqual([]);
  });

  it("that is declined takes nothing, and says why", async () => {
    const paid = await pay(ask(method("51")));
    expect(paid).toEqual({ ok: true, value: { state: "declined", code: "51" } });
    expect([balance(), activityFile(store, "card", ON)]).toEqual([10_000, null]);
  });

  it("from a bank account is on its way until its file says that it settled; then it is applied by itself", async () => {
    const asked = ask(method("00", "bank"));
    expect(await pay(asked)).toMatchObject({ value: { state: "on_way" } });
    expect(balance()).toBe(10_000);
    takeFile("ach");
    const settles = paymentByKey(book.db, asked.key)?.settlesOn ?? ON;
    processor.day(settles);
    book.must("changeSettings", { clock: settles });
    takeFile("ach", settles);
    expect([balance(), receiptsInState(book.db, "to_match")]).toEqual([0, []]);
    expect(paymentByKey(book.db, asked.key)?.state).toBe("paid");
    expect(book.broken()).toEqual([]);
  });

  it("and comes back opens its invoice again", async () => {
    const asked = ask(method("01", "bank"));
    await pay(asked);
    for (let on = ON; on < addDays(ON, 12); on = addDays(on, 1)) {
      book.must("changeSettings", { clock: on });
      processor.day(on);
      if (activityFile(store, "ach", on) !== null) takeFile("ach", on);
    }
    expect(paymentByKey(book.db, asked.key)).toMatchObject({ state: "returned", code: "R01" });
    expect(balance()).toBe(10_000);
    expect(book.broken()).toEqual([]);
  });

  it("of an invoice that was settled otherwise meanwhile is for a person", async () => {
    const asked = ask(method("00", "bank"));
    await pay(asked);
    book.must("writeCreditNote", {
      itemId: invoice.id,
      taken: { what: "whole" },
      reason: "Never delivered",
    });
    const settles = paymentByKey(book.db, asked.key)?.settlesOn ?? ON;
    processor.day(settles);
    book.must("changeSettings", { clock: settles });
    takeFile("ach", settles);
    expect(receiptsInState(book.db, "to_match")).toHaveLength(1);
    expect(book.broken()).toEqual([]);
  });
});

describe("a processor's word for a card", () => {
  const keep = (token: string) => {
    const card = { way: "card" as const, name: "Visa", lastFour: "1111", expires: "2031-12" };
    return book.do("keepMethod", { customerId: firstCustomer(book), token, ...card, onFile: true });
  };
  it("is kept as it is, though some of its digits look like a number", () => {
    const token = "card_a4111111111111111bcdef0123456789abcde";
    const kept = keep(token);
    expect(kept.ok && payMethodById(book.db, kept.value.id)?.token).toBe(token);
  });
  it("is refused where it is one, and never kept altered", () => {
    for (const token of ["card_4111111111111111", "card_x4111111111111111"])
      expect(keep(token)).toMatchObject({ ok: false, error: { code: "method.token" } });
  });
});

describe("a payment that a clerk takes", () => {
  it("needs the customer's word, which is kept, and is given to its invoices at once", async () => {
    const methodId = method();
    const by = { ...ask(methodId), by: "clerk" as const };
    expect(await pay(by)).toMatchObject({ ok: false, error: { code: "pay.word" } });
    expect(balance()).toBe(10_000);
    const word = "Ana Reyes, on the telephone";
    expect(await pay({ ...by, word })).toMatchObject({ value: { state: "paid" } });
    expect(balance()).toBe(0);
    const acts = book.db.all<{ text: string }>("SELECT text FROM act WHERE kind = 'paying'");
    expect(acts.map(({ text }) => text)).toContain(`100.00 may be taken: ${word}`);
    expect(book.broken()).toEqual([]);
  });
});

describe("nothing is charged twice", () => {
  beforeEach(() => {
    // So that an invoice can be paid several times.
    book.must("changeSettings", { ownSumsFrom: 1 });
  });
  const charges = (): number =>
    (activityFile(store, "card", ON) ?? "").split(",charge,").length - 1;
  /** A wire that is cut: before the processor was reached, or after it has answered. */
  const cut = (where: "before" | "after"): Processor => ({
    charge: (asked) => {
      if (where === "after") processor.charge(asked);
      throw new Error("the wire was cut");
    },
    chargeByKey: (key) => (where === "after" ? null : processor.chargeByKey(key)),
    refund: (asked) => processor.refund(asked),
    refundByKey: (key) => processor.refundByKey(key),
    leftOf: (id) => processor.leftOf(id),
    method: (token) => processor.method(token),
    sendSmallSums: (token, on) => processor.sendSmallSums(token, on),
    proveBySums: (token, sums) => processor.proveBySums(token, sums),
    ofSmallSums: processor.ofSmallSums,
    answerDispute: (answer) => processor.answerDispute(answer),
    readEvent: (sent) => processor.readEvent(sent),
    activity: (account, on) => processor.activity(account, on),
  });

  it.each(["before", "after"] as const)(
    "where the wire is cut %s the processor has it, the same press again goes on",
    async (where) => {
      const asked = ask(method());
      await expect(pay(asked, cut(where))).rejects.toThrow("cut");
      expect(paymentByKey(book.db, asked.key)?.state).toBe("asked");
      expect(await pay(asked)).toMatchObject({ value: { state: "paid" } });
      expect(await pay(asked)).toMatchObject({ value: { state: "paid" } });
      expect([charges(), balance()]).toEqual([1, 0]);
      expect(book.broken()).toEqual([]);
    },
  );

  it("where nobody presses again, what became of it is found out by itself", async () => {
    const [reached, lost] = [ask(method(), randomUUID(), 4000), ask(method(), randomUUID(), 3000)];
    await expect(pay(reached, cut("after"))).rejects.toThrow();
    await expect(pay(lost, cut("before"))).rejects.toThrow();
    const look = (now: Date) => settleAsked(book.db, { processor, run, now });
    expect(await look(new Date())).toBe(1);
    expect(paymentByKey(book.db, lost.key)?.state).toBe("asked");
    expect(await look(new Date(Date.now() + 11 * 60_000))).toBe(1);
    expect(paymentByKey(book.db, lost.key)).toMatchObject({ state: "declined", code: "lost" });
    expect([charges(), balance()]).toEqual([1, 6000]);
    // The same press, long after: it arrives after all, and is what it is.
    expect(await pay(lost)).toMatchObject({ value: { state: "paid" } });
    expect([charges(), balance()]).toEqual([2, 3000]);
    expect(book.broken()).toEqual([]);
  });

  it("where its file is taken in before the answer is noted, its receipt is given once", async () => {
    for (const asked of [
      ask(method(), randomUUID(), 4000),
      ask(method("00", "bank"), randomUUID(), 3000),
    ]) {
      await expect(pay(asked, cut("after"))).rejects.toThrow();
    }
    takeFile("card");
    let on = ON;
    for (; on < addDays(ON, 7); on = addDays(on, 1)) {
      book.must("changeSettings", { clock: on });
      processor.day(on);
      if (on > ON && activityFile(store, "ach", on) !== null) takeFile("ach", on);
    }
    expect(await settleAsked(book.db, { processor, run, now: new Date() })).toBe(2);
    expect([balance(), receiptsInState(book.db, "to_match")]).toEqual([3000, []]);
    expect(onTheirWay(book.db)).toEqual([]);
    expect(book.broken()).toEqual([]);
  });

  it("in two tabs the second is told that it is being paid; the same key with another sum is refused", async () => {
    const methodId = method("00", "bank");
    const first = ask(methodId);
    await pay(first);
    expect(await pay(ask(methodId))).toMatchObject({ error: { code: "pay.paid" } });
    expect(await pay({ ...ask(methodId, first.key, 5000) })).toMatchObject({
      error: { code: "key.reused" },
    });
    const { parts } = ask(methodId, first.key, 5000);
    expect(book.do("beginPayment", { ...first, parts })).toMatchObject({
      error: { code: "pay.key" },
    });
  });

  it("nor for another customer, by another's card, or for more than is open", async () => {
    const methodId = method();
    const other = book.id("customer", "external_id <> 'C1' AND parent_id IS NULL");
    expect(await pay({ ...ask(methodId), customerId: other })).toMatchObject({
      error: { code: "method.gone" },
    });
    expect(await pay(ask(methodId, randomUUID(), 10_001))).toMatchObject({
      error: { code: "pay.paid" },
    });
  });
});

describe("what is taken as agreed", () => {
  const whence = { address: "127.0.0.1", agent: "test" };
  const agree = (methodId: number) =>
    book.must("agree", { customerId: firstCustomer(book), methodId, ...whence });
  const due = () =>
    agreedDue(book.db, ON).filter(({ numbers }) => numbers.includes(invoice.number));
  const runAll = () =>
    runAgreed(book.db, { processor, run, on: ON, keys: new Set(due().map(({ key }) => key)) });

  it("is due on its day of who agreed and has not ended it, and is taken once", async () => {
    expect(due()).toEqual([]);
    agree(method());
    const [listed] = due();
    expect(listed).toMatchObject({ tries: 1, way: "card" });
    const keys = new Set([listed?.key ?? ""]);
    const told = await runAgreed(book.db, { processor, run, on: ON, keys });
    expect(told).toMatchObject({ paid: 1, declined: 0, refused: [] });
    const again = await runAgreed(book.db, { processor, run, on: ON, keys });
    expect(again).toMatchObject({ paid: 0, changed: 1 });
    expect(balance()).toBe(0);
  });

  it("is ended at once: nothing is due and nothing is taken", async () => {
    const methodId = method();
    agree(methodId);
    expect(book.do("removeMethod", { customerId: firstCustomer(book), methodId })).toMatchObject({
      error: { code: "method.agreed" },
    });
    const keys = new Set(due().map(({ key }) => key));
    book.must("endAgreement", { customerId: firstCustomer(book), ...whence });
    expect(due()).toEqual([]);
    expect(await runAgreed(book.db, { processor, run, on: ON, keys })).toMatchObject({ paid: 0 });
    const asked = { ...ask(methodId), by: "agreed" as const };
    expect(await payNow({ processor, run, on: ON, ask: asked })).toMatchObject({
      error: { code: "consent.none" },
    });
    book.must("removeMethod", { customerId: firstCustomer(book), methodId });
  });

  it("is left where it was taken out of the run, and due again the next day", async () => {
    agree(method());
    book.must("takeOutOfRun", { customerIds: [firstCustomer(book)], reason: "a question is open" });
    expect(payingPageOf(book.db, ON).due.map(({ takenOut }) => takenOut)).toEqual([
      "a question is open",
    ]);
    expect(await runAll()).toMatchObject({ paid: 0, changed: 1 });
    expect(payingPageOf(book.db, addDays(ON, 1)).due.map(({ takenOut }) => takenOut)).toEqual([
      null,
    ]);
  });

  it("is held while a receipt in Match may be theirs, or money of theirs is on account", async () => {
    agree(method());
    const { receiptId } = book.must("recordReceipt", {
      method: "check",
      number: "1187",
      paidOn: ON,
      amount: 10_000,
      payerName: "Alder Lane Pottery",
      reference: `invoice ${invoice.number}`,
    });
    const held = () => payingPageOf(book.db, ON).due.map(({ takenOut }) => takenOut);
    expect(held()).toEqual(["100.00 in Match may be theirs"]);
    expect(await runAll()).toMatchObject({ paid: 0, changed: 1 });
    book.must("applyReceipt", { receiptId, customerId: firstCustomer(book), lines: [] });
    expect(held()).toEqual(["100.00 is on account: give it first"]);
    expect(await runAll()).toMatchObject({ paid: 0, changed: 1 });
    expect(balance()).toBe(10_000);
  });

  it("and declined is tried again by the reason, and not on the same day", async () => {
    agree(method("51"));
    expect(await runAll()).toMatchObject({ declined: 1 });
    expect(due()).toEqual([]);
    const [taken] = payingPageOf(book.db, ON).taken;
    expect(taken).toMatchObject({ state: "declined", code: "51", triedAgainOn: "2026-11-27" });
    expect(agreedDue(book.db, day("2026-11-27")).map(({ tries }) => tries)).toContain(2);
  });

  it("keeps the words, and every change of them is refused by the book itself", () => {
    agree(method());
    expect(book.db.get("SELECT words, address FROM consent")).toEqual({
      words:
        "I let Test take what I owe from Visa ending in 1000 on the day it is due, until I end this. I can end it any day on this page.",
      address: "127.0.0.1",
    });
    expect(() => book.db.run("UPDATE consent SET words = 'other'")).toThrow("does not change");
    expect(() => book.db.run("DELETE FROM consent")).toThrow("not deleted");
  });
});

describe("a link to pay by", () => {
  const secret = "a".repeat(48);
  const make = (itemIds: number[]) =>
    book.must("makePayLink", {
      customerId: firstCustomer(book),
      itemIds,
      hash: createHash("sha256").update(secret).digest("hex"),
    });
  it("is kept as its hash alone, shows its invoices, and is withdrawn", () => {
    const { id } = make([invoice.id]);
    expect(payLinkOf(book.db, secret)).toEqual({
      linkId: id,
      customerId: firstCustomer(book),
      itemIds: [invoice.id],
      isPaid: false,
      asksConsent: false,
    });
    const page = payPageOf(book.db, { book: "x", token: secret, today: ON });
    expect(page?.items.map(({ number }) => number)).toEqual([invoice.number]);
    expect(book.db.get("SELECT 1 FROM pay_link WHERE hash = ?", secret)).toBeUndefined();
    expect(book.db.get("SELECT 1 FROM pay_link WHERE hash = ?", hashOfLink(secret))).toBeDefined();
    book.must("withdrawPayLink", { id });
    expect(payLinkOf(book.db, secret)).toBeNull();
    expect(book.do("withdrawPayLink", { id })).toMatchObject({ error: { code: "pay.link_gone" } });
  });
  it("for all that is open has every invoice, the oldest due first; a wrong one leads nowhere", () => {
    make([]);
    const page = payPageOf(book.db, { book: "x", token: secret, today: ON });
    const days = page?.items.map(({ dueOn }) => dueOn) ?? [];
    expect(days.length).toBeGreaterThan(1);
    expect(days).toEqual([...days].sort());
    expect(payPageOf(book.db, { book: "x", token: "b".repeat(48), today: ON })).toBeNull();
  });
});
