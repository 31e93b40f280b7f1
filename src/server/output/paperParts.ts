import { encode } from "uqr";

import type { PaperFacts } from "@/contracts/invoices";
import type { Day } from "@/core/calendar";
import { type PaperLook, paperParts, paperSums, type PaperWords } from "@/core/invoices";

import { type Document, MARGIN, rule, sumText, tagged } from "./paperTable";
import { put } from "./paperText";

/** Charges, discount, tax by code, and the total under its double rule. */
export function sums(pdf: Document, paper: PaperFacts, said: PaperWords): void {
  const { currency } = paper;
  pdf.moveDown(0.5);
  for (const { words, sum } of paperSums(paper, said))
    sumRow(pdf, [words, sumText(sum, currency)], false);
  const half = MARGIN + (pdf.page.width - 2 * MARGIN) / 2;
  pdf.y += 5;
  rule(pdf, 0.6, half);
  sumRow(pdf, [`${said.total} ${currency}`, sumText(paper.total, currency)], true);
  pdf.y += 5;
  rule(pdf, 0.6, half);
  pdf.y += 2;
  rule(pdf, 0.6, half);
  if (paper.withheld !== 0) {
    sumRow(pdf, [said.withheld, sumText(-paper.withheld, currency)], false);
    sumRow(pdf, [said.payable, sumText(paper.payable, currency)], true);
  }
}

/** What falls due when, each part under its own number; `dayWords` writes a day as papers do. */
export function instalments(
  pdf: Document,
  paper: PaperFacts,
  { said, dayWords }: { said: PaperWords; dayWords: (of: Day) => string },
): void {
  const parts = paperParts(paper, dayWords);
  if (parts.length === 0) return;
  pdf.moveDown(0.5);
  tagged(pdf, "P", () => put(pdf, said.in_parts, { bold: true, at: [MARGIN] }));
  for (const { words, sum } of parts) sumRow(pdf, [words, sumText(sum, paper.currency)], false, 0);
}

type SumRow = [words: string, amount: string];

/** A sum behind its words, which begin at a share of the width. */
function sumRow(pdf: Document, [words, amount]: SumRow, bold: boolean, from = 0.5): void {
  const all = pdf.page.width - 2 * MARGIN;
  const top = pdf.y;
  tagged(pdf, "P", () => {
    put(pdf, words, { bold, at: [MARGIN + all * from, top], width: all * (0.75 - from) });
    const right = { width: all / 4 - 6, align: "right" } as const;
    put(pdf, amount, { bold, at: [MARGIN + (all * 3) / 4, top], ...right });
  });
  pdf.x = MARGIN;
}

/** What the tax codes have to say, the note, and whom to ask. */
export function foot(pdf: Document, paper: PaperFacts, said: PaperWords): void {
  const notes = [
    ...new Set(paper.taxes.flatMap(({ note }) => note ?? [])),
    ...(paper.note === null ? [] : [paper.note]),
    `${said.questions}: ${paper.seller.email}`,
  ];
  pdf.moveDown(2);
  for (const note of notes) tagged(pdf, "P", () => put(pdf, note, { at: [MARGIN] }));
}

type Ways = { look: PaperLook; said: PaperWords; link: string };

/** Where money goes: a bank account in words, and the way to the account page as a square code. */
export function ways(pdf: Document, { look, said, link }: Ways): void {
  if (look.bank !== "") {
    pdf.moveDown(0.8);
    tagged(pdf, "P", () => put(pdf, `${said.bank}: ${look.bank}`, { at: [MARGIN] }));
  }
  if (!look.code || link === "") return;
  pdf.moveDown(0.8);
  keepTogether(pdf, CODE_SIZE + 20);
  tagged(pdf, "P", () => put(pdf, `${said.pay_here}: ${link}`, { at: [MARGIN, pdf.y], link }));
  squareCode(pdf, link);
}

/** Points across of the square code. */
const CODE_SIZE = 76;

/** The cells of a QR code (ISO/IEC 18004), row by row; true is dark. */
export const codeCells = (text: string): boolean[][] => encode(text, { ecc: "M", border: 2 }).data;

/** A QR code that a reader passes over: the address stands beside it in words. */
function squareCode(pdf: Document, text: string): void {
  const cells = codeCells(text);
  const each = CODE_SIZE / cells.length;
  const top = pdf.y + 4;
  pdf.markContent("Artifact", { type: "Layout" });
  pdf.fillColor("black");
  cells.forEach((row, y) =>
    row.forEach((dark, x) => {
      if (dark) pdf.rect(MARGIN + x * each, top + y * each, each, each);
    }),
  );
  pdf.fill();
  pdf.endMarkedContent();
  pdf.x = MARGIN;
  pdf.y = top + CODE_SIZE + 4;
}

/** What comes back with a check: who, which, how much. */
export function slip(pdf: Document, paper: PaperFacts, said: PaperWords): void {
  const height = 96;
  keepTogether(pdf, height + 24);
  pdf.y = Math.max(pdf.y + 18, pdf.page.height - MARGIN - height);
  pdf.markContent("Artifact", { type: "Layout" });
  pdf
    .lineWidth(0.5)
    .dash(3, { space: 3 })
    .moveTo(MARGIN, pdf.y)
    .lineTo(pdf.page.width - MARGIN, pdf.y)
    .stroke()
    .undash();
  pdf.endMarkedContent();
  pdf.y += 8;
  for (const line of [
    said.slip,
    `${paper.customer.name} (${paper.customer.id})`,
    `${said[paper.kind]} ${paper.number ?? ""}: ${sumText(paper.payable, paper.currency)} ${paper.currency}`,
    `${said.paid}: ____________________`,
  ])
    tagged(pdf, "P", () => put(pdf, line, { at: [MARGIN] }));
}

/** Begins a page where so much does not fit on this one any more. */
function keepTogether(pdf: Document, height: number): void {
  if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
}
