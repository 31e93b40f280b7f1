import { receiptOfLink } from "@/server/customers/queries/accountPage";
import { makePaper } from "@/server/runtime/threads/limited";

import { answer, notThere } from "../../../../answers";
import { accountOf, paper } from "../../../account";

/** What a customer got for its money, as a PDF, where it is the customer's own. */
export async function GET(
  _request: Request,
  context: { params: Promise<{ token: string; id: string }> },
): Promise<Response> {
  const { token, id } = await context.params;
  const account = accountOf(token);
  if (!account || !receiptOfLink(account.db, token, Number(id))) return notThere("link.unknown");
  const made = await makePaper(account.book, { paper: "receipt", id: Number(id) });
  return made.ok ? paper(made.value, `receipt-${id}.pdf`) : answer(made);
}
