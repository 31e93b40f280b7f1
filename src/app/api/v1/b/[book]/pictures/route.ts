import { fail, ok } from "@/core/result";
import { keepPaper } from "@/server/customers/steps/keepPaper";
import { refusalOf } from "@/server/runtime/door/ownRequest";
import { bookExists } from "@/server/runtime/folders";

import { answer, type BookParams, bytesOf, noBook } from "../../../../../answers";

const MOST_BYTES = 300_000;

/** Keeps a picture (the body) under its hash, for a look of papers to name. */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  if (!bookExists(book)) return noBook(book);
  const bytes = await bytesOf(request, MOST_BYTES);
  if (bytes === null) return answer(fail("look.picture", { what: "over 300 kB" }));
  const kept = keepPaper(book, Buffer.from(bytes), "The picture");
  return answer(kept.ok ? ok({ sha256: kept.value }) : kept);
}
