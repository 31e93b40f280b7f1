import { type FieldSpec, type FileKind, guessColumns, type Table } from "@/core/formats";
import { currencyOf } from "@/core/money";

import { isNothing } from "./canonical";
import { groupColumn } from "./groupedRows";
import { provenColumns } from "./provenColumns";
import { sureDirection } from "./rowWords";
import { writtenSum } from "./sumCells";
import { writtenDay } from "./writtenDay";

/** Rows that the contents of a column are told by. */
const MOST_LOOKED_AT = 500;

/**
 * Field to the head of its column: by the names that columns go by, by what the columns hold, and by
 * what their sums prove of one another. A first mapping, for people to correct.
 */
export const columnsOfFile = (table: Table, kind: FileKind): Record<string, string> =>
  provenColumns(table, kind, columnsHeld(table, kind));

/** The same without what sums prove: a proof says what a column is once it is known what the lines are. */
export function columnsHeld(table: Table, kind: FileKind): Record<string, string> {
  if (table.kind !== undefined) return guessColumns(table.headers, kind);
  const cellsOf = contentsOf(table);
  const named = plainest(
    guessColumns(table.headers, kind, (spec, head) => fits(spec, head, cellsOf(head))),
    kind === "processor",
  );
  return { ...named, ...byContents(table, kind, cellsOf, named) };
}

/** Columns of money in and out say what a column of sums says already. */
function plainest(columns: Record<string, string>, isActivity: boolean): Record<string, string> {
  // One side alone says nothing of the other.
  const both = columns.moneyIn !== undefined && columns.moneyOut !== undefined;
  const isSaid = (columns.gross ?? columns.total) !== undefined;
  const sides: readonly string[] = [
    ...(isSaid || (!both && isActivity) ? ["moneyIn", "moneyOut"] : []),
    ...(isSaid ? ["debit", "credit"] : []),
  ];
  return Object.fromEntries(Object.entries(columns).filter(([field]) => !sides.includes(field)));
}

type Contents = (head: string) => readonly string[];

/** The filled cells of each column, of the first rows. */
function contentsOf({ headers, rows }: Table): Contents {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  const known = new Map<string, string[]>();
  return (head) => {
    const before = known.get(head);
    if (before) return before;
    const at = headers.indexOf(head);
    const cells = looked.map((row) => (row.cells[at] ?? "").trim());
    const filled = cells.filter((cell) => cell !== "");
    known.set(head, filled);
    return filled;
  };
}

/** Heads of shares in a hundred, which are no sums. */
const RATE = /%|\b(?:percent|pct|rate)\b/i;

/** Whether a column holds anything that its field could be; an empty one may hold it another time. */
function fits(
  { field, type, needed }: FieldSpec,
  head: string,
  filled: readonly string[],
): boolean {
  if (type === "amount" && RATE.test(head)) return false;
  const cells = filled.filter((cell) => !isNothing(cell));
  if (cells.length === 0 || needed) return true;
  if (/^id$|Id$/.test(field)) return !cells.every((cell) => isSum(cell) && /[.,]\d\d$/.test(cell));
  if (type === "amount") return cells.some(isSum);
  if (type === "currency")
    return cells.some((cell) => currencyOf(cell.toUpperCase()) !== undefined);
  return type === "day" ? cells.some((cell) => writtenDay(cell) !== null) : true;
}

const isDate = (cell: string): boolean => {
  const day = writtenDay(cell);
  return day !== null && day.serial === null && day.epoch === null;
};
const isSum = (cell: string): boolean =>
  writtenSum(cell) !== null && (!isDate(cell) || /^\d{8}$/.test(cell));

/** What a column without a known name is by its cells alone. */
function byContents(
  table: Table,
  kind: FileKind,
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
): Record<string, string> {
  const taken = new Set(Object.values(named));
  const free = table.headers.filter((head) => head !== "" && !taken.has(head));
  if (table.headLine === 0) return withoutHead(kind, free, cellsOf);
  if (kind === "bank") return waysIn(free, cellsOf, named, table.rows.length);
  if (kind !== "invoices" || named.customerId !== undefined) return {};
  const group = groupColumn(table);
  return group !== null && free.includes(group) ? { customerId: group } : {};
}

/** A column of which every cell says in or out. */
function waysIn(
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
  rows: number,
): Record<string, string> {
  const says = (head: string): boolean => {
    const cells = cellsOf(head);
    return (
      cells.length >= Math.min(rows, MOST_LOOKED_AT) &&
      cells.every((cell) => sureDirection(cell) !== null)
    );
  };
  if (named.moneyOut !== undefined) return {};
  if (named.direction !== undefined && says(named.direction)) return {};
  const direction = free.find(says);
  return direction === undefined ? {} : { direction };
}

/** The fields that a list without a head surely needs, by kind: its day, its sum, its words. */
const MAIN: Partial<Record<FileKind, { day: string; sum: string; words: string }>> = {
  bank: { day: "postedOn", sum: "amount", words: "description" },
  processor: { day: "occurredOn", sum: "gross", words: "reference" },
  invoices: { day: "issuedOn", sum: "total", words: "description" },
};

/** A list without a head, to begin with: the first day, the only sum, the longest words. */
function withoutHead(
  kind: FileKind,
  free: readonly string[],
  cellsOf: Contents,
): Record<string, string> {
  const main = MAIN[kind];
  if (!main) return {};
  const all = (head: string, is: (cell: string) => boolean): boolean =>
    cellsOf(head).length > 0 && cellsOf(head).every(is);
  const day = free.find((head) => all(head, isDate));
  const sums = free.filter(
    (head) => all(head, isSum) && /[.,]\d\d\b/.test(cellsOf(head).join(" ")),
  );
  const length = (head: string): number => cellsOf(head).join("").length;
  const [words] = free
    .filter((head) => !all(head, isDate) && !all(head, isSum))
    .sort((a, b) => length(b) - length(a));
  return {
    ...(day === undefined ? {} : { [main.day]: day }),
    ...(sums.length === 1 && sums[0] !== undefined ? { [main.sum]: sums[0] } : {}),
    ...(words === undefined ? {} : { [main.words]: words }),
  };
}
