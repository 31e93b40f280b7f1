import { inBook, type WentTo } from "@/core/ledger";
import { add, minor, type Minor, ZERO } from "@/core/money";
import { move } from "@/core/receipts";
import { applicationsOfReceipt, endApplication } from "@/db/applications";
import { changeBalance } from "@/db/openItems";
import { partsOf, type ReceiptRow, updateReceipt } from "@/db/receipts";
import type { CommandContext } from "@/server/runtime/context";

export function advance(
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
