import { inBook, postElsewhere, postReceiptAtBank } from "@/core/ledger";
import type { Method } from "@/core/receipts";
import { bankAccounts, type BankLineRow, setBankLineState } from "@/db/bank";
import { insertReceipt } from "@/db/receipts";
import type { CommandContext } from "@/server/runtime/context";

function bankCode(ctx: CommandContext, line: BankLineRow): string {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  return bank.code;
}

/** Takes a bank line as a receipt by itself: B; U. */
export function asReceipt(
  ctx: CommandContext,
  line: BankLineRow,
  actId?: number,
  ruleId: number | null = null,
): number {
  const id = insertReceipt(ctx.db, {
    source: "bank",
    method: methodOf(line.description),
    paidOn: line.postedOn,
    settledOn: line.postedOn,
    currency: line.currency,
    amount: line.amount,
    payerName: payerOf(line.description),
    payerEmail: "",
    reference: line.description,
    fileId: line.fileId,
    lineNo: line.lineNo,
  });
  setBankLineState(ctx.db, { id: line.id, state: "receipt", receiptId: id, ruleId });
  const act =
    actId ??
    ctx.act(
      "bank_receipt",
      { kind: "bank_line", id: line.id },
      `taken as a receipt of ${ctx.sum(line.amount)}`,
    );
  const document = {
    kind: "bank_line" as const,
    id: line.id,
    text: `bank line ${line.description.slice(0, 60)}`,
  };
  ctx.post(
    postReceiptAtBank({
      on: line.postedOn,
      document,
      bank: bankCode(ctx, line),
      bankLineId: line.id,
      receiptId: id,
      sum: inBook(line.amount, line.currency),
    }),
    act,
  );
  return id;
}

/** Puts a bank line aside that is not of this job: B; elsewhere (or the reverse). */
export function asElsewhere(
  ctx: CommandContext,
  line: BankLineRow,
  why: string,
  ruleId: number | null = null,
): void {
  setBankLineState(ctx.db, { id: line.id, state: "elsewhere", receiptId: null, ruleId });
  const act = ctx.act("elsewhere", { kind: "bank_line", id: line.id }, `put aside, ${why}`);
  const document = {
    kind: "bank_line" as const,
    id: line.id,
    text: `bank line ${line.description.slice(0, 60)}`,
  };
  ctx.post(
    postElsewhere({
      on: line.postedOn,
      document,
      bank: bankCode(ctx, line),
      bankLineId: line.id,
      sum: inBook(line.amount, line.currency),
    }),
    act,
  );
}

/** Words of the trade that say what kind of money came; the payer is what is left of the description. */
const TRADE_WORDS =
  /\b(check\s+(?:(?:no|nr)\.?\s*|#)?\d+|ach|credit|deposit|incoming|wire|transfer|in|from|lockbox|check|ccd|ctx|ppd|orig|co|name|des|ref|payment|pmt|eft)\b/gi;

/** Descriptions that a bank gives to money sent by customers themselves. */
export function saysReceipt(description: string): boolean {
  return /\b(ach credit|incoming wire|wire in|wire from|lockbox|ccd|ctx|remittance|check deposit)\b/i.test(
    description,
  );
}

function methodOf(description: string): Method {
  if (/\bwire\b/i.test(description)) return "wire";
  return /\b(check|lockbox)\b/i.test(description) ? "check" : "ach_credit";
}

/** The payer's name in a description: the letters before the first number, without the bank's own words. */
export function payerOf(description: string): string {
  const words = description.replace(TRADE_WORDS, " ").replace(/[:*]+/g, " ").trim();
  return (
    words.split(
      /(?<!\s)\s+(?=\S*\d)|(?<!\s)\s{2,}|(?<!\s)\s+(?:inv|invoice|po|memo|for|statement)\b/i,
    )[0] ?? ""
  )
    .replace(/\s+/g, " ")
    .trim();
}
