import { runInput } from "@/contracts/paying";
import { processorBehind } from "@/practice";
import { runAgreed } from "@/server/paying/runAgreed";
import { bookContext } from "@/server/runtime/bookContext";

import { type BookParams, noBook } from "../../../../../answers";
import { personOf } from "../../../../../person";
import { bodyOf, refused, runIn, UNREAD } from "../../../../../pay/pay";

/** Takes the agreed payments that were looked at; each once, whoever asks again. */
export async function POST(request: Request, params: BookParams): Promise<Response> {
  const { book } = await params.params;
  const context = bookContext(book);
  if (!context) return noBook(book);
  const asked = await bodyOf(request, runInput);
  const processor = processorBehind(book);
  if (!asked || !processor) return refused(UNREAD);
  return Response.json(
    await runAgreed(context.db, {
      processor,
      run: runIn(book, await personOf(book)),
      on: context.today,
      keys: new Set(asked.keys),
    }),
  );
}
