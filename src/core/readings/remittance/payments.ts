import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { groupedBy } from "../grouped";

/** The lines of each payment that an advice is of: of one trace, payer, day and total. */
export const linesOfPayments = ({ cells }: Reading, rows: readonly Row[]): (readonly Row[])[] => [
  ...groupedBy(rows, (row) =>
    ["trace", "payerName", "paidOn", "total"].map((field) => cells.of(row, field)).join("|"),
  ).values(),
];
