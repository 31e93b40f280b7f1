import { inText, type Made, plainFields, type Reading } from "../canonical";
import type { Row } from "../cells";
import { idsOf } from "./idsOfLines";
import { type ActivityEntry, effectUnder, type SignReading } from "./processorRows";
import { paidOut } from "./rowsBeside";

/** Fields that are worked out from what the file says, and not taken over. */
const WORKED_OUT = new Set([
  "gross",
  "fee",
  "fee2",
  "feeTax",
  "net",
  "onTop",
  "refunded",
  "balance",
  "status",
  "moneyIn",
  "moneyOut",
]);

type Decisions = {
  signs: SignReading;
  turned: boolean;
  isMethod: boolean;
  /** The head of the ids of lines that were said to be refunds or disputes. */
  idHead: string | null;
  /** Ids that stand on several lines. */
  shared: ReadonlySet<string>;
  /** An id by the moment of a line that has none. */
  momentId: (row: Row, activity: ActivityEntry["activity"]) => string;
  /** Who paid, by columns of the two parts of a name. */
  person: (row: Row) => string;
};

/** A line in the agreed layout: its kind by name, its sum at its effect, its fee as a cost. */
export function agreedRow(
  reading: Reading,
  { row, activity }: ActivityEntry,
  { signs, turned, isMethod, person, ...ids }: Decisions,
): Made["rows"][number] {
  const { currency, kind } = activity;
  const effect = effectUnder(activity, signs);
  const fields = plainFields(reading, row, WORKED_OUT);
  const word = reading.cells.of(row, "kind");
  fields.kind = kind;
  Object.assign(fields, idsOf(reading, row, { ...ids, activity, of: fields.id }));
  fields.payerName ??= person(row);
  fields.method ??= isMethod || METHOD_HINT.test(word) ? word : "";
  if (effect) {
    const paid = kind === "payout" ? (turned ? -1 : 1) * (paidOut(activity) ?? 0) : effect.gross;
    fields.gross = inText(paid, currency);
    fields.fee = inText(kind === "payout" ? 0 : effect.cost, currency);
  }
  return { line: row.line, fields };
}

const METHOD_HINT = /ach|bank|check|debit|card/i;
