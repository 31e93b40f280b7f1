import { readSettings } from "@/db/settings";
import { todayOf } from "@/server/context";
import { followUpWorkings } from "@/server/queries/customer";
import { proposalsFor } from "@/server/threads/reader";

import { fromBook, type BookParams } from "../../../../../../../answers";

/** The letter as it would go today, and what was said before. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, async (db, { book, id }) =>
    followUpWorkings(db, Number(id), todayOf(readSettings(db)), await proposalsFor(book)),
  );
}
