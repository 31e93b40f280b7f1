import type { Table } from "@/core/formats";
import { currencyOf, type DecimalMark } from "@/core/money";

import { sureState } from "../rowWords";
import { sumWithin, writtenSum } from "../sums/sumCells";

/** The sums of a column, a line after the other; null where a cell holds none. */
export type Sums = readonly (number | null)[];

/** Heads of columns by field. */
export type Columns = Readonly<Record<string, string>>;

/** Rows that have to hold for a proof. */
export const ENOUGH = 2;
/** Rows that a proof goes by, at most. */
const MOST_LOOKED_AT = 500;
/** Columns of sums that are tried; a file with more is no list of payments. */
const MOST_TRIED = 12;

/** The sums of a file's columns under a mark. */
export class Sheet {
  private readonly rows: Table["rows"];
  private readonly sums = new Map<string, Sums>();

  constructor(
    private readonly table: Table,
    readonly columns: Columns,
    private readonly mark: DecimalMark,
    most = MOST_LOOKED_AT,
  ) {
    const places = ["kind", "status"].map((field) => table.headers.indexOf(columns[field] ?? ""));
    // What was declined or cancelled need not add up.
    const isDead = ({ cells }: Table["rows"][number]): boolean =>
      places.some((at) => at >= 0 && sureState((cells[at] ?? "").trim()) === "none");
    this.rows = table.rows.filter((row) => !isDead(row)).slice(0, most);
  }

  of(field: string): Sums | null {
    const head = this.columns[field];
    return head === undefined ? null : this.under(head);
  }

  /** The cells of a field as they stand; empty ones where it has no column. */
  texts(field: string): string[] {
    const at = this.table.headers.indexOf(this.columns[field] ?? "");
    return this.rows.map(({ cells }) => (cells[at] ?? "").trim());
  }

  under(head: string): Sums {
    const before = this.sums.get(head);
    if (before) return before;
    const at = this.table.headers.indexOf(head);
    const sums = this.rows.map(({ cells }) => this.sumIn((cells[at] ?? "").trim()));
    this.sums.set(head, sums);
    return sums;
  }

  private sumIn(cell: string): number | null {
    const sum = sumWithin(cell, this.mark);
    return sum !== null && writtenSum(cell)?.side === "debit" ? -Math.abs(sum) : sum;
  }

  /** Heads of columns of sums that no field has. */
  free(): string[] {
    const taken = new Set(Object.values(this.columns));
    return this.table.headers
      .filter((head) => head !== "" && !taken.has(head))
      .filter((head) => this.under(head).some((sum) => sum !== null && sum !== 0))
      .slice(0, MOST_TRIED);
  }

  /** The head of the column of currencies beside a column of sums: the next one that holds codes alone. */
  currencyBeside(head: string): string | null {
    const from = this.table.headers.indexOf(head) + 1;
    const at = [from, from - 2].find((place) => this.holdsCodes(place));
    return at === undefined ? null : (this.table.headers[at] ?? null);
  }

  private holdsCodes(place: number): boolean {
    const cells = this.rows.map(({ cells }) => (cells[place] ?? "").trim().toUpperCase());
    const filled = cells.filter((cell) => cell !== "");
    return filled.length > 0 && filled.every((cell) => currencyOf(cell) !== undefined);
  }
}

/**
 * Gross less its fees, of whatever signs, is the net on every line that has the two, on enough of
 * them, and some line has a fee.
 */
export function foots(gross: Sums, fees: readonly Sums[], net: Sums): boolean {
  let held = 0;
  let isCharged = false;
  for (const [at, whole] of gross.entries()) {
    const left = net[at] ?? null;
    if (whole === null || left === null) continue;
    const cost = fees.reduce((sum, fee) => sum + (fee[at] ?? 0), 0);
    const sizes = [whole - cost, whole + cost, Math.abs(whole) - Math.abs(cost)];
    if (sizes.every((size) => size !== left && size !== Math.abs(left))) return false;
    held += 1;
    isCharged ||= cost !== 0;
  }
  return isCharged && held >= Math.min(ENOUGH, gross.length);
}

/** What a column comes to, each sum by its size. */
export const sizeOf = (sums: Sums): number =>
  sums.reduce((all: number, sum) => all + Math.abs(sum ?? 0), 0);

/** Whether one column is at least another on every line: what was charged, beside what is left of it. */
export const isLarger = (sheet: Sheet, gross: string, net: string): boolean =>
  sheet.under(gross).every((sum, at) => Math.abs(sum ?? 0) >= Math.abs(sheet.under(net)[at] ?? 0));

/** What is left of sums when others are taken off them, whatever their signs. */
export const lessSizes = (sums: Sums, off: Sums): Sums =>
  sums.map((sum, at) => (sum === null ? null : sum - Math.abs(off[at] ?? 0)));

/** What is left is never more than what was charged: where it is, by their heads, the two change places. */
export function largerFirst(sheet: Sheet, found: Columns | null): Columns | null {
  const { gross, net, fee } = { ...sheet.columns, ...found };
  if (found === null || !gross || !net || !fee) return found;
  return isLarger(sheet, net, gross) ? { ...found, gross: net, net: gross } : found;
}
