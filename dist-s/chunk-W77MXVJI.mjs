import {
  PAYOUT_COLUMNS,
  kindsInColumn
} from "./chunk-ELMUUMV5.mjs";
import {
  BOOK_CURRENCY,
  bookValue
} from "./chunk-WZI5MHZ3.mjs";
import {
  dayNumber
} from "./chunk-HBIDXRTT.mjs";

// src/db/payouts.ts
var COLUMNS = `p.id, p.processor_account_id AS processorAccountId, p.external_id AS externalId, p.paid_on AS paidOn, p.currency, p.stated_net AS statedNet, p.span_from AS spanFrom, p.span_to AS spanTo, p.net, p.state,
  p.file_id AS fileId, p.line_no AS lineNo`;
function payoutById(db, id) {
  return db.get(`SELECT ${COLUMNS} FROM payout p WHERE p.id = ?`, id);
}
function payoutByExternalId(db, accountId, externalId) {
  return db.get(
    `SELECT ${COLUMNS} FROM payout p WHERE p.processor_account_id = ? AND p.external_id = ?`,
    accountId,
    externalId
  );
}
function insertPayout(db, payout) {
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
    payout.lineNo
  ).id;
}
function completePayout(db, id, to) {
  db.run(
    "UPDATE payout SET paid_on = ?, stated_net = ?, span_from = ?, span_to = ? WHERE id = ?",
    to.paidOn,
    to.statedNet,
    to.spanFrom,
    to.spanTo,
    id
  );
}
function refreshNet(db, id) {
  db.run(
    "UPDATE payout SET net = (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = ?1 AND withdrawn = 0) WHERE id = ?1",
    id
  );
}
function releasePayout(db, id) {
  const rests = "SELECT 1 FROM payout_tie WHERE payout_id = ?1 UNION SELECT 1 FROM item_move WHERE ?1 IN (from_payout, to_payout) LIMIT 1";
  if (db.get(rests, id)) return false;
  db.run("UPDATE processor_item SET payout_id = NULL WHERE payout_id = ?", id);
  db.run("DELETE FROM payout WHERE id = ?", id);
  return true;
}
function setPayoutState(db, id, state) {
  db.run("UPDATE payout SET state = ? WHERE id = ?", state, id);
}
function openPayouts(db) {
  return db.all(
    `SELECT ${COLUMNS} FROM payout p WHERE p.state = 'open' ORDER BY p.paid_on, p.id`
  );
}
var TIE = "SELECT id, payout_id AS payoutId, bank_line_id AS bankLineId, amount, at_bank AS atBank, on_day AS onDay, act_id AS actId FROM payout_tie";
function insertTie(db, tie) {
  return db.run(
    "INSERT INTO payout_tie (payout_id, bank_line_id, amount, at_bank, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?)",
    tie.payoutId,
    tie.bankLineId,
    tie.amount,
    tie.atBank,
    tie.onDay,
    tie.actId
  ).id;
}
function tiesOfAct(db, actId) {
  return db.all(`${TIE} WHERE act_id = ? AND ended_by IS NULL ORDER BY id`, actId);
}
function endTies(db, actId, by) {
  db.run("UPDATE payout_tie SET ended_by = ? WHERE act_id = ? AND ended_by IS NULL", by, actId);
}
var LUMP = "lump of ";
var NOT_EMPTY = `(p.external_id NOT LIKE '${LUMP}%' OR EXISTS (SELECT 1 FROM processor_item i WHERE i.payout_id = p.id))`;
var COLUMN_SUMS = PAYOUT_COLUMNS.map((column) => {
  const kinds = kindsInColumn(column).map((kind) => `'${kind}'`);
  return `sum(CASE WHEN kind IN (${kinds.join(", ")}) THEN amount ELSE 0 END) AS ${column}`;
}).join(", ");
var LISTED = `SELECT ${COLUMNS}, a.code AS processorAccount, a.name AS processorName,
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
function payoutsBetween(db, from, to) {
  return db.all(
    `${LISTED} WHERE p.paid_on BETWEEN ? AND ? AND ${NOT_EMPTY} ORDER BY p.paid_on DESC, p.id DESC`,
    from,
    to
  );
}
function openPayoutsIn(db, currency) {
  return db.all(
    `SELECT id, external_id AS externalId, paid_on AS paidOn FROM payout
     WHERE state = 'open' AND currency = ?`,
    currency
  );
}

// src/db/merges.ts
var STAYS = /* @__PURE__ */ new Set([
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
  "contact_person"
]);
function namings(db) {
  return db.all(
    `SELECT m.name AS place, f."from" AS field
     FROM main.sqlite_schema m, pragma_foreign_key_list(m.name) f
     WHERE m.type = 'table' AND f."table" = 'customer' AND f."from" <> 'merged_into'
     ORDER BY m.name, f."from"`
  ).filter(({ place }) => !STAYS.has(place));
}
function moveRows(db, merge) {
  for (const { place, field } of namings(db)) {
    db.run(
      `INSERT INTO customer_merge_row (merge_id, place, field, row_id)
       SELECT ?, ?, ?, rowid FROM "${place}" WHERE "${field}" = ?`,
      merge.id,
      place,
      field,
      merge.gone
    );
    db.run(`UPDATE "${place}" SET "${field}" = ? WHERE "${field}" = ?`, merge.kept, merge.gone);
  }
}
function moveBack(db, merge) {
  for (const { place, field } of namings(db))
    db.run(
      `UPDATE "${place}" SET "${field}" = ?1 WHERE "${field}" = ?2 AND rowid IN (
         SELECT row_id FROM customer_merge_row WHERE merge_id = ?3 AND place = ?4 AND field = ?5)`,
      merge.gone,
      merge.kept,
      merge.id,
      place,
      field
    );
}
function insertMerge(db, kept2, gone, actId) {
  const { id } = db.run(
    "INSERT INTO customer_merge (kept_id, gone_id, act_id) VALUES (?, ?, ?)",
    kept2,
    gone,
    actId
  );
  db.run("UPDATE customer SET merged_into = ? WHERE id = ?", kept2, gone);
  return id;
}
var MERGE = "SELECT id, kept_id AS kept, gone_id AS gone, act_id AS actId FROM customer_merge WHERE";
function mergeOfAct(db, actId) {
  return db.get(`${MERGE} act_id = ?`, actId);
}
function endMerge(db, { id, gone }, by) {
  db.run("UPDATE customer_merge SET ended_by = ? WHERE id = ?", by, id);
  db.run("UPDATE customer SET merged_into = NULL WHERE id = ?", gone);
}
function mergeCount(db) {
  return db.get("SELECT count(*) + count(ended_by) AS n FROM customer_merge")?.n ?? 0;
}

// src/db/receivableMovements.ts
var AT_A_TIME = 1e5;
var kept = /* @__PURE__ */ new WeakMap();
function receivableMovements(db) {
  const merges = mergeCount(db);
  const before = kept.get(db);
  const moves = before?.merges === merges ? before : emptyMovements(merges);
  const last = db.get("SELECT last_entry AS id FROM posting ORDER BY first_entry DESC LIMIT 1")?.id ?? 0;
  for (; moves.entry < last; moves.entry = Math.min(last, moves.entry + AT_A_TIME))
    readLines(db, moves, Math.min(last, moves.entry + AT_A_TIME));
  const items = db.get("SELECT max(id) AS id FROM open_item")?.id ?? 0;
  for (let from = moves.customer.length; from <= items; from += AT_A_TIME)
    readItems(db, moves, from, Math.min(items, from + AT_A_TIME - 1));
  if (db.readsOnly) kept.set(db, moves);
  return moves;
}
var emptyMovements = (merges) => ({
  merges,
  customer: [],
  dueOn: [],
  issuedOn: [],
  isNote: [],
  currency: [],
  item: [],
  postedOn: [],
  own: [],
  book: [],
  now: [],
  entry: 0,
  customers: 0
});
function readLines(db, moves, to) {
  const rows = db.lists(
    ["l.item_id", "e.posted_on", "l.amount", "l.book_amount"],
    `FROM entry_line l CROSS JOIN entry e ON e.id = l.entry_id
    WHERE l.entry_id > ? AND l.entry_id <= ? AND l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')`,
    moves.entry,
    to
  );
  for (const [item, on, own, book] of rows) {
    moves.item.push(item);
    moves.postedOn.push(dayNumber(on));
    moves.own.push(own);
    moves.book.push(book);
    moves.now[item] = (moves.now[item] ?? 0) + own;
  }
}
function readItems(db, moves, from, to) {
  for (const [id, customer, dueOn, issuedOn, note, currency] of db.lists(
    ["id", "customer_id", "due_on", "issued_on", "kind = 'credit_note'", "currency"],
    "FROM open_item WHERE id BETWEEN ? AND ?",
    from,
    to
  )) {
    moves.customer[id] = customer;
    moves.customers = Math.max(moves.customers, customer);
    moves.dueOn[id] = dayNumber(dueOn);
    moves.issuedOn[id] = dayNumber(issuedOn);
    moves.isNote[id] = note === 1;
    moves.currency[id] = currency;
  }
}
function standingOn(moves, asOf, which) {
  const sums = new Float64Array(Math.max(moves.customer.length, 1));
  const { item, postedOn } = moves;
  const [amounts, until] = [moves[which], dayNumber(asOf)];
  for (let at = 0; at < item.length; at += 1)
    if ((postedOn[at] ?? 0) <= until)
      sums[item[at] ?? 0] = (sums[item[at] ?? 0] ?? 0) + (amounts[at] ?? 0);
  return sums;
}

export {
  payoutById,
  payoutByExternalId,
  insertPayout,
  completePayout,
  refreshNet,
  releasePayout,
  setPayoutState,
  openPayouts,
  insertTie,
  tiesOfAct,
  endTies,
  LUMP,
  payoutsBetween,
  openPayoutsIn,
  moveRows,
  moveBack,
  insertMerge,
  mergeOfAct,
  endMerge,
  receivableMovements,
  standingOn
};
