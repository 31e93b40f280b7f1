import { stringify } from "csv-stringify/sync";

import { DECIMAL, harmless } from "@/core/formats";

/** A table with a header; cells are text, money as decimal text; an empty cell means "does not apply". */
export type Sheet = { columns: readonly string[]; rows: readonly (readonly string[])[] };

export const FORMATS = ["csv", "json", "xlsx"] as const;
export type Format = (typeof FORMATS)[number];

const WORDS = new Set([
  "number",
  "entry_id",
  "reverses",
  "customer_id",
  "account_code",
  "external_id",
  "payout_id",
  "bank_line",
  "document",
]);

/**
 * A sheet as a file: RFC 4180 with CRLF, JSON with an object a row, or a workbook with numbers as
 * numbers.
 */
export async function render(
  sheet: Sheet,
  format: Format,
  name: string,
): Promise<{ bytes: Buffer; type: string }> {
  switch (format) {
    case "csv":
      return {
        bytes: Buffer.from(
          stringify([[...sheet.columns], ...sheet.rows.map((row) => row.map(harmless))], {
            record_delimiter: "windows",
          }),
        ),
        type: "text/csv; charset=utf-8",
      };
    case "json":
      return {
        bytes: Buffer.from(
          `${JSON.stringify(
            sheet.rows.map((row) =>
              Object.fromEntries(sheet.columns.map((column, at) => [column, row[at] ?? ""])),
            ),
            null,
            1,
          )}\n`,
        ),
        type: "application/json",
      };
    case "xlsx": {
      // Loaded only here: it takes longer to load than the rest of the program.
      const { default: ExcelJS } = await import("exceljs");
      const workbook = new ExcelJS.Workbook();
      const page = workbook.addWorksheet(name.slice(0, 31));
      page.addRow([...sheet.columns]).font = { bold: true };
      for (const row of sheet.rows)
        page.addRow(
          row.map((cell, at) =>
            DECIMAL.test(cell) && !WORDS.has(sheet.columns[at] ?? "") ? Number(cell) : cell,
          ),
        );
      return {
        bytes: Buffer.from(await workbook.xlsx.writeBuffer()),
        type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
      };
    }
    default:
      throw format satisfies never;
  }
}
