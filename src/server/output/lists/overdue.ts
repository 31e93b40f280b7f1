import { z } from "zod";

import { waitInWords } from "@/core/followup";
import { type Bucket, BUCKETS } from "@/core/metrics";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { OVERDUE_STATES } from "@/server/overdue/queries/overduePage";
import { type OverdueRow } from "@/server/overdue/queries/overdueRow";

import { columnsFor, defineSheet, type SheetCell } from "../defineSheet";

const bucketCell =
  (bucket: Bucket): SheetCell<OverdueRow, object> =>
  (row, { sum }) =>
    sum(row.aging[bucket]);

export const overdueList = defineSheet({
  name: "overdue",
  query: z.object({ state: z.enum(OVERDUE_STATES).nullable().catch(null) }),
  rows: ({ db, today, proposals, query: { state } }) =>
    overdueRows(db, today, proposals).filter((row) => state === null || row.state === state),
  columns: {
    customer_id: (row) => row.customer.externalId,
    customer: (row) => row.customer.name,
    state: (row) => row.state,
    ...columnsFor(BUCKETS, bucketCell),
    overdue: (row, { sum }) => sum(row.overdue),
    oldest_days: (row) => String(row.oldestDays),
    next_step: (row) => `${row.next.step.act} ${row.next.step.step}`,
    next_on: (row) => row.next.on,
    waits_for: (row, { currency }) =>
      row.waits.map((wait) => waitInWords(wait, currency)).join("; "),
  },
});
