import { type FileKind, plainWords, type Table } from "@/core/formats";

import { type Contents, isSum } from "./contents";

type Columns = Record<string, string>;

/** Heads of the sums of what is no payment (common practice, no source). */
const OF_ELSE =
  /\b(?:refund(?:ed)?|disputed?|chargeback|returned|reversed|erstattung|remboursement)\b/;
const SUM = /\b(?:amount|sum|total|value|amt|betrag|montant)\b/;

/**
 * A list of refunds, or of disputes, alone: where no column says what its lines come to, that stands
 * under a head that names them. The only sum of a list is at least what arrived: whether a fee was
 * taken off before is asked.
 */
export function withSumOfElse(
  { headers }: Table,
  kind: FileKind,
  { columns, cellsOf }: { columns: Columns; cellsOf: Contents },
): Columns {
  const { gross, net, moneyIn, moneyOut, refunded, ...others } = columns;
  const isSaid = [gross, net, moneyIn, moneyOut].some((head) => head !== undefined);
  if (kind !== "processor" || isSaid) return columns;
  const taken = new Set(Object.values(others));
  const isSumOfElse = (head: string): boolean => {
    const plain = plainWords(head);
    const cells = cellsOf(head);
    return OF_ELSE.test(plain) && SUM.test(plain) && cells.length > 0 && cells.every(isSum);
  };
  const head = refunded ?? headers.find((name) => !taken.has(name) && isSumOfElse(name));
  if (head !== undefined) return { ...others, gross: head };
  const free = headers.filter((name) => !taken.has(name) && areMoney(cellsOf(name)));
  return free.length === 1 ? { ...columns, net: String(free[0]) } : columns;
}

/** Whether all cells are sums, with their cents. */
const areMoney = (cells: readonly string[]): boolean =>
  cells.length > 0 && cells.every((cell) => isSum(cell) && /[.,]\d\d(?!\d)/.test(cell));
