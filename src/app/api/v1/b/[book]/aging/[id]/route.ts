import { readSettings } from "@/db/settings";
import { todayOf } from "@/server/context";
import { agedItems, agesAsked } from "@/server/queries/ages";

import { fromBook, type BookParams } from "../../../../../../answers";

/** The items behind a row of the aging, with the aging's own query: ?as-of=, by=, days=, of=, currency=. */
export async function GET(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const query = new URL(request.url).searchParams;
  return fromBook(context, (db, { id }) => {
    const settings = readSettings(db);
    return agedItems(db, Number(id), agesAsked(query, settings, todayOf(settings)));
  });
}
