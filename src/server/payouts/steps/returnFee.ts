import { addDays, type Day } from "@/core/calendar";
import { inBook, postReturnFeeCharged } from "@/core/ledger";
import { minor } from "@/core/money";
import { entriesOfAct } from "@/db/journal";
import { dropOpened, insertOpenItem, openItemById } from "@/db/openItems";
import type { ReceiptRow } from "@/db/receipts";
import type { CommandContext } from "@/server/runtime/context";

/** Days that a customer has to pay a return fee. */
const DUE_DAYS = 10;

/**
 * The fees that an act charged are charged no more, where nothing of them was paid; gives the
 * number of one that was.
 */
export function dropReturnFees(ctx: CommandContext, actId: number): string | null {
  for (const { documentId } of entriesOfAct(ctx.db, actId).filter(
    ({ event, documentKind }) => event === "late_fee" && documentKind === "open_item",
  )) {
    const item = openItemById(ctx.db, documentId);
    if (item && item.balance !== item.opened) return item.number;
    dropOpened(ctx.db, documentId);
  }
  return null;
}

/** Charges the customer for a payment that came back, where the book says so: an open item of its own. */
export function chargeReturnFee(
  ctx: CommandContext,
  receipt: ReceiptRow,
  on: Day,
  actId: number,
): void {
  const fee = ctx.settings.returnFee;
  if (fee === null || fee === 0 || receipt.customerId === null) return;
  const sum = minor(fee);
  const number = `RF-${receipt.id}-${actId}`;
  const id = insertOpenItem(ctx.db, {
    kind: "late_fee",
    number,
    customerId: receipt.customerId,
    issuedOn: on,
    dueOn: addDays(on, DUE_DAYS),
    currency: ctx.settings.currency,
    total: sum,
    tax: minor(0),
    opened: sum,
    balance: sum,
    openedOn: on,
    poNumber: null,
    terms: null,
    description: "fee for a returned payment",
    fileId: null,
    lineNo: null,
  });
  ctx.post(
    postReturnFeeCharged({
      on,
      partyId: receipt.customerId,
      document: { kind: "open_item", id, text: `return fee ${number}` },
      itemId: id,
      sum: inBook(sum, ctx.settings.currency),
    }),
    actId,
  );
}
