import { isOnTop } from "../sums/costHeads";
import { type Columns, foots, type Sheet, type Sums } from "./sheet";

type Beside = { readonly fees: readonly Sums[]; readonly net: Sums | null };

/**
 * The only column that was paid beside what is called gross, as a tip: with it the fees leave what
 * arrives, in its column or in one that has no name yet, on every line.
 */
export function paidOnTop(sheet: Sheet, gross: Sums, { fees, net }: Beside): Columns | null {
  const free = sheet.free();
  const tops = free.filter((head) => isOnTop(head) && raises(gross, sheet.under(head)));
  const found = tops.flatMap((onTop) => {
    const all = withMore(gross, sheet.under(onTop));
    if (net) return foots(all, fees, net) ? [{ onTop }] : [];
    return free
      .filter((head) => !tops.includes(head) && foots(all, fees, sheet.under(head)))
      .map((head) => ({ onTop, net: head }));
  });
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** What goes the other way than a charge is taken off it, as a tax that is passed on. */
const raises = (gross: Sums, more: Sums): boolean =>
  gross.every((sum, at) => (sum ?? 0) * (more[at] ?? 0) >= 0);

const withMore = (sums: Sums, more: Sums): Sums =>
  sums.map((sum, at) => (sum === null ? null : sum + (more[at] ?? 0)));
