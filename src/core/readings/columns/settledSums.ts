import { plainWords } from "@/core/formats";

import { type Columns, foots, type Sheet, sizeOf, type Sums } from "./sheet";
import { threeOf, threeUnderNet } from "./unnamedSums";

/** Where gross and net are of two currencies: another gross, and its fee, that go with the net. */
export function anotherGross(sheet: Sheet, net: Sums): Columns | null {
  const free = sheet.free();
  for (const gross of free)
    for (const fee of free)
      if (
        fee !== gross &&
        sizeOf(sheet.under(gross)) >= sizeOf(net) &&
        foots(sheet.under(gross), [sheet.under(fee)], net)
      )
        return { fee, ...grossOf(sheet, gross) };
  return null;
}

/** Heads of what arrives, and of its currency. */
const SETTLED = /\b(?:settle\w*|payout|deposit)\b/;

/** What was charged in other currencies, beside the three that it came to where it was settled. */
export function settledThree(sheet: Sheet): Columns | null {
  const three = threeOf(sheet);
  const isOfThem = SETTLED.test(plainWords(sheet.columns.currency ?? ""));
  if (three === null || isOfThem) return three;
  return { ...three, ...grossOf(sheet, three.gross ?? "") };
}

/** What it came to where it was settled, by the name of a net, with the fee and the net of that. */
export function settledUnder(sheet: Sheet, named: Sums): Columns | null {
  const { net: gross = "" } = sheet.columns;
  const three = SETTLED.test(plainWords(gross)) ? threeUnderNet(sheet, named) : null;
  return three === null ? null : { ...three, ...grossOf(sheet, gross) };
}

/** Another gross, in the currency beside it; not in that of the gross that it stands instead of. */
export function grossOf(sheet: Sheet, gross: string): Columns {
  const before = sheet.columns.currency;
  const currency = sheet.currencyBeside(gross);
  if (currency !== null && currency !== before) return { gross, currency };
  return before === undefined ? { gross } : { gross, currency: "" };
}
