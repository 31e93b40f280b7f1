import type { AmountFit, PayerCertainty } from "../candidates/candidate";
import type { ReferenceQuality } from "../memo/scope";

type Payers = readonly PayerCertainty[];
const CERTAIN: Payers = ["certain"];
const LIKELY: Payers = [...CERTAIN, "likely"];
const POSSIBLE: Payers = [...LIKELY, "weak"];
const ANYBODY: Payers = [...POSSIBLE, "unknown"];

/** A number of which only the end is there, or with a slip in it. */
const PIECES: Partial<Record<AmountFit, Payers>> = {
  exact: LIKELY,
  discount: LIKELY,
  credit: CERTAIN,
  told: LIKELY,
  claim: LIKELY,
  part: CERTAIN,
  over: CERTAIN,
  next: CERTAIN,
  gap: CERTAIN,
  mended: CERTAIN,
};

/**
 * The kinds of reading that may be sure, with how well the payer must be
 * known. Safety is a matter of structure, not of the score: what does not
 * stand here is looked at by a person, however good it looks.
 */
export const SAFE: Partial<Record<ReferenceQuality, Partial<Record<AmountFit, Payers>>>> = {
  whole: {
    exact: ANYBODY,
    discount: ANYBODY,
    surcharge: LIKELY,
    credit: POSSIBLE,
    told: POSSIBLE,
    fee: ANYBODY,
    claim: POSSIBLE,
    part: POSSIBLE,
    late: POSSIBLE,
    over: POSSIBLE,
    next: LIKELY,
    gap: CERTAIN,
  },
  digits: {
    exact: POSSIBLE,
    discount: POSSIBLE,
    surcharge: CERTAIN,
    credit: LIKELY,
    told: LIKELY,
    fee: LIKELY,
    claim: LIKELY,
    late: LIKELY,
    part: LIKELY,
    over: LIKELY,
    next: LIKELY,
    gap: CERTAIN,
  },
  order: {
    exact: LIKELY,
    discount: LIKELY,
    credit: CERTAIN,
    fee: LIKELY,
    part: CERTAIN,
    over: CERTAIN,
  },
  cut: { ...PIECES, fee: LIKELY },
  damaged: { ...PIECES, fee: CERTAIN },
  none: {
    single: LIKELY,
    all: CERTAIN,
    due: CERTAIN,
    discount: CERTAIN,
    several: CERTAIN,
    credit: CERTAIN,
    statement: LIKELY,
    "told-oldest": LIKELY,
  },
};
