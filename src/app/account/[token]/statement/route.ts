import { makePaper } from "@/server/runtime/threads/limited";

import { answer, notThere } from "../../../answers";
import { accountOf, paper, visited } from "../../account";

/** The statement of account of the last three months, as PDF or ?format=csv. */
export async function GET(
  request: Request,
  context: { params: Promise<{ token: string }> },
): Promise<Response> {
  const { token } = await context.params;
  const account = accountOf(token);
  if (!account) return notThere("link.unknown");
  const { book, page } = account;
  const { customerId, from, today } = page;
  await visited(token, account, "statement");
  const csv = new URL(request.url).searchParams.get("format") === "csv";
  const made = await makePaper(book, {
    paper: "statement",
    customerId,
    query: [
      ["from", from],
      ["to", today],
      ["format", csv ? "csv" : "pdf"],
    ],
  });
  return made.ok ? paper(made.value, `statement-${today}.${csv ? "csv" : "pdf"}`) : answer(made);
}
