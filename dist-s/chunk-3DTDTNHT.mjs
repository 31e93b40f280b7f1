// src/db/statements.ts
function positionLines(db, customerIds, to) {
  return db.all(
    `WITH family AS (SELECT value AS id FROM json_each(?1)),
      items AS (SELECT 'open_item' AS kind, id FROM open_item WHERE customer_id IN (SELECT id FROM family) UNION ALL SELECT 'receipt', id FROM receipt WHERE customer_id IN (SELECT id FROM family))
     SELECT e.id AS entryId, e.posted_on AS "on", e.event, e.document, e.document_kind AS documentKind, e.document_id AS documentId, l.currency, sum(l.amount) AS amount
     FROM items CROSS JOIN entry_line l ON l.item_kind = items.kind AND l.item_id = items.id JOIN entry e ON e.id = l.entry_id
     WHERE l.account_id IN (SELECT id FROM account WHERE role IN ('receivables', 'credits')) AND e.posted_on <= ?2 GROUP BY e.id, l.currency HAVING sum(l.amount) <> 0 ORDER BY e.posted_on, e.id`,
    JSON.stringify(customerIds),
    to
  );
}
function openLinesAsOf(db, customerIds, asOf) {
  return db.all(
    `SELECT i.id, i.kind, i.number, c.name AS customer, i.issued_on AS issuedOn, i.due_on AS dueOn, i.currency, i.total, sum(l.amount) AS balance, sum(l.book_amount) AS bookBalance, i.po_number AS poNumber, i.description
     FROM open_item i JOIN customer c ON c.id = i.customer_id CROSS JOIN entry_line l ON l.item_kind = 'open_item' AND l.item_id = i.id JOIN entry e ON e.id = l.entry_id
     WHERE i.customer_id IN (SELECT value FROM json_each(?1)) AND e.posted_on <= ?2 AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY i.id HAVING sum(l.amount) <> 0 ORDER BY i.due_on, i.id`,
    JSON.stringify(customerIds),
    asOf
  );
}

export {
  positionLines,
  openLinesAsOf
};
