import {
  Matcher,
  numberWords
} from "./chunk-EZF23G65.mjs";
import {
  appliedSince,
  creditsByCustomer,
  insertApplication,
  partsOf,
  receiptsInState,
  updateReceipt
} from "./chunk-ZD2GVI7S.mjs";
import {
  inBook,
  postApplied,
  postBadDebt,
  postDiscount,
  postIdentified,
  postRecovery,
  postSmallDifference,
  postSurcharge
} from "./chunk-CST2UU67.mjs";
import {
  move
} from "./chunk-ELMUUMV5.mjs";
import {
  changeBalance,
  closedNumbers,
  itemsToMatch,
  openItemById
} from "./chunk-KRT4445E.mjs";
import {
  allCustomers,
  customerById,
  familyOf
} from "./chunk-47CXCVCB.mjs";
import {
  groupHead
} from "./chunk-HT5266AL.mjs";
import {
  readSettings,
  worthOn
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  addDays,
  minor,
  mulDiv,
  sumOf
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/db/learning.ts
var COUNTS = `r.customer_id IS NOT NULL
  AND NOT EXISTS (SELECT 1 FROM correction c JOIN act a ON a.id = c.act_id WHERE a.undone_by IS NULL AND c.not_customer_id = r.customer_id AND c.payer_name = r.payer_name AND c.payer_email = r.payer_email AND r.id <= c.up_to_receipt)
  AND NOT EXISTS (SELECT 1 FROM forgotten f JOIN act a ON a.id = f.act_id WHERE a.undone_by IS NULL AND f.what = 'payer' AND f.customer_id = r.customer_id AND f.payer_name = r.payer_name AND f.payer_email = r.payer_email AND r.id <= f.up_to_receipt)`;
function payerHistory(db) {
  return db.all(
    `SELECT payer_name AS payerName, payer_email AS payerEmail, customer_id AS customerId, count(*) AS times FROM receipt r WHERE ${COUNTS} GROUP BY 1, 2, 3`
  );
}
var REMEMBERED = (customer) => `r.id > coalesce((SELECT max(f.up_to_receipt) FROM forgotten f JOIN act a ON a.id = f.act_id WHERE a.undone_by IS NULL AND f.what = 'habit' AND f.customer_id = ${customer}), 0)`;
var LATENESS_FROM = 3;
function habits(db, customerId = null) {
  return db.all(
    `SELECT h.*, l.late FROM (SELECT customerId, count(*) AS receipts, sum(quoted) AS quoted, sum(n > 1) AS several FROM (
       SELECT r.id, r.customer_id AS customerId, count(*) AS n, max(instr(upper(r.reference), upper(i.number)) > 0) AS quoted
       FROM receipt r JOIN application p ON p.receipt_id = r.id AND p.ended_by IS NULL AND p.amount > 0 JOIN open_item i ON i.id = p.open_item_id
       WHERE r.customer_id IS NOT NULL AND (?1 IS NULL OR r.customer_id = ?1)
         AND ${REMEMBERED("r.customer_id")}
       GROUP BY r.id) GROUP BY customerId) h
     LEFT JOIN (SELECT customerId, CAST(round(avg(days)) AS INTEGER) AS late FROM (
       SELECT i.customer_id AS customerId, julianday(max(r.paid_on)) - julianday(i.due_on) AS days
       FROM open_item i JOIN application p ON p.open_item_id = i.id AND p.ended_by IS NULL JOIN receipt r ON r.id = p.receipt_id
       WHERE i.kind = 'invoice' AND i.balance = 0 AND (?1 IS NULL OR i.customer_id = ?1) AND ${REMEMBERED("i.customer_id")} GROUP BY i.id
     ) GROUP BY customerId HAVING count(*) >= ${LATENESS_FROM}) l ON l.customerId = h.customerId`,
    customerId
  );
}
var lastReceipt = "(SELECT coalesce(max(id), 0) FROM receipt)";
function insertCorrection(db, correction) {
  db.run(
    `INSERT INTO correction (receipt_id, payer_name, payer_email, not_customer_id, customer_id, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ?, ${lastReceipt}, ?)`,
    correction.receiptId,
    correction.payerName,
    correction.payerEmail,
    correction.notCustomerId,
    correction.customerId,
    correction.actId
  );
}
function insertForgotten(db, forgotten) {
  db.run(
    `INSERT INTO forgotten (customer_id, what, payer_name, payer_email, up_to_receipt, act_id) VALUES (?, ?, ?, ?, ${lastReceipt}, ?)`,
    forgotten.customerId,
    forgotten.what,
    forgotten.payerName,
    forgotten.payerEmail,
    forgotten.actId
  );
}

// src/db/remittances.ts
var REMITTANCE = "SELECT id, trace, paid_on AS paidOn, currency, sum, payer_name AS payerName, receipt_id AS receiptId, file_id AS fileId FROM remittance";
var remittancesNear = (db, [from, to], sum) => db.all(
  `SELECT trace, paid_on AS paidOn, payer_name AS payerName, (
         SELECT json_group_array(number ORDER BY line_no) FROM remittance_line WHERE remittance_id = r.id
       ) AS numbers
       FROM remittance r WHERE paid_on BETWEEN ? AND ? AND sum = ?`,
  from,
  to,
  sum
).map((row) => ({ ...row, numbers: JSON.parse(row.numbers) }));
function insertRemittance(db, remittance, lines) {
  const { id } = db.run(
    "INSERT INTO remittance (trace, paid_on, currency, sum, payer_name, file_id) VALUES (?, ?, ?, ?, ?, ?)",
    remittance.trace,
    remittance.paidOn,
    remittance.currency,
    remittance.sum,
    remittance.payerName,
    remittance.fileId
  );
  for (const line of lines)
    db.run(
      "INSERT INTO remittance_line (remittance_id, line_no, number, amount, discount) VALUES (?, ?, ?, ?, ?)",
      id,
      line.lineNo,
      line.number,
      line.amount,
      line.discount
    );
  return id;
}
function looseRemittances(db) {
  return db.all(`${REMITTANCE} WHERE receipt_id IS NULL ORDER BY id`);
}
var receiptsWithoutAdvice = (db, from, to) => db.all(
  `SELECT id, paid_on AS paidOn, currency, amount, payer_name AS payerName, reference FROM receipt r
     WHERE state = 'to_match' AND paid_on BETWEEN ? AND ?
       AND NOT EXISTS (SELECT 1 FROM remittance m WHERE m.receipt_id = r.id)
       AND NOT EXISTS (SELECT 1 FROM remittance_line l WHERE l.receipt_id = r.id)
     ORDER BY paid_on, id`,
  from,
  to
);
var looseAdvice = (db) => looseRemittances(db).map(({ id, trace, paidOn, currency, sum, payerName }) => ({
  ...{ id, trace, paidOn, currency, sum, payerName },
  lines: db.all(
    "SELECT line_no AS lineNo, amount FROM remittance_line WHERE remittance_id = ? ORDER BY line_no",
    id
  )
}));
function joinRemittance(db, { adviceId, receiptId, lineNos }) {
  const whole = "UPDATE remittance SET receipt_id = coalesce(receipt_id, ?) WHERE id = ?";
  db.run(whole, receiptId, adviceId);
  for (const lineNo of lineNos ?? [])
    db.run(
      "UPDATE remittance_line SET receipt_id = ? WHERE remittance_id = ? AND line_no = ?",
      receiptId,
      adviceId,
      lineNo
    );
}
var JOINED = "SELECT r.id AS receiptId, l.number, l.amount, l.discount FROM remittance m JOIN remittance_line l ON l.remittance_id = m.id JOIN receipt r ON r.id = coalesce(l.receipt_id, m.receipt_id)";
function remittanceLines(db, receiptId = null) {
  return db.all(
    `${JOINED} WHERE (?1 IS NULL OR r.id = ?1) AND (?1 IS NOT NULL OR r.state = 'to_match') ORDER BY m.id, l.line_no`,
    receiptId
  );
}

// src/server/match/proposals.ts
var DOUBLE_LOOK_BACK_DAYS = 30;
function toldByAdvice(lines) {
  const told = /* @__PURE__ */ new Map();
  for (const { receiptId, number, amount } of lines)
    told.set(receiptId, [...told.get(receiptId) ?? [], { number, amount }]);
  return told;
}
function wordsOf(receipts) {
  const words = receipts.flatMap(
    ({ reference, remittance }) => numberWords([reference, ...remittance.map(({ number }) => number)].join(" "))
  );
  return [...new Set(words.flatMap((word) => [word, word.toUpperCase()]))];
}
function matchingInput(db) {
  const settings = readSettings(db);
  const told = toldByAdvice(remittanceLines(db));
  const receipts = receiptsInState(db, "to_match").map((receipt) => ({
    ...receipt,
    amount: receipt.unidentified,
    remittance: told.get(receipt.id) ?? []
  }));
  const earliest = receipts[0]?.paidOn;
  const placed = earliest === void 0 ? [] : appliedSince(db, addDays(earliest, -DOUBLE_LOOK_BACK_DAYS));
  return {
    customers: allCustomers(db),
    items: itemsToMatch(db),
    receipts,
    history: payerHistory(db),
    habits: habits(db),
    credits: creditsByCustomer(db),
    closed: closedNumbers(db, wordsOf(receipts)),
    placed,
    settings: {
      discountGraceDays: settings.discountGraceDays,
      smallDifferenceLimit: settings.smallDifferenceLimit,
      surchargePercent: settings.surchargePercent,
      riskLimit: settings.wrongPerThousand / 1e3
    }
  };
}
var matched = /* @__PURE__ */ new WeakMap();
function proposalsOf(db) {
  if (receiptsInState(db, "to_match").length === 0) return [];
  const input = matchingInput(db);
  const updated = matched.get(db)?.update(input);
  if (updated) return updated;
  const matcher = new Matcher(input);
  matched.set(db, matcher);
  return matcher.all();
}

// src/db/approvals.ts
var APPROVAL = "SELECT id, receipt_id AS receiptId, tally, sum, why, asked_by AS askedBy, asked_on AS askedOn, state, decided_by AS decidedBy, decided_why AS decidedWhy, act_id AS actId FROM approval";
function insertApproval(db, approval) {
  return db.run(
    "INSERT INTO approval (receipt_id, tally, sum, why, asked_by, asked_on, act_id) VALUES (?, ?, ?, ?, ?, ?, ?)",
    approval.receiptId,
    approval.tally,
    approval.sum,
    approval.why,
    approval.askedBy,
    approval.askedOn,
    approval.actId
  ).id;
}
function approvalById(db, id) {
  return db.get(`${APPROVAL} WHERE id = ?`, id);
}
function approvalsWaiting(db) {
  return db.all(`${APPROVAL} WHERE state = 'waiting' ORDER BY id`);
}
function approvalOf(db, receiptId) {
  return db.get(`${APPROVAL} WHERE receipt_id = ? AND state = 'waiting'`, receiptId);
}
function decideApproval(db, id, to) {
  db.run(
    "UPDATE approval SET state = ?, decided_by = ?, decided_why = ? WHERE id = ? AND state = 'waiting'",
    to.state,
    to.by,
    to.why,
    id
  );
}
function setPlacedAct(db, id, actId) {
  db.run("UPDATE approval SET placed_act = ? WHERE id = ?", actId, id);
}
function reopenApproval(db, placedAct) {
  db.run(
    "UPDATE approval SET state = 'waiting', decided_by = NULL, decided_why = NULL, placed_act = NULL WHERE placed_act = ?",
    placedAct
  );
}

// src/db/writeOffs.ts
var ROWS = `SELECT w.id, w.open_item_id AS itemId, i.number, i.customer_id AS customerId, c.name AS customer, i.currency, w.sum, w.tax, w.kind, w.why, w.asked_by AS askedBy, w.asked_on AS askedOn, w.state, w.decided_by AS decidedBy, w.decided_why AS decidedWhy, w.act_id AS actId, w.posted_act AS postedAct
  FROM write_off w JOIN open_item i ON i.id = w.open_item_id JOIN customer c ON c.id = i.customer_id`;
function insertWriteOff(db, row) {
  return db.run(
    "INSERT INTO write_off (open_item_id, sum, kind, why, asked_by, asked_on, state, act_id) VALUES (?, ?, ?, ?, ?, ?, 'waiting', ?)",
    row.itemId,
    row.sum,
    row.kind,
    row.why,
    row.askedBy,
    row.askedOn,
    row.actId
  ).id;
}
function writeOffById(db, id) {
  return db.get(`${ROWS} WHERE w.id = ?`, id);
}
function writeOffsOf(db, itemId) {
  return db.all(`${ROWS} WHERE w.open_item_id = ? ORDER BY w.id DESC`, itemId);
}
function writeOffOfAct(db, actId) {
  return db.get(`${ROWS} WHERE w.act_id = ?1 OR w.posted_act = ?1`, actId);
}
function decideWriteOffRow(db, id, to) {
  db.run(
    "UPDATE write_off SET state = ?, decided_by = ?, decided_why = ?, tax = ?, posted_act = ? WHERE id = ?",
    to.state,
    to.by,
    to.why,
    to.tax,
    to.postedAct,
    id
  );
}
function recoverable(db, customerIds, currency) {
  return minor(Math.max(0, givenUpLessPaid(db, customerIds, currency)));
}
function overRecovered(db, customerIds, currency) {
  return minor(Math.max(0, -givenUpLessPaid(db, customerIds, currency)));
}
function givenUpLessPaid(db, customerIds, currency) {
  const among = customerIds.map(Number).join(", ");
  const found = db.get(
    `SELECT coalesce((SELECT sum(p.small_difference) FROM open_item i JOIN application p ON p.open_item_id = i.id WHERE i.customer_id IN (${among}) AND i.currency = ?1 AND p.write_off = 'bad_debt' AND p.ended_by IS NULL), 0)
       + coalesce((SELECT sum(w.sum) FROM open_item i JOIN write_off w ON w.open_item_id = i.id WHERE i.customer_id IN (${among}) AND i.currency = ?1 AND w.kind = 'bad_debt' AND w.state = 'posted'), 0)
       - coalesce((SELECT sum(recovered) FROM receipt WHERE customer_id IN (${among}) AND currency = ?1), 0) AS left`,
    currency
  );
  return found?.left ?? 0;
}
function insertAllowanceMove(db, onDay, sum, actId) {
  db.run("INSERT INTO allowance_move (on_day, sum, act_id) VALUES (?, ?, ?)", onDay, sum, actId);
}

// src/server/match/steps/checkTally.ts
function checkTally(ctx, receipt, tally) {
  const found = itemsToPay(ctx, receipt, tally);
  if (!found.ok) return found;
  const items = found.value;
  const sums = sumsOf(tally);
  const { applied, surcharge, recovered, rest } = sums;
  if (surcharge < 0 || surcharge > 0 && applied <= 0) return fail("tally.surcharge");
  if (rest < 0) return fail("tally.over", { by: ctx.sum(-rest, receipt.currency) });
  const owner = tally.customerId ?? items[0]?.customerId ?? null;
  if (owner === null) return fail("tally.empty");
  const problem = ownerProblem(ctx, owner, items) ?? recoveryProblem(ctx, owner, receipt, recovered);
  return problem ?? ok({ items, ...sums, customerId: owner });
}
function sumsOf({
  lines,
  available,
  surcharge = minor(0),
  recovered = minor(0)
}) {
  const applied = sumOf(lines, (line) => line.amount);
  const rest = add(available, -applied, -surcharge, -recovered);
  return { applied, surcharge, recovered, rest };
}
function itemsToPay(ctx, receipt, { lines, writeOffs = "within limit" }) {
  const items = [];
  for (const line of lines) {
    const item = openItemById(ctx.db, line.itemId);
    if (!item) return fail("tally.empty");
    const problem = lineProblem(ctx, { receipt, item, line, writeOffs });
    if (problem) return problem;
    items.push(item);
  }
  return new Set(items.map(({ id }) => id)).size === lines.length ? ok(items) : fail("tally.sign", { number: items[0]?.number });
}
function ownerProblem(ctx, owner, items) {
  if (!customerById(ctx.db, owner)) return fail("customer.unknown", { id: owner });
  const stranger = items.find(
    (item) => item.customerId !== owner && headOf(ctx, item.customerId) !== headOf(ctx, owner)
  );
  return stranger ? fail("tally.customer", { number: stranger.number }) : null;
}
function recoveryProblem(ctx, owner, { currency }, recovered) {
  if (recovered === 0) return null;
  if (recovered < 0) return fail("tally.over", { by: ctx.sum(-recovered, currency) });
  const family = familyOf(ctx.db, owner).map(({ id }) => id);
  const most = recoverable(ctx.db, family, currency);
  return recovered > most ? fail("tally.recovered", { most: ctx.sum(most, currency) }) : null;
}
function headOf(ctx, id) {
  const line = /* @__PURE__ */ new Map();
  for (let at = customerById(ctx.db, id); at && !line.has(at.id); at = at.parentId === null ? void 0 : customerById(ctx.db, at.parentId))
    line.set(at.id, at);
  const customer = line.get(id);
  return customer ? groupHead(customer, line) : id;
}
function lineProblem(ctx, { receipt, item, line, writeOffs }) {
  const taken = add(line.amount, line.discount, line.smallDifference);
  const { number } = item;
  if (item.currency !== receipt.currency) return fail("tally.currency", { number });
  if (line.amount === 0 && taken === 0) return fail("tally.sign", { number });
  if (!isOfSign(item, line, taken)) return fail("tally.sign", { number });
  if (Math.abs(taken) > Math.abs(item.balance))
    return fail("tally.item", {
      number,
      balance: ctx.sum(item.balance, item.currency),
      wanted: ctx.sum(taken, item.currency)
    });
  if (writeOffs === "within limit" && isOverLimit(ctx, receipt, line.smallDifference))
    return fail("tally.small", {
      sum: ctx.sum(line.smallDifference, receipt.currency),
      limit: ctx.sum(ctx.settings.smallDifferenceLimit)
    });
  return null;
}
var isOfSign = (item, line, taken) => item.balance > 0 ? line.amount >= 0 && line.discount >= 0 && taken >= 0 : line.amount <= 0 && line.discount === 0;
function isOverLimit(ctx, receipt, difference) {
  return isOver(ctx, difference, receipt.currency, receipt.settledOn);
}
function isOver(ctx, sum, currency, on) {
  return Math.abs(worthOn(ctx.db, { amount: sum, currency, book: ctx.settings.currency, on })) > ctx.settings.smallDifferenceLimit;
}

// src/server/match/steps/applyTally.ts
function applyTally(ctx, tally) {
  const { receipt, lines, checked, from } = tally;
  const moved = move(receipt.state, partsOf(receipt), eventOf(tally));
  if (!moved.ok) return moved;
  const actId = ctx.act(
    "place",
    { kind: "receipt", id: receipt.id, customerId: checked.customerId },
    placedInWords(ctx, tally)
  );
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: from === "credits" ? receipt.customerId : checked.customerId,
    reason: null
  });
  const post = (draft) => ctx.post(draft, actId);
  for (const draft of entriesOfReceipt(ctx, tally)) post(draft);
  for (const line of lines) {
    const given = givenUpBy(ctx, tally, line);
    for (const draft of entriesOfLine(ctx, tally, line, given)) post(draft);
    changeBalance(ctx.db, line.itemId, -add(line.amount, line.discount, line.smallDifference));
    insertApplication(ctx.db, {
      receiptId: receipt.id,
      openItemId: line.itemId,
      amount: line.amount,
      discount: line.discount,
      smallDifference: line.smallDifference,
      ...given,
      onDay: headOf2(ctx, tally).on,
      actId
    });
  }
  return ok(actId);
}
function eventOf({ checked, from }) {
  const { applied, rest, surcharge, recovered } = checked;
  return from === "unidentified" ? { kind: "placed", applied, onAccount: rest, surcharge, recovered } : { kind: "moved_from_account", applied };
}
function placedInWords(ctx, { receipt, checked, from }) {
  const sum = (amount) => ctx.sum(amount, receipt.currency);
  const { items, applied, surcharge, recovered, rest } = checked;
  const parts = [items.map(({ number }) => number).join(", ")];
  if (surcharge > 0) parts.push(`${sum(surcharge)} surcharge`);
  if (recovered > 0) parts.push(`${sum(recovered)} for a debt written off`);
  if (from === "unidentified" && rest > 0) parts.push(`${sum(rest)} on account`);
  const placed = from === "unidentified" ? receipt.unidentified : applied;
  return `${sum(placed)} placed: ${parts.filter((part) => part !== "").join(", ")}`;
}
var headOf2 = (ctx, { receipt, checked }) => ({
  on: ctx.today > receipt.settledOn ? ctx.today : receipt.settledOn,
  partyId: checked.customerId,
  document: {
    kind: "receipt",
    id: receipt.id,
    text: `receipt ${receipt.id}, ${receipt.payerName || receipt.payerEmail}`
  }
});
function entriesOfReceipt(ctx, tally) {
  const { receipt, lines, checked, from } = tally;
  const head = { ...headOf2(ctx, tally), receiptId: receipt.id };
  const sum = (amount) => inBook(amount, receipt.currency);
  const { rest, surcharge, recovered } = checked;
  const to = lines.filter(({ amount }) => amount !== 0).map(({ itemId, amount }) => ({ itemId, sum: sum(amount) }));
  const drafts = [];
  if (from === "unidentified" && rest > 0) drafts.push(postIdentified({ ...head, sum: sum(rest) }));
  if (surcharge !== 0) drafts.push(postSurcharge({ ...head, sum: sum(surcharge) }));
  if (recovered !== 0) drafts.push(postRecovery({ ...head, sum: sum(recovered) }));
  if (to.length > 0) drafts.push(postApplied({ ...head, from, to }));
  return drafts;
}
function givenUpBy(ctx, tally, line) {
  const { taxOnDiscounts, taxOnBadDebts } = ctx.settings;
  const item = tally.checked.items.find(({ id }) => id === line.itemId);
  const bad = isOverLimit(ctx, tally.receipt, line.smallDifference);
  return {
    writeOff: bad ? "bad_debt" : "small",
    discountTax: taxOnDiscounts ? taxIn(line.discount, item) : minor(0),
    writeOffTax: bad && taxOnBadDebts ? taxIn(line.smallDifference, item) : minor(0)
  };
}
function entriesOfLine(ctx, tally, { itemId, discount, smallDifference }, { writeOff, discountTax, writeOffTax }) {
  const head = { ...headOf2(ctx, tally), itemId };
  const sum = (amount) => inBook(amount, tally.receipt.currency);
  const drafts = [];
  if (discount !== 0)
    drafts.push(postDiscount({ ...head, sum: sum(discount), tax: sum(discountTax) }));
  if (smallDifference !== 0)
    drafts.push(
      writeOff === "small" ? postSmallDifference({ ...head, sum: sum(smallDifference) }) : postBadDebt({ ...head, sum: sum(smallDifference), tax: sum(writeOffTax) })
    );
  return drafts;
}
function taxIn(part, item) {
  return item === void 0 || item.total === 0 ? minor(0) : mulDiv(part, item.tax, item.total, "half-even");
}

export {
  remittancesNear,
  insertRemittance,
  receiptsWithoutAdvice,
  looseAdvice,
  joinRemittance,
  insertApproval,
  approvalById,
  approvalsWaiting,
  approvalOf,
  decideApproval,
  setPlacedAct,
  reopenApproval,
  insertCorrection,
  insertForgotten,
  insertWriteOff,
  writeOffById,
  writeOffsOf,
  writeOffOfAct,
  decideWriteOffRow,
  overRecovered,
  insertAllowanceMove,
  checkTally,
  isOverLimit,
  isOver,
  applyTally,
  taxIn,
  proposalsOf
};
