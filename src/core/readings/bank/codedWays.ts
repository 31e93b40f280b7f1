import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";

const HEAD = /\b(?:code|bai|type|tran|trans|transaction)\b/;
/** Codes of three digits by which banks report, as BAI2 has them: credits below 400, debits above. */
const CREDIT = /^[123]\d\d$/;
const DEBIT = /^[456]\d\d$/;

/**
 * The way of the money of each line by a column of codes, where every line has one and both ways are
 * among them. Source: BAI2, Cash Management Balance Reporting Specifications, version 2 (100 to 399
 * credits, 400 to 699 debits). From memory.
 */
export function waysByCode(cells: Cells, rows: readonly Row[]): (row: Row) => 1 | -1 | null {
  const heads = cells.file.table.headers.entries();
  for (const [at, head] of heads) {
    if (!HEAD.test(plainWords(head))) continue;
    const codes = rows.map((row) => (row.cells[at] ?? "").trim());
    const areAll = codes.every((code) => CREDIT.test(code) || DEBIT.test(code));
    if (areAll && codes.some((code) => CREDIT.test(code)) && codes.some((code) => DEBIT.test(code)))
      return (row) => (CREDIT.test((row.cells[at] ?? "").trim()) ? 1 : -1);
  }
  return () => null;
}
