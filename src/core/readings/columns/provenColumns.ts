import type { FileKind, Table } from "@/core/formats";

import { activityProof } from "./activityProof";
import { adviceProof } from "./adviceProof";
import { invoiceProof } from "./invoiceProof";
import { type Columns, Sheet } from "./sheet";
import { statementProof } from "./statementProof";
import { MARKS } from "../sums/marks";

/**
 * Columns that no name gave a field, or that a name gave to a field of another, and that the sums of
 * the file prove: what is left of gross after the fees is the net, whatever the columns are called;
 * what goes on from line to line by the sums is the balance.
 */
export function provenColumns(
  table: Table,
  kind: FileKind,
  columns: Columns,
): Columns & Record<string, string> {
  if (table.kind !== undefined) return { ...columns };
  for (const mark of MARKS) {
    const found = PROOFS[kind]?.(new Sheet(table, columns, mark)) ?? null;
    if (found !== null)
      return Object.fromEntries(
        Object.entries({ ...columns, ...found }).filter(([, head]) => head !== ""),
      );
  }
  return { ...columns };
}

const PROOFS: Partial<Record<FileKind, (sheet: Sheet) => Columns | null>> = {
  processor: activityProof,
  bank: statementProof,
  invoices: invoiceProof,
  remittance: adviceProof,
};
