// src/db/fileFailure.ts
var FAILURES = [
  [/^SQLITE_(?:BUSY|LOCKED)/, "book.locked"],
  [/^SQLITE_(?:CORRUPT|NOTADB)/, "book.unreadable"],
  [/^(?:SQLITE_FULL|SQLITE_IOERR_WRITE|ENOSPC|EDQUOT|EFBIG)$/, "disk.full"],
  [/^SQLITE_(?:READONLY|CANTOPEN|PERM)/, "book.rights"],
  [/^(?:EACCES|EROFS|EPERM)$/, "book.rights"],
  [/^(?:SQLITE_IOERR|EIO)/, "disk.failed"],
  [/^EISDIR$/, "file.folder"],
  [/^(?:ENOENT|ENOTDIR|ENAMETOOLONG)$/, "file.place"]
];
function failureOfFile(error) {
  const { code, path } = error ?? {};
  const found = FAILURES.find(([pattern]) => typeof code === "string" && pattern.test(code));
  if (!found) return null;
  return { code: found[1], ...typeof path === "string" ? { path } : {} };
}
function withFiles(work, facts = {}) {
  try {
    return work();
  } catch (error) {
    const failure = failureOfFile(error);
    if (failure === null) throw error;
    return { ok: false, error: { ...failure, ...facts } };
  }
}

export {
  failureOfFile,
  withFiles
};
