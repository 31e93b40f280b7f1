import type { Minor } from "@/core/money";

import type { MatchCandidate } from "../types";

const NUMBERS: Record<string, string> = {
  whole: "number quoted",
  digits: "number quoted without prefix or zeros",
  order: "order number quoted",
  cut: "end of a number quoted",
  damaged: "number quoted with a slip",
  none: "known payer",
};
const SUMS: Record<string, string> = {
  exact: "exact sum",
  single: "exact sum of one item",
  discount: "less the discount, in time",
  surcharge: "with the surcharge on top",
  credit: "credit note taken off",
  stated: "sums written beside the numbers",
  part: "paid in part",
  over: "more than the invoice",
  all: "all that is open",
  due: "all that was due",
  several: "the only set of this sum",
  fee: "short by a bank's fee",
  claim: "short by a claim that is named",
  next: "the rest and the next",
  gap: "with what is not named",
  mended: "one number mended",
  late: "discount taken too late",
  told: "sums written beside the numbers",
  statement: "a statement's sum",
  "told-oldest": "oldest first, as said",
};

/**
 * What kind of reading a sure one is, in words by which they are looked through together; from its
 * pattern of evidence.
 */
export function sureKind(reading: MatchCandidate): string {
  const [, numbers = "", sum = ""] = reading.pattern.split(" ");
  return `${NUMBERS[numbers] ?? numbers}, ${SUMS[sum] ?? sum}`;
}

const HARDLY_KNOWN = new Set(["unknown", "weak"]);
const SLIPS = new Set(["damaged", "gap", "mended"]);

/** How many times the middle sum a receipt is that stands out by its size alone. */
const LARGE = 8;

/**
 * Why a sure one deserves a second glance before it is posted, or null. `middle`: the median sum of
 * those looked through.
 */
export function oddity(reading: MatchCandidate, amount: Minor, middle: Minor): string | null {
  const [, numbers = "", sum = "", who = ""] = reading.pattern.split(" ");
  if (SLIPS.has(numbers) || SLIPS.has(sum)) return "a number with a slip";
  if (sum === "over") return "more than the invoice";
  if (sum === "part") return "paid in part";
  if (HARDLY_KNOWN.has(who)) return "the payer is hardly known";
  return middle > 0 && amount >= middle * LARGE ? "a large sum" : null;
}
