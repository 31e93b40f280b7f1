import type { Day } from "@/core/calendar";

import {
  type AccountRef,
  credit,
  debit,
  type EntryDraft,
  type ItemRef,
  negated,
  type Sum,
  total,
} from "./entry";
import { bank, clearing, entry, H, type Head, K, openItem, R, receiptItem, U } from "./roles";

/*
 * The posting rules for what comes in, is applied and reaches the bank: one
 * pure function for each event, in the order of the work. Sums are signed minor
 * units; every result foots (see `foots`). The table they follow stands in
 * docs/architecture.md; what goes back is in goingBack.ts.
 */

/**
 * A balance brought over from the ledger before: an open invoice at its
 * balance (a credit note negative), cash at the bank, money in clearing.
 * @example an invoice with 60.00 open: R 60.00 debit, opening 60.00 credit
 */
export function postOpening(
  head: Head & { account: AccountRef; sum: Sum; item: ItemRef | null },
): EntryDraft {
  return entry("opening", head, [
    debit(head.account, head.sum, head.item),
    credit({ role: "opening" }, head.sum),
  ]);
}

/**
 * A charge settled at the processor, at its gross, whoever paid it.
 * @example a card charge of 1,284.50: C 1,284.50; U 1,284.50
 */
export function postReceiptSettled(
  head: Head & { processor: string; processorItemId: number; receiptId: number; gross: Sum },
): EntryDraft {
  return entry("receipt", head, [
    debit(clearing(head.processor), head.gross, {
      kind: "processor_item",
      id: head.processorItemId,
    }),
    credit(U, head.gross, receiptItem(head.receiptId)),
  ]);
}

/** A receipt and the bank line by which its money came, or went. */
export type ReceiptAtBank = Head & {
  bank: string;
  bankLineId: number;
  receiptId: number;
  sum: Sum;
};

/** A receipt that is a bank line by itself (ACH credit, wire, lockbox): B; U. */
export function postReceiptAtBank(head: ReceiptAtBank): EntryDraft {
  return entry("receipt", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(U, head.sum, receiptItem(head.receiptId)),
  ]);
}

/**
 * A receipt by hand (check, cash, money order), on hand until it is banked: H; U. @example a check
 * of 25.00: H 25.00; U 25.00
 */
export function postReceiptByHand(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("receipt", head, [
    debit(H, head.sum, receiptItem(head.receiptId)),
    credit(U, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** The payer is known and the money is not given to an invoice: U; K. */
export function postIdentified(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("identify", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit(K, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** Where applied money stood before: not identified, or on the customer's account. */
export type AppliedFrom = "unidentified" | "credits";

/**
 * Money given to open items; a credit note taken along has a negative sum.
 * @example 90.00 with a credit note of 10.00 on an invoice of 100.00: U 90.00, R (credit note)
 * 10.00; R (invoice) 100.00
 */
export function postApplied(
  head: Head & {
    receiptId: number;
    from: AppliedFrom;
    to: readonly { itemId: number; sum: Sum }[];
  },
): EntryDraft {
  const currency = head.to[0]?.sum.currency;
  if (!currency) throw new RangeError("nothing to apply");
  return entry("apply", head, [
    debit(
      head.from === "unidentified" ? U : K,
      total(
        head.to.map(({ sum }) => sum),
        currency,
      ),
      receiptItem(head.receiptId),
    ),
    ...head.to.map(({ itemId, sum }) => credit(R, sum, openItem(itemId))),
  ]);
}

/**
 * What a payer gave on top of the invoices, as agreed: U; surcharges.
 * @example an invoice of 100.00 paid with 103.00, 3 % agreed: U 3.00; surcharges 3.00, beside U
 * 100.00; R 100.00
 */
export function postSurcharge(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("surcharge", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "surcharges" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** A receipt that is no payment of an invoice but other income: U; other income. */
export function postOtherIncome(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("other_income", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "other" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** Money of another business, set aside with a reason: U; parked. */
export function postSetAside(head: Head & { receiptId: number; sum: Sum }): EntryDraft {
  return entry("park", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "parked" }, head.sum, receiptItem(head.receiptId)),
  ]);
}

/** The mirror of an entry: every line with its sign turned, dated `on`. */
export function postReversal(of: Omit<EntryDraft, "event" | "postedOn">, on: Day): EntryDraft {
  return {
    ...of,
    event: "reversal",
    postedOn: on,
    lines: of.lines.map((line) => ({ ...line, sum: negated(line.sum) })),
  };
}
