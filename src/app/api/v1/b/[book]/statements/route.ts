import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, noBook } from "../../../../../answers";
import { paperAnswer, queryOf } from "../../../../../papers";

/**
 * Every customer's statement of account as one file: ?format=pdf|csv|xlsx|json, ?as-of=, ?from=;
 * three months back unless told.
 */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  return reading(book)
    ? paperAnswer(book, { paper: "statements", query: queryOf(request) })
    : noBook(book);
}
