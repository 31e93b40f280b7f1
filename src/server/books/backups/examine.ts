import { rmSync } from "node:fs";

import type { TrailProof } from "@/contracts/books";
import type { ProofReport } from "@/core/ledger";
import { fail, ok, type Result } from "@/core/result";
import { damage } from "@/db/copy";
import type { Db } from "@/db/connection";
import { withFiles } from "@/db/fileFailure";
import { holdOf, openToRead } from "@/db/opening";

import { proofs } from "../queries/proofs";
import { proveBookTrail } from "../trail/bookTrail";

/** What a copy of a book is worth: whose it is, and whether its proofs hold. */
export type Examined = { id: string; report: ProofReport; trail: TrailProof };

/**
 * Opens a file as a book and looks at every page and every proof of it. Errors: book.damaged with
 * the place, and all that opening a book may fail with.
 */
export function examine(path: string): Result<Examined> {
  const opened = openToRead(path);
  if (!opened.ok) return opened;
  const examined = lookThrough(opened.value);
  opened.value.close();
  return examined;
}

/** Every page of an open book's file, then every proof of it. */
export function lookThrough(db: Db): Result<Examined> {
  return withFiles(() => {
    const [where] = damage(db);
    if (where !== undefined) return fail("book.damaged", { where });
    return ok({ id: db.bookId(), report: proofs(db), trail: proveBookTrail(db) });
  });
}

/** Takes away a file of a book with what SQLite and holds leave beside it. */
export function removeFile(path: string): void {
  for (const rest of ["", "-wal", "-shm", "-journal"]) rmSync(`${path}${rest}`, { force: true });
  rmSync(holdOf(path), { force: true });
}
