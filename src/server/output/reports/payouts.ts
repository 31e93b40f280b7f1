import { add, type Minor, toDecimal } from "@/core/money";
import { type PayoutListed, payoutsBetween } from "@/db/payouts";

import { defineSheet } from "../defineSheet";
import { aPeriod } from "../queries";

/** A sum of a payout, in its own currency; empty where there is none. */
const own = (value: Minor | null, { currency }: PayoutListed): string =>
  value === null ? "" : toDecimal(value, currency);

/** Bank amount less net; null while no line is tied. */
const offBy = ({ bankAmount, net }: PayoutListed): Minor | null =>
  bankAmount === null ? null : add(bankAmount, -net);

export const payoutsReport = defineSheet({
  name: "payouts",
  query: aPeriod,
  rows: ({ db, query: { from, to } }) => payoutsBetween(db, from, to),
  columns: {
    payout_id: (payout) => payout.externalId,
    processor_account: (payout) => payout.processorAccount,
    paid_on: (payout) => payout.paidOn,
    currency: (payout) => payout.currency,
    charges: (payout) => own(payout.charges, payout),
    fees: (payout) => own(payout.fees, payout),
    refunds: (payout) => own(payout.refunds, payout),
    disputes: (payout) => own(payout.disputes, payout),
    other: (payout) => own(payout.other, payout),
    net: (payout) => own(payout.net, payout),
    bank_line: (payout) => payout.bankLine ?? "",
    bank_amount: (payout) => own(payout.bankAmount, payout),
    off_by: (payout) => own(offBy(payout), payout),
  },
});
