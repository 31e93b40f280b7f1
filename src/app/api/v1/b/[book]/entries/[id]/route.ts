import { entryStory } from "@/server/queries/story";

import { fromBook, type BookParams } from "../../../../../../answers";

/** An entry with its lines and how it came about. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, (db, { book, id }) => entryStory(db, book, Number(id)));
}
