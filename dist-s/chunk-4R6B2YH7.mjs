import {
  proveBookTrail
} from "./chunk-SUQBVPX2.mjs";
import {
  proofInWords,
  proofs
} from "./chunk-SJVNGOAI.mjs";
import {
  backupsFolder,
  bookFile,
  dataFolder,
  holdOf,
  openBookToRead,
  openToRead
} from "./chunk-HCLLIY37.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";
import {
  withFiles
} from "./chunk-VIXS4KXC.mjs";

// src/server/books/backups/examine.ts
import { rmSync } from "node:fs";

// src/db/copy.ts
function copyInto(db, path) {
  db.exec(`VACUUM INTO '${path.replaceAll("'", "''")}'`);
}
function damage(db) {
  return db.all("PRAGMA integrity_check(5)").map((row) => row.integrity_check).filter((words) => words !== "ok");
}
function becomeAnother(db) {
  db.run("UPDATE identity SET id = lower(hex(randomblob(16)))");
  db.run("UPDATE account_link SET token = lower(hex(randomblob(24)))");
}

// src/server/books/backups/examine.ts
function examine(path) {
  const opened = openToRead(path);
  if (!opened.ok) return opened;
  const examined = lookThrough(opened.value);
  opened.value.close();
  return examined;
}
function lookThrough(db) {
  return withFiles(() => {
    const [where] = damage(db);
    if (where !== void 0) return fail("book.damaged", { where });
    return ok({ id: db.bookId(), report: proofs(db), trail: proveBookTrail(db) });
  });
}
function removeFile(path) {
  for (const rest of ["", "-wal", "-shm", "-journal"]) rmSync(`${path}${rest}`, { force: true });
  rmSync(holdOf(path), { force: true });
}

// src/server/books/backups/backupBook.ts
import { copyFileSync, existsSync, mkdtempSync, realpathSync, renameSync, rmSync as rmSync2 } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join, resolve, sep } from "node:path";
function backupBook(book, out, { over = false } = {}) {
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
function proven(book, part, target) {
  removeFile(part);
  const copied2 = copyOf(book, part);
  if (!copied2.ok) return copied2;
  const examined = examine(part);
  if (!examined.ok) return examined;
  const broken = brokenIn(examined.value);
  renameSync(part, broken ? `${target}.broken` : target);
  return broken === null ? ok({ file: target }) : fail("backup.broken", { proof: broken, path: `${target}.broken` });
}
function brokenIn({ report, trail }) {
  const broken = report.proofs.find(({ holds }) => !holds);
  return broken ? proofInWords(broken.name).what : trail.problem;
}
function isInside(path, folder) {
  if (!existsSync(folder)) return false;
  return `${realpathSync(dirname(path))}${sep}`.startsWith(`${realpathSync(folder)}${sep}`);
}
function copyOf(book, part) {
  const opened = openBookToRead(book);
  if (opened.ok) return copied(opened.value, part);
  return opened.error.code === "book.rights" ? copiedElsewhere(book, part) : opened;
}
function copied(db, part) {
  try {
    copyInto(db, part);
    return ok(null);
  } finally {
    db.close();
  }
}
function copiedElsewhere(book, part) {
  const folder = mkdtempSync(join(tmpdir(), "dozo-backup-"));
  try {
    const there = join(folder, "book.sqlite");
    for (const rest of ["", "-wal"])
      if (existsSync(bookFile(book) + rest)) copyFileSync(bookFile(book) + rest, there + rest);
    const opened = openToRead(there);
    return opened.ok ? copied(opened.value, part) : opened;
  } finally {
    rmSync2(folder, { recursive: true, force: true });
  }
}

// src/server/books/backups/kept.ts
import { existsSync as existsSync2, mkdirSync, readdirSync, rmSync as rmSync3, statSync } from "node:fs";
import { join as join2 } from "node:path";
var KEPT = 14;
var NAME = /^(?<book>[a-z0-9-]{1,62})--(?<at>\d{8}T\d{6}Z)\.sqlite$/;
function keptBackups(book, folder = backupsFolder()) {
  if (!existsSync2(folder)) return [];
  return readdirSync(folder).flatMap((name) => {
    const found = NAME.exec(name)?.groups;
    if (found?.book !== book || found.at === void 0) return [];
    const file = join2(folder, name);
    return [{ file, at: momentOf(found.at), bytes: statSync(file).size }];
  }).sort((a, b) => b.at.localeCompare(a.at));
}
var momentOf = (stamp) => stamp.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, "$1-$2-$3T$4:$5:$6Z");
function keepBackup(book, { keep = KEPT, folder = backupsFolder(), now = /* @__PURE__ */ new Date() } = {}) {
  mkdirSync(folder, { recursive: true });
  const stamp = now.toISOString().replaceAll(/[-:]|\.\d+/g, "");
  const made = backupBook(book, join2(folder, `${book}--${stamp}.sqlite`));
  if (!made.ok) return made;
  for (const { file } of keptBackups(book, folder).slice(keep)) rmSync3(file, { force: true });
  return made;
}
var DAY_MS = 24 * 60 * 60 * 1e3;

export {
  becomeAnother,
  examine,
  lookThrough,
  removeFile,
  backupBook,
  KEPT,
  keptBackups,
  keepBackup
};
