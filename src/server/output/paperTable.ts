import type PDFDocument from "pdfkit";

import type { PaperFacts } from "@/contracts/invoices";
import { type PaperLook, type PaperWords, shownLines } from "@/core/invoices";
import { type Currency, formatAmount } from "@/core/money";

import { put, useLetters } from "./paperText";

export type Document = InstanceType<typeof PDFDocument>;

export const MARGIN = 54;
/** A column of the lines; its width is a share of the page. */
type Column = { name: "description" | "quantity" | "rate" | "amount"; width: number };

/** The columns that a look shows; what is left out gives its width to the words. */
function columnsOf(look: PaperLook): Column[] {
  const quantity = look.quantities ? 0.14 : 0;
  const rate = look.rates ? 0.16 : 0;
  const columns: Column[] = [
    { name: "description", width: 0.76 - quantity - rate },
    { name: "quantity", width: quantity },
    { name: "rate", width: rate },
    { name: "amount", width: 0.24 },
  ];
  return columns.filter(({ width }) => width > 0);
}

export const sumText = (amount: number, currency: Currency): string =>
  formatAmount(amount, currency);

type Row = { cells: string[]; head: boolean };

/** The cells of the lines as a look shows them, by column. */
function rowsOf(paper: PaperFacts, look: PaperLook, said: PaperWords): Row[] {
  const columns = columnsOf(look);
  const head: Row = {
    head: true,
    cells: columns.map(({ name }) =>
      name === "amount" ? `${said.amount}, ${paper.currency}` : said[name],
    ),
  };
  const lines = shownLines(paper.lines, look).map(({ description, amount, line }): Row => {
    const off = line?.discountPercent ?? null;
    const cells = {
      description: `${description}${off === null ? "" : `, ${said.less} ${off} %`}`,
      quantity: line?.quantity ?? "",
      rate: line?.rate ?? "",
      amount: sumText(amount, paper.currency),
    };
    return { head: false, cells: columns.map(({ name }) => cells[name]) };
  });
  return [head, ...lines];
}

/** The lines, with a head that a reader knows for one. */
export function table(
  pdf: Document,
  paper: PaperFacts,
  { look, said }: { look: PaperLook; said: PaperWords },
): void {
  const columns = columnsOf(look);
  const whole = pdf.struct("Table");
  rootOf(pdf).add(whole);
  for (const row of rowsOf(paper, look, said)) {
    const height = heightOf(pdf, columns, row);
    if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
    const top = pdf.y;
    const tr = pdf.struct("TR");
    whole.add(tr);
    row.cells.forEach((cell, at) => {
      const { left, width } = placeOf(pdf, columns, at);
      const draw = (): void => {
        const align = at === 0 ? "left" : "right";
        put(pdf, cell, { bold: row.head, at: [left, top], width, align });
      };
      tr.add(pdf.struct(row.head ? "TH" : "TD", {}, draw));
    });
    tr.end();
    pdf.y = top + height;
    pdf.x = MARGIN;
    rule(pdf, row.head ? 0.8 : 0.3);
  }
  whole.end();
}

function placeOf(
  pdf: Document,
  columns: readonly Column[],
  at: number,
): { left: number; width: number } {
  const all = pdf.page.width - 2 * MARGIN;
  const before = columns.slice(0, at).reduce((so, { width }) => so + width, 0);
  return { left: MARGIN + all * before, width: all * (columns[at]?.width ?? 0) - 6 };
}

function heightOf(pdf: Document, columns: readonly Column[], { cells, head }: Row): number {
  useLetters(pdf, head ? 600 : 400);
  return (
    Math.max(
      ...cells.map((cell, at) =>
        pdf.heightOfString(cell, { width: placeOf(pdf, columns, at).width }),
      ),
    ) + 7
  );
}

/** A line across, which a reader passes over. */
export function rule(pdf: Document, thick: number, from = MARGIN): void {
  pdf.markContent("Artifact", { type: "Layout" });
  pdf
    .lineWidth(thick)
    .moveTo(from, pdf.y - 4)
    .lineTo(pdf.page.width - MARGIN, pdf.y - 4)
    .stroke();
  pdf.endMarkedContent();
}

/** The one element that holds all others of a document. */
const roots = new WeakMap<Document, ReturnType<Document["struct"]>>();

export function begin(pdf: Document): void {
  const root = pdf.struct("Document");
  pdf.addStructure(root);
  roots.set(pdf, root);
}

export function ended(pdf: Document): void {
  rootOf(pdf).end();
}

function rootOf(pdf: Document): ReturnType<Document["struct"]> {
  const root = roots.get(pdf);
  if (!root) throw new Error("a paper begins before it is written");
  return root;
}

/** Writes under a tag of the structure, so that a reader says what it is. */
export function tagged(pdf: Document, tag: string, draw: () => void): void {
  rootOf(pdf).add(pdf.struct(tag, {}, draw));
}
