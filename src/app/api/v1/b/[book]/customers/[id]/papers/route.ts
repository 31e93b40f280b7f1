import { randomUUID } from "node:crypto";

import { fail } from "@/core/result";
import { keepPaper } from "@/server/customers/steps/keepPaper";
import { MOST_MEGABYTES } from "@/server/customers/steps/paperType";
import { refusalOf } from "@/server/runtime/door/ownRequest";
import { bookExists } from "@/server/runtime/folders";
import { execute } from "@/server/runtime/threads/writer";

import { answer, type BookParams, bytesOf, noBook } from "../../../../../../../answers";
import { personOf } from "../../../../../../../person";

/** Takes a paper (the body) that belongs to a customer, or with `?document=` to a draft of it. */
export async function POST(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  if (!bookExists(book)) return noBook(book);
  const { searchParams } = new URL(request.url);
  const name = (searchParams.get("name") ?? "paper").slice(0, 200);
  const bytes = await bytesOf(request, MOST_MEGABYTES * 1_000_000);
  if (bytes === null)
    return answer(
      fail("attachment.large", { name, size: `over ${MOST_MEGABYTES}`, most: MOST_MEGABYTES }),
    );
  const kept = keepPaper(book, Buffer.from(bytes), name);
  if (!kept.ok) return answer(kept);
  const documentId = Number(searchParams.get("document")) || null;
  return answer(
    await execute(
      book,
      "addAttachment",
      { customerId: Number(id), documentId, name, sha256: kept.value },
      { actor: await personOf(book), key: randomUUID(), rehearse: false },
    ),
  );
}
