import { COST_FIELDS, isCost } from "../sums/costHeads";
import { type Columns, ENOUGH, type Sheet, type Sums } from "./sheet";

/** What is sold, and what it costs, at the least. */
const FEWEST_PARTS = 3;

/** Fields of what lies between what is charged and what arrives. */
const BETWEEN = [...COST_FIELDS, "refunded"] as const;

/**
 * A total that every other sum of its line adds up to, costs and all, as a market place writes it:
 * it is what arrives, and no column says what was charged. Null where it is no such total.
 */
export function netOfParts(sheet: Sheet): Columns | null {
  const total = sheet.columns.gross;
  if (total === undefined || sheet.columns.net !== undefined) return null;
  const named = BETWEEN.flatMap((field) => sheet.columns[field] ?? []);
  const parts = [...sheet.free(), ...named];
  const known = COST_FIELDS.flatMap((field) => sheet.columns[field] ?? []);
  const open = COST_FIELDS.filter((field) => sheet.columns[field] === undefined);
  const others = sheet.free().filter((head) => isCost(head) && goesOut(sheet.under(head)));
  const costs = [...known, ...others];
  if (parts.length < FEWEST_PARTS || costs.length === 0 || others.length > open.length) return null;
  if (!costs.every((head) => goesOut(sheet.under(head))) || !isSumOf(sheet, total, parts))
    return null;
  const fields = others.map((head, at): [string, string] => [open[at] ?? "", head]);
  return { gross: "", refunded: "", net: total, ...Object.fromEntries(fields) };
}

const isSumOf = (sheet: Sheet, total: string, parts: readonly string[]): boolean =>
  addsUp(
    sheet.under(total),
    parts.map((head) => sheet.under(head)),
  );

/** The other costs of a net that all sums of its line add up to; null where it is no such net. */
export function costsOfNet(sheet: Sheet): Columns | null {
  const { net, ...others } = sheet.columns;
  const known = COST_FIELDS.flatMap((field) => others[field] ?? []);
  const parts = sheet.free();
  const open = COST_FIELDS.filter((field) => others[field] === undefined);
  const costs = parts.filter((head) => isCost(head) && goesOut(sheet.under(head)));
  if (net === undefined || costs.length === 0 || costs.length > open.length) return null;
  const all = [...parts, ...known].map((head) => sheet.under(head));
  return addsUp(sheet.under(net), all)
    ? Object.fromEntries(costs.map((head, at) => [open[at] ?? "", head]))
    : null;
}

/** Whether a column mostly takes something away. */
const goesOut = (sums: Sums): boolean =>
  sums.reduce((all: number, sum) => all + Math.sign(sum ?? 0), 0) < 0;

const addsUp = (whole: Sums, parts: readonly Sums[]): boolean =>
  whole.length > ENOUGH &&
  whole.every((sum, at) => sum === parts.reduce((all, part) => all + (part[at] ?? 0), 0));
