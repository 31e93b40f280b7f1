import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

/** What a customer can do on its account page. */
export const VISITS = ["opened", "statement", "invoice"] as const;
export type Visit = (typeof VISITS)[number];

/** The secret part of the address of a customer's account page. */
export function linkOf(db: Db, customerId: number): string {
  const found = db.get<{ token: string }>(
    "SELECT token FROM account_link WHERE customer_id = ?",
    customerId,
  );
  if (!found) throw new Error("every customer has a link");
  return found.token;
}

/** Whose page a link opens; undefined where it leads nowhere, or no more. */
export function customerOfLink(db: Db, token: string): number | undefined {
  return db.get<{ id: number }>(
    `WITH RECURSIVE owner (id) AS (
       SELECT customer_id FROM account_link WHERE token = ?
       UNION SELECT c.merged_into FROM customer c JOIN owner o ON c.id = o.id WHERE c.merged_into IS NOT NULL
     )
     SELECT c.id FROM owner o JOIN customer c ON c.id = o.id WHERE c.merged_into IS NULL`,
    token,
  )?.id;
}

/** A new link; the old one leads nowhere from now on. */
export function renewLink(db: Db, customerId: number): void {
  db.run(
    "UPDATE account_link SET token = lower(hex(randomblob(24))) WHERE customer_id = ?",
    customerId,
  );
}

type VisitAsked = {
  customerId: number;
  onDay: Day;
  what: Visit;
  itemId: number;
};

/** Whether a visit stands on the history of the day already. */
export function hasVisited(db: Db, { customerId, onDay, what, itemId }: VisitAsked): boolean {
  return (
    db.get(
      "SELECT 1 FROM account_visit WHERE customer_id = ? AND on_day = ? AND what = ? AND open_item_id = ?",
      customerId,
      onDay,
      what,
      itemId,
    ) !== undefined
  );
}

type VisitMade = {
  customerId: number;
  onDay: Day;
  what: Visit;
  itemId: number;
  at: string;
};

export function insertVisit(db: Db, { customerId, onDay, what, itemId, at }: VisitMade): void {
  db.run(
    "INSERT OR IGNORE INTO account_visit (customer_id, on_day, what, open_item_id, at) VALUES (?, ?, ?, ?, ?)",
    customerId,
    onDay,
    what,
    itemId,
    at,
  );
}

/** What a customer looked at, the latest first. */
export function visitsOf(
  db: Db,
  customerId: number,
): { on: Day; what: Visit; itemId: number; number: string | null }[] {
  return db.all(
    "SELECT v.on_day AS 'on', v.what, v.open_item_id AS itemId, i.number FROM account_visit v LEFT JOIN open_item i ON i.id = v.open_item_id WHERE v.customer_id = ? ORDER BY v.on_day DESC, v.at DESC LIMIT 200",
    customerId,
  );
}
