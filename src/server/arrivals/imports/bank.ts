import { formatDay } from "@/core/calendar";
import type { BankRecord } from "@/core/formats";
import {
  type BankAccountRow,
  bankLineById,
  type BankLineRow,
  insertBankLine,
  openBankLines,
} from "@/db/bank";
import { type BankRuleRow, bankRules } from "@/db/bankRules";
import { depositsUnderWay } from "@/db/deposits";
import { restateLine } from "@/db/restateLine";
import { openPayouts } from "@/db/payouts";
import { processorAccounts } from "@/db/processorAccounts";
import { tieDeposits } from "@/server/match/steps/deposits";
import { joinRemittances } from "@/server/match/steps/remittances";
import { tieAllSingle } from "@/server/payouts/steps/tie";
import type { CommandContext } from "@/server/runtime/context";

import { asElsewhere, asReceipt, saysReceipt } from "../steps/bankLine";
import type { StatementLine } from "./told/continuedDay";
import { knownLine, linesToldOtherwise } from "./told/linesToldOtherwise";
import { type FileRun, withoutTwins } from "./report";
import { SameShape, WrittenAs, type Writing } from "./told/sameShape";

/**
 * Takes in a statement: each new line is a receipt by itself, a payout, put aside by a rule, or
 * left to be explained.
 */
export function importBank(
  ctx: CommandContext,
  account: BankAccountRow,
  records: readonly StatementLine[],
  { fileId, actId, tally, toldAs }: FileRun & { toldAs: Writing | null },
): void {
  const rows = withoutTwins(
    records,
    (row) => row.externalId,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const rules = bankRules(ctx.db, account.id);
  const added: { row: BankRecord; id: number }[] = [];
  const twins = toldAs
    ? linesToldOtherwise(ctx, account, rows, new WrittenAs(ctx.db, toldAs)).twins
    : NO_TWINS;
  const shapes = new SameShape(ctx.db, fileId);
  for (const row of chronological(rows)) {
    if (twins.has(row.externalId)) {
      tally.know(row.line);
      continue;
    }
    const known = knownLine(ctx, account.id, row);
    if (known) {
      const postedOn = isOtherDay(known, row, shapes) ? row.postedOn : known.postedOn;
      takeKnown(ctx, { known, row: { ...row, postedOn } }, tally);
      continue;
    }
    const id = insertBankLine(ctx.db, {
      bankAccountId: account.id,
      externalId: row.externalId,
      postedOn: row.postedOn,
      currency: row.currency,
      amount: row.amount,
      description: row.description,
      balanceAfter: row.balance,
      fileId,
      lineNo: row.line,
    });
    added.push({ row, id });
  }
  tieAllSingle(ctx, tally);
  tieDeposits(ctx, tally);
  const treat = { rules, waiting: awaited(ctx), actId };
  for (const { row, id } of added) {
    const line = bankLineById(ctx.db, id);
    if (line) tally.take(row.line, groupOfLine(ctx, line, treat), row.amount);
  }
  joinRemittances(ctx, tally);
}

/** Lines of the file that the book has under other ids: none, unless that is said. */
const NO_TWINS: ReadonlyMap<string, BankLineRow> = new Map();

/** A known line; another sum or day is taken where nothing was done with the line yet. */
function takeKnown(
  ctx: CommandContext,
  { known, row }: { known: BankLineRow; row: BankRecord },
  tally: FileRun["tally"],
): void {
  const { amount, postedOn, balance: balanceAfter } = row;
  if (amount === known.amount && postedOn === known.postedOn) return tally.know(row.line);
  const isFree = known.state === "open";
  if (isFree) restateLine(ctx.db, known.id, { amount, postedOn, balanceAfter });
  const { field, restated, stays, was } =
    amount === known.amount ? otherDay(ctx, known) : otherSum(ctx, known);
  if (isFree) tally.replace(row.line, field, { code: restated, was });
  else tally.change(row.line, field, { code: stays, was });
}

/** How it is said that a line comes with another sum, and with another day. */
const otherSum = (ctx: CommandContext, { amount }: BankLineRow) => ({
  ...{ field: "amount", restated: "line.restated", stays: "line.changed" },
  was: ctx.sum(amount),
});
const otherDay = (ctx: CommandContext, { postedOn }: BankLineRow) => ({
  ...{ field: "postedOn", restated: "line.day_restated", stays: "line.day_changed" },
  was: formatDay(postedOn, ctx.today),
});

/**
 * Whether a line of the bank's own id comes with another day in the same kind of export; two kinds may
 * give two days for one line (of booking, of value), and neither is wrong.
 */
const isOtherDay = (known: BankLineRow, row: BankRecord, shapes: SameShape): boolean =>
  row.formerId === null && known.postedOn !== row.postedOn && shapes.isOf(known.fileId);

/** The rules of the account, and what says that a line is awaited as a payout. */
type Treatment = {
  readonly rules: readonly BankRuleRow[];
  readonly waiting: (line: BankLineRow) => boolean;
  readonly actId: number;
};

function groupOfLine(ctx: CommandContext, line: BankLineRow, treat: Treatment): string {
  if (line.state === "payout") return "lines that are payouts";
  if (line.state === "deposit") return "lines that are deposits by hand";
  return explain(ctx, line, treat);
}

/** Statements that run from new to old are turned, so that lines stand in the order they happened. */
function chronological(rows: readonly BankRecord[]): BankRecord[] {
  const [first, last] = [rows[0], rows.at(-1)];
  return first && last && first.postedOn > last.postedOn ? [...rows].reverse() : [...rows];
}

/**
 * What says that a line is a payout though nothing ties it yet: a processor's descriptor, or a
 * payout's sum.
 */
function awaited(ctx: CommandContext): (line: BankLineRow) => boolean {
  const descriptors = processorAccounts(ctx.db).flatMap(({ descriptor }) =>
    descriptor ? [descriptor.toLowerCase()] : [],
  );
  const sums = new Set([
    ...openPayouts(ctx.db).flatMap((payout) => [payout.net, payout.statedNet ?? payout.net]),
    ...depositsUnderWay(ctx.db).map(({ sum }) => sum),
  ]);
  return (line) =>
    sums.has(line.amount) ||
    descriptors.some((descriptor) => line.description.toLowerCase().includes(descriptor));
}

/** Treats a new line by the rules, or by its own words; gives what came of it. */
function explain(ctx: CommandContext, line: BankLineRow, treat: Treatment): string {
  const rule = treat.rules.find((rule) => ruleFits(rule, line));
  if (rule?.treatAs === "elsewhere") {
    asElsewhere(ctx, line, `rule “${rule.contains}”`, rule.id);
    return "lines put aside by rule";
  }
  const waits = treat.waiting(line);
  if (line.amount > 0 && isReceipt(line, rule, waits)) {
    asReceipt(ctx, line, treat.actId, rule?.id ?? null);
    return "lines that are receipts by themselves";
  }
  return rule?.treatAs === "payout" || waits
    ? "lines that look like payouts, to be tied"
    : "lines to be explained";
}

const isReceipt = (line: BankLineRow, rule: BankRuleRow | undefined, waits: boolean): boolean =>
  rule === undefined ? !waits && saysReceipt(line.description) : rule.treatAs === "receipt";

export function ruleFits(
  { contains, sign, least, most }: Pick<BankRuleRow, "contains" | "sign" | "least" | "most">,
  { amount, description }: Pick<BankLineRow, "description" | "amount">,
): boolean {
  const direction = sign === "both" || (sign === "in" ? amount > 0 : amount < 0);
  const sum = Math.abs(amount);
  const isWithin = (least === null || sum >= least) && (most === null || sum <= most);
  return direction && isWithin && description.toLowerCase().includes(contains.toLowerCase());
}

/** A rule made on the spot is applied to the lines that wait already. */
export function applyRule(ctx: CommandContext, rule: BankRuleRow): number {
  const lines = openBankLines(ctx.db).filter(
    (line) =>
      (rule.bankAccountId === null || line.bankAccountId === rule.bankAccountId) &&
      ruleFits(rule, line),
  );
  for (const line of lines) {
    if (rule.treatAs === "elsewhere") asElsewhere(ctx, line, `rule “${rule.contains}”`, rule.id);
    else if (rule.treatAs === "receipt" && line.amount > 0)
      asReceipt(ctx, line, undefined, rule.id);
  }
  return lines.length;
}
