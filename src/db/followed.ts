import { type Day } from "@/core/calendar";
import type { FollowedRow } from "@/core/followup";

import { type Db } from "./connection";

const FOLLOWED =
  "SELECT customer_id AS customerId, ladder_id AS ladderId, language, by_itself AS byItself, smallest, quiet_until AS quietUntil FROM customer_followup";

export function followedRows(db: Db): FollowedRow[] {
  return db
    .all<Omit<FollowedRow, "byItself"> & { byItself: 0 | 1 }>(FOLLOWED)
    .map((row) => ({ ...row, byItself: row.byItself === 1 }));
}

export function followedRow(db: Db, customerId: number): FollowedRow {
  const row = db.get<Omit<FollowedRow, "byItself"> & { byItself: 0 | 1 }>(
    `${FOLLOWED} WHERE customer_id = ?`,
    customerId,
  );
  return row ? { ...row, byItself: row.byItself === 1 } : followedAs(customerId);
}

/** A customer who is followed up as the book does. */
export function followedAs(customerId: number): FollowedRow {
  return {
    customerId,
    ladderId: null,
    language: "en",
    byItself: false,
    smallest: null,
    quietUntil: null,
  };
}

export function setFollowed(db: Db, row: FollowedRow): void {
  db.run(
    `INSERT INTO customer_followup (customer_id, ladder_id, language, by_itself, smallest, quiet_until) VALUES (?1, ?2, ?3, ?4, ?5, ?6)
     ON CONFLICT (customer_id) DO UPDATE SET ladder_id = ?2, language = ?3, by_itself = ?4, smallest = ?5, quiet_until = ?6`,
    row.customerId,
    row.ladderId,
    row.language,
    Number(row.byItself),
    row.smallest,
    row.quietUntil,
  );
}

/** Invoices that no letter names, with why. */
export function itemsLeftOut(db: Db): Map<number, string> {
  return new Map(
    db
      .all<{ id: number; reason: string }>("SELECT open_item_id AS id, reason FROM item_left_out")
      .map(({ id, reason }) => [id, reason]),
  );
}

export function setItemLeftOut(db: Db, itemId: number, reason: string | null): void {
  db.run("DELETE FROM item_left_out WHERE open_item_id = ?", itemId);
  if (reason !== null)
    db.run("INSERT INTO item_left_out (open_item_id, reason) VALUES (?, ?)", itemId, reason);
}

/** What was a rung of a ladder, by customer: letters, and calls and tasks with their step. */
export function stepsSaid(db: Db): Map<number, { step: number; on: Day }[]> {
  const said = new Map<number, { step: number; on: Day }[]>();
  const rows = db.all<{ customerId: number; step: number; on: Day }>(
    `SELECT customer_id AS customerId, step, on_day AS "on" FROM letter WHERE step > 0 UNION ALL
     SELECT c.customer_id, c.step, c.on_day FROM contact c JOIN act a ON a.id = c.act_id WHERE c.step IS NOT NULL AND a.undone_by IS NULL`,
  );
  for (const { customerId, step, on } of rows) {
    const list = said.get(customerId);
    if (list) list.push({ step, on });
    else said.set(customerId, [{ step, on }]);
  }
  return said;
}
