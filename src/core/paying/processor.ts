import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Result } from "@/core/result";

/** By what a customer pays: the two ways that a processor takes. */
export const WAYS_TO_PAY = ["card", "bank"] as const;
export type WayToPay = (typeof WAYS_TO_PAY)[number];

/** What a processor keeps a card or bank account as, and what may be known of it. */
export type KeptMethod = {
  readonly token: string;
  readonly way: WayToPay;
  /** The brand of a card, or the name of the bank. */
  readonly name: string;
  readonly lastFour: string;
  /** The month in which a card runs out; null for a bank account. */
  readonly expires: string | null;
  /** Whether a bank account is proven to be its payer's: by its bank, or by two small sums. */
  readonly proven: boolean;
};

/** A charge that is asked for. The same key is one charge, however often it is asked. */
export type ChargeAsk = {
  readonly key: string;
  readonly token: string;
  readonly amount: Minor;
  readonly currency: Currency;
  readonly payerName: string;
  readonly payerEmail: string;
  /** What the payer sees it is for: invoice numbers. */
  readonly reference: string;
  readonly on: Day;
  /** Whether the payer is at the page: only then can the bank of a card ask it for a code. */
  readonly present: boolean;
};

/**
 * What became of a charge: paid, on its way (a debit that has not settled), declined and why, or
 * held until the payer has typed the code that its card's bank has sent.
 */
export type ChargeAnswer =
  | { readonly state: "approved"; readonly chargeId: string; readonly fee: Minor }
  | { readonly state: "on_way"; readonly chargeId: string; readonly settlesOn: Day }
  | { readonly state: "declined"; readonly chargeId: string; readonly code: DeclineCode }
  | AskedForCode;

/** The bank of a card asks its owner for a code: what it says goes to the page as it is. */
export type AskedForCode = {
  readonly state: "asks_code";
  readonly chargeId: string;
  readonly says: string;
};

/** Money that is to go back the way it came, all of a charge or a part. The same key goes back once. */
export type RefundAsk = {
  readonly key: string;
  readonly chargeId: string;
  readonly amount: Minor;
  readonly on: Day;
};

/** What a dispute is answered with: one PDF. */
export type DisputeAnswer = {
  readonly disputeId: string;
  readonly evidence: Uint8Array;
  readonly on: Day;
};

/** An event as it is sent, signed: its headers and its body, as they came. */
export type SentEvent = {
  readonly id: string;
  readonly timestamp: string;
  readonly signature: string;
  readonly body: string;
};

/** That something has happened in an account on a day. What it was is asked for, and not believed. */
export type ProcessorEvent = { readonly id: string; readonly account: string; readonly on: Day };

/** What a processor lists of an account and a day, as its file. */
export type ActivityListed = { readonly name: string; readonly text: string };

/**
 * What the rest of the program knows of a processor. One that is real stands behind the same: it
 * answers the same key with the same charge.
 */
export type Processor = {
  readonly charge: (ask: ChargeAsk) => Result<ChargeAnswer>;
  /** What became of a charge whose answer was lost; null where it never arrived. */
  readonly chargeByKey: (key: string) => ChargeAnswer | null;
  readonly method: (token: string) => KeptMethod | null;
  /** Sends two small sums to a bank account, once; gives the day on which they are there. */
  readonly sendSmallSums: (token: string, on: Day) => Result<{ thereOn: Day }>;
  /** Proves an account by the two sums that came. Errors: proof.wrong, proof.over, method.gone. */
  readonly proveBySums: (token: string, sums: readonly Minor[]) => Result<null>;
  /** What this processor says to payers of the sums that it sends. */
  readonly ofSmallSums: string;
  /**
   * Sends money back; gives its id with the processor. Errors: refund.charge (it has none such),
   * refund.left (so much is not left of it).
   */
  readonly refund: (ask: RefundAsk) => Result<{ refundId: string }>;
  /** A refund whose answer was lost; null where it never arrived. */
  readonly refundByKey: (key: string) => { refundId: string } | null;
  /** What of a charge can still be sent back; null for one that it does not have. */
  readonly leftOf: (chargeId: string) => Minor | null;
  /** Sends the answer to a dispute, once. Errors: dispute.elsewhere, dispute.late. */
  readonly answerDispute: (answer: DisputeAnswer) => Result<null>;
  /** An event that this processor has signed. Errors: event.signature, event.form. */
  readonly readEvent: (sent: SentEvent) => Result<ProcessorEvent>;
  /** All that has happened in an account on a day; null where nothing has. */
  readonly activity: (account: string, on: Day) => ActivityListed | null;
};

/**
 * Why a card was declined, by the response codes of ISO 8583, with what the customer does next and
 * whether the same card may be tried again later. Under 65 card schemes also ask for a code from a
 * card's owner (from memory); it means that here.
 */
export const DECLINES = {
  "05": { words: "The bank did not approve it and gives no reason.", again: true },
  "14": { words: "The bank does not know this card number.", again: false },
  "41": { words: "The bank has this card on its list of lost ones.", again: false },
  "43": { words: "The bank has this card on its list of stolen ones.", again: false },
  "51": { words: "There is not enough on the account for this sum.", again: true },
  "54": { words: "The card has run out.", again: false },
  "57": { words: "The bank does not permit this kind of payment with this card.", again: false },
  "61": { words: "The sum is over the limit of this card.", again: true },
  "65": { words: "The card's bank wants a code from its owner.", again: false },
  "82": { words: "The code of the card is not right.", again: false },
  "91": { words: "The bank cannot be reached just now.", again: true },
} as const;
export type DeclineCode = keyof typeof DECLINES;
export const isDeclineCode = (code: string): code is DeclineCode => code in DECLINES;
