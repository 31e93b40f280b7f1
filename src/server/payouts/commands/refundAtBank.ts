import { z } from "zod";

import { inBook, postRefundAtBank } from "@/core/ledger";
import { add, minor, negate } from "@/core/money";
import { move } from "@/core/receipts";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, bankLineById, setBankLineState } from "@/db/bank";
import { entriesOfAct } from "@/db/journal";
import { partsOf, receiptById, updateReceipt } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

/** Credit on account that was sent back from the bank itself: K; B. */
export const refundAtBank = defineCommand({
  name: "refundAtBank",
  schema: z.object({ lineId: z.number().int(), receiptId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open" || line.amount >= 0) return fail("line.explained");
    if (!receipt) return fail("receipt.unknown");
    const sum = negate(line.amount);
    if (receipt.onAccount < sum || receipt.currency !== line.currency)
      return fail("refund.more", { sum: ctx.sum(sum), credit: ctx.sum(receipt.onAccount) });
    const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
    if (!bank) throw new Error("a bank line has its account");
    const none = minor(0);
    const moved = move(receipt.state, partsOf(receipt), {
      kind: "gone_back",
      parts: {
        unidentified: none,
        onAccount: sum,
        applied: none,
        parked: none,
        income: none,
        surcharge: none,
        recovered: none,
      },
    });
    if (!moved.ok) return moved;
    const actId = ctx.act(
      "refund",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `${ctx.sum(sum)} sent back from the bank`,
    );
    updateReceipt(ctx.db, receipt.id, {
      state: moved.value.state,
      parts: moved.value.parts,
      customerId: receipt.customerId,
      reason: receipt.reason,
    });
    ctx.post(
      postRefundAtBank({
        on: line.postedOn,
        partyId: receipt.customerId,
        document: {
          kind: "bank_line",
          id: line.id,
          text: `refund to ${receipt.payerName || receipt.payerEmail || "the payer"}`,
        },
        bank: bank.code,
        bankLineId: line.id,
        receiptId: receipt.id,
        sum: inBook(sum, line.currency),
      }),
      actId,
    );
    setBankLineState(ctx.db, { id: line.id, state: "refund", receiptId: receipt.id });
    return ok({ actId });
  },
});

/** Credit that was paid back stands on account again. */
export const unrefundAtBank: Reversal = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  const lineId = entriesOfAct(ctx.db, act.id).find(
    ({ documentKind }) => documentKind === "bank_line",
  )?.documentId;
  const line = lineId === undefined ? undefined : bankLineById(ctx.db, lineId);
  if (!receipt || !line) return fail("line.unknown");
  const sum = minor(Math.abs(line.amount));
  const parts = partsOf(receipt);
  updateReceipt(ctx.db, receipt.id, {
    state: receipt.state === "returned" ? "placed" : receipt.state,
    parts: {
      ...parts,
      onAccount: add(parts.onAccount, sum),
      goneBack: add(parts.goneBack, negate(sum)),
    },
    customerId: receipt.customerId,
    reason: receipt.reason,
  });
  setBankLineState(ctx.db, { id: line.id, state: "open" });
  return ok(null);
};
