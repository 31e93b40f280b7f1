import { createHash, randomUUID } from "node:crypto";
import { writeFileSync } from "node:fs";

import { type FileKind, formatOf, guessMapping, type MappingSpec } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { wasTakenIn } from "@/db/files";
import type { DoCommand } from "@/server/paying/payNow";
import { keptFile } from "@/server/runtime/folders";

/** A file that is told and not sent by a person: what it is, and how its sums are written, is known. */
export type Told = {
  kind: FileKind;
  name: string;
  text: string;
  account: string | null;
  mapping?: Partial<MappingSpec>;
};

type Into = { book: string; db: Db; run: DoCommand };

/**
 * Takes in what is told, as a file that stays with the book; the same once. Errors: those of a file
 * that cannot be read, and told.refused where a line was not taken.
 */
export async function takeTold(
  { book, db, run }: Into,
  { kind, name, text, account, mapping }: Told,
): Promise<Result<null>> {
  const table = formatOf(text).read(text);
  if (!table.ok) return table;
  const bytes = Buffer.from(text);
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  if (wasTakenIn(db, sha256)) return ok(null);
  writeFileSync(keptFile(book, sha256), bytes);
  const read = { ...guessMapping(table.value, kind), ...mapping };
  const file = { sha256, name, size: bytes.length, mapping: read, account };
  const report = await run("importFile", file, randomUUID());
  if (!report.ok) return report;
  // What is told otherwise than before is taken over, or waits in the tray for a person.
  const refused = report.value.refused.find(({ changed }) => !changed);
  return refused
    ? fail("told.refused", { name, line: refused.line, why: refused.reason })
    : ok(null);
}
