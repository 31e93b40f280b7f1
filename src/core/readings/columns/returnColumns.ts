import { plainWords, type Table } from "@/core/formats";

import { type Contents, isDate } from "./contents";

/** The columns of a list of returns: of several traces and days, those of what came back. */
export const returnColumns = (
  table: Table,
  columns: Record<string, string>,
  cellsOf: Contents,
): Record<string, string> => withReturnDay(table, withOnlyTrace(columns), cellsOf);

/** The only trace of a list of returns is that of what came back: another is found by nothing. */
function withOnlyTrace(columns: Record<string, string>): Record<string, string> {
  const { trace, ...others } = columns;
  return trace === undefined || columns.originalTrace !== undefined
    ? columns
    : { ...others, originalTrace: trace };
}

/** When something came back stands where the head says so: a day beside it is that of the debit. */
function withReturnDay(
  table: Table,
  columns: Record<string, string>,
  cellsOf: Contents,
): Record<string, string> {
  const taken = new Set(Object.values(columns));
  const isOfReturn = (head: string): boolean =>
    /\breturn(?:ed|s)?\b/.test(plainWords(head)) && !/\borig/.test(plainWords(head));
  if (columns.on !== undefined && isOfReturn(columns.on)) return columns;
  const on = table.headers.find(
    (head) =>
      !taken.has(head) &&
      isOfReturn(head) &&
      cellsOf(head).length > 0 &&
      cellsOf(head).every(isDate),
  );
  return on === undefined ? columns : { ...columns, on };
}
