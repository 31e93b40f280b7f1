import { type Day, daysBetween, earlierFirst } from "@/core/calendar";

import { listOf } from "../lists";
import type { MatchingInput, MatchReceipt } from "../types";
import { DOUBLE_WITHIN_DAYS } from "./claimants";

type Payment = { readonly id: number; readonly paidOn: Day };

/** Payments by customer and sum, to see the second of two. */
export class PaidSums {
  private readonly payments = new Map<string, Payment[]>();

  constructor(placed: MatchingInput["placed"]) {
    for (const { customerId, amount, id, paidOn } of placed)
      listOf(this.payments, `${customerId} ${amount}`).push({ id, paidOn });
  }

  add(customerId: number | null, { id, paidOn, amount }: MatchReceipt): void {
    if (customerId !== null) listOf(this.payments, `${customerId} ${amount}`).push({ id, paidOn });
  }

  /** The first payment of the same sum by the same customer a few days around. */
  doubleOf(customerId: number | null, { id, paidOn, amount }: MatchReceipt): Payment | null {
    const [first] = (this.payments.get(`${customerId} ${amount}`) ?? [])
      .filter(
        (entry) =>
          entry.id !== id && Math.abs(daysBetween(entry.paidOn, paidOn)) <= DOUBLE_WITHIN_DAYS,
      )
      .sort((a, b) => earlierFirst(a.paidOn, b.paidOn) || a.id - b.id);
    return first ?? null;
  }
}
