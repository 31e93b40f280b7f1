import { groupItems } from "@/server/queries/match";

import { fromBook, type BookParams } from "../../../../../../../answers";

/** What is open at a customer and its sites. */
export async function GET(_request: Request, context: BookParams<{ id: string }>): Promise<Response> {
  return fromBook(context, (db, { id }) => groupItems(db, Number(id)));
}
