import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, noBook } from "../../../../../../answers";
import { paperAnswer, queryOf } from "../../../../../../papers";

/** A report or a list as a file: ?format=csv|json|xlsx|pdf, ?as-of= or ?from= and ?to=. */
export async function GET(
  request: Request,
  context: BookParams<{ report: string }>,
): Promise<Response> {
  const { book, report } = await context.params;
  return reading(book)
    ? paperAnswer(book, { paper: "report", report, query: queryOf(request) })
    : noBook(book);
}
