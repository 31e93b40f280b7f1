import { readSettings } from "@/db/settings";
import { agedItems, agesAsked } from "@/server/reports/queries/ages";
import { todayOf } from "@/server/runtime/context";

import { type BookParams, fromBook } from "../../../../../../answers";

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
