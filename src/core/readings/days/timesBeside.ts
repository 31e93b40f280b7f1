import { plainWords } from "@/core/formats";

import { MAIN_DAY } from "../lines/rowsLeftOut";
import type { Unread } from "../types";
import { writtenDay } from "./writtenDay";

const TIME_HEAD = /^(?:(?:transaction|txn|trans|created|payment|sale|batch|local|posting) )?time$/;
const TIME = /^\d{1,2}:\d\d(?::\d\d(?:\.\d+)?)?(?:\s?[ap]\.?m\.?)?$/i;
const ZONE_HEAD = /^(?:(?:transaction|local) )?(?:time ?zone|tz|zone|utc offset)$/;
const ZONE = /^(?:z|utc|gmt|[a-z]{3,4}|[+-]\d\d:?\d\d)$/i;

/**
 * A list of activity with each day as a moment, where a column of times stands beside that of days: the
 * time may make it another day in the book's zone, and the zone may stand in a third.
 */
export function withTimes(file: Unread): Unread {
  const { kind, table, columns } = file;
  const dayAt = table.headers.indexOf(columns[MAIN_DAY[kind] ?? ""] ?? "");
  const timeAt = table.headers.findIndex((head) => TIME_HEAD.test(plainWords(head)));
  const taken = Object.values(columns).includes(table.headers[timeAt] ?? "");
  if (kind !== "processor" || table.kind !== undefined || dayAt < 0 || timeAt < 0 || taken)
    return file;
  const zoneAt = table.headers.findIndex((head) => ZONE_HEAD.test(plainWords(head)));
  const cell = ({ cells }: (typeof table.rows)[number], at: number): string =>
    (cells[at] ?? "").trim();
  const isOfBoth = (row: (typeof table.rows)[number]): boolean =>
    TIME.test(cell(row, timeAt)) && writtenDay(cell(row, dayAt))?.minutes === null;
  const rows = table.rows.map((row) => {
    if (!isOfBoth(row)) return row;
    const zone = cell(row, zoneAt);
    const parts = [cell(row, dayAt), cell(row, timeAt), ...(ZONE.test(zone) ? [zone] : [])];
    return { ...row, cells: row.cells.with(dayAt, parts.join(" ")) };
  });
  return { ...file, table: { ...table, rows } };
}
