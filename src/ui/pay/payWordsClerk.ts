import { ENGLISH, type PayWords } from "./payWords";

/** What the same steps say to a clerk who takes a payment at the customer's word. */
export const CLERK: PayWords = {
  ...ENGLISH,
  asks: "A payment to {business}, taken now, of",
  nothing: "Nothing is open.",
  youPay: "They pay",
  how: "By what",
  keep: "Keep it on file, as the customer asks",
  lookTitle: "Taken from {customer}",
  pressing: "It is taken once, at the customer\u2019s word.",
  pay: "Take {sum}",
  thanks: "It is in the books of {business}, with its invoices.",
  declinedNext: "Nothing was taken. Ask for another way to pay, or try the same one later.",
  onAccount: "{sum} of theirs is on account and not taken off here.",
};
