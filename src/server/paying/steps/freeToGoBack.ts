import { add, minor, type Minor, negate, sumOf } from "@/core/money";
import type { Db } from "@/db/connection";
import { openItemById } from "@/db/openItems";
import type { ReceiptRow } from "@/db/receipts";
import { refundsUnderWay } from "@/db/refunds";

type Asked = {
  /** The credit note that is paid out; null for credit on account. */
  readonly creditNoteId: number | null;
  /** A refund that is under way itself, and does not stand in its own way. */
  readonly apart?: number;
};

/**
 * What of a receipt may go back: its credit on account, or what a credit note of its customer leaves,
 * less what is under way, and never more than the receipt itself; null where there is no such note.
 */
export function freeToGoBack(
  db: Db,
  receipt: ReceiptRow,
  { creditNoteId, apart }: Asked,
): Minor | null {
  const others = refundsUnderWay(db).filter(({ id }) => id !== apart);
  const own = others.filter(({ receiptId }) => receiptId === receipt.id);
  const left = add(receipt.amount, negate(receipt.goneBack), negate(amountsOf(own)));
  const onNote = others.filter((refund) => refund.creditNoteId === creditNoteId);
  if (creditNoteId === null) {
    const onAccount = onNote.filter(({ receiptId }) => receiptId === receipt.id);
    return within(left, receipt.onAccount - amountsOf(onAccount));
  }
  const note = openItemById(db, creditNoteId);
  const isOurs = note?.customerId === receipt.customerId && note?.currency === receipt.currency;
  if (!note || !isOurs || note.balance >= 0) return null;
  return within(left, -note.balance - amountsOf(onNote));
}

const amountsOf = (refunds: readonly { amount: Minor }[]): Minor =>
  sumOf(refunds, ({ amount }) => amount);

const within = (left: Minor, sum: number): Minor => minor(Math.max(0, Math.min(left, sum)));
