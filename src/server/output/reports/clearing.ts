import { toDecimal } from "@/core/money";
import { clearingAsOf } from "@/db/clearing";

import { defineSheet } from "../defineSheet";
import { aPeriod } from "../queries";

export const clearingReport = defineSheet({
  name: "clearing",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => clearingAsOf(db, asOf),
  columns: {
    processor_account: (item) => item.processorAccount,
    kind: (item) => item.kind,
    external_id: (item) => item.externalId,
    occurred_on: (item) => item.occurredOn,
    currency: (item) => item.currency,
    amount: (item) => toDecimal(item.amount, item.currency),
    book_amount: (item, { sum }) => sum(item.book),
    payout_id: (item) => item.payout ?? "",
    posted_on: (item) => item.postedOn,
  },
});
