import { receiptLetter } from "@/core/paying";
import { customerById } from "@/db/customers";
import { followedRow } from "@/db/followed";
import { openItemById } from "@/db/openItems";
import { partsOfPayment, type PaymentRow } from "@/db/payments";
import { fill } from "@/server/overdue/letters";
import { mailBeside, reachOf } from "@/server/overdue/steps/besideLadder";
import type { CommandContext } from "@/server/runtime/context";

/** Mails the receipt of a payment that was made here, where the book says so and a mail reaches the customer. */
export function mailReceipt(ctx: CommandContext, payment: PaymentRow, receiptId: number): void {
  const { db, settings } = ctx;
  const { customerId } = payment;
  const customer = customerById(db, customerId);
  if (!settings.mailReceipts || !customer) return;
  const { to, copies, greeting } = reachOf(ctx, customer);
  if (to === null) return;
  const numbers = partsOfPayment(db, payment.id).flatMap(
    ({ itemId }) => openItemById(db, itemId)?.number ?? [],
  );
  const sum = ctx.sum(payment.amount, payment.currency);
  const words = fill(receiptLetter(followedRow(db, customerId).language), {
    customer: greeting,
    business: settings.name,
    sum,
    numbers: numbers.join(", "),
  });
  if (!words.ok) throw new Error("the words of a receipt that ship can be filled in");
  const subject = { kind: "customer", id: customerId, customerId } as const;
  const actId = ctx.act("letter", subject, `receipt for ${sum} mailed`);
  mailBeside(ctx, { customerId, to, copies, ...words.value, what: "receipt", receiptId, actId });
}
