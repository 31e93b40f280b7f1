import { addDays } from "@/core/calendar";
import { fail } from "@/core/result";
import { statementsOfAll, statementsSheet } from "@/server/customers/queries/statement";
import { statementsPdf } from "@/server/output/papers";
import { FORMATS, render } from "@/server/output/sheets";
import { bookContext } from "@/server/runtime/bookContext";

import { answer, type BookParams, dayOf, fileAnswer, noBook } from "../../../../../answers";

/** So many statements are printed into one file; a table takes more. */
const MOST_PRINTED = 1000;
const MOST_IN_TABLE = 50_000;

/**
 * Every customer's statement of account as one file: ?format=pdf|csv|xlsx|json, ?as-of=, ?from=;
 * three months back unless told.
 */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const found = bookContext(book);
  if (!found) return noBook(book);
  const { db, today } = found;
  const query = new URL(request.url).searchParams;
  const to = dayOf(query, "as-of") ?? today;
  const from = dayOf(query, "from") ?? addDays(to, -92);
  const inTable = FORMATS.find((name) => name === query.get("format"));
  const { statements, left } = statementsOfAll(
    db,
    from,
    to,
    inTable ? MOST_IN_TABLE : MOST_PRINTED,
  );
  if (left > 0)
    return answer(
      fail("statements.many", {
        most: String(inTable ? MOST_IN_TABLE : MOST_PRINTED),
        count: String(statements.length + left),
      }),
    );
  const name = `${book}-statements-${to}`;
  const { bytes, type } = inTable
    ? await render(statementsSheet(statements), inTable, "statements")
    : { bytes: await statementsPdf(db, statements), type: "application/pdf" };
  return fileAnswer(bytes, { type, name: `${name}.${inTable ?? "pdf"}` });
}
