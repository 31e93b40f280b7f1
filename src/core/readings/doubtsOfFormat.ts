import type { Doubt, Table } from "@/core/formats";

import type { Made } from "./canonical";
import type { Answers, LeftOut, Question } from "./types";

type Line = Made["rows"][number];
/** What an answer makes of the lines in doubt. */
type Effect = "keep" | "turn" | "leave";

type Doubted = {
  readonly words: (lines: string) => string;
  readonly choices: readonly { readonly answer: Effect; readonly result: string }[];
};

const linesOf = ([first = 0, ...others]: readonly number[]): string =>
  others.length === 0 ? `line ${first}` : `${others.length + 1} lines (first line ${first})`;

/** How each doubt is asked about, and what may be answered. */
const DOUBTS: Readonly<Record<Doubt, Doubted>> = {
  wrong_side: {
    words: (lines) =>
      `The bank calls ${lines} a debit and writes money that came, or a credit and writes money that went.`,
    choices: [
      { answer: "turn", result: "what it calls them is right: their sums are turned" },
      { answer: "keep", result: "their sums are right" },
    ],
  },
  taken_back: {
    words: (lines) =>
      `The bank takes back ${lines} that it sent before. What an earlier file brought of that stands in the book until it is undone there.`,
    choices: [{ answer: "leave", result: "leave out what is taken back: it is no money" }],
  },
  corrected: {
    words: (lines) =>
      `The bank sends ${lines} to correct what it sent before: what they correct may stand in the book.`,
    choices: [
      { answer: "keep", result: "take them in: those that stand in the book already are known" },
      { answer: "leave", result: "leave them out" },
    ],
  },
  own_state: {
    words: (lines) => `The bank gives ${lines} a state of its own, neither booked nor pending.`,
    choices: [
      { answer: "leave", result: "not booked: left out" },
      { answer: "keep", result: "booked: taken in" },
    ],
  },
  credit_note: {
    words: () => "The document is an invoice by its name, and a credit note by its code.",
    choices: [
      { answer: "turn", result: "a credit note: it lowers what is owed" },
      { answer: "keep", result: "an invoice" },
    ],
  },
  no_credit_note: {
    words: () => "The document is a credit note by its name, and an invoice by its code.",
    choices: [
      { answer: "keep", result: "a credit note: it lowers what is owed" },
      { answer: "turn", result: "an invoice" },
    ],
  },
  negative_credit: {
    words: () => "The document is a credit note, and its sums are below zero.",
    choices: [
      { answer: "turn", result: "it lowers what is owed, as credit notes do" },
      { answer: "keep", result: "it raises what is owed: less than nothing is credited" },
    ],
  },
  corrects: {
    words: () =>
      "The document corrects an invoice that was made out before. What that was made out for stands in the book until it is undone or credited there.",
    choices: [
      { answer: "keep", result: "an invoice of its own: the earlier one is seen to" },
      { answer: "leave", result: "left out" },
    ],
  },
  no_invoice: {
    words: () =>
      "The document is an invoice by its name, and by its code one that asks for no payment, as an offer or a proforma does.",
    choices: [
      { answer: "leave", result: "nothing is owed by it: left out" },
      { answer: "keep", result: "an invoice all the same" },
    ],
  },
  other_document: {
    words: (lines) =>
      `The payment names something else than an invoice on ${lines}: an order, an account or a voucher of the payer's.`,
    choices: [
      { answer: "leave", result: "left out: the payment stands without it" },
      { answer: "keep", result: "it is the number of an invoice all the same" },
    ],
  },
  own_bill: {
    words: () =>
      "The document is made out to the business of this book itself: it looks like a bill to pay, which is not owed to it.",
    choices: [
      { answer: "leave", result: "a bill to pay: left out" },
      { answer: "keep", result: "an invoice of this book all the same" },
    ],
  },
  beside: {
    words: () =>
      "Beside its returns and notices the file has payments with their advice: only the returns and notices are taken in.",
    choices: [{ answer: "keep", result: "take in the returns and notices" }],
  },
};

/** Fields that a line's way is written in. */
const SIGNED = ["amount", "total", "balance", "tax"];

const turned = (text: string): string => {
  if (text.startsWith("-")) return text.slice(1);
  return /[1-9]/.test(text) ? `-${text}` : text;
};

/** The lines of a published format that says two things of some of them: as was answered, else asked. */
export function doubtsOfFormat(
  made: readonly Line[],
  marks: NonNullable<Table["doubts"]>,
  answers: Answers,
): { lines: Line[]; leftOut: LeftOut[]; questions: Question[] } {
  const doubts = new Map(marks.map(({ line, mark }) => [line, mark]));
  const open = new Map<Doubt, number[]>();
  const leftOut: LeftOut[] = [];
  const kept = made.flatMap((row): Line[] => {
    const doubt = doubts.get(row.line);
    if (doubt === undefined) return [row];
    const said = DOUBTS[doubt].choices.find(({ answer }) => answer === answers[doubt])?.answer;
    if (said === undefined) {
      const before = open.get(doubt);
      if (before) before.push(row.line);
      else open.set(doubt, [row.line]);
    }
    if (said === "leave") leftOut.push({ line: row.line, why: "said" });
    return said === "leave" ? [] : [said === "turn" ? turnedRow(row) : row];
  });
  const questions = [...open].map(([key, of]) => ({
    key,
    words: DOUBTS[key].words(linesOf(of)),
    choices: DOUBTS[key].choices,
  }));
  return { lines: kept, leftOut, questions };
}

const turnedRow = ({ line, fields }: Line): Line => ({
  line,
  fields: Object.fromEntries(
    Object.entries(fields).map(([field, text]) => [
      field,
      SIGNED.includes(field) ? turned(text) : text,
    ]),
  ),
});
