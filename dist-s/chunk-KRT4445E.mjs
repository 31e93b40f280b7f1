import {
  BOOK_CURRENCY,
  bookValue
} from "./chunk-WZI5MHZ3.mjs";

// src/db/openItems.ts
var BOOK_BALANCE = bookValue({
  table: "i",
  column: "balance",
  role: "receivables",
  kind: "open_item"
});
var BOOK_TOTAL = `CASE WHEN i.currency = ${BOOK_CURRENCY} THEN i.total ELSE coalesce((SELECT sum(l.book_amount) FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.item_kind = 'open_item' AND l.item_id = i.id AND e.event IN ('opening', 'invoice', 'credit_note') AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')), 0) END`;
var ITEM_COLUMNS = `i.id, i.kind, i.number, i.customer_id AS customerId, i.issued_on AS issuedOn, i.due_on AS dueOn, i.currency, i.total, i.tax, i.opened, i.balance, i.opened_on AS openedOn,
  i.po_number AS poNumber, i.terms, i.description, i.file_id AS fileId, i.line_no AS lineNo, i.part_of AS partOf, ${BOOK_BALANCE} AS bookBalance`;
function openItemById(db, id) {
  return db.get(`SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.id = ?`, id);
}
function openItemByNumber(db, number) {
  return db.get(`SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.number = ?`, number);
}
var openItemNumbers = (db) => db.all(
  "SELECT number, customer_id AS customerId, issued_on AS issuedOn, total FROM open_item ORDER BY id"
);
var MATCH_FIELDS = {
  id: "id",
  number: "number",
  customerId: "customer_id",
  issuedOn: "issued_on",
  dueOn: "due_on",
  currency: "currency",
  total: "total",
  balance: "balance",
  poNumber: "po_number",
  terms: "terms"
};
var OPEN = "open_item NOT INDEXED WHERE balance <> 0";
function itemsToMatch(db) {
  return db.many(MATCH_FIELDS, OPEN);
}
function openItemsOf(db, customerId) {
  return db.all(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.customer_id = ? AND i.balance <> 0 ORDER BY i.due_on, i.id`,
    customerId
  );
}
function partsOfInvoice(db, number) {
  return db.all(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.part_of = ? ORDER BY i.id`,
    number
  );
}
function closedNumbers(db, numbers) {
  return db.all(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.balance = 0 AND i.number IN (SELECT value FROM json_each(?))`,
    JSON.stringify(numbers)
  );
}
function insertOpenItem(db, item) {
  return db.run(
    `INSERT INTO open_item (kind, number, customer_id, issued_on, due_on, currency, total, tax, opened, balance, opened_on, po_number, terms, description, file_id, line_no, part_of)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    item.kind,
    item.number,
    item.customerId,
    item.issuedOn,
    item.dueOn,
    item.currency,
    item.total,
    item.tax,
    item.opened,
    item.balance,
    item.openedOn,
    item.poNumber,
    item.terms,
    item.description,
    item.fileId,
    item.lineNo,
    item.partOf ?? null
  ).id;
}
function changeBalance(db, id, by) {
  db.run("UPDATE open_item SET balance = balance + ? WHERE id = ?", by, id);
}
function dropOpened(db, id) {
  db.run("UPDATE open_item SET total = 0, opened = 0, balance = 0 WHERE id = ?", id);
}

export {
  ITEM_COLUMNS,
  openItemById,
  openItemByNumber,
  openItemNumbers,
  itemsToMatch,
  openItemsOf,
  partsOfInvoice,
  closedNumbers,
  insertOpenItem,
  changeBalance,
  dropOpened
};
