import { stringify } from "csv-stringify/sync";

import {
  formatsOfStyles,
  factRecords,
  partsRelated,
  SHEET_MARK,
  SheetReader,
  sheetsOfBook,
  StringsReader,
  type XmlNode,
  xmlTree,
} from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";

import { Package } from "./package";

/** What a workbook may unpack to: 590 kB can hold 600 MB, which would take a process with it. */
const MOST_UNPACKED = 200_000_000;
const MOST_ROWS = 200_000;

type Problem =
  | "workbook.large"
  | "workbook.empty"
  | "workbook.binary"
  | "workbook.open"
  | "file.document"
  | "file.zip"
  | "file.unreadable"
  | "file.rows";

/** Parts by which packed files of office programs are known that are no workbook, and what they are. */
const OTHERS: readonly (readonly [part: string, what: Problem])[] = [
  ["xl/workbook.bin", "workbook.binary"],
  ["word/document.xml", "file.document"],
  ["ppt/presentation.xml", "file.document"],
  ["content.xml", "workbook.open"],
];

/** Whether bytes begin as a packed file does; a workbook is one. */
export const isPacked = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/**
 * The list of a workbook (XLSX, Office Open XML) as CSV: days as ISO, numbers with a point and with
 * what the sheet shows around them. Sizes are looked at before anything is unpacked. Where several
 * sheets have lists, each follows the other under its mark, and which is meant is asked; lines that
 * the sheet hides are named at the end.
 */
export async function workbookAsCsv(path: string): Promise<Result<string, Problem>> {
  const opened = await Package.open(path);
  if (!opened.ok) return opened;
  try {
    return await readBook(opened.value);
  } finally {
    opened.value.close();
  }
}

const otherThanBook = (zip: Package): Problem =>
  OTHERS.find(([part]) => zip.has(part))?.[1] ?? "file.zip";

async function readBook(zip: Package): Promise<Result<string, Problem>> {
  const main = await mainPart(zip);
  if (main === null) return fail(otherThanBook(zip));
  if (zip.size > MOST_UNPACKED)
    return fail("workbook.large", {
      size: Math.ceil(zip.size / 1_000_000),
      most: MOST_UNPACKED / 1_000_000,
    });
  const facts = await factsOf(zip, main);
  if (!facts.ok) return facts;
  const sheets = await listsOf(zip, facts.value);
  if (!sheets.ok) return sheets;
  const [only, second] = sheets.value;
  if (!only) return fail("workbook.empty");
  const rows: string[][] = [];
  const hidden: number[] = [];
  for (const sheet of sheets.value) {
    if (second) rows.push([SHEET_MARK, sheet.name]);
    for (const row of sheet.hidden) hidden.push(rows.length + row);
    for (const row of sheet.rows) rows.push(row);
  }
  if (rows.length > MOST_ROWS) return fail("file.rows", { most: MOST_ROWS });
  for (const fact of factRecords({ hidden, isFrom1904: facts.value.cells.is1904 })) rows.push(fact);
  return ok(stringify(rows, { quoted_match: /[,"\n\r]/ }));
}

const RELATIONS = "_rels/.rels";
const USUAL = "xl/workbook.xml";

/** The part that holds the workbook; null where there is none, as in a packed folder or another document. */
async function mainPart(zip: Package): Promise<string | null> {
  const relations = await treeOf(zip, RELATIONS);
  const told = relations ? partsRelated(relations, "").byKind.get("officeDocument") : undefined;
  const path = told !== undefined && zip.has(told) ? told : USUAL;
  return zip.has(path) && path.endsWith(".xml") ? path : null;
}

async function treeOf(zip: Package, path: string): Promise<XmlNode | null> {
  let text = "";
  if (!(await zip.read(path, (piece) => ((text += piece), true)))) return null;
  const tree = xmlTree(text);
  return tree.ok ? tree.value : null;
}

/** What the cells of a workbook refer to, and where its sheets lie. */
type Facts = {
  readonly sheets: readonly { readonly name: string; readonly path: string }[];
  readonly cells: ConstructorParameters<typeof SheetReader>[0];
};

async function factsOf(zip: Package, main: string): Promise<Result<Facts, Problem>> {
  const at = main.lastIndexOf("/") + 1;
  const folder = main.slice(0, at);
  const book = await treeOf(zip, main);
  const relations = await treeOf(zip, `${folder}_rels/${main.slice(at)}.rels`);
  if (!book || !relations) return fail("file.unreadable", { path: "" });
  // A document of another kind has another root.
  if (book.name !== "workbook") return fail("file.zip");
  const { byId, byKind } = partsRelated(relations, folder);
  const strings = await stringsOf(zip, byKind.get("sharedStrings") ?? "");
  if (strings === null) return fail("file.unreadable", { path: "" });
  const styles = await treeOf(zip, byKind.get("styles") ?? "");
  const { sheets, is1904 } = sheetsOfBook(book);
  return ok({
    sheets: sheets.map(({ name, relation }) => ({ name, path: byId.get(relation) ?? "" })),
    cells: { strings, formats: styles ? formatsOfStyles(styles) : [], is1904 },
  });
}

/** The texts that cells share; none where the workbook has no such part, null where it is broken. */
async function stringsOf(zip: Package, path: string): Promise<string[] | null> {
  const reader = new StringsReader();
  if (!zip.has(path)) return [];
  const isRead = await zip.read(path, (piece) => reader.write(piece));
  return isRead && reader.end() ? reader.strings : null;
}

type List = { name: string; rows: string[][]; hidden: readonly number[] };

/** The sheets that have a head and lines, each with its rows. */
async function listsOf(zip: Package, facts: Facts): Promise<Result<List[], Problem>> {
  const lists: List[] = [];
  for (const { name, path } of facts.sheets) {
    const reader = new SheetReader(facts.cells, MOST_ROWS);
    const isRead = await zip.read(path, (piece) => reader.write(piece));
    if (reader.isLarge) return fail("file.rows", { most: MOST_ROWS });
    if (!isRead || !reader.end()) return fail("file.unreadable", { path: "" });
    const { rows, hidden } = reader;
    if (rows.filter(({ length }) => length > 0).length > 1) lists.push({ name, rows, hidden });
  }
  return ok(lists);
}
