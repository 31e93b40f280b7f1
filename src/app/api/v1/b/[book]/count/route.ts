import { countFor } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../answers";

/**
 * What is left at each station and the control sums with their proofs, as soon as they are
 * computed; for a page that did not wait for them.
 */
export async function GET(_request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, async ({ db, book }) => (await countFor(book, db)).counted);
}
