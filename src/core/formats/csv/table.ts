import Papa from "papaparse";

import type { Day } from "@/core/calendar";
import { fail, ok, type Result } from "@/core/result";

import type { Aside, Doubt, Marked } from "../doubts";
import type { FileKind } from "../mapping";
import { delimiterOf } from "./delimiter";
import { printedRecords } from "./fixedWidth";
import { NO_HEAD } from "./head";
import { headersOf } from "./headers";
import { withFacts } from "./factsAbove";
import { withHeadings } from "./headings";
import { longLine, MOST_LETTERS } from "./longLine";
import { withoutBlanks } from "./spacedQuotes";
import {
  type BookFacts,
  factsAside,
  headOfSheet,
  headWithin,
  listAround,
  sheetsOf,
} from "./sheets";

/** A table as a file gives it: a header and rows of text. `line` counts records, the header as 1. */
export type Table = {
  /** The kind of file, where a published format says so: its cells are in the agreed layout then. */
  readonly kind?: FileKind;
  /** The format that it was read from, by its name. */
  readonly format?: string;
  /** What such a file says of itself that foots, and what does not. */
  readonly proofs?: readonly string[];
  readonly off?: string | null;
  /** Lines that such a file says are no money, or not yet; and those of which it says two things. */
  readonly aside?: Marked<Aside>;
  readonly doubts?: Marked<Doubt>;
  /** Moments at which its lines stand, in UTC, where they are said with a zone. */
  readonly moments?: Marked<string>;
  /** The line on which the header stands; what is above it is no part of the list. 0 where none does. */
  readonly headLine?: number;
  /** The records of a list as they came, with what is above the head and the head itself. */
  readonly records?: readonly (readonly string[])[];
  /** What stands above the head, a text a line. */
  readonly above?: readonly string[];
  /** Lines that the sheet of a workbook hides: by a filter, or by hand. */
  readonly hidden?: readonly number[];
  /** Whether the days of a workbook that are plain numbers are counted from 1904. */
  readonly isFrom1904?: boolean;
  /** The lists of a workbook with several, each with the line of its head. */
  readonly sheets?: readonly SheetList[];
  /** Whom a document of a published format is made out to. */
  readonly madeOutTo?: string | null;
  /** The days that a file of a published format says it is of. */
  readonly span?: { readonly from: Day; readonly to: Day } | null;
  readonly headers: readonly string[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
};

/** A list on a sheet of a workbook: the line of its head, and how many lines stand below it. */
export type SheetList = {
  readonly name: string;
  readonly headLine: number;
  readonly lines: number;
};

/** A bound on columns: more are a sign that the wrong file was chosen. */
const MOST_COLUMNS = 150;
/** What is taken in at once: more is given in parts, so that a file never takes what others need. */
export const MOST_ROWS = 500_000;
const MOST_CELLS = 8_000_000;
/** Text as its records, with the letter between cells, and which of them is the head. */
type Records = {
  readonly delimiter: string;
  readonly records: string[][];
  readonly at: number;
  readonly facts: BookFacts;
};

/** The records of RFC 4180 text, whose delimiter is found, or of a list that is printed in columns. */
export function recordsOf(text: string): Result<Records, TableError> {
  const bare = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  if (bare.trim() === "") return fail("file.empty");
  const long = longLine(bare);
  if (long !== null) return fail("file.line", { line: long, most: MOST_LETTERS });
  const printed = printedRecords(bare);
  const delimiter = printed ? "\t" : delimiterOf(bare);
  const parsed = printed ? ok(printed) : parsedWithin(withoutBlanks(bare), delimiter);
  if (!parsed.ok) return parsed;
  const { records, ...facts } = factsAside(parsed.value);
  return ok({ delimiter, records, at: headWithin(records), facts });
}

/** Reads RFC 4180 text as a table. Blank lines are left out. */
export function readTable(text: string): Result<Table, TableError> {
  const found = recordsOf(text);
  if (!found.ok) return found;
  const { records, at, facts } = found.value;
  const under = tableUnder(records, at);
  const table = under.ok ? ok({ ...under.value, ...factsIn(facts) }) : under;
  const sheets = sheetsOf(records).map((sheet): SheetList => {
    const head = headOfSheet(records, sheet);
    const lines = records.slice(head + 1, sheet.to).filter(isFilled).length;
    return { name: sheet.name, headLine: head + 1, lines };
  });
  return table.ok && sheets.length > 0 ? ok({ ...table.value, sheets }) : table;
}

/** Of what a workbook says of itself, what is not as usual. */
const factsIn = ({ hidden, isFrom1904 }: BookFacts): Pick<Table, "hidden" | "isFrom1904"> => ({
  ...(hidden.length > 0 ? { hidden } : {}),
  ...(isFrom1904 ? { isFrom1904 } : {}),
});

/**
 * The same list with its head on another line, 0 where it has none; as it is where that line is not
 * one of it.
 */
export function headedAt(table: Table, line: number): Table {
  const { records } = table;
  if (!records || line === table.headLine || line < 0 || line >= records.length) return table;
  const headed = tableUnder(records, line - 1);
  return headed.ok ? { ...table, ...headed.value } : table;
}

function tableUnder(
  records: readonly (readonly string[])[],
  at: number,
): Result<Table, "file.columns" | "file.headers" | "file.no_rows"> {
  const { from, to } = listAround(records, at);
  const list = to === records.length ? records : records.slice(0, to);
  const headers = headersOf(list, at);
  if (headers.length > MOST_COLUMNS)
    return fail("file.columns", { count: headers.length, most: MOST_COLUMNS });
  if (at !== NO_HEAD && (records[at] ?? []).every((name) => name.trim() === ""))
    return fail("file.headers", { twice: "" });
  const beside = records.slice(from, Math.max(from, at));
  const above = beside.map((cells) => cells.join(" "));
  const rows = list
    .map((cells, index) => ({ line: index + 1, cells }))
    .slice(at + 1)
    .filter(({ cells }) => isFilled(cells));
  return rows.length === 0
    ? fail("file.no_rows")
    : ok({
        headLine: at + 1,
        above,
        records,
        ...withHeadings(withFacts({ headers, rows }, beside), above),
      });
}

const isFilled = (cells: readonly string[]): boolean => cells.some((cell) => cell.trim() !== "");

type TableError =
  | "file.empty"
  | "file.no_rows"
  | "file.columns"
  | "file.headers"
  | "file.quotes"
  | "file.line"
  | "file.rows"
  | "file.cells";

/** Text that a spreadsheet is to keep as text: `="00123"`. */
const isText = (cell: string): boolean => cell.startsWith('="') && cell.endsWith('"');
const bareText = (cell: string): string => (isText(cell) ? cell.slice(2, -1) : cell);

/** The cells of each row; reading stops where there are more than is taken in. */
function parsedWithin(
  text: string,
  delimiter: string,
): Result<string[][], "file.quotes" | "file.rows" | "file.cells"> {
  const rows: string[][] = [];
  let cells = 0;
  let problem: Result<never, "file.quotes" | "file.rows" | "file.cells"> | null = null;
  Papa.parse<string[]>(text, {
    delimiter,
    step: ({ data, errors }, parser) => {
      cells += data.length;
      if (errors.some(({ type }) => type === "Quotes"))
        problem = fail("file.quotes", { line: rows.length + 1 });
      else if (rows.length > MOST_ROWS) problem = fail("file.rows", { most: MOST_ROWS });
      else if (cells > MOST_CELLS) problem = fail("file.cells", { most: MOST_CELLS });
      if (problem) parser.abort();
      else rows.push(data.some(isText) ? data.map(bareText) : data);
    },
  });
  return problem ?? ok(rows);
}
