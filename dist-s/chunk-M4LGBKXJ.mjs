// src/db/letters.ts
var LETTER = `SELECT id, customer_id AS customerId, step, on_day AS onDay, to_address AS toAddress, copy_address AS copyAddress, reached, subject, body, currency, sum, message_id AS messageId, file_name AS fileName, delivery, attach, fee, coalesce(fee_currency, currency) AS feeCurrency, tries, next_try AS nextTry, came_back AS cameBack, receipt_id AS receiptId, act_id AS actId FROM letter`;
function insertLetter(db, letter, items) {
  const { id } = db.run(
    "INSERT INTO letter (customer_id, step, on_day, to_address, copy_address, subject, body, currency, sum, message_id, file_name, attach, fee, fee_currency, receipt_id, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    letter.customerId,
    letter.step,
    letter.onDay,
    letter.toAddress,
    letter.copyAddress,
    letter.subject,
    letter.body,
    letter.currency,
    letter.sum,
    letter.messageId,
    letter.fileName,
    letter.attach,
    letter.fee,
    letter.feeCurrency,
    letter.receiptId ?? null,
    letter.actId
  );
  for (const item of items)
    db.run(
      "INSERT INTO letter_item (letter_id, open_item_id, balance) VALUES (?, ?, ?)",
      id,
      item.openItemId,
      item.balance
    );
  return id;
}
function setDelivery(db, letterId, delivery, retry = { tries: 0, nextTry: null }) {
  db.run(
    "UPDATE letter SET delivery = ?, tries = ?, next_try = ? WHERE id = ?",
    delivery,
    retry.tries,
    retry.nextTry,
    letterId
  );
}
function setReached(db, letterId, addresses) {
  db.run("UPDATE letter SET reached = ? WHERE id = ?", addresses.join(", "), letterId);
}
function setCameBack(db, letterId, why) {
  db.run("UPDATE letter SET came_back = ? WHERE id = ?", why, letterId);
}
function letterByMessage(db, messageId) {
  return db.get(`${LETTER} WHERE message_id = ?`, messageId);
}
function lastLetterTo(db, address) {
  return db.get(
    `${LETTER} WHERE instr(lower(', ' || to_address || ', ' || copy_address || ', '), lower(', ' || ? || ', ')) > 0 ORDER BY id DESC LIMIT 1`,
    address
  );
}
function runSkips(db, onDay) {
  return new Map(
    db.all(
      "SELECT customer_id AS id, why FROM run_skip WHERE on_day = ?",
      onDay
    ).map(({ id, why }) => [id, why])
  );
}
function setRunSkip(db, customerId, onDay, why) {
  if (why === null)
    db.run("DELETE FROM run_skip WHERE customer_id = ? AND on_day = ?", customerId, onDay);
  else
    db.run(
      "INSERT INTO run_skip (customer_id, on_day, why) VALUES (?, ?, ?) ON CONFLICT (customer_id, on_day) DO UPDATE SET why = excluded.why",
      customerId,
      onDay,
      why
    );
}
function papersOfLetter(db, letterId) {
  return db.all(
    `SELECT min(i.id) AS id, coalesce(i.part_of, i.number) AS number
     FROM letter_item l JOIN open_item i ON i.id = l.open_item_id
     WHERE l.letter_id = ?
     GROUP BY coalesce(i.part_of, i.number)
     ORDER BY min(i.due_on), min(i.id)`,
    letterId
  );
}
function letterById(db, id) {
  return db.get(`${LETTER} WHERE id = ?`, id);
}
function lastLetterId(db) {
  return db.get("SELECT id FROM letter ORDER BY id DESC LIMIT 1")?.id;
}
function queuedLetters(db) {
  return db.all("SELECT id FROM letter WHERE delivery = 'queued'").map(({ id }) => id);
}

export {
  insertLetter,
  setDelivery,
  setReached,
  setCameBack,
  letterByMessage,
  lastLetterTo,
  runSkips,
  setRunSkip,
  papersOfLetter,
  letterById,
  lastLetterId,
  queuedLetters
};
