import { plainWords } from "@/core/formats";
import { type Minor, minor, sumOf } from "@/core/money";

import {
  headsUsedAs,
  inText,
  type Made,
  plainFields,
  type Reading,
  sumOfCell,
  sumUnderHead,
} from "../canonical";
import type { Row } from "../cells";
import { foots, Sheet, type Sums } from "../columns/sheet";
import { COST_FIELDS, isHeld } from "../sums/costHeads";
import { MARKS } from "../sums/marks";
import type { Answers, Unread } from "../types";
import type { ActivityEntry, ActivityRow } from "./processorRows";

/** What columns of reserves hold: sizes that are kept back, or come back, or what each does to the net. */
const EFFECT = {
  reserve: (sum: number): number => -Math.abs(sum),
  release: (sum: number): number => Math.abs(sum),
  held: (sum: number): number => sum,
} as const;
type Use = keyof typeof EFFECT;
const USES = Object.keys(EFFECT) as Use[];

const COMES_BACK = /\b(?:releas\w*|returned|repaid|given back|paid back)\b/;
/** A tax that is withheld comes back from nobody here: what it is, is asked. */
const isWithheldTax = (head: string): boolean =>
  /\b(?:tax|taxes|vat|gst|withholding)\b/.test(plainWords(head));
/** More columns of reserves than these are something else. */
const MOST = 3;

/** A file of activity with what its nets prove of its columns of reserves, as if it had been answered. */
export function withReserves(file: Unread): Unread {
  if (file.kind !== "processor" || file.table.kind !== undefined) return file;
  for (const mark of MARKS) {
    const proven = provenBy(new Sheet(file.table, file.columns, mark));
    if (proven !== null) return { ...file, answers: { ...proven, ...file.answers } };
  }
  return file;
}

/** What is kept back is so where gross less fees is the net with it, and is not without. */
function provenBy(sheet: Sheet): Answers | null {
  const [gross, net] = [sheet.of("gross"), sheet.of("net")];
  const heads = sheet.free().filter((head) => isHeld(head) && !isWithheldTax(head));
  if (gross === null || net === null || heads.length === 0 || heads.length > MOST) return null;
  const fees = COST_FIELDS.flatMap((field) => [sheet.of(field) ?? []]);
  const isNet = (uses: readonly Use[]): boolean => {
    const whole = gross.map((sum, at) =>
      uses.reduce(
        (all, use, nth) => all + EFFECT[use](sheet.under(heads[nth] ?? "")[at] ?? 0),
        sum ?? 0,
      ),
    );
    return foots(whole, fees, net) || isSame(whole, net);
  };
  if (foots(gross, fees, net) || isSame(gross, net)) return null;
  const sizes = heads.map((head): Use =>
    COMES_BACK.test(plainWords(head)) ? "release" : "reserve",
  );
  const effects = heads.map((): Use => "held");
  const isSigned = heads.some((head) => sheet.under(head).some((sum) => (sum ?? 0) < 0));
  const uses = (isSigned ? [effects, sizes] : [sizes, effects]).find(isNet);
  if (uses === undefined) return null;
  return Object.fromEntries(heads.map((head, at) => [`column:${head}`, uses[at] ?? ""]));
}

const isSame = (whole: Sums, net: Sums): boolean =>
  whole.every((sum, at) => net[at] === null || sum === net[at]);

/** What is kept back of a line, below zero, or comes back with it, by the columns that say so. */
export const reservedOf = (reading: Reading, row: Row): number =>
  sumOf(USES, (use) =>
    sumOf(headsUsedAs(reading, use), (head) => EFFECT[use](sumUnderHead(reading, row, head) ?? 0)),
  );

const HAVE_NONE: ReadonlySet<ActivityRow["kind"]> = new Set(["reserve", "payout"]);

/** What was kept back of a line by a column, as a row of its own. */
export function reserveRow(
  reading: Reading,
  { row, activity }: ActivityEntry,
): Made["rows"][number][] {
  const { id, currency, line, kind } = activity;
  const moved = reservedOf(reading, row);
  if (moved === 0 || HAVE_NONE.has(kind)) return [];
  const {
    occurredOn = "",
    settledOn = "",
    payoutOn = "",
    payoutId = "",
  } = plainFields(reading, row);
  const gross = inText(moved, currency);
  const fields = { occurredOn, settledOn, payoutOn, payoutId, currency, kind: "reserve", gross };
  return [{ line, fields: { ...fields, id: id === "" ? "" : `${id} reserve` } }];
}

/** A line that charges nothing and tells of a reserve alone. */
export const isReserveAlone = (reading: Reading, { row, activity }: ActivityEntry): boolean =>
  activity.kind === "charge" &&
  (activity.gross ?? 0) === 0 &&
  (activity.fee ?? 0) === 0 &&
  reservedOf(reading, row) !== 0;

/** The net of a line as it was before anything was kept back of it; as it stands where it is that already. */
export function beforeReserve(
  net: Minor | null,
  reserved: number,
  { gross, fee }: { gross: Minor | null; fee: Minor | null },
): Minor | null {
  const isBefore = net === (gross ?? 0) - Math.abs(fee ?? 0);
  return net === null || isBefore ? net : minor(net - reserved);
}

/** That what is kept back is the rest of each net, where the nets are less by it. */
export function reserveProofs(reading: Reading, entries: readonly ActivityEntry[]): string[] {
  const heads = USES.flatMap((use) => headsUsedAs(reading, use));
  const held = entries.filter(
    ({ row, activity }) => !HAVE_NONE.has(activity.kind) && reservedOf(reading, row) !== 0,
  );
  const isRest = held.every(
    ({ row, activity }) => activity.net !== null && activity.net !== sumOfCell(reading, row, "net"),
  );
  if (held.length === 0 || !isRest) return [];
  const named = heads.map((head) => `“${head}”`).join(" and ");
  return [`${named} ${heads.length === 1 ? "is" : "are"} a reserve: the rest of each net`];
}
