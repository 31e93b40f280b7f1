import type { Day } from "@/core/calendar";
import type { Processor } from "@/core/paying";
import { minor, negate } from "@/core/money";
import { ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { refundById, type RefundRow, refundsIn } from "@/db/refunds";

import type { DoCommand } from "./payNow";

type Sending = { processor: Processor; run: DoCommand; on: Day };

/**
 * Asks the processor to send money back and keeps its answer. The processor takes a key once, so
 * that it may be asked as often as it takes, by whoever comes first. Where it pays out a credit note,
 * that note is used up by it.
 */
export async function sendRefund(
  { processor, run, on }: Sending,
  { key, chargeId, amount, creditNoteId, receiptId }: RefundRow,
): Promise<Result<Pick<RefundRow, "state" | "code">>> {
  const sent = processor.refund({ key, chargeId, amount, on });
  const answer = sent.ok
    ? ({ state: "sent", refundId: sent.value.refundId } as const)
    : ({ state: "refused", code: sent.error.code } as const);
  const noted = await run("noteRefund", { key, answer }, `refund-${key}`);
  if (!noted.ok || noted.value.state !== "sent" || creditNoteId === null) return noted;
  const lines = [{ itemId: creditNoteId, amount: negate(minor(amount)) }];
  const used = await run("useCredit", { receiptId, customerId: null, lines }, `note-of-${key}`);
  return used.ok ? noted : used;
}

/** Sends what was let go and has not been answered: the server was ended, or somebody agreed meanwhile. */
export async function sendRefunds(db: Db, sending: Sending): Promise<number> {
  const asked = refundsIn(db, "asked");
  for (const refund of asked) await sendRefund(sending, refund);
  return asked.length;
}

/** One that was asked for just now: sent where nobody has to agree first. */
export async function sendIfFree(
  db: Db,
  sending: Sending,
  id: number,
): Promise<Result<Pick<RefundRow, "state" | "code">>> {
  const refund = refundById(db, id);
  if (refund?.state !== "asked") return ok({ state: refund?.state ?? "refused", code: null });
  return sendRefund(sending, refund);
}
