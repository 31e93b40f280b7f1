import type { Db } from "./connection";

/** A column of a table that names a customer and goes over when two become one. */
type Naming = { readonly place: string; readonly field: string };

/**
 * What stays with the customer that it was said of: the journal and the trail as they were written,
 * one row a customer each (its own settings), and the merges themselves.
 */
const STAYS: ReadonlySet<string> = new Set([
  "entry",
  "act",
  "account_link",
  "customer_followup",
  "customer_card",
  "customer_edit",
  "customer_merge",
  "customer_alias",
  "run_skip",
  "agreed_skip",
  "account_visit",
  "contact_person",
]);

/** Columns that name customers, read from the schema: a table that is new goes over too. */
function namings(db: Db): Naming[] {
  return db
    .all<Naming>(
      `SELECT m.name AS place, f."from" AS field
     FROM main.sqlite_schema m, pragma_foreign_key_list(m.name) f
     WHERE m.type = 'table' AND f."table" = 'customer' AND f."from" <> 'merged_into'
     ORDER BY m.name, f."from"`,
    )
    .filter(({ place }) => !STAYS.has(place));
}

/** Moves all that names one customer to another, noting each row. */
export function moveRows(db: Db, merge: { id: number; gone: number; kept: number }): void {
  for (const { place, field } of namings(db)) {
    db.run(
      `INSERT INTO customer_merge_row (merge_id, place, field, row_id)
       SELECT ?, ?, ?, rowid FROM "${place}" WHERE "${field}" = ?`,
      merge.id,
      place,
      field,
      merge.gone,
    );
    db.run(`UPDATE "${place}" SET "${field}" = ? WHERE "${field}" = ?`, merge.kept, merge.gone);
  }
}

/** Moves back what went over and is still where it went. */
export function moveBack(db: Db, merge: { id: number; gone: number; kept: number }): void {
  for (const { place, field } of namings(db))
    db.run(
      `UPDATE "${place}" SET "${field}" = ?1 WHERE "${field}" = ?2 AND rowid IN (
         SELECT row_id FROM customer_merge_row WHERE merge_id = ?3 AND place = ?4 AND field = ?5)`,
      merge.gone,
      merge.kept,
      merge.id,
      place,
      field,
    );
}

export function insertMerge(db: Db, kept: number, gone: number, actId: number): number {
  const { id } = db.run(
    "INSERT INTO customer_merge (kept_id, gone_id, act_id) VALUES (?, ?, ?)",
    kept,
    gone,
    actId,
  );
  db.run("UPDATE customer SET merged_into = ? WHERE id = ?", kept, gone);
  return id;
}

export type Merge = { id: number; kept: number; gone: number; actId: number };
const MERGE =
  "SELECT id, kept_id AS kept, gone_id AS gone, act_id AS actId FROM customer_merge WHERE";

export function mergeOfAct(db: Db, actId: number): Merge | undefined {
  return db.get<Merge>(`${MERGE} act_id = ?`, actId);
}

/** Merges of others into a customer that stand, the latest first. */
export function mergesInto(db: Db, kept: number): (Merge & { name: string; number: string })[] {
  return db.all(
    `SELECT m.id, m.kept_id AS kept, m.gone_id AS gone, m.act_id AS actId, c.name, c.external_id AS number
     FROM customer_merge m JOIN customer c ON c.id = m.gone_id
     WHERE m.kept_id = ? AND m.ended_by IS NULL ORDER BY m.id DESC`,
    kept,
  );
}

export function endMerge(db: Db, { id, gone }: Merge, by: number): void {
  db.run("UPDATE customer_merge SET ended_by = ? WHERE id = ?", by, id);
  db.run("UPDATE customer SET merged_into = NULL WHERE id = ?", gone);
}

/** How often customers became one, or two again: what was read of them before holds no more. */
export function mergeCount(db: Db): number {
  return (
    db.get<{ n: number }>("SELECT count(*) + count(ended_by) AS n FROM customer_merge")?.n ?? 0
  );
}
