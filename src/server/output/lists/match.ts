import { z } from "zod";

import { type HandRow, type MatchRow, QUEUES } from "@/contracts/match";
import { type Currency, toDecimal } from "@/core/money";
import { matchQueue } from "@/server/match/queries/match";
import { onHand } from "@/server/match/queries/onHand";

import { defineSheet } from "../defineSheet";

type ListedReceipt = Omit<MatchRow, "lookAgainst" | "leftOver" | "confidence">;

/** Money on hand has its home already: it waits for the bank, alone or in a deposit. */
const listedByHand = (row: HandRow, currency: Currency, look: string): ListedReceipt => ({
  id: row.id,
  paidOn: row.paidOn,
  method: row.what,
  from: row.from,
  memo: row.memo,
  best: "",
  look,
  amount: row.amount,
  currency,
});

export const matchList = defineSheet({
  name: "match",
  query: z.object({
    queue: z.enum([...QUEUES, "hand"]).default("check"),
    sort: z.string().catch("paid"),
  }),
  rows: ({ db, proposals, query, currency }): readonly ListedReceipt[] => {
    if (query.queue !== "hand")
      return matchQueue(db, proposals, { queue: query.queue, sort: query.sort, currency }).rows;
    const { rows, deposits } = onHand(db);
    return [
      ...rows.map((row) => listedByHand(row, currency, "on hand")),
      ...deposits.flatMap((deposit) =>
        deposit.rows.map((row) =>
          listedByHand(row, currency, `in the deposit of ${deposit.onDay}`),
        ),
      ),
    ];
  },
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
