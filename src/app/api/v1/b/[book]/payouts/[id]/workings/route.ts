import { payoutWorkings } from "@/server/payouts/queries/payoutWorkings";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** A payout's items, its bank lines, and the open lines near it. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => payoutWorkings(db, Number(id)));
}
