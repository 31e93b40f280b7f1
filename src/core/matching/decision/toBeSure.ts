import type { Doubt } from "../candidates/doubts";
import type { Decision, MatchCandidate, Reason } from "../types";

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

/** What would settle each way in which a reading may be another, the weightiest first. */
const DOUBTS: readonly [doubt: Doubt, words: string][] = [
  ["ahead", "an invoice for what is paid ahead; until then it can be kept on account"],
  ["told", "the items that its words tell of: it takes others"],
  ["later", "a statement that has all of its items"],
  ["more", "the numbers that the memo leaves out"],
  ["ways", "one number more: several sets come to the same sum"],
  ["equal", "a word on which of the equal items, or which site, is meant"],
  ["site", "a word on which site of the group pays"],
  ["open", "the number in full: it fits more than one item"],
  ["out", "to know whether the numbers that are left out are paid too"],
  ["unread", "knowing what the numbers are that lead nowhere"],
  ["nearly", "the number as it stands on the invoice, or its exact sum"],
  ["odd", "to know why it is short: no bank keeps such a sum"],
  ["much", "to know what the rest is for"],
  ["stated", "sums beside the numbers that come to what was paid"],
  ["sums", "to know what the other sums in the memo are"],
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
 * In one sentence what would make the best reading of a receipt sure; null for one that is. It
 * names the weightiest doubt alone: with it gone, the next one shows.
 */
export function toBeSure({ pattern, reasons }: MatchCandidate, is?: Decision): string | null {
  if (is === "sure") return null;
  const against = SETTLES.find(([code]) => reasons.some((reason) => reason.code === code));
  if (against) return against[1];
  const [decision = "", numbers = "", sum = "", who = "", ...more] = pattern.split(" ");
  if (decision === "sure") return null;
  return doubted(more) ?? missing({ numbers, sum, who });
}

/** What would settle the ways in which it may be another reading. */
function doubted(words: readonly string[]): string | undefined {
  const way = DOUBTS.find(([name]) => words.includes(`doubt-${name}`));
  if (way) return way[1];
  return words.includes("skipped")
    ? "to know of the numbers in the memo that it passes over"
    : undefined;
}

/** What such readings lack as a kind. */
function missing({ numbers, sum, who }: Record<"numbers" | "sum" | "who", string>): string {
  return (
    SUMS[sum] ??
    (numbers === "damaged" ? "the number as it stands on the invoice" : undefined) ??
    PAYERS[who] ??
    "a number and the sum that belongs to it"
  );
}
