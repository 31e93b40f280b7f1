import { expectedPage } from "@/server/payouts/queries/returnsAndDisputes";

import { defineSheet } from "../defineSheet";
import { noQuery } from "../queries";

/** What should reach the bank, and when. */
export const expectedList = defineSheet({
  name: "expected",
  query: noQuery,
  rows: ({ db, today }) => expectedPage(db, today).rows,
  columns: {
    expected_on: (row) => row.on,
    what: (row) => row.what,
    processor_account: (row) => row.account,
    taken_from: (row) => row.from ?? "",
    taken_to: (row) => row.to ?? "",
    sum: (row, { sum }) => sum(row.sum),
    late: (row) => (row.late ? "yes" : ""),
  },
});
