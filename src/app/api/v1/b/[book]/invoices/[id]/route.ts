import { documentOfItem } from "@/db/documents";
import { toldDocument } from "@/server/invoices/queries/told";

import { type BookParams, fromBook } from "../../../../../../answers";

/** An invoice or credit note that was written here: its number, sums, state, and its customer's link. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  return fromBook(context, ({ db, id }) => {
    const document = documentOfItem(db, Number(id));
    return document ? toldDocument(db, document.orderRef ?? "", document.id) : null;
  });
}
