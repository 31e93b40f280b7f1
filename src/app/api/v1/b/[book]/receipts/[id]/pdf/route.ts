import { paperAnswer } from "../../../../../../../papers";
import { type BookParams, noBook } from "../../../../../../../answers";
import { reading } from "@/server/runtime/threads/reader";

/** What a customer gets for its money, as a PDF. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  return reading(book) ? paperAnswer(book, { paper: "receipt", id: Number(id) }) : noBook(book);
}
