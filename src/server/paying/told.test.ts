import { addDays, type Day, day } from "@/core/calendar";
import { mayTakeFrom, nextDebit, receiptLetter, sumLetter } from "@/core/paying";
import { lettersOf } from "@/db/letters";
import { openItemByNumber } from "@/db/openItems";
import { activityFile } from "@/practice/files";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { attachmentsOf } from "../output/letterPapers";
import { payNow } from "./payNow";
import { agreedDue } from "./queries/agreed";
import { payingPageOf } from "./queries/payingPage";
import { runAgreed } from "./runAgreed";

let book: TestBook;
eachBook((made) => {
  book = made;
});
let practice: Practice;
eachPractice((made) => {
  practice = made;
});
beforeEach(() => {
  book.mustTake(
    "customers",
    "customer_id,name,email,parent_id\nC9,Fenn Row Kiln Club,pay@fennrow.example,\n",
  );
});

const ON = day(TODAY);
const payer = (): number => book.id("customer", "external_id = 'C9'");
const order = (no: number, on: Day, rate: number): void => {
  takeOrders(book, `N${no},C9,${on},now,,,,,Rent,1,${rate},,,\n`);
};
const number = (no: number): string => `INV-${TODAY.slice(0, 4)}-000${no}`;

function agree(way: "card" | "bank", answer = "00"): void {
  const customerId = payer();
  const id = wayOnFile(book, practice.processor, { customerId, way, answer });
  book.must("agree", { customerId, methodId: id, address: "10.0.0.1", agent: "test" });
}

/** The run of a day, with all that is due in it. */
async function runOn(on: Day) {
  book.must("changeSettings", { clock: on });
  practice.processor.day(on);
  const text = activityFile(practice.store, "ach", on);
  if (text !== null)
    book.take("processor", text, {
      account: "ach",
      mapping: { signs: "as_written", payoutSign: "turned" },
    });
  return runAgreed(book.db, {
    processor: practice.processor,
    run: (name, input, key) => book.do(name, input, key),
    on,
    keys: new Set(agreedDue(book.db, on).map(({ key }) => key)),
  });
}

describe("a sum that its customer has to know before it is taken", () => {
  it.each<[(string | null)[], string | null]>([
    [["2026-11-01", "2026-11-04"], "2026-11-14"],
    [["2026-11-04", "2026-11-01"], "2026-11-14"],
    [["2026-11-01", null], null],
    [[], null],
  ])("told on %j: from %p", (told, from) => {
    expect(mayTakeFrom(told as (Day | null)[], 10)).toBe(from);
  });

  it("waits until it was told, and the days of notice after that", async () => {
    book.must("changeSettings", { noticeDays: 10, linkBase: "https://kestrelrow.example" });
    agree("card");
    order(1, ON, 100);
    expect((await runOn(ON)).paid).toBe(0);
    const { due, untold } = payingPageOf(book.db, ON);
    expect([due[0]?.notice, untold]).toMatchObject([
      { from: null },
      [{ numbers: [number(1)], amount: 10_000, from: addDays(ON, 10) }],
    ]);
    const keys = untold.map(({ key }) => key);
    expect(book.must("tellSums", { keys })).toEqual({ told: 1, unreached: [] });
    expect(book.must("tellSums", { keys })).toEqual({ told: 0, unreached: [] });
    const [letter] = lettersOf(book.db, payer());
    expect(letter?.subject).toContain("takes 100.00 on");
    expect((await runOn(addDays(ON, 9))).paid).toBe(0);
    expect((await runOn(addDays(ON, 10))).paid).toBe(1);
    expect(openItemByNumber(book.db, number(1))?.balance).toBe(0);
  });

  it("is taken at once where it is the sum that was taken before, and not where it is another", async () => {
    agree("card");
    order(1, ON, 100);
    await runOn(ON);
    book.must("changeSettings", { noticeDays: 10 });
    order(2, ON, 100);
    expect((await runOn(ON)).paid).toBe(1);
    order(3, ON, 101);
    expect((await runOn(ON)).paid).toBe(0);
  });

  it("is taken where its invoice was mailed in time", async () => {
    book.must("changeSettings", { noticeDays: 10 });
    agree("card");
    order(1, ON, 100);
    const item = openItemByNumber(book.db, number(1));
    book.must("sendDocuments", { ids: [1] } as never);
    expect(agreedDue(book.db, ON)[0]?.notice).toEqual({ from: addDays(ON, 10) });
    expect((await runOn(addDays(ON, 10))).paid).toBe(1);
    expect(openItemByNumber(book.db, item?.number ?? "")?.balance).toBe(0);
  });
});

describe("a debit that was agreed to and came back", () => {
  it.each<[string, string[], string | null]>([
    ["R01", ["2026-11-02"], "2026-11-09"],
    ["R09", ["2026-11-02", "2026-11-09"], "2026-11-17"],
    // Twice at most (Nacha Operating Rules; from memory).
    ["R01", ["2026-11-02", "2026-11-09", "2026-11-17"], null],
    ["R02", ["2026-11-02"], null],
    ["R10", ["2026-11-02"], null],
    ["R29", ["2026-11-02"], null],
    ["R01", [], null],
  ])("%s after %j is tried again on %p", (code, settled, next) => {
    expect(nextDebit(code, settled as Day[])).toBe(next);
  });

  it("for want of funds is tried twice more by the run, and then is for a person", async () => {
    agree("bank", "01");
    order(1, ON, 100);
    const tries: Day[] = [];
    for (let on = ON; on <= addDays(ON, 60); on = addDays(on, 1))
      if ((await runOn(on)).onWay > 0) tries.push(on);
    expect(tries).toHaveLength(3);
    expect(openItemByNumber(book.db, number(1))?.balance).toBe(10_000);
    expect(book.broken()).toEqual([]);
  });

  it("because its account is closed is not tried again", async () => {
    agree("bank", "02");
    order(1, ON, 100);
    let tries = 0;
    for (let on = ON; on <= addDays(ON, 30); on = addDays(on, 1)) tries += (await runOn(on)).onWay;
    expect(tries).toBe(1);
  });
});

describe("receipts that are mailed by themselves", () => {
  it("bring the receipt of each payment that is placed, where the book says so", async () => {
    agree("card");
    order(1, ON, 100);
    book.must("changeSettings", { mailReceipts: true });
    await runOn(ON);
    const [letter] = lettersOf(book.db, payer());
    expect(letter).toMatchObject({
      step: 0,
      subject: "Receipt from Test: 100.00",
    });
    const [paper] = letter ? await attachmentsOf(book.db, "b", letter) : [];
    expect(paper?.filename).toBe(`receipt-${letter?.receiptId}.pdf`);
    expect(paper?.content.subarray(0, 5).toString()).toBe("%PDF-");
  });
  it("stay away where it does not, and for what is declined", async () => {
    agree("card");
    order(1, ON, 100);
    await runOn(ON);
    expect(lettersOf(book.db, payer())).toEqual([]);
    book.must("changeSettings", { mailReceipts: true });
    const customerId = payer();
    const id = wayOnFile(book, practice.processor, { customerId, way: "card", answer: "51" });
    order(2, ON, 50);
    const item = openItemByNumber(book.db, number(2));
    await payNow({
      processor: practice.processor,
      run: (name, input, key) => book.do(name, input, key),
      on: ON,
      ask: {
        key: "told-declined",
        customerId,
        methodId: id,
        by: "link",
        parts: [{ itemId: item?.id ?? 0, amount: item?.balance ?? (0 as never) }],
      },
    });
    expect(lettersOf(book.db, customerId)).toEqual([]);
  });
});

it.each([
  ["receipt", receiptLetter, ["customer", "business", "sum", "numbers"]],
  ["sum", sumLetter, ["customer", "business", "sum", "day", "method", "numbers", "link"]],
] as const)(
  "the letter of a %s is there in each language, with every field",
  (_, letterOf, fields) => {
    for (const language of ["en", "es", "fr", "de"])
      for (const field of fields)
        expect(`${letterOf(language).subject} ${letterOf(language).body}`).toContain(
          `{{ ${field} }}`,
        );
    expect(letterOf("xx")).toBe(letterOf("en"));
  },
);
