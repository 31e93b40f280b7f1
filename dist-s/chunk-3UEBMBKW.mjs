import {
  applyTally,
  approvalOf,
  checkTally,
  decideApproval,
  decideWriteOffRow,
  insertApproval,
  insertCorrection,
  insertRemittance,
  isOverLimit,
  joinRemittance,
  looseAdvice,
  overRecovered,
  proposalsOf,
  receiptsWithoutAdvice,
  remittancesNear,
  reopenApproval,
  writeOffOfAct
} from "./chunk-3TMTUJPD.mjs";
import {
  nameWords,
  payersFor
} from "./chunk-EZF23G65.mjs";
import {
  completePayout,
  endMerge,
  endTies,
  insertMerge,
  insertPayout,
  insertTie,
  mergeOfAct,
  moveBack,
  moveRows,
  openPayouts,
  payoutByExternalId,
  payoutById,
  receivableMovements,
  refreshNet,
  releasePayout,
  setPayoutState,
  tiesOfAct
} from "./chunk-RO3WTR75.mjs";
import {
  bankAccounts,
  bankLineByExternalId,
  bankLineById,
  bankLinesBetween,
  bounceLinesOf,
  idInOtherBankAccount,
  insertBankLine,
  openBankLines,
  proofInWords,
  proofs,
  setBankLineState
} from "./chunk-SJVNGOAI.mjs";
import {
  insertLetter
} from "./chunk-M4LGBKXJ.mjs";
import {
  BUCKETS,
  agingOf,
  totalAging
} from "./chunk-KA42FKD4.mjs";
import {
  COLUMNS,
  applicationsOfReceipt,
  creditsKept,
  customerOfReceipt,
  deleteUntouchedReceipt,
  disputedReceipts,
  endApplication,
  insertReceipt,
  partsOf,
  receiptById,
  receiptsInState,
  reviveApplication,
  setDisputed,
  updateReceipt
} from "./chunk-ZD2GVI7S.mjs";
import {
  receiptLetter
} from "./chunk-NRWURLOU.mjs";
import {
  before,
  commandOfFile,
  commandsAfter,
  defineCommand,
  isSealed,
  markFileUndone,
  namesWhatIsGone,
  putBackRows
} from "./chunk-TFINCUNW.mjs";
import {
  entriesOfAct,
  entriesOfDocument,
  entryById,
  inBook,
  isoDay,
  keptFile,
  linesOfEntry,
  postAchReturn,
  postAdjustment,
  postBankFee,
  postBounced,
  postCreditNote,
  postDeposited,
  postDispute,
  postDisputeLost,
  postElsewhere,
  postFee,
  postFeeAccrued,
  postFeeBilled,
  postInvoice,
  postLateFee,
  postOpening,
  postOtherIncome,
  postParkedDifference,
  postPayoutTied,
  postReceiptAtBank,
  postReceiptByHand,
  postReceiptSettled,
  postRefund,
  postRefundAtBank,
  postReserve,
  postReturnFeeCharged,
  postRevalued,
  postReversal,
  postSetAside,
  postSetOff
} from "./chunk-HCLLIY37.mjs";
import {
  actById,
  actsOf,
  actsOfCommand,
  markUndone
} from "./chunk-55UEKTAP.mjs";
import {
  inWords
} from "./chunk-VFPHQTCB.mjs";
import {
  documentById
} from "./chunk-VU6MJZGF.mjs";
import {
  ACTIVITY_ORDER,
  ADVICE_DAYS,
  FEE_KINDS,
  FIELDS,
  FILE_KINDS,
  FILE_KIND_TRAITS,
  HEADING,
  JOURNAL_FIELDS,
  PROCESSOR_ITEM_KINDS,
  ROW_KINDS,
  ROW_KIND_NAMES,
  advicesOf,
  dayInZone,
  decodeText,
  expectedPayoutDay,
  formatOf,
  guessColumns,
  guessRowKind,
  headWords,
  headedAt,
  isGroupName,
  joinAdvice,
  markOf,
  missingFields,
  missingInWords,
  move,
  ofSameLine,
  plainWords,
  readActivity,
  readBankLine,
  readCustomer,
  readInvoice,
  readRemittance,
  readReturn,
  readRows,
  retryOf,
  withoutAccents
} from "./chunk-KO2L2HI2.mjs";
import {
  ACTIVITY_TABLES,
  PROCESSOR_ITEMS
} from "./chunk-IAIVUFHX.mjs";
import {
  changeBalance,
  dropOpened,
  insertOpenItem,
  openItemById,
  openItemByNumber,
  openItemNumbers,
  openItemsOf
} from "./chunk-KRT4445E.mjs";
import {
  editOfAct,
  followedAs,
  followedRow,
  followedRows,
  insertEdit,
  itemsLeftOut,
  laterEdits,
  setCard,
  stepsSaid
} from "./chunk-JF77VF3J.mjs";
import {
  linkOf
} from "./chunk-NIPXDDDQ.mjs";
import {
  aliasesOf,
  allCustomers,
  customerByExternalId,
  customerById,
  deleteAlias,
  familyOf,
  insertAlias,
  insertCustomer,
  isAboveOf,
  renewCustomer,
  setCustomer,
  setParent
} from "./chunk-47CXCVCB.mjs";
import {
  groupHead,
  reachedBy
} from "./chunk-HT5266AL.mjs";
import {
  BOOK_CURRENCY,
  bookValue,
  currenciesWithRates,
  foreignAsOf,
  inOther,
  insertRevaluation,
  rateOn,
  readSettings,
  revaluations,
  undoRevaluations,
  worthOn
} from "./chunk-WZI5MHZ3.mjs";
import {
  LARGEST_TOTAL,
  ZERO,
  add,
  addBankingDays,
  addDays,
  addMonths,
  bankingDaysBetween,
  currencyOf,
  dayNumber,
  dayOfNumber,
  daysBetween,
  dueDay,
  earlierFirst,
  endOfMonth,
  formatAmount,
  formatDay,
  formatMoney,
  inCurrency,
  isBankingDay,
  isBookDay,
  isCut,
  minor,
  minorDigits,
  mulDiv,
  negate,
  ownRate,
  parseAmount,
  parseDay,
  parseTerms,
  percentOf,
  ratioOf,
  split,
  sumOf,
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/db/processor.ts
var ITEM = `SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, kind, occurred_on AS occurredOn, settled_on AS settledOn, currency, amount, payout_id AS payoutId, receipt_id AS receiptId,
  related_id AS relatedId, origin, reason, settled_state AS settledState, return_code AS returnCode, answer_by AS answerBy, answered_on AS answeredOn, brand, abroad, file_id AS fileId, line_no AS lineNo FROM processor_item`;
function processorItemById(db, id) {
  return db.get(`${ITEM} WHERE id = ?`, id);
}
function processorItemByExternalId(db, accountId, kind, externalId) {
  return db.get(
    `${ITEM} WHERE processor_account_id = ? AND kind = ? AND external_id = ?`,
    accountId,
    kind,
    externalId
  );
}
function insertProcessorItem(db, item, receiptId) {
  return db.insert(
    PROCESSOR_ITEMS,
    item.processorAccountId,
    item.externalId,
    item.kind,
    item.occurredOn,
    item.settledOn,
    item.currency,
    item.amount,
    item.payoutId,
    receiptId,
    item.relatedId,
    item.origin,
    item.reason,
    item.settledState,
    item.returnCode ?? null,
    item.answerBy ?? null,
    item.brand ?? null,
    item.abroad ?? 0,
    item.fileId,
    item.lineNo
  );
}
function itemsKnown(db, accountId, items) {
  const known9 = db.all(
    "SELECT i.kind, i.external_id AS externalId, i.amount, i.occurred_on AS occurredOn, i.file_id AS fileId FROM json_each(?) j CROSS JOIN processor_item i ON i.processor_account_id = ? AND i.kind = j.value ->> 0 AND i.external_id = j.value ->> 1",
    JSON.stringify(items),
    accountId
  );
  return new Map(known9.map(({ kind, externalId, ...item }) => [`${kind} ${externalId}`, item]));
}
function setReceiptOfItem(db, id, receiptId) {
  db.run("UPDATE processor_item SET receipt_id = ?, reason = NULL WHERE id = ?", receiptId, id);
}
function idInOtherProcessorAccount(db, accountId, externalId) {
  return db.get(
    `SELECT a.name FROM processor_account a
     WHERE a.id <> ? AND EXISTS (
       SELECT 1 FROM processor_item i
       WHERE i.processor_account_id = a.id AND i.external_id = ?
         AND i.kind IN ('charge', 'refund', 'dispute', 'ach_return', 'fee', 'adjustment', 'reserve')
     )`,
    accountId,
    externalId
  )?.name;
}
function adoptItem(db, id, externalId, payoutId) {
  db.run(
    "UPDATE processor_item SET external_id = ?, payout_id = ? WHERE id = ?",
    externalId,
    payoutId,
    id
  );
}
function setReturnCode(db, id, code) {
  db.run("UPDATE processor_item SET return_code = ? WHERE id = ?", code, id);
}
var openDisputes = (db) => db.all(
  `SELECT id, external_id AS externalId, occurred_on AS occurredOn, answered_on AS answeredOn FROM processor_item
     WHERE kind = 'dispute' AND settled_state = 'opened' ORDER BY id`
);
function setDisputeState(db, id, state) {
  db.run("UPDATE processor_item SET settled_state = ? WHERE id = ?", state, id);
}
function itemsOfReceipt(db, receiptId) {
  return db.all(
    `${ITEM} WHERE receipt_id = ? AND withdrawn = 0 ORDER BY id`,
    receiptId
  );
}
function moveItem(db, item, toPayout, actId) {
  db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", toPayout, item.id);
  db.run(
    "INSERT INTO item_move (act_id, item_id, from_payout, to_payout) VALUES (?, ?, ?, ?)",
    actId,
    item.id,
    item.payoutId,
    toPayout
  );
}
function moveBack2(db, actId) {
  const moves = db.all(
    "SELECT item_id AS itemId, from_payout AS fromPayout, to_payout AS toPayout FROM item_move WHERE act_id = ?",
    actId
  );
  for (const { itemId, fromPayout } of moves)
    db.run("UPDATE processor_item SET payout_id = ? WHERE id = ?", fromPayout, itemId);
  return [
    ...new Set(
      moves.flatMap(
        ({ fromPayout, toPayout }) => [fromPayout, toPayout].filter((id) => id !== null)
      )
    )
  ];
}
function claimSpan(db, { payoutId, accountId, from, to }) {
  return db.run(
    "UPDATE processor_item SET payout_id = ? WHERE processor_account_id = ? AND payout_id IS NULL AND withdrawn = 0 AND settled_on BETWEEN ? AND ?",
    payoutId,
    accountId,
    from,
    to
  ).changes;
}
function setReason(db, itemId, reason) {
  db.run("UPDATE processor_item SET reason = ? WHERE id = ?", reason, itemId);
}

// src/db/charges.ts
function orphanedCharges(db, accountId) {
  return db.ids(
    "SELECT DISTINCT related_id AS id FROM processor_item WHERE processor_account_id = ? AND receipt_id IS NULL AND related_id IS NOT NULL AND kind <> 'charge'",
    accountId
  );
}
function orphansOf(db, accountId, chargeId2) {
  return db.all(
    `${ITEM} WHERE processor_account_id = ? AND related_id = ? AND receipt_id IS NULL AND kind <> 'charge' AND withdrawn = 0 ORDER BY id`,
    accountId,
    chargeId2
  );
}
function chargeByTrace(db, trace) {
  const found = db.all(
    `${ITEM} WHERE kind = 'charge' AND withdrawn = 0 AND external_id IN (?1, ltrim(?1, '0'), substr(?1, 9), ltrim(substr(?1, 9), '0')) ORDER BY external_id <> ?1, id LIMIT 2`,
    trace
  );
  const [first2, second] = found;
  return second && first2?.externalId !== trace ? void 0 : first2;
}
function returnOfCharge(db, charge, amount2) {
  return db.get(
    `${ITEM} WHERE processor_account_id = ? AND kind = 'ach_return' AND related_id = ? AND amount = ? AND withdrawn = 0`,
    charge.processorAccountId,
    charge.externalId,
    -amount2
  );
}
function openDisputesOf(db, receiptId) {
  return db.all(
    `SELECT id FROM processor_item
       WHERE receipt_id = ? AND kind = 'dispute' AND settled_state = 'opened'`,
    receiptId
  ).map(({ id }) => id);
}
function chargeOfReceipt(db, receiptId) {
  return db.get(
    `SELECT i.external_id AS externalId, a.name AS account,
       (SELECT -sum(f.amount) FROM processor_item f
        WHERE f.kind = 'fee' AND f.processor_account_id = i.processor_account_id
          AND f.related_id = i.external_id) AS fee
     FROM processor_item i
     JOIN processor_account a ON a.id = i.processor_account_id
     WHERE i.receipt_id = ? AND i.kind = 'charge'`,
    receiptId
  );
}

// src/db/files.ts
var FILE = `SELECT id, sha256, name, size, kind, mapping, imported_at AS importedAt, on_day AS onDay, actor, rows_new AS rowsNew, rows_known AS rowsKnown, rows_changed AS rowsChanged, rows_refused AS rowsRefused, undone_by AS undoneBy FROM import_file`;
function insertImportFile(db, file) {
  return db.run(
    "INSERT INTO import_file (sha256, name, size, kind, mapping, imported_at, on_day, actor, rows_new, rows_known, rows_changed, rows_refused) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    file.sha256,
    file.name,
    file.size,
    file.kind,
    file.mapping,
    file.importedAt,
    file.onDay,
    file.actor,
    file.rowsNew,
    file.rowsKnown,
    file.rowsChanged,
    file.rowsRefused
  ).id;
}
function importFileById(db, id) {
  return db.get(`${FILE} WHERE id = ?`, id);
}
function mappings(db) {
  return db.all("SELECT name, kind, spec FROM mapping ORDER BY name");
}
function saveMapping(db, mapping) {
  db.run(
    "INSERT INTO mapping (name, kind, spec) VALUES (?, ?, ?) ON CONFLICT (name) DO UPDATE SET kind = excluded.kind, spec = excluded.spec",
    mapping.name,
    mapping.kind,
    mapping.spec
  );
}
function setRowCounts(db, fileId, rows) {
  db.run(
    `UPDATE import_file
     SET rows_new = ?, rows_known = ?, rows_changed = ?, rows_refused = ?
     WHERE id = ?`,
    rows.new,
    rows.known,
    rows.changed,
    rows.refused,
    fileId
  );
}
function wasTakenIn(db, sha256) {
  const known9 = db.get(
    "SELECT 1 AS known FROM import_file WHERE sha256 = ? AND undone_by IS NULL LIMIT 1",
    sha256
  );
  return known9 !== void 0;
}
function wasEverTakenIn(db, sha256) {
  return db.get("SELECT 1 FROM import_file WHERE sha256 = ? LIMIT 1", sha256) !== void 0;
}

// src/db/contacts.ts
var CONTACT = `SELECT id, customer_id AS customerId, kind, on_day AS onDay, text, promised_on AS promisedOn, promised_sum AS promisedSum, step, act_id AS actId FROM contact`;
function insertContact(db, contact) {
  return db.run(
    "INSERT INTO contact (customer_id, kind, on_day, text, promised_on, promised_sum, step, act_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
    contact.customerId,
    contact.kind,
    contact.onDay,
    contact.text,
    contact.promisedOn,
    contact.promisedSum,
    contact.step,
    contact.actId
  ).id;
}
function lastWords(db) {
  return {
    letters: db.all(
      "SELECT customer_id AS customerId, step, on_day AS onDay FROM letter WHERE id IN (SELECT max(id) FROM letter WHERE step > 0 GROUP BY customer_id)"
    ),
    contacts: db.all(
      `${CONTACT} WHERE id IN (SELECT max(c.id) FROM contact c JOIN act a ON a.id = c.act_id WHERE a.undone_by IS NULL GROUP BY c.customer_id, c.kind = 'promise')`
    )
  };
}
function promiseParts(db, contactId = null) {
  const parts = /* @__PURE__ */ new Map();
  const rows = contactId === null ? db.all(
    "SELECT contact_id AS contactId, due_on AS dueOn, sum FROM promise_part ORDER BY contact_id, due_on"
  ) : db.all(
    "SELECT contact_id AS contactId, due_on AS dueOn, sum FROM promise_part WHERE contact_id = ? ORDER BY due_on",
    contactId
  );
  for (const { contactId: id, dueOn, sum } of rows)
    parts.set(id, [...parts.get(id) ?? [], { dueOn, sum }]);
  return parts;
}
function insertPromiseParts(db, contactId, parts) {
  for (const { dueOn, sum } of parts)
    db.run(
      "INSERT INTO promise_part (contact_id, due_on, sum) VALUES (?, ?, ?)",
      contactId,
      dueOn,
      sum
    );
}
function paidBetween(db, customerId, from, to) {
  return db.get(
    "SELECT coalesce(sum(amount - gone_back), 0) AS sum FROM receipt WHERE customer_id = ? AND paid_on BETWEEN ? AND ?",
    customerId,
    from,
    to
  )?.sum ?? 0;
}

// src/core/followup/ladder.ts
var LADDER_ACTS = ["letter", "call", "task", "stop"];
var ATTACHED = ["none", "statement", "invoices"];
var DEFAULT_STEPS = [
  { step: 1, fromDays: 1, act: "letter", tone: 1, byItself: false, attach: "none", fee: minor(0) },
  {
    step: 2,
    fromDays: 15,
    act: "letter",
    tone: 2,
    byItself: false,
    attach: "statement",
    fee: minor(0)
  },
  {
    step: 3,
    fromDays: 30,
    act: "letter",
    tone: 3,
    byItself: false,
    attach: "statement",
    fee: minor(0)
  },
  { step: 4, fromDays: 45, act: "call", tone: 1, byItself: false, attach: "none", fee: minor(0) }
];
var SMALLEST_INTERVAL_DAYS = 12;
function nextStep({
  oldestDueOn,
  lastStep,
  lastWordOn,
  steps = DEFAULT_STEPS,
  interval = SMALLEST_INTERVAL_DAYS
}) {
  const step = steps.find((step2) => step2.step > lastStep) ?? steps.at(-1);
  if (!step) throw new RangeError("a ladder has at least one step");
  const byAge = addDays(oldestDueOn, step.fromDays);
  const byInterval = lastWordOn === null ? byAge : addDays(lastWordOn, interval);
  return { step, on: addBankingDays(byAge > byInterval ? byAge : byInterval, 0) };
}
function lastStepTaken(oldestDueOn, said2, steps) {
  const first2 = addDays(oldestDueOn, steps[0]?.fromDays ?? 1);
  return said2.filter(({ on }) => on >= first2).reduce((last2, { step }) => Math.max(last2, step), 0);
}

// src/core/followup/waits.ts
var FEED_WORDS = { processor: "processor file", bank: "bank statement" };
function waitsFor(facts) {
  return [...moneyOnItsWay(facts), ...wordsGiven(facts), ...sumsThatSay(facts)];
}
function moneyOnItsWay({ maybeTheirs, onWay, stale }) {
  const waits = [];
  const [first2] = maybeTheirs;
  if (first2) {
    const sum = maybeTheirs.reduce((all, maybeTheir) => all + maybeTheir.amount, 0);
    waits.push({ code: "receipt", sum, count: maybeTheirs.length, receiptId: first2.receiptId });
  }
  if (onWay) waits.push({ code: "on_way", ...onWay });
  if (stale) waits.push({ code: "stale", ...stale });
  return waits;
}
function wordsGiven({ today, promise, quietUntil, question: question6 }) {
  const waits = [];
  if (promise && promise.dueOn >= today) waits.push({ code: "promise", ...promise });
  if (quietUntil && quietUntil > today) waits.push({ code: "quiet", until: quietUntil });
  if (question6) waits.push({ code: "question", ...question6 });
  return waits;
}
function sumsThatSay({ disputed, credit, overdue, smallest }) {
  const waits = [];
  if (disputed > 0) waits.push({ code: "dispute", sum: disputed });
  if (credit > 0 && credit >= overdue) waits.push({ code: "credit", sum: credit });
  if (overdue < smallest) waits.push({ code: "small", limit: smallest });
  return waits;
}
function waitInWords(wait, currency) {
  switch (wait.code) {
    case "receipt":
      return wait.count === 1 ? `${formatAmount(wait.sum, currency)} to match` : `${wait.count} receipts to match, ${formatAmount(wait.sum, currency)}`;
    case "on_way":
      return `${formatAmount(wait.sum, currency)} by ACH on its way since ${formatDay(wait.startedOn)}`;
    case "stale":
      return `a newer ${FEED_WORDS[wait.feed]} of ${wait.account}: the last goes to ${formatDay(wait.to)}`;
    case "promise":
      return `promise, ${formatDay(wait.dueOn)}`;
    case "dispute":
      return `dispute of ${formatAmount(wait.sum, currency)} open`;
    case "question":
      return `a question of ${formatDay(wait.on)} about ${wait.number ?? "the account"} is open`;
    case "credit":
      return `credit of ${formatAmount(wait.sum, currency)} covers it`;
    case "quiet":
      return `no reminders until ${formatDay(wait.until)}`;
    case "small":
      return `under ${formatAmount(wait.limit, currency)}`;
    default:
      throw wait;
  }
}

// src/core/followup/today.ts
function daysAhead(steps) {
  return Math.max(0, ...steps.map(({ fromDays }) => -fromDays));
}
function followUpToday(facts) {
  const { today, sums: sums2 } = facts;
  const oldest = sums2.lateNamedFirst ?? sums2.aheadFirst ?? sums2.lateFirst;
  if (oldest === null) return null;
  const letterFrom = facts.lastLetterOn && addDays(facts.lastLetterOn, facts.interval);
  const next = afterPromise(nextOnLadder(oldest, facts), facts, letterFrom);
  if (sums2.lateFirst === null && next.on > today) return null;
  const asked = next.step.fromDays < 0 ? add(sums2.lateNamed, sums2.ahead) : sums2.lateNamed;
  const waits = waitsFor({ ...NOTHING_KNOWN, ...facts, overdue: asked });
  const leftOut = facts.leftOut ?? (asked === 0 ? sums2.leftOut : null);
  const state = stateOf(leftOut, waits, next, today);
  return {
    state,
    next,
    waits,
    asked,
    overdue: sums2.late,
    oldestDueOn: oldest,
    oldestDays: daysBetween(oldest, today),
    letterFrom,
    goesByItself: state === "ready" && mayGoByItself(next.step, facts),
    leftOut
  };
}
var NOTHING_KNOWN = { onWay: null, stale: null, quietUntil: null };
var nextOnLadder = (oldestDueOn, { said: said2, steps, lastLetterOn, interval }) => nextStep({
  oldestDueOn,
  lastStep: lastStepTaken(oldestDueOn, said2, steps),
  lastWordOn: lastLetterOn,
  steps,
  interval
});
var mayGoByItself = (step, { byItself, today }) => step.act === "letter" && step.byItself && byItself && isBankingDay(today);
function stateOf(leftOut, waits, next, today) {
  if (leftOut !== null) return "left_out";
  if (waits.length > 0) return "waits";
  if (next.on > today) return "later";
  return "ready";
}
function namedItems(items, step, ahead, today) {
  return items.filter(
    ({ balance, dueOn, leftOut }) => balance > 0 && leftOut === null && (dueOn < today || step.fromDays < 0 && daysBetween(today, dueOn) <= ahead)
  );
}
function afterPromise(next, { promiseBroken, today }, letterFrom) {
  if (!promiseBroken || next.on <= today) return next;
  const call = next.step.act === "letter" && letterFrom !== null && letterFrom > today;
  return {
    on: addBankingDays(today, 0),
    step: call ? { ...next.step, act: "call", byItself: false } : next.step
  };
}

// src/core/followup/itemSums.ts
var NO_ITEMS = {
  late: minor(0),
  lateFirst: null,
  lateNamed: minor(0),
  lateNamedFirst: null,
  ahead: minor(0),
  aheadFirst: null,
  leftOut: null,
  leftOutFirst: null
};
function sumsOf(items, today, ahead) {
  return items.reduce((sums2, item) => bothSums(sums2, sumsOfOne(item, today, ahead)), NO_ITEMS);
}
function sumsOfOne({ dueOn, balance, leftOut }, today, ahead) {
  if (balance <= 0) return NO_ITEMS;
  if (dueOn < today)
    return leftOut === null ? { ...NO_ITEMS, late: balance, lateFirst: dueOn, lateNamed: balance, lateNamedFirst: dueOn } : { ...NO_ITEMS, late: balance, lateFirst: dueOn, leftOut, leftOutFirst: dueOn };
  return leftOut === null && ahead > 0 && daysBetween(today, dueOn) <= ahead ? { ...NO_ITEMS, ahead: balance, aheadFirst: dueOn } : NO_ITEMS;
}
function bothSums(a, b) {
  const earlier = a.leftOutFirst === null || b.leftOutFirst !== null && b.leftOutFirst < a.leftOutFirst ? b : a;
  return {
    late: add(a.late, b.late),
    lateFirst: first(a.lateFirst, b.lateFirst),
    lateNamed: add(a.lateNamed, b.lateNamed),
    lateNamedFirst: first(a.lateNamedFirst, b.lateNamedFirst),
    ahead: add(a.ahead, b.ahead),
    aheadFirst: first(a.aheadFirst, b.aheadFirst),
    leftOut: earlier.leftOut,
    leftOutFirst: earlier.leftOutFirst
  };
}
var first = (a, b) => a === null || b !== null && b < a ? b : a;

// src/core/followup/letters/de.ts
var FEE = `{% if fee %}F\xFCr diesen Brief berechnen wir {{ fee }}; der Betrag ist in der Summe oben nicht enthalten.

{% endif %}`;
var LINK = `{% if link %}Alles Offene, der Kontoauszug und jede Rechnung:
{{ link }}

{% endif %}`;
var WRONG = "Stimmt etwas daran nicht, sagen Sie es uns; bis es gekl\xE4rt ist, fragen wir nicht weiter danach.";
var GERMAN = {
  due: "f\xE4llig",
  credit: "Guthaben auf Ihrem Konto",
  together: "zusammen",
  tones: [
    {
      subject: "{% if ahead %}Bald f\xE4llig: {{ sum }}{% else %}{% if count == 1 %}Eine Rechnung ist \xFCberf\xE4llig{% else %}{{ count }} Rechnungen sind \xFCberf\xE4llig{% endif %}, {{ sum }}{% endif %}",
      body: `Guten Tag, {{ customer }},

{% if ahead %}bald {% if count == 1 %}wird eine Ihrer Rechnungen{% else %}werden {{ count }} Ihrer Rechnungen{% endif %} f\xE4llig: {{ sum }}. Ist die Zahlung schon vorbereitet, brauchen Sie nichts zu tun.{% elsif count == 1 %}eine Ihrer Rechnungen ist seit {{ oldest_days }} {% if oldest_days == 1 %}Tag{% else %}Tagen{% endif %} \xFCberf\xE4llig: {{ sum }}. Vielleicht ist sie nur liegen geblieben; ist die Zahlung schon unterwegs, vielen Dank, dann ist dieser Brief gegenstandslos.{% else %}{{ count }} Ihrer Rechnungen sind \xFCberf\xE4llig, die \xE4lteste seit {{ oldest_days }} Tagen. Zusammen sind es {{ sum }}. Vielleicht sind sie nur liegen geblieben; ist die Zahlung schon unterwegs, vielen Dank, dann ist dieser Brief gegenstandslos.{% endif %}

{{ table }}

${LINK}${WRONG}

Freundliche Gr\xFC\xDFe
{{ business }}
`
    },
    {
      subject: "Noch offen: {{ sum }}, das \xE4lteste seit {{ oldest_days }} Tagen",
      body: `Guten Tag, {{ customer }},

wir haben Ihnen schon geschrieben. {% if count == 1 %}Eine Rechnung ist seit {{ oldest_days }} Tagen \xFCberf\xE4llig: {{ sum }}.{% else %}{{ count }} Rechnungen sind \xFCberf\xE4llig, die \xE4lteste seit {{ oldest_days }} Tagen. Zusammen sind es {{ sum }}.{% endif %}

{{ table }}

${FEE}${LINK}Bitte sagen Sie uns bis zum {{ reply_by }}, wann wir mit der Zahlung rechnen k\xF6nnen. ${WRONG}

Freundliche Gr\xFC\xDFe
{{ business }}
`
    },
    {
      subject: "Bitte zahlen Sie {{ sum }}: {{ oldest_days }} Tage \xFCberf\xE4llig",
      body: `Guten Tag, {{ customer }},

trotz unserer Briefe sind noch {{ sum }} offen, der \xE4lteste Teil seit {{ oldest_days }} Tagen.

{{ table }}

${FEE}${LINK}Wir bitten Sie, bis zum {{ reply_by }} zu zahlen oder uns anzurufen, damit wir Termine vereinbaren k\xF6nnen. Sonst m\xFCssen wir weitere Lieferungen zur\xFCckhalten, bis das Konto ausgeglichen ist.

{{ business }}
`
    },
    {
      subject: "Letzter Brief vor weiteren Schritten: {{ sum }}",
      body: `Guten Tag, {{ customer }},

wir haben geschrieben und angerufen, und {{ sum }} sind noch immer nicht bezahlt; der \xE4lteste Teil ist seit {{ oldest_days }} Tagen f\xE4llig.

{{ table }}

${FEE}${LINK}Dies ist unser letzter Brief dazu. Haben wir bis zum {{ reply_by }} weder die ganze Summe erhalten noch Termine mit Ihnen vereinbart, beliefern wir Sie nicht mehr und geben die Sache zum Einzug weiter. ${WRONG}

{{ business }}
`
    }
  ]
};

// src/core/followup/letters/en.ts
var FEE2 = `{% if fee %}For this letter we charge {{ fee }}, which is not in the sum above.

{% endif %}`;
var LINK2 = `{% if link %}Everything that is open, the statement and each invoice:
{{ link }}

{% endif %}`;
var WRONG2 = "If something about {% if count == 1 %}it{% else %}them{% endif %} is wrong, tell us, and we stop asking until it is settled.";
var ENGLISH = {
  due: "due",
  credit: "credit on your account",
  together: "together",
  tones: [
    {
      subject: "{% if ahead %}Coming due: {{ sum }}{% else %}{% if count == 1 %}One invoice{% else %}{{ count }} invoices{% endif %} past the due date, {{ sum }}{% endif %}",
      body: `Dear {{ customer }},

{% if ahead %}{% if count == 1 %}an invoice of yours falls due soon{% else %}{{ count }} invoices of yours fall due soon{% endif %}: {{ sum }}. If the payment is prepared already, there is nothing to do.{% elsif count == 1 %}one invoice of yours is past its date, by {{ oldest_days }} {% if oldest_days == 1 %}day{% else %}days{% endif %}: {{ sum }}. Perhaps it only slipped through; if the payment is on its way already, thank you, and please disregard this letter.{% else %}{{ count }} invoices of yours are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}. Perhaps it only slipped through; if the payment is on its way already, thank you, and please disregard this letter.{% endif %}

{{ table }}

${LINK2}${WRONG2}

Kind regards
{{ business }}
`
    },
    {
      subject: "Still open: {{ sum }}, the oldest for {{ oldest_days }} days",
      body: `Dear {{ customer }},

we wrote to you before about what is open. {% if count == 1 %}One invoice is past its date by {{ oldest_days }} days: {{ sum }}.{% else %}{{ count }} invoices are past their dates, the oldest by {{ oldest_days }} days. Together they come to {{ sum }}.{% endif %}

{{ table }}

${FEE2}${LINK2}Please let us know by {{ reply_by }} which day we can expect the payment. ${WRONG2}

Kind regards
{{ business }}
`
    },
    {
      subject: "Please settle {{ sum }}: the oldest {{ oldest_days }} days late",
      body: `Dear {{ customer }},

in spite of our letters {{ sum }} is still open, the oldest part of it for {{ oldest_days }} days.

{{ table }}

${FEE2}${LINK2}We ask you to pay by {{ reply_by }}, or to call us so that we can agree on dates. Otherwise we will have to hold further deliveries until the account is settled.

{{ business }}
`
    },
    {
      subject: "Last letter before further steps: {{ sum }}",
      body: `Dear {{ customer }},

we have written and called, and {{ sum }} is still not paid; the oldest part has been due for {{ oldest_days }} days.

{{ table }}

${FEE2}${LINK2}This is our last letter about it. Unless the whole sum is with us by {{ reply_by }}, or we have agreed on dates with you by then, we stop supplying you and hand the matter on for collection. ${WRONG2}

{{ business }}
`
    }
  ]
};

// src/core/followup/letters/es.ts
var FEE3 = `{% if fee %}Por esta carta cobramos {{ fee }}, que no est\xE1n incluidos en la suma indicada.

{% endif %}`;
var LINK3 = `{% if link %}Todo lo pendiente, el estado de cuenta y cada factura:
{{ link }}

{% endif %}`;
var WRONG3 = "Si algo no es correcto, av\xEDsenos y dejaremos de reclamarlo hasta aclararlo.";
var SPANISH = {
  due: "vence el",
  credit: "saldo a su favor",
  together: "en total",
  tones: [
    {
      subject: "{% if ahead %}Pr\xF3ximo vencimiento: {{ sum }}{% else %}{% if count == 1 %}Una factura vencida{% else %}{{ count }} facturas vencidas{% endif %}, {{ sum }}{% endif %}",
      body: `Estimados se\xF1ores de {{ customer }}:

{% if ahead %}{% if count == 1 %}pronto vence una factura suya{% else %}pronto vencen {{ count }} facturas suyas{% endif %}: {{ sum }}. Si el pago ya est\xE1 preparado, no tienen que hacer nada.{% elsif count == 1 %}una factura suya venci\xF3 hace {{ oldest_days }} {% if oldest_days == 1 %}d\xEDa{% else %}d\xEDas{% endif %}: {{ sum }}. Quiz\xE1 solo se les haya pasado; si el pago ya est\xE1 en camino, gracias, y no hagan caso de esta carta.{% else %}tienen {{ count }} facturas vencidas, la m\xE1s antigua desde hace {{ oldest_days }} d\xEDas. En total suman {{ sum }}. Quiz\xE1 solo se les haya pasado; si el pago ya est\xE1 en camino, gracias, y no hagan caso de esta carta.{% endif %}

{{ table }}

${LINK3}${WRONG3}

Atentamente,
{{ business }}
`
    },
    {
      subject: "Sigue pendiente: {{ sum }}, la m\xE1s antigua desde hace {{ oldest_days }} d\xEDas",
      body: `Estimados se\xF1ores de {{ customer }}:

ya les escribimos sobre lo que est\xE1 pendiente. {% if count == 1 %}Una factura venci\xF3 hace {{ oldest_days }} d\xEDas: {{ sum }}.{% else %}{{ count }} facturas est\xE1n vencidas, la m\xE1s antigua desde hace {{ oldest_days }} d\xEDas. En total suman {{ sum }}.{% endif %}

{{ table }}

${FEE3}${LINK3}Les rogamos que nos digan antes del {{ reply_by }} qu\xE9 d\xEDa podemos esperar el pago. ${WRONG3}

Atentamente,
{{ business }}
`
    },
    {
      subject: "Les rogamos que paguen {{ sum }}: {{ oldest_days }} d\xEDas de retraso",
      body: `Estimados se\xF1ores de {{ customer }}:

a pesar de nuestras cartas siguen pendientes {{ sum }}, la parte m\xE1s antigua desde hace {{ oldest_days }} d\xEDas.

{{ table }}

${FEE3}${LINK3}Les pedimos que paguen antes del {{ reply_by }}, o que nos llamen para acordar fechas. De lo contrario tendremos que detener las entregas hasta que la cuenta est\xE9 saldada.

{{ business }}
`
    },
    {
      subject: "\xDAltima carta antes de tomar otras medidas: {{ sum }}",
      body: `Estimados se\xF1ores de {{ customer }}:

les hemos escrito y llamado, y {{ sum }} siguen sin pagar; la parte m\xE1s antigua venci\xF3 hace {{ oldest_days }} d\xEDas.

{{ table }}

${FEE3}${LINK3}Esta es nuestra \xFAltima carta al respecto. Si antes del {{ reply_by }} no hemos recibido el total ni acordado fechas con ustedes, dejaremos de suministrarles y encargaremos el cobro a terceros. ${WRONG3}

{{ business }}
`
    }
  ]
};

// src/core/followup/letters/fr.ts
var FEE4 = `{% if fee %}Pour cette lettre, nous facturons {{ fee }}, qui ne sont pas compris dans la somme ci-dessus.

{% endif %}`;
var LINK4 = `{% if link %}Tout ce qui est ouvert, le relev\xE9 et chaque facture :
{{ link }}

{% endif %}`;
var WRONG4 = "Si quelque chose n\u2019est pas exact, dites-le-nous, et nous cesserons de le r\xE9clamer jusqu\u2019\xE0 ce que ce soit r\xE9gl\xE9.";
var FRENCH = {
  due: "\xE9ch\xE9ance",
  credit: "avoir sur votre compte",
  together: "au total",
  tones: [
    {
      subject: "{% if ahead %}Bient\xF4t \xE0 \xE9ch\xE9ance : {{ sum }}{% else %}{% if count == 1 %}Une facture \xE9chue{% else %}{{ count }} factures \xE9chues{% endif %}, {{ sum }}{% endif %}",
      body: `Bonjour {{ customer }},

{% if ahead %}{% if count == 1 %}une de vos factures arrive bient\xF4t \xE0 \xE9ch\xE9ance{% else %}{{ count }} de vos factures arrivent bient\xF4t \xE0 \xE9ch\xE9ance{% endif %} : {{ sum }}. Si le paiement est d\xE9j\xE0 pr\xE9par\xE9, il n\u2019y a rien \xE0 faire.{% elsif count == 1 %}une de vos factures est \xE9chue depuis {{ oldest_days }} {% if oldest_days == 1 %}jour{% else %}jours{% endif %} : {{ sum }}. C\u2019est peut-\xEAtre un simple oubli ; si le paiement est d\xE9j\xE0 en route, merci, et ne tenez pas compte de cette lettre.{% else %}{{ count }} de vos factures sont \xE9chues, la plus ancienne depuis {{ oldest_days }} jours. Elles font {{ sum }} au total. C\u2019est peut-\xEAtre un simple oubli ; si le paiement est d\xE9j\xE0 en route, merci, et ne tenez pas compte de cette lettre.{% endif %}

{{ table }}

${LINK4}${WRONG4}

Cordialement
{{ business }}
`
    },
    {
      subject: "Toujours ouvert : {{ sum }}, le plus ancien depuis {{ oldest_days }} jours",
      body: `Bonjour {{ customer }},

nous vous avons d\xE9j\xE0 \xE9crit \xE0 ce sujet. {% if count == 1 %}Une facture est \xE9chue depuis {{ oldest_days }} jours : {{ sum }}.{% else %}{{ count }} factures sont \xE9chues, la plus ancienne depuis {{ oldest_days }} jours. Elles font {{ sum }} au total.{% endif %}

{{ table }}

${FEE4}${LINK4}Merci de nous dire avant le {{ reply_by }} quel jour nous pouvons attendre le paiement. ${WRONG4}

Cordialement
{{ business }}
`
    },
    {
      subject: "Merci de r\xE9gler {{ sum }} : {{ oldest_days }} jours de retard",
      body: `Bonjour {{ customer }},

malgr\xE9 nos lettres, {{ sum }} restent ouverts, la partie la plus ancienne depuis {{ oldest_days }} jours.

{{ table }}

${FEE4}${LINK4}Nous vous demandons de payer avant le {{ reply_by }}, ou de nous appeler pour convenir de dates. Sinon, nous devrons suspendre les livraisons jusqu\u2019au r\xE8glement du compte.

{{ business }}
`
    },
    {
      subject: "Derni\xE8re lettre avant d\u2019autres d\xE9marches : {{ sum }}",
      body: `Bonjour {{ customer }},

nous avons \xE9crit et appel\xE9, et {{ sum }} ne sont toujours pas pay\xE9s ; la partie la plus ancienne est \xE9chue depuis {{ oldest_days }} jours.

{{ table }}

${FEE4}${LINK4}C\u2019est notre derni\xE8re lettre \xE0 ce sujet. Si, d\u2019ici au {{ reply_by }}, nous n\u2019avons ni re\xE7u la somme enti\xE8re ni convenu de dates avec vous, nous cessons de vous livrer et confions le recouvrement \xE0 un tiers. ${WRONG4}

{{ business }}
`
    }
  ]
};

// src/core/followup/letters/index.ts
var LANGUAGES = ["en", "es", "fr", "de"];
var WORDS = { en: ENGLISH, es: SPANISH, fr: FRENCH, de: GERMAN };
function letterTemplate(tone, language) {
  const { tones } = WORDS[language];
  return tones[Math.min(Math.max(tone, 1), tones.length) - 1] ?? tones[0];
}
function tableWords(language) {
  return WORDS[language];
}

// src/core/followup/filesInWords.ts
var MOST_NAMED = 3;
function filesInWords(names) {
  const more = names.length - MOST_NAMED;
  return `${names.slice(0, MOST_NAMED).join(", ")}${more > 0 ? ` and ${more} more` : ""}`;
}

// src/core/followup/feeds.ts
var OUT_OF_USE_DAYS = 90;
function reachOf(feed, days3) {
  const reaches = /* @__PURE__ */ new Map();
  for (const { id, account, on } of days3) {
    const before2 = reaches.get(id);
    const silent = before2 ? Math.max(before2.silent, bankingDaysBetween(before2.to, on)) : 0;
    reaches.set(id, { feed, account, to: on, silent });
  }
  return [...reaches.values()];
}
function staleFeed(reaches, { today, within }) {
  const behind = reaches.filter(
    ({ feed, to, silent }) => bankingDaysBetween(to, today) > Math.max(within, silent) && reaches.every((other) => other.feed !== feed || daysBetween(to, other.to) <= OUT_OF_USE_DAYS)
  );
  return behind.sort((a, b) => earlierFirst(a.to, b.to))[0] ?? null;
}

// src/core/followup/promises.ts
function promiseToday(parts, paidUpTo, today) {
  const inOrder3 = [...parts].sort((a, b) => a.dueOn < b.dueOn ? -1 : 1);
  for (const [at, part] of inOrder3.entries()) {
    const paid = paidUpTo(part.dueOn < today ? part.dueOn : today);
    const needed2 = part.sum === null ? 1 : sumOf(inOrder3.slice(0, at + 1), ({ sum }) => sum ?? minor(0));
    if (paid < needed2) return { state: today > part.dueOn ? "broken" : "open", next: part };
  }
  return { state: "kept", next: null };
}

// src/core/followup/lateFees.ts
var FEE_KINDS2 = ["none", "fixed", "monthly", "yearly"];
var NO_FEE = {
  kind: "none",
  fixed: minor(0),
  percent: "0",
  grace: 0,
  least: minor(0),
  most: null
};
function lateFeeOn({ balance, dueOn, chargedThrough }, rule2, today) {
  if (rule2.kind === "none" || balance <= 0 || daysBetween(dueOn, today) <= rule2.grace) return null;
  const percent = ratioOf(rule2.percent);
  if (!percent.ok) return null;
  const from = chargedThrough ?? dueOn;
  const bounded = (sum, through) => {
    const fee = minor(Math.min(Math.max(sum, rule2.least), rule2.most ?? Number.MAX_SAFE_INTEGER));
    return sum <= 0 || fee <= 0 ? null : { sum: fee, through };
  };
  switch (rule2.kind) {
    case "fixed":
      return chargedThrough === null ? bounded(rule2.fixed, today) : null;
    case "monthly": {
      let months = 0;
      while (addMonths(from, months + 1) <= today) months += 1;
      return bounded(
        minor(percentOf(balance, percent.value, "half-even") * months),
        addMonths(from, months)
      );
    }
    case "yearly": {
      const days3 = daysBetween(from, today);
      return bounded(
        mulDiv(
          balance,
          percent.value.numerator * BigInt(days3),
          percent.value.denominator * 36500n,
          "half-even"
        ),
        addDays(from, days3)
      );
    }
    default:
      throw rule2.kind;
  }
}

// src/db/moveSums.ts
var MoveSums = class {
  constructor(size, ahead) {
    this.ahead = ahead;
    const column = () => new Float64Array(size);
    this.buckets = BUCKETS.map(column);
    this.late = column();
    this.lateFirst = column();
    this.soon = column();
    this.soonFirst = column();
    this.notes = column();
    this.some = column();
  }
  ahead;
  buckets;
  late;
  lateFirst;
  soon;
  soonFirst;
  notes;
  some;
  take(at, sum, dueOn, now) {
    const days3 = now - dueOn;
    this.some[at] = 1;
    count(this.buckets[ageBucket(days3)], at, sum);
    if (sum < 0) count(this.notes, at, -sum);
    else if (days3 > 0) since({ sums: this.late, firsts: this.lateFirst, at, sum, on: dueOn });
    else if (this.ahead > 0 && -days3 <= this.ahead)
      since({ sums: this.soon, firsts: this.soonFirst, at, sum, on: dueOn });
  }
  found() {
    const found = /* @__PURE__ */ new Map();
    for (let id = 0; id < this.some.length; id += 1)
      if (this.some[id] === 1) found.set(id, this.of(id));
    return found;
  }
  of(id) {
    const sum = (column) => minor(column?.[id] ?? 0);
    const first2 = (column) => column[id] ? dayOfNumber(column[id]) : null;
    const [not_due, d1_30, d31_60, d61_90, over_90] = this.buckets;
    return finished({
      late: sum(this.late),
      lateFirst: first2(this.lateFirst),
      ahead: sum(this.soon),
      aheadFirst: first2(this.soonFirst),
      notes: sum(this.notes),
      not_due: sum(not_due),
      d1_30: sum(d1_30),
      d31_60: sum(d31_60),
      d61_90: sum(d61_90),
      over_90: sum(over_90)
    });
  }
};
function ageBucket(days3) {
  if (days3 <= 0) return 0;
  if (days3 <= 30) return 1;
  if (days3 <= 60) return 2;
  if (days3 <= 90) return 3;
  return 4;
}
function count(sums2, at, by) {
  if (sums2) sums2[at] = (sums2[at] ?? 0) + by;
}
function since({ sums: sums2, firsts, at, sum, on }) {
  count(sums2, at, sum);
  const known9 = firsts[at] ?? 0;
  if (known9 === 0 || on < known9) firsts[at] = on;
}
function finished({
  late,
  lateFirst,
  ahead,
  aheadFirst,
  notes,
  not_due,
  d1_30,
  d31_60,
  d61_90,
  over_90
}) {
  return {
    sums: {
      late,
      lateFirst,
      lateNamed: late,
      lateNamedFirst: lateFirst,
      ahead,
      aheadFirst,
      leftOut: null,
      leftOutFirst: null
    },
    notes,
    aging: {
      not_due,
      d1_30,
      d31_60,
      d61_90,
      over_90,
      total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90)
    }
  };
}

// src/db/followSums.ts
function followSums(db, today, ahead, only = null) {
  const found = only === null && db.readsOnly ? fromMoves(db, today, ahead) : fromItems(db, today, ahead, only);
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  for (const item of db.all(
    `SELECT i.id, i.customer_id AS customerId, i.due_on AS dueOn, ${bookValue({ table: "i", column: "balance", role: "receivables", kind: "open_item" })} AS balance, o.reason AS leftOut FROM open_item i LEFT JOIN item_left_out o ON o.open_item_id = i.id
     WHERE i.balance <> 0 ${among} AND (i.currency <> ${BOOK_CURRENCY} OR i.id IN (SELECT open_item_id FROM item_left_out))`
  )) {
    const own = {
      sums: sumsOf([item], today, ahead),
      aging: agingOf([item], today),
      notes: minor(item.balance < 0 ? -item.balance : 0)
    };
    found.set(item.customerId, together(found.get(item.customerId), own));
  }
  return found;
}
function fromItems(db, today, ahead, only) {
  const among = only === null ? "" : `AND i.customer_id IN (${only.map(Number).join(", ")})`;
  const to = (days3) => `'${addDays(today, -days3)}'`;
  const bucket = (from, until) => `coalesce(sum(CASE WHEN ${[from === null ? "" : `i.due_on >= ${from}`, until === null ? "" : `i.due_on < ${until}`].filter((part) => part !== "").join(" AND ")} THEN i.balance END), 0)`;
  const soon = ahead === 0 ? "0" : `i.balance > 0 AND i.due_on >= '${today}' AND i.due_on <= '${addDays(today, ahead)}'`;
  const found = /* @__PURE__ */ new Map();
  for (const row of db.many(
    {
      id: "s.id",
      late: "s.late",
      lateFirst: "s.lateFirst",
      ahead: "s.ahead",
      aheadFirst: "s.aheadFirst",
      notes: "s.notes",
      not_due: "s.b0",
      d1_30: "s.b1",
      d31_60: "s.b2",
      d61_90: "s.b3",
      over_90: "s.b4"
    },
    `(
    SELECT i.customer_id AS id, coalesce(sum(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.balance END), 0) AS late, min(CASE WHEN i.balance > 0 AND i.due_on < '${today}' THEN i.due_on END) AS lateFirst,
      coalesce(sum(CASE WHEN ${soon} THEN i.balance END), 0) AS ahead, min(CASE WHEN ${soon} THEN i.due_on END) AS aheadFirst, coalesce(-sum(CASE WHEN i.balance < 0 THEN i.balance END), 0) AS notes,
      ${bucket(`'${today}'`, null)} AS b0, ${bucket(to(30), `'${today}'`)} AS b1, ${bucket(to(60), to(30))} AS b2, ${bucket(to(90), to(60))} AS b3, ${bucket(null, to(90))} AS b4
    FROM open_item i WHERE i.balance <> 0 ${among} AND i.currency = ${BOOK_CURRENCY} AND i.id NOT IN (SELECT open_item_id FROM item_left_out) GROUP BY i.customer_id) s`
  ))
    found.set(row.id, finished(row));
  return found;
}
function fromMoves(db, today, ahead) {
  const moves = receivableMovements(db);
  const [sums2, now] = [moves.now, dayNumber(today)];
  const book = db.get(`SELECT ${BOOK_CURRENCY} AS currency`)?.currency;
  const leftOut = new Set(
    db.all("SELECT open_item_id AS id FROM item_left_out").map(({ id }) => id)
  );
  const table = new MoveSums(moves.customers + 1, ahead);
  for (let id = 0; id < sums2.length; id += 1) {
    const sum = sums2[id] ?? 0;
    if (sum !== 0 && moves.currency[id] === book && !leftOut.has(id))
      table.take(moves.customer[id] ?? 0, sum, moves.dueOn[id] ?? 0, now);
  }
  return table.found();
}
function together(a, b) {
  return a ? {
    sums: bothSums(a.sums, b.sums),
    aging: totalAging([a.aging, b.aging]),
    notes: add(a.notes, b.notes)
  } : b;
}

// src/db/feeds.ts
var HABIT_DAYS = 180;
function feedReach(db, today) {
  const from = addDays(today, -HABIT_DAYS);
  const processors = db.all(
    `SELECT a.id, a.name AS account, i.occurred_on AS 'on'
     FROM processor_account a
     CROSS JOIN processor_item i ON i.processor_account_id = a.id
     WHERE i.file_id IS NOT NULL AND i.occurred_on BETWEEN ?1 AND ?2
     UNION
     SELECT a.id, a.name, s.started_on
     FROM processor_account a
     JOIN ach_started s ON s.processor_account_id = a.id
     WHERE s.started_on BETWEEN ?1 AND ?2
     ORDER BY 3`,
    from,
    today
  );
  const banks = db.all(
    `SELECT DISTINCT a.id, a.name AS account, l.posted_on AS 'on'
     FROM bank_account a
     CROSS JOIN bank_line l ON l.bank_account_id = a.id
     WHERE l.posted_on BETWEEN ? AND ?
     ORDER BY 3`,
    from,
    today
  );
  return [...reachOf("processor", processors), ...reachOf("bank", banks)];
}

// src/db/ladders.ts
function ladders(db) {
  const steps = db.all(
    "SELECT ladder_id AS ladderId, step, from_days AS fromDays, act, tone, by_itself AS byItself, attach, fee FROM ladder_step ORDER BY ladder_id, step"
  );
  return db.all(
    "SELECT id, name, standard, fee_kind AS kind, fee_fixed AS fixed, fee_percent AS percent, fee_grace AS grace, fee_least AS least, fee_most AS most FROM ladder ORDER BY standard DESC, name"
  ).map(({ id, name, standard, ...fee }) => ({
    id,
    name,
    fee,
    standard: standard === 1,
    steps: steps.filter(({ ladderId }) => ladderId === id).map(({ step, fromDays, act, tone, byItself, attach, fee: withIt }) => ({
      step,
      fromDays,
      act,
      tone,
      byItself: byItself === 1,
      attach,
      fee: withIt
    }))
  }));
}
function insertLadder(db, name) {
  return db.run("INSERT INTO ladder (name) VALUES (?)", name).id;
}
function renameLadder(db, id, name) {
  db.run("UPDATE ladder SET name = ? WHERE id = ?", name, id);
}
function setFeeRule(db, id, fee) {
  db.run(
    "UPDATE ladder SET fee_kind = ?, fee_fixed = ?, fee_percent = ?, fee_grace = ?, fee_least = ?, fee_most = ? WHERE id = ?",
    fee.kind,
    fee.fixed,
    fee.percent,
    fee.grace,
    fee.least,
    fee.most,
    id
  );
}
function setSteps(db, id, steps) {
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  for (const step of steps)
    db.run(
      "INSERT INTO ladder_step (ladder_id, step, from_days, act, tone, by_itself, attach, fee) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
      id,
      step.step,
      step.fromDays,
      step.act,
      step.tone,
      Number(step.byItself),
      step.attach,
      step.fee
    );
}
function deleteLadder(db, id) {
  db.run("UPDATE customer_followup SET ladder_id = NULL WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder WHERE id = ? AND standard = 0", id);
}

// src/db/persons.ts
var PERSON = "SELECT customer_id AS customerId, name, duty, email, phone, letters, calls FROM contact_person";
function personsByCustomer(db) {
  const persons = /* @__PURE__ */ new Map();
  for (const { customerId, calls, ...one } of db.all(
    `${PERSON} ORDER BY customer_id, place`
  ))
    persons.set(customerId, [...persons.get(customerId) ?? [], { ...one, calls: calls === 1 }]);
  return persons;
}
function personsOf(db, customerId) {
  return db.all(`${PERSON} WHERE customer_id = ? ORDER BY place`, customerId).map(({ name, duty, email, phone, letters, calls }) => ({
    name,
    duty,
    email,
    phone,
    letters,
    calls: calls === 1
  }));
}
function setPersons(db, customerId, persons) {
  db.run("DELETE FROM contact_person WHERE customer_id = ?", customerId);
  persons.forEach(
    (person, at) => db.run(
      "INSERT INTO contact_person (customer_id, place, name, duty, email, phone, letters, calls) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
      customerId,
      at + 1,
      person.name,
      person.duty,
      person.email,
      person.phone,
      person.letters,
      Number(person.calls)
    )
  );
}
function backFrom(db, address) {
  return db.get("SELECT why FROM address_back WHERE address = ?", address)?.why ?? null;
}
function setBack(db, address, why, since2) {
  if (why === null) db.run("DELETE FROM address_back WHERE address = ?", address);
  else
    db.run(
      "INSERT INTO address_back (address, why, since) VALUES (?, ?, ?) ON CONFLICT (address) DO UPDATE SET why = excluded.why, since = excluded.since",
      address,
      why,
      since2
    );
}

// src/db/questions.ts
var QUESTION = `SELECT q.id, q.kind, q.customer_id AS customerId, c.name AS customer, q.open_item_id AS itemId,
    i.number, i.balance, i.currency, q.state, q.asked_on AS askedOn
  FROM question q JOIN customer c ON c.id = q.customer_id LEFT JOIN open_item i ON i.id = q.open_item_id`;
var questionById = (db, id) => db.get(`${QUESTION} WHERE q.id = ?`, id);
var openQuestions = (db) => db.all(`${QUESTION} WHERE q.state = 'open' ORDER BY q.asked_on, q.id`);
var lastQuestion = (db, customerId, itemId) => db.get(
  `${QUESTION} WHERE q.customer_id = ? AND q.open_item_id IS ? ORDER BY q.id DESC LIMIT 1`,
  customerId,
  itemId
);
var insertQuestion = (db, question6) => db.run(
  "INSERT INTO question (kind, customer_id, open_item_id, state, asked_on) VALUES (?, ?, ?, 'open', ?)",
  question6.kind,
  question6.customerId,
  question6.itemId,
  question6.askedOn
).id;
function setQuestionKind(db, id, kind) {
  db.run("UPDATE question SET kind = ? WHERE id = ?", kind, id);
}
function setQuestionState(db, id, state) {
  db.run("UPDATE question SET state = ? WHERE id = ?", state, id);
}
function insertQuestionWords(db, questionId, { byCustomer, actor, words, line, on, at }) {
  db.run(
    `INSERT INTO question_words (question_id, by_customer, actor, words, line, on_day, at)
     VALUES (?, ?, ?, ?, ?, ?, ?)`,
    questionId,
    byCustomer ? 1 : 0,
    actor,
    words,
    line,
    on,
    at
  );
}
var wordsOfQuestion = (db, questionId) => db.all(
  `SELECT by_customer AS byCustomer, actor, words, line, on_day AS "on"
       FROM question_words WHERE question_id = ? ORDER BY id`,
  questionId
).map((row) => ({ ...row, byCustomer: row.byCustomer === 1 }));

// src/db/started.ts
var STARTED = "SELECT id, processor_account_id AS processorAccountId, external_id AS externalId, started_on AS startedOn, currency, amount, payer_name AS payerName, payer_email AS payerEmail, reference, customer_id AS customerId, state, file_id AS fileId, line_no AS lineNo FROM ach_started";
function startedByExternalId(db, accountId, externalId) {
  return db.get(
    `${STARTED} WHERE processor_account_id = ? AND external_id = ?`,
    accountId,
    externalId
  );
}
var startedCharges = (db, accountId) => db.ids(
  "SELECT external_id AS id FROM ach_started WHERE processor_account_id = ? AND state = 'on_way'",
  accountId
);
function insertStarted(db, row) {
  db.run(
    "INSERT INTO ach_started (processor_account_id, external_id, started_on, currency, amount, payer_name, payer_email, reference, customer_id, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    row.processorAccountId,
    row.externalId,
    row.startedOn,
    row.currency,
    row.amount,
    row.payerName,
    row.payerEmail,
    row.reference,
    row.customerId,
    row.fileId,
    row.lineNo
  );
}
function endStarted(db, accountId, externalId, state) {
  db.run(
    "UPDATE ach_started SET state = ? WHERE processor_account_id = ? AND external_id = ? AND state = 'on_way'",
    state,
    accountId,
    externalId
  );
}
function onTheirWay(db) {
  return db.all(`${STARTED} WHERE state = 'on_way' ORDER BY started_on, id`);
}
function customerOfPayer(db, payerName, payerEmail) {
  const found = db.all(
    `SELECT coalesce(merged_into, id) AS id FROM customer WHERE ?2 <> '' AND lower(email) = ?2 UNION SELECT customer_id FROM receipt WHERE ?2 <> '' AND payer_email = ?2 AND customer_id IS NOT NULL
     UNION SELECT coalesce(merged_into, id) FROM customer WHERE ?2 = '' AND lower(name) = lower(?1) UNION SELECT customer_id FROM receipt WHERE ?2 = '' AND ?1 <> '' AND payer_name = ?1 AND customer_id IS NOT NULL LIMIT 2`,
    payerName,
    payerEmail.toLowerCase()
  );
  return found.length === 1 ? found[0]?.id ?? null : null;
}

// src/server/overdue/queries/groupFacts.ts
function factsByGroup(db, proposals, headOf3, today) {
  const { smallestSumAskedFor, letterInterval, feedDays, currency: book } = readSettings(db);
  const worth = (amount2, currency, on) => worthOn(db, { amount: amount2, currency, book, on });
  return {
    ...creditByGroup(db, headOf3),
    maybe: maybeByGroup(db, proposals, headOf3, worth),
    disputed: disputedByGroup(db, headOf3, worth),
    questions: questionsByGroup(db, headOf3),
    onWay: onWayByGroup(db, headOf3, worth),
    stale: staleFeed(feedReach(db, today), { today, within: feedDays }),
    parts: promiseParts(db),
    interval: letterInterval,
    smallest: minor(smallestSumAskedFor),
    words: wordsByCustomer(db),
    ladders: ladders(db),
    followed: new Map(followedRows(db).map((row) => [row.customerId, row])),
    persons: personsByCustomer(db),
    leftOut: itemsLeftOut(db),
    said: stepsSaid(db)
  };
}
function maybeByGroup(db, proposals, headOf3, worth) {
  const maybe = /* @__PURE__ */ new Map();
  const amounts = new Map(
    receiptsInState(db, "to_match").map((receipt) => [
      receipt.id,
      worth(receipt.unidentified, receipt.currency, receipt.settledOn)
    ])
  );
  for (const { receiptId, readings } of proposals) {
    const heads = new Set(
      readings.flatMap(({ customerId }) => customerId === null ? [] : [headOf3(customerId)])
    );
    for (const head of heads)
      listOf(maybe, head).push({ receiptId, amount: amounts.get(receiptId) ?? ZERO });
  }
  return maybe;
}
function creditByGroup(db, headOf3) {
  const credit = /* @__PURE__ */ new Map();
  const creditIn2 = /* @__PURE__ */ new Map();
  for (const row of creditsKept(db)) {
    const head = headOf3(row.customerId);
    credit.set(head, add(credit.get(head) ?? 0, row.onAccount));
    listOf(creditIn2, head).push({ currency: row.currency, sum: row.own });
  }
  return { credit, creditIn: creditIn2 };
}
function disputedByGroup(db, headOf3, worth) {
  const disputed = /* @__PURE__ */ new Map();
  for (const { customerId, amount: amount2, currency, on } of disputedReceipts(db)) {
    const head = headOf3(customerId);
    disputed.set(head, add(disputed.get(head) ?? 0, worth(amount2, currency, on)));
  }
  return disputed;
}
function questionsByGroup(db, headOf3) {
  const questions = /* @__PURE__ */ new Map();
  for (const { customerId, askedOn, number } of openQuestions(db)) {
    const head = headOf3(customerId);
    if (!questions.has(head)) questions.set(head, { on: askedOn, number });
  }
  return questions;
}
function onWayByGroup(db, headOf3, worth) {
  const onWay = /* @__PURE__ */ new Map();
  for (const { customerId, amount: amount2, currency, startedOn } of onTheirWay(db)) {
    if (customerId === null) continue;
    const head = headOf3(customerId);
    const known9 = onWay.get(head);
    onWay.set(head, {
      sum: add(known9?.sum ?? 0, worth(amount2, currency, startedOn)),
      startedOn: known9?.startedOn ?? startedOn
    });
  }
  return onWay;
}
function wordsByCustomer(db) {
  const words = /* @__PURE__ */ new Map();
  const { letters, contacts } = lastWords(db);
  const of = (id) => words.get(id) ?? { letter: void 0, contact: void 0, promise: void 0 };
  for (const letter of letters) words.set(letter.customerId, { ...of(letter.customerId), letter });
  for (const contact of contacts)
    words.set(contact.customerId, {
      ...of(contact.customerId),
      [contact.kind === "promise" ? "promise" : "contact"]: contact
    });
  return words;
}
function listOf(map, key) {
  const known9 = map.get(key);
  if (known9) return known9;
  const made = [];
  map.set(key, made);
  return made;
}

// src/server/overdue/queries/promiseNow.ts
function promiseNow(db, contact, parts, today) {
  if (contact.promisedOn === null) return null;
  return promiseToday(
    parts ?? [{ dueOn: contact.promisedOn, sum: contact.promisedSum }],
    (to) => paidBetween(db, contact.customerId, contact.onDay, to),
    today
  );
}

// src/server/overdue/queries/overdueRow.ts
var NOBODY = [];
function ladderOf(facts, customerId) {
  const ladderId = facts.followed.get(customerId)?.ladderId ?? null;
  const ladder = facts.ladders.find(({ id, standard }) => ladderId === null ? standard : id === ladderId) ?? facts.ladders[0];
  return ladder && ladder.steps.length > 0 ? ladder : { id: ladder?.id ?? 0, name: ladder?.name ?? "", steps: DEFAULT_STEPS };
}
function promiseFacts(promise) {
  const open = promise?.state === "open";
  return {
    promise: open ? promise.next : null,
    promiseBroken: promise?.state === "broken"
  };
}
function factsOf(facts, id, followed) {
  return {
    said: facts.said.get(id) ?? [],
    interval: facts.interval,
    smallest: followed.smallest ?? facts.smallest,
    maybeTheirs: facts.maybe.get(id) ?? [],
    disputed: facts.disputed.get(id) ?? ZERO,
    question: facts.questions.get(id) ?? null,
    onWay: facts.onWay.get(id) ?? null,
    stale: facts.stale,
    quietUntil: followed.quietUntil,
    byItself: followed.byItself
  };
}
function rowOf(db, { customer, group, today, facts }) {
  const followed = facts.followed.get(customer.id) ?? followedAs(customer.id);
  const ladder = ladderOf(facts, customer.id);
  const credit = add(facts.credit.get(customer.id) ?? 0, group.notes);
  const words = facts.words.get(customer.id);
  const promise = words?.promise ? promiseNow(db, words.promise, facts.parts.get(words.promise.id), today) : null;
  const gets = followUpToday({
    today,
    sums: group.sums,
    steps: ladder.steps,
    lastLetterOn: words?.letter?.onDay ?? null,
    credit,
    leftOut: customer.leftOut,
    ...factsOf(facts, customer.id, followed),
    ...promiseFacts(promise)
  });
  if (gets === null) return null;
  let read2 = null;
  return {
    state: gets.state,
    next: gets.next,
    waits: gets.waits,
    asked: gets.asked,
    overdue: gets.overdue,
    oldestDueOn: gets.oldestDueOn,
    oldestDays: gets.oldestDays,
    letterFrom: gets.letterFrom,
    goesByItself: gets.goesByItself,
    leftOut: gets.leftOut,
    customer,
    sites: group.members.length - (group.members.includes(customer.id) ? 1 : 0),
    aging: group.aging,
    credit,
    lastWord: lastWord(words, promise),
    followed,
    persons: facts.persons.get(customer.id) ?? NOBODY,
    ladder: ladder.name,
    ladderId: ladder.id,
    detail: () => read2 ??= detailOf(db, {
      group,
      gets,
      steps: ladder.steps,
      today,
      leftOut: facts.leftOut,
      kept: facts.creditIn.get(customer.id) ?? []
    })
  };
}
function detailOf(db, { group, gets, steps, today, leftOut, kept }) {
  const items = itemsOf(db, group.members, leftOut);
  return {
    items,
    named: namedItems(
      items.map((item) => ({ ...item, balance: item.bookBalance })),
      gets.next.step,
      daysAhead(steps),
      today
    ).map(({ id }) => id),
    creditIn: creditIn(items, kept)
  };
}
function itemsOf(db, members, leftOut) {
  return members.flatMap((id) => openItemsOf(db, id)).map((item) => ({ ...item, leftOut: leftOut.get(item.id) ?? null })).sort((a, b) => earlierFirst(a.dueOn, b.dueOn) || a.id - b.id);
}
function creditIn(items, kept) {
  const sums2 = /* @__PURE__ */ new Map();
  for (const { currency, sum } of [
    ...kept,
    ...items.filter(({ balance }) => balance < 0).map(({ currency: currency2, balance }) => ({ currency: currency2, sum: minor(-balance) }))
  ])
    sums2.set(currency, add(sums2.get(currency) ?? 0, sum));
  return sums2;
}
function lastWord(words, promise) {
  const { letter, contact, promise: promised } = words ?? {};
  const said2 = [];
  if (letter) said2.push({ kind: "letter", step: letter.step, on: letter.onDay });
  if (contact && contact.kind !== "promise")
    said2.push({ kind: contact.kind, on: contact.onDay, text: contact.text });
  if (promised?.promisedOn && promise)
    said2.push({
      kind: "promise",
      on: promised.onDay,
      dueOn: promise.next?.dueOn ?? promised.promisedOn,
      sum: promise.next ? promise.next.sum : promised.promisedSum,
      state: promise.state
    });
  return said2.reduce(
    (last2, word) => last2 === null || word.on >= last2.on ? word : last2,
    null
  );
}

// src/server/overdue/queries/overdue.ts
function overdueRows(db, today, proposals, only = null) {
  const customers = new Map(
    (only === null ? allCustomers(db) : familyOf(db, only)).map((customer) => [
      customer.id,
      customer
    ])
  );
  const headOf3 = (id) => {
    const customer = customers.get(id);
    return customer === void 0 || customer.parentId === null ? id : groupHead(customer, customers);
  };
  const facts = factsByGroup(db, proposals, headOf3, today);
  const groups = openByGroup(db, {
    today,
    facts,
    headOf: headOf3,
    only: only === null ? null : [...customers.keys()]
  });
  const rows = [];
  for (const [id, group] of groups) {
    const customer = customers.get(id);
    const row = customer ? rowOf(db, { customer, group, today, facts }) : null;
    if (row) rows.push(row);
  }
  return sortedRows(rows);
}
function openByGroup(db, { today, facts, headOf: headOf3, only }) {
  const groups = /* @__PURE__ */ new Map();
  const aheads = [...new Set(facts.ladders.map(({ steps }) => daysAhead(steps)))];
  for (const ahead of aheads.length === 0 ? [0] : aheads) {
    for (const [id, own] of followSums(db, today, ahead, only)) {
      const head = headOf3(id);
      if (aheads.length > 1 && daysAhead(ladderOf(facts, head).steps) !== ahead) continue;
      const known9 = groups.get(head);
      const both = known9 ? together(known9, own) : own;
      groups.set(head, {
        sums: both.sums,
        aging: both.aging,
        notes: both.notes,
        members: known9 ? [...known9.members, id] : [id]
      });
    }
  }
  return groups;
}
function sortedRows(rows) {
  const ranked = rows.map((row) => ({
    row,
    rank: rank(row),
    overdue: row.overdue,
    id: row.customer.id
  }));
  ranked.sort((a, b) => a.rank - b.rank || b.overdue - a.overdue || a.id - b.id);
  return ranked.map(({ row }) => row);
}
var RANKS = { ready: 0, waits: 2, later: 4, left_out: 6 };
var rank = (row) => RANKS[row.state] - (row.lastWord?.kind === "promise" && row.lastWord.state === "broken" ? 1 : 0);

// src/core/readings/lines/totals/totalOfGroup.ts
var NAMED = /^(.+) (?:total|subtotal|summe|totaal|totale)$/;
var known = /* @__PURE__ */ new WeakMap();
function saidUnder(cells, at) {
  const columns = known.get(cells) ?? /* @__PURE__ */ new Map();
  known.set(cells, columns);
  const before2 = columns.get(at);
  if (before2) return before2;
  const said2 = new Set(
    cells.file.table.rows.map((row) => plainWords((row.cells[at] ?? "").trim()))
  );
  columns.set(at, said2);
  return said2;
}
function isTotalOfGroup(cells, cell, at) {
  const [, group] = NAMED.exec(plainWords(cell)) ?? [];
  return group !== void 0 && saidUnder(cells, at).has(group);
}

// src/core/readings/days/months.ts
var NAMES = [
  "january januar janner janvier enero gennaio januari janeiro ene gen",
  "february februar fevrier febrero febbraio februari fevereiro fev fevr",
  "march marz mars marzo maart marco mrt mrz",
  "april avril abril aprile avr abr",
  "may mai mayo maggio mei maio mag",
  "june juni juin junio giugno junho giu",
  "july juli juillet julio luglio julho juil lug",
  "august aout agosto augustus ago",
  "september septembre septiembre settembre setembro sept set",
  "october oktober octobre octubre ottobre outubro okt ott out",
  "november novembre noviembre novembro",
  "december dezember decembre diciembre dicembre dezembro dez dic"
];
var MONTH_OF = new Map(
  NAMES.flatMap(
    (names, at) => names.split(" ").flatMap((name) => [name, ...name.length > 3 ? [name.slice(0, 3)] : []]).map((name) => [name, at + 1])
  )
);
for (const shared of ["jui"]) MONTH_OF.delete(shared);
var monthOf = (word) => MONTH_OF.get(withoutAccents(word).replace(/\.$/, "")) ?? null;

// src/core/readings/days/otherForms.ts
var IN_ONE = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d(?:[.,]\d{1,9})?)?(Z|[+-]\d\d:?\d\d)?$/;
var NO_SECONDS = /(T\d\d:\d\d):(?=$|[Z+-])/;
var WITH_SIGNS = /^(\d{4})\s?[年년]\s?(\d{1,2})\s?[月월]\s?(\d{1,2})\s?[日일](?=\D|$)/;
var POINTED = /(?<=[\dA-Za-z])[ -](\d\d)\.(\d\d)\.(\d\d)(?:\.\d{1,9})?(?= ?[AP]M$|$)/i;
var inUsualForm = (text) => text.replace(IN_ONE, "$1-$2-$3T$4:$5:$6$7").replace(NO_SECONDS, "$1").replace(WITH_SIGNS, "$1-$2-$3").replace(POINTED, " $1:$2:$3");

// src/core/readings/days/zoneNames.ts
var NAMED2 = [
  [/\b(?:utc|gmt|coordinated universal|greenwich mean)\b/, "Etc/UTC"],
  [/\bcentral european\b/, "Europe/Berlin"],
  [/\beastern european\b/, "Europe/Athens"],
  [/\beastern\b|^et$/, "America/New_York"],
  [/\barizona\b/, "America/Phoenix"],
  [/\bcentral\b|^ct$/, "America/Chicago"],
  [/\bmountain\b|^mt$/, "America/Denver"],
  [/\bpacific\b|^pt$/, "America/Los_Angeles"],
  [/\balaska\b/, "America/Anchorage"],
  [/\bhawaii\b/, "Pacific/Honolulu"],
  [/\batlantic\b/, "America/Halifax"]
];
var IANA = /\b(?:Africa|America|Asia|Atlantic|Australia|Europe|Indian|Pacific|Etc|US|Canada)\/[A-Za-z_]{2,30}(?:\/[A-Za-z_]{2,30})?\b/;
var OFFSET = /(?:utc|gmt)\s?([+-])(\d{1,2})(?::?(\d\d))?/i;
function zoneIn(words) {
  const offset = OFFSET.exec(words);
  if (offset)
    return `${offset[1] ?? "+"}${(offset[2] ?? "").padStart(2, "0")}:${offset[3] ?? "00"}`;
  const iana = IANA.exec(words)?.[0];
  if (iana !== void 0) return isZone(iana) ? iana : null;
  const plain = plainWords(words);
  return NAMED2.find(([named2]) => named2.test(plain))?.[1] ?? null;
}
function isZone(name) {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: name }).resolvedOptions().timeZone !== "";
  } catch {
    return false;
  }
}
var HOUR = 36e5;
var known2 = /* @__PURE__ */ new Map();
function minutesAhead(zone, day, minutes) {
  const fixed = /^([+-])(\d\d):(\d\d)$/.exec(zone);
  if (fixed) return (fixed[1] === "-" ? -1 : 1) * (Number(fixed[2]) * 60 + Number(fixed[3]));
  const key = `${zone} ${day} ${Math.floor(minutes / 60)}`;
  const before2 = known2.get(key);
  if (before2 !== void 0) return before2;
  const wall = Date.parse(`${day}T00:00:00Z`) + minutes * 6e4;
  const first2 = aheadAt(zone, wall);
  const ahead = aheadAt(zone, wall - first2 * 6e4);
  known2.set(key, ahead);
  return ahead;
}
var formats = /* @__PURE__ */ new Map();
function aheadAt(zone, moment) {
  const format = formats.get(zone) ?? new Intl.DateTimeFormat("en-CA", {
    timeZone: zone,
    hourCycle: "h23",
    ...{ year: "numeric", month: "2-digit", day: "2-digit", hour: "2-digit", minute: "2-digit" }
  });
  formats.set(zone, format);
  const part = Object.fromEntries(
    format.formatToParts(moment).map(({ type, value }) => [type, Number(value)])
  );
  const there = Date.UTC(
    part.year ?? 0,
    (part.month ?? 1) - 1,
    part.day ?? 1,
    part.hour ?? 0,
    part.minute ?? 0
  );
  return Math.round((there - Math.floor(moment / 6e4) * 6e4) / (HOUR / 60));
}

// src/core/readings/days/writtenDay.ts
var NOTHING = {
  fixed: null,
  open: null,
  yearLast: false,
  epoch: null,
  serial: null,
  minutes: null,
  zone: null
};
var LONGEST = 60;
var ZONES = {
  z: 0,
  utc: 0,
  gmt: 0,
  wet: 0,
  bst: 1,
  cet: 1,
  cest: 2,
  est: -5,
  edt: -4,
  cst: -6,
  cdt: -5,
  mst: -7,
  mdt: -6,
  pst: -8,
  pdt: -7,
  akst: -9,
  akdt: -8,
  hst: -10,
  ast: -4,
  adt: -3,
  eet: 2,
  eest: 3,
  msk: 3,
  sast: 2,
  sgt: 8,
  hkt: 8,
  awst: 8,
  jst: 9,
  kst: 9,
  aest: 10,
  aedt: 11,
  nzst: 12,
  nzdt: 13
};
var NO_ZONE = /* @__PURE__ */ new Set(["", "uhr", "hrs", "hr", "h"]);
var TIME = /(?:^|[T ,])(\d{1,2}):(\d\d)(?::(\d\d)(?:[.,]\d{1,9})?)?\s?(?:([ap])\.?(?:m\.?)?(?![a-z]))?\s?(z|[a-z]{2,4}|[+-]\d\d:?\d\d|[a-z]{2,9}\/[a-z_]{2,30}(?:\/[a-z_]{2,30})?)?(?:\s?\([^)]{0,30}\))?$/i;
var known3 = /* @__PURE__ */ new Map();
var MOST_KNOWN = 5e4;
function writtenDay(cell) {
  const before2 = known3.get(cell);
  if (before2 !== void 0) return before2;
  const found = readDay(cell);
  if (known3.size < MOST_KNOWN) known3.set(cell, found);
  return found;
}
var isMarkedDay = (cell) => /\d[-/. ]/.test(cell) && writtenDay(cell) !== null;
function readDay(cell) {
  if (cell.length > LONGEST) return null;
  const text = inUsualForm(cell.trim());
  if (text === "") return null;
  const number = /^\d{4,13}(?:\.\d{1,12})?$/.test(text) ? asNumber(text) : null;
  if (number) return number;
  const time = TIME.exec(text);
  const read2 = time ? timeOf(time) : NO_TIME;
  if (read2 === null) return null;
  const [minutes, zone] = read2;
  const day = (time ? text.slice(0, time.index) : text).trimEnd().replace(/[T,]$/, "");
  const found = inNumbers(day) ?? inWords2(day);
  return found && { ...NOTHING, ...found, minutes, zone };
}
var NO_TIME = [null, null];
function timeOf(time) {
  const half = time[4]?.toLowerCase();
  const hour = Number(time[1]) % (half ? 12 : 24);
  const minutes = (hour + (half === "p" ? 12 : 0)) * 60 + Number(time[2]);
  const written = time[5] ?? "";
  const zone = written.toLowerCase();
  if (NO_ZONE.has(zone)) return [minutes, null];
  const ahead = /^([+-])(\d\d):?(\d\d)$/.exec(zone);
  if (ahead)
    return [minutes, (ahead[1] === "-" ? -1 : 1) * (Number(ahead[2]) * 60 + Number(ahead[3]))];
  const hours = ZONES[zone];
  if (hours !== void 0) return [minutes, hours * 60];
  const name = zoneIn(written);
  return name === null ? null : [minutes, name];
}
function asNumber(text) {
  const value = Number(text);
  if (/^(?:19|20|21)\d{6}$/.test(text))
    return {
      ...NOTHING,
      fixed: [Number(text.slice(0, 4)), Number(text.slice(4, 6)), Number(text.slice(6))]
    };
  if (/^\d{6}$/.test(text)) return { ...NOTHING, ...inNumbers(text.replace(/(..)(?=.)/g, "$1-")) };
  if (/^\d{5}(?:\.|$)/.test(text)) return { ...NOTHING, serial: Math.floor(value) };
  if (/^1\d{9}(?:\.|$)/.test(text)) return { ...NOTHING, epoch: value * 1e3 };
  return /^1\d{12}$/.test(text) ? { ...NOTHING, epoch: value } : null;
}
function inNumbers(text) {
  const match = /^(\d{1,4})\s?[-/.]\s?(\d{1,2})\s?[-/.]\s?(\d{1,4})\.?$/.exec(text);
  if (!match) return null;
  const [a = "", b = "", c = ""] = match.slice(1);
  if (a.length === 4 && c.length <= 2) return { fixed: [Number(a), Number(b), Number(c)] };
  if (a.length > 2 || c.length !== 2 && c.length !== 4) return null;
  const yearLast = c.length === 4;
  return { open: [Number(a), Number(b), yearLast ? Number(c) : 2e3 + Number(c)], yearLast };
}
function inWords2(text) {
  const words = text.split(/[\s,./-]+/).filter((word) => word !== "");
  const months = words.flatMap((word, at) => {
    const month = monthOf(word);
    return month === null ? [] : [{ month, at }];
  });
  const numbers = words.flatMap((word, at) => {
    const number = /^(\d{1,4})(?:st|nd|rd|th)?$/i.exec(word)?.[1];
    return number === void 0 ? [] : [{ text: number, at }];
  });
  const [found] = months;
  const [first2, second] = numbers;
  if (!found || months.length > 1 || !first2 || !second || numbers.length > 2) return null;
  const yearFirst = first2.text.length === 4;
  const [year, day] = yearFirst ? [first2, second] : [second, first2];
  if (year.text.length !== 4 && year.text.length !== 2) return null;
  const full = year.text.length === 4 ? Number(year.text) : 2e3 + Number(year.text);
  return { fixed: [full, found.month, Number(day.text)] };
}

// src/core/readings/sums/currencySigns.ts
var SIGNS = [
  [/US\$|\$US|U\$S/i, "USD"],
  [/CA?\$/i, "CAD"],
  [/AU?\$/i, "AUD"],
  [/NZ\$/i, "NZD"],
  [/HK\$/i, "HKD"],
  [/MX\$/i, "MXN"],
  [/NT\$/i, "TWD"],
  [/S\$/, "SGD"],
  [/R\$/i, "BRL"],
  [/€/, "EUR"],
  [/£/, "GBP"],
  [/₹/, "INR"],
  [/₺/, "TRY"],
  [/₪/, "ILS"],
  [/₩/, "KRW"],
  [/₱/, "PHP"],
  [/฿/, "THB"],
  [/₫/, "VND"],
  [/₴/, "UAH"],
  [/₽/, "RUB"],
  [/JP¥/, "JPY"],
  [/CN¥|元/, "CNY"],
  [/zł/i, "PLN"],
  [/Kč/i, "CZK"],
  [/Ft(?![a-z])/, "HUF"],
  [/\bRM(?=\s?\d)/, "MYR"],
  [/\bFr\.?(?=\s|\d|$)/, "CHF"]
];
var SHARED = {
  dollar: {
    sign: /\$/,
    words: "in dollars",
    currencies: ["USD", "CAD", "AUD", "NZD", "HKD", "SGD", "MXN"]
  },
  yen: { sign: /[¥￥]/, words: "in yen or yuan (\xA5)", currencies: ["JPY", "CNY"] },
  crown: {
    sign: /kr(?![a-z])/i,
    words: "in crowns (kr)",
    currencies: ["SEK", "NOK", "DKK", "ISK"]
  },
  rupee: { sign: /\bRs(?![a-z])/i, words: "in rupees (Rs)", currencies: ["INR", "PKR", "LKR"] }
};
var SHARED_SIGNS = Object.keys(SHARED);
var ANY_SIGN = /US\$|\$US|U\$S|(?:CA?|AU?|NZ|HK|MX|NT|S|R)\$|(?:JP|CN)?¥|[$€£₹₺₪₩₱฿₫₴₽￥元]|zł|Kč|kr\.?|\bRs\.?|Ft(?![a-z])|\bRM(?=\s?\d)|\bFr\.?(?=\s|\d|$)/gi;
var signIn = (text) => SIGNS.find(([sign]) => sign.test(text))?.[1] ?? SHARED_SIGNS.find((name) => SHARED[name].sign.test(text)) ?? null;
var isShared = (sign) => sign !== null && Object.hasOwn(SHARED, sign);
var sharedSign = (sign) => SHARED[sign];

// src/core/readings/sums/sumCells.ts
var LONGEST2 = 60;
var PLAIN = /^-?\d{1,9}\.\d{2}$/;
var known4 = /* @__PURE__ */ new Map();
var MOST_KNOWN2 = 5e4;
function writtenSum(cell) {
  if (cell === "") return null;
  const before2 = known4.get(cell);
  if (before2 !== void 0) return before2;
  const found = PLAIN.test(cell) ? plainSum(cell) : anySum(cell);
  if (known4.size < MOST_KNOWN2) known4.set(cell, found);
  return found;
}
var plainSum = (cell) => ({
  digits: cell.startsWith("-") ? cell.slice(1) : cell,
  negative: cell.startsWith("-"),
  currency: null,
  side: null
});
function anySum(cell) {
  const text = cell.replace(/[\u00a0\u2007\u202f]/g, " ").trim();
  if (text === "" || text.length > LONGEST2 || !/\d/.test(text) || isCut(text)) return null;
  const side = /(?:^|[\s\d])(cr|dr|od|[cd])\.?$|^(cr|dr)\.?(?=[\s\d])|\s([sh])$/i.exec(text);
  const bare = side ? text.replace(/(cr|dr|od|[cdsh])\.?$|^(cr|dr)\.?/i, "").trim() : text;
  const currency = currencyIn(bare);
  const digits = bare.replace(ANY_SIGN, "").replace(
    /^[\s(+\-−–]*([A-Z]{3})(?![A-Z])|([A-Z]{3})[\s)\-−–]*$/,
    (whole3, before2, behind) => currencyOf(String(before2 ?? behind)) === void 0 ? whole3 : ""
  ).replace(/^[\s(+\-−–]{1,6}|[\s)+\-−–]{1,6}$/g, "").trim();
  if (!/^\d[\d.,'’ ]*$|^[.,]\d+$/.test(digits)) return null;
  const word = (side?.slice(1).find((letters) => letters !== void 0) ?? "").toLowerCase();
  return {
    digits: digits.replace(/[’]/g, "'"),
    negative: isNegative(bare),
    currency,
    side: sideOf(word)
  };
}
var SIDES = {
  ...{ cr: "credit", c: "credit", h: "credit" },
  ...{ dr: "debit", od: "debit", d: "debit", s: "debit" }
};
var sideOf = (word) => SIDES[word] ?? null;
var isNegative = (text) => text.includes("(") && text.includes(")") || /^[^\d]*[-−–]/.test(text) || /[-−–]\s*[A-Z€$£]{0,3}$/.test(text);
function currencyIn(text) {
  const sign = signIn(text);
  if (sign !== null) return sign;
  const code = /(?:^|[\s(+\-−–])([A-Z]{3})(?![A-Z])/.exec(text)?.[1] ?? /([A-Z]{3})\)?$/.exec(text)?.[1];
  return code === void 0 ? null : currencyOf(code) ?? null;
}
var sums = /* @__PURE__ */ new Map();
function sumUnder(written, reading2) {
  const sign = written.negative ? "-" : "";
  const key = `${sign}${written.digits} ${reading2.mark}${reading2.currency}${reading2.cents ? "c" : ""}`;
  const before2 = sums.get(key);
  if (before2 !== void 0) return before2;
  const sum = sumAnew(written, reading2);
  if (sums.size < MOST_KNOWN2) sums.set(key, sum);
  return sum;
}
function sumWithin(cell, mark) {
  const written = writtenSum(cell.trim());
  return written && sumUnder(written, { mark, currency: USUAL, cents: false });
}
var USUAL = "USD";
var LAKHS = /^\d{1,2}(?:,\d\d)+,\d{3}(?:\.\d{1,3})?$/;
function sumAnew(written, { mark, currency, cents }) {
  if (cents && /^\d+$/.test(written.digits))
    return minor((written.negative ? -1 : 1) * Number(written.digits));
  const bare = mark === "." && LAKHS.test(written.digits);
  const read2 = parseAmount(
    bare ? written.digits.replaceAll(",", "") : written.digits,
    mark,
    currency
  );
  if (!read2.ok) return null;
  return minor(written.negative ? -read2.value : read2.value);
}

// src/core/readings/lines/parts/itemsOfAbove.ts
var OF_ITS_OWN = ["day", "amount"];
function itemsOfAbove(cells, rows) {
  if (cells.file.kind !== "processor" || cells.has("kind")) return [];
  const fields = cells.fields.filter(({ type }) => OF_ITS_OWN.includes(type));
  const numberOf = (row) => cells.of(row, "id") || cells.of(row, "reference");
  return rows.flatMap((row, at) => {
    const above = rows[at - 1];
    const isItem = above !== void 0 && numberOf(row) !== "" && numberOf(row) === numberOf(above) && fields.every(({ field }) => cells.of(row, field) === "");
    return isItem ? [{ line: row.line, why: "same_payment" }] : [];
  });
}

// src/core/readings/sums/sumFields.ts
var sumFields = (cells) => FIELDS[cells.file.kind].filter(({ type, field }) => type === "amount" && cells.has(field)).map(({ field }) => field);

// src/core/readings/sums/marks.ts
var MARKS = [".", ","];

// src/core/readings/lines/totals/isSumOf.ts
var isSumOf = (total, lines, places) => places.length > 0 && MARKS.some(
  (mark) => places.every((at) => {
    const sum = lines.reduce(
      (all, line) => all + (sumWithin(line.cells[at] ?? "", mark) ?? 0),
      0
    );
    const said2 = (total.cells[at] ?? "").trim();
    return (said2 === "" ? 0 : sumWithin(said2, mark)) === sum;
  })
);

// src/core/readings/lines/totals/levelTotals.ts
var MOST_LEVELS = 4;
var ENOUGH = 4;
var LEVEL = /\b(?:batch|total|sum|summary|header|level|group|deposit|settlement|payout|parent|master|day)\b/;
var isLevel = (word) => LEVEL.test(plainWords(word));
function levelTotals(cells, rows) {
  if (cells.file.kind !== "processor" && cells.file.kind !== "bank") return [];
  const places = sumFields(cells).filter((field) => field !== "balance").map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  for (const { at } of cells.unread()) {
    const words = [...new Set(rows.map((row) => (row.cells[at] ?? "").trim()))];
    if (words.length < 2 || words.length > MOST_LEVELS || words.includes("")) continue;
    for (const word of words) {
      const isTotal = (row) => (row.cells[at] ?? "").trim() === word;
      const leftOut = (why) => rows.filter(isTotal).map(({ line }) => ({ line, why }));
      const first2 = groupsOf(rows, isTotal);
      if (!isLevel(word) && first2.length < ENOUGH) continue;
      if (areTotals(first2, places)) return leftOut("heading");
      if (areTotals(groupsOf([...rows].reverse(), isTotal), places)) return leftOut("total");
    }
  }
  return [];
}
function groupsOf(rows, isTotal) {
  const groups = [];
  for (const row of rows) {
    if (isTotal(row)) groups.push({ total: row, lines: [] });
    else if (groups.length === 0) groups.push({ total: null, lines: [row] });
    else groups.at(-1)?.lines.push(row);
  }
  return groups;
}
var areTotals = (groups, places) => groups.some(({ lines }) => lines.length > 1) && groups.every(
  ({ total, lines }) => total !== null && !isNothing(total, places) && isSumOf(total, lines, places)
);
var isNothing = ({ cells }, places) => places.every((at) => !/[1-9]/.test(cells[at] ?? ""));

// src/core/readings/lines/onlyWords.ts
function onlyWords(cells) {
  const only = onlyCell(cells);
  const text = (cells[only] ?? "").trim();
  return writtenSum(text) === null && writtenDay(text) === null ? only : -1;
}
var isDayAlone = (cells) => isMarkedDay((cells[onlyCell(cells)] ?? "").trim());
function onlyCell(cells) {
  let only = -1;
  for (const [at, cell] of cells.entries()) {
    if (cell.trim() === "") continue;
    if (only >= 0) return -1;
    only = at;
  }
  return only;
}

// src/core/readings/columns/contents.ts
var MOST_LOOKED_AT = 500;
function contentsOf({ headers, rows }) {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  const known9 = /* @__PURE__ */ new Map();
  return (head) => {
    const before2 = known9.get(head);
    if (before2) return before2;
    const at = headers.indexOf(head);
    const cells = looked.map((row) => (row.cells[at] ?? "").trim());
    const filled = cells.filter((cell) => cell !== "");
    known9.set(head, filled);
    return filled;
  };
}
var isDate = (cell) => {
  const day = writtenDay(cell);
  return day !== null && day.serial === null && day.epoch === null && !/^\d{6}$/.test(cell);
};
var isSum = (cell) => writtenSum(cell) !== null && (!isDate(cell) || /^\d{8}$/.test(cell));
function isOnMost({ headers, rows }, head) {
  const at = headers.indexOf(head ?? "");
  const looked = rows.slice(0, MOST_LOOKED_AT);
  return looked.filter(({ cells }) => (cells[at] ?? "").trim() !== "").length * 2 > looked.length;
}

// src/core/readings/grouped.ts
function groupedBy(all, keyOf4) {
  const groups = /* @__PURE__ */ new Map();
  for (const one of all) {
    const key = keyOf4(one);
    if (key === null) continue;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
var MOST_ASKED = 30;
var openWords = (all, wordOf2) => [...groupedBy(all, wordOf2)].slice(0, MOST_ASKED);

// src/core/readings/lines/totals/adviceTotals.ts
var OF_PAYMENT = ["trace", "paidOn", "payerName", "number"];
function adviceTotals(cells, rows) {
  if (cells.file.kind !== "remittance" || !cells.has("number")) return /* @__PURE__ */ new Set();
  const taken = OF_PAYMENT.map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  const payments = groupedBy(rows, (row) => `${cells.of(row, "trace")}|${cells.of(row, "paidOn")}`);
  return new Set(
    [...payments.values()].flatMap((lines) => {
      const total = lines.at(-1);
      const above = lines.slice(0, -1);
      const isOne = total !== void 0 && cells.of(total, "number") === "" && above.length > 0 && above.every((row) => cells.of(row, "number") !== "") && isSumOf(total, above, sumsOf2(total, taken));
      return isOne ? [total.line] : [];
    })
  );
}
var sumsOf2 = ({ cells }, taken) => [...cells.keys()].filter((at) => {
  const cell = cells[at] ?? "";
  return !taken.includes(at) && writtenSum(cell) !== null && !isDate(cell);
});

// src/core/readings/lines/totals/datedTotals.ts
var NAME = /^(?:(?:daily|day|batch|weekly|monthly|grand|sub|page|report|period|card|group) ?)?(?:totals?|summe|gesamt|gesamtsumme|totaal|totale)(?: (?:for|of|on) .{1,30})?$/;
var MAYBE = /tota|summe|gesamt/i;
var NAMED_IN = ["id", "kind", "reference", "description", "direction", "number", "payoutId"];
function datedTotals(cells, rows) {
  const isCalled = (row) => NAMED_IN.some((field) => {
    const text = cells.of(row, field);
    return MAYBE.test(text) && NAME.test(plainWords(text));
  });
  const called = new Set(rows.filter(isCalled).map(({ line }) => line));
  if (called.size === 0 || called.size === rows.length) return /* @__PURE__ */ new Set();
  const fields = sumFields(cells).filter((field) => field !== "balance");
  const placesOf2 = (row) => fields.filter((field) => cells.of(row, field) !== "").map((field) => cells.file.table.headers.indexOf(cells.head(field)));
  const totals = /* @__PURE__ */ new Set();
  let since2 = [];
  const all = [];
  for (const row of rows) {
    const isTotal = called.has(row.line) && [since2, all].some((lines) => lines.length > 0 && isSumOf(row, lines, placesOf2(row)));
    if (isTotal) totals.add(row.line);
    else all.push(row);
    since2 = isTotal ? [] : [...since2, row];
  }
  return totals;
}

// src/core/readings/lines/totals/saidCount.ts
var LINES = "(?:transactions?|records?|rows?|entries|lines|invoices|documents|payments|receipts|open items|umsatze|buchungen|zeilen)";
var FORMS = [
  new RegExp(`^(?:total )?(?:number|no|nr|count|anzahl)(?: of| der)? ${LINES}(?: (\\d{1,7}))?$`),
  new RegExp(`^(?:total )?${LINES}(?: count)? (\\d{1,7})$`),
  /^(?:record|transaction|row|line) count(?: (\d{1,7}))?$/,
  new RegExp(
    `\\b(\\d{1,7}) ${LINES}(?: (?:exported|shown|listed|found|in total|total|returned))?$`
  )
];
var AT_MOST = /^(?:last|latest|up to|max|maximum|first|top)\b/;
function saidCount(cells) {
  const filled = cells.map((cell) => cell.trim()).filter((cell) => cell !== "");
  for (const [at, cell] of filled.entries()) {
    const count2 = countIn(cell, filled[at + 1] ?? "");
    if (count2 !== null) return count2;
  }
  return null;
}
var isCountAlone = (cells) => cells.filter((cell) => cell.trim() !== "").length <= 2 && saidCount(cells) !== null;
function countIn(cell, beside) {
  if (!/[a-z]/i.test(cell) || cell.length > 80) return null;
  const plain = plainWords(cell);
  if (AT_MOST.test(plain)) return null;
  for (const form of FORMS) {
    const found = form.exec(plain);
    if (!found) continue;
    const digits = found[1] ?? (/^\d{1,7}$/.test(beside) ? beside : null);
    return digits === null ? null : Number(digits);
  }
  return null;
}

// src/core/readings/lines/totals/unnamedTotals.ts
var FEWEST = 2;
var MOST_TRIED = 50;
function unnamedTotals(cells, rows, dayField) {
  if (dayField === void 0 || !cells.has(dayField)) return /* @__PURE__ */ new Set();
  const bare = rows.flatMap(
    (row, at) => cells.of(row, dayField) === "" && holdsSumsAlone(row, rows[at - 1]) ? [{ row, at }] : []
  );
  if (bare.length > MOST_TRIED) return /* @__PURE__ */ new Set();
  const totals = [];
  const isTotal = (at) => totals.some((total) => total.at === at);
  for (const { row, at } of bare) {
    const from = (totals.at(-1)?.at ?? -1) + 1;
    const above = [rows.slice(from, at), rows.slice(0, at).filter((_, place) => !isTotal(place))];
    if (above.some((lines) => lines.length >= FEWEST && isSumOf(row, lines, sumsOf3(row))))
      totals.push({ at, line: row.line });
  }
  return new Set(totals.length === bare.length ? totals.map(({ line }) => line) : []);
}
var isSum2 = (cell) => writtenSum(cell) !== null && !isDate(cell);
var sumsOf3 = ({ cells }) => [...cells.keys()].filter((at) => isSum2((cells[at] ?? "").trim()));
var FEWEST_BESIDE = 2;
function holdsSumsAlone({ cells }, above) {
  const filled = cells.flatMap(
    (cell, at) => cell.trim() === "" ? [] : [{ cell: cell.trim(), at }]
  );
  const others = filled.filter(({ cell }) => !isSum2(cell));
  const sums2 = filled.length - others.length;
  return sums2 >= (others.length === 0 ? 1 : FEWEST_BESIDE) && others.every(({ cell, at }) => cell === (above?.cells[at] ?? "").trim());
}

// src/core/readings/lines/rowsLeftOut.ts
var TOTAL = /^(?:grand |page |report |sub )?(?:total|totals|subtotal|sum|summe|gesamt|gesamtsumme|umsatztotal|zwischensumme|totaal|totale|totaux|suma|soma|(?:carried|brought) forward|ubertrag|uebertrag|a reporter|end of (?:report|file)|records?)\b/;
var NAMED_TOTAL = /\b(?:total|subtotal|summe|totaal|totale)$/;
var isTotalWord = (plain) => TOTAL.test(plain);
var BALANCE = /\b(?:(?:opening|closing|beginning|ending|starting|previous|prior) (?:ledger )?(?:balance|bal)|balance (?:brought |carried )?forward|anfangssaldo|endsaldo|anfangsbestand|endbestand|saldo (?:do dia|del dia|inicial|final|iniziale|finale|anterior)|(?:solde|saldo|balance) (?:au|al|am|per|as of|at)|solde (?:initial|final|precedent|anterieur)|beginsaldo|eindsaldo)\b/;
var MAYBE_BALANCE = /bal|sald|sold|bestand/i;
var isBalanceWords = (plain) => BALANCE.test(plain);
var MAIN_DAY = {
  bank: "postedOn",
  processor: "occurredOn",
  invoices: "issuedOn",
  remittance: "paidOn",
  returns: "on"
};
var HAVE_BALANCES = /* @__PURE__ */ new Set(["bank", "processor"]);
function screenRow(cells, row, isFirst, isLast) {
  const { kind, table } = cells.file;
  const isDay2 = writtenDay(cells.of(row, MAIN_DAY[kind] ?? "")) !== null;
  if (isGroupName(table, row) || !isDay2 && isDayAlone(row.cells)) return "heading";
  if (isDay2 && kind === "remittance") return adviceTotal(cells, row);
  const why = isDay2 ? null : lineForTheEye(cells, row);
  if (why !== null || !HAVE_BALANCES.has(kind)) return why;
  return isBalance(cells, row, isFirst || isLast) ? "balance" : null;
}
function lineForTheEye(cells, row) {
  const { kind, table } = cells.file;
  const filled = row.cells.map((cell) => cell.trim());
  const isHead = (cell, at) => cell === "" || plainWords(cell) === plainWords(table.headers[at] ?? "");
  if (filled.every(isHead)) return "head";
  if (filled.every((cell) => /^(?:[-=_:]{3,})?$/.test(cell))) return "heading";
  if (isCountAlone(filled)) return "total";
  const own = cells.of(row, kind === "invoices" ? "number" : "id");
  if (kind === "customers" || own !== "" && !saysTotal(plainWords(own))) return null;
  const isNamed2 = kind === "invoices" || kind === "remittance";
  const isTotal = (cell, at) => isTotalWord(plainWords(cell)) || (isNamed2 ? NAMED_TOTAL.test(plainWords(cell)) : isTotalOfGroup(cells, cell, at));
  return filled.some((cell, at) => cell !== "" && isTotal(cell, at)) ? "total" : null;
}
function adviceTotal(cells, row) {
  const number = plainWords(cells.of(row, "number"));
  if (!cells.has("number") || number !== "" && !saysTotal(number)) return null;
  return row.cells.some((cell) => saysTotal(plainWords(cell.trim()))) ? "total" : null;
}
var saysTotal = (plain) => isTotalWord(plain) || NAMED_TOTAL.test(plain);
function isBalance(cells, row, atAnEnd) {
  const isDay2 = writtenDay(cells.of(row, MAIN_DAY[cells.file.kind] ?? "")) !== null;
  const moved = MOVED.map((field) => digitsOf(cells, row, field)).filter(
    (digits) => /[1-9]/.test(digits)
  );
  const moves = moved.length > 0;
  const after = digitsOf(cells, row, "balance");
  if (moves && (!atAnEnd || after !== "" && !moved.includes(after))) return false;
  const fields = ["description", "direction", "kind", ...moves ? [] : ["payerName"]];
  const said2 = fields.map((field) => cells.of(row, field));
  if (!moves && cells.of(row, "balance") !== "" && said2.some((word) => AN_END.test(word)))
    return true;
  const words = [...said2, isDay2 ? "" : row.cells.join(" ")];
  return words.some((text) => MAYBE_BALANCE.test(text) && isBalanceWords(plainWords(text)));
}
var digitsOf = (cells, row, field) => writtenSum(cells.of(row, field))?.digits ?? "";
var MOVED = ["amount", "gross", "net", "moneyIn", "moneyOut"];
var AN_END = /^(?:opening|closing|beginning|ending|(?:brought|carried) forward)$/i;
function screened(cells) {
  const rows = [];
  const leftOut = [];
  const all = cells.file.table.rows;
  all.forEach((row, at) => {
    const why = screenRow(cells, row, at === 0, at === all.length - 1);
    if (why) leftOut.push({ line: row.line, why });
    else rows.push(row);
  });
  const found = [
    ...asTotals(unnamedTotals(cells, rows, MAIN_DAY[cells.file.kind])),
    ...asTotals(adviceTotals(cells, rows)),
    ...asTotals(datedTotals(cells, rows)),
    ...levelTotals(cells, rows),
    ...itemsOfAbove(cells, rows)
  ];
  if (found.length === 0) return { rows, leftOut };
  const totals = new Map(found.map(({ line, why }) => [line, why]));
  return {
    rows: rows.filter(({ line }) => !totals.has(line)),
    leftOut: [...leftOut, ...[...totals].map(([line, why]) => ({ line, why }))]
  };
}
var asTotals = (lines) => [...lines].map((line) => ({ line, why: "total" }));

// src/core/readings/lines/headOfFile.ts
var headLineIn = (said2) => said2 != null && /^\d{1,6}$/.test(said2) ? Number(said2) : void 0;
function headSaid(table, answers) {
  const line = headLineIn(answers.head);
  return line === void 0 ? table : headedAt(table, line);
}
var isSum3 = (cell) => /\d[.,]\d\d\D*$/.test(cell) && writtenSum(cell) !== null;
function sheetQuestion({ sheets = [] }) {
  if (sheets.length < 2) return null;
  return {
    key: "head",
    words: `The workbook has lists on ${sheets.length} sheets. Which is meant?`,
    choices: sheets.map(({ name, headLine, lines }) => ({
      answer: String(headLine),
      result: `\u201C${name}\u201D, with ${lines} ${lines === 1 ? "line" : "lines"}`
    }))
  };
}
function headQuestion(table, answers) {
  if (answers.head !== void 0) return [];
  const { records = [], headLine = 1 } = table;
  const sheets = sheetQuestion(table);
  if (sheets !== null) return [sheets];
  const above = records.slice(0, Math.max(0, headLine - 1)).flatMap((cells, at) => {
    const trimmed = cells.map((cell) => cell.trim());
    const plain = plainWords(trimmed.join(" "));
    const isLine = trimmed.some(isMarkedDay) && trimmed.some(isSum3);
    return isLine && !isBalanceWords(plain) && !isTotalWord(plain) ? [{ at, trimmed }] : [];
  });
  const [first2] = above;
  if (!first2) return [];
  const shown2 = first2.trimmed.filter((cell) => cell !== "").join(" ");
  return [
    {
      key: "head",
      words: `The head of the list stands on line ${headLine}, and above it line ${first2.at + 1} has a day and a sum (${shown2.slice(0, 60)}).`,
      choices: [
        {
          answer: String(headLine),
          result: `the list begins below line ${headLine}: what is above is left out`
        },
        {
          answer: String(first2.at),
          result: first2.at === 0 ? "the list begins with line 1 and has no head" : `the list begins below line ${first2.at}`
        }
      ]
    }
  ];
}

// src/core/readings/activity/achCodes.ts
var HEAD = /^(?:ach |nacha )?(?:transaction|tran|trans|txn|entry)(?: (?:code|type))?$/;
var CODE = /^[2-5][2-9]$/;
var CREDIT = /^[2-5][234]$/;
var areEntryCodes = (head, filled) => HEAD.test(headWords(head)) && filled.length > 0 && filled.every((cell) => CODE.test(cell));
function sentByCode(head, filled) {
  const codes = filled.filter((cell) => cell !== "");
  return areEntryCodes(head, codes) ? (cell) => CREDIT.test(cell) : null;
}

// src/core/readings/cells.ts
var FIXED = "fixed:";
var Cells = class {
  constructor(file) {
    this.file = file;
    this.places = new Map(
      Object.entries(file.columns).flatMap(([field, head]) => {
        const at = file.table.headers.indexOf(head);
        return at < 0 ? [] : [[field, at]];
      })
    );
    this.fixed = new Map(
      Object.entries(file.answers).flatMap(
        ([key, value]) => key.startsWith(FIXED) && value.trim() !== "" ? [[key.slice(FIXED.length), value.trim()]] : []
      )
    );
    this.fields = FIELDS[file.kind].filter(({ field }) => this.has(field));
  }
  file;
  /** The fields of the kind that have a column here. */
  fields;
  places;
  fixed;
  others = null;
  has(field) {
    return this.places.has(field) || this.fixed.has(field);
  }
  /** The cell of a field, without blanks around it; what was said of all lines where it has no column. */
  of(row, field) {
    const at = this.places.get(field);
    return at === void 0 ? this.fixed.get(field) ?? "" : (row.cells[at] ?? "").trim();
  }
  /** Cells of a field that hold something. */
  column(rows, field) {
    return rows.map((row) => this.of(row, field)).filter((cell) => cell !== "");
  }
  /** Heads that no field has taken, with their place. */
  unread() {
    return this.others ??= this.untaken();
  }
  untaken() {
    const taken = new Set(this.places.values());
    return this.file.table.headers.flatMap(
      (head, at) => taken.has(at) || head === "" ? [] : [{ head, at }]
    );
  }
  head(field) {
    return this.file.columns[field] ?? "";
  }
};
var IS_ID = /^(?:id|number|trace|\w+Id)$/;
function wholeId(field, text) {
  if (!IS_ID.test(field)) return text;
  const bare = /^'\w/.test(text) ? text.slice(1) : text;
  return /^\d{1,15}\.0$/.test(bare) ? bare.slice(0, -2) : bare;
}
var isAgreed = (cells) => cells.head("number") === "invoice_number" && cells.head("total") === "total";
var isAgreedLayout = (cells) => cells.fields.every(({ field, names }) => cells.head(field) === (names[0] ?? field));
var some = (texts, most = 3) => {
  const different2 = [...new Set(texts)];
  const shown2 = different2.slice(0, most).map((text) => `\u201C${text.slice(0, 40)}\u201D`);
  const more = different2.length - shown2.length;
  return shown2.join(", ") + (more > 0 ? ` and ${more} more` : "");
};

// src/core/readings/days/dayUnder.ts
var MOST_KNOWN3 = 5e4;
var days = /* @__PURE__ */ new Map();
function iso([year, month, day]) {
  const key = (year * 100 + month) * 100 + day;
  const before2 = days.get(key);
  if (before2 !== void 0) return before2;
  const made = month > 99 || day > 99 ? null : newDay([year, month, day]);
  if (days.size < MOST_KNOWN3) days.set(key, made);
  return made;
}
var newDay = ([year, month, day]) => {
  const date = new Date(Date.UTC(year, month - 1, day));
  const right = date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  const text = right ? date.toISOString().slice(0, 10) : "";
  return right && isBookDay(text) ? text : null;
};
var ordered = ([a, b, c], order) => {
  if (order === "mdy") return [c, a, b];
  return order === "dmy" ? [c, b, a] : [2e3 + a, b, c % 100];
};
var SERIAL_OF_1970 = 25569;
var FROM_1904 = 1462;
function dayUnder(written, reading2) {
  if (written.epoch !== null) return dayInZone(new Date(written.epoch), reading2.timeZone);
  if (written.serial !== null) {
    const since2 = reading2.isFrom1904 ? SERIAL_OF_1970 - FROM_1904 : SERIAL_OF_1970;
    return dayOfNumber(written.serial - since2);
  }
  const parts = partsUnder(written, reading2);
  const day = parts && iso(parts);
  return day && (reading2.asDays ? day : inZone(day, written, reading2));
}
function partsUnder({ fixed, open, yearLast }, { order, isTurned }) {
  if (fixed) return isTurned && fixed[2] <= 12 ? [fixed[0], fixed[2], fixed[1]] : fixed;
  return open === null || yearLast && order === "yy" ? null : ordered(open, order);
}
function inZone(day, { minutes, zone }, reading2) {
  const of = zone ?? reading2.assumedZone;
  if (minutes === null || of === null || of === reading2.timeZone) return day;
  const ahead = typeof of === "number" ? of : minutesAhead(of, day, minutes);
  const moment = (/* @__PURE__ */ new Date(`${day}T00:00:00Z`)).getTime() + (minutes - ahead) * 6e4;
  return dayInZone(new Date(moment), reading2.timeZone);
}

// src/core/readings/invoices/termsIn.ts
function termsIn(text) {
  const plain = text.trim().toLowerCase().slice(0, 80).replace(/\s+/g, " ");
  if (plain === "") return null;
  if (/^\d/.test(plain) && /n\/\d/.test(plain)) return plain;
  if (/^n\/\d{1,3}$/.test(plain)) return plain;
  if (/^(?:(?:due |payable )?(?:up)?on receipt(?: of invoice)?|immediate(?:ly)?|cash|cod|c\.o\.d\.|due now|now|prepaid|sofort)$/.test(
    plain
  ))
    return "n/0";
  const early = /^(\d{1,2}(?:\.\d{1,2})?) ?%? ?(?:\/|in|within)? ?(\d{1,3}) ?(?:days)?[,;]? ?\/?(?:net|n) ?\/? ?(\d{1,3})(?: days)?$/.exec(
    plain
  );
  if (early) return `${early[1]}/${early[2]} n/${early[3]}`;
  const skonto = /^(?<days>\d{1,3}) tage (?<share>\d{1,2}) ?% skonto[,;]? (?<net>\d{1,3}) tage(?: netto)?$/.exec(
    plain
  ) ?? /^(?<share>\d{1,2}) ?% skonto (?<days>\d{1,3}) tage[,;]? (?<net>\d{1,3}) tage(?: netto)?$/.exec(
    plain
  );
  if (skonto?.groups) return `${skonto.groups.share}/${skonto.groups.days} n/${skonto.groups.net}`;
  const net = NET.flatMap((words) => words.exec(plain)?.[1] ?? [])[0];
  return net === void 0 ? null : `n/${net}`;
}
var NET = [
  /^(?:due|payable) (?:in|within) (\d{1,3}) days$/,
  /^(?:net|n|netto)[ /]?(\d{1,3})(?: days| tage)?$/,
  /^(\d{1,3}) ?(?:days|d|tage|jours|dias|giorni|dagen)(?: net| netto)?$/
];
var isTermsAsDue = (field, text) => field === "dueOn" && termsIn(text) !== null;

// src/core/readings/columnUses.ts
function headsUsedAs({ cells }, wanted) {
  const { answers } = cells.file;
  const known9 = uses.get(answers) ?? /* @__PURE__ */ new Map();
  uses.set(answers, known9);
  const before2 = known9.get(wanted);
  if (before2 !== void 0) return before2;
  const heads = Object.entries(answers).flatMap(
    ([key, use]) => key.startsWith("column:") && use === wanted ? [key.slice("column:".length)] : []
  );
  known9.set(wanted, heads);
  return heads;
}
var uses = /* @__PURE__ */ new WeakMap();

// src/core/readings/canonical.ts
var headOf = (kind, field) => FIELDS[kind].find((spec) => spec.field === field)?.names[0] ?? field;
function canonicalTable(kind, made) {
  const used = /* @__PURE__ */ new Set();
  for (const { fields: fields2 } of made.rows) for (const field in fields2) used.add(field);
  const fields = FIELDS[kind].map(({ field }) => field).filter((field) => used.has(field));
  return {
    headers: fields.map((field) => headOf(kind, field)),
    rows: made.rows.map(({ line, fields: row }) => ({
      line,
      cells: fields.map((field) => row[field] ?? "")
    }))
  };
}
var canonicalMapping = (kind) => ({
  kind,
  columns: Object.fromEntries(FIELDS[kind].map(({ field }) => [field, headOf(kind, field)])),
  dayOrder: "ymd",
  decimalMark: ".",
  markSaid: true,
  rowKinds: Object.fromEntries(ROW_KIND_NAMES.map((name) => [name, name])),
  signs: "as_written",
  payoutSign: "as_written",
  feeSign: "cost"
});
var NONE = /* @__PURE__ */ new Set();
function plainFields(reading2, row, but = NONE) {
  const { cells } = reading2;
  const out = {};
  for (const spec of cells.fields) {
    const text = but.has(spec.field) ? "" : agreedText(reading2, row, spec);
    if (text !== "") out[spec.field] = text;
  }
  out.currency = reading2.currencyOf(row);
  if (cells.of(row, "currency") !== "" && cells.of(row, "currency").toUpperCase() !== out.currency)
    out.currency = cells.of(row, "currency");
  return out;
}
function agreedText(reading2, row, { field, type }) {
  const text = reading2.cells.of(row, field);
  if (type === "text") return wholeId(field, text);
  if (text === "") return text;
  if (isNothing2(text)) return "";
  if (type === "day") return dayOf(reading2, field, text) ?? text;
  return type === "amount" ? sumText(reading2, row, field) ?? text : text;
}
var dayOfCell = (reading2, row, field) => dayOf(reading2, field, reading2.cells.of(row, field));
function dayOf({ daysOf: daysOf2 }, field, text) {
  const written = writtenDay(text);
  return written && dayUnder(written, daysOf2(field));
}
var sumOfCell = (reading2, row, field) => sumOfText(reading2, row, reading2.cells.of(row, field));
var sumUnderHead = (reading2, row, head) => sumOfText(reading2, row, row.cells[reading2.cells.file.table.headers.indexOf(head)] ?? "");
var PLAIN2 = /^-?\d{1,9}\.\d\d$/;
function sumOfText(reading2, row, text) {
  const { mark, cents } = reading2.sums;
  if (mark === "." && !cents && PLAIN2.test(text) && minorDigits(reading2.currencyOf(row)) === 2)
    return minor(Math.round(Number(text) * 100));
  const written = writtenSum(text);
  return written && sumUnder(written, { ...reading2.sums, currency: reading2.currencyOf(row) });
}
function sumText(reading2, row, field) {
  const sum = sumOfCell(reading2, row, field);
  return sum === null ? null : toDecimal(sum, reading2.currencyOf(row));
}
var inText = (sum, currency) => toDecimal(sum, currency);
function unreadable(reading2, row) {
  const { cells } = reading2;
  return cells.fields.flatMap(({ field, type }) => {
    if (type !== "amount" && type !== "day") return [];
    const text = cells.of(row, field);
    if (text === "" || isNothing2(text) || isTermsAsDue(field, text)) return [];
    const column = cells.head(field);
    if (type === "amount" && sumOfCell(reading2, row, field) === null)
      return [
        {
          line: row.line,
          field,
          column,
          error: whyNoSum(reading2, row, text)
        }
      ];
    if (type === "day" && dayOf(reading2, field, text) === null)
      return [
        {
          line: row.line,
          field,
          column,
          error: {
            code: writtenDay(text) ? "day.impossible" : "day.unreadable",
            text: text.slice(0, 40),
            order: reading2.daysOf(field).order
          }
        }
      ];
    return [];
  });
}
function whyNoSum({ sums: { mark }, currencyOf: currencyOf2 }, row, text) {
  const written = writtenSum(text);
  const read2 = written && parseAmount(written.digits, mark, currencyOf2(row));
  const shown2 = text.slice(0, 40);
  return read2 && !read2.ok ? { ...read2.error, text: shown2 } : { code: "amount.unreadable", text: shown2, mark };
}
var isNothing2 = (text) => /^(?:[-–—]{1,3}|n\/?a|null|none)$/i.test(text);

// src/core/readings/columns/codesOfKinds.ts
var OF_CARDS = /\b(card|brand|scheme|network|entry|mode|currency|ccy|country|state|region|terminal|language|avs|cvv|cvc|response|tax|capture|size|grade|class|colou?r|unit|store|location|channel|warehouse|agent|rep)\b/;
var MOST_CODES = 6;
var codesIn = (kind, free, cellsOf) => kind === "processor" ? free.find((head) => {
  const cells = cellsOf(head);
  const codes = new Set(cells);
  const isFew = codes.size > 1 && codes.size <= MOST_CODES && codes.size * 2 <= cells.length;
  const areCodes2 = cells.every((cell) => /^[A-Z]{1,2}$/.test(cell));
  const areFlags = [...codes].every((code) => /^[YNTF]$/.test(code));
  return isFew && areCodes2 && !areFlags && !OF_CARDS.test(headWords(head));
}) : void 0;

// src/core/readings/invoices/documentWords.ts
var KINDS = {
  invoice: "invoice,inv,in,invoices,sales invoice,tax invoice,rechnung,facture,factura,fattura,factuur,fatura,ar invoice,customer invoice,debit memo,debit note,finance charge,late fee,late charge,standard,accrec,dr,debit",
  credit: "credit,cr,credit note,credit memo,creditnote,cm,cn,crn,credit invoice,gutschrift,avoir,nota de credito,abono,nota di credito,creditnota,sales credit note,sales credit memo,sales cr memo,cr memo,credit memorandum,customer credit,accreccredit,rechnungskorrektur"
};
var sureKindOf = (word) => {
  const plain = plainWords(word);
  if (KINDS.invoice.split(",").includes(plain)) return "invoice";
  return KINDS.credit.split(",").includes(plain) ? "credit" : null;
};
var OPEN = "open,o,sent,overdue,past due,unpaid,partially paid,partial,part paid,approved,posted,due,viewed,issued,outstanding,awaiting payment,not paid,offen,uberfallig,teilbezahlt,teilweise bezahlt,ouvert,impayee,a echoir,echue,en retard,partiellement payee,partiellement reglee,pendiente,vencida,abierta,parcialmente pagada,parcialmente cobrada,parcial,scaduta,da pagare,parzialmente pagata,authorised,finalized,final,active,current,late,delivered,emailed,printed,not due";
var VOID = "draft,void,voided,cancelled,canceled,deleted,storniert,entwurf,annulee,brouillon,anulada,borrador,rejected,submitted for approval,proforma,pro forma,quote,quotation,estimate,sales order,order confirmation";
var PAID = "paid,closed,c,settled,bezahlt,payee,reglee,pagada,cobrada,pagata,incassata,paid in full,collected,complete,completed";
var PARTLY = /^(?:partially paid|partial|part paid|part payment|partiellement (?:payee|reglee)|teilbezahlt|teilweise bezahlt|parcialmente (?:pagada|cobrada)|parcial$|parzialmente pagata)\b/;
var DUE_IN = /^(?:overdue|past due|due) (?:in |by )?(?:\d{1,4} days?|today|tomorrow|yesterday)\b/;
var sureStanding = (word) => {
  const plain = plainWords(word);
  if (OPEN.split(",").includes(plain) || PARTLY.test(plain) || DUE_IN.test(plain)) return "open";
  if (VOID.split(",").includes(plain)) return "void";
  return PAID.split(",").includes(plain) ? "paid" : null;
};

// src/core/readings/lines/groupedRows.ts
function groupPlace({ rows, headers }) {
  const [first2] = rows;
  const at = first2 ? onlyWords(first2.cells) : -1;
  if (at < 0 || headers.length < 3 || isForTheEye(first2, at)) return null;
  const details = rows.filter(
    (row) => onlyWords(row.cells) !== at && !isForTheEye(row, at) && !isDayAlone(row.cells)
  );
  return details.length > 0 && details.every(({ cells }) => (cells[at] ?? "").trim() === "") ? at : null;
}
var isForTheEye = ({ cells }, at) => isTotalWord(plainWords(cells[at] ?? "")) && cells.some((cell, other) => other !== at && cell.trim() !== "");
var AGE = /\b(?:page|days|past due|current|overdue|due|over|not due|months?)\b|^\d/;
function groupColumn(table) {
  if (table.headers.includes(HEADING)) return areAges(table) ? null : HEADING;
  const at = groupPlace(table);
  return at === null ? null : table.headers[at] ?? null;
}
function areAges({ headers, rows }) {
  const at = headers.indexOf(HEADING);
  const names = rows.map(({ cells }) => plainWords(cells[at] ?? "")).filter((name) => name !== "");
  return names.every((name) => AGE.test(name));
}
function withGroups(table) {
  const at = groupPlace(table);
  if (at === null) return { table, leftOut: [] };
  const leftOut = [];
  let name = "";
  const rows = table.rows.flatMap((row) => {
    if (isForTheEye(row, at) || isDayAlone(row.cells)) return [row];
    if (onlyWords(row.cells) !== at) return [{ ...row, cells: row.cells.with(at, name) }];
    name = (row.cells[at] ?? "").trim();
    leftOut.push({ line: row.line, why: "heading" });
    return [];
  });
  return { table: { ...table, rows }, leftOut };
}

// src/core/readings/rowWords.ts
var KIND_WORDS = {
  charge: "charge,charges,pay in,payin,payment,payments,sale,sales,capture,captured,card payment,card charge,credit card payment,ach payment,ach charge,bank payment,bank debit payment,ach debit,invoice payment,online payment,payment received,customer payment,purchase,order,card sale,echeck,e check,echeck payment,direct debit,direct debit payment,auth capture,auth and capture,authorize and capture,authorization and capture,authorization with capture,authorization with auto capture,authorization w auto capture,auth w capture,prior auth capture,capture only,subscription payment,recurring payment,mobile payment,web payment,website payment,express checkout payment,checkout payment,payment captured,charge captured,payment paid out,force,forced,force sale,forced sale,zahlung,zahlungseingang,kartenzahlung,verkauf,paiement,paiement cb,paiement carte,paiement par carte,paiement carte bancaire,encaissement,vente,pago,cobro,venta,pagamento,incasso,vendita,betaling,verkoop,receipt,zahlung erhalten,erhaltene zahlung,paiement recu,pago recibido,pagamento ricevuto,betaling ontvangen",
  fee: "fee,fees,processing fee,processing fees,transaction fee,service fee,monthly fee,platform fee,merchant fee,account fee,provider fee,app fee,statement fee,subscription fee,payout fee,instant payout fee,instant transfer fee,pay in fee,pci fee,pci compliance fee,assessment fee,batch fee,card fee,ach fee,transfer fee,gateway fee,interchange,billing,charge fee,payment fee,gebuhr,gebuhren,frais,commission,comision,commissione,kosten",
  refund: "refund,refunds,charge refunded,payment refund,payment refunded,charge refund,partial refund,full refund,card refund,refunded payment,ach refund,customer refund,refund issued,refunded,return of goods refund,money back,remboursement cb,remboursement carte,remboursement client,erstattung,ruckerstattung,ruckzahlung,gutschrift an kunden,remboursement,reembolso,devolucion,rimborso,terugbetaling",
  dispute: "dispute,disputes,dispute created,charge dispute created,charge dispute funds withdrawn,dispute funds withdrawn,chargeback,chargebacks,charge back,dispute opened,dispute withdrawn,dispute withdrawal,chargeback opened,chargeback withdrawal,chargeback debit,payment charged back,dispute debit,payment dispute,claim,ruckbelastung,kreditkartenruckbuchung,retrofacturation,litige,contracargo,contestazione",
  dispute_won: "dispute won,charge dispute funds reinstated,chargeback won,chargeback reversal,dispute reversal,dispute reversed,chargeback reversed,dispute funds reinstated,dispute credit,chargeback credit,chargeback returned,dispute released,won dispute",
  dispute_fee: "dispute fee,chargeback fee,charge back fee,fee for dispute,dispute fees,chargeback fees",
  ach_return: "ach return,returned payment,ach reject,payment return,returned ach,bank return,nsf,returned debit,ach debit return,payment failure refund,failed ach,ach returned,rucklastschrift,rejet,impaye,devuelto",
  return_fee: "return fee,ach return fee,returned payment fee,nsf fee,returned item fee,reject fee",
  reserve: "reserve,reserve hold,reserve release,reserved funds,reserve held,reserve released,rolling reserve,rolling reserve hold,rolling reserve release,hold,hold release,release,funds held,funds released,reserve transaction,reserve withheld,reserve returned",
  adjustment: "adjustment,adjustments,balance adjustment,correction,account adjustment,anpassung,korrektur,ajustement,ajuste,correccion,rettifica,correctie",
  started: "pending,initiated,started,submitted,in process,ach pending,pending payment,payment pending,debit started,debit initiated,ach initiated,payment initiated",
  payout: "payout,payouts,pay out,transfer to bank,bank transfer out,deposit to bank,withdrawal to bank,bank deposit,settlement payout,payout paid,automatic transfer to bank,settlement to bank,bank settlement,general withdrawal,general withdrawal bank account,withdrawal to bank account,bank withdrawal,bank payout,auszahlung,auszahlung auf konto,auszahlung an bank,virement sortant,versement,abono en cuenta,pago a banco,accredito,uitbetaling,transfer to bank account,payout to bank,disbursement,retiro,retiro a banco,retiro de fondos,saque"
};
var KIND_OF = new Map(
  Object.entries(KIND_WORDS).flatMap(
    ([kind, words]) => words.split(",").map((word) => [word, kind])
  )
);
var LONGEST_KIND = 200;
function sureKind(word) {
  if (word.length > LONGEST_KIND) return null;
  const plain = plainWords(word);
  return KIND_OF.get(plain) ?? kindInState(plain) ?? kindOfWhom(plain) ?? (FEE_GIVEN_BACK.test(plain) ? "fee" : null) ?? (RETURN_WITH_CODE.test(plain) ? "ach_return" : null);
}
var RETURN_WITH_CODE = /^(?:ach |debit )?return(?:ed)? r\d\d$/;
var FEE_GIVEN_BACK = /^(?:(?:\w+ ){0,2}fees? (?:refund(?:ed)?|reversal|reversed|rebate|credit(?:ed)?|given back)|(?:refunded|reversed|rebated) (?:\w+ ){0,2}fees?|(?:refund|reversal|rebate) of (?:\w+ ){0,2}fees?)$/;
var isFeeGivenBack = (word) => FEE_GIVEN_BACK.test(plainWords(word));
function kindOfWhom(plain) {
  if (/^(?:payment|payment received|money received) from \S/.test(plain)) return "charge";
  return /^(?:sent|paid out|transfer|transferred|deposited|withdrawn|withdrawal) to (?:your |the |my )?bank\b/.test(
    plain
  ) ? "payout" : null;
}
var MOST_WORDS = 4;
function kindBegun(text) {
  const words = plainWords(text).split(" ").slice(0, MOST_WORDS);
  for (let count2 = words.length; count2 > 0; count2 -= 1) {
    const begun = words.slice(0, count2).join(" ");
    if (sureKind(begun) !== null) return begun;
  }
  return "";
}
var TOLD_IN_STATE = /* @__PURE__ */ new Set(["charge", "refund", "payout"]);
function kindInState(plain) {
  const words = plain.split(" ");
  for (let at = 1; at < words.length; at += 1) {
    const [before2, behind] = [words.slice(0, at).join(" "), words.slice(at).join(" ")];
    for (const [word, state] of [
      [before2, behind],
      [behind, before2]
    ]) {
      const kind = KIND_OF.get(word);
      if (kind === void 0 || !TOLD_IN_STATE.has(kind)) continue;
      if (kind === "charge" && /^(?:pending|initiated|submitted|started)$/.test(state))
        return "started";
      if (STATE_OF.get(state) === "counts" || /^(?:sent|issued)$/.test(state)) return kind;
    }
  }
  return null;
}
var isReturnWord = (word) => /^return(?:ed)?$/.test(plainWords(word));
var STATE_WORDS = {
  counts: "succeeded,success,successful,paid,complete,completed,settled,captured,available,posted,cleared,approved,approval,processed,funded,done,ok,booked,book,final,received,accepted,deposited,paid out,won,ausgezahlt,verfugbar,erfolgreich,abgeschlossen,bezahlt,gebucht,umsatz gebucht,reussi,paye,complet,effectue,termine,terminee,encaisse,reglee,completado,pagado,completato,eseguito,voltooid,betaald,concluido,settled successfully,funds sent,contabilizzato,udf\xF8rt,utf\xF8rt,gjennomf\xF8rt,zaksiegowano,contabilizado,00,000,valide,validee,approuve,acceptee,liquidado,liquidada,abonado,abonada,cobrado,cobrada,aprobado,aprobada,aprovado,acreditado,genehmigt,goedgekeurd,approvato",
  none: "payout failed,failed payout,payout returned,payout canceled,payout cancelled,payout failure,failed,failure,declined,decline,void,voided,canceled,cancelled,expired,rejected,error,denied,blocked,abandoned,incomplete,unsuccessful,fehlgeschlagen,abgelehnt,storniert,echoue,refuse,annule,fallido,rechazado,cancelado,anulado,rifiutato,annullato,fallito,geweigerd,geannuleerd,mislukt,refusee,annulee,rejete,rejetee,echouee,rechazada,cancelada,anulada,fallida,rifiutata,annullata,fallita,zuruckgewiesen,auth declined,do not honor,do not honour,insufficient funds,not approved,expired card,invalid card,card declined,pick up card,lost card,stolen card,call issuer,refer to issuer,over limit,requires payment method,requires action,removed",
  pending: "uncleared,not cleared,pending,processing,in process,in progress,initiated,submitted,authorized,authorised,uncaptured,on hold,requires capture,pending settlement,in transit,scheduled,queued,unsettled,pdng,pdg,awaiting,vorgemerkt,umsatz vorgemerkt,ausstehend,offen,non contabilizzato,afventer,venter,vantar,en attente,en cours,pendiente,en proceso,in attesa,in lavorazione,in behandeling,pendente"
};
var STATE_OF = new Map(
  Object.entries(STATE_WORDS).flatMap(
    ([state, words]) => words.split(",").map((word) => [word, state])
  )
);
var sureState = (word) => STATE_OF.get(plainWords(word)) ?? null;
var MONEY_IN = "credit,cr,c,crdt,h,haben,in,deposit,deposits,bij,avere,abono,ingreso,haber,entrada,credit transfer,ach credit,incoming,money in,gutschrift,credito,+";
var MONEY_OUT = "debit,dr,d,dbit,s,soll,out,withdrawal,withdrawals,af,dare,cargo,gasto,debe,saida,outgoing,money out,lastschrift,belastung,debito,payment out,-,ach debit";
function sureDirection(word) {
  const plain = plainWords(word) || word.trim();
  if (MONEY_IN.split(",").includes(plain)) return 1;
  return MONEY_OUT.split(",").includes(plain) ? -1 : null;
}
var LEDGER = /^(?:(?:ach )?(?:credit|debit)s?|cr|dr|c|d|crdt|dbit|soll|haben|s|h|dare|avere|debe|haber|debito|credito)$/;
var isLedgerWord = (word) => LEDGER.test(plainWords(word));

// src/core/readings/lines/flags/flagWords.ts
var NO_LINE = /\b(test|testing|sandbox|void|voided|cancell?ed|deleted|failed|declined|duplicate|rejected|expired|error|draft|pending|hidden|excluded|archived|template|storniert|annule|anulado|annullato)\b/;
var LINE = /\b(live|live ?mode|production|captured|approved|success|successful|succeeded|posted|valid|booked)\b/;
var DONE = /\b(settled|completed|cleared|clearing|clrng|clrg|collected|funded|paid)\b/;
var ISSUED = /\b(sent|issued|finali[sz]ed)\b/;
var TAKEN_BACK = /\b(refunded|refunds?|disputed?|charged? ?backs?|returned|reversed|reversal)\b/;
var WHY_NONE = /\b(failure|decline|error|rejection|void|cancell?ation)\b.*\b(reason|code|message|note|text)\b/;
var REPLACED = /\b(superseded|replaced|reissued|merged|credited by|voided by|cancell?ed by|reversed by)\b/;
var STANDING = /\b(status|state|stage|result|outcome|resp|response|reply|condition|disposition|standing)\b/;
var OF_ELSE = /\b(delivery|e ?mail|mail|ship\w*|fulfil\w*|print\w*|sync\w*|export\w*|subscription|reconcil\w*|match\w*|coding|customer|member|order|country|province|billing|tax|employment)\b/;
var HARMLESS = /\b(international|abroad|foreign|present|recurring|subscription|taxable|tax|exempt|emailed|e mailed|printed|viewed|opened|exported|synced|reconciled|matched|billable|shipped|fulfilled|delivered|refundable|3ds|3d|secure|authenticated|avs|cvv|cvc|mobile|online|new|returning|gift|wallet|contactless|chip|swiped|keyed|corporate|commercial|prepaid|rush|priority|marketing|attachment|receipt|quantity|qty|count|items?|units|installments?|number|split|rewards?|loyalty|covered)\b/;
var YES = /^(true|yes|y|1|x|t|ja|oui|si)$/;
var NO = /^(false|no|n|0|f|nein|non|nee)$/;
var LONGEST_WORD = 60;
var TRIAL = /^(test|sandbox|test mode|testing|demo mode)$/;
var GIVEN_UP = /\b(written off|write off|bad debt|uncollectible|(sent|passed|handed) to collections?)\b/;
var NOTHING_BACK = /^(|no|none|n|false|0|na|n a|nil|never|not (refunded|disputed)|won|reinstated)$/;
var isYes = (cell) => YES.test(plainWords(cell));
var isNo = (cell) => NO.test(plainWords(cell));
var isBack = (kind, head) => kind !== "invoices" && TAKEN_BACK.test(plainWords(head));
var isPaid = (kind, head) => kind === "invoices" && DONE.test(plainWords(head)) && !/\blast\b/i.test(head);
var DUNNED = /\b(mahnstufe|mahnung|mahnungen|dunning|dunned|reminders?|reminded|relances?|sollecit[oi])\b/;
var OWED_ALL_THE_SAME = /\b(disput\w*|queried|query|promised?|on hold|hold|collections?|legal)\b/;
var staysOwed = (kind, head) => kind === "invoices" && OWED_ALL_THE_SAME.test(plainWords(head));
var CLEARING = /\b(?:clearing|clrng|clrg)\b/;
var saysPaid = (head, cell) => isYes(cell) || isMarkedDay(cell) || CLEARING.test(plainWords(head)) && cell !== "";
var wasTakenBack = (cell) => {
  const sum = writtenSum(cell);
  return sum === null ? !NOTHING_BACK.test(plainWords(cell)) : /[1-9]/.test(sum.digits);
};
var SUM_OF_OTHERS = /^(?:batch|batch total|total|totals|sub ?total|summary|header|batch header|batch summary)$/;
var isSumOfOthers = (kind, cell) => (kind === "processor" || kind === "bank") && SUM_OF_OTHERS.test(plainWords(cell));
var isDead = (kind, cell) => TRIAL.test(plainWords(cell)) || isSumOfOthers(kind, cell) || (kind === "invoices" ? sureStanding(cell) === "void" : (sureState(cell) ?? "counts") !== "counts");
var tellsStanding = (head) => {
  const plain = plainWords(head);
  return STANDING.test(plain) && !OF_ELSE.test(plain) && !HARMLESS.test(plain);
};
var saysStanding = (head, filled) => tellsStanding(head) && !filled.every((cell) => cell === "" || isMarkedDay(cell));
var isUnknown = (kind, cell) => cell !== "" && (kind === "invoices" ? sureStanding(cell) : sureState(cell)) === null;
var areSigns = (filled) => filled.includes("-") && filled.every((cell) => /^[-+]?$/.test(cell));
var isGivenUp = (cell) => cell.length <= LONGEST_WORD && GIVEN_UP.test(plainWords(cell));
function testByHead(kind, head, filled) {
  const plain = plainWords(head);
  if (DUNNED.test(plain)) return null;
  if (kind === "invoices" && areSigns(filled)) return (cell) => cell === "-";
  if (WHY_NONE.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (REPLACED.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (NO_LINE.test(plain))
    return (cell) => isYes(cell) || isMark(cell) || isMarkedDay(cell) || isDead(kind, cell);
  if (LINE.test(plain) || (kind === "invoices" ? ISSUED : DONE).test(plain)) {
    const areDays = filled.some(isMarkedDay);
    const areMarks = !LINE.test(plain) && filled.some((cell) => /^[a-z*✓]{1,2}$/i.test(cell));
    return (cell) => isNo(cell) || isDead(kind, cell) || (areDays || areMarks) && cell === "";
  }
  return areOther(plain, filled) ? fewer(filled) : null;
}
var isMark = (cell) => /^[a-z*✓✔]$/i.test(cell) && !isNo(cell);
var saysNoLine = (head) => NO_LINE.test(plainWords(head));
function areOther(plain, filled) {
  const isWord = filled.every((cell) => cell === "" || isYes(cell) || isNo(cell));
  return isWord && filled.some(isYes) && !filled.every(isYes) && !HARMLESS.test(plain);
}
function fewer(filled) {
  const isFew = filled.filter(isYes).length * 2 <= filled.length;
  return isFew ? isYes : (cell) => !isYes(cell);
}

// src/core/readings/bank/numberedWords.ts
var NUMBERED = /^(description|beschreibung|details?|narrative|memo|text|verwendungszweck|libelle|descripcion|omschrijving) ?([1-9])$/;
var firstNumbered = (heads) => heads.find((head) => NUMBERED.exec(plainWords(head))?.[2] === "1");
var BESIDE = /^(?:(?:extended|additional|full|long|further) (?:description|details?|info|information|text|narrative)|memo|addenda|remittance(?: info| information| details)?|payment details)$/;
function otherWords(cells) {
  const [, stem] = NUMBERED.exec(plainWords(cells.head("description"))) ?? [];
  const others = cells.unread().filter(({ head }) => {
    const plain = plainWords(head);
    return BESIDE.test(plain) || stem !== void 0 && NUMBERED.exec(plain)?.[1] === stem;
  });
  if (others.length === 0) return () => [];
  return (row) => {
    const said2 = cells.of(row, "description");
    return others.map(({ at }) => (row.cells[at] ?? "").trim()).filter((text) => !said2.includes(text));
  };
}

// src/core/readings/columns/statementColumns.ts
var statementColumns = (free, cellsOf, named2, rows) => ({
  ...wordsIn(free, named2),
  ...sumIn(free, cellsOf, named2),
  ...waysIn(free, cellsOf, named2, rows),
  ...accountsIn(free, cellsOf, named2)
});
var ACCOUNT_NAME = /\b(account|acct|a\/c|konto|compte|cuenta|conto|rekening|checking|savings)\b|\d{4}/i;
var MONTH = new RegExp("^\\p{L}+\\.? (?:19|20)\\d\\d$", "u");
var accountsIn = (free, cellsOf, named2) => named2.account === void 0 && free.includes(HEADING) && cellsOf(HEADING).every((name) => ACCOUNT_NAME.test(name) && !MONTH.test(name)) ? { account: HEADING } : {};
function sumIn(free, cellsOf, named2) {
  if (["amount", "moneyIn", "moneyOut"].some((field) => named2[field] !== void 0)) return {};
  const [only, ...others] = free.filter(
    (head) => isCurrencyHead(head) && cellsOf(head).some((cell) => isSum(cell))
  );
  return only === void 0 || others.length > 0 ? {} : { amount: only };
}
var isCurrencyHead = (head) => currencyOf(/^([A-Z]{3})\s?[$€£]?$/.exec(head.trim())?.[1] ?? "") !== void 0;
function wordsIn(free, named2) {
  const first2 = named2.description === void 0 ? firstNumbered(free) : void 0;
  return first2 === void 0 ? {} : { description: first2 };
}
function waysIn(free, cellsOf, named2, rows) {
  const says3 = (head) => {
    const cells = cellsOf(head);
    return cells.length >= Math.min(rows, MOST_LOOKED_AT) && cells.every((cell) => sureDirection(cell) !== null);
  };
  if (named2.moneyOut !== void 0) return {};
  if (named2.direction !== void 0 && says3(named2.direction)) return {};
  const direction = free.find(says3) ?? free.find((head) => maySay(head, cellsOf(head), rows));
  return direction === void 0 ? {} : { direction };
}
var CODE_HEAD = /\b(?:type|code|kind|dr|cr|withdrawal|deposit|flow|way)\b/;
var MOST_WAYS = 8;
function maySay(head, cells, rows) {
  const words = new Set(cells);
  const isYes2 = [...words].every((word) => /^(?:y|n|yes|no|true|false)$/i.test(word));
  const isFew = words.size > 1 && words.size <= MOST_WAYS && cells.every((cell) => !/\d/.test(cell));
  const isWhole2 = cells.length >= Math.min(rows, MOST_LOOKED_AT);
  const plain = plainWords(head);
  const isWay = [...words].some((word) => sureDirection(word) !== null);
  return isFew && isWhole2 && CODE_HEAD.test(plain) && (isWay || isYes2 && /\b(?:withdrawal|deposit|debit|credit)\b/.test(plain));
}

// src/core/readings/columns/columnsByContents.ts
function columnsByContents(table, kind, cellsOf, named2) {
  const taken = new Set(Object.values(named2));
  const free = table.headers.filter((head) => head !== "" && !taken.has(head));
  if (table.headLine === 0) return withoutHead(kind, free, cellsOf);
  if (kind === "bank") return statementColumns(free, cellsOf, named2, table.rows.length);
  const words = WORDS2[kind];
  const isIn = (all) => free.find((head) => !tellsStanding(head) && all(cellsOf(head)));
  const found = {
    ...words ? { [words.field]: isIn(words.all) ?? codesIn(kind, free, cellsOf) } : {},
    ...kind === "processor" ? { id: idIn(free, cellsOf, table), reference: free.find((head) => areOrders(head, cellsOf)) } : {},
    ...kind === "invoices" ? { customerId: groupColumn(table), number: orderIn(free, cellsOf, table) } : {},
    ...kind === "returns" ? { code: free.find((head) => areCodes(cellsOf(head))) } : {},
    ...dayIn(kind, free, cellsOf, named2)
  };
  return held(
    Object.fromEntries(
      Object.entries(found).filter(
        ([field, head]) => named2[field] === void 0 && head && free.includes(head)
      )
    )
  );
}
var held = (found) => Object.fromEntries(
  Object.entries(found).flatMap(([field, head]) => head ? [[field, head]] : [])
);
var CODE2 = /^(?=.*\d)(?=.*[A-Za-z_#-])[\w#-]{3,40}$/;
var MASKED = /^[x*•.]+\d{2,4}$/i;
var ID_HEAD = /\b(id|key|number|reference|transaction|payment|charge|trace|token|uuid|activity)\b|^column \d+$/;
var OF_SOMEBODY = /\b(account|card|phone|zip|postcode|customer|client|payer|payor|donor|member|student|tenant|patient|buyer|individual|receiver|person|user|contact|company|merchant|terminal|location|store|device|register|employee|cashier|vendor|iban|routing|last)\b/;
var idIn = (free, cellsOf, { rows }) => free.find((head) => {
  const cells = cellsOf(head);
  const plain = headWords(head);
  if (!ID_HEAD.test(plain) || OF_SOMEBODY.test(plain) || cells.some((cell) => MASKED.test(cell)))
    return false;
  const isWhole2 = cells.length >= Math.min(rows.length, MOST_LOOKED_AT);
  return isWhole2 && new Set(cells).size === cells.length && cells.every((cell) => CODE2.test(cell) && !isDate(cell));
});
var areOrders = (head, cellsOf) => /^(?:name|order|order name)$/.test(headWords(head)) && cellsOf(head).length > 0 && cellsOf(head).every((cell) => /^#?[A-Z]{0,5}-?\d{2,12}$/.test(cell));
var orderIn = (free, cellsOf, { rows }) => free.find((head) => {
  const cells = cellsOf(head);
  return areOrders(head, cellsOf) && cells.length >= Math.min(rows.length, MOST_LOOKED_AT) && new Set(cells).size === cells.length;
});
var WORDS2 = {
  invoices: { field: "type", all: (cells) => areKinds(cells, sureKindOf) },
  processor: { field: "kind", all: (cells) => areKinds(cells, sureKind) }
};
var MOST_KINDS = 15;
function areKinds(all, kindOf5) {
  const words = new Set(all);
  const known9 = all.filter((cell) => kindOf5(cell) !== null).length;
  const areWords = all.every((cell) => kindOf5(cell) !== null || !/\d/.test(cell));
  return words.size > 1 && words.size <= MOST_KINDS && known9 * 3 > all.length && areWords;
}
var areCodes = (cells) => cells.length > 0 && cells.every((cell) => /^[RC]\d\d$/.test(cell));
var isDateOrTotal = (cell) => isDate(cell) || isTotalWord(plainWords(cell));
function dayIn(kind, free, cellsOf, named2) {
  const field = MAIN_DAY[kind];
  const days3 = FIELDS[kind].filter(({ type }) => type === "day");
  if (field === void 0 || days3.some((day) => named2[day.field] !== void 0)) return {};
  const [only, ...others] = free.filter(
    (head) => cellsOf(head).some(isDate) && cellsOf(head).every(isDateOrTotal)
  );
  const isOfDocument = kind === "remittance" && /\b(?:inv|invoice|doc|document|bill)\b/.test(headWords(only ?? ""));
  return others.length === 0 && !isOfDocument ? { [field]: only } : {};
}
var MAIN = {
  bank: { day: "postedOn", sum: "amount", words: "description" },
  processor: { day: "occurredOn", sum: "gross", words: "reference" },
  invoices: { day: "issuedOn", sum: "total", words: "description" }
};
function withoutHead(kind, free, cellsOf) {
  const main = MAIN[kind];
  if (!main) return {};
  const all = (head, is) => cellsOf(head).length > 0 && cellsOf(head).every(is);
  const day = free.find((head) => all(head, isDate));
  const sums2 = free.filter(
    (head) => all(head, isSum) && /[.,]\d\d\b/.test(cellsOf(head).join(" "))
  );
  const length = (head) => cellsOf(head).join("").length;
  const [words] = free.filter((head) => !all(head, isDate) && !all(head, isSum)).sort((a, b) => length(b) - length(a));
  return {
    ...day === void 0 ? {} : { [main.day]: day },
    ...sums2.length === 1 && sums2[0] !== void 0 ? { [main.sum]: sums2[0] } : {},
    ...words === void 0 ? {} : { [main.words]: words }
  };
}

// src/core/readings/columns/customerCodes.ts
var CUSTOMER = /^(?:customer|client|cust|kunde|klant|cliente|debitor|debtor)$/;
var OF_EITHER = /^(?:account|acct|konto|id|no|nr|code|ref|contact)(?: (?:number|no|nr|id|code))?$/;
var CODE3 = /^(?=\S*\d)\S{1,20}$/;
function codesIn2({ headers, rows }, columns) {
  if (columns.name === void 0) return null;
  const at = headers.findIndex((head) => CUSTOMER.test(plainWords(head)) && head !== columns.name);
  const cells = rows.map((row) => (row.cells[at] ?? "").trim());
  const areNumbers2 = cells.length > 0 && cells.every((cell) => CODE3.test(cell));
  return at >= 0 && areNumbers2 && new Set(cells).size === cells.length ? headers[at] ?? null : null;
}
function withCustomerCodes(table, kind, columns) {
  if (kind !== "customers" || table.kind !== void 0 || columns.externalId !== void 0)
    return columns;
  const codes = codesIn2(table, columns);
  return codes === null ? columns : { ...columns, externalId: codes };
}
function either({ kind, table, columns }) {
  const taken = columns.externalId;
  if (kind !== "customers" || table.kind !== void 0 || taken === void 0) return null;
  const other = OF_EITHER.test(plainWords(taken)) ? codesIn2(table, columns) : null;
  return other === null || other === taken ? null : { taken, other };
}
function withSaidCodes(file) {
  const both = either(file);
  return both !== null && file.answers.number === both.other ? { ...file, columns: { ...file.columns, externalId: both.other } } : file;
}
function codesQuestion(file) {
  const both = file.answers.number === void 0 ? either(file) : null;
  const [row] = file.table.rows;
  if (both === null || row === void 0) return [];
  const cell = (head) => (row.cells[file.table.headers.indexOf(head)] ?? "").trim().slice(0, 40);
  return [
    {
      key: "number",
      words: `\u201C${both.other}\u201D and \u201C${both.taken}\u201D may both number the customers. Which does?`,
      choices: [both.other, both.taken].map((head) => ({
        answer: head,
        result: `\u201C${head}\u201D: line ${row.line} is ${cell(head)}`
      }))
    }
  ];
}

// src/core/readings/columns/customerName.ts
var NAME2 = /^(?:(?:customer|client|cust|account|acct|bill to|sold to|debtor|contact|card|partner|kunden?|klant|cliente) ?(?:full )?(?:name|naam)|(?:customer|client|name|full name|display name|kunde|debiteur|klant|cliente|raison sociale|ragione sociale|razon social)|nom (?:du )?client|nombre (?:del )?cliente|nome cliente)$/;
function withCustomerName(table, kind, columns) {
  if (kind !== "invoices") return columns;
  const { customerName, ...others } = columns;
  if (columns.customerId === void 0)
    return customerName === void 0 ? columns : { ...others, customerId: customerName };
  if (customerName !== void 0) return columns;
  const taken = new Set(Object.values(columns));
  const head = table.headers.find((name) => !taken.has(name) && NAME2.test(plainWords(name)));
  return head === void 0 ? columns : { ...columns, customerName: head };
}

// src/core/readings/columns/foreignColumns.ts
var FOREIGN = /\b(?:(?:in )?(?:foreign|transaction|document|doc) (?:currency|ccy|curr|cur)|foreign|fcy|fc)\b/;
function foreignColumns(table, kind, columns) {
  if (columns.currency === void 0) return columns;
  const taken = new Set(Object.values(columns));
  const isFilled2 = (head, like) => {
    const [at, beside] = [table.headers.indexOf(head), table.headers.indexOf(like)];
    return table.rows.every(
      ({ cells }) => (cells[at] ?? "").trim() !== "" || (cells[beside] ?? "").trim() === ""
    );
  };
  const foreignOf = (own) => table.headers.find((head) => {
    const plain = plainWords(head);
    const bare = plain.replace(FOREIGN, " ").replace(/\s+/g, " ").trim();
    return !taken.has(head) && bare !== plain && bare === plainWords(own) && isFilled2(head, own);
  });
  const converted = kind === "processor" ? convertedColumns(table, columns) : null;
  if (converted !== null) return { ...columns, ...converted };
  const swapped = FIELDS[kind].flatMap(({ field, type }) => {
    const own = columns[field];
    const foreign = type === "amount" && own !== void 0 ? foreignOf(own) : void 0;
    return foreign === void 0 ? [] : [[field, foreign]];
  });
  return { ...columns, ...Object.fromEntries(swapped) };
}
var CONVERTED = /\b(?:converted|settled|settlement)\b/;
var isSettledHead = (head) => CONVERTED.test(plainWords(head));
function convertedColumns({ headers }, columns) {
  const taken = new Set(Object.values(columns));
  const find = (words) => headers.find((head) => {
    const plain = plainWords(head);
    return !taken.has(head) && CONVERTED.test(plain) && words.test(plain);
  });
  const isSettled2 = isSettledHead(columns.gross ?? "");
  const gross = find(/^(?!.*\b(?:refund\w*|fee|net|date|currency)\b).*\b(?:amount|gross)\b/);
  const currency = find(/\bcurrency\b/);
  return columns.net !== void 0 || isSettled2 || gross === void 0 || currency === void 0 ? null : { gross, currency };
}

// src/core/readings/columns/kindsBySigns.ts
var MOST_KINDS2 = 15;
function kindsBySigns(table, columns) {
  const sums2 = table.headers.indexOf(columns.gross ?? columns.net ?? "");
  const rows = table.rows.slice(0, MOST_LOOKED_AT).map(({ cells }) => cells);
  const takes2 = (cells) => writtenSum((cells[sums2] ?? "").trim())?.negative === true;
  if (sums2 < 0 || !rows.some(takes2)) return null;
  const goesWith = (at) => {
    const wordOf2 = (cells) => (cells[at] ?? "").trim();
    const taking = new Set(rows.filter(takes2).map(wordOf2));
    const bringing = new Set(rows.filter((cells) => !takes2(cells)).map(wordOf2));
    const isKind = (word) => !["charge", null].includes(sureKind(word));
    const isFew = taking.size + bringing.size <= MOST_KINDS2 && bringing.size > 0;
    return isFew && !taking.has("") && [...taking].some(isKind) && ![...taking].some((word) => bringing.has(word));
  };
  return table.headers.find((head, at) => head !== "" && goesWith(at)) ?? null;
}

// src/core/readings/columns/ownAccount.ts
var ACCOUNT = /^(?:account|acct)(?: (?:code|no|number|id))?$/;
var BUYER = /^(?:contact|customer|client|debtor)(?: (?:full )?name)?$/;
function isOwnAccount({ headers, rows }, head) {
  const buyer = headers.findIndex((other) => other !== head && BUYER.test(headWords(other)));
  const own = headers.indexOf(head);
  if (!ACCOUNT.test(headWords(head)) || buyer < 0 || own < 0) return false;
  const buyerOf = /* @__PURE__ */ new Map();
  return rows.slice(0, MOST_LOOKED_AT).some(({ cells }) => {
    const [account, name] = [own, buyer].map((at) => (cells[at] ?? "").trim());
    if (!account || !name) return false;
    const before2 = buyerOf.get(account);
    buyerOf.set(account, name);
    return before2 !== void 0 && before2 !== name;
  });
}

// src/core/readings/columns/netTotal.ts
var BEFORE_TAX = /^(?:sub ?total|net(?:to)?(?: amount| total| betrag)?|nettobetrag|untaxed amount|taxable amount|amount before tax|total before tax|montant ht|total ht|base imponible|imponibile)$/;
function withNetTotal(table, kind, columns) {
  const { total, balance, debit, tax } = columns;
  const isSaid2 = [total, balance, debit].some((head2) => head2 !== void 0);
  if (kind !== "invoices" || isSaid2 || tax === void 0) return columns;
  const taken = new Set(Object.values(columns));
  const head = table.headers.find((name) => !taken.has(name) && BEFORE_TAX.test(plainWords(name)));
  return head === void 0 ? columns : { ...columns, total: head };
}

// src/core/readings/columns/noIds.ts
var WEAK = /^(?:transaction|transaction reference|payment ref|payment reference|reference|event)$/;
function areNoIds(head, cells) {
  if (cells.length === 0) return false;
  const isOfAll = /^item\b/i.test(head) && areSame(cells);
  if (isOfAll || areEntryCodes(head, cells)) return true;
  const phrases = cells.filter((cell) => /\s/.test(cell));
  const areWords = WEAK.test(plainWords(head)) && cells.every((cell) => !/\d/.test(cell));
  return areWords || phrases.length * 2 > cells.length;
}
var areSame = (cells) => cells.length > 2 && new Set(cells).size === 1;

// src/core/readings/sums/costHeads.ts
var ON_TOP = /\b(tips?|gratuity|gratuities|trinkgeld|pourboire|propina|tax|taxes|vat|gst|hst|pst|mwst|ust|tva|iva|btw|shipping|freight|postage|delivery|versand|livraison|envio)\b/;
var COST = /\b(fees?|costs?|charges?|commissions?|expenses?|deductions?|deducted|gebuhr(?:en)?|entgelte?|kosten|frais|comision(?:es)?|commissioni?|discount rate|interchange|assessments?|mark ?up)\b/;
var HELD = /\b(?:held|hold|holds|holdback|withheld|withholding|reserved?|reserves|retained|retention|retainage|rolling)\b/;
var TAKEN_OFF = /\b(?:loans?|advances?|financing|capital|repay\w*|garnish\w*|lev(?:y|ies)|donations?|gifts?|adjust\w*|credits?|discounts?|coupons?|promo\w*|chargebacks?|disputes?|refund\w*|returns?)\b/;
var isHeld = (head) => HELD.test(plainWords(head));
var isNoFee = (head) => isHeld(head) || TAKEN_OFF.test(plainWords(head)) && !isCost(head);
var COST_FIELDS = ["fee", "fee2", "feeTax"];
var isCost = (head) => COST.test(plainWords(head));
var isOnTop = (head) => ON_TOP.test(plainWords(head)) && !COST.test(plainWords(head));

// src/core/readings/columns/sheet.ts
var ENOUGH2 = 2;
var MOST_LOOKED_AT2 = 500;
var MOST_TRIED2 = 12;
var Sheet = class {
  constructor(table, columns, mark, most = MOST_LOOKED_AT2) {
    this.table = table;
    this.columns = columns;
    this.mark = mark;
    const places = ["kind", "status"].map((field) => table.headers.indexOf(columns[field] ?? ""));
    const isDead2 = ({ cells }) => places.some((at) => at >= 0 && sureState((cells[at] ?? "").trim()) === "none");
    this.rows = table.rows.filter((row) => !isDead2(row)).slice(0, most);
  }
  table;
  columns;
  mark;
  rows;
  sums = /* @__PURE__ */ new Map();
  of(field) {
    const head = this.columns[field];
    return head === void 0 ? null : this.under(head);
  }
  /** The cells of a field as they stand; empty ones where it has no column. */
  texts(field) {
    const at = this.table.headers.indexOf(this.columns[field] ?? "");
    return this.rows.map(({ cells }) => (cells[at] ?? "").trim());
  }
  under(head) {
    const before2 = this.sums.get(head);
    if (before2) return before2;
    const at = this.table.headers.indexOf(head);
    const sums2 = this.rows.map(({ cells }) => this.sumIn((cells[at] ?? "").trim()));
    this.sums.set(head, sums2);
    return sums2;
  }
  sumIn(cell) {
    const sum = sumWithin(cell, this.mark);
    return sum !== null && writtenSum(cell)?.side === "debit" ? -Math.abs(sum) : sum;
  }
  /** Heads of columns of sums that no field has. */
  free() {
    const taken = new Set(Object.values(this.columns));
    return this.table.headers.filter((head) => head !== "" && !taken.has(head)).filter((head) => this.under(head).some((sum) => sum !== null && sum !== 0)).slice(0, MOST_TRIED2);
  }
  /** The head of the column of currencies beside a column of sums: the next one that holds codes alone. */
  currencyBeside(head) {
    const from = this.table.headers.indexOf(head) + 1;
    const at = [from, from - 2].find((place) => this.holdsCodes(place));
    return at === void 0 ? null : this.table.headers[at] ?? null;
  }
  holdsCodes(place) {
    const cells = this.rows.map(({ cells: cells2 }) => (cells2[place] ?? "").trim().toUpperCase());
    const filled = cells.filter((cell) => cell !== "");
    return filled.length > 0 && filled.every((cell) => currencyOf(cell) !== void 0);
  }
};
function foots(gross, fees, net) {
  let held2 = 0;
  let isCharged = false;
  for (const [at, whole3] of gross.entries()) {
    const left = net[at] ?? null;
    if (whole3 === null || left === null) continue;
    const cost = fees.reduce((sum, fee) => sum + (fee[at] ?? 0), 0);
    const sizes = [whole3 - cost, whole3 + cost, Math.abs(whole3) - Math.abs(cost)];
    if (sizes.every((size) => size !== left && size !== Math.abs(left))) return false;
    held2 += 1;
    isCharged ||= cost !== 0;
  }
  return isCharged && held2 >= Math.min(ENOUGH2, gross.length);
}
var sizeOf = (sums2) => sums2.reduce((all, sum) => all + Math.abs(sum ?? 0), 0);
var isLarger = (sheet, gross, net) => sheet.under(gross).every((sum, at) => Math.abs(sum ?? 0) >= Math.abs(sheet.under(net)[at] ?? 0));
var lessSizes = (sums2, off) => sums2.map((sum, at) => sum === null ? null : sum - Math.abs(off[at] ?? 0));
function largerFirst(sheet, found) {
  const { gross, net, fee } = { ...sheet.columns, ...found };
  if (found === null || !gross || !net || !fee) return found;
  return isLarger(sheet, net, gross) ? { ...found, gross: net, net: gross } : found;
}

// src/core/readings/columns/givenBack.ts
var GIVEN_BACK = /^(?:total )?(?:returns?|refunds?|refunded|credits?|chargebacks?|discounts? given)(?: amount| total)?$/;
var REFUNDED = /\b(?:returns?|refunds?|refunded|credits?)\b/;
var isGivenBack = (head) => GIVEN_BACK.test(headWords(head));
var refunds = (sheet) => sheet.columns.refunded === void 0 ? sheet.free().filter((head) => isGivenBack(head) && REFUNDED.test(headWords(head))) : [];
function givenAlone(sheet, gross, net) {
  const given = refunds(sheet).find(
    (head) => lessSizes(gross, sheet.under(head)).every((sum, at) => sum === null || sum === net[at])
  );
  return given === void 0 ? null : { refunded: given };
}
function givenBeside(sheet, gross, { fees, net }) {
  const given = refunds(sheet).find(
    (head) => foots(lessSizes(gross, sheet.under(head)), fees, net)
  );
  return given === void 0 ? null : { refunded: given };
}

// src/core/readings/columns/netOfGross.ts
function netOf(sheet, gross, fees) {
  const net = sheet.free().find((head) => foots(gross, fees, sheet.under(head)));
  if (net === void 0) return null;
  return isChargedAlone(sheet.under(net), gross) ? { gross: "", net: sheet.columns.gross ?? "" } : largerFirst(sheet, { net });
}
function netOfAllFees(sheet, gross, { fee, more }) {
  const found = more.length === 0 ? null : netOf(sheet, gross, [fee]);
  return found && { ...found, fee2: "", feeTax: "" };
}
function isChargedAlone(charged, left) {
  const isMissing = (sum) => !sum;
  const both = left.map((sum, at) => [
    Math.abs(sum ?? 0),
    Math.abs(charged[at] ?? 0)
  ]);
  return both.some(([rest, whole3]) => rest !== 0 && isMissing(whole3)) && both.some(([rest, whole3]) => whole3 > rest) && both.every(([rest, whole3]) => isMissing(whole3) || whole3 >= rest);
}

// src/core/readings/columns/netOfParts.ts
var FEWEST_PARTS = 3;
var BETWEEN = [...COST_FIELDS, "refunded"];
function netOfParts(sheet) {
  const total = sheet.columns.gross;
  if (total === void 0 || sheet.columns.net !== void 0) return null;
  const named2 = BETWEEN.flatMap((field) => sheet.columns[field] ?? []);
  const parts = [...sheet.free(), ...named2];
  const known9 = COST_FIELDS.flatMap((field) => sheet.columns[field] ?? []);
  const open = COST_FIELDS.filter((field) => sheet.columns[field] === void 0);
  const others = sheet.free().filter((head) => isCost(head) && goesOut(sheet.under(head)));
  const costs = [...known9, ...others];
  if (parts.length < FEWEST_PARTS || costs.length === 0 || others.length > open.length) return null;
  if (!costs.every((head) => goesOut(sheet.under(head))) || !isSumOf2(sheet, total, parts))
    return null;
  const fields = others.map((head, at) => [open[at] ?? "", head]);
  return { gross: "", refunded: "", net: total, ...Object.fromEntries(fields) };
}
var isSumOf2 = (sheet, total, parts) => addsUp(
  sheet.under(total),
  parts.map((head) => sheet.under(head))
);
function costsOfNet(sheet) {
  const { net, ...others } = sheet.columns;
  const known9 = COST_FIELDS.flatMap((field) => others[field] ?? []);
  const parts = sheet.free();
  const open = COST_FIELDS.filter((field) => others[field] === void 0);
  const costs = parts.filter((head) => isCost(head) && goesOut(sheet.under(head)));
  if (net === void 0 || costs.length === 0 || costs.length > open.length) return null;
  const all = [...parts, ...known9].map((head) => sheet.under(head));
  return addsUp(sheet.under(net), all) ? Object.fromEntries(costs.map((head, at) => [open[at] ?? "", head])) : null;
}
var goesOut = (sums2) => sums2.reduce((all, sum) => all + Math.sign(sum ?? 0), 0) < 0;
var addsUp = (whole3, parts) => whole3.length > ENOUGH2 && whole3.every((sum, at) => sum === parts.reduce((all, part) => all + (part[at] ?? 0), 0));

// src/core/readings/columns/paidOnTop.ts
function paidOnTop(sheet, gross, { fees, net }) {
  const free = sheet.free();
  const tops = free.filter((head) => isOnTop(head) && raises(gross, sheet.under(head)));
  const found = tops.flatMap((onTop) => {
    const all = withMore(gross, sheet.under(onTop));
    if (net) return foots(all, fees, net) ? [{ onTop }] : [];
    return free.filter((head) => !tops.includes(head) && foots(all, fees, sheet.under(head))).map((head) => ({ onTop, net: head }));
  });
  return found.length === 1 ? found[0] ?? null : null;
}
var raises = (gross, more) => gross.every((sum, at) => (sum ?? 0) * (more[at] ?? 0) >= 0);
var withMore = (sums2, more) => sums2.map((sum, at) => sum === null ? null : sum + (more[at] ?? 0));

// src/core/readings/columns/unnamedSums.ts
var unnamedThree = (sheet) => sheet.of("moneyIn") ? null : threeOf(sheet);
function threeOf(sheet) {
  const found = sheet.free().flatMap(
    (gross) => pairsUnder(sheet, sheet.under(gross)).filter(({ fee, net }) => fee !== gross && net !== gross).map((pair) => ({ gross, ...pair }))
  );
  return found.length === 1 ? found[0] ?? null : null;
}
function grossAndNet(sheet, fees) {
  const free = sheet.free().filter((head) => !isOnTop(head));
  const found = free.flatMap(
    (gross) => free.filter((net) => net !== gross && foots(sheet.under(gross), fees, sheet.under(net))).map((net) => ({ gross, net }))
  );
  const likely2 = found.filter(({ gross, net }) => isLarger(sheet, gross, net));
  return likely2.length === 1 ? likely2[0] ?? null : null;
}
function feeAndNet(sheet, gross) {
  const found = pairsUnder(sheet, gross).filter(({ fee }) => isCost(fee));
  return found.length === 1 ? found[0] ?? null : twoFeesAndNet(sheet, gross);
}
function twoFeesAndNet(sheet, gross) {
  const free = sheet.free();
  const costs = free.filter((head) => isCost(head));
  const found = costs.flatMap(
    (fee, at) => costs.slice(at + 1).flatMap(
      (fee2) => free.filter((net) => net !== fee && net !== fee2).filter((net) => foots(gross, [sheet.under(fee), sheet.under(fee2)], sheet.under(net))).map((net) => ({ fee, fee2, net }))
    )
  );
  return found.length === 1 ? found[0] ?? null : null;
}
function moreFeeAndNet(sheet, gross, fees) {
  const free = sheet.free();
  const found = free.filter((head) => isCost(head)).flatMap(
    (fee2) => free.filter(
      (net) => net !== fee2 && foots(gross, [...fees, sheet.under(fee2)], sheet.under(net))
    ).map((net) => ({ fee2, net }))
  );
  return found.length === 1 ? found[0] ?? null : null;
}
function costsAndNet(sheet, gross, named2) {
  const free = sheet.free();
  const costs = free.filter((head) => isCost(head));
  const open = COST_FIELDS.filter((field) => sheet.columns[field] === void 0);
  if (costs.length < 2 || costs.length > open.length) return null;
  const fees = [...named2, ...costs.map((head) => sheet.under(head))];
  const found = free.filter((net2) => !costs.includes(net2) && foots(gross, fees, sheet.under(net2)));
  const [net] = found;
  if (net === void 0 || found.length > 1) return null;
  return { net, ...Object.fromEntries(costs.map((head, at) => [open[at] ?? "fee", head])) };
}
function threeUnderNet(sheet, gross) {
  const found = pairsUnder(sheet, gross).filter(({ fee }) => isCost(fee));
  const [only] = found;
  return only !== void 0 && found.length === 1 ? only : null;
}
function pairsUnder(sheet, gross) {
  const free = sheet.free();
  return free.flatMap(
    (fee) => !isOnTop(fee) && !isNoFee(fee) && sizeOf(sheet.under(fee)) * 2 < sizeOf(gross) ? free.filter((net) => net !== fee && sizeOf(sheet.under(net)) < sizeOf(gross)).filter((net) => foots(gross, [sheet.under(fee)], sheet.under(net))).map((net) => ({ fee, net })) : []
  );
}

// src/core/readings/columns/settledSums.ts
function anotherGross(sheet, net) {
  const free = sheet.free();
  for (const gross of free)
    for (const fee of free)
      if (fee !== gross && sizeOf(sheet.under(gross)) >= sizeOf(net) && foots(sheet.under(gross), [sheet.under(fee)], net))
        return { fee, ...grossOf(sheet, gross) };
  return null;
}
var SETTLED = /\b(?:settle\w*|payout|deposit)\b/;
function settledThree(sheet) {
  const three = threeOf(sheet);
  const isOfThem = SETTLED.test(plainWords(sheet.columns.currency ?? ""));
  if (three === null || isOfThem) return three;
  return { ...three, ...grossOf(sheet, three.gross ?? "") };
}
function settledUnder(sheet, named2) {
  const { net: gross = "" } = sheet.columns;
  const three = SETTLED.test(plainWords(gross)) ? threeUnderNet(sheet, named2) : null;
  return three === null ? null : { ...three, ...grossOf(sheet, gross) };
}
function grossOf(sheet, gross) {
  const before2 = sheet.columns.currency;
  const currency = sheet.currencyBeside(gross);
  if (currency !== null && currency !== before2) return { gross, currency };
  return before2 === void 0 ? { gross } : { gross, currency: "" };
}

// src/core/readings/columns/activityProof.ts
function activityProof(sheet) {
  const gross = sheet.of("gross");
  const given = sheet.of("refunded");
  if (gross !== null && footsByName(sheet, gross)) return null;
  const found = proofOf(sheet, gross);
  if (found !== null || gross === null || given === null) return found;
  return proofOf(sheet, lessSizes(gross, given));
}
var moreOf = (sheet) => [sheet.of("fee2"), sheet.of("feeTax")].filter((sums2) => sums2 !== null);
function footsByName(sheet, gross) {
  const [fee, net] = [sheet.of("fee"), sheet.of("net")];
  return fee !== null && net !== null && foots(gross, [fee, ...moreOf(sheet)], net);
}
function proofOf(sheet, gross) {
  const [fee, net] = [sheet.of("fee"), sheet.of("net")];
  const more = moreOf(sheet);
  if (!gross) return withoutGross(sheet, { fee, net, more });
  if (!fee && !net) return netOfParts(sheet) ?? feesAndNet(sheet, gross, more);
  if (fee && net)
    return foots(gross, [fee, ...more], net) ? null : mended(sheet, { gross, fee, net, more });
  if (fee) return netOfParts(sheet) ?? withoutNet(sheet, { gross, fee, more });
  return net ? withoutFee(sheet, { gross, net, more }) : null;
}
var feesAndNet = (sheet, gross, more) => feeAndNet(sheet, gross) ?? costsAndNet(sheet, gross, more) ?? settledThree(sheet);
function withoutGross(sheet, { fee, net, more }) {
  if (net && fee)
    return grossAbove(sheet, [fee, ...more], net) ?? netBelow(sheet, [fee, ...more], net) ?? costsOfNet(sheet);
  if (net) return null;
  return fee ? grossAndNet(sheet, [fee, ...more]) : unnamedThree(sheet);
}
var withoutNet = (sheet, { gross, fee, more }) => netOf(sheet, gross, [fee, ...more]) ?? netOfAllFees(sheet, gross, { fee, more }) ?? paidOnTop(sheet, gross, { fees: [fee, ...more], net: null }) ?? (more.length === 0 ? moreFeeAndNet(sheet, gross, [fee]) : unproven(sheet, more));
var withoutFee = (sheet, { gross, net, more }) => givenAlone(sheet, gross, net) ?? largerFirst(sheet, feesOf(sheet, gross, { more, net })) ?? anotherGross(sheet, net) ?? settledUnder(sheet, net);
var unproven = ({ columns }, more) => more.length === 0 || columns.balance !== void 0 || columns.net !== void 0 ? null : { fee2: "", feeTax: "" };
function grossAbove(sheet, fees, net) {
  const isAbove = (gross) => gross.every((sum, at) => sum === null || Math.abs(sum) >= Math.abs(net[at] ?? 0));
  const found = sheet.free().filter((head) => !isOnTop(head) && !isCost(head) && isAbove(sheet.under(head))).filter((head) => foots(sheet.under(head), fees, net));
  const [only] = found;
  return only !== void 0 && found.length === 1 ? { gross: only } : null;
}
function netBelow(sheet, fees, named2) {
  const { net: gross = "" } = sheet.columns;
  if (!/\bsales\b/i.test(gross)) return null;
  const found = sheet.free().filter((head) => foots(named2, fees, sheet.under(head)));
  const [net] = found;
  return net !== void 0 && isLarger(sheet, gross, net) ? { gross, net } : null;
}
function mended(sheet, { gross, fee, net, more }) {
  const free = sheet.free();
  if (more.length > 0 && foots(gross, [fee], net)) return { fee2: "", feeTax: "" };
  const other = free.find(
    (head) => sizeOf(sheet.under(head)) >= sizeOf(net) && foots(sheet.under(head), [fee, ...more], net)
  );
  if (other !== void 0) return grossOf(sheet, other);
  const left = free.find((head) => foots(gross, [fee, ...more], sheet.under(head)));
  if (left !== void 0) return { net: left };
  const onTop = paidOnTop(sheet, gross, { fees: [fee, ...more], net });
  if (onTop !== null) return onTop;
  const given = givenBeside(sheet, gross, { fees: [fee, ...more], net });
  if (given !== null) return given;
  const between = free.find(
    (head) => !isNoFee(head) && !isTaxOfOthers(sheet, head, fee) && isLikeFee(sheet, head, fee) && foots(gross, [fee, ...more, sheet.under(head)], net)
  );
  if (between === void 0) return twoMore(sheet, gross, { fees: [fee, ...more], net });
  if (isGivenBack(between)) return null;
  return sheet.columns.fee2 === void 0 ? { fee2: between } : null;
}
function twoMore(sheet, gross, { fees, net }) {
  const [first2, second, ...others] = COST_FIELDS.filter(
    (field) => sheet.columns[field] === void 0
  );
  if (first2 === void 0 || second === void 0 || others.length > 0) return null;
  const free = sheet.free().filter((head) => isCost(head));
  for (const [at, one] of free.entries())
    for (const two of free.slice(at + 1))
      if (foots(gross, [...fees, sheet.under(one), sheet.under(two)], net))
        return { [first2]: one, [second]: two };
  return null;
}
var MOST_TAX = 0.3;
function isTaxOfOthers(sheet, head, fee) {
  const most = (at) => Math.abs(fee[at] ?? 0) * MOST_TAX + 1;
  return isOnTop(head) && sheet.under(head).some((sum, at) => Math.abs(sum ?? 0) > most(at));
}
function isLikeFee(sheet, head, fee) {
  const way = (sums2) => Math.sign(sums2.reduce((all, sum) => all + Math.sign(sum ?? 0), 0));
  return way(sheet.under(head)) * way(fee) >= 0;
}
function feesOf(sheet, gross, { more, net }) {
  const free = sheet.free().filter((head) => !isGivenBack(head) && !isNoFee(head));
  const one = free.find((head) => foots(gross, [...more, sheet.under(head)], net));
  if (one !== void 0) return isOnTop(one) ? { net: "" } : { fee: one };
  if (sheet.columns.fee2 !== void 0) return twoMore(sheet, gross, { fees: more, net });
  for (const [at, fee] of free.entries())
    for (const fee2 of free.slice(at + 1))
      if (foots(gross, [sheet.under(fee), sheet.under(fee2)], net))
        return isOnTop(fee) && isOnTop(fee2) ? { net: "" } : { fee, fee2 };
  return null;
}

// src/core/readings/columns/adviceProof.ts
var OF_PAYMENT2 = ["trace", "payerName", "paidOn"];
function adviceProof(sheet) {
  return paidOfOwed(sheet) ?? paidInAll(sheet);
}
function paidOfOwed(sheet) {
  const [owed, discount] = [sheet.of("amount"), sheet.of("discount")];
  if (!owed || !discount || discount.every((sum) => !sum)) return null;
  const left = lessSizes(owed, discount);
  const [only, ...others] = sheet.free().filter((head) => left.every((sum, at) => sum === null || sum === sheet.under(head)[at]));
  return only !== void 0 && others.length === 0 ? { amount: only } : null;
}
function paidInAll(sheet) {
  const total = sheet.of("total");
  if (!total || sheet.of("amount")) return null;
  const texts = OF_PAYMENT2.map((field) => sheet.texts(field));
  const places = total.map((_, at) => at);
  const payments = [
    ...groupedBy(places, (at) => [total[at], ...texts.map((text) => text[at])].join("\n")).values()
  ];
  if (!payments.some((lines) => lines.length > 1)) return null;
  const [only, ...others] = sheet.free().filter((head) => {
    const sums2 = sheet.under(head);
    return payments.every(
      (lines) => lines.reduce((sum, at) => sum + (sums2[at] ?? 0), 0) === total[lines[0] ?? 0]
    );
  });
  return only !== void 0 && others.length === 0 ? { amount: only } : null;
}

// src/core/readings/columns/invoiceProof.ts
function invoiceProof(sheet) {
  const [total, paid, balance] = ["total", "paid", "balance"].map((field) => sheet.of(field));
  if (!paid) return withoutPaid(sheet, total ?? null, balance ?? null);
  const isLeft = (whole3, left2) => whole3.length >= ENOUGH2 && paid.some((sum) => sum !== null && sum !== 0) && whole3.every((sum, at) => {
    const rest = Math.abs(sum ?? 0) - Math.abs(paid[at] ?? 0);
    return rest === (left2[at] ?? 0) || sum !== null && sum < 0 && -rest === left2[at];
  });
  const free = sheet.free();
  if (total) {
    if (balance) return null;
    const left2 = free.find((head) => isLeft(total, sheet.under(head)));
    return left2 === void 0 ? null : { balance: left2 };
  }
  const left = balance && free.find((head) => isLeft(balance, sheet.under(head)));
  const due = sheet.columns.balance;
  return left === void 0 || left === null || due === void 0 ? null : { total: due, balance: left };
}
var withoutPaid = (sheet, total, balance) => isDiscounted(sheet, total, balance) ? { balance: "" } : withTax(sheet, total, balance);
function withTax(sheet, total, balance) {
  const tax = sheet.of("tax");
  if (!total || !tax || balance || !tax.some((sum) => sum !== null && sum !== 0)) return null;
  const isBoth = (whole3) => whole3.length >= ENOUGH2 && whole3.every((sum, at) => sum !== null && sum === (total[at] ?? 0) + (tax[at] ?? 0));
  const both = sheet.free().find((head) => isBoth(sheet.under(head)));
  return both === void 0 ? null : { total: both };
}
var DISCOUNT = /\b(?:discount|disc|skonto|escompte|descuento|sconto|korting)\b/;
function isDiscounted(sheet, total, balance) {
  if (!total || !balance) return false;
  return sheet.free().filter((head) => DISCOUNT.test(plainWords(head))).some(
    (head) => total.every(
      (sum, at) => (sum ?? 0) - Math.abs(sheet.under(head)[at] ?? 0) === (balance[at] ?? 0)
    )
  );
}

// src/core/readings/columns/statementProof.ts
function statementProof(sheet) {
  const sides = { moneyIn: sheet.of("moneyIn"), moneyOut: sheet.of("moneyOut") };
  const { moneyIn, moneyOut } = sides;
  const named2 = sheet.of("balance");
  const sums2 = sheet.of("amount") ?? (moneyIn && moneyOut ? difference(moneyIn, moneyOut) : null);
  if (sums2 === null) return withoutSums(sheet, sides, named2);
  if (named2 && followsOn(sums2, named2)) return null;
  const balance = sheet.free().find((head) => followsOn(sums2, sheet.under(head)) && isEnough(sums2, head));
  return balance === void 0 ? null : { balance };
}
var isEnough = (sums2, head) => sums2.length > ENOUGH2 || BALANCE_HEAD.test(plainWords(head));
var BALANCE_HEAD = /\b(balance|bal|saldo|solde|stand|kontostand|standing)\b/;
function withoutSums(sheet, sides, named2) {
  const hasSide = sides.moneyIn !== null || sides.moneyOut !== null;
  if (named2) return hasSide ? otherSide(sheet, sides, named2) : null;
  return hasSide ? null : unnamedTwo(sheet);
}
function unnamedTwo(sheet) {
  const free = sheet.free();
  const found = free.flatMap(
    (amount2) => free.filter((balance) => balance !== amount2 && sheet.under(amount2).length > ENOUGH2).filter((balance) => followsOn(sheet.under(amount2), sheet.under(balance))).map((balance) => ({ amount: amount2, balance }))
  );
  return found.length === 1 ? found[0] ?? null : null;
}
function otherSide(sheet, { moneyIn, moneyOut }, named2) {
  const other = sheet.free().find((head) => {
    const sums2 = sheet.under(head);
    return followsOn(difference(moneyIn ?? sums2, moneyOut ?? sums2), named2);
  });
  if (other === void 0) return null;
  return moneyIn === null ? { moneyIn: other } : { moneyOut: other };
}
var difference = (moneyIn, moneyOut) => moneyIn.map((sum, at) => Math.abs(sum ?? 0) - Math.abs(moneyOut[at] ?? 0));
function followsOn(sums2, balances) {
  if (sums2.length <= ENOUGH2 - 1 || balances.some((balance) => balance === null)) return false;
  const moved = sums2.filter((sum) => sum !== null && sum !== 0).length;
  const step = (at) => (balances[at + 1] ?? 0) - (balances[at] ?? 0);
  const steps = [...Array(sums2.length - 1).keys()];
  const forward = steps.every((at) => step(at) === (sums2[at + 1] ?? 0));
  const back = steps.every((at) => -step(at) === (sums2[at] ?? 0));
  const sizes = steps.every((at) => Math.abs(step(at)) === Math.abs(sums2[at + 1] ?? 0));
  return moved >= ENOUGH2 && (forward || back || sizes);
}

// src/core/readings/columns/provenColumns.ts
function provenColumns(table, kind, columns) {
  if (table.kind !== void 0) return { ...columns };
  for (const mark of MARKS) {
    const found = PROOFS[kind]?.(new Sheet(table, columns, mark)) ?? null;
    if (found !== null)
      return Object.fromEntries(
        Object.entries({ ...columns, ...found }).filter(([, head]) => head !== "")
      );
  }
  return { ...columns };
}
var PROOFS = {
  processor: activityProof,
  bank: statementProof,
  invoices: invoiceProof,
  remittance: adviceProof
};

// src/core/readings/columns/sumOfElse.ts
var OF_ELSE2 = /\b(?:refund(?:ed)?|disputed?|chargeback|returned|reversed|held|erstattung|remboursement)\b/;
function withSumOfElse({ headers }, kind, { columns, cellsOf }) {
  const { gross, net, moneyIn, moneyOut, refunded, fee, ...others } = columns;
  const isSaid2 = [gross, net, moneyIn, moneyOut].some((head) => head !== void 0);
  if (kind !== "processor" || isSaid2) return columns;
  const taken = new Set(Object.values(others));
  const [only, ...more] = headers.filter((name) => !taken.has(name) && areMoney(cellsOf(name)));
  if (only === void 0 || more.length > 0) return columns;
  const isOfElse3 = only === refunded || only === fee || OF_ELSE2.test(plainWords(only));
  return { ...others, [isOfElse3 ? "gross" : "net"]: only };
}
var areMoney = (cells) => cells.length > 0 && cells.every((cell) => isSum(cell) && /[.,]\d\d(?!\d)/.test(cell));

// src/core/readings/columns/returnColumns.ts
var returnColumns = (table, columns, cellsOf) => withReturnDay(table, withOnlyTrace(columns), cellsOf);
function withOnlyTrace(columns) {
  const { trace, ...others } = columns;
  return trace === void 0 || columns.originalTrace !== void 0 ? columns : { ...others, originalTrace: trace };
}
function withReturnDay(table, columns, cellsOf) {
  const taken = new Set(Object.values(columns));
  const isOfReturn = (head) => /\breturn(?:ed|s)?\b/.test(plainWords(head)) && !/\borig/.test(plainWords(head));
  if (columns.on !== void 0 && isOfReturn(columns.on)) return columns;
  const on = table.headers.find(
    (head) => !taken.has(head) && isOfReturn(head) && cellsOf(head).length > 0 && cellsOf(head).every(isDate)
  );
  return on === void 0 ? columns : { ...columns, on };
}

// src/core/readings/columns/columnsOfFile.ts
var columnsOfFile = (table, kind) => foreignColumns(table, kind, provenColumns(table, kind, columnsHeld(table, kind)));
function columnsHeld(table, kind) {
  if (table.kind !== void 0) return guessColumns(table.headers, kind);
  const cellsOf = contentsOf(table);
  const byName2 = (headers) => {
    const named3 = guessColumns(
      headers,
      kind,
      (spec, head) => fits(spec, head, cellsOf(head)) && !isOfElse(table, spec, head, cellsOf)
    );
    return plainest(withFilled(headers, kind, cellsOf, named3), kind === "processor");
  };
  const named2 = byName2(table.headers);
  const all = { ...named2, ...columnsByContents(table, kind, cellsOf, named2) };
  const found = kind === "returns" ? returnColumns(table, all, cellsOf) : withSums(table, kind, { columns: withOnlyDay(withOwnId(all)), cellsOf });
  const kinds = kind === "processor" && found.kind === void 0 ? kindsBySigns(table, found) : null;
  if (kinds === null) return found;
  const others = byName2(table.headers.filter((head) => head !== kinds));
  return { ...others, ...columnsByContents(table, kind, cellsOf, others), kind: kinds };
}
var withSums = (table, kind, { columns, cellsOf }) => withSumOfElse(table, kind, {
  columns: withNetTotal(table, kind, withCustomers(table, kind, columns)),
  cellsOf
});
var withCustomers = (table, kind, columns) => withCustomerCodes(table, kind, withCustomerName(table, kind, columns));
function withFilled(headers, kind, cellsOf, named2) {
  const isEmpty2 = ({ field, type, needed: needed2 }) => needed2 === true && type === "text" && named2[field] !== void 0 && cellsOf(named2[field]).length === 0;
  const open = FIELDS[kind].filter(isEmpty2);
  if (open.length === 0) return named2;
  const filled = headers.filter((head) => cellsOf(head).length > 0);
  const others = guessColumns(filled, kind, (spec, head) => fits(spec, head, cellsOf(head)));
  const taken = new Set(Object.values(named2));
  return open.reduce((columns, { field }) => {
    const head = others[field];
    return head === void 0 || taken.has(head) ? columns : { ...columns, [field]: head };
  }, named2);
}
function withOwnId({ relatedId, ...columns }) {
  if (relatedId === void 0) return columns;
  return columns.id === void 0 && columns.kind === void 0 ? { ...columns, id: relatedId } : { ...columns, relatedId };
}
function withOnlyDay(columns) {
  const { settledOn, payoutOn, ...others } = columns;
  if (columns.occurredOn !== void 0) return columns;
  if (settledOn !== void 0)
    return { ...others, ...payoutOn === void 0 ? {} : { payoutOn }, occurredOn: settledOn };
  return payoutOn === void 0 ? columns : { ...others, occurredOn: payoutOn };
}
function plainest(columns, isActivity) {
  const both = columns.moneyIn !== void 0 && columns.moneyOut !== void 0;
  const isSaid2 = (columns.gross ?? columns.total) !== void 0;
  const sides = [
    ...isSaid2 || !both && isActivity ? ["moneyIn", "moneyOut"] : [],
    ...isSaid2 ? ["debit", "credit"] : []
  ];
  return Object.fromEntries(Object.entries(columns).filter(([field]) => !sides.includes(field)));
}
var isCounted = (field) => /^(paid|credited|refunded|fee2|feeTax)$/.test(field);
var isCount = (cell) => /^\d{1,3}$/.test(cell);
var RATE = /%|\b(?:percent|pct|rate)\b/i;
var ENTRY_MODE = /^(?:chip|tap|dip|swiped?|keyed|manual|contactless|e-?commerce|moto|inserted|mag ?stripe|emv|nfc|icc)$/i;
var isEightDay = (cell) => /^\d{8}$/.test(cell) && isDate(cell);
var holdsSums = (field, cells) => cells.some(isSum) && !(isCounted(field) && cells.every(isCount)) && !cells.every(isEightDay);
function isOfElse(table, { field }, head, cellsOf) {
  if (field === "customerId") return isOwnAccount(table, head);
  if (field === "parentId")
    return plainWords(head) === "group" && !namesLines(table, head, cellsOf);
  if (field === "id") return areNoIds(head, cellsOf(head));
  if (field === "reference") return areEntryCodes(head, cellsOf(head));
  if (field !== "payerName") return false;
  return areOrders(head, cellsOf) || /^company\b/i.test(head) && areSame(cellsOf(head));
}
function namesLines(table, head, cellsOf) {
  const others = table.headers.filter((other) => other !== head);
  const all = new Set(others.flatMap((other) => cellsOf(other).map((cell) => plainWords(cell))));
  return cellsOf(head).some((cell) => all.has(plainWords(cell)));
}
var WAY = /^(?:credit|debit)$/i;
var areNoKinds = (cells) => cells.every((cell) => isSum(cell) || isDate(cell) || ENTRY_MODE.test(cell)) || cells.every((cell) => WAY.test(cell)) || cells.every((cell) => sureState(cell) !== null && sureKind(cell) === null) && cells.some((cell) => sureState(cell) === "counts");
var areAmounts = (cells) => cells.some(isSum) && (!cells.every(isDate) || cells.some(isEightDay));
function fits({ field, type, needed: needed2 }, head, filled) {
  if (type === "amount" && RATE.test(head)) return false;
  const cells = filled.filter((cell) => !isNothing2(cell));
  if (cells.length === 0) return true;
  if (needed2) return type !== "amount" || areAmounts(cells);
  if (type === "kind") return !areNoKinds(cells);
  if (field === "brand") return !cells.every((cell) => isSum(cell) && /[.,]\d\d$/.test(cell));
  if (/^id$|Id$/.test(field)) return !cells.every((cell) => isSum(cell) && /[.,]\d\d$/.test(cell));
  if (type === "amount") return holdsSums(field, cells);
  if (type === "currency")
    return cells.some((cell) => currencyOf(cell.toUpperCase()) !== void 0);
  return type === "day" ? cells.some((cell) => writtenDay(cell) !== null) : true;
}

// src/core/readings/columns/activityWords.ts
var MOST_LOOKED_AT3 = 2e3;
function hasActivityWords(table, columns) {
  const kinds = kindsSaid(table, columns);
  return kinds.has("charge") && (kinds.has("payout") || kinds.has("refund") || kinds.has("fee"));
}
function areActivity(table, columns) {
  const kinds = kindsSaid(table, columns);
  return kinds.has("charge") && !kinds.has(null);
}
function kindsSaid(table, columns) {
  const at = table.headers.indexOf(columns.kind ?? "");
  if (at < 0) return /* @__PURE__ */ new Set();
  const looked = table.rows.slice(0, MOST_LOOKED_AT3);
  return new Set(looked.map(({ cells }) => sureKind((cells[at] ?? "").trim())));
}
function chargesGoBothWays(table, columns) {
  if (columns.net !== void 0 || columns.payoutId !== void 0) return false;
  const at = table.headers.indexOf(columns.kind ?? "");
  const charges = table.rows.slice(0, MOST_LOOKED_AT3).filter(({ cells }) => sureKind((cells[at] ?? "").trim()) === "charge");
  const place = table.headers.indexOf(columns.gross ?? "");
  const sums2 = charges.map(({ cells }) => writtenSum((cells[place] ?? "").trim())).filter((sum) => sum !== null && /[1-9]/.test(sum.digits));
  return new Set(sums2.map((sum) => sum?.negative)).size > 1;
}

// src/core/readings/columns/addressBook.ts
var ADDRESS = /\b(street|address|city|town|zip|zip code|postcode|postal code|strasse|ort|plz|ville|phone)\b/;
var WHEN = /\b(date|day|due|issued|posted|datum|fecha|period)\b/;
var SINCE = /\b(created|since|last|modified|updated|joined|first)\b/;
function isAddressBook({ headers }) {
  const plain = headers.map(plainWords);
  const reached = plain.filter((head) => ADDRESS.test(head));
  return reached.length >= 2 && !plain.some((head) => WHEN.test(head) && !SINCE.test(head));
}

// src/core/readings/columns/headsOfKinds.ts
var OF_OTHERS = /\b(card|cardholder|auth|authorization|merchant|batch|invoices?|returns?|refunds?|reason|fees?|costs?|commissions?|sales|tips?|tax|orders?|due|discount|individual)\b/;
var OF_ORIGINATORS = /\b(individual|batch|returns?|reason|invoices?|due|orders?)\b/;
var OF_DOCUMENTS = /\b(invoices?|due)\b/;
var OF_WHAT_ARRIVES = /\b(fees?|receive|received|proceeds|payout|funded)\b/;
var OF_PAYMENTS = /\b(checks?|cheques?|remitter|payer|payor|lockbox|deposit|deposited|eft|trace)\b/;
var OF_NO_ADVICE = /\b(fees?|receive|received|proceeds|payout|funded|due|open|outstanding|balance|terms|status)\b/;
function hasHeads(heads, { headers }, columns) {
  const taken = new Set(Object.values(columns));
  return headers.some((head) => !taken.has(head) && heads.test(plainWords(head)));
}

// src/core/readings/columns/likelyKinds.ts
var OF_KIND = {
  processor: [
    /\b(?:payouts?|fees?|charges?|charged|refunds?|refunded|disputes?|disputed|chargebacks?|gross|settlements?|funded|arrival|gateway|captured)\b/
  ],
  invoices: [/\b(?:due|invoices?|outstanding|overdue|terms)\b/],
  remittance: [
    /\b(?:checks?|cheques?|eft|remit\w*|advice|payer|vendor)\b/,
    /\b(?:invoices?|documents?|bills?)\b/
  ]
};
var WITH_SUMS = 3;
function likeliestKinds({ headers }, kinds, { columnsOf: columnsOf2, hasSums }) {
  const has2 = (heads) => headers.some((head) => heads.test(plainWords(head)));
  const scoreOf = (kind) => {
    const columns = columnsOf2(kind);
    const needs = missingFields({ kind, columns }).length;
    const explained = new Set(Object.values(columns)).size;
    const speaks = OF_KIND[kind]?.every((heads) => has2(heads)) === true;
    const isWithSums = kind === "customers" && hasSums;
    return explained + (speaks ? 3 : 0) - 2 * needs - (isWithSums ? WITH_SUMS : 0);
  };
  const scores = new Map(kinds.map((kind) => [kind, scoreOf(kind)]));
  return [...kinds].sort((a, b) => (scores.get(b) ?? 0) - (scores.get(a) ?? 0));
}

// src/core/readings/columns/namesDocuments.ts
var DOCUMENT = /^(?:(?:sales |tax )?invoice|inv|credit (?:note|memo)|rechnung|facture|avoir|factura|fattura|nota di credito|factuur|creditnota)$/;
var MOST_LOOKED_AT4 = 500;
function saysDocuments({ headers, rows }, head) {
  const at = headers.indexOf(head ?? "");
  if (at < 0) return false;
  const looked = rows.slice(0, MOST_LOOKED_AT4).map(({ cells }) => plainWords(cells[at] ?? ""));
  return looked.some((word) => DOCUMENT.test(word));
}
var OF_ACCOUNT = /^(?:(?:sales |tax )?invoice|inv|payment(?: received)?|credit (?:note|memo)|refund|finance charge|late fee|(?:opening|previous) balance|balance (?:brought )?forward|rechnung|zahlung|facture|paiement|factura|pago)(?: (?:no )?[a-z]{0,4}\d*)?$/;
var INVOICED = /^(?:sales |tax )?(?:inv|rechnung|fact)/;
function tellsAccount({ headers, rows }, head) {
  const at = headers.indexOf(head ?? "");
  const looked = rows.slice(0, MOST_LOOKED_AT4).map(({ cells }) => plainWords(cells[at] ?? ""));
  const words = at < 0 ? [] : looked.filter((word) => word !== "");
  return words.every((word) => OF_ACCOUNT.test(word)) && words.some((word) => INVOICED.test(word)) && !words.every((word) => INVOICED.test(word));
}
var areDocuments = (table, columnsOf2) => saysDocuments(table, columnsOf2("bank").direction ?? columnsOf2("processor").kind) || tellsAccount(table, columnsOf2("bank").description);

// src/core/readings/columns/paysOutWhole.ts
var MOST_LOOKED_AT5 = 2e3;
var TO_BANK = /\b(?:to (?:your |the )?bank|withdrawals?|payouts?|disbursements?|transfer to|deposit to)\b/;
function paysOutWhole({ headers, rows }, columns) {
  const at = headers.indexOf(columns.balance ?? "");
  return rows.slice(0, MOST_LOOKED_AT5).some(({ cells }) => {
    const left = at < 0 ? null : writtenSum((cells[at] ?? "").trim());
    return left !== null && !/[1-9]/.test(left.digits) && TO_BANK.test(plainWords(cells.join(" ")));
  });
}
var SOLD = /^(?:sales?|charges?|captures?)\b/;
function beginsAsActivity({ headers, rows }, columns) {
  const at = headers.indexOf(columns.description ?? "");
  const begun = rows.slice(0, MOST_LOOKED_AT5).map(({ cells }) => kindBegun(cells[at] ?? ""));
  const has2 = (kind) => begun.some((word) => sureKind(word) === kind);
  const known9 = begun.filter((word) => word !== "").length;
  const isSold = begun.some((word) => SOLD.test(word));
  const goesOn2 = has2("payout") || isSold && has2("refund");
  return known9 * 2 > begun.length && goesOn2 && (isSold || has2("charge"));
}
var withPayouts = (marked, table, columnsOf2) => marked.length === 1 && marked[0] === "bank" && [paysOutWhole, beginsAsActivity].some((tells) => tells(table, columnsOf2("bank"))) ? ["processor", "bank"] : marked;

// src/core/readings/columns/fileKind.ts
var MOST_LOOKED_AT6 = 2e3;
var SIGNS_OF_KIND = {
  customers: (has2) => has2("name") && (has2("email") || has2("phone") || has2("externalId")),
  invoices: (has2) => has2("number") && has2("customerId") && (has2("dueOn") || has2("balance")),
  processor: (has2, table, columns) => has2("occurredOn") && (saysWho(columns) && (has2("fee") || has2("payoutId") || hasActivityWords(table, columns)) && !saysDocuments(table, columns.kind) && !chargesGoBothWays(table, columns) || listsPayouts(columns)),
  bank: (has2, table, columns) => has2("postedOn") && (has2("balance") || has2("moneyIn") && has2("moneyOut") && !hasHeads(OF_ORIGINATORS, table, columns)) && !saysDocuments(table, columns.direction) && !tellsAccount(table, columns.description) && !hasHeads(OF_DOCUMENTS, table, columns),
  remittance: (has2, table, columns) => has2("number") && has2("amount") && has2("trace") && has2("paidOn") && !hasHeads(OF_WHAT_ARRIVES, table, columns),
  returns: (has2, table, columns) => has2("code") && has2("originalTrace") && isOnMost(table, columns.code)
};
var needed = (kind, columns) => FIELDS[kind].every(
  ({ needed: must, field }) => !must || columns[field] !== void 0 || field === "total" && (columns.debit ?? columns.balance) !== void 0
);
var MONEY_HEAD = /\b(amount|total|gross|net|balance|debit|credit|betrag|montant|importe|sum)\b/;
function kindsOf(table, kinds = FILE_KINDS) {
  const allOf = (kind) => columnsHeld(table, kind);
  const columnsOf2 = (kind) => filledColumns(table, allOf(kind));
  if (table.headLine === 0) return { sure: null, possible: kinds };
  const hasSums = holdsSums2(table);
  const money = hasSums || table.headers.some((head) => MONEY_HEAD.test(plainWords(head)));
  const readable2 = kinds.filter(
    (kind) => needed(kind, allOf(kind)) && (kind !== "processor" || saysWho(columnsOf2(kind)))
  );
  const bearing = kinds.filter((kind) => {
    const columns = columnsOf2(kind);
    if (kind === "customers" && money && !isAddressBook(table)) return false;
    return SIGNS_OF_KIND[kind]((field) => columns[field] !== void 0, table, columns);
  });
  const marked = withPayouts(bearing, table, columnsOf2);
  const [only, ...others] = marked.length > 1 ? narrowed(marked, table, columnsOf2) : marked;
  if (only !== void 0 && others.length === 0) return { sure: only, possible: marked };
  const unsure = (among) => ({
    sure: null,
    possible: likeliestKinds(table, among, { columnsOf: columnsOf2, hasSums })
  });
  if (marked.length > 1) return unsure(marked);
  const possible = readable2.filter((kind) => kind !== "customers" || !money);
  if (possible.length > 1) return unsure(areDocuments(table, columnsOf2) ? kinds : possible);
  const [single] = possible;
  return single === void 0 || isOfOthers(table, single, columnsOf2) ? unsure(kinds) : { sure: single, possible };
}
function holdsSums2({ headers, rows }) {
  const looked = rows.slice(0, MOST_LOOKED_AT6);
  return headers.some((_, at) => {
    const cells = looked.map((row) => (row.cells[at] ?? "").trim()).filter((cell) => cell !== "");
    return cells.length > 0 && cells.every((cell) => /\d[.,]\d\d\D{0,4}$/.test(cell) && writtenSum(cell) !== null);
  });
}
var saysWho = (columns) => ["id", "kind", "payerName", "payerEmail", "method"].some(
  (field) => columns[field] !== void 0
) && missingFields({ kind: "processor", columns }).length === 0;
var listsPayouts = (columns) => /\bpayouts?\b/.test(plainWords(columns.payoutId ?? "")) && missingFields({ kind: "processor", columns }).length === 0;
function isOfOthers(table, kind, columnsOf2) {
  if (kind === "bank")
    return hasHeads(OF_OTHERS, table, columnsOf2(kind)) || areDocuments(table, columnsOf2);
  if (kind === "invoices") return hasHeads(OF_PAYMENTS, table, columnsOf2(kind));
  if (kind === "remittance") return hasHeads(OF_NO_ADVICE, table, columnsOf2(kind));
  if (kind !== "processor") return false;
  if (!areActivity(table, columnsOf2(kind))) return true;
  const advice = columnsOf2("remittance");
  const isAdvice = advice.number !== void 0 && advice.amount !== void 0;
  return columnsOf2("invoices").dueOn !== void 0 || isAdvice && columnsOf2(kind).id === void 0;
}
function filledColumns({ headers, rows }, columns) {
  const looked = rows.slice(0, MOST_LOOKED_AT6);
  return Object.fromEntries(
    Object.entries(columns).filter(([, head]) => {
      const at = headers.indexOf(head);
      return looked.some(({ cells }) => (cells[at] ?? "").trim() !== "");
    })
  );
}
var OWN = ["id", "net", "payoutId", "payerEmail", "method"];
var OWN_BESIDE_BALANCE = ["net", "payerEmail", "method"];
var isOwn = (table, columns) => (columns.balance === void 0 ? OWN : OWN_BESIDE_BALANCE).some(
  (field) => columns[field] !== void 0
) || [...kindsSaid(table, columns)].some((kind) => kind !== null);
function narrowed(marked, table, columnsOf2) {
  const has2 = (kind, field) => columnsOf2(kind)[field] !== void 0;
  if (marked.includes("returns")) return ["returns"];
  if (marked.includes("processor") && has2("processor", "fee") && !has2("invoices", "dueOn"))
    return marked.includes("bank") && !isOwn(table, columnsOf2("processor")) ? ["processor", "bank"] : ["processor"];
  if (marked.includes("invoices") && has2("invoices", "dueOn"))
    return marked.filter(
      (kind) => kind !== "customers" && kind !== "bank" && kind !== "remittance"
    );
  return marked.filter((kind) => kind !== "customers");
}

// src/core/readings/columns/kindQuestion.ts
function kindQuestion(possible, name) {
  return {
    key: "kind",
    words: `${name} does not say what it is. What are its lines?`,
    choices: possible.map((kind) => ({ answer: kind, result: KIND_WORDS2[kind] }))
  };
}
var KIND_WORDS2 = {
  customers: `${FILE_KIND_TRAITS.customers.label}: names and addresses`,
  invoices: `${FILE_KIND_TRAITS.invoices.label}: what customers owe`,
  processor: `${FILE_KIND_TRAITS.processor.label}: charges, fees and payouts`,
  bank: `${FILE_KIND_TRAITS.bank.label}: what came in and went out at the bank`,
  remittance: `${FILE_KIND_TRAITS.remittance.label}: what a payment was for`,
  returns: `${FILE_KIND_TRAITS.returns.label}: debits that came back`
};

// src/core/readings/types.ts
var LEFT_OUT_WORDS = {
  head: "the head, repeated",
  total: "totals and subtotals",
  balance: "opening and closing balances",
  no_money: "declined, voided, failed or a trial: no money",
  not_yet: "pending: no money yet",
  replaced: "told anew by a later line of the file",
  hidden: "hidden in the sheet, left out as was said",
  said: "left out, as was said",
  not_ours: "of no concern here, as was said",
  before: "up to the cut-over day, in the opening balances",
  future: "days that have not come",
  outside: "outside the span that the file says",
  other_account: "of another account",
  heading: "headings of groups and sections",
  continues: "words that go on from the line above",
  same_invoice: "more lines of an invoice above",
  same_payment: "more parts of a payment above",
  part: "what the line above is made of",
  empty: "without a sum"
};

// src/core/readings/activity/endedRows.ts
function endedRow(cells, row, decided) {
  const isPayout = /\bpayout\b/.test(plainWords(cells.of(row, "kind")));
  const failed = isPayout ? "payout" : "charge";
  const kind = decided === "no_money" ? failed : decided;
  if (kind === "ignore" || kind === "not_yet") return [];
  const id = kind === "payout" && cells.of(row, "payoutId") || cells.of(row, "id");
  return id === "" ? [] : [{ line: row.line, id, kind }];
}
function endedRows(file) {
  const cells = new Cells(file);
  return screened(cells).rows.flatMap(
    (row) => sureState(cells.of(row, "kind")) === "none" ? endedRow(cells, row, "no_money") : []
  );
}

// src/core/readings/understoodLines.ts
var SHOWN = 6;
var ODD = 4;
var SHOWN_FIELDS = {
  bank: { day: ["postedOn"], sum: ["amount"], what: [], who: ["description"] },
  processor: {
    day: ["occurredOn"],
    sum: ["gross"],
    what: ["kind"],
    who: ["payerName", "reference", "payoutId"]
  },
  invoices: {
    day: ["issuedOn", "dueOn"],
    sum: ["balance", "total"],
    what: ["number"],
    who: ["customerId"]
  },
  customers: { day: [], sum: [], what: ["externalId"], who: ["name"] },
  remittance: { day: ["paidOn"], sum: ["amount"], what: ["number"], who: ["payerName"] },
  returns: { day: ["on"], sum: ["amount"], what: ["code"], who: ["name"] }
};
var kindInWords = (text) => text in ROW_KINDS ? ROW_KINDS[text].label : text;
var isDay = (text) => /^\d{4}-\d\d-\d\d$/.test(text);
var BESIDE2 = {
  invoices: [
    ["dueOn", "due"],
    ["total", "of"]
  ],
  processor: [["settledOn", "settled"]]
};
function costInWords(cost, shown2) {
  if (cost === 0) return [];
  return [cost > 0 ? `fee ${shown2(cost)}` : `${shown2(-cost)} of a fee back`];
}
function understoodLines(kind, table, { today, currency }) {
  const at = new Map(
    FIELDS[kind].map(({ field, names }) => [field, table.headers.indexOf(names[0] ?? field)])
  );
  const first2 = (cells, fields) => fields.map((field) => cells[at.get(field) ?? -1] ?? "").find((cell) => cell !== "") ?? "";
  const { day, sum, what, who } = SHOWN_FIELDS[kind];
  const costOf2 = (cells, own) => {
    const fee = parseAmount(first2(cells, kind === "processor" ? ["fee"] : []), ".", own);
    return fee.ok ? fee.value : 0;
  };
  const odd = oddOf(table.rows, ({ cells }) => ({
    sort: kind === "processor" ? first2(cells, what) : "",
    sum: Number(first2(cells, sum)),
    on: first2(cells, day)
  }));
  const hasDay = ({ cells }) => day.length === 0 || first2(cells, day) !== "";
  return [...table.rows.slice(0, SHOWN), ...odd].filter(hasDay).map(({ line, cells }) => {
    const on = first2(cells, day);
    const own = currencyOf(first2(cells, ["currency"])) ?? currency;
    const cost = costOf2(cells, own);
    const amount2 = parseAmount(first2(cells, sum), ".", own);
    const isFee = amount2.ok && amount2.value === 0 && cost !== 0;
    const shown2 = (value) => formatMoney(minor(value), own, currency);
    const dayOf3 = (text) => isDay(text) ? formatDay(text, today) : text;
    const beside = (BESIDE2[kind] ?? []).flatMap(([field, word]) => {
      const cell = first2(cells, [field]);
      const other = parseAmount(cell, ".", own);
      if (isDay(cell)) return cell === on ? [] : [`${word} ${dayOf3(cell)}`];
      const isOther4 = other.ok && amount2.ok && other.value !== amount2.value;
      return isOther4 ? [`${word} ${shown2(other.value)}`] : [];
    });
    const costs = isFee ? [] : costInWords(cost, shown2);
    return {
      line,
      day: dayOf3(on),
      sum: amount2.ok ? shown2(isFee ? -cost : amount2.value) : first2(cells, sum),
      what: [kindInWords(first2(cells, what)), ...costs, ...beside].join(", "),
      who: first2(cells, who).slice(0, 60)
    };
  });
}
function oddOf(rows, of) {
  const keyOf4 = ({ sort, sum }) => `${sort} ${Math.sign(sum)}`;
  const shown2 = rows.slice(0, SHOWN).map(of);
  const seen = new Set(shown2.map(keyOf4));
  const days3 = shown2.map(({ on }) => on).sort();
  let [earliest = "", latest = ""] = [days3[0], days3.at(-1)];
  const found = /* @__PURE__ */ new Set();
  const ends = {};
  let most = 0;
  for (const row of rows.slice(SHOWN)) {
    const told2 = of(row);
    if (Math.abs(told2.sum) > most) [ends.largest, most] = [row, Math.abs(told2.sum)];
    if (told2.on < earliest) [ends.first, earliest] = [row, told2.on];
    if (told2.on > latest) [ends.last, latest] = [row, told2.on];
    if (found.size >= ODD - 1 || seen.has(keyOf4(told2))) continue;
    seen.add(keyOf4(told2));
    found.add(row);
  }
  for (const row of Object.values(ends)) found.add(row);
  return [...found].sort((a, b) => a.line - b.line);
}

// src/core/readings/bank/bankFees.ts
function signsWithFees(reading2, statement) {
  const { cells } = reading2;
  const said2 = headsUsedAs(reading2, "off");
  const under = (heads) => statement.signsOf(lessFees(reading2, statement, heads));
  const plain = under(said2);
  if (!isBroken(plain)) return plain;
  for (const { head } of cells.unread()) {
    if (!isCost(head) || cells.file.answers[`column:${head}`] !== void 0) continue;
    const found = under([...said2, head]);
    if (!isBroken(found))
      return {
        ...found,
        proofs: [...found.proofs, `\u201C${head}\u201D comes off each sum, by the balance`]
      };
  }
  return plain;
}
var isBroken = ({ questions }) => questions.some(({ key }) => key === "balance");
function lessFees(reading2, { lines, rows }, heads) {
  return heads.reduce((all, head) => {
    const fees = rows.map((row) => sumUnderHead(reading2, row, head) ?? 0);
    const way = Math.sign(fees.reduce((sum, fee) => sum + Math.sign(fee), 0)) || 1;
    return all.map((line, at) => lessFee(line, way * (fees[at] ?? 0)));
  }, lines);
}
function lessFee(line, fee) {
  const { amount: amount2, moneyIn, moneyOut } = line;
  if (amount2 !== null) return { ...line, amount: minor(amount2 - fee) };
  if (moneyIn) return { ...line, moneyIn: minor(moneyIn - fee) };
  return moneyOut ? { ...line, moneyOut: minor(moneyOut + Math.sign(moneyOut) * fee) } : line;
}

// src/core/readings/days/ownSpan.ts
var DAY = new RegExp("\\b(?:\\d{4}-\\d\\d-\\d\\d|\\d{1,2}[./-]\\d{1,2}[./-](?:\\d{4}|\\d\\d)|\\d{1,2}\\.? \\p{L}{3,12}\\.?,? \\d{4}|\\p{L}{3,12}\\.? \\d{1,2},? \\d{4})\\b", "gu");
var TOLERANCE = 1;
var TO = /^\s*(?:[-–—]|to|through|thru|until|bis|au|al?|hasta|tot|t\/m|até)\s*(?:the\s*)?$/i;
var daysIn = (line) => [...line.replace(/\s+/g, " ").matchAll(DAY)].flatMap(([text]) => writtenDay(text) ?? []);
function spanAbove({ above = [] }) {
  for (const text of above) {
    const line = text.replace(/\s+/g, " ");
    const [first2, second, ...more] = [...line.matchAll(DAY)];
    if (!first2 || !second || more.length > 0) continue;
    const between = line.slice(first2.index + first2[0].length, second.index);
    const [from, to] = [writtenDay(first2[0]), writtenDay(second[0])];
    if (from && to && TO.test(between.replace(/[,;:|]/g, " "))) return [from, to];
  }
  return null;
}
function spanUnder(span, reading2) {
  if (span === null) return null;
  const [from, to] = span.map((written) => dayUnder(written, reading2));
  return from && to && from <= to ? { from, to } : null;
}
var isOutside = (day, { from, to }) => day < addDays(from, -TOLERANCE) || day > addDays(to, TOLERANCE);

// src/core/readings/sums/sumsAbove.ts
function sumsAbove(reading2) {
  const { records = [], headLine = 1, above = [] } = reading2.cells.file.table;
  const lines = records.slice(Math.max(0, headLine - 1 - above.length), headLine - 1);
  return lines.flatMap(
    (cells, nth) => cells.flatMap((cell, at) => {
      if (!/[a-z]{3}/i.test(cell)) return [];
      const beside = cells.slice(at + 1).find((text) => text.trim() !== "") ?? "";
      const places = [cell, beside, lines[nth + 1]?.[at] ?? ""];
      const found = places.flatMap((text) => sumIn2(reading2, void 0, text) ?? []);
      return found.slice(0, 1).map((sum) => ({ words: cell, ...sum }));
    })
  );
}
var DAY2 = /^(?:\d{1,2}\.\d{1,2}\.\d{2,4}|(?:19|20)\d{6})$/;
function sumIn2(reading2, row, cell) {
  const text = cell.replace(/^[^:]{3,40}:/, "").trim();
  const written = DAY2.test(text) ? null : writtenSum(text);
  const shown2 = row ?? reading2.cells.file.table.rows[0];
  if (written === null || !shown2) return null;
  const currency = reading2.currencyOf(shown2);
  const sum = sumUnder(written, { ...reading2.sums, currency });
  return sum === null ? null : { sum, isOwed: written.side === "debit" };
}

// src/core/readings/bank/statedBalances.ts
var NOTHING_STATED = { before: null, after: null, among: [] };
var BEFORE = /^(?:(?:opening|beginning|starting|previous|prior) (?:ledger |account |book )?(?:balance|bal)|balance (?:brought )?forward|anfangssaldo|anfangsbestand|alter (?:konto)?saldo|solde (?:initial|precedent|anterieur)|saldo (?:inicial|anterior|iniziale|precedente)|beginsaldo)\b|^(?:opening|beginning|brought forward)$/;
var AFTER = /^(?:(?:closing|ending|final) (?:ledger |account |book )?(?:balance|bal)|balance carried forward|endsaldo|endbestand|neuer (?:konto)?saldo|solde final|saldo (?:final|finale)|eindsaldo)\b|^(?:closing|ending|carried forward)$/;
function endOf(words) {
  const plain = plainWords(words);
  if (BEFORE.test(plain)) return "before";
  return AFTER.test(plain) ? "after" : null;
}
function statedBalances(reading2, lines) {
  const { cells } = reading2;
  const accountOf = (row) => cells.of(row, "account");
  const own = new Set(lines.map(accountOf));
  const taken = new Set(lines);
  const all = cells.file.table.rows;
  const rows = all.filter(
    (row, at) => !taken.has(row) && (own.has(accountOf(row)) || accountOf(row) === "") && screenRow(cells, row, at === 0, at === all.length - 1) === "balance"
  );
  const [above, inRows] = dated(reading2, endsAbove(reading2), rowsOf(reading2, rows));
  const endsAt = (end) => [
    ...above.filter((found) => found.end === end).map(({ balance }) => balance),
    ...inRows.filter((found) => found.end === end).map(({ balance }) => balance)
  ];
  const [before2, after] = [endsAt("before"), endsAt("after")];
  const isOnce = new Set(before2).size <= 1 && new Set(after).size <= 1;
  return {
    before: isOnce ? before2[0] ?? null : null,
    after: isOnce ? after[0] ?? null : null,
    among: inRows.filter(({ end }) => !isOnce || end === null)
  };
}
var rowsOf = (reading2, rows) => rows.flatMap((row) => {
  const balance = balanceIn(reading2, row);
  const words = row.cells.join(" ");
  return balance === null ? [] : [{ line: row.line, balance, end: endOfRow(row), words }];
});
function dated(reading2, above, rows) {
  const [one, other, ...more] = [...above, ...rows].filter(({ end }) => end === null);
  const [first2, second] = [one, other].map((said2) => said2 && dayIn2(reading2, said2.words));
  if (!first2 || !second || first2 === second || more.length > 0) return [above, rows];
  const earlier = first2 < second ? one : other;
  const ended = (said2) => said2.end === null ? { ...said2, end: said2 === earlier ? "before" : "after" } : said2;
  return [above.map(ended), rows.map(ended)];
}
function dayIn2(reading2, words) {
  const [written] = daysIn(words);
  return written ? dayUnder(written, reading2.daysOf("")) : null;
}
var endOfRow = ({ cells }) => cells.map((cell) => endOf(cell)).find((end) => end !== null) ?? null;
var HOLD_BALANCES = ["balance", "moneyIn", "moneyOut", "amount", "gross", "net"];
function balanceIn(reading2, row) {
  const day = reading2.cells.of(row, MAIN_DAY[reading2.cells.file.kind] ?? "");
  const own = HOLD_BALANCES.find((field) => sumOfCell(reading2, row, field) !== null);
  const texts = own ? [reading2.cells.of(row, own)] : row.cells.filter((cell) => cell.trim() !== day);
  const [found] = texts.flatMap((cell) => sumIn2(reading2, row, cell) ?? []);
  return found ? balanceOf(found) : null;
}
var balanceOf = ({ sum, isOwed }) => isOwed ? minor(-Math.abs(sum)) : sum;
var ON_A_DAY = /^(?:kontostand|saldo|solde|balance|ledger balance)\b/;
var endsAbove = (reading2) => sumsAbove(reading2).flatMap((found) => {
  const { words } = found;
  const end = endOf(words);
  const isDated = end === null && ON_A_DAY.test(plainWords(words)) && daysIn(words).length === 1;
  return end === null && !isDated ? [] : [{ end, balance: balanceOf(found), words }];
});

// src/core/readings/bank/statementRow.ts
var plainSum2 = ({ amount: amount2, moneyIn, moneyOut }) => {
  if (amount2 !== null) return amount2;
  if (!moneyIn && !moneyOut) return moneyIn ?? moneyOut;
  return Math.abs(moneyIn ?? 0) - Math.abs(moneyOut ?? 0);
};
function directionOf({ word, side }, answers) {
  if (side !== null) return side === "credit" ? 1 : -1;
  const said2 = answers[`word:${word.toLowerCase()}`];
  if (said2 === "in") return 1;
  if (said2 === "out") return -1;
  return word === "" ? null : sureDirection(word);
}
var areEffects = (rows) => {
  const out = rows.flatMap(({ moneyOut }) => moneyOut || []);
  const into = rows.flatMap(({ moneyIn }) => moneyIn || []);
  return out.length > 0 && into.length > 0 && out.every((sum) => sum < 0) && into.every((sum) => sum > 0);
};

// src/core/readings/bank/bankChain.ts
function chainOf(rows, sums2, { before: before2, after, among } = NOTHING_STATED) {
  const lines = rows.map(({ line, balance }, at) => ({ line, sum: sums2[at] ?? 0, balance }));
  const links = [
    ...lines,
    ...among.map((stated) => ({ ...stated, sum: 0, isStated: true }))
  ];
  if (among.length > 0) links.sort((a, b) => a.line - b.line);
  const [start, end] = [before2, after].map(
    (balance) => balance === null ? [] : [{ line: null, sum: 0, balance, isStated: true }]
  );
  const all = [...start, ...links, ...end];
  if (all.filter(({ balance }) => balance !== null).length < 2) return null;
  const forward = chainOver(all);
  const back = chainOver([...start, ...links.reverse(), ...end]);
  return { ...forward.breaks <= back.breaks ? forward : back, to: after };
}
function chainOver(links) {
  let [breaks, firstBreak, from] = [0, null, null];
  let expected = null;
  let moved = 0;
  let [upTo, count2] = [0, 0];
  for (const { line, sum, balance, isStated } of links) {
    moved += sum;
    if (isStated !== true) count2 += 1;
    if (expected !== null) expected += sum;
    if (balance === null) continue;
    upTo = count2;
    from ??= balance - moved;
    if (expected !== null && expected !== balance) {
      breaks += 1;
      firstBreak ??= { line, said: balance, come: expected };
    }
    expected = balance;
  }
  return { breaks, firstBreak, from: from ?? 0, upTo };
}
function byBalance(rows, answers) {
  for (const order of [[...rows], [...rows].reverse()]) {
    const signs = /* @__PURE__ */ new Map();
    const fits3 = order.slice(1).every((row, at) => {
      const [before2, after, size] = [order[at]?.balance, row.balance, plainSum2(row)];
      if (before2 === null || before2 === void 0 || after === null || size === null) return false;
      if (Math.abs(after - before2) !== Math.abs(size)) return false;
      signs.set(row.line, after - before2);
      return true;
    });
    const first2 = order[0];
    if (fits3 && first2 && order.length > 1) {
      const size = plainSum2(first2) ?? 0;
      signs.set(first2.line, answers.first === "out" ? -size : size);
      return rows.map((row) => signs.get(row.line) ?? null);
    }
  }
  return null;
}

// src/core/readings/bank/balanceSide.ts
function sidedBalances({ cells }, rows, statement) {
  const sums2 = statement.map(plainSum2);
  if (chainOf(statement, sums2)?.breaks === 0) return statement;
  const places = [
    ...cells.unread().map(({ at }) => at),
    ...[cells.file.table.headers.indexOf(cells.head("direction"))].filter((at) => at >= 0)
  ];
  for (const at of places) {
    const sides = rows.map((row) => sureDirection((row.cells[at] ?? "").trim()));
    if (!sides.includes(-1) || sides.includes(null)) continue;
    const sided = statement.map((row, nth) => {
      const isOwed = sides[nth] === -1;
      const size = row.balance === null ? null : Math.abs(row.balance);
      return {
        ...row,
        word: at === cells.file.table.headers.indexOf(cells.head("direction")) ? "" : row.word,
        balance: size === null ? null : minor(isOwed ? -size : size),
        isOwed
      };
    });
    if (chainOf(sided, sums2)?.breaks === 0) return sided;
  }
  return statement;
}

// src/core/readings/bank/wayWords.ts
var OUT = /\b(payroll|service charge|bank fee|account fee|monthly fee|maintenance fee|atm withdrawal|cash withdrawal|withdrawal|rent|purchase|pos|loan payment|tax payment|utilities|insurance|supplies|wire out|outgoing wire|ach debit|miete|gehalt|lohn|loyer|salaires|alquiler|nomina)\b/;
var IN = /\b(deposit|remote deposit|interest paid|interest credit|payout|ach credit|wire in|incoming wire|wire transfer in|lockbox|bankcard dep|merchant dep|payment thank you|payment received|gutschrift|zahlungseingang|virement recu|ingreso|transferencia recibida)\b/;
var TURNED = /\b(reversal|reversed|returned|return|refund|correction|chargeback|stop|storno|rejected)\b/;
function likelyWay(description) {
  const words = plainWords(description);
  if (TURNED.test(words)) return null;
  const [comesIn, goesOut2] = [IN.test(words), OUT.test(words)];
  if (comesIn === goesOut2) return null;
  return comesIn ? 1 : -1;
}

// src/core/readings/bank/bankQuestions.ts
function openWays(rows, answers, proven) {
  const plain = rows.map(plainSum2);
  if (proven || plain.some((sum) => sum !== null && sum < 0)) return [];
  const some2 = rows.some((row) => directionOf(row, answers) !== null);
  const isOpen = (row) => (row.amount ?? 0) > 0 && (row.word !== "" || some2) && directionOf(row, answers) === null;
  const open = openWords(rows, (row) => isOpen(row) ? row.word.toLowerCase() : null);
  return open.map(([word, lines]) => ({
    key: `word:${word}`,
    words: `${lines.length === 1 ? "1 line has" : `${lines.length} lines have`} ${word === "" ? "no word" : `\u201C${word}\u201D`} for the way of the money, and no sign. Did it come in or go out?`,
    choices: [
      { answer: "in", result: `line ${lines[0]?.line}: ${sumWords(lines[0], 1)} came in` },
      { answer: "out", result: `line ${lines[0]?.line}: ${sumWords(lines[0], -1)} went out` }
    ]
  }));
}
function againstWords(rows, sums2, answers) {
  if (answers.against !== void 0) return [];
  const ways = rows.map((row2, at2) => (directionOf(row2, answers) ?? 0) * Math.sign(sums2[at2] ?? 0));
  const at = ways.findIndex((way) => way < 0);
  const row = rows[at];
  const sum = sums2[at] ?? 0;
  if (!row || !ways.some((way) => way > 0) || !sums2.some((one) => (one ?? 0) < 0)) return [];
  const count2 = ways.filter((way) => way < 0).length;
  const word = row.word || (row.side === "credit" ? "CR" : "DR");
  return [
    {
      key: "against",
      words: `${count2 === 1 ? "1 line says" : `${count2} lines say`} \u201C${word}\u201D and ${count2 === 1 ? "has" : "have"} a sum of the other sign (first line ${row.line}). Which is right?`,
      choices: [
        {
          answer: "sums",
          result: `the sign: line ${row.line}: ${sumWords(row, Math.sign(sum))}`
        },
        {
          answer: "words",
          result: `the word: line ${row.line}: ${sumWords(row, -Math.sign(sum))}`
        }
      ]
    }
  ];
}
var sumWords = (row, sign) => row ? formatAmount(sign * Math.abs(plainSum2(row) ?? 0), row.currency) : "";
var howMany = (sums2) => sums2 === 1 ? "The only sum of the file has one" : `All ${sums2} sums of the file have the same`;
var signWords = (sums2, { eitherWay = false, mixed = false, coded = false }) => {
  if (coded)
    return "No sum has a sign. Beside them stand codes as banks report them: below 400 came in, above it went out. Is that so here?";
  if (eitherWay)
    return "A bank writes what goes out as debit, a ledger what comes in, and no balance says which this is.";
  return mixed ? "What the lines say goes against the signs of their sums, as on the list of a card, and no balance says which is right." : `${howMany(sums2.length)} sign, and no balance says which way the money went.`;
};
function openSigns(rows, readings, ledgerHeads) {
  const [first2, second] = readings;
  if (!first2 || !second) return [];
  const accounting = rows.some(({ side, word }) => side !== null || isLedgerWord(word));
  if (first2.name === "words" && !accounting) return [];
  const sums2 = first2.sums.filter((sum) => sum !== null && sum !== 0);
  const mixed = sums2.some((sum) => sum > 0) && sums2.some((sum) => sum < 0);
  const eitherWay = ledgerHeads || first2.name === "words";
  const spoken = rows.map(
    ({ description }, at) => (likelyWay(description) ?? 0) * (first2.sums[at] ?? 0)
  );
  const isAgainst2 = spoken.filter((way) => way < 0).length > spoken.filter((way) => way > 0).length;
  const coded = first2.name === "codes";
  if (sums2.length === 0 || mixed && !eitherWay && !isAgainst2 && !coded) return [];
  const sample = rows.find(
    (row, at) => (plainSum2(row) ?? 0) !== 0 && first2.sums[at] !== second.sums[at]
  );
  return [
    {
      key: "signs",
      words: signWords(sums2, { eitherWay, mixed, coded }),
      choices: [first2, second].map(({ name, sums: all }) => {
        const sum = all[rows.findIndex((row) => row === sample)] ?? 0;
        return {
          answer: name,
          result: `line ${sample?.line ?? 0}: ${formatAmount(sum, sample?.currency ?? "USD")} ${sum > 0 ? "came in" : "went out"}`
        };
      })
    }
  ];
}
function firstOpen(rows, reading2, answers) {
  const at = oldestOf(rows, reading2);
  const row = rows[at];
  if (!row || answers.first !== void 0 || (plainSum2(row) ?? 0) === 0) return [];
  return [
    {
      key: "first",
      words: `The balances show which way every sum goes but that of line ${row.line}, as nothing stands before it.`,
      choices: [
        { answer: "in", result: `${sumWords(row, 1)} came in` },
        { answer: "out", result: `${sumWords(row, -1)} went out` }
      ]
    }
  ];
}
function oldestOf(rows, { sums: sums2 }) {
  const [first2, second] = rows;
  if (!first2 || !second || first2.balance === null || second.balance === null) return 0;
  return second.balance - first2.balance === (sums2[1] ?? 0) ? 0 : rows.length - 1;
}
function brokenWords({ line, said: said2, come }, currency) {
  return line === null ? `the file says that it ends with ${formatAmount(said2, currency)}, and its lines come to ${formatAmount(come, currency)}` : `the balance of line ${line} does not follow from what stands before it: ${formatAmount(said2, currency)}, and not ${formatAmount(come, currency)}`;
}
function balanceBroken(found, currency) {
  const words = brokenWords(found, currency);
  return {
    key: "balance",
    words: `${words.slice(0, 1).toUpperCase()}${words.slice(1)}. A line may be missing.`,
    choices: [{ answer: "take", result: "take the lines in as they stand" }]
  };
}

// src/core/readings/bank/sideSigns.ts
var SIDES2 = "sides";
function sidedReadings(rows, answers) {
  if (answers.sides !== void 0) return [];
  const usual = { moneyIn: usualSign(rows, "moneyIn"), moneyOut: usualSign(rows, "moneyOut") };
  const isMixed2 = rows.some(
    (row) => isOther(row, "moneyIn", usual) || isOther(row, "moneyOut", usual)
  );
  if (!isMixed2) return [];
  const sumsBy = (signs) => ({
    name: SIDES2,
    sums: rows.map(
      (row) => row.amount !== null || !row.moneyIn && !row.moneyOut ? plainSum2(row) : signs.moneyIn * (row.moneyIn ?? 0) - signs.moneyOut * (row.moneyOut ?? 0)
    )
  });
  return [sumsBy(usual), sumsBy({ moneyIn: 1, moneyOut: 1 })];
}
function usualSign(rows, side) {
  const signs = rows.map((row) => Math.sign(row[side] ?? 0)).filter((sign) => sign !== 0);
  const most = signs.reduce((sum, sign) => sum + sign, 0) || (signs[0] ?? 1);
  return most < 0 ? -1 : 1;
}
var isOther = (row, side, usual) => Math.sign(row[side] ?? 0) === -usual[side];

// src/core/readings/bank/bankSigns.ts
function bankSigns(rows, answers, { ledgerHeads, stated }) {
  const readings = readingsOf(rows, answers);
  const said2 = readings.filter(({ name }) => answers.signs === void 0 || answers.signs === name);
  const isEither = ledgerHeads && rows.some(({ isOwed }) => isOwed);
  const balancesOf = ({ name }) => isEither && name === "turned" ? mirrored({ rows, stated }) : { rows, stated };
  const checked = said2.map((reading3) => {
    const balances = balancesOf(reading3);
    return { reading: reading3, chain: chainOf(balances.rows, reading3.sums, balances.stated) };
  });
  const byChain = checked.filter(({ chain: chain2 }) => chain2?.breaks === 0);
  const byThemselves = checked.filter(({ reading: reading3 }) => reading3.name !== SIDES2);
  const spoken = byChain.length > 0 ? [] : bySaying(rows, byThemselves);
  const proven = [...byChain, ...spoken];
  const [best2 = checked[0]] = proven;
  const ways = [
    ...openWays(rows, answers, byChain.length > 0),
    ...isEither || proven.length === 0 ? openSigns(
      rows,
      said2.filter(({ name }) => name !== SIDES2),
      ledgerHeads
    ) : []
  ];
  if (!best2)
    return { ...NOTHING_READ, balances: rows.map(({ balance }) => balance), questions: ways };
  const { reading: reading2, chain } = best2;
  const words = spoken.length > 0 ? ["what the lines say goes with the signs of their sums"] : [];
  return {
    sums: reading2.sums.map((sum) => sum === null ? null : minor(sum)),
    balances: withClosing(balancesOf(reading2).rows, chain),
    // What a balance follows from is known once the way of each sum is.
    questions: ways.length > 0 ? ways : [
      ...openBalance(rows, best2, answers),
      ...byChain.length > 0 ? [] : againstWords(rows, reading2.sums, answers)
    ],
    proofs: [...words, ...proofs2(rows, chain)]
  };
}
var NOTHING_READ = { sums: [], proofs: [] };
function withClosing(rows, chain) {
  const balances = rows.map(({ balance }) => balance);
  if (chain?.breaks !== 0 || chain.to === null) return balances;
  const [first2, last2] = [rows[0], rows.at(-1)];
  const latest = (first2?.on ?? "") > (last2?.on ?? "") ? 0 : rows.length - 1;
  return balances.with(latest, balances[latest] ?? minor(chain.to));
}
var mirrored = ({ rows, stated }) => ({
  rows: rows.map((row) => ({ ...row, balance: turned(row.balance) })),
  stated: {
    before: turned(stated.before),
    after: turned(stated.after),
    among: stated.among.map(({ line, balance }) => ({ line, balance: negate(balance) }))
  }
});
var turned = (sum) => sum === null ? null : negate(sum);
var ENOUGH_SAYING = 2;
function bySaying(rows, checked) {
  const spoken = rows.flatMap(({ description }, at) => {
    const way = likelyWay(description);
    return way === null ? [] : [{ way, at }];
  });
  const fits3 = checked.filter(
    ({ reading: reading2 }) => spoken.every(({ way, at }) => Math.sign(reading2.sums[at] ?? 0) === way)
  );
  const signs = new Set(checked[0]?.reading.sums.map((sum) => Math.sign(sum ?? 0)));
  const enough = signs.has(1) && signs.has(-1) ? ENOUGH_SAYING : rows.length;
  return spoken.length >= enough && fits3.length === 1 ? fits3 : [];
}
var openBalance = (rows, { reading: reading2, chain }, answers) => [
  ...reading2.name === "balance" ? firstOpen(rows, reading2, answers) : [],
  ...chain?.firstBreak && answers.balance === void 0 ? [balanceBroken(chain.firstBreak, currencyIn2(rows))] : []
];
function readingsOf(rows, answers) {
  const directed = rows.map((row) => directedSum(row, answers));
  const plain = answers.against === "words" ? directed : rows.map(plainSum2);
  const turned3 = plain.map((sum) => sum === null ? null : -sum);
  const isDirected = rows.some(
    (row, at) => row.side !== null || directionOf(row, answers) !== null && directed[at] !== null
  );
  const oneSided = !plain.some((sum) => sum !== null && sum < 0);
  if (isDirected && oneSided)
    return [
      { name: "words", sums: directed },
      { name: "turned", sums: directed.map((sum) => sum === null ? null : -sum) }
    ];
  const isCoded = oneSided && rows.every(({ coded }) => coded !== null);
  if (isCoded)
    return [
      {
        name: "codes",
        sums: rows.map(({ coded }, at) => (coded ?? 1) * Math.abs(plain[at] ?? 0))
      },
      { name: "signed", sums: plain }
    ];
  const balanced = oneSided ? byBalance(rows, answers) : null;
  return [
    ...balanced ? [{ name: "balance", sums: balanced }] : [],
    { name: "signed", sums: plain },
    ...sidedReadings(rows, answers),
    { name: "turned", sums: turned3 }
  ];
}
var directedSum = (row, answers) => {
  const plain = plainSum2(row);
  const direction = directionOf(row, answers);
  return plain === null || direction === null ? plain : direction * Math.abs(plain);
};
function proofs2(rows, chain) {
  if (!chain) return [];
  const currency = currencyIn2(rows);
  if (chain.firstBreak) return [brokenWords(chain.firstBreak, currency)];
  const to = chain.to === null ? "" : ` to the ${formatAmount(chain.to, currency)} that it ends with`;
  const lines = chain.upTo === rows.length ? `all ${rows.length}` : `${chain.upTo} of ${rows.length}`;
  return [`${lines} lines follow on from ${formatAmount(chain.from, currency)}${to}`];
}
var currencyIn2 = (rows) => rows[0]?.currency ?? "USD";

// src/core/readings/totalWords.ts
var SUMS = ["gross", "net", "amount", "moneyIn", "moneyOut"];
function totalWords(reading2, lines) {
  const sums2 = lines.map(
    (row) => SUMS.map((field) => sumOfCell(reading2, row, field)).find(
      (sum) => sum !== null && sum !== 0
    ) ?? 0
  );
  const [first2] = lines;
  const total = sumOf(sums2, (sum) => sum);
  return `${lines.length} of ${first2 ? formatAmount(total, reading2.currencyOf(first2)) : "0"} together`;
}

// src/core/readings/activity/bothSides.ts
var sidesOf = (reading2, row) => [
  sumOfCell(reading2, row, "moneyIn"),
  sumOfCell(reading2, row, "moneyOut")
];
function movedIn(reading2, row) {
  const [moneyIn, moneyOut] = sidesOf(reading2, row);
  if (moneyIn === null && moneyOut === null) return [null, null];
  const [came, went] = [Math.abs(moneyIn ?? 0), Math.abs(moneyOut ?? 0)];
  const isFee = reading2.cells.file.answers.both === "fee" && came !== 0 && went !== 0;
  return isFee ? [minor(came), minor(went)] : [minor(came - went), null];
}
function bothSidesQuestion(reading2, rows) {
  if (reading2.cells.has("gross") || reading2.cells.file.answers.both !== void 0) return [];
  const both = rows.find((row) => sidesOf(reading2, row).every((sum) => sum !== null && sum !== 0));
  if (!both) return [];
  const [came = 0, went = 0] = sidesOf(reading2, both).map((sum) => Math.abs(sum ?? 0));
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(both));
  return [
    {
      key: "both",
      words: `Line ${both.line} has ${shown2(came)} in and ${shown2(went)} out. Is what goes out its fee?`,
      choices: [
        { answer: "fee", result: `yes: it brings ${shown2(came)} and costs ${shown2(went)}` },
        { answer: "net", result: `no: it moves ${shown2(came - went)} and costs nothing` }
      ]
    }
  ];
}

// src/core/readings/activity/refundsBeside.ts
var givenBack = (reading2, row) => Math.abs(sumOfCell(reading2, row, "refunded") ?? 0);
function refundsAre(reading2, entries) {
  const said2 = reading2.cells.file.answers.refunded;
  if (said2 !== void 0) return said2 === "here" ? "here" : "apart";
  const given = entries.filter((entry) => isGiven(reading2, entry));
  const isLess2 = given.every(
    ({ row, activity }) => withoutRefund(reading2, row, activity) !== activity
  );
  return given.length > 0 && isLess2 && !reading2.cells.has("id") ? "here" : null;
}
var isGiven = (reading2, { row, activity }) => activity.kind === "charge" && givenBack(reading2, row) !== 0;
function sumOfRefund(reading2, row, written) {
  const given = givenBack(reading2, row);
  return given === 0 || (written ?? 0) !== 0 ? written : minor(-given);
}
var isRefundAlone = (reading2, { row, activity }) => (activity.gross ?? 0) === 0 && (activity.fee ?? 0) === 0 && givenBack(reading2, row) !== 0;
var withoutRefunds = (reading2, entries) => entries.map(({ row, activity }) => ({ row, activity: withoutRefund(reading2, row, activity) }));
function withoutRefund(reading2, row, activity) {
  const { gross, fee, net, kind } = activity;
  const given = givenBack(reading2, row);
  if (kind !== "charge" || given === 0 || gross === null || net === null) return activity;
  const before2 = gross - Math.abs(fee ?? 0);
  const isLess2 = net !== before2 && net === before2 - given;
  return isLess2 ? { ...activity, net: minor(before2) } : activity;
}
function refundedQuestion(reading2, entries) {
  const given = entries.filter((entry) => isGiven(reading2, entry));
  const [first2] = given;
  if (!first2 || refundsAre(reading2, entries) !== null) return [];
  const { line, currency } = first2.activity;
  const sum = formatAmount(givenBack(reading2, first2.row), currency);
  return [
    {
      key: "refunded",
      words: `${given.length} ${given.length === 1 ? "charge says" : "charges say"} that something was given back (line ${line}: ${sum}). Do those refunds have lines of their own?`,
      choices: [
        { answer: "apart", result: "yes: the column changes nothing" },
        {
          answer: "here",
          result: `no: each is a refund of its charge, on its day (${sum} on line ${line})`
        }
      ]
    }
  ];
}

// src/core/readings/activity/kindsInText.ts
var movedBy = (reading2, row) => (sumOfCell(reading2, row, "gross") || null) ?? (givenBack(reading2, row) !== 0 ? 0 : null) ?? sumOfCell(reading2, row, "net") ?? movedIn(reading2, row)[0] ?? 0;
function kindsInText(reading2, rows) {
  const { cells } = reading2;
  const none = () => "";
  if (cells.has("kind")) return none;
  const places = placesOf(reading2);
  const named2 = (at) => rows.filter((row) => wordIn(reading2, row, row.cells[at] ?? "") !== "").length;
  const best2 = places.reduce(
    (found, at) => named2(at) > found.count ? { at, count: named2(at) } : found,
    { at: -1, count: 0 }
  );
  if (best2.at < 0) return none;
  return (row) => wordIn(reading2, row, row.cells[best2.at] ?? "");
}
function wordIn(reading2, row, text) {
  if (movedBy(reading2, row) < 0) return takingWord(text);
  const word = kindBegun(text);
  const kind = sureKind(word);
  if (kind === "dispute_won") return word;
  if (!GOES_BACK.has(kind)) return "";
  const words = plainWords(text).split(" ").slice(0, MOST_WORDS2).join(" ");
  return sureKind(words) === null ? words : `${words}, by its text`;
}
var GOES_BACK = /* @__PURE__ */ new Set(["refund", "dispute", "payout"]);
var MOST_WORDS2 = 4;
var placesOf = ({ cells }) => [
  ...cells.unread().flatMap(({ head, at }) => isOfElse2(head) ? [] : [at]),
  ...[cells.file.table.headers.indexOf(cells.head("reference"))].filter((at) => at >= 0)
];
var isOfElse2 = (head) => OF_SOMEBODY2.test(plainWords(head)) || isBack("processor", head) || tellsStanding(head);
var OF_SOMEBODY2 = /\b(?:name|payer|payor|payee|customer|client|company|business|buyer|contact|merchant|member|donor|kunde|cliente?|nom|nombre)\b/;
function takingWord(text) {
  const word = kindBegun(text);
  return ["charge", "started", "dispute_won", null].includes(sureKind(word)) ? "" : word;
}

// src/core/readings/activity/linesAre.ts
var ID_OF = [
  [/\brefund\b/, "refund"],
  [/\b(?:dispute|chargeback|case)\b/, "dispute"],
  [/\b(?:return|reversal)\b/, "ach_return"],
  [/\badjustment\b/, "adjustment"]
];
var ID = /\b(?:id|number|key|reference|case|token)\b/;
var ALONE = /^(?:refund|dispute|chargeback|return|reversal|adjustment)$/;
var areIds = (rows, at) => rows.every((row) => /^(?=.*\d)(?=.*[A-Za-z])[\w-]{2,40}$/.test((row.cells[at] ?? "").trim()));
var OF_SUMS = [
  [/\b(?:refund(?:ed)?|erstattung|remboursement)\b/, "refund"],
  [/\b(?:disputed?|chargeback)\b/, "dispute"],
  [/\b(?:returned|reversed)\b/, "ach_return"],
  [/\b(?:fees?|commissions?|gebuhr(?:en)?|frais)\b/, "fee"],
  [/\bheld\b/, "reserve"]
];
function linesNamed(cells, rows) {
  if (cells.file.kind !== "processor" || cells.has("kind") || rows.length === 0) return null;
  for (const [at, head] of cells.file.table.headers.entries()) {
    const plain = headWords(head);
    const isOfIds = ID.test(plain) || ALONE.test(plain) && areIds(rows, at);
    const kind = isOfIds ? ID_OF.find(([words]) => words.test(plain))?.[1] : void 0;
    if (kind === void 0) continue;
    const ids = rows.map((row) => (row.cells[at] ?? "").trim());
    if (ids.every((id) => id !== "") && new Set(ids).size === ids.length) return { head, kind };
  }
  return null;
}
function sumsNamed(cells, rows) {
  if (cells.file.kind !== "processor" || cells.has("kind") || rows.length === 0) return null;
  const head = cells.head("gross");
  const kind = OF_SUMS.find(([words]) => words.test(headWords(head)))?.[1];
  return kind === void 0 ? null : { head, kind };
}
var namedBy = (cells, rows) => linesNamed(cells, rows) ?? sumsNamed(cells, rows);
var areLinesNamed = (cells, rows) => namedBy(cells, rows) !== null;
var mayBeDisputes = (cells, rows) => namedBy(cells, rows)?.kind === "dispute";
function linesAreQuestion(cells, rows) {
  if (cells.file.answers.lines_are !== void 0) return [];
  const byId = linesNamed(cells, rows);
  const named2 = byId ?? sumsNamed(cells, rows);
  if (named2 === null) return [];
  const { head, kind } = named2;
  const has2 = byId === null ? "a sum" : "an id";
  return [
    {
      key: "lines_are",
      words: `\u201C${head}\u201D has ${has2} on each line, and no column says what the lines are.`,
      choices: [kind, "charge"].map((answer) => ({
        answer,
        result: `${rows.length === 1 ? "it" : `each of the ${rows.length}`} is a ${ROW_KINDS[answer].label}`
      }))
    }
  ];
}
var saidOfLines = (cells) => {
  const said2 = cells.file.answers.lines_are;
  const kinds = [...ID_OF, ...OF_SUMS].map(([, kind]) => kind);
  return [...kinds, "charge"].find((kind) => kind === said2);
};
function idSaid(cells, rows) {
  const said2 = saidOfLines(cells);
  return said2 === void 0 || said2 === "charge" ? null : linesNamed(cells, rows)?.head ?? null;
}

// src/core/readings/lines/titles.ts
var CHARGES = ["charge", "charges"];
var NONE2 = ["none", "no money: they are left out"];
var NOT_YET = ["pending", "no money yet: they are left out until they come as settled"];
var OPEN2 = ["open", "open as they stand"];
var TITLES = {
  processor: [
    {
      words: /\b(?:declin\w+|failed|failures|rejected|void(?:s|ed)?|cancell?ed|test|sandbox|trials?)\b/,
      meanings: [NONE2, CHARGES]
    },
    {
      words: /\b(?:pending|uncaptured|not captured|authori[sz]ations?|auths?|upcoming|scheduled)\b/,
      meanings: [NOT_YET, CHARGES]
    },
    { words: /\b(?:refunds?|refunded)\b/, meanings: [["refund", "refunds"], CHARGES] },
    {
      words: /\b(?:chargebacks?|disputes?|disputed)\b/,
      meanings: [["dispute", "disputes"], CHARGES]
    },
    {
      words: /\b(?:returns|returned|ach returns?)\b/,
      meanings: [["ach_return", "ACH returns"], ["refund", "refunds"], CHARGES]
    },
    {
      words: /^(?:all |list of )?payouts?(?: list| summary| history)?$/,
      meanings: [["payout", "payouts"], CHARGES]
    }
  ],
  invoices: [
    {
      words: /\b(?:draft|drafts|void|voided|cancell?ed|quotes?|quotations?|estimates?|orders?|pro ?forma)\b/,
      meanings: [["void", "none that is owed: they are left out"], OPEN2]
    },
    {
      words: /\b(?:bills?|payables?|vendors?|suppliers?|purchases?|creditors?)\b/,
      meanings: [["void", "what we owe others: they are left out"], OPEN2]
    },
    { words: /\bcredit (?:notes?|memos?)\b/, meanings: [["credit", "credit notes"], OPEN2] },
    {
      words: /^(?!.*\b(?:not|un|part|partly|partially|be)\b).*\b(?:paid|settled|closed)\b/,
      meanings: [["paid", "paid: nothing of them is open"], OPEN2]
    }
  ],
  bank: [
    {
      words: /\b(?:scheduled|pending|upcoming|future|draft|uncleared)\b/,
      meanings: [NOT_YET, ["counts", "booked"]]
    },
    {
      words: /\b(?:rejected|declined|failed|cancell?ed|returned)\b/,
      meanings: [NONE2, ["counts", "booked"]]
    }
  ]
};
var SAYING = {
  processor: ["kind", "status"],
  invoices: ["type", "status"],
  bank: ["status"]
};
var NOT_ONE = /\b(?:all|incl\w*|with|without|exclud\w*|no)\b/;
var MOST_WORDS3 = 6;
var LONGEST3 = 80;
var known5 = /* @__PURE__ */ new WeakMap();
function titleOf(cells) {
  const before2 = known5.get(cells);
  if (before2 !== void 0) return before2;
  const found = newTitle(cells);
  known5.set(cells, found);
  return found;
}
function newTitle(cells) {
  const { kind, table } = cells.file;
  if (table.kind !== void 0 || (SAYING[kind] ?? []).some((field) => cells.has(field)))
    return null;
  const [found] = titleLines(table).flatMap((text) => titledBy(kind, text) ?? []);
  return found ?? titledByDay(cells);
}
function titledBy(kind, text) {
  const plain = plainWords(text);
  if (NOT_ONE.test(plain)) return null;
  const parts = plain.split(/ (?:and|or) /);
  const title = TITLES[kind]?.find(({ words }) => parts.every((part) => words.test(part)));
  return title ? { text, key: `titled:${plain}`, meanings: title.meanings } : null;
}
function titledByDay(cells) {
  const titled = cells.file.kind === "processor" ? titledBy("processor", cells.head("occurredOn")) : null;
  return titled?.meanings.includes(NOT_YET) ? null : titled ?? titledByNext(cells);
}
function titledByNext(cells) {
  const head = cells.file.kind === "processor" ? cells.head("occurredOn") : "";
  const plain = plainWords(head);
  if (!/^next\b|\b(?:upcoming|scheduled for|renews|renewal)\b/.test(plain)) return null;
  return { text: head, key: `titled:${plain}`, meanings: [NOT_YET, CHARGES] };
}
function titleLines({ records = [], headLine = 1, above = [], sheets = [] }) {
  const lines = records.slice(Math.max(0, headLine - 1 - above.length), Math.max(0, headLine - 1));
  const sheet = sheets.find((one) => one.headLine === headLine);
  return [...lines, ...sheet ? [[sheet.name]] : []].map((cells) => cells.filter((cell) => cell.trim() !== "")).flatMap((cells) => cells.length === 1 ? cells : []).map(
    (text) => text.replace(/[\d/.,–-]+/g, " ").replace(/\s+/g, " ").trim()
  ).filter((text) => text !== "" && text.length <= LONGEST3 && !text.includes(":")).filter((text) => text.split(" ").length <= MOST_WORDS3);
}
function titleQuestion(cells, rows) {
  const title = titleOf(cells);
  if (title === null || rows.length === 0 || cells.file.answers[title.key] !== void 0) return [];
  const lines = rows.length === 1 ? "its line" : `each of its ${rows.length} lines`;
  return [
    {
      key: title.key,
      words: `The list is headed \u201C${title.text.slice(0, 60)}\u201D, and none of its columns says what its lines are.`,
      choices: title.meanings.map(([answer, words]) => ({ answer, result: `${lines}: ${words}` }))
    }
  ];
}
function saidByTitle(cells) {
  const title = titleOf(cells);
  return title === null ? void 0 : cells.file.answers[title.key];
}

// src/core/readings/activity/tenders.ts
var BESIDE3 = /^(cash|check|cheque|paper check|money order|gift ?cards?|gift certificate|store credit|voucher|coupon|bar|barzahlung|especes|cheques|efectivo|contanti|contant|on account|house account|charge account|manual|external|offline|other|other tender|trade|barter|points|loyalty|comp|cash on delivery|cod|bank deposit|bank transfer|wire|wire transfer|invoice|(?:.* )?pay later|invoice .*)$/;
var isBesideHead = (head) => BESIDE3.test(plainWords(head)) && !OF_INVOICE.test(plainWords(head));
var OF_INVOICE = /^invoice (?:.* )?(?:amount|total|date|day|number|no|id|ref|reference|balance)$/;
function isBeside(reading2, row) {
  const { cells } = reading2;
  const word = wordOf(reading2, row);
  if (word === "" || !BESIDE3.test(plainWords(word))) return false;
  return (sumOfCell(reading2, row, "fee") ?? 0) === 0 && cells.of(row, "payoutId") === "";
}
function wordOf(reading2, row) {
  const words = reading2.cells.of(row, "method").toLowerCase().split(" ");
  const isNumbered = words.length > 1 && /^#?\d/.test(words.at(-1) ?? "");
  return (isNumbered ? words.slice(0, -1) : words).join(" ");
}
var isElsewhere = (reading2, row) => isBeside(reading2, row) && reading2.cells.file.answers[`tender:${wordOf(reading2, row)}`] === "elsewhere";
function tenderQuestions(reading2, rows) {
  const { answers } = reading2.cells.file;
  const open = openWords(rows, (row) => {
    const word = wordOf(reading2, row);
    return isBeside(reading2, row) && answers[`tender:${word}`] === void 0 ? word : null;
  });
  return open.map(([word, lines]) => {
    const total = totalWords(reading2, lines);
    return {
      key: `tender:${word}`,
      words: `${lines.length} ${lines.length === 1 ? "line was" : "lines were"} paid by \u201C${word}\u201D, first line ${lines[0]?.line ?? 0}. Did that money go through this processor?`,
      choices: [
        { answer: "elsewhere", result: `no: ${total} left out` },
        { answer: "here", result: `yes: ${total} are taken in` }
      ]
    };
  });
}

// src/core/readings/activity/unnamedRows.ts
var TAKING = [
  "refund",
  "payout",
  "fee",
  "dispute",
  "ach_return",
  "adjustment",
  "ignore"
];
function unnamedKind(reading2, row) {
  if (reading2.cells.file.answers.payouts === "payout") return "payout";
  const ofAll = saidOfLines(reading2.cells) ?? kindByTitle(reading2.cells);
  if (ofAll !== void 0 && ofAll !== "charge") return ofAll;
  if (!takes(reading2, row)) return "charge";
  const said2 = reading2.cells.file.answers.negatives;
  return said2 !== void 0 && TAKING.includes(said2) ? said2 : "charge";
}
var kindByTitle = (cells) => {
  const said2 = saidByTitle(cells);
  return TAKING.find((kind) => kind === said2);
};
var takes = (reading2, row) => movedBy(reading2, row) < 0;
function takingQuestion(reading2, rows, wordOf2) {
  const { cells } = reading2;
  const isSaid2 = kindByTitle(cells) !== void 0 || titleQuestion(cells, rows).length > 0;
  if (cells.file.answers.negatives !== void 0 || isSaid2 || areLinesNamed(cells, rows)) return [];
  const open = rows.filter((row) => wordOf2(row) === "" && takes(reading2, row));
  const [first2] = open;
  if (!first2) return [];
  const sum = formatAmount(movedBy(reading2, first2), reading2.currencyOf(first2));
  return [
    {
      key: "negatives",
      words: `${open.length === 1 ? "1 line takes" : `${open.length} lines take`} money (line ${first2.line}: ${sum}), and no column says what that is.`,
      choices: TAKING.map((kind) => ({
        answer: kind,
        result: kind === "ignore" ? "none of this: left out" : ROW_KINDS[kind].label
      }))
    }
  ];
}
var OF_PAYMENTS2 = ["kind", "payerName", "payerEmail", "relatedId", "brand"];
var OF_PAYOUTS = /\b(?:payouts?|paid out|arriv(?:al|ed|es)|to (?:the |your )?bank|deposit(?:s|ed)?|disburse(?:d|ment)s?|fund(?:ed|ing)|transfer(?:red|s)?|remitted|auszahlung(?:en|s\w*)?|virements?|transferencias?|uitbetaling(?:en)?|bonific[oi])\b/;
var OF_PAYMENT3 = /^(?:order|charge|payment|transaction|txn|trans|invoice|receipt|sale)s?(?: (?:id|no|number|ref|reference|key|name))?$/;
function payoutsQuestion(reading2, rows) {
  const { cells } = reading2;
  const [first2] = rows;
  const isSaid2 = cells.file.answers.payouts !== void 0 || saidOfLines(cells) !== void 0;
  if (isSaid2 || !first2 || OF_PAYMENTS2.some((field) => cells.column(rows, field).length > 0))
    return [];
  const named2 = cells.column(rows, "payoutId");
  if (named2.length > 0 ? !isEachItsOwn(cells, rows, named2) : !speaksOfPayouts(cells, rows))
    return [];
  const sum = formatAmount(movedBy(reading2, first2), reading2.currencyOf(first2));
  return [
    {
      key: "payouts",
      words: `${named2.length > 0 ? "Each line names a payout of its own, and nothing" : "Nothing"} says what was paid by whom (line ${first2.line}: ${sum}). Are the lines payouts, or payments of customers?`,
      choices: [
        { answer: "payout", result: "payouts: what the processor sent to the bank" },
        { answer: "charge", result: "payments of customers" }
      ]
    }
  ];
}
var isEachItsOwn = (cells, rows, named2) => named2.length === rows.length && new Set(named2).size === named2.length && cells.column(rows, "id").length === 0 && new Set(cells.column(rows, "reference")).size <= 1;
function speaksOfPayouts(cells, rows) {
  const heads = cells.file.table.headers.map((head) => headWords(head));
  return heads.some((head) => OF_PAYOUTS.test(head)) && !heads.some((head) => OF_PAYMENT3.test(head)) && !cells.column(rows, "reference").some((text) => new RegExp("\\p{L}{3}", "u").test(text));
}

// src/core/readings/activity/moneyRows.ts
function moneyOf(reading2, rows, wordOf2) {
  const leftOut = [];
  const ended = [];
  const found = [];
  for (const row of rows) {
    const word = wordOf2(row);
    const state = stateOf2(reading2, row, word);
    const kind = kindOf(reading2, row, word, state);
    if (kind === "no_money" || state === "none") {
      leftOut.push({ line: row.line, why: "no_money" });
      ended.push(...endedRow(reading2.cells, row, kind));
    } else if (isElsewhere(reading2, row)) leftOut.push({ line: row.line, why: "not_ours" });
    else if (kind === "not_yet") leftOut.push({ line: row.line, why: "not_yet" });
    else if (kind === "ignore") leftOut.push({ line: row.line, why: "not_ours" });
    else found.push({ row, kind });
  }
  return { found, leftOut, ended };
}
function kindOf(reading2, row, word, state) {
  const said2 = reading2.cells.file.answers[`word:${word.toLowerCase()}`];
  const kind = said2 ?? (word === "" ? unnamedKind(reading2, row) : kindByWord(reading2, row, word) ?? unsureKind(word));
  if (kind === "charge" && (isRefundSaid(reading2, row) || isRefundWithFee(reading2, row)))
    return "refund";
  if (state !== "pending") return kind;
  const method = plainWords(`${reading2.cells.of(row, "method")} ${word}`);
  return kind === "charge" && BY_BANK.test(method) ? "started" : "not_yet";
}
var isRefundSaid = (reading2, row) => stateSaid(reading2, row) === "refund" || headsUsedAs(reading2, "refund").some(
  (head) => wasTakenBack((row.cells[reading2.cells.file.table.headers.indexOf(head)] ?? "").trim())
);
function isRefundWithFee(reading2, row) {
  const sum = (field) => sumOfCell(reading2, row, field) ?? 0;
  const isUnnamed = reading2.cells.of(row, "kind") === "";
  return isUnnamed && sum("gross") === 0 && sum("refunded") !== 0 && sum("fee") !== 0;
}
function kindByWord({ cells }, row, word) {
  const kind = sureKind(word);
  if (kind !== null || !isReturnWord(word)) return kind;
  const isDebit = BY_BANK.test(plainWords(`${cells.of(row, "method")} ${cells.of(row, "brand")}`));
  return isDebit || cells.of(row, "returnCode") !== "" ? "ach_return" : null;
}
var BY_BANK = /\b(ach|bank|echeck|direct debit|sepa)\b/;
var unsureKind = (word) => {
  const state = sureState(word);
  if (state === "none") return "no_money";
  return guessRowKind(word) ?? "ignore";
};
var stateSaid = ({ cells }, row) => cells.file.answers[`state:${cells.of(row, "status").toLowerCase()}`];
function stateOf2(reading2, row, kindWord) {
  const { cells } = reading2;
  const word = cells.of(row, "status");
  if (word === "") return kindWord === "" ? stateByTitle(cells) : "counts";
  const said2 = stateSaid(reading2, row);
  if (said2 === "none" || said2 === "pending") return said2;
  return said2 === void 0 ? sureState(word) ?? "counts" : "counts";
}
function stateByTitle(cells) {
  const said2 = saidByTitle(cells);
  return said2 === "none" || said2 === "pending" ? said2 : "counts";
}

// src/core/readings/activity/returnedBeside.ts
var RETURN_DAY = /^(?:ach )?(?:return(?:ed)? (?:date|day|on|at|settlement date)|date returned|day returned)$/;
var STATE_DAY = /^(?:status|state|last status|last update|updated) (?:date|day|on|at)$/;
var MAY_BE_BACK = /^(?:nsf|r\d\d|return(?:ed)?|bounced|dishonou?red|unpaid|reversed)\b/;
var CAME_BACK = "came_back";
var CODE4 = /^R\d\d\b/i;
var returnDayColumn = (cells) => cells.file.kind === "processor" ? cells.unread().find(({ head }) => RETURN_DAY.test(plainWords(head))) : void 0;
var stateDayColumn = (cells) => cells.unread().find(({ head }) => STATE_DAY.test(plainWords(head)));
function cameBack(cells, row) {
  const column = returnDayColumn(cells);
  if (column === void 0) return false;
  const kind = cells.of(row, "kind");
  const isDebit = kind === "" || sureKind(kind) === "charge" || sureKind(kind) === "started";
  return isDebit && isReturnWord(cells.of(row, "status")) && CODE4.test(cells.of(row, "returnCode")) && writtenDay((row.cells[column.at] ?? "").trim()) !== null;
}
var isSaidBack = (cells, row) => cells.file.answers[`state:${cells.of(row, "status").toLowerCase()}`] === CAME_BACK;
function dayOfReturn(reading2, row) {
  const { cells, daysOf: daysOf2 } = reading2;
  if (!cameBack(cells, row) && !isSaidBack(cells, row)) return null;
  const days3 = [returnDayColumn(cells), stateDayColumn(cells)].flatMap((column) => {
    const written = writtenDay((row.cells[column?.at ?? -1] ?? "").trim());
    return (written && dayUnder(written, daysOf2("occurredOn"))) ?? [];
  });
  return days3[0] ?? dayOfCell(reading2, row, "occurredOn");
}
function cameBackChoice(reading2, word, lines) {
  const [first2] = lines;
  if (!first2 || !MAY_BE_BACK.test(plainWords(word))) return [];
  const { cells } = reading2;
  const said2 = { ...cells.file.answers, [`state:${word}`]: CAME_BACK };
  const asSaid2 = { ...reading2, cells: new Cells({ ...cells.file, answers: said2 }) };
  const on = dayOfReturn(asSaid2, first2);
  const day = on === null ? "" : `, line ${first2.line} on ${formatDay(on, reading2.today)}`;
  return [
    {
      answer: CAME_BACK,
      result: `it came and came back: ${totalWords(reading2, lines)}, and as ACH returns${day}`
    }
  ];
}
function returnedRow(reading2, { row, activity }) {
  const on = dayOfReturn(reading2, row);
  const { id, currency, line, kind, gross } = activity;
  if (on === null || kind !== "charge" || gross === null) return [];
  const {
    payerName = "",
    payerEmail = "",
    reference = "",
    method = ""
  } = plainFields(reading2, row);
  return [
    {
      line,
      fields: {
        ...{ payerName, payerEmail, reference, method, currency },
        kind: "ach_return",
        id: id === "" ? "" : `${id} return`,
        relatedId: id,
        occurredOn: on,
        settledOn: on,
        gross: inText(minor(-Math.abs(gross)), currency),
        returnCode: reading2.cells.of(row, "returnCode")
      }
    }
  ];
}

// src/core/readings/activity/processorQuestions.ts
function wordQuestions(reading2, rows, wordOf2) {
  const { answers } = reading2.cells.file;
  const isSure = (row, word) => word === "" || kindByWord(reading2, row, word) !== null || sureState(word) === "none" && !bringsBack(reading2, row, word);
  const open = openWords(rows, (row) => {
    const word = wordOf2(row).toLowerCase();
    return isSure(row, word) || answers[`word:${word}`] !== void 0 ? null : word;
  });
  return open.map(([word, lines]) => {
    const total = totalWords(reading2, lines);
    return {
      key: `word:${word}`,
      words: `${lines.length} ${lines.length === 1 ? "line is" : "lines are"} \u201C${word}\u201D, first line ${lines[0]?.line ?? 0}. What is that?`,
      choices: choicesFor(word, takesMoney(reading2, lines)).map((kind) => ({
        answer: kind,
        result: `${ROW_KINDS[kind].label}: ${total}`
      }))
    };
  });
}
function bringsBack(reading2, row, word) {
  const namesNone = reading2.cells.of(row, "payoutId") === "";
  const sums2 = ["gross", "net"].map((field) => sumOfCell(reading2, row, field) ?? 0);
  return /\bpayout\b/.test(plainWords(word)) && namesNone && sums2.some((sum) => sum !== 0);
}
var takesMoney = (reading2, lines) => lines.every((row) => movedBy(reading2, row) < 0);
var TO_BANK2 = /\b(?:transfer|bank|withdrawal|deposit|settlement|sent|disburse\w*)\b/;
var BRINGING = ["charge", "started", "dispute_won"];
var TURNED2 = /\b(?:revers\w*|void\w*|undo|undone|taken back|cancel\w*)\b/;
var AGREED_ALONE = /\b(?:auth|authori[sz]ations?|pre ?auth\w*|reservations?|verification|verify)\b/;
function choicesFor(word, takes2) {
  const isBack2 = isReturnWord(word) || TURNED2.test(plainWords(word));
  const guess = isBack2 && !/\b(?:dispute|chargeback|payout|fee)\b/.test(word) ? "refund" : guessRowKind(word);
  if (AGREED_ALONE.test(plainWords(word))) return firstOf(["ignore"], ROW_KIND_NAMES);
  if (!takes2) return guess ? firstOf([guess], ROW_KIND_NAMES) : [...ROW_KIND_NAMES];
  const likely2 = [
    ...guess !== void 0 && !BRINGING.includes(guess) ? [guess] : [],
    ...TO_BANK2.test(plainWords(word)) ? ["payout"] : [],
    ...TAKING.filter((kind) => kind !== "ignore")
  ];
  const rest = ROW_KIND_NAMES.filter((kind) => !BRINGING.includes(kind));
  return firstOf(likely2, [...rest, ...BRINGING]);
}
var firstOf = (first2, all) => [
  .../* @__PURE__ */ new Set([...first2, ...all])
];
var GIVEN_BACK2 = /\bcredit(?:ed)?\b|^refund\b|^revers(?:al|ed)$/;
var wasGivenBack = (reading2, row, word) => /\brefunded\b/.test(plainWords(word)) && (sumOfCell(reading2, row, "refunded") ?? 0) !== 0;
function stateQuestions(reading2, rows) {
  const { cells } = reading2;
  const ofDisputes = mayBeDisputes(cells, rows);
  const isSureState = (word) => sureState(word) !== null && !(ofDisputes && /\bwon\b/.test(word));
  const open = openWords(rows, (row) => {
    const word = cells.of(row, "status").toLowerCase();
    const isSure = word === "" || isSureState(word) || wasGivenBack(reading2, row, word) || cameBack(cells, row);
    return isSure || cells.file.answers[`state:${word}`] !== void 0 ? null : word;
  });
  return open.map(([word, lines]) => ({
    key: `state:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "line stands" : "lines stand"} as \u201C${word}\u201D. Is that money?`,
    choices: [
      { answer: "counts", result: `yes: ${totalWords(reading2, lines)} are taken in` },
      ...GIVEN_BACK2.test(plainWords(word)) ? [{ answer: "refund", result: `it went back: ${totalWords(reading2, lines)} as refunds` }] : [],
      ...cameBackChoice(reading2, word, lines),
      { answer: "none", result: "no: they are left out" },
      { answer: "pending", result: "not yet: they are left out until they come as settled" }
    ]
  }));
}

// src/core/readings/bank/codedWays.ts
var HEAD2 = /\b(?:code|bai|type|tran|trans|transaction)\b/;
var CREDIT2 = /^[123]\d\d$/;
var DEBIT = /^[456]\d\d$/;
function waysByCode(cells, rows) {
  const heads = cells.file.table.headers.entries();
  for (const [at, head] of heads) {
    if (!HEAD2.test(plainWords(head))) continue;
    const codes = rows.map((row) => (row.cells[at] ?? "").trim());
    const areAll = codes.every((code) => CREDIT2.test(code) || DEBIT.test(code));
    if (areAll && codes.some((code) => CREDIT2.test(code)) && codes.some((code) => DEBIT.test(code)))
      return (row) => CREDIT2.test((row.cells[at] ?? "").trim()) ? 1 : -1;
  }
  return () => null;
}

// src/core/readings/bank/severalMoved.ts
function severalMoved(reading2, rows) {
  if (reading2.cells.has("amount") || reading2.cells.file.answers.both !== void 0) return [];
  const sumsOf4 = (row) => ["moneyIn", "moneyOut"].map((field) => Math.abs(sumOfCell(reading2, row, field) ?? 0));
  const both = rows.filter((row) => sumsOf4(row).every((sum) => sum !== 0));
  const [first2] = both;
  if (!first2) return [];
  const [came = 0, went = 0] = sumsOf4(first2);
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(first2));
  return [
    {
      key: "both",
      words: `${both.length === 1 ? "1 line has" : `${both.length} lines have`} money in and money out (line ${first2.line}: ${shown2(came)} and ${shown2(went)}): each stands for several movements. A statement with every movement is needed to match them.`,
      choices: [
        {
          answer: "net",
          result: `what is left of each: ${shown2(came - went)} on line ${first2.line}`
        }
      ]
    }
  ];
}

// src/core/readings/lines/parts/splits.ts
var MOST_PARTS = 50;
function splitsIn(lines, sumOf4, isPart2) {
  const splits = [];
  for (let at = 0; at < lines.length; at += 1) {
    const whole3 = lines[at];
    const count2 = partsBelow(lines, at, { sumOf: sumOf4, isPart: isPart2 });
    if (count2 > 0) splits.push({ whole: whole3, parts: lines.slice(at + 1, at + 1 + count2) });
    at += count2;
  }
  return splits;
}
function partsBelow(lines, at, {
  sumOf: sumOf4,
  isPart: isPart2
}) {
  const whole3 = lines[at];
  let left = sumOf4(whole3);
  const end = Math.min(lines.length - 1, at + MOST_PARTS);
  for (let below = at + 1; below <= end; below += 1) {
    const line = lines[below];
    const part = sumOf4(line);
    if (part === 0 || !isPart2(whole3, line)) return 0;
    left -= part;
    if (left === 0) return below === at + 1 ? 0 : below - at;
  }
  return 0;
}
function splitQuestion(splits, shown2) {
  const [first2] = splits;
  if (!first2) return [];
  const count2 = splits.reduce((all, { parts }) => all + parts.length, 0);
  const [some2, more] = [first2.parts.slice(0, 4).map(shown2), first2.parts.length > 4];
  return [
    {
      key: "split",
      words: `${count2} lines come to the sum of the line above them (line ${first2.whole.line}: ${shown2(first2.whole)} is ${some2.join(" and ")}${more ? " and others" : ""}). Are they what it is made of?`,
      choices: [
        { answer: "leave", result: `yes: ${count2} lines left out, the sum counts once` },
        { answer: "count", result: "no: every line counts by itself" }
      ]
    }
  ];
}

// src/core/readings/bank/splitLines.ts
var AS_ONE = /\b(?:total|deposit|lockbox|batch|split)\b/i;
var isLikePart = (whole3, line) => (line.balance === null || line.balance === whole3.balance) && (line.on === null || line.on === whole3.on) && (whole3.balance !== null || AS_ONE.test(whole3.description) || isSameWords(whole3.description, line.description));
function isSameWords(one, other) {
  const [a, b] = [one, other].map((text) => text.trim().toLowerCase().split(/\s+/));
  return a.every((word) => b.includes(word)) || b.every((word) => a.includes(word));
}
function splitLines(lines, answers, isBroken2) {
  const splits = splitsIn(lines, (line) => plainSum2(line) ?? 0, isLikePart);
  const all = { out: /* @__PURE__ */ new Set(), questions: [], proofs: [] };
  if (splits.length === 0 || answers.split === "count") return all;
  const out = new Set(splits.flatMap(({ parts }) => parts.map(({ line }) => line)));
  const isOut = isBroken2(lines) && !isBroken2(lines.filter(({ line }) => !out.has(line)));
  if (answers.split === "leave" || isOut)
    return { ...all, out, proofs: isOut ? [provenWords(out.size)] : [] };
  if (!isBroken2(lines) && splits.every((split2) => isBetween(lines, split2))) return all;
  const shown2 = (line) => formatAmount(plainSum2(line) ?? 0, line.currency);
  return { ...all, out, questions: splitQuestion(splits, shown2) };
}
var provenWords = (count2) => `by the balances, ${count2} lines say what the line above them is made of`;
var isBetween = (lines, { whole: whole3, parts }) => whole3.balance !== null && lines.slice(lines.indexOf(whole3) + parts.length + 1).some(({ balance }) => balance !== null);

// src/core/readings/bank/wordedLines.ts
var MAYBE2 = /pending|not yet/i;
var PENDING = /^pending\b|\bpending$|\bnot yet (?:posted|booked)\b/;
var saysPending = ({ cells }, row) => !cells.has("status") && MAYBE2.test(cells.of(row, "description")) && PENDING.test(plainWords(cells.of(row, "description")));
var isOnItsWay = (reading2, row) => saysPending(reading2, row) && reading2.cells.file.answers.pending !== "booked";
function wordedQuestions(reading2, rows) {
  const { answers } = reading2.cells.file;
  const pending = rows.filter((row) => saysPending(reading2, row));
  const [first2] = pending;
  return [
    ...first2 && answers.pending === void 0 ? [pendingQuestion(reading2, first2, pending.length)] : [],
    ...answers.sides === void 0 ? sidesQuestions(reading2, rows) : []
  ];
}
var pendingQuestion = ({ cells }, row, count2) => ({
  key: "pending",
  words: `${count2 === 1 ? "1 line says" : `${count2} lines say`} \u201Cpending\u201D in its words (line ${row.line}: ${cells.of(row, "description").slice(0, 40)}). Is that booked?`,
  choices: [
    { answer: "not_yet", result: `no: ${count2} left out until they come as booked` },
    { answer: "booked", result: `yes: ${count2} taken in` }
  ]
});
function sidesQuestions(reading2, rows) {
  const side = ["moneyOut", "moneyIn"].find((field) => isMixed(reading2, rows, field));
  if (side === void 0 || reading2.cells.has("balance")) return [];
  const odd = rows.find((row) => isOdd(reading2, rows, { row, field: side }));
  if (!odd) return [];
  const sum = formatAmount(Math.abs(sumOfCell(reading2, odd, side) ?? 0), reading2.currencyOf(odd));
  const [same2, other] = side === "moneyOut" ? ["went out", "came back"] : ["came in", "went back"];
  return [
    {
      key: "sides",
      words: `\u201C${reading2.cells.head(side)}\u201D has sums with and without a minus, and no balance says what that means (line ${odd.line}).`,
      choices: [
        { answer: "signed", result: `line ${odd.line}: ${sum} ${other}` },
        { answer: "sizes", result: `line ${odd.line}: ${sum} ${same2}, as all of its side` }
      ]
    }
  ];
}
var signsOf = (reading2, rows, field) => rows.map((row) => Math.sign(sumOfCell(reading2, row, field) ?? 0)).filter((sign) => sign !== 0);
function isMixed(reading2, rows, field) {
  const signs = new Set(signsOf(reading2, rows, field));
  return signs.has(1) && signs.has(-1);
}
function usualSign2(reading2, rows, field) {
  const signs = signsOf(reading2, rows, field);
  return Math.sign(signs.reduce((sum, sign) => sum + sign, 0)) || (signs[0] ?? 1);
}
var isOdd = (reading2, rows, { row, field }) => Math.sign(sumOfCell(reading2, row, field) ?? 0) === -usualSign2(reading2, rows, field);
function turnedLines(reading2, rows) {
  if (reading2.cells.file.answers.sides !== "signed") return /* @__PURE__ */ new Set();
  const lines = ["moneyOut", "moneyIn"].flatMap(
    (field) => isMixed(reading2, rows, field) ? rows.filter((row) => isOdd(reading2, rows, { row, field })).map(({ line }) => line) : []
  );
  return new Set(lines);
}

// src/core/readings/bank/bankTable.ts
var LEDGER_HEAD = /^(debit|credit|dr|cr|debits|credits|soll|haben|debe|haber|dare|avere|debit amount|credit amount)$/;
var whole = (parts) => [...new Set(parts.filter((part) => part !== void 0 && part !== ""))].join(" ");
var WORKED_OUT = /* @__PURE__ */ new Set(["amount", "moneyIn", "moneyOut", "balance", "direction", "status"]);
var textOf = (reading2, row, sums2) => Object.fromEntries(
  Object.entries(sums2).flatMap(
    ([field, sum]) => sum === null || sum === void 0 ? [] : [[field, inText(sum, reading2.currencyOf(row))]]
  )
);
function balanceOf2(reading2, row) {
  const balance = sumOfCell(reading2, row, "balance");
  const isOwed = writtenSum(reading2.cells.of(row, "balance"))?.side === "debit";
  return { balance: isOwed && balance !== null ? minor(-Math.abs(balance)) : balance, isOwed };
}
function bookedOf(reading2, rows) {
  const { cells } = reading2;
  const leftOut = [];
  const kept = rows.filter((row) => {
    const state = cells.of(row, "status");
    const said2 = cells.file.answers[`state:${state.toLowerCase()}`];
    const titled = state === "" ? saidByTitle(cells) : void 0;
    const means = said2 ?? titled ?? sureState(state) ?? "counts";
    if (means === "none") leftOut.push({ line: row.line, why: "no_money" });
    const isWaiting = means === "pending" || means === "counts" && isOnItsWay(reading2, row);
    if (isWaiting) leftOut.push({ line: row.line, why: "not_yet" });
    return means === "counts" && !isWaiting;
  });
  return { kept, leftOut };
}
function writtenRows(reading2, rows) {
  const { cells } = reading2;
  const turned3 = turnedLines(reading2, rows);
  const sideOf2 = (row, field, other) => sumOfCell(reading2, row, turned3.has(row.line) ? other : field);
  const wayByCode = waysByCode(cells, rows);
  const written = rows.map((row) => ({
    line: row.line,
    on: dayOfCell(reading2, row, "postedOn"),
    currency: reading2.currencyOf(row),
    amount: sumOfCell(reading2, row, "amount"),
    side: writtenSum(cells.of(row, "amount"))?.side ?? null,
    moneyIn: sideOf2(row, "moneyIn", "moneyOut"),
    moneyOut: sideOf2(row, "moneyOut", "moneyIn"),
    ...balanceOf2(reading2, row),
    description: `${cells.of(row, "payerName")} ${cells.of(row, "description")}`,
    word: cells.of(row, "direction") || reading2.wayOf(row),
    coded: wayByCode(row)
  }));
  return cells.has("moneyOut") ? sidedBalances(reading2, rows, written) : written;
}
function bankTable(reading2, rows) {
  const { cells } = reading2;
  const { kept, leftOut } = bookedOf(reading2, rows);
  const more = otherWords(cells);
  const statement = writtenRows(reading2, kept);
  const ledgerHeads = cells.has("moneyOut") && !areEffects(statement) && ["moneyIn", "moneyOut"].every((field) => LEDGER_HEAD.test(headWords(cells.head(field))));
  const stated = statedBalances(reading2, kept);
  const signsOf3 = (lines) => bankSigns(lines, cells.file.answers, { ledgerHeads, stated });
  const split2 = splitLines(statement, cells.file.answers, (lines) => isBroken(signsOf3(lines)));
  const counted2 = kept.filter(({ line }) => !split2.out.has(line));
  const signs = signsWithFees(reading2, {
    rows: counted2,
    lines: statement.filter(({ line }) => !split2.out.has(line)),
    signsOf: signsOf3
  });
  return {
    rows: counted2.map((row, at) => {
      const [sum, balance] = [signs.sums[at], signs.balances[at]];
      const fields = plainFields(reading2, row, WORKED_OUT);
      return {
        line: row.line,
        fields: {
          ...fields,
          description: whole([fields.payerName, fields.description, ...more(row)]),
          ...textOf(reading2, row, { amount: sum, balance })
        }
      };
    }),
    leftOut: [...leftOut, ...[...split2.out].map((line) => ({ line, why: "part" }))],
    refused: [],
    questions: [
      ...split2.questions,
      ...titleQuestion(cells, rows),
      ...stateQuestions(reading2, rows),
      ...wordedQuestions(reading2, rows),
      ...severalMoved(reading2, kept),
      ...signs.questions
    ],
    proofs: [...signs.proofs, ...split2.proofs]
  };
}

// src/core/readings/personName.ts
var OF = "(?:(?:customer|client|payer|billing|contact|buyer|cardholder|card holder|donor) )?";
var FIRST = new RegExp(`^${OF}(?:first(?: name)?|given name|vorname|prenom|nombre)$`);
var LAST = new RegExp(
  `^${OF}(?:last(?: name)?|surname|family name|nachname|nom de famille|apellidos?|cognome)$`
);
function personName(cells) {
  const places = [FIRST, LAST].map(
    (words) => cells.file.table.headers.findIndex((head) => words.test(plainWords(head)))
  );
  if (places.some((at) => at < 0)) return () => "";
  return (row) => places.map((at) => (row.cells[at] ?? "").trim()).join(" ").trim();
}

// src/core/readings/customerTable.ts
function customerTable(reading2, rows) {
  const { cells } = reading2;
  const person = personName(cells);
  const byName2 = !cells.has("externalId");
  const [first2] = rows;
  return {
    rows: rows.map((row) => ({
      line: row.line,
      fields: {
        name: person(row),
        ...plainFields(reading2, row),
        ...byName2 ? { externalId: cells.of(row, "name") } : {}
      }
    })),
    leftOut: [],
    refused: [],
    questions: [
      ...codesQuestion(cells.file),
      ...byName2 && first2 && cells.file.answers.number === void 0 ? [
        {
          key: "number",
          words: "No column numbers the customers.",
          choices: [
            {
              answer: "name",
              result: `their names are their numbers: line ${first2.line} is \u201C${cells.of(first2, "name").slice(0, 40)}\u201D`
            }
          ]
        }
      ] : []
    ],
    proofs: []
  };
}

// src/core/readings/days/likeliestOrder.ts
var MUCH_LONGER = 4;
var SHORT = 3;
function likeliestFirst(left, cells) {
  if (left.length < 2) return left;
  const hasPoints = cells().some((cell) => /^\d{1,2}\.\d{1,2}\.(?:\d\d){1,2}\b/.test(cell.trim()));
  const weight = ({ order, columns }) => {
    if (hasPoints) return order === "dmy" ? 0 : 1;
    const shortest = Math.min(...left.map(lengthOf));
    return lengthOf({ order, columns }) > MUCH_LONGER * Math.max(shortest, SHORT) ? 1 : 0;
  };
  return [...left].sort((a, b) => weight(a) - weight(b));
}
function lengthOf({ columns: [main = []] }) {
  const days3 = main.flatMap((day) => day ?? []).sort();
  const [first2, last2] = [days3[0], days3.at(-1)];
  return first2 === void 0 || last2 === void 0 ? 0 : daysBetween(first2, last2);
}

// src/core/readings/days/orderQuestion.ts
var ORDER_WORDS = {
  mdy: "month, day, year",
  dmy: "day, month, year",
  yy: "year, month, day"
};
function orderQuestion(columns, candidates, { context: { today }, cellsOf }) {
  const [first2] = candidates;
  const found = (first2?.columns ?? []).flatMap((days3, column) => days3.map((day, nth) => ({ day, column, nth }))).find(
    ({ day, column, nth }) => candidates.some((other) => other.columns[column]?.[nth] !== day)
  );
  const field = found && columns[found.column]?.field;
  const sample = (found && cellsOf(field ?? "")[found.nth]) ?? "A date";
  const inWords4 = (day) => day ? formatDay(day, today) : "no day";
  return {
    key: "days",
    words: `${sample} can be ${candidates.map(({ columns: days3 }) => inWords4(found && days3[found.column]?.[found.nth])).join(" or ")}. Which comes first?`,
    choices: candidates.map(({ order, columns: days3 }) => {
      const all = days3.flat().flatMap((day) => day ?? []);
      const sorted2 = [...all].sort();
      return {
        answer: order,
        result: `${ORDER_WORDS[order]}: days from ${inWords4(sorted2[0])} to ${inWords4(sorted2.at(-1))}`
      };
    })
  };
}

// src/core/readings/days/turnedDays.ts
var MONTHS = 12;
function mayBeTurned({ days: days3 }, order) {
  const texts = days3.flatMap(({ open, yearLast }) => open && yearLast ? [open] : []);
  const kept = days3.flatMap(({ fixed }) => fixed ? [fixed] : []);
  return texts.length > 0 && texts.every(([first2, second]) => (order === "mdy" ? second : first2) > MONTHS) && kept.every(([, , day]) => day <= MONTHS) && kept.some(([, month, day]) => month !== day);
}
function turnedDays(cells, columns, { base, today }) {
  const said2 = cells.file.answers.turned;
  const turned3 = { ...base, isTurned: true };
  const found = columns.find((column) => mayBeTurned(column, base.order));
  const sample = found?.days.find(({ fixed }) => fixed !== null && fixed[1] !== fixed[2]);
  if (!found || !sample) return { reading: base, questions: [] };
  if (said2 !== void 0) return { reading: said2 === "turn" ? turned3 : base, questions: [] };
  const inWords4 = (day) => day ? formatDay(day, today) : "no day";
  const spanOf = (reading2) => found.days.flatMap((written) => dayUnder(written, reading2) ?? []).sort();
  const choices = [
    { answer: "stand", result: "as they stand", days: spanOf(base) },
    { answer: "turn", result: "turned back", days: spanOf(turned3) }
  ];
  choices.sort((a, b) => lengthOf2(a.days) - lengthOf2(b.days));
  const [stands, other] = [base, turned3].map((reading2) => inWords4(dayUnder(sample, reading2)));
  return {
    reading: base,
    questions: [
      {
        key: "turned",
        words: `Days up to the 12th stand as days, and all others as text: a spreadsheet may have turned day and month around. ${stands} may be ${other}.`,
        choices: choices.map(({ answer, result, days: days3 }) => ({
          answer,
          result: `${result}: days from ${inWords4(days3[0])} to ${inWords4(days3.at(-1))}`
        }))
      }
    ]
  };
}
var lengthOf2 = (days3) => {
  const [first2, last2] = [days3[0], days3.at(-1)];
  return first2 && last2 ? daysBetween(first2, last2) : 0;
};

// src/core/readings/days/zonesOfFile.ts
var HEAD_ZONE = /\b(utc|gmt)\b/i;
function zonesOfFile(cells, columns, base) {
  const { answers } = cells.file;
  const found = columns.map((column) => ofColumn(cells, column, base));
  const readings = new Map(found.map(({ field, reading: reading2 }) => [field, reading2]));
  const open = found.flatMap(({ open: moved }) => moved);
  const [sample] = open;
  return {
    of: (field) => readings.get(field) ?? base,
    questions: [
      ...found.flatMap(({ questions }) => questions),
      ...sample && answers.zone === void 0 ? [zoneQuestion(sample, open.length, base)] : []
    ]
  };
}
function ofColumn(cells, { field, days: days3 }, base) {
  const times = days3.filter(({ minutes }) => minutes !== null);
  const isUtc = HEAD_ZONE.test(cells.head(field)) || cells.file.answers.zone === "utc";
  const above = cells.file.answers.zone === "book" ? null : zoneAbove(cells.file.table);
  const zoned = { ...base, assumedZone: isUtc ? 0 : above };
  if (times.length > 0 && times.every(({ minutes }) => minutes === 0))
    return midnights(cells, { field, days: times }, { base, zoned });
  const open = times.filter(
    (written) => written.zone === null && zoned.assumedZone === null && dayUnder(written, base) !== dayUnder(written, { ...base, assumedZone: 0 })
  );
  return { field, reading: zoned, questions: [], open };
}
var SAYS_ZONE = /\b(?:time ?zone|(?:all )?(?:times|dates)(?: and times)? (?:are |shown |displayed |given )*(?:in |as )?|zeitzone|fuseau horaire|zona horaria)\b:?\s?/i;
function zoneAbove({ above = [] }) {
  for (const line of above) {
    const said2 = SAYS_ZONE.exec(line);
    const zone = said2 && zoneIn(line.slice(said2.index + said2[0].length));
    if (zone !== null) return zone;
  }
  return null;
}
function midnights(cells, { field, days: days3 }, { base, zoned }) {
  const key = `midnight:${field}`;
  const said2 = cells.file.answers[key];
  const asDays = { ...base, asDays: true };
  const sample = days3.find((written) => dayUnder(written, zoned) !== dayUnder(written, asDays));
  const reading2 = said2 === "moment" ? zoned : asDays;
  if (!sample || said2 !== void 0) return { field, reading: reading2, questions: [], open: [] };
  const question6 = {
    key,
    words: `\u201C${cells.head(field)}\u201D is midnight UTC on every line. Is it a day, or a moment that is another day in ${base.timeZone}?`,
    choices: [
      { answer: "day", result: `a day: ${dayUnder(sample, asDays) ?? "\u2013"} stays that day` },
      { answer: "moment", result: `a moment: it is on ${dayUnder(sample, zoned) ?? "\u2013"} here` }
    ]
  };
  return { field, reading: reading2, questions: [question6], open: [] };
}
function zoneQuestion(sample, count2, base) {
  const minutes = sample.minutes ?? 0;
  const time = `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
  const [own, utc] = [dayUnder(sample, base), dayUnder(sample, { ...base, assumedZone: 0 })];
  return {
    key: "zone",
    words: `The file gives times without a zone, and ${count2} of them are another day in ${base.timeZone} if they are UTC. Which are they?`,
    choices: [
      { answer: "book", result: `the book\u2019s own time: ${time} on ${own ?? "\u2013"} stays that day` },
      { answer: "utc", result: `UTC: the same moment is on ${utc ?? "\u2013"} here` }
    ]
  };
}

// src/core/readings/days/daysOfFile.ts
var ORDERS = ["mdy", "dmy", "yy"];
var YEARS_BACK = 12;
var ENOUGH_IN_ORDER = 6;
function daysOfFile(cells, rows, context) {
  const columns = dayFields(cells).map((field) => ({
    field,
    days: cells.column(rows, field).flatMap((cell) => writtenDay(cell) ?? [])
  }));
  const { order, questions } = orderOf({ cells, rows }, columns, context);
  const base = readingIn(order, cells, context);
  const turned3 = turnedDays(cells, columns, { base, today: context.today });
  const zones = zonesOfFile(cells, columns, turned3.reading);
  const own = ownOrders(columns, base);
  return {
    readingOf: (field) => {
      const read2 = zones.of(field);
      const said2 = own.get(field);
      return said2 === void 0 ? read2 : { ...read2, order: said2 };
    },
    questions: [...questions, ...turned3.questions, ...zones.questions]
  };
}
function ownOrders(columns, base) {
  const reads = (days3, order) => days3.every((written) => dayUnder(written, { ...base, order }) !== null);
  return new Map(
    columns.flatMap(({ field, days: days3 }) => {
      if (reads(days3, base.order)) return [];
      const [only, ...others] = ORDERS.filter((order) => reads(days3, order));
      return only !== void 0 && others.length === 0 ? [[field, only]] : [];
    })
  );
}
var readingIn = (order, { file: { table } }, { timeZone }) => ({
  order,
  assumedZone: null,
  asDays: false,
  isTurned: false,
  isFrom1904: table.isFrom1904 === true,
  timeZone
});
var dayFields = (cells) => FIELDS[cells.file.kind].filter(({ type, field }) => type === "day" && cells.has(field)).map(({ field }) => field);
function orderOf({ cells, rows }, columns, context) {
  const said2 = cells.file.answers.days;
  if (said2 !== void 0 && ORDERS.includes(said2)) return { order: said2, questions: [] };
  const isOpen = columns.some(({ days: days3 }) => days3.some(({ open }) => open !== null));
  if (!isOpen) return { order: "mdy", questions: [] };
  const candidates = ORDERS.map((order) => ({
    order,
    columns: columns.map(
      ({ days: days3 }) => days3.map((written) => dayUnder(written, readingIn(order, cells, context)))
    )
  }));
  const span = spanAbove(cells.file.table);
  const isOfSpan = ({ order, columns: [main = []] }) => {
    const own = spanUnder(span, readingIn(order, cells, context));
    return own !== null && main.every((day) => day !== null && !isOutside(day, own));
  };
  const above = (cells.file.table.above ?? []).flatMap((line) => daysIn(line));
  const readsAbove = (order) => above.every((written) => dayUnder(written, readingIn(order, cells, context)) !== null);
  const left = likeliestFirst(
    likely(readable(candidates), { isOfSpan, readsAbove }, context),
    () => cells.column(rows, columns[0]?.field ?? "")
  );
  const [best2 = candidates[0]] = left;
  const different2 = left.filter((other) => !same(other, best2));
  const cellsOf = (field) => cells.column(rows, field).filter((cell) => writtenDay(cell) !== null);
  if (!best2 || different2.length === 0) return { order: best2?.order ?? "mdy", questions: [] };
  return {
    order: best2.order,
    questions: [orderQuestion(columns, [best2, ...different2], { context, cellsOf })]
  };
}
var same = (a, b) => a.columns.every((days3, at) => days3.every((day, nth) => day === b?.columns[at]?.[nth]));
var unreadOf = ({ columns }) => sumOf(columns, (days3) => sumOf(days3, (day) => day === null ? 1 : 0));
function readable(candidates) {
  const fewest = Math.min(...candidates.map(unreadOf));
  return candidates.filter((candidate) => unreadOf(candidate) === fewest);
}
function likely(candidates, { isOfSpan, readsAbove }, { today }) {
  const oldest = `${Number(today.slice(0, 4)) - YEARS_BACK}`;
  const latest = addDays(today, 800);
  const main = ({ columns }) => (columns[0] ?? []).flatMap((day) => day === null ? [] : [day]);
  const tests = [
    ({ order }) => readsAbove(order),
    (candidate) => candidate.columns.flat().every((day) => !day || day > oldest && day < latest),
    (candidate) => main(candidate).every((day) => day <= addDays(today, 1)),
    isOfSpan,
    (candidate) => dueAfter(candidate),
    (candidate) => inOrder(main(candidate))
  ];
  return tests.reduce(
    (left, test) => {
      const pass = left.filter(test);
      return pass.length > 0 ? pass : left;
    },
    [...candidates]
  );
}
var dueAfter = ({ columns: [first2 = [], second = []] }) => first2.length !== second.length || first2.every((day, at) => !day || !second[at] || day <= (second[at] ?? day));
function inOrder(days3) {
  const different2 = new Set(days3).size;
  if (different2 < ENOUGH_IN_ORDER) return true;
  const pairs = days3.slice(1).map((day, at) => [days3[at] ?? day, day]);
  return pairs.every(([a, b]) => a <= b) || pairs.every(([a, b]) => a >= b);
}

// src/core/readings/doubtsOfFormat.ts
var linesOf = ([first2 = 0, ...others]) => others.length === 0 ? `line ${first2}` : `${others.length + 1} lines (first line ${first2})`;
var DOUBTS = {
  wrong_side: {
    words: (lines) => `The bank calls ${lines} a debit and writes money that came, or a credit and writes money that went.`,
    choices: [
      { answer: "turn", result: "what it calls them is right: their sums are turned" },
      { answer: "keep", result: "their sums are right" }
    ]
  },
  taken_back: {
    words: (lines) => `The bank takes back ${lines} that it sent before. What an earlier file brought of that stands in the book until it is undone there.`,
    choices: [{ answer: "leave", result: "leave out what is taken back: it is no money" }]
  },
  corrected: {
    words: (lines) => `The bank sends ${lines} to correct what it sent before: what they correct may stand in the book.`,
    choices: [
      { answer: "keep", result: "take them in: those that stand in the book already are known" },
      { answer: "leave", result: "leave them out" }
    ]
  },
  own_state: {
    words: (lines) => `The bank gives ${lines} a state of its own, neither booked nor pending.`,
    choices: [
      { answer: "leave", result: "not booked: left out" },
      { answer: "keep", result: "booked: taken in" }
    ]
  },
  credit_note: {
    words: () => "The document is an invoice by its name, and a credit note by its code.",
    choices: [
      { answer: "turn", result: "a credit note: it lowers what is owed" },
      { answer: "keep", result: "an invoice" }
    ]
  },
  no_credit_note: {
    words: () => "The document is a credit note by its name, and an invoice by its code.",
    choices: [
      { answer: "keep", result: "a credit note: it lowers what is owed" },
      { answer: "turn", result: "an invoice" }
    ]
  },
  negative_credit: {
    words: () => "The document is a credit note, and its sums are below zero.",
    choices: [
      { answer: "turn", result: "it lowers what is owed, as credit notes do" },
      { answer: "keep", result: "it raises what is owed: less than nothing is credited" }
    ]
  },
  corrects: {
    words: () => "The document corrects an invoice that was made out before. What that was made out for stands in the book until it is undone or credited there.",
    choices: [
      { answer: "keep", result: "an invoice of its own: the earlier one is seen to" },
      { answer: "leave", result: "left out" }
    ]
  },
  no_invoice: {
    words: () => "The document is an invoice by its name, and by its code one that asks for no payment, as an offer or a proforma does.",
    choices: [
      { answer: "leave", result: "nothing is owed by it: left out" },
      { answer: "keep", result: "an invoice all the same" }
    ]
  },
  other_document: {
    words: (lines) => `The payment names something else than an invoice on ${lines}: an order, an account or a voucher of the payer's.`,
    choices: [
      { answer: "leave", result: "left out: the payment stands without it" },
      { answer: "keep", result: "it is the number of an invoice all the same" }
    ]
  },
  own_bill: {
    words: () => "The document is made out to the business of this book itself: it looks like a bill to pay, which is not owed to it.",
    choices: [
      { answer: "leave", result: "a bill to pay: left out" },
      { answer: "keep", result: "an invoice of this book all the same" }
    ]
  },
  beside: {
    words: () => "Beside its returns and notices the file has payments with their advice: only the returns and notices are taken in.",
    choices: [{ answer: "keep", result: "take in the returns and notices" }]
  }
};
var SIGNED = ["amount", "total", "balance", "tax"];
var turned2 = (text) => {
  if (text.startsWith("-")) return text.slice(1);
  return /[1-9]/.test(text) ? `-${text}` : text;
};
function doubtsOfFormat(made, marks, answers) {
  const doubts = new Map(marks.map(({ line, mark }) => [line, mark]));
  const open = /* @__PURE__ */ new Map();
  const leftOut = [];
  const kept = made.flatMap((row) => {
    const doubt = doubts.get(row.line);
    if (doubt === void 0) return [row];
    const said2 = DOUBTS[doubt].choices.find(({ answer }) => answer === answers[doubt])?.answer;
    if (said2 === void 0) {
      const before2 = open.get(doubt);
      if (before2) before2.push(row.line);
      else open.set(doubt, [row.line]);
    }
    if (said2 === "leave") leftOut.push({ line: row.line, why: "said" });
    return said2 === "leave" ? [] : [said2 === "turn" ? turnedRow(row) : row];
  });
  const questions = [...open].map(([key, of]) => ({
    key,
    words: DOUBTS[key].words(linesOf(of)),
    choices: DOUBTS[key].choices
  }));
  return { lines: kept, leftOut, questions };
}
var turnedRow = ({ line, fields }) => ({
  line,
  fields: Object.fromEntries(
    Object.entries(fields).map(([field, text]) => [
      field,
      SIGNED.includes(field) ? turned2(text) : text
    ])
  )
});

// src/core/readings/lines/cutIds.ts
var NAMING = ["id", "relatedId", "payoutId", "number", "customerId", "externalId"];
var CUT = /^\d(?:[.,]\d+)?E\+\d{1,3}$/i;
var DAY3 = /^(?:\d{4}-\d\d-\d\d|\d{1,2}\/\d{1,2}\/\d{4}|\d{1,2}-(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec))$/i;
function cutIds(cells, rows) {
  const fields = NAMING.filter((field) => cells.has(field));
  return fields.flatMap((field) => {
    const isTurned = turnedIn(cells, rows, field);
    return rows.flatMap((row) => {
      const text = cells.of(row, field);
      if (!CUT.test(text) && !isTurned(text)) return [];
      const error = { code: isTurned(text) ? "id.day" : "id.cut", text };
      return [{ line: row.line, field, column: cells.head(field), error }];
    });
  });
}
var shapeOf = (text) => text.replace(/\d/g, "9").replace(new RegExp("\\p{L}", "gu"), "a");
function turnedIn(cells, rows, field) {
  const all = cells.column(rows, field);
  if (!all.some((text) => DAY3.test(text))) return () => false;
  const others = new Set(all.filter((text) => !DAY3.test(text)).map(shapeOf));
  return (text) => DAY3.test(text) && others.size > 0 && !others.has(shapeOf(text));
}

// src/core/readings/lines/totals/addedUp.ts
var NOTHING_FOUND = { questions: [], proofs: [] };
var FOR_THE_EYE = /* @__PURE__ */ new Set([
  "head",
  "heading",
  "balance",
  "continues",
  "total"
]);
function countedLines({ rows, leftOut }) {
  const eyed = new Set(leftOut.filter(({ why }) => FOR_THE_EYE.has(why)).map(({ line }) => line));
  return rows.filter(({ line }) => !eyed.has(line));
}
var addedFields = (cells) => sumFields(cells).filter((field) => cells.file.kind !== "remittance" || field !== "total");
function onlyCurrency({ currencyOf: currencyOf2 }, lines) {
  const [only, ...others] = new Set(lines.map(currencyOf2));
  return only !== void 0 && others.length === 0 ? only : null;
}
function waysOf(reading2, list, field) {
  const lines = countedLines(list);
  const left = new Set(list.leftOut.map(({ line }) => line));
  const asItStands = (row) => sumOfCell(reading2, row, field);
  const currency = lines[0] ? reading2.currencyOf(lines[0]) : null;
  return [
    addedBy(lines, asItStands),
    addedBy(
      lines.filter(({ line }) => !left.has(line)),
      asItStands
    ),
    addedBy(list.made, (row) => currency ? sumIn3(row.fields[field], currency) : 0)
  ];
}
var oneWay = (way, sign) => new Map([...way].map(([line, sum]) => [line, Math.sign(sum) === sign ? sum : 0]));
var sumIn3 = (text, currency) => {
  const read2 = parseAmount(text ?? "", ".", currency);
  return read2.ok ? read2.value : 0;
};
var addedBy = (rows, sumOf4) => new Map(rows.map((row) => [row.line, sumOf4(row) ?? 0]));

// src/core/readings/lines/totals/countFoots.ts
function countFoots({ cells }, list) {
  const { records = [], headLine = 1, above = [] } = cells.file.table;
  const totals = new Set(list.leftOut.filter(({ why }) => why === "total").map(({ line }) => line));
  const places = [
    ...records.slice(Math.max(0, headLine - 1 - above.length), Math.max(0, headLine - 1)),
    ...list.rows.filter(({ line }) => totals.has(line)).map((row) => row.cells)
  ];
  const said2 = places.flatMap((place) => saidCount(place) ?? []);
  if (said2.length === 0 || cells.file.answers.totals !== void 0) return NOTHING_FOUND;
  const left = new Set(list.leftOut.map(({ line }) => line));
  const lines = countedLines(list);
  const taken = lines.filter(({ line }) => !left.has(line)).length;
  const off = said2.find((count2) => count2 !== lines.length && count2 !== taken);
  if (off === void 0)
    return { questions: [], proofs: [`it has the ${said2[0] ?? 0} lines that it says it has`] };
  return {
    questions: [
      {
        key: "totals",
        words: `The file says that it has ${off} ${off === 1 ? "line" : "lines"}, and has ${lines.length}. Some may be missing.`,
        choices: [{ answer: "take", result: "take the lines in as they stand" }]
      }
    ],
    proofs: []
  };
}

// src/core/readings/lines/totals/totalsAbove.ts
var TOTAL2 = /^(?:grand )?(?:totals?|sum|summe|gesamt|totale|totaal|suma)\b(?: of)? ?|\b(?:totals?|summe|gesamt)$/;
var INTO = /^(?:credits?|deposits?|deposits credits|money in|paid in|in|received|gutschriften|haben)$/;
var OUT_OF = /^(?:debits?|withdrawals?|withdrawals debits|money out|paid out|out|payments|lastschriften|soll)$/;
function totalsAbove(reading2, list) {
  const { answers } = reading2.cells.file;
  const currency = onlyCurrency(reading2, countedLines(list));
  if (currency === null || answers.totals !== void 0) return NOTHING_FOUND;
  const held2 = sumsAbove(reading2).flatMap((said2) => {
    const of = totalOf(reading2, list, said2);
    return of ? [{ said: said2, of }] : [];
  });
  const off = held2.find(
    ({ said: said2, of }) => !of.comes.some((sum) => Math.abs(sum) === Math.abs(said2.sum))
  );
  if (off) return { questions: [offQuestion(off, currency)], proofs: [] };
  const names = held2.map(({ said: said2 }) => `\u201C${beforeColon(said2.words).trim().slice(0, 40)}\u201D`);
  return {
    questions: [],
    proofs: names.length === 0 ? [] : [
      `${names.join(", ")} above the list ${names.length === 1 ? "is" : "are"} what its lines come to`
    ]
  };
}
var OF_ANY = /^(?:amount|remittance|payment|invoices?|open|report|list|file)?$/;
var OF_KIND2 = {
  charge: "charge",
  sale: "charge",
  payment: "charge",
  refund: "refund",
  payout: "payout",
  dispute: "dispute",
  chargeback: "dispute"
};
function totalOf(reading2, list, { words }) {
  const plain = plainWords(beforeColon(words).replace(/\(\d+\)/, ""));
  if (!TOTAL2.test(plain)) return null;
  const name = plain.replace(TOTAL2, "").trim();
  const { cells } = reading2;
  const fields = addedFields(cells);
  const wholes = (field2) => waysOf(reading2, list, field2).map(whole2);
  const field = fields.find((one) => singular(headWords(cells.head(one))) === singular(name));
  if (field !== void 0) return { head: cells.head(field), comes: wholes(field) };
  if (cells.file.kind === "bank") return ofOneWay(reading2, list, name);
  const kind = cells.file.kind === "processor" ? OF_KIND2[singular(name)] : void 0;
  if (kind !== void 0) return { head: name, comes: [ofKind(reading2, list, kind)] };
  return OF_ANY.test(name) ? { head: beforeColon(words).trim(), comes: fields.flatMap(wholes) } : null;
}
var singular = (name) => name.replace(/s$/, "");
var ofKind = (reading2, { made, ...list }, kind) => {
  const lines = made.filter(({ fields }) => fields.kind === kind);
  const [, , asMade] = waysOf(reading2, { ...list, made: lines }, "gross");
  return asMade ? whole2(asMade) : 0;
};
function ofOneWay(reading2, list, name) {
  const sign = wayIn(name);
  if (sign === null) return null;
  const ways = waysOf(reading2, list, "amount").map((way) => oneWay(way, sign));
  return { head: name, comes: ways.map(whole2) };
}
var beforeColon = (words) => words.split(":")[0] ?? "";
function wayIn(name) {
  if (INTO.test(name)) return 1;
  return OUT_OF.test(name) ? -1 : null;
}
var whole2 = (way) => sumOf([...way.values()], (sum) => sum);
var offQuestion = ({ said: said2, of }, currency) => ({
  key: "totals",
  words: `Above the list stands that \u201C${of.head}\u201D comes to ${formatAmount(said2.sum, currency)}; its lines come to ${formatAmount(nearest(of.comes, said2.sum), currency)}. A line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }]
});
var nearest = (comes, sum) => comes.reduce((a, b) => apart(b, sum) < apart(a, sum) ? b : a, comes[0] ?? 0);
var apart = (a, b) => Math.abs(Math.abs(a) - Math.abs(b));

// src/core/readings/lines/totals/totalsFoot.ts
var BEGINS = /* @__PURE__ */ new Set(["heading", "head", "total"]);
function totalsFoot(reading2, list) {
  const { rows, leftOut } = list;
  if (leftOut.length === 0) return NOTHING_FOUND;
  const rules = new Map(leftOut.map(({ line, why }) => [line, why]));
  const totals = rows.filter(
    ({ line, cells }) => rules.get(line) === "total" && !isCountAlone(cells)
  );
  if (totals.length === 0) return NOTHING_FOUND;
  const currency = onlyCurrency(reading2, countedLines(list));
  if (currency === null) return NOTHING_FOUND;
  const begins = (line) => {
    const rule2 = rules.get(line);
    return rule2 !== void 0 && BEGINS.has(rule2);
  };
  const held2 = addedFields(reading2.cells).map((field) => {
    const said2 = totals.flatMap((row) => saidIn(reading2, row, field));
    const ways2 = said2.length === 0 ? [] : waysOfTotals(reading2, list, field);
    const footing = ways2.map((way) => footingIn(rows, { said: said2, way, begins }));
    return { said: said2, ways: ways2, off: said2.find(({ line }) => !footing.some((foot) => foot.has(line))) };
  });
  const broken2 = held2.find(({ off: off2 }) => off2 !== void 0);
  if (!broken2?.off) return { questions: [], proofs: proofsOf(held2.flatMap(({ said: said2 }) => said2)) };
  if (reading2.cells.file.answers.totals !== void 0) return NOTHING_FOUND;
  const { off, ways } = broken2;
  const come = nearest2(rows, { total: off, way: ways[0] ?? /* @__PURE__ */ new Map(), begins });
  const head = reading2.cells.head(off.field);
  return { questions: [offQuestion2({ ...off, currency, head, come })], proofs: [] };
}
function waysOfTotals(reading2, list, field) {
  const ways = waysOf(reading2, list, field);
  const isSigned = reading2.cells.file.kind === "bank" && field === "amount";
  return isSigned ? [...ways, ...ways.flatMap((way) => [oneWay(way, 1), oneWay(way, -1)])] : ways;
}
function saidIn(reading2, row, field) {
  const sum = sumOfCell(reading2, row, field);
  return sum === null ? [] : [{ line: row.line, field, sum }];
}
function footingIn(rows, { said: said2, way, begins }) {
  const totals = new Map(said2.map(({ line, sum }) => [line, sum]));
  const footing = /* @__PURE__ */ new Set();
  const before2 = /* @__PURE__ */ new Set([0]);
  let come = 0;
  for (const { line } of rows) {
    const total = totals.get(line);
    if (total !== void 0 && (before2.has(come - total) || before2.has(come + total)))
      footing.add(line);
    if (begins(line)) before2.add(come);
    come += way.get(line) ?? 0;
  }
  return footing;
}
function nearest2(rows, { total, way, begins }) {
  const before2 = [0];
  let come = 0;
  for (const { line } of rows) {
    if (line >= total.line) break;
    if (begins(line)) before2.push(come);
    come += way.get(line) ?? 0;
  }
  const apart3 = (sum) => Math.abs(Math.abs(sum) - Math.abs(total.sum));
  return before2.map((start) => come - start).reduce((a, b) => apart3(b) < apart3(a) ? b : a);
}
function proofsOf(said2) {
  const count2 = new Set(said2.map(({ line }) => line)).size;
  if (count2 === 0) return [];
  return [
    count2 === 1 ? `the total of line ${said2[0]?.line ?? 0} is what its lines come to` : `${count2} totals are what their lines come to`
  ];
}
var offQuestion2 = ({ line, sum, currency, head, come }) => ({
  key: "totals",
  words: `Line ${line} says that \u201C${head}\u201D comes to ${formatAmount(sum, currency)}; the lines above it come to ${formatAmount(come, currency)}. A line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }]
});

// src/core/readings/lines/totals/totals.ts
function totalsOf(reading2, open, list) {
  const isSigned = !open.some(({ key }) => key === "signs" || key.startsWith("word:"));
  const among = totalsFoot(reading2, list);
  const above = isSigned ? totalsAbove(reading2, list) : NOTHING_FOUND;
  const count2 = countFoots(reading2, list);
  return {
    questions: [...among.questions, ...above.questions, ...count2.questions],
    proofs: [...among.proofs, ...above.proofs, ...count2.proofs]
  };
}

// src/core/readings/lines/parts/splitRows.ts
var isWithin = (whole3, part) => part.length > whole3.length && part.startsWith(whole3);
var SPECS = {
  // Payments with ids of their own are payments of their own, but for `c1-1` below `c1`.
  processor: {
    sum: "gross",
    same: ["payerName", "payerEmail", "occurredOn", "kind", "status"],
    by: "id",
    isPart: (whole3, part) => whole3 === part || isWithin(whole3, part)
  },
  invoices: { sum: "total", same: ["customerId"], by: "number", isPart: isWithin },
  remittance: {
    sum: "amount",
    same: ["trace", "payerName", "paidOn"],
    by: "number",
    isPart: (whole3, part) => whole3.includes(part)
  }
};
function splitRows(reading2, rows) {
  const { cells } = reading2;
  const spec = SPECS[cells.file.kind];
  const said2 = cells.file.answers.split;
  if (spec === void 0 || said2 === "count" || !cells.has(spec.sum))
    return { rows, leftOut: [], questions: [] };
  const { sum, same: same2, by, isPart: isPart2 } = spec;
  const sumOf4 = (row) => sumOfCell(reading2, row, sum) ?? 0;
  const splits = splitsIn(
    rows,
    sumOf4,
    (whole3, row) => cells.of(whole3, same2[0] ?? "") !== "" && same2.every((field) => cells.of(whole3, field) === cells.of(row, field)) && isPart2(cells.of(whole3, by), cells.of(row, by))
  );
  if (splits.length === 0) return { rows, leftOut: [], questions: [] };
  const out = new Set(splits.flatMap(({ parts }) => parts.map(({ line }) => line)));
  const shown2 = (row) => formatAmount(sumOf4(row), reading2.currencyOf(row));
  return {
    rows: rows.filter(({ line }) => !out.has(line)),
    leftOut: [...out].map((line) => ({ line, why: "part" })),
    questions: said2 === "leave" ? [] : splitQuestion(splits, shown2)
  };
}

// src/core/readings/invoices/dueByLateness.ts
var LATE = /^(?:number of )?days? (?:past due|overdue|late|beyond terms)$|^(?:past due|overdue) days?$|^tage uberfallig$|^jours de retard$/;
var AS_OF = /\b(?:statement|as of|report|snapshot|aged|aging|stichtag)\b/;
var BY_LATENESS = "late";
function latenessOf(reading2, row) {
  const { cells } = reading2;
  const column = cells.unread().find(({ head }) => LATE.test(headWords(head)));
  const days3 = (row.cells[column?.at ?? -1] ?? "").trim();
  if (!/^-?\d{1,4}$/.test(days3)) return null;
  const beside = cells.unread().find(({ head }) => AS_OF.test(headWords(head)));
  const isIssue = AS_OF.test(headWords(cells.head("issuedOn")));
  const cell = isIssue ? cells.of(row, "issuedOn") : row.cells[beside?.at ?? -1] ?? "";
  const written = writtenDay(cell);
  const asOf = written && dayUnder(written, reading2.daysOf("issuedOn"));
  return asOf ? { days: Number(days3), asOf, isIssue } : null;
}
function sayLateness(reading2, rows) {
  const found = rows.map((row) => latenessOf(reading2, row)?.days ?? null);
  const isEarlySaid = found.some((days3) => days3 !== null && days3 < 0);
  return found.every((days3) => days3 !== null && (days3 !== 0 || isEarlySaid));
}
function dueByLateness(reading2, row) {
  const late = latenessOf(reading2, row);
  if (late === null) return null;
  const { days: days3, asOf, isIssue } = late;
  const due = addDays(asOf, -days3);
  if (!isIssue) return { due, issued: null };
  return { due, issued: due < asOf ? due : asOf };
}

// src/core/readings/invoices/dueOfInvoices.ts
var OFFERED = ["n/30", "n/14"];
var AT_ISSUE = "issue";
var isCredit = (reading2, row) => sureKindOf(reading2.cells.of(row, "type")) === "credit" || (sumOfCell(reading2, row, "total") ?? sumOfCell(reading2, row, "balance") ?? 1) <= 0;
var saysNothing = (reading2, row) => ["dueOn", "terms"].every((field) => reading2.cells.of(row, field) === "") && !isCredit(reading2, row);
function termsSaid(reading2, row) {
  const { due = AT_ISSUE } = reading2.cells.file.answers;
  return due === AT_ISSUE || !parseTerms(due).ok || !saysNothing(reading2, row) ? "" : due;
}
function lateSaid(reading2, row) {
  if (reading2.cells.file.answers.due !== BY_LATENESS || !saysNothing(reading2, row)) return {};
  const found = dueByLateness(reading2, row);
  if (!found) return {};
  return { dueOn: found.due, ...found.issued ? { issuedOn: found.issued } : {} };
}
function dueQuestion(reading2, rows) {
  const { today } = reading2;
  const open = isAgreed(reading2.cells) ? [] : rows.filter((row) => saysNothing(reading2, row));
  const [first2] = open;
  if (!first2 || reading2.cells.file.answers.due !== void 0) return [];
  const written = writtenDay(reading2.cells.of(first2, "issuedOn"));
  const issued = written && dayUnder(written, reading2.daysOf("issuedOn"));
  const on = (terms) => {
    const read2 = parseTerms(terms);
    return issued && read2.ok ? formatDay(dueDay(issued, read2.value), today) : "no day";
  };
  const line = `line ${first2.line}`;
  const late = sayLateness(reading2, open) ? dueByLateness(reading2, first2) : null;
  return [
    {
      key: "due",
      words: `Nothing says when ${open.length === 1 ? "1 invoice is" : `${open.length} invoices are`} due (first ${line}).`,
      choices: [
        ...late ? [
          {
            answer: BY_LATENESS,
            result: `as many days ago as it is late: ${line} on ${formatDay(late.due, today)}`
          }
        ] : [],
        ...OFFERED.map((terms) => ({
          answer: terms,
          result: `by ${terms}: ${line} on ${on(terms)}`
        })),
        {
          answer: AT_ISSUE,
          result: `on the day of issue: ${line} on ${issued ? formatDay(issued, today) : "no day"}`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/dueOfFormat.ts
function dueOfFormat(rows, { due }) {
  const isSaid2 = due === AT_ISSUE || due !== void 0 && parseTerms(due).ok;
  const open = rows.filter(({ fields }) => saysNothing2(fields)).length;
  const lines = rows.map(({ line, fields: { terms = "", ...others } }) => {
    const said2 = due === AT_ISSUE || !saysNothing2({ terms, ...others }) ? "" : due ?? "";
    const read2 = termsOf(terms) || said2;
    return { line, fields: read2 === "" ? others : { ...others, terms: read2 } };
  });
  return { lines, questions: open === 0 || isSaid2 ? [] : [dueQuestion2(open)] };
}
var termsOf = (written) => termsIn(written) ?? (parseTerms(written).ok ? written : "");
var saysNothing2 = ({ terms = "", dueOn = "", total }) => termsOf(terms) === "" && dueOn === "" && Number(total) > 0;
var dueQuestion2 = (count2) => ({
  key: "due",
  words: `Nothing says when ${count2 === 1 ? "the invoice is" : `${count2} invoices are`} due.`,
  choices: [
    ...OFFERED.map((terms) => ({ answer: terms, result: `by ${terms}` })),
    { answer: AT_ISSUE, result: "on the day of issue" }
  ]
});

// src/core/readings/invoices/openByAge.ts
var AGE2 = /^(?:current|not due|not yet due|(?:\d+ )?(?:to |bis |a )?\d+(?: days?| tage?| jours?| dias?)?(?: and over| or more| plus| past due| overdue)?|(?:over|above|past|more than|older than|uber|plus de|mas de) \d+(?: days?| tage?| jours?| dias?)?|older)$/;
var ENOUGH3 = 3;
var known6 = /* @__PURE__ */ new WeakMap();
function ages(cells) {
  const before2 = known6.get(cells);
  if (before2) return before2;
  const found = cells.has("balance") ? [] : agesOf(cells);
  known6.set(cells, found);
  return found;
}
function agesOf(cells) {
  const heads = cells.unread().flatMap(({ head }) => AGE2.test(headWords(head)) ? [head] : []);
  return cells.file.kind === "invoices" && heads.length >= ENOUGH3 ? heads : [];
}
function agesQuestion(reading2, rows) {
  const { cells } = reading2;
  const heads = cells.has("balance") && cells.file.answers.ages === void 0 ? agesOf(cells) : [];
  if (heads.length === 0) return [];
  const found = rows.flatMap((row) => {
    const parts = heads.flatMap((head) => sumUnderHead(reading2, row, head) ?? []);
    const open = sumOfCell(reading2, row, "balance");
    const come = sumOf(parts, (sum) => sum);
    return parts.length === 0 || open === null || come === open ? [] : [{ row, open, come }];
  });
  const [first2] = found;
  if (!first2 || found.length === rows.length) return [];
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(first2.row));
  return [
    {
      key: "ages",
      words: `What is open of line ${first2.row.line} is ${shown2(first2.open)} under \u201C${cells.head("balance")}\u201D, and its columns by age come to ${shown2(first2.come)}.`,
      choices: [{ answer: "take", result: "take the lines in as they stand" }]
    }
  ];
}
function openByAge(reading2, row) {
  const sums2 = ages(reading2.cells).map((head) => sumUnderHead(reading2, row, head));
  const filled = sums2.filter((sum) => sum !== null);
  return filled.length === 0 ? null : sumOf(filled, (sum) => sum);
}

// src/core/readings/invoices/openInWords.ts
var STILL_OPEN = /(?:^|[\s,])(\S{0,4}\d[\d.,]{0,14}) (?:is )?(?:still )?(?:due|open|left|remaining|outstanding)\b/i;
function openInWords(reading2, row) {
  const sum = STILL_OPEN.exec(reading2.cells.of(row, "status"))?.[1];
  const written = sum === void 0 || !/[.,]\d\d$/.test(sum) ? null : writtenSum(sum);
  return written && sumUnder(written, { ...reading2.sums, currency: reading2.currencyOf(row) });
}

// src/core/readings/invoices/runningBalance.ts
var ENOUGH4 = 2;
var WHOLE_BUT = 10;
function movementOf(reading2, row) {
  const total = sumOfCell(reading2, row, "total");
  if (total !== null) return total;
  const [debit, credit] = ["debit", "credit"].map((field) => sumOfCell(reading2, row, field));
  if ((debit ?? null) === null && (credit ?? null) === null) return null;
  return Math.abs(debit ?? 0) - Math.abs(credit ?? 0);
}
function isRunning(reading2, rows) {
  const { cells } = reading2;
  if (!cells.has("balance") || rows.length < ENOUGH4) return false;
  const lines = rows.map((row) => ({
    customer: cells.of(row, "customerId"),
    moved: movementOf(reading2, row),
    balance: sumOfCell(reading2, row, "balance")
  }));
  if (lines.some(({ moved, balance }) => moved === null || balance === null)) return false;
  const isRun = (order) => {
    let [gone, broken2] = [0, 0];
    for (const [at, line] of order.slice(1).entries()) {
      const before2 = order[at];
      const isNew = before2?.customer !== line.customer && line.balance === line.moved;
      const isOn = (line.balance ?? 0) - (before2?.balance ?? 0) === line.moved;
      if (!isNew && !isOn) broken2 += 1;
      if (isOn && line.balance !== line.moved) gone += 1;
    }
    return gone > broken2 && broken2 * WHOLE_BUT <= order.length;
  };
  return isRun(lines) || isRun([...lines].reverse());
}
var isAccounts = (reading2, rows) => reading2.cells.file.answers.running !== "open" && isRunning(reading2, rows);
function runningQuestion(reading2, rows) {
  const [, row = rows[0]] = rows;
  if (!row || reading2.cells.file.answers.running !== void 0 || !isRunning(reading2, rows))
    return [];
  const shown2 = (sum) => formatAmount(sum ?? 0, reading2.currencyOf(row));
  return [
    {
      key: "running",
      words: `\u201C${reading2.cells.head("balance")}\u201D goes on from line to line, as the balance of an account does.`,
      choices: [
        {
          answer: "account",
          result: `it is the account's: each line is open in full (line ${row.line}: ${shown2(movementOf(reading2, row))})`
        },
        {
          answer: "open",
          result: `it is what of each line is open (line ${row.line}: ${shown2(sumOfCell(reading2, row, "balance"))})`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/emptyOpen.ts
var STROKE = /^[-–—]{1,3}$/;
var holdsNothing = (cell) => cell === "" || isNothing2(cell) && !STROKE.test(cell);
function openOfEmpty(reading2, row) {
  const { cells } = reading2;
  if (!cells.has("balance")) return null;
  const cell = cells.of(row, "balance");
  return STROKE.test(cell) || holdsNothing(cell) && cells.file.answers.openEmpty === "none" ? ZERO : null;
}
var statedOpen = (reading2, row) => sumOfCell(reading2, row, "balance") ?? openByAge(reading2, row) ?? openInWords(reading2, row) ?? openOfEmpty(reading2, row);
function openWithHeld(reading2, row) {
  const stated = statedOpen(reading2, row);
  return stated === null ? null : add(add(stated, sumUsedAs(reading2, row, "open")), sumUsedAs(reading2, row, "owed"));
}
var sumUsedAs = (reading2, row, use) => headsUsedAs(reading2, use).reduce(
  (all, head) => add(all, sumUnderHead(reading2, row, head) ?? ZERO),
  ZERO
);
function emptyOpenQuestion(reading2, rows) {
  const { cells } = reading2;
  const isSaid2 = isAgreed(cells) || cells.has("paid") || cells.file.answers.openEmpty !== void 0;
  if (!cells.has("balance") || isSaid2) return [];
  const empty = rows.filter((row) => isEmpty(reading2, row));
  const [first2] = empty;
  if (!first2 || empty.length === rows.length) return [];
  const sum = formatAmount(movementOf(reading2, first2) ?? 0, reading2.currencyOf(first2));
  return [
    {
      key: "openEmpty",
      words: `${empty.length === 1 ? "1 line has" : `${empty.length} lines have`} nothing under \u201C${cells.head("balance")}\u201D (first line ${first2.line}). What is open of it?`,
      choices: [
        { answer: "none", result: "nothing" },
        { answer: "total", result: `all of it: line ${first2.line} is open with ${sum}` }
      ]
    }
  ];
}
var isEmpty = (reading2, row) => holdsNothing(reading2.cells.of(row, "balance")) && sureStanding(reading2.cells.of(row, "status")) !== "paid" && (sumOfCell(reading2, row, "total") ?? 0) !== 0 && openByAge(reading2, row) === null && openInWords(reading2, row) === null;

// src/core/readings/invoices/balanceProof.ts
function sumsOn(reading2, row, sumsOf4) {
  const open = openWithHeld(reading2, row);
  const { total, off } = sumsOf4(row);
  const isSaid2 = ["paid", "credited"].some((field) => sumOfCell(reading2, row, field) !== null);
  return open === null || total === null || !isSaid2 ? null : { total: Math.abs(total), off, open: Math.abs(open) };
}
var agrees = ({ total, off, open }) => total - off === open;
function balanceProof(reading2, rows, sumsOf4) {
  if (!hasThree(reading2) || offLine(reading2, rows, sumsOf4) !== null) return [];
  const all = rows.filter((row) => sumsOn(reading2, row, sumsOf4) !== null).length;
  return all === 0 ? [] : [`total less paid is the balance on ${all === rows.length ? `all ${all}` : all} lines`];
}
var hasThree = ({ cells }) => cells.has("balance") && cells.has("paid");
function offLine(reading2, rows, sumsOf4) {
  const off = rows.flatMap((row) => {
    const sums2 = sumsOn(reading2, row, sumsOf4);
    return sums2 === null || agrees(sums2) ? [] : [{ row, sums: sums2 }];
  });
  return off[0] ? { ...off[0], count: off.length } : null;
}
function openOfThree(reading2, rows, sumsOf4) {
  const { answers } = reading2.cells.file;
  if (!hasThree(reading2) || isAgreed(reading2.cells) || answers.three !== void 0) return [];
  const found = offLine(reading2, rows, sumsOf4);
  if (found === null) return [];
  const { row, sums: sums2, count: count2 } = found;
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(row));
  const { total, off, open } = sums2;
  return [
    {
      key: "three",
      words: `What is open and what was paid are not the total of ${count2 === 1 ? "1 line" : `${count2} lines`} (line ${row.line}: ${shown2(open)} and ${shown2(off)} of ${shown2(total)}). What is open?`,
      choices: [
        {
          answer: "balance",
          result: `the balance: ${shown2(open)}, and ${shown2(total - open)} counts as paid`
        },
        {
          answer: "rest",
          result: `what is left of the total: ${shown2(total - off)}, and ${shown2(off)} counts as paid`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/belowZero.ts
var sumOf2 = (reading2, row) => sumOfCell(reading2, row, "total") ?? sumOfCell(reading2, row, "balance") ?? 0;
function belowZeroQuestion(reading2, rows, isCredit3) {
  const worth = rows.filter((row) => sumOf2(reading2, row) !== 0);
  const [first2] = worth;
  if (!first2 || reading2.cells.file.answers.owed !== void 0 || worth.some(isCredit3)) return [];
  if (isAgreedLayout(reading2.cells)) return [];
  if (worth.some((row) => sumOf2(reading2, row) > 0)) return [];
  const shown2 = formatAmount(Math.abs(sumOf2(reading2, first2)), reading2.currencyOf(first2));
  return [
    {
      key: "owed",
      words: `Every sum of the list is below zero (line ${first2.line}: ${shown2}). Is that owed by the customers, or to them?`,
      choices: [
        { answer: "size", result: `by them: line ${first2.line} is an invoice of ${shown2}` },
        { answer: "written", result: `to them: line ${first2.line} is a credit note of ${shown2}` }
      ]
    }
  ];
}

// src/core/readings/invoices/invoiceQuestions.ts
var said = (reading2, key) => reading2.cells.file.answers[key];
function wordQuestions2(reading2, rows, isCredited) {
  const open = unsureWords(reading2, rows, {
    field: "type",
    key: "word",
    sure: (word) => sureKindOf(word) !== null
  });
  return open.map(([word, lines]) => ({
    key: `word:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "line is a" : "lines are a"} \u201C${word}\u201D, first line ${lines[0]?.line ?? 0}. What is that?`,
    choices: choicesOf(reading2, lines, isCredited)
  }));
}
function choicesOf(reading2, lines, isCredited) {
  const open = lines.map((row) => {
    const sum = statedOpen(reading2, row) ?? movementOf(reading2, row) ?? 0;
    return isCredited(row) ? -Math.abs(sum) : sum;
  });
  const invoice = { answer: "invoice", result: `an invoice: ${lines.length} taken in as open` };
  const credit = {
    answer: "credit",
    result: `a credit note: ${lines.length} taken in as what is owed to the customer`
  };
  const leave = { answer: "leave", result: "neither: left out" };
  if (open.every((sum) => sum === 0)) return [leave, invoice, credit];
  return open.every((sum) => sum <= 0) ? [credit, leave, invoice] : [invoice, credit, leave];
}
function standingQuestions(reading2, rows) {
  const open = unsureWords(reading2, rows, {
    field: "status",
    key: "state",
    sure: (word) => sureStanding(word) !== null
  });
  return open.map(([word, lines]) => ({
    key: `state:${word}`,
    words: `${lines.length} ${lines.length === 1 ? "document stands" : "documents stand"} as \u201C${word}\u201D. Is it open?`,
    choices: [
      { answer: "open", result: `yes: ${lines.length} taken in as open` },
      { answer: "paid", result: "paid: nothing of it is open" },
      { answer: "void", result: "void: left out" }
    ]
  }));
}
var unsureWords = (reading2, rows, { field, key, sure }) => openWords(rows, (row) => {
  const word = reading2.cells.of(row, field).toLowerCase();
  const isSaid2 = word === "" || sure(word) || said(reading2, `${key}:${word}`) !== void 0;
  return isSaid2 ? null : word;
});
function balanceQuestion(reading2, rows, totalOf5) {
  const { cells } = reading2;
  if (cells.has("balance") || cells.has("paid") || said(reading2, "balance") !== void 0)
    return [];
  if (isAgreed(cells)) return [];
  const partly = rows.filter(
    (row) => PARTLY.test(plainWords(cells.of(row, "status"))) && openInWords(reading2, row) === null
  );
  const unsaid = rows.filter(
    (row) => cells.of(row, "status") === "" && openByAge(reading2, row) === null
  );
  const [first2] = partly.length > 0 ? partly : unsaid;
  if (!first2) return [];
  const sum = formatAmount(totalOf5(first2) ?? 0, reading2.currencyOf(first2));
  return [
    {
      key: "balance",
      words: partly.length > 0 ? `${partly.length} invoices are paid in part, and no column says how much is open.` : "No column says what of each invoice is still open.",
      choices: [{ answer: "total", result: `all of it: line ${first2.line} is open with ${sum}` }]
    }
  ];
}
function totalQuestion(reading2, rows) {
  const { cells } = reading2;
  const [first2] = rows;
  if (!first2 || ["total", "debit"].some((field) => cells.has(field))) return [];
  const isOpenSaid = cells.has("balance") || ages(cells).length > 0;
  if (!isOpenSaid || said(reading2, "total") !== void 0) return [];
  const open = sumOfCell(reading2, first2, "balance") ?? openByAge(reading2, first2) ?? 0;
  const sum = formatAmount(open, reading2.currencyOf(first2));
  return [
    {
      key: "total",
      words: "No column says what each invoice was made out for.",
      choices: [{ answer: "balance", result: `what is open of it: line ${first2.line} has ${sum}` }]
    }
  ];
}
function creditSignQuestion(reading2, rows, isCredited) {
  const { cells } = reading2;
  if (cells.has("type") || said(reading2, "credits") !== void 0) return [];
  const like = rows.filter((row) => !isCredited(row) && looksLikeCredit(reading2, row));
  if (like.length === 0) return [];
  return [
    {
      key: "credits",
      words: `${some(like.map((row) => cells.of(row, "number")))} look like credit notes, and their sums are positive.`,
      choices: [
        { answer: "credits", result: "they are credit notes: they lower what is owed" },
        { answer: "invoices", result: "they are invoices: the customer owes them" }
      ]
    }
  ];
}
function openSignQuestion(reading2, rows) {
  if (said(reading2, "openSign") !== void 0) return [];
  const against2 = rows.filter((row) => isAgainst(reading2, row));
  const [first2] = against2;
  if (!first2) return [];
  const open = sumOfCell(reading2, first2, "balance") ?? 0;
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(first2));
  return [
    {
      key: "openSign",
      words: `${against2.length === 1 ? "1 invoice is" : `${against2.length} invoices are`} open with a sum below zero (line ${first2.line}: ${shown2(open)}). What is that?`,
      choices: [
        { answer: "size", result: `what is open: line ${first2.line} is open with ${shown2(-open)}` },
        { answer: "written", result: "what the customer has too much, as written" }
      ]
    }
  ];
}
var isAgainst = (reading2, row) => (movementOf(reading2, row) ?? 0) > 0 && (sumOfCell(reading2, row, "balance") ?? 0) < 0;
var looksLikeCredit = (reading2, row) => /^(cn|cm|cr|crn|credit|gs|av)[-_ #/]?\d/i.test(reading2.cells.of(row, "number")) && (sumOfCell(reading2, row, "total") ?? 0) > 0;

// src/core/readings/columns/ourNumbers.ts
var OF_EITHER2 = /^(?:document|doc|voucher|beleg)(?:nummer|nr)?(?: (?:number|no|nr|num|id))?$/;
var OF_ORIGIN = {
  remittance: /\b(?:reference|ref|referenz|your|supplier|vendor|external|invoice|rechnung|facture)\b/,
  invoices: /\b(?:invoice|rechnung\w*|facture|factura|fattura)\b/
};
var OF_ELSE3 = /\b(?:payment|check|cheque|eft|ach|bank|po|purchase|order|customer|account|date|amount|amt|tax|vat|total|balance|count|qty|quantity|days|line|lines|items?|rate|period|original|related|credited)\b/;
var MOST_OF = 0.8;
var LONGEST4 = 100;
function numbersIn({ kind, table, columns }) {
  const { number: taken, trace } = columns;
  const ofOrigin = OF_ORIGIN[kind];
  if (ofOrigin === void 0 || table.kind !== void 0 || taken === void 0) return null;
  if (!OF_EITHER2.test(plainWords(taken))) return null;
  const used = new Set(Object.values(columns));
  const cellsUnder = (head) => table.rows.map(({ cells }) => (cells[table.headers.indexOf(head)] ?? "").trim());
  const others = table.headers.filter((head) => {
    const plain = plainWords(head);
    if (!ofOrigin.test(plain) || OF_ELSE3.test(plain)) return false;
    const filled = cellsUnder(head).filter((cell) => cell !== "");
    const isOfPayment = head === trace && new Set(filled).size < 2;
    const isFree = (head === trace || !used.has(head)) && head.length <= LONGEST4;
    const isOnMost2 = filled.length >= table.rows.length * MOST_OF;
    return isFree && !isOfPayment && isOnMost2 && areNumbers(filled);
  });
  const [other] = others;
  const row = table.rows.find(({ cells }) => isFilled(table, cells, [taken, other ?? ""]));
  return other !== void 0 && row !== void 0 ? { taken, other, row } : null;
}
var isFilled = ({ headers }, cells, heads) => heads.every((head) => (cells[headers.indexOf(head)] ?? "").trim() !== "");
var areNumbers = (cells) => cells.length > 0 && cells.every(
  (cell) => /\d/.test(cell) && !isDate(cell) && !(isSum(cell) && /[.,]\d\d$/.test(cell))
);
function withOurNumbers(file) {
  const numbers = numbersIn(file);
  if (numbers === null || file.answers.number !== numbers.other) return file;
  const { trace, ...others } = file.columns;
  const columns = trace === numbers.other || trace === void 0 ? others : { ...others, trace };
  return { ...file, columns: { ...columns, number: numbers.other } };
}
function numberQuestion(file) {
  const numbers = file.answers.number === void 0 ? numbersIn(file) : null;
  if (numbers === null) return [];
  const { taken, other, row } = numbers;
  const cell = (head) => (row.cells[file.table.headers.indexOf(head)] ?? "").trim().slice(0, 40);
  return [
    {
      key: "number",
      words: `\u201C${taken}\u201D and \u201C${other}\u201D both hold numbers of documents. Which are those of your invoices?`,
      choices: [other, taken].map((head) => ({
        answer: head,
        result: `\u201C${head}\u201D: line ${row.line} is for ${cell(head)}`
      }))
    }
  ];
}

// src/core/readings/invoices/totalsOfLines.ts
var WHOLE = /\b(invoice|inv|document|doc|grand|bill|rechnungsbetrag|gesamtbetrag|facture|factura|fattura|factuur)\b/;
function areTotals2(reading2, groups) {
  const { cells } = reading2;
  if (cells.has("balance") || WHOLE.test(plainWords(cells.head("total")))) return true;
  return groups.length > 0 && cells.unread().some(({ head }) => groups.every((group) => addsUp2(reading2, group, head)));
}
function addsUp2(reading2, group, head) {
  const [first2] = group;
  const rows = new Map(reading2.cells.file.table.rows.map((row) => [row.line, row]));
  const parts = group.map(({ line }) => {
    const row = rows.get(line);
    return row === void 0 ? null : sumUnderHead(reading2, row, head);
  });
  const currency = reading2.currencyOf(rows.get(first2?.line ?? 0) ?? { line: 0, cells: [] });
  const total = parseAmount(first2?.fields.total ?? "", ".", currency);
  const sum = parts.reduce((all, part) => all + (part ?? 0), 0);
  return total.ok && total.value !== 0 && sum === total.value;
}

// src/core/readings/invoices/linesOfInvoices.ts
var HEAD3 = ["customerId", "issuedOn", "dueOn", "currency", "total", "balance"];
var SUMS2 = ["total", "balance", "tax"];
function wholeInvoices(reading2, lines) {
  const byNumber = groupedBy(
    lines,
    ({ fields: { number = "", customerId = "" } }) => number === "" ? null : `${number}
${customerId}`
  );
  const twice = [...byNumber.values()].filter((group) => group.length > 1);
  if (twice.length === 0) return { rows: lines, leftOut: [], questions: [] };
  const rowOf2 = rowsOf2(reading2);
  const currencyIn4 = ([first2]) => reading2.currencyOf(rowOf2(first2?.line ?? 0));
  const several = twice.filter((group) => isOfItems(rowOf2, group));
  const isOnce = areTotals2(reading2, several.filter(isSame));
  const said2 = reading2.cells.file.answers.lines;
  const open = several.filter((group) => !isSame(group) || !isOnce);
  const asItems = (group) => said2 === "sum" && !(isSame(group) && isOnce);
  const joined3 = /* @__PURE__ */ new Map();
  const leftOut = [];
  for (const group of several) {
    const [first2, ...more] = group;
    if (!first2 || !isSame(group) && said2 !== "sum") continue;
    const currency = currencyIn4(group);
    joined3.set(
      first2.line,
      asItems(group) ? summed(currency, group, SUMS2) : summed(currency, group, taxOf(group))
    );
    leftOut.push(...more.map(({ line }) => ({ line, why: "same_invoice" })));
  }
  const out = new Set(leftOut.map(({ line }) => line));
  return {
    rows: lines.filter(({ line }) => !out.has(line)).map((line) => joined3.get(line.line) ?? line),
    leftOut,
    questions: said2 === void 0 ? linesQuestion(currencyIn4, open) : []
  };
}
var isOfItems = (rowOf2, group) => new Set(group.map(({ line }) => rowOf2(line).cells.join("\n"))).size === group.length;
function rowsOf2({ cells }) {
  const rows = new Map(cells.file.table.rows.map((row) => [row.line, row]));
  return (line) => rows.get(line) ?? { line, cells: [] };
}
var isSame = (group) => HEAD3.every((field) => new Set(group.map(({ fields }) => fields[field] ?? "")).size === 1);
var taxOf = (group) => new Set(group.map(({ fields }) => fields.tax ?? "")).size > 1 ? ["tax"] : [];
function summed(currency, group, of) {
  const first2 = group[0];
  const sums2 = of.flatMap((field) => {
    const sum = sumOf3(currency, group, field);
    return sum === null ? [] : [[field, sum]];
  });
  return { line: first2.line, fields: { ...first2.fields, ...Object.fromEntries(sums2) } };
}
function sumOf3(currency, group, field) {
  const sums2 = group.flatMap(({ fields }) => {
    const read2 = parseAmount(fields[field] ?? "", ".", currency);
    return read2.ok ? [read2.value] : [];
  });
  const total = sums2.reduce((a, b) => a + b, 0);
  return sums2.length === 0 ? null : toDecimal(minor(total), currency);
}
var isInstallments = (group) => new Set(group.map(({ fields }) => fields.total)).size === 1 && new Set(group.map(({ fields }) => fields.dueOn)).size === group.length;
var installmentsQuestion = (group) => [
  {
    key: "lines",
    words: `Invoice ${group[0]?.fields.number ?? ""} stands on ${group.length} lines with one sum and ${group.length} due days, as installments do (first line ${group[0]?.line ?? 0}). Choose the column of what is due on each day, and give each its own number.`,
    choices: [
      { answer: "apart", result: "those lines are refused, and the right ones are given again" }
    ]
  }
];
function linesQuestion(currencyIn4, groups) {
  const differing2 = groups.find((group2) => !isSame(group2));
  const group = differing2 ?? groups[0];
  if (group && isInstallments(group)) return installmentsQuestion(group);
  const [first2, second] = group ?? [];
  if (!group || !first2 || !second) return [];
  const currency = currencyIn4(group);
  const shown2 = (text) => {
    const read2 = parseAmount(text ?? "", ".", currency);
    return read2.ok ? formatAmount(read2.value, currency) : "nothing";
  };
  return [
    {
      key: "lines",
      words: `Invoice ${first2.fields.number ?? ""} stands on ${group.length} lines with ${differing2 ? "different sums" : "the same sum"} (line ${first2.line}: ${shown2(first2.fields.total)}, line ${second.line}: ${shown2(second.fields.total)}). Are they the items of one invoice?`,
      choices: [
        {
          answer: "sum",
          result: `yes: it is made out for ${shown2(sumOf3(currency, group, "total"))}`
        },
        differing2 ? {
          answer: "apart",
          result: "no: those lines are refused, and the right ones are given again"
        } : {
          answer: "once",
          result: `no: each of them tells what the whole is made out for, ${shown2(first2.fields.total)}`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/standsOtherwise.ts
var OWED = /^(?:open|unpaid|overdue|past due|outstanding|not paid|awaiting payment|partially paid|part paid|partial|offen|uberfallig|impayee|en retard|pendiente|vencida|abierta|scaduta|da pagare)$/;
function otherwise(reading2, row) {
  const word = reading2.cells.of(row, "status");
  const open = word === "" ? null : statedOpen(reading2, row);
  const total = sumOfCell(reading2, row, "total");
  if (open === null || total === null || total <= 0) return null;
  if (sureStanding(word) === "paid") return open === 0 ? null : ZERO;
  return open === 0 && OWED.test(plainWords(word)) ? total : null;
}
var openByState = (reading2, row) => reading2.cells.file.answers.stands === "state" ? otherwise(reading2, row) : null;
function standsOtherwiseQuestion(reading2, rows) {
  const { cells } = reading2;
  if (!cells.has("status") || isAgreed(cells) || cells.file.answers.stands !== void 0) return [];
  const found = rows.flatMap((row) => {
    const open = otherwise(reading2, row);
    return open === null ? [] : [{ row, open }];
  });
  const [first2] = found;
  if (!first2) return [];
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(first2.row));
  const [word, stated] = [cells.of(first2.row, "status"), statedOpen(reading2, first2.row) ?? 0];
  const count2 = found.length === 1 ? "1 line" : `${found.length} lines`;
  return [
    {
      key: "stands",
      words: `${count2} ${found.length === 1 ? "has" : "have"} a state that goes against the sum that is open (line ${first2.row.line}: \u201C${word}\u201D, and ${shown2(stated)} open). Which is right?`,
      choices: [
        {
          answer: "state",
          result: `the state: line ${first2.row.line} is open with ${shown2(first2.open)}`
        },
        {
          answer: "balance",
          result: `the sum: line ${first2.row.line} is open with ${shown2(stated)}`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/sectionQuestion.ts
var isOfSection = (reading2, row) => reading2.wayOf(row) !== "" && sureKindOf(reading2.cells.of(row, "type")) === null;
function sectionQuestion(reading2, rows) {
  if (reading2.cells.file.answers.section !== void 0) return [];
  const below = rows.filter((row) => isOfSection(reading2, row));
  const [first2] = below;
  if (!first2) return [];
  const lines = below.length === 1 ? "1 line stands" : `${below.length} lines stand`;
  return [
    {
      key: "section",
      words: `${lines} below \u201C${reading2.wayOf(first2)}\u201D (first line ${first2.line}). Are they owed?`,
      choices: [
        { answer: "credit", result: "no: they lower what their customers owe" },
        { answer: "leave", result: "neither: left out" },
        { answer: "invoice", result: "yes: they are invoices" }
      ]
    }
  ];
}

// src/core/readings/invoices/sideColumn.ts
var MOST_LOOKED_AT7 = 2e3;
var SIDE = /\b(?:d ?c|c ?d|dr ?cr|cr ?dr|debit|credit|soll|haben|s ?h|sign|side|indicator)\b/;
function creditSide(cells, rows) {
  const looked = rows.slice(0, MOST_LOOKED_AT7);
  const side = cells.unread().find(({ head, at }) => {
    const words = looked.map((row) => (row.cells[at] ?? "").trim()).filter((word) => word !== "");
    if (words.length === 0 || !words.every(isLedgerWord)) return false;
    return SIDE.test(plainWords(head)) || words.every((word) => word.length > 2);
  });
  return side === void 0 ? () => false : (row) => sureDirection(row.cells[side.at] ?? "") === 1;
}

// src/core/readings/invoices/taxOfInvoices.ts
var BEFORE2 = /\b(net|netto|neto|nett|ht|hors taxes?|excl|excluding|ex|before|subtotal|sub total|untaxed|taxable|imponibile|base)\b/;
var WITH = /\b(gross|brutto|bruto|ttc|incl|including|inc|grand total|total|gesamtbetrag|rechnungsbetrag|totale|totaal)\b/;
var WITHOUT = /\b(excl|excluding|exclusive|before|subtotal|sub total|untaxed|taxable|ht|hors taxes?|netto|nettobetrag|ohne|zzgl|imponibile|senza)\b/;
function taxOnTop(reading2, rows) {
  const { cells } = reading2;
  const said2 = cells.file.answers.taxed;
  if (said2 === "on_top" || said2 === "within") return said2 === "on_top";
  const taxed = rows.filter(
    (row) => sizeOf2(reading2, row, "tax") !== 0 && totalOf2(reading2, row) !== 0
  );
  if (!cells.has("tax") || !cells.has("total") || taxed.length === 0) return false;
  const footing = taxed.filter((row) => cells.of(row, "balance") !== "");
  const owed = (row) => ["balance", "paid", "credited"].reduce((sum, field) => sum + sizeOf2(reading2, row, field), 0);
  const within = footing.some((row) => owed(row) <= totalOf2(reading2, row) && owed(row) !== 0);
  const onTop = footing.some(
    (row) => owed(row) === totalOf2(reading2, row) + sizeOf2(reading2, row, "tax")
  );
  if (onTop !== within) return onTop;
  const head = plainWords(cells.head("total"));
  if (BEFORE2.test(head)) return true;
  return WITH.test(head) || isAgreed(cells) ? false : null;
}
var sizeOf2 = (reading2, row, field) => Math.abs(sumOfCell(reading2, row, field) ?? 0);
var totalOf2 = (reading2, row) => sizeOf2(reading2, row, "total");
function withoutTax(reading2, rows) {
  const { cells } = reading2;
  const first2 = rows.find((row) => totalOf2(reading2, row) !== 0);
  const isSaid2 = isAgreed(cells) || cells.has("tax") || cells.has("balance");
  const isAsked = cells.has("total") && WITHOUT.test(plainWords(cells.head("total")));
  if (!first2 || isSaid2 || !isAsked || cells.file.answers.taxed !== void 0) return [];
  const shown2 = formatAmount(totalOf2(reading2, first2), reading2.currencyOf(first2));
  return [
    {
      key: "taxed",
      words: `\u201C${cells.head("total")}\u201D is without tax, and no column says how much that is. What is owed?`,
      choices: [
        {
          answer: "take",
          result: `no tax comes on top: line ${first2.line} is made out for ${shown2}`
        }
      ]
    }
  ];
}
function taxQuestion(reading2, rows) {
  const open = withoutTax(reading2, rows);
  if (open.length > 0) return open;
  const first2 = rows.find((row) => sizeOf2(reading2, row, "tax") !== 0);
  if (!first2 || taxOnTop(reading2, rows) !== null) return [];
  const { cells } = reading2;
  const shown2 = (sum) => formatAmount(sum, reading2.currencyOf(first2));
  const [total, tax] = [totalOf2(reading2, first2), sizeOf2(reading2, first2, "tax")];
  return [
    {
      key: "taxed",
      words: `Is \u201C${cells.head("tax")}\u201D in \u201C${cells.head("total")}\u201D already, or on top of it?`,
      choices: [
        { answer: "within", result: `in it: line ${first2.line} is made out for ${shown2(total)}` },
        {
          answer: "on_top",
          result: `on top: line ${first2.line} is made out for ${shown2(total + tax)}`
        }
      ]
    }
  ];
}

// src/core/readings/invoices/takenOff.ts
function chargedIn(reading2, row) {
  const debit = sumOfCell(reading2, row, "debit");
  return debit !== null && debit !== 0 && sumOfCell(reading2, row, "total") === null ? debit : null;
}
function takenOff(reading2, row) {
  const fields = chargedIn(reading2, row) === null ? [] : ["credit"];
  const named2 = ["paid", "credited", ...fields].map((field) => sumOfCell(reading2, row, field));
  const extra = headsUsedAs(reading2, "paid").map((head) => sumUnderHead(reading2, row, head));
  return [...named2, ...extra].reduce((total, sum) => total + Math.abs(sum ?? 0), 0);
}

// src/core/readings/invoices/termsOfInvoice.ts
function termsOf2(reading2, row, isDueSaid) {
  const raw = reading2.cells.of(row, "terms");
  const inDue = isDueSaid ? null : termsIn(reading2.cells.of(row, "dueOn"));
  if (inDue !== null) return inDue;
  const read2 = termsIn(raw) ?? (parseTerms(raw).ok ? raw : termsOfNumber(reading2, raw));
  return read2 ?? (isDueSaid ? "" : raw || termsSaid(reading2, row));
}
var termsOfNumber = (reading2, raw) => /^\d{1,3}$/.test(raw) && (/\b(?:days?|tage|jours)\b/.test(plainWords(reading2.cells.head("terms"))) || DAYS_OF_TERMS.has(Number(raw))) ? `n/${raw}` : null;
var DAYS_OF_TERMS = /* @__PURE__ */ new Set([7, 10, 14, 15, 20, 21, 28, 30, 45, 60, 75, 90, 120]);

// src/core/readings/invoices/invoiceTable.ts
var WORKED_OUT2 = /* @__PURE__ */ new Set(["type", "status", "paid", "credited", "terms", "debit", "credit"]);
function invoiceTable(reading2, rows) {
  const leftOut = [];
  const made = [];
  const file = {
    onTop: taxOnTop(reading2, rows) === true,
    running: isAccounts(reading2, rows),
    isCredited: creditSide(reading2.cells, rows),
    isTurned: said(reading2, "owed") === "size"
  };
  for (const row of rows) {
    const standing2 = standingOf(reading2, row);
    const kind = kindOf2(reading2, row);
    if (standing2 === "void") leftOut.push({ line: row.line, why: "no_money" });
    else if (kind === "leave") leftOut.push({ line: row.line, why: "not_ours" });
    else made.push(canonicalRow(reading2, row, { ...file, kind, standing: standing2 }));
  }
  const whole3 = wholeInvoices(reading2, made);
  const standing = rows.filter((row) => standingOf(reading2, row) !== "void");
  const sumsOf4 = (row) => ({
    total: totalOf3(reading2, row, file),
    off: takenOff(reading2, row)
  });
  return {
    rows: whole3.rows,
    leftOut: [...leftOut, ...whole3.leftOut],
    refused: [],
    questions: [
      ...numberQuestion(reading2.cells.file),
      ...titleQuestion(reading2.cells, rows),
      ...wordQuestions2(reading2, rows, file.isCredited),
      ...sectionQuestion(reading2, rows),
      ...standingQuestions(reading2, rows),
      ...taxQuestion(reading2, rows),
      ...runningQuestion(reading2, rows),
      ...balanceQuestion(reading2, rows, (row) => totalOf3(reading2, row, file)),
      ...emptyOpenQuestion(reading2, rows),
      ...openOfThree(reading2, standing, sumsOf4),
      ...standsOtherwiseQuestion(reading2, standing),
      ...agesQuestion(reading2, standing),
      ...totalQuestion(reading2, rows),
      ...dueQuestion(reading2, rows),
      ...creditSignQuestion(reading2, rows, file.isCredited),
      ...belowZeroQuestion(reading2, rows, (row) => kindOf2(reading2, row) === "credit"),
      ...file.running ? [] : openSignQuestion(reading2, rows),
      ...whole3.questions
    ],
    proofs: balanceProof(reading2, standing, sumsOf4)
  };
}
function kindOf2(reading2, row) {
  if (isOfSection(reading2, row))
    return said(reading2, "section") ?? "leave";
  const word = reading2.cells.of(row, "type");
  if (word === "")
    return saidByTitle(reading2.cells) === "credit" || said(reading2, "credits") === "credits" && looksLikeCredit(reading2, row) ? "credit" : "invoice";
  return said(reading2, `word:${word.toLowerCase()}`) ?? sureKindOf(word) ?? "leave";
}
function standingOf(reading2, row) {
  const word = reading2.cells.of(row, "status");
  if (word === "") return standingByTitle(reading2);
  return said(reading2, `state:${word.toLowerCase()}`) ?? sureStanding(word) ?? "open";
}
function standingByTitle({ cells }) {
  const titled = saidByTitle(cells);
  return titled === "paid" || titled === "void" ? titled : "open";
}
function canonicalRow(reading2, row, facts) {
  const fields = plainFields(reading2, row, WORKED_OUT2);
  const currency = reading2.currencyOf(row);
  const lowers = isLowering(reading2, row, facts);
  const sums2 = {
    total: totalOf3(reading2, row, facts),
    balance: balanceOf3(reading2, row, facts),
    tax: fields.tax === void 0 ? null : sumOfCell(reading2, row, "tax") ?? 0
  };
  const written = Object.entries(sums2).flatMap(([field, sum]) => {
    if (sum === null) return [];
    const owed = facts.isTurned ? -sum : sum;
    return [[field, inText(lowers ? -Math.abs(sum) : owed, currency)]];
  });
  if (isTermsAsDue("dueOn", fields.dueOn ?? "")) delete fields.dueOn;
  const terms = termsOf2(reading2, row, fields.dueOn !== void 0);
  const late = lateSaid(reading2, row);
  return { line: row.line, fields: { ...fields, terms, ...late, ...Object.fromEntries(written) } };
}
var isLowering = (reading2, row, { kind, isCredited }) => kind === "credit" || isCredited(row) || isCredit2(reading2, row) || sumOfCell(reading2, row, "total") === null && (movementOf(reading2, row) ?? 0) < 0;
var isCredit2 = (reading2, row) => ["total", "balance"].some((field) => writtenSum(reading2.cells.of(row, field))?.side === "credit");
function totalOf3(reading2, row, { onTop, running }) {
  const moved = chargedIn(reading2, row) ?? movementOf(reading2, row);
  const late = sumUsedAs(reading2, row, "owed");
  if (moved === null) return running ? null : openWithHeld(reading2, row);
  const tax = onTop ? Math.abs(sumOfCell(reading2, row, "tax") ?? 0) : 0;
  return (moved < 0 ? moved - tax : moved + tax) + late;
}
function balanceOf3(reading2, row, facts) {
  if (saidByTitle(reading2.cells) === "paid") return ZERO;
  const byState = openByState(reading2, row);
  if (byState !== null) return byState;
  const isRest = said(reading2, "three") === "rest" && sumOfCell(reading2, row, "paid") !== null;
  const stated = facts.running || isRest ? null : openWithHeld(reading2, row);
  if (stated !== null)
    return said(reading2, "openSign") === "size" && isAgainst(reading2, row) ? negate(stated) : stated;
  if (facts.standing === "paid") return 0;
  const total = totalOf3(reading2, row, facts);
  if (total === null) return null;
  return total - takenOff(reading2, row);
}

// src/core/readings/lines/creditSections.ts
var OF_CREDITS = /\b(?:unapplied|unallocated|payments?|receipts?|credits?|credit notes?|credit memos?|prepay\w*|deposits?|on account|advances?|gutschriften|zahlungen|avoirs|abonos)\b/;
function creditSections(table) {
  if (table.headers.includes(HEADING) || groupPlace(table) !== null)
    return { table, leftOut: [], wayOf: () => "" };
  const leftOut = [];
  const ways = /* @__PURE__ */ new Map();
  let section = "";
  const rows = table.rows.filter((row) => {
    const at = onlyWords(row.cells);
    const words = plainWords(row.cells[at] ?? "");
    if (at < 0 || isTotalWord(words)) {
      if (section !== "") ways.set(row.line, section);
      return true;
    }
    section = OF_CREDITS.test(words) ? (row.cells[at] ?? "").trim() : "";
    if (section !== "") leftOut.push({ line: row.line, why: "heading" });
    return section === "";
  });
  return leftOut.length === 0 ? { table, leftOut, wayOf: () => "" } : { table: { ...table, rows }, leftOut, wayOf: ({ line }) => ways.get(line) ?? "" };
}

// src/core/readings/lines/flags/flagQuestion.ts
var ASKED = {
  invoices: "Is that owed?",
  customers: "Are they customers?",
  returns: "Does the return stand?"
};
function flagQuestion(cells, { head, rows, tells }) {
  const { kind } = cells.file;
  const at = cells.file.table.headers.indexOf(head);
  const said2 = some(rows.map((row) => (row.cells[at] ?? "").trim()));
  const lines = rows.length === 1 ? "1 line" : `${rows.length} lines`;
  const where = `on ${lines}, first line ${rows[0]?.line ?? 0}.`;
  const key = `column:${head}`;
  if (isPaid(kind, head))
    return {
      key,
      words: `\u201C${head}\u201D says ${said2} ${where} Is anything of it still open?`,
      choices: [
        { answer: "status", result: `no: ${lines} left out` },
        { answer: "leave", result: "yes: the column changes nothing" }
      ]
    };
  if (tells === "link")
    return {
      key,
      words: `\u201C${head}\u201D names another payment of the file ${where} What is such a line?`,
      choices: [
        { answer: "leave", result: `a payment of its own: ${lines}` },
        { answer: "refund", result: `the refund of the one that it names: ${lines}` },
        { answer: "status", result: `no money: ${lines} left out` }
      ]
    };
  if (tells === "back")
    return {
      key,
      words: `\u201C${head}\u201D says ${said2} ${where} Was that money taken back, and does no other line say so?`,
      choices: [
        { answer: "leave", result: "no, or it has lines of its own: the column changes nothing" },
        { answer: "status", result: `yes: ${lines} left out, as nothing is left of them` },
        ...kind === "processor" ? [{ answer: "refund", result: `each such line is the refund itself: ${lines}` }] : []
      ]
    };
  const out = { answer: "status", result: `no: ${lines} left out` };
  const all = { answer: "leave", result: "yes: every line counts, whatever the column says" };
  return {
    key,
    words: `\u201C${head}\u201D ${said2 === "\u201C\u201D" ? "is empty" : `says ${said2}`} ${where} ${ASKED[kind] ?? "Is that money?"}`,
    choices: kind === "returns" || staysOwed(kind, head) ? [all, out] : [out, all]
  };
}

// src/core/readings/lines/flags/lumpedRows.ts
var COUNT_HEAD = /^(?:number|count) of \w+$|^(?:transactions|sales|payments|orders|charges|items)(?: count)?$|\bcount$/;
function lumpQuestions(cells, rows) {
  if (cells.file.answers.payouts === "payout") return [];
  return cells.unread().flatMap(({ head, at }) => {
    if (!COUNT_HEAD.test(plainWords(head))) return [];
    const many = rows.filter((row) => /^[2-9]$|^[1-9]\d{1,5}$/.test((row.cells[at] ?? "").trim()));
    const [first2] = many;
    if (!first2) return [];
    return [
      {
        key: `column:${head}`,
        words: `\u201C${head}\u201D says that a line stands for several payments (line ${first2.line}: ${(first2.cells[at] ?? "").trim()}). A list of each payment is needed to match them.`,
        choices: [
          { answer: "leave", result: "each line is one payment, whatever the column says" }
        ]
      }
    ];
  });
}
function wayQuestions(cells, rows) {
  return cells.unread().flatMap(({ head, at }) => {
    const words = [...new Set(rows.map((row) => (row.cells[at] ?? "").trim()))];
    const [first2, second, ...more] = words;
    if (first2 === void 0 || second === void 0 || more.length > 0) return [];
    if (words.some((word) => sureDirection(word) === null)) return [];
    const of = (word) => rows.filter((row) => (row.cells[at] ?? "").trim() === word);
    return [
      {
        key: `column:${head}`,
        words: `\u201C${head}\u201D says ${first2} on ${of(first2).length} and ${second} on ${of(second).length} lines (first lines ${of(first2)[0]?.line ?? 0} and ${of(second)[0]?.line ?? 0}). Which brought money?`,
        choices: [
          { answer: `without ${second}`, result: `${first2}: the others are left out` },
          { answer: `without ${first2}`, result: `${second}: the others are left out` },
          ...[second, first2].map((word) => ({
            answer: `takes ${word}`,
            result: `both: ${word} took money, as of line ${of(word)[0]?.line ?? 0}`
          })),
          { answer: "leave", result: "both: the sums say it by their signs" }
        ]
      }
    ];
  });
}
var columnQuestions = (cells, rows) => [...lumpQuestions(cells, rows), ...cells.has("kind") ? [] : wayQuestions(cells, rows)].filter(
  ({ key }) => cells.file.answers[key] === void 0
);
function without(cells, rows) {
  const said2 = cells.unread().flatMap(({ head, at }) => {
    const answer = cells.file.answers[`column:${head}`] ?? "";
    return answer.startsWith("without ") ? [{ at, word: answer.slice(8) }] : [];
  });
  if (said2.length === 0) return [];
  return rows.filter((row) => said2.some(({ at, word }) => (row.cells[at] ?? "").trim() === word));
}

// src/core/readings/lines/flags/notCustomers.ts
var BUYS = /^(?:is )?(?:a )?(?:customers?|clients?|debtors?|debitor|kunde|cliente|klant)(?: flag)?$/;
var SELLS = /^(?:is )?(?:a )?(?:vendors?|suppliers?|creditors?|kreditor|lieferant|fournisseur|proveedor|fornitore|leverancier)(?: flag)?$/;
var ROLE = /^(?:(?:contact|name|account|record|partner|relationship|entity|party|list) )?(?:type|kind|role|category|group|relationship)$|^typ$|^art$|^tipo$/;
var OTHERS = /\b(?:vendors?|suppliers?|employees?|staff|contractors?|other names?|leads?|prospects?|competitors?|creditors?|lieferant(?:en)?|kreditor(?:en)?|mitarbeiter|interessent|fournisseurs?|salaries?|proveedor(?:es)?|empleados?|fornitor[ei]|leveranciers?)\b/;
var CUSTOMERS = /\b(?:customers?|clients?|kunden?|debitor(?:en)?|clientes?|clienti|klant(?:en)?)\b/;
var OTHER_OF_IT = /^(?:duplicate of|merged (?:into|with|to)|replaced by|superseded by|master (?:id|record|account)|surviving (?:id|record|account))(?: \w+)?$/;
var STAGE = /^(?:(?:lead|sales|lifecycle|pipeline|deal|contact|account) )?(?:stage|status|state)$/;
var NOT_YET2 = /^(?:lost|closed lost|unqualified|new lead|opportunity|cold|warm|nurturing|churned)$/;
var GONE = /^(?:is )?(?:deleted|archived|merged|duplicate|spam|test|trashed|geloscht)$/;
var saysWhoBuys = (head) => BUYS.test(plainWords(head));
function notCustomers(head, filled, heads) {
  const plain = plainWords(head);
  if (GONE.test(plain)) return isYes;
  if (OTHER_OF_IT.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (saysWhoBuys(head) && filled.some(isYes)) return (cell) => !isYes(cell);
  if (SELLS.test(plain)) return heads.some(saysWhoBuys) ? null : isYes;
  if (STAGE.test(plain))
    return (cell) => NOT_YET2.test(plainWords(cell)) || OTHERS.test(plainWords(cell));
  return ROLE.test(plain) ? (cell) => OTHERS.test(plainWords(cell)) && !CUSTOMERS.test(plainWords(cell)) : null;
}

// src/core/readings/lines/flags/flagsOfKind.ts
var SENT = /^(?:sent|issued|mailed|transmitted|remitted|released|disbursed|executed|confirmed)$/;
var adviceTest = (head) => (cell) => /^void(?:ed)?\b/i.test(cell) || isDead("remittance", cell) || tellsStanding(head) && !SENT.test(plainWords(cell)) && isUnknown("remittance", cell);
var UNDONE = /\b(?:dishono\w*|contest\w*|redeposit\w*|re ?present(?:ed|ment)|resubmit\w*|retried|cancell?ed|reversed|withdrawn)\b/;
var STANDS = /^(?:returned|confirmed|final|finali[sz]ed|processed|posted|received|accepted|new|open|closed|complete|completed|settled|sent|reported|rejected|failed|unpaid)$/;
var returnTest = (head) => (cell) => tellsStanding(head) && isUnknown("returns", cell) && !STANDS.test(plainWords(cell)) && // Where somebody lives is a state too.
!/^[A-Z]{2}$/.test(cell) || UNDONE.test(plainWords(cell)) || UNDONE.test(plainWords(head)) && cell !== "" && !isNo(cell);
var FLAGS_OF_KIND = {
  remittance: (head, filled) => saysNoLine(head) ? testByHead("remittance", head, filled) : adviceTest(head),
  returns: returnTest,
  customers: notCustomers
};

// src/core/readings/lines/flags/linkedRows.ts
var known7 = /* @__PURE__ */ new WeakMap();
function linkTest(cells, rows, at) {
  if (cells.file.kind !== "processor" || cells.has("kind")) return null;
  const nameOf = (row) => cells.of(row, "id") || cells.of(row, "reference");
  const ids = known7.get(rows) ?? new Set(rows.map(nameOf).filter((id) => id !== ""));
  known7.set(rows, ids);
  const names = (cell, row) => ids.has(cell) && cell !== nameOf(row);
  const linked = rows.filter((row) => names((row.cells[at] ?? "").trim(), row));
  return linked.length === 0 || linked.length === rows.length ? null : names;
}

// src/core/readings/lines/flags/olderVersions.ts
var VERSION = /^(?:version|revision|rev|attempts?|attempt (?:no|nr|number|count)|tries|try|retry|retries|retry count)$/;
function olderVersions(cells, rows, { head, at }) {
  if (!VERSION.test(plainWords(head))) return null;
  const nameOf = (row) => ["id", "number", "reference"].map((field) => cells.of(row, field)).find((name) => name !== "") ?? null;
  const older = [...groupedBy(rows, nameOf).values()].flatMap((group) => {
    const versions = group.map((row) => versionIn((row.cells[at] ?? "").trim()));
    const last2 = Math.max(...versions);
    return group.filter((_, nth) => (versions[nth] ?? 0) < last2);
  });
  return older.length === 0 ? null : new Set(older.map(({ line }) => line));
}
var versionIn = (cell) => Number(/^\D{0,10}(\d{1,4})/.exec(cell)?.[1] ?? 0);

// src/core/readings/lines/flags/paidInvoices.ts
function isPaidInPart(cells, row) {
  const paid = cells.of(row, "paid");
  return /[1-9]/.test(paid) && paid !== cells.of(row, "total");
}
var isGone = (cells, cell, row) => isGivenUp(cell) || sureStanding(cell) === "paid" && cells.of(row, "balance") === "" && !isPaidInFull(cells, row);
var isPaidInFull = (cells, row) => cells.of(row, "paid") !== "" && cells.of(row, "paid") === cells.of(row, "total");

// src/core/readings/lines/flags/payoutStanding.ts
var HEAD4 = /^(?:payout|transfer to bank|disbursement) (?:status|state)$/;
function payoutTest(cells, head) {
  if (!HEAD4.test(plainWords(head))) return null;
  return (cell, row) => sureState(cell) === "none" || sureKind(cells.of(row, "kind")) === "payout" && isDead("processor", cell);
}

// src/core/readings/lines/flags/flagColumns.ts
var SAID = ["invoices", "customers"];
var MOST_STATES = 12;
function flagged(cells, rows) {
  const { answers } = cells.file;
  const flags = flagHeads(cells).flatMap((column) => flagOf(cells, rows, column));
  const out = new Set(
    flags.filter(({ head }) => answers[`column:${head}`] === "status").flatMap((flag) => flag.rows.map(({ line }) => line))
  );
  const isActivity = cells.file.kind === "processor";
  if (isActivity) for (const { line } of without(cells, rows)) out.add(line);
  const left = rows.filter(({ line }) => out.has(line));
  return {
    rows: rows.filter(({ line }) => !out.has(line)),
    leftOut: left.map(({ line }) => ({
      line,
      why: SAID.includes(cells.file.kind) ? "said" : "no_money"
    })),
    ended: cells.file.kind === "processor" ? left.flatMap((row) => endedRow(cells, row, "no_money")) : [],
    questions: [
      ...flags.filter(({ head }) => answers[`column:${head}`] === void 0).map((flag) => flagQuestion(cells, flag)),
      ...isActivity ? columnQuestions(cells, rows) : []
    ]
  };
}
function flagHeads(cells) {
  const link = cells.has("kind") ? "" : cells.head("relatedId");
  const read2 = [link, numberOfPayment(cells)].flatMap((head) => {
    const at = cells.file.table.headers.indexOf(head);
    return head === "" || at < 0 ? [] : [{ head, at }];
  });
  return [...cells.unread(), ...read2];
}
var numberOfPayment = (cells) => cells.file.kind === "remittance" ? cells.head("trace") : "";
var isVoid = (cell) => /^void(?:ed)?\b/i.test(cell);
function flagOf(cells, rows, column) {
  const { kind } = cells.file;
  if (linesNamed(cells, rows)?.head === column.head) return [];
  const link = linkTest(cells, rows, column.at);
  const isRead = column.head === cells.head("relatedId");
  const own = column.head === numberOfPayment(cells) ? isVoid : null;
  const says3 = link ?? own ?? (isRead ? null : flagTest(kind, cells, rows, column));
  if (says3 === null) return [];
  const open = rows.filter((row) => says3((row.cells[column.at] ?? "").trim(), row));
  const isOpen = open.some((row) => counts(cells, row));
  const words = isBack(kind, column.head) ? "back" : "none";
  return isOpen ? [{ head: column.head, rows: open, tells: link ? "link" : words }] : [];
}
function flagTest(kind, cells, rows, { head, at }) {
  const filled = rows.map((row) => (row.cells[at] ?? "").trim());
  const own = FLAGS_OF_KIND[kind];
  if (own) return own(head, filled, cells.file.table.headers);
  const ofMoney = backTest(cells, rows, head) ?? besideTest(cells, head) ?? (kind === "processor" ? sentByCode(head, filled) ?? payoutTest(cells, head) : null);
  if (ofMoney !== null) return ofMoney;
  if (isPaid(kind, head))
    return (cell, row) => {
      const [balance, total] = [cells.of(row, "balance"), cells.of(row, "total")];
      if (balance === "" ? !isPaidInPart(cells, row) : balance === total)
        return saysPaid(head, cell);
      return isYes(cell) && (balance === "" || /[1-9]/.test(balance));
    };
  const byHead = headTest(cells, rows, { head, at }, filled);
  if (byHead !== null) return byHead;
  if (new Set(filled).size > MOST_STATES)
    return kind === "invoices" && filled.some(isGivenUp) ? isGivenUp : null;
  const isState = saysStanding(head, filled);
  return (cell, row) => isDead(kind, cell) || kind === "invoices" && isGone(cells, cell, row) || isState && isUnknown(kind, cell);
}
function headTest(cells, rows, column, filled) {
  const older = olderVersions(cells, rows, column);
  if (older !== null) return (_cell, row) => older.has(row.line);
  return testByHead(cells.file.kind, column.head, filled);
}
function backTest(cells, rows, head) {
  if (!isBack(cells.file.kind, head)) return null;
  if (cells.has("refunded") && /\brefund/.test(plainWords(head))) return () => false;
  const linked = new Set(cells.column(rows, "relatedId"));
  return (cell, row) => wasTakenBack(cell) && !linked.has(cells.of(row, "id")) && !isBackItself(cells, row) && !cameBack(cells, row);
}
function isBackItself(cells, row) {
  const kind = sureKind(cells.of(row, "kind"));
  return kind === "refund" || kind === "dispute" || kind === "ach_return";
}
function besideTest(cells, head) {
  const { kind } = cells.file;
  const isOfParts = cells.has("net") && !cells.has("gross");
  return kind === "processor" && isBesideHead(head) && !isOfParts ? (cell) => isSum(cell) && /[1-9]/.test(cell) || isDead(kind, cell) : null;
}
function counts(cells, row) {
  const word = cells.of(row, "status");
  if (cells.file.kind === "invoices") return sureStanding(word) !== "void";
  return [word, cells.of(row, "kind")].every((said2) => (sureState(said2) ?? "counts") === "counts");
}

// src/core/readings/lines/hiddenRows.ts
function shownRows(rows, { table, answers }) {
  const hidden = new Set(table.hidden);
  const unseen = rows.filter(({ line }) => hidden.has(line));
  const [first2] = unseen;
  if (!first2 || answers.hidden === "take") return { rows, leftOut: [], questions: [] };
  const leftOut = unseen.map(({ line }) => ({ line, why: "hidden" }));
  if (answers.hidden === "leave")
    return { rows: rows.filter(({ line }) => !hidden.has(line)), leftOut, questions: [] };
  const count2 = unseen.length;
  const words = `The sheet hides ${count2 === 1 ? "a line" : `${count2} of its lines`}, ${count2 === 1 ? "line" : "the first is line"} ${first2.line}. ${count2 === 1 ? "Is it" : "Are they"} part of the list?`;
  const choices = [
    { answer: "take", result: count2 === 1 ? "it is taken in too" : "they are taken in too" },
    { answer: "leave", result: count2 === 1 ? "1 line left out" : `${count2} lines left out` }
  ];
  return { rows, leftOut: [], questions: [{ key: "hidden", words, choices }] };
}

// src/core/readings/lines/parts/printedOnce.ts
var ONCE = {
  bank: { field: "postedOn", with: [], called: "day" },
  invoices: { field: "customerId", with: [], called: "customer" },
  remittance: { field: "paidOn", with: ["trace", "payerName", "total"], called: "day of payment" }
};
function printedOnce(cells, rows) {
  const { kind, table, answers } = cells.file;
  const once = ONCE[kind];
  const at = once ? table.headers.indexOf(cells.head(once.field)) : -1;
  if (!once || at < 0 || answers.above === "leave" || isAgreedLayout(cells))
    return { rows, questions: [] };
  const others = once.with.map((field) => table.headers.indexOf(cells.head(field))).filter((place) => place >= 0);
  const places = [at, ...others];
  const above = places.map(() => "");
  const open = [];
  const whole3 = rows.map((row) => {
    const own = cells.of(row, once.field);
    if (own !== "") {
      places.forEach((place, nth) => above[nth] = (row.cells[place] ?? "").trim());
      return row;
    }
    if (above[0] === "" || !hasSum(cells, row)) return row;
    const filled = { ...row, cells: filledIn(row.cells, places, above) };
    open.push(filled);
    return filled;
  });
  const [first2] = open;
  if (!first2) return { rows, questions: [] };
  const asked = {
    ...once,
    line: first2.line,
    above: cells.of(first2, once.field),
    count: open.length
  };
  return answers.above === void 0 ? { rows, questions: [question(asked)] } : { rows: whole3, questions: [] };
}
var filledIn = (cells, places, above) => cells.map((cell, at) => cell.trim() === "" ? above[places.indexOf(at)] ?? cell : cell);
function hasSum(cells, row) {
  const isBooked = cells.of(row, "status") === "" || sureState(cells.of(row, "status")) === "counts";
  return isBooked && sumFields(cells).some(
    (field) => field !== "balance" && writtenSum(cells.of(row, field)) !== null
  );
}
var question = ({ called, line, above, count: count2 }) => ({
  key: "above",
  words: `${count2 === 1 ? "1 line with a sum has" : `${count2} lines with a sum have`} no ${called}, first line ${line}. Are they of the ${called} above them?`,
  choices: [
    { answer: "day", result: `yes: line ${line} is of ${above}` },
    { answer: "leave", result: `no: they are refused until their ${called} is said` }
  ]
});

// src/core/readings/lines/whose/ofOneAccount.ts
var FEW_ACCOUNTS = 6;
var MOST_ACCOUNTS = 20;
var ALL = "all";
function ofOneAccount(cells, rows, { accountEnds = null }) {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  if (cells.file.kind !== "bank") return all;
  const { whose } = cells.file.answers;
  if (!cells.has("account"))
    return { ...all, ...ofAnother(accountsAbove(cells.file.table), whose, accountEnds) };
  const counts2 = /* @__PURE__ */ new Map();
  const accountOf = (row) => endOf2(cells.of(row, "account"));
  for (const row of rows) counts2.set(accountOf(row), (counts2.get(accountOf(row)) ?? 0) + 1);
  counts2.delete("");
  if (counts2.size === 0 || isOfOthers2(cells, counts2, rows.length)) return all;
  const said2 = whose;
  if (said2 === ALL) return all;
  if (counts2.size === 1) return { ...all, ...ofAnother([...counts2.keys()], said2, accountEnds) };
  const taken = [said2, accountEnds].find((account) => account && counts2.has(account));
  if (!taken) return { ...all, questions: [severalQuestion(counts2)] };
  return {
    rows: rows.filter((row) => accountOf(row) === taken),
    leftOut: rows.filter((row) => accountOf(row) !== taken).map(({ line }) => ({ line, why: "other_account" })),
    questions: [],
    proofs: [`${linesOf2(counts2.get(taken) ?? 0)} of the account ending ${taken}`]
  };
}
var linesOf2 = (count2) => count2 === 1 ? "the one line" : `the ${count2} lines`;
function endOf2(text) {
  const digits = text.replace(/\D/g, "");
  return digits.length >= 4 ? digits.slice(-4) : text.trim();
}
var isOfOthers2 = ({ file: { table } }, counts2, lines) => table.kind === void 0 && counts2.size > FEW_ACCOUNTS && (counts2.size > MOST_ACCOUNTS || counts2.size * 3 > lines);
var NUMBER = /\b(?:accounts?|acct|konto(?:nummer)?|compte|cuenta|conto|rekening|iban|card)\b[^\d*•]{0,40}?((?:[*x•.]{2}[*x•. -]{0,30}|ending (?:in |with )?)\d(?:[ -]?\d){3}|[A-Z]{0,2}\d[\d -]{5,38}\d)(?![\d.,/])/i;
function accountsAbove({ kind, above = [] }) {
  if (kind !== void 0) return [];
  const numbers = above.flatMap((line) => NUMBER.exec(line)?.[1] ?? []);
  return [...new Set(numbers.filter((text) => writtenDay(text) === null).map(endOf2))];
}
function ofAnother([found = "", ...others], said2, accountEnds) {
  if (others.length > 0) return { questions: [] };
  const isSame4 = accountEnds === null || !/^\d{4}$/.test(found) || found === accountEnds;
  if (isSame4 || said2 === found) return { questions: [] };
  const words = `The file is of an account that ends in ${found}, and is to be taken into one that ends in ${accountEnds}. If it is another, choose that account.`;
  return {
    questions: [
      {
        key: "whose",
        words,
        choices: [{ answer: found, result: "it is this account all the same" }]
      }
    ]
  };
}
var severalQuestion = (counts2) => ({
  key: "whose",
  words: `The file has the lines of ${counts2.size} accounts. One is taken in at a time; the others are left out, and the same file is taken into theirs.`,
  choices: [
    ...[...counts2].map(([account, count2]) => ({
      answer: account,
      result: `${linesOf2(count2)} of ${/^\d{4}$/.test(account) ? `the account ending ${account}` : `\u201C${account}\u201D`}`
    })),
    { answer: ALL, result: "all lines: they are of one account" }
  ]
});

// src/core/readings/lines/whose/ofOneCompany.ts
var COMPANY = /^(?:company|company code|entity|legal entity|subsidiary|business unit|org|organi[sz]ation|buchungskreis|mandant|societe|sociedad|azienda)$/;
var MOST = 6;
var ALL2 = "all";
function ofOneCompany(cells, rows) {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  const column = cells.unread().find(({ head }) => COMPANY.test(plainWords(head)));
  const { whose } = cells.file.answers;
  if (!column || whose === ALL2) return all;
  const companyOf = (row) => (row.cells[column.at] ?? "").trim();
  const counts2 = /* @__PURE__ */ new Map();
  for (const row of rows) counts2.set(companyOf(row), (counts2.get(companyOf(row)) ?? 0) + 1);
  counts2.delete("");
  if (counts2.size < 2 || counts2.size > MOST || counts2.size * 2 > rows.length) return all;
  if (whose === void 0 || !counts2.has(whose))
    return { ...all, questions: [question2(column.head, counts2)] };
  return {
    ...all,
    rows: rows.filter((row) => companyOf(row) === whose),
    leftOut: rows.filter((row) => companyOf(row) !== whose).map(({ line }) => ({ line, why: "other_account" }))
  };
}
var question2 = (head, counts2) => ({
  key: "whose",
  words: `\u201C${head}\u201D names ${counts2.size} companies. Whose book is this?`,
  choices: [
    ...[...counts2].map(([name, count2]) => ({
      answer: name,
      result: `of \u201C${name}\u201D: ${count2} lines, and the others are left out`
    })),
    { answer: ALL2, result: "all lines are of this book, whatever the column says" }
  ]
});

// src/core/readings/lines/whose/leftWhereSaid.ts
function leftWhereSaid(cells, rows, doubted) {
  const all = { rows, leftOut: [], questions: [], proofs: [] };
  if (doubted === null || doubted.lines.length === 0) return all;
  const { head, lines } = doubted;
  const said2 = cells.file.answers[`column:${head}`];
  if (said2 === void 0) return { ...all, questions: [doubtQuestion(cells, doubted)] };
  if (said2 !== "status") return all;
  const out = new Set(lines);
  return {
    ...all,
    rows: rows.filter((row) => !out.has(row)),
    leftOut: lines.map(({ line }) => ({ line, why: "said" }))
  };
}
function doubtQuestion(cells, { head, lines, asked }) {
  const at = cells.file.table.headers.indexOf(head);
  const said2 = some(lines.map((row) => (row.cells[at] ?? "").trim()));
  const many = lines.length === 1 ? "1 line" : `${lines.length} lines`;
  return {
    key: `column:${head}`,
    words: `\u201C${head}\u201D says ${said2} on ${many}, first line ${lines[0]?.line ?? 0}. ${asked}`,
    choices: [
      { answer: "status", result: `no: ${many} left out` },
      { answer: "leave", result: "yes: every line counts, whatever the column says" }
    ]
  };
}

// src/core/readings/lines/whose/ownName.ts
var OF_ANY2 = /^(?:and|the|of|inc|llc|ltd|co|company|corp|gmbh|sarl)$/;
var wordsOf = (name) => plainWords(name).split(" ").filter((word) => new RegExp("\\p{L}{2}", "u").test(word) && !OF_ANY2.test(word));
var mayBeOne = (mine, theirs) => mine[0] === theirs[0] || mine.filter((word) => theirs.includes(word)).length > 1;
var isOwn2 = (mine, own) => own.length > 0 && own.slice(0, 2).every((word, at) => mine[at] === word);

// src/core/readings/lines/whose/paidByUs.ts
function paidByUs(cells, rows, { ownName = null }) {
  const own = wordsOf(ownName ?? "");
  const isOpen = cells.has("payerName") && !cells.has("kind");
  const lines = isOpen ? rows.filter((row) => isOwn2(wordsOf(cells.of(row, "payerName")), own)) : [];
  const isOfAll = lines.length === rows.length;
  const asked = "That is your own name: did a customer pay it?";
  return leftWhereSaid(
    cells,
    rows,
    isOfAll ? null : { head: cells.head("payerName"), lines, asked }
  );
}

// src/core/readings/lines/whose/paidToUs.ts
var PAID_TO = /^(?:payee|vendor|supplier|beneficiary|creditor|recipient|paid to|pay to|remit to|lieferant|fournisseur|proveedor)(?: name)?$/;
var paidToUs = (cells, rows, { ownName = null }) => leftWhereSaid(cells, rows, toOthers(cells, rows, wordsOf(ownName ?? "")));
function toOthers(cells, rows, own) {
  const column = cells.unread().find(({ head }) => PAID_TO.test(headWords(head)));
  if (column === void 0 || own.length === 0) return null;
  const nameOf = (row) => plainWords(row.cells[column.at] ?? "");
  if (new Set(rows.map(nameOf)).size < 2) return null;
  const lines = rows.filter((row) => {
    const words = wordsOf(nameOf(row));
    return words.length > 0 && !mayBeOne(words, own);
  });
  return { head: column.head, lines, asked: "Was that paid to you?" };
}

// src/core/readings/lines/flags/saysNone.ts
var NONE3 = /^[*\s([]{0,4}(?:void(?:ed)?|cancell?ed|storniert|annul[ée]e?|anulad[ao]|deleted|duplicate|do not (?:post|pay|send)|declined|failed)\b|\((?:void(?:ed)?|cancell?ed|duplicate)\)|^test(?:\s?[-–:]|$)/i;
var PAID2 = /^[*\s([]{0,4}(?:paid(?: in full| on | by | \d|\s?[-–:]|$)|written off|write[- ]?off)/i;
var TEXTS = {
  invoices: ["description", "number"],
  processor: ["reference"]
};
function saysNone(cells, rows) {
  const { kind, answers } = cells.file;
  const fields = TEXTS[kind] ?? [];
  const wordsOf2 = (row) => fields.map((field) => cells.of(row, field)).find((text) => says(kind, text));
  const found = fields.length === 0 ? [] : rows.filter((row) => wordsOf2(row) !== void 0 && !isLeftAnyhow(cells, row));
  if (found.length === 0 || answers.says === "counts") return { rows, leftOut: [], questions: [] };
  if (answers.says === "none") {
    const left = new Set(found);
    return {
      rows: rows.filter((row) => !left.has(row)),
      leftOut: found.map(({ line }) => ({ line, why: "no_money" })),
      questions: []
    };
  }
  const count2 = found.length === 1 ? "1 line says" : `${found.length} lines say`;
  const words = some(found.flatMap((row) => wordsOf2(row) ?? []));
  return {
    rows,
    leftOut: [],
    questions: [
      {
        key: "says",
        words: `${count2} ${words} (first line ${found[0]?.line ?? 0}). Does that count?`,
        choices: [
          {
            answer: "none",
            result: `no: ${found.length === 1 ? "1 line" : `${found.length} lines`} left out`
          },
          { answer: "counts", result: "yes: whatever the words say" }
        ]
      }
    ]
  };
}
var says = (kind, text) => NONE3.test(text) || kind === "invoices" && PAID2.test(text);
function isLeftAnyhow(cells, row) {
  const word = cells.of(row, "status");
  if (word === "") return false;
  return cells.file.kind === "invoices" ? sureStanding(word) === "void" || sureStanding(word) === "paid" : sureState(word) === "none";
}

// src/core/readings/lines/otherHead.ts
var ENOUGH5 = 3;
function underOtherHead(cells, rows, leftOut) {
  const heads = new Set(cells.file.table.headers.map((head) => plainWords(head)));
  const same2 = leftOut.flatMap(({ line, why }) => why === "head" ? [line] : []);
  const others = rows.filter((row) => isOfHeads(row, heads)).map(({ line }) => line);
  if (others.length === 0) return [];
  return rows.flatMap(({ line }) => {
    const head = others.findLast((other) => other <= line);
    const isBack2 = same2.some((other) => head !== void 0 && other > head && other < line);
    return head === void 0 || isBack2 ? [] : [{ line, field: "", column: "", error: { code: "row.other_head", head } }];
  });
}
function isOfHeads({ cells }, heads) {
  const [first2 = ""] = cells;
  if (/\d/.test(first2) || first2 !== "" && !heads.has(plainWords(first2))) return false;
  const filled = cells.map((cell) => plainWords(cell)).filter((cell) => cell !== "");
  return filled.length >= ENOUGH5 && filled.every((cell) => heads.has(cell));
}

// src/core/readings/lines/shifted.ts
function shiftedRows(cells, rows) {
  const { headers } = cells.file.table;
  const places = sumFields(cells).map((field) => ({
    field,
    at: headers.indexOf(cells.head(field))
  }));
  return rows.flatMap((row) => {
    const extra = row.cells.slice(headers.length).some((cell) => cell.trim() !== "");
    if (extra)
      return [
        {
          line: row.line,
          field: "",
          column: "",
          error: { code: "row.fields", found: row.cells.length, expected: headers.length }
        }
      ];
    const parted2 = places.find(
      ({ at }) => /^[\s$€£(+-]*\d{1,3}$/.test(row.cells[at] ?? "") && /^\d{3}(?:[.,]\d{2})?\)?$/.test((row.cells[at + 1] ?? "").trim()) && !places.some((place) => place.at === at + 1 && isShort(cells, rows, place.at))
    );
    return parted2 ? [
      {
        line: row.line,
        field: parted2.field,
        column: cells.head(parted2.field),
        error: {
          code: "amount.parted",
          text: `${row.cells[parted2.at] ?? ""},${row.cells[parted2.at + 1] ?? ""}`
        }
      }
    ] : [];
  });
}
var isShort = (cells, rows, at) => rows.filter((row) => /\d/.test(row.cells[at] ?? "")).length > rows.length / 2 && cells.file.table.headers[at] !== void 0;

// src/core/readings/lines/statementSections.ts
var OUT2 = /\b(withdrawals?|debits?|checks? paid|checks|payments? out|money out|paid out|fees|service charges?|purchases|subtractions)\b/;
var IN2 = /\b(deposits?|credits?|money in|paid in|additions|receipts|payments? in|payments received)\b/;
var BALANCES = /\b(daily|ending|ledger|day end) (?:\w+ )?balances?\b|\bbalances? (by day|summary)\b/;
var PENDING2 = /\b(pending|uncleared|not yet (?:posted|booked)|scheduled|vorgemerkt\w*)\b/;
function sectionOf(words) {
  const plain = plainWords(words);
  if (PENDING2.test(plain)) return "pending";
  if (BALANCES.test(plain)) return "balance";
  const [isIn, isOut] = [IN2.test(plain), OUT2.test(plain)];
  if (isIn === isOut) return "";
  return isIn ? "deposit" : "withdrawal";
}
function sectionsOf({ table, columns }) {
  const wordsAt = table.headers.indexOf(columns.description ?? "");
  const headings = table.rows.filter(({ cells }) => isHeading(cells, wordsAt));
  const leftOut = [];
  const ways = /* @__PURE__ */ new Map();
  const rows = [];
  let section = headings.length > 0 ? firstSection(table) : "";
  for (const row of table.rows) {
    if (isHeading(row.cells, wordsAt)) {
      section = sectionOf(row.cells.join(" "));
      leftOut.push({ line: row.line, why: "heading" });
    } else if (section === "balance" || section === "pending")
      leftOut.push({ line: row.line, why: section === "balance" ? "balance" : "not_yet" });
    else if (goesOn(row, rows.at(-1), wordsAt)) {
      rows.push(joined(rows.pop(), row, wordsAt));
      leftOut.push({ line: row.line, why: "continues" });
    } else {
      rows.push(row);
      ways.set(row.line, section);
    }
  }
  return { table: { ...table, rows }, leftOut, wayOf: ({ line }) => ways.get(line) ?? "" };
}
function isHeading(cells, wordsAt) {
  const at = onlyWords(cells);
  if (at < 0 || isCountAlone(cells)) return false;
  const words = plainWords(cells[at] ?? "");
  const isAside = at !== wordsAt || wordsAt === 0 || PENDING2.test(words);
  return isAside && !isTotalWord(words) && !/\d{3}/.test(words);
}
function firstSection({ above = [] }) {
  const last2 = above.filter((line) => line.trim() !== "").at(-1);
  return last2 === void 0 ? "" : sectionOf(last2);
}
function goesOn(row, before2, wordsAt) {
  if (before2 === void 0 || wordsAt < 0 || onlyWords(row.cells) !== wordsAt) return false;
  const plain = plainWords(row.cells[wordsAt] ?? "");
  return !isTotalWord(plain) && !isBalanceWords(plain);
}
var joined = (row, next, at) => ({
  ...row,
  cells: row.cells.with(at, `${row.cells[at] ?? ""} ${next.cells[at] ?? ""}`.trim())
});

// src/core/readings/days/yearsOfFile.ts
var IN_WORDS = new RegExp("^(?:\\d{1,2}\\.?[ -]\\p{L}{3,12}\\.?|\\p{L}{3,12}\\.?[ -]\\d{1,2})$", "u");
var IN_NUMBERS = /^(\d{1,2})([./-])(\d{1,2})\.?$/;
var isYearless = (cell) => (IN_WORDS.test(cell) && monthIn(cell) !== null || IN_NUMBERS.test(cell)) && writtenDay(cell) === null;
var monthIn = (cell) => cell.split(/[\s.-]+/).map(monthOf).find((month) => month !== null) ?? null;
function withYears(file, { today }) {
  const { table, columns, kind, answers } = file;
  const at = table.headers.indexOf(columns[MAIN_DAY[kind] ?? ""] ?? "");
  const cells = at < 0 ? [] : table.rows.map((row) => (row.cells[at] ?? "").trim());
  const open = cells.filter(isYearless);
  if (open.length === 0) return { table, questions: [] };
  const thisYear = Number(today.slice(0, 4));
  const said2 = /^20\d\d$/.test(answers.year ?? "") ? Number(answers.year) : null;
  const yearOf = said2 === null ? yearAbove(table) : () => said2;
  const rows = table.rows.map((row) => {
    const cell = (row.cells[at] ?? "").trim();
    return isYearless(cell) ? { ...row, cells: row.cells.with(at, withYear(cell, yearOf?.(cell) ?? thisYear)) } : row;
  });
  const isOpen = yearOf === null || open.some((cell) => yearOf(cell) === null);
  return { table: { ...table, rows }, questions: isOpen ? [yearQuestion(open, thisYear)] : [] };
}
function withYear(cell, year) {
  const [, first2, mark, second] = IN_NUMBERS.exec(cell) ?? [];
  return first2 === void 0 ? `${cell} ${year}` : `${first2}${mark}${second}${mark}${year}`;
}
function yearAbove(table) {
  const span = spanAbove(table);
  const [from, to] = span?.map(yearIn) ?? [];
  if (from === void 0 || to === void 0 || from === null || to === null) return null;
  if (from === to) return () => from;
  const last2 = span?.[1].fixed?.[1];
  if (to !== from + 1 || last2 === void 0) return null;
  return (cell) => {
    const month = monthIn(cell);
    if (month === null) return null;
    return month > last2 ? from : to;
  };
}
var yearIn = ({ fixed, open, yearLast }) => fixed?.[0] ?? (yearLast ? open?.[2] ?? null : null);
var yearQuestion = (open, year) => ({
  key: "year",
  words: `${some(open)} are written without a year. Which is it?`,
  choices: [year, year - 1].map((choice) => ({
    answer: String(choice),
    result: `${withYear(open[0] ?? "", choice)} and all others like it`
  }))
});

// src/core/readings/lines/linesOfFile.ts
var OF_ONE = {
  invoices: ofOneCompany,
  remittance: paidToUs,
  processor: paidByUs
};
function linesOf3(file, context) {
  const parts = partsOf2(file);
  const years = withYears({ ...file, table: parts.table }, context);
  const cells = new Cells({ ...file, table: years.table });
  const whole3 = screened(cells);
  const turned3 = underOtherHead(cells, whole3.rows, whole3.leftOut);
  const shown2 = shownRows(withoutLines(whole3.rows, turned3), file);
  const one = (OF_ONE[file.kind] ?? ofOneAccount)(cells, shown2.rows, context);
  const dated2 = printedOnce(cells, one.rows);
  const flags = flagged(cells, dated2.rows);
  const said2 = saysNone(cells, flags.rows);
  const shifted = shiftedRows(cells, said2.rows);
  return {
    cells,
    rows: withoutLines(said2.rows, shifted),
    wayOf: parts.wayOf,
    refused: [...turned3, ...shifted],
    leftOut: [
      ...parts.leftOut,
      ...whole3.leftOut,
      ...shown2.leftOut,
      ...one.leftOut,
      ...flags.leftOut,
      ...said2.leftOut
    ],
    ended: flags.ended,
    questions: [
      ...headQuestion(file.table, file.answers),
      ...shown2.questions,
      ...one.questions,
      ...years.questions,
      ...dated2.questions,
      ...flags.questions,
      ...said2.questions
    ],
    proofs: one.proofs
  };
}
function withoutLines(rows, refused) {
  const out = new Set(refused.map(({ line }) => line));
  return out.size === 0 ? rows : rows.filter(({ line }) => !out.has(line));
}
function partsOf2(file) {
  if (file.kind === "bank") return sectionsOf(file);
  if (file.kind !== "invoices") return { table: file.table, leftOut: [], wayOf: () => "" };
  const credits = creditSections(file.table);
  const { table, leftOut } = withGroups(credits.table);
  return { table, leftOut: [...credits.leftOut, ...leftOut], wayOf: credits.wayOf };
}

// src/core/readings/momentsOfFormat.ts
function momentsOfFormat(made, moments, answers, { timeZone, today }) {
  const here = new Map(
    moments.map(({ line, mark }) => [line, dayInZone(new Date(mark), timeZone)])
  );
  const isMoved = ({ line, fields }) => here.has(line) && here.get(line) !== fields.postedOn;
  const [first2, ...others] = made.filter(isMoved);
  if (!first2 || answers.moments === "bank") return { lines: made, questions: [] };
  if (answers.moments === "here")
    return {
      lines: made.map(
        (row) => isMoved(row) ? { ...row, fields: { ...row.fields, postedOn: here.get(row.line) ?? "" } } : row
      ),
      questions: []
    };
  const [written, moved] = [first2.fields.postedOn, here.get(first2.line)].map(
    (day) => day ? formatDay(day, today) : "no day"
  );
  const lines = others.length === 0 ? `Line ${first2.line} stands` : `${others.length + 1} lines (first line ${first2.line}) stand`;
  return {
    lines: made,
    questions: [
      {
        key: "moments",
        words: `${lines} at a time of another zone: there it is ${written}, here ${moved}. Which day did the bank book?`,
        choices: [
          { answer: "bank", result: `the day as it is written: ${written}` },
          { answer: "here", result: `the day here: ${moved}` }
        ]
      }
    ]
  };
}

// src/core/readings/remittance/payments.ts
var linesOfPayments = ({ cells }, rows) => [
  ...groupedBy(
    rows,
    (row) => ["trace", "payerName", "paidOn", "total"].map((field) => cells.of(row, field)).join("|")
  ).values()
];

// src/core/readings/remittance/credits.ts
var NONE4 = { lines: /* @__PURE__ */ new Set(), questions: [] };
function creditsIn(reading2, rows) {
  const { answers } = reading2.cells.file;
  const sum = (row) => sumOfCell(reading2, row, "amount") ?? 0;
  const found = creditRows(reading2, rows);
  const isSigned = rows.some((row) => sum(row) < 0 && !found.includes(row));
  const unsigned = isSigned ? [] : found.filter((row) => sum(row) > 0);
  const [first2] = unsigned;
  if (!first2) return NONE4;
  const lines = new Set(unsigned.map(({ line }) => line));
  const lowers = answers.credits ?? (footsOff(reading2, rows, lines) ? "off" : void 0);
  if (lowers !== void 0) return lowers === "off" ? { lines, questions: [] } : NONE4;
  const shown2 = formatAmount(sum(first2), reading2.currencyOf(first2));
  const count2 = lines.size === 1 ? "1 line is a credit" : `${lines.size} lines are credits`;
  return {
    lines,
    questions: [
      {
        key: "credits",
        words: `${count2} without a sign (line ${first2.line}: ${shown2}). Do they lower what was paid?`,
        choices: [
          { answer: "off", result: `yes: line ${first2.line} takes ${shown2} off` },
          { answer: "on", result: `no: ${shown2} was paid of it` }
        ]
      }
    ]
  };
}
function creditRows({ cells }, rows) {
  for (const { at } of cells.unread()) {
    const words = rows.map((row) => (row.cells[at] ?? "").trim());
    if (words.every((word) => sureKindOf(word) !== null))
      return rows.filter((_, place) => sureKindOf(words[place] ?? "") === "credit");
    const credits = rows.filter((_, place) => sureKindOf(words[place] ?? "") === "credit");
    const isType = new Set(words).size <= MOST_TYPES && !words.includes("");
    if (isType && credits.length > 0 && credits.length < rows.length) return credits;
  }
  return rows.filter((row) => CREDIT_NUMBER.test(cells.of(row, "number")));
}
var MOST_TYPES = 8;
var CREDIT_NUMBER = /^(?:cn|cm|crn|credit|gs|av)[-_ #/]?\d/i;
function footsOff(reading2, rows, credits) {
  if (!reading2.cells.has("total")) return false;
  return linesOfPayments(reading2, rows).every((lines) => {
    const signed2 = sumOf(lines, (row2) => {
      const sum = sumOfCell(reading2, row2, "amount") ?? 0;
      return credits.has(row2.line) ? -Math.abs(sum) : sum;
    });
    const [row] = lines;
    return row !== void 0 && sumOfCell(reading2, row, "total") === signed2;
  });
}

// src/core/readings/remittance/creditsBeside.ts
var CREDIT3 = /\b(?:credit|credits|cm|cn|credit ?(?:memo|note)s?|gutschrift|avoir)\b/;
var NUMBER2 = /\b(?:no|nr|num|number|id|ref|reference)\b|#/;
function creditsBeside(reading2, rows) {
  const beside = columnsOf(reading2, rows);
  return (row, fields) => {
    const whole3 = [{ line: row.line, fields }];
    if (beside === null) return whole3;
    const number = (row.cells[beside.numberAt] ?? "").trim();
    const credit = Math.abs(sumUnderHead(reading2, row, beside.sumHead) ?? 0);
    if (number === "" || credit === 0) return whole3;
    const text = (sum) => inText(minor(sum), reading2.currencyOf(row));
    const paid = sumOfCell(reading2, row, "amount") ?? 0;
    return [
      { line: row.line, fields: { ...fields, amount: text(paid + credit) } },
      { line: row.line, fields: { ...fields, number, amount: text(-credit), discount: "" } }
    ];
  };
}
function columnsOf(reading2, rows) {
  const { cells } = reading2;
  if (!cells.has("amount") || !cells.has("number")) return null;
  const heads = cells.unread().map(({ head, at }) => ({ head, at, plain: plainWords(head.replaceAll("#", " no ")) }));
  const numbers = heads.filter(({ plain }) => CREDIT3.test(plain) && NUMBER2.test(plain));
  const sums2 = heads.filter(({ plain }) => CREDIT3.test(plain) && !NUMBER2.test(plain));
  for (const { at: numberAt } of numbers)
    for (const { head: sumHead } of sums2)
      if (heads.some(({ head }) => head !== sumHead && leaves(reading2, rows, [head, sumHead])))
        return { numberAt, sumHead };
  return null;
}
function leaves(reading2, rows, [whole3, credit]) {
  const size = (sum) => Math.abs(sum ?? 0);
  return rows.every((row) => {
    const owed = sumUnderHead(reading2, row, whole3);
    const off = size(sumUnderHead(reading2, row, credit));
    const discount = size(sumOfCell(reading2, row, "discount"));
    return owed !== null && owed - off - discount === sumOfCell(reading2, row, "amount");
  });
}

// src/core/readings/remittance/discountsOff.ts
var PAID3 = /\b(paid|net|netto|nett|neto|payment|remit\w*|applied|settled|received|zahl\w*|gezahlt|paye\w*|regle\w*|pagad[oa]|pagat[oa]|betaald|nettobetrag)\b/;
function discountsOff(reading2, rows, paid) {
  const { cells } = reading2;
  const off = (row) => minor(Math.abs(sumOfCell(reading2, row, "discount") ?? 0));
  const less = (row) => {
    const sum = paid(row);
    return sum === null || sum <= 0 ? sum : minor(sum - off(row));
  };
  const first2 = rows.find((row) => off(row) !== 0 && (paid(row) ?? 0) > off(row));
  if (!first2 || isAgreedLayout(cells)) return { paid, questions: [] };
  const said2 = cells.file.answers.discounts ?? provenBy(reading2, rows, { paid, less });
  if (said2 !== null) return { paid: said2 === "off" ? less : paid, questions: [] };
  if (PAID3.test(plainWords(cells.head("amount")))) return { paid, questions: [] };
  const shown2 = (sum) => formatAmount(sum ?? 0, reading2.currencyOf(first2));
  return {
    paid,
    questions: [
      {
        key: "discounts",
        words: `Line ${first2.line} says ${shown2(paid(first2))} under \u201C${cells.head("amount")}\u201D and ${shown2(off(first2))} under \u201C${cells.head("discount")}\u201D. What was paid of it?`,
        choices: [
          { answer: "off", result: `${shown2(less(first2))}: the one comes off the other` },
          {
            answer: "beside",
            result: `${shown2(paid(first2))}: what was taken off is gone from it already`
          }
        ]
      }
    ]
  };
}
function provenBy(reading2, rows, { paid, less }) {
  const payments = linesOfPayments(reading2, rows);
  const comesTo = (by) => payments.length > 0 && payments.every((lines) => {
    const total = lines[0] ? sumOfCell(reading2, lines[0], "total") : null;
    return total !== null && Math.abs(total) === sumOf(lines, (row) => by(row) ?? minor(0));
  });
  if (comesTo(less)) return "off";
  return comesTo(paid) ? "beside" : null;
}

// src/core/readings/remittance/payDay.ts
var BARE = /^(?:date|day|doc date|document date|datum|belegdatum|fecha|data|date piece)$/;
var OF_PAYMENT4 = /^(?:date|datum|fecha)\b|\b(?:pay\w*|paid|remit\w*|checks?|cheques?|eft|value|zahl\w*|valuta|paiement|pago|pagamento)\b/;
function payDayOf(reading2, rows) {
  const { cells } = reading2;
  const said2 = cells.file.answers.paid_on;
  if (said2 !== void 0) return { said: isBookDay(said2) ? said2 : null, questions: [] };
  if (!BARE.test(plainWords(cells.head("paidOn")))) return { said: null, questions: [] };
  const payments = groupedBy(
    rows,
    (row) => ["trace", "payerName", "total"].map((field) => cells.of(row, field)).join("|")
  );
  const mixed = [...payments.values()].find((lines) => daysOf(reading2, lines).length > 1);
  const [first2, second] = mixed ? daysOf(reading2, mixed) : [];
  if (!mixed || !first2 || !second) return { said: null, questions: [] };
  return { said: null, questions: [question3(reading2, [first2, second])] };
}
var daysOf = ({ cells, daysOf: readingOf2 }, lines) => [
  ...new Set(
    lines.flatMap((row) => {
      const written = writtenDay(cells.of(row, "paidOn"));
      return (written && dayUnder(written, readingOf2("paidOn"))) ?? [];
    })
  )
];
function question3(reading2, [first2, second]) {
  const shown2 = (day) => formatDay(day, reading2.today);
  const above = dayAbove(reading2);
  return {
    key: "paid_on",
    words: `\u201C${reading2.cells.head("paidOn")}\u201D has several days for one payment (${shown2(first2)}, ${shown2(second)}): it may say when each invoice was made out. When was it paid?`,
    choices: [
      ...above === null ? [] : [{ answer: above, result: `all of it on ${shown2(above)}, as stands above the list` }],
      { answer: "each", result: "each line on its own day: they are payments of their own" }
    ]
  };
}
function dayAbove(reading2) {
  const { above = [] } = reading2.cells.file.table;
  const days3 = above.filter((line) => OF_PAYMENT4.test(plainWords(line))).flatMap((line) => daysIn(line)).flatMap((written) => dayUnder(written, reading2.daysOf("paidOn")) ?? []);
  const [only, ...others] = new Set(days3);
  return only !== void 0 && others.length === 0 ? only : null;
}

// src/core/readings/remittance/remittanceTable.ts
var USES = ["amount", "discount"];
function remittanceTable(reading2, rows) {
  const credits = creditsIn(reading2, rows);
  const written = asReceived(reading2, rows, paidBy(reading2, rows, credits.lines));
  const discounts = isLess(reading2, rows) ? { paid: written, questions: [] } : discountsOff(reading2, rows, written);
  const { paid } = discounts;
  const beside = creditsBeside(reading2, rows);
  const day = payDayOf(reading2, rows);
  const payments = paymentsOf(reading2, rows, paid);
  const off = payments.find(({ total, sum }) => total !== null && total !== sum);
  const isProven = saysPaid2(reading2) && payments.length > 0 && payments.every(({ total, sum }) => total === sum);
  return {
    rows: rows.flatMap((row) => {
      const fields = fieldsOf(reading2, row, paid);
      return beside(row, day.said === null ? fields : { ...fields, paidOn: day.said });
    }),
    leftOut: [],
    refused: [],
    questions: [
      ...numberQuestion(reading2.cells.file),
      ...day.questions,
      ...credits.questions,
      ...discounts.questions,
      ...off === void 0 ? [] : footQuestion(reading2, off)
    ],
    proofs: [
      ...isProven ? [provenWords2(payments.length)] : [],
      ...rows.length > 0 && isLess(reading2, rows) ? [`gross less discount is what was paid on all ${rows.length} lines`] : []
    ]
  };
}
var saysPaid2 = (reading2) => reading2.cells.has("amount") || headsUsedAs(reading2, "amount").length > 0;
function paidBy(reading2, rows, credits) {
  const [instead] = headsUsedAs(reading2, "amount");
  const alone = new Set(
    linesOfPayments(reading2, rows).flatMap(
      ([row, ...more]) => row !== void 0 && more.length === 0 ? [row.line] : []
    )
  );
  const written = (row) => {
    if (instead !== void 0) return sumUnderHead(reading2, row, instead);
    if (reading2.cells.has("amount")) return sumOfCell(reading2, row, "amount");
    return alone.has(row.line) ? sumOfCell(reading2, row, "total") : null;
  };
  return (row) => {
    const sum = written(row);
    return sum !== null && sum > 0 && credits.has(row.line) ? negate(sum) : sum;
  };
}
function asReceived(reading2, rows, paid) {
  const sums2 = linesOfPayments(reading2, rows).map(
    (lines) => sumOf(lines, (row) => paid(row) ?? 0)
  );
  if (sums2.length === 0 || sums2.some((sum) => sum >= 0)) return paid;
  return (row) => {
    const sum = paid(row);
    return sum === null ? null : negate(sum);
  };
}
function fieldsOf(reading2, row, paid) {
  const fields = plainFields(reading2, row);
  const sum = paid(row);
  const total = totalOf4(reading2, row);
  if (sum !== null) fields.amount = inText(sum, reading2.currencyOf(row));
  if (total !== null) fields.total = inText(total, reading2.currencyOf(row));
  for (const head of headsUsedAs(reading2, "discount"))
    fields.discount = inText(sumUnderHead(reading2, row, head) ?? 0, reading2.currencyOf(row));
  return fields;
}
var provenWords2 = (count2) => count2 === 1 ? "the lines are the sum of the payment" : `the lines of all ${count2} payments are the sum of each`;
var isLess = (reading2, rows) => reading2.cells.has("amount") && reading2.cells.unread().some(
  ({ head }) => rows.every((row) => {
    const [paid, off] = USES.map((field) => sumOfCell(reading2, row, field) ?? 0);
    return (sumUnderHead(reading2, row, head) ?? 0) - Math.abs(off ?? 0) === paid;
  })
);
function paymentsOf(reading2, rows, paid) {
  return linesOfPayments(reading2, rows).flatMap((lines) => {
    const [row] = lines;
    return row ? [
      {
        row,
        total: totalOf4(reading2, row),
        sum: sumOf(lines, (line) => paid(line) ?? 0)
      }
    ] : [];
  });
}
function totalOf4(reading2, row) {
  const total = sumOfCell(reading2, row, "total");
  return total !== null && total < 0 ? negate(total) : total;
}
function footQuestion(reading2, { row, total, sum }) {
  if (reading2.cells.file.answers.foot !== void 0) return [];
  const shown2 = (amount2) => formatAmount(amount2, reading2.currencyOf(row));
  return [
    {
      key: "foot",
      words: `The payment of line ${row.line} is ${shown2(total ?? 0)}, and its lines come to ${shown2(sum)}.`,
      choices: [{ answer: "take", result: "take the lines in as they stand" }]
    }
  ];
}

// src/core/readings/returnTitles.ts
var TITLES2 = [
  [/^(?:insufficient funds|nsf|not sufficient funds)$/, "R01"],
  [/^account closed$/, "R02"],
  [/^(?:no account|unable to locate account|no account unable to locate account)$/, "R03"],
  [/^invalid account number(?: structure)?$/, "R04"],
  [/^authorization revoked(?: by customer)?$/, "R07"],
  [/^(?:payment stopped|stop payment)$/, "R08"],
  [/^uncollected funds$/, "R09"],
  [/^customer advises (?:not authori[sz]ed|originator is not known.*)$/, "R10"],
  [/^account frozen$/, "R16"],
  [/^non transaction account$/, "R20"],
  [/^corporate customer advises not authori[sz]ed$/, "R29"]
];
var returnCodeTitled = (title) => TITLES2.find(([words]) => words.test(title))?.[1];

// src/core/readings/returnsTable.ts
var CODE5 = /^([RC]\d\d)\b/i;
function returnsTable(reading2, rows) {
  return {
    rows: rows.map((row) => {
      const fields = plainFields(reading2, row);
      const sum = sumOfCell(reading2, row, "amount");
      if (sum !== null) fields.amount = inText(Math.abs(sum), reading2.currencyOf(row));
      const said2 = fields.code ?? "";
      const code = CODE5.exec(said2)?.[1]?.toUpperCase() ?? returnCodeTitled(plainWords(said2));
      return { line: row.line, fields: code === void 0 ? fields : { ...fields, code } };
    }),
    leftOut: [],
    refused: [],
    questions: [],
    proofs: []
  };
}

// src/core/readings/sums/provenParts.ts
var WHOLE2 = {
  processor: { of: "gross", parts: [] },
  invoices: { of: "total", parts: ["tax"] },
  remittance: { of: "amount", parts: ["discount"] }
};
var MOST_PARTS2 = 6;
var ENOUGH6 = 2;
var MADE_OF = /\b(sub ?total|amount|sales?|items?|goods|tips?|gratuity|tax(?:es)?|vat|gst|hst|pst|shipping|freight|handling|delivery|surcharge|discounts?|visa|master ?card|amex|american express|discover|diners|jcb|interac|ach|cards?|e ?checks?)\b/;
function provenParts({ cells, rows, reading: reading2, context }) {
  const whole3 = WHOLE2[cells.file.kind];
  if (isNetAlone(cells)) return partsOfNet({ cells, rows, reading: reading2, context });
  if (!whole3 || !cells.has(whole3.of) || rows.length < ENOUGH6 || !isWhole(cells)) return /* @__PURE__ */ new Set();
  const value = valueUnder(reading2, context);
  const target = rows.map((row) => value(cells.of(row, whole3.of)));
  const free = cells.unread().filter(({ head }) => cells.file.kind !== "processor" || MADE_OF.test(plainWords(head))).map(({ head, at }) => ({ head, sums: rows.map((row) => value(row.cells[at] ?? "")) })).filter(({ sums: sums2 }) => sums2.some((sum) => sum !== 0));
  if (free.length === 0 || free.length > MOST_PARTS2) return /* @__PURE__ */ new Set();
  const known9 = whole3.parts.filter((field) => cells.has(field)).map((field) => ({ head: null, sums: rows.map((row) => value(cells.of(row, field))) }));
  const all = [...free, ...known9];
  const parts = target.some((sum) => sum !== 0) ? partsOf3(all, target) : null;
  if (parts === null || cells.file.kind === "remittance" && !isPaidOf(parts, all))
    return /* @__PURE__ */ new Set();
  return new Set(parts.flatMap(({ head }) => head ?? []));
}
var valueUnder = (reading2, context) => (cell) => {
  const written = writtenSum(cell.trim());
  return (written && sumUnder(written, { ...reading2, currency: context.currency })) ?? 0;
};
var isNetAlone = (cells) => cells.file.kind === "processor" && !cells.has("gross") && cells.has("net") && cells.has("fee");
function partsOfNet({ cells, rows, reading: reading2, context }) {
  const value = valueUnder(reading2, context);
  const free = cells.unread();
  const costs = COST_FIELDS.filter((field) => cells.has(field));
  const added = (row) => {
    const parts = free.map(({ at }) => value(row.cells[at] ?? ""));
    const off = costs.map((field) => value(cells.of(row, field)));
    return [...parts, ...off].reduce((all, part) => all + part, 0);
  };
  const isAll = rows.length >= ENOUGH6 && rows.every((row) => added(row) === value(cells.of(row, "net")));
  if (!isAll) return /* @__PURE__ */ new Set();
  const isAlone = (at) => rows.every((row) => {
    const sum = value(row.cells[at] ?? "");
    return sum === 0 || sum === value(cells.of(row, "net"));
  });
  const comesIn = (at) => rows.every((row) => value(row.cells[at] ?? "") >= 0);
  const isPart2 = ({ head, at }) => (!isCost(head) || comesIn(at)) && (MADE_OF.test(plainWords(head)) || isAlone(at));
  return new Set(free.filter(isPart2).map(({ head }) => head));
}
var isWhole = (cells) => cells.file.kind !== "invoices" || cells.has("paid");
var isPaidOf = (parts, known9) => {
  const adds = ({ head, sign }) => {
    const { sums: sums2 } = known9.find((part) => part.head === head);
    return sums2.some((sum) => sum * sign > 0);
  };
  return parts.length > 1 && parts.filter(adds).length === 1;
};
function partsOf3(parts, whole3) {
  if (whole3.every((sum) => sum === 0)) return [];
  const [first2, ...rest] = parts;
  if (!first2) return null;
  for (const sign of [1, -1, 0]) {
    const left = whole3.map((sum, at) => sum - sign * (first2.sums[at] ?? 0));
    const below = partsOf3(rest, left);
    if (below !== null) return sign === 0 ? below : [{ head: first2.head, sign }, ...below];
  }
  return null;
}

// src/core/readings/lines/usesOfColumns.ts
var FEE_BACK = /\bfees? (?:amount )?(?:back|refunded|returned|reversed|credited)\b|\b(?:refund|refunded|returned) fees?\b/;
var isFeeBack = (head) => FEE_BACK.test(plainWords(head));
var OWED_TOO = /\b(?:interest|late|penalt(?:y|ies)|finance|surcharges?|mahngebuhr\w*|verzugszinsen)\b/;
var CAPTURED = /\b(?:captured?|collected|completed|settled|final|approved|paid|received|due)\b/;
var CHARGED = ["charged", "what was charged in the end"];
var USES2 = {
  processor: [
    ["fee", "one more fee"],
    ["reserve", "kept back of each charge, as a reserve"],
    CHARGED
  ],
  invoices: [["paid", "paid already, and off the balance"]],
  remittance: [
    ["amount", "what was paid of each invoice"],
    ["discount", "taken off what was owed"]
  ]
};
var BY_HEAD = {
  bank: (head) => isCost(head) ? [["off", "the bank's fee, which comes off beside the sum"]] : null,
  invoices(head) {
    if (isHeld(head)) return [["open", "kept back for a time, and open beside the balance"]];
    return OWED_TOO.test(plainWords(head)) ? [["owed", "owed too, on top of what it was made out for"]] : null;
  },
  processor(head) {
    if (isOnTop(head))
      return [["on_top", "paid on top of what was charged"], ...USES2.processor ?? []];
    return CAPTURED.test(plainWords(head)) ? [CHARGED] : null;
  }
};
var usesOf = (kind, head) => isFeeBack(head) ? [] : BY_HEAD[kind]?.(head) ?? USES2[kind] ?? [];

// src/core/readings/lines/otherColumns.ts
var MONEY_HEAD2 = /\b(amounts?|payments?|fees?|tax|taxes|paid|refund(s|ed)?|total|credits?|debits?|discounts?|tips?|gratuity|surcharge|adjustments?|withheld|withholding|commission|costs?|charges?|gst|vat|hst|betrag|gebuhr|steuer|mwst|rabatt|montant|frais|remise|taxe|importe|impuesto|descuento|comision|deduction|allowance|chargeback|held|reserved?|retained)\b/;
var NO_MONEY_HEAD = /\b(rate|price|qty|quantity|percent|zip|postal|phone|exchange|days|count|number|no|id|code|ref|reference|date|time|limit|currency|last4|last 4|last four|digits|bin)\b/;
var COUNT_HEAD2 = /\b(no|number|nr|count|qty|quantity|id|code|ref|doc|document)\b|^#|^of$/;
function otherColumns(around2, footed2) {
  const { cells, rows } = around2;
  const proven = footed2 ? /* @__PURE__ */ new Set() : provenParts(around2);
  return cells.unread().flatMap(({ head, at }) => {
    const filled = rows.map((row) => (row.cells[at] ?? "").trim());
    if (cells.file.answers[`column:${head}`] !== void 0 || ages(cells).includes(head)) return [];
    const isOpen = !footed2 && !proven.has(head) || isBesideNet(around2, head) || isOfOtherList(cells, at);
    if (isOpen && isMoney(head, filled) && !says2(around2, filled))
      return [moneyQuestion(around2, head, filled)];
    return [];
  });
}
var isBesideNet = ({ cells }, head) => isHeld(head) && (cells.file.kind === "processor" || cells.file.kind === "invoices") || cells.file.kind === "processor" && isFeeBack(head);
function isOfOtherList({ file: { table, columns } }, at) {
  const read2 = Object.values(columns).map((head) => table.headers.indexOf(head));
  const gap = table.headers.findLastIndex((head, place) => place < at && head === "");
  return gap > 0 && read2.every((place) => place < gap);
}
function isMoney(head, filled) {
  const cells = filled.filter((cell) => cell !== "");
  const sums2 = cells.flatMap((cell) => writtenSum(cell) ?? []);
  const worth = sums2.filter(({ digits }) => /[1-9]/.test(digits));
  if (worth.length === 0 || sums2.length < cells.length * 0.6 || cells.every(isDate)) return false;
  const plain = plainWords(head);
  if (/%/.test(head)) return false;
  if (COUNT_HEAD2.test(plain) && worth.every(({ digits }) => /^\d+$/.test(digits))) return false;
  if (MONEY_HEAD2.test(plain)) return true;
  return !NO_MONEY_HEAD.test(plain) && worth.some(({ digits }) => /[.,]\d{2}$/.test(digits));
}
function says2({ cells, rows, reading: reading2, context }, filled) {
  const value = (cell) => {
    const written = writtenSum(cell);
    return Math.abs(
      (written && sumUnder(written, { ...reading2, currency: context.currency })) ?? 0
    );
  };
  return sumFields(cells).some(
    (field) => rows.every((row, at) => value(filled[at] ?? "") === value(cells.of(row, field)))
  );
}
function moneyQuestion({ cells, rows, reading: reading2, context }, head, filled) {
  const at = filled.findIndex((cell) => /[1-9]/.test(writtenSum(cell)?.digits ?? ""));
  const written = writtenSum(filled[at] ?? "");
  const sum = (written && sumUnder(written, { ...reading2, currency: context.currency })) ?? 0;
  const line = `line ${rows[at]?.line ?? 0}: ${formatAmount(sum, context.currency)}`;
  const uses2 = usesOf(cells.file.kind, head);
  const leave = { answer: "leave", result: `they change nothing (${line} is left out)` };
  const said2 = uses2.map(([answer, words]) => ({ answer, result: `${words} (${line})` }));
  const isSure = uses2.length === 1 && uses2[0]?.[0] === "charged";
  return {
    key: `column:${head}`,
    words: `\u201C${head}\u201D holds sums, and nothing says whether they change what is posted.`,
    choices: isSure ? [...said2, leave] : [leave, ...said2]
  };
}

// src/core/readings/days/timesBeside.ts
var TIME_HEAD = /^(?:(?:transaction|txn|trans|created|payment|sale|batch|local|posting) )?time$/;
var TIME2 = /^\d{1,2}:\d\d(?::\d\d(?:\.\d+)?)?(?:\s?[ap]\.?m\.?)?$/i;
var ZONE_HEAD = /^(?:(?:transaction|local) )?(?:time ?zone|tz|zone|utc offset)$/;
var ZONE = /^(?:z|[a-z]{3,4}|[+-]\d\d:?\d\d)$/i;
function withTimes(file) {
  const { kind, table, columns } = file;
  const dayAt = table.headers.indexOf(columns[MAIN_DAY[kind] ?? ""] ?? "");
  const isTaken = (at) => Object.values(columns).includes(table.headers[at] ?? "");
  const timeAt = table.headers.findIndex((head) => TIME_HEAD.test(plainWords(head)));
  const zoneAt = table.headers.findIndex((head) => ZONE_HEAD.test(plainWords(head)));
  const isBeside2 = timeAt >= 0 && !isTaken(timeAt);
  if (kind !== "processor" || table.kind !== void 0 || dayAt < 0) return file;
  if (!isBeside2 && (zoneAt < 0 || isTaken(zoneAt))) return file;
  const cell = ({ cells }, at) => (cells[at] ?? "").trim();
  const timeOf2 = (row) => {
    const written = writtenDay(cell(row, dayAt));
    if (written === null) return null;
    if (written.minutes !== null) return written.zone === null ? "" : null;
    return isBeside2 && TIME2.test(cell(row, timeAt)) ? cell(row, timeAt) : null;
  };
  const rows = table.rows.map((row) => {
    const time = timeOf2(row);
    const zone = zoneOf(cell(row, zoneAt));
    if (time === null || time === "" && zone === "") return row;
    const parts = [cell(row, dayAt), time, zone].filter((part) => part !== "");
    return { ...row, cells: row.cells.with(dayAt, parts.join(" ")) };
  });
  return { ...file, table: { ...table, rows } };
}
var zoneOf = (cell) => ZONE.test(cell) ? cell : zoneIn(cell) ?? cell;

// src/core/readings/activity/asPayouts.ts
var BETWEEN2 = ["gross", "fee", "fee2", "feeTax"];
function asPayouts(file) {
  if (file.kind !== "processor" || file.answers.payouts !== "payout") return file;
  const { net, payoutOn, ...columns } = file.columns;
  const left = net === void 0 ? [] : BETWEEN2.filter((field) => columns[field] !== void 0);
  const of = Object.fromEntries(
    Object.entries(columns).filter(([field]) => !left.some((between) => between === field))
  );
  const leave = left.map((field) => [`column:${columns[field] ?? ""}`, "leave"]);
  return {
    ...file,
    columns: {
      ...of,
      ...net === void 0 ? {} : { gross: net },
      ...payoutOn === void 0 ? {} : { occurredOn: payoutOn }
    },
    answers: { ...file.answers, ...Object.fromEntries(leave) }
  };
}

// src/core/readings/activity/processorRows.ts
var ALL_READINGS = ["signed", "sizes"].flatMap(
  (sums2) => ["cost", "effect"].flatMap(
    (fees) => ["charged", "given_back"].map((refundFee) => ({
      sums: sums2,
      fees,
      refundFee,
      others: "lower"
    }))
  )
);
var DIRECTED = /* @__PURE__ */ new Set(["reserve", "adjustment"]);
var HELD2 = /\b(hold|held|withheld|retained)\b/;
var RELEASED = /\b(releas\w*|returned)\b/;
function effectUnder(row, reading2) {
  const cost = costUnder(row, reading2);
  if (row.gross === null) {
    if (row.net === null) return null;
    const net = signed(row, row.net, reading2);
    return { gross: minor(net + cost), cost };
  }
  const gross = signed(row, row.gross, reading2);
  if (row.fee === null && row.net !== null) {
    const net = signed(row, row.net, reading2);
    return { gross, cost: minor(gross - net) };
  }
  return { gross, cost };
}
function signed(row, sum, { sums: sums2, others }) {
  if (sums2 === "signed" || row.kind === "payout") return sum;
  if (DIRECTED.has(row.kind)) {
    const way = wayOf(row);
    if (way !== null) return minor(way * Math.abs(sum));
    return others === "lower" ? minor(-sum) : sum;
  }
  if (bringsFeeBack(row)) return minor(Math.abs(sum));
  return ROW_KINDS[row.kind].lowers ? minor(-Math.abs(sum)) : sum;
}
var bringsFeeBack = ({ kind, word }) => kind === "fee" && isFeeGivenBack(word);
function wayOf({ gross, net, word }) {
  if ((gross ?? 0) < 0 || (net ?? 0) < 0) return -1;
  if (HELD2.test(word)) return -1;
  return RELEASED.test(word) ? 1 : null;
}
var isOpenWay = (row) => DIRECTED.has(row.kind) && wayOf(row) === null && (row.gross ?? row.net ?? 0) !== 0;
function costUnder(row, { sums: sums2, fees, refundFee }) {
  const fee = row.fee ?? minor(0);
  if (fee === 0) return minor(0);
  const cost = fees === "cost" ? fee : minor(-fee);
  const asSize = ROW_KINDS[row.kind].lowers && row.kind !== "fee" && cost > 0;
  return asSize && sums2 === "sizes" && refundFee === "given_back" ? minor(-cost) : cost;
}
var netOf2 = ({ gross, cost }) => gross - cost;
function footsUnder(row, reading2) {
  if (row.gross === null || row.fee === null || row.net === null || row.kind === "payout")
    return null;
  const effect = effectUnder(row, reading2);
  if (!effect) return null;
  const net = netOf2(effect);
  if (row.gross === 0 && row.fee === 0) return null;
  return reading2.sums === "sizes" && (ROW_KINDS[row.kind].lowers || isOpenWay(row)) ? Math.abs(row.net) === Math.abs(net) : row.net === net;
}
var effectWords = (row, effect) => effect ? `line ${row.line} (${ROW_KINDS[row.kind].label}) ${effect.gross < 0 ? "takes" : "brings"} ${formatAmount(Math.abs(effect.gross), row.currency)}${feeWords(effect, row.currency)}` : `line ${row.line} has no sum`;
function feeWords({ cost }, currency) {
  if (cost === 0) return "";
  const size = formatAmount(Math.abs(cost), currency);
  return cost > 0 ? ` and costs a fee of ${size}` : ` and gives a fee of ${size} back`;
}

// src/core/readings/activity/idsOfLines.ts
function idsOf(reading2, row, ids) {
  const own = ownId(reading2, row, ids);
  const ofCharge = ids.activity.kind === "charge" ? chargeId(reading2, row) : {};
  const { of, shared, activity } = ids;
  if (of !== void 0 && shared.has(of) && bringsFeeBack(activity))
    return { ...own, id: `${of} fee given back`, relatedId: own.relatedId ?? of };
  const moment = ids.momentId(row, ids.activity);
  const isNamed2 = (ofCharge.id ?? own.id ?? ids.of) !== void 0;
  return { ...own, ...ofCharge, ...moment === "" || isNamed2 ? {} : { id: moment } };
}
function sharedIds({ cells }, rows) {
  const seen = /* @__PURE__ */ new Set();
  return new Set(
    cells.column(rows, "id").filter((id) => {
      const isKnown = seen.has(id);
      seen.add(id);
      return isKnown;
    })
  );
}
var ownId = ({ cells }, row, { idHead, of = "" }) => idHead === null ? {} : {
  relatedId: cells.of(row, "relatedId") || of,
  id: (row.cells[cells.file.table.headers.indexOf(idHead)] ?? "").trim()
};
function chargeId({ cells }, row) {
  const charge = cells.of(row, "relatedId");
  const isNamed2 = /^charge(?: id)?$/.test(plainWords(cells.head("relatedId")));
  return isNamed2 && charge !== "" && cells.has("id") ? { id: charge, relatedId: "" } : {};
}
var TOLD_BY = ["payerName", "payerEmail", "reference", "relatedId"];
var OTHERWISE = /* @__PURE__ */ new Set(["payout", "started"]);
function momentIds({ cells }) {
  const seen = /* @__PURE__ */ new Map();
  return (row, { kind, gross, net }) => {
    if (cells.has("id") || OTHERWISE.has(kind)) return "";
    const written = writtenDay(cells.of(row, "occurredOn"));
    if (written === null || !written.minutes && written.epoch === null) return "";
    const told2 = TOLD_BY.map((field) => cells.of(row, field));
    const said2 = [kind, cells.of(row, "occurredOn"), gross ?? net ?? "", ...told2].join("|");
    const nth = (seen.get(said2) ?? 0) + 1;
    seen.set(said2, nth);
    return nth === 1 ? said2 : `${said2}|${nth}`;
  };
}

// src/core/readings/activity/rowsBeside.ts
function paidOut({ gross, fee, net }) {
  const sum = gross ?? net ?? 0;
  const cost = Math.abs(fee ?? 0);
  if (cost === 0) return sum;
  if (gross === null || net === null) return null;
  if (Math.abs(net) === Math.abs(gross) - cost) return net;
  return Math.abs(net) === Math.abs(gross) + cost ? gross : null;
}
function payoutFeeRow(reading2, { row, activity }) {
  const { id, currency, fee, kind, line, payoutId } = activity;
  if (kind !== "payout" || fee === null || fee === 0) return [];
  const { occurredOn = "", settledOn = "", payoutOn = "" } = plainFields(reading2, row);
  return [
    {
      line,
      fields: {
        occurredOn,
        settledOn,
        payoutOn,
        currency,
        kind: "fee",
        id: `${id || payoutId} fee`,
        payoutId: payoutId || id,
        gross: inText(-Math.abs(fee), currency)
      }
    }
  ];
}
function refundedRow(reading2, { row, activity }) {
  const given = givenBack(reading2, row);
  if (given === 0 || activity.kind !== "charge") return [];
  const { id, currency, line } = activity;
  return [
    {
      line,
      fields: {
        ...plainFields(reading2, row),
        kind: "refund",
        id: id === "" ? "" : `${id} refund`,
        relatedId: id,
        gross: inText(-given, currency),
        fee: "",
        net: "",
        status: "",
        refunded: "",
        onTop: "",
        balance: "",
        fee2: "",
        feeTax: ""
      }
    }
  ];
}
function payoutsTurned(rows) {
  const sums2 = rows.flatMap(
    ({ kind, gross, net }) => kind === "payout" ? [gross ?? net ?? minor(0)] : []
  );
  return sums2.filter((sum) => sum < 0).length * 2 > sums2.length;
}

// src/core/readings/activity/agreedRow.ts
var WORKED_OUT3 = /* @__PURE__ */ new Set([
  "gross",
  "fee",
  "fee2",
  "feeTax",
  "net",
  "onTop",
  "refunded",
  "balance",
  "status",
  "moneyIn",
  "moneyOut"
]);
function agreedRow(reading2, { row, activity }, { signs, turned: turned3, isMethod, person, ...ids }) {
  const { currency, kind } = activity;
  const effect = effectUnder(activity, signs);
  const fields = plainFields(reading2, row, WORKED_OUT3);
  const word = reading2.cells.of(row, "kind");
  fields.kind = kind;
  Object.assign(fields, idsOf(reading2, row, { ...ids, activity, of: fields.id }));
  fields.payerName ??= person(row);
  fields.method ??= isMethod || METHOD_HINT.test(word) ? word : "";
  if (effect) {
    const paid = kind === "payout" ? (turned3 ? -1 : 1) * (paidOut(activity) ?? 0) : effect.gross;
    fields.gross = inText(paid, currency);
    fields.fee = inText(kind === "payout" ? 0 : effect.cost, currency);
  }
  return { line: row.line, fields };
}
var METHOD_HINT = /ach|bank|check|debit|card/i;

// src/core/readings/activity/againstKind.ts
function against(rows) {
  const below = new Set(rows.flatMap(({ kind, gross }) => (gross ?? 0) < 0 ? [kind] : []));
  return new Set(
    rows.flatMap(
      ({ kind, gross, line }) => kind !== "payout" && kind !== "fee" && ROW_KINDS[kind].lowers && below.has(kind) && (gross ?? 0) > 0 ? [line] : []
    )
  );
}
function againstQuestion(rows, answers) {
  const lines = answers.against === void 0 ? against(rows) : /* @__PURE__ */ new Set();
  const first2 = rows.find(({ line }) => lines.has(line));
  if (!first2) return [];
  const { label } = ROW_KINDS[first2.kind];
  const sum = formatAmount(first2.gross ?? 0, first2.currency);
  return [
    {
      key: "against",
      words: `${lines.size === 1 ? "1 line is a" : `${lines.size} lines are a`} ${label} and ${lines.size === 1 ? "has" : "have"} a sum of the other sign (first line ${first2.line}: ${sum}). Which is right?`,
      choices: [
        { answer: "words", result: `the word: line ${first2.line} is a ${label} that took ${sum}` },
        { answer: "sums", result: `the sign: line ${first2.line} brought ${sum}, as an adjustment` }
      ]
    }
  ];
}
function bySign(entries, answers) {
  if (answers.against !== "sums") return entries;
  const lines = against(entries.map(({ activity }) => activity));
  return entries.map(
    (entry) => lines.has(entry.activity.line) ? { ...entry, activity: { ...entry.activity, kind: "adjustment" } } : entry
  );
}

// src/core/readings/activity/chargedSum.ts
function chargedOf(reading2, row) {
  const [instead] = headsUsedAs(reading2, "charged");
  const said2 = instead === void 0 ? null : sumUnderHead(reading2, row, instead);
  const gross = said2 ?? sumOfCell(reading2, row, "gross");
  const more = headsUsedAs(reading2, "on_top").map((head) => sumUnderHead(reading2, row, head));
  const onTop = [sumOfCell(reading2, row, "onTop"), ...more];
  return onTop.reduce(
    (all, sum) => all === null || sum === null ? all : add(all, sum),
    gross
  );
}

// src/core/readings/activity/feeRates.ts
var RATE2 = /^(\d{1,2}(?:[.,]\d{1,4})?) ?%$/;
function feeRateQuestion(reading2, rows) {
  const { cells } = reading2;
  if (["fee", "fee2", "net"].some((field) => cells.has(field))) return [];
  return cells.unread().flatMap(({ head, at }) => {
    const isRates = isCost(head) && rows.some((row) => RATE2.test((row.cells[at] ?? "").trim()));
    if (!isRates || cells.file.answers[`column:${head}`] !== void 0) return [];
    const first2 = rows.find((row) => costBy(reading2, row, at) !== 0);
    if (!first2) return [];
    const shown2 = formatAmount(costBy(reading2, first2, at), reading2.currencyOf(first2));
    return [
      {
        key: `column:${head}`,
        words: `\u201C${head}\u201D holds rates (line ${first2.line}: ${(first2.cells[at] ?? "").trim()}), and no column says what a payment costs.`,
        choices: [
          {
            answer: "rate",
            result: `the fee is that part of each sum: ${shown2} on line ${first2.line}`
          },
          { answer: "leave", result: "no fee is taken in: it comes another way" }
        ]
      }
    ];
  });
}
function feeByRate(reading2, row) {
  const [head] = headsUsedAs(reading2, "rate");
  if (head === void 0) return null;
  return costBy(reading2, row, reading2.cells.file.table.headers.indexOf(head));
}
function costBy(reading2, row, at) {
  const [, rate] = RATE2.exec((row.cells[at] ?? "").trim()) ?? [];
  const gross = sumOfCell(reading2, row, "gross") ?? 0;
  return minor(rate === void 0 ? 0 : Math.round(gross * Number(rate.replace(",", ".")) / 100));
}

// src/core/readings/activity/feeCurrency.ts
var HEAD5 = /^(?:fees?|processing fees?|costs?|commissions?) (?:currency(?: code)?|ccy|curr)$/;
var columnOf = ({ cells }) => cells.unread().find(({ head }) => HEAD5.test(headWords(head)));
function otherCurrency(reading2, row, { at }) {
  const said2 = (row.cells[at] ?? "").trim().toUpperCase();
  const currency = currencyOf(said2);
  const hasFee = (sumOfCell(reading2, row, "fee") ?? 0) !== 0;
  return hasFee && currency !== void 0 && currency !== reading2.currencyOf(row) ? said2 : null;
}
function isFeeApart(reading2, row) {
  const [head] = headsUsedAs(reading2, "apart");
  const column = head === void 0 ? void 0 : columnOf(reading2);
  return column?.head === head && column !== void 0 ? otherCurrency(reading2, row, column) !== null : false;
}
function feeCurrencyQuestion(reading2, rows) {
  const column = columnOf(reading2);
  if (column === void 0 || reading2.cells.file.answers[`column:${column.head}`] !== void 0)
    return [];
  const open = rows.filter((row) => otherCurrency(reading2, row, column) !== null);
  const [first2] = open;
  if (!first2) return [];
  const said2 = some(open.map((row) => (row.cells[column.at] ?? "").trim()));
  const lines = open.length === 1 ? "1 line" : `${open.length} lines`;
  return [
    {
      key: `column:${column.head}`,
      words: `\u201C${column.head}\u201D says ${said2} on ${lines}, first line ${first2.line}, and the sum beside it is in ${reading2.currencyOf(first2)}.`,
      choices: [
        { answer: "apart", result: `the fees of ${lines} are left out: they come in another file` },
        { answer: "leave", result: "every fee is in the currency of its line" }
      ]
    }
  ];
}

// src/core/readings/activity/feeBetween.ts
var MOST_OF_CHARGE = 10;
var SMALL = 100;
function isOdd2({ kind, gross, fee, net }) {
  if (kind !== "charge" || fee !== null || gross === null || net === null) return false;
  const between = Math.abs(gross) - Math.abs(net);
  return between < 0 || between > SMALL && between * MOST_OF_CHARGE > Math.abs(gross);
}
function betweenQuestion(rows, answers) {
  const odd = rows.find(isOdd2);
  if (!odd || answers.between !== void 0) return [];
  const shown2 = (sum) => formatAmount(Math.abs(sum ?? 0), odd.currency);
  const between = Math.abs(odd.gross ?? 0) - Math.abs(odd.net ?? 0);
  return [
    {
      key: "between",
      words: `Line ${odd.line} says ${shown2(odd.gross)} and brings ${shown2(odd.net)}, and no column says what lies between. What was charged?`,
      choices: [
        {
          answer: "fee",
          result: `${shown2(odd.gross)}: its fee is ${formatAmount(between, odd.currency)}`
        },
        { answer: "net", result: `${shown2(odd.net)}: that is all that was taken, without a fee` }
      ]
    }
  ];
}
var asBrought = (lines, answers) => answers.between === "net" ? lines.map((line) => ({
  ...line,
  activity: { ...line.activity, gross: line.activity.net ?? line.activity.gross }
})) : lines;

// src/core/readings/activity/netAlone.ts
var OTHERS2 = ["gross", "fee", "fee2", "feeTax", "moneyIn"];
function netAloneQuestion(reading2, rows) {
  const { cells } = reading2;
  if (!cells.has("net") || OTHERS2.some((field) => cells.has(field))) return [];
  if (headsUsedAs(reading2, "fee").length > 0 || cells.file.answers.gross !== void 0) return [];
  const first2 = rows.find((row) => (sumOfCell(reading2, row, "net") ?? 0) !== 0);
  if (!first2) return [];
  const sum = formatAmount(sumOfCell(reading2, first2, "net") ?? 0, reading2.currencyOf(first2));
  return [
    {
      key: "gross",
      words: `No column says what was charged: \u201C${cells.head("net")}\u201D says what arrives of it, and a fee may have been taken off before. Choose the column of what was charged, or of the fee, if there is one.`,
      choices: [
        { answer: "net", result: `nothing was taken off: line ${first2.line} was charged ${sum}` }
      ]
    }
  ];
}

// src/core/readings/activity/processorProofs.ts
var broken = (rows, reading2) => rows.filter((row) => footsUnder(row, reading2) === false).length;
function payoutsOff(rows, reading2) {
  return payoutSums(rows, reading2).filter(({ off }) => off !== 0).length;
}
var openPayouts2 = (rows, { sums: sums2 }) => new Set(rows.filter((row) => sums2 === "sizes" && isOpenWay(row)).map(({ payoutId }) => payoutId));
function payoutSums(rows, reading2) {
  const nets = /* @__PURE__ */ new Map();
  const open = openPayouts2(rows, reading2);
  for (const row of rows) {
    if (row.kind === "payout" || row.payoutId === "") continue;
    const effect = effectUnder(row, reading2);
    if (effect) nets.set(row.payoutId, (nets.get(row.payoutId) ?? 0) + netOf2(effect));
  }
  return rows.flatMap((row) => {
    const id = row.payoutId || row.id;
    const items = nets.get(id);
    if (row.kind !== "payout" || items === void 0 || open.has(id)) return [];
    const paid = Math.abs(row.net ?? row.gross ?? 0);
    return [{ id, off: paid - Math.abs(items) }];
  });
}
var brokenBalance = (rows, reading2) => breaksOf(rows, reading2)?.[0]?.line ?? null;
var balanceBreaks = (rows, reading2) => breaksOf(rows, reading2)?.length ?? null;
var movesOf = (rows, reading2) => rows.map((row) => {
  const effect = effectUnder(row, reading2);
  const net = effect ? netOf2(effect) : 0;
  return row.kind === "payout" ? -Math.abs(net) : net;
});
function breaksOf(rows, reading2) {
  if (new Set(rows.map(({ currency }) => currency)).size > 1) return null;
  const known9 = rows.filter(({ balance }) => balance !== null);
  if (known9.length < 3 || known9.length < rows.length) return null;
  if (reading2.sums === "sizes" && rows.some(isOpenWay)) return null;
  const moves = movesOf(known9, reading2);
  const breaks = (forward) => known9.slice(1).filter((row, at) => {
    const [before2, after] = [known9[at]?.balance ?? 0, row.balance ?? 0];
    return forward ? before2 + (moves[at + 1] ?? 0) !== after : after + (moves[at] ?? 0) !== before2;
  });
  const [ahead, back] = [breaks(true), breaks(false)];
  return ahead.length <= back.length ? ahead : back;
}
function proofsOf2(rows, reading2) {
  const three = rows.map((row) => footsUnder(row, reading2)).filter((foots2) => foots2 !== null);
  const payouts = payoutSums(rows, reading2);
  const breaks = balanceBreaks(rows, reading2);
  const off = payouts.find((payout) => payout.off !== 0);
  return [
    ...three.length > 0 && three.every(Boolean) ? [
      `gross less fee is net on ${three.length === 1 ? "the line that has" : `all ${three.length} lines that have`} the three`
    ] : [],
    ...payouts.length > 0 && !off ? [`${payouts.length} payouts are the sum of their items`] : [],
    ...off ? [
      `payout ${off.id.slice(0, 30)} is off by ${formatAmount(off.off, rows[0]?.currency ?? "USD")} from its items in this file`
    ] : [],
    ...breaks === 0 ? [`all ${rows.length} lines follow on by the balance`] : []
  ];
}

// src/core/readings/activity/processorSigns.ts
function signsOf2(rows, answers) {
  const said2 = ALL_READINGS.filter(
    (reading3) => fits2(answers.signs, reading3.sums) && fits2(answers.fees, reading3.fees) && fits2(answers.refund_fees, reading3.refundFee)
  );
  const possible = best(said2, [
    (reading3) => broken(rows, reading3),
    (reading3) => payoutsOff(rows, reading3),
    (reading3) => balanceBreaks(rows, reading3) ?? 0,
    (reading3) => unlikely(rows, reading3)
  ]);
  const [first2 = ALL_READINGS[0]] = possible;
  const others = answers.adjustments === "raise" ? "raise" : "lower";
  const netsSigned = netsCarrySigns(rows);
  const way = netsSigned && answers.adjustments === void 0 ? "raise" : others;
  const reading2 = { ...first2, others: way };
  const proofs3 = proofsOf2(rows, reading2);
  const [rival] = possible.map((other) => ({ ...other, others: way })).filter((other) => differing(rows, reading2, other) !== null).sort((a, b) => apart2(reading2, a) - apart2(reading2, b));
  return {
    reading: reading2,
    questions: [
      ...rival ? [signQuestion(rows, reading2, rival)] : [],
      ...rival ? [] : openWays2(rows, reading2, answers)
    ],
    proofs: proofs3
  };
}
var netsCarrySigns = (rows) => rows.some(({ net, kind }) => (net ?? 0) < 0 && kind !== "payout");
function openWays2(rows, reading2, answers) {
  if (reading2.sums === "signed" || answers.adjustments !== void 0) return [];
  if (netsCarrySigns(rows)) return [];
  const open = rows.filter(isOpenWay);
  const [row] = open;
  if (!row) return [];
  return [
    {
      key: "adjustments",
      words: `${open.length} ${open.length === 1 ? "line is" : "lines are"} \u201C${row.word}\u201D (first line ${row.line}), and the sums carry no sign. Which way do they go?`,
      choices: ["lower", "raise"].map((others) => ({
        answer: others,
        result: effectWords(row, effectUnder(row, { ...reading2, others }))
      }))
    }
  ];
}
var apart2 = (a, b) => DIMENSIONS.filter(([, name]) => a[name] !== b[name]).length;
var fits2 = (said2, value) => said2 === void 0 || said2 === value;
function best(readings, rules) {
  return rules.reduce(
    (left, rule2) => {
      const counts2 = left.map(rule2);
      const fewest = Math.min(...counts2);
      return left.filter((_, at) => counts2[at] === fewest);
    },
    [...readings]
  );
}
function unlikely(rows, reading2) {
  return rows.filter((row) => {
    const effect = effectUnder(row, reading2);
    if (!effect || row.kind === "payout") return false;
    if (row.kind === "charge" || row.kind === "started") return effect.gross < 0 || effect.cost < 0;
    const lowers = ROW_KINDS[row.kind].lowers && row.kind !== "fee";
    return lowers && effect.gross > 0;
  }).length;
}
function differing(rows, a, b) {
  const same2 = (x, y) => x?.gross === y?.gross && x?.cost === y?.cost;
  return rows.find((row) => !same2(effectUnder(row, a), effectUnder(row, b))) ?? null;
}
var DIMENSIONS = [
  ["signs", "sums"],
  ["fees", "fees"],
  ["refund_fees", "refundFee"]
];
function signQuestion(rows, a, b) {
  const row = differing(rows, a, b) ?? rows[0];
  const [key, field] = DIMENSIONS.find(([, name]) => a[name] !== b[name]) ?? DIMENSIONS[0];
  const result = (reading2) => row ? effectWords(row, effectUnder(row, reading2)) : "";
  const word = row?.word ? ` (\u201C${row.word}\u201D)` : "";
  const likelier = [a, b].sort((x, y) => feesThatBring(rows, x) - feesThatBring(rows, y));
  return {
    key,
    words: `The file does not say which way the sum of line ${row?.line ?? 0}${word} goes. Which is right?`,
    choices: likelier.map((reading2) => ({ answer: reading2[field], result: result(reading2) }))
  };
}
var feesThatBring = (rows, reading2) => rows.filter((row) => row.kind === "fee" && (effectUnder(row, reading2)?.gross ?? 0) > 0).length;

// src/core/readings/activity/reserves.ts
var EFFECT = {
  reserve: (sum) => -Math.abs(sum),
  release: (sum) => Math.abs(sum),
  held: (sum) => sum
};
var USES3 = Object.keys(EFFECT);
var COMES_BACK = /\b(?:releas\w*|returned|repaid|given back|paid back)\b/;
var isWithheldTax = (head) => /\b(?:tax|taxes|vat|gst|withholding)\b/.test(plainWords(head));
var MOST2 = 3;
function withReserves(file) {
  if (file.kind !== "processor" || file.table.kind !== void 0) return file;
  for (const mark of MARKS) {
    const proven = provenBy2(new Sheet(file.table, file.columns, mark));
    if (proven !== null) return { ...file, answers: { ...proven, ...file.answers } };
  }
  return file;
}
function provenBy2(sheet) {
  const [gross, net] = [sheet.of("gross"), sheet.of("net")];
  const heads = sheet.free().filter((head) => isHeld(head) && !isWithheldTax(head));
  if (gross === null || net === null || heads.length === 0 || heads.length > MOST2) return null;
  const fees = COST_FIELDS.flatMap((field) => [sheet.of(field) ?? []]);
  const isNet = (uses3) => {
    const whole3 = gross.map(
      (sum, at) => uses3.reduce(
        (all, use, nth) => all + EFFECT[use](sheet.under(heads[nth] ?? "")[at] ?? 0),
        sum ?? 0
      )
    );
    return foots(whole3, fees, net) || isSame2(whole3, net);
  };
  if (foots(gross, fees, net) || isSame2(gross, net)) return null;
  const sizes = heads.map(
    (head) => COMES_BACK.test(plainWords(head)) ? "release" : "reserve"
  );
  const effects = heads.map(() => "held");
  const isSigned = heads.some((head) => sheet.under(head).some((sum) => (sum ?? 0) < 0));
  const uses2 = (isSigned ? [effects, sizes] : [sizes, effects]).find(isNet);
  if (uses2 === void 0) return null;
  return Object.fromEntries(heads.map((head, at) => [`column:${head}`, uses2[at] ?? ""]));
}
var isSame2 = (whole3, net) => whole3.every((sum, at) => net[at] === null || sum === net[at]);
var reservedOf = (reading2, row) => sumOf(
  USES3,
  (use) => sumOf(headsUsedAs(reading2, use), (head) => EFFECT[use](sumUnderHead(reading2, row, head) ?? 0))
);
var HAVE_NONE = /* @__PURE__ */ new Set(["reserve", "payout"]);
function reserveRow(reading2, { row, activity }) {
  const { id, currency, line, kind } = activity;
  const moved = reservedOf(reading2, row);
  if (moved === 0 || HAVE_NONE.has(kind)) return [];
  const {
    occurredOn = "",
    settledOn = "",
    payoutOn = "",
    payoutId = ""
  } = plainFields(reading2, row);
  const gross = inText(moved, currency);
  const fields = { occurredOn, settledOn, payoutOn, payoutId, currency, kind: "reserve", gross };
  return [{ line, fields: { ...fields, id: id === "" ? "" : `${id} reserve` } }];
}
var isReserveAlone = (reading2, { row, activity }) => activity.kind === "charge" && (activity.gross ?? 0) === 0 && (activity.fee ?? 0) === 0 && reservedOf(reading2, row) !== 0;
function beforeReserve(net, reserved, { gross, fee }) {
  const isBefore = net === (gross ?? 0) - Math.abs(fee ?? 0);
  return net === null || isBefore ? net : minor(net - reserved);
}
function reserveProofs(reading2, entries) {
  const heads = USES3.flatMap((use) => headsUsedAs(reading2, use));
  const held2 = entries.filter(
    ({ row, activity }) => !HAVE_NONE.has(activity.kind) && reservedOf(reading2, row) !== 0
  );
  const isRest = held2.every(
    ({ row, activity }) => activity.net !== null && activity.net !== sumOfCell(reading2, row, "net")
  );
  if (held2.length === 0 || !isRest) return [];
  const named2 = heads.map((head) => `\u201C${head}\u201D`).join(" and ");
  return [`${named2} ${heads.length === 1 ? "is" : "are"} a reserve: the rest of each net`];
}

// src/core/readings/activity/settledFee.ts
function settledFeeQuestion(reading2, rows) {
  const { cells } = reading2;
  const isOpen = isSettledHead(cells.head("gross")) && cells.has("fee") && !cells.has("net");
  if (!isOpen || cells.file.answers.settled !== void 0) return [];
  const charged = cells.unread().flatMap(({ at }) => {
    const line2 = rows.find((row) => {
      const code2 = currencyOf((row.cells[at] ?? "").trim().toUpperCase());
      return code2 !== void 0 && code2 !== reading2.currencyOf(row) && feeOf(reading2, row) !== 0;
    });
    return line2 === void 0 ? [] : [{ line: line2, code: (line2.cells[at] ?? "").trim().toUpperCase() }];
  });
  const [found] = charged;
  if (!found) return [];
  const { line, code } = found;
  const settled = reading2.currencyOf(line);
  const came = formatAmount(sumOfCell(reading2, line, "gross") ?? 0, settled);
  const fee = formatAmount(feeOf(reading2, line), settled);
  return [
    {
      key: "settled",
      words: `Line ${line.line} was charged in ${code} and came to ${settled} ${came}. Nothing says which of the two its fee of ${fee} is in. Choose the other columns if it is ${code}.`,
      choices: [{ answer: "settled", result: `${settled}, as what it came to` }]
    }
  ];
}
var feeOf = (reading2, row) => Math.abs(sumOfCell(reading2, row, "fee") ?? 0);

// src/core/readings/activity/saysMethod.ts
var METHOD_WORD = /^(visa|mastercard|master card|amex|american express|discover|diners|jcb|card|credit card|debit card|ach|bank|bank account|check|echeck|e check|credit|debit|visa credit|visa debit|mastercard credit|mastercard debit)$/;
var EITHER = /^(?:credit|debit)$/;
var OF_METHOD = /\b(?:card|method|funding|tender|instrument|payment type|pay type|paid)\b/;
function saysMethod(cells, rows) {
  const words = cells.column(rows, "kind").map(plainWords);
  const isOpen = words.every((word) => EITHER.test(word)) && !OF_METHOD.test(plainWords(cells.head("kind")));
  return words.length > 0 && !isOpen && words.every((word) => METHOD_WORD.test(word));
}

// src/core/readings/activity/payoutTotals.ts
var TOTAL3 = /^(?:payout|deposit|settlement|transfer|batch) (?:total|amount|net|sum|net amount|total amount)$/;
function payoutTotals(reading2, entries, signs) {
  const head = reading2.cells.unread().find((one) => TOTAL3.test(plainWords(one.head)))?.head;
  if (head === void 0) return [];
  const moves = movesOf(
    entries.map(({ activity }) => activity),
    signs
  );
  const said2 = /* @__PURE__ */ new Map();
  const come = /* @__PURE__ */ new Map();
  entries.forEach(({ row, activity: { kind, payoutId } }, at) => {
    const total = sumUnderHead(reading2, row, head);
    if (payoutId === "" || kind === "payout" || total === null) return;
    const before2 = said2.get(payoutId);
    said2.set(payoutId, before2 === void 0 || before2 === total ? total : null);
    come.set(payoutId, (come.get(payoutId) ?? 0) + (moves[at] ?? 0));
  });
  const known9 = [...said2].flatMap(([id, total]) => total === null ? [] : [{ id, total }]);
  const off = known9.find(({ id, total }) => Math.abs(come.get(id) ?? 0) !== Math.abs(total));
  if (known9.length === 0) return [];
  const [first2] = entries;
  if (!off || !first2)
    return [
      `\u201C${head}\u201D is what the lines of ${known9.length === 1 ? "its payout" : `each of ${known9.length} payouts`} come to`
    ];
  const shown2 = (sum) => formatAmount(sum, first2.activity.currency);
  return [
    `payout ${off.id.slice(0, 30)} is ${shown2(off.total)} by \u201C${head}\u201D, and its lines in this file come to ${shown2(come.get(off.id) ?? 0)}`
  ];
}

// src/core/readings/activity/footQuestions.ts
function footQuestions(rows, reading2, { answers, stated }) {
  const line = brokenBalance(rows, reading2);
  const end = line === null ? brokenEnd(rows, reading2, stated) : null;
  const isSaid2 = answers.balance !== void 0;
  return [
    ...threeQuestion(rows, reading2, answers),
    ...line === null || isSaid2 ? [] : [balanceQuestion2(line)],
    ...end === null || isSaid2 ? [] : [balanceBroken(end, currencyIn3(rows))]
  ];
}
var endOf3 = (rows, reading2, { before: before2, after }) => before2 === null || after === null || rows.length === 0 ? null : { line: null, said: after, come: before2 + sumOf(movesOf(rows, reading2), (move2) => move2) };
var brokenEnd = (rows, reading2, stated) => {
  const end = endOf3(rows, reading2, stated);
  return end?.said === end?.come ? null : end;
};
function endProofs(rows, reading2, stated) {
  const end = endOf3(rows, reading2, stated);
  if (end === null || end.said !== end.come) return [];
  const shown2 = (sum) => formatAmount(sum, currencyIn3(rows));
  return [
    `all ${rows.length} lines lead from the ${shown2(stated.before ?? 0)} that the file begins with to the ${shown2(end.said)} that it ends with`
  ];
}
var currencyIn3 = (rows) => rows[0]?.currency ?? "USD";
function threeQuestion(rows, reading2, answers) {
  const off = rows.filter((row) => footsUnder(row, reading2) === false);
  const [first2] = off;
  if (!first2 || answers.foot !== void 0) return [];
  const shown2 = (sum) => formatAmount(sum ?? 0, first2.currency);
  const between = Math.abs((first2.gross ?? 0) - (first2.net ?? 0));
  return [
    {
      key: "foot",
      words: `Gross less fee is not net on ${off.length === 1 ? "1 line" : `${off.length} lines`} (line ${first2.line}: ${shown2(first2.gross)}, ${shown2(first2.fee)}, ${shown2(first2.net)}). Which are right?`,
      choices: [
        { answer: "net", result: `gross and net: line ${first2.line} costs ${shown2(between)}` },
        {
          answer: "fee",
          result: `gross and fee: line ${first2.line} costs ${shown2(Math.abs(first2.fee ?? 0))}`
        }
      ]
    }
  ];
}
var balanceQuestion2 = (line) => ({
  key: "balance",
  words: `The balance of line ${line} does not follow from the line before it: a line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }]
});
var byNet = (lines, answers) => answers.foot === "net" ? lines.map((line) => ({ ...line, activity: withoutFee2(line.activity) })) : lines;
var withoutFee2 = (row) => row.gross !== null && row.net !== null ? { ...row, fee: null } : row;

// src/core/readings/activity/namedDisputes.ts
var DISPUTE = /\b(?:[a-z]+ )?(?:chargebacks?|charge back|disputes?|disputed)\b(?: [a-z]+\b)?/;
var OF_DISPUTES = /* @__PURE__ */ new Set(["dispute", "dispute_won", "dispute_fee"]);
function namedDisputes(reading2) {
  const places = placesOf(reading2);
  return (row) => {
    const word = reading2.cells.of(row, "kind");
    if (sureKind(word) !== "adjustment") return word;
    const texts = places.map((at) => row.cells[at] ?? "");
    const told2 = texts.find((text) => DISPUTE.test(plainWords(text)));
    if (told2 === void 0) return word;
    const begun = kindBegun(told2);
    return OF_DISPUTES.has(sureKind(begun)) ? begun : DISPUTE.exec(plainWords(told2))?.[0] ?? word;
  };
}

// src/core/readings/activity/partsOfPayments.ts
function joinedParts(cells, entries) {
  const { answers } = cells.file;
  const ids = new Set(entries.map(({ activity }) => activity.id));
  if (ids.size === entries.length || isAgreedLayout(cells))
    return { entries, leftOut: [], questions: [] };
  const groups = [...groupedBy(entries, keyOf).values()].filter(areParts);
  if (groups.length === 0 || answers.parts === "apart")
    return { entries, leftOut: [], questions: [] };
  if (answers.parts !== "sum") return { entries, leftOut: [], questions: [partsQuestion(groups)] };
  const wholes = new Map(groups.map((group) => [group[0]?.row.line, joined2(group)]));
  const leftOut = groups.flatMap(
    (group) => group.slice(1).map(({ row }) => ({ line: row.line, why: "same_payment" }))
  );
  const out = new Set(leftOut.map(({ line }) => line));
  return {
    entries: entries.filter(({ row }) => !out.has(row.line)).map((entry) => wholes.get(entry.row.line) ?? entry),
    leftOut,
    questions: []
  };
}
function keyOf({ activity }) {
  const { id, kind, currency, payoutId } = activity;
  if (id === "" || kind === "payout" || bringsFeeBack(activity)) return null;
  return `${kind}
${currency}
${id}
${payoutId}`;
}
var areParts = (group) => group.length > 1 && group.every(
  ({ activity: { gross, fee, net } }) => gross !== null && fee === null && net === null
) && new Set(group.map(({ activity }) => activity.gross)).size > 1 && mainOf(group).length > 0;
function mainOf(group) {
  const sums2 = group.map(({ activity }) => activity.gross ?? 0);
  if (!sums2.some((sum) => sum < 0) || !sums2.some((sum) => sum > 0)) return group;
  return group.filter(
    ({ activity: { gross, kind } }) => (gross ?? 0) < 0 === ROW_KINDS[kind].lowers
  );
}
function joined2(group) {
  const [first2] = group;
  const sum = (parts) => sumOf(parts, ({ activity }) => activity.gross ?? minor(0));
  const [gross, net] = [sum(mainOf(group)), sum(group)];
  return { ...first2, activity: { ...first2.activity, gross, net, fee: minor(gross - net) } };
}
function partsQuestion(groups) {
  const [group] = groups;
  const { activity } = joined2(group);
  const shown2 = (sum) => formatAmount(sum ?? 0, activity.currency);
  const sums2 = group.map((entry) => shown2(entry.activity.gross)).join(", ");
  const others = groups.length > 1 ? `, and ${groups.length - 1} more like it` : "";
  const cost = activity.fee ? ` and costs ${shown2(activity.fee)}` : "";
  return {
    key: "parts",
    words: `\u201C${activity.id}\u201D stands on ${group.length} lines with different sums (${sums2})${others}. Are they the parts of one payment?`,
    choices: [
      {
        answer: "sum",
        result: `yes: line ${activity.line} (${ROW_KINDS[activity.kind].label}) is ${shown2(activity.gross)}${cost}`
      },
      {
        answer: "apart",
        result: "no: those lines are refused, and the right ones are given again"
      }
    ]
  };
}

// src/core/readings/activity/totalOfParts.ts
var TOTAL4 = /\b(?:total|charged|collected|received)\b/;
var isPart = (head) => isOnTop(head) || /\bsurcharges?\b/.test(plainWords(head));
function withTotals(file) {
  const { kind, table, columns } = file;
  if (kind !== "processor" || table.kind !== void 0 || columns.net !== void 0) return file;
  for (const mark of MARKS) {
    const sheet = new Sheet(table, columns, mark, table.rows.length);
    const gross = sheet.of("gross");
    if (gross === null) return file;
    const free = sheet.free();
    const parts = free.filter(isPart);
    const [total, ...others] = free.filter(
      (head) => !isPart(head) && TOTAL4.test(plainWords(head)) && addsUp3([gross, ...parts.map((part) => sheet.under(part))], sheet.under(head))
    );
    if (total === void 0 || others.length > 0) continue;
    const left = parts.map((part) => [`column:${part}`, "leave"]);
    const found = { [`column:${total}`]: "charged", ...Object.fromEntries(left) };
    return { ...file, answers: { ...found, ...file.answers } };
  }
  return file;
}
function addsUp3([gross = [], ...parts], total) {
  const more = gross.map((_, at) => parts.reduce((sum, part) => sum + (part[at] ?? 0), 0));
  const held2 = gross.filter((sum) => sum !== null).length;
  return held2 >= Math.min(ENOUGH2, gross.length) && more.some((sum) => sum !== 0) && gross.every((sum, at) => sum === null || sum + (more[at] ?? 0) === total[at]);
}
function totalProof(reading2, entries) {
  const { cells } = reading2;
  const rows = entries.map(({ row }) => row);
  const [total] = headsUsedAs(reading2, "charged");
  const parts = cells.unread().flatMap(({ head }) => isPart(head) ? [head] : []);
  if (total === void 0 || parts.length === 0 || rows.length === 0) return [];
  const isTotal = (row) => {
    const more = sumOf(parts, (part) => sumUnderHead(reading2, row, part) ?? 0);
    return sumUnderHead(reading2, row, total) === (sumOfCell(reading2, row, "gross") ?? 0) + more;
  };
  if (!rows.every(isTotal)) return [];
  const names = [cells.head("gross"), ...parts].map((head) => `\u201C${head}\u201D`);
  const lines = rows.length === 1 ? "the line" : `all ${rows.length} lines`;
  return [`\u201C${total}\u201D is what was charged: on ${lines} it is ${names.join(" and ")}`];
}

// src/core/readings/activity/processorTable.ts
function processorTable(reading2, rows) {
  const { cells } = reading2;
  const { answers } = cells.file;
  const isMethod = saysMethod(cells, rows);
  const inText2 = kindsInText(reading2, rows);
  const named2 = namedDisputes(reading2);
  const wordOf2 = (row) => (isMethod ? "" : named2(row)) || inText2(row);
  const { found, leftOut, ended } = moneyOf(reading2, rows, wordOf2);
  const parts = joinedParts(
    cells,
    found.map(({ row, kind }) => ({ row, activity: activityOf(reading2, row, kind, wordOf2(row)) }))
  );
  const refunds2 = refundsAre(reading2, parts.entries);
  const kept = asSaid(withoutRefunds(reading2, parts.entries), answers);
  const activities = kept.map(({ activity }) => activity);
  const signs = signsOf2(activities, withSides(cells, answers));
  const decided = {
    signs: signs.reading,
    turned: payoutsTurned(activities),
    isMethod,
    idHead: idSaid(cells, rows),
    shared: sharedIds(reading2, rows),
    momentId: momentIds(reading2),
    person: personName(cells)
  };
  const asked = rowQuestions(reading2, rows, wordOf2);
  const stated = statedBalances(reading2, rows);
  const open = new Set(kept.filter(isOpenPayout));
  const sure = kept.filter((entry) => !open.has(entry));
  return {
    rows: sure.flatMap((entry) => rowsOf3(reading2, entry, decided, refunds2 === "here")),
    leftOut: [...leftOut, ...parts.leftOut],
    ended,
    refused: [...open].map(({ row }) => ({
      line: row.line,
      field: "fee",
      column: cells.head("fee"),
      error: { code: "activity.payout_fee" }
    })),
    questions: [
      ...asked,
      ...parts.questions,
      ...refundedQuestion(reading2, parts.entries),
      ...signs.questions,
      // What lines come to is known once it is known what they are.
      ...asked.some(isOfKind) ? [] : footQuestions(activities, signs.reading, { answers, stated }),
      ...betweenQuestion(activities, answers),
      ...againstQuestion(activities, answers)
    ],
    proofs: [
      ...signs.proofs,
      ...endProofs(activities, signs.reading, stated),
      ...payoutTotals(reading2, kept, signs.reading),
      ...totalProof(reading2, kept),
      ...signs.questions.length === 0 ? reserveProofs(reading2, kept) : []
    ]
  };
}
var withSides = (cells, answers) => !cells.has("gross") && cells.has("moneyIn") ? { ...answers, signs: "signed" } : answers;
var asSaid = (entries, answers) => asBrought(byNet(bySign(entries, answers), answers), answers);
function rowsOf3(reading2, entry, decided, isRefundHere) {
  const isNone = isRefundHere && isRefundAlone(reading2, entry) || isReserveAlone(reading2, entry);
  return [
    ...isNone ? [] : [agreedRow(reading2, entry, decided)],
    ...isRefundHere ? refundedRow(reading2, entry) : [],
    ...returnedRow(reading2, entry),
    ...payoutFeeRow(reading2, entry),
    ...reserveRow(reading2, entry)
  ];
}
var isOpenPayout = ({ activity }) => activity.kind === "payout" && paidOut(activity) === null;
var isOfKind = ({ key }) => key.startsWith("word:");
var orElse = (questions, others) => questions.length > 0 ? questions : others();
var rowQuestions = (reading2, rows, wordOf2) => [
  ...wordQuestions(reading2, rows, wordOf2),
  ...stateQuestions(reading2, rows),
  ...tenderQuestions(reading2, rows),
  ...takingQuestion(reading2, rows, wordOf2),
  ...linesAreQuestion(reading2.cells, rows),
  ...areLinesNamed(reading2.cells, rows) ? [] : titleQuestion(reading2.cells, rows),
  ...orElse(payoutsQuestion(reading2, rows), () => netAloneQuestion(reading2, rows)),
  ...bothSidesQuestion(reading2, rows),
  ...settledFeeQuestion(reading2, rows),
  ...feeRateQuestion(reading2, rows),
  ...feeCurrencyQuestion(reading2, rows)
];
function activityOf(reading2, row, kind, word) {
  const sum = (field) => sumOfCell(reading2, row, field);
  const extra = headsUsedAs(reading2, "fee").map((head) => sumUnderHead(reading2, row, head));
  const [gross, cost] = movedIn(reading2, row);
  const byRate = feeByRate(reading2, row);
  const own = isFeeApart(reading2, row) ? null : sum("fee");
  const parts = [own, sum("fee2"), sum("feeTax"), cost, byRate, ...extra].filter(
    (part) => part !== null
  );
  const fee = parts.length === 0 ? null : parts.reduce((a, b) => add(a, b), minor(0));
  const reserved = minor(reservedOf(reading2, row));
  const isOfReserve = kind === "reserve" && reserved !== 0;
  const said2 = chargedOf(reading2, row);
  const written = kind === "refund" ? sumOfRefund(reading2, row, said2) : said2;
  const charged = (isOfReserve ? written || reserved : written) ?? gross;
  const net = sum("net");
  return {
    line: row.line,
    kind,
    word: plainWords(word),
    on: null,
    currency: reading2.currencyOf(row),
    // What arrives of nothing, and without a fee, is all that the line moves.
    gross: charged === 0 && fee === null ? net ?? charged : charged,
    fee,
    net: isOfReserve ? net : beforeReserve(net, reserved, { gross: charged, fee }),
    balance: sum("balance"),
    payoutId: reading2.cells.of(row, "payoutId"),
    id: reading2.cells.of(row, "id")
  };
}

// src/core/readings/activity/waysSaid.ts
var TAKES = "takes ";
var SUMS3 = ["gross", "net"];
function withWays(file) {
  const { kind, table, columns, answers } = file;
  const said2 = table.headers.flatMap((head, at) => {
    const answer = answers[`column:${head}`] ?? "";
    return answer.startsWith(TAKES) ? [{ at, word: answer.slice(TAKES.length) }] : [];
  });
  if (kind !== "processor" || said2.length === 0) return file;
  const places = SUMS3.map((field) => table.headers.indexOf(columns[field] ?? ""));
  const below = (cell, at) => places.includes(at) && /^[^-(]*\d/.test(cell.trim()) ? `-${cell.trim()}` : cell;
  const rows = table.rows.map(
    (row) => said2.some(({ at, word }) => (row.cells[at] ?? "").trim() === word) ? { ...row, cells: row.cells.map(below) } : row
  );
  return { ...file, table: { ...table, rows } };
}

// src/core/readings/days/spans.ts
var BOOK_DAY = {
  bank: ["postedOn"],
  processor: ["settledOn", "occurredOn"],
  invoices: ["issuedOn"],
  remittance: ["paidOn"]
};
var OPENED = /* @__PURE__ */ new Set(["bank", "processor"]);
var dayOfLine = (kind, { fields }) => {
  const text = (BOOK_DAY[kind] ?? []).map((field) => fields[field] ?? "").find((day2) => day2 !== "");
  const day = parseDay(text ?? "", "ymd");
  return day.ok ? day.value : null;
};
function withinSpan(kind, lines, answers, { today, cutOverOn, own }) {
  const isBefore = (line) => {
    const day = dayOfLine(kind, line);
    return OPENED.has(kind) && cutOverOn !== null && day !== null && day <= cutOverOn;
  };
  const latest = addDays(today, 1);
  const isFuture = (line) => (dayOfLine(kind, line) ?? today) > latest;
  const isOut = (line) => {
    const day = dayOfLine(kind, line);
    return own !== null && day !== null && isOutside(day, own);
  };
  const saysSomething = own?.from !== own?.to || !lines.every(isOut);
  const before2 = lines.filter(isBefore);
  const future = lines.filter(isFuture);
  const outside = lines.filter((line) => isOut(line) && !isBefore(line) && !isFuture(line));
  const questions = questionsOf(
    kind,
    { before: before2, future, outside: saysSomething ? outside : [] },
    {
      answers,
      today,
      cutOverOn,
      own
    }
  );
  const leftOut = [];
  const kept = lines.filter((line) => {
    const out = leaveFor({
      before: isBefore(line) && answers.before === "leave",
      future: isFuture(line) && answers.future === "leave",
      outside: isOut(line) && answers.outside === "leave"
    });
    if (out) leftOut.push({ line: line.line, why: out });
    return out === null;
  });
  return { lines: kept, leftOut, questions };
}
function questionsOf(kind, { before: before2, future, outside }, { answers, today, cutOverOn, own }) {
  const questions = [];
  if (before2.length > 0 && answers.before === void 0 && cutOverOn !== null)
    questions.push(beforeQuestion(kind, before2, cutOverOn, today));
  if (future.length > 0 && answers.future === void 0)
    questions.push(futureQuestion(kind, future, today));
  if (outside.length > 0 && answers.outside === void 0 && own !== null)
    questions.push(outsideQuestion(kind, outside, own, today));
  return questions;
}
var leaveFor = (leave) => ["before", "future", "outside"].find((why) => leave[why]) ?? null;
var days2 = (kind, lines, today) => {
  const sorted2 = lines.flatMap((line) => dayOfLine(kind, line) ?? []).sort();
  const [first2, last2] = [sorted2[0], sorted2.at(-1)];
  if (!first2 || !last2) return "";
  return first2 === last2 ? formatDay(first2, today) : `${formatDay(first2, today)} to ${formatDay(last2, today)}`;
};
var linesAre = ({ length }, between = "") => length === 1 ? `1 line ${between}is` : `${length} lines ${between}are`;
var them = ({ length }) => length === 1 ? "it" : "them";
var beforeQuestion = (kind, lines, cutOverOn, today) => ({
  key: "before",
  words: `${linesAre(lines, `(${days2(kind, lines, today)}) `)} of a day up to the cut-over on ${formatDay(cutOverOn, today)}, which the opening balances hold already.`,
  choices: [
    { answer: "leave", result: `leave ${them(lines)} out` },
    {
      answer: "take",
      result: `take ${them(lines)} in: the opening balances do not hold ${them(lines)}`
    }
  ]
});
var futureQuestion = (kind, lines, today) => ({
  key: "future",
  words: `${linesAre(lines)} of a day that has not come (${days2(kind, lines, today)}).`,
  choices: [
    { answer: "leave", result: `leave ${them(lines)} out` },
    { answer: "take", result: `take ${them(lines)} in: the day is right` }
  ]
});
var outsideQuestion = (kind, lines, { from, to }, today) => ({
  key: "outside",
  words: `The file says that it is of ${formatDay(from, today)} to ${formatDay(to, today)}; ${linesAre(lines)} of another day (${days2(kind, lines, today)}).`,
  choices: [
    { answer: "take", result: `take ${them(lines)} in: the day is right` },
    { answer: "leave", result: `leave ${them(lines)} out` }
  ]
});

// src/core/readings/sums/currencyHeads.ts
var HEAD_CURRENCY = /[([]\s*([A-Z]{3})\s*[)\]]|\b([A-Z]{3})\$?$/;
var HEAD_WORD = [
  [/(?:\beuros?|€)\s*[)\]]?$/i, "EUR"],
  [/(?:\bpounds? sterling|\bsterling|£)\s*[)\]]?$/i, "GBP"]
];
function inWords3(head) {
  const word = HEAD_WORD.find(([pattern]) => pattern.test(head))?.[1];
  const sign = signIn(IN_BRACKETS.exec(head)?.[1] ?? "");
  return word ?? (sign === null || isShared(sign) ? void 0 : sign);
}
var IN_BRACKETS = /[([]\s*([^)\]\s]{1,4})\s*[)\]]$/;
var currencyHeads = (cells) => sumFields(cells).flatMap((field) => {
  const head = cells.head(field);
  const match = HEAD_CURRENCY.exec(head);
  const currency = currencyOf(match?.[1] ?? match?.[2] ?? inWords3(head) ?? "");
  return currency === void 0 ? [] : [{ field, head, currency }];
});
function headsAgainst(cells, rows, ofRow) {
  if (cells.file.answers.currencies !== void 0) return [];
  for (const { field, head, currency } of currencyHeads(cells)) {
    const row = rows.find((row2) => cells.of(row2, field) !== "" && ofRow(row2) !== currency);
    if (!row) continue;
    const words = `\u201C${head}\u201D names ${currency}, and line ${row.line} is in ${ofRow(row)}. Choose columns of one currency, or say what its sums are in.`;
    const choices = [
      { answer: "line", result: "in what their line is in, whatever the head says" }
    ];
    return [{ key: "currencies", words, choices }];
  }
  return [];
}

// src/core/readings/sums/currencyColumn.ts
var NONE5 = { of: () => void 0, questions: [] };
function currencyColumn(cells, rows, own) {
  const heads = currencyHeads(cells);
  if (cells.has("currency") || heads.length > 0 && heads.length === sumFields(cells).length)
    return NONE5;
  const codes = cells.unread().filter(({ at }) => holdsCodes(rows, at));
  const said2 = codes.find(({ head }) => cells.file.answers[`column:${head}`] === "currency");
  if (said2) return { of: (row) => currencyOf((row.cells[said2.at] ?? "").trim()), questions: [] };
  return { of: NONE5.of, questions: codes.flatMap((column) => question4(cells, rows, column, own)) };
}
function holdsCodes(rows, at) {
  let isFilled2 = false;
  for (const { cells } of rows) {
    const cell = (cells[at] ?? "").trim();
    if (cell === "") continue;
    if (currencyOf(cell) === void 0) return false;
    isFilled2 = true;
  }
  return isFilled2;
}
function question4(cells, rows, { head, at }, own) {
  const named2 = rows.map((row) => (row.cells[at] ?? "").trim());
  const others = named2.filter((cell) => cell !== "" && cell !== own);
  if (others.length === 0 || cells.file.answers[`column:${head}`] !== void 0) return [];
  return [
    {
      key: `column:${head}`,
      words: `\u201C${head}\u201D names ${some(others)}. Is that what the sums of each line are in?`,
      choices: [
        { answer: "currency", result: "yes: each sum is in the currency of its line" },
        { answer: "leave", result: `no: the sums are in ${own}` }
      ]
    }
  ];
}

// src/core/readings/sums/currencyAbove.ts
var SAID2 = /\b(?:currency|currencies|ccy|all (?:amounts|figures|values|sums) (?:are )?in|(?:amounts|figures|values|sums) (?:are )?in|w[äa]hrung|devise|moneda|divisa|valuta|munt|moeda)\b[\s:=,;|–-]*\(?([A-Za-z]{3})\b/i;
function currencyAbove({ above = [] }) {
  const named2 = above.flatMap(
    (line) => currencyOf((SAID2.exec(line)?.[1] ?? "").toUpperCase()) ?? []
  );
  return new Set(named2).size === 1 ? named2[0] : void 0;
}

// src/core/readings/sums/currencyOfFile.ts
function currencyFinder(cells, rows, context) {
  const heads = currencyHeads(cells).map(({ currency }) => currency);
  const inHead = new Set(heads).size === 1 ? heads[0] : currencyAbove(cells.file.table);
  const fields = sumFields(cells);
  const marked = rows.some(
    (row) => fields.some((field) => (writtenSum(cells.of(row, field))?.currency ?? null) !== null)
  );
  const inCells = (row) => {
    if (!marked) return void 0;
    for (const field of fields) {
      const sign = writtenSum(cells.of(row, field))?.currency;
      if (sign && !isShared(sign)) return sign;
    }
    return void 0;
  };
  const shared = marked ? sharedIn(cells, rows, fields) : null;
  const assumed = cells.file.answers.currency ?? context.currency;
  const column = currencyColumn(cells, rows, assumed);
  const isOwn3 = cells.file.answers.currencies === "own";
  const own = (row) => (isOwn3 ? context.currency : void 0) ?? currencyOf(cells.of(row, "currency")) ?? column.of(row) ?? inCells(row) ?? inHead;
  const contradicts = !marked ? [] : rows.filter((row) => {
    const [said2, sign] = [currencyOf(cells.of(row, "currency")), inCells(row)];
    return said2 !== void 0 && sign !== void 0 && said2 !== sign;
  });
  const questions = [...column.questions];
  const unnamed = rows.some((row) => own(row) === void 0);
  if (shared !== null && unnamed && cells.file.answers.currency === void 0)
    questions.push(...sharedQuestion(shared, assumed));
  if (contradicts.length > 0 && cells.file.answers.currency === void 0)
    questions.push({
      key: "currency",
      words: `The column of currencies and the signs beside the sums disagree (${some(contradicts.map((row) => cells.of(row, "currency")))}). Which is right?`,
      choices: [{ answer: context.currency, result: "the column is right" }]
    });
  const ofRow = (row) => own(row) ?? assumed;
  return { currencyOf: ofRow, questions: [...questions, ...headsAgainst(cells, rows, ofRow)] };
}
function sharedIn(cells, rows, fields) {
  for (const row of rows)
    for (const field of fields) {
      const sign = writtenSum(cells.of(row, field))?.currency ?? null;
      if (isShared(sign)) return sign;
    }
  return null;
}
function sharedQuestion(sign, assumed) {
  const { words, currencies } = sharedSign(sign);
  if (currencies.includes(assumed)) return [];
  return [
    {
      key: "currency",
      words: `The sums are ${words}, and what they belong to is in ${assumed}. Which currency are they?`,
      choices: [...currencies.slice(0, 4), assumed].map((code) => ({
        answer: code,
        result: `every sum without another currency is ${code}`
      }))
    }
  ];
}

// src/core/readings/sums/inThousands.ts
var THOUSANDS = /\b(thousands?|000s|tsd|teur|keur|kusd|millions?|mio)\b/;
var NOUGHTS = /(?<![\d.,])[($€£'’]{1,2}0{3}s?(?![\d.,])/;
var MOST_LOOKED_AT8 = 50;
var LONGEST5 = 30;
function saysThousands(cells) {
  const { above = [], rows } = cells.file.table;
  const is = (text) => THOUSANDS.test(plainWords(text)) || NOUGHTS.test(text);
  const heads = sumFields(cells).map((field) => cells.head(field));
  const units = cells.unread().flatMap(({ at }) => {
    const looked = rows.slice(0, MOST_LOOKED_AT8).map((row) => (row.cells[at] ?? "").trim());
    const filled = looked.filter((cell) => cell !== "");
    return filled.length > 0 && filled.every((cell) => cell.length <= LONGEST5 && is(cell)) ? filled.slice(0, 1) : [];
  });
  return [...heads, ...above, ...units].find(is);
}

// src/core/readings/sums/sumsOfFile.ts
function sumsOfFile(cells, rows, context) {
  const money = currencyFinder(cells, rows, context);
  const found = different(cells, rows, money.currencyOf);
  const mark = markOf2(found.slice(0, MOST_LOOKED_AT9), cells.file.answers.mark);
  const unit = unitOf(cells, found, cells.file.answers.unit);
  return {
    reading: { mark: mark.mark, cents: unit.cents },
    questions: [...money.questions, ...mark.questions, ...unit.questions],
    currencyOf: money.currencyOf
  };
}
var MOST_LOOKED_AT9 = 2e4;
var WHOLE3 = /^\d+$/;
function different(cells, rows, currencyOf2) {
  const found = [];
  let isParted = false;
  const seen = /* @__PURE__ */ new Map();
  for (const field of sumFields(cells))
    for (const row of rows) {
      const text = cells.of(row, field);
      if (text === "") continue;
      const currency = currencyOf2(row);
      const texts = seen.get(currency) ?? /* @__PURE__ */ new Set();
      if (texts.has(text)) continue;
      seen.set(currency, texts.add(text));
      const written = writtenSum(text);
      if (written) found.push({ text, written, currency });
      isParted ||= written !== null && minorDigits(currency) > 0 && !WHOLE3.test(written.digits);
      if (isParted && found.length >= MOST_LOOKED_AT9) return found;
    }
  return found;
}
var valueUnder2 = ({ written, currency }, mark) => sumUnder(written, { mark, currency, cents: false });
var ONE_GROUP = /^\d{1,3}\.\d{3}$/;
function markOf2(sums2, said2) {
  if (said2 === "." || said2 === ",") return { mark: said2, questions: [] };
  const decides = (mark) => {
    const other = mark === "." ? "," : ".";
    return sums2.some(
      (cell) => valueUnder2(cell, mark) !== null && valueUnder2(cell, other) === null && !ONE_GROUP.test(cell.written.digits)
    );
  };
  const [point, comma] = [decides("."), decides(",")];
  const open = sums2.find(
    (cell) => ONE_GROUP.test(cell.written.digits) || differs(valueUnder2(cell, "."), valueUnder2(cell, ","))
  );
  if (point !== comma) return { mark: point ? "." : ",", questions: [] };
  if (!open && !point) return { mark: ".", questions: [] };
  const sample = point ? void 0 : open;
  return { mark: ".", questions: [markQuestion(sums2, sample)] };
}
var differs = (a, b) => a !== null && b !== null && a !== b;
function markQuestion(sums2, sample) {
  const shown2 = sample ?? sums2[0];
  const read2 = (mark) => {
    const value = shown2 && valueUnder2(shown2, mark);
    if (!shown2 || value === null || value === void 0)
      return `${sums2.filter((cell) => valueUnder2(cell, mark) === null).length} sums could not be read`;
    return `${shown2.text} is ${formatAmount(value, shown2.currency)}`;
  };
  return {
    key: "mark",
    words: sample ? `${sample.text} can be two sums. Which is the decimal sign?` : "Some sums of the file have a point before the decimals, some a comma. Which is the decimal sign?",
    choices: [
      { answer: ".", result: `the point: ${read2(".")}` },
      { answer: ",", result: `the comma: ${read2(",")}` }
    ]
  };
}
var HEAD_CENTS = /\b(cents?|minor|pence|centimes)\b/i;
var FEW = 3;
function unitOf(cells, sums2, said2) {
  if (said2 !== void 0) return { cents: said2 === "cents", questions: [] };
  const fields = sumFields(cells);
  if (fields.length > 0 && fields.some((field) => HEAD_CENTS.test(plainWords(cells.head(field)))))
    return { cents: true, questions: [] };
  const large = saysThousands(cells);
  if (large !== void 0) return { cents: false, questions: [largeQuestion(large)] };
  const own = sums2.filter(({ currency }) => minorDigits(currency) > 0);
  const whole3 = own.filter(({ written }) => WHOLE3.test(written.digits));
  const worth = whole3.filter(({ written }) => Number(written.digits) !== 0);
  if (worth.length === 0 || whole3.length < own.length) return { cents: false, questions: [] };
  const round = worth.every(({ written }) => written.digits.length < FEW);
  if (round) return { cents: false, questions: [] };
  const [sample] = [...worth].sort((a, b) => b.written.digits.length - a.written.digits.length);
  if (!sample) return { cents: false, questions: [] };
  const value = (cents) => formatAmount(
    sumUnder(sample.written, { mark: ".", currency: sample.currency, cents }) ?? 0,
    sample.currency
  );
  return {
    cents: false,
    questions: [
      {
        key: "unit",
        words: `Every sum of the file is a whole number. Are they ${sample.currency}, or its hundredths?`,
        choices: [
          { answer: "whole", result: `${sample.text} is ${value(false)}` },
          { answer: "cents", result: `${sample.text} is ${value(true)}` }
        ]
      }
    ]
  };
}
var largeQuestion = (said2) => ({
  key: "unit",
  words: `\u201C${said2.trim().slice(0, 60)}\u201D counts in thousands or more: the cents are lost. Export the sums in full instead.`,
  choices: [{ answer: "whole", result: "the sums stand in full, whatever it says" }]
});

// src/core/readings/sums/twoCurrencies.ts
var MAIN2 = {
  invoices: ["total", "balance"],
  processor: ["gross", "net"],
  bank: ["amount"]
};
var OF_THE_BOOKS = /\b(home|local|base|functional|reporting|company|converted|equivalent|account currency|book)\b/;
function twoCurrencies(around2, currencyOf2) {
  const { cells, rows, context } = around2;
  if (!cells.has("currency") || cells.file.answers.currencies !== void 0) return [];
  const foreign = rows.filter((row) => currencyOf2(row) !== context.currency);
  const own = rows.filter((row) => currencyOf2(row) === context.currency);
  if (foreign.length === 0 || own.length === 0) return [];
  const heads = cells.unread().filter(({ head }) => !OF_THE_BOOKS.test(plainWords(head)) && !head.includes(context.currency));
  const open = (MAIN2[cells.file.kind] ?? []).filter(
    (field) => !FOREIGN.test(plainWords(cells.head(field)))
  );
  const pairs = open.flatMap(
    (field) => heads.map((other) => ({
      heads: [cells.head(field), other.head],
      of: (row) => [
        valueIn(around2, cells.of(row, field), currencyOf2(row)),
        valueIn(around2, (row.cells[other.at] ?? "").trim(), currencyOf2(row))
      ]
    }))
  );
  const twice = pairs.find(
    ({ of }) => own.every((row) => isSame3(of(row))) && foreign.every((row) => hasBoth(of(row))) && foreign.some((row) => !isSame3(of(row)))
  );
  const line = foreign.find((row) => twice && !isSame3(twice.of(row)));
  if (!twice || !line) return [];
  const pair = { heads: twice.heads, sums: twice.of(line), line: line.line };
  return [question5(around2, { ...pair, currency: currencyOf2(line) })];
}
var isSame3 = ([a, b]) => a === b && a !== 0;
var hasBoth = ([a, b]) => a !== 0 && b !== 0;
function valueIn({ reading: reading2 }, cell, currency) {
  const written = writtenSum(cell);
  return (written && sumUnder(written, { ...reading2, currency })) ?? 0;
}
function question5({ context }, { heads, sums: sums2, line, currency }) {
  const [first2, second] = sums2.map((sum) => formatAmount(sum, currency));
  return {
    key: "currencies",
    words: `Line ${line} is in ${currency}, with ${first2} in \u201C${heads[0]}\u201D and ${second} in \u201C${heads[1]}\u201D. One of them is in ${context.currency}. Which is it? Choose the other column for the sum if \u201C${heads[1]}\u201D is right.`,
    choices: [
      {
        answer: "line",
        result: `\u201C${heads[0]}\u201D is in the currency of its line: ${currency} ${first2}`
      },
      {
        answer: "own",
        result: `\u201C${heads[0]}\u201D is in ${context.currency} on every line: ${context.currency} ${first2}`
      }
    ]
  };
}

// src/core/readings/understand.ts
var TABLES = {
  processor: processorTable,
  bank: bankTable,
  invoices: invoiceTable,
  customers: customerTable,
  remittance: remittanceTable,
  returns: returnsTable
};
function understand(asCame, context) {
  if (asCame.table.kind === asCame.kind) return understoodFormat(asCame, context);
  const said2 = { ...asCame, table: headSaid(asCame.table, asCame.answers) };
  const file = withSaidCodes(
    withOurNumbers(asPayouts(withTotals(withReserves(withWays(withTimes(said2))))))
  );
  const lines = linesOf3(file, context);
  const { cells, rows } = lines;
  const days3 = daysOfFile(cells, rows, context);
  const sums2 = sumsOfFile(cells, rows, context);
  const reading2 = {
    cells,
    daysOf: days3.readingOf,
    sums: sums2.reading,
    currencyOf: sums2.currencyOf,
    wayOf: lines.wayOf,
    today: context.today
  };
  const bad = [...cutIds(cells, rows), ...rows.flatMap((row) => unreadable(reading2, row))];
  const badLines = new Set(bad.map(({ line }) => line));
  const split2 = splitRows(
    reading2,
    rows.filter(({ line }) => !badLines.has(line))
  );
  const made = TABLES[file.kind](reading2, split2.rows);
  const totals = totalsOf(reading2, made.questions, {
    rows: cells.file.table.rows,
    leftOut: [...lines.leftOut, ...split2.leftOut, ...made.leftOut],
    made: made.rows
  });
  const own = spanUnder(spanAbove(file.table), days3.readingOf(""));
  const span = withinSpan(file.kind, made.rows, file.answers, { ...context, own });
  const questions = [
    ...lines.questions,
    ...days3.questions,
    ...sums2.questions,
    ...twoCurrencies({ cells, rows, reading: sums2.reading, context }, sums2.currencyOf),
    ...split2.questions,
    ...made.questions,
    ...totals.questions,
    ...otherColumns(
      { cells, rows, reading: sums2.reading, context },
      footed(file.kind, cells, made)
    ),
    ...span.questions
  ];
  return {
    table: canonicalTable(file.kind, { ...made, rows: span.lines }),
    mapping: canonicalMapping(file.kind),
    questions: onceEach(questions),
    leftOut: sorted([...lines.leftOut, ...split2.leftOut, ...made.leftOut, ...span.leftOut]),
    ended: [...lines.ended, ...made.ended ?? []],
    refused: [...lines.refused, ...bad, ...made.refused],
    proofs: [...lines.proofs, ...made.proofs, ...totals.proofs]
  };
}
function understoodFormat(file, context) {
  const { table, kind, columns, answers } = file;
  const cells = new Cells(file);
  const one = ofOneAccount(cells, table.rows, context);
  const aside = new Map(table.aside?.map(({ line, mark }) => [line, mark]));
  const booked = one.rows.filter(({ line }) => !aside.has(line));
  const rows = booked.map((row) => ({
    line: row.line,
    fields: Object.fromEntries(Object.keys(columns).map((field) => [field, cells.of(row, field)]))
  }));
  const clear = doubtsOfFormat(
    rows,
    [...table.doubts ?? [], ...ownBills(table, context)],
    answers
  );
  const due = kind === "invoices" ? dueOfFormat(clear.lines, answers) : { lines: clear.lines, questions: [] };
  const moments = momentsOfFormat(due.lines, table.moments ?? [], answers, context);
  const span = withinSpan(kind, moments.lines, answers, { ...context, own: table.span ?? null });
  const { off = null, proofs: proofs3 = [] } = table;
  const questions = [
    ...one.questions,
    ...off !== null && answers.balance === void 0 ? [offQuestion3(off)] : [],
    ...clear.questions,
    ...due.questions,
    ...moments.questions,
    ...span.questions
  ];
  return {
    table: canonicalTable(kind, { rows: span.lines }),
    mapping: canonicalMapping(kind),
    questions,
    leftOut: sorted([
      ...one.leftOut,
      ...one.rows.flatMap(({ line }) => {
        const why = aside.get(line);
        return why ? [{ line, why }] : [];
      }),
      ...clear.leftOut,
      ...span.leftOut
    ]),
    ended: [],
    refused: [],
    proofs: [...one.proofs, ...proofs3, ...off === null ? [] : [off]]
  };
}
function ownBills({ madeOutTo, rows }, { ownName }) {
  const [to, own] = [madeOutTo, ownName].map((name) => plainWords(name ?? ""));
  return own !== "" && to === own ? rows.map(({ line }) => ({ line, mark: "own_bill" })) : [];
}
var offQuestion3 = (off) => ({
  key: "balance",
  words: `The file does not add up: ${off}.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }]
});
var onceEach = (questions) => questions.filter(({ key }, at) => questions.findIndex((other) => other.key === key) === at);
var sorted = (leftOut) => [...leftOut].sort((a, b) => a.line - b.line);
function footed(kind, cells, { proofs: proofs3 }) {
  if (kind === "invoices") return cells.has("balance");
  if (kind === "customers" || kind === "returns") return true;
  return proofs3.some((proof) => /^all |^gross less|are the sum/.test(proof));
}

// src/server/overdue/letters.ts
import { Liquid } from "liquidjs";

// src/db/letterTexts.ts
function wordingFor(db, ladderId, tone, language) {
  return db.get(
    "SELECT subject, body FROM wording WHERE ladder_id IN (0, ?) AND tone = ? AND language = ? ORDER BY ladder_id DESC LIMIT 1",
    ladderId,
    tone,
    language
  );
}
function setWording(db, row) {
  db.run(
    "INSERT INTO wording (ladder_id, tone, language, subject, body) VALUES (?, ?, ?, ?, ?) ON CONFLICT (ladder_id, tone, language) DO UPDATE SET subject = excluded.subject, body = excluded.body",
    row.ladderId,
    row.tone,
    row.language,
    row.subject,
    row.body
  );
}
function deleteWording(db, ladderId, tone, language) {
  return db.run(
    "DELETE FROM wording WHERE ladder_id = ? AND tone = ? AND language = ?",
    ladderId,
    tone,
    language
  ).changes > 0;
}

// src/server/overdue/letterTable.ts
var tablesOf = (items, owed, language) => owed.map((entry) => {
  const own = items.filter(({ currency }) => currency === entry.currency);
  return tableOf(own, entry, owed.length > 1, language);
}).join("\n\n");
function dayIn3(on, language) {
  return new Intl.DateTimeFormat(language === "en" ? "en-US" : language, {
    weekday: "short",
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone: "UTC"
  }).format(/* @__PURE__ */ new Date(`${on}T12:00:00Z`));
}
function owedBy(items, whole3, creditIn2, book) {
  const currencies = [...new Set(items.map(({ currency }) => currency))];
  return currencies.map((currency) => {
    const own = creditIn2.get(currency) ?? ZERO;
    const credit = currencies.length === 1 && currency === book ? whole3 : own;
    return {
      currency,
      credit,
      sum: add(
        sumOf(
          items.filter((item) => item.currency === currency),
          (item) => item.balance
        ),
        -credit
      )
    };
  });
}
function tableOf(items, { currency, credit, sum }, several, language) {
  const words = tableWords(language);
  const amount2 = (value) => `${several ? `${currency} ` : ""}${formatAmount(value, currency)}`;
  const rows = items.map((item) => [
    item.number,
    `${words.due} ${dayIn3(item.dueOn, language)}`,
    amount2(item.balance)
  ]);
  if (credit !== 0) rows.push(["", words.credit, amount2(negate(credit))]);
  rows.push(["", words.together, amount2(sum)]);
  const width = (at) => Math.max(...rows.map((row) => row[at]?.length ?? 0));
  return rows.map(
    ([number = "", says3 = "", value = ""]) => `  ${number.padEnd(width(0))}  ${says3.padEnd(width(1))}  ${value.padStart(width(2))}`
  ).join("\n");
}

// src/server/overdue/letters.ts
var engine = new Liquid({
  strictVariables: true,
  strictFilters: true,
  ownPropertyOnly: true,
  jsTruthy: true,
  templates: {},
  parseLimit: 1e5,
  // Milliseconds by the clock: a machine that stands still for a moment must refuse no letter.
  renderLimit: 5e3,
  memoryLimit: 1e7
});
function draftLetter(db, row, { settings, today, own }) {
  const { items: all, named: named2, creditIn: creditIn2 } = row.detail();
  const items = all.filter(({ id }) => named2.includes(id));
  const sum = add(
    sumOf(items, (item) => item.bookBalance),
    -row.credit
  );
  const owed = owedBy(items, row.credit, creditIn2, settings.currency);
  const { language } = row.followed;
  const { step, tone, attach } = letterStep(row);
  const charged = feeOfLetter(db, items, letterStep(row).fee, { settings, today });
  const { to, copies, back, greeting } = addressed(row, (address) => backFrom(db, address));
  const money = (currency, amount2) => `${currency} ${formatAmount(amount2, currency)}`;
  const fields = {
    customer: greeting,
    business: settings.name,
    count: items.length,
    ahead: row.oldestDays <= 0,
    sum: owed.map((entry) => money(entry.currency, entry.sum)).join(" + "),
    oldest_days: Math.max(0, row.oldestDays),
    reply_by: dayIn3(addBankingDays(today, 5), language),
    fee: charged.fee === 0 ? "" : money(charged.feeCurrency, charged.fee),
    link: linkIn(db, settings, row.customer.id),
    table: tablesOf(items, owed, language)
  };
  const empty = Object.entries(fields).find(
    ([name, value]) => value === "" && name !== "link" && name !== "fee"
  );
  if (empty) return fail("letter.empty_field", { field: empty[0] });
  const template = own ?? wordingFor(db, row.ladderId, tone, language) ?? letterTemplate(tone, language);
  const filled = fill(template, fields);
  if (!filled.ok) return filled;
  return ok({
    to,
    copies,
    back,
    ...filled.value,
    step,
    sum,
    items,
    credit: row.credit,
    attach,
    ...charged
  });
}
function feeOfLetter(db, items, fee, { settings: { currency: book }, today }) {
  const feeCurrency = items.find(({ balance }) => balance > 0)?.currency ?? book;
  const inTheirs = inOther(db, { amount: fee, currency: feeCurrency, book, on: today });
  return { fee: inTheirs ?? ZERO, feeCurrency };
}
var linkIn = (db, { linkBase }, customerId) => linkBase === null ? "" : `${linkBase}/account/${linkOf(db, customerId)}`;
function addressed({ persons, customer }, whyBack) {
  const { to, copies, greeting } = reachedBy(persons, customer);
  const back = [...to, ...copies].flatMap((address) => {
    const why = whyBack(address);
    return why === null ? [] : [{ address, why }];
  });
  const reached = (some2) => some2.filter((address) => !back.some((entry) => entry.address === address)).join(", ");
  return { to: reached(to) || null, copies: reached(copies), back, greeting };
}
var read = /* @__PURE__ */ new Map();
function parsed(text) {
  const before2 = read.get(text);
  if (before2) return before2;
  const made = engine.parse(text);
  if (read.size > 200) read.clear();
  read.set(text, made);
  return made;
}
function fill(template, fields) {
  try {
    const [subject, body] = [template.subject, template.body].map(
      (text) => String(engine.renderSync(parsed(text), fields)).replace(/\n{3,}/g, "\n\n")
    );
    return ok({ subject: (subject ?? "").replace(/\s+/g, " ").trim(), body: body ?? "" });
  } catch (error) {
    return fail("letter.words", {
      what: error instanceof Error ? error.message.split("\n")[0] ?? "" : "it cannot be read"
    });
  }
}
function letterStep({ next, followed }) {
  const { step } = next;
  return step.act === "letter" ? step : {
    step: step.step,
    tone: followed.language === "en" && step.act === "stop" ? 4 : 3,
    attach: "statement",
    fee: ZERO
  };
}

// src/server/arrivals/commands/importFile.ts
import { z as z27 } from "zod";

// src/db/tray.ts
var TRAY = `SELECT t.id, t.file_id AS fileId, f.name AS file, f.on_day AS onDay, t.line_no AS line, t.column_head AS "column", t.why, t.state, t.reason
  FROM tray_line t JOIN import_file f ON f.id = t.file_id`;
function layInTray(db, { fileId, line, column, why }) {
  const into = "INSERT OR IGNORE INTO tray_line (file_id, line_no, column_head, why) VALUES (?, ?, ?, ?)";
  db.run(into, fileId, line, column, why);
}
var trayLine = (db, id) => db.get(`${TRAY} WHERE t.id = ?`, id);
function setTrayState(db, id, { state, reason }) {
  db.run("UPDATE tray_line SET state = ?, reason = ? WHERE id = ?", state, reason, id);
}
function dropAgain(db, fileId, again) {
  db.run(
    `UPDATE tray_line SET state = 'dropped',
       reason = (SELECT b.reason FROM tray_line b WHERE b.file_id = ?2 AND b.line_no = tray_line.line_no)
     WHERE file_id = ?1 AND line_no IN (SELECT line_no FROM tray_line WHERE file_id = ?2 AND state = 'dropped')`,
    fileId,
    again
  );
}
function emptyTrayOf(db, fileId) {
  db.run("UPDATE tray_line SET state = 'read' WHERE file_id = ? AND state = 'waits'", fileId);
}

// src/server/books/commands/undoFile.ts
import { z as z26 } from "zod";

// src/server/arrivals/commands/dropLine.ts
import { z } from "zod";
var dropLine = defineCommand({
  name: "dropLine",
  schema: z.object({
    lineId: z.number().int(),
    reason: z.string().trim().min(3, "Say why.").max(200)
  }),
  run(ctx, { lineId, reason }) {
    const found = trayLine(ctx.db, lineId);
    if (found?.state !== "waits") return fail("tray.gone");
    setTrayState(ctx.db, lineId, { state: "dropped", reason });
    const actId = ctx.act(
      "tray",
      { kind: "tray_line", id: lineId },
      `line ${found.line} of ${found.file} dropped: ${reason}`
    );
    return ok({ actId });
  }
});
var undropLine = (ctx, act) => {
  if (trayLine(ctx.db, act.subjectId)?.state !== "dropped") return fail("tray.gone");
  setTrayState(ctx.db, act.subjectId, { state: "waits", reason: null });
  return ok(null);
};

// src/server/arrivals/commands/explainLine.ts
import { z as z2 } from "zod";

// src/db/bankRules.ts
var RULE = "SELECT id, bank_account_id AS bankAccountId, contains, sign, least, most, treat_as AS treatAs, account_id AS accountId FROM bank_rule";
function bankRules(db, bankAccountId) {
  return db.all(
    `${RULE} WHERE bank_account_id = ? OR bank_account_id IS NULL
     ORDER BY length(contains) DESC, (least IS NULL) + (most IS NULL), bank_account_id IS NULL, id`,
    bankAccountId
  );
}
function isBankRule(db, id) {
  return db.get("SELECT 1 FROM bank_rule WHERE id = ?", id) !== void 0;
}
function insertBankRule(db, rule2) {
  const { bankAccountId, contains, sign, least, most, treatAs, accountId } = rule2;
  const known9 = db.get(
    "SELECT id FROM bank_rule WHERE bank_account_id IS ? AND contains = ? AND sign = ? AND least IS ? AND most IS ?",
    bankAccountId,
    contains,
    sign,
    least,
    most
  );
  if (known9) {
    const change = "UPDATE bank_rule SET treat_as = ?, account_id = ? WHERE id = ?";
    db.run(change, treatAs, accountId, known9.id);
    return known9.id;
  }
  return db.run(
    "INSERT INTO bank_rule (bank_account_id, contains, sign, least, most, treat_as, account_id) VALUES (?, ?, ?, ?, ?, ?, ?)",
    bankAccountId,
    contains,
    sign,
    least,
    most,
    treatAs,
    accountId
  ).id;
}
function deleteBankRule(db, id) {
  db.run("UPDATE bank_line SET rule_id = NULL WHERE rule_id = ?", id);
  db.run("DELETE FROM bank_rule WHERE id = ?", id);
}
function linesLike(db, rule2, most) {
  const { bankAccountId, contains, sign } = rule2;
  const ways = { in: "amount > 0", out: "amount < 0", both: "1" };
  const from = `FROM bank_line WHERE (?1 IS NULL OR bank_account_id = ?1) AND instr(lower(description), lower(?2)) > 0
    AND ${ways[sign]} AND (?3 IS NULL OR abs(amount) >= ?3) AND (?4 IS NULL OR abs(amount) <= ?4)`;
  const values = [bankAccountId, contains, rule2.least, rule2.most];
  return {
    lines: db.all(
      `SELECT id, posted_on AS postedOn, description, amount, state ${from} ORDER BY posted_on DESC, id DESC LIMIT ?5`,
      ...values,
      most
    ),
    counts: db.all(
      `SELECT state, count(*) AS count ${from} GROUP BY state ORDER BY 2 DESC`,
      ...values
    )
  };
}

// src/db/deposits.ts
var DEPOSIT = "SELECT id, bank_account_id AS bankAccountId, on_day AS onDay, currency, sum, state, bank_line_id AS bankLineId FROM deposit";
function insertDeposit(db, deposit) {
  return db.run(
    "INSERT INTO deposit (bank_account_id, on_day, currency, sum) VALUES (?, ?, ?, ?)",
    deposit.bankAccountId,
    deposit.onDay,
    deposit.currency,
    deposit.sum
  ).id;
}
function depositById(db, id) {
  return db.get(`${DEPOSIT} WHERE id = ?`, id);
}
function depositsUnderWay(db) {
  return db.all(`${DEPOSIT} WHERE state = 'made' ORDER BY on_day, id`);
}
function setDepositState(db, id, state, bankLineId) {
  db.run("UPDATE deposit SET state = ?, bank_line_id = ? WHERE id = ?", state, bankLineId, id);
}

// src/db/restateLine.ts
function restateLine(db, id, { amount: amount2, postedOn, balanceAfter }) {
  db.run(
    "UPDATE bank_line SET amount = ?, posted_on = ?, balance_after = coalesce(?, balance_after) WHERE id = ? AND state = 'open'",
    amount2,
    postedOn,
    balanceAfter,
    id
  );
}

// src/db/processorAccounts.ts
var ACCOUNT2 = "SELECT id, code, name, currency, delay_days AS delayDays, descriptor, fee_billing AS feeBilling FROM processor_account";
function processorAccounts(db) {
  return db.all(`${ACCOUNT2} ORDER BY id`);
}
function insertProcessorAccount(db, account) {
  return db.run(
    "INSERT INTO processor_account (code, name, currency, delay_days, descriptor, fee_billing) VALUES (?, ?, ?, ?, ?, ?)",
    account.code,
    account.name,
    account.currency,
    account.delayDays,
    account.descriptor,
    account.feeBilling
  ).id;
}

// src/db/receiptsByHand.ts
function setHandState(db, id, state, depositId) {
  db.run(
    "UPDATE receipt SET hand_state = ?, deposit_id = ? WHERE id = ? AND hand_state IS NOT NULL",
    state,
    depositId,
    id
  );
}
function receiptsOfDeposit(db, depositId) {
  return db.all(
    `SELECT ${COLUMNS} FROM receipt r WHERE r.deposit_id = ? ORDER BY r.id`,
    depositId
  );
}
function handTwin(db, receipt) {
  return db.get(
    `SELECT paid_on AS paidOn FROM receipt
     WHERE hand_state IS NOT NULL AND hand_state <> 'void'
       AND method = ? AND amount = ? AND coalesce(number, '') = ? AND payer_name = ?
       AND (? <> '' OR paid_on = ?)`,
    receipt.method,
    receipt.amount,
    receipt.number,
    receipt.payerName,
    receipt.number,
    receipt.paidOn
  );
}

// src/server/match/steps/deposits.ts
var WITHIN_DAYS = 10;
function depositFits(deposit, line) {
  const days3 = daysBetween(deposit.onDay, line.postedOn);
  return line.bankAccountId === deposit.bankAccountId && line.amount === deposit.sum && days3 >= -1 && days3 <= WITHIN_DAYS;
}
function bankDeposit(ctx, deposit, line) {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  const receipts = receiptsOfDeposit(ctx.db, deposit.id);
  const actId = ctx.act(
    "deposit_banked",
    { kind: "deposit", id: deposit.id },
    `deposit of ${ctx.sum(deposit.sum)} stands on the statement`
  );
  const document = {
    kind: "bank_line",
    id: line.id,
    text: `deposit of ${receipts.length} by hand`
  };
  ctx.post(
    postDeposited({
      on: line.postedOn,
      document,
      bank: bank.code,
      bankLineId: line.id,
      receipts: receipts.map(({ id, amount: amount2, currency }) => ({
        receiptId: id,
        sum: inBook(amount2, currency)
      }))
    }),
    actId
  );
  for (const { id } of receipts) setHandState(ctx.db, id, "banked", deposit.id);
  setDepositState(ctx.db, deposit.id, "banked", line.id);
  setBankLineState(ctx.db, { id: line.id, state: "deposit" });
  return actId;
}
function tieDeposits(ctx, tally) {
  const deposits = depositsUnderWay(ctx.db);
  if (deposits.length === 0) return;
  const lines = openBankLines(ctx.db);
  for (const deposit of deposits) {
    const fitting = lines.filter((line2) => depositFits(deposit, line2));
    const [line] = fitting;
    if (!line || fitting.length > 1 || deposits.filter((other) => depositFits(other, line)).length > 1)
      continue;
    bankDeposit(ctx, deposit, line);
    tally?.also("deposits of checks and cash found", line.amount);
  }
}

// src/server/match/steps/remittances.ts
function joinRemittances(ctx, tally) {
  const advices = looseAdvice(ctx.db);
  const days3 = advices.map(({ paidOn }) => paidOn).sort();
  const [first2, last2] = [days3[0], days3.at(-1)];
  if (!first2 || !last2) return;
  const receipts = receiptsWithoutAdvice(
    ctx.db,
    addDays(first2, -ADVICE_DAYS),
    addDays(last2, ADVICE_DAYS)
  );
  const sums2 = new Map(receipts.map(({ id, amount: amount2 }) => [id, amount2]));
  const joined3 = joinAdvice(advices, receipts);
  for (const one of joined3) joinRemittance(ctx.db, one);
  for (const receiptId of new Set(joined3.map((one) => one.receiptId)))
    tally?.also("receipts whose remittance advice was found", sums2.get(receiptId) ?? null);
}

// src/core/payouts/tieOut.ts
var LATEST_BANKING_DAYS = 4;
var FAR = 14;
function fitsPayout(payout, line) {
  if (line.currency !== payout.currency || line.amount !== payout.net) return false;
  return nearInTime(payout, line) && speaksOf(line, payout);
}
function nearInTime(payout, line) {
  if (Math.abs(daysBetween(payout.paidOn, line.postedOn)) > FAR) return false;
  const days3 = bankingDaysBetween(payout.paidOn, line.postedOn);
  return days3 >= -1 && days3 <= LATEST_BANKING_DAYS;
}
function speaksOf(line, payout) {
  return payout.descriptor === null || payout.descriptor === "" || line.description.toLowerCase().includes(payout.descriptor.toLowerCase());
}
function named(payout, lines) {
  const id = payout.externalId.toLowerCase();
  const saying = id.length >= 4 ? lines.filter((line) => line.description.toLowerCase().includes(id)) : [];
  return saying.length === 1 ? saying : lines;
}
function tieOut(payouts, lines) {
  const linesBySum = /* @__PURE__ */ new Map();
  for (const line of lines)
    linesBySum.set(line.amount, [...linesBySum.get(line.amount) ?? [], line]);
  const claims = /* @__PURE__ */ new Map();
  const single = [];
  for (const payout of payouts) {
    const fitting = named(
      payout,
      (linesBySum.get(payout.net) ?? []).filter((line) => fitsPayout(payout, line))
    );
    for (const line of fitting) claims.set(line.id, (claims.get(line.id) ?? 0) + 1);
    const [only] = fitting;
    if (only && fitting.length === 1 && (payout.statedNet === null || payout.statedNet === payout.net))
      single.push({ payout, line: only });
  }
  return single.filter(({ line }) => claims.get(line.id) === 1).map(({ payout, line }) => ({ payoutId: payout.id, bankLineId: line.id }));
}

// src/server/payouts/steps/tie.ts
function tie(ctx, payout, lines, how) {
  const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
  const bank = bankAccounts(ctx.db).find(({ id }) => id === lines[0]?.bankAccountId);
  if (!processor || !bank) throw new Error("a payout and its lines have accounts");
  const on = lines.reduce(
    (latest, line) => line.postedOn > latest ? line.postedOn : latest,
    lines[0]?.postedOn ?? payout.paidOn
  );
  const actId = ctx.act(
    "tie",
    { kind: "payout", id: payout.id },
    `tied to ${lines.length === 1 ? "its bank line" : `${lines.length} bank lines`} of ${ctx.sum(sumOf(lines, (line) => line.amount))}, ${how}`
  );
  const foreign = payout.currency !== bank.currency;
  const shares = foreign ? split(
    payout.net,
    lines.map((line) => Math.abs(line.amount))
  ) : lines.map((line) => line.amount);
  lines.forEach((line, at) => {
    insertTie(ctx.db, {
      payoutId: payout.id,
      bankLineId: line.id,
      amount: shares[at] ?? minor(0),
      atBank: foreign ? line.amount : null,
      onDay: on,
      actId
    });
    setBankLineState(ctx.db, { id: line.id, state: "payout" });
  });
  setPayoutState(ctx.db, payout.id, "tied");
  const document = { kind: "payout", id: payout.id, text: `payout ${payout.externalId}` };
  ctx.post(
    postPayoutTied({
      on,
      document,
      processor: processor.code,
      bank: bank.code,
      payoutId: payout.id,
      lines: lines.map((line) => ({
        bankLineId: line.id,
        sum: inBook(line.amount, line.currency)
      })),
      ...foreign ? { net: inBook(payout.net, payout.currency) } : {}
    }),
    actId
  );
  return actId;
}
function tieInOne(ctx, payouts, line) {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  const [first2] = payouts;
  if (!bank || !first2) throw new Error("payouts and their line have accounts");
  const actId = ctx.act(
    "tie",
    { kind: "payout", id: first2.id },
    `payouts ${payouts.map(({ externalId }) => externalId).join(", ")} tied to one bank line of ${ctx.sum(line.amount)}`
  );
  for (const payout of payouts) {
    const processor = processorAccounts(ctx.db).find(({ id }) => id === payout.processorAccountId);
    if (!processor) throw new Error("a payout has its processor account");
    insertTie(ctx.db, {
      payoutId: payout.id,
      bankLineId: line.id,
      amount: payout.net,
      atBank: null,
      onDay: line.postedOn,
      actId
    });
    setPayoutState(ctx.db, payout.id, "tied");
    ctx.post(
      postPayoutTied({
        on: line.postedOn,
        document: { kind: "payout", id: payout.id, text: `payout ${payout.externalId}` },
        processor: processor.code,
        bank: bank.code,
        payoutId: payout.id,
        lines: [{ bankLineId: line.id, sum: inBook(payout.net, payout.currency) }]
      }),
      actId
    );
  }
  setBankLineState(ctx.db, { id: line.id, state: "payout" });
  return actId;
}
function tieAllSingle(ctx, tally) {
  const descriptor = new Map(
    processorAccounts(ctx.db).map((account) => [account.id, account.descriptor])
  );
  const payouts = openPayouts(ctx.db).map((payout) => ({
    ...payout,
    descriptor: descriptor.get(payout.processorAccountId) ?? null
  }));
  for (const { payoutId, bankLineId } of tieOut(payouts, openBankLines(ctx.db))) {
    const [payout, line] = [payoutById(ctx.db, payoutId), bankLineById(ctx.db, bankLineId)];
    if (!payout || !line) continue;
    tie(ctx, payout, [line], "the only one that fits");
    tally?.also("payouts tied to their bank line", line.amount);
  }
}

// src/server/arrivals/steps/bankLine.ts
function bankCode(ctx, line) {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  return bank.code;
}
function asReceipt(ctx, line, actId, ruleId = null) {
  const id = insertReceipt(ctx.db, {
    source: "bank",
    method: methodOf(line.description),
    paidOn: line.postedOn,
    settledOn: line.postedOn,
    currency: line.currency,
    amount: line.amount,
    payerName: payerOf(line.description),
    payerEmail: "",
    reference: line.description,
    fileId: line.fileId,
    lineNo: line.lineNo
  });
  setBankLineState(ctx.db, { id: line.id, state: "receipt", receiptId: id, ruleId });
  const act = actId ?? ctx.act(
    "bank_receipt",
    { kind: "bank_line", id: line.id },
    `taken as a receipt of ${ctx.sum(line.amount)}`
  );
  const document = {
    kind: "bank_line",
    id: line.id,
    text: `bank line ${line.description.slice(0, 60)}`
  };
  ctx.post(
    postReceiptAtBank({
      on: line.postedOn,
      document,
      bank: bankCode(ctx, line),
      bankLineId: line.id,
      receiptId: id,
      sum: inBook(line.amount, line.currency)
    }),
    act
  );
  return id;
}
function asElsewhere(ctx, line, why, ruleId = null) {
  setBankLineState(ctx.db, { id: line.id, state: "elsewhere", receiptId: null, ruleId });
  const act = ctx.act("elsewhere", { kind: "bank_line", id: line.id }, `put aside, ${why}`);
  const document = {
    kind: "bank_line",
    id: line.id,
    text: `bank line ${line.description.slice(0, 60)}`
  };
  ctx.post(
    postElsewhere({
      on: line.postedOn,
      document,
      bank: bankCode(ctx, line),
      bankLineId: line.id,
      sum: inBook(line.amount, line.currency)
    }),
    act
  );
}
var TRADE_WORDS = /\b(check\s+(?:(?:no|nr)\.?\s*|#)?\d+|ach|credit|deposit|incoming|wire|transfer|in|from|lockbox|check|ccd|ctx|ppd|orig|co|name|des|ref|payment|pmt|eft)\b/gi;
function saysReceipt(description) {
  return /\b(ach credit|incoming wire|wire in|wire from|lockbox|ccd|ctx|remittance|check deposit)\b/i.test(
    description
  );
}
function methodOf(description) {
  if (/\bwire\b/i.test(description)) return "wire";
  return /\b(check|lockbox)\b/i.test(description) ? "check" : "ach_credit";
}
function payerOf(description) {
  const words = description.replace(TRADE_WORDS, " ").replace(/[:*]+/g, " ").trim();
  return (words.split(
    /(?<!\s)\s+(?=\S*\d)|(?<!\s)\s{2,}|(?<!\s)\s+(?:inv|invoice|po|memo|for|statement)\b/i
  )[0] ?? "").replace(/\s+/g, " ").trim();
}

// src/server/arrivals/imports/told/alikeWords.ts
var bareNumber = (number) => number.replace(/\D/g, "").replace(/^0+/, "");
var wordsOfName = (name) => plainWords(name ?? "").split(" ").filter((word) => word !== "");
var shareWords = (mine, theirs) => mine.length === 0 || theirs.length === 0 || mine.some((word) => theirs.includes(word));
var mayBeOneName = (mine, theirs) => shareWords(wordsOfName(mine), wordsOfName(theirs));

// src/server/arrivals/imports/told/entryOf.ts
function entryOf(map, key, make) {
  const before2 = map.get(key);
  if (before2 !== void 0) return before2;
  const made = make();
  map.set(key, made);
  return made;
}
var listOf2 = (map, key) => entryOf(map, key, () => []);

// src/server/arrivals/imports/told/linesToldOtherwise.ts
var DAYS_APART = 4;
var APART = Array.from({ length: DAYS_APART }, (_, at) => [-at - 1, at + 1]).flat();
var MOST_OF_A_DAY = 100;
var NONE6 = {
  twins: /* @__PURE__ */ new Map(),
  isNear: false,
  isTogether: false,
  fresh: []
};
function linesToldOtherwise(ctx, account, rows, written) {
  const told2 = rows.map((row) => ({ row, known: knownLine(ctx, account.id, row) }));
  if (told2.some(({ row, known: known9 }) => known9 && row.formerId === null)) return NONE6;
  const used = new Set(told2.flatMap(({ known: known9 }) => known9?.id ?? []));
  const fresh = told2.flatMap(({ row, known: known9 }) => known9 || row.continues ? [] : [row]);
  const isOther4 = (line) => !written.isOf(line.fileId);
  const held2 = new HeldAgainst(linesNear(ctx, account, fresh), used, isOther4);
  for (const row of fresh) held2.sameDay(row);
  const same2 = held2.twins.size;
  const open = held2.besideSome(fresh);
  const near = held2.near(open);
  const together2 = held2.together(open.filter(({ externalId }) => !near.has(externalId)));
  const isLikely = (same2 + near.size + together2.size) * 2 >= same2 + open.length;
  return {
    twins: new Map([...held2.twins, ...isLikely ? [...near, ...together2] : []]),
    isNear: isLikely && near.size > 0,
    isTogether: isLikely && together2.size > 0,
    fresh
  };
}
var knownLine = (ctx, accountId, row) => bankLineByExternalId(ctx.db, accountId, row.externalId) ?? (row.formerId === null ? void 0 : bankLineByExternalId(ctx.db, accountId, row.formerId));
function linesNear({ db }, { id }, rows) {
  const days3 = rows.map(({ postedOn }) => postedOn).sort();
  const [from, to] = [days3[0], days3.at(-1)];
  if (from === void 0 || to === void 0) return [];
  return bankLinesBetween(db, id, [addDays(from, -DAYS_APART), addDays(to, DAYS_APART)]);
}
var HeldAgainst = class {
  constructor(lines, used, isOther4) {
    this.used = used;
    this.isOther = isOther4;
    for (const line of lines) {
      listOf2(this.bySum, `${line.postedOn} ${line.amount}`).push(line);
      if (isOther4(line)) listOf2(this.byDay, line.postedOn).push(line);
    }
  }
  used;
  isOther;
  twins = /* @__PURE__ */ new Map();
  byDay = /* @__PURE__ */ new Map();
  bySum = /* @__PURE__ */ new Map();
  /** The nth of a day and sum is the nth, so that two stay two. */
  sameDay(row) {
    const twin = this.ofSum(row.postedOn, row.amount).find(({ id }) => !this.used.has(id));
    if (twin) this.take(row, twin, this.twins);
  }
  /** Lines that may be told otherwise: another export has some of the days near them. */
  besideSome(rows) {
    return rows.filter(
      ({ externalId, postedOn }) => !this.twins.has(externalId) && around(postedOn).some((day) => this.byDay.has(day))
    );
  }
  /** The same sum a few days away, of a line that says something of the same. */
  near(rows) {
    const near = /* @__PURE__ */ new Map();
    for (const row of rows) {
      const words = wordsOfName(row.description);
      const twin = around(row.postedOn).flatMap((day) => this.ofSum(day, row.amount)).find(
        (line) => !this.used.has(line.id) && this.isOther(line) && shareWords(wordsOfName(line.description), words)
      );
      if (twin) this.take(row, twin, near);
    }
    return near;
  }
  /** Neighbours of one day that come to one line, or one that comes to neighbours. */
  together(rows) {
    const together2 = /* @__PURE__ */ new Map();
    const byDay = /* @__PURE__ */ new Map();
    for (const row of rows) listOf2(byDay, row.postedOn).push(row);
    for (const [day, ofDay] of byDay) {
      if (ofDay.length > MOST_OF_A_DAY) continue;
      for (const line of this.free(day))
        for (const row of runOf(this.left(ofDay, together2), line.amount))
          this.take(row, line, together2);
      for (const row of this.left(ofDay, together2))
        for (const line of runOf(this.free(day), row.amount)) this.take(row, line, together2);
    }
    return together2;
  }
  left(rows, taken) {
    return rows.filter(({ externalId }) => !taken.has(externalId));
  }
  take(row, line, into) {
    this.used.add(line.id);
    into.set(row.externalId, line);
  }
  ofSum(day, amount2) {
    return this.bySum.get(`${day} ${amount2}`) ?? [];
  }
  free(day) {
    const lines = (this.byDay.get(day) ?? []).filter(({ id }) => !this.used.has(id));
    return lines.length > MOST_OF_A_DAY ? [] : lines;
  }
};
var around = (day) => [0, ...APART].map((apart3) => addDays(day, apart3));
function runOf(lines, sum) {
  const side = lines.filter(({ amount: amount2 }) => amount2 > 0 === sum > 0);
  for (let from = 0; from < side.length; from += 1) {
    let total = 0;
    for (let to = from; to < side.length && Math.abs(total) < Math.abs(sum); to += 1) {
      total += side[to]?.amount ?? 0;
      if (total === sum && to > from) return side.slice(from, to + 1);
    }
  }
  return [];
}

// src/server/arrivals/imports/report.ts
var NOT_OURS = "of no concern here";
var Tallying = class {
  constructor(lines, book) {
    this.lines = lines;
    this.book = book;
  }
  lines;
  book;
  refused = [];
  outcomes = /* @__PURE__ */ new Map();
  newLines = /* @__PURE__ */ new Set();
  knownLines = /* @__PURE__ */ new Set();
  changedLines = /* @__PURE__ */ new Set();
  left = /* @__PURE__ */ new Map();
  said = [];
  understood = [];
  /** Refusals by what they say: a line that makes two records is told of once. */
  told = /* @__PURE__ */ new Set();
  /** Lines that are left out by a rule with a name. */
  leaveOut(line, why) {
    this.left.set(line, why);
  }
  /** What the file's own sums prove, and its first lines as they are understood. */
  proves(proofs3, understood) {
    this.said = proofs3;
    this.understood = understood;
  }
  /** `cellOf`: what stood in the cell that is refused, for whoever mends it. */
  refuse(refusals, cellOf = () => "") {
    for (const refusal of refusals) {
      const { line, field, column, error } = refusal;
      const reason = inWords(error);
      const key = `${line} ${field} ${reason}`;
      if (this.told.has(key)) continue;
      this.told.add(key);
      const cell = cellOf(refusal);
      this.refused.push({ line, field, column, cell, reason, changed: false, waits: true });
    }
  }
  refuseLine(line, field, error) {
    this.refuse([{ line, field, column: field, error }]);
  }
  /** Known, and told otherwise now; what stands in the book stays, and a person has to look. */
  change(line, field, error) {
    this.tellOtherwise(line, field, error, true);
  }
  /** The same where the book has taken it over. */
  replace(line, field, error) {
    this.tellOtherwise(line, field, error, false);
  }
  tellOtherwise(line, field, error, waits) {
    this.changedLines.add(line);
    const reason = inWords(error);
    this.refused.push({ line, field, column: field, cell: "", reason, changed: true, waits });
  }
  updated(line) {
    this.changedLines.add(line);
  }
  take(line, words, sum, currency = this.book) {
    this.newLines.add(line);
    this.also(words, sum, currency);
  }
  /** An outcome that is not a line of its own (a tie, a receipt found). */
  also(words, sum, currency = this.book) {
    const key = `${words} ${currency}`;
    const before2 = this.outcomes.get(key);
    if (before2) {
      before2.count += 1;
      before2.sum = sum === null || before2.sum === null ? null : before2.sum + sum;
      return;
    }
    const named2 = currency === this.book ? null : currency;
    this.outcomes.set(key, { words, count: 1, sum, currency: named2 });
  }
  know(line) {
    this.knownLines.add(line);
  }
  /** Every line of the file is counted once: as refused, changed, new, known or left out. */
  report(fileId) {
    const refused = new Set(this.refused.filter(({ changed }) => !changed).map(({ line }) => line));
    const standing = (line) => {
      if (refused.has(line)) return "refused";
      if (this.changedLines.has(line)) return "changed";
      if (this.newLines.has(line)) return "new";
      return this.knownLines.has(line) ? "known" : "left";
    };
    const count2 = { refused: 0, changed: 0, new: 0, known: 0, left: 0 };
    const leftOut = [];
    for (const line of this.lines) {
      const as = standing(line);
      count2[as] += 1;
      if (as === "left") leftOut.push({ line, why: this.left.get(line) ?? NOT_OURS });
    }
    return {
      fileId,
      lines: this.lines.length,
      new: count2.new,
      known: count2.known,
      changed: count2.changed,
      refused: [...this.refused].sort((a, b) => a.line - b.line),
      outcome: [...this.outcomes.values()],
      leftOut,
      proofs: [...this.said],
      understood: [...this.understood],
      questions: []
    };
  }
};
function withoutTwins(rows, idOf, contentOf, tally) {
  const first2 = /* @__PURE__ */ new Map();
  const bad = /* @__PURE__ */ new Map();
  const kept = [];
  for (const row of rows) {
    const id = idOf(row);
    const before2 = first2.get(id);
    if (!before2) {
      first2.set(id, row);
      kept.push(row);
    } else if (contentOf(before2) === contentOf(row)) tally.know(row.line);
    else {
      if (!bad.has(id))
        tally.refuseLine(before2.line, "id", { code: "row.twice", id: shown(id), other: row.line });
      tally.refuseLine(row.line, "id", { code: "row.twice", id: shown(id), other: before2.line });
      bad.set(id, row);
    }
  }
  return bad.size === 0 ? kept : kept.filter((row) => !bad.has(idOf(row)));
}
var shown = (id) => id.split("\0").at(-1) ?? id;

// src/server/arrivals/imports/told/sameShape.ts
var LISTS = "csv";
var SameShape = class {
  constructor(db, fileId) {
    this.db = db;
    this.own = this.shapeOf(fileId);
  }
  db;
  own;
  known = /* @__PURE__ */ new Map();
  isOf(fileId) {
    if (fileId === null) return false;
    const before2 = this.known.get(fileId);
    if (before2 !== void 0) return before2;
    const same2 = this.shapeOf(fileId) === this.own;
    this.known.set(fileId, same2);
    return same2;
  }
  shapeOf(fileId) {
    const kept = importFileById(this.db, fileId)?.mapping;
    if (!kept) return `file ${fileId}`;
    const { format = LISTS, columns, dayOrder, answers = {} } = JSON.parse(kept);
    return JSON.stringify([writing(format, columns), dayOrder, answers]);
  }
};
var WrittenAs = class {
  constructor(db, { format = LISTS, columns }) {
    this.db = db;
    this.own = writing(format, columns);
  }
  db;
  own;
  known = /* @__PURE__ */ new Map();
  isOf(fileId) {
    if (fileId === null) return false;
    const before2 = this.known.get(fileId);
    if (before2 !== void 0) return before2;
    const kept = importFileById(this.db, fileId)?.mapping;
    const { format = LISTS, columns } = JSON.parse(kept ?? "{}");
    const same2 = kept != null && writing(format, columns) === this.own;
    this.known.set(fileId, same2);
    return same2;
  }
};
var writing = (format, columns) => JSON.stringify([format, Object.entries(columns).sort(([a], [b]) => a < b ? -1 : 1)]);

// src/server/arrivals/imports/bank.ts
function importBank(ctx, account, records, { fileId, actId, tally, toldAs }) {
  const rows = withoutTwins(
    records,
    (row) => row.externalId,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally
  );
  const rules = bankRules(ctx.db, account.id);
  const added = [];
  const twins = toldAs ? linesToldOtherwise(ctx, account, rows, new WrittenAs(ctx.db, toldAs)).twins : NO_TWINS;
  const shapes = new SameShape(ctx.db, fileId);
  for (const row of chronological(rows)) {
    if (twins.has(row.externalId)) {
      tally.know(row.line);
      continue;
    }
    const known9 = knownLine(ctx, account.id, row);
    if (known9) {
      const postedOn = isOtherDay(known9, row, shapes) ? row.postedOn : known9.postedOn;
      takeKnown(ctx, { known: known9, row: { ...row, postedOn } }, tally);
      continue;
    }
    const id = insertBankLine(ctx.db, {
      bankAccountId: account.id,
      externalId: row.externalId,
      postedOn: row.postedOn,
      currency: row.currency,
      amount: row.amount,
      description: row.description,
      balanceAfter: row.balance,
      fileId,
      lineNo: row.line
    });
    added.push({ row, id });
  }
  tieAllSingle(ctx, tally);
  tieDeposits(ctx, tally);
  const treat = { rules, waiting: awaited(ctx), actId };
  for (const { row, id } of added) {
    const line = bankLineById(ctx.db, id);
    if (line) tally.take(row.line, groupOfLine(ctx, line, treat), row.amount);
  }
  joinRemittances(ctx, tally);
}
var NO_TWINS = /* @__PURE__ */ new Map();
function takeKnown(ctx, { known: known9, row }, tally) {
  const { amount: amount2, postedOn, balance: balanceAfter } = row;
  if (amount2 === known9.amount && postedOn === known9.postedOn) return tally.know(row.line);
  const isFree = known9.state === "open";
  if (isFree) restateLine(ctx.db, known9.id, { amount: amount2, postedOn, balanceAfter });
  const { field, restated, stays, was } = amount2 === known9.amount ? otherDay(ctx, known9) : otherSum(ctx, known9);
  if (isFree) tally.replace(row.line, field, { code: restated, was });
  else tally.change(row.line, field, { code: stays, was });
}
var otherSum = (ctx, { amount: amount2 }) => ({
  ...{ field: "amount", restated: "line.restated", stays: "line.changed" },
  was: ctx.sum(amount2)
});
var otherDay = (ctx, { postedOn }) => ({
  ...{ field: "postedOn", restated: "line.day_restated", stays: "line.day_changed" },
  was: formatDay(postedOn, ctx.today)
});
var isOtherDay = (known9, row, shapes) => row.formerId === null && known9.postedOn !== row.postedOn && shapes.isOf(known9.fileId);
function groupOfLine(ctx, line, treat) {
  if (line.state === "payout") return "lines that are payouts";
  if (line.state === "deposit") return "lines that are deposits by hand";
  return explain(ctx, line, treat);
}
function chronological(rows) {
  const [first2, last2] = [rows[0], rows.at(-1)];
  return first2 && last2 && first2.postedOn > last2.postedOn ? [...rows].reverse() : [...rows];
}
function awaited(ctx) {
  const descriptors = processorAccounts(ctx.db).flatMap(
    ({ descriptor }) => descriptor ? [descriptor.toLowerCase()] : []
  );
  const sums2 = /* @__PURE__ */ new Set([
    ...openPayouts(ctx.db).flatMap((payout) => [payout.net, payout.statedNet ?? payout.net]),
    ...depositsUnderWay(ctx.db).map(({ sum }) => sum)
  ]);
  return (line) => sums2.has(line.amount) || descriptors.some((descriptor) => line.description.toLowerCase().includes(descriptor));
}
function explain(ctx, line, treat) {
  const rule2 = treat.rules.find((rule3) => ruleFits(rule3, line));
  if (rule2?.treatAs === "elsewhere") {
    asElsewhere(ctx, line, `rule \u201C${rule2.contains}\u201D`, rule2.id);
    return "lines put aside by rule";
  }
  const waits = treat.waiting(line);
  if (line.amount > 0 && isReceipt(line, rule2, waits)) {
    asReceipt(ctx, line, treat.actId, rule2?.id ?? null);
    return "lines that are receipts by themselves";
  }
  return rule2?.treatAs === "payout" || waits ? "lines that look like payouts, to be tied" : "lines to be explained";
}
var isReceipt = (line, rule2, waits) => rule2 === void 0 ? !waits && saysReceipt(line.description) : rule2.treatAs === "receipt";
function ruleFits({ contains, sign, least, most }, { amount: amount2, description }) {
  const direction = sign === "both" || (sign === "in" ? amount2 > 0 : amount2 < 0);
  const sum = Math.abs(amount2);
  const isWithin2 = (least === null || sum >= least) && (most === null || sum <= most);
  return direction && isWithin2 && description.toLowerCase().includes(contains.toLowerCase());
}
function applyRule(ctx, rule2) {
  const lines = openBankLines(ctx.db).filter(
    (line) => (rule2.bankAccountId === null || line.bankAccountId === rule2.bankAccountId) && ruleFits(rule2, line)
  );
  for (const line of lines) {
    if (rule2.treatAs === "elsewhere") asElsewhere(ctx, line, `rule \u201C${rule2.contains}\u201D`, rule2.id);
    else if (rule2.treatAs === "receipt" && line.amount > 0)
      asReceipt(ctx, line, void 0, rule2.id);
  }
  return lines.length;
}

// src/server/arrivals/commands/explainLine.ts
var SHOWN2 = 6;
var rule = z2.object({
  contains: z2.string().trim().min(3, "A rule needs at least three letters.").max(80),
  least: z2.number().int().min(0).nullable().default(null),
  most: z2.number().int().min(0).nullable().default(null),
  /** Whether it is for every bank account, and not for this line's alone. */
  everywhere: z2.boolean().default(false)
}).refine(({ least, most }) => least === null || most === null || least <= most, {
  message: "The smaller sum of a rule comes first.",
  path: ["least"]
});
var explainLine = defineCommand({
  name: "explainLine",
  schema: z2.object({
    lineId: z2.number().int(),
    as: z2.enum(["receipt", "elsewhere"]),
    rule: rule.nullable().default(null)
  }),
  run(ctx, input) {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    if (input.as === "receipt" && line.amount < 0) return fail("line.negative");
    const made = input.rule && ruleFor(line, input.rule);
    if (made && !ruleFits(made, line)) return fail("rule.fits");
    const like = made ? linesLike(ctx.db, made, SHOWN2) : { lines: [], counts: [] };
    if (input.as === "receipt") asReceipt(ctx, line);
    else asElsewhere(ctx, line, "by hand");
    const lines = 1 + (made ? makeRule(ctx, { ...made, treatAs: input.as, accountId: null }) : 0);
    return ok({ lines, commandId: ctx.commandId, like });
  }
});
var ruleFor = ({ bankAccountId, amount: amount2 }, { contains, least, most, everywhere }) => ({
  bankAccountId: everywhere ? null : bankAccountId,
  contains,
  sign: amount2 > 0 ? "in" : "out",
  least: least === null ? null : minor(least),
  most: most === null ? null : minor(most)
});
function makeRule(ctx, rule2) {
  const id = insertBankRule(ctx.db, rule2);
  const way = rule2.sign === "in" ? "coming in" : "going out";
  const what = rule2.treatAs === "receipt" ? "a receipt" : "put aside";
  ctx.act(
    "rule",
    { kind: "bank_rule", id },
    `rule: \u201C${rule2.contains}\u201D ${way}${boundsInWords(ctx, rule2)} is ${what}`
  );
  return applyRule(ctx, { ...rule2, id });
}
function boundsInWords(ctx, { least, most }) {
  if (least !== null && most !== null) return ` from ${ctx.sum(least)} to ${ctx.sum(most)}`;
  if (least !== null) return ` from ${ctx.sum(least)}`;
  return most === null ? "" : ` up to ${ctx.sum(most)}`;
}
var unmakeRule = (ctx, act) => {
  if (!isBankRule(ctx.db, act.subjectId)) return fail("rule.ended");
  deleteBankRule(ctx.db, act.subjectId);
  return ok(null);
};
var reopenLine = (ctx, act) => {
  if (bankLineById(ctx.db, act.subjectId)?.state !== "elsewhere") return fail("line.unknown");
  setBankLineState(ctx.db, { id: act.subjectId, state: "open" });
  return ok(null);
};
var unfindReceipt = (ctx, act) => {
  const line = bankLineById(ctx.db, act.subjectId);
  const receipt = line?.receiptId == null ? void 0 : receiptById(ctx.db, line.receiptId);
  if (!line || !receipt) return fail("line.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`
    });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  setBankLineState(ctx.db, { id: line.id, state: "open" });
  return ok(null);
};

// src/server/customers/commands/addAttachment.ts
import { readFileSync } from "node:fs";
import { z as z3 } from "zod";

// src/db/attachments.ts
var ATTACHMENT = `SELECT id, customer_id AS customerId, document_id AS documentId, name, type, sha256,
  size, added_on AS addedOn, act_id AS actId FROM attachment WHERE ended_by IS NULL`;
function attachmentsOfDocument(db, documentId) {
  return db.all(`${ATTACHMENT} AND document_id = ? ORDER BY id`, documentId);
}
function insertAttachment(db, row) {
  return db.run(
    `INSERT INTO attachment (customer_id, document_id, name, type, sha256, size, added_on, act_id)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
    row.customerId,
    row.documentId,
    row.name,
    row.type,
    row.sha256,
    row.size,
    row.addedOn,
    row.actId
  ).id;
}
function endAttachment(db, actId, by) {
  db.run("UPDATE attachment SET ended_by = ? WHERE act_id = ?", by, actId);
}

// src/server/customers/steps/paperType.ts
var MOST_MEGABYTES = 20;
var STARTS = [
  ["application/pdf", "255044462d"],
  ["image/png", "89504e470d0a1a0a"],
  ["image/jpeg", "ffd8ff"]
];
var OTHERS3 = [
  ["d0cf11e0a1b11ae1", "a document of an older office program, which can hold macros"],
  ["504b0304", "an office document or an archive, which can hold macros"],
  ["4d5a", "a program"],
  ["7f454c46", "a program"],
  ["2321", "a script"],
  ["3c", "a page of the web, or XML"]
];
var ACTIVE = /\/(?:JavaScript|JS|Launch|RichMedia|XFA)\b/u;
function paperType(bytes, name) {
  if (bytes.length === 0) return fail("attachment.empty", { name });
  if (bytes.length > MOST_MEGABYTES * 1e6)
    return fail("attachment.large", {
      name,
      size: Math.ceil(bytes.length / 1e6),
      most: MOST_MEGABYTES
    });
  const start = bytes.subarray(0, 8).toString("hex");
  const type = STARTS.find(([, begins]) => start.startsWith(begins))?.[0];
  if (type === void 0) {
    const what = OTHERS3.find(([begins]) => start.startsWith(begins))?.[1];
    return fail("attachment.type", { name, what: what ?? "of a kind that is not known" });
  }
  if (type === "application/pdf" && ACTIVE.test(bytes.toString("latin1")))
    return fail("attachment.active", { name });
  return ok(type);
}

// src/server/customers/commands/addAttachment.ts
var addAttachment = defineCommand({
  name: "addAttachment",
  schema: z3.object({
    customerId: z3.number().int(),
    documentId: z3.number().int().nullable().default(null),
    name: z3.string().trim().min(1).max(200),
    sha256: z3.string().regex(/^[0-9a-f]{64}$/)
  }),
  run(ctx, { customerId, documentId, name, sha256 }) {
    const customer = customerById(ctx.db, customerId);
    if (!customer) return fail("customer.unknown", { id: customerId });
    const document = documentId === null ? void 0 : documentById(ctx.db, documentId);
    if (documentId !== null && document?.customerId !== customerId)
      return fail("document.unknown", { id: documentId });
    const bytes = readFileSync(keptFile(ctx.who.book, sha256));
    const type = paperType(bytes, name);
    if (!type.ok) return type;
    const actId = ctx.act(
      "attachment",
      { kind: "customer", id: customerId, customerId },
      `paper added: ${name}`
    );
    const row = { customerId, documentId, name, sha256, size: bytes.length };
    const id = insertAttachment(ctx.db, { ...row, type: type.value, addedOn: ctx.today, actId });
    return ok({ id, actId });
  }
});
var removeAttachment = (ctx, act, by) => {
  endAttachment(ctx.db, act.id, by);
  return ok(null);
};

// src/server/customers/commands/mergeCustomers.ts
import { z as z4 } from "zod";

// src/server/customers/steps/restoreCustomer.ts
function restoreCustomer(ctx, actId) {
  const edit = editOfAct(ctx.db, actId);
  if (!edit) return fail("act.unknown");
  if (laterEdits(ctx.db, actId, edit.customerId) > 0) return fail("customer.later");
  const { customer, card, persons } = JSON.parse(edit.before);
  setCustomer(ctx.db, edit.customerId, customer);
  if (card) setCard(ctx.db, edit.customerId, card);
  if (persons) setPersons(ctx.db, edit.customerId, persons);
  return ok(null);
}
var unchangeCustomer = (ctx, act) => restoreCustomer(ctx, act.id);

// src/server/customers/commands/mergeCustomers.ts
var MOST_PERSONS = 20;
var mergeCustomers = defineCommand({
  name: "mergeCustomers",
  schema: z4.object({ keep: z4.number().int(), gone: z4.number().int() }),
  run(ctx, { keep: keep2, gone }) {
    const [kept, going] = [customerById(ctx.db, keep2), customerById(ctx.db, gone)];
    if (!kept || kept.mergedInto !== null) return fail("customer.unknown", { id: keep2 });
    if (!going || going.mergedInto !== null) return fail("customer.unknown", { id: gone });
    if (keep2 === gone) return fail("customer.merge_same");
    if (kept.parentId === gone) return fail("customer.merge_group", { name: going.name });
    const actId = ctx.act(
      "merge",
      { kind: "customer", id: keep2, customerId: keep2 },
      `${going.name} (${going.externalId}) made one with ${kept.name} (${kept.externalId})`
    );
    const id = insertMerge(ctx.db, keep2, gone, actId);
    moveRows(ctx.db, { id, gone, kept: keep2 });
    insertAlias(ctx.db, keep2, going.name);
    takePersons(ctx, { actId, kept, going });
    return ok({ actId });
  }
});
function takePersons({ db }, { actId, kept, going }) {
  const { name, email, phone, parentId } = kept;
  const persons = personsOf(db, kept.id);
  insertEdit(db, actId, kept.id, { customer: { name, email, phone, parentId }, persons });
  const known9 = /* @__PURE__ */ new Set([email, ...persons.map((person) => person.email)]);
  const own = { name: going.name, duty: "", email: going.email ?? "", phone: going.phone ?? "" };
  const added = [...personsOf(db, going.id), { ...own, letters: "none", calls: false }].filter((person) => (person.email !== "" || person.phone !== "") && !known9.has(person.email)).map((person) => ({ ...person, letters: "none", calls: false }));
  if (added.length > 0) setPersons(db, kept.id, [...persons, ...added].slice(0, MOST_PERSONS));
}
var unmergeCustomers = (ctx, act, by) => {
  const merge = mergeOfAct(ctx.db, act.id);
  if (!merge) return fail("act.unknown");
  const [kept, gone] = [customerById(ctx.db, merge.kept), customerById(ctx.db, merge.gone)];
  if (!kept || !gone) return fail("customer.unknown", { id: merge.gone });
  if (kept.mergedInto !== null) return fail("customer.later");
  const restored = restoreCustomer(ctx, act.id);
  if (!restored.ok) return restored;
  moveBack(ctx.db, merge);
  deleteAlias(ctx.db, kept.id, gone.name);
  endMerge(ctx.db, merge, by);
  return ok(null);
};

// src/server/invoices/commands/setOff.ts
import { z as z5 } from "zod";

// src/db/creditUses.ts
var USE = `
  SELECT id, credit_item_id AS creditItemId, open_item_id AS openItemId, amount, on_day AS onDay,
    act_id AS actId, ended_by AS endedBy
  FROM credit_use`;
function insertCreditUse(db, use) {
  return db.run(
    `INSERT INTO credit_use (credit_item_id, open_item_id, amount, on_day, act_id)
     VALUES (?, ?, ?, ?, ?)`,
    use.creditItemId,
    use.openItemId,
    use.amount,
    use.onDay,
    use.actId
  ).id;
}
function creditUsesOfAct(db, actId) {
  return db.all(`${USE} WHERE act_id = ? AND ended_by IS NULL ORDER BY id`, actId);
}
function endCreditUse(db, id, by) {
  db.run("UPDATE credit_use SET ended_by = ? WHERE id = ? AND ended_by IS NULL", by, id);
}

// src/server/invoices/commands/setOff.ts
var setOff = defineCommand({
  name: "setOff",
  schema: z5.object({
    creditItemId: z5.number().int(),
    itemId: z5.number().int(),
    amount: z5.number().int().positive()
  }),
  run(ctx, input) {
    const done = setOffItems(ctx, input);
    return done.ok ? ok({ actId: done.value }) : done;
  }
});
function setOffItems(ctx, { creditItemId, itemId, amount: amount2 }) {
  const [creditNote, item] = [openItemById(ctx.db, creditItemId), openItemById(ctx.db, itemId)];
  if (creditNote?.kind !== "credit_note" || !item || item.kind === "credit_note")
    return fail("item.unknown");
  if (creditNote.customerId !== item.customerId || creditNote.currency !== item.currency)
    return fail("credit.other", { number: item.number });
  if (amount2 > item.balance || amount2 > -creditNote.balance)
    return fail("credit.over", { number: item.number });
  const actId = ctx.act(
    "set_off",
    { kind: "open_item", id: item.id, customerId: item.customerId },
    `credit note ${creditNote.number} set off, ${ctx.sum(amount2, item.currency)}`
  );
  insertCreditUse(ctx.db, {
    creditItemId,
    openItemId: itemId,
    amount: minor(amount2),
    onDay: ctx.today,
    actId
  });
  changeBalance(ctx.db, creditItemId, amount2);
  changeBalance(ctx.db, itemId, -amount2);
  ctx.post(
    postSetOff({
      on: ctx.today,
      partyId: item.customerId,
      document: { kind: "open_item", id: itemId, text: `invoice ${item.number}` },
      creditItemId,
      itemId,
      sum: inBook(amount2, item.currency)
    }),
    actId
  );
  return ok(actId);
}
var unsetOff = (ctx, act, by) => {
  for (const use of creditUsesOfAct(ctx.db, act.id)) {
    const items = [openItemById(ctx.db, use.creditItemId), openItemById(ctx.db, use.openItemId)];
    const [creditNote, item] = items;
    if (!creditNote || !item) return fail("item.unknown");
    if (add(item.balance, use.amount) > item.opened)
      return fail("act.rests", { what: item.number });
    endCreditUse(ctx.db, use.id, by);
    changeBalance(ctx.db, use.creditItemId, -use.amount);
    changeBalance(ctx.db, use.openItemId, use.amount);
  }
  return ok(null);
};

// src/server/match/commands/applyReceipt.ts
import { z as z6 } from "zod";

// src/server/books/steps/restsOn.ts
var WITHOUT_WEIGHT = /* @__PURE__ */ new Set([
  "undo",
  "contact",
  "ask",
  "decide",
  "retry",
  "tray"
]);
function restsOn(ctx, act) {
  const later = actsOf(ctx.db, act.subjectKind, act.subjectId).filter(
    ({ id, undoneBy, kind }) => id > act.id && undoneBy === null && !WITHOUT_WEIGHT.has(kind)
  );
  return later.at(-1)?.text ?? null;
}

// src/server/overdue/steps/unWriteOff.ts
function unWriteOff(ctx, act) {
  const row = writeOffOfAct(ctx.db, act.id);
  if (row?.state !== "posted") return fail("approval.unknown");
  changeBalance(ctx.db, row.itemId, row.sum);
  decideWriteOffRow(ctx.db, row.id, {
    state: "undone",
    by: row.decidedBy,
    why: row.decidedWhy,
    tax: minor(0),
    postedAct: null
  });
  return notRecovered(ctx, row.customerId, row.currency) ?? ok(null);
}
function withdrawWriteOff(ctx, act) {
  const row = writeOffOfAct(ctx.db, act.id);
  if (row?.state !== "waiting") return fail("approval.unknown");
  decideWriteOffRow(ctx.db, row.id, {
    state: "withdrawn",
    by: ctx.who.actor,
    why: null,
    tax: minor(0),
    postedAct: null
  });
  return ok(null);
}
function notRecovered(ctx, customerId, currency) {
  if (customerId === null) return null;
  const over = overRecovered(
    ctx.db,
    familyOf(ctx.db, customerId).map(({ id }) => id),
    currency
  );
  return over > 0 ? fail("act.rests", { what: `a payment of ${ctx.sum(over, currency)} for that debt` }) : null;
}

// src/server/match/commands/applyReceipt.ts
var amount = z6.number().int().transform(minor);
var tallySchema = z6.object({
  receiptId: z6.number().int(),
  customerId: z6.number().int().nullable(),
  lines: z6.array(
    z6.object({
      itemId: z6.number().int(),
      amount,
      discount: amount.default(() => minor(0)),
      smallDifference: amount.default(() => minor(0))
    })
  ).max(500)
});
var applyReceipt = defineCommand({
  name: "applyReceipt",
  schema: tallySchema.extend({
    proposedCustomerId: z6.number().int().nullable().default(null),
    credits: z6.array(z6.object({ receiptId: z6.number().int(), itemId: z6.number().int(), amount })).max(50).default([]),
    surcharge: amount.default(() => minor(0)),
    recovered: amount.default(() => minor(0))
  }),
  run(ctx, input) {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: input.customerId,
      available: receipt.unidentified,
      surcharge: input.surcharge,
      recovered: input.recovered
    });
    if (!checked.ok) return checked;
    const placed = applyTally(ctx, {
      receipt,
      lines: input.lines,
      checked: checked.value,
      from: "unidentified"
    });
    if (!placed.ok) return placed;
    const [wrong, right] = [input.proposedCustomerId, checked.value.customerId];
    if (wrong !== null && wrong !== right && customerById(ctx.db, wrong))
      insertCorrection(ctx.db, {
        receiptId: receipt.id,
        payerName: receipt.payerName,
        payerEmail: receipt.payerEmail,
        notCustomerId: wrong,
        customerId: right,
        actId: placed.value
      });
    withdrawApproval(ctx, receipt.id);
    for (const from of new Set(input.credits.map(({ receiptId }) => receiptId))) {
      const earlier = receiptById(ctx.db, from);
      if (!earlier) return fail("receipt.unknown");
      const lines = input.credits.filter(({ receiptId }) => receiptId === from).map(({ itemId, amount: sum }) => ({
        itemId,
        amount: sum,
        discount: minor(0),
        smallDifference: minor(0)
      }));
      const fits3 = checkTally(ctx, earlier, {
        lines,
        customerId: earlier.customerId,
        available: earlier.onAccount
      });
      if (!fits3.ok) return fits3;
      const given = applyTally(ctx, {
        receipt: earlier,
        lines,
        checked: fits3.value,
        from: "credits"
      });
      if (!given.ok) return given;
    }
    return ok({ actId: placed.value, commandId: ctx.commandId });
  }
});
function withdrawApproval(ctx, receiptId) {
  const asked = approvalOf(ctx.db, receiptId);
  if (asked) decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
}
var unapplyReceipt = (ctx, act, by) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  reopenApproval(ctx.db, act.id);
  let applied = minor(0);
  for (const application of applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ actId, endedBy }) => actId === act.id && endedBy === null
  )) {
    endApplication(ctx.db, application.id, by);
    changeBalance(
      ctx.db,
      application.openItemId,
      add(application.amount, application.discount, application.smallDifference)
    );
    applied = add(applied, application.amount);
  }
  const recovered = notRecovered(ctx, act.customerId, receipt.currency);
  if (recovered) return recovered;
  const earlier = actsOf(ctx.db, "receipt", receipt.id).some(
    (actHere) => actHere.kind === "place" && actHere.id < act.id && actHere.undoneBy === null
  );
  if (earlier) {
    const parts = {
      ...partsOf(receipt),
      applied: add(receipt.applied, -applied),
      onAccount: add(receipt.onAccount, applied)
    };
    updateReceipt(ctx.db, receipt.id, {
      state: receipt.state,
      parts,
      customerId: receipt.customerId,
      reason: receipt.reason
    });
    return ok(null);
  }
  const moved = move(receipt.state, partsOf(receipt), { kind: "taken_back" });
  if (!moved.ok) return moved;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: null,
    reason: null
  });
  return ok(null);
};

// src/server/match/commands/askApproval.ts
import { z as z7 } from "zod";
var askApproval = defineCommand({
  name: "askApproval",
  schema: tallySchema.extend({
    why: z7.string().trim().min(3, "Say why it is written off, in a few words.").max(200)
  }),
  run(ctx, input) {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (receipt.state !== "to_match") return fail("receipt.not_to_match");
    if (ctx.settings.people.length < 2) return fail("approval.people");
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: input.customerId,
      available: receipt.unidentified,
      writeOffs: "approved"
    });
    if (!checked.ok) return checked;
    const sum = sumOf(
      input.lines.filter((line) => isOverLimit(ctx, receipt, line.smallDifference)),
      (line) => line.smallDifference
    );
    if (sum === 0)
      return fail("approval.not_needed", { limit: ctx.sum(ctx.settings.smallDifferenceLimit) });
    withdrawApproval(ctx, receipt.id);
    const actId = ctx.act(
      "ask",
      { kind: "receipt", id: receipt.id, customerId: checked.value.customerId },
      `a write-off of ${ctx.sum(sum, receipt.currency)} waits for a second person: ${input.why}`
    );
    const tally = JSON.stringify({ customerId: checked.value.customerId, lines: input.lines });
    return ok({
      actId,
      approvalId: insertApproval(ctx.db, {
        receiptId: receipt.id,
        tally,
        sum,
        why: input.why,
        askedBy: ctx.who.actor,
        askedOn: ctx.today,
        actId
      })
    });
  }
});
var withdrawRequest = (ctx, act) => {
  if (act.subjectKind === "open_item") return withdrawWriteOff(ctx, act);
  const asked = approvalOf(ctx.db, act.subjectId);
  if (asked?.actId !== act.id) return fail("approval.unknown");
  decideApproval(ctx.db, asked.id, { state: "withdrawn", by: ctx.who.actor, why: null });
  return ok(null);
};

// src/server/match/commands/bounceReceipt.ts
import { z as z8 } from "zod";

// src/server/arrivals/steps/takeBack.ts
function advance(ctx, receipt, back) {
  const moved = move(receipt.state, partsOf(receipt), { kind: "gone_back", parts: back });
  if (!moved.ok) throw new Error("a receipt gave back more than it had");
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: receipt.customerId,
    reason: receipt.reason
  });
}
function takeBack(ctx, receipt, sum, actId) {
  let left = sum;
  const take = (available) => {
    const taken = minor(Math.max(0, Math.min(left, available)));
    left = add(left, -taken);
    return taken;
  };
  const [unidentified, parked, income, surcharge, recovered, free] = [
    take(receipt.unidentified),
    take(receipt.parked),
    take(receipt.income),
    take(receipt.surcharge),
    take(receipt.recovered),
    take(receipt.onAccount)
  ];
  const items = [];
  let applied = ZERO;
  const live = applicationsOfReceipt(ctx.db, receipt.id).filter((application) => application.endedBy === null).reverse();
  for (const application of live) {
    if (left < application.amount) continue;
    left = add(left, -application.amount);
    applied = add(applied, application.amount);
    endApplication(ctx.db, application.id, actId);
    changeBalance(
      ctx.db,
      application.openItemId,
      add(application.amount, application.discount, application.smallDifference)
    );
    items.push({
      itemId: application.openItemId,
      sum: inBook(application.amount, receipt.currency),
      discount: inBook(application.discount, receipt.currency),
      smallDifference: inBook(application.smallDifference, receipt.currency),
      writeOff: application.writeOff,
      discountTax: inBook(application.discountTax, receipt.currency),
      writeOffTax: inBook(application.writeOffTax, receipt.currency)
    });
  }
  const onAccount = add(free, left);
  advance(ctx, receipt, { unidentified, onAccount, applied, parked, income, surcharge, recovered });
  const part = (amount2) => amount2 === 0 ? null : inBook(amount2, receipt.currency);
  return {
    unidentified: part(unidentified),
    credits: part(onAccount),
    parked: part(parked),
    income: part(income),
    surcharge: part(surcharge),
    recovered: part(recovered),
    items
  };
}

// src/server/payouts/steps/returnFee.ts
var DUE_DAYS = 10;
function dropReturnFees(ctx, actId) {
  for (const { documentId } of entriesOfAct(ctx.db, actId).filter(
    ({ event, documentKind }) => event === "late_fee" && documentKind === "open_item"
  )) {
    const item = openItemById(ctx.db, documentId);
    if (item && item.balance !== item.opened) return item.number;
    dropOpened(ctx.db, documentId);
  }
  return null;
}
function chargeReturnFee(ctx, receipt, on, actId) {
  const fee = ctx.settings.returnFee;
  if (fee === null || fee === 0 || receipt.customerId === null) return;
  const sum = minor(fee);
  const number = `RF-${receipt.id}-${actId}`;
  const id = insertOpenItem(ctx.db, {
    kind: "late_fee",
    number,
    customerId: receipt.customerId,
    issuedOn: on,
    dueOn: addDays(on, DUE_DAYS),
    currency: ctx.settings.currency,
    total: sum,
    tax: minor(0),
    opened: sum,
    balance: sum,
    openedOn: on,
    poNumber: null,
    terms: null,
    description: "fee for a returned payment",
    fileId: null,
    lineNo: null
  });
  ctx.post(
    postReturnFeeCharged({
      on,
      partyId: receipt.customerId,
      document: { kind: "open_item", id, text: `return fee ${number}` },
      itemId: id,
      sum: inBook(sum, ctx.settings.currency)
    }),
    actId
  );
}

// src/server/match/steps/restoreReceipt.ts
function restoreReceipt(ctx, act) {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const paidFee = dropReturnFees(ctx, act.id);
  if (paidFee !== null) return fail("act.rests", { what: `${paidFee} was paid meanwhile` });
  const applied = applyAgain(ctx, act, receipt);
  if (!applied.ok) return applied;
  const parts = partsGivenAgain(ctx, act, receipt, applied.value);
  updateReceipt(ctx.db, receipt.id, {
    state: stateOf3(parts),
    parts,
    customerId: receipt.customerId,
    reason: receipt.reason
  });
  return ok(receipt);
}
function applyAgain(ctx, act, receipt) {
  let applied = minor(0);
  const ended = applicationsOfReceipt(ctx.db, receipt.id).filter(
    ({ endedBy }) => endedBy === act.id
  );
  for (const application of ended) {
    const item = openItemById(ctx.db, application.openItemId);
    const taken = add(application.amount, application.discount, application.smallDifference);
    if (!item || Math.abs(item.balance) < Math.abs(taken))
      return fail("act.rests", { what: `${item?.number ?? "an invoice"} was paid meanwhile` });
    changeBalance(ctx.db, application.openItemId, -taken);
    reviveApplication(ctx.db, application.id);
    applied = add(applied, application.amount);
  }
  return ok(applied);
}
var ROLE_OF_PART = {
  unidentified: "unidentified",
  onAccount: "credits",
  parked: "parked",
  income: "other",
  surcharge: "surcharges",
  recovered: "recoveries"
};
var PARTS = Object.keys(ROLE_OF_PART);
function partsGivenAgain(ctx, act, receipt, applied) {
  const lines = entriesOfAct(ctx.db, act.id).flatMap((entry) => linesOfEntry(ctx.db, entry.id)).filter(({ itemKind, itemId }) => itemKind === "receipt" && itemId === receipt.id);
  const before2 = partsOf(receipt);
  const parts = { ...before2, applied: add(before2.applied, applied) };
  let given = applied;
  for (const part of PARTS) {
    const booked = lines.filter(({ role }) => role === ROLE_OF_PART[part]);
    const back = sumOf(booked, ({ amount: amount2 }) => amount2);
    parts[part] = add(before2[part], back);
    given = add(given, back);
  }
  return { ...parts, goneBack: add(before2.goneBack, -given) };
}
function stateOf3(parts) {
  if (parts.unidentified > 0) return "to_match";
  return parts.parked > 0 || parts.income > 0 ? "set_aside" : "placed";
}

// src/server/match/commands/bounceReceipt.ts
var bounceReceipt = defineCommand({
  name: "bounceReceipt",
  schema: z8.object({
    receiptId: z8.number().int(),
    lineId: z8.number().int(),
    feeLineId: z8.number().int().nullable().default(null)
  }),
  run(ctx, input) {
    const asked = whatBounced(ctx, input);
    if (!asked.ok) return asked;
    const { receipt, line, fee } = asked.value;
    const actId = ctx.act(
      "bounce",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `${ctx.sum(receipt.amount)} taken back by the bank: what it had paid is open again`
    );
    const went = takeBack(ctx, receipt, receipt.amount, actId);
    const document = {
      kind: "receipt",
      id: receipt.id,
      text: `receipt ${receipt.id}, ${receipt.payerName}, taken back by the bank`
    };
    const head = { partyId: receipt.customerId, document };
    ctx.post(
      postBounced({
        ...head,
        on: line.postedOn,
        bank: codeOf(ctx, line.bankAccountId),
        bankLineId: line.id,
        receiptId: receipt.id,
        went,
        sum: inBook(receipt.amount, receipt.currency)
      }),
      actId
    );
    setBankLineState(ctx.db, { id: line.id, state: "bounce", receiptId: receipt.id });
    if (fee) {
      ctx.post(feeOfBank(ctx, head, fee), actId);
      setBankLineState(ctx.db, { id: fee.id, state: "bounce", receiptId: receipt.id });
    }
    chargeReturnFee(ctx, receipt, line.postedOn, actId);
    return ok({ actId });
  }
});
function whatBounced(ctx, input) {
  const receipt = receiptById(ctx.db, input.receiptId);
  const line = bankLineById(ctx.db, input.lineId);
  if (!receipt) return fail("receipt.unknown");
  if (!isBanked(receipt)) return fail("bounce.not_banked");
  if (receipt.state === "returned") return fail("receipt.not_to_match");
  if (line?.state !== "open" || line.amount !== negate(receipt.amount))
    return fail("bounce.line", { sum: ctx.sum(receipt.amount) });
  const fee = input.feeLineId === null ? null : bankLineById(ctx.db, input.feeLineId) ?? null;
  if (fee && (fee.state !== "open" || fee.amount >= 0)) return fail("payout.line");
  return ok({ receipt, line, fee });
}
var isBanked = ({ handState, source }) => handState === null ? source === "bank" : handState === "banked";
var feeOfBank = (ctx, head, fee) => postBankFee({
  ...head,
  on: fee.postedOn,
  bank: codeOf(ctx, fee.bankAccountId),
  bankLineId: fee.id,
  kind: "return",
  sum: inBook(negate(fee.amount), fee.currency)
});
function codeOf(ctx, bankAccountId) {
  const bank = bankAccounts(ctx.db).find(({ id }) => id === bankAccountId);
  if (!bank) throw new Error("a bank line has its account");
  return bank.code;
}
var unbounceReceipt = (ctx, act) => {
  const restored = restoreReceipt(ctx, act);
  if (!restored.ok) return restored;
  for (const id of bounceLinesOf(ctx.db, restored.value.id))
    setBankLineState(ctx.db, { id, state: "open" });
  return ok(null);
};

// src/server/match/commands/makeDeposit.ts
import { z as z9 } from "zod";
var makeDeposit = defineCommand({
  name: "makeDeposit",
  schema: z9.object({
    receiptIds: z9.array(z9.number().int()).min(1, "Choose at least one receipt.").max(500),
    bank: z9.string(),
    onDay: isoDay.nullable().default(null)
  }),
  run(ctx, input) {
    const bank = bankAccounts(ctx.db).find(({ code }) => code === input.bank);
    if (!bank) return fail("account.unknown", { account: input.bank });
    const receipts = [];
    for (const id of new Set(input.receiptIds)) {
      const receipt = receiptById(ctx.db, id);
      if (receipt?.handState !== "on_hand") return fail("deposit.not_on_hand");
      if (receipt.currency !== bank.currency)
        return fail("deposit.currency", { currency: receipt.currency });
      receipts.push(receipt);
    }
    const onDay = input.onDay ?? ctx.today;
    const sum = sumOf(receipts, ({ amount: amount2 }) => amount2);
    const depositId = insertDeposit(ctx.db, {
      bankAccountId: bank.id,
      onDay,
      currency: bank.currency,
      sum
    });
    for (const { id } of receipts) setHandState(ctx.db, id, "deposited", depositId);
    const actId = ctx.act(
      "deposit",
      { kind: "deposit", id: depositId },
      `${receipts.length === 1 ? "a receipt" : `${receipts.length} receipts`} by hand taken to ${bank.name}: ${ctx.sum(sum)}`
    );
    tieDeposits(ctx);
    return ok({ depositId, actId, banked: depositById(ctx.db, depositId)?.state === "banked" });
  }
});
var unmakeDeposit = (ctx, act) => {
  if (depositById(ctx.db, act.subjectId)?.state !== "made")
    return fail("act.rests", { what: "its bank line" });
  for (const { id } of receiptsOfDeposit(ctx.db, act.subjectId))
    setHandState(ctx.db, id, "on_hand", null);
  setDepositState(ctx.db, act.subjectId, "undone", null);
  return ok(null);
};

// src/server/match/commands/recordReceipt.ts
import { z as z10 } from "zod";
var WORDS3 = { check: "check", cash: "cash", money_order: "money order", wire: "wire" };
var recordReceipt = defineCommand({
  name: "recordReceipt",
  schema: z10.object({
    method: z10.enum(["check", "cash", "money_order", "wire"]),
    number: z10.string().trim().max(40).default(""),
    paidOn: isoDay,
    amount: z10.number().int().positive("The sum must be more than zero.").transform(minor),
    payerName: z10.string().trim().max(120).default(""),
    customerId: z10.number().int().nullable().default(null),
    reference: z10.string().trim().max(300).default(""),
    again: z10.boolean().default(false)
  }),
  run(ctx, input) {
    const customer = input.customerId === null ? void 0 : customerById(ctx.db, input.customerId);
    const payerName = input.payerName || customer?.name || "";
    const problem = whyNot(ctx, { ...input, payerName });
    if (problem) return problem;
    const id = insertReceipt(ctx.db, {
      source: "hand",
      method: input.method,
      paidOn: input.paidOn,
      settledOn: input.paidOn,
      currency: ctx.settings.currency,
      amount: input.amount,
      payerName,
      payerEmail: "",
      reference: input.reference,
      fileId: null,
      lineNo: null,
      number: input.number || null
    });
    const words = `${WORDS3[input.method]}${input.number ? ` ${input.number}` : ""}`;
    const actId = ctx.act(
      "hand_receipt",
      { kind: "receipt", id },
      `${words} of ${ctx.sum(input.amount)} recorded by hand`
    );
    ctx.post(
      postReceiptByHand({
        on: input.paidOn,
        document: { kind: "receipt", id, text: `${words}, ${payerName || "payer not known"}` },
        receiptId: id,
        sum: inBook(input.amount, ctx.settings.currency)
      }),
      actId
    );
    return ok({ receiptId: id, actId });
  }
});
function whyNot(ctx, receipt) {
  const { method, number, paidOn, amount: amount2 } = receipt;
  if (paidOn > ctx.today) return fail("receipt.future", { day: paidOn });
  const numbered = method === "check" || method === "money_order";
  if (number === "" && numbered) return fail("receipt.number", { what: WORDS3[method] });
  const twin = receipt.again ? void 0 : handTwin(ctx.db, receipt);
  return twin ? fail("receipt.twice", { what: WORDS3[method], sum: ctx.sum(amount2), day: twin.paidOn }) : null;
}
var unrecordReceipt = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  if (receipt.state !== "to_match")
    return fail("act.rests", {
      what: `the receipt of ${ctx.sum(receipt.amount, receipt.currency)} was dealt with`
    });
  if (receipt.handState !== "on_hand") return fail("act.rests", { what: "its bank deposit" });
  deleteUntouchedReceipt(ctx.db, receipt.id);
  return ok(null);
};

// src/server/match/commands/setAside.ts
import { z as z11 } from "zod";
var setAside = defineCommand({
  name: "setAside",
  schema: z11.object({
    receiptId: z11.number().int(),
    reason: z11.string().trim().min(1, "Say why, in a few words.").max(200),
    as: z11.enum(["parked", "income"]).default("parked")
  }),
  run(ctx, input) {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const moved = move(receipt.state, partsOf(receipt), {
      kind: input.as === "income" ? "other_income" : "set_aside"
    });
    if (!moved.ok) return moved;
    const actId = ctx.act(
      "set_aside",
      { kind: "receipt", id: receipt.id },
      `${ctx.sum(receipt.unidentified, receipt.currency)} ${input.as === "income" ? "booked as other income" : "set aside"}: ${input.reason}`
    );
    updateReceipt(ctx.db, receipt.id, {
      state: moved.value.state,
      parts: moved.value.parts,
      customerId: null,
      reason: input.reason
    });
    const document = {
      kind: "receipt",
      id: receipt.id,
      text: `receipt ${receipt.id}, ${receipt.payerName || receipt.payerEmail}`
    };
    ctx.post(
      (input.as === "income" ? postOtherIncome : postSetAside)({
        on: ctx.today > receipt.settledOn ? ctx.today : receipt.settledOn,
        document,
        receiptId: receipt.id,
        sum: inBook(receipt.unidentified, receipt.currency)
      }),
      actId
    );
    return ok({ actId });
  }
});
var takeBackFromAside = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  if (!receipt) return fail("receipt.unknown");
  const what = restsOn(ctx, act);
  if (what !== null) return fail("act.rests", { what });
  const moved = move(receipt.state, partsOf(receipt), { kind: "taken_back" });
  if (!moved.ok) return moved;
  updateReceipt(ctx.db, receipt.id, {
    state: moved.value.state,
    parts: moved.value.parts,
    customerId: null,
    reason: null
  });
  return ok(null);
};

// src/server/match/commands/tieDeposit.ts
import { z as z12 } from "zod";
var tieDeposit = defineCommand({
  name: "tieDeposit",
  schema: z12.object({ depositId: z12.number().int(), lineId: z12.number().int() }),
  run(ctx, input) {
    const [deposit, line] = [
      depositById(ctx.db, input.depositId),
      bankLineById(ctx.db, input.lineId)
    ];
    if (deposit?.state !== "made") return fail("deposit.unknown");
    if (line?.state !== "open" || line.bankAccountId !== deposit.bankAccountId)
      return fail("payout.line");
    if (line.amount !== deposit.sum)
      return fail("deposit.off", { bank: ctx.sum(line.amount), deposit: ctx.sum(deposit.sum) });
    return ok({ actId: bankDeposit(ctx, deposit, line) });
  }
});
var untieDeposit = (ctx, act) => {
  const deposit = depositById(ctx.db, act.subjectId);
  if (deposit?.state !== "banked" || deposit.bankLineId === null) return fail("deposit.unknown");
  const receipts = receiptsOfDeposit(ctx.db, deposit.id);
  const bounced = receipts.find(
    ({ id }) => actsOf(ctx.db, "receipt", id).some((act2) => act2.kind === "bounce" && act2.undoneBy === null)
  );
  if (bounced)
    return fail("act.rests", { what: `the check of ${ctx.sum(bounced.amount)} that bounced` });
  for (const { id } of receipts) setHandState(ctx.db, id, "deposited", deposit.id);
  setBankLineState(ctx.db, { id: deposit.bankLineId, state: "open" });
  setDepositState(ctx.db, deposit.id, "made", null);
  return ok(null);
};

// src/server/overdue/commands/chargeLateFees.ts
import { z as z13 } from "zod";

// src/db/lateFees.ts
function lateFees(db) {
  return db.all(
    `SELECT l.id, l.open_item_id AS itemId, i.number, l.fee_item_id AS feeItemId, f.number AS feeNumber, f.customer_id AS customerId, c.name AS customer, f.currency, l.through, f.issued_on AS "on", l.sum, f.balance, l.act_id AS actId, l.letter_id AS letterId
     FROM late_fee l JOIN open_item i ON i.id = l.open_item_id JOIN open_item f ON f.id = l.fee_item_id JOIN customer c ON c.id = f.customer_id JOIN act a ON a.id = l.act_id WHERE a.undone_by IS NULL ORDER BY l.id DESC`
  );
}
function feesThrough(db) {
  return new Map(
    db.all(
      "SELECT l.open_item_id AS itemId, max(l.through) AS through FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id IS NULL AND (a.undone_by IS NULL OR l.waived = 1) GROUP BY l.open_item_id"
    ).map(({ itemId, through }) => [itemId, through])
  );
}
function lettersToCharge(db) {
  const found = /* @__PURE__ */ new Map();
  const rows = db.all(
    `SELECT t.id AS letterId, t.customer_id AS customerId, t.step, t.on_day AS "on", t.fee, coalesce(t.fee_currency, t.currency) AS currency, (SELECT json_group_array(i.open_item_id) FROM letter_item i WHERE i.letter_id = t.id) AS items FROM letter t
     WHERE t.fee > 0 AND NOT EXISTS (SELECT 1 FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id = t.id AND (a.undone_by IS NULL OR l.waived = 1)) ORDER BY t.id`
  );
  for (const { customerId, items, ...letter } of rows)
    found.set(customerId, [
      ...found.get(customerId) ?? [],
      { ...letter, itemIds: JSON.parse(items) }
    ]);
  return found;
}
function insertLateFee(db, fee) {
  db.run(
    "INSERT INTO late_fee (open_item_id, fee_item_id, through, sum, act_id, letter_id) VALUES (?, ?, ?, ?, ?, ?)",
    fee.itemId,
    fee.feeItemId,
    fee.through,
    fee.sum,
    fee.actId,
    fee.letterId
  );
}
function setWaived(db, feeId) {
  db.run("UPDATE late_fee SET waived = 1 WHERE id = ?", feeId);
}

// src/server/overdue/queries/lateFees.ts
function proposedFees(db, today, rows) {
  const rules = new Map(ladders(db).map(({ name, fee }) => [name, fee]));
  const letters = lettersToCharge(db);
  const through = feesThrough(db);
  const { currency: book } = readSettings(db);
  const rateOf2 = (currency) => (amount2) => inOther(db, { amount: amount2, currency, book, on: today });
  return rows.filter(({ state }) => state === "ready" || state === "later").flatMap((row) => {
    const rule2 = rules.get(row.ladder);
    const sent = letters.get(row.customer.id) ?? [];
    if ((!rule2 || rule2.kind === "none") && sent.length === 0) return [];
    const late = lateInvoices(row, today);
    return [
      ...late.flatMap((item) => {
        const own = rule2 ? inCurrencyOf(rule2, rateOf2(item.currency)) : null;
        return own ? feeForTime(row, item, own, { through, today }) : [];
      }),
      ...sent.flatMap((letter) => feeForLetter(row, late, letter))
    ];
  });
}
function inCurrencyOf(rule2, inTheirs) {
  const [fixed, least] = [inTheirs(rule2.fixed), inTheirs(rule2.least)];
  const most = rule2.most === null ? null : inTheirs(rule2.most);
  if (fixed === null || least === null || most === null !== (rule2.most === null)) return null;
  return { ...rule2, fixed, least, most };
}
function lateInvoices(row, today) {
  const { items, named: ids } = row.detail();
  const named2 = new Set(ids);
  return items.filter(
    ({ id, balance, dueOn, kind }) => named2.has(id) && balance > 0 && dueOn < today && kind === "invoice"
  );
}
var feeOn = (row, item) => ({
  itemId: item.id,
  number: item.number,
  customerId: item.customerId,
  customer: row.customer.name,
  dueOn: item.dueOn,
  balance: item.balance,
  balanceIn: item.currency
});
function feeForTime(row, item, rule2, { through, today }) {
  const { balance, dueOn, currency } = item;
  const chargedThrough = through.get(item.id) ?? null;
  const fee = lateFeeOn({ balance, dueOn, chargedThrough }, rule2, today);
  if (fee === null) return [];
  const { through: until, sum } = fee;
  const on = feeOn(row, item);
  return [{ ...on, letterId: null, currency, through: until, sum, words: row.ladder }];
}
function feeForLetter(row, late, letter) {
  const oldest = late.find(
    (item) => item.currency === letter.currency && letter.itemIds.includes(item.id)
  );
  if (!oldest) return [];
  const { letterId, on, fee, currency, step } = letter;
  const words = `letter ${step}`;
  return [{ ...feeOn(row, oldest), letterId, currency, through: on, sum: fee, words }];
}

// src/server/overdue/commands/chargeLateFees.ts
var DUE_DAYS2 = 14;
var chargeLateFees = defineCommand({
  name: "chargeLateFees",
  schema: z13.object({
    fees: z13.array(
      z13.object({
        itemId: z13.number().int(),
        /** For a letter; null for the time that passed. */
        letterId: z13.number().int().nullable().default(null)
      })
    ).min(1).max(5e3)
  }),
  run(ctx, input) {
    const keyOf4 = ({ itemId, letterId }) => `${itemId} ${letterId ?? ""}`;
    const wanted = new Set(input.fees.map(keyOf4));
    const due = proposedFees(
      ctx.db,
      ctx.today,
      overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db))
    ).filter((fee) => wanted.has(keyOf4(fee)));
    if (due.length === 0) return fail("late_fee.none");
    for (const fee of due) {
      const actId = ctx.act(
        "late_fee",
        { kind: "customer", id: fee.customerId, customerId: fee.customerId },
        `late fee of ${ctx.sum(fee.sum, fee.currency)} on ${fee.number}, ${fee.letterId === null ? `up to ${fee.through}` : `for the ${fee.words} of ${fee.through}`}`
      );
      const number = `LF-${fee.number}-${actId}`;
      const id = insertOpenItem(ctx.db, {
        kind: "late_fee",
        number,
        customerId: fee.customerId,
        issuedOn: ctx.today,
        dueOn: addDays(ctx.today, DUE_DAYS2),
        currency: fee.currency,
        total: fee.sum,
        tax: minor(0),
        opened: fee.sum,
        balance: fee.sum,
        openedOn: ctx.today,
        poNumber: null,
        terms: null,
        description: fee.letterId === null ? `late fee on ${fee.number}` : `fee for the ${fee.words} of ${fee.through}`,
        fileId: null,
        lineNo: null
      });
      ctx.post(
        postLateFee({
          on: ctx.today,
          partyId: fee.customerId,
          document: { kind: "open_item", id, text: `late fee ${number}` },
          itemId: id,
          sum: inBook(fee.sum, fee.currency)
        }),
        actId
      );
      insertLateFee(ctx.db, {
        itemId: fee.itemId,
        feeItemId: id,
        through: fee.through,
        sum: fee.sum,
        actId,
        letterId: fee.letterId
      });
    }
    return ok({ charged: due.length, commandId: ctx.commandId });
  }
});
var unchargeLateFee = (ctx, act) => {
  const paid = dropReturnFees(ctx, act.id);
  return paid === null ? ok(null) : fail("act.rests", { what: `${paid} was paid meanwhile` });
};

// src/server/payouts/commands/accrueFees.ts
import { z as z14 } from "zod";

// src/core/fees/index.ts
function expectedFee(rate, amount2) {
  const percent = ratioOf(rate.percent);
  const fee = add(percent.ok ? percentOf(amount2, percent.value, "half-even") : 0, rate.fixed);
  const floored = rate.least === null ? fee : minor(Math.max(fee, rate.least));
  return rate.most === null ? floored : minor(Math.min(floored, rate.most));
}
function rateFor(rates, charge, volume) {
  const brand = charge.brand?.toLowerCase() ?? null;
  const fits3 = rates.filter(
    (rate) => rate.method === charge.method && rate.from <= charge.on && (rate.to === null || charge.on <= rate.to) && rate.fromVolume <= volume && (rate.brand === null || rate.brand.toLowerCase() === brand) && (rate.abroad === null || rate.abroad === (charge.abroad ?? false))
  );
  const says3 = (rate) => (rate.brand === null ? 0 : 2) + (rate.abroad === null ? 0 : 1);
  return fits3.sort(
    (a, b) => says3(b) - says3(a) || b.fromVolume - a.fromVolume || earlierFirst(b.from, a.from) || b.id - a.id
  )[0];
}
function checkFees(charges, rates) {
  const volumes = /* @__PURE__ */ new Map();
  return [...charges].sort((a, b) => earlierFirst(a.on, b.on) || a.id - b.id).map((charge) => {
    const month = `${charge.on.slice(0, 7)} ${charge.method}`;
    const volume = volumes.get(month) ?? 0;
    volumes.set(month, volume + charge.amount);
    const rate = rateFor(rates, charge, volume);
    const expected = rate ? expectedFee(rate, charge.amount) : null;
    return {
      ...charge,
      expected,
      off: expected === null ? minor(0) : add(charge.fee, -expected)
    };
  }).sort((a, b) => b.off - a.off || b.amount - a.amount || a.id - b.id);
}

// src/db/fees.ts
var rateOf = (row) => ({
  ...row,
  abroad: row.abroad === null ? null : row.abroad === 1
});
var RATE3 = "SELECT id, processor_account_id AS processorAccountId, method, from_day AS 'from', to_day AS 'to', percent, fixed, least, most, brand, abroad, from_volume AS fromVolume FROM agreed_rate";
function agreedRates(db) {
  return db.all(`${RATE3} WHERE ended_by IS NULL ORDER BY processor_account_id, method, from_day`).map(rateOf);
}
function agreedRateById(db, id) {
  const row = db.get(`${RATE3} WHERE id = ? AND ended_by IS NULL`, id);
  return row && rateOf(row);
}
function insertAgreedRate(db, rate) {
  return db.run(
    "INSERT INTO agreed_rate (processor_account_id, method, from_day, to_day, percent, fixed, least, most, brand, abroad, from_volume) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    rate.processorAccountId,
    rate.method,
    rate.from,
    rate.to,
    rate.percent,
    rate.fixed,
    rate.least,
    rate.most,
    rate.brand,
    rate.abroad === null ? null : Number(rate.abroad),
    rate.fromVolume
  ).id;
}
function endAgreedRate(db, id, by) {
  db.run("UPDATE agreed_rate SET ended_by = ? WHERE id = ?", by, id);
}
function chargesWithFees(db, accountId, from, to) {
  return db.all(
    `SELECT c.id, c.settled_on AS 'on', r.method, c.amount, c.brand, c.abroad AS 'foreign', coalesce((SELECT -sum(f.amount) FROM processor_item f WHERE f.processor_account_id = c.processor_account_id AND f.kind = 'fee' AND f.related_id = c.external_id AND f.withdrawn = 0), 0) AS fee,
       c.external_id AS externalId, coalesce(nullif(r.payer_name, ''), r.payer_email) AS payer, r.id AS receiptId
     FROM processor_item c JOIN receipt r ON r.id = c.receipt_id WHERE c.processor_account_id = ? AND c.kind = 'charge' AND c.withdrawn = 0 AND c.settled_on BETWEEN ? AND ?`,
    accountId,
    from,
    to
  ).map(({ foreign, ...charge }) => ({ ...charge, abroad: foreign === 1 }));
}
function accruals(db) {
  return db.all(
    `SELECT f.id, f.processor_account_id AS processorAccountId, a.name AS account, a.code AS accountCode, f.month, f.currency, f.sum, f.on_day AS onDay, f.state, f.bank_line_id AS bankLineId, f.act_id AS actId
     FROM fee_accrual f JOIN processor_account a ON a.id = f.processor_account_id WHERE f.state <> 'undone' ORDER BY f.month DESC, f.id DESC`
  );
}
function insertAccrual(db, accrual) {
  return db.run(
    "INSERT INTO fee_accrual (processor_account_id, month, currency, sum, on_day, act_id) VALUES (?, ?, ?, ?, ?, ?)",
    accrual.processorAccountId,
    accrual.month,
    accrual.currency,
    accrual.sum,
    accrual.onDay,
    accrual.actId
  ).id;
}
function setAccrualState(db, id, state, bankLineId) {
  db.run("UPDATE fee_accrual SET state = ?, bank_line_id = ? WHERE id = ?", state, bankLineId, id);
}

// src/server/payouts/commands/accrueFees.ts
var accrueFees = defineCommand({
  name: "accrueFees",
  schema: z14.object({
    account: z14.string(),
    month: z14.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, "A month like 2026-11.")
  }),
  run(ctx, input) {
    const account = processorAccounts(ctx.db).find(({ code }) => code === input.account);
    if (!account) return fail("account.unknown", { account: input.account });
    if (account.feeBilling !== "monthly") return fail("fees.taken", { account: account.name });
    if (account.currency !== ctx.settings.currency)
      return fail("fees.other_currency", { account: account.name, currency: account.currency });
    const [first2, last2] = [`${input.month}-01`, endOfMonth(`${input.month}-01`)];
    const checked = checkFees(
      chargesWithFees(ctx.db, account.id, first2, last2),
      agreedRates(ctx.db).filter(({ processorAccountId }) => processorAccountId === account.id)
    );
    const without2 = checked.filter(({ expected }) => expected === null);
    if (without2.length > 0)
      return fail("fees.no_rate", { count: without2.length, account: account.name });
    const before2 = sumOf(
      accruals(ctx.db).filter(
        (accrual) => accrual.processorAccountId === account.id && accrual.month === input.month
      ),
      ({ sum: sum2 }) => sum2
    );
    const sum = add(
      sumOf(checked, ({ expected, fee }) => (expected ?? 0) - fee),
      negate(before2)
    );
    if (sum === 0) return fail("fees.accrued", { month: input.month, account: account.name });
    const on = last2 < ctx.today ? last2 : ctx.today;
    const actId = ctx.act(
      "accrue",
      { kind: "processor_account", id: account.id },
      `fees of ${input.month} accrued, ${account.name}: ${ctx.sum(sum)}`
    );
    const id = insertAccrual(ctx.db, {
      processorAccountId: account.id,
      month: input.month,
      currency: account.currency,
      sum,
      onDay: on,
      actId
    });
    ctx.post(
      postFeeAccrued({
        on,
        document: { kind: "fee_accrual", id, text: `fees of ${input.month}, ${account.name}` },
        sum: inBook(sum, account.currency)
      }),
      actId
    );
    return ok({ actId, sum });
  }
});
var unaccrueFees = (ctx, act) => {
  const accrued = accruals(ctx.db).find(({ actId }) => actId === act.id);
  if (!accrued) return fail("fees.accrual");
  if (accrued.state === "billed") return fail("act.rests", { what: "its bill" });
  setAccrualState(ctx.db, accrued.id, "undone", null);
  return ok(null);
};

// src/server/payouts/commands/answerDispute.ts
import { z as z15 } from "zod";

// src/db/returnsAndDisputes.ts
function retriesOf(db, receiptId) {
  return db.all(
    "SELECT id, return_item_id AS returnItemId, receipt_id AS receiptId, nth, planned_on AS plannedOn, act_id AS actId FROM ach_retry WHERE receipt_id = ? ORDER BY nth",
    receiptId
  );
}
function insertRetry(db, retry) {
  db.run(
    "INSERT INTO ach_retry (return_item_id, receipt_id, nth, planned_on, act_id) VALUES (?, ?, ?, ?, ?)",
    retry.returnItemId,
    retry.receiptId,
    retry.nth,
    retry.plannedOn,
    retry.actId
  );
}
function deleteRetryOfAct(db, actId) {
  db.run("DELETE FROM ach_retry WHERE act_id = ?", actId);
}
var NOTICE = "SELECT id, external_id AS externalId, code, receipt_id AS receiptId, customer_id AS customerId, name, told_on AS toldOn, mend_by AS mendBy, correction, mended_on AS mendedOn, file_id AS fileId, line_no AS lineNo FROM change_notice";
function noticeById(db, id) {
  return db.get(`${NOTICE} WHERE id = ?`, id);
}
function noticeByExternalId(db, externalId) {
  return db.get(`${NOTICE} WHERE external_id = ?`, externalId);
}
function noticesSince(db, from) {
  return db.all(
    `${NOTICE} WHERE mended_on IS NULL OR told_on >= ? ORDER BY mend_by, id`,
    from
  );
}
function insertNotice(db, notice) {
  return db.run(
    "INSERT INTO change_notice (external_id, code, receipt_id, customer_id, name, told_on, mend_by, correction, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    notice.externalId,
    notice.code,
    notice.receiptId,
    notice.customerId,
    notice.name,
    notice.toldOn,
    notice.mendBy,
    notice.correction,
    notice.fileId,
    notice.lineNo
  ).id;
}
function setMended(db, id, on, by) {
  db.run("UPDATE change_notice SET mended_on = ?, mended_by = ? WHERE id = ?", on, by, id);
}
function setAnswered(db, itemId, on) {
  db.run("UPDATE processor_item SET answered_on = ? WHERE id = ?", on, itemId);
}

// src/server/payouts/commands/answerDispute.ts
var answerDispute = defineCommand({
  name: "answerDispute",
  schema: z15.object({
    processorItemId: z15.number().int(),
    why: z15.string().trim().min(3, "Say what was sent, in a few words.").max(300)
  }),
  run(ctx, input) {
    const item = processorItemById(ctx.db, input.processorItemId);
    if (!item || item.kind !== "dispute" || item.settledState !== "opened" || item.answeredOn !== null)
      return fail("dispute.unknown");
    const receipt = item.receiptId === null ? void 0 : receiptById(ctx.db, item.receiptId);
    const actId = ctx.act(
      "answer",
      { kind: "processor_item", id: item.id, customerId: receipt?.customerId ?? null },
      `dispute ${item.externalId} answered: ${input.why}`
    );
    setAnswered(ctx.db, item.id, ctx.today);
    return ok({ actId });
  }
});
var unanswerDispute = (ctx, act) => {
  setAnswered(ctx.db, act.subjectId, null);
  return ok(null);
};

// src/server/payouts/commands/billFees.ts
import { z as z16 } from "zod";
var billFees = defineCommand({
  name: "billFees",
  schema: z16.object({
    lineId: z16.number().int(),
    accrualIds: z16.array(z16.number().int()).min(1).max(24)
  }),
  run(ctx, input) {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    if (line.amount >= 0) return fail("fees.bill_sign");
    const billed = accruals(ctx.db).filter(
      ({ id, state }) => input.accrualIds.includes(id) && state === "accrued"
    );
    if (billed.length < new Set(input.accrualIds).size || billed.some(({ currency }) => currency !== line.currency))
      return fail("fees.accrual");
    const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
    if (!bank) throw new Error("a bank line has its account");
    const [sum, bill] = [sumOf(billed, (accrual) => accrual.sum), negate(line.amount)];
    const off = add(bill, negate(sum));
    const actId = ctx.act(
      "fee_bill",
      { kind: "bank_line", id: line.id },
      `bill of ${ctx.sum(bill)} for ${billed.map(({ month }) => month).join(", ")}${off === 0 ? ", as accrued" : `, ${ctx.sum(off)} off what was accrued`}`
    );
    for (const [at, one] of billed.entries()) {
      const more = at === billed.length - 1 ? off : minor(0);
      ctx.post(
        postFeeBilled({
          on: line.postedOn,
          document: {
            kind: "fee_accrual",
            id: one.id,
            text: `fees of ${one.month}, ${one.account}`
          },
          bank: bank.code,
          bankLineId: line.id,
          accrued: inBook(one.sum, one.currency),
          billed: inBook(add(one.sum, more), one.currency)
        }),
        actId
      );
      setAccrualState(ctx.db, one.id, "billed", line.id);
    }
    setBankLineState(ctx.db, { id: line.id, state: "fee_bill" });
    return ok({ actId, off });
  }
});
var unbillFees = (ctx, act) => {
  const billed = accruals(ctx.db).filter(({ bankLineId }) => bankLineId === act.subjectId);
  for (const accrual of billed) setAccrualState(ctx.db, accrual.id, "accrued", null);
  setBankLineState(ctx.db, { id: act.subjectId, state: "open" });
  return ok(null);
};

// src/server/payouts/commands/disputeLost.ts
import { z as z17 } from "zod";
var disputeLost = defineCommand({
  name: "disputeLost",
  schema: z17.object({ processorItemId: z17.number().int() }),
  run(ctx, input) {
    const item = processorItemById(ctx.db, input.processorItemId);
    if (!item || item.kind !== "dispute" || item.settledState !== "opened" || item.receiptId === null)
      return fail("dispute.unknown");
    const receipt = receiptById(ctx.db, item.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const sum = negate(item.amount);
    const actId = ctx.act(
      "dispute_lost",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `dispute ${item.externalId} lost: ${ctx.sum(sum, item.currency)} gone, what it had paid is open again`
    );
    const went = takeBack(ctx, receipt, sum, actId);
    const document = {
      kind: "processor_item",
      id: item.id,
      text: `dispute ${item.externalId} lost`
    };
    ctx.post(
      postDisputeLost({
        on: ctx.today,
        partyId: receipt.customerId,
        document,
        disputeItemId: item.id,
        receiptId: receipt.id,
        went,
        sum: inBook(sum, item.currency)
      }),
      actId
    );
    setDisputeState(ctx.db, item.id, "lost");
    setDisputed(ctx.db, receipt.id, 0);
    return ok({ actId });
  }
});
var unloseDispute = (ctx, act) => {
  const restored = restoreReceipt(ctx, act);
  if (!restored.ok) return restored;
  const lost = entriesOfAct(ctx.db, act.id).filter(
    ({ documentKind }) => documentKind === "processor_item"
  );
  for (const { documentId } of lost) setDisputeState(ctx.db, documentId, "opened");
  setDisputed(ctx.db, restored.value.id, 1);
  return ok(null);
};

// src/server/payouts/commands/mendAccount.ts
import { z as z18 } from "zod";
var mendAccount = defineCommand({
  name: "mendAccount",
  schema: z18.object({ noticeId: z18.number().int() }),
  run(ctx, input) {
    const notice = noticeById(ctx.db, input.noticeId);
    if (!notice || notice.mendedOn !== null) return fail("notice.unknown");
    const actId = ctx.act(
      "mend",
      { kind: "change_notice", id: notice.id, customerId: notice.customerId },
      `account of ${notice.name} mended, as its bank told (${notice.code})`
    );
    setMended(ctx.db, notice.id, ctx.today, actId);
    return ok({ actId });
  }
});
var unmendAccount = (ctx, act) => {
  setMended(ctx.db, act.subjectId, null, null);
  return ok(null);
};

// src/server/payouts/commands/refundAtBank.ts
import { z as z19 } from "zod";
var refundAtBank = defineCommand({
  name: "refundAtBank",
  schema: z19.object({ lineId: z19.number().int(), receiptId: z19.number().int() }),
  run(ctx, input) {
    const line = bankLineById(ctx.db, input.lineId);
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open" || line.amount >= 0) return fail("line.explained");
    if (!receipt) return fail("receipt.unknown");
    const sum = negate(line.amount);
    if (receipt.onAccount < sum || receipt.currency !== line.currency)
      return fail("refund.more", { sum: ctx.sum(sum), credit: ctx.sum(receipt.onAccount) });
    const bank = bankAccounts(ctx.db).find(({ id }) => id === line.bankAccountId);
    if (!bank) throw new Error("a bank line has its account");
    const none = minor(0);
    const moved = move(receipt.state, partsOf(receipt), {
      kind: "gone_back",
      parts: {
        unidentified: none,
        onAccount: sum,
        applied: none,
        parked: none,
        income: none,
        surcharge: none,
        recovered: none
      }
    });
    if (!moved.ok) return moved;
    const actId = ctx.act(
      "refund",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `${ctx.sum(sum)} sent back from the bank`
    );
    updateReceipt(ctx.db, receipt.id, {
      state: moved.value.state,
      parts: moved.value.parts,
      customerId: receipt.customerId,
      reason: receipt.reason
    });
    ctx.post(
      postRefundAtBank({
        on: line.postedOn,
        partyId: receipt.customerId,
        document: {
          kind: "bank_line",
          id: line.id,
          text: `refund to ${receipt.payerName || receipt.payerEmail || "the payer"}`
        },
        bank: bank.code,
        bankLineId: line.id,
        receiptId: receipt.id,
        sum: inBook(sum, line.currency)
      }),
      actId
    );
    setBankLineState(ctx.db, { id: line.id, state: "refund", receiptId: receipt.id });
    return ok({ actId });
  }
});
var unrefundAtBank = (ctx, act) => {
  const receipt = receiptById(ctx.db, act.subjectId);
  const lineId = entriesOfAct(ctx.db, act.id).find(
    ({ documentKind }) => documentKind === "bank_line"
  )?.documentId;
  const line = lineId === void 0 ? void 0 : bankLineById(ctx.db, lineId);
  if (!receipt || !line) return fail("line.unknown");
  const sum = minor(Math.abs(line.amount));
  const parts = partsOf(receipt);
  updateReceipt(ctx.db, receipt.id, {
    state: receipt.state === "returned" ? "placed" : receipt.state,
    parts: {
      ...parts,
      onAccount: add(parts.onAccount, sum),
      goneBack: add(parts.goneBack, negate(sum))
    },
    customerId: receipt.customerId,
    reason: receipt.reason
  });
  setBankLineState(ctx.db, { id: line.id, state: "open" });
  return ok(null);
};

// src/server/payouts/commands/retryDebit.ts
import { z as z20 } from "zod";
var WHY_NOT = {
  account: "retry.account",
  unauthorized: "retry.unauthorized",
  tries: "retry.tries",
  days: "retry.days",
  code: "retry.code"
};
var retryDebit = defineCommand({
  name: "retryDebit",
  schema: z20.object({ returnItemId: z20.number().int(), on: isoDay }),
  run(ctx, input) {
    const found = debitToRetry(ctx, input);
    if (!found.ok) return found;
    const { item, receipt, nth } = found.value;
    const on = addBankingDays(input.on, 0);
    const actId = ctx.act(
      "retry",
      { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
      `debit of ${ctx.sum(receipt.amount, receipt.currency)} is tried again on ${on}, the ${nth === 1 ? "first" : "second"} time`
    );
    insertRetry(ctx.db, {
      returnItemId: item.id,
      receiptId: receipt.id,
      nth,
      plannedOn: on,
      actId
    });
    return ok({ actId, on });
  }
});
function debitToRetry(ctx, { returnItemId, on }) {
  const item = processorItemById(ctx.db, returnItemId);
  const receipt = item?.receiptId == null ? void 0 : receiptById(ctx.db, item.receiptId);
  if (item?.kind !== "ach_return" || !receipt) return fail("return.unknown");
  const before2 = retriesOf(ctx.db, receipt.id);
  const code = item.returnCode ?? "";
  const may = retryOf(code, before2.length, receipt.settledOn, ctx.today);
  if (!may.may) return fail(WHY_NOT[may.why], { returnCode: code });
  if (on <= ctx.today || addBankingDays(on, 0) > may.until)
    return fail("retry.day", { until: may.until });
  if (before2.some(({ plannedOn }) => plannedOn >= ctx.today)) return fail("retry.planned");
  return ok({ item, receipt, nth: before2.length === 0 ? 1 : 2 });
}
var unretryDebit = (ctx, act) => {
  deleteRetryOfAct(ctx.db, act.id);
  return ok(null);
};

// src/server/payouts/commands/tiePayout.ts
import { z as z22 } from "zod";

// src/db/withdrawn.ts
function withdrawExplained(db, itemId) {
  db.run("UPDATE processor_item SET withdrawn = 1 WHERE id = ? AND origin = 'explained'", itemId);
}
function withdrawReported(db, itemId) {
  db.run(
    "UPDATE processor_item SET withdrawn = 1, external_id = external_id || ' (before, ' || id || ')' WHERE id = ?",
    itemId
  );
}
var hasItemsBesideFees = (db, receiptId) => db.get(
  "SELECT 1 FROM processor_item WHERE receipt_id = ? AND withdrawn = 0 AND kind IN ('refund', 'ach_return', 'dispute') LIMIT 1",
  receiptId
) !== void 0;
function moveFees(db, from, to) {
  db.run(
    "UPDATE processor_item SET receipt_id = ? WHERE receipt_id = ? AND kind <> 'charge' AND withdrawn = 0",
    to,
    from
  );
}

// src/server/payouts/steps/tieDifference.ts
import { z as z21 } from "zod";
var FEE_KIND_NAMES = Object.keys(FEE_KINDS);
var difference2 = z21.discriminatedUnion("as", [
  z21.object({ as: z21.literal("fee"), kind: z21.enum(FEE_KIND_NAMES) }),
  // Items that stand elsewhere and belong to it, or stand in it and were not paid with it.
  z21.object({ as: z21.literal("take_in"), itemIds: z21.array(z21.number().int()).min(1).max(20) }),
  z21.object({ as: z21.literal("take_out"), itemIds: z21.array(z21.number().int()).min(1).max(20) }),
  z21.object({
    as: z21.literal("park"),
    reason: z21.string().trim().min(1, "Say why, in a few words.").max(200)
  })
]);
function tieWithDifference(ctx, { payout, lines, off, came }, as) {
  if (as === null)
    return fail("payout.off", {
      bank: ctx.sum(came),
      net: ctx.sum(payout.net),
      off: ctx.sum(off)
    });
  if (as.as === "take_in" || as.as === "take_out")
    return tieMovingItems(ctx, { payout, lines, off, came }, as);
  const booked = as.as === "fee" ? "booked as a fee" : `parked: ${as.reason}`;
  const actId = tie(ctx, payout, lines, `by hand, ${ctx.sum(off)} ${booked}`);
  bookDifference(ctx, { payout, off, as, lines, actId });
  return ok({ actId });
}
function tieMovingItems(ctx, { payout, lines, off }, as) {
  const moved = itemsToMove(ctx, payout, as, off);
  if (!moved.ok) return moved;
  const takenIn = as.as === "take_in";
  const ids = moved.value.map(({ externalId }) => externalId).join(", ");
  const words = `by hand, ${ids} ${takenIn ? "taken into it" : "taken out of it"}`;
  const actId = tie(ctx, payout, lines, words);
  for (const item of moved.value) moveItem(ctx.db, item, takenIn ? payout.id : null, actId);
  const touched = [payout.id, ...moved.value.flatMap(({ payoutId }) => payoutId ?? [])];
  for (const id of new Set(touched)) refreshNet(ctx.db, id);
  return ok({ actId });
}
function itemsToMove(ctx, payout, { as, itemIds }, off) {
  const items = [];
  for (const id of new Set(itemIds)) {
    const item = processorItemById(ctx.db, id);
    if (!item || item.processorAccountId !== payout.processorAccountId || as === "take_out" !== (item.payoutId === payout.id))
      return fail("payout.item");
    if (item.payoutId !== null && payoutById(ctx.db, item.payoutId)?.state === "tied")
      return fail("payout.item");
    items.push(item);
  }
  const sum = sumOf(items, ({ amount: amount2 }) => amount2);
  return sum === (as === "take_in" ? off : negate(off)) ? ok(items) : fail("payout.off", {
    bank: ctx.sum(add(payout.net, off)),
    net: ctx.sum(add(payout.net, as === "take_in" ? sum : negate(sum))),
    off: ctx.sum(add(off, as === "take_in" ? negate(sum) : sum))
  });
}
function bookDifference(ctx, { payout, off, as, lines, actId }) {
  const processor = processorAccounts(ctx.db).find(({ id: id2 }) => id2 === payout.processorAccountId);
  if (!processor) throw new Error("a payout has its processor account");
  const on = lines.reduce(
    (latest, line) => line.postedOn > latest ? line.postedOn : latest,
    payout.paidOn
  );
  const kind = as.as === "park" ? "adjustment" : FEE_KINDS[as.kind].item;
  const item = {
    processorAccountId: payout.processorAccountId,
    externalId: `${payout.externalId} off ${actId}`,
    kind,
    occurredOn: on,
    settledOn: on,
    currency: payout.currency,
    amount: off,
    payoutId: payout.id,
    relatedId: null,
    origin: "explained",
    reason: as.as === "park" ? as.reason : `missing ${as.kind} fee`,
    settledState: null,
    fileId: null,
    lineNo: null
  };
  const id = insertProcessorItem(ctx.db, item, null);
  const head = {
    on,
    document: {
      kind: "processor_item",
      id,
      text: `difference of payout ${payout.externalId}`
    },
    processor: processor.code,
    processorItemId: id
  };
  if (as.as === "park")
    ctx.post(postParkedDifference({ ...head, sum: inBook(off, payout.currency) }), actId);
  else
    ctx.post(postFee({ ...head, kind: as.kind, sum: inBook(negate(off), payout.currency) }), actId);
  refreshNet(ctx.db, payout.id);
}

// src/server/payouts/commands/tiePayout.ts
var tiePayout = defineCommand({
  name: "tiePayout",
  schema: z22.object({
    payoutId: z22.number().int(),
    bankLineIds: z22.array(z22.number().int()).min(1).max(20),
    difference: difference2.nullable().default(null)
  }),
  run(ctx, input) {
    const payout = payoutById(ctx.db, input.payoutId);
    if (!payout) return fail("payout.unknown");
    if (payout.state === "tied") return fail("payout.tied");
    const found = linesToTie(ctx, payout, input.bankLineIds);
    if (!found.ok) return found;
    const lines = found.value;
    const came = sumOf(lines, (line) => line.amount);
    if (payout.currency !== lines[0]?.currency)
      return tieAtItsRate(ctx, {
        payout,
        lines,
        came,
        withDifference: input.difference !== null
      });
    const off = add(came, -payout.net);
    if (off === 0) return ok({ actId: tie(ctx, payout, lines, "by hand") });
    return tieWithDifference(ctx, { payout, lines, off, came }, input.difference);
  }
});
function linesToTie(ctx, payout, ids) {
  const lines = [];
  for (const id of new Set(ids)) {
    const line = bankLineById(ctx.db, id);
    if (!line) return fail("line.unknown");
    const [first2 = line] = lines;
    const currencies = [payout.currency, ctx.settings.currency];
    if (line.state !== "open" || !currencies.includes(line.currency) || first2.bankAccountId !== line.bankAccountId)
      return fail("payout.line");
    lines.push(line);
  }
  return ok(lines);
}
var RATE_APART = 7;
function tieAtItsRate(ctx, { payout, lines, came, withDifference }) {
  const { currency } = ctx.settings;
  const day = rateOn(ctx.db, payout.currency, payout.paidOn);
  const expected = day ? inCurrency(payout.net, payout.currency, currency, day.rate) : null;
  if (withDifference || payout.net === 0 || payout.statedNet !== null && payout.statedNet !== payout.net)
    return fail("payout.other_currency");
  if (expected === null || Math.abs(came - expected) * 100 > Math.abs(expected) * RATE_APART)
    return fail("payout.rate", {
      currency: payout.currency,
      own: ownRate(came, currency, payout.net, payout.currency),
      rate: day?.rate ?? "none"
    });
  return ok({
    actId: tie(
      ctx,
      payout,
      lines,
      `${ctx.sum(payout.net, payout.currency)} at ${ownRate(came, currency, payout.net, payout.currency)}`
    )
  });
}
var untiePayout = (ctx, act, by) => {
  for (const tie2 of tiesOfAct(ctx.db, act.id)) {
    setBankLineState(ctx.db, { id: tie2.bankLineId, state: "open" });
    setPayoutState(ctx.db, tie2.payoutId, "open");
  }
  endTies(ctx.db, act.id, by);
  const explained = entriesOfAct(ctx.db, act.id).filter((entry) => entry.documentKind === "processor_item").map((entry) => entry.documentId);
  for (const id of explained) withdrawExplained(ctx.db, id);
  for (const id of /* @__PURE__ */ new Set([...moveBack2(ctx.db, act.id), act.subjectId])) refreshNet(ctx.db, id);
  return ok(null);
};

// src/server/books/commands/makeJournalFile.ts
import { z as z23 } from "zod";

// src/db/journalFiles.ts
var FILE2 = "SELECT id, layout, spec, from_day AS fromDay, to_day AS toDay, entries, state, act_id AS actId FROM journal_file";
var fileOf = (row) => ({
  ...row,
  spec: JSON.parse(row.spec)
});
function journalFileOfAct(db, actId) {
  const row = db.get(`${FILE2} WHERE act_id = ?`, actId);
  return row && fileOf(row);
}
function saveJournalLayout(db, name, spec) {
  db.run(
    "INSERT INTO journal_layout (name, spec) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET spec = excluded.spec",
    name,
    JSON.stringify(spec)
  );
}
function insertJournalFile(db, file, again) {
  const { id } = db.run(
    "INSERT INTO journal_file (layout, spec, from_day, to_day, entries, act_id) VALUES (?, ?, ?, ?, 0, ?)",
    file.layout,
    JSON.stringify(file.spec),
    file.fromDay,
    file.toDay,
    file.actId
  );
  const sent = "EXISTS (SELECT 1 FROM journal_file_entry x JOIN journal_file f ON f.id = x.file_id WHERE x.entry_id = e.id AND f.state = 'made' AND f.id <> ?1)";
  const { changes } = db.run(
    `INSERT INTO journal_file_entry (file_id, entry_id, again) SELECT ?1, e.id, ${sent} FROM entry e WHERE e.posted_on BETWEEN ?2 AND ?3 AND (?4 = 1 OR NOT ${sent})`,
    id,
    file.fromDay,
    file.toDay,
    again ? 1 : 0
  );
  db.run("UPDATE journal_file SET entries = ? WHERE id = ?", changes, id);
  return {
    id,
    entries: changes,
    sentAgain: db.get(
      "SELECT count(*) AS n FROM journal_file_entry WHERE file_id = ? AND again = 1",
      id
    )?.n ?? 0
  };
}
function setJournalFileUndone(db, id) {
  db.run("UPDATE journal_file SET state = 'undone' WHERE id = ?", id);
}

// src/server/books/commands/makeJournalFile.ts
var layoutSchema = z23.object({
  columns: z23.array(
    z23.object({
      header: z23.string().trim().min(1, "A column needs a heading.").max(60),
      field: z23.enum(JOURNAL_FIELDS)
    })
  ).min(1, "A file has one column at least.").max(20),
  accounts: z23.record(z23.string().max(20), z23.string().trim().max(40)),
  dayOrder: z23.enum(["ymd", "mdy", "dmy"]),
  decimalMark: z23.enum([".", ","])
});
var makeJournalFile = defineCommand({
  name: "makeJournalFile",
  schema: z23.object({
    layout: z23.string().trim().min(1, "The layout needs a name.").max(60),
    spec: layoutSchema,
    from: isoDay,
    to: isoDay,
    again: z23.boolean().default(false)
  }),
  run(ctx, input) {
    if (input.to < input.from) return fail("journal.span");
    const fields = new Set(input.spec.columns.map(({ field }) => field));
    if (!fields.has("account") || !(fields.has("amount") || fields.has("debit") && fields.has("credit")))
      return fail("journal.columns");
    saveJournalLayout(ctx.db, input.layout, input.spec);
    const actId = ctx.act(
      "export",
      { kind: "book", id: 0 },
      `journal file \u201C${input.layout}\u201D made, ${input.from} to ${input.to}${input.again ? ", with what was sent before" : ""}`
    );
    const made = insertJournalFile(
      ctx.db,
      { layout: input.layout, spec: input.spec, fromDay: input.from, toDay: input.to, actId },
      input.again
    );
    return made.entries === 0 ? fail("journal.nothing", { from: input.from, to: input.to }) : ok({ actId, fileId: made.id, entries: made.entries, again: made.sentAgain });
  }
});
var unmakeJournalFile = (ctx, act) => {
  const file = journalFileOfAct(ctx.db, act.id);
  if (file) setJournalFileUndone(ctx.db, file.id);
  return ok(null);
};

// src/server/books/commands/revalue.ts
import { z as z24 } from "zod";
var revalue = defineCommand({
  name: "revalue",
  schema: z24.object({ asOf: isoDay }),
  run(ctx, { asOf }) {
    if (revaluations(ctx.db).some((revaluation) => revaluation.asOf === asOf))
      return fail("revalue.done", { day: asOf });
    const open = foreignAsOf(ctx.db, asOf);
    const actId = ctx.act(
      "revalue",
      { kind: "book", id: 0 },
      `other currencies brought to the rates of ${asOf}`
    );
    let total = add(0);
    let entries = 0;
    for (const currency of new Set(open.map((entry) => entry.currency))) {
      const stale = ctx.staleRate(currency, asOf);
      if (stale) return { ok: false, error: stale };
      const made = revalueOne(ctx, {
        asOf,
        currency,
        open: open.filter((entry) => entry.currency === currency),
        actId
      });
      if (made === null) continue;
      total = add(total, made);
      entries += 1;
    }
    return entries === 0 ? fail("revalue.nothing", { day: asOf }) : ok({ actId, sum: total });
  }
});
function revalueOne(ctx, { asOf, currency, open, actId }) {
  const rate = rateOn(ctx.db, currency, asOf);
  const ratio = ratioOf(rate?.rate ?? "");
  if (!rate || !ratio.ok) return null;
  const documents = open.map(({ role, of, kind, id: id2, amount: amount2, book }) => ({
    account: of === null ? { role } : { role, of },
    item: { kind, id: id2 },
    amount: amount2,
    book
  }));
  const head = (id2) => ({
    postedOn: asOf,
    document: { kind: "revaluation", id: id2, text: `${currency} at ${rate.rate} on ${asOf}` }
  });
  const draft = postRevalued(head(0), {
    documents,
    currency,
    book: ctx.settings.currency,
    rate: ratio.value
  });
  if (draft === null) return null;
  const sum = add(
    ...draft.lines.filter(({ account }) => account.role === "exchange").map((line) => line.sum.book)
  );
  const id = insertRevaluation(ctx.db, { asOf, currency, rate: rate.rate, sum, actId });
  const entry = { ...draft, ...head(id) };
  ctx.post(entry, actId);
  ctx.post({ ...postReversal(entry, addDays(asOf, 1)), event: "exchange" }, actId);
  return sum;
}
var unrevalue = (ctx, act) => {
  undoRevaluations(ctx.db, act.id);
  return ok(null);
};

// src/server/books/reversals.ts
var entriesOnly = () => ok(null);
var REVERSALS = {
  place: unapplyReceipt,
  set_aside: takeBackFromAside,
  tie: untiePayout,
  elsewhere: reopenLine,
  bank_receipt: unfindReceipt,
  hand_receipt: unrecordReceipt,
  deposit: unmakeDeposit,
  deposit_banked: untieDeposit,
  bounce: unbounceReceipt,
  dispute_lost: unloseDispute,
  ask: withdrawRequest,
  accrue: unaccrueFees,
  fee_bill: unbillFees,
  refund: unrefundAtBank,
  retry: unretryDebit,
  mend: unmendAccount,
  answer: unanswerDispute,
  rule: unmakeRule,
  tray: undropLine,
  export: unmakeJournalFile,
  revalue: unrevalue,
  late_fee: unchargeLateFee,
  write_off: unWriteOff,
  set_off: unsetOff,
  contact: entriesOnly,
  forget: entriesOnly,
  allowance: entriesOnly,
  import: null,
  decide: null,
  lock: null,
  letter: null,
  leave_out: null,
  settings: null,
  undo: null,
  account: null,
  rates: null,
  run: null,
  draft: null,
  approve: null,
  schedule: null,
  release: null,
  paying: null,
  question: null,
  customer: unchangeCustomer,
  customer_new: null,
  merge: unmergeCustomers,
  attachment: removeAttachment
};
function isUndoable(kind) {
  return REVERSALS[kind] !== null;
}

// src/server/books/steps/restsOnFile.ts
function restingCommand(db, commandId) {
  const acts = actsOfCommand(db, commandId).filter(
    ({ undoneBy, kind }) => undoneBy === null && !WITHOUT_WEIGHT.has(kind)
  );
  return { commandId, acts, fileId: acts.find(({ kind }) => kind === "import")?.subjectId ?? null };
}
function restingOn(db, commandId) {
  const found = /* @__PURE__ */ new Map();
  const look = (from) => {
    for (const later of commandsAfter(db, from)) {
      if (found.has(later)) continue;
      const resting = restingCommand(db, later);
      if (resting.acts.length === 0) continue;
      found.set(later, resting);
      if (resting.fileId !== null) look(later);
    }
  };
  look(commandId);
  return [...found.values()].sort((a, b) => b.commandId - a.commandId);
}

// src/server/books/steps/reverse.ts
function draftOf(ctx, entry) {
  const lines = linesOfEntry(ctx.db, entry.id).map((line) => ({
    account: line.of === null ? { role: line.role } : { role: line.role, of: line.of },
    sum: { amount: line.amount, currency: line.currency, book: line.bookAmount },
    item: line.itemKind === null || line.itemId === null ? null : { kind: line.itemKind, id: line.itemId }
  }));
  return {
    document: { kind: entry.documentKind, id: entry.documentId, text: entry.document },
    partyId: entry.customerId,
    lines
  };
}
function reverseEntry(ctx, entry, actId) {
  ctx.post(postReversal(draftOf(ctx, entry), entry.postedOn), actId, entry.id);
}
function postAgain(ctx, entry, actId) {
  const { event, postedOn } = entry;
  ctx.post({ ...draftOf(ctx, entry), event, postedOn }, actId, null, { asItWas: true });
}

// src/server/books/commands/undo.ts
import { z as z25 } from "zod";
var undo = defineCommand({
  name: "undo",
  schema: z25.object({ actId: z25.number().int() }),
  run(ctx, input) {
    const act = actById(ctx.db, input.actId);
    if (!act) return fail("act.unknown");
    return act.undoneBy === null ? undoAct(ctx, act) : fail("act.undone");
  }
});
function undoAct(ctx, act, words = `undone: ${act.text}`) {
  const reversal = REVERSALS[act.kind];
  const subject = { kind: act.subjectKind, id: act.subjectId, customerId: act.customerId };
  const by = ctx.act("undo", subject, words);
  if (reversal === null) return fail("act.not_undoable", { kind: `\u201C${act.text}\u201D` });
  const back = reversal(ctx, act, by);
  if (!back.ok) return back;
  reverseEntries(ctx, act.id, by);
  markUndone(ctx.db, act.id, by);
  return ok({ actId: by });
}
function reverseEntries(ctx, actId, by) {
  const standing = entriesOfAct(ctx.db, actId).filter(
    ({ reversedBy, reverses }) => reversedBy === null && reverses === null
  );
  for (const entry of standing) reverseEntry(ctx, entry, by);
}

// src/server/books/commands/undoFile.ts
var undoFile = defineCommand({
  name: "undoFile",
  schema: z26.object({ fileId: z26.number().int(), rest: z26.boolean().default(false) }),
  run(ctx, { fileId, rest }) {
    const standing = standingFile(ctx.db, fileId);
    if (!standing.ok) return standing;
    const { file, commandId } = standing.value;
    const resting = restingOn(ctx.db, commandId);
    const [last2] = resting;
    if (last2 && !rest)
      return fail("file.rests", { count: thingsIn(resting), words: last2.acts[0]?.text ?? "" });
    for (const command of resting) {
      const done = undoCommand(ctx, command);
      if (!done.ok) return done;
    }
    takeBackFile(ctx, file, commandId);
    if (namesWhatIsGone(ctx.db)) return fail("file.named");
    const broken2 = proofs(ctx.db).proofs.find(({ holds }) => !holds);
    return broken2 ? fail("file.tangled", { proof: proofInWords(broken2.name).what }) : ok({ undone: thingsIn(resting) + 1 });
  }
});
function standingFile(db, fileId) {
  const file = importFileById(db, fileId);
  if (!file) return fail("file.unknown");
  if (file.undoneBy !== null) return fail("file.undone", { name: file.name });
  const commandId = commandOfFile(db, fileId);
  return commandId === void 0 || !isSealed(db, commandId) ? fail("file.before", { name: file.name }) : ok({ file, commandId });
}
var thingsIn = (resting) => resting.reduce((sum, { acts, fileId }) => sum + (fileId === null ? acts.length : 1), 0);
function undoCommand(ctx, { commandId, acts, fileId }) {
  if (fileId !== null) {
    const standing = standingFile(ctx.db, fileId);
    if (!standing.ok) return standing;
    takeBackFile(ctx, standing.value.file, commandId);
    return ok(null);
  }
  for (const act of acts.toReversed()) {
    if (actById(ctx.db, act.id)?.undoneBy !== null) continue;
    if (!isUndoable(act.kind)) return fail("file.blocked", { words: act.text });
    const done = undoAct(ctx, act);
    if (!done.ok) return done;
  }
  return ok(null);
}
function takeBackFile(ctx, { id, name }, commandId) {
  const by = ctx.act("undo", { kind: "import_file", id }, `undone: took in ${name}`);
  putBackRows(ctx.db, commandId);
  for (const act of actsOfCommand(ctx.db, commandId)) takeBack2(ctx, act, by);
  markFileUndone(ctx.db, id, by);
}
function takeBack2(ctx, act, by) {
  if (act.undoneBy !== null) return;
  for (const entry of entriesOfAct(ctx.db, act.id)) {
    const mirrored2 = entry.reverses === null ? void 0 : entryById(ctx.db, entry.reverses);
    if (mirrored2) postAgain(ctx, mirrored2, by);
    else if (entry.reversedBy === null) reverseEntry(ctx, entry, by);
  }
  markUndone(ctx.db, act.id, by);
}

// src/server/arrivals/imports/again.ts
var MOST3 = 5e3;
function takenBackFirst(db, { again, backFirst }) {
  const file = again === null || !backFirst ? void 0 : importFileById(db, again);
  return file?.undoneBy === null ? before(undoFile, { fileId: file.id, rest: false }) : null;
}
function readAgain({ db }, { again, backFirst, mapping }) {
  if (again === null) return ok(null);
  const file = importFileById(db, again);
  if (!file) return fail("file.unknown");
  return file.kind === mapping.kind || backFirst ? ok(null) : fail("again.file");
}
function fillTray(ctx, fileId, { refused }, again) {
  for (const { line, column, reason, waits } of refused.slice(0, MOST3))
    if (waits) layInTray(ctx.db, { fileId, line, column, why: reason });
  if (again === null) return;
  dropAgain(ctx.db, fileId, again);
  emptyTrayOf(ctx.db, again);
}

// src/server/arrivals/imports/told/sameQuestion.ts
function sameQuestion({ twins, lines, called, by, where }) {
  const [one, several] = called;
  const of = lines === 1 ? `${one} stands` : `${several} stand`;
  return {
    key: "same",
    words: `${twins} of ${lines} ${of} in the book already ${by} (${where}). Are they the same?`,
    choices: [
      { answer: "same", result: `yes: ${known8(twins, lines)}` },
      { answer: "new", result: lines === 1 ? "no: it is new" : `no: all ${lines} are new` }
    ]
  };
}
function known8(twins, lines) {
  if (lines === 1) return "it is known, and stays as it stands";
  const others = lines - twins === 1 ? "the other is" : "the others are";
  const these = twins === 1 ? "this one is known and stays as it stands" : `these ${twins} are known and stay as they stand`;
  return twins === lines ? `all ${lines} are known, and stay as they stand` : `${these}, and ${others} new`;
}

// src/server/arrivals/imports/told/advicesOtherwise.ts
var DAYS_APART2 = 4;
function standingOf2(ctx, advice) {
  const { paidOn, sum, trace } = advice;
  const span = [addDays(paidOn, -DAYS_APART2), addDays(paidOn, DAYS_APART2)];
  const near = remittancesNear(ctx.db, span, sum);
  const ofDay = near.filter((other) => other.paidOn === paidOn);
  if (trace !== "" && ofDay.some((other) => other.trace === trace)) return "known";
  if (ofDay.some((other) => isSameNumber(trace, other.trace) && tellsTheSame(advice, other)))
    return "known";
  return near.some((other) => tellsTheSame(advice, other)) ? "perhaps" : "new";
}
var isSameNumber = (mine, theirs) => mine === "" || theirs === "" || bareNumber(mine) !== "" && bareNumber(mine) === bareNumber(theirs);
function tellsTheSame({ payerName, lines }, other) {
  const isOtherPayer = payerName !== "" && other.payerName !== "" && !mayBeOneName(payerName, other.payerName);
  const named2 = lines.map(({ number }) => bareNumber(number)).sort();
  const same2 = other.numbers.map(bareNumber).sort();
  return !isOtherPayer && !named2.includes("") && same2.join("\n") === named2.join("\n");
}
function doubledAdvices(ctx, rows, answers) {
  if (answers.same !== void 0) return [];
  const advices = advicesOf(rows);
  const twins = advices.filter((advice) => standingOf2(ctx, advice) === "perhaps");
  const [first2] = twins;
  if (!first2) return [];
  const sum = ctx.sum(first2.sum, first2.currency);
  return [
    sameQuestion({
      twins: twins.length,
      lines: advices.length,
      called: ["payment", "payments"],
      by: "by its sum and its invoices, under another number or on a day near",
      where: `${formatDay(first2.paidOn, ctx.today)}, ${sum}`
    })
  ];
}

// src/server/arrivals/steps/customerFinder.ts
var customerKey = (said2) => `customer:${plainWords(said2)}`;
function customerFinder(ctx, answers = {}) {
  let known9;
  const named2 = (name) => (known9 ??= byName(ctx)).get(plainWords(name)) ?? void 0;
  return (said2) => {
    const answer = answers[customerKey(said2)];
    if (answer === NOBODY2) return void 0;
    return (answer === void 0 ? void 0 : customerByExternalId(ctx.db, answer)) ?? customerByExternalId(ctx.db, said2) ?? named2(said2) ?? parted(said2).filter(({ name, number }) => named2(name)?.externalId === number).map(({ name }) => named2(name))[0];
  };
}
function parted(said2) {
  const words = said2.trim().split(/\s+/);
  const bare = (text) => text.replace(/^[-–:|([]|[-–:|)\]]$/g, "");
  const [first2 = "", last2 = ""] = [words[0], words.at(-1)];
  return [
    { number: bare(first2), name: words.slice(1).join(" ") },
    { number: bare(last2), name: words.slice(0, -1).join(" ") }
  ];
}
var NOBODY2 = "none";
function byName(ctx) {
  const found = /* @__PURE__ */ new Map();
  for (const customer of allCustomers(ctx.db)) {
    const names = [
      customer.name,
      ...customer.aliases ?? [],
      ...(customer.email ?? "").split(",")
    ];
    for (const name of new Set(names.map(plainWords)))
      if (name !== "") found.set(name, found.has(name) ? null : customer);
  }
  return found;
}

// src/server/arrivals/imports/told/customersOtherwise.ts
var MARKS2 = [
  ({ name }) => plainWords(name),
  // The words that carry it, in whatever order: without `LLC` and `The`.
  ({ name }) => nameWords(name).sort().join(" "),
  ({ email }) => (email ?? "").trim().toLowerCase()
];
function customersOfOtherNumbers(ctx, rows) {
  const own = new Set(rows.map(({ externalId }) => externalId));
  const others = allCustomers(ctx.db).filter(({ externalId }) => !own.has(externalId));
  const named2 = /* @__PURE__ */ new Map();
  for (const other of others)
    for (const alias of other.aliases ?? []) listOf2(named2, alias).push(other);
  const finds = MARKS2.map((mark) => finder(mark, others, rows));
  const [known9, open] = [/* @__PURE__ */ new Map(), /* @__PURE__ */ new Map()];
  for (const row of rows) {
    const { externalId } = row;
    if (customerByExternalId(ctx.db, externalId)) continue;
    const before2 = (named2.get(externalId) ?? []).find((other) => isCalledAs(other, row));
    if (before2) known9.set(externalId, before2.externalId);
    const twin = before2 ? void 0 : finds.map((find) => find(row)).find(isSaid);
    if (twin !== void 0) open.set(externalId, twin);
  }
  return { known: known9, open };
}
var isSaid = (found) => found !== void 0;
var isCalledAs = (other, row) => MARKS2.some((mark) => mark(row) !== "" && mark(row) === mark(other));
function finder(mark, others, rows) {
  const [there, here] = [counted(others.map(mark)), counted(rows.map(mark))];
  const numbers = new Map(others.map((other) => [mark(other), other.externalId]));
  return (row) => {
    const said2 = mark(row);
    const isOne = said2 !== "" && there.get(said2) === 1 && here.get(said2) === 1;
    return isOne ? numbers.get(said2) : void 0;
  };
}
function counted(words) {
  const counts2 = /* @__PURE__ */ new Map();
  for (const word of words) counts2.set(word, (counts2.get(word) ?? 0) + 1);
  return counts2;
}

// src/core/taxNumbers/index.ts
import { stdnum } from "stdnum";
var VAT_NAMES = [
  "vat",
  "tva",
  "uid",
  "dic",
  "cvr",
  "kmkr",
  "cif",
  "alv",
  "oib",
  "anum",
  "iva",
  "pvm",
  "pvn",
  "btw",
  "nip",
  "nif",
  "cui",
  "ddv",
  "dph"
];
var NAMED3 = {
  ES: ["nif", "cif", "dni", "nie"],
  CZ: ["dic"],
  PT: ["nif", "nipc"],
  RO: ["cif", "cui"]
};
var EUROPEAN = "AT BE BG CY CZ DE DK EE EL ES FI FR HR HU IE IT LT LU LV MT NL PL PT RO SE SI SK".split(" ");
var checksOf = (country, names) => {
  const known9 = stdnum[country];
  return names.flatMap((name) => known9?.[name] ?? []);
};
function taxNumberOf(text, country) {
  const compact = text.toUpperCase().replaceAll(/[\s.-]/gu, "");
  const kind = kindOf3(compact, country);
  if (kind === null) return ok(null);
  if (!HOLDS[kind](compact))
    return fail("tax_number.wrong", { field: "tax_number", text: text.trim().slice(0, 40) });
  const written = kind === "EIN" ? `${compact.slice(0, 2)}-${compact.slice(2)}` : compact;
  return ok({ kind, text: written });
}
function kindOf3(compact, country) {
  if ([...EUROPEAN, "GB"].includes(compact.slice(0, 2))) return "VAT";
  if (country === "IN" || /^\d{2}[A-Z]{5}\d{4}[A-Z]/u.test(compact)) return "GSTIN";
  return country === "US" && /^\d+$/u.test(compact) ? "EIN" : null;
}
var HOLDS = {
  VAT: (compact) => {
    const of = compact.startsWith("EL") ? "GR" : compact.slice(0, 2);
    const texts = [compact.slice(2), compact];
    return checksOf(of, NAMED3[of] ?? VAT_NAMES).some(
      (check) => texts.some((text) => check.validate(text).isValid)
    );
  },
  GSTIN: (compact) => checksOf("IN", ["gstin"]).some((check) => check.validate(compact).isValid),
  EIN: (compact) => checksOf("US", ["ein"]).some((check) => check.validate(compact).isValid)
};

// src/server/customers/queries/alike.ts
var MOST_SHOWN = 4;
function alikeByName(db, names) {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const receipts = names.map((payerName) => ({ payerName, payerEmail: "" }));
  const payers = payersFor({ customers: [...customers.values()], history: [] }, receipts);
  return new Map(
    receipts.flatMap(({ payerName }) => {
      const found = (payers.get(`${payerName}
`) ?? []).slice(0, MOST_SHOWN).flatMap(({ customerId }) => customers.get(customerId) ?? []);
      return found.length === 0 ? [] : [[payerName, found]];
    })
  );
}

// src/server/arrivals/imports/unknownCustomers.ts
var LONGEST6 = 200;
var MOST4 = 12;
function unknownCustomers(ctx, said2, answers) {
  const find = customerFinder(ctx);
  const counts2 = /* @__PURE__ */ new Map();
  for (const text of said2) {
    const key = customerKey(text);
    const isName = text.length >= 3 && text.length <= LONGEST6;
    if (!isName || answers[key] !== void 0 || find(text)) continue;
    counts2.set(key, { text, lines: (counts2.get(key)?.lines ?? 0) + 1 });
  }
  const found = alikeByName(
    ctx.db,
    [...counts2.values()].map(({ text }) => text)
  );
  return [...counts2].flatMap(([key, { text, lines }]) => {
    const meant = found.get(text);
    return meant ? [whoIsMeant(key, { text, lines, meant })] : [];
  }).slice(0, MOST4);
}
var whoIsMeant = (key, { text, lines, meant }) => ({
  key,
  words: `No customer is called \u201C${text}\u201D (${lines} ${lines === 1 ? "line" : "lines"}). Who is meant?`,
  choices: [
    ...meant.map(({ externalId, name }) => ({
      answer: externalId,
      result: `${name}, ${externalId}`
    })),
    { answer: NOBODY2, result: "none of these: the lines are refused" }
  ]
});
function unknownParents(ctx, rows, answers) {
  const own = parentsInFile(rows);
  const said2 = rows.flatMap(
    ({ parentId }) => parentId === null || own(parentId) ? [] : [parentId]
  );
  return unknownCustomers(ctx, said2, answers);
}
function parentsInFile(rows) {
  const ids = new Set(rows.map(({ externalId }) => externalId));
  const named2 = /* @__PURE__ */ new Map();
  for (const { name, externalId } of rows) {
    const plain = plainWords(name);
    named2.set(plain, named2.has(plain) ? void 0 : externalId);
  }
  return (said2) => ids.has(said2) ? said2 : named2.get(plainWords(said2));
}

// src/server/arrivals/imports/customers.ts
function importCustomers(ctx, records, { fileId, tally, answers }) {
  const rows = withoutTwins(
    records,
    (row) => row.externalId,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally
  );
  const inFile = parentsInFile(rows);
  const find = customerFinder(ctx, answers);
  const { known: known9, open } = customersOfOtherNumbers(ctx, rows);
  const others = new Map([...known9, ...answers.same === "same" ? open : []]);
  const taken = [];
  for (const row of rows) {
    const parentId = row.parentId === null ? null : parentOf(row.parentId, inFile, find);
    if (parentId === void 0) {
      tally.refuseLine(row.line, "parentId", { code: "customer.parent", id: row.parentId });
      continue;
    }
    taken.push({ ...row, parentId });
    const other = customerByExternalId(ctx.db, others.get(row.externalId) ?? "");
    if (other) {
      insertAlias(ctx.db, other.id, row.externalId);
      tally.know(row.line);
    } else takeIn(ctx, row, { fileId, tally });
  }
  setParents(ctx, taken, tally);
}
function takeIn(ctx, row, { fileId, tally }) {
  const known9 = customerByExternalId(ctx.db, row.externalId);
  if (!known9) {
    insertNew(ctx, row, fileId);
    const what = row.parentId === null ? "customers" : "customers that are sites of another";
    tally.take(row.line, what, null);
  } else if (known9.externalId !== row.externalId) {
    tally.know(row.line);
  } else if (isOther2(row, known9, aliasesOf(ctx.db, known9.id))) {
    renewCustomer(ctx.db, known9.id, row);
    for (const alias of row.aliases) insertAlias(ctx.db, known9.id, alias);
    tally.updated(row.line);
    tally.also("customers brought up to date", null);
  } else tally.know(row.line);
}
var parentOf = (said2, inFile, find) => inFile(said2) ?? find(said2)?.externalId;
function insertNew(ctx, row, fileId) {
  const { externalId, name, email, phone, line } = row;
  const id = insertCustomer(ctx.db, {
    externalId,
    name,
    email,
    phone,
    parentId: null,
    fileId,
    lineNo: line
  });
  for (const alias of row.aliases) insertAlias(ctx.db, id, alias);
}
var isOther2 = (row, known9, aliases) => known9.name !== row.name || row.email !== null && known9.email !== row.email || row.phone !== null && known9.phone !== row.phone || row.aliases.some((alias) => !aliases.includes(alias));
function setParents(ctx, taken, tally) {
  for (const row of taken.filter(({ parentId }) => parentId !== null)) {
    const child = customerByExternalId(ctx.db, row.externalId);
    const parent = customerByExternalId(ctx.db, row.parentId ?? "");
    if (!child || !parent || child.id === parent.id || child.parentId === parent.id) continue;
    if (isAboveOf(ctx.db, child.id, parent.id))
      tally.refuseLine(row.line, "parentId", {
        code: "customer.circle",
        id: row.externalId,
        parent: row.parentId
      });
    else setParent(ctx.db, child.id, parent.id);
  }
}

// src/db/itemsToldOtherwise.ts
var itemsBetween = (db, accountId, kind, [from, to]) => db.all(
  `SELECT i.external_id AS externalId, i.occurred_on AS "on", i.amount, r.payer_name AS payerName,
       i.file_id AS fileId,
       i.amount + CASE WHEN i.kind = 'charge' THEN (
         SELECT coalesce(sum(f.amount), 0) FROM processor_item f
         WHERE f.receipt_id = i.receipt_id AND f.kind = 'fee' AND f.withdrawn = 0
       ) ELSE 0 END AS net
     FROM processor_item i LEFT JOIN receipt r ON r.id = i.receipt_id
     WHERE i.processor_account_id = ? AND i.occurred_on BETWEEN ? AND ? AND i.file_id IS NOT NULL
       AND i.kind = ? AND i.withdrawn = 0 ORDER BY i.id`,
  accountId,
  from,
  to,
  kind
);
var payoutsBetween = (db, accountId, [from, to]) => db.all(
  `SELECT external_id AS externalId, paid_on AS "on", coalesce(stated_net, net) AS amount,
       coalesce(stated_net, net) AS net, NULL AS payerName,
       file_id AS fileId
     FROM payout WHERE processor_account_id = ? AND paid_on BETWEEN ? AND ? ORDER BY id`,
  accountId,
  from,
  to
);

// src/server/arrivals/imports/told/heldAgainst.ts
var MOST_TRIED3 = 50;
var HeldAgainst2 = class {
  constructor(items, apart3) {
    this.apart = apart3;
    for (const item of items) {
      this.ids.add(item.externalId);
      const words = wordsOfName(item.payerName).join(" ");
      keep(this.byDay, item, [item.amount, words]);
      if (apart3.isOther(item)) keep(this.others, item, [item.amount, words]);
      if (item.net !== item.amount) keep(this.byNet, item, [item.net, words]);
    }
  }
  apart;
  byDay = /* @__PURE__ */ new Map();
  /** Those of another sort of export, which may tell of a day otherwise. */
  others = /* @__PURE__ */ new Map();
  /** The same by what their fees leave of them. */
  byNet = /* @__PURE__ */ new Map();
  beside = /* @__PURE__ */ new Map();
  ids = /* @__PURE__ */ new Set();
  known = /* @__PURE__ */ new Set();
  like = [];
  used = /* @__PURE__ */ new Set();
  /** Lines of these days, or like one of a day beside, that the book does not know by their ids. */
  open = 0;
  found = null;
  hold(row) {
    const { id, on, amount: amount2 } = row;
    if (this.ids.has(id)) {
      this.known.add(id);
      return;
    }
    const isNear2 = (row.payerName !== "" || !this.apart.named) && this.daysBeside(on).some((day) => has(this.others, day, amount2));
    if (isNear2 || this.byDay.has(on)) this.open += 1;
    if (isNear2 || has(this.byDay, on, amount2) || this.isAtNet(row)) this.like.push(row);
  }
  /** Whether the book has some of the lines already. */
  isOld() {
    return this.known.size > 0 || this.twins().length > 0;
  }
  /** The lines that the book has under another id; none where it knows some by the processor's own. */
  twins() {
    return this.found ??= this.likely();
  }
  likely() {
    if ([...this.known].some((id) => !isMade(id))) return [];
    const twins = this.pairs();
    return this.known.size > 0 || twins.length * 2 >= this.open ? twins : [];
  }
  /** Two zones give two days for one moment: what is of the same day goes before what is of the next. */
  pairs() {
    const ofTheDay = this.like.map((row) => ({ row, own: this.ofDay(row) }));
    return ofTheDay.flatMap(({ row, own }) => {
      const item = own ?? this.takenBeside(row) ?? this.atNet(row);
      return item === void 0 ? [] : [{ row, item }];
    });
  }
  ofDay(row) {
    return this.taken(this.byDay.get(row.on)?.get(row.amount), row.payerName);
  }
  /** The same of a day beside. */
  takenBeside({ on, amount: amount2, payerName }) {
    const { named: named2 } = this.apart;
    if (named2 && payerName === "") return void 0;
    for (const day of this.daysBeside(on)) {
      const item = this.taken(this.others.get(day)?.get(amount2), payerName, { named: named2 });
      if (item !== void 0) return item;
    }
    return void 0;
  }
  isAtNet({ on, amount: amount2, net }) {
    return has(this.byNet, on, amount2) || net !== amount2 && has(this.byDay, on, net);
  }
  /** One export may give what customers paid, another what the fees left of it. */
  atNet({ on, amount: amount2, net, payerName }) {
    const less = this.taken(this.byNet.get(on)?.get(amount2), payerName);
    if (less !== void 0 || net === amount2) return less;
    return this.taken(this.byDay.get(on)?.get(net), payerName);
  }
  /** Of the days before and after one, those of which the book has items, the nearest first. */
  daysBeside(on) {
    return entryOf(
      this.beside,
      on,
      () => Array.from({ length: this.apart.days }, (_, at) => [
        addDays(on, -at - 1),
        addDays(on, at + 1)
      ]).flat().filter((day) => this.others.has(day))
    );
  }
  /** The first item that can be a line, which is then that of no other. */
  taken(names = /* @__PURE__ */ new Map(), payerName, { named: named2 = false } = {}) {
    const words = wordsOfName(payerName);
    const exact = this.free(names.get(words.join(" ")));
    if (exact !== void 0) return exact;
    for (const [name, items] of [...names].slice(0, MOST_TRIED3))
      if (!(named2 && name === "") && shareWords(wordsOfName(name), words)) {
        const item = this.free(items);
        if (item !== void 0) return item;
      }
    return void 0;
  }
  free(items = []) {
    let item = items.shift();
    while (item !== void 0 && (this.known.has(item.externalId) || this.used.has(item.externalId)))
      item = items.shift();
    if (item !== void 0) this.used.add(item.externalId);
    return item;
  }
};
function keep(days3, item, [sum, words]) {
  const sums2 = entryOf(days3, item.on, () => /* @__PURE__ */ new Map());
  const names = entryOf(sums2, sum, () => /* @__PURE__ */ new Map());
  listOf2(names, words).push(item);
}
var has = (days3, day, sum) => days3.get(day)?.has(sum) === true;
var isMade = (id) => /^[a-z_]+\|\d{4}-\d\d-\d\d\|/.test(id);

// src/server/arrivals/imports/told/toldOtherwise.ts
var kindOf4 = (row) => row.kind === "payout" ? "payout" : ROW_KINDS[row.kind].item;
var dayOf2 = (row) => row.kind === "payout" ? row.paidOn : row.occurredOn;
var keyOf2 = (kind, id) => `${kind}\0${id}`;
function toldOtherwise(ctx, account, { records, writing: writing2 }) {
  const written = new WrittenAs(ctx.db, writing2);
  const byKind = booksOf(ctx, account, records, written);
  const fees = feesBeside(records);
  for (const row of records) {
    const kind = kindOf4(row);
    if (kind !== null) byKind.get(kind)?.hold(toldBy(row, fees));
  }
  const items = /* @__PURE__ */ new Map();
  const found = [];
  const charges = byKind.get("charge");
  for (const [kind, book] of byKind) {
    if (kind === "fee" && charges && !charges.isOld()) continue;
    for (const twin of book.twins()) {
      items.set(keyOf2(kind, twin.row.id), twin.item);
      found.push(twin);
    }
  }
  found.sort((a, b) => a.row.line - b.row.line);
  return {
    items,
    lines: new Set(found.map(({ row }) => row.line)),
    first: found[0]?.row ?? null,
    isAtNet: found.some(({ row, item }) => row.amount !== item.amount),
    isNear: found.some(({ row, item }) => row.on !== item.on)
  };
}
function feesBeside(records) {
  const lines = /* @__PURE__ */ new Map();
  const fees = /* @__PURE__ */ new Map();
  for (const row of records) {
    if (row.kind === "charge") lines.set(row.externalId, row.line);
    else if (row.kind === "fee" && row.relatedId !== null && lines.get(row.relatedId) === row.line)
      fees.set(row.relatedId, add(fees.get(row.relatedId) ?? minor(0), row.amount));
  }
  return fees;
}
function toldBy(row, fees) {
  const { line, externalId: id } = row;
  const on = dayOf2(row);
  if (row.kind === "payout") return { line, id, on, amount: row.net, net: row.net, payerName: "" };
  const { amount: amount2, payerName } = row;
  const fee = row.kind === "charge" ? fees.get(id) : void 0;
  return { line, id, on, amount: amount2, net: add(amount2, fee ?? minor(0)), payerName };
}
function underKnownIds(records, { items }) {
  const atNet = /* @__PURE__ */ new Map();
  return records.flatMap((row) => {
    const item = items.get(keyOf2(kindOf4(row) ?? "charge", row.externalId));
    const externalId = item?.externalId ?? row.externalId;
    if (row.kind === "payout") return [{ ...row, externalId }];
    const isOfNet = row.relatedId !== null && atNet.get(row.relatedId) === row.line;
    if (row.kind === "fee" && isOfNet) return [];
    const amount2 = row.kind === "charge" && item ? item.amount : row.amount;
    if (amount2 !== row.amount) atNet.set(row.externalId, row.line);
    const payoutId = otherId(items, "payout", row.payoutId);
    const relatedId = otherId(items, "charge", row.relatedId);
    return [{ ...row, externalId, amount: amount2, payoutId, relatedId }];
  });
}
var otherId = (items, kind, id) => id === null ? null : items.get(keyOf2(kind, id))?.externalId ?? id;
function booksOf({ db }, { id }, records, written) {
  const spans = /* @__PURE__ */ new Map();
  for (const row of records) {
    const kind = kindOf4(row);
    if (kind === null) continue;
    const on = dayOf2(row);
    const span = spans.get(kind);
    if (!span) spans.set(kind, [on, on]);
    else if (on < span[0]) span[0] = on;
    else if (on > span[1]) span[1] = on;
  }
  return new Map(
    [...spans].map(([kind, span]) => [kind, heldAgainst(db, id, { kind, span, written })])
  );
}
function heldAgainst(db, accountId, { kind, span, written }) {
  const isOther4 = ({ fileId }) => !written.isOf(fileId);
  return kind === "payout" ? new HeldAgainst2(payoutsBetween(db, accountId, wider(span, DAYS_TO_ARRIVE)), {
    days: DAYS_TO_ARRIVE,
    named: false,
    isOther: isOther4
  }) : new HeldAgainst2(itemsBetween(db, accountId, kind, wider(span, 1)), {
    days: 1,
    named: true,
    isOther: isOther4
  });
}
var DAYS_TO_ARRIVE = 5;
var wider = ([from, to], days3) => [
  addDays(from, -days3),
  addDays(to, days3)
];

// src/server/arrivals/imports/told/doubles.ts
var LOOKED_AT = 500;
function doubledLines(ctx, account, rows, { answers, writing: writing2 }) {
  const asked = otherAccount(
    rows.map(({ externalId }) => externalId),
    (id) => idInOtherBankAccount(ctx.db, account.id, id),
    answers
  );
  if (asked) return [asked];
  if (answers.same !== void 0) return [];
  const found = linesToldOtherwise(ctx, account, rows, new WrittenAs(ctx.db, writing2));
  const { fresh, twins } = found;
  const first2 = fresh.find(({ externalId }) => twins.has(externalId));
  if (!first2) return [];
  const sum = ctx.sum(first2.amount, first2.currency);
  const where = `${formatDay(first2.postedOn, ctx.today)}, ${sum}`;
  return [sameQuestion({ twins: twins.size, lines: fresh.length, where, ...told(saidBy(found)) })];
}
function saidBy({ isNear: isNear2, isTogether }) {
  const day = isNear2 ? BY_NEAR_DAY : BY_DAY;
  return isTogether ? `${day}, some as the sum of several` : day;
}
var BY_DAY = "by day and sum";
var BY_NEAR_DAY = "by sum, on their day or a few days from it";
var told = (by) => ({
  called: ["line", "lines"],
  by: `${by}, from a file that knows them otherwise`
});
function doubledActivity(ctx, account, records, { answers, writing: writing2 }) {
  const ids = records.filter((record) => record.kind !== "payout").map(({ externalId }) => externalId);
  const asked = otherAccount(
    ids,
    (id) => idInOtherProcessorAccount(ctx.db, account.id, id),
    answers
  );
  if (asked) return [asked];
  if (answers.same !== void 0) return [];
  const { lines, first: first2, isAtNet, isNear: isNear2 } = toldOtherwise(ctx, account, {
    records,
    writing: writing2
  });
  if (first2 === null) return [];
  const day = isNear2 ? BY_NEAR_DAY : BY_DAY;
  const by = isAtNet ? `${day}, some at what a fee leaves of them` : day;
  const all = new Set(records.map(({ line }) => line)).size;
  const where = `${formatDay(first2.on, ctx.today)}, ${ctx.sum(first2.amount, account.currency)}`;
  return [sameQuestion({ twins: lines.size, lines: all, where, ...told(by) })];
}
function otherAccount(ids, nameOf, answers) {
  if (answers.other_account !== void 0) return null;
  const looked = ids.slice(0, LOOKED_AT);
  const names = looked.flatMap((id) => nameOf(id) ?? []);
  const [first2] = names;
  if (first2 === void 0 || names.length * 2 < looked.length) return null;
  return {
    key: "other_account",
    words: `${names.length} of the first ${looked.length} lines stand in \u201C${first2}\u201D already. Do they belong to this account too?`,
    choices: [
      { answer: "take", result: "yes: they are lines of their own that only look the same" }
    ]
  };
}

// src/db/payments.ts
var PAYMENT = `SELECT id, key, customer_id AS customerId, method_id AS methodId, processor_account_id AS processorAccountId,
  currency, amount, surcharge, by, consent_id AS consentId, plan_part_id AS planPartId, asked_on AS askedOn, asked_at AS askedAt, state, charge_id AS chargeId, code,
  settles_on AS settlesOn, receipt_id AS receiptId FROM payment`;
var paymentByKey = (db, key) => db.get(`${PAYMENT} WHERE key = ?`, key);
var paymentByCharge = (db, accountId, chargeId2) => db.get(
  `${PAYMENT} WHERE processor_account_id = ? AND charge_id = ?`,
  accountId,
  chargeId2
);
var chargesOnTheirWay = (db, accountId) => db.ids(
  "SELECT charge_id AS id FROM payment WHERE processor_account_id = ? AND state = 'on_way' AND charge_id IS NOT NULL",
  accountId
);
var paymentOfReceipt = (db, receiptId) => db.get(`${PAYMENT} WHERE receipt_id = ?`, receiptId);
var hasPaidBy = (db, methodId) => db.get("SELECT 1 FROM payment WHERE method_id = ? AND state = 'paid' LIMIT 1", methodId) !== void 0;
var paymentsAsked = (db) => db.all(`${PAYMENT} WHERE state = 'asked' ORDER BY id`);
var partsOfPayment = (db, paymentId) => db.all(
  "SELECT open_item_id AS itemId, amount, saving FROM payment_item WHERE payment_id = ? ORDER BY open_item_id",
  paymentId
);
var beingPaid = (db, itemId) => db.get(
  `SELECT coalesce(sum(i.amount), 0) AS sum FROM payment_item i JOIN payment p ON p.id = i.payment_id
     WHERE i.open_item_id = ? AND p.state IN ('asked', 'on_way')`,
  itemId
)?.sum ?? 0;
function insertPayment(db, payment, parts) {
  const { id } = db.run(
    `INSERT INTO payment (key, customer_id, method_id, processor_account_id, currency, amount, surcharge, by, consent_id, plan_part_id, asked_on, asked_at, state)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, 'asked')`,
    payment.key,
    payment.customerId,
    payment.methodId,
    payment.processorAccountId,
    payment.currency,
    payment.amount,
    payment.surcharge,
    payment.by,
    payment.consentId,
    payment.planPartId,
    payment.askedOn,
    payment.askedAt
  );
  for (const { itemId, amount: amount2, saving } of parts)
    db.run(
      "INSERT INTO payment_item (payment_id, open_item_id, amount, saving) VALUES (?, ?, ?, ?)",
      id,
      itemId,
      amount2,
      saving
    );
  return id;
}
function answerPayment(db, id, answered) {
  db.run(
    "UPDATE payment SET state = ?, charge_id = ?, code = ?, settles_on = ?, receipt_id = ? WHERE id = ?",
    answered.state,
    answered.chargeId,
    answered.code,
    answered.settlesOn,
    answered.receiptId,
    id
  );
}
var triesOf = (db, itemId) => db.all(
  `SELECT p.id, p.state, p.code, p.asked_on AS askedOn, p.settles_on AS settlesOn, p.receipt_id AS receiptId FROM payment_item i JOIN payment p ON p.id = i.payment_id
     WHERE i.open_item_id = ? AND p.by = 'agreed' AND p.plan_part_id IS NULL ORDER BY p.id`,
  itemId
);
var triesOfPart = (db, planPartId) => db.all(`${PAYMENT} WHERE plan_part_id = ? ORDER BY id`, planPartId);

// src/server/arrivals/steps/withdraw.ts
var ALONE2 = /* @__PURE__ */ new Set([
  "charge",
  "fee",
  "dispute_fee",
  "return_fee",
  "reserve",
  "adjustment"
]);
function withdraw(ctx, item, actId) {
  if (!mayGo(ctx, item)) return false;
  for (const entry of entriesOfDocument(ctx.db, "processor_item", item.id))
    if (entry.reversedBy === null && entry.reverses === null) reverseEntry(ctx, entry, actId);
  withdrawReported(ctx.db, item.id);
  if (item.kind === "charge" && item.receiptId !== null)
    deleteUntouchedReceipt(ctx.db, item.receiptId);
  return true;
}
function mayGo({ db }, item) {
  if (!ALONE2.has(item.kind) || item.origin !== "file") return false;
  if (item.payoutId !== null && payoutById(db, item.payoutId)?.state === "tied") return false;
  if (item.kind !== "charge" || item.receiptId === null) return true;
  const receipt = receiptById(db, item.receiptId);
  return receipt?.state === "to_match" && receipt.unidentified === receipt.amount && paymentOfReceipt(db, receipt.id) === void 0 && !hasItemsBesideFees(db, receipt.id);
}

// src/server/arrivals/imports/ended.ts
function takeEnded(ctx, account, ended, { actId, tally }) {
  for (const { line, id, kind } of ended) {
    if (kind === "payout") {
      endPayout(ctx, account, { line, id }, tally);
      continue;
    }
    const items = itemsOf2(ctx, account, id, kind);
    const [first2] = items;
    if (!first2) continue;
    const was = ctx.sum(first2.amount, first2.currency);
    if (!withdraw(ctx, first2, actId)) {
      tally.change(line, "status", { code: "activity.end_rests", was });
      continue;
    }
    tally.replace(line, "status", { code: "activity.ended", was });
    for (const fee of items.slice(1)) withdraw(ctx, fee, actId);
    if (first2.payoutId !== null) refreshNet(ctx.db, first2.payoutId);
    tally.also("reversed, as they were declined, voided or failed", first2.amount, first2.currency);
  }
}
function itemsOf2({ db }, account, id, kind) {
  if (kind === "ignore" || kind === "started") return [];
  const known9 = (of) => {
    const found = processorItemByExternalId(db, account.id, of, id);
    return found ? [found] : [];
  };
  const { item } = ROW_KINDS[kind];
  const [first2] = known9(item);
  if (!first2) return [];
  return [first2, ...item === "charge" ? known9("fee") : []];
}
function endPayout(ctx, account, { line, id }, tally) {
  const payout = payoutByExternalId(ctx.db, account.id, id);
  if (!payout) return;
  const was = ctx.sum(payout.statedNet ?? payout.net, payout.currency);
  const isGone2 = payout.state === "open" && releasePayout(ctx.db, payout.id);
  if (!isGone2) return tally.change(line, "status", { code: "activity.end_rests", was });
  tally.replace(line, "status", { code: "payout.ended", was });
  tally.also("payouts that failed: their items wait for the next", payout.net, payout.currency);
}

// src/server/arrivals/imports/invoices.ts
function importInvoices(ctx, records, file) {
  const { tally } = file;
  const rows = withoutTwins(
    records,
    (row) => row.number,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally
  );
  const customerOf2 = customerFinder(ctx, file.answers);
  for (const row of rows) {
    const customer = customerOf2(row.customerId);
    if (!customer) {
      tally.refuseLine(row.line, "customerId", { code: "customer.unknown", id: row.customerId });
      continue;
    }
    const known9 = openItemByNumber(ctx.db, row.number);
    if (known9) {
      if (sameDocument(known9, row) && known9.customerId === customer.id) tally.know(row.line);
      else
        tally.change(row.line, "number", {
          code: known9.dueOn === row.dueOn ? "invoice.changed" : "invoice.due_changed",
          was: ctx.sum(known9.total, known9.currency),
          due: known9.dueOn,
          open: ctx.sum(known9.balance, known9.currency)
        });
      continue;
    }
    takeIn2(ctx, row, customer.id, file);
  }
}
var sameDocument = (known9, row) => known9.total === row.total && known9.dueOn === row.dueOn && [known9.opened, known9.balance, known9.total].includes(row.balance);
function takeIn2(ctx, row, customerId, file) {
  const { cutOverOn } = ctx.settings;
  const { tally } = file;
  const opening = row.issuedOn <= cutOverOn;
  if (opening && row.balance === 0) return tally.know(row.line);
  const openedOn = opening ? cutOverOn : row.issuedOn;
  const stale = ctx.staleRate(row.currency, openedOn);
  if (stale) return tally.refuseLine(row.line, "currency", stale);
  const item = insertItem(ctx, row, {
    customerId,
    openedOn,
    opened: opening ? row.balance : row.total,
    fileId: file.fileId
  });
  if (opening) {
    postAsOpening(ctx, item, file.actId);
    return tally.take(row.line, "come over as opening balances", item.opened, row.currency);
  }
  postAsNew(ctx, item, file.actId);
  tally.take(
    row.line,
    item.kind === "invoice" ? "invoices taken in as new" : "credit notes taken in as new",
    row.total,
    row.currency
  );
  if (row.balance !== row.total)
    tally.also(
      "of these that were paid in part: what was paid comes as a receipt of its own",
      add(row.total, -row.balance),
      row.currency
    );
}
function insertItem(ctx, row, opening) {
  const kind = row.total < 0 ? "credit_note" : "invoice";
  const { number, issuedOn, dueOn, currency, total, tax, poNumber, terms, description } = row;
  const id = insertOpenItem(ctx.db, {
    ...opening,
    kind,
    number,
    issuedOn,
    dueOn,
    currency,
    total,
    tax,
    balance: opening.opened,
    poNumber,
    terms,
    description,
    lineNo: row.line
  });
  return { ...row, ...opening, id, kind };
}
var headOf2 = ({ id, kind, number, openedOn, customerId }) => ({
  on: openedOn,
  partyId: customerId,
  document: {
    kind: "open_item",
    id,
    text: `${kind === "invoice" ? "invoice" : "credit note"} ${number}`
  }
});
function postAsOpening(ctx, item, actId) {
  ctx.post(
    postOpening({
      ...headOf2(item),
      account: { role: "receivables" },
      sum: inBook(item.opened, item.currency),
      item: { kind: "open_item", id: item.id }
    }),
    actId
  );
}
function postAsNew(ctx, item, actId) {
  const sign = item.kind === "invoice" ? 1 : -1;
  const [total, tax] = [minor(sign * item.total), minor(sign * item.tax)];
  const parts = {
    ...headOf2(item),
    itemId: item.id,
    income: [{ sum: inBook(add(total, -tax), item.currency) }],
    taxes: [{ sum: inBook(tax, item.currency) }]
  };
  ctx.post(item.kind === "invoice" ? postInvoice(parts) : postCreditNote(parts), actId);
}

// src/server/arrivals/imports/told/continuedDay.ts
function withContinuedDays({ db }, account, rows) {
  const days3 = rows.map(({ postedOn }) => postedOn).sort();
  const cut = new Set([days3[0], days3.at(-1)].filter((day) => day !== void 0));
  const found = /* @__PURE__ */ new Map();
  for (const day of cut) {
    const own = rows.filter(({ postedOn }) => postedOn === day);
    const there = bankLinesBetween(db, account.id, [day, day]).map(
      ({ balanceAfter: balance, ...line }) => ({ ...line, balance })
    );
    continueDay(own, balancedOf(there), found);
  }
  return found.size === 0 ? rows : rows.map((row) => found.get(row) ?? row);
}
function continueDay(rows, there, found) {
  const here = balancedOf(rows);
  if (here.length === 0 || there.length === 0) return;
  const [free, counts2] = [/* @__PURE__ */ new Map(), /* @__PURE__ */ new Map()];
  for (const line of there) {
    listOf2(free, keyOf3(line)).push(line.id);
    counts2.set(line.said, (counts2.get(line.said) ?? 0) + 1);
  }
  const ids = here.map((line) => listOf2(free, keyOf3(line)).shift());
  const fresh = here.filter((_, at) => ids[at] === void 0);
  if (fresh.length === 0 || !isContinued(here, there, fresh)) return;
  rows.forEach((row, at) => {
    const id = ids[at];
    if (id !== void 0) {
      found.set(row, { ...row, externalId: id });
      return;
    }
    const said2 = here[at]?.said ?? "";
    const nth = (counts2.get(said2) ?? 0) + 1;
    counts2.set(said2, nth);
    found.set(row, { ...row, externalId: `${said2}${nth}`, formerId: null, continues: true });
  });
}
var keyOf3 = ({ said: said2, balance }) => `${said2}${balance}`;
function isContinued(here, there, fresh) {
  const [begin, ...others] = beginsOf(here);
  const chains = beginsOf(there);
  if (begin === void 0 || others.length > 0 || chains.includes(begin)) return false;
  return beginsOf([...there, ...fresh]).length <= chains.length;
}
function beginsOf(lines) {
  const begins = lines.map(({ amount: amount2, balance }) => balance - amount2);
  for (const { balance } of lines) {
    const at = begins.indexOf(balance);
    if (at >= 0) begins.splice(at, 1);
  }
  return begins;
}
function balancedOf(lines) {
  const found = lines.flatMap(
    ({ externalId, postedOn, amount: amount2, balance }) => balance === null || !externalId.startsWith(`${postedOn}|`) ? [] : [{ id: externalId, said: saidIn2(externalId), amount: amount2, balance }]
  );
  return found.length === lines.length ? found : [];
}
var saidIn2 = (externalId) => externalId.slice(0, externalId.lastIndexOf("|") + 1);

// src/server/arrivals/imports/told/numberedOtherwise.ts
function invoicesOfOtherNumbers(ctx, rows, answers) {
  const own = new Set(rows.map(({ number }) => number));
  const items = openItemNumbers(ctx.db);
  const numbers = new Set(items.map(({ number }) => number));
  const byDigits = groupedBy(
    items,
    ({ number }) => own.has(number) ? null : bareNumber(number) || null
  );
  const find = customerFinder(ctx, answers);
  return new Map(
    rows.flatMap(({ number, customerId, issuedOn, total }) => {
      if (numbers.has(number)) return [];
      const twin = (byDigits.get(bareNumber(number)) ?? []).filter((item) => item.total === total && isNear(item.issuedOn, issuedOn)).find((item) => item.customerId === find(customerId)?.id);
      return twin ? [[number, twin.number]] : [];
    })
  );
}
var DAYS_APART3 = 4;
var isNear = (a, b) => Math.abs(daysBetween(a, b)) <= DAYS_APART3;
var underKnownNumbers = (rows, renumbered) => rows.map((row) => ({ ...row, number: renumbered.get(row.number) ?? row.number }));
function numberQuestion2(what, renumbered, lines, answers) {
  const [first2] = renumbered;
  if (!first2 || answers.same !== void 0) return [];
  const [said2, ours] = first2;
  const by = what === "invoice" ? "of the same customer, day (or near it) and total, under another writing of their number" : "by name or e-mail, under another number";
  const where = `${said2} here, ${ours} there`;
  return [sameQuestion({ twins: renumbered.size, lines, called: [what, `${what}s`], by, where })];
}

// src/server/overdue/steps/besideLadder.ts
var NO_RUNG = 0;
var reachOf2 = ({ db }, customer) => addressed({ persons: personsOf(db, customer.id), customer }, (address) => backFrom(db, address));
function mailBeside(ctx, mail) {
  const { customerId, to, copies, subject, body, what, receiptId, actId } = mail;
  const { currency } = ctx.settings;
  const name = `${ctx.today}-${what}-${actId}`;
  insertLetter(
    ctx.db,
    {
      customerId,
      step: NO_RUNG,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject,
      body,
      currency,
      sum: ZERO,
      messageId: `<${name}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name}.eml`,
      attach: "none",
      fee: ZERO,
      feeCurrency: currency,
      ...receiptId === void 0 ? {} : { receiptId },
      actId
    },
    // It brings no invoice and asks for none: on an invoice's page it is not among what was sent.
    []
  );
}

// src/server/paying/steps/mailReceipt.ts
function mailReceipt(ctx, payment, receiptId) {
  const { db, settings } = ctx;
  const { customerId } = payment;
  const customer = customerById(db, customerId);
  if (!settings.mailReceipts || !customer) return;
  const { to, copies, greeting } = reachOf2(ctx, customer);
  if (to === null) return;
  const numbers = partsOfPayment(db, payment.id).flatMap(
    ({ itemId }) => openItemById(db, itemId)?.number ?? []
  );
  const sum = ctx.sum(payment.amount, payment.currency);
  const words = fill(receiptLetter(followedRow(db, customerId).language), {
    customer: greeting,
    business: settings.name,
    sum,
    numbers: numbers.join(", ")
  });
  if (!words.ok) throw new Error("the words of a receipt that ship can be filled in");
  const subject = { kind: "customer", id: customerId, customerId };
  const actId = ctx.act("letter", subject, `receipt for ${sum} mailed`);
  mailBeside(ctx, { customerId, to, copies, ...words.value, what: "receipt", receiptId, actId });
}

// src/server/paying/steps/placePayment.ts
function placePayment(ctx, payment, receiptId) {
  const receipt = receiptById(ctx.db, receiptId);
  if (!receipt) return;
  const parts = partsOfPayment(ctx.db, payment.id);
  const isOpen = parts.every(
    ({ itemId, amount: amount2 }) => (openItemById(ctx.db, itemId)?.balance ?? 0) >= amount2
  );
  const { chargeId: chargeId2 } = payment;
  answerPayment(ctx.db, payment.id, {
    state: "paid",
    chargeId: chargeId2,
    code: null,
    settlesOn: null,
    receiptId
  });
  if (!isOpen) return;
  const lines = parts.map((part) => ({
    itemId: part.itemId,
    amount: minor(part.amount - part.saving),
    discount: part.saving,
    smallDifference: minor(0)
  }));
  const placed = ctx.part(() => {
    const checked = checkTally(ctx, receipt, {
      lines,
      customerId: payment.customerId,
      available: receipt.unidentified,
      surcharge: payment.surcharge
    });
    if (!checked.ok) return checked;
    return applyTally(ctx, { receipt, lines, checked: checked.value, from: "unidentified" });
  });
  if (placed.ok) mailReceipt(ctx, payment, receiptId);
}
function placeCharge(ctx, accountId, chargeId2, receiptId) {
  const payment = paymentByCharge(ctx.db, accountId, chargeId2);
  if (payment?.state === "on_way") placePayment(ctx, payment, receiptId);
}
function notePaymentReturned(ctx, accountId, chargeId2, code) {
  const payment = paymentByCharge(ctx.db, accountId, chargeId2);
  if (!payment || payment.state === "returned") return;
  const { settlesOn, receiptId } = payment;
  answerPayment(ctx.db, payment.id, { state: "returned", chargeId: chargeId2, code, settlesOn, receiptId });
}

// src/server/arrivals/steps/markDispute.ts
function markDispute(ctx, item, receipt, kind) {
  setDisputeState(ctx.db, item.id, kind === "dispute" ? "opened" : "won");
  if (!receipt) return;
  if (kind === "dispute_won") {
    for (const id of openDisputesOf(ctx.db, receipt.id)) setDisputeState(ctx.db, id, "won");
  }
  setDisputed(ctx.db, receipt.id, kind === "dispute" ? 1 : 0);
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    kind === "dispute" ? `dispute ${item.externalId} opened: ${ctx.sum(-item.amount, item.currency)} withdrawn, the invoice stays paid and marked` : `dispute won: ${ctx.sum(item.amount, item.currency)} given back`
  );
}

// src/server/arrivals/steps/activity.ts
function postCharge(ctx, { account, item, payer, actId }) {
  const receiptId = insertReceipt(ctx.db, {
    source: "processor",
    method: payer.method,
    payerName: payer.payerName,
    payerEmail: payer.payerEmail,
    reference: payer.reference,
    paidOn: item.occurredOn,
    settledOn: item.settledOn,
    currency: item.currency,
    amount: item.amount,
    fileId: item.fileId,
    lineNo: item.lineNo
  });
  const id = insertProcessorItem(ctx.db, item, receiptId);
  ctx.post(
    postReceiptSettled({
      on: item.settledOn,
      document: { kind: "processor_item", id, text: `charge ${item.externalId}` },
      processor: account.code,
      processorItemId: id,
      receiptId,
      gross: inBook(item.amount, item.currency)
    }),
    actId
  );
  return receiptId;
}
var receiptOf = (ctx, { receiptId }) => receiptId === null ? void 0 : receiptById(ctx.db, receiptId);
var customerOf = (ctx, { receiptId }) => receiptId === null ? null : customerOfReceipt(ctx.db, receiptId);
var costOf = ({ amount: amount2, currency }) => inBook(negate(amount2), currency);
function feeOf2({ ctx, item, at, actId }) {
  const { feeKind } = PROCESSOR_ITEM_KINDS[item.kind];
  if (feeKind !== null) ctx.post(postFee({ ...at, kind: feeKind, sum: costOf(item) }), actId);
}
var disputeOf = (kind) => ({ ctx, item, at, actId }) => {
  ctx.post(postDispute({ ...at, sum: costOf(item) }), actId);
  markDispute(ctx, item, receiptOf(ctx, item), kind);
};
function refundOf(posting) {
  const receipt = receiptOf(posting.ctx, posting.item);
  if (receipt) refund(posting, receipt);
  else park(posting, "refund of a charge that is not in the book");
}
function achReturnOf(posting) {
  const { ctx, item, at, actId } = posting;
  const receipt = receiptOf(ctx, item);
  if (!receipt) return park(posting, "return of a charge that is not in the book");
  const cost = costOf(item);
  const went = takeBack(ctx, receipt, cost.amount, actId);
  ctx.post(postAchReturn({ ...at, receiptId: receipt.id, went, sum: cost }), actId);
  const code = item.returnCode === null ? "" : ` (${item.returnCode})`;
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `ACH return ${item.externalId}${code}: ${ctx.sum(cost.amount, item.currency)} went back, what it had paid is open again`
  );
  chargeReturnFee(ctx, receipt, item.settledOn, actId);
}
function never() {
  throw new Error("charges are posted by postCharge, and what is on its way is not posted");
}
var POSTINGS = {
  charge: never,
  started: never,
  fee: feeOf2,
  dispute_fee: feeOf2,
  return_fee: feeOf2,
  adjustment: ({ ctx, item, at, actId }) => ctx.post(postAdjustment({ ...at, sum: inBook(item.amount, item.currency) }), actId),
  reserve: ({ ctx, item, at, actId }) => ctx.post(postReserve({ ...at, sum: costOf(item) }), actId),
  dispute: disputeOf("dispute"),
  dispute_won: disputeOf("dispute_won"),
  refund: refundOf,
  ach_return: achReturnOf
};
function postActivity(ctx, account, { item, kind, customerId }, actId) {
  const text = `${kind.replaceAll("_", " ")} ${item.externalId}`;
  const at = {
    on: item.settledOn,
    partyId: customerId,
    document: { kind: "processor_item", id: item.id, text },
    processor: account.code,
    processorItemId: item.id
  };
  POSTINGS[kind]({ ctx, item, at, actId });
}
function unpark(ctx, item, actId) {
  for (const entry of entriesOfDocument(ctx.db, "processor_item", item.id).filter(
    ({ event, reversedBy }) => event === "park" && reversedBy === null
  ))
    reverseEntry(ctx, entry, actId);
}
function joinReceipt(ctx, account, item, actId) {
  if (item.kind === "dispute")
    markDispute(ctx, item, receiptOf(ctx, item), item.amount < 0 ? "dispute" : "dispute_won");
  else if (item.kind === "refund" || item.kind === "ach_return")
    postActivity(ctx, account, { item, kind: item.kind, customerId: customerOf(ctx, item) }, actId);
}
function park({ ctx, at, item, actId }, reason) {
  setReason(ctx.db, item.id, reason);
  ctx.post(postParkedDifference({ ...at, sum: inBook(item.amount, item.currency) }), actId);
}
function refund({ ctx, at, item, actId }, receipt) {
  const sum = costOf(item).amount;
  let left = sum;
  const take = (available) => {
    const taken = minor(Math.min(left, Math.max(0, available)));
    left = add(left, -taken);
    return taken;
  };
  const unidentified = take(receipt.unidentified);
  const parked = take(receipt.parked);
  const income = take(receipt.income);
  const surcharge = sum === add(receipt.amount, -receipt.goneBack) ? receipt.surcharge : ZERO;
  left = add(left, -surcharge);
  const recovered = take(receipt.recovered);
  const parts = { unidentified, parked, income, surcharge, recovered, onAccount: left };
  advance(ctx, receipt, { ...parts, applied: ZERO });
  for (const [part, from] of REFUND_ORDER) {
    if (parts[part] === 0) continue;
    const back = inBook(parts[part], item.currency);
    ctx.post(postRefund({ ...at, receiptId: receipt.id, from, sum: back }), actId);
  }
  ctx.act(
    "import",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `refund ${item.externalId}: ${ctx.sum(sum, item.currency)} sent back`
  );
}
var REFUND_ORDER = [
  ["unidentified", "unidentified"],
  ["parked", "parked"],
  ["income", "other"],
  ["surcharge", "surcharges"],
  ["recovered", "recoveries"],
  ["onAccount", "credits"]
];

// src/server/arrivals/imports/chargeReceipts.ts
var ChargeReceipts = class {
  constructor(ctx, account) {
    this.ctx = ctx;
    this.account = account;
  }
  ctx;
  account;
  inFile = /* @__PURE__ */ new Map();
  note(chargeId2, receipt) {
    this.inFile.set(chargeId2, receipt);
  }
  of(chargeId2) {
    if (chargeId2 === null) return { receiptId: null, customerId: null };
    return this.inFile.get(chargeId2) ?? this.inBook(chargeId2);
  }
  inBook(chargeId2) {
    const { ctx, account } = this;
    const charge = processorItemByExternalId(ctx.db, account.id, "charge", chargeId2);
    const receiptId = charge?.receiptId ?? null;
    return { receiptId, customerId: customerOf(ctx, { receiptId }) };
  }
  /** A return that the bank's own return file told of before the processor did. */
  returnToldBefore({ kind, relatedId, amount: amount2 }) {
    if (kind !== "ach_return" || relatedId === null) return null;
    const { db } = this.ctx;
    const charge = processorItemByExternalId(db, this.account.id, "charge", relatedId);
    const known9 = charge ? returnOfCharge(db, charge, negate(amount2)) : void 0;
    return known9?.externalId.startsWith("return ") ? known9 : null;
  }
};

// src/server/arrivals/imports/changedItem.ts
function changeOf(ctx, { currency }, row, known9) {
  if (row.amount !== known9.amount)
    return {
      was: ctx.sum(known9.amount, currency),
      stays: "activity.changed",
      reposted: "activity.reposted",
      tallied: "reversed and posted anew with another sum"
    };
  return {
    was: formatDay(known9.occurredOn, ctx.today),
    stays: "activity.day_changed",
    reposted: "activity.day_reposted",
    tallied: "reversed and posted anew with another day"
  };
}
function handOver({ db }, before2, now) {
  if (!now) return;
  if (before2.payoutId !== null && now.payoutId === null)
    adoptItem(db, now.id, now.externalId, before2.payoutId);
  if (now.kind === "charge" && before2.receiptId !== null && now.receiptId !== null)
    moveFees(db, before2.receiptId, now.receiptId);
}

// src/server/arrivals/imports/inOrder.ts
function inOrder2(records, tally) {
  const rows = withoutTwins(
    records,
    (row) => `${row.kind}\0${row.externalId}`,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally
  );
  const refusedLines = new Set(tally.refused.map(({ line }) => line));
  const payouts = [];
  const byKind = new Map(ACTIVITY_ORDER.map((kind) => [kind, []]));
  for (const row of rows)
    if (row.kind === "payout") payouts.push(row);
    else if (!refusedLines.has(row.line)) byKind.get(row.kind)?.push(row);
  const activity = [...byKind.values()].flatMap(
    (ofKind2) => ofKind2.sort((a, b) => earlierFirst(a.settledOn, b.settledOn) || a.line - b.line)
  );
  return { activity, payouts };
}

// src/server/arrivals/imports/itemPayouts.ts
var ItemPayouts = class {
  constructor(ctx, account, fileId) {
    this.ctx = ctx;
    this.account = account;
    this.fileId = fileId;
  }
  ctx;
  account;
  fileId;
  known = /* @__PURE__ */ new Map();
  /**
   * The payout an item names; none where that is tied already, as what is proven does not change:
   * the item stays in clearing, in view.
   */
  of(row) {
    const externalId = row.payoutId ?? "";
    const cached = this.known.get(externalId);
    if (cached !== void 0) return cached;
    const known9 = payoutByExternalId(this.ctx.db, this.account.id, externalId);
    const open = known9?.state === "open" ? known9.id : null;
    const id = known9 ? open : this.newPayout(row, externalId);
    this.known.set(externalId, id);
    return id;
  }
  newPayout(row, externalId) {
    return insertPayout(this.ctx.db, {
      processorAccountId: this.account.id,
      externalId,
      paidOn: row.payoutOn ?? expectedPayoutDay(row.settledOn, this.account.delayDays),
      currency: row.currency,
      statedNet: null,
      spanFrom: null,
      spanTo: null,
      fileId: this.fileId,
      lineNo: row.line
    });
  }
};

// src/server/arrivals/imports/processorPayouts.ts
function takePayout(ctx, account, row, { fileId, tally, touched }) {
  const known9 = payoutByExternalId(ctx.db, account.id, row.externalId);
  if (known9 && known9.statedNet !== null)
    return takeAgain(ctx, { ...known9, statedNet: known9.statedNet }, row, tally);
  const to = { paidOn: row.paidOn, statedNet: row.net, spanFrom: row.spanFrom, spanTo: row.spanTo };
  if (known9) completePayout(ctx.db, known9.id, to);
  const id = known9?.id ?? insertPayout(ctx.db, {
    processorAccountId: account.id,
    externalId: row.externalId,
    currency: row.currency,
    fileId,
    lineNo: row.line,
    ...to
  });
  if (row.spanFrom !== null && row.spanTo !== null)
    claimSpan(ctx.db, { payoutId: id, accountId: account.id, from: row.spanFrom, to: row.spanTo });
  refreshNet(ctx.db, id);
  touched.add(id);
  const net = payoutById(ctx.db, id)?.net ?? 0;
  tally.take(
    row.line,
    net === row.net ? "payouts whose items foot" : "payouts whose items do not sum to what was paid",
    row.net,
    row.currency
  );
}
function takeAgain(ctx, known9, row, tally) {
  if (known9.statedNet === row.net) return tally.know(row.line);
  const isFree = known9.state === "open";
  if (isFree) completePayout(ctx.db, known9.id, { ...known9, statedNet: row.net });
  const was = ctx.sum(known9.statedNet, known9.currency);
  if (isFree) tally.replace(row.line, "net", { code: "line.restated", was });
  else tally.change(row.line, "net", { code: "activity.changed", was });
}

// src/server/arrivals/imports/startedDebits.ts
function takeStarted({ db }, account, row, { fileId, tally }) {
  const { externalId, currency, amount: amount2, payerName, payerEmail, reference } = row;
  if (startedByExternalId(db, account.id, externalId) || processorItemByExternalId(db, account.id, "charge", externalId)) {
    tally.know(row.line);
    return false;
  }
  insertStarted(db, {
    processorAccountId: account.id,
    externalId,
    startedOn: row.occurredOn,
    currency,
    amount: amount2,
    payerName,
    payerEmail,
    reference,
    customerId: customerOfPayer(db, payerName, payerEmail),
    fileId,
    lineNo: row.line
  });
  tally.take(row.line, ROW_KINDS.started.counted, amount2, currency);
  return true;
}
var StartedDebits = class {
  constructor(ctx, account, file) {
    this.ctx = ctx;
    this.account = account;
    this.file = file;
    this.onWay = startedCharges(ctx.db, account.id);
  }
  ctx;
  account;
  file;
  /** Read at once, as a file may have hundreds of thousands of charges. */
  onWay;
  take(row) {
    if (takeStarted(this.ctx, this.account, row, this.file)) this.onWay.add(row.externalId);
  }
  /** A started debit is no longer on its way when it settles, or comes back. */
  noteSettled({ kind, externalId, relatedId }) {
    if (kind === "charge") this.end(externalId, "settled");
    if (kind === "ach_return" && relatedId !== null) this.end(relatedId, "returned");
  }
  end(chargeId2, state) {
    if (this.onWay.delete(chargeId2)) endStarted(this.ctx.db, this.account.id, chargeId2, state);
  }
};

// src/server/arrivals/imports/together.ts
var Together = class _Together {
  constructor(named2) {
    this.named = named2;
  }
  named;
  rows = /* @__PURE__ */ new Map();
  /** Null in earnest, and where advice waits: it may be that of any receipt. */
  static inDryRun({ db, who }, activity, named2) {
    if (who.rehearse !== true || looseAdvice(db).length > 0) return null;
    return new _Together([namedIn(activity), ...named2]);
  }
  /** Whether it took the row, so that it need not be written by itself. */
  takes(row) {
    if (row.kind !== "charge" && row.kind !== "fee") return false;
    if (row.kind === "charge" && this.named.some((ids) => ids.has(row.externalId))) return false;
    const { kind, settledOn, currency, payoutId } = row;
    const key = `${kind} ${settledOn} ${currency} ${payoutId ?? "none"}`;
    const before2 = this.rows.get(key);
    if (before2 && Math.abs(before2.amount + row.amount) > LARGEST_TOTAL) return false;
    if (before2) before2.amount = add(before2.amount, row.amount);
    else this.rows.set(key, { ...row, externalId: `${key} together`, relatedId: null });
    return true;
  }
  /** What they come to: a row for each payout, day and kind. */
  sums() {
    return [...this.rows.values()].filter(({ amount: amount2 }) => amount2 !== 0);
  }
};
function namedIn(activity) {
  const named2 = /* @__PURE__ */ new Set();
  for (const { kind, externalId, relatedId } of activity) {
    if (kind === "started") named2.add(externalId);
    if (kind !== "fee" && relatedId !== null) named2.add(relatedId);
  }
  return named2;
}

// src/server/arrivals/imports/processor.ts
function importActivity(ctx, account, records, file) {
  const { tally } = file;
  const { activity, payouts } = inOrder2(records, tally);
  const taking = new ActivityImport(ctx, account, file, activity);
  ctx.db.gathering(ACTIVITY_TABLES, () => {
    for (const row of activity) taking.take(row);
    taking.end();
  });
  const touched = new Set(taking.touched);
  for (const row of payouts) takePayout(ctx, account, row, { ...file, touched });
  for (const id of touched) refreshNet(ctx.db, id);
  tieAllSingle(ctx, tally);
  joinRemittances(ctx, tally);
}
var ActivityImport = class {
  constructor(ctx, account, file, activity) {
    this.ctx = ctx;
    this.account = account;
    this.file = file;
    this.known = itemsKnown(
      ctx.db,
      account.id,
      activity.flatMap(
        ({ kind, externalId }) => kind === "started" ? [] : [[ROW_KINDS[kind].item, externalId]]
      )
    );
    this.shapes = new SameShape(ctx.db, file.fileId);
    this.orphans = orphanedCharges(ctx.db, account.id);
    this.paidHere = chargesOnTheirWay(ctx.db, account.id);
    this.started = new StartedDebits(ctx, account, file);
    this.together = Together.inDryRun(ctx, activity, [this.orphans, this.paidHere]);
    this.charges = new ChargeReceipts(ctx, account);
    this.payouts = new ItemPayouts(ctx, account, file.fileId);
  }
  ctx;
  account;
  file;
  /** Payouts whose items changed. */
  touched = /* @__PURE__ */ new Set();
  payouts;
  /** What the book has of the file already, read at once. */
  known;
  shapes;
  charges;
  /** Charges that something in the book is waiting for. */
  orphans;
  /** Charges of payments that were made here. */
  paidHere;
  started;
  together;
  take(row) {
    const { ctx } = this;
    const { tally } = this.file;
    if (!isSettled(row)) return this.started.take(row);
    this.started.noteSettled(row);
    const known9 = this.known.get(`${ROW_KINDS[row.kind].item} ${row.externalId}`);
    if (known9 && this.isAsBefore(row, known9)) return this.takeAgain(row, tally);
    if (known9) return this.takeChanged(row, known9);
    const twin = this.charges.returnToldBefore(row);
    if (twin !== null) return this.adopt(row, twin);
    const stale = ctx.staleRate(row.currency, row.settledOn);
    if (stale) return tally.refuseLine(row.line, "currency", stale);
    const payoutId = this.payoutOf(row);
    if (!this.together?.takes(row)) this.takeNew(row, payoutId);
    tally.take(row.line, ROW_KINDS[row.kind].counted, row.amount, row.currency);
  }
  /** Writes what was not written line by line. */
  end() {
    for (const row of this.together?.sums() ?? [])
      if (isSettled(row)) this.takeNew(row, this.payoutOf(row));
  }
  payoutOf(row) {
    return row.payoutId === null ? null : this.payouts.of(row);
  }
  isAsBefore({ amount: amount2, occurredOn }, known9) {
    const isSameDay = occurredOn === known9.occurredOn || !this.shapes.isOf(known9.fileId);
    return amount2 === known9.amount && isSameDay;
  }
  /** What is known already may name its payout by now. */
  takeAgain(row, tally) {
    const { db } = this.ctx;
    const kind = ROW_KINDS[row.kind].item;
    const item = processorItemByExternalId(db, this.account.id, kind, row.externalId);
    if (row.payoutId === null || !item || item.payoutId !== null) return tally.know(row.line);
    const payoutId = this.payouts.of(row);
    if (payoutId === null) return tally.know(row.line);
    adoptItem(db, item.id, row.externalId, payoutId);
    this.touched.add(payoutId);
    tally.updated(row.line);
    tally.also("items whose payout is known now", row.amount, row.currency);
  }
  /** Told with another sum or day: reversed and posted anew, unless something rests on what was posted. */
  takeChanged(row, known9) {
    const { ctx } = this;
    const { tally, actId } = this.file;
    const { was, stays, reposted, tallied } = changeOf(ctx, this.account, row, known9);
    const kind = ROW_KINDS[row.kind].item;
    const item = processorItemByExternalId(ctx.db, this.account.id, kind, row.externalId);
    if (!item || ctx.staleRate(row.currency, row.settledOn) || !withdraw(ctx, item, actId))
      return tally.change(row.line, "id", { code: stays, was });
    this.takeNew(row, this.payoutOf(row));
    handOver(ctx, item, processorItemByExternalId(ctx.db, this.account.id, kind, row.externalId));
    if (item.payoutId !== null) this.touched.add(item.payoutId);
    tally.replace(row.line, "id", { code: reposted, was });
    tally.also(tallied, row.amount, row.currency);
  }
  takeNew(row, payoutId) {
    const { ctx, account } = this;
    const { actId } = this.file;
    const item = this.itemOf(row, payoutId);
    if (row.kind === "charge") {
      const { method, payerName, payerEmail, reference } = row;
      const payer = { method, payerName, payerEmail, reference };
      const receiptId = postCharge(ctx, { account, item, payer, actId });
      if (this.paidHere.has(row.externalId))
        placeCharge(ctx, account.id, row.externalId, receiptId);
      const customerId = this.paidHere.has(row.externalId) ? customerOf(ctx, { receiptId }) : null;
      this.charges.note(row.externalId, { receiptId, customerId });
      if (this.orphans.has(row.externalId)) this.claimOrphans(row.externalId);
    } else {
      const charged = this.charges.of(row.relatedId);
      const customerId = row.kind === "fee" ? charged.customerId : customerOf(ctx, charged);
      item.receiptId = charged.receiptId;
      item.id = insertProcessorItem(ctx.db, item, item.receiptId);
      postActivity(ctx, account, { item, kind: row.kind, customerId }, actId);
      if (row.kind === "ach_return" && row.relatedId !== null)
        notePaymentReturned(ctx, account.id, row.relatedId, row.returnCode);
    }
    if (payoutId !== null) this.touched.add(payoutId);
  }
  /** A row as an item; its id and its receipt are those of the book once it is written. */
  itemOf(row, payoutId) {
    const { externalId, occurredOn, settledOn, currency, amount: amount2, relatedId, brand } = row;
    return {
      id: 0,
      processorAccountId: this.account.id,
      externalId,
      kind: ROW_KINDS[row.kind].item,
      occurredOn,
      settledOn,
      currency,
      amount: amount2,
      payoutId,
      receiptId: null,
      relatedId,
      origin: "file",
      reason: null,
      settledState: null,
      returnCode: row.returnCode,
      answerBy: row.answerBy,
      answeredOn: null,
      brand,
      abroad: row.abroad ? 1 : 0,
      fileId: this.file.fileId,
      lineNo: row.line
    };
  }
  /** It is posted once; the processor's file adds its own id and the payout that it is part of. */
  adopt(row, known9) {
    const payoutId = row.payoutId === null ? known9.payoutId : this.payouts.of(row);
    adoptItem(this.ctx.db, known9.id, row.externalId, payoutId);
    if (payoutId !== null) this.touched.add(payoutId);
    this.file.tally.know(row.line);
  }
  /**
   * What came before its charge, out of order, finds it now: what was parked meanwhile is posted as
   * what it is.
   */
  claimOrphans(externalId) {
    const { ctx, account } = this;
    const { actId, tally } = this.file;
    const charge = processorItemByExternalId(ctx.db, account.id, "charge", externalId);
    if (!charge || charge.receiptId === null) return;
    for (const orphan of orphansOf(ctx.db, account.id, externalId)) {
      setReceiptOfItem(ctx.db, orphan.id, charge.receiptId);
      const found = { ...orphan, receiptId: charge.receiptId, reason: null };
      if (orphan.reason !== null) unpark(ctx, orphan, actId);
      if (orphan.reason !== null || orphan.kind === "dispute")
        joinReceipt(ctx, account, found, actId);
      tally.also("items that came before their charge", orphan.amount, orphan.currency);
    }
  }
};
var isSettled = (row) => row.kind !== "started";

// src/server/arrivals/imports/remittance.ts
function importRemittance(ctx, records, { fileId, tally, same: same2 }) {
  for (const advice of advicesOf(records)) {
    const standing = standingOf2(ctx, advice);
    if (standing === "known" || standing === "perhaps" && same2) {
      for (const { line } of advice.lines) tally.know(line);
      continue;
    }
    if (advice.sum <= 0) {
      for (const { line } of advice.lines)
        tally.refuseLine(line, "amount", { code: "remittance.sum" });
      continue;
    }
    insertRemittance(
      ctx.db,
      {
        trace: advice.trace,
        paidOn: advice.paidOn,
        currency: advice.currency,
        sum: minor(advice.sum),
        payerName: advice.payerName,
        fileId
      },
      advice.lines.map(({ number, amount: amount2, discount }, at) => ({
        lineNo: at + 1,
        number,
        amount: amount2,
        discount
      }))
    );
    for (const { line, amount: amount2 } of advice.lines)
      tally.take(line, "invoices named in remittance advice", amount2);
  }
  joinRemittances(ctx, tally);
}

// src/server/arrivals/imports/returns.ts
function importReturns(ctx, records, file) {
  const rows = withoutTwins(
    records,
    (row) => `${row.kind} ${row.trace}`,
    (row) => JSON.stringify({ ...row, line: 0 }),
    file.tally
  );
  for (const row of rows) {
    if (row.kind === "change") takeNotice(ctx, row, file);
    else takeReturn(ctx, row, file);
  }
}
function takeReturn(ctx, row, { fileId, actId, tally }) {
  const charge = chargeByTrace(ctx.db, row.originalTrace);
  const account = processorAccounts(ctx.db).find(({ id: id2 }) => id2 === charge?.processorAccountId);
  if (!charge || !account)
    return tally.refuseLine(row.line, "originalTrace", {
      code: "return.trace",
      trace: row.originalTrace
    });
  const amount2 = row.amount ?? charge.amount;
  if (amount2 > charge.amount || amount2 <= 0)
    return tally.refuseLine(row.line, "amount", {
      code: "return.amount",
      sum: ctx.sum(amount2, charge.currency),
      debit: ctx.sum(charge.amount, charge.currency)
    });
  const known9 = returnOfCharge(ctx.db, charge, amount2);
  if (known9) {
    if (known9.returnCode !== null) return tally.know(row.line);
    setReturnCode(ctx.db, known9.id, row.code);
    tally.updated(row.line);
    return tally.also("returns that have their code now", null);
  }
  const item = {
    processorAccountId: account.id,
    externalId: `return ${row.trace}`,
    kind: "ach_return",
    occurredOn: row.on,
    settledOn: row.on,
    currency: charge.currency,
    amount: negate(amount2),
    payoutId: null,
    receiptId: charge.receiptId,
    relatedId: charge.externalId,
    origin: "file",
    reason: null,
    settledState: null,
    returnCode: row.code,
    answerBy: null,
    answeredOn: null,
    brand: null,
    abroad: 0,
    fileId,
    lineNo: row.line
  };
  const id = insertProcessorItem(ctx.db, item, item.receiptId);
  const customerId = customerOf(ctx, item);
  postActivity(ctx, account, { item: { ...item, id }, kind: "ach_return", customerId }, actId);
  tally.take(row.line, ROW_KINDS.ach_return.counted, minor(-amount2));
}
function takeNotice(ctx, row, { fileId, tally }) {
  if (noticeByExternalId(ctx.db, row.trace)) return tally.know(row.line);
  insertNotice(ctx.db, {
    externalId: row.trace,
    code: row.code,
    ...payerOfDebit(ctx, row),
    toldOn: row.on,
    mendBy: row.mendBy,
    correction: row.correction || "account",
    fileId,
    lineNo: row.line
  });
  tally.take(row.line, "accounts to be mended", null);
}
function payerOfDebit(ctx, row) {
  const receiptId = chargeByTrace(ctx.db, row.originalTrace)?.receiptId ?? null;
  const receipt = receiptId === null ? void 0 : receiptById(ctx.db, receiptId);
  const customerId = receipt?.customerId ?? null;
  const customer = customerId === null ? void 0 : customerById(ctx.db, customerId);
  const name = customer?.name ?? (row.name || receipt?.payerName || "payer not known");
  return { receiptId, customerId, name };
}

// src/server/arrivals/imports/otherwiseNamed.ts
var LONGEST7 = 200;
var MOST5 = 12;
function otherwiseNamed(ctx, rows, answers) {
  const pairs = /* @__PURE__ */ new Map();
  for (const { customerId: said2, customerName: name } of rows) {
    if (name === null || name.length > LONGEST7 || answers[customerKey(said2)] !== void 0)
      continue;
    const key = `${said2}
${name}`;
    pairs.set(key, { said: said2, name, lines: (pairs.get(key)?.lines ?? 0) + 1 });
  }
  const alike = alikeByName(
    ctx.db,
    [...pairs.values()].map(({ name }) => name)
  );
  const asked = /* @__PURE__ */ new Set();
  return [...pairs.values()].flatMap((pair) => {
    const own = customerByExternalId(ctx.db, pair.said);
    const meant = alike.get(pair.name) ?? [];
    if (!own || asked.has(pair.said) || isAlike(pair.name, own, meant)) return [];
    asked.add(pair.said);
    return [whoIsMeant2(pair, own, meant)];
  }).slice(0, MOST5);
}
function isAlike(name, own, meant) {
  if (meant.length > 0) return meant.some(({ id }) => id === own.id);
  const words = new Set(plainWords(own.name).split(" "));
  return plainWords(name).split(" ").some((word) => word.length >= LONG && words.has(word));
}
var LONG = 4;
var whoIsMeant2 = ({ said: said2, name, lines }, own, meant) => ({
  key: customerKey(said2),
  words: `The file calls ${said2} \u201C${name.slice(0, 60)}\u201D (${lines} ${lines === 1 ? "line" : "lines"}), and the customer with that number here is \u201C${own.name}\u201D. Who is meant?`,
  choices: [
    ...[own, ...meant].map((customer) => ({
      answer: customer.externalId,
      result: `${customer.name}, ${customer.externalId}`
    })),
    { answer: NOBODY2, result: "none of these: the lines are refused" }
  ]
});

// src/server/arrivals/imports/told/reusedIds.ts
var OTHERS4 = "others";
var MOST_DAYS = 7;
var NAMED4 = /* @__PURE__ */ new Set(["charge", "refund"]);
var isNamed = (row) => NAMED4.has(row.kind);
var ownIdOf = ({ externalId, occurredOn }) => `${externalId} of ${occurredOn}`;
function isOther3({ amount: amount2, occurredOn }, known9) {
  const apart3 = Math.abs(daysBetween(known9.occurredOn, occurredOn));
  return apart3 > MOST_DAYS || apart3 > 0 && amount2 !== known9.amount;
}
function reusedIds({ db }, { id }, records) {
  const rows = records.filter(isNamed);
  const known9 = itemsKnown(
    db,
    id,
    rows.map((row) => [itemOf(row), row.externalId])
  );
  const found = rows.flatMap((row) => {
    const item = known9.get(`${itemOf(row)} ${row.externalId}`);
    return item && isOther3(row, item) ? [{ row, known: item }] : [];
  });
  if (found.length === 0) return { open: [], taken: [] };
  const own = itemsKnown(
    db,
    id,
    found.map(({ row }) => [itemOf(row), ownIdOf(row)])
  );
  const isTaken = ({ row }) => own.has(`${itemOf(row)} ${ownIdOf(row)}`);
  return {
    open: found.filter((one) => !isTaken(one)),
    taken: found.filter(isTaken).map(({ row }) => row)
  };
}
var itemOf = ({ kind }) => kind === "started" ? "charge" : ROW_KINDS[kind].item;
function reusedQuestion(ctx, account, records) {
  const { open } = reusedIds(ctx, account, records);
  const [first2] = open;
  if (!first2) return [];
  const { row, known: known9 } = first2;
  const of = open.length === 1 ? "1 line has" : `${open.length} lines have`;
  const said2 = (sum, on) => `${ctx.sum(sum, account.currency)} on ${formatDay(on, ctx.today)}`;
  return [
    {
      key: "reused",
      words: `${of} the id of a payment of another day (line ${row.line}: \u201C${row.externalId.slice(0, 40)}\u201D is ${said2(row.amount, row.occurredOn)} here, and ${said2(known9.amount, known9.occurredOn)} in the book). Which are they?`,
      choices: [
        { answer: OTHERS4, result: "other payments: both stay, and their ids are not their own" },
        {
          answer: "changed",
          result: "the same payments, changed: what was posted is reversed, and this is posted"
        }
      ]
    }
  ];
}
function underOwnIds(ctx, account, { records, said: said2 }) {
  const { open, taken } = reusedIds(ctx, account, records);
  const others = [...taken, ...said2 === OTHERS4 ? open.map(({ row }) => row) : []];
  if (others.length === 0) return records;
  const byId = new Map(others.map((row) => [row.externalId, row]));
  return records.map((row) => row.kind === "payout" ? row : renamed(row, byId));
}
function renamed(row, byId) {
  const [own, related] = [byId.get(row.externalId), byId.get(row.relatedId ?? "")];
  const isOwn3 = own !== void 0 && own.line === row.line;
  if (!isOwn3 && !related) return row;
  return {
    ...row,
    externalId: isOwn3 ? ownIdOf(own) : row.externalId,
    relatedId: related ? ownIdOf(related) : row.relatedId
  };
}

// src/server/arrivals/imports/reading.ts
function readingOf(ctx, table, mapping, account) {
  return mapping.answers === void 0 && table.kind !== mapping.kind ? byMapping(ctx, table, mapping, account) : ok(byProof(table, mapping, contextOfReading(ctx, mapping.kind, account)));
}
function byMapping(ctx, table, mapping, account) {
  const open = openMark(ctx, table, mapping, account);
  if (open !== null) return fail("mark.open", { sample: open });
  return ok({
    table,
    mapping,
    refused: [],
    ended: mapping.kind === "processor" ? endedRows({ table, ...mapping, answers: {} }) : [],
    leftOut: [],
    proofs: [],
    questions: [],
    understood: []
  });
}
function contextOfReading(ctx, kind, account) {
  const { cutOverOn, timeZone, name } = ctx.settings;
  const own = bankAccounts(ctx.db).find(({ code }) => code === account);
  return {
    today: ctx.today,
    cutOverOn,
    currency: contextOf(ctx, kind, account).bookCurrency,
    timeZone,
    accountEnds: kind === "bank" ? own?.lastFour ?? null : null,
    ownName: name
  };
}
function byProof(table, mapping, context) {
  const { kind, columns, answers = {} } = mapping;
  const read2 = understand({ table, kind, columns, answers }, context);
  const leftOut = read2.leftOut.map(({ line, why }) => ({ line, why: LEFT_OUT_WORDS[why] }));
  const shown2 = [...understoodLines(kind, read2.table, context), ...firstOfEachReason(leftOut)];
  return {
    ...read2,
    leftOut,
    proofs: [...read2.proofs],
    understood: shown2.sort((a, b) => a.line - b.line).map((line) => ({ ...line, came: cameAs(table, line.line) })),
    questions: [...read2.questions]
  };
}
function firstOfEachReason(leftOut) {
  const reasons = [...new Set(leftOut.map(({ why }) => why))];
  return reasons.flatMap((why) => {
    const first2 = leftOut.find((entry) => entry.why === why);
    return first2 ? [{ line: first2.line, day: "", sum: "", what: `left out: ${why}`, who: "" }] : [];
  });
}
var cameAs = ({ rows }, line) => (rows.find((row) => row.line === line)?.cells ?? []).map((cell) => cell.trim()).filter((cell) => cell !== "").join(" \xB7 ").slice(0, 200);
function openMark(ctx, table, mapping, account) {
  if (mapping.markSaid === true) return null;
  const own = processorAccounts(ctx.db).find(({ code }) => code === account)?.currency;
  const currency = (mapping.kind === "processor" ? own : null) ?? ctx.settings.currency;
  return markOf(table, mapping, currency).sample;
}
function contextOf(ctx, kind, account) {
  const { currency, timeZone } = ctx.settings;
  const processor = kind === "processor" ? processorAccounts(ctx.db).find(({ code }) => code === account) : void 0;
  const others = FILE_KIND_TRAITS[kind].anyRate ? currenciesWithRates(ctx.db) : [];
  return { bookCurrency: processor?.currency ?? currency, timeZone, others };
}

// src/server/arrivals/imports/untaken.ts
function readFile(ctx, { table, mapping, account }, read2) {
  return readRows(table, mapping, contextOf(ctx, mapping.kind, account), read2);
}
var bankReader = () => {
  const seen = /* @__PURE__ */ new Map();
  return (row) => readBankLine(row, seen);
};
var activityReader = (mapping) => {
  const seen = /* @__PURE__ */ new Map();
  const link = ofSameLine();
  return (row) => {
    const records = readActivity(row, mapping, seen);
    if (records !== null) link(records);
    return records;
  };
};
var bankOf = (ctx, account) => bankAccounts(ctx.db).find(({ code }) => code === account);
var processorOf = (ctx, account) => processorAccounts(ctx.db).find(({ code }) => code === account);

// src/server/arrivals/imports/kinds.ts
var reading = ({ reader, asks, takes: takes2 }) => (ctx, { table, heads, ...from }) => {
  const writing2 = { format: table.format, columns: heads };
  const { rows, refused: found } = readFile(ctx, { ...from, table }, reader(from.mapping));
  const refused = found.map((one) => underItsHead(one, heads));
  return {
    asks: () => asks?.(ctx, rows, { ...from, writing: writing2 }) ?? [],
    takeIn(file) {
      file.tally.refuse(refused);
      takes2(ctx, rows, { ...from, writing: writing2, file });
    }
  };
};
var ROWS_OF = {
  customers: reading({
    reader: () => readCustomer,
    asks: (ctx, rows, { answers }) => [
      ...numberQuestion2("customer", customersOfOtherNumbers(ctx, rows).open, rows.length, answers),
      ...unknownParents(ctx, rows, answers)
    ],
    takes: (ctx, rows, { file, answers }) => importCustomers(ctx, rows, { ...file, answers })
  }),
  invoices: reading({
    reader: () => readInvoice,
    asks: (ctx, rows, { answers }) => [
      ...otherwiseNamed(ctx, rows, answers),
      ...unknownCustomers(
        ctx,
        rows.map(({ customerId }) => customerId),
        answers
      ),
      ...numberQuestion2(
        "invoice",
        invoicesOfOtherNumbers(ctx, rows, answers),
        rows.length,
        answers
      )
    ],
    takes(ctx, rows, { file, answers }) {
      const told2 = answers.same === "same" ? underKnownNumbers(rows, invoicesOfOtherNumbers(ctx, rows, answers)) : rows;
      importInvoices(ctx, told2, { ...file, answers });
    }
  }),
  processor: reading({
    reader: activityReader,
    asks(ctx, rows, { account, answers, writing: writing2 }) {
      const processor = processorOf(ctx, account);
      if (!processor) return [];
      const records = rows.flat();
      const doubled = doubledActivity(ctx, processor, records, { answers, writing: writing2 });
      return doubled.length > 0 || answers.reused !== void 0 ? doubled : reusedQuestion(ctx, processor, records);
    },
    takes(ctx, rows, { account, answers, ended, writing: writing2, file }) {
      const processor = processorOf(ctx, account);
      if (!processor) return;
      const told2 = underOwnIds(ctx, processor, { records: rows.flat(), said: answers.reused });
      const records = answers.same === "same" ? underKnownIds(told2, toldOtherwise(ctx, processor, { records: told2, writing: writing2 })) : told2;
      takeEnded(ctx, processor, ended, file);
      importActivity(ctx, processor, records, file);
    }
  }),
  bank: reading({
    reader: bankReader,
    asks(ctx, rows, { account, answers, writing: writing2 }) {
      const bank = bankOf(ctx, account);
      if (!bank) return [];
      return doubledLines(ctx, bank, withContinuedDays(ctx, bank, rows), { answers, writing: writing2 });
    },
    takes(ctx, rows, { account, answers, writing: writing2, file }) {
      const bank = bankOf(ctx, account);
      const as = answers.same === "same" ? writing2 : null;
      if (bank) importBank(ctx, bank, withContinuedDays(ctx, bank, rows), { ...file, toldAs: as });
    }
  }),
  remittance: reading({
    reader: () => readRemittance,
    asks: (ctx, rows, { answers }) => doubledAdvices(ctx, rows, answers),
    takes: (ctx, rows, { file, answers }) => importRemittance(ctx, rows, { ...file, same: answers.same === "same" })
  }),
  returns: reading({
    reader: () => readReturn,
    takes: (ctx, rows, { file }) => importReturns(ctx, rows, file)
  })
};
function underItsHead(refused, heads) {
  const column = heads[refused.field];
  if (column === void 0) return refused;
  const { error } = refused;
  return {
    ...refused,
    column,
    error: error.code === "field.empty" ? { ...error, field: column } : error
  };
}
function openedFile(ctx, { kind, answers, columns }, from) {
  const { questions } = from;
  if (questions.length > 0) return { questions, takeIn: () => void 0 };
  const rows = ROWS_OF[kind](ctx, { ...from, heads: columns });
  return { questions: answers === void 0 ? [] : rows.asks(), takeIn: rows.takeIn };
}

// src/server/arrivals/imports/read.ts
import { readFileSync as readFileSync2 } from "node:fs";
var tables = /* @__PURE__ */ new Map();
function tableOf2(book, sha256) {
  if (!/^[0-9a-f]{64}$/.test(sha256)) return fail("file.missing");
  const key = `${book}/${sha256}`;
  const known9 = tables.get(key);
  if (known9) return ok(known9);
  let bytes;
  try {
    bytes = readFileSync2(keptFile(book, sha256));
  } catch {
    return fail("file.missing");
  }
  const text = decodeText(bytes);
  if (!text.ok) return text;
  const { name: format, read: read2 } = formatOf(text.value);
  const table = read2(text.value);
  if (!table.ok) return table;
  if (tables.size >= 3) tables.delete(tables.keys().next().value ?? "");
  const named2 = { ...table.value, format };
  tables.set(key, named2);
  return ok(named2);
}
function letGo(book, sha256) {
  tables.delete(`${book}/${sha256}`);
}

// src/server/arrivals/imports/firstReading.ts
var LARGE = 5e4;
var LONGEST_MENDED = 60;
var last = null;
function firstReading(ctx, asked) {
  const isTried = ctx.who.rehearse === true;
  const { sha256, mapping, account } = asked;
  const context = contextOfReading(ctx, mapping.kind, account);
  const by = JSON.stringify([ctx.who.book, sha256, mapping, account, context]);
  const known9 = last?.by === by ? last.first : null;
  last = null;
  const first2 = known9 ? ok(known9) : readAnew(ctx, asked);
  if (first2.ok && isTried) last = { by, first: first2.value };
  if (first2.ok && (!isTried || first2.value.lines.length > LARGE)) letGo(ctx.who.book, sha256);
  return first2;
}
function readAnew(ctx, { sha256, mapping, account }) {
  const kept = tableOf2(ctx.who.book, sha256);
  if (!kept.ok) return kept;
  const table = headSaid(kept.value, mapping.answers ?? {});
  const read2 = readingOf(ctx, table, mapping, account);
  if (!read2.ok) return read2;
  return ok({
    reading: read2.value,
    lines: table.rows.map(({ line }) => line),
    cellOf: cellsThatCame(table, read2.value.refused),
    format: table.format
  });
}
function cellsThatCame({ headers, rows }, refused) {
  const lines = new Set(refused.map(({ line }) => line));
  const byLine = new Map(
    lines.size === 0 ? [] : rows.filter(({ line }) => lines.has(line)).map(({ line, cells }) => [line, cells])
  );
  return ({ line, column }) => {
    const cell = byLine.get(line)?.[headers.indexOf(column)]?.trim() ?? "";
    return cell.length > LONGEST_MENDED ? "" : cell;
  };
}

// src/server/arrivals/imports/readKept.ts
function readKept(ctx, asked) {
  const { mapping } = asked;
  const account = accountFor(ctx, mapping.kind, asked.account);
  if (!account.ok) return account;
  const first2 = firstReading(ctx, { ...asked, account: account.value });
  if (!first2.ok) return first2;
  const { reading: reading2, lines, cellOf, format } = first2.value;
  const tally = new Tallying(lines, ctx.settings.currency);
  tally.proves(reading2.proofs, reading2.understood);
  const answers = mapping.answers ?? {};
  const opened = openedFile(ctx, mapping, { ...reading2, account: account.value, answers });
  if (opened.questions.length === 0) {
    tally.refuse(reading2.refused, cellOf);
    for (const { line, why } of reading2.leftOut) tally.leaveOut(line, why);
  }
  return ok({ ...opened, tally, format });
}
var ACCOUNTS = { processor: processorAccounts, bank: bankAccounts };
function accountFor(ctx, kind, code) {
  const { account } = FILE_KIND_TRAITS[kind];
  if (account === null) return ok("");
  const accounts = ACCOUNTS[account](ctx.db);
  const [only] = accounts;
  if (!only) return fail("account.none", { kind });
  if (code === null) return accounts.length === 1 ? ok(only.code) : fail("account.needed");
  return accounts.some((account2) => account2.code === code) ? ok(code) : fail("account.unknown", { account: code });
}

// src/server/arrivals/commands/importFile.ts
var mappingSchema = z27.object({
  kind: z27.enum(FILE_KINDS),
  columns: z27.record(z27.string(), z27.string()),
  dayOrder: z27.enum(["ymd", "mdy", "dmy"]),
  decimalMark: z27.enum([".", ","]),
  markSaid: z27.boolean().optional(),
  rowKinds: z27.record(z27.string(), z27.enum(ROW_KIND_NAMES)),
  signs: z27.enum(["as_written", "by_kind"]),
  payoutSign: z27.enum(["as_written", "turned"]),
  feeSign: z27.enum(["cost", "effect"]),
  answers: z27.record(z27.string().max(300), z27.string().max(100)).optional()
});
var importFile = defineCommand({
  name: "importFile",
  keepsImages: true,
  schema: z27.object({
    sha256: z27.string(),
    name: z27.string().max(200),
    size: z27.number().int().nonnegative(),
    mapping: mappingSchema,
    account: z27.string().nullable().default(null),
    saveAs: z27.string().trim().max(200).nullable().default(null),
    /** Whether to say what the file leaves open, instead of refusing it for that. */
    asking: z27.boolean().default(false),
    /** A file of before that this is, read anew or with cells mended: its lines leave the tray. */
    again: z27.number().int().nullable().default(null),
    /** Whether what it brought is taken back first, in the same go. */
    backFirst: z27.boolean().default(false)
  }),
  first: takenBackFirst,
  run(ctx, input) {
    const { mapping } = input;
    const again = readAgain(ctx, input);
    if (!again.ok) return again;
    const missing = missingInWords(mapping);
    if (missing.length > 0) return fail("mapping.fields", { fields: missing.join(", ") });
    const read2 = readKept(ctx, input);
    if (!read2.ok) return read2;
    const { tally, questions, takeIn: takeIn3, format } = read2.value;
    const [question6] = questions;
    if (question6)
      return isToSay(ctx, input) ? ok({ ...tally.report(null), questions, leftOut: [] }) : fail("questions.open", { count: questions.length, first: question6.words });
    const fileId = insertImportFile(ctx.db, {
      sha256: input.sha256,
      name: input.name,
      size: input.size,
      kind: mapping.kind,
      mapping: JSON.stringify({ ...mapping, format }),
      importedAt: ctx.at,
      onDay: ctx.today,
      actor: ctx.who.actor,
      rowsNew: 0,
      rowsKnown: 0,
      rowsChanged: 0,
      rowsRefused: 0
    });
    const actId = ctx.act("import", { kind: "import_file", id: fileId }, `took in ${input.name}`);
    takeIn3({ fileId, actId, tally });
    if (input.saveAs)
      saveMapping(ctx.db, {
        name: input.saveAs,
        kind: mapping.kind,
        spec: JSON.stringify({ ...mapping, answers: lasting(mapping.answers) })
      });
    const report = tally.report(fileId);
    fillTray(ctx, fileId, report, input.again);
    setRowCounts(ctx.db, fileId, {
      ...report,
      refused: new Set(report.refused.map(({ line }) => line)).size
    });
    return ok(report);
  }
});
var isToSay = ({ who }, { asking, backFirst }) => asking && (who.rehearse === true || !backFirst);
var OF_ONE_FILE = /* @__PURE__ */ new Set([
  ...["before", "future", "outside", "whose"],
  ...["balance", "totals", "first", "same", "reused", "paid_on", "other_account"],
  ...["three", "stands", "ages", "against", "says"],
  ...["head", "year", "taken_back", "corrected", "hidden", "turned"]
]);
var lasting = (answers) => answers && Object.fromEntries(
  // Lines that are taken in as they stand, though their sums do not agree, are those of one file.
  Object.entries(answers).filter(([key, said2]) => !OF_ONE_FILE.has(key) && said2 !== "take")
);

export {
  processorItemById,
  processorItemByExternalId,
  insertProcessorItem,
  openDisputes,
  itemsOfReceipt,
  moveItem,
  chargeOfReceipt,
  dropLine,
  deleteBankRule,
  processorAccounts,
  insertProcessorAccount,
  tie,
  tieInOne,
  mappings,
  wasTakenIn,
  wasEverTakenIn,
  explainLine,
  attachmentsOfDocument,
  paperType,
  addAttachment,
  personsOf,
  setPersons,
  backFrom,
  setBack,
  mergeCustomers,
  setOff,
  setOffItems,
  tallySchema,
  applyReceipt,
  askApproval,
  bounceReceipt,
  makeDeposit,
  recordReceipt,
  setAside,
  tieDeposit,
  lateFees,
  setWaived,
  LADDER_ACTS,
  ATTACHED,
  DEFAULT_STEPS,
  waitInWords,
  LANGUAGES,
  filesInWords,
  FEE_KINDS2 as FEE_KINDS,
  ladders,
  insertLadder,
  renameLadder,
  setFeeRule,
  setSteps,
  deleteLadder,
  insertContact,
  insertPromiseParts,
  questionById,
  openQuestions,
  lastQuestion,
  insertQuestion,
  setQuestionKind,
  setQuestionState,
  insertQuestionWords,
  wordsOfQuestion,
  insertStarted,
  factsByGroup,
  overdueRows,
  chargeLateFees,
  agreedRateById,
  insertAgreedRate,
  endAgreedRate,
  accrueFees,
  retriesOf,
  noticesSince,
  answerDispute,
  billFees,
  disputeLost,
  mendAccount,
  refundAtBank,
  retryDebit,
  tiePayout,
  makeJournalFile,
  revalue,
  isUndoable,
  undo,
  undoAct,
  undoFile,
  taxNumberOf,
  paymentByKey,
  hasPaidBy,
  paymentsAsked,
  partsOfPayment,
  beingPaid,
  insertPayment,
  answerPayment,
  triesOf,
  triesOfPart,
  columnsOfFile,
  headLineIn,
  sheetQuestion,
  kindsOf,
  kindQuestion,
  setWording,
  deleteWording,
  dayIn3 as dayIn,
  draftLetter,
  addressed,
  fill,
  reachOf2 as reachOf,
  mailBeside,
  placePayment,
  postCharge,
  customerOf,
  postActivity,
  tableOf2 as tableOf,
  importFile
};
