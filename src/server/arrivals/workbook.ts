import { createReadStream } from "node:fs";

import { stringify } from "csv-stringify/sync";
import ExcelJS from "exceljs";
import yauzl from "yauzl";

import { SHEET_MARK } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";

/** What a workbook may unpack to: 590 kB can hold 600 MB, which would take a process with it. */
const MOST_UNPACKED = 200_000_000;
const MOST_ROWS = 200_000;
const MOST_PARTS = 2000;

type Problem = "workbook.large" | "workbook.empty" | "file.zip" | "file.unreadable" | "file.rows";

/** Whether bytes begin as a packed file does; a workbook is one. */
export const isPacked = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/**
 * The list of a workbook (XLSX, Office Open XML) as CSV: days as ISO, numbers with a point. Sizes
 * are looked at before anything is unpacked. Where several sheets have lists, each follows the other
 * under its mark, and which is meant is asked.
 */
export async function workbookAsCsv(path: string): Promise<Result<string, Problem>> {
  const parts = await partsOf(path);
  if (!parts.ok) return parts;
  if (!parts.value.names.some((name) => name === "xl/workbook.xml")) return fail("file.zip");
  if (parts.value.size > MOST_UNPACKED)
    return fail("workbook.large", {
      size: Math.ceil(parts.value.size / 1_000_000),
      most: MOST_UNPACKED / 1_000_000,
    });
  const sheets = await listsOf(path);
  if (sheets === null) return fail("file.rows", { most: MOST_ROWS });
  const [only, second] = sheets;
  if (!only) return fail("workbook.empty");
  const rows = second
    ? sheets.flatMap((sheet) => [[SHEET_MARK, sheet.name], ...sheet.rows])
    : only.rows;
  if (rows.length > MOST_ROWS) return fail("file.rows", { most: MOST_ROWS });
  return ok(stringify(rows, { quoted_match: /[,"\n\r]/ }));
}

/** The sheets that have a head and lines, each with its rows; null where one has more than is taken in. */
async function listsOf(path: string): Promise<{ name: string; rows: string[][] }[] | null> {
  const sheets: { name: string; rows: string[][] }[] = [];
  const reader = new ExcelJS.stream.xlsx.WorkbookReader(createReadStream(path), {
    sharedStrings: "cache",
    styles: "cache",
    worksheets: "emit",
  });
  for await (const sheet of reader) {
    const rows: string[][] = [];
    for await (const row of sheet) {
      while (rows.length < row.number - 1) rows.push([]);
      rows.push(cellsOf(row));
      if (rows.length > MOST_ROWS) return null;
    }
    if (rows.filter((cells) => cells.some((cell) => cell !== "")).length > 1)
      sheets.push({ name: (sheet as { name?: string }).name ?? "", rows });
  }
  return sheets;
}

/** The parts of a packed file and what they unpack to, as its directory declares. */
function partsOf(
  path: string,
): Promise<Result<{ names: string[]; size: number }, "file.unreadable">> {
  return new Promise((resolve) => {
    yauzl.open(path, { lazyEntries: true, autoClose: true }, (error, zip) => {
      if (error) return resolve(fail("file.unreadable", { path: "" }));
      const names: string[] = [];
      let size = 0;
      zip.on("entry", (entry: yauzl.Entry) => {
        names.push(entry.fileName);
        size += entry.uncompressedSize;
        if (names.length < MOST_PARTS) zip.readEntry();
        else zip.close();
      });
      zip.on("error", () => resolve(fail("file.unreadable", { path: "" })));
      zip.on("close", () => resolve(ok({ names, size })));
      zip.readEntry();
    });
  });
}

const cellsOf = (row: ExcelJS.Row): string[] => {
  const cells: string[] = [];
  row.eachCell({ includeEmpty: true }, (cell, column) => {
    cells[column - 1] = sumIn(cell) ?? textOf(cell.value);
  });
  return Array.from(cells, (cell) => cell ?? "");
};

/** A number that its sheet shows with two decimals is a sum: 100 is no count and no hundredths. */
function sumIn(cell: ExcelJS.Cell): string | null {
  const number = typeof cell.value === "number" ? cell.value : cell.result;
  if (typeof number !== "number" || !/0[.,]00(?!0|%|E)/.test(cell.numFmt ?? "")) return null;
  const isWhole = Math.abs(number * 100 - Math.round(number * 100)) < 1e-6;
  return isWhole ? number.toFixed(2) : null;
}

/**
 * A cell as text: what a formula came to, the words of rich text, a day as ISO. What came to nothing
 * stays as it stands (`#N/A`, `=A1+B1`), so that it is refused and not taken for an empty cell.
 */
function textOf(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return "";
  if (value instanceof Date) return momentOf(value);
  if (typeof value === "number") return String(Number(value.toFixed(6)));
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return value.trim();
  return wordsOf(value);
}

function wordsOf(value: CellObject): string {
  if ("error" in value) return value.error;
  if ("formula" in value || "sharedFormula" in value) return resultOf(value);
  if ("richText" in value) return value.richText.map(({ text }) => text).join("");
  if ("text" in value) return textOf(value.text);
  return "";
}

type CellObject = Exclude<ExcelJS.CellValue, null | undefined | Date | number | boolean | string>;

const resultOf = (cell: ExcelJS.CellFormulaValue | ExcelJS.CellSharedFormulaValue): string =>
  cell.result === undefined
    ? `=${"formula" in cell ? cell.formula : cell.sharedFormula}`
    : textOf(cell.result as ExcelJS.CellValue);

/** Sheets keep days as moments without a zone; midnight is a day alone. */
function momentOf(value: Date): string {
  const [day = "", time = ""] = value.toISOString().split("T");
  return time.startsWith("00:00:00") ? day : `${day} ${time.slice(0, 5)}`;
}
