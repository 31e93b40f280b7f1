import { z } from "zod";

import { LANGUAGES } from "@/core/followup";
import { fail } from "@/core/result";
import { previewFor } from "@/server/overdue/letterTexts";
import { bookContext } from "@/server/runtime/bookContext";
import { proposalsFor } from "@/server/runtime/threads/reader";

import { answer, type BookParams, noBook } from "../../../../../../answers";
import { firstProblem } from "@/contracts/problems";

const words = z.object({
  customerId: z.number().int(),
  tone: z.number().int().min(1).max(4),
  language: z.enum(LANGUAGES),
  subject: z.string().max(300),
  body: z.string().max(20_000),
});

/** A letter's words filled in for a customer. It only looks: nothing is kept. */
export async function POST(request: Request, context: BookParams): Promise<Response> {
  const { book } = await context.params;
  const found = bookContext(book);
  if (!found) return noBook(book);
  const { db, today } = found;
  const parsed = words.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return answer(fail("input.invalid", firstProblem(parsed.error, "words")));
  return answer(previewFor(db, today, await proposalsFor(book), parsed.data));
}
