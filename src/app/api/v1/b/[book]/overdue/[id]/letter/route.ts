import { followUpWorkings } from "@/server/customers/queries/followUpWorkings";
import { proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** The letter as it would go today, and what was said before. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, async ({ db, today, book, id }) =>
    followUpWorkings(db, Number(id), today, await proposalsFor(book)),
  );
}
