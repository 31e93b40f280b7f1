import { sureList } from "@/server/match/queries/sureList";
import { cachedQuery, proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../answers";

/** The sure ones as they would be posted. */
export async function GET(_request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, async ({ db, currency, book }) => {
    const proposals = await proposalsFor(book);
    return cachedQuery({ book, db }, "sure", () => sureList(db, proposals, currency));
  });
}
