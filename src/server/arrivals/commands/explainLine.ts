import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { bankLineById, setBankLineState } from "@/db/bank";
import { bankRules, deleteBankRule, insertBankRule, isBankRule } from "@/db/bankRules";
import { deleteUntouchedReceipt, receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";
import type { Reversal } from "@/server/runtime/reversal";

import { applyRule } from "../imports/bank";
import { asElsewhere, asReceipt } from "../steps/bankLine";

/** Says what a bank line is: a receipt by itself, or not of this job; with a rule for its like, if wanted. */
export const explainLine = defineCommand({
  name: "explainLine",
  schema: z.object({
    lineId: z.number().int(),
    as: z.enum(["receipt", "elsewhere"]),
    rule: z
      .object({
        contains: z.string().trim().min(3, "A rule needs at least three letters.").max(80),
      })
      .nullable()
      .default(null),
  }),
  run(ctx, input): Result<{ lines: number; commandId: number }> {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    if (input.as === "receipt" && line.amount < 0) return fail("line.negative");
    let lines = 1;
    if (input.as === "receipt") asReceipt(ctx, line);
    else asElsewhere(ctx, line, "by hand");
    if (input.rule) {
      const sign = line.amount > 0 ? "in" : "out";
      insertBankRule(ctx.db, {
        bankAccountId: line.bankAccountId,
        contains: input.rule.contains,
        sign,
        treatAs: input.as,
        accountId: null,
      });
      const rule = bankRules(ctx.db, line.bankAccountId).find(
        (bankRule) => bankRule.contains === input.rule?.contains && bankRule.sign === sign,
      );
      if (rule) {
        ctx.act(
          "rule",
          { kind: "bank_rule", id: rule.id },
          `rule: “${rule.contains}” ${rule.sign === "in" ? "coming in" : "going out"} is ${rule.treatAs === "receipt" ? "a receipt" : "put aside"}`,
        );
        lines += applyRule(ctx, rule);
      }
    }
    return ok({ lines, commandId: ctx.commandId });
  },
});

/** A rule that was made is ended; what it put aside is taken back line by line. */
export const unmakeRule: Reversal = (ctx, act) => {
  if (!isBankRule(ctx.db, act.subjectId)) return fail("rule.ended");
  deleteBankRule(ctx.db, act.subjectId);
  return ok(null);
};

/** A bank line that was put aside is open again. */
export const reopenLine: Reversal = (ctx, act) => {
  if (bankLineById(ctx.db, act.subjectId)?.state !== "elsewhere") return fail("line.unknown");
  setBankLineState(ctx.db, { id: act.subjectId, state: "open" });
  return ok(null);
};

/** A bank line is no receipt; the receipt goes, as long as nobody dealt with it. */
export const unfindReceipt: Reversal = (ctx, act) => {
  const line = bankLineById(ctx.db, act.subjectId);
  const receipt = line?.receiptId == null ? undefined : receiptById(ctx.db, line.receiptId);
  if (!line || !receipt) return fail("line.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`,
    });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  setBankLineState(ctx.db, { id: line.id, state: "open" });
  return ok(null);
};
