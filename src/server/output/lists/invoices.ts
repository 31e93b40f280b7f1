import { z } from "zod";

import { toDecimal } from "@/core/money";
import { openItemPage } from "@/db/openItemPages";
import { INVOICE_STATES } from "@/server/invoices/queries/invoicesPage";

import { defineSheet } from "../defineSheet";
import { ALL, searched } from "../queries";

export const invoicesList = defineSheet({
  name: "invoices",
  query: z.object({
    state: z.enum(INVOICE_STATES).catch("open"),
    q: searched,
    issued: searched,
  }),
  rows: ({ db, today, query: { state, q, issued } }) =>
    openItemPage(db, { state, today, text: q, issued, order: "i.issued_on", limit: ALL, offset: 0 })
      .rows,
  columns: {
    number: (row) => row.number,
    customer_id: (row) => row.externalId,
    customer: (row) => row.customer,
    issued_on: (row) => row.issuedOn,
    due_on: (row) => row.dueOn,
    total: (row) => toDecimal(row.total, row.currency),
    balance: (row) => toDecimal(row.balance, row.currency),
    po_number: (row) => row.poNumber ?? "",
    currency: (row) => row.currency,
    book_balance: (row, { sum }) => sum(row.bookBalance),
  },
});
