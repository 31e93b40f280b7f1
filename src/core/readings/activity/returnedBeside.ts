import { type Day } from "@/core/calendar";
import { plainWords } from "@/core/formats";
import { minor } from "@/core/money";

import { inText, type Made, plainFields, type Reading } from "../canonical";
import type { Cells, Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { writtenDay } from "../days/writtenDay";
import { isReturnWord, sureKind } from "../rowWords";
import type { ActivityEntry } from "./processorRows";

/** Heads of the day on which a debit came back, beside that of the debit itself. */
const RETURN_DAY =
  /^(?:ach )?(?:return(?:ed)? (?:date|day|on|at|settlement date)|date returned|day returned)$/;
/** Codes of returns (Nacha Operating Rules, Appendix Four). */
const CODE = /^R\d\d\b/i;

/** The column of the days on which debits came back, which no field has. */
export const returnDayColumn = (cells: Cells): { head: string; at: number } | undefined =>
  cells.file.kind === "processor"
    ? cells.unread().find(({ head }) => RETURN_DAY.test(plainWords(head)))
    : undefined;

/**
 * Whether a line is a debit that was taken and came back: it stands as returned, with the code of its
 * return and the day of it, and is no return itself.
 */
export function cameBack(cells: Cells, row: Row): boolean {
  const column = returnDayColumn(cells);
  if (column === undefined) return false;
  const kind = cells.of(row, "kind");
  const isDebit = kind === "" || sureKind(kind) === "charge" || sureKind(kind) === "started";
  return (
    isDebit &&
    isReturnWord(cells.of(row, "status")) &&
    CODE.test(cells.of(row, "returnCode")) &&
    writtenDay((row.cells[column.at] ?? "").trim()) !== null
  );
}

/** The day on which it came back; null where it did not, or on no day that can be. */
function dayOfReturn(reading: Reading, row: Row): Day | null {
  const { cells, daysOf } = reading;
  if (!cameBack(cells, row)) return null;
  const written = writtenDay((row.cells[returnDayColumn(cells)?.at ?? 0] ?? "").trim());
  return written && dayUnder(written, daysOf("occurredOn"));
}

/** The return of a debit whose own line is all that tells of it. */
export function returnedRow(
  reading: Reading,
  { row, activity }: ActivityEntry,
): Made["rows"][number][] {
  const on = dayOfReturn(reading, row);
  const { id, currency, line, kind, gross } = activity;
  if (on === null || kind !== "charge" || gross === null) return [];
  const {
    payerName = "",
    payerEmail = "",
    reference = "",
    method = "",
  } = plainFields(reading, row);
  return [
    {
      line,
      fields: {
        ...{ payerName, payerEmail, reference, method, currency },
        kind: "ach_return",
        id: id === "" ? "" : `${id} return`,
        relatedId: id,
        occurredOn: on,
        settledOn: on,
        gross: inText(minor(-Math.abs(gross)), currency),
        returnCode: reading.cells.of(row, "returnCode"),
      },
    },
  ];
}
