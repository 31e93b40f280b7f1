import type { RowKind } from "@/core/activity/index";
import type { Table } from "@/core/formats";

import { sureKind } from "../rowWords";
import { writtenSum } from "../sums/sumCells";
import type { Columns } from "./sheet";

/** Rows that the words are looked for in. */
const MOST_LOOKED_AT = 2000;

/** Whether the column of kinds holds words that processors alone use, charges and what goes back. */
export function hasActivityWords(table: Table, columns: Columns): boolean {
  const kinds = kindsSaid(table, columns);
  return kinds.has("charge") && (kinds.has("payout") || kinds.has("refund") || kinds.has("fee"));
}

/** Whether all of its words are kinds of activity, charges among them. */
export function areActivity(table: Table, columns: Columns): boolean {
  const kinds = kindsSaid(table, columns);
  return kinds.has("charge") && !kinds.has(null);
}

/** The kinds that the words of the column of kinds surely are; null for a word that is none. */
export function kindsSaid(table: Table, columns: Columns): ReadonlySet<RowKind | null> {
  const at = table.headers.indexOf(columns.kind ?? "");
  if (at < 0) return new Set();
  const looked = table.rows.slice(0, MOST_LOOKED_AT);
  return new Set(looked.map(({ cells }) => sureKind((cells[at] ?? "").trim())));
}

/**
 * Whether lines whose word is that of a charge go both ways: what a processor's customers pay never goes
 * out, and what is bought with a card, and what is paid on it, does. A wallet has both, and says what
 * arrives of each.
 */
export function chargesGoBothWays(table: Table, columns: Columns): boolean {
  if (columns.net !== undefined || columns.payoutId !== undefined) return false;
  const at = table.headers.indexOf(columns.kind ?? "");
  const charges = table.rows
    .slice(0, MOST_LOOKED_AT)
    .filter(({ cells }) => sureKind((cells[at] ?? "").trim()) === "charge");
  const place = table.headers.indexOf(columns.gross ?? "");
  const sums = charges
    .map(({ cells }) => writtenSum((cells[place] ?? "").trim()))
    .filter((sum) => sum !== null && /[1-9]/.test(sum.digits));
  return new Set(sums.map((sum) => sum?.negative)).size > 1;
}
