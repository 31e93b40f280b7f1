import { invoiceOfLink } from "@/server/customers/queries/accountPage";
import { paperOfItem } from "@/server/invoices/queries/papers";
import { paperSheet } from "@/server/output/paperSheet";
import { render } from "@/server/output/sheets";
import { ublOf } from "@/server/output/ubl";
import { makePaper } from "@/server/runtime/threads/limited";

import { answer, notThere } from "../../../../answers";
import { accountOf, type OpenAccount, paper, visited } from "../../../account";

/** One invoice as PDF, or (`?as=csv`, `?as=ubl`) as data, where it is the customer's own. */
export async function GET(
  request: Request,
  context: { params: Promise<{ token: string; id: string }> },
): Promise<Response> {
  const { token, id } = await context.params;
  const account = accountOf(token);
  if (!account || invoiceOfLink(account.db, token, Number(id)) === null)
    return notThere("link.unknown");
  const as = new URL(request.url).searchParams.get("as");
  const answered =
    as === null ? await asPdf(account, Number(id)) : await asData(account, Number(id), as);
  if (answered.ok) await visited(token, account, "invoice", Number(id));
  return answered;
}

async function asPdf({ book }: OpenAccount, id: number): Promise<Response> {
  const made = await makePaper(book, { paper: "invoice", id });
  return made.ok ? paper(made.value, `invoice-${id}.pdf`) : answer(made);
}

/** What was written here has its data; what came by a file has none but its paper. */
async function asData({ db }: OpenAccount, id: number, as: string): Promise<Response> {
  const facts = paperOfItem(db, id);
  if (!facts) return notThere("item.unknown");
  if (as === "ubl") {
    const bytes = new TextEncoder().encode(ublOf(facts));
    return paper({ bytes, type: "application/xml", name: "" }, `invoice-${id}.xml`);
  }
  const sheet = await render(paperSheet(facts), "csv", "invoice");
  return paper({ ...sheet, name: "" }, `invoice-${id}.csv`);
}
