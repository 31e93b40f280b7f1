import type { CountedFacts } from "@/contracts/shell";
import type { ProofReport } from "@/core/ledger";
import { readSettings } from "@/db/settings";
import { proofs } from "@/server/books/queries/proofs";
import { countedOf } from "@/server/books/queries/shell";
import { type MaybeFrom } from "@/server/overdue/queries/groupFacts";
import { overdueRows } from "@/server/overdue/queries/overdue";

import { todayOf } from "../context";
import { taskBook } from "./taskBook";

/** Every proof of a book, and what is left at each station. */
export type Count = { report: ProofReport; counted: CountedFacts };

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
