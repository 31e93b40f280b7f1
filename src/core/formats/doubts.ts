/** Why a line of a published format is no money by what the format itself says. */
export type Aside = "not_yet" | "replaced" | "no_money";

/**
 * What a line of a published format says of itself that does not fit together, so that a person has
 * to say which of it is meant.
 */
export type Doubt =
  | "wrong_side"
  | "taken_back"
  | "corrected"
  /** It stands in a state that the bank has words of its own for. */
  | "own_state"
  | "credit_note"
  | "no_credit_note"
  /** A credit note of less than nothing. */
  | "negative_credit"
  /** It replaces an invoice that was made out before. */
  | "corrects"
  /** By its code it asks for no payment, or nobody knows whether it does. */
  | "no_invoice"
  /** A payment names something else than an invoice: an order, an account. */
  | "other_document"
  /** It is made out to the business whose book this is. */
  | "own_bill"
  /** Beside its lines the file has others of another kind, which are not taken in with them. */
  | "beside";

/** What is not simply a line: those that are set aside, and those that are in doubt. */
export type Marked<Mark> = readonly { readonly line: number; readonly mark: Mark }[];
