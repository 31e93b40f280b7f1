import { z } from "zod";

import { bankLinePage } from "@/db/bank";
import { BANK_LINE_STATES } from "@/server/arrivals/queries/arrivalsPage";

import { defineSheet } from "../defineSheet";
import { ALL, searched } from "../queries";

export const bankLinesList = defineSheet({
  name: "bank-lines",
  query: z.object({ state: z.enum(BANK_LINE_STATES).nullable().catch(null), q: searched }),
  rows: ({ db, query: { state, q } }) =>
    bankLinePage(db, { state, text: q, limit: ALL, offset: 0 }).rows,
  columns: {
    posted_on: (row) => row.postedOn,
    description: (row) => row.description,
    amount: (row, { sum }) => sum(row.amount),
    state: (row) => row.state,
  },
});
