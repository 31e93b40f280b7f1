import fc from "fast-check";

import { day } from "@/core/calendar";
import { linesOf } from "@/db/documentLines";
import { documentById } from "@/db/documents";
import { deferralsLeft } from "@/db/deferrals";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { paperIn, takeOrders, writeDraft } from "../../../tests/support/orders";

import { editorOf } from "./queries/editor";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const balanceOf = (code: string): number =>
  book.db.get<{ balance: number }>("SELECT balance FROM account_now WHERE code = ?", code)
    ?.balance ?? 0;
const DEPOSITS = "2120";
const DEFERRED = "2130";
const version = (id: number): number => documentById(book.db, id)?.version ?? -1;
const approve = (...ids: number[]) => book.must("approveDocuments", { ids }).approved;
const itemOf = (id: number): number => documentById(book.db, id)?.openItemId ?? -1;
const taxed = { lines: [{ description: "Kiln", quantity: "1", rate: "4800", taxCode: "TX" }] };

describe("a part of an order that is asked for beforehand", () => {
  let draft: number;
  let deposit: { id: number; total: number };
  beforeEach(() => {
    book.must("setTaxCode", { code: "TX", percent: "8.25", category: "standard" });
    draft = writeDraft(book, { ...taxed, poNumber: "PO 7" });
    deposit = book.must("askDeposit", { id: draft, version: version(draft), percent: "30" });
  });

  it("30 % of 4,800.00 and its tax, and the same taken off on the invoice by its number", () => {
    const [sales, tax] = [balanceOf("4000"), balanceOf("2200")];
    expect(deposit.total).toBe(144_000 + 11_880);
    expect(documentById(book.db, draft)?.total).toBe(336_000 + 27_720);
    const [first] = approve(deposit.id);
    expect([balanceOf(DEPOSITS), balanceOf("4000") - sales]).toEqual([-144_000, 0]);
    expect(linesOf(book.db, draft).at(-1)).toMatchObject({
      description: `Less deposit ${first?.number ?? ""}`,
      quantity: "-1",
      amount: -144_000,
      settles: deposit.id,
    });
    approve(draft);
    expect([balanceOf(DEPOSITS), balanceOf("4000") - sales]).toEqual([0, -480_000]);
    expect(balanceOf("2200")).toBe(tax - 39_600);
    expect(paperIn(book, first?.number ?? "").lines[0]?.description).toBe("Deposit of 30 %, PO 7");
    expect(book.broken()).toEqual([]);
  });

  it("is not taken off before it is approved, nor twice, nor of another customer", () => {
    const approving = (id: number) => {
      const done = book.do("approveDocuments", { ids: [id] });
      return done.ok ? "approved" : done.error.code;
    };
    expect(approving(draft)).toBe("deposit.unapproved");
    approve(deposit.id);
    const [line] = linesOf(book.db, draft).slice(-1);
    const again = writeDraft(book, { lines: [...taxed.lines, { ...line }] });
    const other = writeDraft(book, {
      customerId: book.id("customer", "external_id <> 'C1'"),
      lines: [...taxed.lines, { ...line }],
    });
    expect(approving(other)).toBe("deposit.left");
    expect(approving(draft)).toBe("approved");
    expect(approving(again)).toBe("deposit.left");
    expect(book.broken()).toEqual([]);
  });

  it("a credit note gives it back while it is not taken off; that of the invoice frees it", () => {
    approve(deposit.id);
    approve(draft);
    const back = (id: number) =>
      book.do("writeCreditNote", {
        itemId: itemOf(id),
        taken: { what: "whole" },
        reason: "The order was given up",
      });
    expect(back(deposit.id)).toMatchObject({ error: { code: "deposit.left" } });
    expect(back(draft).ok).toBe(true);
    expect(balanceOf(DEPOSITS)).toBe(-144_000);
    expect(back(deposit.id).ok).toBe(true);
    expect(balanceOf(DEPOSITS)).toBe(0);
    expect(book.broken()).toEqual([]);
  });

  it("the editor says where each goes before it is approved", () => {
    const posting = (id: number) =>
      editorOf(book.db, day(TODAY), { id, customerId: null })?.postsTo;
    book.must("setItem", { code: "CARE", to: { description: "Care", rate: "1", months: 12 } });
    expect(posting(deposit.id)).toEqual({
      usual: "Deposits on orders",
      deposits: "Deposits on orders",
      items: {},
    });
    expect(posting(draft)).toEqual({
      usual: "Sales",
      deposits: "Deposits on orders",
      items: { CARE: "Deferred income" },
    });
  });

  it.each(["0", "100", "x", "-5"])("refuses %s percent", (percent) => {
    expect(book.do("askDeposit", { id: draft, version: version(draft), percent })).toMatchObject({
      error: { code: "deposit.percent" },
    });
  });

  it("a second one is of the whole again, and what is approved or a deposit asks for none", () => {
    const second = book.must("askDeposit", { id: draft, version: version(draft), percent: "10" });
    expect(second.total).toBe(51_960);
    for (const id of [deposit.id, second.id])
      expect(book.do("askDeposit", { id, version: version(id), percent: "10" })).toMatchObject({
        error: { code: "deposit.not_of" },
      });
    expect(book.do("joinDrafts", { ids: [draft, deposit.id] })).toMatchObject({
      error: { code: "join.deposit" },
    });
    expect(book.do("askDeposit", { id: draft, version: 0, percent: "10" })).toMatchObject({
      error: { code: "document.elsewhere" },
    });
  });
});

describe("income that is earned over months", () => {
  const care = { description: "Kiln care", rate: "100", months: 3 };
  const invoice = (): string => {
    book.must("setItem", { code: "CARE", to: care });
    const [made] = takeOrders(book, `A,C1,${TODAY},n/30,,,,CARE,Kiln care,1,100,,,\n`).documents;
    return documentById(book.db, made?.id ?? -1)?.number ?? "";
  };
  const earnedBy = (clock: string): number => {
    book.must("changeSettings", { clock });
    return book.must("releaseIncome", {}).parts;
  };

  it("100.00 over three months: 33.34, 33.33, 33.33, each when its month is over, each once", () => {
    const before = balanceOf("4000");
    invoice();
    const stands = (): number[] => [balanceOf(DEFERRED), before - balanceOf("4000")];
    expect(stands()).toEqual([-10_000, 0]);
    expect(earnedBy("2026-11-29")).toBe(0);
    expect([earnedBy("2026-11-30"), ...stands()]).toEqual([1, -6_666, 3_334]);
    expect([earnedBy("2026-12-30"), ...stands()]).toEqual([0, -6_666, 3_334]);
    expect([earnedBy("2027-02-10"), ...stands()]).toEqual([2, 0, 10_000]);
    expect(earnedBy("2027-06-30")).toBe(0);
    expect(deferralsLeft(book.db)).toEqual([]);
    expect(book.broken()).toEqual([]);
  });

  it("a credit note takes back what was not earned yet first, then income", () => {
    const number = invoice();
    earnedBy("2026-11-30");
    const itemId = book.id("open_item", `number = '${number}'`);
    const credit = (sum: number) =>
      book.must("writeCreditNote", {
        itemId,
        taken: { what: "sum", sum, line: 1 },
        reason: "Half the care",
      });
    credit(5_000);
    expect(balanceOf(DEFERRED)).toBe(-1_666);
    expect(earnedBy("2026-12-31")).toBe(1);
    expect(balanceOf(DEFERRED)).toBe(-833);
    credit(5_000);
    expect(balanceOf(DEFERRED)).toBe(0);
    expect(earnedBy("2027-03-31")).toBe(0);
    expect(book.broken()).toEqual([]);
  });
});

describe("a deposit and the rest of its order", () => {
  const orders = fc.record({
    lines: fc.array(
      fc.record({
        quantity: fc.integer({ min: 1, max: 40 }).map(String),
        rate: fc.integer({ min: 1, max: 900_000 }).map((cents) => (cents / 100).toFixed(2)),
        taxCode: fc.constantFrom("TX", null),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    discount: fc.constantFrom(null, "10", "12.5"),
    withholding: fc.constantFrom(null, "5"),
    percent: fc.integer({ min: 1, max: 99 }).map(String),
  });
  it("come to the order, to a cent a tax code, whatever its discount, taxes and withholding", () => {
    book.must("setTaxCode", { code: "TX", percent: "8.25", category: "standard" });
    fc.assert(
      fc.property(orders, ({ lines, discount, withholding, percent }) => {
        const draft = writeDraft(book, {
          lines: lines.map((line) => ({ ...line, description: "Clay" })),
          discountPercent: discount,
          withholdingPercent: withholding,
        });
        const whole = documentById(book.db, draft);
        const asked = book.do("askDeposit", { id: draft, version: version(draft), percent });
        if (!asked.ok) return;
        const rest = documentById(book.db, draft);
        const deposit = documentById(book.db, asked.value.id);
        expect((deposit?.net ?? 0) + (rest?.net ?? 0)).toBe(whole?.net);
        expect(Math.abs((deposit?.tax ?? 0) + (rest?.tax ?? 0) - (whole?.tax ?? 0))).toBeLessThan(
          2,
        );
      }),
      { numRuns: 60 },
    );
  });

  it("10 % off 1,000.00, 30 % beforehand: 270.00 and 630.00", () => {
    const draft = writeDraft(book, {
      lines: [{ description: "Kiln", quantity: "1", rate: "1000" }],
      discountPercent: "10",
    });
    const deposit = book.must("askDeposit", { id: draft, version: version(draft), percent: "30" });
    expect([deposit.total, documentById(book.db, draft)?.total]).toEqual([27_000, 63_000]);
  });
});
