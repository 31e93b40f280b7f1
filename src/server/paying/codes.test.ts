import { addDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import { openItemByNumber } from "@/db/openItems";
import { beingPaid, paymentByKey } from "@/db/payments";
import { PRACTICE_CODE } from "@/practice/answers";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { type DoCommand, payNow } from "./payNow";
import { settleAsked } from "./settleAsked";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let practice: Practice;
eachPractice((made) => {
  practice = made;
});
beforeEach(() => {
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\n`);
});

const ON = day(TODAY);
const KEY = "code-key-1";
const run: DoCommand = (name, input, key) => book.do(name, input, key);
const item = () => openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);

/** Pays by a card whose bank asks for a code; the same again is the same payment. */
async function pay(by: "link" | "clerk" = "link") {
  const customerId = firstCustomer(book);
  const known = paymentByKey(book.db, KEY);
  const methodId =
    known?.methodId ??
    wayOnFile(book, practice.processor, { customerId, way: "card", answer: "65" });
  const paid = await payNow({
    processor: practice.processor,
    run,
    on: ON,
    ask: {
      key: KEY,
      customerId,
      methodId,
      by,
      word: "Ana Reyes, on the telephone",
      parts: [{ itemId: item()?.id ?? 0, amount: minor(10_000) }],
    },
  });
  return paid.ok ? paid.value : paid.error;
}

/** A charge that waits for its code. */
async function waiting(): Promise<string> {
  const asked = await pay();
  if (asked.state !== "asks_code" || typeof asked.chargeId !== "string")
    throw new Error("the bank asks for a code");
  return asked.chargeId;
}

describe("a card whose bank asks for a code", () => {
  it("is paid once the code is typed, by the same key, and once", async () => {
    const charge = await waiting();
    expect(paymentByKey(book.db, KEY)?.state).toBe("asked");
    expect(beingPaid(book.db, item()?.id ?? 0)).toBe(10_000);
    // Pressed again, or the page loaded anew: the same charge waits.
    expect(await pay()).toMatchObject({ state: "asks_code", chargeId: charge });
    expect(practice.processor.takeCode(charge, PRACTICE_CODE)).toMatchObject({
      value: { state: "approved", fee: 320 },
    });
    expect(await pay()).toEqual({ state: "paid", code: null });
    expect(await pay()).toEqual({ state: "paid", code: null });
    expect(item()?.balance).toBe(0);
    expect(practice.store.held("card")).toBe(9_680);
  });
  it("is declined after three wrong codes, and what it was for can be paid otherwise", async () => {
    const charge = await waiting();
    const typed = [1, 2, 3].map(() => practice.processor.takeCode(charge, "111111"));
    expect(typed).toMatchObject([
      { error: { code: "code.wrong", field: "bankCode" } },
      { error: { code: "code.wrong" } },
      { value: { state: "declined", code: "65" } },
    ]);
    // The right one is too late now.
    expect(practice.processor.takeCode(charge, PRACTICE_CODE)).toMatchObject({
      value: { state: "declined" },
    });
    expect(await pay()).toEqual({ state: "declined", code: "65" });
    expect(beingPaid(book.db, item()?.id ?? 0)).toBe(0);
    expect(practice.store.held("card")).toBe(0);
  });
  it("whose owner gives up, or types none that day, is let go", async () => {
    const charge = await waiting();
    const settle = () =>
      settleAsked(book.db, { processor: practice.processor, run, now: new Date("2030-01-01") });
    // While it waits it is neither lost nor declined.
    expect(await settle()).toBe(0);
    expect(paymentByKey(book.db, KEY)?.state).toBe("asked");
    practice.processor.day(addDays(ON, 1));
    expect(await settle()).toBe(1);
    expect(paymentByKey(book.db, KEY)).toMatchObject({ state: "declined", code: "65" });
    expect(practice.processor.takeCode(charge, null)).toMatchObject({
      value: { state: "declined" },
    });
  });
  it("is declined where nobody is there to type it", async () => {
    expect(await pay("clerk")).toEqual({ state: "declined", code: "65" });
  });
});
