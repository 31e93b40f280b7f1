import { type FileKind, plainWords, type Table } from "@/core/formats";

import { type Contents, isSum } from "./contents";

type Columns = Record<string, string>;

/** Heads of the sums of what is no payment (common practice, no source). */
const OF_ELSE =
  /\b(?:refund(?:ed)?|disputed?|chargeback|returned|reversed|held|erstattung|remboursement)\b/;

/**
 * A list whose lines have one sum alone, and no column that is known to say what was charged: of
 * refunds, of disputes, of fees, by what the head calls it; else it is at least what arrived, and
 * whether a fee was taken off before is asked.
 */
export function withSumOfElse(
  { headers }: Table,
  kind: FileKind,
  { columns, cellsOf }: { columns: Columns; cellsOf: Contents },
): Columns {
  const { gross, net, moneyIn, moneyOut, refunded, fee, ...others } = columns;
  const isSaid = [gross, net, moneyIn, moneyOut].some((head) => head !== undefined);
  if (kind !== "processor" || isSaid) return columns;
  const taken = new Set(Object.values(others));
  const [only, ...more] = headers.filter((name) => !taken.has(name) && areMoney(cellsOf(name)));
  if (only === undefined || more.length > 0) return columns;
  const isOfElse = only === refunded || only === fee || OF_ELSE.test(plainWords(only));
  return { ...others, [isOfElse ? "gross" : "net"]: only };
}

/** Whether all cells are sums, with their cents. */
const areMoney = (cells: readonly string[]): boolean =>
  cells.length > 0 && cells.every((cell) => isSum(cell) && /[.,]\d\d(?!\d)/.test(cell));
