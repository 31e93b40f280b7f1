import jsQR from "jsqr";

import { customerByExternalId } from "@/db/customers";
import { cardOf, setCard } from "@/db/customerCards";
import { followedAs, setFollowed } from "@/db/followed";
import { paperWords, shownLines, USUAL_LOOK } from "@/core/invoices";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { paperIn, takeOrders } from "../../../tests/support/orders";
import { readPdf } from "../../../tests/support/pdfReader";
import { extrasOf } from "./paperExtras";
import { codeCells } from "./paperParts";
import { paperPdf } from "./paperPdf";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const FIRST = "INV-2026-0001";
// A picture of one point.
const PNG = Buffer.from(
  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
  "base64",
);
/** A look with a picture, which lies under its hash before. */
const look = (more: object, picture: Buffer | null = null) => {
  const logo = picture === null ? {} : { logo: book.keep(picture).sha256 };
  return book.do("setLook", { name: "Usual", look: { ...USUAL_LOOK, ...more, ...logo } });
};
const order = (): void => {
  takeOrders(
    book,
    `A,C1,${TODAY},n/30,,,PO9,CL,Clay white,2,10,,,\nA,,,,,,,CL,Clay red,1,5,,,\nA,,,,,,,,Delivery,1,7.5,,,\n`,
  );
};
const printed = async (): Promise<string> =>
  readPdf(await paperPdf(paperIn(book, FIRST), extrasOf(book.db, paperIn(book, FIRST)))).text;

describe("how papers look", () => {
  it("is kept with each when it is approved, in the customer's language", async () => {
    const one = customerByExternalId(book.db, "C1")?.id ?? 0;
    setFollowed(book.db, { ...followedAs(one), language: "de" });
    book.must("changeSettings", { linkBase: "https://pay.kestrelrow.example" });
    look(
      {
        accent: "#1f4e79",
        letters: "serif",
        size: "a4",
        above: "Danke!",
        bank: "IBAN in words",
        code: true,
        slip: true,
      },
      PNG,
    );
    order();
    const text = await printed();
    for (const words of [
      "Rechnung",
      "Bestellung: PO9",
      "24. November 2026",
      "Gesamt USD",
      "Danke!",
      "Überweisung: IBAN in words",
      "https://pay.kestrelrow.example/",
      "Gezahlter Betrag",
    ])
      expect(text).toContain(words);
    look({ above: "Other words" });
    expect(await printed()).toBe(text);
  });
  it("shows every line, one for each item, or one for all; they come to the same", async () => {
    const lines = [
      { item: "CL", description: "Clay white", amount: 2000 },
      { item: "CL", description: "Clay red", amount: 500 },
      { item: null, description: "Delivery", amount: 750 },
    ];
    const shown = (of: "all" | "items" | "one", oneLine = "") =>
      shownLines(lines, { lines: of, oneLine }).map(({ description, amount }) => [
        description,
        amount,
      ]);
    expect(shown("all")).toHaveLength(3);
    expect(shown("items")).toEqual([
      ["Clay white", 2500],
      ["Delivery", 750],
    ]);
    expect(shown("one")).toEqual([["Clay white", 3250]]);
    expect(shown("one", "As ordered")).toEqual([["As ordered", 3250]]);
    look({ lines: "one", oneLine: "As ordered", quantities: false, rates: false });
    order();
    const text = await printed();
    expect(text).toContain("As ordered");
    expect(text).not.toMatch(/Clay|Quantity|Rate/u);
    expect(text).toContain("32.50");
  });
  it("is another for a customer of whom that is said", async () => {
    book.must("setLook", {
      name: "Schools",
      look: { ...USUAL_LOOK, name: "Schools", below: "For schools" },
    });
    const one = customerByExternalId(book.db, "C1")?.id ?? 0;
    setCard(book.db, one, { ...cardOf(book.db, one), look: "Schools" });
    order();
    expect(await printed()).toContain("For schools");
    book.must("setLook", { name: "Schools", look: null });
    expect(await printed()).toContain("For schools");
  });
  it.each<[string, object, Buffer | null, string]>([
    ["a colour in words", { accent: "red" }, null, "input.invalid"],
    ["a picture that is none", {}, Buffer.from("<svg/>"), "attachment.type"],
    ["a picture of 301 kB", {}, Buffer.concat([PNG, Buffer.alloc(301_000)]), "look.picture"],
    ["a picture that is not there", { logo: "0".repeat(64) }, null, "look.picture"],
    ["a picture that is a PDF", {}, Buffer.from("%PDF-1.7"), "look.picture"],
  ])("refuses %s", (_, more, picture, code) => {
    expect(look(more, picture)).toMatchObject({ ok: false, error: { code } });
  });
  it("takes its bank details by name from where they are kept once", async () => {
    const details = (name: string, words: string) => book.do("setBankDetails", { name, words });
    expect(details("Dollars", "First Practice Bank, ask us for the number")).toMatchObject({
      ok: true,
    });
    look({ bank: "Dollars" });
    order();
    const before = await printed();
    expect(before).toContain("By bank: First Practice Bank, ask us for the number");
    // Approved papers keep what they said.
    details("Dollars", "Second Practice Bank");
    expect(await printed()).toBe(before);
    expect(details("Dollars", "")).toMatchObject({
      error: { code: "look.bank_used", look: "Usual" },
    });
    look({ bank: "" });
    expect(details("Dollars", "")).toMatchObject({ ok: true });
    for (let at = 0; at < 12; at += 1) details(`Account ${at}`, "words");
    expect(details("One more", "words")).toMatchObject({ error: { code: "look.bank_many" } });
  });
  it("the last stays", () => {
    expect(book.do("setLook", { name: "Usual", look: null })).toMatchObject({
      error: { code: "look.last" },
    });
    expect(book.do("setLook", { name: "Other", look: null })).toMatchObject({
      error: { code: "look.unknown" },
    });
  });
  it("its square code is read as the address that stands beside it", () => {
    const address = `https://pay.kestrelrow.example/account/${"a1".repeat(24)}`;
    const cells = codeCells(address);
    const [each, side] = [4, cells.length * 4];
    const points = new Uint8ClampedArray(side * side * 4);
    for (let y = 0; y < side; y += 1)
      for (let x = 0; x < side; x += 1) {
        const dark = cells[Math.floor(y / each)]?.[Math.floor(x / each)] ?? false;
        points.set([dark ? 0 : 255, dark ? 0 : 255, dark ? 0 : 255, 255], (y * side + x) * 4);
      }
    expect(jsQR(points, side, side)?.data).toBe(address);
  });
  it("has all its words in each language", () => {
    const english = Object.keys(paperWords("en"));
    for (const language of ["es", "fr", "de"]) {
      const words = paperWords(language);
      expect(Object.keys(words)).toEqual(english);
      expect(Object.values(words).every((word) => word.trim() !== "")).toBe(true);
    }
    expect(paperWords("xx")).toBe(paperWords("en"));
  });
});
