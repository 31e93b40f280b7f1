import { toDecimal } from "@/core/money";
import { returnsAndDisputes } from "@/server/payouts/queries/returnsAndDisputes";

import { defineSheet } from "../defineSheet";
import { noQuery } from "../queries";

export const returnsList = defineSheet({
  name: "came-back",
  query: noQuery,
  rows: ({ db, today }) => returnsAndDisputes(db, today).rows,
  columns: {
    do_by: (row) => row.until ?? "",
    what: (row) => row.what,
    whose: (row) => row.from,
    says: (row) => row.words,
    came_back_on: (row) => row.on,
    sum: (row) => (row.sum === null ? "" : toDecimal(row.sum, row.currency)),
  },
});
