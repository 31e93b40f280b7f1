import { z } from "zod";

import { customerPage } from "@/db/customers";

import { defineSheet } from "../defineSheet";
import { ALL, searched } from "../queries";

export const customersList = defineSheet({
  name: "customers",
  query: z.object({ q: searched }),
  rows: ({ db, query }) =>
    customerPage(db, { text: query.q, order: "name", limit: ALL, offset: 0 }).rows,
  columns: {
    customer_id: (row) => row.externalId,
    customer: (row) => row.name,
    email: (row) => row.email ?? "",
    open: (row, { sum }) => sum(row.open),
    credit: (row, { sum }) => sum(row.credit),
  },
});
