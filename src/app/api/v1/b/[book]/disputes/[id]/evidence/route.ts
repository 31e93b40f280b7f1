import { reading } from "@/server/runtime/threads/reader";

import { paperAnswer } from "../../../../../../../papers";
import { type BookParams, noBook } from "../../../../../../../answers";

/** What the book has to answer a dispute with, as one PDF. */
export async function GET(
  _request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  return reading(book) ? paperAnswer(book, { paper: "evidence", id: Number(id) }) : noBook(book);
}
