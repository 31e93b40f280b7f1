import { addDays } from "@/core/calendar";
import { statementOf, statementSheet } from "@/server/customers/queries/statement";
import { statementPdf } from "@/server/output/papers";
import { FORMATS, render } from "@/server/output/sheets";
import { bookContext } from "@/server/runtime/bookContext";

import { type BookParams, dayOf, fileAnswer, noBook, notThere } from "../../../../../../../answers";

/**
 * A customer's statement of account as a file: ?format=pdf|csv|json|xlsx, ?from= and ?to=; the last
 * three months unless told.
 */
export async function GET(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const found = bookContext(book);
  if (!found) return noBook(book);
  const { db, today } = found;
  const query = new URL(request.url).searchParams;
  const to = dayOf(query, "to") ?? today;
  const from = dayOf(query, "from") ?? addDays(to, -92);
  const statement = statementOf(db, Number(id), from, to);
  if (!statement) return notThere("customer.unknown", { id });
  const name = `${book}-statement-${statement.customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${to}`;
  if ((query.get("format") ?? "pdf") === "pdf") {
    const bytes = await statementPdf(db, Number(id), from, to);
    return fileAnswer(bytes ?? "", { type: "application/pdf", name: `${name}.pdf` });
  }
  const format = FORMATS.find((name) => name === query.get("format")) ?? "csv";
  const { bytes, type } = await render(statementSheet(statement), format, "statement");
  return fileAnswer(bytes, { type, name: `${name}.${format}` });
}
