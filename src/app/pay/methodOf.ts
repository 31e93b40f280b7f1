import "server-only";

import { randomUUID } from "node:crypto";

import type { PayInput } from "@/contracts/paying";
import type { Processor } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import { isOnFile } from "@/server/paying/queries/payPage";

import type { OpenLink } from "./pay";

type Payer = Pick<OpenLink, "customerId" | "run" | "context">;

/** The way that is on file, or the one that the processor has just taken: its words come from there alone. */
export async function methodOf(
  { customerId, run, context }: Payer,
  processor: Processor,
  { methodId, token, keep, agree }: Pick<PayInput, "methodId" | "token" | "keep" | "agree">,
): Promise<Result<number>> {
  if (methodId !== null)
    return isOnFile(context.db, customerId, methodId) ? ok(methodId) : fail("method.gone");
  const taken = token === null ? null : processor.method(token);
  if (!taken) return fail("method.gone");
  const kept = await run(
    "keepMethod",
    { customerId, ...taken, onFile: keep || agree },
    randomUUID(),
  );
  return kept.ok ? ok(kept.value.id) : kept;
}
