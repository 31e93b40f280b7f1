import { pricesFor } from "@/server/invoices/queries/editor";

import { type BookParams, fromBook } from "../../../../../../../answers";

/** What was written on invoices before, with its latest rate; this customer's own first. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => pricesFor(db, Number(id)));
}
