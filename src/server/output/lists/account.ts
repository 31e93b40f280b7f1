import { z } from "zod";

import { accountLines } from "@/db/journalPages";

import { defineSheet } from "../defineSheet";
import { ALL, asDay, numbered } from "../queries";

export const accountList = defineSheet({
  name: "account",
  query: z.object({ account: numbered, "as-of": asDay }),
  rows: ({ db, today, query }) =>
    accountLines(db, {
      accountId: query.account,
      asOf: query["as-of"] ?? today,
      limit: ALL,
      offset: 0,
    }),
  columns: {
    posted_on: (row) => row.postedOn,
    entry_id: (row) => String(row.entryId),
    event: (row) => row.event,
    document: (row) => row.document,
    party: (row) => row.party ?? "",
    amount: (row, { sum }) => sum(row.bookAmount),
    balance: (row, { sum }) => sum(row.running),
  },
});
