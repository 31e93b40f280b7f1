import { HEADING, plainWords, type Table } from "@/core/formats";

import { isDayAlone, onlyWords } from "./onlyWords";
import { isTotalWord } from "./rowsLeftOut";
import type { LeftOut } from "../types";

type Row = Table["rows"][number];

/**
 * Where a list names its groups in lines of their own (a customer, and under it what is open of him):
 * the column of those names. Every line of a group leaves it empty, and the first line is a name.
 */
export function groupPlace({ rows, headers }: Table): number | null {
  const [first] = rows;
  const at = first ? onlyWords(first.cells) : -1;
  if (at < 0 || headers.length < 3 || isForTheEye(first as Row, at)) return null;
  const details = rows.filter(
    (row) => onlyWords(row.cells) !== at && !isForTheEye(row, at) && !isDayAlone(row.cells),
  );
  return details.length > 0 && details.every(({ cells }) => (cells[at] ?? "").trim() === "")
    ? at
    : null;
}

/** A total has its sum beside it; a customer whose name begins like one has nothing. */
const isForTheEye = ({ cells }: Row, at: number): boolean =>
  isTotalWord(plainWords(cells[at] ?? "")) &&
  cells.some((cell, other) => other !== at && cell.trim() !== "");

/** Groups of a list of what is open that are no customers: how long it is due. */
const AGE = /\b(?:page|days|past due|current|overdue|due|over|not due|months?)\b|^\d/;

/** The head of the column that names groups of customers; null where there is none. */
export function groupColumn(table: Table): string | null {
  if (table.headers.includes(HEADING)) return areAges(table) ? null : HEADING;
  const at = groupPlace(table);
  return at === null ? null : (table.headers[at] ?? null);
}

/** Whether all names of groups say how long what stands below them is due. */
function areAges({ headers, rows }: Table): boolean {
  const at = headers.indexOf(HEADING);
  const names = rows.map(({ cells }) => plainWords(cells[at] ?? "")).filter((name) => name !== "");
  return names.every((name) => AGE.test(name));
}

/** The same list with the name of its group on each line; the lines of names are left out. */
export function withGroups(table: Table): { table: Table; leftOut: LeftOut[] } {
  const at = groupPlace(table);
  if (at === null) return { table, leftOut: [] };
  const leftOut: LeftOut[] = [];
  let name = "";
  const rows = table.rows.flatMap((row) => {
    if (isForTheEye(row, at) || isDayAlone(row.cells)) return [row];
    if (onlyWords(row.cells) !== at) return [{ ...row, cells: row.cells.with(at, name) }];
    name = (row.cells[at] ?? "").trim();
    leftOut.push({ line: row.line, why: "heading" });
    return [];
  });
  return { table: { ...table, rows }, leftOut };
}
