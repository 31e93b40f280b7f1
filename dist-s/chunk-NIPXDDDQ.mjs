// src/db/accountPages.ts
var VISITS = ["opened", "statement", "invoice"];
function linkOf(db, customerId) {
  const found = db.get(
    "SELECT token FROM account_link WHERE customer_id = ?",
    customerId
  );
  if (!found) throw new Error("every customer has a link");
  return found.token;
}
function customerOfLink(db, token) {
  return db.get(
    `WITH RECURSIVE owner (id) AS (
       SELECT customer_id FROM account_link WHERE token = ?
       UNION SELECT c.merged_into FROM customer c JOIN owner o ON c.id = o.id WHERE c.merged_into IS NOT NULL
     )
     SELECT c.id FROM owner o JOIN customer c ON c.id = o.id WHERE c.merged_into IS NULL`,
    token
  )?.id;
}
function renewLink(db, customerId) {
  db.run(
    "UPDATE account_link SET token = lower(hex(randomblob(24))) WHERE customer_id = ?",
    customerId
  );
}
function insertVisit(db, { customerId, onDay, what, itemId, at }) {
  db.run(
    "INSERT OR IGNORE INTO account_visit (customer_id, on_day, what, open_item_id, at) VALUES (?, ?, ?, ?, ?)",
    customerId,
    onDay,
    what,
    itemId,
    at
  );
}

export {
  VISITS,
  linkOf,
  customerOfLink,
  renewLink,
  insertVisit
};
