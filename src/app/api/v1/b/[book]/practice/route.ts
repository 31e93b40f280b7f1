import { PracticeWorld } from "@/practice";
import { fail } from "@/core/result";
import { bookContext } from "@/server/runtime/bookContext";

import { type BookParams, noBook } from "../../../../../answers";
import { personOf } from "../../../../../person";
import { refused, runIn } from "../../../../../pay/pay";

/** Moves a practice book's clock on by a day: everything due happens, arrives, and is taken in. */
export async function POST(_: Request, params: BookParams): Promise<Response> {
  const { book } = await params.params;
  const context = bookContext(book);
  if (!context) return noBook(book);
  const world = PracticeWorld.around(book, context.db, runIn(book, await personOf(book)));
  if (!world) return refused(fail("practice.none", { book }).error);
  try {
    return Response.json(await world.next());
  } finally {
    world.leave();
  }
}
