/** The words of statements, receipts and letters on paper, in their customer's language. */
export type StatementWords = {
  statement: string;
  receipt: string;
  letter: string;
  credit_note: string;
  fee: string;
  invoice: string;
  /** Between two days. */
  until: string;
  sites: string;
  nothing: string;
  currency: string;
  day: string;
  what: string;
  amount: string;
  balance: string;
  opening: string;
  closing: string;
  open: string;
  number: string;
  due: string;
  issued: string;
  terms: string;
  order: string;
  total: string;
  tax: string;
  on_account: string;
  together: string;
  account: string;
  questions: string;
  bank: string;
  /** On a receipt: whose money came in how, and for what. */
  from: string;
  by: string;
  applied: string;
  /** What stands in a movement's line, by the journal's event. */
  events: Readonly<Record<string, string>>;
  /** Ages of what is open, from what is not due to what is oldest. */
  ages: readonly [string, string, string, string, string];
  /** How money came. */
  ways: Readonly<Record<string, string>>;
};
