import { createHmac } from "node:crypto";

import { Webhook } from "standardwebhooks";

import { addDays, day } from "@/core/calendar";
import type { SentEvent } from "@/core/paying";
import { minor } from "@/core/money";
import { openItemByNumber } from "@/db/openItems";
import { paymentByKey } from "@/db/payments";
import { eventsOf } from "@/practice/events";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { payNow } from "./payNow";
import { takeEvent } from "./takeEvent";

describe("the signature of an event", () => {
  // The example of Standard Webhooks: secret, id, moment and body as published (from memory).
  const SECRET = "whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw";
  const [id, at, body] = ["msg_p5jXN8AQM9LWM0D4loKWxJek", 1_614_265_330, '{"test": 2432232314}'];
  const SIGNED = "v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=";
  it("is the published one, and what its specification says it is", () => {
    expect(new Webhook(SECRET).sign(id, new Date(at * 1000), body)).toBe(SIGNED);
    const key = Buffer.from(SECRET.slice("whsec_".length), "base64");
    const own = createHmac("sha256", key).update(`${id}.${at}.${body}`).digest("base64");
    expect(`v1,${own}`).toBe(SIGNED);
  });
});

let book: TestBook;
eachBook((made) => {
  book = made;
});
let practice: Practice;
eachPractice((made) => {
  practice = made;
});
const ON = day(TODAY);
const KEY = "events-key-1";
beforeEach(async () => {
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\n`);
  const customerId = firstCustomer(book);
  const id = wayOnFile(book, practice.processor, { customerId, way: "bank", answer: "01" });
  const parts = [{ itemId: item()?.id ?? 0, amount: minor(10_000) }];
  const ask = { key: KEY, customerId, methodId: id, by: "link" as const, parts };
  await payNow({
    processor: practice.processor,
    run: (name, input, key) => book.do(name, input, key),
    on: ON,
    ask,
  });
});
const item = () => openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-0001`);
const hear = (sent: SentEvent) =>
  takeEvent(
    {
      book: book.name,
      db: book.db,
      run: (name, input, key) => book.do(name, input, key),
      processor: practice.processor,
    },
    sent,
  );

/** The debit settles and comes back, and its events by day; no file is taken in. */
function events(): SentEvent[] {
  const all: SentEvent[] = [];
  for (let on = ON; on <= addDays(ON, 10); on = addDays(on, 1)) {
    practice.processor.day(on);
    all.push(...eventsOf(practice.store, on, new Date()));
  }
  book.must("changeSettings", { clock: addDays(ON, 10) });
  return all;
}

it.each<[string, (all: SentEvent[]) => SentEvent[]]>([
  ["in order", (all) => all],
  ["each of them three times", (all) => [...all, ...all, ...all]],
  ["the last first", (all) => [...all].reverse()],
])("a debit that settles and comes back is told by events alone, %s", async (_, order) => {
  for (const sent of order(events())) expect(await hear(sent)).toMatchObject({ ok: true });
  expect(paymentByKey(book.db, KEY)).toMatchObject({ state: "returned", code: "R01" });
  expect(item()?.balance).toBe(10_000);
  expect(book.broken()).toEqual([]);
});

it("is heard once", async () => {
  const [first] = events();
  if (!first) throw new Error("something has happened");
  expect(await hear(first)).toEqual({ ok: true, value: { isNew: true } });
  expect(await hear(first)).toEqual({ ok: true, value: { isNew: false } });
});

describe("what is not the processor's own is not heard", () => {
  it.each<[string, (sent: SentEvent) => SentEvent, string]>([
    ["another body", (sent) => ({ ...sent, body: sent.body.replace("ach", "card") }), "signature"],
    ["another id", (sent) => ({ ...sent, id: "evt_other" }), "signature"],
    ["no signature", (sent) => ({ ...sent, signature: "" }), "signature"],
    ["another moment", (sent) => ({ ...sent, timestamp: "1614265330" }), "signature"],
  ])("%s", async (__, change, code) => {
    const [first] = events();
    if (!first) throw new Error("something has happened");
    expect(await hear(change(first))).toMatchObject({ error: { code: `event.${code}` } });
  });
  it("one that was signed long ago", async () => {
    practice.processor.day(ON);
    const [old] = eventsOf(practice.store, ON, new Date(Date.now() - 3_600_000));
    if (!old) throw new Error("something has happened");
    expect(await hear(old)).toMatchObject({ error: { code: "event.signature" } });
  });
});
