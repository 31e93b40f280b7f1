import type { ProofReport } from "@/core/ledger";
import { readSettings } from "@/db/settings";

import { todayOf } from "../context";
import { overdueRows, type MaybeFrom } from "../queries/overdue";
import { proofs } from "../queries/proofs";
import { countedOf, type Counted } from "../queries/shell";
import { taskBook } from "./taskBook";

/** Every proof of a book, and what is left at each station. */
export type Count = { report: ProofReport; counted: Counted };

/** Reckons them anew in a thread of the pool, so that no page waits for it. */
export default function count({
  book,
  maybe,
}: {
  book: string;
  maybe: readonly MaybeFrom[];
}): Count {
  const db = taskBook(book);
  const report = proofs(db);
  return {
    report,
    counted: countedOf(db, book, report, overdueRows(db, todayOf(readSettings(db)), maybe)),
  };
}
