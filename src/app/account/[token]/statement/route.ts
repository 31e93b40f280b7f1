import { statementOf, statementSheet } from "@/server/customers/queries/statement";
import { statementPdf } from "@/server/output/papers";
import { render } from "@/server/output/sheets";

import { notThere } from "../../../answers";
import { accountOf, paper, visited } from "../../account";

/** The statement of account of the last three months, as PDF or ?format=csv. */
export async function GET(
  request: Request,
  context: { params: Promise<{ token: string }> },
): Promise<Response> {
  const { token } = await context.params;
  const account = accountOf(token);
  if (!account) return notThere("link.unknown");
  const { db, page } = account;
  await visited(token, account, "statement");
  const statement = statementOf(db, page.customerId, page.from, page.today);
  if (new URL(request.url).searchParams.get("format") === "csv" && statement) {
    const { bytes, type } = await render(statementSheet(statement), "csv", "statement");
    return paper(bytes, type, `statement-${page.today}.csv`);
  }
  const bytes = await statementPdf(db, page.customerId, page.from, page.today);
  return bytes
    ? paper(bytes, "application/pdf", `statement-${page.today}.pdf`)
    : notThere("link.unknown");
}
