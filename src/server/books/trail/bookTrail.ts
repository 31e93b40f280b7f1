import type { TrailProof } from "@/contracts/books";
import type { Db } from "@/db/connection";
import { firstRecord, laterRecords, rowsNow, strays } from "@/db/trailRecords";

import { proveTrail, type TrailSource } from "./proveTrail";

/** The history of a book. */
export function trailOf(db: Db): TrailSource {
  const first = firstRecord(db);
  return {
    first,
    later: first ? laterRecords(db, first.command.id) : [],
    rows: rowsNow(db),
    strays: strays(db),
  };
}

/** Proves the audit trail of a book from its own rows. */
export const proveBookTrail = (db: Db): TrailProof => proveTrail(trailOf(db));
