import {
  topOf
} from "./chunk-HT5266AL.mjs";

// src/db/customers.ts
var CUSTOMER = `SELECT id, external_id AS externalId, name, email, phone, parent_id AS parentId, left_out AS leftOut, merged_into AS mergedInto, file_id AS fileId, line_no AS lineNo FROM customer`;
function customerById(db, id) {
  return db.get(`${CUSTOMER} WHERE id = ?`, id);
}
function customerByExternalId(db, externalId) {
  const found = db.get(`${CUSTOMER} WHERE external_id = ?`, externalId);
  return found && standingFor(db, found);
}
function standingFor(db, customer) {
  let at = customer;
  for (let times = 0; at.mergedInto !== null && times < 50; times += 1)
    at = customerById(db, at.mergedInto) ?? at;
  return at;
}
function allCustomers(db) {
  const names = /* @__PURE__ */ new Map();
  for (const { customerId, alias } of db.all(
    "SELECT customer_id AS customerId, alias FROM customer_alias ORDER BY customer_id, alias"
  ))
    names.set(customerId, [...names.get(customerId) ?? [], alias]);
  const customers = db.many(
    {
      id: "id",
      externalId: "external_id",
      name: "name",
      email: "email",
      phone: "phone",
      parentId: "parent_id",
      leftOut: "left_out",
      mergedInto: "merged_into",
      fileId: "file_id",
      lineNo: "line_no"
    },
    "customer"
  ).filter(({ mergedInto }) => mergedInto === null).sort((a, b) => a.id - b.id);
  return names.size === 0 ? customers : customers.map((customer) => {
    const aliases = names.get(customer.id);
    return aliases === void 0 ? customer : { ...customer, aliases };
  });
}
function idsByName(db) {
  return db.lists(
    ["id"],
    "FROM (SELECT id FROM customer WHERE merged_into IS NULL ORDER BY name COLLATE NOCASE, id)"
  ).map(([id]) => id);
}
function headsOf(db) {
  const parents = new Map(
    db.lists(
      ["id", "parent_id"],
      "FROM customer WHERE parent_id IS NOT NULL AND merged_into IS NULL"
    )
  );
  return (id) => topOf(id, (amount) => parents.get(amount) ?? null);
}
function aliasesOf(db, customerId) {
  return db.all(
    "SELECT alias FROM customer_alias WHERE customer_id = ? ORDER BY alias",
    customerId
  ).map(({ alias }) => alias);
}
function insertAlias(db, customerId, alias) {
  db.run(
    "INSERT OR IGNORE INTO customer_alias (customer_id, alias) VALUES (?, ?)",
    customerId,
    alias
  );
}
function deleteAlias(db, customerId, alias) {
  db.run("DELETE FROM customer_alias WHERE customer_id = ? AND alias = ?", customerId, alias);
}
function familyOf(db, id) {
  return db.all(
    `WITH RECURSIVE up (id, depth) AS (SELECT ?1, 0 UNION SELECT c.parent_id, depth + 1 FROM customer c JOIN up ON c.id = up.id WHERE c.parent_id IS NOT NULL AND depth < 10),
       down (id) AS (SELECT id FROM up UNION SELECT c.id FROM customer c JOIN down ON c.parent_id = down.id)
     ${CUSTOMER} WHERE id IN (SELECT id FROM down) AND merged_into IS NULL ORDER BY id`,
    id
  );
}
function sitesOf(db, parentId) {
  return db.all(
    `${CUSTOMER} WHERE parent_id = ? AND merged_into IS NULL ORDER BY name`,
    parentId
  );
}
function insertCustomer(db, customer) {
  return db.run(
    "INSERT INTO customer (external_id, name, email, phone, parent_id, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?)",
    customer.externalId,
    customer.name,
    customer.email,
    customer.phone,
    customer.parentId,
    customer.fileId,
    customer.lineNo
  ).id;
}
function setParent(db, id, parentId) {
  db.run("UPDATE customer SET parent_id = ? WHERE id = ?", parentId, id);
}
function setLeftOut(db, id, reason) {
  db.run("UPDATE customer SET left_out = ? WHERE id = ?", reason, id);
}
function renewCustomer(db, id, told) {
  db.run(
    `UPDATE customer
     SET name = ?, email = coalesce(?, email), phone = coalesce(?, phone)
     WHERE id = ?`,
    told.name,
    told.email,
    told.phone,
    id
  );
}
function customerIdByName(db, name) {
  return db.get("SELECT id FROM customer WHERE name = ?", name)?.id ?? 0;
}
function setCustomer(db, id, fields) {
  db.run(
    "UPDATE customer SET name = ?, email = ?, phone = ?, parent_id = ? WHERE id = ?",
    fields.name,
    fields.email,
    fields.phone,
    fields.parentId,
    id
  );
}
function latestCustomerNumber(db) {
  return db.get(
    "SELECT external_id AS number FROM customer WHERE external_id GLOB '*[0-9]' ORDER BY id DESC LIMIT 1"
  )?.number ?? null;
}
function isAboveOf(db, customerId, below) {
  const seen = /* @__PURE__ */ new Set();
  for (let at = below; at !== null && !seen.has(at); ) {
    if (at === customerId) return true;
    seen.add(at);
    at = customerById(db, at)?.parentId ?? null;
  }
  return false;
}

export {
  customerById,
  customerByExternalId,
  allCustomers,
  idsByName,
  headsOf,
  aliasesOf,
  insertAlias,
  deleteAlias,
  familyOf,
  sitesOf,
  insertCustomer,
  setParent,
  setLeftOut,
  renewCustomer,
  customerIdByName,
  setCustomer,
  latestCustomerNumber,
  isAboveOf
};
