import type PDFDocument from "pdfkit";

import type { PaperFacts } from "@/contracts/invoices";
import { type Currency, formatAmount } from "@/core/money";

import { printable } from "./pdf";

export type Document = InstanceType<typeof PDFDocument>;

export const MARGIN = 54;
const COLUMNS = [
  { name: "Description", width: 0.46, right: false },
  { name: "Quantity", width: 0.14, right: true },
  { name: "Rate", width: 0.16, right: true },
  { name: "Amount", width: 0.24, right: true },
] as const;

export const sumText = (amount: number, currency: Currency): string =>
  formatAmount(amount, currency);

/** The lines, with a head that a reader knows for one. */
export function table(pdf: Document, paper: PaperFacts): void {
  const whole = pdf.struct("Table");
  rootOf(pdf).add(whole);
  const rows: { cells: string[]; head: boolean }[] = [
    {
      cells: COLUMNS.map(({ name }) => (name === "Amount" ? `Amount, ${paper.currency}` : name)),
      head: true,
    },
    ...paper.lines.map((line) => ({
      head: false,
      cells: [
        `${line.description}${line.discountPercent === null ? "" : `, less ${line.discountPercent} %`}`,
        line.quantity,
        line.rate,
        sumText(line.amount, paper.currency),
      ],
    })),
  ];
  for (const row of rows) {
    const height = heightOf(pdf, row);
    if (pdf.y + height > pdf.page.height - MARGIN) pdf.addPage();
    const top = pdf.y;
    const tr = pdf.struct("TR");
    whole.add(tr);
    row.cells.forEach((cell, at) => {
      const { left, width } = placeOf(pdf, at);
      const draw = (): void => {
        pdf.font(row.head ? "bold" : "plain").text(printable(cell), left, top, {
          width,
          align: COLUMNS[at]?.right ? "right" : "left",
        });
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

function placeOf(pdf: Document, at: number): { left: number; width: number } {
  const all = pdf.page.width - 2 * MARGIN;
  const before = COLUMNS.slice(0, at).reduce((so, { width }) => so + width, 0);
  return { left: MARGIN + all * before, width: all * (COLUMNS[at]?.width ?? 0) - 6 };
}

function heightOf(pdf: Document, { cells, head }: { cells: string[]; head: boolean }): number {
  pdf.font(head ? "bold" : "plain");
  return (
    Math.max(
      ...cells.map((cell, at) =>
        pdf.heightOfString(printable(cell), { width: placeOf(pdf, at).width }),
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
