import { z } from "zod";

import { fail } from "@/core/result";
import { type CommandName, commandOf } from "@/server/commands";
import { execute } from "@/server/runtime/threads/writer";

import { answer, type BookParams } from "../../../../../../answers";
import { personOf } from "../../../../../../person";

const body = z.object({
  input: z.unknown(),
  key: z.string().min(8).max(100),
  rehearse: z.boolean().default(false),
});

/** Carries out a command of a book: its name in the address, its input in the body, a key that makes it happen once. */
export async function POST(
  request: Request,
  context: BookParams<{ name: string }>,
): Promise<Response> {
  const { book, name } = await context.params;
  const parsed = body.safeParse(await request.json().catch(() => null));
  if (!parsed.success)
    return answer(
      fail("input.invalid", {
        where: "request",
        what: "a JSON object with input and key is needed",
      }),
    );
  if (!commandOf(name)) return answer(fail("command.unknown", { name }));
  return answer(
    await execute(book, name as CommandName, parsed.data.input as never, {
      actor: await personOf(book),
      key: parsed.data.key,
      rehearse: parsed.data.rehearse,
    }),
  );
}
