import type { TrailProof } from "@/contracts/books";
import type { Db } from "@/db/connection";
import {
  firstRecord,
  lastDigest,
  laterRecords,
  missingRow,
  rowsNow,
  strays,
} from "@/db/trailRecords";

import { proveTrail, type TrailSource } from "./proveTrail";

/** The history of a book. */
export function trailOf(db: Db): TrailSource {
  const first = firstRecord(db);
  return {
    first,
    later: first ? laterRecords(db, first.command.id) : [],
    rows: rowsNow(db),
    strays: strays(db),
    // Looked up one by one: a large book has more rows than should be held in memory.
    kept: {
      note: () => undefined,
      of: (place, key) => lastDigest(db, place, key),
      missing: () => missingRow(db),
    },
  };
}

/** Proves the audit trail of a book from its own rows. */
export const proveBookTrail = (db: Db): TrailProof => proveTrail(trailOf(db));
