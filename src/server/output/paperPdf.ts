import PDFDocument from "pdfkit";

import type { PaperFacts } from "@/contracts/invoices";
import type { Day } from "@/core/calendar";

import { type PaperLook, type PaperWords, paperWords, USUAL_LOOK } from "@/core/invoices";

import { paperDay } from "./paperDay";
import { foot, instalments, slip, sums, ways } from "./paperParts";
import { begin, type Document, ended, MARGIN, table, tagged } from "./paperTable";
import { chooseLetters, put } from "./paperText";
import { ublOf } from "./ubl";

/** What stands on a paper and lies elsewhere: its picture, and the address of the account page. */
export type PaperExtras = { logo: Buffer | null; link: string };
const NO_EXTRAS: PaperExtras = { logo: null, link: "" };

const lookOf = ({ look }: PaperFacts): PaperLook => look ?? USUAL_LOOK;
const wordsOf = ({ language }: PaperFacts): PaperWords => paperWords(language);

/** As the look says; else Letter where the seller is in North America, A4 everywhere else. */
function sizeOf(paper: PaperFacts): "LETTER" | "A4" {
  const { size } = lookOf(paper);
  if (size !== "usual") return size === "letter" ? "LETTER" : "A4";
  return paper.seller.country === "US" || paper.seller.country === "CA" ? "LETTER" : "A4";
}

/** An empty file for papers, and its bytes once it is ended. */
function blank(first: PaperFacts, title: string): { pdf: Document; bytes: Promise<Buffer> } {
  const pdf = new PDFDocument({
    size: sizeOf(first),
    margin: MARGIN,
    subset: "PDF/A-3b",
    pdfVersion: "1.7",
    tagged: true,
    lang: first.language ?? "en",
    displayTitle: true,
    font: null as never,
    info: {
      Title: title,
      Author: first.seller.name,
      CreationDate: new Date(`${first.issuedOn}T00:00:00Z`),
    },
  });
  chooseLetters(pdf, lookOf(first).letters);
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
export function paperPdf(paper: PaperFacts, extras: PaperExtras = NO_EXTRAS): Promise<Buffer> {
  const title = headOf(paper);
  const { pdf, bytes } = blank(paper, title);
  if (paper.number !== null) enclose(pdf, paper);
  begin(pdf);
  write(pdf, paper, extras);
  ended(pdf);
  pdf.end();
  return bytes;
}

/** Papers of many to be printed together, each behind a page that says whom it is for. */
export function papersPdf(
  papers: readonly PaperFacts[],
  extrasOf: (paper: PaperFacts) => PaperExtras,
): Promise<Buffer> {
  const [first] = papers;
  if (!first) throw new RangeError("there is no paper to print");
  const { pdf, bytes } = blank(first, `${papers.length} documents`);
  begin(pdf);
  papers.forEach((paper, at) => {
    chooseLetters(pdf, lookOf(paper).letters);
    if (at > 0) pdf.addPage({ size: sizeOf(paper), margin: MARGIN });
    pdf.fontSize(18);
    tagged(pdf, "P", () => put(pdf, addressed(paper).join("\n"), { bold: true }));
    pdf.fontSize(9.5);
    tagged(pdf, "P", () => put(pdf, `${headOf(paper)}, ${at + 1} / ${papers.length}`));
    pdf.addPage({ size: sizeOf(paper), margin: MARGIN });
    write(pdf, paper, extrasOf(paper));
  });
  ended(pdf);
  pdf.end();
  return bytes;
}

const headOf = (paper: PaperFacts): string =>
  `${wordsOf(paper)[paper.kind]} ${paper.number ?? wordsOf(paper).draft}`;

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

function write(pdf: Document, paper: PaperFacts, extras: PaperExtras): void {
  const look = lookOf(paper);
  const said = wordsOf(paper);
  pdf.fontSize(9.5).fillColor("black").strokeColor("black");
  picture(pdf, extras.logo);
  tagged(pdf, "P", () => put(pdf, sellerLines(paper).join("\n")));
  pdf.moveDown(2);
  tagged(pdf, "H1", () => {
    pdf.fontSize(18).fillColor(look.accent);
    put(pdf, headOf(paper), { bold: true });
    pdf.fontSize(9.5).fillColor("black");
  });
  pdf.moveDown(0.6);
  tagged(pdf, "P", () => put(pdf, addressed(paper).join("\n")));
  pdf.moveDown(0.6);
  for (const [term, said] of factsOf(paper)) tagged(pdf, "P", () => put(pdf, `${term}: ${said}`));
  words(pdf, look.above);
  pdf.moveDown(1.2).strokeColor(look.accent);
  table(pdf, paper, { look, said });
  sums(pdf, paper, said);
  instalments(pdf, paper, { said, dayWords: (of) => longDay(of, paper) });
  foot(pdf, paper, said);
  ways(pdf, { look, said, link: extras.link });
  words(pdf, look.below);
  if (look.slip && paper.kind === "invoice") slip(pdf, paper, said);
}

/** Words of the look, in a paragraph of their own. */
function words(pdf: Document, said: string): void {
  if (said === "") return;
  pdf.moveDown(0.8);
  tagged(pdf, "P", () => put(pdf, said, { at: [MARGIN] }));
}

/** Height of the picture at the top, in points. */
const PICTURE_HEIGHT = 48;

/** The picture stands at the right, and says nothing that the words do not. */
function picture(pdf: Document, logo: Buffer | null): void {
  if (logo === null) return;
  pdf.markContent("Artifact", { type: "Layout" });
  const left = pdf.page.width - MARGIN - 4 * PICTURE_HEIGHT;
  pdf.image(logo, left, MARGIN, { fit: [4 * PICTURE_HEIGHT, PICTURE_HEIGHT], align: "right" });
  pdf.endMarkedContent();
  pdf.x = MARGIN;
  pdf.y = MARGIN;
}

const sellerLines = (paper: PaperFacts): string[] => [
  paper.seller.name,
  ...paper.seller.address,
  ...(paper.seller.taxNumber === null
    ? []
    : [`${wordsOf(paper).tax_number} ${paper.seller.taxNumber}`]),
];

/** Whom it is for, as an envelope has it. */
function addressed(paper: PaperFacts): string[] {
  const { name, id, address, taxNumber } = paper.customer;
  return [
    `${name} (${id})`,
    ...(address ?? []),
    ...(taxNumber == null ? [] : [`${wordsOf(paper).tax_number} ${taxNumber}`]),
  ];
}

const longDay = (of: Day, { language }: PaperFacts): string => paperDay(of, language);

function factsOf(paper: PaperFacts): [string, string][] {
  const said = wordsOf(paper);
  const facts: [string, string][] = [[said.date, longDay(paper.issuedOn, paper)]];
  const terms = paper.terms === null ? "" : ` (${paper.terms})`;
  if (paper.parts) facts.push([said.in_parts, paper.terms ?? ""]);
  else if (paper.kind === "invoice")
    facts.push([said.due, `${longDay(paper.dueOn, paper)}${terms}`]);
  if (paper.poNumber !== null) facts.push([said.po, paper.poNumber]);
  if (paper.corrects !== null) facts.push([said.corrects, paper.corrects]);
  return facts;
}
