// src/db/customerCards.ts
var BLANK = {
  address: [],
  country: null,
  taxNumber: null,
  terms: null,
  currency: null,
  way: "mail",
  paysBy: null,
  notes: "",
  look: null
};
function cardOf(db, customerId) {
  const row = db.get(
    `SELECT address, country, tax_number AS taxNumber, terms, currency, way, pays_by AS paysBy, notes, look
     FROM customer_card WHERE customer_id = ?`,
    customerId
  );
  if (!row) return BLANK;
  return {
    ...row,
    address: row.address === "" ? [] : row.address.split("\n"),
    paysBy: row.paysBy === null ? null : row.paysBy.split(",")
  };
}
function setCard(db, customerId, card) {
  db.run(
    `INSERT INTO customer_card (customer_id, address, country, tax_number, terms, currency, way, pays_by, notes, look)
     VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, ?10)
     ON CONFLICT (customer_id) DO UPDATE SET address = ?2, country = ?3, tax_number = ?4, terms = ?5,
       currency = ?6, way = ?7, pays_by = ?8, notes = ?9, look = ?10`,
    customerId,
    card.address.join("\n"),
    card.country,
    card.taxNumber,
    card.terms,
    card.currency,
    card.way,
    card.paysBy?.join(",") ?? null,
    card.notes,
    card.look
  );
}
function insertEdit(db, actId, customerId, before) {
  db.run(
    "INSERT INTO customer_edit (act_id, customer_id, before) VALUES (?, ?, ?)",
    actId,
    customerId,
    JSON.stringify(before)
  );
}
function editOfAct(db, actId) {
  return db.get(
    "SELECT customer_id AS customerId, before FROM customer_edit WHERE act_id = ?",
    actId
  );
}
function laterEdits(db, actId, customerId) {
  return db.get(
    `SELECT count(*) AS n FROM customer_edit e JOIN act a ON a.id = e.act_id
       WHERE e.customer_id = ? AND e.act_id > ? AND a.undone_by IS NULL`,
    customerId,
    actId
  )?.n ?? 0;
}

// src/db/followed.ts
var FOLLOWED = "SELECT customer_id AS customerId, ladder_id AS ladderId, language, by_itself AS byItself, smallest, quiet_until AS quietUntil FROM customer_followup";
function followedRows(db) {
  return db.all(FOLLOWED).map((row) => ({ ...row, byItself: row.byItself === 1 }));
}
function followedRow(db, customerId) {
  const row = db.get(
    `${FOLLOWED} WHERE customer_id = ?`,
    customerId
  );
  return row ? { ...row, byItself: row.byItself === 1 } : followedAs(customerId);
}
function followedAs(customerId) {
  return {
    customerId,
    ladderId: null,
    language: "en",
    byItself: false,
    smallest: null,
    quietUntil: null
  };
}
function setFollowed(db, row) {
  db.run(
    `INSERT INTO customer_followup (customer_id, ladder_id, language, by_itself, smallest, quiet_until) VALUES (?1, ?2, ?3, ?4, ?5, ?6)
     ON CONFLICT (customer_id) DO UPDATE SET ladder_id = ?2, language = ?3, by_itself = ?4, smallest = ?5, quiet_until = ?6`,
    row.customerId,
    row.ladderId,
    row.language,
    Number(row.byItself),
    row.smallest,
    row.quietUntil
  );
}
function itemsLeftOut(db) {
  return new Map(
    db.all("SELECT open_item_id AS id, reason FROM item_left_out").map(({ id, reason }) => [id, reason])
  );
}
function setItemLeftOut(db, itemId, reason) {
  db.run("DELETE FROM item_left_out WHERE open_item_id = ?", itemId);
  if (reason !== null)
    db.run("INSERT INTO item_left_out (open_item_id, reason) VALUES (?, ?)", itemId, reason);
}
function stepsSaid(db) {
  const said = /* @__PURE__ */ new Map();
  const rows = db.all(
    `SELECT customer_id AS customerId, step, on_day AS "on" FROM letter WHERE step > 0 UNION ALL
     SELECT c.customer_id, c.step, c.on_day FROM contact c JOIN act a ON a.id = c.act_id WHERE c.step IS NOT NULL AND a.undone_by IS NULL`
  );
  for (const { customerId, step, on } of rows) {
    const list = said.get(customerId);
    if (list) list.push({ step, on });
    else said.set(customerId, [{ step, on }]);
  }
  return said;
}

export {
  cardOf,
  setCard,
  insertEdit,
  editOfAct,
  laterEdits,
  followedRows,
  followedRow,
  followedAs,
  setFollowed,
  itemsLeftOut,
  setItemLeftOut,
  stepsSaid
};
