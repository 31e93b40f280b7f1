import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import PDFDocument from "pdfkit";

import type { PaperFacts } from "@/contracts/invoices";
import { type Day, formatDay } from "@/core/calendar";

import { begin, type Document, ended, MARGIN, rule, sumText, table, tagged } from "./paperTable";
import { printable } from "./pdf";
import { unpackedFont } from "./sfnt";
import { ublOf } from "./ubl";

const fonts = new Map<number, Buffer>();

/** The application's own letters, by weight. */
function font(weight: 400 | 600): Buffer {
  const known = fonts.get(weight);
  if (known) return known;
  const require = createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
  const bytes = unpackedFont(
    readFileSync(require.resolve(`@fontsource/figtree/files/figtree-latin-${weight}-normal.woff`)),
  );
  fonts.set(weight, bytes);
  return bytes;
}

/** Letter where the seller is in North America, A4 everywhere else. */
const sizeOf = ({ seller }: PaperFacts): "LETTER" | "A4" =>
  seller.country === "US" || seller.country === "CA" ? "LETTER" : "A4";

/** An empty file for papers, and its bytes once it is ended. */
function blank(first: PaperFacts, title: string): { pdf: Document; bytes: Promise<Buffer> } {
  const pdf = new PDFDocument({
    size: sizeOf(first),
    margin: MARGIN,
    subset: "PDF/A-3b",
    pdfVersion: "1.7",
    tagged: true,
    lang: "en",
    displayTitle: true,
    font: null as never,
    info: {
      Title: title,
      Author: first.seller.name,
      CreationDate: new Date(`${first.issuedOn}T00:00:00Z`),
    },
  });
  pdf.registerFont("plain", font(400)).registerFont("bold", font(600));
  const pieces: Buffer[] = [];
  pdf.on("data", (piece: Buffer) => pieces.push(piece));
  const bytes = new Promise<Buffer>((resolve, reject) => {
    pdf.on("end", () => resolve(Buffer.concat(pieces)));
    pdf.on("error", reject);
  });
  return { pdf, bytes };
}

/**
 * The paper of an invoice or credit note: PDF/A-3 (level B), tagged, with its title and language,
 * and the same as UBL inside. A draft has no number and nothing inside.
 */
export function paperPdf(paper: PaperFacts): Promise<Buffer> {
  const title = headOf(paper);
  const { pdf, bytes } = blank(paper, title);
  if (paper.number !== null) enclose(pdf, paper);
  begin(pdf);
  write(pdf, paper, title);
  ended(pdf);
  pdf.end();
  return bytes;
}

/** Papers of many to be printed together, each behind a page that says whom it is for. */
export function papersPdf(papers: readonly PaperFacts[]): Promise<Buffer> {
  const [first] = papers;
  if (!first) throw new RangeError("there is no paper to print");
  const { pdf, bytes } = blank(first, `${papers.length} documents`);
  begin(pdf);
  papers.forEach((paper, at) => {
    if (at > 0) pdf.addPage({ size: sizeOf(paper), margin: MARGIN });
    pdf.font("bold").fontSize(18);
    tagged(pdf, "P", () => {
      pdf.text(printable(addressed(paper.customer).join("\n")));
    });
    pdf.font("plain").fontSize(9.5);
    tagged(pdf, "P", () => {
      pdf.text(printable(`${headOf(paper)}, ${at + 1} of ${papers.length}`));
    });
    pdf.addPage({ size: sizeOf(paper), margin: MARGIN });
    write(pdf, paper, headOf(paper));
  });
  ended(pdf);
  pdf.end();
  return bytes;
}

const headOf = (paper: PaperFacts): string => `${titleOf(paper)} ${paper.number ?? "(draft)"}`;

const titleOf = ({ kind }: PaperFacts): string => (kind === "invoice" ? "Invoice" : "Credit note");

function enclose(pdf: Document, paper: PaperFacts): void {
  pdf.file(Buffer.from(ublOf(paper), "utf8"), {
    name: "ubl.xml",
    type: "application/xml",
    description: "The same as data (UBL 2.1, EN 16931)",
    relationship: "Alternative",
    creationDate: new Date(`${paper.issuedOn}T00:00:00Z`),
    modifiedDate: new Date(`${paper.issuedOn}T00:00:00Z`),
  } as never);
}

function write(pdf: Document, paper: PaperFacts, title: string): void {
  const { seller, customer } = paper;
  pdf.font("plain").fontSize(9.5);
  tagged(pdf, "P", () => {
    pdf.text(
      printable(
        [seller.name, ...seller.address, seller.taxNumber ?? ""].filter(Boolean).join("\n"),
      ),
    );
  });
  pdf.moveDown(2);
  tagged(pdf, "H1", () => {
    pdf.font("bold").fontSize(18).text(printable(title)).font("plain").fontSize(9.5);
  });
  pdf.moveDown(0.6);
  tagged(pdf, "P", () => {
    pdf.text(printable(addressed(customer).join("\n")));
  });
  pdf.moveDown(0.6);
  for (const [term, said] of factsOf(paper))
    tagged(pdf, "P", () => {
      pdf.text(printable(`${term}: ${said}`));
    });
  pdf.moveDown(1.2);
  table(pdf, paper);
  sums(pdf, paper);
  foot(pdf, paper);
}

/** Whom it is for, as an envelope has it. */
const addressed = ({ name, id, address, taxNumber }: PaperFacts["customer"]): string[] => [
  `${name} (${id})`,
  ...(address ?? []),
  ...(taxNumber == null ? [] : [`Tax number ${taxNumber}`]),
];

/** On paper a day has its year. */
const longDay = (of: Day): string => `${formatDay(of)} ${of.slice(0, 4)}`;

const factsOf = (paper: PaperFacts): [string, string][] => [
  ["Date", longDay(paper.issuedOn)],
  ...(paper.kind === "invoice"
    ? [
        ["Due", `${longDay(paper.dueOn)}${paper.terms === null ? "" : ` (${paper.terms})`}`] as [
          string,
          string,
        ],
      ]
    : []),
  ...(paper.poNumber === null ? [] : [["PO number", paper.poNumber] as [string, string]]),
  ...(paper.corrects === null ? [] : [["Corrects invoice", paper.corrects] as [string, string]]),
];

/** Charges, discount, tax by code, and the total under its double rule. */
function sums(pdf: Document, paper: PaperFacts): void {
  const { currency } = paper;
  const rows: [string, string][] = [
    ...(paper.discount === 0
      ? []
      : [["Discount", sumText(-paper.discount, currency)] as [string, string]]),
    ...paper.charges.map((charge): [string, string] => [
      charge.words,
      sumText(charge.sum, currency),
    ]),
    ...paper.taxes
      .filter(({ code }) => code !== "")
      .map(({ code, percent, sum: tax, net }): [string, string] => [
        `${code} ${percent} % ${paper.taxIncluded ? "in it" : `on ${sumText(net, currency)}`}`,
        sumText(tax, currency),
      ]),
  ];
  pdf.moveDown(0.5);
  for (const row of rows) sumRow(pdf, row, false);
  const half = MARGIN + (pdf.page.width - 2 * MARGIN) / 2;
  pdf.y += 5;
  rule(pdf, 0.6, half);
  sumRow(pdf, [`Total ${currency}`, sumText(paper.total, currency)], true);
  pdf.y += 5;
  rule(pdf, 0.6, half);
  pdf.y += 2;
  rule(pdf, 0.6, half);
  if (paper.withheld !== 0) {
    sumRow(pdf, ["Withheld", sumText(-paper.withheld, currency)], false);
    sumRow(pdf, ["To be paid", sumText(paper.payable, currency)], true);
  }
}

function sumRow(pdf: Document, [words, amount]: [string, string], bold: boolean): void {
  const all = pdf.page.width - 2 * MARGIN;
  const top = pdf.y;
  tagged(pdf, "P", () => {
    pdf
      .font(bold ? "bold" : "plain")
      .text(printable(words), MARGIN + all / 2, top, { width: all / 4 });
    pdf.text(amount, MARGIN + (all * 3) / 4, top, { width: all / 4 - 6, align: "right" });
  });
  pdf.font("plain");
  pdf.x = MARGIN;
}

function foot(pdf: Document, paper: PaperFacts): void {
  const notes = [
    ...new Set(paper.taxes.flatMap(({ note }) => note ?? [])),
    ...(paper.note === null ? [] : [paper.note]),
    `Questions: ${paper.seller.email}`,
  ];
  pdf.moveDown(2);
  for (const note of notes)
    tagged(pdf, "P", () => {
      pdf.text(printable(note), MARGIN);
    });
}
