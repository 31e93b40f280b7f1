import { HEADING, plainWords, type Table } from "@/core/formats";

import type { Row } from "../cells";
import type { LeftOut } from "../types";
import { groupPlace } from "./groupedRows";
import { onlyWords } from "./onlyWords";
import { isTotalWord } from "./rowsLeftOut";

/** Headings below which a list of what is owed has what was paid already, or is owed to the customers. */
const OF_CREDITS =
  /\b(?:unapplied|unallocated|payments?|receipts?|credits?|credit notes?|credit memos?|prepay\w*|deposits?|on account|advances?|gutschriften|zahlungen|avoirs|abonos)\b/;

type Sections = {
  readonly table: Table;
  readonly leftOut: readonly LeftOut[];
  /** The heading of credits that a line stands below; empty where none does. */
  readonly wayOf: (row: Row) => string;
};

/** Lines of a list of what is owed with the heading of credits above them, which is left out. */
export function creditSections(table: Table): Sections {
  // Where lines of words name customers, one may be called after a bank.
  if (table.headers.includes(HEADING) || groupPlace(table) !== null)
    return { table, leftOut: [], wayOf: () => "" };
  const leftOut: LeftOut[] = [];
  const ways = new Map<number, string>();
  let section = "";
  const rows = table.rows.filter((row) => {
    const at = onlyWords(row.cells);
    const words = plainWords(row.cells[at] ?? "");
    if (at < 0 || isTotalWord(words)) {
      if (section !== "") ways.set(row.line, section);
      return true;
    }
    section = OF_CREDITS.test(words) ? (row.cells[at] ?? "").trim() : "";
    if (section !== "") leftOut.push({ line: row.line, why: "heading" });
    return section === "";
  });
  return leftOut.length === 0
    ? { table, leftOut, wayOf: () => "" }
    : { table: { ...table, rows }, leftOut, wayOf: ({ line }) => ways.get(line) ?? "" };
}
