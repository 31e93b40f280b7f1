import { QUEUES } from "@/contracts/match";
import { matchQueue } from "@/server/match/queries/match";
import { cachedQuery, proposalsFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../answers";
import { PAGE_ROWS } from "../../../../../serve";

/** Rows of a queue of Match from one on, for a list that is longer than one page. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const query = new URL(request.url).searchParams;
  const queue = QUEUES.find((name) => name === query.get("queue")) ?? "check";
  const from = Math.max(0, Number.parseInt(query.get("from") ?? "0", 10) || 0);
  const sort = query.get("sort") ?? "paid";
  return fromBook(context, async ({ db, currency, book }) => {
    const proposals = await proposalsFor(book);
    return cachedQuery({ book, db }, `match ${queue} ${sort}`, () =>
      matchQueue(db, proposals, { queue, sort, currency }),
    ).rows.slice(from, from + PAGE_ROWS);
  });
}
