import { z } from "zod";

import { journalFileSheet } from "@/server/books/queries/journalFile";
import { payingSheet } from "@/server/customers/queries/paying";
import { agesAsked, agesSheet } from "@/server/reports/queries/ages";

import { defineFreeSheet } from "../defineSheet";
import { numbered } from "../queries";

/** An aging in steps of one's own: a column for each. */
export const agesList = defineFreeSheet({
  name: "ages",
  query: z.record(z.string(), z.string()),
  sheet: ({ db, settings, today, query }) =>
    agesSheet(db, agesAsked(new URLSearchParams(query), settings, today)),
});

/** How a customer pays. */
export const payingList = defineFreeSheet({
  name: "paying",
  query: z.object({ customer: numbered }),
  sheet: ({ db, today, query }) => payingSheet(db, query.customer, today),
});

/** A journal file that was made for another ledger, in that ledger's own columns. */
export const journalFileList = defineFreeSheet({
  name: "journal-file",
  query: z.object({ id: numbered }),
  sheet: ({ db, query }) =>
    journalFileSheet(db, query.id) ?? { columns: ["there is no such file"], rows: [] },
});
