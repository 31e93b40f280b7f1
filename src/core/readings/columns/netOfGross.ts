import { type Columns, foots, largerFirst, type Sheet, type Sums } from "./sheet";

/** The column that is what the fees leave of the sums of a file, or that they are left of themselves. */
export function netOf(sheet: Sheet, gross: Sums, fees: readonly Sums[]): Columns | null {
  const net = sheet.free().find((head) => foots(gross, fees, sheet.under(head)));
  if (net === undefined) return null;
  return isChargedAlone(sheet.under(net), gross)
    ? { gross: "", net: sheet.columns.gross ?? "" }
    : largerFirst(sheet, { net });
}

/** A net that one fee alone leaves, though others have names too: they are what that fee is made of. */
export function netOfAllFees(
  sheet: Sheet,
  gross: Sums,
  { fee, more }: { fee: Sums; more: readonly Sums[] },
): Columns | null {
  const found = more.length === 0 ? null : netOf(sheet, gross, [fee]);
  return found && { ...found, fee2: "", feeTax: "" };
}

/**
 * Whether a column says of some lines alone what was charged, and another of all of them what is left
 * of it: of a refund, say, only the sum that went.
 */
function isChargedAlone(charged: Sums, left: Sums): boolean {
  const isMissing = (sum: number | null | undefined): boolean => !sum;
  const both = left.map((sum, at): [number, number] => [
    Math.abs(sum ?? 0),
    Math.abs(charged[at] ?? 0),
  ]);
  return (
    both.some(([rest, whole]) => rest !== 0 && isMissing(whole)) &&
    both.some(([rest, whole]) => whole > rest) &&
    both.every(([rest, whole]) => isMissing(whole) || whole >= rest)
  );
}
