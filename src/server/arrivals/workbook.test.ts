import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import ExcelJS from "exceljs";
import JSZip from "jszip";

import { SHEET_MARK } from "@/core/formats";

import { workbookAsCsv } from "./workbook";

const folder = mkdtempSync(join(tmpdir(), "dozo-book-"));
let count = 0;

/** A workbook of sheets, each with its rows, as a file. */
async function workbook(sheets: Record<string, ExcelJS.CellValue[][]>): Promise<string> {
  const book = new ExcelJS.Workbook();
  for (const [name, rows] of Object.entries(sheets)) book.addWorksheet(name).addRows(rows);
  const path = join(folder, `${(count += 1)}.xlsx`);
  await book.xlsx.writeFile(path);
  return path;
}

const LIST: ExcelJS.CellValue[][] = [
  ["Date", "Description", "Amount"],
  [new Date("2026-11-02T00:00:00Z"), 'Rent, "studio"', -800],
  [new Date("2026-11-03T14:30:00Z"), "Sale", { formula: "100+20.5", result: 120.5 }],
];

describe("a workbook (XLSX, Office Open XML)", () => {
  it("is read as the CSV of its one list: days as ISO, what formulas came to, quotes where they are needed", async () => {
    const path = await workbook({ Notes: [["only a note"]], November: LIST });
    expect(await workbookAsCsv(path)).toEqual({
      ok: true,
      value:
        'Date,Description,Amount\n2026-11-02,"Rent, ""studio""",-800\n2026-11-03 14:30,Sale,120.5\n',
    });
  });
  it("keeps the cents of a sum that is shown with them, and what came to nothing", async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet("November");
    sheet.addRows([
      ["Id", "Amount", "Fee"],
      [7, 100, { error: "#N/A" }],
      [8, { formula: "90+9.5", result: 99.5 }, { formula: "B3*0.03" }],
    ] as ExcelJS.CellValue[][]);
    sheet.getColumn(2).numFmt = '"$"#,##0.00;[Red]("$"#,##0.00)';
    const path = join(folder, "shown.xlsx");
    await book.xlsx.writeFile(path);
    expect(await workbookAsCsv(path)).toEqual({
      ok: true,
      value: "Id,Amount,Fee\n7,100.00,#N/A\n8,99.50,=B3*0.03\n",
    });
  });
  it("with lists on several sheets is kept with each under its name; one without a list is refused", async () => {
    const two = await workbook({ October: LIST, Notes: [["only a note"]], November: LIST });
    const text = await workbookAsCsv(two);
    expect(text.ok && text.value.split("\n").filter((line) => line.startsWith(SHEET_MARK))).toEqual(
      [`${SHEET_MARK},October`, `${SHEET_MARK},November`],
    );
    const none = await workbook({ Notes: [["only a note"]] });
    expect(await workbookAsCsv(none)).toMatchObject({ error: { code: "workbook.empty" } });
  });
  it("is refused by what its directory declares, before anything is unpacked", async () => {
    const zip = new JSZip();
    zip.file("xl/workbook.xml", "<workbook/>");
    zip.file("xl/worksheets/sheet1.xml", "0".repeat(1000));
    const path = join(folder, "bomb.xlsx");
    const bytes = await zip.generateAsync({ type: "nodebuffer", compression: "DEFLATE" });
    // The last entry of the directory, and in it what the sheet unpacks to (PKWARE APPNOTE, 4.3.12).
    bytes.writeUInt32LE(210_000_000, bytes.lastIndexOf("PK\u0001\u0002") + 24);
    writeFileSync(path, bytes);
    expect(await workbookAsCsv(path)).toMatchObject({
      error: { code: "workbook.large", size: 211 },
    });
  });
  it("is no workbook where it is another packed folder, or cut off", async () => {
    const zip = new JSZip();
    zip.file("a.csv", "a,b\n1,2\n");
    const path = join(folder, "folder.zip");
    const bytes = await zip.generateAsync({ type: "nodebuffer" });
    writeFileSync(path, bytes);
    expect(await workbookAsCsv(path)).toMatchObject({ error: { code: "file.zip" } });
    writeFileSync(path, bytes.subarray(0, 60));
    expect(await workbookAsCsv(path)).toMatchObject({ error: { code: "file.unreadable" } });
  });
});
