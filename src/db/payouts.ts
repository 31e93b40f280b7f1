import { kindsInColumn, PAYOUT_COLUMNS } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";

export type PayoutRow = {
  id: number;
  processorAccountId: number;
  externalId: string;
  paidOn: Day;
  currency: Currency;
  statedNet: Minor | null;
  spanFrom: Day | null;
  spanTo: Day | null;
  net: Minor;
  state: "open" | "tied";
  fileId: number | null;
  lineNo: number | null;
};
const COLUMNS = `p.id, p.processor_account_id AS processorAccountId, p.external_id AS externalId, p.paid_on AS paidOn, p.currency, p.stated_net AS statedNet, p.span_from AS spanFrom, p.span_to AS spanTo, p.net, p.state,
  p.file_id AS fileId, p.line_no AS lineNo`;

export function payoutById(db: Db, id: number): PayoutRow | undefined {
  return db.get<PayoutRow>(`SELECT ${COLUMNS} FROM payout p WHERE p.id = ?`, id);
}

export function payoutByExternalId(
  db: Db,
  accountId: number,
  externalId: string,
): PayoutRow | undefined {
  return db.get<PayoutRow>(
    `SELECT ${COLUMNS} FROM payout p WHERE p.processor_account_id = ? AND p.external_id = ?`,
    accountId,
    externalId,
  );
}

export function insertPayout(db: Db, payout: Omit<PayoutRow, "id" | "net" | "state">): number {
  return db.run(
    "INSERT INTO payout (processor_account_id, external_id, paid_on, currency, stated_net, span_from, span_to, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    payout.processorAccountId,
    payout.externalId,
    payout.paidOn,
    payout.currency,
    payout.statedNet,
    payout.spanFrom,
    payout.spanTo,
    payout.fileId,
    payout.lineNo,
  ).id;
}

/** What a payout row adds to a payout that so far was only named by its items. */
export function completePayout(
  db: Db,
  id: number,
  to: { paidOn: Day; statedNet: Minor | null; spanFrom: Day | null; spanTo: Day | null },
): void {
  db.run(
    "UPDATE payout SET paid_on = ?, stated_net = ?, span_from = ?, span_to = ? WHERE id = ?",
    to.paidOn,
    to.statedNet,
    to.spanFrom,
    to.spanTo,
    id,
  );
}

/** Brings the sum kept with a payout to the sum of its items. */
export function refreshNet(db: Db, id: number): void {
  db.run(
    "UPDATE payout SET net = (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = ?1 AND withdrawn = 0) WHERE id = ?1",
    id,
  );
}

/**
 * A payout that failed: its items wait for the next one. False where it was ever tied to the bank, or
 * a person moved items into it or out of it.
 */
export function releasePayout(db: Db, id: number): boolean {
  const rests =
    "SELECT 1 FROM payout_tie WHERE payout_id = ?1 UNION SELECT 1 FROM item_move WHERE ?1 IN (from_payout, to_payout) LIMIT 1";
  if (db.get(rests, id)) return false;
  db.run("UPDATE processor_item SET payout_id = NULL WHERE payout_id = ?", id);
  db.run("DELETE FROM payout WHERE id = ?", id);
  return true;
}

export function setPayoutState(db: Db, id: number, state: "open" | "tied"): void {
  db.run("UPDATE payout SET state = ? WHERE id = ?", state, id);
}

export function openPayouts(db: Db): PayoutRow[] {
  return db.all<PayoutRow>(
    `SELECT ${COLUMNS} FROM payout p WHERE p.state = 'open' ORDER BY p.paid_on, p.id`,
  );
}

/** `amount` is the payout's; `atBank` what came where that is in another currency. */
export type TieRow = {
  id: number;
  payoutId: number;
  bankLineId: number;
  amount: Minor;
  atBank: Minor | null;
  onDay: Day;
  actId: number;
};
const TIE =
  "SELECT id, payout_id AS payoutId, bank_line_id AS bankLineId, amount, at_bank AS atBank, on_day AS onDay, act_id AS actId FROM payout_tie";

export function insertTie(db: Db, tie: Omit<TieRow, "id">): number {
  return db.run(
    "INSERT INTO payout_tie (payout_id, bank_line_id, amount, at_bank, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?)",
    tie.payoutId,
    tie.bankLineId,
    tie.amount,
    tie.atBank,
    tie.onDay,
    tie.actId,
  ).id;
}

export function tiesOfPayout(db: Db, payoutId: number): TieRow[] {
  return db.all<TieRow>(`${TIE} WHERE payout_id = ? AND ended_by IS NULL ORDER BY id`, payoutId);
}

/** The shares that payouts have in a line. */
export function tiesOfLine(db: Db, bankLineId: number): TieRow[] {
  return db.all<TieRow>(
    `${TIE} WHERE bank_line_id = ? AND ended_by IS NULL ORDER BY id`,
    bankLineId,
  );
}

/** Ties that an act made and that still stand. */
export function tiesOfAct(db: Db, actId: number): TieRow[] {
  return db.all<TieRow>(`${TIE} WHERE act_id = ? AND ended_by IS NULL ORDER BY id`, actId);
}

export function endTies(db: Db, actId: number, by: number): void {
  db.run("UPDATE payout_tie SET ended_by = ? WHERE act_id = ? AND ended_by IS NULL", by, actId);
}

/**
 * How a payout is named that was put together from a lump on the statement; one that was undone is
 * empty and shown no more.
 */
export const LUMP = "lump of ";
const NOT_EMPTY = `(p.external_id NOT LIKE '${LUMP}%' OR EXISTS (SELECT 1 FROM processor_item i WHERE i.payout_id = p.id))`;

export type PayoutListed = PayoutRow & {
  processorAccount: string;
  processorName: string;
  charges: Minor;
  chargeCount: number;
  fees: Minor;
  refunds: Minor;
  disputes: Minor;
  other: Minor;
  takenFrom: Day | null;
  takenTo: Day | null;
  bankLine: string | null;
  bankOn: Day | null;
  bankAmount: Minor | null;
  /** What came at the bank, in the bank's currency; what the payout's items are carried at, in the book's. */
  atBank: Minor | null;
  bookNet: Minor;
};
/** A sum for each term of a payout, from the kinds that stand in it. */
const COLUMN_SUMS = PAYOUT_COLUMNS.map((column) => {
  const kinds = kindsInColumn(column).map((kind) => `'${kind}'`);
  return `sum(CASE WHEN kind IN (${kinds.join(", ")}) THEN amount ELSE 0 END) AS ${column}`;
}).join(", ");

const LISTED = `SELECT ${COLUMNS}, a.code AS processorAccount, a.name AS processorName,
    coalesce(s.charges, 0) AS charges, coalesce(s.chargeCount, 0) AS chargeCount, coalesce(s.fees, 0) AS fees, coalesce(s.refunds, 0) AS refunds, coalesce(s.disputes, 0) AS disputes, coalesce(s.other, 0) AS other,
    s.takenFrom, s.takenTo, b.bankLine, b.bankOn, b.bankAmount, b.atBank,
    CASE WHEN p.currency = ${BOOK_CURRENCY} THEN p.net ELSE coalesce((SELECT sum(${bookValue({ table: "i", column: "amount", role: "clearing", kind: "processor_item" })}) FROM processor_item i WHERE i.payout_id = p.id AND i.withdrawn = 0), 0) END AS bookNet
  FROM payout p JOIN processor_account a ON a.id = p.processor_account_id
  LEFT JOIN (SELECT payout_id,
      ${COLUMN_SUMS}, sum(kind = 'charge') AS chargeCount,
      min(CASE WHEN kind = 'charge' THEN settled_on END) AS takenFrom, max(CASE WHEN kind = 'charge' THEN settled_on END) AS takenTo
    FROM processor_item WHERE payout_id IS NOT NULL AND withdrawn = 0 GROUP BY payout_id) s ON s.payout_id = p.id
  LEFT JOIN (SELECT t.payout_id, group_concat(l.external_id, ' ') AS bankLine, min(l.posted_on) AS bankOn, sum(t.amount) AS bankAmount, sum(coalesce(t.at_bank, t.amount)) AS atBank
    FROM payout_tie t JOIN bank_line l ON l.id = t.bank_line_id WHERE t.ended_by IS NULL GROUP BY t.payout_id) b ON b.payout_id = p.id`;

export function payoutsBetween(db: Db, from: Day, to: Day): PayoutListed[] {
  return db.all<PayoutListed>(
    `${LISTED} WHERE p.paid_on BETWEEN ? AND ? AND ${NOT_EMPTY} ORDER BY p.paid_on DESC, p.id DESC`,
    from,
    to,
  );
}

/** Payouts still to be tied, whenever they were paid. */
export function untiedPayouts(db: Db): PayoutListed[] {
  return db.all<PayoutListed>(
    `${LISTED} WHERE p.state = 'open' AND ${NOT_EMPTY} ORDER BY p.paid_on DESC, p.id DESC`,
  );
}

export function payoutListedById(db: Db, id: number): PayoutListed | undefined {
  return db.get<PayoutListed>(`${LISTED} WHERE p.id = ?`, id);
}

/** Payouts in a currency that are not tied. */
export function openPayoutsIn(
  db: Db,
  currency: Currency,
): { id: number; externalId: string; paidOn: Day }[] {
  return db.all(
    `SELECT id, external_id AS externalId, paid_on AS paidOn FROM payout
     WHERE state = 'open' AND currency = ?`,
    currency,
  );
}

/** What was tied, by the month of the payout, newest first; in the bank's currency. */
export function tiedByMonth(db: Db): { month: string; sum: Minor; count: number }[] {
  return db.all(
    `SELECT substr(p.paid_on, 1, 7) AS month, sum(coalesce(t.at_bank, t.amount)) AS sum,
       count(DISTINCT p.id) AS count
     FROM payout_tie t
     JOIN payout p ON p.id = t.payout_id
     WHERE t.ended_by IS NULL
     GROUP BY 1
     ORDER BY 1 DESC`,
  );
}
