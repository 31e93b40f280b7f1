import { addDays, day } from "@/core/calendar";
import { customerOfLink, linkOf } from "@/db/accountPages";
import { setDelivery } from "@/db/letters";
import { readSettings } from "@/db/settings";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { draftLetter } from "../overdue/letters";
import { overdueRows } from "../overdue/queries/overdue";
import { cachedQuery } from "../runtime/threads/reader";
import { accountPageOf, invoiceOfLink, receiptOfLink } from "./queries/accountPage";
import { historyOf } from "./queries/customerHistory";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const customer = (externalId: string): number =>
  book.id("customer", `external_id = '${externalId}'`);
const token = (externalId: string): string => linkOf(book.db, customer(externalId));
const item = (number: string): number => book.id("open_item", `number = '${number}'`);

describe("a customer's account page", () => {
  it("has a link of 192 bits of its own for everybody, also for who comes later", () => {
    book.mustTake("customers", "customer_id,name\nC9,Late Arrival Pots\n");
    const links = book.db
      .all<{ token: string }>("SELECT token FROM account_link")
      .map((row) => row.token);
    expect(links).toHaveLength(5);
    expect(new Set(links).size).toBe(5);
    for (const link of links) expect(link).toMatch(/^[0-9a-f]{48}$/);
  });
  it("shows what is open and overdue of the customer, and nothing of anybody else", () => {
    const page = accountPageOf(book.db, token("C1"), TODAY);
    expect(page).toMatchObject({
      customer: "Alder Lane Pottery School",
      parts: [
        {
          currency: "USD",
          owed: 96_050,
          overdue: 86_450,
          open: [{ number: "20401" }, { number: "CN-9" }, { number: "20402" }],
        },
      ],
    });
    expect(JSON.stringify(page)).not.toMatch(/Heron|20403|Brightwater/);
  });
  it("of a head office shows its sites; of a site only itself", () => {
    expect(
      accountPageOf(book.db, token("C3"), TODAY)?.parts[0]?.open.map(({ number, site }) => [
        number,
        site,
      ]),
    ).toEqual([
      ["20404", "Brightwater North Campus"],
      ["20405", null],
    ]);
    expect(
      accountPageOf(book.db, token("C4"), TODAY)?.parts[0]?.open.map(({ number }) => number),
    ).toEqual(["20404"]);
    expect([
      invoiceOfLink(book.db, token("C3"), item("20404")),
      invoiceOfLink(book.db, token("C4"), item("20405")),
      invoiceOfLink(book.db, token("C4"), item("20404")),
    ]).toEqual([customer("C3"), null, customer("C4")]);
  });
  it("shows what was paid lately with its receipt, and the receipts of nobody else", () => {
    const pay = (externalId: string): number => {
      const customerId = customer(externalId);
      const { receiptId } = book.must("recordReceipt", {
        method: "wire",
        paidOn: TODAY,
        amount: 1000,
        customerId,
      } as never);
      book.must("applyReceipt", { receiptId, customerId, lines: [], onAccount: 1000 } as never);
      return receiptId;
    };
    const [own, other] = [pay("C1"), pay("C2")];
    expect(accountPageOf(book.db, token("C1"), TODAY)?.payments).toEqual([
      { id: own, on: TODAY, amount: 1000, currency: "USD" },
    ]);
    expect([
      receiptOfLink(book.db, token("C1"), own),
      receiptOfLink(book.db, token("C1"), other),
      receiptOfLink(book.db, token("C1"), 999),
      receiptOfLink(book.db, "0".repeat(48), own),
    ]).toEqual([true, false, false, false]);
  });
  it("gives no paper of another customer, and leads nowhere with a link that is none", () => {
    expect([
      invoiceOfLink(book.db, token("C1"), item("20403")),
      invoiceOfLink(book.db, "0".repeat(48), item("20401")),
      invoiceOfLink(book.db, token("C1"), 999),
      accountPageOf(book.db, "' OR 1=1 --", TODAY),
    ]).toEqual([null, null, null, null]);
  });
  it("leads nowhere by its old link once it has a new one", () => {
    const old = token("C1");
    book.must("newAccountLink", { customerId: customer("C1") });
    expect([customerOfLink(book.db, old), customerOfLink(book.db, token("C1"))]).toEqual([
      undefined,
      customer("C1"),
    ]);
    expect(book.do("noteVisit", { token: old, what: "opened" })).toMatchObject({
      ok: false,
      error: { code: "link.unknown" },
    });
  });
  it("is kept on the history when it is opened and papers are taken, once a day each", () => {
    for (const what of ["opened", "opened", "statement"] as const)
      book.must("noteVisit", { token: token("C1"), what });
    book.must("noteVisit", { token: token("C1"), what: "invoice", itemId: item("20401") });
    const seen = historyOf(book.db, customer("C1"), TODAY)
      .filter(({ kind }) => kind === "seen")
      .map(({ words }) => words);
    expect(seen.sort()).toEqual([
      "downloaded 20401",
      "downloaded the statement",
      "opened the account page",
    ]);
    expect(historyOf(book.db, customer("C2"), TODAY).some(({ kind }) => kind === "seen")).toBe(
      false,
    );
  });
  it("stands in letters once it is known where customers reach it, and not before", () => {
    const body = (): string => {
      const row = overdueRows(book.db, TODAY, [], customer("C1"))[0]!;
      const draft = draftLetter(book.db, row, { settings: readSettings(book.db), today: TODAY });
      return draft.ok ? draft.value.body : draft.error.code;
    };
    expect(body()).not.toMatch(/account\/|statement and each invoice/);
    book.must("changeSettings", { linkBase: "https://accounts.kestrelrow.example" });
    expect(body()).toContain(`https://accounts.kestrelrow.example/account/${token("C1")}\n`);
    expect(book.do("changeSettings", { linkBase: "accounts.kestrelrow.example/" })).toMatchObject({
      ok: false,
      error: { code: "input.invalid" },
    });
  });
});

describe("what pages reckon", () => {
  it("is kept while letters go out and customers look at their pages, and made anew by a command", () => {
    let made = 0;
    const ask = (): number =>
      cachedQuery({ book: book.name, db: book.db }, "a test", () => (made += 1));
    ask();
    book.must("noteVisit", { token: token("C1"), what: "opened" });
    const letterId = book.must("sendLetter", {
      customerId: customer("C1"),
      subject: "s",
      body: "b",
    }).letterId;
    expect([ask(), ask()]).toEqual([2, 2]);
    setDelivery(book.db, letterId, "outbox");
    book.must("noteVisit", { token: token("C2"), what: "opened" });
    expect(ask()).toBe(2);
    book.must("logContact", { customerId: customer("C1"), kind: "call", text: "on the telephone" });
    expect(ask()).toBe(3);
  });
  it("of what is owed is kept too while letters go and calls are noted, and made anew by what changes it", () => {
    let made = 0;
    const ask = (): number =>
      cachedQuery(
        { book: book.name, db: book.db },
        "sums of a test",
        () => (made += 1),
        "a change of sums",
      );
    ask();
    book.must("sendLetter", { customerId: customer("C1"), subject: "s", body: "b" });
    book.must("logContact", { customerId: customer("C1"), kind: "call", text: "on the telephone" });
    expect(ask()).toBe(1);
    book.must("changeAlias", { customerId: customer("C1"), alias: "Alder Lane", known: true });
    expect(ask()).toBe(2);
  });
});

describe("a promise in parts", () => {
  const promise = (): void =>
    void book.must("logContact", {
      customerId: customer("C1"),
      kind: "promise",
      text: "half and half",
      parts: [
        { dueOn: "2026-12-11", sum: 43_225 },
        { dueOn: "2026-11-27", sum: 43_225 },
      ],
    });
  const row = (on = TODAY): ReturnType<typeof overdueRows>[number] =>
    overdueRows(book.db, on, book.proposals(), customer("C1"))[0]!;
  it("waits for each part in its turn, and is broken as soon as one is missed", () => {
    promise();
    expect(row()).toMatchObject({
      state: "waits",
      waits: [{ code: "promise", dueOn: "2026-11-27", sum: 43_225 }],
    });
    expect(row(day("2026-11-28"))).toMatchObject({
      state: "ready",
      lastWord: { kind: "promise", state: "broken", dueOn: "2026-11-27" },
    });
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Payer,Memo\nch_1,Charge,11/24/2026,432.25,1.00,Alder Lane Pottery School,half\n",
    );
    book.must("applyReceipt", {
      receiptId: 1,
      customerId: customer("C1"),
      lines: [{ itemId: item("20401"), amount: 43_225 }],
    });
    expect(row(day("2026-11-28"))).toMatchObject({
      state: "waits",
      waits: [{ code: "promise", dueOn: "2026-12-11" }],
    });
    expect(
      historyOf(book.db, customer("C1"), TODAY).find(({ kind }) => kind === "promise")?.words,
    ).toBe("half and half (432.25 by Fri 27 Nov, 432.25 by Fri 11 Dec)");
  });
  it("needs a day for each part", () => {
    expect(
      book.do("logContact", {
        customerId: 1,
        kind: "promise",
        text: "x",
        parts: [
          { dueOn: "2026-12-11", sum: 1 },
          { dueOn: "2026-12-11", sum: 2 },
        ],
      }),
    ).toMatchObject({ ok: false, error: { code: "input.invalid" } });
    expect(book.do("logContact", { customerId: 1, kind: "promise", text: "x" })).toMatchObject({
      ok: false,
      error: { code: "input.invalid" },
    });
  });
  it("goes when it is undone", () => {
    promise();
    book.must("undo", { actId: book.db.get<{ id: number }>("SELECT max(id) AS id FROM act")!.id });
    expect([row().state, addDays(TODAY, 1)]).toEqual(["ready", "2026-11-25"]);
  });
});
