import { addBankingDays, day } from "@/core/calendar";
import { minor } from "@/core/money";
import { openItemByNumber } from "@/db/openItems";
import { payMethodById } from "@/db/payMethods";
import { activityFile } from "@/practice/files";
import { takeSignedIn } from "@/practice/signIn";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { type DoCommand, payNow } from "./payNow";
import { proveBySums, sendSums } from "./proveAccount";
import { clerkPayPageOf } from "./queries/payPage";

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
  book.must("changeSettings", { provenAccounts: true });
});

const ON = day(TODAY);
const run: DoCommand = (name, input, key) => book.do(name, input, key);
const by = () => ({ processor: practice.processor, run, on: ON });
const account = () => ({
  customerId: firstCustomer(book),
  methodId: wayOnFile(book, practice.processor, {
    customerId: firstCustomer(book),
    way: "bank",
    answer: "34",
  }),
});
const pay = async (methodId: number, key = "proof-key-1") => {
  const paid = await payNow({
    ...by(),
    ask: {
      key,
      customerId: firstCustomer(book),
      methodId,
      by: "link",
      parts: [
        {
          itemId: openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`)?.id ?? 0,
          amount: minor(10_000),
        },
      ],
    },
  });
  return paid.ok ? paid.value.state : paid.error.code;
};
const sums = (...cents: number[]) => cents.map((sum) => minor(sum));

describe("a bank account that has to be proven", () => {
  it("pays nothing before, and pays once the two sums that came are typed, in either order", async () => {
    const own = account();
    expect(await pay(own.methodId)).toBe("method.unproven");
    expect(await sendSums(book.db, by(), own)).toMatchObject({ ok: true });
    expect(await sendSums(book.db, by(), own)).toMatchObject({ ok: true });
    expect(payMethodById(book.db, own.methodId)).toMatchObject({
      proven: 0,
      sumsThereOn: addBankingDays(ON, 1),
    });
    expect(await pay(own.methodId, "proof-key-2")).toBe("method.unproven");
    // The account ends in 0134: 0.01 and 0.34.
    expect(await proveBySums(book.db, by(), { ...own, sums: sums(35, 1) })).toMatchObject({
      error: { code: "proof.wrong" },
    });
    expect(await proveBySums(book.db, by(), { ...own, sums: sums(34, 1) })).toMatchObject({
      ok: true,
    });
    expect(await pay(own.methodId, "proof-key-3")).toBe("on_way");
  });
  it("is lost after three tries, even for the right sums", async () => {
    const own = account();
    await sendSums(book.db, by(), own);
    const tries = [];
    for (const first of [5, 6, 7, 34])
      tries.push(await proveBySums(book.db, by(), { ...own, sums: sums(first, 1) }));
    expect(tries).toMatchObject([
      { error: { code: "proof.wrong" } },
      { error: { code: "proof.wrong" } },
      { error: { code: "proof.over" } },
      { error: { code: "proof.over" } },
    ]);
    expect(await pay(own.methodId)).toBe("method.unproven");
  });
  it("is proven at once by its bank, and the same account of the same name is the same", async () => {
    const signed = () =>
      takeSignedIn(practice.processor, { name: "Ana Reyes", account: "Checking" });
    const taken = signed();
    if (!taken.ok) throw new Error(taken.error.code);
    expect(taken.value).toMatchObject({ way: "bank", proven: true });
    expect(signed()).toMatchObject({ value: { lastFour: taken.value.lastFour } });
    const kept = { customerId: firstCustomer(book), ...taken.value, onFile: true };
    expect(await pay(book.must("keepMethod", kept).id)).toBe("on_way");
  });
  it("is nobody else's to prove, and nothing was sent to what is unknown", async () => {
    const own = account();
    const other = { ...own, customerId: own.customerId + 1 };
    expect(await sendSums(book.db, by(), other)).toMatchObject({ error: { code: "method.gone" } });
    expect(await proveBySums(book.db, by(), { ...own, sums: sums(1, 34) })).toMatchObject({
      error: { code: "method.gone" },
    });
  });
  it("that has paid before is known, and cards are never asked", async () => {
    book.must("changeSettings", { provenAccounts: false });
    const before = account();
    const facts = () =>
      clerkPayPageOf(book.db, firstCustomer(book), { book: "x", today: ON })?.methods ?? [];
    expect(await pay(before.methodId)).toBe("on_way");
    for (let at = ON; at <= addBankingDays(ON, 4); at = addBankingDays(at, 1)) {
      book.must("changeSettings", { clock: at });
      practice.processor.day(at);
      const text = activityFile(practice.store, "ach", at);
      if (text !== null)
        book.take("processor", text, {
          account: "ach",
          mapping: { signs: "as_written", payoutSign: "turned" },
        });
    }
    book.must("changeSettings", { provenAccounts: true });
    wayOnFile(book, practice.processor, { customerId: firstCustomer(book), way: "card" });
    expect(facts().map(({ way, usable }) => [way, usable])).toEqual([
      ["card", true],
      ["bank", true],
    ]);
  });
});
