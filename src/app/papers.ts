import "server-only";

import { makePaper } from "@/server/runtime/threads/limited";
import type { PaperAsk } from "@/server/output/askedPaper";

import { answer, fileAnswer } from "./answers";

/** A paper of a book as a file; where it cannot be made, why. */
export async function paperAnswer(book: string, ask: PaperAsk): Promise<Response> {
  const made = await makePaper(book, ask);
  return made.ok ? fileAnswer(made.value.bytes, made.value) : answer(made);
}

/** What stands in the query of a request's address. */
export const queryOf = (request: Request): [string, string][] => [
  ...new URL(request.url).searchParams,
];
