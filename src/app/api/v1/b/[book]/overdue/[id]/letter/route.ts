import { followUpWorkings } from "@/server/customers/queries/followUpWorkings";
import { proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** The letter as it would go today, and what was said before. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, async ({ id, ...book }) =>
    followUpWorkings(book, Number(id), await proposalsFor(book.book)),
  );
}
