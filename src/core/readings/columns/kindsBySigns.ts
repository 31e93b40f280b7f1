import type { Table } from "@/core/formats";

import { sureKind } from "../rowWords";
import { writtenSum } from "../sums/sumCells";
import { MOST_LOOKED_AT } from "./contents";
import type { Columns } from "./sheet";

/** Kinds are few different words; a column of more is none of them. */
const MOST_KINDS = 15;

/**
 * The head of a column of words that go with the signs of the sums: no word stands on a line that
 * brings money and on one that takes it, and one of those that take it is a kind of activity. Its
 * other words are asked about. Null where there is none.
 */
export function kindsBySigns(table: Table, columns: Columns): string | null {
  const sums = table.headers.indexOf(columns.gross ?? columns.net ?? "");
  const rows = table.rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => cells);
  const takes = (cells: readonly string[]): boolean =>
    writtenSum((cells[sums] ?? "").trim())?.negative === true;
  if (sums < 0 || !rows.some(takes)) return null;
  const goesWith = (at: number): boolean => {
    const wordOf = (cells: readonly string[]): string => (cells[at] ?? "").trim();
    const taking = new Set(rows.filter(takes).map(wordOf));
    const bringing = new Set(rows.filter((cells) => !takes(cells)).map(wordOf));
    const isKind = (word: string): boolean => !["charge", null].includes(sureKind(word));
    const isFew = taking.size + bringing.size <= MOST_KINDS && bringing.size > 0;
    return (
      isFew &&
      !taking.has("") &&
      [...taking].some(isKind) &&
      ![...taking].some((word) => bringing.has(word))
    );
  };
  return table.headers.find((head, at) => head !== "" && goesWith(at)) ?? null;
}
