import { z } from "zod";

import { type EntryDraft, inBook, postBankFee, postBounced } from "@/core/ledger";
import { negate } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import {
  bankAccounts,
  bankLineById,
  type BankLineRow,
  bounceLinesOf,
  setBankLineState,
} from "@/db/bank";
import { receiptById, type ReceiptRow } from "@/db/receipts";
import { takeBack } from "@/server/arrivals/steps/takeBack";
import { restoreReceipt } from "@/server/match/steps/restoreReceipt";
import { chargeReturnFee } from "@/server/payouts/steps/returnFee";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

/** A check that the bank took back: what it had paid is open again, and the bank's fee is booked. */
export const bounceReceipt = defineCommand({
  name: "bounceReceipt",
  schema: z.object({
    receiptId: z.number().int(),
    lineId: z.number().int(),
    feeLineId: z.number().int().nullable().default(null),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const asked = whatBounced(ctx, input);
    if (!asked.ok) return asked;
    const { receipt, line, fee } = asked.value;
    const actId = ctx.act(
      "bounce",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `${ctx.sum(receipt.amount)} taken back by the bank: what it had paid is open again`,
    );
    const went = takeBack(ctx, receipt, receipt.amount, actId);
    const document = {
      kind: "receipt" as const,
      id: receipt.id,
      text: `receipt ${receipt.id}, ${receipt.payerName}, taken back by the bank`,
    };
    const head = { partyId: receipt.customerId, document };
    ctx.post(
      postBounced({
        ...head,
        on: line.postedOn,
        bank: codeOf(ctx, line.bankAccountId),
        bankLineId: line.id,
        receiptId: receipt.id,
        went,
        sum: inBook(receipt.amount, receipt.currency),
      }),
      actId,
    );
    setBankLineState(ctx.db, { id: line.id, state: "bounce", receiptId: receipt.id });
    if (fee) {
      ctx.post(feeOfBank(ctx, head, fee), actId);
      setBankLineState(ctx.db, { id: fee.id, state: "bounce", receiptId: receipt.id });
    }
    chargeReturnFee(ctx, receipt, line.postedOn, actId);
    return ok({ actId });
  },
});
type Bounced = {
  receipt: ReceiptRow;
  line: BankLineRow;
  fee: BankLineRow | null;
};

/** The receipt with the line that took it back, and the line of the bank's fee, if there is one. */
function whatBounced(
  ctx: CommandContext,
  input: { receiptId: number; lineId: number; feeLineId: number | null },
): Result<Bounced> {
  const receipt = receiptById(ctx.db, input.receiptId);
  const line = bankLineById(ctx.db, input.lineId);
  if (!receipt) return fail("receipt.unknown");
  if (!isBanked(receipt)) return fail("bounce.not_banked");
  if (receipt.state === "returned") return fail("receipt.not_to_match");
  if (line?.state !== "open" || line.amount !== negate(receipt.amount))
    return fail("bounce.line", { sum: ctx.sum(receipt.amount) });
  const fee = input.feeLineId === null ? null : (bankLineById(ctx.db, input.feeLineId) ?? null);
  if (fee && (fee.state !== "open" || fee.amount >= 0)) return fail("payout.line");
  return ok({ receipt, line, fee });
}

const isBanked = ({ handState, source }: ReceiptRow): boolean =>
  handState === null ? source === "bank" : handState === "banked";

type FeeHead = Pick<Parameters<typeof postBankFee>[0], "partyId" | "document">;

const feeOfBank = (ctx: CommandContext, head: FeeHead, fee: BankLineRow): EntryDraft =>
  postBankFee({
    ...head,
    on: fee.postedOn,
    bank: codeOf(ctx, fee.bankAccountId),
    bankLineId: fee.id,
    kind: "return",
    sum: inBook(negate(fee.amount), fee.currency),
  });

function codeOf(ctx: CommandContext, bankAccountId: number): string {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  return bank.code;
}

/** A check did not bounce: what it had paid is paid again, and the line by which it came back is open. */
export const unbounceReceipt: Reversal = (ctx, act) => {
  const restored = restoreReceipt(ctx, act);
  if (!restored.ok) return restored;
  for (const id of bounceLinesOf(ctx.db, restored.value.id))
    setBankLineState(ctx.db, { id, state: "open" });
  return ok(null);
};
