import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import type { Method } from "@/core/receipts";

import type { Db } from "./connection";

/** A returned debit that is tried again. */
export type RetryRow = {
  id: number;
  returnItemId: number;
  receiptId: number;
  nth: 1 | 2;
  plannedOn: Day;
  actId: number;
};

export function retriesOf(db: Db, receiptId: number): RetryRow[] {
  return db.all<RetryRow>(
    "SELECT id, return_item_id AS returnItemId, receipt_id AS receiptId, nth, planned_on AS plannedOn, act_id AS actId FROM ach_retry WHERE receipt_id = ? ORDER BY nth",
    receiptId,
  );
}

export function insertRetry(db: Db, retry: Omit<RetryRow, "id">): void {
  db.run(
    "INSERT INTO ach_retry (return_item_id, receipt_id, nth, planned_on, act_id) VALUES (?, ?, ?, ?, ?)",
    retry.returnItemId,
    retry.receiptId,
    retry.nth,
    retry.plannedOn,
    retry.actId,
  );
}

export function deleteRetryOfAct(db: Db, actId: number): void {
  db.run("DELETE FROM ach_retry WHERE act_id = ?", actId);
}

/** What a payer's bank told of a wrong account (notification of change). */
export type NoticeRow = {
  id: number;
  externalId: string;
  code: string;
  receiptId: number | null;
  customerId: number | null;
  name: string;
  toldOn: Day;
  mendBy: Day;
  correction: string;
  mendedOn: Day | null;
  fileId: number | null;
  lineNo: number | null;
};
const NOTICE =
  "SELECT id, external_id AS externalId, code, receipt_id AS receiptId, customer_id AS customerId, name, told_on AS toldOn, mend_by AS mendBy, correction, mended_on AS mendedOn, file_id AS fileId, line_no AS lineNo FROM change_notice";

export function noticeById(db: Db, id: number): NoticeRow | undefined {
  return db.get<NoticeRow>(`${NOTICE} WHERE id = ?`, id);
}

export function noticeByExternalId(db: Db, externalId: string): NoticeRow | undefined {
  return db.get<NoticeRow>(`${NOTICE} WHERE external_id = ?`, externalId);
}

/** Those not mended, and those of the last days. */
export function noticesSince(db: Db, from: Day): NoticeRow[] {
  return db.all<NoticeRow>(
    `${NOTICE} WHERE mended_on IS NULL OR told_on >= ? ORDER BY mend_by, id`,
    from,
  );
}

export function insertNotice(db: Db, notice: Omit<NoticeRow, "id" | "mendedOn">): number {
  return db.run(
    "INSERT INTO change_notice (external_id, code, receipt_id, customer_id, name, told_on, mend_by, correction, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    notice.externalId,
    notice.code,
    notice.receiptId,
    notice.customerId,
    notice.name,
    notice.toldOn,
    notice.mendBy,
    notice.correction,
    notice.fileId,
    notice.lineNo,
  ).id;
}

export function setMended(db: Db, id: number, on: Day | null, by: number | null): void {
  db.run("UPDATE change_notice SET mended_on = ?, mended_by = ? WHERE id = ?", on, by, id);
}

export function setAnswered(db: Db, itemId: number, on: Day | null): void {
  db.run("UPDATE processor_item SET answered_on = ? WHERE id = ?", on, itemId);
}

/** What went back by the processor, newest first, with the receipt it belongs to. */
export type ReturnOrDisputeRow = {
  id: number;
  kind: "refund" | "dispute" | "ach_return";
  externalId: string;
  on: Day;
  amount: Minor;
  currency: Currency;
  returnCode: string | null;
  answerBy: Day | null;
  answeredOn: Day | null;
  settledState: "opened" | "won" | "lost" | null;
  reason: string | null;
  receiptId: number | null;
  receiptOn: Day | null;
  settledOn: Day | null;
  method: Method | null;
  onAccount: Minor | null;
  customerId: number | null;
  name: string;
  account: string;
};

export function returnsAndDisputesSince(db: Db, from: Day): ReturnOrDisputeRow[] {
  return db.all<ReturnOrDisputeRow>(
    `SELECT i.id, i.kind, i.external_id AS externalId, i.settled_on AS 'on', i.amount, i.currency, i.return_code AS returnCode, i.answer_by AS answerBy, i.answered_on AS answeredOn, i.settled_state AS settledState, i.reason,
       i.receipt_id AS receiptId, r.paid_on AS receiptOn, r.settled_on AS settledOn, r.method, r.on_account AS onAccount, r.customer_id AS customerId, coalesce(c.name, nullif(r.payer_name, ''), nullif(r.payer_email, ''), '') AS name, a.name AS account
     FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id LEFT JOIN receipt r ON r.id = i.receipt_id LEFT JOIN customer c ON c.id = r.customer_id
     WHERE i.kind IN ('refund', 'dispute', 'ach_return') AND i.amount < 0 AND i.withdrawn = 0 AND (i.settled_on >= ?1 OR i.settled_state = 'opened' OR i.reason IS NOT NULL OR r.on_account < 0) ORDER BY i.settled_on DESC, i.id DESC`,
    from,
  );
}

/** ACH debits that settled between two days, by day. */
export function debitsBetween(
  db: Db,
  from: Day,
  to: Day,
): { settledOn: Day; count: number; sum: Minor }[] {
  return db.all(
    "SELECT settled_on AS settledOn, count(*) AS count, sum(amount - gone_back) AS sum FROM receipt WHERE method = 'ach_debit' AND state <> 'returned' AND settled_on BETWEEN ? AND ? GROUP BY settled_on ORDER BY settled_on",
    from,
    to,
  );
}

/** Codes of the returns of debits that settled between two days, and how many debits there were. */
export function returnsOfDebits(db: Db, from: Day, to: Day): { codes: string[]; debits: number } {
  const debits =
    db.get<{ n: number }>(
      "SELECT count(*) AS n FROM receipt WHERE method = 'ach_debit' AND settled_on BETWEEN ? AND ?",
      from,
      to,
    )?.n ?? 0;
  const codes = db
    .all<{ code: string | null }>(
      "SELECT i.return_code AS code FROM processor_item i JOIN receipt r ON r.id = i.receipt_id WHERE i.kind = 'ach_return' AND i.withdrawn = 0 AND r.method = 'ach_debit' AND r.settled_on BETWEEN ? AND ?",
      from,
      to,
    )
    .map(({ code }) => code ?? "");
  return { codes, debits };
}
