import { toDecimal } from "@/core/money";
import { journalBetween } from "@/db/journalPages";

import { defineSheet } from "../defineSheet";
import { aPeriod } from "../queries";

export const journalReport = defineSheet({
  name: "journal",
  query: aPeriod,
  rows: ({ db, query: { from, to } }) => journalBetween(db, from, to),
  columns: {
    entry_id: (line) => String(line.entryId),
    posted_on: (line) => line.postedOn,
    event: (line) => line.event,
    document: (line) => line.document,
    party: (line) => line.party ?? "",
    account_code: (line) => line.code,
    account_name: (line) => line.name,
    account_role: (line) => line.role,
    currency: (line) => line.currency,
    amount: (line) => toDecimal(line.amount, line.currency),
    book_amount: (line, { sum }) => sum(line.bookAmount),
    reverses: (line) => (line.reverses === null ? "" : String(line.reverses)),
  },
});
