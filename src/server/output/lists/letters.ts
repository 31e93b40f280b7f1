import { z } from "zod";

import { toDecimal } from "@/core/money";
import { proposedFees } from "@/server/overdue/queries/lateFees";
import { automaticRun, letterRun } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { writeOffsPage } from "@/server/overdue/queries/writeOffs";

import { defineSheet } from "../defineSheet";

/** The address of a page names its view; the files of a view take no other filter. */
const ofView = z.object({ show: z.string().optional() });

/** The letters of today, as they would go. */
export const lettersList = defineSheet({
  name: "letters",
  query: ofView,
  rows: ({ db, today, proposals }) =>
    letterRun(db, today, overdueRows(db, today, proposals)).letters,
  columns: {
    customer: (row) => row.name,
    says: (row) => row.step,
    ladder: (row) => row.ladder,
    to: (row) => row.to ?? "",
    subject: (row) => row.subject,
    sum: (row, { sum }) => sum(row.sum),
    problem: (row) => row.problem ?? "",
  },
});

/** What goes without a look next, with who was taken out. */
export const automaticLettersList = defineSheet({
  name: "automatic-letters",
  query: ofView,
  rows: ({ db, today, proposals }) =>
    automaticRun(db, today, (on) => overdueRows(db, on, proposals)).rows,
  columns: {
    customer: (row) => row.name,
    says: (row) => row.step,
    sum: (row, { sum }) => sum(row.sum),
    taken_out: (row) => row.why ?? "",
    problem: (row) => row.problem ?? "",
  },
});

/** Late fees that may be charged. */
export const lateFeesList = defineSheet({
  name: "late-fees",
  query: ofView,
  rows: ({ db, today, proposals }) => proposedFees(db, today, overdueRows(db, today, proposals)),
  columns: {
    customer: (row) => row.customer,
    invoice: (row) => row.number,
    due_on: (row) => row.dueOn,
    for: (row) => row.words,
    through: (row) => row.through,
    currency: (row) => row.currency,
    open: (row) => toDecimal(row.balance, row.balanceIn),
    fee: (row) => toDecimal(row.sum, row.currency),
  },
});

/** What was written off, and what was paid after all. */
export const writeOffsList = defineSheet({
  name: "write-offs",
  query: ofView,
  rows: ({ db }) => writeOffsPage(db).rows,
  columns: {
    on: (row) => row.on,
    customer: (row) => row.customer,
    what: (row) => row.words,
    why: (row) => row.why,
    by: (row) => row.by,
    currency: (row) => row.currency,
    sum: (row) => toDecimal(row.sum, row.currency),
    paid_after_all: (row) => (row.paid ? "yes" : ""),
  },
});
