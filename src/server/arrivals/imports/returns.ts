import { ROW_KINDS } from "@/core/activity";
import type { ReturnRecord } from "@/core/formats";
import { minor, negate } from "@/core/money";
import { chargeByTrace, returnOfCharge } from "@/db/charges";
import { customerById } from "@/db/customers";
import { insertProcessorItem, setReturnCode } from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";
import { receiptById } from "@/db/receipts";
import { insertNotice, noticeByExternalId } from "@/db/returnsAndDisputes";
import type { CommandContext } from "@/server/runtime/context";

import { customerOf, postActivity } from "../steps/activity";
import { type FileRun, withoutTwins } from "./report";

/** Takes in ACH returns and notices of change, by the trace number of the debit that they are about. */
export function importReturns(
  ctx: CommandContext,
  records: readonly ReturnRecord[],
  file: FileRun,
): void {
  const rows = withoutTwins(
    records,
    (row) => `${row.kind} ${row.trace}`,
    (row) => JSON.stringify({ ...row, line: 0 }),
    file.tally,
  );
  for (const row of rows) {
    if (row.kind === "change") takeNotice(ctx, row, file);
    else takeReturn(ctx, row, file);
  }
}

function takeReturn(
  ctx: CommandContext,
  row: ReturnRecord,
  { fileId, actId, tally }: FileRun,
): void {
  const charge = chargeByTrace(ctx.db, row.originalTrace);
  const account = processorAccounts(ctx.db).find(({ id }) => id === charge?.processorAccountId);
  if (!charge || !account)
    return tally.refuseLine(row.line, "originalTrace", {
      code: "return.trace",
      trace: row.originalTrace,
    });
  const amount = row.amount ?? charge.amount;
  if (amount > charge.amount || amount <= 0)
    return tally.refuseLine(row.line, "amount", {
      code: "return.amount",
      sum: ctx.sum(amount, charge.currency),
      debit: ctx.sum(charge.amount, charge.currency),
    });
  const known = returnOfCharge(ctx.db, charge, amount);
  if (known) {
    // The processor's own file told of it: the code is all that is new.
    if (known.returnCode !== null) return tally.know(row.line);
    setReturnCode(ctx.db, known.id, row.code);
    tally.updated(row.line);
    return tally.also("returns that have their code now", null);
  }
  const item = {
    processorAccountId: account.id,
    externalId: `return ${row.trace}`,
    kind: "ach_return" as const,
    occurredOn: row.on,
    settledOn: row.on,
    currency: charge.currency,
    amount: negate(amount),
    payoutId: null,
    receiptId: charge.receiptId,
    relatedId: charge.externalId,
    origin: "file" as const,
    reason: null,
    settledState: null,
    returnCode: row.code,
    answerBy: null,
    answeredOn: null,
    brand: null,
    abroad: 0 as const,
    fileId,
    lineNo: row.line,
  };
  const id = insertProcessorItem(ctx.db, item, item.receiptId);
  const customerId = customerOf(ctx, item);
  postActivity(ctx, account, { item: { ...item, id }, kind: "ach_return", customerId }, actId);
  tally.take(row.line, ROW_KINDS.ach_return.counted, minor(-amount));
}

function takeNotice(ctx: CommandContext, row: ReturnRecord, { fileId, tally }: FileRun): void {
  if (noticeByExternalId(ctx.db, row.trace)) return tally.know(row.line);
  insertNotice(ctx.db, {
    externalId: row.trace,
    code: row.code,
    ...payerOfDebit(ctx, row),
    toldOn: row.on,
    mendBy: row.mendBy,
    correction: row.correction || "account",
    fileId,
    lineNo: row.line,
  });
  tally.take(row.line, "accounts to be mended", null);
}

/** Whose account a notice is about: the customer of the debit, else whoever it was taken from. */
function payerOfDebit(
  ctx: CommandContext,
  row: ReturnRecord,
): { receiptId: number | null; customerId: number | null; name: string } {
  const receiptId = chargeByTrace(ctx.db, row.originalTrace)?.receiptId ?? null;
  const receipt = receiptId === null ? undefined : receiptById(ctx.db, receiptId);
  const customerId = receipt?.customerId ?? null;
  const customer = customerId === null ? undefined : customerById(ctx.db, customerId);
  const name = customer?.name ?? (row.name || receipt?.payerName || "payer not known");
  return { receiptId, customerId, name };
}
