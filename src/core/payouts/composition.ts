import { PROCESSOR_ITEM_KINDS, type ProcessorItemKind } from "../activity";
import { addBankingDays, type Day } from "../calendar";
import { add, minor, type Minor } from "../money";

/** The sum line of a payout. What lowers the net is negative; the five sum to net. */
export type PayoutComposition = {
  readonly charges: Minor;
  readonly fees: Minor;
  readonly refunds: Minor;
  readonly disputes: Minor;
  readonly other: Minor;
  readonly net: Minor;
};

/**
 * Adds up a payout's items by column. @example a charge of 100.00 and its fee of -3.20: charges
 * 100.00, fees -3.20, net 96.80
 */
export function payoutComposition(
  items: readonly { readonly kind: ProcessorItemKind; readonly amount: number }[],
): PayoutComposition {
  const sums = { charges: 0, fees: 0, refunds: 0, disputes: 0, other: 0 };
  for (const { kind, amount } of items) sums[PROCESSOR_ITEM_KINDS[kind].column] += amount;
  const { charges, fees, refunds, disputes, other } = sums;
  return {
    charges: minor(charges),
    fees: minor(fees),
    refunds: minor(refunds),
    disputes: minor(disputes),
    other: minor(other),
    net: add(charges, fees, refunds, disputes, other),
  };
}

/**
 * The banking day on which a payout should stand on the statement: the day it was paid, or the next
 * banking day.
 */
export function expectedAtBank(paidOn: Day): Day {
  return addBankingDays(paidOn, 0);
}
