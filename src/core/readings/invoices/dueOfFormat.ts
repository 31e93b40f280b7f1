import { parseTerms } from "@/core/calendar";

import type { Made } from "../canonical";
import type { Answers, Question } from "../types";
import { AT_ISSUE, OFFERED } from "./dueOfInvoices";
import { termsIn } from "./termsIn";

type Line = Made["rows"][number];

/**
 * Invoices of a published format with terms that can be read: as they stand in words there, else as
 * was said. An invoice is asked about that says neither when it is due nor by what terms (EN 16931-1,
 * BR-CO-25): a reminder hangs on that.
 */
export function dueOfFormat(
  rows: readonly Line[],
  { due }: Answers,
): { lines: Line[]; questions: Question[] } {
  const isSaid = due === AT_ISSUE || (due !== undefined && parseTerms(due).ok);
  const open = rows.filter(({ fields }) => saysNothing(fields)).length;
  const lines = rows.map(({ line, fields: { terms = "", ...others } }) => {
    const said = due === AT_ISSUE || !saysNothing({ terms, ...others }) ? "" : (due ?? "");
    const read = termsOf(terms) || said;
    return { line, fields: read === "" ? others : { ...others, terms: read } };
  });
  return { lines, questions: open === 0 || isSaid ? [] : [dueQuestion(open)] };
}

const termsOf = (written: string): string =>
  termsIn(written) ?? (parseTerms(written).ok ? written : "");

const saysNothing = ({ terms = "", dueOn = "", total }: Line["fields"]): boolean =>
  termsOf(terms) === "" && dueOn === "" && Number(total) > 0;

const dueQuestion = (count: number): Question => ({
  key: "due",
  words: `Nothing says when ${count === 1 ? "the invoice is" : `${count} invoices are`} due.`,
  choices: [
    ...OFFERED.map((terms) => ({ answer: terms, result: `by ${terms}` })),
    { answer: AT_ISSUE, result: "on the day of issue" },
  ],
});
