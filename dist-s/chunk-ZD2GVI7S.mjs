import {
  RECEIPTS
} from "./chunk-IAIVUFHX.mjs";
import {
  BOOK_CURRENCY,
  bookValue
} from "./chunk-WZI5MHZ3.mjs";

// src/db/receipts.ts
var COLUMNS = `r.id, r.source, r.method, r.paid_on AS paidOn, r.settled_on AS settledOn, r.currency, r.amount, r.payer_name AS payerName, r.payer_email AS payerEmail, r.reference,
  r.customer_id AS customerId, r.state, r.unidentified, r.on_account AS onAccount, r.applied, r.parked, r.income, r.surcharge, r.recovered, r.gone_back AS goneBack, r.disputed, r.reason, r.file_id AS fileId, r.line_no AS lineNo, r.number, r.hand_state AS handState, r.deposit_id AS depositId`;
function partsOf(row) {
  return {
    unidentified: row.unidentified,
    onAccount: row.onAccount,
    applied: row.applied,
    parked: row.parked,
    income: row.income,
    surcharge: row.surcharge,
    recovered: row.recovered,
    goneBack: row.goneBack
  };
}
function receiptById(db, id) {
  return db.get(`SELECT ${COLUMNS} FROM receipt r WHERE r.id = ?`, id);
}
var customerOfReceipt = (db, id) => db.get(
  "SELECT customer_id AS customerId FROM receipt WHERE id = ?",
  id
)?.customerId ?? null;
function receiptsInState(db, state) {
  return db.all(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.state = ? ORDER BY r.paid_on, r.id`,
    state
  );
}
function insertReceipt(db, receipt) {
  return db.insert(
    RECEIPTS,
    receipt.source,
    receipt.method,
    receipt.paidOn,
    receipt.settledOn,
    receipt.currency,
    receipt.amount,
    receipt.payerName,
    receipt.payerEmail,
    receipt.reference,
    "to_match",
    receipt.amount,
    receipt.fileId,
    receipt.lineNo,
    receipt.number ?? null,
    receipt.source === "hand" ? "on_hand" : null
  );
}
function updateReceipt(db, id, to) {
  db.run(
    "UPDATE receipt SET state = ?, unidentified = ?, on_account = ?, applied = ?, parked = ?, income = ?, surcharge = ?, recovered = ?, gone_back = ?, customer_id = ?, reason = ? WHERE id = ?",
    to.state,
    to.parts.unidentified,
    to.parts.onAccount,
    to.parts.applied,
    to.parts.parked,
    to.parts.income,
    to.parts.surcharge,
    to.parts.recovered,
    to.parts.goneBack,
    to.customerId,
    to.reason,
    id
  );
}
function setDisputed(db, id, disputed) {
  db.run("UPDATE receipt SET disputed = ? WHERE id = ?", disputed, id);
}
function deleteUntouchedReceipt(db, id) {
  db.run(
    "UPDATE receipt SET state = 'returned', unidentified = 0, gone_back = amount, hand_state = CASE WHEN hand_state IS NOT NULL THEN 'void' END WHERE id = ? AND state = 'to_match' AND unidentified = amount",
    id
  );
}
function creditsByCustomer(db) {
  return db.all(
    `SELECT customer_id AS customerId, sum(on_account) AS sum FROM receipt WHERE customer_id IS NOT NULL AND on_account > 0 AND currency = ${BOOK_CURRENCY} GROUP BY customer_id`
  );
}
function disputedReceipts(db) {
  return db.all(
    `SELECT customer_id AS customerId, amount, currency, settled_on AS "on" FROM receipt
     WHERE customer_id IS NOT NULL AND disputed = 1`
  );
}
function creditsKept(db) {
  const book = bookValue({
    table: "r",
    column: "on_account",
    role: "credits",
    kind: "receipt",
    sign: -1
  });
  return db.all(
    `SELECT r.customer_id AS customerId, r.currency, sum(r.on_account) AS own,
       sum(${book}) AS onAccount
     FROM receipt r
     WHERE r.customer_id IS NOT NULL AND r.on_account <> 0
     GROUP BY r.customer_id, r.currency`
  );
}
function chargesToMatch(db, currency) {
  return db.all(
    `SELECT r.id AS receiptId, i.external_id AS charge, r.unidentified, r.paid_on AS paidOn
     FROM receipt r
     JOIN processor_item i ON i.receipt_id = r.id AND i.kind = 'charge'
     WHERE r.state = 'to_match' AND r.currency = ?`,
    currency
  );
}

// src/db/applications.ts
var APPLICATION = `SELECT id, receipt_id AS receiptId, open_item_id AS openItemId, amount, discount, small_difference AS smallDifference, write_off AS writeOff, discount_tax AS discountTax, write_off_tax AS writeOffTax, on_day AS onDay, act_id AS actId, ended_by AS endedBy FROM application`;
function insertApplication(db, application) {
  return db.run(
    "INSERT INTO application (receipt_id, open_item_id, amount, discount, small_difference, write_off, discount_tax, write_off_tax, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    application.receiptId,
    application.openItemId,
    application.amount,
    application.discount,
    application.smallDifference,
    application.writeOff,
    application.discountTax,
    application.writeOffTax,
    application.onDay,
    application.actId
  ).id;
}
function endApplication(db, id, by) {
  db.run("UPDATE application SET ended_by = ? WHERE id = ?", by, id);
}
function reviveApplication(db, id) {
  db.run("UPDATE application SET ended_by = NULL WHERE id = ?", id);
}
function applicationsOfReceipt(db, receiptId) {
  return db.all(`${APPLICATION} WHERE receipt_id = ? ORDER BY id`, receiptId);
}
function appliedSince(db, from) {
  return db.all(
    `SELECT id, customer_id AS customerId, paid_on AS paidOn, amount FROM receipt
     WHERE state = 'placed' AND customer_id IS NOT NULL AND paid_on >= ?`,
    from
  );
}

export {
  COLUMNS,
  partsOf,
  receiptById,
  customerOfReceipt,
  receiptsInState,
  insertReceipt,
  updateReceipt,
  setDisputed,
  deleteUntouchedReceipt,
  creditsByCustomer,
  disputedReceipts,
  creditsKept,
  chargesToMatch,
  insertApplication,
  endApplication,
  reviveApplication,
  applicationsOfReceipt,
  appliedSince
};
