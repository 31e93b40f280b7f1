import { headWords, plainWords } from "@/core/formats";

import { isCost, isOnTop } from "../sums/costHeads";
import { netOfParts } from "./netOfParts";
import { type Columns, foots, type Sheet, type Sums } from "./sheet";

/** What the sums of a processor's file prove of its columns. */
export function activityProof(sheet: Sheet): Columns | null {
  const [gross, fee, net] = [sheet.of("gross"), sheet.of("fee"), sheet.of("net")];
  const more = [sheet.of("fee2"), sheet.of("feeTax")].filter((sums): sums is Sums => sums !== null);
  if (!gross) return withoutGross(sheet, { fee, net, more });
  if (!fee && !net) return netOfParts(sheet) ?? feeAndNet(sheet, gross) ?? settledThree(sheet);
  if (fee && net)
    return foots(gross, [fee, ...more], net) ? null : mended(sheet, { gross, fee, net, more });
  if (fee) return netOf(sheet, gross, [fee, ...more]) ?? unproven(sheet, more);
  return net ? withoutFee(sheet, { gross, net, more }) : null;
}

function withoutGross(
  sheet: Sheet,
  { fee, net, more }: { fee: Sums | null; net: Sums | null; more: readonly Sums[] },
): Columns | null {
  if (net) return fee ? grossAbove(sheet, [fee, ...more], net) : null;
  return fee ? grossAndNet(sheet, [fee, ...more]) : unnamedThree(sheet);
}

const withoutFee = (
  sheet: Sheet,
  { gross, net, more }: { gross: Sums; net: Sums; more: readonly Sums[] },
): Columns | null => feesOf(sheet, gross, { more, net }) ?? anotherGross(sheet, net);

/** A second fee, or the tax on it, that no net shows to be beside the first and not within it: it is asked about. */
const unproven = ({ columns }: Sheet, more: readonly Sums[]): Columns | null =>
  more.length === 0 || columns.balance !== undefined || columns.net !== undefined
    ? null
    : { fee2: "", feeTax: "" };

/** Where gross and net are of two currencies: another gross, and its fee, that go with the net. */
function anotherGross(sheet: Sheet, net: Sums): Columns | null {
  const free = sheet.free();
  for (const gross of free)
    for (const fee of free)
      if (fee !== gross && foots(sheet.under(gross), [sheet.under(fee)], net))
        return { fee, ...grossOf(sheet, gross) };
  return null;
}

const unnamedThree = (sheet: Sheet): Columns | null =>
  sheet.of("moneyIn") ? null : threeOf(sheet);

/** The only three columns of which one is what another leaves of a third, where none has a name. */
function threeOf(sheet: Sheet): Columns | null {
  const found = sheet.free().flatMap((gross) =>
    pairsUnder(sheet, sheet.under(gross))
      .filter(({ fee, net }) => fee !== gross && net !== gross)
      .map((pair) => ({ gross, ...pair })),
  );
  return found.length === 1 ? (found[0] ?? null) : null;
}

/** The only column that is what was charged, by its fees and what is left of it, where it has no name. */
function grossAbove(sheet: Sheet, fees: readonly Sums[], net: Sums): Columns | null {
  // What is left is never more than what was charged.
  const isAbove = (gross: Sums): boolean =>
    gross.every((sum, at) => sum === null || Math.abs(sum) >= Math.abs(net[at] ?? 0));
  const found = sheet
    .free()
    .filter((head) => !isOnTop(head) && !isCost(head) && isAbove(sheet.under(head)))
    .filter((head) => foots(sheet.under(head), fees, net));
  const [only] = found;
  return only !== undefined && found.length === 1 ? { gross: only } : null;
}

/** The only two columns of which one is what the fees leave of the other, where neither has a name. */
function grossAndNet(sheet: Sheet, fees: readonly Sums[]): Columns | null {
  const free = sheet.free().filter((head) => !isOnTop(head));
  const found = free.flatMap((gross) =>
    free
      .filter((net) => net !== gross && foots(sheet.under(gross), fees, sheet.under(net)))
      .map((net) => ({ gross, net })),
  );
  const likely = found.filter(({ gross, net }) => isLarger(sheet, gross, net));
  return likely.length === 1 ? (likely[0] ?? null) : null;
}

/** Whether one column is at least another on every line: what was charged, beside what is left of it. */
const isLarger = (sheet: Sheet, gross: string, net: string): boolean =>
  sheet.under(gross).every((sum, at) => Math.abs(sum ?? 0) >= Math.abs(sheet.under(net)[at] ?? 0));

/** The only fee and net that are left of a gross, where neither has a name. */
function feeAndNet(sheet: Sheet, gross: Sums): Columns | null {
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

const sizeOf = (sums: Sums): number =>
  sums.reduce((all: number, sum) => all + Math.abs(sum ?? 0), 0);

/** What could be the fee of a gross, the smaller part, and the net that it leaves. */
function pairsUnder(sheet: Sheet, gross: Sums): { fee: string; net: string }[] {
  const free = sheet.free();
  return free.flatMap((fee) =>
    !isOnTop(fee) && sizeOf(sheet.under(fee)) * 2 < sizeOf(gross)
      ? free
          .filter((net) => net !== fee && sizeOf(sheet.under(net)) < sizeOf(gross))
          .filter((net) => foots(gross, [sheet.under(fee)], sheet.under(net)))
          .map((net) => ({ fee, net }))
      : [],
  );
}

/** Heads of what arrives, and of its currency. */
const SETTLED = /\b(?:settle\w*|payout|deposit)\b/;

/** What was charged in other currencies, beside the three that it came to where it was settled. */
function settledThree(sheet: Sheet): Columns | null {
  const three = threeOf(sheet);
  const isOfThem = SETTLED.test(plainWords(sheet.columns.currency ?? ""));
  if (three === null || isOfThem) return three;
  return { ...three, ...grossOf(sheet, three.gross ?? "") };
}

/** Another gross, in the currency beside it; not in that of the gross that it stands instead of. */
function grossOf(sheet: Sheet, gross: string): Columns {
  const before = sheet.columns.currency;
  const currency = sheet.currencyBeside(gross);
  if (currency !== null && currency !== before) return { gross, currency };
  return before === undefined ? { gross } : { gross, currency: "" };
}

type Three = { gross: Sums; fee: Sums; net: Sums; more: Sums[] };

/** Where gross, fee and net do not agree: another gross, with its currency, or one more fee. */
function mended(sheet: Sheet, { gross, fee, net, more }: Three): Columns | null {
  const free = sheet.free();
  // What one fee alone leaves is net: the others are what that fee is made of.
  if (more.length > 0 && foots(gross, [fee], net)) return { fee2: "", feeTax: "" };
  const other = free.find((head) => foots(sheet.under(head), [fee, ...more], net));
  if (other !== undefined) return grossOf(sheet, other);
  const fee2 = sheet.columns.fee2
    ? undefined
    : free.find(
        (head) =>
          isLikeFee(sheet, head, fee) && foots(gross, [fee, ...more, sheet.under(head)], net),
      );
  return fee2 === undefined ? null : { fee2 };
}

/** What goes the other way than the fee is none: a tip comes on top of what is paid. */
function isLikeFee(sheet: Sheet, head: string, fee: Sums): boolean {
  const way = (sums: Sums): number =>
    Math.sign(sums.reduce((all: number, sum) => all + Math.sign(sum ?? 0), 0));
  return way(sheet.under(head)) * way(fee) >= 0;
}

function netOf(sheet: Sheet, gross: Sums, fees: readonly Sums[]): Columns | null {
  const net = sheet.free().find((head) => foots(gross, fees, sheet.under(head)));
  const own = sheet.columns.gross;
  if (net === undefined || own === undefined) return null;
  // What is left is never more than what was charged: by another head the two change places.
  return isLarger(sheet, net, own) ? { gross: net, net: own } : { net };
}

/** Heads of what customers got back: it lies between gross and net too, and is no fee. */
const GIVEN_BACK =
  /^(?:total )?(?:returns?|refunds?|refunded|chargebacks?|discounts? given)(?: amount| total)?$/;

/** One or two columns that are what lies between gross and net. */
function feesOf(
  sheet: Sheet,
  gross: Sums,
  { more, net }: { more: readonly Sums[]; net: Sums },
): Columns | null {
  const free = sheet.free().filter((head) => !GIVEN_BACK.test(headWords(head)));
  const one = free.find((head) => foots(gross, [...more, sheet.under(head)], net));
  // Less a tax or a tip it is no net, but the price.
  if (one !== undefined) return isOnTop(one) ? { net: "" } : { fee: one };
  if (sheet.columns.fee2 !== undefined) return null;
  for (const [at, fee] of free.entries())
    for (const fee2 of free.slice(at + 1))
      if (foots(gross, [sheet.under(fee), sheet.under(fee2)], net))
        return isOnTop(fee) && isOnTop(fee2) ? { net: "" } : { fee, fee2 };
  return null;
}
