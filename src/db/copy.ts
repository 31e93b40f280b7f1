import type { Db } from "./connection";

/** A copy of a book's file as it stands at one moment, however much is written meanwhile. */
export function copyInto(db: Db, path: string): void {
  db.exec(`VACUUM INTO '${path.replaceAll("'", "''")}'`);
}

/** Where the file itself is damaged, in SQLite's words ("Tree 12 page 40: …"); empty where it is whole. */
export function damage(db: Db): string[] {
  return db
    .all<{ integrity_check: string }>("PRAGMA integrity_check(5)")
    .map((row) => row.integrity_check)
    .filter((words) => words !== "ok");
}

/** Makes a copy a book of its own: an id and links to account pages that no other book answers to. */
export function becomeAnother(db: Db): void {
  db.run("UPDATE identity SET id = lower(hex(randomblob(16)))");
  db.run("UPDATE account_link SET token = lower(hex(randomblob(24)))");
}
