import { z } from "zod";

import { toDecimal } from "@/core/money";
import { matchQueue, QUEUES } from "@/server/match/queries/match";

import { defineSheet } from "../defineSheet";

export const matchList = defineSheet({
  name: "match",
  query: z.object({ queue: z.enum(QUEUES).catch("check"), sort: z.string().catch("paid") }),
  rows: ({ db, proposals, query, currency }) =>
    matchQueue(db, proposals, { queue: query.queue, sort: query.sort, currency }).rows,
  columns: {
    receipt_id: (row) => String(row.id),
    paid_on: (row) => row.paidOn,
    method: (row) => row.method,
    payer: (row) => row.from,
    memo: (row) => row.memo,
    best_reading: (row) => row.best,
    look_at: (row) => row.look,
    amount: (row) => toDecimal(row.amount, row.currency),
    currency: (row) => row.currency,
  },
});
