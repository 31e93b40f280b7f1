import { invoiceOfLink } from "@/server/customers/queries/accountPage";
import { invoicePdf } from "@/server/output/papers";

import { notThere } from "../../../../answers";
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
  const bytes = await invoicePdf(account.db, Number(id));
  if (!bytes) return notThere("link.unknown");
  await visited(token, account, "invoice", Number(id));
  return paper(bytes, "application/pdf", `invoice-${id}.pdf`);
}
