import { lineChoices } from "@/server/match/queries/onHand";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** What an open bank line could be: a deposit by hand, or a check taken back. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => lineChoices(db, Number(id)));
}
