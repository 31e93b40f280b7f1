import type { Db } from "./connection";

/** A picture on papers. */
export type Logo = { type: "image/png" | "image/jpeg"; bytes: Buffer };

export function logoOf(db: Db, sha256: string): Logo | null {
  const row = db.get<{ type: Logo["type"]; base64: string }>(
    "SELECT type, base64 FROM logo WHERE sha256 = ?",
    sha256,
  );
  return row ? { type: row.type, bytes: Buffer.from(row.base64, "base64") } : null;
}

export function insertLogo(db: Db, sha256: string, { type, bytes }: Logo): void {
  db.run(
    "INSERT OR IGNORE INTO logo (sha256, type, base64) VALUES (?, ?, ?)",
    sha256,
    type,
    bytes.toString("base64"),
  );
}
