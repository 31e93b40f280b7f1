import { ROW_KINDS } from "@/core/activity";
import type { ActivityRecord } from "@/core/formats";
import { processorItemByExternalId } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import {
  customerOfPayer,
  endStarted,
  insertStarted,
  startedByExternalId,
  startedCharges,
} from "@/db/started";
import type { CommandContext } from "@/server/runtime/context";

import type { FileRun } from "./report";

/** A debit that was started: kept, and shown, until its charge settles; it posts nothing. False where it is known. */
function takeStarted(
  { db }: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  { fileId, tally }: FileRun,
): boolean {
  const { externalId, currency, amount, payerName, payerEmail, reference } = row;
  if (
    startedByExternalId(db, account.id, externalId) ||
    processorItemByExternalId(db, account.id, "charge", externalId)
  ) {
    tally.know(row.line);
    return false;
  }
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
  return true;
}

/** Debits of an account that are on their way while a file is taken in. */
export class StartedDebits {
  /** Read at once, as a file may have hundreds of thousands of charges. */
  private readonly onWay: Set<string>;

  constructor(
    private readonly ctx: CommandContext,
    private readonly account: ProcessorAccountRow,
    private readonly file: FileRun,
  ) {
    this.onWay = startedCharges(ctx.db, account.id);
  }

  take(row: ActivityRecord): void {
    if (takeStarted(this.ctx, this.account, row, this.file)) this.onWay.add(row.externalId);
  }

  /** A started debit is no longer on its way when it settles, or comes back. */
  noteSettled({ kind, externalId, relatedId }: ActivityRecord): void {
    if (kind === "charge") this.end(externalId, "settled");
    if (kind === "ach_return" && relatedId !== null) this.end(relatedId, "returned");
  }

  private end(chargeId: string, state: "settled" | "returned"): void {
    if (this.onWay.delete(chargeId)) endStarted(this.ctx.db, this.account.id, chargeId, state);
  }
}
