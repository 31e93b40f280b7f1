import "server-only";

import type { Processor } from "@/core/paying";
import { fail } from "@/core/result";
import { processorBehind } from "@/practice";
import type { DoCommand } from "@/server/paying/payNow";
import { type BookContext, bookContext } from "@/server/runtime/bookContext";

import { noBook } from "../answers";
import { personOf } from "../person";
import { bodyOf, refused, runIn, UNREAD } from "./pay";

const NO_PROCESSOR = fail("processor.none").error;

type Taking<T> = { context: BookContext; asked: T; processor: Processor; run: DoCommand };

/** Has a clerk do something with a book's processor: with what was sent, in the clerk's name. */
export async function byClerk<T>(
  request: Request,
  book: string,
  schema: Parameters<typeof bodyOf<T>>[1],
  take: (taking: Taking<T>) => Promise<Response>,
): Promise<Response> {
  const context = bookContext(book);
  if (!context) return noBook(book);
  const asked = await bodyOf(request, schema);
  const processor = processorBehind(book);
  if (!processor) return refused(NO_PROCESSOR);
  if (!asked) return refused(UNREAD);
  return take({ context, asked, processor, run: runIn(book, await personOf(book)) });
}
