import { type ActivityKind, PROCESSOR_ITEM_KINDS } from "@/core/activity";
import {
  inBook,
  postAchReturn,
  postAdjustment,
  postDispute,
  postFee,
  postParkedDifference,
  postReceiptSettled,
  postRefund,
  postReserve,
} from "@/core/ledger";
import { add, minor, type Minor, negate, ZERO } from "@/core/money";
import type { Method } from "@/core/receipts";
import { entriesOfDocument } from "@/db/journal";
import { insertProcessorItem, type ProcessorItemRow, setReason } from "@/db/processor";
import { type ProcessorAccountRow } from "@/db/processorAccounts";
import { customerOfReceipt, insertReceipt, receiptById, type ReceiptRow } from "@/db/receipts";
import { reverseEntry } from "@/server/books/steps/reverse";
import { chargeReturnFee } from "@/server/payouts/steps/returnFee";
import type { CommandContext } from "@/server/runtime/context";

import { markDispute } from "./markDispute";
import { advance, takeBack } from "./takeBack";

type Payer = { method: Method; payerName: string; payerEmail: string; reference: string };
type ChargeToPost = {
  account: ProcessorAccountRow;
  item: Omit<ProcessorItemRow, "id" | "receiptId">;
  payer: Payer;
  actId: number;
};

/** A charge becomes a receipt: gross into clearing, against what is not identified. Gives the receipt. */
export function postCharge(
  ctx: CommandContext,
  { account, item, payer, actId }: ChargeToPost,
): number {
  const receiptId = insertReceipt(ctx.db, {
    source: "processor",
    method: payer.method,
    payerName: payer.payerName,
    payerEmail: payer.payerEmail,
    reference: payer.reference,
    paidOn: item.occurredOn,
    settledOn: item.settledOn,
    currency: item.currency,
    amount: item.amount,
    fileId: item.fileId,
    lineNo: item.lineNo,
  });
  const id = insertProcessorItem(ctx.db, item, receiptId);
  ctx.post(
    postReceiptSettled({
      on: item.settledOn,
      document: { kind: "processor_item", id, text: `charge ${item.externalId}` },
      processor: account.code,
      processorItemId: id,
      receiptId,
      gross: inBook(item.amount, item.currency),
    }),
    actId,
  );
  return receiptId;
}
type Head = Omit<Parameters<typeof postParkedDifference>[0], "sum">;
/** The receipt that an item belongs to, where that is in the book. */
const receiptOf = (ctx: CommandContext, { receiptId }: ProcessorItemRow): ReceiptRow | undefined =>
  receiptId === null ? undefined : receiptById(ctx.db, receiptId);

/** Whose money an item is about; null where nobody knows. */
export const customerOf = (
  ctx: CommandContext,
  { receiptId }: Pick<ProcessorItemRow, "receiptId">,
): number | null => (receiptId === null ? null : customerOfReceipt(ctx.db, receiptId));

/** What a posting of a processor's item goes by. */
type Posting = {
  ctx: CommandContext;
  item: ProcessorItemRow;
  at: Head;
  actId: number;
};
/** The effect on the clearing account turned round: what it costs. */
const costOf = ({ amount, currency }: ProcessorItemRow): ReturnType<typeof inBook> =>
  inBook(negate(amount), currency);
/** A fee is posted to the expense of its kind. */
function feeOf({ ctx, item, at, actId }: Posting): void {
  const { feeKind } = PROCESSOR_ITEM_KINDS[item.kind];
  if (feeKind !== null) ctx.post(postFee({ ...at, kind: feeKind, sum: costOf(item) }), actId);
}
/** A dispute takes its sum out of clearing, and brings it back when it is won. */
const disputeOf =
  (kind: "dispute" | "dispute_won") =>
  ({ ctx, item, at, actId }: Posting): void => {
    ctx.post(postDispute({ ...at, sum: costOf(item) }), actId);
    markDispute(ctx, item, receiptOf(ctx, item), kind);
  };
function refundOf(posting: Posting): void {
  const receipt = receiptOf(posting.ctx, posting.item);
  if (receipt) refund(posting, receipt);
  else park(posting, "refund of a charge that is not in the book");
}
function achReturnOf(posting: Posting): void {
  const { ctx, item, at, actId } = posting;
  const receipt = receiptOf(ctx, item);
  if (!receipt) return park(posting, "return of a charge that is not in the book");
  const cost = costOf(item);
  const went = takeBack(ctx, receipt, cost.amount, actId);
  ctx.post(postAchReturn({ ...at, receiptId: receipt.id, went, sum: cost }), actId);
  const code = item.returnCode === null ? "" : ` (${item.returnCode})`;
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `ACH return ${item.externalId}${code}: ${ctx.sum(cost.amount, item.currency)} went back, what it had paid is open again`,
  );
  chargeReturnFee(ctx, receipt, item.settledOn, actId);
}
/** Charges are posted by `postCharge`, and what is on its way is not posted. */
function never(): never {
  throw new Error("charges are posted by postCharge, and what is on its way is not posted");
}
/** How each kind of row is posted. */
const POSTINGS: Readonly<Record<ActivityKind, (posting: Posting) => void>> = {
  charge: never,
  started: never,
  fee: feeOf,
  dispute_fee: feeOf,
  return_fee: feeOf,
  adjustment: ({ ctx, item, at, actId }) =>
    ctx.post(postAdjustment({ ...at, sum: inBook(item.amount, item.currency) }), actId),
  reserve: ({ ctx, item, at, actId }) => ctx.post(postReserve({ ...at, sum: costOf(item) }), actId),
  dispute: disputeOf("dispute"),
  dispute_won: disputeOf("dispute_won"),
  refund: refundOf,
  ach_return: achReturnOf,
};
/** An item, and whose money it is about where that is known. */
type ActivityToPost = { item: ProcessorItemRow; kind: ActivityKind; customerId: number | null };

/**
 * Posts what a processor reports beside its charges. The item has been inserted; a receipt it
 * belongs to is moved on.
 */
export function postActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  { item, kind, customerId }: ActivityToPost,
  actId: number,
): void {
  const text = `${kind.replaceAll("_", " ")} ${item.externalId}`;
  const at = {
    on: item.settledOn,
    partyId: customerId,
    document: { kind: "processor_item" as const, id: item.id, text },
    processor: account.code,
    processorItemId: item.id,
  };
  POSTINGS[kind]({ ctx, item, at, actId });
}
/** A parked item is no longer so: the mirror of what parked it. */
export function unpark(ctx: CommandContext, item: ProcessorItemRow, actId: number): void {
  for (const entry of entriesOfDocument(ctx.db, "processor_item", item.id).filter(
    ({ event, reversedBy }) => event === "park" && reversedBy === null,
  ))
    reverseEntry(ctx, entry, actId);
}
/** Posts an item to the receipt it has found; a dispute's own entry stands already. */
export function joinReceipt(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  item: ProcessorItemRow,
  actId: number,
): void {
  if (item.kind === "dispute")
    markDispute(ctx, item, receiptOf(ctx, item), item.amount < 0 ? "dispute" : "dispute_won");
  else if (item.kind === "refund" || item.kind === "ach_return")
    postActivity(ctx, account, { item, kind: item.kind, customerId: customerOf(ctx, item) }, actId);
}
/**
 * Money that went out for something the book has never seen: parked with its reason, where the
 * proofs keep showing it.
 */
function park({ ctx, at, item, actId }: Posting, reason: string): void {
  setReason(ctx.db, item.id, reason);
  ctx.post(postParkedDifference({ ...at, sum: inBook(item.amount, item.currency) }), actId);
}
/**
 * A refund comes out of what nobody was found for, then of what was set aside, then of the
 * customer's credit (below zero, if it had been applied).
 */
function refund({ ctx, at, item, actId }: Posting, receipt: ReceiptRow): void {
  const sum = costOf(item).amount;
  let left = sum;
  const take = (available: Minor): Minor => {
    const taken = minor(Math.min(left, Math.max(0, available)));
    left = add(left, -taken);
    return taken;
  };
  const unidentified = take(receipt.unidentified);
  const parked = take(receipt.parked);
  const income = take(receipt.income);
  // What was paid on top goes back where all of it does.
  const surcharge = sum === add(receipt.amount, -receipt.goneBack) ? receipt.surcharge : ZERO;
  left = add(left, -surcharge);
  const recovered = take(receipt.recovered);
  const parts = { unidentified, parked, income, surcharge, recovered, onAccount: left };
  advance(ctx, receipt, { ...parts, applied: ZERO });
  for (const [part, from] of REFUND_ORDER) {
    if (parts[part] === 0) continue;
    const back = inBook(parts[part], item.currency);
    ctx.post(postRefund({ ...at, receiptId: receipt.id, from, sum: back }), actId);
  }
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `refund ${item.externalId}: ${ctx.sum(sum, item.currency)} sent back`,
  );
}
/** The parts of a receipt that a refund is posted from, and the roles they stand in. */
const REFUND_ORDER = [
  ["unidentified", "unidentified"],
  ["parked", "parked"],
  ["income", "other"],
  ["surcharge", "surcharges"],
  ["recovered", "recoveries"],
  ["onAccount", "credits"],
] as const;
