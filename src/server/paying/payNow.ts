import type { AskedForCode, ChargeAnswer, Processor } from "@/core/paying";
import { ok, type Result } from "@/core/result";
import type { Begun } from "./commands/beginPayment";
import type { PaymentRow } from "@/db/payments";
import type { Day } from "@/core/calendar";
import type { CommandName, InputOf, OutputOf } from "@/server/commands";

/** Does a command under a key of its own: the same key is done once. */
export type DoCommand = <Name extends CommandName>(
  name: Name,
  input: InputOf<Name>,
  key: string,
) => Promise<Result<OutputOf<Name>>> | Result<OutputOf<Name>>;

export type Outcome = { state: PaymentRow["state"]; code: string | null } | AskedForCode;

type PayNow = {
  processor: Processor;
  run: DoCommand;
  on: Day;
  ask: InputOf<"beginPayment">;
  /** Whether its payer is there to type a code; by a link it is. */
  present?: boolean;
};

/**
 * Takes a payment: keeps that it is asked for, asks the processor, keeps the answer. Wherever it is
 * cut off, the same key goes on from there: nothing is charged twice, and no answer is lost.
 */
export async function payNow({
  processor,
  run,
  on,
  ask,
  present = ask.by === "link",
}: PayNow): Promise<Result<Outcome>> {
  const begun = await run("beginPayment", ask, `begin-${ask.key}`);
  if (!begun.ok) return begun;
  const answered = answerTo(processor, { on, key: ask.key, present }, begun.value);
  if (!answered.ok) return answered;
  // Whether it was paid is known once the payer has typed the code, and asked again by the same key.
  if (answered.value.state === "asks_code") return ok(answered.value);
  return run("notePayment", { key: ask.key, answer: answered.value }, `note-${ask.key}`);
}

/** What the processor says; one that was asked before is not asked anew. */
function answerTo(
  processor: Processor,
  { on, key, present }: { on: Day; key: string; present: boolean },
  begun: Begun,
): Result<ChargeAnswer> {
  const before = processor.chargeByKey(key);
  if (before) return ok(before);
  const { token, amount, currency, payerName, payerEmail, reference } = begun;
  const payer = { payerName, payerEmail, present };
  return processor.charge({ key, token, amount, currency, ...payer, reference, on });
}
