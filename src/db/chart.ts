import type { Db } from "./connection";

/** Whether anything was ever posted to an account. */
export function isUsed(db: Db, accountId: number): boolean {
  return db.get("SELECT 1 FROM entry_line WHERE account_id = ? LIMIT 1", accountId) !== undefined;
}

/** Names an account otherwise, or gives it another number; what was posted to it goes with it. */
export function renameAccount(db: Db, id: number, code: string, name: string): void {
  db.run("UPDATE account SET code = ?, name = ? WHERE id = ?", code, name, id);
}

export function deleteAccount(db: Db, id: number): void {
  db.run("DELETE FROM account WHERE id = ?", id);
}
