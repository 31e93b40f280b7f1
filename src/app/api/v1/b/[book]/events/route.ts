import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import { takeEvent } from "@/server/paying/takeEvent";
import { bookContext } from "@/server/runtime/bookContext";
import { refusalOf } from "@/server/runtime/door/ownRequest";

import { answer, type BookParams, noBook } from "../../../../../answers";
import { refused, runIn } from "../../../../../pay/pay";

const MOST_BYTES = 64_000;

/** An event of the processor behind a book, signed by Standard Webhooks; each is heard once. */
export async function POST(request: Request, { params }: BookParams): Promise<Response> {
  const { book } = await params;
  const foreign = refusalOf(request);
  if (foreign) return answer(fail(foreign));
  const context = bookContext(book);
  if (!context) return noBook(book);
  const processor = processorBehind(book);
  if (!processor) return refused(fail("event.none").error, 404);
  if (Number(request.headers.get("content-length") ?? "0") > MOST_BYTES)
    return refused(fail("event.form").error, 413);
  const header = (name: string): string => request.headers.get(name) ?? "";
  const sent = {
    id: header("webhook-id").slice(0, 120),
    timestamp: header("webhook-timestamp").slice(0, 20),
    signature: header("webhook-signature").slice(0, 2000),
    body: (await request.text()).slice(0, MOST_BYTES),
  };
  const into = { book, db: context.db, run: runIn(book, "processor"), processor };
  const heard = await takeEvent(into, sent);
  if (heard.ok) return Response.json(heard.value);
  return refused(heard.error, heard.error.code === "event.signature" ? 401 : 422);
}
