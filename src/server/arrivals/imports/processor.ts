import { ACTIVITY_ORDER, ROW_KINDS } from "@/core/activity";
import {
  type ActivityRecord,
  expectedPayoutDay,
  type PayoutRecord,
  type ProcessorRecord,
} from "@/core/formats";
import { type Minor, negate } from "@/core/money";
import {
  completePayout,
  insertPayout,
  payoutByExternalId,
  payoutById,
  refreshNet,
} from "@/db/payouts";
import {
  adoptItem,
  claimSpan,
  insertProcessorItem,
  itemsKnown,
  orphanedCharges,
  orphansOf,
  type ProcessorAccountRow,
  processorItemByExternalId,
  type ProcessorItemRow,
  returnOfCharge,
  setReceiptOfItem,
} from "@/db/processor";
import { customerOfPayer, endStarted, insertStarted, startedByExternalId } from "@/db/started";
import { joinRemittances } from "@/server/match/steps/remittances";
import { tieAllSingle } from "@/server/payouts/steps/tie";
import type { CommandContext } from "@/server/runtime/context";

import { joinReceipt, postActivity, postCharge, unpark } from "../steps/activity";
import { type Tallying, withoutTwins } from "./report";
import { earlierFirst } from "@/core/calendar";

/**
 * Takes in a processor's activity: everything is posted when it is taken in, dated on its
 * settlement day, whoever paid.
 */
export function importActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
  fileId: number,
  actId: number,
  tally: Tallying,
): void {
  const rows = withoutTwins(
    records,
    (row) => `${row.kind}\u0000${row.externalId}`,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const refusedLines = new Set(tally.refused.map(({ line }) => line));
  const activity = rows.filter(
    (row): row is ActivityRecord => row.kind !== "payout" && !refusedLines.has(row.line),
  );
  const touched = new Set<number>();
  activity.sort(
    (a, b) =>
      ACTIVITY_ORDER.indexOf(a.kind) - ACTIVITY_ORDER.indexOf(b.kind) ||
      earlierFirst(a.settledOn, b.settledOn) ||
      a.line - b.line,
  );
  const around: ImportState = {
    touched,
    payouts: new Map(),
    known: itemsKnown(
      ctx.db,
      account.id,
      activity.flatMap(({ kind, externalId }) =>
        kind === "started" ? [] : [[ROW_KINDS[kind].item, externalId] as const],
      ),
    ),
    charges: new Map(),
    orphans: orphanedCharges(ctx.db, account.id),
  };
  for (const row of activity) takeActivity(ctx, account, row, fileId, actId, tally, around);
  for (const row of rows)
    if (row.kind === "payout") takePayout(ctx, account, row, fileId, tally, touched);
  for (const id of touched) refreshNet(ctx.db, id);
  tieAllSingle(ctx, tally);
  joinRemittances(ctx, tally);
}

type ImportState = {
  touched: Set<number>;
  payouts: Map<string, number | null>;
  /**
   * What the book has of the file already, read at once; charges of this file with their receipts;
   * charges that something in the book is waiting for.
   */
  known: ReadonlyMap<string, Minor>;
  charges: Map<string, number>;
  orphans: ReadonlySet<string>;
};

/** A debit that was started: kept, and shown, until its charge settles; it posts nothing. */
function takeStarted(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  fileId: number,
  tally: Tallying,
): void {
  if (
    startedByExternalId(ctx.db, account.id, row.externalId) ||
    processorItemByExternalId(ctx.db, account.id, "charge", row.externalId)
  )
    return tally.know(row.line);
  const { externalId, currency, amount, payerName, payerEmail, reference } = row;
  insertStarted(ctx.db, {
    processorAccountId: account.id,
    externalId,
    startedOn: row.occurredOn,
    currency,
    amount,
    payerName,
    payerEmail,
    reference,
    customerId: customerOfPayer(ctx.db, payerName, payerEmail),
    fileId,
    lineNo: row.line,
  });
  tally.take(row.line, ROW_KINDS.started.counted, row.amount, row.currency);
}

function takeActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  fileId: number,
  actId: number,
  tally: Tallying,
  around: ImportState,
): void {
  if (row.kind === "started") return takeStarted(ctx, account, row, fileId, tally);
  if (row.kind === "charge") endStarted(ctx.db, account.id, row.externalId, "settled");
  if (row.kind === "ach_return" && row.relatedId !== null)
    endStarted(ctx.db, account.id, row.relatedId, "returned");
  const known = around.known.get(`${ROW_KINDS[row.kind].item} ${row.externalId}`);
  if (known !== undefined) {
    if (known === row.amount) tally.know(row.line);
    else
      tally.change(row.line, "id", {
        code: "activity.changed",
        was: ctx.sum(known, account.currency),
      });
    return;
  }
  const twin =
    row.kind === "ach_return" && row.relatedId !== null
      ? toldByReturnFile(ctx, account, row)
      : null;
  if (twin !== null) return adopt(ctx, account, row, twin, fileId, tally, around);
  const stale = ctx.staleRate(row.currency, row.settledOn);
  if (stale) return tally.refuseLine(row.line, "currency", stale);
  const payoutId = row.payoutId === null ? null : payoutFor(ctx, account, row, fileId, around);
  const receiptId =
    row.relatedId === null
      ? null
      : (around.charges.get(row.relatedId) ??
        processorItemByExternalId(ctx.db, account.id, "charge", row.relatedId)?.receiptId ??
        null);
  const base = {
    processorAccountId: account.id,
    externalId: row.externalId,
    kind: ROW_KINDS[row.kind].item,
    occurredOn: row.occurredOn,
    settledOn: row.settledOn,
    currency: row.currency,
    amount: row.amount,
    payoutId,
    relatedId: row.relatedId,
    origin: "file" as const,
    reason: null,
    settledState: null,
    returnCode: row.returnCode,
    answerBy: row.answerBy,
    answeredOn: null,
    brand: row.brand,
    abroad: row.abroad ? (1 as const) : (0 as const),
    fileId,
    lineNo: row.line,
  };
  if (row.kind === "charge") {
    const made = postCharge(ctx, {
      account,
      item: base,
      payer: {
        method: row.method,
        payerName: row.payerName,
        payerEmail: row.payerEmail,
        reference: row.reference,
      },
      actId,
    });
    around.charges.set(row.externalId, made);
    if (around.orphans.has(row.externalId))
      claimOrphans(ctx, account, row.externalId, actId, tally);
  } else {
    const id = insertProcessorItem(ctx.db, { ...base, receiptId });
    postActivity(ctx, account, { item: { ...base, id, receiptId }, kind: row.kind }, actId);
  }
  if (payoutId !== null) around.touched.add(payoutId);
  tally.take(row.line, ROW_KINDS[row.kind].counted, row.amount, row.currency);
}

/** A return that the bank's own return file told of before the processor did. */
function toldByReturnFile(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
): ProcessorItemRow | null {
  const charge = processorItemByExternalId(ctx.db, account.id, "charge", row.relatedId ?? "");
  const known = charge ? returnOfCharge(ctx.db, charge, negate(row.amount)) : undefined;
  return known?.externalId.startsWith("return ") ? known : null;
}

/** It is posted once; the processor's file adds its own id and the payout that it is part of. */
function adopt(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  known: ProcessorItemRow,
  fileId: number,
  tally: Tallying,
  around: ImportState,
): void {
  const payoutId =
    row.payoutId === null ? known.payoutId : payoutFor(ctx, account, row, fileId, around);
  adoptItem(ctx.db, known.id, row.externalId, payoutId);
  if (payoutId !== null) around.touched.add(payoutId);
  tally.know(row.line);
}

/**
 * What came before its charge, out of order, finds it now: what was parked meanwhile is posted as
 * what it is.
 */
function claimOrphans(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  externalId: string,
  actId: number,
  tally: Tallying,
): void {
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

/**
 * The payout an item names; none where that is tied already, as what is proven does not change: the
 * item stays in clearing, in view.
 */
function payoutFor(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: ActivityRecord,
  fileId: number,
  around: ImportState,
): number | null {
  const externalId = row.payoutId ?? "";
  const cached = around.payouts.get(externalId);
  if (cached !== undefined) return cached;
  const known = payoutByExternalId(ctx.db, account.id, externalId);
  const id = known
    ? known.state === "open"
      ? known.id
      : null
    : insertPayout(ctx.db, {
        processorAccountId: account.id,
        externalId,
        paidOn: row.payoutOn ?? expectedPayoutDay(row.settledOn, account.delayDays),
        currency: row.currency,
        statedNet: null,
        spanFrom: null,
        spanTo: null,
        fileId,
        lineNo: row.line,
      });
  around.payouts.set(externalId, id);
  return id;
}

function takePayout(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  row: PayoutRecord,
  fileId: number,
  tally: Tallying,
  touched: Set<number>,
): void {
  const known = payoutByExternalId(ctx.db, account.id, row.externalId);
  if (known && known.statedNet !== null) {
    if (known.statedNet === row.net) tally.know(row.line);
    else
      tally.change(row.line, "net", {
        code: "activity.changed",
        was: ctx.sum(known.statedNet, account.currency),
      });
    return;
  }
  const to = { paidOn: row.paidOn, statedNet: row.net, spanFrom: row.spanFrom, spanTo: row.spanTo };
  if (known) completePayout(ctx.db, known.id, to);
  const id =
    known?.id ??
    insertPayout(ctx.db, {
      processorAccountId: account.id,
      externalId: row.externalId,
      currency: row.currency,
      fileId,
      lineNo: row.line,
      ...to,
    });
  if (row.spanFrom !== null && row.spanTo !== null)
    claimSpan(ctx.db, { payoutId: id, accountId: account.id, from: row.spanFrom, to: row.spanTo });
  refreshNet(ctx.db, id);
  touched.add(id);
  const net = payoutById(ctx.db, id)?.net ?? 0;
  tally.take(
    row.line,
    net === row.net
      ? "payouts whose items foot"
      : "payouts whose items do not sum to what was paid",
    row.net,
    row.currency,
  );
}
