import { paperAnswer } from "../../../../../../../papers";
import { type BookParams, noBook } from "../../../../../../../answers";
import { reading } from "@/server/runtime/threads/reader";

/** An invoice or credit note as a PDF, made from its data. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  return reading(book) ? paperAnswer(book, { paper: "invoice", id: Number(id) }) : noBook(book);
}
