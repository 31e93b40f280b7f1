import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import { openItemByNumber } from "@/db/openItems";
import { paymentByKey } from "@/db/payments";
import { receiptsInState } from "@/db/receipts";
import { activityFile } from "@/practice/files";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { payNow } from "./payNow";
import { hashOfLink, payLinkOf, payPageOf } from "./queries/payPage";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let practice: Practice;
eachPractice((made) => {
  practice = made;
});
beforeEach(() => {
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\nB,C1,${TODAY},now,,,,,Glaze,1,50,,,\n`);
});

const ON = day(TODAY);
const item = (no: number) => {
  const found = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-000${no}`);
  if (!found) throw new Error("no such invoice");
  return found;
};

const method = (way: "card" | "bank", answer?: string): number =>
  wayOnFile(book, practice.processor, {
    customerId: firstCustomer(book),
    way,
    ...(answer === undefined ? {} : { answer }),
  });

type Paid = { way: "card" | "bank"; parts: [number, number][]; answer?: string };
type More = { sum?: number; linkId?: number | null; key?: string };
const pay = ({ way, parts, answer }: Paid, { sum, linkId = null, key = "sums-key-1" }: More = {}) =>
  payNow({
    processor: practice.processor,
    run: (name, input, id) => book.do(name, input, id),
    on: ON,
    ask: {
      key,
      customerId: firstCustomer(book),
      methodId: method(way, answer),
      by: "link",
      linkId,
      ...(sum === undefined ? {} : { sum: minor(sum) }),
      parts: parts.map(([no, amount]) => ({ itemId: item(no).id, amount: minor(amount) })),
    },
  });

/** All days until a debit has settled, or come back. */
function days(count: number): void {
  for (let today = ON; today <= addDays(ON, count); today = addDays(today, 1)) {
    book.must("changeSettings", { clock: today });
    practice.processor.day(today);
    const text = activityFile(practice.store, "ach", today);
    if (text !== null)
      book.take("processor", text, {
        account: "ach",
        mapping: { signs: "as_written", payoutSign: "turned" },
      });
  }
}

const secret = "ab".repeat(24);
const link = (itemIds: number[], sums: { sumFrom?: number; sumTo?: number } = {}): number =>
  book.must("makePayLink", {
    customerId: firstCustomer(book),
    itemIds,
    hash: hashOfLink(secret),
    ...sums,
  } as never).id;
const page = () => payPageOf(book.db, { book: "b", token: secret, today: ON });

describe("a surcharge on cards", () => {
  beforeEach(() => {
    book.must("changeSettings", { surchargePercent: "3" });
  });
  it("is said before, taken on top, and stands in an account of its own", async () => {
    link([]);
    expect(page()?.rules).toEqual({ surchargePercent: "3", savingPercent: null });
    expect(await pay({ way: "card", parts: [[1, 10_000]] }, { sum: 10_300 })).toMatchObject({
      value: { state: "paid" },
    });
    expect(paymentByKey(book.db, "sums-key-1")).toMatchObject({ amount: 10_300, surcharge: 300 });
    expect(item(1).balance).toBe(0);
    expect(book.balance("surcharges")).toBe(-300);
    expect([receiptsInState(book.db, "to_match"), book.broken()]).toEqual([[], []]);
  });
  it("that was not shown is not taken", async () => {
    const paid = await pay({ way: "card", parts: [[1, 10_000]] }, { sum: 10_000 });
    expect(paid).toMatchObject({ error: { code: "pay.sum" } });
    expect(item(1).balance).toBe(10_000);
  });
  it("costs nothing from a bank account", async () => {
    await pay({ way: "bank", parts: [[1, 10_000]] }, { sum: 10_000 });
    expect(paymentByKey(book.db, "sums-key-1")).toMatchObject({ amount: 10_000, surcharge: 0 });
  });
});

describe("a saving by bank account", () => {
  beforeEach(() => {
    book.must("changeSettings", { bankSavingPercent: "0.5" });
  });
  it("is a discount once the debit has settled", async () => {
    await pay({ way: "bank", parts: [[1, 10_000]] }, { sum: 9_950 });
    days(8);
    expect(item(1).balance).toBe(0);
    expect(book.balance("discounts")).toBe(50);
    expect([receiptsInState(book.db, "to_match"), book.broken()]).toEqual([[], []]);
  });
  it("ends when the debit comes back: the invoice is open whole", async () => {
    await pay({ way: "bank", parts: [[1, 10_000]], answer: "01" });
    days(14);
    expect(item(1).balance).toBe(10_000);
    expect(book.balance("discounts")).toBe(0);
    expect(book.broken()).toEqual([]);
  });
});

describe("a sum of one's own", () => {
  it("is not taken where invoices are paid whole", async () => {
    const paid = await pay({ way: "card", parts: [[1, 9_999]] });
    expect(paid).toMatchObject({ error: { code: "pay.whole" } });
  });
  it("is taken between the limits of the book", async () => {
    book.must("changeSettings", { ownSumsFrom: 2_000 });
    const few = await pay({ way: "card", parts: [[1, 1_999]] });
    expect(few).toMatchObject({ error: { code: "pay.limits" } });
    await pay({ way: "card", parts: [[1, 2_000]] });
    expect(item(1)).toMatchObject({ balance: 8_000 });
    expect(book.broken()).toEqual([]);
  });
  it("is what a link says, over what the book says", async () => {
    const linkId = link([item(1).id, item(2).id], { sumFrom: 12_000, sumTo: 12_000 });
    expect(page()?.limits).toEqual({ from: 12_000, to: 12_000 });
    const whole = await pay(
      {
        way: "card",
        parts: [
          [1, 10_000],
          [2, 5_000],
        ],
      },
      { linkId },
    );
    expect(whole).toMatchObject({ error: { code: "pay.limits" } });
    const part = await pay(
      {
        way: "card",
        parts: [
          [1, 10_000],
          [2, 2_000],
        ],
      },
      { linkId, key: "sums-key-2" },
    );
    expect(part).toMatchObject({ value: { state: "paid" } });
    expect([item(1).balance, item(2).balance]).toEqual([0, 3_000]);
  });
});

describe("a link ends when all that it is for is paid", () => {
  it("and tells nothing more, until a payment comes back", async () => {
    link([item(1).id]);
    await pay({ way: "card", parts: [[1, 10_000]] });
    expect(payLinkOf(book.db, secret)?.isPaid).toBe(true);
    expect(page()).toMatchObject({ ended: true, items: [], methods: [], agreed: null, credit: 0 });
  });
  it("but not before", async () => {
    link([item(1).id, item(2).id]);
    await pay({ way: "card", parts: [[1, 10_000]] });
    expect(payLinkOf(book.db, secret)?.isPaid).toBe(false);
    expect(page()?.items).toHaveLength(1);
  });
});

describe("a link that asks that what comes is taken by itself", () => {
  it("says so on its page, until its customer has agreed", () => {
    book.must("makePayLink", {
      customerId: firstCustomer(book),
      itemIds: [item(1).id],
      hash: hashOfLink(secret),
      asksConsent: true,
    } as never);
    expect([payLinkOf(book.db, secret)?.asksConsent, page()?.mustAgree]).toEqual([true, true]);
    const agreed = { customerId: firstCustomer(book), methodId: method("card") };
    book.must("agree", { ...agreed, address: "10.0.0.1", agent: "test" });
    expect(page()?.mustAgree).toBe(false);
  });
});
