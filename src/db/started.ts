import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

/** An ACH debit that was started: on its way until it settles or comes back. */
export type StartedRow = {
  id: number;
  processorAccountId: number;
  externalId: string;
  startedOn: Day;
  currency: Currency;
  amount: Minor;
  payerName: string;
  payerEmail: string;
  reference: string;
  customerId: number | null;
  state: "on_way" | "settled" | "returned";
  fileId: number | null;
  lineNo: number | null;
};
const STARTED =
  "SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, started_on AS startedOn, currency, amount, payer_name AS payerName, payer_email AS payerEmail, reference, customer_id AS customerId, state, file_id AS fileId, line_no AS lineNo FROM ach_started";

export function startedByExternalId(
  db: Db,
  accountId: number,
  externalId: string,
): StartedRow | undefined {
  return db.get<StartedRow>(
    `${STARTED} WHERE processor_account_id = ? AND external_id = ?`,
    accountId,
    externalId,
  );
}

/** Debits of an account that were started and are on their way. */
export const startedCharges = (db: Db, accountId: number): Set<string> =>
  db.ids(
    "SELECT external_id AS id FROM ach_started WHERE processor_account_id = ? AND state = 'on_way'",
    accountId,
  );

export function insertStarted(db: Db, row: Omit<StartedRow, "id" | "state">): void {
  db.run(
    "INSERT INTO ach_started (processor_account_id, external_id, started_on, currency, amount, payer_name, payer_email, reference, customer_id, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    row.processorAccountId,
    row.externalId,
    row.startedOn,
    row.currency,
    row.amount,
    row.payerName,
    row.payerEmail,
    row.reference,
    row.customerId,
    row.fileId,
    row.lineNo,
  );
}

/** It settled, or came back before it did. */
export function endStarted(
  db: Db,
  accountId: number,
  externalId: string,
  state: "settled" | "returned",
): void {
  db.run(
    "UPDATE ach_started SET state = ? WHERE processor_account_id = ? AND external_id = ? AND state = 'on_way'",
    state,
    accountId,
    externalId,
  );
}

export function onTheirWay(db: Db): StartedRow[] {
  return db.all<StartedRow>(`${STARTED} WHERE state = 'on_way' ORDER BY started_on, id`);
}

/**
 * Whose a debit is: by the address or the whole name, as a customer has it or as one payer paid
 * before; null where that is not one customer.
 */
export function customerOfPayer(db: Db, payerName: string, payerEmail: string): number | null {
  const found = db.all<{ id: number }>(
    `SELECT coalesce(merged_into, id) AS id FROM customer WHERE ?2 <> '' AND lower(email) = ?2 UNION SELECT customer_id FROM receipt WHERE ?2 <> '' AND payer_email = ?2 AND customer_id IS NOT NULL
     UNION SELECT coalesce(merged_into, id) FROM customer WHERE ?2 = '' AND lower(name) = lower(?1) UNION SELECT customer_id FROM receipt WHERE ?2 = '' AND ?1 <> '' AND payer_name = ?1 AND customer_id IS NOT NULL LIMIT 2`,
    payerName,
    payerEmail.toLowerCase(),
  );
  return found.length === 1 ? (found[0]?.id ?? null) : null;
}
