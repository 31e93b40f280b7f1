import type { AmountFit, PayerCertainty } from "../candidates/candidate";
import type { ReferenceQuality } from "../memo/scope";

/**
 * The kinds of reading that may be sure, with how well the payer must be
 * known. Safety is a matter of structure, not of the score: what does not
 * stand here is looked at by a person, however good it looks.
 */
export const SAFE: Partial<
  Record<ReferenceQuality, Partial<Record<AmountFit, readonly PayerCertainty[]>>>
> = {
  whole: {
    exact: ["certain", "likely", "weak", "unknown"],
    discount: ["certain", "likely", "weak", "unknown"],
    surcharge: ["certain", "likely"],
    credit: ["certain", "likely", "weak"],
    told: ["certain", "likely", "weak"],
    fee: ["certain", "likely", "weak", "unknown"],
    claim: ["certain", "likely", "weak"],
    part: ["certain", "likely", "weak"],
    late: ["certain", "likely", "weak"],
    over: ["certain", "likely", "weak"],
    next: ["certain", "likely"],
    gap: ["certain"],
  },
  digits: {
    exact: ["certain", "likely", "weak"],
    discount: ["certain", "likely", "weak"],
    surcharge: ["certain"],
    credit: ["certain", "likely"],
    told: ["certain", "likely"],
    fee: ["certain", "likely"],
    claim: ["certain", "likely"],
    late: ["certain", "likely"],
    part: ["certain", "likely"],
    over: ["certain", "likely"],
    next: ["certain", "likely"],
    gap: ["certain"],
  },
  order: {
    exact: ["certain", "likely"],
    discount: ["certain", "likely"],
    credit: ["certain"],
    fee: ["certain", "likely"],
    part: ["certain"],
    over: ["certain"],
  },
  cut: {
    exact: ["certain", "likely"],
    discount: ["certain", "likely"],
    credit: ["certain"],
    told: ["certain", "likely"],
    fee: ["certain", "likely"],
    claim: ["certain", "likely"],
    part: ["certain"],
    over: ["certain"],
    next: ["certain"],
    gap: ["certain"],
    mended: ["certain"],
  },
  damaged: {
    exact: ["certain", "likely"],
    discount: ["certain", "likely"],
    credit: ["certain"],
    told: ["certain", "likely"],
    fee: ["certain"],
    claim: ["certain", "likely"],
    part: ["certain"],
    over: ["certain"],
    next: ["certain"],
    gap: ["certain"],
    mended: ["certain"],
  },
  none: {
    single: ["certain", "likely"],
    all: ["certain"],
    due: ["certain"],
    discount: ["certain"],
    several: ["certain"],
    credit: ["certain"],
    statement: ["certain", "likely"],
    "told-oldest": ["certain", "likely"],
  },
};
