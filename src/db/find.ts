import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** What is looked for: a text, and the sum it may be (minor units; null where it is none). */
export type Wanted = { text: string; sum: Minor | null };

export function findCustomersByText(
  db: Db,
  { text }: Wanted,
  most = 6,
): { id: number; name: string; externalId: string }[] {
  return db.all(
    `SELECT id, name, external_id AS externalId FROM customer
     WHERE merged_into IS NULL AND (name LIKE '%' || ?1 || '%' OR external_id LIKE ?1 || '%' OR email LIKE '%' || ?1 || '%')
     ORDER BY name
     LIMIT ?2`,
    text,
    most,
  );
}

export type FoundItem = {
  id: number;
  number: string;
  customer: string;
  total: Minor;
  balance: Minor;
  currency: Currency;
};

export function findItems(db: Db, { text, sum }: Wanted): FoundItem[] {
  return db.all(
    `SELECT i.id, i.number, c.name AS customer, i.total, i.balance, i.currency
     FROM open_item i
     JOIN customer c ON c.id = i.customer_id
     WHERE i.number LIKE ?1 || '%' OR i.po_number = ?1 OR i.total = ?2 OR i.balance = ?2
     ORDER BY i.balance <> 0 DESC, i.id DESC
     LIMIT 6`,
    text,
    sum,
  );
}

export type FoundReceipt = {
  id: number;
  payer: string;
  paidOn: Day;
  amount: Minor;
  currency: Currency;
  reference: string;
};

export function findReceipts(db: Db, { text, sum }: Wanted): FoundReceipt[] {
  return db.all(
    `SELECT id, payer_name AS payer, paid_on AS paidOn, amount, currency, reference
     FROM receipt
     WHERE payer_name LIKE '%' || ?1 || '%' OR reference LIKE '%' || ?1 || '%' OR amount = ?2
     ORDER BY id DESC
     LIMIT 5`,
    text,
    sum,
  );
}

export type FoundPayout = {
  id: number;
  externalId: string;
  net: Minor;
  currency: Currency;
  paidOn: Day;
};

export function findPayouts(db: Db, { text, sum }: Wanted): FoundPayout[] {
  return db.all(
    `SELECT id, external_id AS externalId, net, currency, paid_on AS paidOn
     FROM payout
     WHERE external_id LIKE '%' || ?1 || '%' OR net = ?2
     ORDER BY id DESC
     LIMIT 3`,
    text,
    sum,
  );
}

export type FoundLine = { id: number; description: string; amount: Minor; postedOn: Day };

export function findBankLines(db: Db, { text, sum }: Wanted): FoundLine[] {
  return db.all(
    `SELECT id, description, amount, posted_on AS postedOn
     FROM bank_line
     WHERE description LIKE '%' || ?1 || '%' OR abs(amount) = ?2
     ORDER BY id DESC
     LIMIT 3`,
    text,
    sum,
  );
}
