import { toDecimal } from "@/core/money";
import { openItemsAsOf } from "@/db/openItemPages";

import { defineSheet } from "../defineSheet";
import { aPeriod } from "../queries";

export const openItemsReport = defineSheet({
  name: "open-items",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => openItemsAsOf(db, asOf),
  columns: {
    kind: (item) => item.kind,
    number: (item) => item.number,
    customer_id: (item) => item.externalId,
    customer: (item) => item.customer,
    issued_on: (item) => item.issuedOn,
    due_on: (item) => item.dueOn,
    currency: (item) => item.currency,
    total: (item) => toDecimal(item.total, item.currency),
    balance: (item) => toDecimal(item.ownBalance, item.currency),
    book_balance: (item, { sum }) => sum(item.asOfBalance),
  },
});
