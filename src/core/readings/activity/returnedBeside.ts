import { type Day, formatDay } from "@/core/calendar";
import { plainWords } from "@/core/formats";
import { minor } from "@/core/money";

import { dayOfCell, inText, type Made, plainFields, type Reading } from "../canonical";
import { Cells, type Row } from "../cells";
import { dayUnder } from "../days/dayUnder";
import { writtenDay } from "../days/writtenDay";
import { isReturnWord, sureKind } from "../rowWords";
import { totalWords } from "../totalWords";
import type { Question } from "../types";
import type { ActivityEntry } from "./processorRows";

/** Heads of the day on which a debit came back, beside that of the debit itself. */
const RETURN_DAY =
  /^(?:ach )?(?:return(?:ed)? (?:date|day|on|at|settlement date)|date returned|day returned)$/;
/** Heads of the day on which a line came to stand as it does. */
const STATE_DAY = /^(?:status|state|last status|last update|updated) (?:date|day|on|at)$/;
/** States of what was taken and may have come back. */
const MAY_BE_BACK = /^(?:nsf|r\d\d|return(?:ed)?|bounced|dishonou?red|unpaid|reversed)\b/;
/** The answer that it did. */
const CAME_BACK = "came_back";
/** Codes of returns (Nacha Operating Rules, Appendix Four). */
const CODE = /^R\d\d\b/i;

type Column = { readonly head: string; readonly at: number };

/** The column of the days on which debits came back, which no field has. */
const returnDayColumn = (cells: Cells): Column | undefined =>
  cells.file.kind === "processor"
    ? cells.unread().find(({ head }) => RETURN_DAY.test(plainWords(head)))
    : undefined;
const stateDayColumn = (cells: Cells): Column | undefined =>
  cells.unread().find(({ head }) => STATE_DAY.test(plainWords(head)));

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

/** Whether it was said of a line's state that what was taken came back. */
const isSaidBack = (cells: Cells, row: Row): boolean =>
  cells.file.answers[`state:${cells.of(row, "status").toLowerCase()}`] === CAME_BACK;

/** The day on which it came back: by its column, else since when it stands so, else its own; null where it did not. */
function dayOfReturn(reading: Reading, row: Row): Day | null {
  const { cells, daysOf } = reading;
  if (!cameBack(cells, row) && !isSaidBack(cells, row)) return null;
  const days = [returnDayColumn(cells), stateDayColumn(cells)].flatMap((column) => {
    const written = writtenDay((row.cells[column?.at ?? -1] ?? "").trim());
    return (written && dayUnder(written, daysOf("occurredOn"))) ?? [];
  });
  return days[0] ?? dayOfCell(reading, row, "occurredOn");
}

/** What a state of returns may say beside whether it is money: that the line came and came back. */
export function cameBackChoice(
  reading: Reading,
  word: string,
  lines: readonly Row[],
): Question["choices"] {
  const [first] = lines;
  if (!first || !MAY_BE_BACK.test(plainWords(word))) return [];
  const { cells } = reading;
  const said = { ...cells.file.answers, [`state:${word}`]: CAME_BACK };
  const asSaid = { ...reading, cells: new Cells({ ...cells.file, answers: said }) };
  const on = dayOfReturn(asSaid, first);
  const day = on === null ? "" : `, line ${first.line} on ${formatDay(on, reading.today)}`;
  return [
    {
      answer: CAME_BACK,
      result: `it came and came back: ${totalWords(reading, lines)}, and as ACH returns${day}`,
    },
  ];
}

/** Which debits have their return on a line of its own, by what that names, else by its sum. */
export function returnsApart(
  { cells }: Reading,
  entries: readonly ActivityEntry[],
): (entry: ActivityEntry) => boolean {
  const returns = entries.filter(({ activity }) => activity.kind === "ach_return");
  const named = new Set(
    returns.flatMap(({ row, activity }) => [cells.of(row, "relatedId"), activity.id]),
  );
  const sums = new Set(returns.map(({ activity }) => Math.abs(activity.gross ?? 0)));
  return ({ activity: { id, gross } }) =>
    (id !== "" && named.has(id)) || sums.has(Math.abs(gross ?? 0));
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
