import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, noBook } from "../../../../../../../answers";
import { paperAnswer, queryOf } from "../../../../../../../papers";

/**
 * A customer's statement of account as a file: ?format=pdf|csv|json|xlsx, ?from= and ?to=; the last
 * three months unless told.
 */
export async function GET(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  return reading(book)
    ? paperAnswer(book, { paper: "statement", customerId: Number(id), query: queryOf(request) })
    : noBook(book);
}
