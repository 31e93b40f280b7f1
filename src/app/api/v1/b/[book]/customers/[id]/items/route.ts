import { currencyOf } from "@/core/money";
import { groupCredits, groupGivenUp, groupItems } from "@/server/match/queries/group";

import { type BookParams, fromBook } from "../../../../../../../answers";

/**
 * What is open at a customer and its group in a currency (the book's, unless told), what stands on
 * account there, and what was written off.
 */
export async function GET(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const asked = currencyOf(new URL(request.url).searchParams.get("currency") ?? "");
  return fromBook(context, ({ db, currency: own, id }) => {
    const currency = asked ?? own;
    return {
      items: groupItems(db, Number(id), currency),
      credits: groupCredits(db, Number(id), currency),
      givenUp: groupGivenUp(db, Number(id), currency),
    };
  });
}
