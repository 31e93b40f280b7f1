import { type FeeKind } from "@/core/activity/index";
import { credit, debit, type EntryDraft, type Sum, total } from "./entry";
import { bank, entry, H, type Head, receiptItem } from "./roles";

/**
 * Receipts by hand that went to the bank together, on their one line: B; H.
 * @example two checks of 25.00 and 40.00: B 65.00; H 25.00, H 40.00
 */
export function postDeposited(
  head: Head & {
    bank: string;
    bankLineId: number;
    receipts: readonly { receiptId: number; sum: Sum }[];
  },
): EntryDraft {
  const currency = head.receipts[0]?.sum.currency;
  if (!currency) throw new RangeError("a deposit has at least one receipt");
  return entry("deposit", head, [
    debit(
      bank(head.bank),
      total(
        head.receipts.map(({ sum }) => sum),
        currency,
      ),
      { kind: "bank_line", id: head.bankLineId },
    ),
    ...head.receipts.map(({ receiptId, sum }) => credit(H, sum, receiptItem(receiptId))),
  ]);
}

/** A fee that the bank took on a line of its own: F by kind; B. */
export function postBankFee(
  head: Head & { bank: string; bankLineId: number; kind: FeeKind; sum: Sum },
): EntryDraft {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
  ]);
}

/** A bank line that is not of this job (payroll, rent, interest), at its effect on the bank: B; elsewhere. */
export function postElsewhere(
  head: Head & { bank: string; bankLineId: number; account?: string; sum: Sum },
): EntryDraft {
  return entry("elsewhere", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(
      head.account === undefined ? { role: "elsewhere" } : { role: "elsewhere", of: head.account },
      head.sum,
    ),
  ]);
}
