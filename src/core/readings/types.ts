import type { RowKind } from "@/core/activity/index";
import type { Day } from "@/core/calendar";
import type { FileKind, Table } from "@/core/formats";
import type { Currency } from "@/core/money";

/** What people said of a file, by the key of the question; kept with its mapping. */
export type Answers = Readonly<Record<string, string>>;

/** One thing that a file leaves open, in a clerk's words, with what each answer would make of it. */
export type Question = {
  /** The key that an answer goes by: `days`, `mark`, `word:sale`. */
  readonly key: string;
  readonly words: string;
  readonly choices: readonly Choice[];
};
export type Choice = { readonly answer: string; readonly result: string };

/** What is known before a file is read. */
export type ReadingContext = {
  readonly today: Day;
  /** Days up to this one are in the opening balances already; null without a book. */
  readonly cutOverOn: Day | null;
  /** The currency of the account that the file belongs to, else the book's. */
  readonly currency: Currency;
  readonly timeZone: string;
  /** What the business is called whose book it is; null without a book. */
  readonly ownName?: string | null;
  /** The last four digits of the bank account that the file belongs to; null where nobody said them. */
  readonly accountEnds?: string | null;
};

/** A line that is left out by a rule with a name: it is no money, or stands in the file for the eye only. */
export type LeftOut = { readonly line: number; readonly why: LeftOutRule };
/** A line that was declined, voided or failed, by its id: what was posted of it before is no money now. */
export type EndedRow = { readonly line: number; readonly id: string; readonly kind: RowKind };
export type LeftOutRule = keyof typeof LEFT_OUT_WORDS;

export const LEFT_OUT_WORDS = {
  head: "the head, repeated",
  total: "totals and subtotals",
  balance: "opening and closing balances",
  no_money: "declined, voided, failed or a trial: no money",
  not_yet: "pending: no money yet",
  replaced: "told anew by a later line of the file",
  hidden: "hidden in the sheet, left out as was said",
  said: "left out, as was said",
  not_ours: "of no concern here, as was said",
  before: "up to the cut-over day, in the opening balances",
  future: "days that have not come",
  outside: "outside the span that the file says",
  other_account: "of another account",
  heading: "headings of groups and sections",
  continues: "words that go on from the line above",
  same_invoice: "more lines of an invoice above",
  same_payment: "more parts of a payment above",
  part: "what the line above is made of",
  empty: "without a sum",
} as const;

/** A file as it is understood: a table in the agreed layout, or what is to be asked first. */
export type Understood = {
  readonly table: Table;
  readonly questions: readonly Question[];
  readonly leftOut: readonly LeftOut[];
  /** What foots, and what does not, in words. */
  readonly proofs: readonly string[];
};

/** A file before it is understood. */
export type Unread = {
  readonly table: Table;
  readonly kind: FileKind;
  /** Field to the head of its column. */
  readonly columns: Readonly<Record<string, string>>;
  readonly answers: Answers;
};
