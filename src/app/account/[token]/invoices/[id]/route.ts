import { invoiceOfLink } from "@/server/customers/queries/accountPage";
import { makePaper } from "@/server/runtime/threads/limited";

import { answer, notThere } from "../../../../answers";
import { accountOf, paper, visited } from "../../../account";

/** One invoice as PDF, where it is the customer's own. */
export async function GET(
  _request: Request,
  context: { params: Promise<{ token: string; id: string }> },
): Promise<Response> {
  const { token, id } = await context.params;
  const account = accountOf(token);
  if (!account || invoiceOfLink(account.db, token, Number(id)) === null)
    return notThere("link.unknown");
  const made = await makePaper(account.book, { paper: "invoice", id: Number(id) });
  if (!made.ok) return answer(made);
  await visited(token, account, "invoice", Number(id));
  return paper(made.value, `invoice-${id}.pdf`);
}
