import { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { minor } from "@/core/money";
import { bankLineById, type BankLineRow, setBankLineState } from "@/db/bank";
import {
  type BankRuleRow,
  deleteBankRule,
  insertBankRule,
  isBankRule,
  linesLike,
} from "@/db/bankRules";
import { deleteUntouchedReceipt, receiptById } from "@/db/receipts";
import { defineCommand } from "@/server/runtime/command";
import type { CommandContext } from "@/server/runtime/context";
import type { Reversal } from "@/server/runtime/reversal";

import { applyRule, ruleFits } from "../imports/bank";
import { asElsewhere, asReceipt } from "../steps/bankLine";

/** So many lines that a rule would have taken are shown with it. */
const SHOWN = 6;

const rule = z
  .object({
    contains: z.string().trim().min(3, "A rule needs at least three letters.").max(80),
    least: z.number().int().min(0).nullable().default(null),
    most: z.number().int().min(0).nullable().default(null),
    /** Whether it is for every bank account, and not for this line's alone. */
    everywhere: z.boolean().default(false),
  })
  .refine(({ least, most }) => least === null || most === null || least <= most, {
    message: "The smaller sum of a rule comes first.",
    path: ["least"],
  });

/**
 * Says what a bank line is: a receipt by itself, or not of this job; with a rule for its like, if
 * wanted, and what that rule fits of all that came until now.
 */
export const explainLine = defineCommand({
  name: "explainLine",
  schema: z.object({
    lineId: z.number().int(),
    as: z.enum(["receipt", "elsewhere"]),
    rule: rule.nullable().default(null),
  }),
  run(ctx, input): Result<Explained> {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    if (input.as === "receipt" && line.amount < 0) return fail("line.negative");
    const made = input.rule && ruleFor(line, input.rule);
    if (made && !ruleFits(made, line)) return fail("rule.fits");
    const like = made ? linesLike(ctx.db, made, SHOWN) : { lines: [], counts: [] };
    if (input.as === "receipt") asReceipt(ctx, line);
    else asElsewhere(ctx, line, "by hand");
    const lines = 1 + (made ? makeRule(ctx, { ...made, treatAs: input.as, accountId: null }) : 0);
    return ok({ lines, commandId: ctx.commandId, like });
  },
});
type Explained = { lines: number; commandId: number; like: ReturnType<typeof linesLike> };

/** What a rule is about, made from a line. */
const ruleFor = (
  { bankAccountId, amount }: BankLineRow,
  { contains, least, most, everywhere }: z.output<typeof rule>,
): Omit<BankRuleRow, "id" | "treatAs" | "accountId"> => ({
  bankAccountId: everywhere ? null : bankAccountId,
  contains,
  sign: amount > 0 ? "in" : "out",
  least: least === null ? null : minor(least),
  most: most === null ? null : minor(most),
});

/** Keeps a rule and applies it to what is open; gives how many lines it took. */
function makeRule(ctx: CommandContext, rule: Omit<BankRuleRow, "id">): number {
  const id = insertBankRule(ctx.db, rule);
  const way = rule.sign === "in" ? "coming in" : "going out";
  const what = rule.treatAs === "receipt" ? "a receipt" : "put aside";
  ctx.act(
    "rule",
    { kind: "bank_rule", id },
    `rule: “${rule.contains}” ${way}${boundsInWords(ctx, rule)} is ${what}`,
  );
  return applyRule(ctx, { ...rule, id });
}

function boundsInWords(
  ctx: CommandContext,
  { least, most }: Pick<BankRuleRow, "least" | "most">,
): string {
  if (least !== null && most !== null) return ` from ${ctx.sum(least)} to ${ctx.sum(most)}`;
  if (least !== null) return ` from ${ctx.sum(least)}`;
  return most === null ? "" : ` up to ${ctx.sum(most)}`;
}

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
