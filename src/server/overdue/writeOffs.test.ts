import { day } from "@/core/calendar";
import { minor } from "@/core/money";

import { eachBook, type TestBook } from "../../../tests/support/book";
import { statementOf } from "../customers/queries/statement";
import { invoicePageOf } from "../invoices/queries/documents";
import { matchWorkings } from "../match/queries/workings";
import { yearPageOf } from "../reports/queries/yearEnd";
import { writeOffsPage } from "./queries/writeOffs";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const item = (number: string): number => book.id("open_item", `number = '${number}'`);
const open = (number: string): number =>
  book.db.get<{ balance: number }>("SELECT balance FROM open_item WHERE number = ?", number)
    ?.balance ?? -1;
const act = (kind: string): number =>
  book.db.get<{ id: number }>("SELECT max(id) AS id FROM act WHERE kind = ?", kind)?.id ?? 0;
const give = (sum: number, who = "Mara"): ReturnType<TestBook["do"]> =>
  book.as(who).do("writeOff", { itemId: item("20401"), sum, why: "gone out of business" });
const decide = (approve: boolean, who = "Theo"): ReturnType<TestBook["do"]> =>
  book.as(who).do("decideInvoiceWriteOff", {
    writeOffId: writeOffsPage(book.db).waiting[0]?.id ?? 0,
    approve,
  });
const check = (amount: number): number =>
  book.must("recordReceipt", {
    method: "check",
    number: String(amount),
    paidOn: "2026-11-23",
    amount,
    payerName: "Alder Lane Pottery School",
    reference: "",
  }).receiptId;

describe("a debt written off without a payment", () => {
  it("is a small difference within the limit, posted at once and undone", () => {
    const done = give(300);
    expect(done).toMatchObject({ ok: true, value: { waits: false } });
    expect([open("20401"), book.balance("small_differences"), book.broken()]).toEqual([
      86_150,
      300,
      [],
    ]);
    book.must("undo", { actId: done.ok ? (done.value as { actId: number }).actId : 0 });
    expect([open("20401"), book.balance("small_differences"), book.broken()]).toEqual([
      86_450,
      0,
      [],
    ]);
  });
  it("over the limit waits for a second person, and is a bad debt then", () => {
    expect(give(86_450)).toMatchObject({ ok: false, error: { code: "approval.people" } });
    book.must("changeSettings", { people: ["Mara", "Theo"] });
    expect(give(86_450)).toMatchObject({ ok: true, value: { waits: true } });
    expect([
      open("20401"),
      book.balance("bad_debt"),
      invoicePageOf(book.db, item("20401"))?.givingUp.waits?.askedBy,
    ]).toEqual([86_450, 0, "Mara"]);
    expect(give(100)).toMatchObject({ ok: false, error: { code: "write_off.waits" } });
    expect(decide(true, "Mara")).toMatchObject({
      ok: false,
      error: { code: "approval.same_person" },
    });
    expect(decide(true)).toMatchObject({ ok: true });
    expect([
      open("20401"),
      book.balance("bad_debt"),
      book.balance("small_differences"),
      book.broken(),
    ]).toEqual([0, 86_450, 0, []]);
    expect(writeOffsPage(book.db)).toMatchObject({
      waiting: [],
      rows: [{ words: "20401", by: "Mara and Theo", sum: 86_450, paid: false }],
    });
    // It stands on the customer's statement without telling the customer that it was written off.
    expect(
      statementOf(book.db, 1, day("2026-11-01"), day("2026-11-24"))?.parts[0]?.lines.at(-1),
    ).toMatchObject({ words: "adjusted: invoice 20401", amount: -86_450 });
    expect(decide(true)).toMatchObject({ ok: false, error: { code: "approval.unknown" } });
  });
  it("stays open where the second person refuses, where it is taken back, and where it was paid meanwhile", () => {
    book.must("changeSettings", { people: ["Mara", "Theo"] });
    give(86_450);
    expect(decide(false)).toMatchObject({ ok: true });
    const again = give(86_450);
    book.must("undo", { actId: again.ok ? (again.value as { actId: number }).actId : 0 });
    give(86_450);
    book.must("applyReceipt", {
      receiptId: check(50_000),
      customerId: 1,
      lines: [{ itemId: item("20401"), amount: 50_000 }],
    });
    expect(decide(true)).toMatchObject({ ok: false, error: { code: "tally.item" } });
    expect([open("20401"), book.balance("bad_debt"), book.broken()]).toEqual([36_450, 0, []]);
    expect(book.db.all("SELECT state FROM write_off ORDER BY id")).toEqual([
      { state: "refused" },
      { state: "withdrawn" },
      { state: "waiting" },
    ]);
  });
  it("lowers the tax by its share where the book says so", () => {
    book.must("changeSettings", { people: ["Mara", "Theo"], taxOnBadDebts: true });
    book.db.run("UPDATE open_item SET tax = 6450 WHERE number = '20401'");
    const before = book.balance("tax");
    give(43_225);
    decide(true);
    // Half of the invoice carries half of its tax.
    expect([book.balance("bad_debt"), book.balance("tax") - before]).toEqual([43_225 - 3225, 3225]);
  });
  it("says what is wrong with a sum that is too large, or an invoice that is settled", () => {
    expect(give(86_451)).toMatchObject({
      ok: false,
      error: { code: "tally.item", balance: "864.50" },
    });
    book.must("applyReceipt", {
      receiptId: check(86_450),
      customerId: 1,
      lines: [{ itemId: item("20401"), amount: 86_450 }],
    });
    expect(give(1)).toMatchObject({
      ok: false,
      error: { code: "write_off.settled", number: "20401" },
    });
  });
});

describe("a payment for a debt written off", () => {
  const givenUp = (): void => {
    book.must("changeSettings", { people: ["Mara", "Theo"] });
    give(86_450);
    decide(true);
  };
  it("is a recovery, never income of the sale, and the rest is the customer's", () => {
    givenUp();
    const receiptId = check(90_000);
    book.must("applyReceipt", { receiptId, customerId: 1, lines: [], recovered: 86_450 });
    expect([
      book.balance("recoveries"),
      book.balance("credits"),
      book.balance("unidentified"),
      book.balance("bad_debt"),
      book.broken(),
    ]).toEqual([-86_450, -3550, 0, 86_450, []]);
    expect(writeOffsPage(book.db).rows.map(({ paid, sum }) => [paid, sum])).toEqual(
      expect.arrayContaining([
        [true, 86_450],
        [false, 86_450],
      ]),
    );
    book.must("undo", { actId: act("place") });
    expect([
      book.balance("recoveries"),
      book.balance("credits"),
      book.balance("unidentified"),
      book.broken(),
    ]).toEqual([0, 0, -90_000, []]);
  });
  it("is offered as far as was written off and not paid yet, and refused beyond it", () => {
    expect(
      book.do("applyReceipt", {
        receiptId: check(5000),
        customerId: 1,
        lines: [],
        recovered: 5000,
      }),
    ).toMatchObject({ ok: false, error: { code: "tally.recovered", most: "0.00" } });
    givenUp();
    const [first, second] = [check(60_000), check(30_000)];
    book.must("applyReceipt", { receiptId: first, customerId: 1, lines: [], recovered: 60_000 });
    const proposal = book.proposals().find(({ receiptId }) => receiptId === second);
    const workings = matchWorkings(book.db, second, proposal);
    expect([workings?.customerId, workings?.givenUp]).toEqual([1, 26_450]);
    expect(
      book.do("applyReceipt", { receiptId: second, customerId: 1, lines: [], recovered: 30_000 }),
    ).toMatchObject({ ok: false, error: { code: "tally.recovered", most: "264.50" } });
  });
  it("keeps its write-off from being taken back", () => {
    givenUp();
    book.must("applyReceipt", {
      receiptId: check(20_000),
      customerId: 1,
      lines: [],
      recovered: 20_000,
    });
    const written = act("write_off");
    expect(book.do("undo", { actId: written })).toMatchObject({
      ok: false,
      error: { code: "act.rests" },
    });
    expect([open("20401"), book.balance("bad_debt"), book.broken()]).toEqual([0, 86_450, []]);
  });
  it("is income of the cash basis when it comes, and no more where it goes back or is undone", () => {
    const cash = (): number => yearPageOf(book.db, "2026", day("2026-11-24")).cash.income;
    givenUp();
    expect(cash()).toBe(0);
    book.must("applyReceipt", {
      receiptId: check(20_000),
      customerId: 1,
      lines: [],
      recovered: 20_000,
    });
    expect(cash()).toBe(20_000);
    book.must("undo", { actId: act("place") });
    expect(cash()).toBe(0);
  });
  it("that goes back, goes back from recoveries", () => {
    givenUp();
    book.mustTake(
      "processor",
      `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\nch_1,Charge,11/23/2026,200.00,0,Alder Lane Pottery School,,,\n`,
      { account: "ach" },
    );
    book.must("applyReceipt", {
      receiptId: book.id("receipt", "source = 'processor'"),
      customerId: 1,
      lines: [],
      recovered: minor(20_000),
    });
    book.mustTake(
      "processor",
      `Id,Type,Date,Gross,Fee,Payer,Memo,Payout id,Original id\nrt_1,ACH return,11/24/2026,-200.00,0,,,,ch_1\n`,
      { account: "ach" },
    );
    expect([book.balance("recoveries"), book.broken()]).toEqual([0, []]);
  });
});
