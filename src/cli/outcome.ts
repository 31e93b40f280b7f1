import type { Failure, Result } from "@/core/result";
import { inWords } from "@/server/runtime/messages";

/** Exit codes, as scripts rely on them. */
export const EXIT = { done: 0, wrong: 1, call: 2, input: 3, book: 4, bug: 70 } as const;

/** What a command gives back: its exit code, text or data for standard output, and messages for standard error. */
export type Outcome = {
  code: number;
  text?: string;
  bytes?: Buffer;
  data?: unknown;
  messages?: string[];
};
export type Args = {
  values: Record<string, string | boolean | undefined>;
  /** What `--answer` says, as often as it is given. */
  answers: readonly string[];
  files: string[];
};

/** A wrong call: what is wrong with it, and where to find help. */
export function wrongCall(message: string): Outcome {
  return { code: EXIT.call, messages: [message, "See dozo --help."] };
}

/** A failure of a use case with the exit code of its kind. */
export function failed(error: Failure): Outcome {
  const code = exitOf(error);
  return { code, messages: [inWords(error)], data: { error: error.code, message: inWords(error) } };
}

function exitOf(error: Failure): number {
  if (/^(book|disk|practice)\./.test(error.code)) return EXIT.book;
  if (error.code === "backup.broken") return EXIT.wrong;
  if (error.code === "restore.other" || error.code === "restore.twice") return EXIT.book;
  if (error.code === "bug") return EXIT.bug;
  if (/^(file|mapping|account|audit)\./.test(error.code)) return EXIT.input;
  return EXIT.call;
}

export function outcomeOf<T>(result: Result<T>, done: (value: T) => Outcome): Outcome {
  return result.ok ? done(result.value) : failed(result.error);
}
