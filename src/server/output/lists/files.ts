import { importFilePage } from "@/db/files";

import { defineSheet } from "../defineSheet";
import { ALL, noQuery } from "../queries";

export const filesList = defineSheet({
  name: "files",
  query: noQuery,
  rows: ({ db }) => importFilePage(db, ALL, 0).rows,
  columns: {
    imported_at: (row) => row.importedAt,
    name: (row) => row.name,
    kind: (row) => row.kind,
    new: (row) => String(row.rowsNew),
    known: (row) => String(row.rowsKnown),
    changed: (row) => String(row.rowsChanged),
    refused: (row) => String(row.rowsRefused),
    sha256: (row) => row.sha256,
  },
});
