import type { DocumentProblem } from "@/core/invoices";
import type { Failure } from "@/core/result";

const WORDS: Readonly<Record<DocumentProblem, string>> = {
  "document.empty": "Write a line first.",
  "document.number": "This is not a number. Write it like 12.5; 24.25*3 is worked out.",
  "document.places": "More than six decimals, or more than twelve digits before them.",
  "document.large": "This is too large: a sum has at most a million million of its smallest unit.",
  "document.discount": "A discount lies between 0 and 100 percent.",
  "document.negative": "The total would be below zero: that is a credit note.",
  "document.tax_unknown": "There is no such tax code in this book.",
  "document.withholding": "What is withheld lies between 0 and 100 percent.",
};

/** What is wrong with a draft as it is typed, and at which line, from 1; 0: with the whole. */
export function problemWords({ code, line }: Failure<DocumentProblem>): {
  line: number;
  words: string;
} {
  return { line: typeof line === "number" ? line : 0, words: WORDS[code] };
}
