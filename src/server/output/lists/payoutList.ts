import { z } from "zod";

import { endOfMonth } from "@/core/calendar";
import { type Minor, toDecimal } from "@/core/money";
import { payoutViews, type PayoutView } from "@/server/payouts/queries/payouts";

import { defineSheet } from "../defineSheet";
import { monthOr } from "../queries";

/** A sum of a payout in its own currency; empty where there is none. */
const own = (value: Minor | null, { currency }: PayoutView): string =>
  value === null ? "" : toDecimal(value, currency);

/** The payouts of a month and all that are not tied, as the page shows them. */
export const payoutList = defineSheet({
  name: "payout-list",
  query: z.object({ month: z.string().catch(""), show: z.enum(["", "open"]).default("") }),
  rows: ({ db, today, query: { month, show } }) => {
    const from = monthOr(month, today);
    return payoutViews(db, from, endOfMonth(from)).filter(
      (view) => show !== "open" || view.shown !== "tied",
    );
  },
  columns: {
    payout_id: (row) => row.externalId,
    processor_account: (row) => row.processorName,
    paid_on: (row) => row.paidOn,
    expected_on: (row) => row.expectedOn,
    state: (row) => row.shown,
    currency: (row) => row.currency,
    charges: (row) => own(row.charges, row),
    fees: (row) => own(row.fees, row),
    refunds: (row) => own(row.refunds, row),
    disputes: (row) => own(row.disputes, row),
    other: (row) => own(row.other, row),
    net: (row) => own(row.net, row),
    off_by: (row) => own(row.offBy, row),
  },
});
