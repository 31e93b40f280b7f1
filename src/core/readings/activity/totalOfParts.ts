import { plainWords } from "@/core/formats";
import { sumOf } from "@/core/money";

import { headsUsedAs, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import type { Row } from "../cells";
import { ENOUGH, Sheet, type Sums } from "../columns/sheet";
import { isOnTop } from "../sums/costHeads";
import { MARKS } from "../sums/marks";
import type { Unread } from "../types";

/** Heads of what a line comes to with all that was paid on top of its price (common practice, no source). */
const TOTAL = /\b(?:total|charged|collected|received)\b/;

const isPart = (head: string): boolean => isOnTop(head) || /\bsurcharges?\b/.test(plainWords(head));

/**
 * A file of activity that says a price, what was paid on top of it, and what both come to: where that
 * adds up on every line it is what was charged, as if it had been answered.
 */
export function withTotals(file: Unread): Unread {
  const { kind, table, columns } = file;
  if (kind !== "processor" || table.kind !== undefined || columns.net !== undefined) return file;
  for (const mark of MARKS) {
    const sheet = new Sheet(table, columns, mark, table.rows.length);
    const gross = sheet.of("gross");
    if (gross === null) return file;
    const free = sheet.free();
    const parts = free.filter(isPart);
    const [total, ...others] = free.filter(
      (head) =>
        !isPart(head) &&
        TOTAL.test(plainWords(head)) &&
        addsUp([gross, ...parts.map((part) => sheet.under(part))], sheet.under(head)),
    );
    if (total === undefined || others.length > 0) continue;
    const left = parts.map((part) => [`column:${part}`, "leave"]);
    const found = { [`column:${total}`]: "charged", ...Object.fromEntries(left) };
    return { ...file, answers: { ...found, ...file.answers } };
  }
  return file;
}

/** Whether sums come to a total on every line that has them, and some line has more than its price. */
function addsUp([gross = [], ...parts]: readonly Sums[], total: Sums): boolean {
  const more = gross.map((_, at) => parts.reduce((sum, part) => sum + (part[at] ?? 0), 0));
  const held = gross.filter((sum) => sum !== null).length;
  return (
    held >= Math.min(ENOUGH, gross.length) &&
    more.some((sum) => sum !== 0) &&
    gross.every((sum, at) => sum === null || sum + (more[at] ?? 0) === total[at])
  );
}

/** That what is taken for charged is its parts on every line, where it is. */
export function totalProof(reading: Reading, entries: readonly { readonly row: Row }[]): string[] {
  const { cells } = reading;
  const rows = entries.map(({ row }) => row);
  const [total] = headsUsedAs(reading, "charged");
  const parts = cells.unread().flatMap(({ head }) => (isPart(head) ? [head] : []));
  if (total === undefined || parts.length === 0 || rows.length === 0) return [];
  const isTotal = (row: Row): boolean => {
    const more = sumOf(parts, (part) => sumUnderHead(reading, row, part) ?? 0);
    return sumUnderHead(reading, row, total) === (sumOfCell(reading, row, "gross") ?? 0) + more;
  };
  if (!rows.every(isTotal)) return [];
  const names = [cells.head("gross"), ...parts].map((head) => `“${head}”`);
  const lines = rows.length === 1 ? "the line" : `all ${rows.length} lines`;
  return [`“${total}” is what was charged: on ${lines} it is ${names.join(" and ")}`];
}
