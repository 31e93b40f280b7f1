import type { MatchCandidate, Reason } from "../types";

/** What would settle each doubt, the weightiest first. */
const SETTLES: readonly [code: Reason["code"], words: string][] = [
  [
    "against_double",
    "an item of this sum that is still open, or the payer’s word that both were meant",
  ],
  ["against_number", "its own number: the one in the memo is somebody else’s"],
  ["against_closed", "the number of an item that is still open"],
  [
    "against_unread",
    "knowing what the number is that nothing explains; if it is no invoice’s, post",
  ],
  ["against_currency", "an invoice in the receipt’s own currency"],
  ["against_also", "a home for the other receipt that may be for the same"],
  ["against_claimed", "its number: another receipt has the item that fits best"],
  ["against_other_reading", "a number in the memo: more than one reading comes out"],
  ["against_risk", "more of its kind that were right, or a higher limit in Set-up"],
  ["against_payer", "knowing that this payer pays for the customer; once posted, it is learned"],
];

/** Where nothing speaks against a reading, by where its sum comes from. */
const SUMS: Readonly<Record<string, string>> = {
  oldest: "a number or a remittance advice: no item and no set of them has this sum",
  account: "an invoice: nothing is open that it could be for",
  several: "a number: so many items make such a sum by chance too",
  gap: "the numbers that are not named",
  mended: "the number that is wrong in the memo",
  rounded: "a number: it is rounded, and only near to the item’s sum",
  short: "which of them is short",
  over: "what the rest is for",
  part: "a word that it is a part, or the whole sum",
};

const PAYERS: Readonly<Record<string, string>> = {
  likely: "a payer that is known for certain; once posted, it is learned",
  weak: "a payer that is known: several could have sent it",
  unknown: "a payer that is known, or its number with the sum",
};

/**
 * In one sentence what would make a reading sure; null for one that is. It
 * names the weightiest doubt alone: with it gone, the next one shows.
 */
export function toBeSure({ pattern, reasons }: MatchCandidate): string | null {
  const [decision = "", numbers = "", sum = "", who = "", ...more] = pattern.split(" ");
  const doubt = SETTLES.find(([code]) => reasons.some((reason) => reason.code === code));
  if (doubt) return doubt[1];
  if (decision === "sure") return null;
  if (more.some((word) => word.startsWith("doubt") || word === "skipped"))
    return "words that say it plainly: the memo can be read in another way";
  return (
    SUMS[sum] ??
    (numbers === "damaged" ? "the number as it stands on the invoice" : undefined) ??
    PAYERS[who] ??
    "a number and the sum that belongs to it"
  );
}
