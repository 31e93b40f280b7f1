import { create, type Font } from "fontkit";

import { addDays } from "@/core/calendar";
import { USUAL_LOOK } from "@/core/invoices";
import { followedAs, setFollowed } from "@/db/followed";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, takeOrders } from "../../../tests/support/orders";
import { readPdf } from "../../../tests/support/pdfReader";
import { dressOf } from "./accountPaper";
import { invoicePdf, letterPdf } from "./papers";
import { asPrinted, paperFont, runsOf } from "./paperFonts";
import { receiptPdf } from "./receiptPaper";
import { statementPdf } from "./statementPapers";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const PNG = Buffer.from(
  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
  "base64",
);
const textOf = (bytes: Buffer | null): string => readPdf(bytes ?? Buffer.alloc(0)).text;

/** The book's one look, and the first customer's language. */
function dress(language: "en" | "de", more: object = {}): number {
  const logo = book.keep(PNG).sha256;
  book.must("setLook", { name: "Usual", look: { ...USUAL_LOOK, ...more, logo } });
  const id = firstCustomer(book);
  setFollowed(book.db, { ...followedAs(id), language });
  return id;
}

/** A receipt of the first customer for what it owes first, and something more. */
function receipt(): { id: number; number: string; balance: number } {
  const item = book.db.get<{ id: number; number: string; balance: number }>(
    "SELECT id, number, balance FROM open_item WHERE customer_id = ? AND balance > 0 ORDER BY id",
    firstCustomer(book),
  );
  if (!item) throw new Error("nothing is open");
  const amount = item.balance + 1000;
  const { receiptId } = book.must("recordReceipt", {
    method: "check",
    number: "1077",
    paidOn: TODAY,
    amount,
    customerId: firstCustomer(book),
  } as never);
  book.must("applyReceipt", {
    receiptId,
    customerId: firstCustomer(book),
    lines: [{ itemId: item.id, amount: item.balance, discount: 0, smallDifference: 0 }],
    onAccount: 1000,
  } as never);
  return { id: receiptId, number: item.number, balance: item.balance };
}

describe("the papers of an account have the look of its invoices", () => {
  it("a statement in the customer's language, with picture, colour and letters", async () => {
    const id = dress("de", { accent: "#1f4e79", letters: "serif", bank: "IBAN in words" });
    receipt();
    const pdf = await statementPdf(book.db, id, addDays(TODAY, -60), TODAY);
    expect(textOf(pdf)).toMatch(
      /Kontoauszug[\s\S]*Anfangssaldo[\s\S]*erhalten[\s\S]*Endsaldo[\s\S]*nicht fällig[\s\S]*Überweisung: IBAN in words[\s\S]*Fragen/,
    );
    const raw = pdf?.toString("latin1") ?? "";
    expect([raw.includes("/Subtype /Image"), raw.includes("SourceSerif")]).toEqual([true, true]);
    expect(raw).toContain("/Lang (de)");
    const plain = dressOf(book.db, { id });
    expect([plain.look.accent, plain.logo?.slice(0, 22)]).toEqual([
      "#1f4e79",
      "data:image/png;base64,",
    ]);
  });
  it("a receipt says what came how, and which invoices it paid, line by line to its sum", async () => {
    dress("en");
    const { id, number, balance } = receipt();
    const sum = (amount: number): string =>
      (amount / 100).toLocaleString("en-US", { minimumFractionDigits: 2 });
    expect(textOf(await receiptPdf(book.db, id))).toMatch(
      new RegExp(
        `Receipt ${id}[\\s\\S]*By: check 1077[\\s\\S]*${number}\\s+${sum(balance)}[\\s\\S]*On account\\s+10\\.00[\\s\\S]*USD ${sum(balance + 1000)}`,
      ),
    );
    book.must("undo", {
      actId: book.db.get<{ id: number }>("SELECT max(id) AS id FROM act")?.id ?? 0,
    });
    // What is nobody's has no paper for a customer.
    expect(await receiptPdf(book.db, id)).toBeNull();
    expect(await receiptPdf(book.db, 999)).toBeNull();
  });
  it("names in other letters stand as they are written, on invoices and on statements", async () => {
    const id = dress("en");
    const name = "Żółw Ceramika, Dvořák & Ağaoğlu, Ţepeş, Ŧŷ, Œuvre, Киев, Αθήνα, 北京";
    book.db.run("UPDATE customer SET name = ? WHERE id = ?", name, id);
    const shown = "Żółw Ceramika, Dvořák & Ağaoğlu, Ţepeş, ?ŷ, Œuvre, Киев, Αθήνα, ?? (C1)";
    takeOrders(book, `A,C1,${TODAY},now,,,,,Świeca,1,100,,,\n`);
    const invoice = book.id("open_item", "number LIKE 'INV-%'");
    const text = textOf(await invoicePdf(book.db, invoice));
    expect(text).toContain(shown);
    expect(text).toContain("Świeca");
    expect(textOf(await statementPdf(book.db, id, addDays(TODAY, -60), TODAY))).toContain(shown);
  });
  it("every letter that is written is in its file; spaces, dashes and steering signs are plain", () => {
    const letters = Array.from({ length: 0x2100 - 0x20 }, (_, at) =>
      String.fromCodePoint(0x20 + at),
    );
    for (const look of ["plain", "serif"] as const)
      for (const { text, part } of runsOf(letters.join(""), look)) {
        const font = create(paperFont(part, 400)) as Font;
        for (const letter of text)
          expect([letter, font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0)]).toEqual([
            letter,
            true,
          ]);
      }
    expect(asPrinted("1\u202f000\u2009€ \u202eabc\u2011d\u00ad")).toBe("1 000 € abc-d");
  });
  it("an invoice that came by a file, and a letter as it was written", async () => {
    dress("de");
    const item = book.id("open_item", `customer_id = ${firstCustomer(book)}`);
    expect(textOf(await invoicePdf(book.db, item))).toMatch(/Rechnung[\s\S]*Fällig:[\s\S]*Gesamt/);
    expect(await letterPdf(book.db, 999)).toBeNull();
    book.must("sendLetter", {
      customerId: firstCustomer(book),
      subject: "Still open",
      body: "Dear Alder Lane,\n\nplease pay.",
    });
    const letter = book.db.get<{ id: number; subject: string; body: string }>(
      "SELECT id, subject, body FROM letter",
    );
    const text = textOf(await letterPdf(book.db, letter?.id ?? 0));
    expect(text).toContain(letter?.subject);
    expect(text.replace(/\s+/g, " ")).toContain(letter?.body.split("\n")[0]);
  });
});
