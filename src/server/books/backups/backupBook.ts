import { copyFileSync, existsSync, mkdtempSync, realpathSync, renameSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve, sep } from "node:path";

import { fail, ok, type Result } from "@/core/result";
import { copyInto } from "@/db/copy";
import type { Db } from "@/db/connection";
import { withFiles } from "@/db/fileFailure";
import { openToRead } from "@/db/opening";
import { openBookToRead } from "@/server/runtime/books";
import { bookFile, dataFolder } from "@/server/runtime/folders";

import { proofInWords } from "../queries/proofs";
import { type Examined, examine, removeFile } from "./examine";

/**
 * A copy of a book, looked at before it takes its name: every page of the file and every proof.
 * What is there already stays as it was until then, and where the copy is not whole it stays for
 * good. Where proofs of the book are broken the copy is kept under `.broken`, beside the last good
 * one. Errors: backup.inside, backup.exists, backup.folder, backup.broken, and those of opening.
 */
export function backupBook(
  book: string,
  out: string,
  { over = false }: { over?: boolean } = {},
): Result<{ file: string }> {
  const target = resolve(out);
  if (!existsSync(dirname(target))) return fail("backup.folder", { path: dirname(target) });
  if (isInside(target, dataFolder())) return fail("backup.inside", { path: target });
  if (existsSync(target) && !over) return fail("backup.exists", { path: target });
  const part = `${target}.part`;
  try {
    return withFiles(() => proven(book, part, target), { book });
  } finally {
    removeFile(part);
  }
}

/** Takes the copy aside, looks at it, and gives it its name. */
function proven(book: string, part: string, target: string): Result<{ file: string }> {
  removeFile(part);
  const copied = copyOf(book, part);
  if (!copied.ok) return copied;
  const examined = examine(part);
  if (!examined.ok) return examined;
  const broken = brokenIn(examined.value);
  renameSync(part, broken ? `${target}.broken` : target);
  return broken === null
    ? ok({ file: target })
    : fail("backup.broken", { proof: broken, path: `${target}.broken` });
}

/** What does not hold in a copy; null where all does. */
function brokenIn({ report, trail }: Examined): string | null {
  const broken = report.proofs.find(({ holds }) => !holds);
  return broken ? proofInWords(broken.name).what : trail.problem;
}

/** Whether a path lies in a folder, by whatever links it is reached. */
function isInside(path: string, folder: string): boolean {
  if (!existsSync(folder)) return false;
  return `${realpathSync(dirname(path))}${sep}`.startsWith(`${realpathSync(folder)}${sep}`);
}

function copyOf(book: string, part: string): Result<null> {
  const opened = openBookToRead(book);
  if (opened.ok) return copied(opened.value, part);
  return opened.error.code === "book.rights" ? copiedElsewhere(book, part) : opened;
}

function copied(db: Db, part: string): Result<null> {
  try {
    copyInto(db, part);
    return ok(null);
  } finally {
    db.close();
  }
}

/** From a folder that cannot be written to, where SQLite cannot keep its notes: by way of another. */
function copiedElsewhere(book: string, part: string): Result<null> {
  const folder = mkdtempSync(join(tmpdir(), "dozo-backup-"));
  try {
    const there = join(folder, "book.sqlite");
    for (const rest of ["", "-wal"])
      if (existsSync(bookFile(book) + rest)) copyFileSync(bookFile(book) + rest, there + rest);
    const opened = openToRead(there);
    return opened.ok ? copied(opened.value, part) : opened;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
