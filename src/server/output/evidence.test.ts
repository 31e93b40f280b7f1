import { PDFDocument } from "@cantoo/pdf-lib";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { addDays, day } from "@/core/calendar";
import { openItemByNumber } from "@/db/openItems";
import { PracticeStore } from "@/db/practice";
import { activityFile } from "@/practice/files";
import { practiceCard } from "@/practice/numbers";
import { PracticeProcessor } from "@/practice/processor";
import { keepPaper } from "@/server/customers/steps/keepPaper";
import { payNow } from "@/server/paying/payNow";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { evidencePdf } from "./evidencePdf";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const ON = day(TODAY);

/** A card's payment of two invoices that its holder disputes; gives the dispute's id. */
async function disputed(): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), "dozo-evidence-"));
  const store = new PracticeStore(join(folder, "practice.sqlite"));
  const processor = new PracticeProcessor(store);
  takeOrders(book, `A,C1,${TODAY},now,,,,,Clay,1,100,,,\nB,C1,${TODAY},now,,,,,Kiln,1,50,,,\n`);
  const typed = { number: practiceCard(1, "00"), expiry: "12/31", code: "123" };
  const taken = processor.takeCard(typed, ON);
  if (!taken.ok) throw new Error(taken.error.code);
  const customerId = firstCustomer(book);
  const { id } = book.must("keepMethod", { customerId, ...taken.value, onFile: true });
  const parts = [1, 2].flatMap((no) => {
    const item = openItemByNumber(book.db, `INV-${TODAY.slice(0, 4)}-000${no}`);
    return item ? [{ itemId: item.id, amount: item.balance }] : [];
  });
  const ask = { key: "evidence-1", customerId, methodId: id, by: "link" as const, parts };
  const run = (name: never, input: never, key: string) => book.do(name, input, key);
  await payNow({ processor, run: run as never, on: ON, ask });
  const later = addDays(ON, 10);
  const [charge] = store.disputable(ON);
  if (!charge) throw new Error("the charge is there");
  processor.dispute(charge, later);
  book.must("changeSettings", { clock: later });
  book.take("processor", activityFile(store, "card", later) ?? "", {
    account: "card",
    mapping: { signs: "as_written", payoutSign: "turned" },
  });
  store.close();
  rmSync(folder, { recursive: true, force: true });
  return book.id("processor_item", "kind = 'dispute'");
}

const pagesOf = async (bytes: Uint8Array | null): Promise<number> =>
  bytes ? (await PDFDocument.load(bytes)).getPageCount() : 0;

const keep = (bytes: Uint8Array, name: string): void => {
  const kept = keepPaper(book.name, Buffer.from(bytes), name);
  if (!kept.ok) throw new Error(kept.error.code);
  book.must("addAttachment", { customerId: firstCustomer(book), name, sha256: kept.value });
};

describe("what a dispute is answered with", () => {
  it("is a sheet, each invoice, and the receipt, in one PDF", async () => {
    const id = await disputed();
    expect(await pagesOf(await evidencePdf({ db: book.db, book: book.name }, id))).toBe(4);
  });

  it("with each page of the papers that lie with the customer", async () => {
    const id = await disputed();
    const slip = await PDFDocument.create();
    slip.addPage([200, 300]);
    slip.addPage([200, 300]);
    keep(await slip.save(), "delivery.pdf");
    const whole = await evidencePdf({ db: book.db, book: book.name }, id);
    expect(await pagesOf(whole)).toBe(6);
    const last = (await PDFDocument.load(whole ?? "")).getPages().at(-1);
    expect(last?.getSize()).toEqual({ width: 200, height: 300 });
  });

  it("and goes without a paper that cannot be read", async () => {
    const id = await disputed();
    keep(Buffer.from("%PDF-1.7\nnothing of one\n%%EOF"), "torn.pdf");
    expect(await pagesOf(await evidencePdf({ db: book.db, book: book.name }, id))).toBe(4);
  });

  it("is none for what is no dispute", async () => {
    expect(await evidencePdf({ db: book.db, book: book.name }, 999)).toBeNull();
  });
});
