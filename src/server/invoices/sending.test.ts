import JSZip from "jszip";
import { readFileSync } from "node:fs";

import { setCard, cardOf } from "@/db/customerCards";
import { customerByExternalId } from "@/db/customers";
import { stepsSaid } from "@/db/followed";
import { queuedLetters, setCameBack } from "@/db/letters";
import { deliverLetter } from "@/server/output/delivery";
import { batchOf } from "@/server/output/paperBatch";
import { outboxFile } from "@/server/runtime/folders";

import { readPdf } from "../../../tests/support/pdfReader";
import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { takeOrders } from "../../../tests/support/orders";
import { keepPaper } from "../customers/steps/keepPaper";
import { documentsToSend } from "./queries/toSend";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const order = (name: string, customer = "C1"): number => {
  const { documents, refused } = takeOrders(
    book,
    `${name},${customer},${TODAY},n/30,,,,,Clay,2,10,,,\n`,
  );
  if (!documents[0]) throw new Error(JSON.stringify(refused));
  return documents[0].id;
};
const customer = (number: string): number => customerByExternalId(book.db, number)?.id ?? 0;
const way = (number: string, chosen: "mail" | "paper" | "none"): void =>
  setCard(book.db, customer(number), { ...cardOf(book.db, customer(number)), way: chosen });
const open = (): [string, string, string | null][] =>
  documentsToSend(book.db).map((one) => [one.number, one.way, one.problem]);
async function mailed(): Promise<string[]> {
  const files = book.db.all<{ name: string }>("SELECT file_name AS name FROM letter ORDER BY id");
  for (const id of queuedLetters(book.db)) await deliverLetter(book.db, book.name, id);
  return files.map(({ name }) => readFileSync(outboxFile(book.name, name), "utf8"));
}

describe("what is approved reaches its customer by the way that it wants", () => {
  it("by mail, on paper or not at all; each once", () => {
    way("C2", "paper");
    way("C3", "none");
    const ids = [order("A"), order("B", "C2"), order("C", "C3"), order("D", "C4")];
    expect(open()).toEqual([
      ["INV-2026-0001", "mail", null],
      ["INV-2026-0002", "paper", null],
      ["INV-2026-0004", "mail", "no e-mail address"],
    ]);
    const sent = book.must("sendDocuments", { ids: [ids[0] ?? 0, ids[3] ?? 0] });
    expect(sent.sent).toBe(1);
    expect(sent.refused).toMatchObject([{ id: ids[3] }]);
    expect(book.must("sendDocuments", { ids: [ids[0] ?? 0] }).refused[0]?.why).toContain(
      "went out on",
    );
    book.must("markPrinted", { ids: [ids[1] ?? 0] });
    expect(open().map(([number]) => number)).toEqual(["INV-2026-0004"]);
    expect(book.db.all("SELECT step FROM letter")).toEqual([{ step: 0 }]);
    // It is no rung of a ladder: nobody was reminded.
    expect(stepsSaid(book.db).size).toBe(0);
  });
  it("goes once more where that is asked for", () => {
    const id = order("A");
    book.must("sendDocuments", { ids: [id] });
    expect(book.must("sendDocuments", { ids: [id], again: true }).sent).toBe(1);
  });
  it("is to be sent again where the mail was not taken or came back, and says why", () => {
    const [first, second] = [order("A"), order("B")];
    book.must("sendDocuments", { ids: [first, second] });
    expect(open()).toEqual([]);
    book.db.run("UPDATE letter SET delivery = 'not sent: refused' WHERE id = 1");
    setCameBack(book.db, 2, "no such mailbox");
    expect(open().map(([number]) => number)).toEqual(["INV-2026-0001", "INV-2026-0002"]);
    expect(book.must("sendDocuments", { ids: [first, second] }).sent).toBe(2);
    expect(open()).toEqual([]);
  });
  it("with its paper, what was laid to it, both links, and the book's words or its own", async () => {
    book.must("changeSettings", { linkBase: "https://pay.kestrelrow.example" });
    const draft = order("A");
    const kept = keepPaper(book.name, Buffer.from("%PDF-1.7\n%%EOF"), "plan.pdf");
    if (!kept.ok) throw new Error(kept.error.code);
    book.must("addAttachment", {
      customerId: customer("C1"),
      documentId: draft,
      name: "plan.pdf",
      sha256: kept.value,
    });
    book.must("sendDocuments", { ids: [draft] });
    book.must("sendDocuments", {
      ids: [draft],
      again: true,
      subject: "Your {{ number }}",
      body: "{{ total }} by {{ due }}",
    });
    const [first = "", second = ""] = await mailed();
    expect(first).toContain("Subject: Invoice INV-2026-0001 from Test");
    expect(first).toMatch(/https:\/\/pay\.kestrelrow\.example\/account\/[0-9a-f=\r\n]{40,}/u);
    expect(first).toContain("filename=INV-2026-0001.pdf");
    expect(first).toContain("filename=plan.pdf");
    expect(first).not.toContain("statement-");
    expect(second).toContain("Subject: Your INV-2026-0001");
    expect(second).toContain("USD 20.00 by");
  });
  it("words that name what is no field are refused, and nothing goes", () => {
    const id = order("A");
    const sent = book.must("sendDocuments", { ids: [id], subject: "x", body: "{{ secret }}" });
    expect([sent.sent, sent.refused.length, queuedLetters(book.db)]).toEqual([0, 1, []]);
  });
  it("by a schedule, as soon as it is written", () => {
    book.must("setSchedule", {
      name: "Room",
      plan: { startsOn: "2026-11-01", everyCount: 1, everyUnit: "month", makes: "sent" },
      billed: {
        customerId: customer("C1"),
        lines: [{ description: "Room", quantity: "1", rate: "10" }],
      },
    });
    book.must("runSchedules", {});
    expect([open(), queuedLetters(book.db).length]).toEqual([[], 1]);
  });
});

describe("many documents in one file", () => {
  it("as a print with a page before each, and as a ZIP of papers and data", async () => {
    const ids = [order("A"), order("B", "C2")];
    const pdf = await batchOf(book.db, ids, "pdf");
    if (!pdf.ok) throw new Error(pdf.error.code);
    const { pages, text } = readPdf(pdf.value.bytes);
    expect(pages).toBe(4);
    expect(text).toContain("Invoice INV-2026-0001, 1 / 2");
    expect(text).toContain("Invoice INV-2026-0002, 2 / 2");
    const zip = await batchOf(book.db, ids, "zip");
    if (!zip.ok) throw new Error(zip.error.code);
    const files = await JSZip.loadAsync(zip.value.bytes);
    expect(Object.keys(files.files)).toEqual([
      "INV-2026-0001.pdf",
      "INV-2026-0001.xml",
      "INV-2026-0002.pdf",
      "INV-2026-0002.xml",
    ]);
  });
  it("none that is not approved, nor too many", async () => {
    expect(await batchOf(book.db, [999], "zip")).toMatchObject({
      error: { code: "document.unknown" },
    });
    const many = Array.from({ length: 1001 }, (_, at) => at);
    expect(await batchOf(book.db, many, "pdf")).toMatchObject({ error: { code: "document.many" } });
  });
});
