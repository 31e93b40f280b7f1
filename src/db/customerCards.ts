import type { Way } from "@/core/invoices";
import type { Currency } from "@/core/money";

import type { Db } from "./connection";

/** What a customer's page says beside its name; `address`: its lines. */
export type CustomerCard = {
  address: string[];
  country: string | null;
  taxNumber: string | null;
  terms: string | null;
  currency: Currency | null;
  way: Way;
  paysBy: string[] | null;
  notes: string;
  /** Which look its papers have; null: the usual one. */
  look: string | null;
};

const BLANK: CustomerCard = {
  address: [],
  country: null,
  taxNumber: null,
  terms: null,
  currency: null,
  way: "mail",
  paysBy: null,
  notes: "",
  look: null,
};

type Stored = Omit<CustomerCard, "address" | "paysBy"> & { address: string; paysBy: string | null };

export function cardOf(db: Db, customerId: number): CustomerCard {
  const row = db.get<Stored>(
    `SELECT address, country, tax_number AS taxNumber, terms, currency, way, pays_by AS paysBy, notes, look
     FROM customer_card WHERE customer_id = ?`,
    customerId,
  );
  if (!row) return BLANK;
  return {
    ...row,
    address: row.address === "" ? [] : row.address.split("\n"),
    paysBy: row.paysBy === null ? null : row.paysBy.split(","),
  };
}

export function setCard(db: Db, customerId: number, card: CustomerCard): void {
  db.run(
    `INSERT INTO customer_card (customer_id, address, country, tax_number, terms, currency, way, pays_by, notes, look)
     VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, ?10)
     ON CONFLICT (customer_id) DO UPDATE SET address = ?2, country = ?3, tax_number = ?4, terms = ?5,
       currency = ?6, way = ?7, pays_by = ?8, notes = ?9, look = ?10`,
    customerId,
    card.address.join("\n"),
    card.country,
    card.taxNumber,
    card.terms,
    card.currency,
    card.way,
    card.paysBy?.join(",") ?? null,
    card.notes,
    card.look,
  );
}

/** Customers with a tax number, as it is written. */
export function customersByTaxNumber(db: Db, taxNumber: string): number[] {
  return db
    .all<{ id: number }>(
      `SELECT k.customer_id AS id FROM customer_card k JOIN customer c ON c.id = k.customer_id
       WHERE k.tax_number = ? AND c.merged_into IS NULL`,
      taxNumber,
    )
    .map(({ id }) => id);
}

/** Keeps what a customer was before a change. */
export function insertEdit(db: Db, actId: number, customerId: number, before: object): void {
  db.run(
    "INSERT INTO customer_edit (act_id, customer_id, before) VALUES (?, ?, ?)",
    actId,
    customerId,
    JSON.stringify(before),
  );
}

export function editOfAct(
  db: Db,
  actId: number,
): { customerId: number; before: string } | undefined {
  return db.get(
    "SELECT customer_id AS customerId, before FROM customer_edit WHERE act_id = ?",
    actId,
  );
}

/** Later changes of a customer that stand. */
export function laterEdits(db: Db, actId: number, customerId: number): number {
  return (
    db.get<{ n: number }>(
      `SELECT count(*) AS n FROM customer_edit e JOIN act a ON a.id = e.act_id
       WHERE e.customer_id = ? AND e.act_id > ? AND a.undone_by IS NULL`,
      customerId,
      actId,
    )?.n ?? 0
  );
}
