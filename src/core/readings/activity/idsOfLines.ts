import { plainWords } from "@/core/formats";

import type { Reading } from "../canonical";
import type { Row } from "../cells";

/** The id of a refund or a dispute by its own column, with what names the charge that it is of. */
export const ownId = (
  { cells }: Reading,
  row: Row,
  { idHead, of = "" }: { idHead: string | null; of: string | undefined },
): Record<string, string> =>
  idHead === null
    ? {}
    : {
        relatedId: cells.of(row, "relatedId") || of,
        id: (row.cells[cells.file.table.headers.indexOf(idHead)] ?? "").trim(),
      };

/** A charge goes by what its refunds name, where a column of charges says that beside an id of each line. */
export function chargeId({ cells }: Reading, row: Row): Record<string, string> {
  const charge = cells.of(row, "relatedId");
  const isNamed = /^charge(?: id)?$/.test(plainWords(cells.head("relatedId")));
  return isNamed && charge !== "" && cells.has("id") ? { id: charge, relatedId: "" } : {};
}
