import { randomUUID } from "node:crypto";

import { fail, ok } from "@/core/result";
import { toldDocument } from "@/server/invoices/queries/told";
import { refusalOf } from "@/server/runtime/door/ownRequest";
import { bookExists } from "@/server/runtime/folders";
import { inWords } from "@/server/runtime/messages";
import { readForeign } from "@/server/runtime/threads/limited";
import { reading } from "@/server/runtime/threads/reader";
import { execute } from "@/server/runtime/threads/writer";

import { answer, type BookParams, bytesOf, noBook } from "../../../../../answers";
import { personOf } from "../../../../../person";

const MOST_BYTES = 20_000_000;

/**
 * Takes orders (JSON or CSV, as `dozo invoice` does) and makes drafts of them; `?approve=1` approves
 * them too, `?key=` makes it happen once. Gives the documents, and each refused one with its row and field.
 */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const refused = refusalOf(request);
  if (refused) return answer(fail(refused));
  if (!bookExists(book)) return noBook(book);
  const bytes = await bytesOf(request, MOST_BYTES);
  if (bytes === null)
    return answer(
      fail("file.large", { size: `over ${MOST_BYTES / 1_000_000}`, most: MOST_BYTES / 1_000_000 }),
    );
  const read = await readForeign<"orders">({ what: "orders", bytes });
  if (!read.ok) return answer(read);
  const { searchParams } = new URL(request.url);
  const done = await execute(
    book,
    "takeOrders",
    { orders: read.value.orders, approve: searchParams.get("approve") === "1" },
    { actor: await personOf(book), key: searchParams.get("key") ?? randomUUID(), rehearse: false },
  );
  if (!done.ok) return answer(done);
  const db = reading(book);
  if (!db) return noBook(book);
  return answer(
    ok({
      documents: done.value.documents.map(({ document, id }) => toldDocument(db, document, id)),
      refused: [...read.value.refused, ...done.value.refused].map(
        ({ document, row, field, error }) => ({
          document,
          row,
          field,
          code: error.code,
          message: inWords(error),
        }),
      ),
    }),
  );
}
