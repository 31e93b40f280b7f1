import { invoicePdf } from "@/server/output/papers";
import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, fileAnswer, noBook, notThere } from "../../../../../../../answers";

/** An invoice or credit note as a PDF, made from its data. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const db = reading(book);
  if (!db) return noBook(book);
  const bytes = await invoicePdf(db, Number(id));
  if (!bytes) return notThere("item.unknown");
  return fileAnswer(bytes, { type: "application/pdf", name: `invoice-${id}.pdf` });
}
