import type { FileQuestion, ImportReport } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type FileKind } from "@/core/formats";
import { bankAccounts } from "@/db/bank";
import type { Db } from "@/db/connection";
import { processorAccounts } from "@/db/processorAccounts";

import { EXIT, type Outcome } from "./outcome";

/** What a file that is asked about first has brought. */
export const NOTHING_TAKEN: ImportReport = {
  fileId: null,
  lines: 0,
  new: 0,
  known: 0,
  changed: 0,
  refused: [],
  outcome: [],
  leftOut: [],
  proofs: [],
  understood: [],
  questions: [],
};

/** Which account a file belongs to, where the book has several of its kind and nobody says. */
export function accountQuestion(
  db: Db,
  kind: FileKind,
  said: string | boolean | undefined,
): FileQuestion | null {
  const { account } = FILE_KIND_TRAITS[kind];
  if (account === null || typeof said === "string") return null;
  const accounts = account === "processor" ? processorAccounts(db) : bankAccounts(db);
  if (accounts.length < 2) return null;
  return {
    key: "account",
    words: "The book has several accounts that the file could belong to.",
    choices: accounts.map(({ code, name }) => ({ answer: code, result: name })),
  };
}

/** Flags of their own; every other thing is answered by `--answer KEY=VALUE`. */
const FLAGS: Readonly<Record<string, string>> = {
  kind: "--kind",
  account: "--account",
  mark: "--mark",
};

const flagFor = (key: string, answer: string): string => {
  const own = FLAGS[key];
  if (own !== undefined) return `${own} ${answer}`;
  const text = `${key}=${answer}`;
  return `--answer ${/^[\w:=.-]+$/.test(text) ? text : `'${text.replaceAll("'", `'\\''`)}'`}`;
};

/** A file that leaves something open ends the call with what is asked, and nothing of it is taken in. */
export function asked(report: ImportReport, path: string, before: string[]): Outcome {
  const questions = report.questions.map(({ key, words: text, choices }) => ({
    code: key,
    words: text,
    choices: choices.map(({ answer, result }) => ({ flag: flagFor(key, answer), result })),
  }));
  return {
    code: EXIT.wrong,
    data: { questions, file: path },
    messages: [
      ...before,
      ...questions.flatMap(({ words: text, choices }) => [
        `${path}: ${text}`,
        ...choices.map(({ flag, result }) => `  ${flag}: ${result}`),
      ]),
    ],
  };
}
