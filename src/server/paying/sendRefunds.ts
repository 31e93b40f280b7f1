import type { Day } from "@/core/calendar";
import type { Processor } from "@/core/paying";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { receiptById } from "@/db/receipts";
import { refundById, type RefundRow, refundsIn } from "@/db/refunds";

import type { DoCommand } from "./payNow";
import { freeToGoBack } from "./steps/freeToGoBack";

type Sending = { processor: Processor; run: DoCommand; on: Day };
type Sent = Result<Pick<RefundRow, "state" | "code">>;

/**
 * Asks the processor to send money back and keeps its answer. The processor takes a key once, so
 * that it may be asked as often as it takes, by whoever comes first.
 */
function sendRefund(db: Db, { processor, run, on }: Sending, refund: RefundRow): Promise<Sent> {
  const { key } = refund;
  const sent = answerTo(db, processor, { refund, on });
  const answer = sent.ok
    ? ({ state: "sent", refundId: sent.value.refundId } as const)
    : ({ state: "refused", code: sent.error.code } as const);
  return Promise.resolve(run("noteRefund", { key, answer }, `refund-${key}`));
}

/** What the processor says; it is asked for nothing that is not free to go any more. */
function answerTo(
  db: Db,
  processor: Processor,
  { refund, on }: { refund: RefundRow; on: Day },
): Result<{ refundId: string }> {
  const { id, key, chargeId, amount, receiptId } = refund;
  const before = processor.refundByKey(key);
  if (before) return ok(before);
  const receipt = receiptById(db, receiptId);
  const free = receipt && freeToGoBack(db, receipt, { ...refund, apart: id });
  return free && amount <= free
    ? processor.refund({ key, chargeId, amount, on })
    : fail("refund.used");
}

/** Sends what was let go and has not been answered: the server was ended, or somebody agreed meanwhile. */
export async function sendRefunds(db: Db, sending: Sending): Promise<number> {
  const asked = refundsIn(db, "asked");
  for (const refund of asked) await sendRefund(db, sending, refund);
  return asked.length;
}

/** One that was asked for just now: sent where nobody has to agree first. */
export async function sendIfFree(db: Db, sending: Sending, id: number): Promise<Sent> {
  const refund = refundById(db, id);
  if (refund?.state !== "asked") return ok({ state: refund?.state ?? "refused", code: null });
  return sendRefund(db, sending, refund);
}
