import { createHash } from "node:crypto";
import { readFileSync, statSync } from "node:fs";

import type { Db } from "@/db/connection";
import { wasTakenIn } from "@/db/files";
import { arrivedFile, arrivedFiles } from "@/server/runtime/folders";

/**
 * Hashes of files that lie in a book's folder of arrivals, kept by size and time so that a page
 * does not read them again.
 */
const hashes = new Map<string, { stamp: string; sha256: string }>();

function hashOf(path: string): string {
  const { size, mtimeMs } = statSync(path);
  const stamp = `${size} ${mtimeMs}`;
  const known = hashes.get(path);
  if (known?.stamp === stamp) return known.sha256;
  const sha256 = createHash("sha256").update(readFileSync(path)).digest("hex");
  hashes.set(path, { stamp, sha256 });
  return sha256;
}

/**
 * Files that wait to be taken in: those in the folder of arrivals whose content was not taken in
 * yet, by whatever way.
 */
export function waitingFiles(db: Db, book: string): string[] {
  return arrivedFiles(book).filter((name) => !wasTakenIn(db, hashOf(arrivedFile(book, name))));
}
