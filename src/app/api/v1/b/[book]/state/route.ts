import { stateOf } from "@/server/runtime/threads/reader";

import { type BookParams, fromBook } from "../../../../../answers";

/** The state of a book, so that an open page knows when it is behind. */
export async function GET(_request: Request, context: BookParams): Promise<Response> {
  return fromBook(context, ({ db }) => stateOf(db));
}
