import { z } from "zod";

import type { Day } from "@/core/calendar";
import { withoutCardNumbers } from "@/core/formats";
import { inBook, postBankFee, postBounced, postReceiptByHand } from "@/core/ledger";
import { minor, negate, sumOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts, bankLineById, setBankLineState } from "@/db/bank";
import { customerById } from "@/db/customers";
import { depositById, insertDeposit } from "@/db/deposits";
import { insertReceipt, receiptById, setHandState, type ReceiptRow } from "@/db/receipts";

import { defineCommand } from "../command";
import type { Ctx } from "../context";
import { chargeReturnFee } from "../steps/returnFee";
import { takeBack } from "../steps/activity";
import { bankDeposit, tieDeposits } from "../steps/deposits";

const WORDS = { check: "check", cash: "cash", money_order: "money order", wire: "wire" } as const;
const isoDay = z.iso.date().transform((text) => text as Day);

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
    if (input.paidOn > ctx.today) return fail("receipt.future", { day: input.paidOn });
    if (input.number === "" && (input.method === "check" || input.method === "money_order"))
      return fail("receipt.number", { what: WORDS[input.method] });
    const customer = input.customerId === null ? undefined : customerById(ctx.db, input.customerId);
    const payerName = withoutCardNumbers(input.payerName) || customer?.name || "";
    const twin = ctx.db.get<{ paidOn: Day }>(
      "SELECT paid_on AS paidOn FROM receipt WHERE hand_state IS NOT NULL AND hand_state <> 'void' AND method = ? AND amount = ? AND coalesce(number, '') = ? AND payer_name = ? AND (? <> '' OR paid_on = ?)",
      input.method,
      input.amount,
      input.number,
      payerName,
      input.number,
      input.paidOn,
    );
    if (twin && !input.again)
      return fail("receipt.twice", {
        what: WORDS[input.method],
        sum: ctx.sum(input.amount),
        day: twin.paidOn,
      });
    const id = insertReceipt(ctx.db, {
      source: "hand",
      method: input.method,
      paidOn: input.paidOn,
      settledOn: input.paidOn,
      currency: ctx.settings.currency,
      amount: input.amount,
      payerName,
      payerEmail: "",
      reference: withoutCardNumbers(input.reference),
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

/** Puts receipts by hand into one bank deposit; where one bank line shows it already, the two are tied. */
export const makeDeposit = defineCommand({
  name: "makeDeposit",
  schema: z.object({
    receiptIds: z.array(z.number().int()).min(1, "Choose at least one receipt.").max(500),
    bank: z.string(),
    onDay: isoDay.nullable().default(null),
  }),
  run(ctx, input): Result<{ depositId: number; actId: number; banked: boolean }> {
    const bank = bankAccounts(ctx.db).find(({ code }) => code === input.bank);
    if (!bank) return fail("account.unknown", { code: input.bank });
    const receipts: ReceiptRow[] = [];
    for (const id of new Set(input.receiptIds)) {
      const receipt = receiptById(ctx.db, id);
      if (receipt?.handState !== "on_hand") return fail("deposit.not_on_hand");
      if (receipt.currency !== bank.currency)
        return fail("deposit.currency", { currency: receipt.currency });
      receipts.push(receipt);
    }
    const onDay = input.onDay ?? ctx.today;
    const sum = sumOf(receipts, ({ amount }) => amount);
    const depositId = insertDeposit(ctx.db, {
      bankAccountId: bank.id,
      onDay,
      currency: bank.currency,
      sum,
    });
    for (const { id } of receipts) setHandState(ctx.db, id, "deposited", depositId);
    const actId = ctx.act(
      "deposit",
      { kind: "deposit", id: depositId },
      `${receipts.length === 1 ? "a receipt" : `${receipts.length} receipts`} by hand taken to ${bank.name}: ${ctx.sum(sum)}`,
    );
    tieDeposits(ctx);
    return ok({ depositId, actId, banked: depositById(ctx.db, depositId)?.state === "banked" });
  },
});

/** Ties a deposit to the bank line that shows it: B; H. */
export const tieDeposit = defineCommand({
  name: "tieDeposit",
  schema: z.object({ depositId: z.number().int(), lineId: z.number().int() }),
  run(ctx, input): Result<{ actId: number }> {
    const [deposit, line] = [
      depositById(ctx.db, input.depositId),
      bankLineById(ctx.db, input.lineId),
    ];
    if (deposit?.state !== "made") return fail("deposit.unknown");
    if (line?.state !== "open" || line.bankAccountId !== deposit.bankAccountId)
      return fail("payout.line");
    if (line.amount !== deposit.sum)
      return fail("deposit.off", { bank: ctx.sum(line.amount), deposit: ctx.sum(deposit.sum) });
    return ok({ actId: bankDeposit(ctx, deposit, line) });
  },
});

/** A check that the bank took back: what it had paid is open again, and the bank's fee is booked. */
export const bounceReceipt = defineCommand({
  name: "bounceReceipt",
  schema: z.object({
    receiptId: z.number().int(),
    lineId: z.number().int(),
    feeLineId: z.number().int().nullable().default(null),
  }),
  run(ctx, input): Result<{ actId: number }> {
    const [receipt, line] = [
      receiptById(ctx.db, input.receiptId),
      bankLineById(ctx.db, input.lineId),
    ];
    if (!receipt) return fail("receipt.unknown");
    if (receipt.handState === null ? receipt.source !== "bank" : receipt.handState !== "banked")
      return fail("bounce.not_banked");
    if (receipt.state === "returned") return fail("receipt.not_to_match");
    if (line?.state !== "open" || line.amount !== negate(receipt.amount))
      return fail("bounce.line", { sum: ctx.sum(receipt.amount) });
    const fee = input.feeLineId === null ? null : bankLineById(ctx.db, input.feeLineId);
    if (fee && (fee.state !== "open" || fee.amount >= 0)) return fail("payout.line");
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
    ctx.post(
      postBounced({
        on: line.postedOn,
        partyId: receipt.customerId,
        document,
        bank: codeOf(ctx, line.bankAccountId),
        bankLineId: line.id,
        receiptId: receipt.id,
        went,
        sum: inBook(receipt.amount, receipt.currency),
      }),
      actId,
    );
    setBankLineState(ctx.db, line.id, "bounce", receipt.id);
    if (fee) {
      ctx.post(
        postBankFee({
          on: fee.postedOn,
          partyId: receipt.customerId,
          document,
          bank: codeOf(ctx, fee.bankAccountId),
          bankLineId: fee.id,
          kind: "return",
          sum: inBook(negate(fee.amount), fee.currency),
        }),
        actId,
      );
      setBankLineState(ctx.db, fee.id, "bounce", receipt.id);
    }
    chargeReturnFee(ctx, receipt, line.postedOn, actId);
    return ok({ actId });
  },
});

function codeOf(ctx: Ctx, bankAccountId: number): string {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  return bank.code;
}
