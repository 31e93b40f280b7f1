import type { Db } from "./connection";
import type { DocumentKind } from "./documents";

/** The next running number of a kind in a year, which is drawn by this. */
export function drawNumber(db: Db, kind: DocumentKind, year: number): number {
  db.run(
    `INSERT INTO series (kind, year, last) VALUES (?, ?, 1)
     ON CONFLICT (kind, year) DO UPDATE SET last = last + 1`,
    kind,
    year,
  );
  return (
    db.get<{ last: number }>("SELECT last FROM series WHERE kind = ? AND year = ?", kind, year)
      ?.last ?? 1
  );
}
