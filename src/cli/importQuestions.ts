import type { ImportReport } from "@/contracts/arrivals";

import { EXIT, type Outcome } from "./outcome";

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
