import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import type { Processor } from "@/core/paying";
import { fail, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { payMethodById } from "@/db/payMethods";

import type { DoCommand } from "./payNow";

type Prove = { processor: Processor; run: DoCommand; on: Day };
type Account = { customerId: number; methodId: number };

/** Sends two small sums to an account that a customer has typed; the processor sends them once. */
export async function sendSums(
  db: Db,
  { processor, run, on }: Prove,
  account: Account,
): Promise<Result<null>> {
  const method = payMethodById(db, account.methodId);
  if (method?.customerId !== account.customerId) return fail("method.gone");
  const sent = processor.sendSmallSums(method.token, on);
  if (!sent.ok) return sent;
  return run("noteProof", { ...account, ...sent.value }, `sums-${method.token}`);
}

/** Proves an account by the sums that have come to it. Errors: proof.wrong, proof.over. */
export async function proveBySums(
  db: Db,
  { processor, run }: Prove,
  { sums, ...account }: Account & { sums: readonly Minor[] },
): Promise<Result<null>> {
  const method = payMethodById(db, account.methodId);
  if (method?.customerId !== account.customerId) return fail("method.gone");
  const proven = processor.proveBySums(method.token, sums);
  if (!proven.ok) return proven;
  return run("noteProof", { ...account, thereOn: null }, `proven-${method.token}`);
}
