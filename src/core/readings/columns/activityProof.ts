import { COST_FIELDS, isCost, isNoFee, isOnTop } from "../sums/costHeads";
import { givenAlone, givenBeside, isGivenBack } from "./givenBack";
import { netOf, netOfAllFees } from "./netOfGross";
import { costsOfNet, netOfParts } from "./netOfParts";
import {
  type Columns,
  foots,
  isLarger,
  largerFirst,
  lessSizes,
  type Sheet,
  sizeOf,
  type Sums,
} from "./sheet";
import { paidOnTop } from "./paidOnTop";
import { anotherGross, grossOf, settledThree, settledUnder } from "./settledSums";
import { costsAndNet, feeAndNet, grossAndNet, moreFeeAndNet, unnamedThree } from "./unnamedSums";

/** What the sums of a processor's file prove of its columns. */
export function activityProof(sheet: Sheet): Columns | null {
  const gross = sheet.of("gross");
  const given = sheet.of("refunded");
  if (gross !== null && footsByName(sheet, gross)) return null;
  const found = proofOf(sheet, gross);
  if (found !== null || gross === null || given === null) return found;
  // What arrives may be less what was given back, too.
  return proofOf(sheet, lessSizes(gross, given));
}

/** The fees that go by their names beside the first. */
const moreOf = (sheet: Sheet): Sums[] =>
  [sheet.of("fee2"), sheet.of("feeTax")].filter((sums): sums is Sums => sums !== null);

/** Whether gross, fees and net agree as their columns are named. */
function footsByName(sheet: Sheet, gross: Sums): boolean {
  const [fee, net] = [sheet.of("fee"), sheet.of("net")];
  return fee !== null && net !== null && foots(gross, [fee, ...moreOf(sheet)], net);
}

function proofOf(sheet: Sheet, gross: Sums | null): Columns | null {
  const [fee, net] = [sheet.of("fee"), sheet.of("net")];
  const more = moreOf(sheet);
  if (!gross) return withoutGross(sheet, { fee, net, more });
  if (!fee && !net) return netOfParts(sheet) ?? feesAndNet(sheet, gross, more);
  if (fee && net)
    return foots(gross, [fee, ...more], net) ? null : mended(sheet, { gross, fee, net, more });
  if (fee) return netOfParts(sheet) ?? withoutNet(sheet, { gross, fee, more });
  return net ? withoutFee(sheet, { gross, net, more }) : null;
}

const feesAndNet = (sheet: Sheet, gross: Sums, more: readonly Sums[]): Columns | null =>
  feeAndNet(sheet, gross) ?? costsAndNet(sheet, gross, more) ?? settledThree(sheet);

function withoutGross(
  sheet: Sheet,
  { fee, net, more }: { fee: Sums | null; net: Sums | null; more: readonly Sums[] },
): Columns | null {
  if (net && fee)
    return (
      grossAbove(sheet, [fee, ...more], net) ??
      netBelow(sheet, [fee, ...more], net) ??
      costsOfNet(sheet)
    );
  if (net) return null;
  return fee ? grossAndNet(sheet, [fee, ...more]) : unnamedThree(sheet);
}

const withoutNet = (
  sheet: Sheet,
  { gross, fee, more }: { gross: Sums; fee: Sums; more: readonly Sums[] },
): Columns | null =>
  netOf(sheet, gross, [fee, ...more]) ??
  netOfAllFees(sheet, gross, { fee, more }) ??
  paidOnTop(sheet, gross, { fees: [fee, ...more], net: null }) ??
  (more.length === 0 ? moreFeeAndNet(sheet, gross, [fee]) : unproven(sheet, more));

const withoutFee = (
  sheet: Sheet,
  { gross, net, more }: { gross: Sums; net: Sums; more: readonly Sums[] },
): Columns | null =>
  givenAlone(sheet, gross, net) ??
  largerFirst(sheet, feesOf(sheet, gross, { more, net })) ??
  anotherGross(sheet, net) ??
  settledUnder(sheet, net);

/** A second fee, or the tax on it, that no net shows to be beside the first and not within it: it is asked about. */
const unproven = ({ columns }: Sheet, more: readonly Sums[]): Columns | null =>
  more.length === 0 || columns.balance !== undefined || columns.net !== undefined
    ? null
    : { fee2: "", feeTax: "" };

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

/** Net sales are what was charged, where the fees leave another column of them. */
function netBelow(sheet: Sheet, fees: readonly Sums[], named: Sums): Columns | null {
  const { net: gross = "" } = sheet.columns;
  if (!/\bsales\b/i.test(gross)) return null;
  const found = sheet.free().filter((head) => foots(named, fees, sheet.under(head)));
  const [net] = found;
  return net !== undefined && isLarger(sheet, gross, net) ? { gross, net } : null;
}

type Three = { gross: Sums; fee: Sums; net: Sums; more: Sums[] };

/** Where gross, fee and net do not agree: another gross, with its currency, or one more fee. */
function mended(sheet: Sheet, { gross, fee, net, more }: Three): Columns | null {
  const free = sheet.free();
  // What one fee alone leaves is net: the others are what that fee is made of.
  if (more.length > 0 && foots(gross, [fee], net)) return { fee2: "", feeTax: "" };
  // What is left is never more than what was charged.
  const other = free.find(
    (head) =>
      sizeOf(sheet.under(head)) >= sizeOf(net) && foots(sheet.under(head), [fee, ...more], net),
  );
  if (other !== undefined) return grossOf(sheet, other);
  const left = free.find((head) => foots(gross, [fee, ...more], sheet.under(head)));
  if (left !== undefined) return { net: left };
  const onTop = paidOnTop(sheet, gross, { fees: [fee, ...more], net });
  if (onTop !== null) return onTop;
  const given = givenBeside(sheet, gross, { fees: [fee, ...more], net });
  if (given !== null) return given;
  const between = free.find(
    (head) =>
      !isNoFee(head) &&
      !isTaxOfOthers(sheet, head, fee) &&
      isLikeFee(sheet, head, fee) &&
      foots(gross, [fee, ...more, sheet.under(head)], net),
  );
  if (between === undefined) return twoMore(sheet, gross, { fees: [fee, ...more], net });
  if (isGivenBack(between)) return null;
  return sheet.columns.fee2 === undefined ? { fee2: between } : null;
}

/** Two more costs beside a fee, in the two fields of costs that have no column; null where one has. */
function twoMore(
  sheet: Sheet,
  gross: Sums,
  { fees, net }: { fees: readonly Sums[]; net: Sums },
): Columns | null {
  const [first, second, ...others] = COST_FIELDS.filter(
    (field) => sheet.columns[field] === undefined,
  );
  if (first === undefined || second === undefined || others.length > 0) return null;
  const free = sheet.free().filter((head) => isCost(head));
  for (const [at, one] of free.entries())
    for (const two of free.slice(at + 1))
      if (foots(gross, [...fees, sheet.under(one), sheet.under(two)], net))
        return { [first]: one, [second]: two };
  return null;
}

/** No tax on a fee is more than this part of it (the highest VAT in use is 27 %). */
const MOST_TAX = 0.3;

/** A tax that is more than one on a fee can be: of what was sold, kept back for somebody else. */
function isTaxOfOthers(sheet: Sheet, head: string, fee: Sums): boolean {
  const most = (at: number): number => Math.abs(fee[at] ?? 0) * MOST_TAX + 1;
  return isOnTop(head) && sheet.under(head).some((sum, at) => Math.abs(sum ?? 0) > most(at));
}

/** What goes the other way than the fee is none: a tip comes on top of what is paid. */
function isLikeFee(sheet: Sheet, head: string, fee: Sums): boolean {
  const way = (sums: Sums): number =>
    Math.sign(sums.reduce((all: number, sum) => all + Math.sign(sum ?? 0), 0));
  return way(sheet.under(head)) * way(fee) >= 0;
}

/** One or two columns that are what lies between gross and net. */
function feesOf(
  sheet: Sheet,
  gross: Sums,
  { more, net }: { more: readonly Sums[]; net: Sums },
): Columns | null {
  const free = sheet.free().filter((head) => !isGivenBack(head) && !isNoFee(head));
  const one = free.find((head) => foots(gross, [...more, sheet.under(head)], net));
  // Less a tax or a tip it is no net, but the price.
  if (one !== undefined) return isOnTop(one) ? { net: "" } : { fee: one };
  if (sheet.columns.fee2 !== undefined) return twoMore(sheet, gross, { fees: more, net });
  for (const [at, fee] of free.entries())
    for (const fee2 of free.slice(at + 1))
      if (foots(gross, [sheet.under(fee), sheet.under(fee2)], net))
        return isOnTop(fee) && isOnTop(fee2) ? { net: "" } : { fee, fee2 };
  return null;
}
