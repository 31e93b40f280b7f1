import { type FileKind, plainWords } from "@/core/formats";

import { isCost, isHeld, isOnTop } from "../sums/costHeads";

/** An answer, and what it makes of a column. */
type Use = readonly [answer: string, words: string];

/** A fee that was given back beside what was refunded, which the net of the charge knows nothing of. */
const FEE_BACK =
  /\bfees? (?:amount )?(?:back|refunded|returned|reversed|credited)\b|\b(?:refund|refunded|returned) fees?\b/;
export const isFeeBack = (head: string): boolean => FEE_BACK.test(plainWords(head));

/** What a customer owes for paying late (common practice, no source). */
const OWED_TOO =
  /\b(?:interest|late|penalt(?:y|ies)|finance|surcharges?|mahngebuhr\w*|verzugszinsen)\b/;
/** What was taken in the end of a payment that was agreed (common practice, no source). */
const CAPTURED = /\b(?:captured?|collected|completed|settled|final|approved|paid|received|due)\b/;

const CHARGED: Use = ["charged", "what was charged in the end"];

/** What a column of sums that no field has taken may be used for, by the kind of file. */
const USES: Readonly<Partial<Record<FileKind, readonly Use[]>>> = {
  processor: [
    ["fee", "one more fee"],
    ["reserve", "kept back of each charge, as a reserve"],
    CHARGED,
  ],
  invoices: [["paid", "paid already, and off the balance"]],
  remittance: [
    ["amount", "what was paid of each invoice"],
    ["discount", "taken off what was owed"],
  ],
};

/** The same where the head says more; null where it does not. */
const BY_HEAD: Readonly<Partial<Record<FileKind, (head: string) => readonly Use[] | null>>> = {
  bank: (head) =>
    isCost(head) ? [["off", "the bank's fee, which comes off beside the sum"]] : null,
  invoices(head) {
    if (isHeld(head)) return [["open", "kept back for a time, and open beside the balance"]];
    return OWED_TOO.test(plainWords(head))
      ? [["owed", "owed too, on top of what it was made out for"]]
      : null;
  },
  processor(head) {
    if (isOnTop(head))
      return [["on_top", "paid on top of what was charged"], ...(USES.processor ?? [])];
    return CAPTURED.test(plainWords(head)) ? [CHARGED] : null;
  },
};

/** What a column of sums may be used for, beside changing nothing. */
export const usesOf = (kind: FileKind, head: string): readonly Use[] =>
  isFeeBack(head) ? [] : (BY_HEAD[kind]?.(head) ?? USES[kind] ?? []);
