// src/db/documents.ts
var COLUMNS = {
  customerId: "customer_id",
  issuedOn: "issued_on",
  dueOn: "due_on",
  dueReason: "due_reason",
  terms: "terms",
  currency: "currency",
  poNumber: "po_number",
  note: "note",
  taxIncluded: "tax_included",
  taxRounded: "tax_rounded",
  discountPercent: "discount_percent",
  discountSum: "discount_sum",
  withholdingPercent: "withholding_percent",
  paysBy: "pays_by",
  net: "net",
  tax: "tax",
  total: "total"
};
var FIELDS = Object.keys(COLUMNS);
var DOCUMENT = `
  SELECT id, kind, stage, ${FIELDS.map((field) => `${COLUMNS[field]} AS ${field}`).join(", ")},
    order_ref AS orderRef, order_hash AS orderHash, credits_id AS creditsId, deposit_of AS depositOf, number,
    open_item_id AS openItemId, frozen, frozen_hash AS frozenHash, written_by AS writtenBy, version,
    approved_by AS approvedBy, approved_on AS approvedOn
  FROM document`;
var asRow = (row) => ({ ...row, taxIncluded: row.taxIncluded === 1 });
var found = (db, where, value) => {
  const row = db.get(`${DOCUMENT} WHERE ${where}`, value);
  return row && asRow(row);
};
var documentById = (db, id) => found(db, "id = ?", id);
var documentByNumber = (db, number) => found(db, "number = ?", number);
var documentOfOrder = (db, orderRef) => found(db, "order_ref = ?", orderRef);
var OF_ITEM = "open_item_id = ?1 OR number = (SELECT part_of FROM open_item WHERE id = ?1)";
var documentOfItem = (db, itemId) => found(db, OF_ITEM, itemId);
function creditNotesOf(db, documentId) {
  return db.all(`${DOCUMENT} WHERE credits_id = ? AND stage = 'approved' ORDER BY id`, documentId).map(asRow);
}
function insertDocument(db, head, content) {
  return db.run(
    `INSERT INTO document (kind, stage, order_ref, order_hash, credits_id, deposit_of, written_by,
       ${FIELDS.map((field) => COLUMNS[field]).join(", ")})
     VALUES (?, ?, ?, ?, ?, ?, ?, ${FIELDS.map(() => "?").join(", ")})`,
    head.kind,
    head.stage,
    head.orderRef,
    head.orderHash,
    head.creditsId,
    head.depositOf,
    head.writtenBy,
    ...valuesOf(content)
  ).id;
}
function changeDocument(db, id, content) {
  db.run(
    `UPDATE document SET ${FIELDS.map((field) => `${COLUMNS[field]} = ?`).join(", ")}, version = version + 1 WHERE id = ?`,
    ...valuesOf(content),
    id
  );
}
var valuesOf = (content) => FIELDS.map((field) => {
  const value = content[field];
  return typeof value === "boolean" ? Number(value) : value;
});
function setStage(db, id, stage) {
  db.run("UPDATE document SET stage = ? WHERE id = ?", stage, id);
}
function markApproved(db, id, approval) {
  db.run(
    `UPDATE document SET stage = 'approved', number = ?, open_item_id = ?, frozen = ?,
       frozen_hash = ?, approved_by = ?, approved_on = ?
     WHERE id = ?`,
    approval.number,
    approval.openItemId,
    approval.frozen,
    approval.frozenHash,
    approval.by,
    approval.on,
    id
  );
}

export {
  documentById,
  documentByNumber,
  documentOfOrder,
  documentOfItem,
  creditNotesOf,
  insertDocument,
  changeDocument,
  setStage,
  markApproved
};
