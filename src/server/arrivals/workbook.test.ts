import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import ExcelJS from "exceljs";
import fc from "fast-check";
import JSZip from "jszip";
import Papa from "papaparse";

import { FROM_1904_MARK, HIDDEN_MARK, SHEET_MARK } from "@/core/formats";

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
  it("keeps what is shown with a sum, its cents and its currency, and what came to nothing", async () => {
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
      value: "Id,Amount,Fee\n7,$100.00,#N/A\n8,$99.50,=B3*0.03\n",
    });
  });
  it("names the lines that it hides at the end, and shows no sheet that it hides", async () => {
    const book = new ExcelJS.Workbook();
    book.addWorksheet("Old", { state: "hidden" }).addRows(LIST);
    const sheet = book.addWorksheet("November");
    sheet.addRows(LIST);
    sheet.getRow(2).hidden = true;
    const path = join(folder, "hidden.xlsx");
    await book.xlsx.writeFile(path);
    const text = await workbookAsCsv(path);
    expect(text.ok && text.value.split("\n").slice(1)).toEqual([
      '2026-11-02,"Rent, ""studio""",-800',
      "2026-11-03 14:30,Sale,120.5",
      `${HIDDEN_MARK},2`,
      "",
    ]);
  });
  it("says at the end that its days are counted from 1904, where it does so", async () => {
    const book = new ExcelJS.Workbook();
    book.properties.date1904 = true;
    book.addWorksheet("November").addRows([
      ["Id", "Type", "Date", "Gross"],
      ["c1", "Sale", 44_866, 10.5],
    ]);
    const path = join(folder, "from1904.xlsx");
    await book.xlsx.writeFile(path);
    const text = await workbookAsCsv(path);
    expect(text.ok && text.value.split("\n").slice(1)).toEqual([
      "c1,Sale,44866,10.5",
      FROM_1904_MARK,
      "",
    ]);
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
  it.each([
    ["xl/workbook.bin", "workbook.binary"],
    ["content.xml", "workbook.open"],
    ["word/document.xml", "file.document"],
  ])("is another packed document where that has %s", async (part, code) => {
    const path = join(folder, "other.zip");
    const zip = new JSZip();
    zip.file(part, "<a/>");
    writeFileSync(path, await zip.generateAsync({ type: "nodebuffer" }));
    expect(await workbookAsCsv(path)).toMatchObject({ error: { code } });
  });
  it("ends in a result however it is cut or changed", async () => {
    const bytes = readFileSync(await workbook({ October: LIST, November: LIST }));
    const path = join(folder, "broken.xlsx");
    for (let at = 0; at < 120; at += 1) {
      const broken = Buffer.from(
        bytes.subarray(0, at % 2 ? bytes.length : (bytes.length * at) >> 7),
      );
      if (at % 2) broken[(at * 7919) % broken.length] = (at * 31) % 256;
      writeFileSync(path, broken);
      const read = await workbookAsCsv(path);
      expect(read.ok ? "read" : read.error.code).toMatch(/^(?:read|file\.\w+|workbook\.\w+)$/);
    }
  });
});

/** A workbook as a reader of another maker has it: words, numbers, and days as moments. */
async function readElsewhere(path: string): Promise<string[][]> {
  const book = new ExcelJS.Workbook();
  await book.xlsx.readFile(path);
  const rows: string[][] = [];
  book.worksheets[0]?.eachRow((row) => {
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, ({ value }) => {
      if (value instanceof Date) cells.push(value.toISOString().slice(0, 16));
      else cells.push(typeof value === "number" ? String(value) : ((value as string | null) ?? ""));
    });
    rows.push(cells);
  });
  return rows;
}

describe("a second reader (exceljs)", () => {
  const word = fc.constantFrom("Alder & Co", "7", "007", "x<y>", "é ü ß", "a,b", 'say "no"');
  const sum = fc.integer({ min: -9_999_999, max: 9_999_999 }).map((cents) => cents / 100);
  const day = fc
    .integer({ min: 0, max: 20_000 * 1440 })
    .map((minutes) => new Date(Date.UTC(1990, 0, 1) + minutes * 60_000));
  const line = fc.tuple(word, sum, day, word);

  it("has the same words, numbers and days", () =>
    fc.assert(
      fc.asyncProperty(fc.array(line, { minLength: 2, maxLength: 8 }), async (lines) => {
        const path = await workbook({ November: [["Who", "Sum", "When", "What"], ...lines] });
        const text = await workbookAsCsv(path);
        const ours = Papa.parse<string[]>(text.ok ? text.value.trimEnd() : "").data;
        const theirs = await readElsewhere(path);
        const moments = ours.map((cells) => cells.with(2, momentOf(cells[2] ?? "")));
        expect(moments).toEqual(theirs);
      }),
      { numRuns: 25 },
    ));
});

const momentOf = (text: string): string => {
  const [day = "", time = "00:00"] = text.split(" ");
  return /^\d/.test(text) ? `${day}T${time}` : text;
};
