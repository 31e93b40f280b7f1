import { ROW_KINDS } from "@/core/activity";
import type { ActivityRecord } from "@/core/formats";
import { processorItemByExternalId } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import { customerOfPayer, endStarted, insertStarted, startedByExternalId } from "@/db/started";
import type { CommandContext } from "@/server/runtime/context";

import type { FileRun } from "./report";

/** A debit that was started: kept, and shown, until its charge settles; it posts nothing. */
export function takeStarted(
  { db }: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  { fileId, tally }: FileRun,
): void {
  const { externalId, currency, amount, payerName, payerEmail, reference } = row;
  if (
    startedByExternalId(db, account.id, externalId) ||
    processorItemByExternalId(db, account.id, "charge", externalId)
  )
    return tally.know(row.line);
  insertStarted(db, {
    processorAccountId: account.id,
    externalId,
    startedOn: row.occurredOn,
    currency,
    amount,
    payerName,
    payerEmail,
    reference,
    customerId: customerOfPayer(db, payerName, payerEmail),
    fileId,
    lineNo: row.line,
  });
  tally.take(row.line, ROW_KINDS.started.counted, amount, currency);
}

/** A started debit is no longer on its way when it settles, or comes back. */
export function noteSettled(
  { db }: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
): void {
  if (row.kind === "charge") endStarted(db, account.id, row.externalId, "settled");
  if (row.kind === "ach_return" && row.relatedId !== null)
    endStarted(db, account.id, row.relatedId, "returned");
}
