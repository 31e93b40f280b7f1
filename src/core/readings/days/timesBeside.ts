import { plainWords } from "@/core/formats";

import { MAIN_DAY } from "../lines/rowsLeftOut";
import type { Unread } from "../types";
import { writtenDay } from "./writtenDay";
import { zoneIn } from "./zoneNames";

const TIME_HEAD = /^(?:(?:transaction|txn|trans|created|payment|sale|batch|local|posting) )?time$/;
const TIME = /^\d{1,2}:\d\d(?::\d\d(?:\.\d+)?)?(?:\s?[ap]\.?m\.?)?$/i;
const ZONE_HEAD = /^(?:(?:transaction|local) )?(?:time ?zone|tz|zone|utc offset)$/;
const ZONE = /^(?:z|[a-z]{3,4}|[+-]\d\d:?\d\d)$/i;

/**
 * A list of activity with each day as a moment, where a column of times stands beside that of days: the
 * time may make it another day in the book's zone, and the zone may stand in a third.
 */
export function withTimes(file: Unread): Unread {
  const { kind, table, columns } = file;
  const dayAt = table.headers.indexOf(columns[MAIN_DAY[kind] ?? ""] ?? "");
  const isTaken = (at: number): boolean => Object.values(columns).includes(table.headers[at] ?? "");
  const timeAt = table.headers.findIndex((head) => TIME_HEAD.test(plainWords(head)));
  const zoneAt = table.headers.findIndex((head) => ZONE_HEAD.test(plainWords(head)));
  const isBeside = timeAt >= 0 && !isTaken(timeAt);
  if (kind !== "processor" || table.kind !== undefined || dayAt < 0) return file;
  if (!isBeside && (zoneAt < 0 || isTaken(zoneAt))) return file;
  const cell = ({ cells }: Row, at: number): string => (cells[at] ?? "").trim();
  const timeOf = (row: Row): string | null => {
    const written = writtenDay(cell(row, dayAt));
    if (written === null) return null;
    // The time stands beside its day, or in it already.
    if (written.minutes !== null) return written.zone === null ? "" : null;
    return isBeside && TIME.test(cell(row, timeAt)) ? cell(row, timeAt) : null;
  };
  const rows = table.rows.map((row) => {
    const time = timeOf(row);
    const zone = zoneOf(cell(row, zoneAt));
    if (time === null || (time === "" && zone === "")) return row;
    const parts = [cell(row, dayAt), time, zone].filter((part) => part !== "");
    return { ...row, cells: row.cells.with(dayAt, parts.join(" ")) };
  });
  return { ...file, table: { ...table, rows } };
}

type Row = Unread["table"]["rows"][number];

/** A zone as it can stand behind a time; words that name none stay, so that their line is refused by them. */
const zoneOf = (cell: string): string => (ZONE.test(cell) ? cell : (zoneIn(cell) ?? cell));
