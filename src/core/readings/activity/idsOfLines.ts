import { plainWords } from "@/core/formats";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { writtenDay } from "../days/writtenDay";
import { type ActivityRow, bringsFeeBack } from "./processorRows";

type Ids = {
  idHead: string | null;
  /** Ids that stand on several lines: they are those of payments, not of lines. */
  shared: ReadonlySet<string>;
  momentId: (row: Row, activity: ActivityRow) => string;
  activity: ActivityRow;
  /** The id that its own column gives it. */
  of: string | undefined;
};

/** What a line goes by, and what it is of. */
export function idsOf(reading: Reading, row: Row, ids: Ids): Record<string, string> {
  const own = ownId(reading, row, ids);
  const ofCharge = ids.activity.kind === "charge" ? chargeId(reading, row) : {};
  const { of, shared, activity } = ids;
  if (of !== undefined && shared.has(of) && bringsFeeBack(activity))
    return { ...own, id: `${of} fee given back`, relatedId: own.relatedId ?? of };
  const moment = ids.momentId(row, ids.activity);
  const isNamed = (ofCharge.id ?? own.id ?? ids.of) !== undefined;
  return { ...own, ...ofCharge, ...(moment === "" || isNamed ? {} : { id: moment }) };
}

/** Ids that stand on more than one of some lines. */
export function sharedIds({ cells }: Reading, rows: readonly Row[]): ReadonlySet<string> {
  const seen = new Set<string>();
  return new Set(
    cells.column(rows, "id").filter((id) => {
      const isKnown = seen.has(id);
      seen.add(id);
      return isKnown;
    }),
  );
}

/** The id of a refund or a dispute by its own column, with what names the charge that it is of. */
const ownId = (
  { cells }: Reading,
  row: Row,
  { idHead, of = "" }: Pick<Ids, "idHead" | "of">,
): Record<string, string> =>
  idHead === null
    ? {}
    : {
        relatedId: cells.of(row, "relatedId") || of,
        id: (row.cells[cells.file.table.headers.indexOf(idHead)] ?? "").trim(),
      };

/** A charge goes by what its refunds name, where a column of charges says that beside an id of each line. */
function chargeId({ cells }: Reading, row: Row): Record<string, string> {
  const charge = cells.of(row, "relatedId");
  const isNamed = /^charge(?: id)?$/.test(plainWords(cells.head("relatedId")));
  return isNamed && charge !== "" && cells.has("id") ? { id: charge, relatedId: "" } : {};
}

/** Fields that tell payments of a moment from one another. */
const TOLD_BY = ["payerName", "payerEmail", "reference", "relatedId"] as const;
/** What a payout, or a debit on its way, goes by is another matter. */
const OTHERWISE: ReadonlySet<ActivityRow["kind"]> = new Set(["payout", "started"]);

/**
 * Ids for lines that have none and say when they were: a payment of the morning and one of the afternoon
 * are two, though one export has the first and another the second. Empty where a line says only its day.
 */
export function momentIds({ cells }: Reading): (row: Row, activity: ActivityRow) => string {
  const seen = new Map<string, number>();
  return (row, { kind, gross, net }) => {
    if (cells.has("id") || OTHERWISE.has(kind)) return "";
    const written = writtenDay(cells.of(row, "occurredOn"));
    // Midnight is what a day alone is written as.
    if (written === null || (!written.minutes && written.epoch === null)) return "";
    const told = TOLD_BY.map((field) => cells.of(row, field));
    const said = [kind, cells.of(row, "occurredOn"), gross ?? net ?? "", ...told].join("|");
    const nth = (seen.get(said) ?? 0) + 1;
    seen.set(said, nth);
    return nth === 1 ? said : `${said}|${nth}`;
  };
}
