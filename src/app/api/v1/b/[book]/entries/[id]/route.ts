import { entryHistory } from "@/server/books/queries/history";

import { withOrigin } from "../../../../../../origins";
import { type BookParams, fromBook } from "../../../../../../answers";

/** An entry with its lines and how it came about. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, book, id }) => {
    const found = entryHistory(db, Number(id));
    return found && withOrigin(book, found);
  });
}
