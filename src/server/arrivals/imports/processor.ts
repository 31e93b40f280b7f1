import { ROW_KINDS } from "@/core/activity";
import type { ActivityRecord, ProcessorRecord } from "@/core/formats";
import { orphanedCharges, orphansOf } from "@/db/charges";
import { ACTIVITY_TABLES } from "@/db/gathered";
import { chargesOnTheirWay } from "@/db/payments";
import { refreshNet } from "@/db/payouts";
import {
  adoptItem,
  insertProcessorItem,
  type ItemKnown,
  itemsKnown,
  processorItemByExternalId,
  type ProcessorItemRow,
  setReceiptOfItem,
} from "@/db/processor";
import { type ProcessorAccountRow } from "@/db/processorAccounts";
import { joinRemittances } from "@/server/match/steps/remittances";
import { notePaymentReturned, placeCharge } from "@/server/paying/steps/placePayment";
import { tieAllSingle } from "@/server/payouts/steps/tie";
import type { CommandContext } from "@/server/runtime/context";

import { customerOf, joinReceipt, postActivity, postCharge, unpark } from "../steps/activity";
import { withdraw } from "../steps/withdraw";
import { ChargeReceipts } from "./chargeReceipts";
import { changeOf, handOver } from "./changedItem";
import { inOrder } from "./inOrder";
import { ItemPayouts } from "./itemPayouts";
import { takePayout } from "./processorPayouts";
import type { FileRun } from "./report";
import { SameShape } from "./told/sameShape";
import { StartedDebits } from "./startedDebits";
import { Together } from "./together";

/**
 * Takes in a processor's activity: everything is posted when it is taken in, dated on its
 * settlement day, whoever paid.
 */
export function importActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
  file: FileRun,
): void {
  const { tally } = file;
  const { activity, payouts } = inOrder(records, tally);
  const taking = new ActivityImport(ctx, account, file, activity);
  ctx.db.gathering(ACTIVITY_TABLES, () => {
    for (const row of activity) taking.take(row);
    taking.end();
  });
  const touched = new Set(taking.touched);
  for (const row of payouts) takePayout(ctx, account, row, { ...file, touched });
  for (const id of touched) refreshNet(ctx.db, id);
  tieAllSingle(ctx, tally);
  joinRemittances(ctx, tally);
}

/** One file's activity of one account, row by row. */
class ActivityImport {
  /** Payouts whose items changed. */
  readonly touched = new Set<number>();
  private readonly payouts: ItemPayouts;
  /** What the book has of the file already, read at once. */
  private readonly known: ReadonlyMap<string, ItemKnown>;
  private readonly shapes: SameShape;
  private readonly charges: ChargeReceipts;
  /** Charges that something in the book is waiting for. */
  private readonly orphans: ReadonlySet<string>;
  /** Charges of payments that were made here. */
  private readonly paidHere: ReadonlySet<string>;
  private readonly started: StartedDebits;
  private readonly together: Together | null;

  constructor(
    private readonly ctx: CommandContext,
    private readonly account: ProcessorAccountRow,
    private readonly file: FileRun,
    activity: readonly ActivityRecord[],
  ) {
    this.known = itemsKnown(
      ctx.db,
      account.id,
      activity.flatMap(({ kind, externalId }) =>
        kind === "started" ? [] : [[ROW_KINDS[kind].item, externalId] as const],
      ),
    );
    this.shapes = new SameShape(ctx.db, file.fileId);
    this.orphans = orphanedCharges(ctx.db, account.id);
    this.paidHere = chargesOnTheirWay(ctx.db, account.id);
    this.started = new StartedDebits(ctx, account, file);
    this.together = Together.inDryRun(ctx, activity, [this.orphans, this.paidHere]);
    this.charges = new ChargeReceipts(ctx, account);
    this.payouts = new ItemPayouts(ctx, account, file.fileId);
  }

  take(row: ActivityRecord): void {
    const { ctx } = this;
    const { tally } = this.file;
    if (!isSettled(row)) return this.started.take(row);
    this.started.noteSettled(row);
    const known = this.known.get(`${ROW_KINDS[row.kind].item} ${row.externalId}`);
    if (known && this.isAsBefore(row, known)) return this.takeAgain(row, tally);
    if (known) return this.takeChanged(row, known);
    const twin = this.charges.returnToldBefore(row);
    if (twin !== null) return this.adopt(row, twin);
    const stale = ctx.staleRate(row.currency, row.settledOn);
    if (stale) return tally.refuseLine(row.line, "currency", stale);
    // The first row that names a payout says on which day it is due.
    const payoutId = this.payoutOf(row);
    if (!this.together?.takes(row)) this.takeNew(row, payoutId);
    tally.take(row.line, ROW_KINDS[row.kind].counted, row.amount, row.currency);
  }

  /** Writes what was not written line by line. */
  end(): void {
    for (const row of this.together?.sums() ?? [])
      if (isSettled(row)) this.takeNew(row, this.payoutOf(row));
  }

  private payoutOf(row: SettledRecord): number | null {
    return row.payoutId === null ? null : this.payouts.of(row);
  }

  private isAsBefore({ amount, occurredOn }: ActivityRecord, known: ItemKnown): boolean {
    const isSameDay = occurredOn === known.occurredOn || !this.shapes.isOf(known.fileId);
    return amount === known.amount && isSameDay;
  }

  /** What is known already may name its payout by now. */
  private takeAgain(row: SettledRecord, tally: FileRun["tally"]): void {
    const { db } = this.ctx;
    const kind = ROW_KINDS[row.kind].item;
    const item = processorItemByExternalId(db, this.account.id, kind, row.externalId);
    if (row.payoutId === null || !item || item.payoutId !== null) return tally.know(row.line);
    const payoutId = this.payouts.of(row);
    if (payoutId === null) return tally.know(row.line);
    adoptItem(db, item.id, row.externalId, payoutId);
    this.touched.add(payoutId);
    tally.updated(row.line);
    tally.also("items whose payout is known now", row.amount, row.currency);
  }

  /** Told with another sum or day: reversed and posted anew, unless something rests on what was posted. */
  private takeChanged(row: SettledRecord, known: ItemKnown): void {
    const { ctx } = this;
    const { tally, actId } = this.file;
    const { was, stays, reposted, tallied } = changeOf(ctx, this.account, row, known);
    const kind = ROW_KINDS[row.kind].item;
    const item = processorItemByExternalId(ctx.db, this.account.id, kind, row.externalId);
    if (!item || ctx.staleRate(row.currency, row.settledOn) || !withdraw(ctx, item, actId))
      return tally.change(row.line, "id", { code: stays, was });
    this.takeNew(row, this.payoutOf(row));
    handOver(ctx, item, processorItemByExternalId(ctx.db, this.account.id, kind, row.externalId));
    if (item.payoutId !== null) this.touched.add(item.payoutId);
    tally.replace(row.line, "id", { code: reposted, was });
    tally.also(tallied, row.amount, row.currency);
  }

  private takeNew(row: SettledRecord, payoutId: number | null): void {
    const { ctx, account } = this;
    const { actId } = this.file;
    const item = this.itemOf(row, payoutId);
    if (row.kind === "charge") {
      const { method, payerName, payerEmail, reference } = row;
      const payer = { method, payerName, payerEmail, reference };
      const receiptId = postCharge(ctx, { account, item, payer, actId });
      if (this.paidHere.has(row.externalId))
        placeCharge(ctx, account.id, row.externalId, receiptId);
      const customerId = this.paidHere.has(row.externalId) ? customerOf(ctx, { receiptId }) : null;
      this.charges.note(row.externalId, { receiptId, customerId });
      if (this.orphans.has(row.externalId)) this.claimOrphans(row.externalId);
    } else {
      const charged = this.charges.of(row.relatedId);
      // Whose a charge of this file is has not changed since for a fee; what else comes may have moved it.
      const customerId = row.kind === "fee" ? charged.customerId : customerOf(ctx, charged);
      item.receiptId = charged.receiptId;
      item.id = insertProcessorItem(ctx.db, item, item.receiptId);
      postActivity(ctx, account, { item, kind: row.kind, customerId }, actId);
      if (row.kind === "ach_return" && row.relatedId !== null)
        notePaymentReturned(ctx, account.id, row.relatedId, row.returnCode);
    }
    if (payoutId !== null) this.touched.add(payoutId);
  }

  /** A row as an item; its id and its receipt are those of the book once it is written. */
  private itemOf(row: SettledRecord, payoutId: number | null): ProcessorItemRow {
    const { externalId, occurredOn, settledOn, currency, amount, relatedId, brand } = row;
    return {
      id: 0,
      processorAccountId: this.account.id,
      externalId,
      kind: ROW_KINDS[row.kind].item,
      occurredOn,
      settledOn,
      currency,
      amount,
      payoutId,
      receiptId: null,
      relatedId,
      origin: "file",
      reason: null,
      settledState: null,
      returnCode: row.returnCode,
      answerBy: row.answerBy,
      answeredOn: null,
      brand,
      abroad: row.abroad ? 1 : 0,
      fileId: this.file.fileId,
      lineNo: row.line,
    };
  }

  /** It is posted once; the processor's file adds its own id and the payout that it is part of. */
  private adopt(row: ActivityRecord, known: ProcessorItemRow): void {
    const payoutId = row.payoutId === null ? known.payoutId : this.payouts.of(row);
    adoptItem(this.ctx.db, known.id, row.externalId, payoutId);
    if (payoutId !== null) this.touched.add(payoutId);
    this.file.tally.know(row.line);
  }

  /**
   * What came before its charge, out of order, finds it now: what was parked meanwhile is posted as
   * what it is.
   */
  private claimOrphans(externalId: string): void {
    const { ctx, account } = this;
    const { actId, tally } = this.file;
    const charge = processorItemByExternalId(ctx.db, account.id, "charge", externalId);
    if (!charge || charge.receiptId === null) return;
    for (const orphan of orphansOf(ctx.db, account.id, externalId)) {
      setReceiptOfItem(ctx.db, orphan.id, charge.receiptId);
      const found = { ...orphan, receiptId: charge.receiptId, reason: null };
      if (orphan.reason !== null) unpark(ctx, orphan, actId);
      if (orphan.reason !== null || orphan.kind === "dispute")
        joinReceipt(ctx, account, found, actId);
      tally.also("items that came before their charge", orphan.amount, orphan.currency);
    }
  }
}

type SettledRecord = ActivityRecord & { kind: Exclude<ActivityRecord["kind"], "started"> };

const isSettled = (row: ActivityRecord): row is SettledRecord => row.kind !== "started";
