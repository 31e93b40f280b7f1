import { type Bucket, BUCKETS } from "@/core/metrics";
import { type AgingRow, agingRows } from "@/server/reports/queries/ages";

import { columnsFor, defineSheet, type SheetCell } from "../defineSheet";
import { aPeriod, type Period } from "../queries";

const bucketCell =
  (bucket: Bucket): SheetCell<AgingRow, Period> =>
  (row, { sum }) =>
    sum(row.aging[bucket]);

export const agingReport = defineSheet({
  name: "aging",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => agingRows(db, asOf).rows,
  columns: {
    customer_id: (row) => row.externalId,
    customer: (row) => row.customer,
    currency: (_row, { currency }) => currency,
    ...columnsFor(BUCKETS, bucketCell),
    total: (row, { sum }) => sum(row.aging.total),
    credit: (row, { sum }) => sum(row.credit),
  },
});
