import { z } from "zod";

import { isoDay } from "@/contracts/values";
import { inBook, postReceiptByHand } from "@/core/ledger";
import { minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { deleteUntouchedReceipt, insertReceipt, receiptById } from "@/db/receipts";
import { handTwin } from "@/db/receiptsByHand";
import { defineCommand } from "@/server/runtime/command";
import { type CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

const WORDS = { check: "check", cash: "cash", money_order: "money order", wire: "wire" } as const;
/** Records a receipt by hand: H; U. The same one typed twice is refused, unless said to be another (`again`). */
export const recordReceipt = defineCommand({
  name: "recordReceipt",
  schema: z.object({
    method: z.enum(["check", "cash", "money_order", "wire"]),
    number: z.string().trim().max(40).default(""),
    paidOn: isoDay,
    amount: z.number().int().positive("The sum must be more than zero.").transform(minor),
    payerName: z.string().trim().max(120).default(""),
    customerId: z.number().int().nullable().default(null),
    reference: z.string().trim().max(300).default(""),
    again: z.boolean().default(false),
  }),
  run(ctx, input): Result<{ receiptId: number; actId: number }> {
    const customer = input.customerId === null ? undefined : customerById(ctx.db, input.customerId);
    const payerName = input.payerName || customer?.name || "";
    const problem = whyNot(ctx, { ...input, payerName });
    if (problem) return problem;
    const id = insertReceipt(ctx.db, {
      source: "hand",
      method: input.method,
      paidOn: input.paidOn,
      settledOn: input.paidOn,
      currency: ctx.settings.currency,
      amount: input.amount,
      payerName,
      payerEmail: "",
      reference: input.reference,
      fileId: null,
      lineNo: null,
      number: input.number || null,
    });
    const words = `${WORDS[input.method]}${input.number ? ` ${input.number}` : ""}`;
    const actId = ctx.act(
      "hand_receipt",
      { kind: "receipt", id },
      `${words} of ${ctx.sum(input.amount)} recorded by hand`,
    );
    ctx.post(
      postReceiptByHand({
        on: input.paidOn,
        document: { kind: "receipt", id, text: `${words}, ${payerName || "payer not known"}` },
        receiptId: id,
        sum: inBook(input.amount, ctx.settings.currency),
      }),
      actId,
    );
    return ok({ receiptId: id, actId });
  },
});

type ByHand = Parameters<typeof handTwin>[1] & {
  method: keyof typeof WORDS;
  again: boolean;
};

/** Why it cannot be recorded: not received yet, without its number, or recorded already. */
function whyNot(ctx: CommandContext, receipt: ByHand): Result<never> | null {
  const { method, number, paidOn, amount } = receipt;
  if (paidOn > ctx.today) return fail("receipt.future", { day: paidOn });
  const numbered = method === "check" || method === "money_order";
  if (number === "" && numbered) return fail("receipt.number", { what: WORDS[method] });
  const twin = receipt.again ? undefined : handTwin(ctx.db, receipt);
  return twin
    ? fail("receipt.twice", { what: WORDS[method], sum: ctx.sum(amount), day: twin.paidOn })
    : null;
}

/** A receipt by hand that nobody dealt with is gone. */
export const unrecordReceipt: Reversal = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`,
    });
  if (receipt.handState !== "on_hand") return fail("act.rests", { what: "its bank deposit" });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  return ok(null);
};
