import { FIELDS } from "@/core/formats";

import type { Cells } from "../cells";

/** Fields of sums that have a column in the file. */
export const sumFields = (cells: Cells): string[] =>
  FIELDS[cells.file.kind]
    .filter(({ type, field }) => type === "amount" && cells.has(field))
    .map(({ field }) => field);
