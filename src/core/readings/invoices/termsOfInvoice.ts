import { parseTerms } from "@/core/calendar";
import { plainWords } from "@/core/formats";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { termsSaid } from "./dueOfInvoices";
import { termsIn } from "./termsIn";

/** Terms that nobody can read cost no invoice that says by itself when it is due. */
export function termsOf(reading: Reading, row: Row, isDueSaid: boolean): string {
  const raw = reading.cells.of(row, "terms");
  const inDue = isDueSaid ? null : termsIn(reading.cells.of(row, "dueOn"));
  if (inDue !== null) return inDue;
  const read = termsIn(raw) ?? (parseTerms(raw).ok ? raw : termsOfNumber(reading, raw));
  return read ?? (isDueSaid ? "" : raw || termsSaid(reading, row));
}

/** A number alone is days, where the head says so or it is one that terms have (common practice, no source). */
const termsOfNumber = (reading: Reading, raw: string): string | null =>
  /^\d{1,3}$/.test(raw) &&
  (/\b(?:days?|tage|jours)\b/.test(plainWords(reading.cells.head("terms"))) ||
    DAYS_OF_TERMS.has(Number(raw)))
    ? `n/${raw}`
    : null;
const DAYS_OF_TERMS = new Set([7, 10, 14, 15, 20, 21, 28, 30, 45, 60, 75, 90, 120]);
