import {
  type AccountRef,
  credit,
  debit,
  type EntryDraft,
  type ItemRef,
  type Line,
  negated,
  type Sum,
  total,
} from "./entry";
import { bank, clearing, D, entry, type Head, K, openItem, R, receiptItem, U } from "./roles";

/*
 * The posting rules for money that goes back: refunds, disputes, ACH returns,
 * bounced checks.
 */

/** Where a difference goes: a small one, or a debt written off. */
export type WriteOff = "small" | "bad_debt";

/** What a receipt had become when its money goes back: each part is positive. */
export type WentTo = {
  readonly unidentified: Sum | null;
  readonly credits: Sum | null;
  readonly parked: Sum | null;
  readonly income?: Sum | null;
  readonly surcharge?: Sum | null;
  readonly recovered?: Sum | null;
  readonly items: readonly {
    itemId: number;
    sum: Sum;
    discount: Sum | null;
    smallDifference: Sum | null;
    /** What the difference had been posted to. */
    writeOff?: WriteOff;
    /** The parts of both that had lowered the tax. */
    discountTax?: Sum | null;
    writeOffTax?: Sum | null;
  }[];
};

/**
 * A refund the processor paid out: from the customer's credit (or from money
 * nobody was found for), out of clearing. `sum` is positive.
 * @example a double payment of 540.00 sent back: K 540.00; C 540.00
 */
export function postRefund(
  head: Head & {
    processor: string;
    processorItemId: number;
    receiptId: number | null;
    from: "unidentified" | "credits" | "parked" | "other" | "surcharges" | "recoveries";
    sum: Sum;
  },
): EntryDraft {
  const item: ItemRef =
    head.receiptId === null
      ? { kind: "processor_item", id: head.processorItemId }
      : receiptItem(head.receiptId);
  return entry("refund", head, [
    debit({ role: head.from }, head.sum, item),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
  ]);
}

/**
 * A disputed receipt, withdrawn by the processor; the invoice stays paid and marked: D; C. Won, the
 * money comes back: the sum is negative.
 */
export function postDispute(
  head: Head & { processor: string; processorItemId: number; sum: Sum },
): EntryDraft {
  const item: ItemRef = { kind: "processor_item", id: head.processorItemId };
  return entry("dispute", head, [
    debit(D, head.sum, item),
    credit(clearing(head.processor), head.sum, item),
  ]);
}

/**
 * A dispute lost: what the receipt had paid is open again; D is emptied. A discount that had been
 * taken is taken back.
 */
export function postDisputeLost(
  head: Head & { disputeItemId: number; receiptId: number; went: WentTo; sum: Sum },
): EntryDraft {
  return entry("dispute", head, [
    ...takenBack(head.receiptId, head.went),
    credit(D, head.sum, { kind: "processor_item", id: head.disputeItemId }),
  ]);
}

/**
 * An ACH return after settlement: what the receipt had become, out of clearing.
 * @example 98.00 had paid an invoice of 100.00 less 2.00: R 100.00; discounts 2.00, C 98.00
 */
export function postAchReturn(
  head: Head & {
    processor: string;
    processorItemId: number;
    receiptId: number;
    went: WentTo;
    sum: Sum;
  },
): EntryDraft {
  return entry("ach_return", head, [
    ...takenBack(head.receiptId, head.went),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
  ]);
}

/** What a receipt had become besides paying items, and the account that each part stands on. */
const PARTS_TAKEN_BACK = [
  ["unidentified", U],
  ["credits", K],
  ["parked", { role: "parked" }],
  ["income", { role: "other" }],
  ["surcharge", { role: "surcharges" }],
  ["recovered", { role: "recoveries" }],
] as const satisfies readonly (readonly [keyof WentTo, AccountRef])[];

function takenBack(receiptId: number, went: WentTo): Line[] {
  return [
    ...PARTS_TAKEN_BACK.flatMap(([part, account]) => {
      const sum = went[part];
      return sum ? [debit(account, sum, receiptItem(receiptId))] : [];
    }),
    ...went.items.flatMap(itemTakenBack),
  ];
}

/** The item is open again by all that had settled it; what was given up is given up no more. */
function itemTakenBack({
  itemId,
  sum,
  discount,
  smallDifference,
  writeOff = "small",
  discountTax = null,
  writeOffTax = null,
}: WentTo["items"][number]): Line[] {
  const given = (part: Sum | null): part is Sum => part !== null && part.amount !== 0;
  const writtenOffTo = { role: writeOff === "small" ? "small_differences" : "bad_debt" } as const;
  return [
    debit(
      R,
      total([sum, ...[discount, smallDifference].filter(given)], sum.currency),
      openItem(itemId),
    ),
    ...(given(discount) ? withTax({ role: "discounts" }, discount, discountTax) : []),
    ...(given(smallDifference) ? withTax(writtenOffTo, smallDifference, writeOffTax) : []),
  ];
}

/** A sum that had been given up, given up no more; the tax in it is owed again. */
function withTax(account: AccountRef, sum: Sum, tax: Sum | null): Line[] {
  return tax === null || tax.amount === 0
    ? [credit(account, sum)]
    : [credit(account, total([sum, negated(tax)], sum.currency)), credit({ role: "tax" }, tax)];
}

/**
 * A check that the bank took back: what the receipt had become, out of the bank.
 * @example a check of 25.00 that had paid an invoice: R 25.00; B 25.00
 */
export function postBounced(
  head: Head & { bank: string; bankLineId: number; receiptId: number; went: WentTo; sum: Sum },
): EntryDraft {
  return entry("deposit", head, [
    ...takenBack(head.receiptId, head.went),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
  ]);
}
