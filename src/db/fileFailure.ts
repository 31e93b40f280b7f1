import type { Failure, Result } from "@/core/result";

/** What the errors of SQLite and of the operating system say of a file, the first that fits. */
const FAILURES: readonly (readonly [RegExp, string])[] = [
  [/^SQLITE_(?:BUSY|LOCKED)/, "book.locked"],
  [/^SQLITE_(?:CORRUPT|NOTADB)/, "book.unreadable"],
  [/^(?:SQLITE_FULL|SQLITE_IOERR_WRITE|ENOSPC|EDQUOT|EFBIG)$/, "disk.full"],
  [/^SQLITE_(?:READONLY|CANTOPEN|PERM)/, "book.rights"],
  [/^(?:EACCES|EROFS|EPERM)$/, "book.rights"],
  [/^(?:SQLITE_IOERR|EIO)/, "disk.failed"],
];

/** What a failure of the file itself is called: damage, a full disk, missing rights; null for any other. */
export function failureOfFile(error: unknown): Failure | null {
  const code = typeof error === "object" && error !== null && "code" in error ? error.code : "";
  const found = FAILURES.find(([pattern]) => typeof code === "string" && pattern.test(code));
  return found ? { code: found[1] } : null;
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
