import { feeCheck, feesAsked } from "@/server/payouts/queries/fees";

import { defineSheet } from "../defineSheet";

export const feesList = defineSheet({
  name: "fees",
  query: feesAsked,
  rows: ({ db, today, query }) => feeCheck(db, today, query).lines,
  columns: {
    processor_account: (line) => line.account,
    charge: (line) => line.externalId,
    settled_on: (line) => line.on,
    method: (line) => line.method,
    payer: (line) => line.payer,
    amount: (line, { sum }) => sum(line.amount),
    fee: (line, { sum }) => sum(line.fee),
    agreed_fee: (line, { sum }) => (line.expected === null ? "" : sum(line.expected)),
    too_much: (line, { sum }) => sum(line.off),
  },
});
