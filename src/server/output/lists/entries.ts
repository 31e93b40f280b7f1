import { z } from "zod";

import { ENTRY_EVENTS } from "@/core/ledger";
import { entryPage } from "@/db/journalPages";
import { monthOrAll } from "@/server/books/queries/journalPage";

import { defineSheet } from "../defineSheet";
import { ALL, searched } from "../queries";

/** The journal an entry a row, as it is searched; its lines are the report of that name. */
export const entriesList = defineSheet({
  name: "entries",
  query: z.object({
    event: z.enum(["", ...ENTRY_EVENTS]).default(""),
    q: searched,
    month: z.string().catch(""),
  }),
  rows: ({ db, query: { event, q, month } }) =>
    entryPage(db, {
      ...monthOrAll(month),
      event: event === "" ? null : event,
      text: q,
      limit: ALL,
      offset: 0,
    }).rows,
  columns: {
    entry_id: (row) => String(row.id),
    posted_on: (row) => row.postedOn,
    event: (row) => row.event,
    document: (row) => row.document,
    party: (row) => row.party ?? "",
    amount: (row, { sum }) => sum(row.sum),
    reverses: (row) => (row.reverses === null ? "" : String(row.reverses)),
  },
});
