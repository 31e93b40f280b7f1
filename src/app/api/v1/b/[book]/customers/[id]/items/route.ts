import { groupCredits, groupItems } from "@/server/queries/match";

import { fromBook, type BookParams } from "../../../../../../../answers";

/** What is open at a customer and its group, and what stands on account there. */
export async function GET(_request: Request, context: BookParams<{ id: string }>): Promise<Response> {
  return fromBook(context, (db, { id }) => ({ items: groupItems(db, Number(id)), credits: groupCredits(db, Number(id)) }));
}
