import { PDFDocument } from "@cantoo/pdf-lib";

import { readUbl } from "@/core/formats";
import { paperPdf } from "@/server/output/paperPdf";
import { ublOf } from "@/server/output/ubl";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { paperIn, takeOrders, writeDraft } from "../../../tests/support/orders";
import { writtenBySecond } from "../../../tests/support/secondUbl";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const year = TODAY.slice(0, 4);
const orders = (rows: string, approve = true) => takeOrders(book, rows, approve);
const paper = (number: string) => paperIn(book, number);
const A = `A,C1,${TODAY},2/10 n/30,,,PO9,CL,Clay,3,0.335,,TX,8.25\nA,,,,,,,GL,Glaze,2.5,19.999999,10,TX,\n`;
const FIRST = `INV-${year}-0001`;

const written = (more: object = {}): number => writeDraft(book, more);

describe("the paper as data", () => {
  it("is read back equal, and its sums keep the rules of EN 16931-1", () => {
    orders(
      `${A}B,C1,${TODAY},day/10,,,,K,Kiln & stand <big>,1,4800,,,\nB,,,,,,,C,Clay,-2,10,,TX,\nB,,,,,,,C,Glaze,3,-1.5,,TX,\n`,
    );
    for (const number of [FIRST, `INV-${year}-0002`]) {
      const facts = paper(number);
      const read = readUbl(ublOf(facts));
      expect(read).toMatchObject({
        ok: true,
        value: {
          kind: "invoice",
          number,
          issuedOn: facts.issuedOn,
          dueOn: facts.dueOn,
          currency: "USD",
          poNumber: facts.poNumber,
          buyer: { id: "C1", name: facts.customer.name },
          lines: facts.lines.map(({ description, net }) => ({ description, net })),
          net: facts.net,
          tax: facts.tax,
          total: facts.total,
          payable: facts.total,
        },
      });
    }
  });
  it("with discount, charges and tax within the rates too, and as a credit note", () => {
    book.db.run("INSERT INTO setting (key, value) VALUES ('taxIncluded', 'true')");
    orders(`T,C1,${TODAY},now,,,,,Clay,3,12.5,5,TX,25\n`, false);
    const id = written({
      lines: [
        { description: "Clay", quantity: "3", rate: "12.5", taxCode: "TX" },
        { description: "Glaze", quantity: "1", rate: "9.99" },
      ],
      discountPercent: "10",
      charges: [{ words: "Shipping", sum: 500, taxCode: "TX" }],
    });
    const [done] = book.must("approveDocuments", { ids: [id] }).approved;
    const facts = paper(done?.number ?? "");
    expect(facts.total).toBe(facts.lineSum - facts.discount + 500);
    expect(readUbl(ublOf(facts))).toMatchObject({
      ok: true,
      value: { total: facts.total, tax: facts.tax },
    });
    book.must("writeCreditNote", {
      itemId: done?.itemId ?? 0,
      taken: { what: "whole" },
      reason: "wrong",
    });
    expect(readUbl(ublOf(paper(`CN-${year}-0001`)))).toMatchObject({
      ok: true,
      value: { kind: "credit_note", corrects: done?.number, total: facts.total },
    });
    expect(book.broken()).toEqual([]);
  });
  it("is what a second library allows, and what that writes of it is read as the same", async () => {
    orders(
      `B,C1,${TODAY},day/10,,,,K,Kiln & stand <big>,1,4800,,TX,8.25\nB,,,,,,,C,Clay,-2,10,,TX,\nB,,,,,,,C,Glaze,3,-1.5,,TX,\n`,
    );
    const id = written({
      terms: "30% now; rest n/30",
      lines: [
        { description: "Clay", quantity: "3", rate: "12.5", taxCode: "TX", discountPercent: "5" },
        // Its schema has two decimals for a price, where the standard has as many as one likes.
        { description: "Glaze", quantity: "1.256", rate: "9.99" },
      ],
      discountPercent: "10",
      charges: [{ words: "Shipping", sum: 500, taxCode: "TX" }],
      note: "Thank you",
    });
    book.must("approveDocuments", { ids: [id] });
    for (const number of [1, 2].map((running) => `INV-${year}-000${running}`)) {
      const own = ublOf(paper(number));
      const second = await writtenBySecond(own);
      const [read, readAgain] = [readUbl(own), readUbl(second)];
      expect(read.ok).toBe(true);
      expect(readAgain).toEqual(read);
    }
    // The second library does look: it refuses a currency that is none.
    await expect(
      writtenBySecond(ublOf(paper(FIRST)).replaceAll("USD", "XXD")),
    ).rejects.toBeDefined();
  });
  it("has one electronic address where its customer has several", () => {
    book.db.run(
      "UPDATE customer SET email = 'office@alder.example; pay@alder.example' WHERE external_id = 'C1'",
    );
    orders(A);
    expect(ublOf(paper(FIRST))).toContain('<cbc:EndpointID schemeID="EM">office@alder.example<');
  });
  it("is refused where its sums do not add up, or where it is none", () => {
    orders(A);
    const xml = ublOf(paper(FIRST));
    const codes = [
      xml.replace(">46.01</cbc:TaxExclusiveAmount>", ">46.02</cbc:TaxExclusiveAmount>"),
      xml.replace('currencyID="USD"', 'currencyID="EUR"'),
      xml.replace(
        "<?xml version",
        '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b "c">]><!-- version',
      ),
      xml.slice(0, -20),
      "<a/>",
      `${"<a>".repeat(60)}${"</a>".repeat(60)}`,
      "",
    ].map((text) => {
      const read = readUbl(text);
      return read.ok ? "ok" : read.error.code;
    });
    expect(codes).toEqual([
      "ubl.sums",
      "ubl.currency",
      "xml.doctype",
      "xml.broken",
      "ubl.other",
      "xml.deep",
      "xml.broken",
    ]);
  });
  it("lies in the PDF, which is tagged, has its title and language, and its letters inside", async () => {
    orders(A);
    const bytes = await paperPdf(paper(FIRST));
    const pdf = await PDFDocument.load(bytes, { updateMetadata: false });
    expect([pdf.getTitle(), pdf.getPageCount()]).toEqual([`Invoice ${FIRST}`, 1]);
    const text = bytes.toString("latin1");
    for (const mark of [
      "/MarkInfo",
      "/StructTreeRoot",
      "/Lang (en)",
      "/AFRelationship /Alternative",
      "pdfaid:part>3",
    ])
      expect(text).toContain(mark);
    const [file] = pdf.getAttachments();
    expect([file?.name, Buffer.from(file?.data ?? []).toString("utf8")]).toEqual([
      "ubl.xml",
      ublOf(paper(FIRST)),
    ]);
  });
  it("of three hundred lines goes on over several pages", async () => {
    orders(
      Array.from(
        { length: 300 },
        (_, at) => `L,C1,${TODAY},now,,,,,Clay of the kind number ${at},1,1.25,,,\n`,
      ).join(""),
    );
    const pdf = await PDFDocument.load(await paperPdf(paper(FIRST)), { updateMetadata: false });
    expect(pdf.getPageCount()).toBeGreaterThan(7);
    expect(paper(FIRST).total).toBe(37_500);
  });
});
