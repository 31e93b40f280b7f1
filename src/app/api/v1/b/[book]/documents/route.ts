import { reading } from "@/server/runtime/threads/reader";

import { type BookParams, noBook } from "../../../../../answers";
import { paperAnswer } from "../../../../../papers";

/** Approved documents in one file (?ids=1,2,3&format=pdf|zip), to be printed or handed on. */
export async function GET(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const { searchParams } = new URL(request.url);
  const ids = (searchParams.get("ids") ?? "")
    .slice(0, 20_000)
    .split(",")
    .map(Number)
    .filter((id) => Number.isSafeInteger(id) && id > 0);
  const format = searchParams.get("format") === "zip" ? "zip" : "pdf";
  return reading(book) ? paperAnswer(book, { paper: "documents", ids, format }) : noBook(book);
}
