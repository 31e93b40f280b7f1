import { fail, ok, type Result } from "@/core/result";

import type { Table } from "../csv/table";

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
function recordsOf(text: string): { record: string; line: number }[] {
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
): Result<Table, "nacha.control" | "nacha.sum" | "file.no_rows"> {
  const records = recordsOf(text);
  const rows: { line: number; cells: string[] }[] = [];
  let [debits, credits, entries] = [0, 0, 0];
  let effective = "";
  let entry = "";
  const created = isoDay(cut(records[0]?.record ?? "", 24, 29));
  for (const { record, line } of records) {
    const type = record[0];
    if (type === "5") effective = isoDay(cut(record, 70, 75));
    if (type === "6") {
      entry = record;
      entries += 1;
      // Transaction codes that end in 6 to 9 take money from an account, those in 1 to 4 bring it.
      if (/[6-9]/.test(record[2] ?? "")) debits += Number(cut(record, 30, 39));
      else credits += Number(cut(record, 30, 39));
    }
    if (type === "7") {
      entries += 1;
      const kind = cut(record, 2, 3);
      if (kind !== "99" && kind !== "98") continue;
      rows.push({
        line,
        cells: [
          kind === "99" ? "return" : "change",
          cut(record, 4, 6),
          cut(record, 7, 21),
          cut(entry, 80, 94),
          effective || created,
          decimal(cut(entry, 30, 39)),
          cut(entry, 55, 76),
          lastFour(cut(entry, 13, 29)),
          kind === "98" ? correction(cut(record, 4, 6), cut(record, 36, 64)) : "",
        ],
      });
    }
  }
  const control = records.find(({ record }) => record[0] === "9")?.record;
  if (!control) return fail("nacha.control");
  const said = {
    entries: Number(cut(control, 14, 21)),
    debits: Number(cut(control, 32, 43)),
    credits: Number(cut(control, 44, 55)),
  };
  if (said.entries !== entries || said.debits !== debits || said.credits !== credits)
    return fail("nacha.sum", {
      said: decimal(String(said.debits + said.credits).padStart(3, "0")),
      found: decimal(String(debits + credits).padStart(3, "0")),
    });
  return rows.length === 0 ? fail("file.no_rows") : ok({ headers: HEADERS, rows });
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

/** What is to be mended, in words; of numbers the last four digits only. */
function correction(code: string, data: string): string {
  const what = CHANGES[code] ?? "account";
  if (code === "C04") return `${what}: ${data}`;
  const digits = lastFour(data.split(/\s+/)[code === "C03" || code === "C07" ? 1 : 0] ?? data);
  return digits === "" ? what : `${what} ending in ${digits}`;
}

/** An ACH file with every account number but its last four digits written over, as it may be kept. All places stay. */
export function maskedNacha(text: string): string {
  const overwritten = (part: string): string => {
    const digits = part.replace(/\D/g, "").length;
    let seen = 0;
    return part.replace(/\d/g, (digit) => ((seen += 1) > digits - 4 ? digit : "x"));
  };
  return text
    .replace(
      /^(6.{11})(.{17})/gm,
      (_, before: string, account: string) => before + overwritten(account),
    )
    .replace(
      /^(798.{32})(.{29})/gm,
      (_, before: string, data: string) => before + overwritten(data),
    );
}
