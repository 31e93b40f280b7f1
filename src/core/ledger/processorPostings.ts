import { type FeeKind } from "@/core/activity/index";

import { credit, debit, type EntryDraft, type ItemRef, type Sum, total } from "./entry";
import { bank, clearing, entry, type Head } from "./roles";

/**
 * A fee the processor kept, given positive; a fee given back is negative.
 * @example a fee of 37.55: fees 37.55; C 37.55
 */
export function postFee(
  head: Head & { processor: string; processorItemId: number; kind: FeeKind; sum: Sum },
): EntryDraft {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
  ]);
}

/**
 * An adjustment by the processor at its effect on the clearing account: C; other income (an expense
 * where negative).
 */
export function postAdjustment(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  return entry("adjustment", head, [
    debit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
    credit({ role: "other", of: "adjustments" }, head.sum),
  ]);
}

/** A reserve the processor holds (positive) or releases (negative): reserve; C. */
export function postReserve(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("reserve", head, [
    debit({ role: "reserve" }, head.sum, item),
    credit(clearing(head.processor), head.sum, item),
  ]);
}

/**
 * A payout tied to its bank line: B; C. A negative payout is negative here.
 * `net` is what leaves clearing where the bank got it in another currency.
 * @example a sale of 1,000.00 with a fee of 3 %: B 970.00; C 970.00, after C 1,000.00; U 1,000.00
 * and fees 30.00; C 30.00
 */
export function postPayoutTied(
  head: Head & {
    processor: string;
    bank: string;
    payoutId: number;
    lines: readonly { bankLineId: number; sum: Sum }[];
    net?: Sum;
  },
): EntryDraft {
  const currency = head.lines[0]?.sum.currency;
  if (!currency) throw new RangeError("a payout is tied to at least one bank line");
  return entry("payout", head, [
    ...head.lines.map(({ bankLineId, sum }) =>
      debit(bank(head.bank), sum, { kind: "bank_line", id: bankLineId }),
    ),
    credit(
      clearing(head.processor),
      head.net ??
        total(
          head.lines.map(({ sum }) => sum),
          currency,
        ),
      { kind: "payout", id: head.payoutId },
    ),
  ]);
}

/**
 * A difference at the processor that nothing explains, at its effect on clearing, with a reason: C;
 * parked.
 */
export function postParkedDifference(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("park", head, [
    debit(clearing(head.processor), head.sum, item),
    credit({ role: "parked" }, head.sum, item),
  ]);
}
