import type { Draft } from "../candidates/candidate";
import type { Seen } from "../decision/decide";
import { listOf } from "../lists";
import type { MatchReceipt } from "../types";
import { byMoney, earlierFor, resentOn, sameAgain } from "./claimants";
import { hasItsOwn, isLoose } from "./judged";
import type { PaidSums } from "./paidSums";
import type { Looked } from "./plan";

/** Other receipts that may be for the same as one, and payments that it may be the second of. */
export class Rivals {
  private readonly sameSum = new Map<number, Looked[]>();
  private readonly claimants: ReadonlyMap<string, readonly MatchReceipt[]>;

  constructor(
    looks: readonly Looked[],
    /** Whether a receipt is sure of a home by a number that it names. */
    private readonly isPlaced: (receiptId: number) => boolean,
  ) {
    for (const look of looks) listOf(this.sameSum, look.receipt.amount).push(look);
    this.claimants = byMoney(looks);
  }

  /** What speaks against a reading of a receipt; `paid` knows what was paid so far. */
  of(
    receipt: MatchReceipt,
    best: Draft | undefined,
    paid: PaidSums,
  ): Pick<Seen, "doubleOf" | "alsoOn"> {
    if (!best) return { doubleOf: null, alsoOn: null };
    const alike = this.sameSum.get(receipt.amount) ?? [];
    const alsoOn =
      best.numbers === "none"
        ? earlierFor(receipt, best, this.claimants, this.isPlaced)
        : resentOn(receipt, best, alike);
    if (best.numbers !== "none" && best.flaws === 0)
      return { alsoOn, doubleOf: isLoose(best) ? sameAgain(receipt, alike) : null };
    return { alsoOn, doubleOf: hasItsOwn(best) ? null : paid.doubleOf(best.customerId, receipt) };
  }
}
