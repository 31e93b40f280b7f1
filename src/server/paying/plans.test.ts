import fc from "fast-check";

import { addDays, addMonths, type Day, day, isBankingDay } from "@/core/calendar";
import { minor, sumOf } from "@/core/money";
import { planOf } from "@/core/paying";
import { linkOf } from "@/db/accountPages";
import { openItemByNumber } from "@/db/openItems";
import { plansInForce } from "@/db/payPlans";
import { receiptsInState } from "@/db/receipts";
import { PRACTICE_CODE } from "@/practice/answers";
import { overdueRows } from "@/server/overdue/queries/overdue";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { takeOrders } from "../../../tests/support/orders";
import { eachPractice, type Practice, wayOnFile } from "../../../tests/support/practice";
import { payFirstPart } from "./payFirstPart";
import type { DoCommand } from "./payNow";
import { payPageOf } from "./queries/payPage";
import { allDue, runAgreed } from "./runAgreed";

describe("a sum in parts", () => {
  it("has its days a month apart on banking days, and its odd cents in the first", () => {
    // 25 December 2026 is a bank holiday (Friday), 24 January a Sunday: worked by hand.
    expect(planOf(minor(10_000), 3, day("2026-11-24"))).toEqual([
      { dueOn: "2026-11-24", sum: 3_334 },
      { dueOn: "2026-12-24", sum: 3_333 },
      { dueOn: "2027-01-25", sum: 3_333 },
    ]);
    expect(planOf(minor(2), 5, day("2026-11-24")).map(({ sum }) => sum)).toEqual([1, 1]);
  });
  it("always foots, rises in days, and counts from the first day", () => {
    const sums = fc.integer({ min: 1, max: 99_999_999_999 });
    fc.assert(
      fc.property(sums, fc.integer({ min: 1, max: 24 }), (sum, count) => {
        const from = day("2026-01-31");
        const parts = planOf(minor(sum), count, from);
        expect(sumOf(parts, (part) => part.sum)).toBe(sum);
        parts.forEach(({ dueOn }, at) => {
          expect(dueOn >= addMonths(from, at)).toBe(true);
          if (at > 0) expect(isBankingDay(dueOn)).toBe(true);
        });
      }),
    );
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
const payer = (): number => book.id("customer", "external_id = 'C9'");
const number = (no: number): string => `INV-${TODAY.slice(0, 4)}-000${no}`;
const balance = (no: number): number => openItemByNumber(book.db, number(no))?.balance ?? -1;
beforeEach(() => {
  book.mustTake(
    "customers",
    "customer_id,name,email,parent_id\nC9,Fenn Row Kiln Club,pay@fennrow.example,\n",
  );
  takeOrders(book, `A,C9,2026-11-02,n/10,,,,,Kiln,1,100,,,\nB,C9,${TODAY},n/30,,,,,Clay,1,50,,,\n`);
  book.must("changeSettings", { planParts: 6 });
});

const method = (answer = "00"): number =>
  wayOnFile(book, practice.processor, { customerId: payer(), way: "card", answer });

const item = (no: number): number => openItemByNumber(book.db, number(no))?.id ?? 0;
const agree = (more: object = {}) =>
  book.do("agreePlan", {
    customerId: payer(),
    methodId: method(),
    itemIds: [item(1), item(2)],
    count: 3,
    address: "10.0.0.1",
    agent: "test",
    ...more,
  });

/** The run of each day up to one; gives on which days something was paid, and how much was left. */
async function live(from: Day, to: Day): Promise<[Day, number][]> {
  const paid: [Day, number][] = [];
  for (let on = from; on <= to; on = addDays(on, 1)) {
    book.must("changeSettings", { clock: on });
    const told = await runAgreed(book.db, {
      processor: practice.processor,
      run: (name, input, key) => book.do(name, input, key),
      on,
      keys: new Set(allDue(book.db, on).map(({ key }) => key)),
    });
    if (told.paid > 0) paid.push([on, balance(1) + balance(2)]);
  }
  return paid;
}

describe("what is overdue, paid in parts", () => {
  it("is taken by itself on its days, the oldest invoice first, and holds reminders meanwhile", async () => {
    expect(agree()).toMatchObject({ ok: true });
    const waits = (): string[] =>
      overdueRows(book.db, ON, [], payer())
        .filter(({ customer }) => customer.id === payer())
        .flatMap((row) => row.waits.map(({ code }) => code));
    expect(waits()).toContain("promise");
    expect(await live(ON, addDays(ON, 70))).toEqual([
      ["2026-11-24", 10_000],
      ["2026-12-24", 5_000],
      ["2027-01-25", 0],
    ]);
    expect([balance(1), balance(2), receiptsInState(book.db, "to_match")]).toEqual([0, 0, []]);
    // It has ended by itself.
    expect(plansInForce(book.db)).toEqual([]);
    expect(book.broken()).toEqual([]);
  });

  it("stands on the customer's page, and is not offered a second time", () => {
    agree();
    const page = payPageOf(book.db, { book: "b", token: tokenOf(), today: ON });
    expect(page?.plans).toMatchObject([{ parts: [{ amount: 5_000, stands: "to come" }, {}, {}] }]);
    expect(page?.items.map(({ inPlan }) => inPlan)).toEqual([true, true]);
    expect(agree()).toMatchObject({ error: { code: "pay.paid" } });
  });

  it("ends when its customer says so: then all is due as before", async () => {
    agree();
    await live(ON, ON);
    const [plan] = plansInForce(book.db, payer());
    const end = { customerId: payer(), planId: plan?.id ?? 0, why: "by the customer" };
    book.must("endPlan", end);
    expect(await live(addDays(ON, 1), addDays(ON, 40))).toEqual([]);
    expect(book.do("endPlan", end)).toMatchObject({ error: { code: "plan.ended" } });
    expect(balance(1) + balance(2)).toBe(10_000);
  });

  it("comes back when a part cannot be taken: the plan ends and the promise is broken", async () => {
    agree({ methodId: method("54") });
    await live(ON, addDays(ON, 3));
    expect(plansInForce(book.db, payer())).toEqual([]);
    expect(balance(1) + balance(2)).toBe(15_000);
    expect(agree()).toMatchObject({ ok: true });
  });

  it.each<[string, object, string]>([
    ["more parts than the book offers", { count: 7 }, "plan.parts"],
    ["an item of somebody else", { itemIds: [1] }, "pay.item_gone"],
    ["a card of somebody else", { methodId: 999 }, "method.gone"],
  ])("is not agreed to for %s", (_, more, code) => {
    expect(agree(more)).toMatchObject({ error: { code } });
  });
  it("asks for a code of its card's bank in its first part, goes on by the same, and ends where it is declined", async () => {
    const { processor } = practice;
    const by = { processor, run: ((name, input, key) => book.do(name, input, key)) as DoCommand };
    const start = (): number => {
      const agreed = agree({ methodId: method("65") });
      if (!agreed.ok) throw new Error(agreed.error.code);
      return agreed.value.planId;
    };
    const first = (planId: number, on = ON) =>
      payFirstPart(book.db, { ...by, on }, { planId, customerId: payer() });
    const planId = start();
    const asked = await first(planId);
    if (!asked.ok || asked.value.state !== "asks_code") throw new Error("its bank asks for a code");
    expect(await first(planId)).toEqual(asked);
    processor.takeCode(asked.value.chargeId, PRACTICE_CODE);
    expect(await first(planId)).toMatchObject({ ok: true, value: { state: "paid" } });
    expect(await first(planId)).toMatchObject({ ok: true, value: { state: "paid" } });
    expect(balance(1) + balance(2)).toBe(10_000);
    // The next one is taken where nobody can type a code: the bank declines, and the plan ends.
    const later = addDays(ON, 40);
    await live(addDays(ON, 1), later);
    expect(plansInForce(book.db, payer())).toEqual([]);
    const other = start();
    const again = await first(other, later);
    if (!again.ok || again.value.state !== "asks_code") throw new Error("its bank asks for a code");
    processor.takeCode(again.value.chargeId, null);
    expect(await first(other, later)).toMatchObject({ value: { state: "declined", code: "65" } });
    expect(plansInForce(book.db, payer())).toEqual([]);
    expect(book.broken()).toEqual([]);
  });

  it("is not agreed to for what is not overdue", () => {
    expect(agree({ itemIds: [item(2)] })).toMatchObject({ error: { code: "plan.not_late" } });
  });
  it("takes nothing more from a card that its customer took off the file, and ends", async () => {
    const methodId = method();
    agree({ methodId });
    await live(ON, ON);
    book.must("removeMethod", { customerId: payer(), methodId });
    expect(await live(addDays(ON, 1), addDays(ON, 40))).toEqual([]);
    expect(plansInForce(book.db, payer())).toEqual([]);
    expect(balance(1) + balance(2)).toBe(10_000);
  });
  it("goes over with its customer when two become one, and back", () => {
    agree();
    const keep = book.id("customer", "external_id = 'C1'");
    const merged = book.must("mergeCustomers", { keep, gone: payer() });
    expect(plansInForce(book.db, keep)).toHaveLength(1);
    book.must("undo", { actId: merged.actId });
    expect(plansInForce(book.db, payer())).toHaveLength(1);
  });
  it("does not change once it is agreed to", () => {
    agree();
    expect(() => book.db.run("UPDATE pay_plan SET words = ''")).toThrow("does not change");
    expect(() => book.db.run("DELETE FROM pay_plan")).toThrow("not deleted");
  });
});

/** The address of the customer's account page. */
const tokenOf = (): string => linkOf(book.db, payer());
