import { createRequire } from "node:module";
import { join } from "node:path";
import type { Content, TDocumentDefinitions } from "pdfmake/interfaces";

import { ALL_PARTS, type FontPart, mainPart, paperFont, runsOf } from "./paperFonts";
import type { PaperLook } from "@/core/invoices";

import type { Sheet } from "./sheets";

type Made = { getBuffer(): Promise<Buffer> };
type Maker = {
  virtualfs: { writeFileSync(name: string, bytes: Buffer): void };
  setFonts(fonts: Record<string, Record<string, string>>): void;
  setUrlAccessPolicy(allow: () => boolean): void;
  setLocalAccessPolicy(allow: (path: string) => boolean): void;
  createPdf(definition: TDocumentDefinitions): Made;
};

let maker: Maker | null = null;

/** The printer with the application's own letters; loaded when the first page is printed. Nothing is fetched. */
function printer(): Maker {
  if (maker) return maker;
  const require = createRequire(join(process.env.DOZO_ROOT ?? process.cwd(), "package.json"));
  const made = require("pdfmake") as Maker;
  for (const part of ALL_PARTS)
    for (const weight of [400, 600] as const)
      made.virtualfs.writeFileSync(`${part}-${weight}`, paperFont(part, weight));
  const weights = (part: FontPart): Record<string, string> => {
    const [normal, bold] = [`${part}-400`, `${part}-600`];
    return { normal, bold, italics: normal, bolditalics: bold };
  };
  made.setFonts({
    ...Object.fromEntries(ALL_PARTS.map((part) => [part, weights(part)])),
    plain: weights("figtree-latin"),
    serif: weights("source-serif-4-latin"),
  });
  made.setUrlAccessPolicy(() => false);
  made.setLocalAccessPolicy(() => false);
  maker = made;
  return made;
}

/** A text for a page: pieces whose letters lie in other files than the page's own name them. */
export function printable(text: string, letters: PaperLook["letters"] = "plain"): Content {
  const own = mainPart(letters);
  const pieces = runsOf(text, letters).map((run) =>
    run.part === own ? { text: run.text } : { text: run.text, font: run.part },
  );
  return pieces.length === 1 && pieces[0] && !("font" in pieces[0]) ? pieces[0].text : pieces;
}

const AMOUNT = /^-?\d{1,13}\.\d{2,4}$/;
/** Columns that are not sums though they may look so. */
const grouped = (text: string): string =>
  AMOUNT.test(text) ? text.replace(/\B(?<!\.\d{0,20})(?=(?:\d{3}){1,6}(?!\d))/g, ",") : text;

/** A definition as a PDF of A4 or letter pages, with its pages counted at the foot. */
export async function printed(definition: TDocumentDefinitions): Promise<Buffer> {
  return printer()
    .createPdf({
      pageSize: "LETTER",
      pageMargins: [48, 52, 48, 48],
      defaultStyle: { font: "plain", fontSize: 9, lineHeight: 1.15 },
      footer: (page, pages) => ({
        text: `${page} of ${pages}`,
        alignment: "right",
        margin: [48, 12, 48, 0],
        fontSize: 8,
      }),
      ...definition,
    })
    .getBuffer();
}

/** A report as a PDF: its heading on every page, sums to the right, and the totals of `sums` at the foot. */
export function sheetAsPdf(
  sheet: Sheet,
  { title, under, sums = [] }: { title: string; under: string; sums?: readonly string[] },
): Promise<Buffer> {
  const right = sheet.columns.map(
    (_, at) =>
      sheet.rows.length > 0 &&
      sheet.rows.every((row) => row[at] === "" || AMOUNT.test(row[at] ?? "")),
  );
  const cell = (text: string, at: number, bold = false): Content => ({
    text: printable(grouped(text)),
    alignment: right[at] ? "right" : "left",
    bold,
  });
  const totals = sheet.columns.map((column, at) => {
    if (sums.includes(column)) return totalOf(sheet.rows.map((row) => row[at] ?? ""));
    if (at === 0) return "Total";
    return "";
  });
  return printed({
    pageOrientation: sheet.columns.length > 6 ? "landscape" : "portrait",
    info: { title },
    content: [
      { text: printable(title), fontSize: 14, bold: true },
      { text: printable(under), margin: [0, 2, 0, 12] },
      {
        layout: "lightHorizontalLines",
        table: {
          headerRows: 1,
          widths: sheet.columns.map((_, at) => (right[at] ? "auto" : "*")),
          body: [
            sheet.columns.map((column, at) => cell(column.replaceAll("_", " "), at, true)),
            ...sheet.rows.map((row) => row.map((text, at) => cell(text, at))),
            ...(sums.length > 0 ? [totals.map((text, at) => cell(text, at, true))] : []),
          ],
        },
      },
    ],
  });
}

/** The sum of decimal texts, without a binary fraction on the way. */
function totalOf(texts: readonly string[]): string {
  const digits = texts.find((text) => text.includes("."))?.split(".")[1]?.length ?? 0;
  const sum = texts.reduce((so, text) => so + BigInt(text.replace(".", "") || "0"), 0n);
  const size = (sum < 0n ? -sum : sum).toString().padStart(digits + 1, "0");
  return `${sum < 0n ? "-" : ""}${digits === 0 ? size : `${size.slice(0, -digits)}.${size.slice(-digits)}`}`;
}
