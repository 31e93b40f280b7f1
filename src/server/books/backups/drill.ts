import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { DrillResult } from "@/contracts/books";
import { fail, ok, type Result } from "@/core/result";

import { proofInWords } from "../queries/proofs";
import { examine } from "./examine";
import { keptBackups } from "./kept";

/** Restores the last backup of a book into a scratch folder, and proves what comes out. Error backup.none. */
export function drill(book: string): Result<DrillResult> {
  const [last] = keptBackups(book);
  if (last === undefined) return fail("backup.none", { book });
  const folder = mkdtempSync(join(tmpdir(), "dozo-drill-"));
  try {
    const scratch = join(folder, "book.sqlite");
    copyFileSync(last.file, scratch);
    const examined = examine(scratch);
    if (!examined.ok) return { ok: false, error: { ...examined.error, path: last.file } };
    const { report, trail } = examined.value;
    const { proofs } = report;
    return ok({
      at: last.at,
      proofs: proofs.length,
      head: trail.head,
      broken: [
        ...proofs.filter(({ holds }) => !holds).map(({ name }) => proofInWords(name).what),
        ...(trail.problem === null ? [] : [trail.problem]),
      ],
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
