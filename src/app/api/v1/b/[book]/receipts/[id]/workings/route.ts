import { matchWorkings } from "@/server/match/queries/workings";
import { proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** What the tally of one receipt is put together from. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, async ({ db, book, id }) => {
    const proposals = await proposalsFor(book);
    return matchWorkings(
      db,
      Number(id),
      proposals.find((proposal) => proposal.receiptId === Number(id)),
    );
  });
}
