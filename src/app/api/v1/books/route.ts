import { z } from "zod";

import { bookSchema } from "@/contracts/settings";
import { fail, ok } from "@/core/result";
import { createBook } from "@/server/runtime/books";
import { isInTheMaking } from "@/server/runtime/folders";

import { answer } from "../../../answers";
import { firstProblem } from "@/contracts/problems";

const body = z.object({ book: z.string() }).and(bookSchema);

/** Makes a new, empty book. */
export async function POST(request: Request): Promise<Response> {
  const input: unknown = await request.json().catch(() => null);
  const parsed = body.safeParse(input);
  if (!parsed.success) return answer(fail("input.invalid", firstProblem(parsed.error, "request")));
  if (isInTheMaking(parsed.data.book)) return answer(fail("book.name", { book: parsed.data.book }));
  const made = createBook(parsed.data.book, { ...parsed.data, currency: parsed.data.currency });
  if (!made.ok) return answer(made);
  made.value.close();
  return answer(ok({ book: parsed.data.book }));
}
