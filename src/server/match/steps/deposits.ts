import { daysBetween } from "@/core/calendar";
import { inBook, postDeposited } from "@/core/ledger";
import { bankAccounts, type BankLineRow, openBankLines, setBankLineState } from "@/db/bank";
import { type DepositRow, depositsUnderWay, setDepositState } from "@/db/deposits";
import { receiptsOfDeposit, setHandState } from "@/db/receiptsByHand";
import type { Tallying } from "@/server/arrivals/imports/report";
import type { CommandContext } from "@/server/runtime/context";

/** A deposit stands on the statement within this many days after it was made (one before, for slips dated late). */
const WITHIN_DAYS = 10;

export function depositFits(deposit: DepositRow, line: BankLineRow): boolean {
  const days = daysBetween(deposit.onDay, line.postedOn);
  return (
    line.bankAccountId === deposit.bankAccountId &&
    line.amount === deposit.sum &&
    days >= -1 &&
    days <= WITHIN_DAYS
  );
}

/** Ties a deposit to its bank line: B; H, receipt by receipt. */
export function bankDeposit(ctx: CommandContext, deposit: DepositRow, line: BankLineRow): number {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  const receipts = receiptsOfDeposit(ctx.db, deposit.id);
  const actId = ctx.act(
    "deposit_banked",
    { kind: "deposit", id: deposit.id },
    `deposit of ${ctx.sum(deposit.sum)} stands on the statement`,
  );
  const document = {
    kind: "bank_line" as const,
    id: line.id,
    text: `deposit of ${receipts.length} by hand`,
  };
  ctx.post(
    postDeposited({
      on: line.postedOn,
      document,
      bank: bank.code,
      bankLineId: line.id,
      receipts: receipts.map(({ id, amount, currency }) => ({
        receiptId: id,
        sum: inBook(amount, currency),
      })),
    }),
    actId,
  );
  for (const { id } of receipts) setHandState(ctx.db, id, "banked", deposit.id);
  setDepositState(ctx.db, deposit.id, "banked", line.id);
  setBankLineState(ctx.db, { id: line.id, state: "deposit" });
  return actId;
}

/** Ties every deposit that only one bank line fits, and that fits no other. */
export function tieDeposits(ctx: CommandContext, tally?: Tallying): void {
  const deposits = depositsUnderWay(ctx.db);
  if (deposits.length === 0) return;
  const lines = openBankLines(ctx.db);
  for (const deposit of deposits) {
    const fitting = lines.filter((line) => depositFits(deposit, line));
    const [line] = fitting;
    if (
      !line ||
      fitting.length > 1 ||
      deposits.filter((other) => depositFits(other, line)).length > 1
    )
      continue;
    bankDeposit(ctx, deposit, line);
    tally?.also("deposits of checks and cash found", line.amount);
  }
}
