import { COST_FIELDS, isCost, isNoFee, isOnTop } from "../sums/costHeads";
import { type Columns, foots, isLarger, type Sheet, sizeOf, type Sums } from "./sheet";

/** The same, where no column says what came in alone. */
export const unnamedThree = (sheet: Sheet): Columns | null =>
  sheet.of("moneyIn") ? null : threeOf(sheet);

/** The only three columns of which one is what another leaves of a third, where none has a name. */
export function threeOf(sheet: Sheet): Columns | null {
  const found = sheet.free().flatMap((gross) =>
    pairsUnder(sheet, sheet.under(gross))
      .filter(({ fee, net }) => fee !== gross && net !== gross)
      .map((pair) => ({ gross, ...pair })),
  );
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The only two columns of which one is what the fees leave of the other, where neither has a name. */
export function grossAndNet(sheet: Sheet, fees: readonly Sums[]): Columns | null {
  const free = sheet.free().filter((head) => !isOnTop(head));
  const found = free.flatMap((gross) =>
    free
      .filter((net) => net !== gross && foots(sheet.under(gross), fees, sheet.under(net)))
      .map((net) => ({ gross, net })),
  );
  const likely = found.filter(({ gross, net }) => isLarger(sheet, gross, net));
  return likely.length === 1 ? (likely[0] ?? null) : null;
}

/** The only fee and net that are left of a gross, where neither has a name. */
export function feeAndNet(sheet: Sheet, gross: Sums): Columns | null {
  const found = pairsUnder(sheet, gross).filter(({ fee }) => isCost(fee));
  return found.length === 1 ? (found[0] ?? null) : twoFeesAndNet(sheet, gross);
}

/** The only two fees that leave a net of a gross, where none of the three has a name. */
function twoFeesAndNet(sheet: Sheet, gross: Sums): Columns | null {
  const free = sheet.free();
  const costs = free.filter((head) => isCost(head));
  const found = costs.flatMap((fee, at) =>
    costs.slice(at + 1).flatMap((fee2) =>
      free
        .filter((net) => net !== fee && net !== fee2)
        .filter((net) => foots(gross, [sheet.under(fee), sheet.under(fee2)], sheet.under(net)))
        .map((net) => ({ fee, fee2, net })),
    ),
  );
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The only fee and net that are left of a gross beside fees that have a name, where neither of the two has. */
export function moreFeeAndNet(sheet: Sheet, gross: Sums, fees: readonly Sums[]): Columns | null {
  const free = sheet.free();
  const found = free
    .filter((head) => isCost(head))
    .flatMap((fee2) =>
      free
        .filter(
          (net) => net !== fee2 && foots(gross, [...fees, sheet.under(fee2)], sheet.under(net)),
        )
        .map((net) => ({ fee2, net })),
    );
  return found.length === 1 ? (found[0] ?? null) : null;
}

/**
 * All costs beside a gross, of which some have a name, and the only net that they leave together: what
 * was charged goes to those who gave the card, to its scheme, and to the processor.
 */
export function costsAndNet(sheet: Sheet, gross: Sums, named: readonly Sums[]): Columns | null {
  const free = sheet.free();
  const costs = free.filter((head) => isCost(head));
  const open = COST_FIELDS.filter((field) => sheet.columns[field] === undefined);
  if (costs.length < 2 || costs.length > open.length) return null;
  const fees = [...named, ...costs.map((head) => sheet.under(head))];
  const found = free.filter((net) => !costs.includes(net) && foots(gross, fees, sheet.under(net)));
  const [net] = found;
  if (net === undefined || found.length > 1) return null;
  return { net, ...Object.fromEntries(costs.map((head, at) => [open[at] ?? "fee", head])) };
}

/** A net by its name that is the gross of a fee and a net: what it came to where it was settled. */
export function threeUnderNet(sheet: Sheet, gross: Sums): Columns | null {
  const found = pairsUnder(sheet, gross).filter(({ fee }) => isCost(fee));
  const [only] = found;
  return only !== undefined && found.length === 1 ? only : null;
}

/** What could be the fee of a gross, the smaller part, and the net that it leaves. */
function pairsUnder(sheet: Sheet, gross: Sums): { fee: string; net: string }[] {
  const free = sheet.free();
  return free.flatMap((fee) =>
    !isOnTop(fee) && !isNoFee(fee) && sizeOf(sheet.under(fee)) * 2 < sizeOf(gross)
      ? free
          .filter((net) => net !== fee && sizeOf(sheet.under(net)) < sizeOf(gross))
          .filter((net) => foots(gross, [sheet.under(fee)], sheet.under(net)))
          .map((net) => ({ fee, net }))
      : [],
  );
}
