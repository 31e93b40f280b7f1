import { documentById } from "@/db/documents";
import { openItemPage } from "@/db/openItemPages";
import { openItemByNumber } from "@/db/openItems";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, paperIn, takeOrders, writeDraft } from "../../../tests/support/orders";
import { editorOf, draftsOf, pricesFor } from "./queries/editor";
import { invoicePageOf } from "./queries/documents";
import { readOrders } from "./steps/readOrders";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const year = TODAY.slice(0, 4);
const orders = (rows: string, approve = true) => takeOrders(book, rows, approve);
const A = `A,C1,${TODAY},2/10 n/30,,,PO9,CL,Clay,3,0.335,,TX,8.25\nA,,,,,,,GL,Glaze,2.5,19.999999,10,TX,\n`;
const paper = (number: string) => paperIn(book, number);
const FIRST = `INV-${year}-0001`;

describe("orders become documents", () => {
  it("with a number, sums and entries to the cent; the same again is the same document", () => {
    const before = book.balance("receivables");
    const { documents, refused } = orders(A);
    expect([documents.length, refused]).toEqual([1, []]);
    const item = openItemByNumber(book.db, FIRST);
    expect(item).toMatchObject({ total: 4981, tax: 380, balance: 4981, poNumber: "PO9" });
    expect([book.balance("receivables") - before, book.broken()]).toEqual([4981, []]);
    expect(orders(A).documents).toEqual(documents);
    expect(book.balance("receivables") - before).toBe(4981);
  });
  it("one with an error is refused whole, with its row and field; the others go on, and no number is lost", () => {
    const row = (name: string, cells: string): string => `${name},${cells}\n`;
    const { documents, refused } = orders(
      [
        row("A", `C1,${TODAY},now,,,,,Clay,1,10,,,`),
        row("B", `C9,${TODAY},now,,,,,Clay,1,10,,,`),
        row("C", `C1,${TODAY},soon,,,,,Clay,1,10,,,`),
        row("D", `C1,${TODAY},now,,,,,Clay,1,10,,,`),
        row("D", `C1,${TODAY},now,,,,,Glaze,x,10,,,`),
        row("E", `C1,2026-13-01,now,,,,,Clay,1,10,,,`),
        row("F", `C1,${TODAY},now,,,,,Clay,1,10,,,5`),
        row("G", `C1,${TODAY},now,,,,,Clay,1,10,,TX,5`),
        row("H", `C1,${TODAY},now,,,,,Clay,1,10,,TX,6`),
        row("I", `C1,${TODAY},now,,XXX,,,Clay,1,10,,,`),
        row("J", `C1,${TODAY},now,,,,,Clay,1,10,101,,`),
        row("K", `C1,${TODAY},now,,,,,Clay,-1,10,,,`),
        row("L", `C1,${TODAY},now,,,,,,1,10,,,`),
        row("M", `C1,${TODAY},now,,,,,Clay,1,10,,,`),
        row("M", `C1,2026-11-01,now,,,,,Clay,1,10,,,`),
        row("N", `C1,${TODAY},now,2020-01-01,,,,Clay,1,10,,,`),
        row("O", `C1,2199-12-31,n/30,,,,,Clay,1,10,,,`),
        row("", `C1,${TODAY},now,,,,,Clay,1,10,,,`),
        row("Z", `C1,${TODAY},now,,,,,Clay,1,10,,,`),
      ].join(""),
    );
    expect(documents.map(({ document }) => document)).toEqual(["A", "G", "Z"]);
    expect(
      Object.fromEntries(
        refused.map((one) => [one.document, [one.row, one.field, one.error.code]]),
      ),
    ).toEqual({
      "": [19, "document", "field.empty"],
      B: [3, "customer_id", "customer.unknown"],
      C: [4, "terms", "terms.unreadable"],
      D: [6, "quantity", "document.number"],
      E: [7, "issued_on", "day.impossible"],
      F: [8, "tax_percent", "order.tax_code"],
      H: [10, "tax_percent", "order.tax_percent"],
      I: [11, "currency", "currency.unknown"],
      J: [12, "discount_percent", "document.discount"],
      K: [13, "total", "document.negative"],
      L: [14, "description", "field.empty"],
      M: [16, "issued_on", "order.differs"],
      N: [17, "due_on", "document.due"],
      O: [18, "due_on", "day.range"],
    });
    const numbers = documents.map(({ id }) => documentById(book.db, id)?.number);
    expect(numbers).toEqual([1, 2, 3].map((running) => `INV-${year}-000${running}`));
    expect(book.broken()).toEqual([]);
  });
  it("one that is no text, too long or endless is refused alone; elsewhere in another file it is the same", () => {
    const row = (name: string, words: string): string =>
      `${name},C1,${TODAY},now,,,,,${words},1,10,,,\n`;
    const { documents, refused } = orders(
      row("A", "Clay") +
        row("B", "x".repeat(501)) +
        row("C", "turned\u202Eround") +
        row("D", "Clay").repeat(1001) +
        row("n".repeat(121), "Clay") +
        row("Z", "x".repeat(500)),
    );
    expect(documents.map(({ document }) => document)).toEqual(["A", "Z"]);
    expect(refused.map(({ row: at, field, error }) => [at, field, error.code])).toEqual([
      [3, "description", "text.long"],
      [4, "description", "text.control"],
      [1005, "document", "order.lines"],
      [1006, "document", "text.long"],
    ]);
    expect(orders(row("Y", "Glaze") + row("A", "Clay")).documents.slice(1)).toEqual(
      documents.slice(0, 1),
    );
  });
  it("as JSON too, by rows or with lines; another content under a name that was taken is refused", () => {
    const json = (value: unknown) => readOrders(Buffer.from(JSON.stringify(value)));
    const line = { description: "Clay", quantity: 2, rate: "5.25" };
    const head = { document: "J", customer_id: "C1", issued_on: TODAY };
    const [flat, nested, wrapped] = [
      json([{ ...head, ...line }]),
      json([{ ...head, lines: [line] }]),
      json({ documents: [{ ...head, lines: [line] }] }),
    ];
    expect(nested).toEqual(flat);
    expect(wrapped).toEqual(flat);
    expect([json([]), json("x"), readOrders(Buffer.from("{"))].map((read) => read.ok)).toEqual([
      false,
      false,
      false,
    ]);
    orders(A);
    expect(orders(A.replace("Clay,3", "Clay,4")).refused).toMatchObject([
      { document: "A", field: "document", error: { code: "order.changed" } },
    ]);
  });
});

const customerId = (): number => firstCustomer(book);
const written = (more: object = {}): number => writeDraft(book, more);

describe("a draft", () => {
  it("is written over as it is typed, dropped and taken up; once approved it does not change", () => {
    const id = written();
    const kiln = { description: "Kiln", quantity: "1", rate: "4800" };
    const draft = { customerId: customerId(), issuedOn: TODAY, lines: [kiln] };
    expect(draftsOf(book.db).map((draft) => [draft.id, draft.total])).toEqual([[id, 480_000]]);
    book.must("writeDraft", { id, draft: { ...draft, discountPercent: "10" } as never });
    expect(editorOf(book.db, TODAY, { id, customerId: null })?.draft).toMatchObject({
      discountPercent: "10",
      lines: [{ description: "Kiln", quantity: "1", rate: "4800" }],
    });
    book.must("moveDraft", { id, to: "drop" });
    expect([draftsOf(book.db), editorOf(book.db, TODAY, { id, customerId: null })]).toEqual([
      [],
      null,
    ]);
    expect(book.do("approveDocuments", { ids: [id] })).toMatchObject({
      error: { code: "document.stage" },
    });
    book.must("moveDraft", { id, to: "take_up" });
    expect(book.must("approveDocuments", { ids: [id] }).approved).toMatchObject([
      { number: FIRST },
    ]);
    expect(book.do("writeDraft", { id, version: 1, draft: draft as never })).toMatchObject({
      error: { code: "document.written" },
    });
    expect(book.do("approveDocuments", { ids: [id] })).toMatchObject({
      error: { code: "document.stage" },
    });
    for (const sql of [
      "UPDATE document SET total = 1, net = 1",
      "DELETE FROM document",
      "UPDATE document_line SET rate = '1'",
      "DELETE FROM document_line",
    ])
      expect(() => book.db.exec(sql)).toThrow(/does not change|not deleted/);
    expect(paper(FIRST)).toMatchObject({ total: 432_000, discount: 48_000 });
    expect(pricesFor(book.db, customerId())).toEqual([
      { item: null, description: "Kiln", rate: "4800", taxCode: null },
    ]);
  });
  it("is not written over by who saw an earlier state of it: in another window, or by somebody else", () => {
    const id = written();
    const over = (version: number, note: string) =>
      book.do("writeDraft", {
        id,
        version,
        draft: {
          customerId: customerId(),
          issuedOn: TODAY,
          note,
          lines: [{ description: "Kiln", quantity: "1", rate: "1" }],
        } as never,
      });
    expect(over(0, "first window")).toMatchObject({ ok: true, value: { version: 1 } });
    expect(over(0, "second window")).toMatchObject({ error: { code: "document.elsewhere" } });
    expect(over(1, "first again")).toMatchObject({ ok: true, value: { version: 2 } });
    expect(documentById(book.db, id)).toMatchObject({ note: "first again", version: 2 });
  });
  it("over the limit waits for somebody else than who wrote it", () => {
    book.db.run("INSERT INTO setting (key, value) VALUES ('approvalOver', '100000')");
    const id = written();
    expect(book.must("approveDocuments", { ids: [id] })).toEqual({ approved: [], waiting: 1 });
    expect(book.do("approveDocuments", { ids: [id] })).toMatchObject({
      error: { code: "document.second" },
    });
    expect(
      book.must("approveDocuments", {
        ids: [written({ lines: [{ description: "Clay", quantity: "1", rate: "1000" }] })],
      }).waiting,
    ).toBe(0);
  });
  it("several are approved together, or none of them", () => {
    const [first, second] = [written(), written({ issuedOn: "2020-01-01" })];
    expect(book.do("approveDocuments", { ids: [first, second] })).toMatchObject({
      error: { code: "document.cut_over" },
    });
    expect([draftsOf(book.db).length, openItemByNumber(book.db, FIRST)]).toEqual([2, undefined]);
    expect(book.must("approveDocuments", { ids: [first] }).approved).toMatchObject([
      { number: FIRST },
    ]);
  });
});

describe("a credit note", () => {
  const itemId = (number: string): number => openItemByNumber(book.db, number)?.id ?? 0;
  const credit = (taken: object, reason = "broken bags") =>
    book.do("writeCreditNote", { itemId: itemId(FIRST), taken: taken as never, reason });
  it("of the whole voids the invoice, to the cent and tax by tax; undone, both are open again", () => {
    orders(A);
    const receivables = book.balance("receivables");
    const done = credit({ what: "whole" });
    expect(done).toMatchObject({ ok: true, value: { number: `CN-${year}-0001` } });
    expect(openItemByNumber(book.db, FIRST)?.balance).toBe(0);
    expect(openItemByNumber(book.db, `CN-${year}-0001`)).toMatchObject({
      total: -4981,
      tax: -380,
      balance: 0,
    });
    expect([book.balance("receivables") - receivables, book.balance("tax"), book.broken()]).toEqual(
      [-4981, -600, []],
    );
    const page = invoicePageOf(book.db, itemId(FIRST));
    expect([
      page?.written?.state,
      page?.written?.creditable,
      page?.paid.map(({ note }) => note),
    ]).toEqual(["void", 0, ["set off"]]);
    expect(page?.acts.map(({ text }) => text)).toContain("draft of order A, 49.81");
    const act = page?.acts.find(({ text }) => text.includes("set off"));
    book.must("undo", { actId: act?.id ?? 0 });
    expect([
      openItemByNumber(book.db, FIRST)?.balance,
      openItemByNumber(book.db, `CN-${year}-0001`)?.balance,
    ]).toEqual([4981, -4981]);
    book.must("setOff", {
      creditItemId: itemId(`CN-${year}-0001`),
      itemId: itemId(FIRST),
      amount: 1,
    });
    expect(openItemByNumber(book.db, FIRST)?.balance).toBe(4980);
    expect(book.broken()).toEqual([]);
  });
  it("of lines or a sum leaves the rest open, and never takes back more than there was", () => {
    orders(A);
    credit({ what: "lines", lines: [{ line: 1, quantity: "1" }] });
    // 0.335 and 8.25 % of it: 0.34 and 0.03.
    expect(openItemByNumber(book.db, FIRST)?.balance).toBe(4981 - 37);
    credit({ what: "sum", sum: 1000, line: 2 });
    expect(openItemByNumber(book.db, FIRST)?.balance).toBe(4981 - 37 - 1083);
    expect(credit({ what: "sum", sum: 4000, line: 2 })).toMatchObject({
      error: { code: "credit.too_much" },
    });
    expect(credit({ what: "sum", sum: 1, line: 3 })).toMatchObject({
      error: { code: "document.line" },
    });
    expect(
      book.do("writeCreditNote", {
        itemId: itemId("20401"),
        taken: { what: "whole" },
        reason: "x",
      }),
    ).toMatchObject({
      error: { code: "document.not_written" },
    });
    expect([book.broken(), invoicePageOf(book.db, itemId(FIRST))?.written?.state]).toEqual([
      [],
      "part paid",
    ]);
  });
  it("is set off against what the same customer owes alone, and for no more than is open", () => {
    orders(A);
    credit({ what: "sum", sum: 1000, line: 2 });
    const off = (more: object) =>
      book.do("setOff", {
        creditItemId: itemId(`CN-${year}-0001`),
        itemId: itemId(FIRST),
        amount: 1,
        ...more,
      });
    expect(off({})).toMatchObject({ error: { code: "credit.over" } });
    expect(off({ itemId: itemId(`CN-${year}-0001`) })).toMatchObject({
      error: { code: "item.unknown" },
    });
    const others = book.db.get<{ id: number }>(
      "SELECT id FROM open_item WHERE customer_id <> ? LIMIT 1",
      customerId(),
    );
    expect(off({ itemId: others?.id ?? 0 }).ok).toBe(false);
  });
});

it("a tax code has a percent where it is taxed and none elsewhere, and keeps what it was", () => {
  const add = (code: string, percent: string, category: "standard" | "exempt"): string => {
    const done = book.do("setTaxCode", { code, percent, category });
    return done.ok ? "ok" : done.error.code;
  };
  expect([
    add("VAT", "20.0", "standard"),
    add("VAT", "21", "standard"),
    add("FREE", "0", "exempt"),
    add("ODD", "0", "standard"),
    add("ODD", "5", "exempt"),
    add("ODD", "101", "standard"),
    add("ODD", "x", "standard"),
  ]).toEqual([
    "ok",
    "tax.taken",
    "ok",
    "tax.category",
    "tax.category",
    "document.number",
    "document.number",
  ]);
  expect(editorOf(book.db, TODAY, { id: null, customerId: customerId() })).toMatchObject({
    draft: { customer: { name: "Alder Lane Pottery School" }, terms: "n/30" },
    taxCodes: [
      { code: "FREE", percent: "0" },
      { code: "VAT", percent: "20" },
    ],
  });
});

describe("several orders become one invoice", () => {
  const two = (): number[] =>
    orders(A + A.replaceAll("A,", "B,").replace("PO9", "PO10"), false).documents.map(
      ({ id }) => id,
    );
  it("with the lines and numbers of all; the others are dropped, and no order is billed twice", () => {
    const ids = two();
    const [net = 0] = ids.map((id) => documentById(book.db, id)?.net ?? 0);
    const { id } = book.must("joinDrafts", { ids: [...ids].reverse() });
    expect(documentById(book.db, id)).toMatchObject({ net: 2 * net, poNumber: "PO9, PO10" });
    expect(documentById(book.db, ids[1] ?? 0)?.stage).toBe("dropped");
    book.must("approveDocuments", { ids: [id] });
    expect(paper(FIRST).lines).toHaveLength(4);
    // The same file again brings neither order back.
    orders(A + A.replaceAll("A,", "B,").replace("PO9", "PO10"), true);
    expect(openItemByNumber(book.db, `INV-${year}-0002`)).toBeUndefined();
  });
  it("not of two customers, nor with a discount on one, nor of one alone", () => {
    const [first = 0, second = 0] = two();
    const other =
      orders(A.replaceAll("A,", "C,").replace("C,C1", "C,C2"), false).documents[0]?.id ?? 0;
    const refused = (ids: number[]) => {
      const done = book.do("joinDrafts", { ids });
      return done.ok ? null : done.error.code;
    };
    expect(refused([first, other])).toBe("join.other");
    expect(refused([first, first])).toBe("join.few");
    expect(refused([first, 999])).toBe("document.unknown");
    book.must("approveDocuments", { ids: [second] });
    expect(refused([first, second])).toBe("document.written");
  });
});

describe("the list of invoices is looked through", () => {
  it.each<[string, number]>([
    ["glaze", 1],
    ["Glazé", 1],
    ["CL", 1],
    ["clay gl", 1],
    ["PO9", 1],
    ["0001", 1],
    ["000", 1],
    ["NV-", 1],
    ["kiln", 0],
    ["49.81", 1],
    ["49.82", 0],
    [TODAY, 1],
    ["24 Nov", 1],
    ["23 Nov", 0],
    ["Clay 24", 0],
    ["9.81", 0],
    ['"', 0],
  ])("%s finds %d of one invoice of clay and glaze", (text, count) => {
    orders(A);
    const page = { state: "all", today: TODAY, order: "i.id", limit: 9, offset: 0 } as const;
    const before = openItemPage(book.db, { ...page, text: null }).count;
    const found = openItemPage(book.db, { ...page, text });
    expect(found.rows.filter(({ number }) => number === FIRST)).toHaveLength(count);
    expect(found.count).toBeLessThanOrEqual(before);
  });
});
