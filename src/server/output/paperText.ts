import type PDFDocument from "pdfkit";

import type { PaperLook } from "@/core/invoices";

import { type FontPart, mainPart, paperFont, runsOf, type Weight } from "./paperFonts";

type Document = InstanceType<typeof PDFDocument>;

const chosen = new WeakMap<Document, PaperLook["letters"]>();
const registered = new WeakMap<Document, Set<string>>();

/** From here on a document is written in these letters. */
export function chooseLetters(pdf: Document, letters: PaperLook["letters"]): void {
  chosen.set(pdf, letters);
  useLetters(pdf, 400);
}

/** What a height is measured with: the look's own letters. */
export function useLetters(pdf: Document, weight: Weight): void {
  useFont(pdf, mainPart(chosen.get(pdf) ?? "plain"), weight);
}

function useFont(pdf: Document, part: FontPart, weight: Weight): void {
  const known = registered.get(pdf) ?? new Set();
  registered.set(pdf, known);
  const name = `${part}-${weight}`;
  if (!known.has(name)) pdf.registerFont(name, paperFont(part, weight));
  known.add(name);
  pdf.font(name);
}

type Put = PDFKit.Mixins.TextOptions & { bold?: boolean; at?: readonly [x: number, y?: number] };

/** Writes a text in the document's letters, whichever files they lie in. */
export function put(pdf: Document, text: string, { bold = false, at, ...options }: Put = {}): void {
  const runs = runsOf(text, chosen.get(pdf) ?? "plain");
  runs.forEach((run, index) => {
    useFont(pdf, run.part, bold ? 600 : 400);
    const more = { ...options, continued: index < runs.length - 1 };
    if (index === 0 && at) pdf.text(run.text, at[0], at[1], more);
    else pdf.text(run.text, more);
  });
}
