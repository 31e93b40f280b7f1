import type { Failure, Result } from "@/core/result";

/** What the errors of SQLite and of the operating system say of a file, the first that fits. */
const FAILURES: readonly (readonly [RegExp, string])[] = [
  [/^SQLITE_(?:BUSY|LOCKED)/, "book.locked"],
  [/^SQLITE_(?:CORRUPT|NOTADB)/, "book.unreadable"],
  [/^(?:SQLITE_FULL|SQLITE_IOERR_WRITE|ENOSPC|EDQUOT|EFBIG)$/, "disk.full"],
  [/^SQLITE_(?:READONLY|CANTOPEN|PERM)/, "book.rights"],
  [/^(?:EACCES|EROFS|EPERM)$/, "book.rights"],
  [/^(?:SQLITE_IOERR|EIO)/, "disk.failed"],
  [/^EISDIR$/, "file.folder"],
  [/^(?:ENOENT|ENOTDIR|ENAMETOOLONG)$/, "file.place"],
];

/**
 * What a failure of the file itself is called: damage, a full disk, missing rights, a folder where a
 * file is meant; null for any other.
 */
export function failureOfFile(error: unknown): Failure | null {
  const { code, path } = (error ?? {}) as { code?: unknown; path?: unknown };
  const found = FAILURES.find(([pattern]) => typeof code === "string" && pattern.test(code));
  if (!found) return null;
  return { code: found[1], ...(typeof path === "string" ? { path } : {}) };
}

/** Does something with files, and gives what failed of them as a value, with its facts. */
export function withFiles<T>(
  work: () => Result<T>,
  facts: Readonly<Record<string, string>> = {},
): Result<T> {
  try {
    return work();
  } catch (error) {
    const failure = failureOfFile(error);
    if (failure === null) throw error;
    return { ok: false, error: { ...failure, ...facts } };
  }
}
