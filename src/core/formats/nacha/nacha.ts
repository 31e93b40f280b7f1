import { fail, ok, type Result } from "@/core/result";

import type { Table } from "../csv/table";
import { type NachaRecord, wrongControl, wrongHash } from "./controls";
import { remittanceTable } from "./remittance";

/** Characters of a record, and records of a block (Nacha file format). */
const WIDTH = 94;

/** Whether a text is an ACH file: its first record says so (type 1, priority 01, record size 094). */
export function isNacha(text: string): boolean {
  return /^101.{31}094/.test(text.replace(/^\uFEFF/, ""));
}

/** Places of a record as the standard counts them: from 1, both ends in. */
const cut = (record: string, from: number, to: number): string => record.slice(from - 1, to).trim();
const isoDay = (yymmdd: string): string =>
  /^\d{6}$/.test(yymmdd)
    ? `20${yymmdd.slice(0, 2)}-${yymmdd.slice(2, 4)}-${yymmdd.slice(4, 6)}`
    : "";
const decimal = (cents: string): string =>
  /^\d+$/.test(cents)
    ? `${Number(cents.slice(0, -2) || "0")}.${cents.slice(-2).padStart(2, "0")}`
    : "";
const lastFour = (number: string): string => number.replace(/\D/g, "").slice(-4);

/** Records with the line they stand on; a file without line breaks is cut by its width. */
function recordsOf(text: string): NachaRecord[] {
  const bare = text.replace(/^\uFEFF/, "");
  const lines = /[\r\n]/.test(bare)
    ? bare.split(/\r\n|\n|\r/)
    : (bare.match(new RegExp(`.{1,${WIDTH}}`, "g")) ?? []);
  return lines
    .map((record, at) => ({ record: record.padEnd(WIDTH), line: at + 1 }))
    .filter(({ record }) => record.trim() !== "" && !/^9{94}$/.test(record));
}

const HEADERS = [
  "record",
  "code",
  "original_trace",
  "trace",
  "date",
  "amount",
  "name",
  "account",
  "correction",
] as const;

/**
 * The returns (addenda 99) and notifications of change (addenda 98) of an ACH
 * file as a table, one row for each, `line` being that of its addenda (Nacha
 * file format; places from memory). Full account numbers are left out: the last
 * four digits stay. Debits and credits of the file's control record must foot.
 */
export function nachaTable(
  text: string,
): Result<Table, "nacha.control" | "nacha.sum" | "nacha.width" | "file.no_advice"> {
  const records = recordsOf(text);
  // What stands behind the last place has moved all before it.
  const wide = records.find(({ record }) => record.trimEnd().length > WIDTH);
  if (wide) return fail("nacha.width", { line: wide.line, found: wide.record.trimEnd().length });
  if (!records.some(({ record }) => record[0] === "9")) return fail("nacha.control");
  const wrong = wrongControl(records);
  if (wrong) return fail("nacha.sum", wrong);
  const rows = noticeRows(records);
  const paid = remittanceTable(records, isoDay);
  const off = wrongHash(records);
  if (rows.length === 0)
    return paid ? ok({ ...paid, off: off ?? paid.off ?? null }) : fail("file.no_advice");
  const doubts = paid && rows[0] ? [{ line: rows[0].line, mark: "beside" as const }] : [];
  return ok({ headers: HEADERS, rows, kind: "returns", off, doubts });
}

/** Each return and notice of change with what its batch and its entry say. */
function noticeRows(records: readonly NachaRecord[]): Table["rows"] {
  const rows: { line: number; cells: string[] }[] = [];
  const created = isoDay(cut(records[0]?.record ?? "", 24, 29));
  let [effective, entry] = ["", ""];
  for (const { record, line } of records) {
    if (record[0] === "5") effective = isoDay(cut(record, 70, 75));
    if (record[0] === "6") entry = record;
    const kind = record[0] === "7" ? cut(record, 2, 3) : "";
    if (kind === "99" || kind === "98")
      rows.push({ line, cells: noticeCells(record, entry, effective || created) });
  }
  return rows;
}

function noticeCells(addenda: string, entry: string, on: string): string[] {
  const isReturn = cut(addenda, 2, 3) === "99";
  const code = cut(addenda, 4, 6);
  return [
    isReturn ? "return" : "change",
    code,
    cut(addenda, 7, 21),
    cut(entry, 80, 94),
    on,
    decimal(cut(entry, 30, 39)),
    cut(entry, 55, 76),
    lastFour(cut(entry, 13, 29)),
    isReturn ? "" : correction(code, cut(addenda, 36, 64)),
  ];
}

/** What notices of change correct (Nacha Operating Rules; from memory). */
const CHANGES: Readonly<Record<string, string>> = {
  C01: "account number",
  C02: "routing number",
  C03: "routing and account number",
  C04: "name",
  C05: "kind of account",
  C06: "account number and kind of account",
  C07: "routing number, account number and kind of account",
};

/** Kinds of account by how transaction codes begin (Nacha file format). */
const KINDS: Readonly<Record<string, string>> = {
  "2": "checking",
  "3": "savings",
  "4": "general ledger",
  "5": "loan",
};

/** What is to be mended, in words; of numbers the last four digits only. */
function correction(code: string, data: string): string {
  const what = CHANGES[code] ?? "account";
  if (code === "C04") return `${what}: ${data}`;
  if (code === "C05") return `${what}: ${KINDS[data[0] ?? ""] ?? data}`;
  const digits = lastFour(data.split(/\s+/)[code === "C03" || code === "C07" ? 1 : 0] ?? data);
  return digits === "" ? what : `${what} ending in ${digits}`;
}
