import { agedItems, agesAsked } from "@/server/reports/queries/ages";

import { type BookParams, fromBook } from "../../../../../../answers";

/** The items behind a row of the aging, with the aging's own query: ?as-of=, by=, days=, of=, currency=. */
export async function GET(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const query = new URL(request.url).searchParams;
  return fromBook(context, ({ db, settings, today, id }) =>
    agedItems(db, Number(id), agesAsked(query, settings, today)),
  );
}
