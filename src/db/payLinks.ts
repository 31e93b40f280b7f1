import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** A link to pay by, found by the hash of its secret part; no items: all that is owed. */
export type PayLinkRow = {
  id: number;
  customerId: number;
  madeOn: Day;
  endedOn: Day | null;
  /** Between which sums it may be paid; null: as the book says. */
  sumFrom: Minor | null;
  sumTo: Minor | null;
  /** Whether who pays by it agrees that what comes is taken by itself. */
  asksConsent: 0 | 1;
};

const LINK =
  "SELECT id, customer_id AS customerId, made_on AS madeOn, ended_on AS endedOn, sum_from AS sumFrom, sum_to AS sumTo, asks_consent AS asksConsent FROM pay_link";

export const payLinkByHash = (db: Db, hash: string): PayLinkRow | undefined =>
  db.get<PayLinkRow>(`${LINK} WHERE hash = ?`, hash);

export const payLinkById = (db: Db, id: number): PayLinkRow | undefined =>
  db.get<PayLinkRow>(`${LINK} WHERE id = ?`, id);

export const itemsOfLink = (db: Db, linkId: number): number[] =>
  db
    .all<{ id: number }>(
      "SELECT open_item_id AS id FROM pay_link_item WHERE link_id = ? ORDER BY open_item_id",
      linkId,
    )
    .map(({ id }) => id);

type NewLink = Pick<PayLinkRow, "customerId" | "madeOn" | "sumFrom" | "sumTo" | "asksConsent"> & {
  hash: string;
  actId: number;
};

export function insertPayLink(db: Db, link: NewLink, itemIds: readonly number[]): number {
  const { id } = db.run(
    "INSERT INTO pay_link (hash, customer_id, made_on, act_id, sum_from, sum_to, asks_consent) VALUES (?, ?, ?, ?, ?, ?, ?)",
    link.hash,
    link.customerId,
    link.madeOn,
    link.actId,
    link.sumFrom,
    link.sumTo,
    link.asksConsent,
  );
  for (const itemId of itemIds)
    db.run("INSERT INTO pay_link_item (link_id, open_item_id) VALUES (?, ?)", id, itemId);
  return id;
}

export function endPayLink(db: Db, id: number, on: Day): void {
  db.run("UPDATE pay_link SET ended_on = ? WHERE id = ?", on, id);
}
