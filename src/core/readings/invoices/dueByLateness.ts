import { addDays, type Day } from "@/core/calendar";
import { headWords } from "@/core/formats";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { writtenDay } from "../days/writtenDay";

/** Heads of how many days an invoice is late, below zero before it is (common practice, no source). */
const LATE =
  /^(?:number of )?days? (?:past due|overdue|late|beyond terms)$|^(?:past due|overdue) days?$|^tage uberfallig$|^jours de retard$/;
/** Heads of the day that a list was made on, which is the day of issue of none of its invoices. */
const AS_OF = /\b(?:statement|as of|report|snapshot|aged|aging|stichtag)\b/;

/** The answer by which invoices are due so many days before the list was made as they are late then. */
export const BY_LATENESS = "late";

/** How many days a line is late, and as of when; null where nothing says so. */
function latenessOf(
  reading: Reading,
  row: Row,
): { days: number; asOf: Day; isIssue: boolean } | null {
  const { cells } = reading;
  const column = cells.unread().find(({ head }) => LATE.test(headWords(head)));
  const days = (row.cells[column?.at ?? -1] ?? "").trim();
  if (!/^-?\d{1,4}$/.test(days)) return null;
  const beside = cells.unread().find(({ head }) => AS_OF.test(headWords(head)));
  const isIssue = AS_OF.test(headWords(cells.head("issuedOn")));
  const cell = isIssue ? cells.of(row, "issuedOn") : (row.cells[beside?.at ?? -1] ?? "");
  const written = writtenDay(cell);
  const asOf = written && dayUnder(written, reading.daysOf("issuedOn"));
  return asOf ? { days: Number(days), asOf, isIssue } : null;
}

/** Whether lines say how late they are; where none is early, nothing is what is not late, due whenever. */
export function sayLateness(reading: Reading, rows: readonly Row[]): boolean {
  const found = rows.map((row) => latenessOf(reading, row)?.days ?? null);
  const isEarlySaid = found.some((days) => days !== null && days < 0);
  return found.every((days) => days !== null && (days !== 0 || isEarlySaid));
}

/** When a line is due by how late it is, and the day of its issue where the list gives that of its making. */
export function dueByLateness(reading: Reading, row: Row): { due: Day; issued: Day | null } | null {
  const late = latenessOf(reading, row);
  if (late === null) return null;
  const { days, asOf, isIssue } = late;
  const due = addDays(asOf, -days);
  if (!isIssue) return { due, issued: null };
  return { due, issued: due < asOf ? due : asOf };
}
