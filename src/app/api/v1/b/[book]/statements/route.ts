import { addDays } from "@/core/calendar";
import { fail } from "@/core/result";
import { readSettings } from "@/db/settings";
import { statementsOfAll, statementsSheet } from "@/server/customers/queries/statement";
import { statementsPdf } from "@/server/output/papers";
import { FORMATS, render } from "@/server/output/sheets";
import { todayOf } from "@/server/runtime/context";
import { reading } from "@/server/runtime/threads/reader";

import { answer, type BookParams, dayOf, notThere } from "../../../../../answers";

/** So many statements are printed into one file; a table takes more. */
const MOST_PRINTED = 1000;
const MOST_IN_TABLE = 50_000;

/** Every customer's statement of account as one file: ?format=pdf|csv|xlsx|json, ?as-of=, ?from=; three months back unless told. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const db = reading(book);
  if (!db) return notThere("book.missing", { book });
  const query = new URL(request.url).searchParams;
  const to = dayOf(query, "as-of") ?? todayOf(readSettings(db));
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
  return new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": type,
      "content-disposition": `attachment; filename="${name}.${inTable ?? "pdf"}"`,
    },
  });
}
