import { headWords } from "@/core/formats";

import { type Columns, foots, lessSizes, type Sheet, type Sums } from "./sheet";

/** Heads of what customers got back: it lies between gross and net too, and is no fee. */
const GIVEN_BACK =
  /^(?:total )?(?:returns?|refunds?|refunded|credits?|chargebacks?|discounts? given)(?: amount| total)?$/;

/** Of them refunds: what a bank took back or was never charged is none. */
const REFUNDED = /\b(?:returns?|refunds?|refunded|credits?)\b/;

export const isGivenBack = (head: string): boolean => GIVEN_BACK.test(headWords(head));

/** Columns without a field that say what was refunded. */
const refunds = (sheet: Sheet): string[] =>
  sheet.columns.refunded === undefined
    ? sheet.free().filter((head) => isGivenBack(head) && REFUNDED.test(headWords(head)))
    : [];

/** What customers got back, where that alone lies between gross and net. */
export function givenAlone(sheet: Sheet, gross: Sums, net: Sums): Columns | null {
  const given = refunds(sheet).find((head) =>
    lessSizes(gross, sheet.under(head)).every((sum, at) => sum === null || sum === net[at]),
  );
  return given === undefined ? null : { refunded: given };
}

/** The same, where it lies there beside fees. */
export function givenBeside(
  sheet: Sheet,
  gross: Sums,
  { fees, net }: { fees: readonly Sums[]; net: Sums },
): Columns | null {
  const given = refunds(sheet).find((head) =>
    foots(lessSizes(gross, sheet.under(head)), fees, net),
  );
  return given === undefined ? null : { refunded: given };
}
