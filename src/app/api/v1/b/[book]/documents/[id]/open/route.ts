import { z } from "zod";

import { fail } from "@/core/result";
import { hasLeft, hasOpen } from "@/server/invoices/whoHasIt";
import { reading } from "@/server/runtime/threads/reader";

import { answer, type BookParams, noBook, value } from "../../../../../../../answers";
import { personOf } from "../../../../../../../person";

const body = z.object({ window: z.string().min(8).max(64), left: z.boolean().default(false) });

/** A window says that it has a draft open, or has left it; answered with who else has it open. */
export async function POST(
  request: Request,
  context: BookParams<{ id: string }>,
): Promise<Response> {
  const { book, id } = await context.params;
  const said = body.safeParse(await request.json().catch(() => null));
  const draft = Number(id);
  if (!said.success || !Number.isSafeInteger(draft))
    return answer(fail("input.invalid", { where: "request", what: "a window is needed" }));
  if (!reading(book)) return noBook(book);
  const here = { book, draft, window: said.data.window };
  if (said.data.left) {
    hasLeft(here);
    return value(null);
  }
  const name = await personOf(book);
  return value({ name, others: hasOpen(here, name, Date.now()) });
}
