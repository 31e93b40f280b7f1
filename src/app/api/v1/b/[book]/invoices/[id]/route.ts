import { toldItem } from "@/server/invoices/queries/told";

import { type BookParams, fromBook } from "../../../../../../answers";

/** An invoice or credit note that was written here: its number, sums, state, and its customer's link. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => toldItem(db, Number(id)));
}
