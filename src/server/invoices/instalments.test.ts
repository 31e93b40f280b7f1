import { readFileSync } from "node:fs";

import { addDays } from "@/core/calendar";
import { linesOfEntry } from "@/db/journal";
import { queuedLetters } from "@/db/letters";
import { openItemPage } from "@/db/openItemPages";
import { openItemByNumber, partsOfInvoice } from "@/db/openItems";
import { deliverLetter } from "@/server/output/delivery";
import { paperPdf } from "@/server/output/paperPdf";
import { ublOf } from "@/server/output/ubl";
import { outboxFile } from "@/server/runtime/folders";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, paperIn, takeOrders, writeDraft } from "../../../tests/support/orders";
import { readPdf } from "../../../tests/support/pdfReader";
import { invoicePageOf } from "./queries/documents";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const NUMBER = `INV-${TODAY.slice(0, 4)}-0001`;
const PLAN = "30% now; 40% n/30; rest n/60";

/** A kiln of 4,800.00 in three parts: 1,440.00, 1,920.00, 1,440.00. */
function inParts(more: object = {}): number {
  const id = writeDraft(book, { terms: PLAN, ...more });
  book.must("approveDocuments", { ids: [id] });
  return id;
}
const part = (letter: string): number => openItemByNumber(book.db, `${NUMBER}${letter}`)?.id ?? 0;
const open = (): number[] => partsOfInvoice(book.db, NUMBER).map(({ balance }) => balance);
const proposed = (id: number) =>
  book.proposals().find(({ receiptId }) => receiptId === id)?.readings[0];
const wire = (amount: number, reference: string): number =>
  book.must("recordReceipt", { method: "wire", paidOn: TODAY, amount, reference } as never)
    .receiptId;

describe("an invoice in instalments", () => {
  it("is one number and an item for each part, posted at once", () => {
    inParts();
    expect(
      partsOfInvoice(book.db, NUMBER).map(({ number, dueOn, total, terms }) => [
        number,
        dueOn,
        total,
        terms,
      ]),
    ).toEqual([
      [`${NUMBER}A`, TODAY, 144_000, "now"],
      [`${NUMBER}B`, addDays(TODAY, 30), 192_000, "n/30"],
      [`${NUMBER}C`, addDays(TODAY, 60), 144_000, "n/60"],
    ]);
    const entries = book.db.all<{ id: number }>("SELECT id FROM entry WHERE event = 'invoice'");
    const lines = linesOfEntry(book.db, entries.at(-1)?.id ?? 0);
    expect(lines.map(({ amount }) => amount)).toEqual([144_000, 192_000, 144_000, -480_000]);
    expect(openItemByNumber(book.db, NUMBER)).toBeUndefined();
  });
  it("passes over a number of which any part came by a file", () => {
    book.mustTake(
      "invoices",
      `number,customer_id,issued_on,due_on,total,currency\n${NUMBER}C,C1,${TODAY},${TODAY},5.00,USD\n`,
    );
    inParts();
    expect(open()).toEqual([]);
    const next = NUMBER.replace("0001", "0002");
    expect(partsOfInvoice(book.db, next).map(({ number }) => number)).toEqual([
      `${next}A`,
      `${next}B`,
      `${next}C`,
    ]);
  });
  it("in another currency its parts and the book's value of them foot to the cent", () => {
    const rates = [{ currency: "EUR", onDay: TODAY, rate: "1.333" }];
    book.must("setRates", { rates } as never);
    const lines = [{ description: "Kiln", quantity: "1", rate: "0.05" }];
    inParts({ currency: "EUR", terms: "33.3% now; 33.3% n/30; rest n/60", lines });
    expect(open()).toEqual([2, 1, 2]);
    expect(book.broken()).toEqual([]);
  });
  it("a deposit of an order in parts is asked for in one", () => {
    const id = writeDraft(book, { terms: PLAN });
    const asked = book.must("askDeposit", { id, version: 0, percent: "30" } as never);
    book.must("approveDocuments", { ids: [asked.id] });
    expect(openItemByNumber(book.db, NUMBER)).toMatchObject({ total: 144_000, terms: "now" });
  });
  it("bears its tax by part, to the cent", () => {
    const lines = [{ description: "Clay", quantity: "1", rate: "100.01", taxCode: "TX" }];
    takeOrders(book, `T,C1,${TODAY},now,,,,,Clay,1,1,,TX,8.25\n`);
    inParts({ lines });
    const parts = partsOfInvoice(book.db, NUMBER.replace("0001", "0002"));
    expect(parts.map(({ total, tax }) => [total, tax])).toEqual([
      [3248, 248],
      [4330, 330],
      [3248, 247],
    ]);
  });
  it("each part falls due by itself, and its page says what is left of all", () => {
    inParts();
    const page = invoicePageOf(book.db, part("B"));
    expect(page?.written?.parts.map(({ number, balance }) => [number, balance])).toEqual([
      [`${NUMBER}A`, 144_000],
      [`${NUMBER}B`, 192_000],
      [`${NUMBER}C`, 144_000],
    ]);
    expect(page?.entries).toHaveLength(1);
    expect(page?.acts.some(({ text }) => text.includes("approved"))).toBe(true);
    const late = openItemPage(book.db, {
      state: "overdue",
      today: addDays(TODAY, 31),
      text: "kiln",
      order: "i.id",
      limit: 9,
      offset: 0,
    });
    expect(late.rows.map(({ number }) => number)).toEqual([`${NUMBER}A`, `${NUMBER}B`]);
  });
  it.each([
    ["the part whose sum it is", 192_000, `pay ${NUMBER}`, ["B"]],
    ["all of them", 480_000, `inv ${NUMBER}`, ["A", "B", "C"]],
    ["two of them", 336_000, NUMBER, ["A", "B"]],
    ["the earlier of two with this sum", 144_000, `INV ${NUMBER.slice(4)}`, ["A"]],
    ["the one that is named", 144_000, `${NUMBER}C`, ["C"]],
    ["the one that is named", 192_000, `${NUMBER} B`, ["B"]],
  ])("a receipt that names the invoice pays %s", (_, amount, reference, letters) => {
    inParts();
    const best = proposed(wire(amount, reference));
    expect(best?.lines.map(({ itemId }) => itemId).toSorted()).toEqual(letters.map(part));
  });
  it("a credit note lowers what is due next; what it takes back of all makes it void", () => {
    inParts();
    const credit = (taken: object) =>
      book.must("writeCreditNote", {
        itemId: part("C"),
        taken: taken as never,
        reason: "a chipped shelf",
      });
    credit({ what: "sum", sum: 150_000, line: 1 });
    expect(open()).toEqual([0, 186_000, 144_000]);
    expect(invoicePageOf(book.db, part("A"))?.written?.state).not.toBe("void");
    credit({ what: "sum", sum: 330_000, line: 1 });
    expect(open()).toEqual([0, 0, 0]);
    expect(invoicePageOf(book.db, part("A"))?.written?.state).toBe("void");
  });
  it("its paper and its data say what is due when; its mail brings one paper", async () => {
    const id = inParts();
    const paper = paperIn(book, NUMBER);
    const said = (await readPdf(await paperPdf(paper))).text;
    expect(said).toContain("Due in parts");
    expect(said).toContain(`${NUMBER}B, Thu 24 Dec 2026`);
    expect(said).toContain("1,920.00");
    expect(ublOf(paper)).toContain(`<cbc:DueDate>${TODAY}</cbc:DueDate>`);
    expect(ublOf(paper)).toContain(
      "<cbc:Note>1440.00 by 2026-11-24; 1920.00 by 2026-12-24; 1440.00 by 2027-01-23</cbc:Note>",
    );
    book.must("sendDocuments", { ids: [id] });
    for (const letter of queuedLetters(book.db)) await deliverLetter(book.db, book.name, letter);
    const [file] = book.db.all<{ name: string }>("SELECT file_name AS name FROM letter");
    const mail = readFileSync(outboxFile(book.name, file?.name ?? ""), "utf8");
    expect(mail.match(/filename=/g)).toHaveLength(1);
    expect(mail).toContain("1,920.00");
  });
  it("has no other due day, and nothing withheld", () => {
    const draft = (more: object) =>
      book.do("writeDraft", {
        draft: {
          customerId: firstCustomer(book),
          issuedOn: TODAY,
          terms: PLAN,
          lines: [{ description: "Kiln", quantity: "1", rate: "4800" }],
          ...more,
        } as never,
      });
    expect(draft({ dueOn: addDays(TODAY, 5) })).toMatchObject({ error: { code: "plan.due" } });
    expect(draft({ withholdingPercent: "10" })).toMatchObject({ error: { code: "plan.withheld" } });
    expect(draft({ terms: "30% now; 30% n/30" })).toMatchObject({
      error: { code: "plan.percent" },
    });
  });
});
