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

/** When a line is due, and when it was issued at the latest, by how late it is; null where nothing says so. */
export function dueByLateness(reading: Reading, row: Row): { due: Day; issued: Day } | null {
  const { cells } = reading;
  const column = cells.unread().find(({ head }) => LATE.test(headWords(head)));
  if (column === undefined || !AS_OF.test(headWords(cells.head("issuedOn")))) return null;
  const days = (row.cells[column.at] ?? "").trim();
  const written = writtenDay(cells.of(row, "issuedOn"));
  const made = written && dayUnder(written, reading.daysOf("issuedOn"));
  if (!made || !/^-?\d{1,4}$/.test(days)) return null;
  const due = addDays(made, -Number(days));
  return { due, issued: due < made ? due : made };
}
