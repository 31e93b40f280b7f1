import { paperOfItem } from "@/server/invoices/queries/papers";
import { ublOf } from "@/server/output/ubl";
import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, fileAnswer, noBook, notThere } from "../../../../../../../answers";

/** An invoice or credit note that was written here as UBL 2.1. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const db = reading(book);
  if (!db) return noBook(book);
  const paper = paperOfItem(db, Number(id));
  return paper
    ? fileAnswer(ublOf(paper), {
        type: "application/xml",
        name: `${(paper.number ?? "paper").replaceAll("/", "-")}.xml`,
      })
    : notThere("item.unknown");
}
