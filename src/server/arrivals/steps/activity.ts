import { PROCESSOR_ITEM_KINDS } from "@/core/activity";
import type { ActivityRecord } from "@/core/formats";
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
  type WentTo,
} from "@/core/ledger";
import { add, minor, type Minor, negate, ZERO } from "@/core/money";
import { type Method, move } from "@/core/receipts";
import { entriesOfDocument } from "@/db/journal";
import { changeBalance } from "@/db/openItems";
import {
  insertProcessorItem,
  openDisputesOf,
  type ProcessorAccountRow,
  type ProcessorItemRow,
  setDisputeState,
  setReason,
} from "@/db/processor";
import {
  applicationsOfReceipt,
  endApplication,
  insertReceipt,
  partsOf,
  receiptById,
  type ReceiptRow,
  setDisputed,
  updateReceipt,
} from "@/db/receipts";
import { reverseEntry } from "@/server/books/steps/reverse";
import { chargeReturnFee } from "@/server/payouts/steps/returnFee";
import type { CommandContext } from "@/server/runtime/context";

type Payer = { method: Method; payerName: string; payerEmail: string; reference: string };

/** A charge becomes a receipt: gross into clearing, against what is not identified. Gives the receipt. */
export function postCharge(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  item: Omit<ProcessorItemRow, "id" | "receiptId">,
  payer: Payer,
  actId: number,
): number {
  const receiptId = insertReceipt(ctx.db, {
    source: "processor",
    ...payer,
    paidOn: item.occurredOn,
    settledOn: item.settledOn,
    currency: item.currency,
    amount: item.amount,
    fileId: item.fileId,
    lineNo: item.lineNo,
  });
  const id = insertProcessorItem(ctx.db, { ...item, receiptId });
  const head = {
    on: item.settledOn,
    document: { kind: "processor_item" as const, id, text: `charge ${item.externalId}` },
  };
  ctx.post(
    postReceiptSettled({
      ...head,
      processor: account.code,
      processorItemId: id,
      receiptId,
      gross: inBook(item.amount, item.currency),
    }),
    actId,
  );
  return receiptId;
}

/**
 * Posts what a processor reports beside its charges. The item has been inserted; a receipt it
 * belongs to is moved on.
 */
export function postActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  item: ProcessorItemRow,
  kind: ActivityRecord["kind"],
  actId: number,
): void {
  const receipt = item.receiptId === null ? undefined : receiptById(ctx.db, item.receiptId);
  const head = {
    on: item.settledOn,
    partyId: receipt?.customerId ?? null,
    document: {
      kind: "processor_item" as const,
      id: item.id,
      text: `${kind.replaceAll("_", " ")} ${item.externalId}`,
    },
  };
  const at = { ...head, processor: account.code, processorItemId: item.id };
  const effect = inBook(item.amount, item.currency);
  const cost = inBook(negate(item.amount), item.currency);
  switch (kind) {
    case "fee":
    case "dispute_fee":
    case "return_fee":
      ctx.post(postFee({ ...at, kind: PROCESSOR_ITEM_KINDS[kind].feeKind, sum: cost }), actId);
      return;
    case "adjustment":
      ctx.post(postAdjustment({ ...at, sum: effect }), actId);
      return;
    case "reserve":
      ctx.post(postReserve({ ...at, sum: cost }), actId);
      return;
    case "dispute":
    case "dispute_won":
      ctx.post(postDispute({ ...at, sum: cost }), actId);
      markDispute(ctx, item, receipt, kind);
      return;
    case "refund":
      if (!receipt) return park(ctx, at, item, "refund of a charge that is not in the book", actId);
      refund(ctx, at, receipt, cost.amount, item, actId);
      return;
    case "ach_return":
      if (!receipt) return park(ctx, at, item, "return of a charge that is not in the book", actId);
      ctx.post(
        postAchReturn({
          ...at,
          receiptId: receipt.id,
          went: takeBack(ctx, receipt, cost.amount, actId),
          sum: cost,
        }),
        actId,
      );
      ctx.act(
        "import",
        { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
        `ACH return ${item.externalId}${item.returnCode === null ? "" : ` (${item.returnCode})`}: ${ctx.sum(cost.amount, item.currency)} went back, what it had paid is open again`,
      );
      chargeReturnFee(ctx, receipt, item.settledOn, actId);
      return;
    case "charge":
    case "started":
      throw new Error("charges are posted by postCharge, and what is on its way is not posted");
    default:
      throw kind satisfies never;
  }
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
  const receipt = item.receiptId === null ? undefined : receiptById(ctx.db, item.receiptId);
  if (item.kind === "dispute")
    markDispute(ctx, item, receipt, item.amount < 0 ? "dispute" : "dispute_won");
  else if (item.kind === "refund" || item.kind === "ach_return")
    postActivity(ctx, account, item, item.kind, actId);
}

type Head = Omit<Parameters<typeof postParkedDifference>[0], "sum">;

/**
 * Money that went out for something the book has never seen: parked with its reason, where the
 * proofs keep showing it.
 */
function park(
  ctx: CommandContext,
  at: Head,
  item: ProcessorItemRow,
  reason: string,
  actId: number,
): void {
  setReason(ctx.db, item.id, reason);
  ctx.post(postParkedDifference({ ...at, sum: inBook(item.amount, item.currency) }), actId);
}

/**
 * A refund comes out of what nobody was found for, then of what was set aside, then of the
 * customer's credit (below zero, if it had been applied).
 */
function refund(
  ctx: CommandContext,
  at: Head,
  receipt: ReceiptRow,
  sum: Minor,
  item: ProcessorItemRow,
  actId: number,
): void {
  const unidentified = minor(Math.min(sum, Math.max(0, receipt.unidentified)));
  const parked = minor(Math.min(add(sum, -unidentified), Math.max(0, receipt.parked)));
  const income = minor(Math.min(add(sum, -unidentified, -parked), Math.max(0, receipt.income)));
  // What was paid on top goes back where all of it does.
  const surcharge = sum === add(receipt.amount, -receipt.goneBack) ? receipt.surcharge : ZERO;
  const recovered = minor(
    Math.min(add(sum, -unidentified, -parked, -income, -surcharge), Math.max(0, receipt.recovered)),
  );
  const credits = add(sum, -unidentified, -parked, -income, -surcharge, -recovered);
  advance(ctx, receipt, {
    unidentified,
    parked,
    income,
    surcharge,
    recovered,
    onAccount: credits,
    applied: ZERO,
  });
  for (const [from, part] of [
    ["unidentified", unidentified],
    ["parked", parked],
    ["other", income],
    ["surcharges", surcharge],
    ["recoveries", recovered],
    ["credits", credits],
  ] as const) {
    if (part !== 0)
      ctx.post(
        postRefund({ ...at, receiptId: receipt.id, from, sum: inBook(part, item.currency) }),
        actId,
      );
  }
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `refund ${item.externalId}: ${ctx.sum(sum, item.currency)} sent back`,
  );
}

function advance(
  ctx: CommandContext,
  receipt: ReceiptRow,
  back: {
    unidentified: Minor;
    onAccount: Minor;
    applied: Minor;
    parked: Minor;
    income: Minor;
    surcharge: Minor;
    recovered: Minor;
  },
): void {
  const moved = move(receipt.state, partsOf(receipt), { kind: "gone_back", parts: back });
  if (!moved.ok) throw new Error("a receipt gave back more than it had");
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: receipt.customerId,
    reason: receipt.reason,
  });
}

/**
 * Takes back what a receipt had become, up to `sum`: first what was not
 * identified, what was parked, what stood on account; then its invoices, the
 * last first, which are open again. What is still missing stands on the
 * customer's account as a negative credit.
 */
export function takeBack(
  ctx: CommandContext,
  receipt: ReceiptRow,
  sum: Minor,
  actId: number,
): WentTo {
  let left = sum;
  const take = (available: Minor): Minor => {
    const taken = minor(Math.max(0, Math.min(left, available)));
    left = add(left, -taken);
    return taken;
  };
  const [unidentified, parked, income, surcharge, recovered, free] = [
    take(receipt.unidentified),
    take(receipt.parked),
    take(receipt.income),
    take(receipt.surcharge),
    take(receipt.recovered),
    take(receipt.onAccount),
  ];
  const items: WentTo["items"][number][] = [];
  let applied = ZERO;
  const live = applicationsOfReceipt(ctx.db, receipt.id)
    .filter((application) => application.endedBy === null)
    .reverse();
  for (const application of live) {
    if (left < application.amount) continue;
    left = add(left, -application.amount);
    applied = add(applied, application.amount);
    endApplication(ctx.db, application.id, actId);
    changeBalance(
      ctx.db,
      application.openItemId,
      add(application.amount, application.discount, application.smallDifference),
    );
    items.push({
      itemId: application.openItemId,
      sum: inBook(application.amount, receipt.currency),
      discount: inBook(application.discount, receipt.currency),
      smallDifference: inBook(application.smallDifference, receipt.currency),
      writeOff: application.writeOff,
      discountTax: inBook(application.discountTax, receipt.currency),
      writeOffTax: inBook(application.writeOffTax, receipt.currency),
    });
  }
  const onAccount = add(free, left);
  advance(ctx, receipt, { unidentified, onAccount, applied, parked, income, surcharge, recovered });
  const part = (amount: Minor): WentTo["credits"] =>
    amount === 0 ? null : inBook(amount, receipt.currency);
  return {
    unidentified: part(unidentified),
    credits: part(onAccount),
    parked: part(parked),
    income: part(income),
    surcharge: part(surcharge),
    recovered: part(recovered),
    items,
  };
}

function markDispute(
  ctx: CommandContext,
  item: ProcessorItemRow,
  receipt: ReceiptRow | undefined,
  kind: "dispute" | "dispute_won",
): void {
  setDisputeState(ctx.db, item.id, kind === "dispute" ? "opened" : "won");
  if (!receipt) return;
  if (kind === "dispute_won") {
    for (const id of openDisputesOf(ctx.db, receipt.id)) setDisputeState(ctx.db, id, "won");
  }
  setDisputed(ctx.db, receipt.id, kind === "dispute" ? 1 : 0);
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    kind === "dispute"
      ? `dispute ${item.externalId} opened: ${ctx.sum(-item.amount, item.currency)} withdrawn, the invoice stays paid and marked`
      : `dispute won: ${ctx.sum(item.amount, item.currency)} given back`,
  );
}
