import {
  addressesOf,
  noteBack,
  returned,
  returnedMailSchema,
  takeMail
} from "./chunk-UUYG74OC.mjs";
import {
  postSure
} from "./chunk-E5CVLFVV.mjs";
import {
  agingTogether
} from "./chunk-RRDNJEAQ.mjs";
import {
  insertLogo,
  logoOf,
  paperDay
} from "./chunk-25VLJY7E.mjs";
import {
  ATTACHED,
  FEE_KINDS,
  LADDER_ACTS,
  LANGUAGES,
  accrueFees,
  addAttachment,
  addressed,
  agreedRateById,
  answerDispute,
  answerPayment,
  applyReceipt,
  askApproval,
  backFrom,
  beingPaid,
  billFees,
  bounceReceipt,
  chargeLateFees,
  customerOf,
  dayIn,
  deleteBankRule,
  deleteLadder,
  deleteWording,
  disputeLost,
  draftLetter,
  dropLine,
  endAgreedRate,
  explainLine,
  filesInWords,
  fill,
  hasPaidBy,
  importFile,
  insertAgreedRate,
  insertContact,
  insertLadder,
  insertPayment,
  insertProcessorAccount,
  insertProcessorItem,
  insertPromiseParts,
  insertQuestion,
  insertQuestionWords,
  insertStarted,
  isUndoable,
  itemsOfReceipt,
  ladders,
  lastQuestion,
  lateFees,
  mailBeside,
  makeDeposit,
  makeJournalFile,
  mendAccount,
  mergeCustomers,
  moveItem,
  overdueRows,
  paperType,
  partsOfPayment,
  paymentByKey,
  personsOf,
  placePayment,
  postActivity,
  postCharge,
  processorAccounts,
  processorItemByExternalId,
  processorItemById,
  questionById,
  reachOf,
  recordReceipt,
  refundAtBank,
  renameLadder,
  retriesOf,
  retryDebit,
  revalue,
  setAside,
  setBack,
  setFeeRule,
  setOff,
  setOffItems,
  setPersons,
  setQuestionKind,
  setQuestionState,
  setSteps,
  setWaived,
  setWording,
  tallySchema,
  taxNumberOf,
  tie,
  tieDeposit,
  tieInOne,
  tiePayout,
  triesOf,
  undo,
  undoAct,
  undoFile,
  waitInWords,
  wasTakenIn,
  wordsOfQuestion
} from "./chunk-3UEBMBKW.mjs";
import {
  applyTally,
  approvalById,
  checkTally,
  decideApproval,
  decideWriteOffRow,
  insertAllowanceMove,
  insertForgotten,
  insertWriteOff,
  isOver,
  proposalsOf,
  setPlacedAct,
  taxIn,
  writeOffById,
  writeOffsOf
} from "./chunk-3TMTUJPD.mjs";
import {
  LUMP,
  insertPayout,
  payoutById,
  refreshNet
} from "./chunk-RO3WTR75.mjs";
import {
  bankAccounts,
  bankLineById,
  insertBankAccount
} from "./chunk-SJVNGOAI.mjs";
import {
  insertLetter,
  letterById,
  runSkips,
  setDelivery,
  setRunSkip
} from "./chunk-M4LGBKXJ.mjs";
import {
  DOUBTFUL_PERCENT,
  allowanceFor
} from "./chunk-KA42FKD4.mjs";
import {
  receiptById
} from "./chunk-ZD2GVI7S.mjs";
import {
  approveOne,
  deferralsLeft,
  deleteItem,
  depositWords,
  draftInput,
  inputOf,
  insertDraft,
  insertTaxCode,
  items,
  linesOf,
  markReached,
  moveDeferral,
  replaceLines,
  setItem,
  takeOrders,
  taxCodes,
  wayOf,
  workOut
} from "./chunk-WAZVMD4U.mjs";
import {
  PAYS_BY,
  WAYS_TO_PAY,
  accountFace,
  askedSum,
  cardFace,
  cardLetter,
  consentWords,
  isChecked,
  isDeclineCode,
  isWithin,
  mayTakeFrom,
  methodInWords,
  nextDebit,
  nextTry,
  offeredWays,
  planOf,
  planWords,
  runsOutOn,
  sumLetter
} from "./chunk-NRWURLOU.mjs";
import {
  defineCommand
} from "./chunk-TFINCUNW.mjs";
import {
  Db,
  accounts,
  arrivedFile,
  arrivedFiles,
  balancesAsOf,
  bookFile,
  code,
  country,
  currencyCode,
  dataFolder,
  emailAddress,
  inBook,
  insertAccount,
  isTimeZone,
  isoDay,
  keepSecret,
  keptFile,
  listBooks,
  mailServerSchema,
  mailboxSchema,
  name,
  nextCode,
  openToRead,
  postAllowance,
  postBadDebt,
  postEarned,
  postOpening,
  postSmallDifference
} from "./chunk-HCLLIY37.mjs";
import {
  actById,
  actsOfCommand
} from "./chunk-55UEKTAP.mjs";
import {
  inWords
} from "./chunk-VFPHQTCB.mjs";
import {
  changeDocument,
  creditNotesOf,
  documentById,
  documentOfItem,
  setStage
} from "./chunk-VU6MJZGF.mjs";
import {
  METHODS,
  returnCodeOf,
  returnableUntil
} from "./chunk-KO2L2HI2.mjs";
import {
  changeBalance,
  openItemById,
  openItemsOf,
  partsOfInvoice
} from "./chunk-KRT4445E.mjs";
import {
  cardOf,
  followedRow,
  insertEdit,
  setCard,
  setFollowed,
  setItemLeftOut
} from "./chunk-JF77VF3J.mjs";
import {
  VISITS,
  customerOfLink,
  insertVisit,
  linkOf,
  renewLink
} from "./chunk-NIPXDDDQ.mjs";
import {
  aliasesOf,
  customerByExternalId,
  customerById,
  deleteAlias,
  insertAlias,
  insertCustomer,
  isAboveOf,
  latestCustomerNumber,
  setCustomer,
  setLeftOut,
  sitesOf
} from "./chunk-47CXCVCB.mjs";
import {
  LETTER_SHARES,
  nextCustomerNumber
} from "./chunk-HT5266AL.mjs";
import {
  WAYS,
  coverTemplate,
  decimalOf,
  decimalText,
  lineOfPeriod,
  monthsDue,
  nextPart,
  nextStage,
  periodOf,
  periodsDue,
  readPlan,
  readSettings,
  setRate,
  writeSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  UNITS,
  ZERO,
  add,
  addBankingDays,
  addDays,
  currencyOf,
  formatAmount,
  formatDay,
  formatMoney,
  inCurrency,
  isBankingDay,
  isEmailAddress,
  minor,
  mulDiv,
  negate,
  ratioOf,
  sumOf,
  toDecimal,
  weekday
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/db/practiceFacts.ts
import Database from "better-sqlite3";

// src/db/practiceTables.ts
var PRACTICE_SCHEMA = `
  CREATE TABLE IF NOT EXISTS fact (name TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;
  CREATE TABLE IF NOT EXISTS method (
    token TEXT PRIMARY KEY, way TEXT NOT NULL, name TEXT NOT NULL, last_four TEXT NOT NULL, expires TEXT,
    -- What its bank answers: a response code of a card, a return code of an account; empty: all is well.
    answer TEXT NOT NULL
  ) STRICT;
  CREATE TABLE IF NOT EXISTS charge (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL UNIQUE, key TEXT NOT NULL UNIQUE, token TEXT NOT NULL, account TEXT NOT NULL,
    amount INTEGER NOT NULL, currency TEXT NOT NULL, payer_name TEXT NOT NULL, payer_email TEXT NOT NULL,
    reference TEXT NOT NULL, made_on TEXT NOT NULL, state TEXT NOT NULL, code TEXT, fee INTEGER NOT NULL,
    -- When a debit settles, and when it comes back.
    settles_on TEXT, returns_on TEXT, disputed_on TEXT
  ) STRICT;
  -- What was sent to an account to prove it, in cents, and how often it was typed wrong.
  CREATE TABLE IF NOT EXISTS small_sums (
    token TEXT PRIMARY KEY, first INTEGER NOT NULL, second INTEGER NOT NULL, there_on TEXT NOT NULL, tries INTEGER NOT NULL DEFAULT 0
  ) STRICT;
  -- Accounts that are proven to be their payers'.
  CREATE TABLE IF NOT EXISTS proven (token TEXT PRIMARY KEY) STRICT;
  -- Codes that were typed wrong for a charge whose bank asks for one.
  CREATE TABLE IF NOT EXISTS wrong_code (charge TEXT PRIMARY KEY, tries INTEGER NOT NULL) STRICT;
  CREATE INDEX IF NOT EXISTS charge_settles ON charge (settles_on) WHERE state = 'on_way';
  CREATE INDEX IF NOT EXISTS charge_returns ON charge (returns_on) WHERE returns_on IS NOT NULL;
  CREATE TABLE IF NOT EXISTS refund (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL UNIQUE, key TEXT NOT NULL UNIQUE, charge TEXT NOT NULL, amount INTEGER NOT NULL
  ) STRICT;
  CREATE TABLE IF NOT EXISTS line (
    no INTEGER PRIMARY KEY, id TEXT NOT NULL, account TEXT NOT NULL, type TEXT NOT NULL, on_day TEXT NOT NULL,
    settled_on TEXT NOT NULL, amount INTEGER NOT NULL, payer TEXT NOT NULL, email TEXT NOT NULL, memo TEXT NOT NULL,
    related TEXT NOT NULL, span_from TEXT, span_to TEXT, code TEXT NOT NULL, answer_by TEXT,
    -- The day on which it is paid out, and the payout; empty for what moves no money.
    paid_out_on TEXT, payout TEXT, told_on TEXT NOT NULL
  ) STRICT;
  CREATE INDEX IF NOT EXISTS line_told ON line (told_on, account);
  CREATE INDEX IF NOT EXISTS line_due ON line (paid_out_on) WHERE payout IS NULL;
  CREATE TABLE IF NOT EXISTS bank (
    no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, description TEXT NOT NULL, amount INTEGER NOT NULL
  ) STRICT;
  CREATE INDEX IF NOT EXISTS bank_day ON bank (on_day);
  -- What customers' banks send beside a payment, and what they say of accounts that are to be mended.
  CREATE TABLE IF NOT EXISTS advice (no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, said TEXT NOT NULL) STRICT;
  CREATE TABLE IF NOT EXISTS notice (
    no INTEGER PRIMARY KEY, on_day TEXT NOT NULL, charge TEXT NOT NULL, code TEXT NOT NULL, payer TEXT NOT NULL
  ) STRICT;
  -- What customers have done: each thing once.
  CREATE TABLE IF NOT EXISTS done (name TEXT PRIMARY KEY, on_day TEXT NOT NULL) STRICT;
`;

// src/db/practiceFacts.ts
var PracticeFacts = class {
  db;
  constructor(path) {
    const raw = new Database(path);
    raw.pragma("journal_mode = WAL");
    raw.pragma("synchronous = NORMAL");
    this.db = new Db(raw, path);
    this.db.exec(PRACTICE_SCHEMA);
  }
  close() {
    this.db.close();
  }
  together(work) {
    return this.db.transaction(work);
  }
  fact(name2) {
    return this.db.get("SELECT value FROM fact WHERE name = ?", name2)?.value ?? null;
  }
  setFact(name2, value) {
    this.db.run("INSERT OR REPLACE INTO fact (name, value) VALUES (?, ?)", name2, value);
  }
  /** Notes that something was done; false where it was done before. */
  once(name2, on) {
    return this.db.run("INSERT OR IGNORE INTO done (name, on_day) VALUES (?, ?)", name2, on).changes > 0;
  }
  isDone(name2) {
    return this.doneOn(name2) !== null;
  }
  /** The day on which something was done; null where it was not. */
  doneOn(name2) {
    const found = this.db.get(
      "SELECT on_day AS onDay FROM done WHERE name = ?",
      name2
    );
    return found?.onDay ?? null;
  }
};

// src/db/practiceProofs.ts
var PracticeProofs = class extends PracticeFacts {
  isProven(token) {
    return this.db.get("SELECT 1 FROM proven WHERE token = ?", token) !== void 0;
  }
  setProven(token) {
    this.db.run("INSERT OR IGNORE INTO proven (token) VALUES (?)", token);
  }
  smallSums(token) {
    return this.db.get(
      "SELECT first, second, there_on AS thereOn, tries FROM small_sums WHERE token = ?",
      token
    );
  }
  sendSums(token, { first, second, thereOn }) {
    const into = "INSERT INTO small_sums (token, first, second, there_on) VALUES (?, ?, ?, ?)";
    this.db.run(into, token, first, second, thereOn);
  }
  countTry(token) {
    this.db.run("UPDATE small_sums SET tries = tries + 1 WHERE token = ?", token);
  }
};

// src/db/practiceBank.ts
var before = ({ after, to }) => after ?? addDays(to, -1);
var PracticeBank = class extends PracticeProofs {
  addBankLine(on, description, amount2) {
    this.db.run(
      "INSERT INTO bank (on_day, description, amount) VALUES (?, ?, ?)",
      on,
      description,
      amount2
    );
  }
  bankLines(days) {
    return this.db.all(
      "SELECT on_day AS onDay, description, amount FROM bank WHERE on_day > ? AND on_day <= ? ORDER BY on_day, no",
      before(days),
      days.to
    );
  }
  /** What all lines before those days come to. */
  bankBefore(days) {
    return this.db.get(
      "SELECT coalesce(sum(amount), 0) AS sum FROM bank WHERE on_day <= ?",
      before(days)
    )?.sum ?? 0;
  }
  addAdvice(on, advice) {
    this.db.run("INSERT INTO advice (on_day, said) VALUES (?, ?)", on, JSON.stringify(advice));
  }
  advices(on) {
    return this.db.all("SELECT said FROM advice WHERE on_day = ? ORDER BY no", on).map(({ said: said2 }) => JSON.parse(said2));
  }
  addNotice({ charge, code: code2, payer, onDay }) {
    const into = "INSERT INTO notice (charge, code, payer, on_day) VALUES (?, ?, ?, ?)";
    this.db.run(into, charge, code2, payer, onDay);
  }
  notices(on) {
    return this.db.all(
      "SELECT charge, code, payer, on_day AS onDay FROM notice WHERE on_day = ? ORDER BY no",
      on
    );
  }
};

// src/db/practice.ts
var CHARGE = `SELECT id, key, token, account, amount, currency, payer_name AS payerName, payer_email AS payerEmail, reference,
  made_on AS madeOn, state, code, fee, settles_on AS settlesOn, returns_on AS returnsOn, disputed_on AS disputedOn FROM charge`;
var LINE = `SELECT id, account, type, on_day AS onDay, settled_on AS settledOn, amount, payer, email, memo, related,
  span_from AS spanFrom, span_to AS spanTo, code, answer_by AS answerBy, paid_out_on AS paidOutOn, told_on AS toldOn FROM line`;
var PracticeStore = class extends PracticeBank {
  method(token) {
    return this.db.get(
      "SELECT token, way, name, last_four AS lastFour, expires, answer FROM method WHERE token = ?",
      token
    );
  }
  addMethod(method) {
    this.db.run(
      "INSERT INTO method (token, way, name, last_four, expires, answer) VALUES (?, ?, ?, ?, ?, ?)",
      method.token,
      method.way,
      method.name,
      method.lastFour,
      method.expires,
      method.answer
    );
  }
  chargeByKey(key) {
    return this.db.get(`${CHARGE} WHERE key = ?`, key);
  }
  charge(id) {
    return this.db.get(`${CHARGE} WHERE id = ?`, id);
  }
  nextNo() {
    return (this.db.get("SELECT coalesce(max(no), 0) + 1 AS no FROM charge")?.no ?? 1) + 1e4;
  }
  addCharge(charge) {
    this.db.run(
      `INSERT INTO charge (id, key, token, account, amount, currency, payer_name, payer_email, reference, made_on, state, code, fee, settles_on, returns_on, disputed_on)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      charge.id,
      charge.key,
      charge.token,
      charge.account,
      charge.amount,
      charge.currency,
      charge.payerName,
      charge.payerEmail,
      charge.reference,
      charge.madeOn,
      charge.state,
      charge.code,
      charge.fee,
      charge.settlesOn,
      charge.returnsOn,
      charge.disputedOn
    );
  }
  setCharge(id, state, code2) {
    this.db.run("UPDATE charge SET state = ?, code = ? WHERE id = ?", state, code2, id);
  }
  setFee(id, fee2) {
    this.db.run("UPDATE charge SET fee = ? WHERE id = ?", fee2, id);
  }
  /** Counts a code that was typed wrong; gives how many there were. */
  countWrongCode(charge) {
    return this.db.get(
      `INSERT INTO wrong_code (charge, tries) VALUES (?, 1)
         ON CONFLICT (charge) DO UPDATE SET tries = tries + 1 RETURNING tries`,
      charge
    )?.tries ?? 1;
  }
  /** Charges of days before whose owners typed no code. */
  askedBefore(on) {
    return this.charges("state = 'asks_code' AND made_on < ?", on);
  }
  setDisputed(id, on) {
    this.db.run("UPDATE charge SET disputed_on = ? WHERE id = ?", on, id);
  }
  charges(where, ...values) {
    return this.db.all(`${CHARGE} WHERE ${where} ORDER BY no`, ...values);
  }
  settling(on) {
    return this.charges("state = 'on_way' AND settles_on <= ?", on);
  }
  returning(on) {
    return this.charges("returns_on <= ? AND state IN ('on_way', 'settled')", on);
  }
  disputable(on) {
    return this.charges(
      "account = 'card' AND made_on = ? AND state = 'approved' AND disputed_on IS NULL",
      on
    );
  }
  /** Charges that were disputed, the first first. */
  disputed() {
    return this.charges("disputed_on IS NOT NULL");
  }
  refundByKey(key) {
    return this.db.get("SELECT id, charge, amount FROM refund WHERE key = ?", key);
  }
  refundsOf(charge) {
    return this.db.all("SELECT id, amount FROM refund WHERE charge = ?", charge);
  }
  addRefund(id, { key, chargeId: chargeId2, amount: amount2 }) {
    const into = "INSERT INTO refund (id, key, charge, amount) VALUES (?, ?, ?, ?)";
    this.db.run(into, id, key, chargeId2, amount2);
  }
  addLine(line) {
    this.db.run(
      `INSERT INTO line (id, account, type, on_day, settled_on, amount, payer, email, memo, related, span_from, span_to, code, answer_by, paid_out_on, told_on)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      line.id,
      line.account,
      line.type,
      line.onDay,
      line.settledOn,
      line.amount,
      line.payer,
      line.email,
      line.memo,
      line.related,
      line.spanFrom,
      line.spanTo,
      line.code,
      line.answerBy,
      line.paidOutOn,
      line.toldOn
    );
  }
  /** What was told of an account, in the order in which it happened. */
  told(account, days) {
    return this.db.all(
      `${LINE} WHERE told_on > ? AND told_on <= ? AND account = ? ORDER BY no`,
      before(days),
      days.to,
      account
    );
  }
  /** What was kept back as a reserve by a day, and not before the week that ends with it. */
  heldBack(by) {
    return this.db.all(
      `${LINE} WHERE type = 'reserve hold' AND told_on <= ? AND told_on > date(?, '-7 days') ORDER BY no`,
      by,
      by
    );
  }
  /** What an account pays out on a day and has not: its sum and the days that it covers. */
  duePayout(account, on) {
    const found = this.db.get(
      `SELECT coalesce(sum(amount), 0) AS net, min(settled_on) AS "from", max(settled_on) AS "to", count(*) AS count
       FROM line WHERE account = ? AND paid_out_on <= ? AND payout IS NULL`,
      account,
      on
    );
    return found && found.count > 0 ? found : void 0;
  }
  payOut(account, on, payout2) {
    this.db.run(
      "UPDATE line SET payout = ? WHERE account = ? AND paid_out_on <= ? AND payout IS NULL",
      payout2,
      account,
      on
    );
  }
  /** The line of a payout itself. */
  payoutLine(id) {
    return this.db.get(`${LINE} WHERE id = ? AND type = 'payout'`, id);
  }
  /** What was in a payout is due once more, from a day on. */
  dueAgain(payout2, on) {
    this.db.run("UPDATE line SET payout = NULL, paid_out_on = ? WHERE payout = ?", on, payout2);
  }
  /** What the processor still holds of an account: told, and not in a payout. */
  held(account) {
    return this.db.get(
      "SELECT coalesce(sum(amount), 0) AS sum FROM line WHERE account = ? AND paid_out_on IS NOT NULL AND payout IS NULL",
      account
    )?.sum ?? 0;
  }
};

// src/practice/random.ts
var Random = class {
  constructor(state) {
    this.state = state;
  }
  state;
  /** From 0 up to, not including, 1. */
  next() {
    this.state = this.state + 1831565813 | 0;
    let t = Math.imul(this.state ^ this.state >>> 15, 1 | this.state);
    t = t + Math.imul(t ^ t >>> 7, 61 | t) ^ t;
    return ((t ^ t >>> 14) >>> 0) / 4294967296;
  }
  /** A whole number from low to high, both included. */
  whole(low, high) {
    return low + Math.floor(this.next() * (high - low + 1));
  }
  pick(from) {
    const picked = from[Math.floor(this.next() * from.length)];
    if (picked === void 0) throw new RangeError("nothing to pick from");
    return picked;
  }
  chance(of) {
    return this.next() < of;
  }
};

// src/practice/habits.ts
function seedOf(...parts) {
  let hash = 2166136261;
  for (const char of parts.join("|")) {
    hash ^= char.codePointAt(0) ?? 0;
    hash = Math.imul(hash, 16777619);
  }
  return hash >>> 0;
}
function fateOf(seed, number, due) {
  const random = new Random(seedOf(seed, number));
  const late = due.lateDays + random.whole(-4, 5) + (random.chance(0.05) ? random.whole(10, 45) : 0);
  return {
    paysOn: addBankingDays(addDays(due.dueOn, late), 0),
    forgets: random.chance(0.03),
    paysTwice: random.chance(0.01),
    short: random.chance(0.02) ? random.whole(5, 480) : 0,
    disputes: random.chance(8e-3)
  };
}

// src/practice/bank.ts
var OPENING_BALANCE = 2418077;
var OTHER_LINES = ["PAYROLL", "RENT", "INTEREST", "SUPPLIER PAYMENT"];
function otherLines(store, on) {
  if (!isBankingDay(on)) return 0;
  const lines = [];
  const days = Math.round(Date.parse(on) / 864e5);
  if (weekday(on) === 5 && Math.floor(days / 7) % 2 === 0)
    lines.push(["PAYROLL KESTREL ROW", -884250]);
  if (on.endsWith("-02")) lines.push(["RENT ROW STREET WORKSHOP", -42e4]);
  if (on.endsWith("-28")) lines.push(["INTEREST PAID", 1137]);
  if (weekday(on) === 3)
    lines.push(["SUPPLIER PAYMENT CLAYWORKS MINE", -(35e4 + days % 97 * 1113)]);
  for (const [words2, sum5] of lines) store.addBankLine(on, words2, sum5);
  return lines.length;
}
var WAYS_IN = ["ach", "ach", "ach", "ach", "ach", "lockbox", "lockbox", "wire"];
var inCapitals = (name2) => name2.toUpperCase().replace(/[^A-Z0-9 &]/g, "");
function creditWithAdvice(store, on, { name: name2, lines }) {
  const trace = `0110000${String(seedOf("trace", name2, on) % 1e8).padStart(8, "0")}`;
  const payer = inCapitals(name2).slice(0, 16).trim();
  const amount2 = sumOf(lines, (line) => line.amount);
  store.addBankLine(on, `ACH CREDIT ${payer} TRN ${trace}`, amount2);
  store.addAdvice(on, { trace, payer, lines });
}
function creditFrom(store, on, { name: name2, amount: amount2, memo }) {
  const seed = seedOf("way in", name2);
  const sender = inCapitals(name2);
  store.addBankLine(on, `${lineFrom(sender, seed, on)} ${memo}`.trim(), amount2);
}
function lineFrom(sender, seed, on) {
  const way = WAYS_IN[seed % WAYS_IN.length];
  if (way === "wire") return `INCOMING WIRE ${sender.slice(0, 35).trim()}`;
  const days = Math.round(Date.parse(on) / 864e5);
  if (way === "lockbox") return `LOCKBOX CHECK ${1e3 + (seed + days) % 9e3} ${sender}`;
  return `ACH CREDIT ${sender.slice(0, 16).trim()}`;
}

// src/practice/answers.ts
var RETURN_FEE = 400;
var DISPUTE_FEE = 1500;
var PRACTICE_CODE = "246810";
var CODE_SAYS = `Practice bank: the code is ${PRACTICE_CODE}.`;
function answerOf(charge) {
  const { id: chargeId2, fee: fee2, code: code2 } = charge;
  if (charge.state === "declined")
    return {
      state: "declined",
      chargeId: chargeId2,
      code: code2 !== null && isDeclineCode(code2) ? code2 : "05"
    };
  if (charge.state === "asks_code") return { state: "asks_code", chargeId: chargeId2, says: CODE_SAYS };
  return charge.settlesOn === null ? { state: "approved", chargeId: chargeId2, fee: fee2 } : { state: "on_way", chargeId: chargeId2, settlesOn: charge.settlesOn };
}
function returnsOn(code2, settlesOn) {
  const within2 = returnCodeOf(code2)?.within ?? { bankingDays: 2 };
  if ("calendarDays" in within2) return addBankingDays(addDays(settlesOn, 20), 0);
  const soon = addBankingDays(settlesOn, 1);
  const last = returnableUntil(code2, settlesOn);
  return soon < last ? soon : last;
}
var CHANGES = {
  C01: "account number",
  C02: "routing number",
  C05: "kind of account"
};
function answerOfAccount(account) {
  const [tens, ones] = account.trim().slice(-2);
  const [code2, change2] = [`R${tens}${ones}`, `C0${ones}`];
  if (returnCodeOf(code2)) return code2;
  return tens === "8" && change2 in CHANGES ? change2 : "";
}
function faceOf(method, proven) {
  if (!method) return null;
  const { token, way, name: name2, lastFour, expires } = method;
  return { token, way, name: name2, lastFour, expires, proven };
}

// src/practice/csv.ts
import { stringify } from "csv-stringify/sync";
var USD = currencyOf("USD");
var sum = (amount2, currency = USD) => toDecimal(amount2, currency);
var csv = (rows) => stringify(
  rows.map((row) => [...row]),
  { record_delimiter: "windows" }
);
var american = (on) => `${on.slice(5, 7)}/${on.slice(8)}/${on.slice(0, 4)}`;

// src/practice/terms.ts
var USD2 = currencyOf("USD");
var CARD = {
  way: "card",
  currency: USD2,
  perMille: 29,
  fixed: 30,
  most: null,
  payoutDays: 2,
  reserves: true,
  refused: true,
  shape: "entries"
};
var ACH = {
  way: "ach",
  currency: USD2,
  perMille: 8,
  fixed: 0,
  most: 500,
  payoutDays: 1,
  reserves: false,
  refused: true,
  shape: "entries"
};
var TERMS = "terms";
function agreeOn(store, terms) {
  store.setFact(TERMS, JSON.stringify(terms));
}
function agreed(store) {
  const kept = store.fact(TERMS);
  return kept === null ? { card: CARD, ach: ACH } : JSON.parse(kept);
}
var accountsOf = (store) => Object.keys(agreed(store));
function termsOf(store, account) {
  return agreed(store)[account] ?? CARD;
}
function accountFor(store, way, currency) {
  const own = Object.entries(agreed(store)).filter(([, terms]) => terms.way === way);
  return (own.find(([, terms]) => terms.currency === currency) ?? own[0])?.[0] ?? way;
}
function feeOf({ perMille, fixed, most }, amount2) {
  const fee2 = add(mulDiv(amount2, perMille, 1e3, "half-even"), minor(fixed));
  return most === null ? fee2 : minor(Math.min(most, fee2));
}

// src/practice/payouts.ts
var REFUSED_ONE_IN = 40;
var isRefused = (id) => seedOf("refused", id) % REFUSED_ONE_IN === 0;
function payOut(store, account, on) {
  const due = store.duePayout(account, on);
  if (!due) return 0;
  const terms = termsOf(store, account);
  const id = payoutIdOf(account, on);
  store.payOut(account, on, id);
  tellPayout(store, { id, account, type: "payout", on, amount: -due.net }, due);
  if (due.net > 0 && terms.refused && isRefused(id)) store.setFact(refusedOf(account), id);
  else if (due.net !== 0)
    store.addBankLine(
      on,
      `PRACTICE PROC ${account.toUpperCase()} PAYOUT ${id.toUpperCase()}`,
      atBank(store, due.net, terms)
    );
  return 1;
}
var payoutIdOf = (account, on) => `po_${account.charAt(0)}${on.replaceAll("-", "")}`;
var BANKS = currencyOf("USD");
var rateOf = (currency) => `rate ${currency}`;
var setRate2 = (store, currency, rate) => {
  store.setFact(rateOf(currency), rate);
};
function atBank(store, net, { currency }) {
  if (currency === BANKS) return net;
  const dollars = inCurrency(net, currency, BANKS, store.fact(rateOf(currency)) ?? "1");
  return mulDiv(dollars ?? net, 996, 1e3, "half-even");
}
function takeBackRefused(store, account, on) {
  const id = store.fact(refusedOf(account));
  if (!id) return 0;
  const payout2 = store.payoutLine(id);
  if (!payout2 || on < addBankingDays(payout2.onDay, 1)) return 0;
  store.setFact(refusedOf(account), "");
  store.dueAgain(id, on);
  tellPayout(store, { id, account, type: "payout failed", on, amount: -payout2.amount });
  return 1;
}
var refusedOf = (account) => `refused payout ${account}`;
function tellPayout(store, { id, account, type, on, amount: amount2 }, span) {
  store.addLine({
    ...{ id, account, type, onDay: on, settledOn: on, amount: minor(amount2) },
    ...{ payer: "", email: "", memo: "", related: "", code: "" },
    ...{ spanFrom: span?.from ?? null, spanTo: span?.to ?? null },
    ...{ answerBy: null, paidOutOn: null, toldOn: on }
  });
}

// src/practice/chargeRows.ts
var money = (row, amount2) => sum(amount2, row.currency);
var dayOr = (day) => day ?? "";
var sentence = (words2) => words2.charAt(0).toUpperCase() + words2.slice(1);
var payout = ({ line, account }) => line.paidOutOn ? payoutIdOf(account, line.paidOutOn) : "";
var SUMS = [
  ["Gross", (row) => money(row, row.line.amount)],
  ["Fee", (row) => money(row, row.fee)],
  ["Net", (row) => money(row, row.line.amount - row.fee)],
  ["Payer", ({ line }) => line.payer],
  ["Email", ({ line }) => line.email],
  ["Memo", ({ line }) => line.memo],
  ["Payout id", payout]
];
var NET = [
  ["Id", ({ line }) => line.id],
  ["Type", ({ line }) => sentence(line.type)],
  ["Date", ({ line }) => american(line.onDay)],
  ...SUMS,
  ["Original id", ({ line }) => line.related],
  ["Card brand", ({ brand }) => brand],
  ["Answer by", ({ line }) => line.answerBy ? american(line.answerBy) : ""]
];
var DATED = [
  ["Id", ({ line }) => line.id],
  ["Type", ({ line }) => sentence(line.type)],
  ["Date", ({ line }) => line.onDay],
  ["Settled", ({ line }) => line.settledOn],
  ["Currency", ({ currency }) => currency],
  ...SUMS,
  ["Payout date", ({ line }) => dayOr(line.paidOutOn)]
];
var BESIDE = /* @__PURE__ */ new Set(["fee", "payout", "dispute fee"]);
function chargeRows(store, account, { lines, columns }) {
  const { currency } = termsOf(store, account);
  const fees = new Map(
    lines.filter(({ type }) => type === "fee").map(({ related, amount: amount2 }) => [related, amount2])
  );
  const rows = lines.filter(({ type }) => !BESIDE.has(type)).map((line) => {
    const fee2 = minor(-(fees.get(line.id) ?? 0));
    const charge = line.related === "" ? store.charge(line.id) : void 0;
    const brand = charge ? store.method(charge.token)?.name ?? "" : "";
    return { line, fee: fee2, brand, account, currency };
  });
  return [
    columns.map(([head]) => head),
    ...rows.map((row) => columns.map(([, cell]) => cell(row)))
  ];
}

// src/practice/entryRows.ts
var HEAD = [
  "Entry id",
  "Entry type",
  "Date",
  "Settled",
  "Amount",
  "Payer",
  "Email",
  "Memo",
  "For charge",
  "From",
  "To",
  "Return code",
  "Answer by"
];
var entryRows = (lines) => [
  HEAD,
  ...lines.map((line) => [
    line.id,
    line.type,
    american(line.onDay),
    american(line.settledOn),
    sum(line.amount),
    line.payer,
    line.email,
    line.memo,
    line.related,
    line.spanFrom ? american(line.spanFrom) : "",
    line.spanTo ? american(line.spanTo) : "",
    line.code,
    line.answerBy ? american(line.answerBy) : ""
  ])
];

// src/practice/files.ts
function activityFile(store, account, to, after) {
  const lines = store.told(account, after ? { after, to } : { to });
  const { shape } = termsOf(store, account);
  const rows = shape === "entries" ? entryRows(lines) : chargeRows(store, account, { lines, columns: shape === "net" ? NET : DATED });
  return rows.length > 1 ? csv(rows) : null;
}
function noticesFile(store, on) {
  const notices = store.notices(on);
  if (notices.length === 0) return null;
  return csv([
    ["Record", "Change code", "Original trace", "Date", "Payer", "Corrected data"],
    ...notices.map(({ charge, code: code2, payer }) => [
      "98",
      code2,
      charge,
      american(on),
      payer,
      CHANGES[code2] ?? ""
    ])
  ]);
}
function statementFile(store, days, opening) {
  const lines = store.bankLines(days);
  if (lines.length === 0) return null;
  let balance = opening + store.bankBefore(days);
  return csv([
    ["Date", "Description", "Money out", "Money in", "Balance"],
    ...lines.map(({ onDay, description, amount: amount2 }) => {
      balance += amount2;
      return [
        american(onDay),
        description,
        amount2 < 0 ? sum(-amount2) : "",
        amount2 > 0 ? sum(amount2) : "",
        sum(balance)
      ];
    })
  ]);
}

// src/server/arrivals/commands/removeRule.ts
import { z } from "zod";
var removeRule = defineCommand({
  name: "removeRule",
  schema: z.object({ ruleId: z.number().int() }),
  run(ctx, input) {
    deleteBankRule(ctx.db, input.ruleId);
    ctx.act("rule", { kind: "bank_rule", id: input.ruleId }, "rule ended");
    return ok(null);
  }
});

// src/server/books/commands/setRates.ts
import { z as z2 } from "zod";
var setRates = defineCommand({
  name: "setRates",
  schema: z2.object({
    rates: z2.array(
      z2.object({
        currency: currencyCode,
        onDay: isoDay,
        rate: z2.string().trim().regex(/^\d{1,9}(\.\d{1,12})?$/, "Write it like 1.0834.")
      })
    ).min(1).max(5e3)
  }),
  run(ctx, input) {
    const own = input.rates.find(({ currency }) => currency === ctx.settings.currency);
    if (own) return fail("rate.own", { currency: own.currency });
    if (input.rates.some(({ rate }) => Number(rate) === 0)) return fail("rate.zero");
    const [first] = input.rates;
    const actId = ctx.act(
      "rates",
      { kind: "book", id: 0 },
      input.rates.length === 1 ? `${first?.currency ?? ""} on ${first?.onDay ?? ""}: ${first?.rate ?? ""}` : `${input.rates.length} exchange rates`
    );
    for (const rate of input.rates) setRate(ctx.db, rate, actId);
    return ok({ actId, count: input.rates.length });
  }
});

// src/server/books/commands/undoTogether.ts
import { z as z3 } from "zod";
var undoTogether = defineCommand({
  name: "undoTogether",
  schema: z3.object({ commandId: z3.number().int() }),
  run(ctx, input) {
    const acts = actsOfCommand(ctx.db, input.commandId).filter(
      (act) => act.undoneBy === null && isUndoable(act.kind)
    );
    if (acts.length === 0) return fail("act.unknown");
    for (const act of acts.reverse()) {
      const done = undoAct(ctx, act);
      if (!done.ok) return done;
    }
    return ok({ undone: acts.length });
  }
});

// src/server/customers/commands/answerQuestion.ts
import { z as z5 } from "zod";

// src/contracts/questions.ts
import { z as z4 } from "zod";
var words = z4.string().trim().min(1, "Write what you want to say.").max(2e3);
var askInput = z4.object({
  itemId: z4.number().int().nullable(),
  kind: z4.enum(["question", "dispute"]).default("question"),
  /** Which line of the invoice, counted from 1; null for all of it. */
  line: z4.number().int().min(1).nullable().default(null),
  words,
  key: z4.uuid()
});
var answerInput = z4.object({
  questionId: z4.number().int(),
  words,
  /** Whether nothing is left to be said: reminders are not held any more. */
  close: z4.boolean()
});

// src/server/customers/commands/answerQuestion.ts
var answerQuestion = defineCommand({
  name: "answerQuestion",
  schema: answerInput,
  run(ctx, { questionId, words: words2, close }) {
    const question = questionById(ctx.db, questionId);
    if (!question) return fail("question.unknown");
    const own = { byCustomer: false, actor: ctx.who.actor, line: null };
    const said2 = { ...own, words: words2, on: ctx.today, at: ctx.at };
    insertQuestionWords(ctx.db, questionId, said2);
    if (close) setQuestionState(ctx.db, questionId, "closed");
    const actId = ctx.act(
      "question",
      { kind: "customer", id: question.customerId, customerId: question.customerId },
      `answered about ${question.number ?? "the account"}${close ? ", and ended" : ""}: ${words2.slice(0, 200)}`
    );
    return ok({ mailed: mail(ctx, question, { words: words2, actId }) });
  }
});
var endQuestion = defineCommand({
  name: "endQuestion",
  schema: z5.object({ questionId: z5.number().int(), again: z5.boolean().default(false) }),
  run(ctx, { questionId, again }) {
    const question = questionById(ctx.db, questionId);
    if (!question) return fail("question.unknown");
    setQuestionState(ctx.db, questionId, again ? "open" : "closed");
    ctx.act(
      "question",
      { kind: "customer", id: question.customerId, customerId: question.customerId },
      `the question about ${question.number ?? "the account"} ${again ? "opened again" : "ended"}`
    );
    return ok(null);
  }
});
function mail(ctx, { customerId, number }, { words: words2, actId }) {
  const { db, settings } = ctx;
  const customer = customerById(db, customerId);
  if (!customer) return false;
  const { to, copies } = reachOf(ctx, customer);
  if (to === null) return false;
  const link = settings.linkBase === null ? "" : `

${settings.linkBase}/pay/${linkOf(db, customerId)}/questions`;
  const subject = number === null ? settings.name : `${settings.name}, ${number}`;
  const body = `${words2}${link}`;
  mailBeside(ctx, { customerId, to, copies, subject, body, what: "answer", actId });
  return true;
}

// src/server/customers/commands/askQuestion.ts
import { z as z6 } from "zod";

// src/server/customers/queries/linesAbout.ts
function linesAbout(db, itemId) {
  const document = documentOfItem(db, itemId);
  if (!document) return [];
  return linesOf(db, document.id).map(
    ({ description, amount: amount2 }) => `${description}, ${formatAmount(amount2, document.currency)}`
  );
}

// src/server/customers/commands/askQuestion.ts
var MOST_WORDS = 60;
var DOES = { question: "asked about", dispute: "does not agree with" };
var askQuestion = defineCommand({
  name: "askQuestion",
  schema: askInput.omit({ key: true }).extend({ customerId: z6.number().int() }),
  run(ctx, { customerId, itemId, kind, line, words: words2 }) {
    const found = itemOf(ctx, customerId, itemId);
    if (!found.ok) return found;
    const item = found.value;
    const before2 = lastQuestion(ctx.db, customerId, itemId);
    if (before2 && wordsOfQuestion(ctx.db, before2.id).length >= MOST_WORDS)
      return fail("question.long");
    const about = lineOf(ctx, item, line);
    if (!about.ok) return about;
    const questionId = before2?.id ?? insertQuestion(ctx.db, { kind, customerId, itemId, askedOn: ctx.today });
    setQuestionState(ctx.db, questionId, "open");
    if (kind === "dispute" || before2?.state === "closed") setQuestionKind(ctx.db, questionId, kind);
    const said2 = { byCustomer: true, actor: ctx.who.actor, line: about.value };
    insertQuestionWords(ctx.db, questionId, { ...said2, words: words2, on: ctx.today, at: ctx.at });
    ctx.act(
      "question",
      { kind: "customer", id: customerId, customerId },
      `${DOES[kind]} ${item?.number ?? "the account"}: ${words2.slice(0, 200)}`
    );
    return ok({ questionId });
  }
});
function lineOf({ db }, item, line) {
  if (line === null || item === null) return ok(null);
  const words2 = linesAbout(db, item.id)[line - 1];
  return words2 === void 0 ? fail("question.line") : ok(words2);
}
function itemOf({ db }, customerId, itemId) {
  if (!customerById(db, customerId)) return fail("customer.unknown", { id: customerId });
  if (itemId === null) return ok(null);
  const item = openItemById(db, itemId);
  const own = [customerId, ...sitesOf(db, customerId).map(({ id }) => id)];
  return item && own.includes(item.customerId) ? ok(item) : fail("pay.item_gone");
}

// src/server/customers/commands/newAccountLink.ts
import { z as z7 } from "zod";
var newAccountLink = defineCommand({
  name: "newAccountLink",
  schema: z7.object({ customerId: z7.number().int() }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    renewLink(ctx.db, customer.id);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      "the account page has a new address; the old one leads nowhere"
    );
    return ok(null);
  }
});

// src/server/customers/commands/noteVisit.ts
import { z as z8 } from "zod";
var noteVisit = defineCommand({
  name: "noteVisit",
  schema: z8.object({
    token: z8.string().min(1).max(100),
    what: z8.enum(VISITS),
    itemId: z8.number().int().min(0).default(0)
  }),
  run(ctx, input) {
    const customerId = customerOfLink(ctx.db, input.token);
    if (customerId === void 0) return fail("link.unknown");
    insertVisit(ctx.db, {
      customerId,
      onDay: ctx.today,
      what: input.what,
      itemId: input.itemId,
      at: ctx.at
    });
    return ok(null);
  }
});

// src/server/customers/commands/writeCustomer.ts
import { z as z9 } from "zod";
var noneIfEmpty = (schema4) => z9.preprocess((text) => text === "" ? null : text, schema4.nullable().default(null));
var customerInput = z9.object({
  name,
  /** Empty: the next. It stays once it is given. */
  number: z9.string().trim().max(60).default(""),
  email: noneIfEmpty(emailAddress),
  phone: noneIfEmpty(z9.string().trim().max(40)),
  parentId: z9.number().int().nullable().default(null),
  address: z9.array(z9.string().trim().min(1).max(120)).max(6).default([]),
  country: noneIfEmpty(country),
  taxNumber: noneIfEmpty(z9.string().trim().max(40)),
  terms: noneIfEmpty(
    z9.string().trim().refine((text) => readPlan(text).ok, "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30.")
  ),
  currency: noneIfEmpty(currencyCode),
  way: z9.enum(WAYS).default("mail"),
  paysBy: z9.array(z9.enum(["card", "bank"])).nullable().default(null),
  notes: z9.string().trim().max(4e3).default(""),
  look: noneIfEmpty(z9.string().trim().max(40))
});
var writeCustomer = defineCommand({
  name: "writeCustomer",
  schema: z9.object({ id: z9.number().int().nullable().default(null), customer: customerInput }),
  run(ctx, { id, customer }) {
    const tax = customer.taxNumber === null ? ok(null) : taxNumberOf(customer.taxNumber, customer.country);
    if (!tax.ok) return tax;
    const written2 = { ...customer, taxNumber: tax.value?.text ?? customer.taxNumber };
    if (written2.look !== null && !ctx.settings.looks.some(({ name: name2 }) => name2 === written2.look))
      return fail("look.unknown", { field: "look", look: written2.look });
    if (written2.parentId !== null && !customerById(ctx.db, written2.parentId))
      return fail("customer.unknown", { id: written2.parentId });
    return id === null ? writeNew(ctx, written2) : change(ctx, id, written2);
  }
});
function writeNew(ctx, input) {
  const taken2 = (number2) => customerByExternalId(ctx.db, number2) !== void 0;
  if (input.number !== "" && taken2(input.number))
    return fail("customer.taken", { field: "number", number: input.number });
  const number = input.number || nextCustomerNumber(latestCustomerNumber(ctx.db), taken2);
  const { name: called, email, phone, parentId } = input;
  const row = { externalId: number, name: called, email, phone, parentId };
  const id = insertCustomer(ctx.db, { ...row, fileId: null, lineNo: null });
  setCard(ctx.db, id, cardIn(input));
  const actId = ctx.act(
    "customer_new",
    { kind: "customer", id, customerId: id },
    `new customer ${number}, ${called}`
  );
  return ok({ id, number, actId });
}
function change(ctx, id, input) {
  const before2 = customerById(ctx.db, id);
  if (!before2 || before2.mergedInto !== null) return fail("customer.unknown", { id });
  if (input.number !== "" && input.number !== before2.externalId)
    return fail("customer.number", { field: "number", number: before2.externalId });
  if (input.parentId !== null && isAboveOf(ctx.db, id, input.parentId))
    return fail("customer.circle", { id: before2.externalId, parent: String(input.parentId) });
  const card = cardOf(ctx.db, id);
  const actId = ctx.act(
    "customer",
    { kind: "customer", id, customerId: id },
    `customer changed: ${changedWords({ ...fieldsOf(before2), ...card }, { ...fieldsOf(input), ...cardIn(input) })}`
  );
  insertEdit(ctx.db, actId, id, { customer: fieldsOf(before2), card });
  setCustomer(ctx.db, id, fieldsOf(input));
  setCard(ctx.db, id, cardIn(input));
  return ok({ id, number: before2.externalId, actId });
}
var fieldsOf = ({
  name: called,
  email,
  phone,
  parentId
}) => ({
  name: called,
  email,
  phone,
  parentId
});
var cardIn = (input) => ({
  address: input.address,
  country: input.country,
  taxNumber: input.taxNumber,
  terms: input.terms,
  currency: input.currency,
  way: input.way,
  paysBy: input.paysBy,
  notes: input.notes,
  look: input.look
});
var FIELD_WORDS = {
  parentId: "head office",
  taxNumber: "tax number",
  paysBy: "ways to pay",
  way: "how invoices come"
};
function changedWords(before2, after) {
  const changed2 = Object.keys(after).filter(
    (field) => JSON.stringify(before2[field]) !== JSON.stringify(after[field])
  );
  return changed2.map((field) => FIELD_WORDS[field] ?? field).join(", ") || "nothing";
}

// src/server/invoices/commands/approveDocuments.ts
import { z as z10 } from "zod";
var approveDocuments = defineCommand({
  name: "approveDocuments",
  schema: z10.object({ ids: z10.array(z10.number().int()).min(1).max(2e3) }),
  run(ctx, { ids }) {
    const approved2 = [];
    let waiting = 0;
    for (const [at, id] of ids.entries()) {
      const document = documentById(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      const done = approveOne(ctx, document);
      if (!done.ok) return done;
      if (done.value) approved2.push(done.value);
      else waiting += 1;
      if (at % 50 === 0) ctx.who.progress?.(at, ids.length);
    }
    return ok({ approved: approved2, waiting });
  }
});

// src/server/invoices/commands/moveSchedule.ts
import { z as z11 } from "zod";

// src/db/schedules.ts
var SCHEDULE = `
  SELECT id, customer_id AS customerId, name, state, counted_from AS countedFrom,
    starts_on AS startsOn, every_count AS everyCount, every_unit AS everyUnit,
    month_end AS monthEnd, until, times, ahead, prorated, makes, next_no AS nextNo,
    next_on AS nextOn, failed_on AS failedOn, failed_words AS failedWords,
    written_by AS writtenBy, version
  FROM schedule`;
function asRow(stored) {
  const { countedFrom, startsOn, everyCount, everyUnit, monthEnd, until, times, ahead, ...rest } = stored;
  const every = { count: everyCount, unit: everyUnit, monthEnd: monthEnd === 1 };
  return {
    ...rest,
    prorated: stored.prorated === 1,
    plan: { countedFrom, startsOn, every, until, times, ahead }
  };
}
function scheduleById(db, id) {
  const row = db.get(`${SCHEDULE} WHERE id = ?`, id);
  return row && asRow(row);
}
function schedulesDue(db, today, most) {
  return db.all(
    `${SCHEDULE} WHERE state = 'running' AND next_on <= ?1
         AND (failed_on IS NULL OR failed_on < ?1)
       ORDER BY next_on, id LIMIT ?2`,
    today,
    most
  ).map(asRow);
}
var valuesOf = ({ plan: plan2, ...row }) => [
  row.customerId,
  row.name,
  row.state,
  plan2.countedFrom,
  plan2.startsOn,
  plan2.every.count,
  plan2.every.unit,
  Number(plan2.every.monthEnd),
  plan2.until,
  plan2.times,
  plan2.ahead,
  Number(row.prorated),
  row.makes,
  row.nextNo,
  row.nextOn,
  row.writtenBy
];
var WRITTEN = `customer_id, name, state, counted_from, starts_on, every_count, every_unit,
  month_end, until, times, ahead, prorated, makes, next_no, next_on, written_by`;
function insertSchedule(db, row) {
  return db.run(
    `INSERT INTO schedule (${WRITTEN}) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    ...valuesOf(row)
  ).id;
}
function changeSchedule(db, id, row) {
  db.run(
    `UPDATE schedule SET (${WRITTEN}) = (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?),
       failed_on = NULL, failed_words = NULL, version = version + 1
     WHERE id = ?`,
    ...valuesOf(row),
    id
  );
}
function moveOn(db, id, next) {
  db.run(
    `UPDATE schedule SET next_no = ?1, next_on = ?2, failed_on = NULL, failed_words = NULL,
       state = CASE WHEN ?2 IS NULL THEN 'ended' ELSE state END
     WHERE id = ?3`,
    next.no,
    next.on,
    id
  );
}
function setScheduleState(db, id, state) {
  db.run(
    "UPDATE schedule SET state = ?, failed_on = NULL, failed_words = NULL, version = version + 1 WHERE id = ?",
    state,
    id
  );
}
function markFailed(db, id, on, words2) {
  db.run("UPDATE schedule SET failed_on = ?, failed_words = ? WHERE id = ?", on, words2, id);
}
function forgetFailures(db) {
  db.run("UPDATE schedule SET failed_on = NULL, failed_words = NULL WHERE failed_on IS NOT NULL");
}
function contentsOf(db, scheduleId) {
  return db.all(
    "SELECT from_day AS fromDay, draft, total FROM schedule_content WHERE schedule_id = ? ORDER BY from_day",
    scheduleId
  );
}
function setContent(db, scheduleId, content) {
  db.run(
    `INSERT INTO schedule_content (schedule_id, from_day, draft, total) VALUES (?, ?, ?, ?)
     ON CONFLICT (schedule_id, from_day) DO UPDATE SET draft = excluded.draft, total = excluded.total`,
    scheduleId,
    content.fromDay,
    content.draft,
    content.total
  );
}
function insertRun(db, scheduleId, { no, from, to }, became) {
  db.run(
    `INSERT INTO schedule_run (schedule_id, period_no, from_day, to_day, document_id, left_out)
     VALUES (?, ?, ?, ?, ?, ?)`,
    scheduleId,
    no,
    from,
    to,
    "documentId" in became ? became.documentId : null,
    "leftOut" in became ? became.leftOut : null
  );
}

// src/server/invoices/commands/moveSchedule.ts
var NEXT = {
  pause: { from: "running", to: "paused" },
  resume: { from: "paused", to: "running" },
  end: { from: null, to: "ended" }
};
var moveSchedule = defineCommand({
  name: "moveSchedule",
  schema: z11.object({
    id: z11.number().int(),
    to: z11.enum(["pause", "resume", "end"]),
    /** Resumed: whether the periods of the pause are billed now. */
    makeUp: z11.boolean().default(false)
  }),
  run(ctx, { id, to, makeUp }) {
    const schedule = scheduleById(ctx.db, id);
    if (!schedule) return fail("schedule.unknown");
    const { from, to: state } = NEXT[to];
    if (schedule.state === "ended") return fail("schedule.ended");
    if (from !== null && schedule.state !== from) return fail("schedule.state", { to });
    setScheduleState(ctx.db, id, state);
    const leftOut = to === "resume" && !makeUp ? leaveOutPaused(ctx, schedule) : 0;
    const words2 = leftOut === 0 ? "" : `, ${leftOut} of the pause left out`;
    ctx.act(
      "schedule",
      { kind: "schedule", id, customerId: schedule.customerId },
      `${schedule.name}: ${to === "end" ? "ended for good" : `${to}d`}${words2}`
    );
    return ok({ leftOut });
  }
});
function leaveOutPaused(ctx, { id, plan: plan2, nextNo }) {
  const passed = periodsDue(plan2, nextNo, ctx.today).filter(({ from }) => from < ctx.today);
  for (const period of passed) insertRun(ctx.db, id, period, { leftOut: "paused" });
  const no = nextNo + passed.length;
  moveOn(ctx.db, id, { no, on: periodOf(plan2, no)?.writtenOn ?? null });
  return passed.length;
}

// src/server/invoices/commands/joinDrafts.ts
import { z as z12 } from "zod";
var joinDrafts = defineCommand({
  name: "joinDrafts",
  schema: z12.object({ ids: z12.array(z12.number().int()).min(2, "Choose two or more.").max(200) }),
  run(ctx, { ids }) {
    const drafts = draftsOf(
      ctx,
      [...new Set(ids)].sort((a, b) => a - b)
    );
    if (!drafts.ok) return drafts;
    const [first, ...others] = drafts.value;
    if (!first || others.length === 0) return fail("join.few");
    const worked = workOut(ctx, together(drafts.value.map((draft) => inputOf(ctx.db, draft))));
    if (!worked.ok) return worked;
    const { content, lines, charges } = worked.value;
    changeDocument(ctx.db, first.id, content);
    replaceLines(ctx.db, first.id, lines, charges);
    const subject = { kind: "document", customerId: first.customerId };
    for (const { id } of others) {
      setStage(ctx.db, id, "dropped");
      ctx.act("draft", { ...subject, id }, "billed together with another draft");
    }
    const sum5 = ctx.sum(content.total, content.currency);
    ctx.act("draft", { ...subject, id: first.id }, `${others.length + 1} drafts made one, ${sum5}`);
    return ok({ id: first.id, total: content.total });
  }
});
function draftsOf({ db }, ids) {
  const drafts = [];
  for (const id of ids) {
    const draft = documentById(db, id);
    if (!draft) return fail("document.unknown", { id });
    if (draft.stage !== "draft" || draft.kind !== "invoice")
      return fail("document.written", { number: draft.number ?? "One of these" });
    if (draft.depositOf !== null) return fail("join.deposit");
    if (drafts[0] && !isAlike(draft, drafts[0])) return fail("join.other");
    if (draft.discountPercent !== null || draft.discountSum !== null) return fail("join.discount");
    drafts.push(draft);
  }
  return ok(drafts);
}
var SAME = [
  "customerId",
  "currency",
  "taxIncluded",
  "taxRounded",
  "withholdingPercent",
  "paysBy"
];
var isAlike = (one, other) => SAME.every((field) => one[field] === other[field]);
function together(inputs) {
  const [first] = inputs;
  if (!first) throw new RangeError("there is no draft");
  const of = (field) => inputs.flatMap((input) => input[field] ?? []);
  return {
    ...first,
    poNumber: [...new Set(of("poNumber"))].join(", ").slice(0, 60) || null,
    note: [...new Set(of("note"))].join("\n").slice(0, 2e3) || null,
    lines: inputs.flatMap(({ lines }) => lines),
    charges: inputs.flatMap(({ charges }) => charges)
  };
}

// src/server/invoices/commands/markPrinted.ts
import { z as z13 } from "zod";
var markPrinted = defineCommand({
  name: "markPrinted",
  schema: z13.object({ ids: z13.array(z13.number().int()).min(1).max(2e3) }),
  run(ctx, { ids }) {
    for (const id of ids) {
      const document = wayOf(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      markReached(ctx.db, id, ctx.today, null);
      ctx.act(
        "letter",
        { kind: "open_item", id: document.itemId, customerId: document.customerId },
        `${document.number} went out on paper`
      );
    }
    return ok({ printed: ids.length });
  }
});

// src/server/invoices/commands/moveDraft.ts
import { z as z14 } from "zod";
var WORDS = {
  drop: "draft dropped",
  take_up: "draft taken up again",
  return: "given back to be changed"
};
var moveDraft = defineCommand({
  name: "moveDraft",
  schema: z14.object({ id: z14.number().int(), to: z14.enum(["drop", "take_up", "return"]) }),
  run(ctx, { id, to }) {
    const document = documentById(ctx.db, id);
    if (!document) return fail("document.unknown", { id });
    const next = nextStage(document.stage, to);
    if (!next.ok) return next;
    if (next.value === "approved") return fail("document.stage", { stage: "approved", event: to });
    setStage(ctx.db, id, next.value);
    ctx.act("draft", { kind: "document", id, customerId: document.customerId }, WORDS[to]);
    return ok(null);
  }
});

// src/server/paying/commands/agree.ts
import { z as z15 } from "zod";

// src/db/consents.ts
var CONSENT = `SELECT c.id, c.customer_id AS customerId, c.method_id AS methodId, c.words, c.on_day AS onDay, c.at,
  c.address, c.agent, e.on_day AS endedOn FROM consent c LEFT JOIN consent_end e ON e.consent_id = c.id`;
function insertConsent(db, consent) {
  return db.run(
    "INSERT INTO consent (customer_id, method_id, words, on_day, at, address, agent) VALUES (?, ?, ?, ?, ?, ?, ?)",
    consent.customerId,
    consent.methodId,
    consent.words,
    consent.onDay,
    consent.at,
    consent.address,
    consent.agent
  ).id;
}
function insertConsentEnd(db, id, end) {
  db.run(
    "INSERT INTO consent_end (consent_id, on_day, at, address, agent) VALUES (?, ?, ?, ?, ?)",
    id,
    end.onDay,
    end.at,
    end.address,
    end.agent
  );
}
var consentOf = (db, customerId) => db.get(
  `${CONSENT} WHERE c.customer_id = ? AND e.consent_id IS NULL ORDER BY c.id DESC LIMIT 1`,
  customerId
);
var consentsInForce = (db) => db.all(
  `${CONSENT} WHERE e.consent_id IS NULL AND c.id = (
       SELECT max(l.id) FROM consent l LEFT JOIN consent_end n ON n.consent_id = l.id
       WHERE l.customer_id = c.customer_id AND n.consent_id IS NULL)
     ORDER BY c.customer_id`
);
function insertAgreedSkip(db, { customerId, onDay, reason, actId }) {
  db.run(
    "INSERT OR REPLACE INTO agreed_skip (customer_id, on_day, reason, act_id) VALUES (?, ?, ?, ?)",
    customerId,
    onDay,
    reason,
    actId
  );
}
var agreedSkips = (db, on) => db.all("SELECT customer_id AS customerId, reason FROM agreed_skip WHERE on_day = ?", on);

// src/db/payMethods.ts
var METHOD = "SELECT id, customer_id AS customerId, token, way, name, last_four AS lastFour, expires, kept_on AS keptOn, removed_on AS removedOn, asked_anew_on AS askedAnewOn, proven, sums_there_on AS sumsThereOn FROM pay_method";
var payMethodById = (db, id) => db.get(`${METHOD} WHERE id = ?`, id);
var payMethodByToken = (db, token) => db.get(`${METHOD} WHERE token = ?`, token);
var payMethodsOf = (db, customerId) => db.all(
  `${METHOD} WHERE customer_id = ? AND removed_on IS NULL ORDER BY id DESC`,
  customerId
);
function askedAnew(db, id, on) {
  db.run("UPDATE pay_method SET asked_anew_on = ? WHERE id = ?", on, id);
}
function sumsSent(db, id, thereOn) {
  db.run("UPDATE pay_method SET sums_there_on = ? WHERE id = ?", thereOn, id);
}
function setProven(db, id) {
  db.run("UPDATE pay_method SET proven = 1 WHERE id = ?", id);
}
function insertPayMethod(db, method) {
  return db.run(
    `INSERT INTO pay_method (customer_id, token, way, name, last_four, expires, kept_on, removed_on, proven)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    method.customerId,
    method.token,
    method.way,
    method.name,
    method.lastFour,
    method.expires,
    method.keptOn,
    method.removedOn,
    method.proven
  ).id;
}
function removePayMethod(db, id, on) {
  db.run("UPDATE pay_method SET removed_on = ? WHERE id = ?", on, id);
}

// src/server/paying/commands/agree.ts
var whence = {
  address: z15.string().trim().min(1).max(60),
  agent: z15.string().trim().max(400)
};
var agree = defineCommand({
  name: "agree",
  schema: z15.object({
    customerId: z15.number().int(),
    methodId: z15.number().int(),
    ...whence
  }),
  run(ctx, { customerId, methodId, address: address2, agent }) {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    const { language } = followedRow(ctx.db, customerId);
    const words2 = consentWords(language, ctx.settings.name, methodInWords(language, method));
    const made = { onDay: ctx.today, at: ctx.at, address: address2, agent };
    const before2 = consentOf(ctx.db, customerId);
    if (before2) insertConsentEnd(ctx.db, before2.id, made);
    const id = insertConsent(ctx.db, { customerId, methodId, words: words2, ...made });
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `agreed that what is due is taken from ${method.name} ending in ${method.lastFour}`
    );
    return ok({ id });
  }
});
var endAgreement = defineCommand({
  name: "endAgreement",
  schema: z15.object({ customerId: z15.number().int(), ...whence }),
  run(ctx, { customerId, address: address2, agent }) {
    const consent = consentOf(ctx.db, customerId);
    if (!consent) return fail("consent.none");
    insertConsentEnd(ctx.db, consent.id, { onDay: ctx.today, at: ctx.at, address: address2, agent });
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      "nothing is taken by itself any more: the agreement is ended"
    );
    return ok(null);
  }
});

// src/server/paying/commands/askForCard.ts
import { z as z16 } from "zod";
var askForCard = defineCommand({
  name: "askForCard",
  schema: z16.object({ methodIds: z16.array(z16.number().int()).min(1).max(500) }),
  run(ctx, { methodIds }) {
    if (ctx.settings.linkBase === null) return fail("card.no_link");
    const unreached = [];
    let sent = 0;
    for (const id of methodIds) {
      const method = payMethodById(ctx.db, id);
      if (!method || method.removedOn !== null) return fail("method.gone");
      if (runsOutOn(method.expires, ctx.today) === null) return fail("card.not_yet");
      if (method.askedAnewOn !== null) continue;
      const asked = ask(ctx, method);
      if (!asked.ok) return asked;
      if (asked.value === null) sent += 1;
      else unreached.push(asked.value);
    }
    return ok({ sent, unreached });
  }
});
function ask(ctx, method) {
  const { db, settings, today } = ctx;
  const { customerId } = method;
  const customer = customerById(db, customerId);
  if (!customer) return fail("customer.unknown", { id: customerId });
  const { to, copies, greeting } = reachOf(ctx, customer);
  if (to === null) return ok(customer.name);
  const { language } = followedRow(db, customerId);
  const month = new Intl.DateTimeFormat(language, {
    month: "long",
    year: "numeric",
    timeZone: "UTC"
  });
  const words2 = fill(cardLetter(language), {
    customer: greeting,
    business: settings.name,
    method: methodInWords(language, method),
    month: month.format(/* @__PURE__ */ new Date(`${method.expires}-01T12:00:00Z`)),
    link: `${settings.linkBase}/pay/${linkOf(db, customerId)}`
  });
  if (!words2.ok) return words2;
  const actId = ctx.act(
    "letter",
    { kind: "customer", id: customerId, customerId },
    `asked for another card: the one ending in ${method.lastFour} runs out`
  );
  const { subject, body } = words2.value;
  mailBeside(ctx, { customerId, to, copies, subject, body, what: "card", actId });
  askedAnew(db, method.id, today);
  return ok(null);
}

// src/server/paying/commands/beginPayment.ts
import { z as z17 } from "zod";

// src/db/payPlans.ts
var PLAN = `SELECT p.id, p.customer_id AS customerId, p.method_id AS methodId, p.currency, p.words, p.on_day AS onDay, p.at,
  p.address, p.agent, p.contact_id AS contactId FROM pay_plan p LEFT JOIN pay_plan_end e ON e.plan_id = p.id
  WHERE e.plan_id IS NULL`;
function insertPayPlan(db, plan2) {
  const { id } = db.run(
    "INSERT INTO pay_plan (customer_id, method_id, currency, words, on_day, at, address, agent, contact_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    plan2.customerId,
    plan2.methodId,
    plan2.currency,
    plan2.words,
    plan2.onDay,
    plan2.at,
    plan2.address,
    plan2.agent,
    plan2.contactId
  );
  for (const itemId of plan2.itemIds)
    db.run("INSERT INTO pay_plan_item (plan_id, open_item_id) VALUES (?, ?)", id, itemId);
  for (const { dueOn, amount: amount2 } of plan2.parts)
    db.run(
      "INSERT INTO pay_plan_part (plan_id, due_on, amount) VALUES (?, ?, ?)",
      id,
      dueOn,
      amount2
    );
  return id;
}
function insertPayPlanEnd(db, planId, onDay, why) {
  db.run("INSERT INTO pay_plan_end (plan_id, on_day, why) VALUES (?, ?, ?)", planId, onDay, why);
}
var plansInForce = (db, customerId = null) => customerId === null ? db.all(`${PLAN} ORDER BY p.id`) : db.all(`${PLAN} AND p.customer_id = ? ORDER BY p.id`, customerId);
var planOfPart = (db, partId) => db.get(`${PLAN} AND p.id = (SELECT plan_id FROM pay_plan_part WHERE id = ?)`, partId);
var partsOfPlan = (db, planId) => db.all(
  "SELECT id, due_on AS dueOn, amount FROM pay_plan_part WHERE plan_id = ? ORDER BY due_on, id",
  planId
);
var itemsOfPlan = (db, planId) => db.all(
  "SELECT open_item_id AS id FROM pay_plan_item WHERE plan_id = ? ORDER BY open_item_id",
  planId
).map(({ id }) => id);
var isInPlan = (db, itemId) => db.get(
  `SELECT 1 FROM pay_plan_item i LEFT JOIN pay_plan_end e ON e.plan_id = i.plan_id
     WHERE i.open_item_id = ? AND e.plan_id IS NULL`,
  itemId
) !== void 0;

// src/server/paying/steps/accountFor.ts
var USUAL = { card: "card", bank: "ach" };
var accountForWay = (db, way, currency) => processorAccounts(db).find(
  (account) => account.code === USUAL[way] && account.currency === currency
);

// src/db/payLinks.ts
var LINK = "SELECT id, customer_id AS customerId, made_on AS madeOn, ended_on AS endedOn, sum_from AS sumFrom, sum_to AS sumTo, asks_consent AS asksConsent FROM pay_link";
var payLinkById = (db, id) => db.get(`${LINK} WHERE id = ?`, id);
function insertPayLink(db, link, itemIds) {
  const { id } = db.run(
    "INSERT INTO pay_link (hash, customer_id, made_on, act_id, sum_from, sum_to, asks_consent) VALUES (?, ?, ?, ?, ?, ?, ?)",
    link.hash,
    link.customerId,
    link.madeOn,
    link.actId,
    link.sumFrom,
    link.sumTo,
    link.asksConsent
  );
  for (const itemId of itemIds)
    db.run("INSERT INTO pay_link_item (link_id, open_item_id) VALUES (?, ?)", id, itemId);
  return id;
}
function endPayLink(db, id, on) {
  db.run("UPDATE pay_link SET ended_on = ? WHERE id = ?", on, id);
}

// src/server/paying/steps/sumRules.ts
var sumRulesFor = ({ surchargePercent, bankSavingPercent }, by) => ({
  surchargePercent: by === "agreed" ? null : surchargePercent,
  savingPercent: bankSavingPercent
});
function sumLimitsFor({ ownSumsFrom }, link) {
  const from = link?.sumFrom ?? (link?.sumTo ? minor(1) : ownSumsFrom);
  return from === null ? null : { from: minor(from), to: link?.sumTo ?? null };
}

// src/server/paying/steps/askedOf.ts
var NO_RULES = { surchargePercent: null, savingPercent: null };
function askedOf(ctx, asking, { method, items: items2 }) {
  const open = items2.map(({ id, balance }) => add(balance, negate(beingPaid(ctx.db, id))));
  const parts = asking.parts.map((part, at) => ({
    ...part,
    isWhole: part.amount === open[at]
  }));
  const problem = asking.by === "link" ? sumProblem(ctx, asking, { parts, open }) : null;
  if (problem) return problem;
  const rules = asking.planPartId === null ? sumRulesFor(ctx.settings, asking.by) : NO_RULES;
  const asked = askedSum(parts, method.way, rules);
  return asking.sum === void 0 || asking.sum === asked.sum ? ok(asked) : fail("pay.sum");
}
function sumProblem(ctx, { linkId }, { parts, open }) {
  const link = linkId === null ? null : payLinkById(ctx.db, linkId);
  const limits = sumLimitsFor(ctx.settings, link);
  if (limits === null) return parts.every(({ isWhole }) => isWhole) ? null : fail("pay.whole");
  const settled2 = sumOf(parts, ({ amount: amount2 }) => amount2);
  const all = sumOf(open, (sum5) => sum5);
  return isWithin(settled2, limits, all) ? null : fail("pay.limits");
}

// src/server/paying/steps/isProven.ts
var isProven = (db, { provenAccounts }, { id, way, proven }) => !provenAccounts || way === "card" || proven === 1 || hasPaidBy(db, id);

// src/server/paying/steps/waysFor.ts
function waysFor(db, { id, customerId }) {
  const own = cardOf(db, customerId).paysBy?.join(",");
  return offeredWays([
    documentOfItem(db, id)?.paysBy ?? null,
    PAYS_BY.find((known) => known === own) ?? null,
    readSettings(db).paysBy
  ]);
}

// src/server/paying/commands/beginPayment.ts
var amount = z17.number().int().positive().transform(minor);
var schema = z17.object({
  /** The processor takes each key once: the same again is the same payment. */
  key: z17.string().regex(/^[A-Za-z0-9_-]{8,80}$/),
  customerId: z17.number().int(),
  methodId: z17.number().int(),
  by: z17.enum(["link", "agreed", "clerk"]),
  /** Who said that it may be taken, and how, where a clerk takes it. */
  word: z17.string().trim().max(200).default(""),
  /** The part of a plan that it pays. */
  planPartId: z17.number().int().nullable().default(null),
  /** The link by which a customer pays; null for the page of its account. */
  linkId: z17.number().int().nullable().default(null),
  /** The sum that was shown before it is taken, with what comes on top and what is saved. */
  sum: amount.optional(),
  parts: z17.array(z17.object({ itemId: z17.number().int(), amount })).min(1).max(500)
});
var beginPayment = defineCommand({
  name: "beginPayment",
  schema,
  run(ctx, input) {
    const method = payMethodById(ctx.db, input.methodId);
    if (method?.customerId !== input.customerId) return fail("method.gone");
    const before2 = paymentByKey(ctx.db, input.key);
    if (before2 && !isSame(ctx, before2, input)) return fail("pay.key");
    const items2 = itemsOf(ctx, input, before2 !== void 0);
    if (!items2.ok) return items2;
    if (before2) return ok(begun(ctx, input, { payment: before2, method, items: items2.value }));
    return keep(ctx, input, { method, items: items2.value });
  }
});
function keep(ctx, input, { method, items: items2 }) {
  const currency = items2[0]?.currency ?? ctx.settings.currency;
  const barred = items2.find((item) => !waysFor(ctx.db, item).includes(method.way));
  if (barred && input.by !== "clerk")
    return fail("pay.way", { number: barred.number, way: method.way });
  if (!isProven(ctx.db, ctx.settings, method))
    return fail("method.unproven", { method: `${method.name} ending in ${method.lastFour}` });
  const account = accountForWay(ctx.db, method.way, currency);
  if (!account) return fail("pay.no_account", { way: method.way, currency });
  const stale = ctx.staleRate(currency, ctx.today);
  if (stale) return { ok: false, error: stale };
  const allowed = allowedBy(ctx, input, method);
  if (!allowed.ok) return allowed;
  const asked = askedOf(ctx, input, { method, items: items2 });
  if (!asked.ok) return asked;
  const { sum: sum5, surcharge, savings } = asked.value;
  insertPayment(
    ctx.db,
    {
      key: input.key,
      customerId: input.customerId,
      methodId: method.id,
      processorAccountId: account.id,
      currency,
      amount: sum5,
      surcharge,
      by: input.by,
      consentId: allowed.value,
      planPartId: input.planPartId,
      askedOn: ctx.today,
      askedAt: ctx.at
    },
    input.parts.map((part, at) => ({ ...part, saving: savings[at] ?? ZERO }))
  );
  if (input.by === "clerk") keepWord(ctx, input, ctx.sum(sum5, currency));
  const payment = paymentByKey(ctx.db, input.key);
  if (!payment) throw new Error("a payment that was written is there");
  return ok(begun(ctx, input, { payment, method, items: items2 }));
}
function allowedBy({ db }, { by, customerId, word, planPartId }, { id }) {
  if (by === "clerk") return word.length < 3 ? fail("pay.word") : ok(null);
  if (by === "link") return ok(null);
  if (planPartId !== null)
    return planOfPart(db, planPartId)?.methodId === id ? ok(null) : fail("plan.ended");
  const consent = consentOf(db, customerId);
  return consent?.methodId === id ? ok(consent.id) : fail("consent.none");
}
var keepWord = (ctx, { customerId, word }, sum5) => ctx.act(
  "paying",
  { kind: "customer", id: customerId, customerId },
  `${sum5} may be taken: ${word}`
);
var isSame = ({ db }, before2, { customerId, methodId, parts }) => before2.customerId === customerId && before2.methodId === methodId && sumOf(partsOfPayment(db, before2.id), settled) === sumOf(parts, settled);
var settled = (part) => part.amount;
function begun(ctx, { customerId }, { payment, method, items: items2 }) {
  const customer = customerById(ctx.db, customerId);
  return {
    paymentId: payment.id,
    state: payment.state,
    token: method.token,
    amount: payment.amount,
    currency: payment.currency,
    payerName: customer?.name ?? "",
    payerEmail: customer?.email ?? "",
    reference: items2.map(({ number }) => number).join(" ").slice(0, 200)
  };
}
function itemsOf(ctx, { customerId, parts }, isKnown) {
  const own = /* @__PURE__ */ new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)]);
  const items2 = [];
  for (const { itemId, amount: part } of parts) {
    const item = openItemById(ctx.db, itemId);
    if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
    if (items2[0] && items2[0].currency !== item.currency) return fail("pay.currencies");
    if (!isKnown && part > item.balance - beingPaid(ctx.db, itemId))
      return fail("pay.paid", { number: item.number });
    items2.push(item);
  }
  return ok(items2);
}

// src/server/paying/commands/keepMethod.ts
import { z as z18 } from "zod";
var TOKEN = /^[a-z]{2,10}_[A-Za-z0-9]{8,64}$/;
var keepMethod = defineCommand({
  name: "keepMethod",
  schema: z18.object({
    customerId: z18.number().int(),
    token: z18.string().regex(TOKEN),
    way: z18.enum(WAYS_TO_PAY),
    name: z18.string().trim().min(1).max(60),
    lastFour: z18.string().regex(/^\d{4}$/),
    expires: z18.string().regex(/^\d{4}-\d\d$/).nullable(),
    proven: z18.boolean().default(false),
    /** Whether it stays on file, or is for one payment. */
    onFile: z18.boolean()
  }),
  run(ctx, input) {
    if (!customerById(ctx.db, input.customerId))
      return fail("customer.unknown", { id: input.customerId });
    if (!TOKEN.test(input.token)) return fail("method.token");
    const known = payMethodByToken(ctx.db, input.token);
    if (known)
      return known.customerId === input.customerId ? ok({ id: known.id }) : fail("method.gone");
    const { onFile, proven, ...method } = input;
    const id = insertPayMethod(ctx.db, {
      ...method,
      proven: proven ? 1 : 0,
      keptOn: ctx.today,
      removedOn: onFile ? null : ctx.today
    });
    if (onFile)
      ctx.act(
        "paying",
        { kind: "customer", id: input.customerId, customerId: input.customerId },
        `${input.name} ending in ${input.lastFour} is on file`
      );
    return ok({ id });
  }
});

// src/server/paying/commands/makePayLink.ts
import { z as z19 } from "zod";
var sum2 = z19.number().int().positive().transform(minor).nullable().default(null);
var makePayLink = defineCommand({
  name: "makePayLink",
  schema: z19.object({
    customerId: z19.number().int(),
    itemIds: z19.array(z19.number().int()).max(200),
    /** Between which sums it is paid; left out: as the book says. Both the same: the sum is fixed. */
    sumFrom: sum2,
    sumTo: sum2,
    /** Whether who pays by it agrees that what comes is taken by itself: a tenant, a monthly plan. */
    asksConsent: z19.boolean().default(false),
    hash: z19.string().regex(/^[0-9a-f]{64}$/)
  }),
  run(ctx, input) {
    const { customerId, itemIds, sumFrom, sumTo, hash } = input;
    if (sumFrom !== null && sumTo !== null && sumTo < sumFrom) return fail("pay.link_sums");
    if (!customerById(ctx.db, customerId)) return fail("customer.unknown", { id: customerId });
    const own = /* @__PURE__ */ new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id: id2 }) => id2)]);
    const numbers = [];
    for (const id2 of itemIds) {
      const item = openItemById(ctx.db, id2);
      if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
      numbers.push(item.number);
    }
    const actId = ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `a link to pay ${numbers.length === 0 ? "all that is open" : numbers.join(", ")} made`
    );
    const asksConsent = input.asksConsent ? 1 : 0;
    const link = {
      hash,
      customerId,
      madeOn: ctx.today,
      sumFrom,
      sumTo,
      asksConsent,
      actId
    };
    const id = insertPayLink(ctx.db, link, itemIds);
    return ok({ id });
  }
});
var withdrawPayLink = defineCommand({
  name: "withdrawPayLink",
  schema: z19.object({ id: z19.number().int() }),
  run(ctx, { id }) {
    const link = payLinkById(ctx.db, id);
    if (!link || link.endedOn !== null) return fail("pay.link_gone");
    endPayLink(ctx.db, id, ctx.today);
    ctx.act(
      "paying",
      { kind: "customer", id: link.customerId, customerId: link.customerId },
      "a link to pay was withdrawn"
    );
    return ok(null);
  }
});

// src/server/paying/commands/askRefund.ts
import { z as z20 } from "zod";

// src/db/refunds.ts
var REFUND = `SELECT id, key, receipt_id AS receiptId, processor_account_id AS processorAccountId, charge_id AS chargeId,
  currency, amount, credit_note_id AS creditNoteId, why, asked_by AS askedBy, asked_on AS askedOn, state, code,
  decided_by AS decidedBy FROM refund`;
var refundByKey = (db, key) => db.get(`${REFUND} WHERE key = ?`, key);
var refundById = (db, id) => db.get(`${REFUND} WHERE id = ?`, id);
var refundsIn = (db, state) => db.all(`${REFUND} WHERE state = ? ORDER BY id LIMIT 1000`, state);
var refundsUnderWay = (db) => db.all(`${REFUND} WHERE state IN ('waiting', 'asked')`);
function insertRefund(db, row) {
  return db.run(
    `INSERT INTO refund (key, receipt_id, processor_account_id, charge_id, currency, amount, credit_note_id, why, asked_by, asked_on, state)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    row.key,
    row.receiptId,
    row.processorAccountId,
    row.chargeId,
    row.currency,
    row.amount,
    row.creditNoteId,
    row.why,
    row.askedBy,
    row.askedOn,
    row.state
  ).id;
}
function setRefund(db, id, { state, code: code2, decidedBy }) {
  db.run(
    "UPDATE refund SET state = ?, code = ?, decided_by = ? WHERE id = ?",
    state,
    code2,
    decidedBy,
    id
  );
}

// src/server/paying/steps/freeToGoBack.ts
function freeToGoBack(db, receipt, { creditNoteId, apart }) {
  const others = refundsUnderWay(db).filter(({ id }) => id !== apart);
  const own = others.filter(({ receiptId }) => receiptId === receipt.id);
  const left = add(receipt.amount, negate(receipt.goneBack), negate(amountsOf(own)));
  const onNote = others.filter((refund) => refund.creditNoteId === creditNoteId);
  if (creditNoteId === null) {
    const onAccount = onNote.filter(({ receiptId }) => receiptId === receipt.id);
    return within(left, receipt.onAccount - amountsOf(onAccount));
  }
  const note = openItemById(db, creditNoteId);
  const isOurs = note?.customerId === receipt.customerId && note?.currency === receipt.currency;
  if (!note || !isOurs || note.balance >= 0) return null;
  return within(left, -note.balance - amountsOf(onNote));
}
var amountsOf = (refunds) => sumOf(refunds, ({ amount: amount2 }) => amount2);
var within = (left, sum5) => minor(Math.max(0, Math.min(left, sum5)));

// src/server/paying/commands/askRefund.ts
var schema2 = z20.object({
  /** The processor sends back each key once: the same again is the same refund. */
  key: z20.string().regex(/^[A-Za-z0-9_-]{8,80}$/),
  receiptId: z20.number().int(),
  amount: z20.number().int().positive().transform(minor),
  /** The credit note that is paid out; without one it is credit on account. */
  creditNoteId: z20.number().int().nullable().default(null),
  why: z20.string().trim().min(3).max(200)
});
var askRefund = defineCommand({
  name: "askRefund",
  schema: schema2,
  run(ctx, asked) {
    const before2 = refundByKey(ctx.db, asked.key);
    if (before2)
      return before2.receiptId === asked.receiptId && before2.amount === asked.amount ? ok({ id: before2.id, state: before2.state }) : fail("pay.key");
    const receipt = receiptById(ctx.db, asked.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const charge = chargeOf(ctx, receipt.id);
    if (!charge) return fail("refund.way");
    const free = freeToGoBack(ctx.db, receipt, asked);
    if (free === null) return fail("refund.note");
    if (asked.amount > free)
      return fail("refund.free", {
        sum: ctx.sum(asked.amount, receipt.currency),
        credit: ctx.sum(free, receipt.currency)
      });
    const stale = ctx.staleRate(receipt.currency, ctx.today);
    if (stale) return { ok: false, error: stale };
    return ok(keep2(ctx, asked, { receipt, charge }));
  }
});
var chargeOf = ({ db }, receiptId) => itemsOfReceipt(db, receiptId).find(({ kind }) => kind === "charge");
function keep2(ctx, { key, amount: amount2, creditNoteId, why }, { receipt, charge }) {
  const { approvalOver } = ctx.settings;
  const state = approvalOver !== null && amount2 > approvalOver ? "waiting" : "asked";
  const id = insertRefund(ctx.db, {
    key,
    receiptId: receipt.id,
    processorAccountId: charge.processorAccountId,
    chargeId: charge.externalId,
    currency: receipt.currency,
    amount: amount2,
    creditNoteId,
    why,
    askedBy: ctx.who.actor,
    askedOn: ctx.today,
    state
  });
  const then = state === "waiting" ? ", waits for a second person" : "";
  ctx.act(
    "decide",
    { kind: "receipt", id: receipt.id, customerId: receipt.customerId },
    `${ctx.sum(amount2, receipt.currency)} to go back: ${why}${then}`
  );
  return { id, state };
}

// src/server/paying/commands/decideRefund.ts
import { z as z21 } from "zod";
var decideRefund = defineCommand({
  name: "decideRefund",
  schema: z21.object({ refundId: z21.number().int(), approve: z21.boolean() }),
  run(ctx, { refundId, approve: approve2 }) {
    const refund = refundById(ctx.db, refundId);
    if (refund?.state !== "waiting") return fail("refund.decided");
    if (approve2 && refund.askedBy === ctx.who.actor)
      return fail("document.second", { name: refund.askedBy });
    const receipt = receiptById(ctx.db, refund.receiptId);
    if (!receipt) return fail("receipt.unknown");
    const free = freeToGoBack(ctx.db, receipt, { ...refund, apart: refund.id }) ?? minor(0);
    if (approve2 && refund.amount > free)
      return fail("refund.free", {
        sum: ctx.sum(refund.amount, refund.currency),
        credit: ctx.sum(free, refund.currency)
      });
    const state = approve2 ? "asked" : "given_back";
    setRefund(ctx.db, refund.id, { state, code: null, decidedBy: ctx.who.actor });
    ctx.act(
      "decide",
      { kind: "receipt", id: refund.receiptId, customerId: receipt.customerId },
      `${ctx.sum(refund.amount, refund.currency)} to go back: ${approve2 ? "agreed to" : "given back"}`
    );
    return ok({ state });
  }
});

// src/server/paying/commands/notePayment.ts
import { z as z22 } from "zod";

// src/server/paying/steps/takeCharge.ts
function takeCharge(ctx, payment, fee2) {
  const account = accountOf(ctx, payment);
  const actId = ctx.act(
    "paying",
    { kind: "customer", id: payment.customerId, customerId: payment.customerId },
    `charge ${payment.chargeId}`
  );
  const receiptId = postCharge(ctx, {
    account,
    item: itemOf2(ctx, payment, {
      kind: "charge",
      externalId: payment.chargeId,
      amount: payment.amount
    }),
    payer: { method: "card", ...payerOf(ctx, payment) },
    actId
  });
  if (fee2 !== 0) {
    const item = itemOf2(ctx, payment, {
      kind: "fee",
      externalId: `${payment.chargeId}-f`,
      amount: minor(-fee2),
      relatedId: payment.chargeId
    });
    const id = insertProcessorItem(ctx.db, item, receiptId);
    const taken2 = { item: { ...item, id, receiptId }, customerId: customerOf(ctx, { receiptId }) };
    postActivity(ctx, account, { ...taken2, kind: "fee" }, actId);
  }
  placePayment(ctx, payment, receiptId);
}
function takeOnWay(ctx, payment, chargeId2) {
  insertStarted(ctx.db, {
    processorAccountId: payment.processorAccountId,
    externalId: chargeId2,
    startedOn: ctx.today,
    currency: payment.currency,
    amount: payment.amount,
    ...payerOf(ctx, payment),
    customerId: payment.customerId,
    fileId: null,
    lineNo: null
  });
}
function accountOf({ db }, payment) {
  const account = processorAccounts(db).find(({ id }) => id === payment.processorAccountId);
  if (!account) throw new Error("a payment goes by an account of the book");
  return account;
}
function payerOf({ db }, payment) {
  const customer = customerById(db, payment.customerId);
  const numbers = partsOfPayment(db, payment.id).flatMap(
    ({ itemId }) => openItemById(db, itemId)?.number ?? []
  );
  return {
    payerName: customer?.name ?? "",
    payerEmail: customer?.email ?? "",
    reference: numbers.join(" ").slice(0, 200)
  };
}
function itemOf2({ db, today }, { processorAccountId, currency, methodId }, { kind, externalId, amount: amount2, relatedId }) {
  return {
    processorAccountId,
    externalId,
    kind,
    occurredOn: today,
    settledOn: today,
    currency,
    amount: amount2,
    payoutId: null,
    relatedId: relatedId ?? null,
    origin: "file",
    reason: null,
    settledState: null,
    returnCode: null,
    answerBy: null,
    answeredOn: null,
    brand: payMethodById(db, methodId)?.name ?? null,
    abroad: 0,
    fileId: null,
    lineNo: null
  };
}

// src/server/paying/commands/notePayment.ts
var chargeId = z22.string().min(1).max(80);
var answer = z22.discriminatedUnion("state", [
  z22.object({
    state: z22.literal("approved"),
    chargeId,
    fee: z22.number().int().min(0).transform(minor)
  }),
  z22.object({ state: z22.literal("on_way"), chargeId, settlesOn: isoDay }),
  z22.object({ state: z22.literal("declined"), chargeId, code: z22.string().max(10) }),
  /** It never reached the processor: nothing was taken. */
  z22.object({ state: z22.literal("lost") })
]);
var notePayment = defineCommand({
  name: "notePayment",
  schema: z22.object({ key: z22.string(), answer }),
  run(ctx, input) {
    const payment = paymentByKey(ctx.db, input.key);
    if (!payment) return fail("pay.unknown");
    const said2 = input.answer;
    if (payment.state !== "asked" && payment.code !== "lost")
      return ok({ state: payment.state, code: payment.code });
    if (said2.state === "lost") {
      const nothing = { chargeId: null, settlesOn: null, receiptId: null };
      answerPayment(ctx.db, payment.id, { ...nothing, state: "declined", code: "lost" });
      tell(ctx, payment, "never reached the processor; nothing was taken");
      return ok({ state: "declined", code: "lost" });
    }
    const noted = { chargeId: said2.chargeId, code: null, settlesOn: null, receiptId: null };
    if (said2.state === "declined") {
      answerPayment(ctx.db, payment.id, { ...noted, state: "declined", code: said2.code });
      tell(ctx, payment, `declined (${said2.code})`);
      return ok({ state: "declined", code: said2.code });
    }
    const told = receiptOfCharge(ctx, payment, said2.chargeId);
    if (told !== null) {
      tell(ctx, payment, "paid");
      placePayment(ctx, { ...payment, chargeId: said2.chargeId }, told);
      return ok({ state: "paid", code: null });
    }
    if (said2.state === "on_way") {
      answerPayment(ctx.db, payment.id, { ...noted, state: "on_way", settlesOn: said2.settlesOn });
      takeOnWay(ctx, payment, said2.chargeId);
      tell(ctx, payment, `on its way, settles ${said2.settlesOn}`);
      return ok({ state: "on_way", code: null });
    }
    const stale = ctx.staleRate(payment.currency, ctx.today);
    if (stale) return { ok: false, error: stale };
    answerPayment(ctx.db, payment.id, { ...noted, state: "paid" });
    tell(ctx, payment, "paid");
    takeCharge(ctx, { ...payment, chargeId: said2.chargeId }, said2.fee);
    return ok({ state: "paid", code: null });
  }
});
var receiptOfCharge = ({ db }, { processorAccountId }, id) => processorItemByExternalId(db, processorAccountId, "charge", id)?.receiptId ?? null;
function tell(ctx, payment, words2) {
  const method = payMethodById(ctx.db, payment.methodId);
  const by = { link: "by the customer", agreed: "as agreed", clerk: "by us" }[payment.by];
  ctx.act(
    "paying",
    { kind: "customer", id: payment.customerId, customerId: payment.customerId },
    `${ctx.sum(payment.amount, payment.currency)} ${by} from ${method?.name ?? ""} ending in ${method?.lastFour ?? ""}: ${words2}`
  );
}

// src/server/paying/commands/noteProof.ts
import { z as z23 } from "zod";
var noteProof = defineCommand({
  name: "noteProof",
  schema: z23.object({
    customerId: z23.number().int(),
    methodId: z23.number().int(),
    /** When the sums are there; null: they were typed, and it is proven. */
    thereOn: isoDay.nullable()
  }),
  run(ctx, { customerId, methodId, thereOn }) {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (thereOn === null) setProven(ctx.db, methodId);
    else sumsSent(ctx.db, methodId, thereOn);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `${method.name} ending in ${method.lastFour}: ${thereOn === null ? "proven by two small sums" : "two small sums were sent to prove it"}`
    );
    return ok(null);
  }
});

// src/server/paying/commands/noteRefund.ts
import { z as z24 } from "zod";
var answer2 = z24.discriminatedUnion("state", [
  z24.object({ state: z24.literal("sent"), refundId: z24.string().min(1).max(80) }),
  z24.object({ state: z24.literal("refused"), code: z24.string().max(40) })
]);
var noteRefund = defineCommand({
  name: "noteRefund",
  schema: z24.object({ key: z24.string(), answer: answer2 }),
  run(ctx, { key, answer: said2 }) {
    const refund = refundByKey(ctx.db, key);
    if (!refund) return fail("pay.unknown");
    if (refund.state !== "asked") return ok({ state: refund.state, code: refund.code });
    const code2 = said2.state === "refused" ? said2.code : null;
    setRefund(ctx.db, refund.id, { state: said2.state, code: code2, decidedBy: refund.decidedBy });
    if (said2.state === "sent") {
      post(ctx, refund, said2.refundId);
      useNote(ctx, refund);
    } else tell2(ctx, refund, "decide", `was refused by the processor (${said2.code})`);
    return ok({ state: said2.state, code: code2 });
  }
});
function post(ctx, refund, externalId) {
  const { processorAccountId, currency, chargeId: chargeId2, receiptId } = refund;
  const account = processorAccounts(ctx.db).find(({ id: id2 }) => id2 === processorAccountId);
  if (!account) throw new Error("a refund goes by an account of the book");
  if (processorItemByExternalId(ctx.db, processorAccountId, "refund", externalId)) return;
  const item = {
    processorAccountId,
    externalId,
    kind: "refund",
    occurredOn: ctx.today,
    settledOn: ctx.today,
    currency,
    amount: negate(refund.amount),
    payoutId: null,
    relatedId: chargeId2,
    origin: "file",
    reason: null,
    settledState: null,
    returnCode: null,
    answerBy: null,
    answeredOn: null,
    brand: null,
    abroad: 0,
    fileId: null,
    lineNo: null,
    receiptId
  };
  const id = insertProcessorItem(ctx.db, item, receiptId);
  const actId = tell2(ctx, refund, "paying", `sent back as ${externalId}`);
  const customerId = customerOf(ctx, item);
  postActivity(ctx, account, { item: { ...item, id }, kind: "refund", customerId }, actId);
}
function useNote(ctx, { receiptId, creditNoteId, amount: amount2 }) {
  const receipt = receiptById(ctx.db, receiptId);
  if (!receipt || creditNoteId === null) return;
  const none = minor(0);
  const lines = [
    { itemId: creditNoteId, amount: negate(amount2), discount: none, smallDifference: none }
  ];
  ctx.part(() => {
    const { customerId, onAccount: available } = receipt;
    const checked = checkTally(ctx, receipt, { lines, customerId, available });
    return checked.ok ? applyTally(ctx, { receipt, lines, checked: checked.value, from: "credits" }) : checked;
  });
}
function tell2(ctx, refund, kind, words2) {
  const receipt = receiptById(ctx.db, refund.receiptId);
  return ctx.act(
    kind,
    { kind: "receipt", id: refund.receiptId, customerId: receipt?.customerId ?? null },
    `${ctx.sum(refund.amount, refund.currency)} ${words2}`
  );
}

// src/server/paying/commands/tellSums.ts
import { z as z25 } from "zod";

// src/db/sumsTold.ts
function insertSumTold(db, { openItemId, amount: amount2, onDay, actId }) {
  db.run(
    "INSERT INTO sum_told (open_item_id, amount, on_day, act_id) VALUES (?, ?, ?, ?)",
    openItemId,
    amount2,
    onDay,
    actId
  );
}
var toldOn = (db, itemId, amount2) => db.get(
  `SELECT min(on_day) AS onDay FROM (
       SELECT on_day FROM sum_told WHERE open_item_id = ? AND amount = ?
       UNION ALL
       SELECT l.on_day FROM letter_item i JOIN letter l ON l.id = i.letter_id
       WHERE i.open_item_id = ? AND i.balance = ? AND l.came_back IS NULL)`,
  itemId,
  amount2,
  itemId,
  amount2
)?.onDay ?? null;
var lastTaken = (db, customerId, currency) => db.get(
  `SELECT amount FROM payment WHERE customer_id = ? AND currency = ? AND by = 'agreed' AND state IN ('paid', 'on_way')
     ORDER BY id DESC LIMIT 1`,
  customerId,
  currency
)?.amount ?? null;

// src/server/paying/payKey.ts
import { createHash } from "node:crypto";
var payKey = (by, itemIds, tries) => `${by}-${createHash("sha256").update(JSON.stringify([...itemIds, tries])).digest("hex").slice(0, 40)}`;

// src/server/paying/queries/noticeFor.ts
function noticeFor(db, { customerId, currency, amount: amount2, parts }, { days, on }) {
  if (days === 0 || lastTaken(db, customerId, currency) === amount2) return null;
  const from = mayTakeFrom(
    parts.map((part) => toldOn(db, part.itemId, part.amount)),
    days
  );
  return from !== null && from <= on ? null : { from };
}

// src/server/paying/queries/agreed.ts
function agreedDue(db, on) {
  const settings = readSettings(db);
  return consentsInForce(db).flatMap(({ customerId, methodId }) => {
    const method = payMethodById(db, methodId);
    if (!method) return [];
    const due = dueNow(db, customerId, on).filter((item) => waysFor(db, item).includes(method.way));
    return [...new Set(due.map(({ currency }) => currency))].flatMap((currency) => {
      const items2 = due.filter((item) => item.currency === currency && mayTry(db, item.id, on));
      if (items2.length === 0) return [];
      const tries = Math.max(...items2.map(({ id }) => triesOf(db, id).length)) + 1;
      const parts = items2.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) }));
      const amount2 = agreedSum(parts, method.way, settings);
      const taken2 = { customerId, currency, amount: amount2, parts };
      return {
        ...taken2,
        key: payKey(
          "agreed",
          items2.map(({ id }) => id),
          tries
        ),
        customer: customerById(db, customerId)?.name ?? "",
        methodId,
        method: `${method.name} ending in ${method.lastFour}`,
        way: method.way,
        numbers: items2.map(({ number }) => number),
        tries,
        planPartId: null,
        planId: null,
        notice: noticeFor(db, taken2, { days: settings.noticeDays, on })
      };
    });
  });
}
function agreedSum(parts, way, settings) {
  const whole = parts.map((part) => ({ ...part, isWhole: true }));
  return askedSum(whole, way, sumRulesFor(settings, "agreed")).sum;
}
var dueNow = (db, customerId, on) => openItemsOf(db, customerId).filter(
  ({ id, dueOn, balance }) => dueOn <= on && balance > 0 && beingPaid(db, id) === 0 && !isInPlan(db, id)
);
function mayTry(db, itemId, on) {
  const tries = triesOf(db, itemId);
  const last = tries.at(-1);
  if (!last) return true;
  const code2 = last.code ?? "";
  if (last.state === "returned") {
    const next2 = nextDebit(
      code2,
      tries.map(({ settlesOn, askedOn }) => settlesOn ?? askedOn)
    );
    return next2 !== null && (plannedFor(db, last.receiptId) ?? next2) <= on;
  }
  if (last.state !== "declined" || !isDeclineCode(code2)) return false;
  const next = nextTry(code2, tries.length, last.askedOn);
  return next !== null && next <= on;
}
var plannedFor = (db, receiptId) => receiptId === null ? null : retriesOf(db, receiptId).at(-1)?.plannedOn ?? null;

// src/server/paying/queries/untold.ts
function untoldSums(db, today) {
  const settings = readSettings(db);
  const until = addDays(today, settings.noticeDays);
  return agreedDue(db, until).filter(({ notice }) => notice?.from === null).map((payment) => {
    const parts = payment.parts.filter(
      ({ itemId, amount: amount2 }) => toldOn(db, itemId, amount2) === null
    );
    const numbers = parts.flatMap(({ itemId }) => openItemById(db, itemId)?.number ?? []);
    return { ...payment, parts, numbers, amount: agreedSum(parts, payment.way, settings) };
  });
}

// src/server/paying/commands/tellSums.ts
var tellSums = defineCommand({
  name: "tellSums",
  schema: z25.object({ keys: z25.array(z25.string().min(1).max(80)).min(1).max(5e3) }),
  run(ctx, { keys }) {
    if (ctx.settings.linkBase === null) return fail("sum.no_link");
    const wanted = new Set(keys);
    const unreached = [];
    let told = 0;
    for (const payment of untoldSums(ctx.db, ctx.today)) {
      if (!wanted.has(payment.key)) continue;
      const done = tell3(ctx, payment);
      if (!done.ok) return done;
      if (done.value) told += 1;
      else unreached.push(payment.customer);
    }
    return ok({ told, unreached });
  }
});
function tell3(ctx, payment) {
  const { db, settings, today } = ctx;
  const { customerId, amount: amount2, currency, parts, numbers, methodId } = payment;
  const customer = customerById(db, customerId);
  const method = payMethodById(db, methodId);
  if (!customer || !method) return fail("method.gone");
  const { to, copies, greeting } = reachOf(ctx, customer);
  if (to === null) return ok(false);
  const { language } = followedRow(db, customerId);
  const sum5 = ctx.sum(amount2, currency);
  const from = addDays(today, settings.noticeDays);
  const words2 = fill(sumLetter(language), {
    customer: greeting,
    business: settings.name,
    sum: sum5,
    day: paperDay(from, language),
    method: methodInWords(language, method),
    numbers: numbers.join(", "),
    link: `${settings.linkBase}/pay/${linkOf(db, customerId)}`
  });
  if (!words2.ok) return words2;
  const subject = { kind: "customer", id: customerId, customerId };
  const said2 = `told that ${sum5} is taken from ${formatDay(from, today)} on`;
  const actId = ctx.act("letter", subject, said2);
  mailBeside(ctx, { customerId, to, copies, ...words2.value, what: "sum", actId });
  for (const { itemId, amount: balance } of parts)
    insertSumTold(db, { openItemId: itemId, amount: balance, onDay: today, actId });
  return ok(true);
}

// src/server/paying/commands/agreePlan.ts
import { z as z26 } from "zod";

// src/server/paying/steps/mayBePlanned.ts
function mayBePlanned(ctx, customerId, itemIds) {
  const own = /* @__PURE__ */ new Set([customerId, ...sitesOf(ctx.db, customerId).map(({ id }) => id)]);
  const items2 = [];
  for (const itemId of new Set(itemIds)) {
    const item = openItemById(ctx.db, itemId);
    if (!item || !own.has(item.customerId)) return fail("pay.item_gone");
    if (items2[0] && items2[0].currency !== item.currency) return fail("pay.currencies");
    const isPaid = item.balance <= 0 || beingPaid(ctx.db, itemId) > 0;
    if (isPaid || isInPlan(ctx.db, itemId)) return fail("pay.paid", { number: item.number });
    items2.push(item);
  }
  return items2.some(({ dueOn }) => dueOn < ctx.today) ? ok(items2) : fail("plan.not_late");
}

// src/server/paying/commands/agreePlan.ts
var agreePlan = defineCommand({
  name: "agreePlan",
  schema: z26.object({
    customerId: z26.number().int(),
    methodId: z26.number().int(),
    itemIds: z26.array(z26.number().int()).min(1).max(200),
    count: z26.number().int().min(2).max(24),
    address: z26.string().trim().min(1).max(60),
    agent: z26.string().trim().max(400)
  }),
  run(ctx, { customerId, methodId, itemIds, count, address: address2, agent }) {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (count > (ctx.settings.planParts ?? 0)) return fail("plan.parts");
    const items2 = mayBePlanned(ctx, customerId, itemIds);
    if (!items2.ok) return items2;
    const sum5 = sumOf(items2.value, ({ balance }) => balance);
    const parts = planOf(minor(sum5), count, ctx.today);
    const { language } = followedRow(ctx.db, customerId);
    const [first] = items2.value;
    const said2 = parts.map(({ dueOn, sum: part }) => {
      return `${ctx.sum(part, first.currency)} (${paperDay(dueOn, language)})`;
    });
    const words2 = planWords(language, {
      business: ctx.settings.name,
      method: methodInWords(language, method),
      parts: said2.join(", ")
    });
    const planId = insertPayPlan(ctx.db, {
      customerId,
      methodId,
      currency: first.currency,
      words: words2,
      onDay: ctx.today,
      at: ctx.at,
      address: address2,
      agent,
      contactId: promised(ctx, customerId, parts),
      itemIds,
      parts: parts.map(({ dueOn, sum: amount2 }) => ({ dueOn, amount: amount2 }))
    });
    return ok({ planId });
  }
});
function promised(ctx, customerId, parts) {
  const text = `agreed on its page to pay in ${parts.length} parts`;
  const actId = ctx.act("contact", { kind: "customer", id: customerId, customerId }, text);
  const contactId = insertContact(ctx.db, {
    customerId,
    kind: "promise",
    onDay: ctx.today,
    text,
    promisedOn: parts.at(-1)?.dueOn ?? ctx.today,
    promisedSum: sumOf(parts, ({ sum: sum5 }) => sum5),
    step: null,
    actId
  });
  insertPromiseParts(ctx.db, contactId, parts);
  return contactId;
}
var endPlan = defineCommand({
  name: "endPlan",
  schema: z26.object({
    customerId: z26.number().int(),
    planId: z26.number().int(),
    why: z26.string().trim().min(1).max(200)
  }),
  run(ctx, { customerId, planId, why }) {
    const plan2 = plansInForce(ctx.db, customerId).find(({ id }) => id === planId);
    if (!plan2) return fail("plan.ended");
    insertPayPlanEnd(ctx.db, planId, ctx.today, why);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `the plan in parts is ended: ${why}`
    );
    return ok(null);
  }
});

// src/server/paying/commands/noteEvent.ts
import { z as z27 } from "zod";

// src/db/processorEvents.ts
var insertProcessorEvent = (db, { id, account, on, at }) => db.run(
  "INSERT OR IGNORE INTO processor_event (id, account, on_day, came_at) VALUES (?, ?, ?, ?)",
  id,
  account,
  on,
  at
).changes > 0;
var wasHeard = (db, id) => db.get("SELECT 1 FROM processor_event WHERE id = ?", id) !== void 0;

// src/server/paying/commands/noteEvent.ts
var noteEvent = defineCommand({
  name: "noteEvent",
  schema: z27.object({
    id: z27.string().min(1).max(120),
    account: z27.string().min(1).max(40),
    on: isoDay
  }),
  run: (ctx, event) => ok({ isNew: insertProcessorEvent(ctx.db, { ...event, at: ctx.at }) })
});

// src/server/paying/commands/takeOutOfRun.ts
import { z as z28 } from "zod";
var takeOutOfRun = defineCommand({
  name: "takeOutOfRun",
  schema: z28.object({
    customerIds: z28.array(z28.number().int()).min(1).max(5e3),
    reason: z28.string().trim().min(1, "A reason is needed.").max(500)
  }),
  run(ctx, { customerIds, reason }) {
    for (const customerId of customerIds) {
      if (!customerById(ctx.db, customerId)) return fail("customer.unknown", { id: customerId });
      const actId = ctx.act(
        "paying",
        { kind: "customer", id: customerId, customerId },
        `taken out of today's agreed payments: ${reason}`
      );
      insertAgreedSkip(ctx.db, { customerId, onDay: ctx.today, reason, actId });
    }
    return ok({ out: customerIds.length });
  }
});

// src/server/paying/commands/removeMethod.ts
import { z as z29 } from "zod";
var removeMethod = defineCommand({
  name: "removeMethod",
  schema: z29.object({ customerId: z29.number().int(), methodId: z29.number().int() }),
  run(ctx, { customerId, methodId }) {
    const method = payMethodById(ctx.db, methodId);
    if (method?.customerId !== customerId || method.removedOn !== null) return fail("method.gone");
    if (consentOf(ctx.db, customerId)?.methodId === methodId) return fail("method.agreed");
    removePayMethod(ctx.db, methodId, ctx.today);
    ctx.act(
      "paying",
      { kind: "customer", id: customerId, customerId },
      `${method.name} ending in ${method.lastFour} is off the file`
    );
    return ok(null);
  }
});

// src/server/invoices/commands/askDeposit.ts
import { z as z30 } from "zod";
var askDeposit = defineCommand({
  name: "askDeposit",
  schema: z30.object({
    id: z30.number().int(),
    version: z30.number().int(),
    /** Of what the draft comes to without deposits. */
    percent: z30.string().trim().max(40)
  }),
  run(ctx, { id, version, percent: percent2 }) {
    const draft = documentById(ctx.db, id);
    if (!draft) return fail("document.unknown", { id });
    if (draft.stage !== "draft" || draft.kind !== "invoice" || draft.depositOf !== null)
      return fail("deposit.not_of", { number: draft.number ?? "This document" });
    if (draft.version !== version) return fail("document.elsewhere");
    const share = decimalOf(percent2);
    if (!share.ok || !isShare(share.value))
      return fail("deposit.percent", { field: "percent", text: percent2 });
    const order = inputOf(ctx.db, draft);
    const billing = { ...order, lines: order.lines.filter(({ settles }) => settles === null) };
    const worked = workOut(ctx, billing, writtenAs(draft));
    if (!worked.ok) return worked;
    return written(ctx, { draft, order, worked: worked.value, share: share.value });
  }
});
var isShare = ({ units, places }) => units > 0n && units < 100n * 10n ** BigInt(places);
var isParted = (terms) => {
  const plan2 = terms === null ? null : readPlan(terms);
  return plan2 !== null && plan2.ok && plan2.value.length > 1;
};
var writtenAs = ({ taxIncluded, taxRounded }) => ({
  kind: "invoice",
  corrects: null,
  rules: { included: taxIncluded, rounded: taxRounded }
});
function written(ctx, asked) {
  const { draft, order, share } = asked;
  const lines = depositLines(ctx, asked);
  const asks = {
    ...order,
    issuedOn: ctx.today < order.issuedOn ? ctx.today : order.issuedOn,
    dueOn: null,
    dueReason: null,
    // What is asked for beforehand is not asked for in parts.
    terms: isParted(order.terms) ? "now" : order.terms,
    discountPercent: null,
    discountSum: null,
    charges: [],
    lines
  };
  const deposit = workOut(ctx, asks, writtenAs(draft));
  if (!deposit.ok) return deposit;
  const id = insertDraft(ctx, deposit.value, { depositOf: draft.id });
  const less = depositWords(ctx.db, draft.customerId).less(`${decimalText(share)} %`);
  const taken2 = lines.map((line) => ({ ...line, description: less, quantity: "-1", settles: id }));
  const left = workOut(ctx, { ...order, lines: [...order.lines, ...taken2] }, writtenAs(draft));
  if (!left.ok) return left;
  changeDocument(ctx.db, draft.id, left.value.content);
  replaceLines(ctx.db, draft.id, left.value.lines, left.value.charges);
  const { total, currency } = deposit.value.content;
  ctx.act(
    "draft",
    { kind: "document", id: draft.id, customerId: draft.customerId },
    `${ctx.sum(total, currency)} asked for beforehand`
  );
  return ok({ id, total });
}
function depositLines({ db }, { draft, worked, share }) {
  const words2 = depositWords(db, draft.customerId);
  const what = draft.poNumber ?? worked.lines[0]?.description ?? "";
  return worked.totals.taxes.map(({ tax, net, sum: sum5 }) => {
    const whole = minor(draft.taxIncluded ? net + sum5 : net);
    return { taxCode: tax.code || null, part: partOf(whole, share) };
  }).filter(({ part }) => part !== 0).map(({ taxCode, part }) => ({
    item: null,
    description: words2.of(decimalText(share), what),
    quantity: "1",
    rate: rateOf2(part, draft.currency),
    discountPercent: null,
    taxCode,
    settles: null
  }));
}
var partOf = (whole, { units, places }) => mulDiv(whole, units, 100n * 10n ** BigInt(places), "half-up");
var rateOf2 = (sum5, currency) => toDecimal(sum5, currency);

// src/server/invoices/commands/releaseIncome.ts
import { z as z31 } from "zod";
var releaseIncome = defineCommand({
  name: "releaseIncome",
  schema: z31.object({}),
  run(ctx) {
    let parts = 0;
    let invoices = 0;
    for (const deferral of deferralsLeft(ctx.db)) {
      const released = release(ctx, deferral);
      parts += released;
      if (released > 0) invoices += 1;
    }
    return ok({ invoices, parts });
  }
});
function release(ctx, deferral) {
  let { left, bookLeft } = deferral;
  const due = monthsDue(deferral, ctx.today);
  for (const { monthNo, on } of due) {
    const sum5 = nextPart(left, deferral.months - monthNo + 1);
    const bookSum = sum5 === left ? bookLeft : mulDiv(bookLeft, BigInt(sum5), BigInt(left), "half-up");
    const { openItemId, customerId, number, currency, incomeOf } = deferral;
    const month = formatDay(on);
    const actId = ctx.act(
      "release",
      { kind: "open_item", id: openItemId, customerId },
      `${ctx.sum(sum5, currency)} of ${number} earned by ${month}`
    );
    ctx.post(
      postEarned({
        on,
        partyId: customerId,
        document: { kind: "open_item", id: openItemId, text: `invoice ${number}` },
        income: incomeOf === null ? { role: "income" } : { role: "income", of: incomeOf },
        sum: { amount: sum5, currency, book: bookSum }
      }),
      actId,
      null,
      { asItWas: true }
    );
    moveDeferral(ctx.db, { deferralId: deferral.id, monthNo, sum: sum5, bookSum }, actId);
    left = minor(left - sum5);
    bookLeft = minor(bookLeft - bookSum);
  }
  return due.length;
}

// src/server/invoices/commands/runSchedules.ts
import { z as z33 } from "zod";

// src/contracts/schedules.ts
import { z as z32 } from "zod";
var dayOrNone = isoDay.nullish().transform((value) => value ?? null);
var planInput = z32.object({
  startsOn: isoDay,
  /** Periods are counted from here, on or before the start; null: from the start. */
  countedFrom: dayOrNone,
  everyCount: z32.number().int().min(1, "At least every one.").max(400),
  everyUnit: z32.enum(UNITS),
  monthEnd: z32.boolean().default(false),
  until: dayOrNone,
  times: z32.number().int().min(1).max(1e4).nullish().transform((value) => value ?? null),
  ahead: z32.number().int().min(0).max(90).default(0),
  prorated: z32.boolean().default(true),
  makes: z32.enum(["draft", "approved", "sent"]).default("draft")
});
var billedInput = draftInput.omit({ issuedOn: true, dueOn: true, dueReason: true });

// src/server/invoices/steps/sendOne.ts
var NO_RUNG = 0;
function sendOne(ctx, documentId, { own, again }) {
  const { db, settings } = ctx;
  const document = wayOf(db, documentId);
  const customer = document && customerById(db, document.customerId);
  if (!document || !customer) return fail("document.unknown", { id: documentId });
  if (document.doneOn !== null && !again)
    return fail("document.sent", { number: document.number, day: document.doneOn });
  const reach = { persons: personsOf(db, customer.id), customer };
  const { to, copies, back, greeting } = addressed(reach, (address2) => backFrom(db, address2));
  if (to === null)
    return back[0] ? fail("letter.came_back", back[0]) : fail("letter.no_address", { customer: customer.name });
  const words2 = wordsOf(ctx, document, { greeting, own });
  if (!words2.ok) return words2;
  const actId = ctx.act(
    "letter",
    { kind: "open_item", id: document.itemId, customerId: customer.id },
    `${document.number} sent to ${to}`
  );
  const name2 = `${ctx.today}-${document.number.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
  const letterId = insertLetter(
    db,
    {
      customerId: customer.id,
      step: NO_RUNG,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      ...words2.value,
      currency: document.currency,
      sum: document.total,
      messageId: `<${name2}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name2}.eml`,
      attach: "invoices",
      fee: ZERO,
      feeCurrency: settings.currency,
      actId
    },
    broughtBy(ctx, document)
  );
  markReached(db, documentId, ctx.today, letterId);
  return ok({ letterId, actId });
}
function broughtBy({ db }, { number, itemId, total }) {
  const parts = partsOfInvoice(db, number);
  if (parts.length === 0) return [{ openItemId: itemId, balance: total }];
  return parts.map((part) => ({ openItemId: part.id, balance: part.total }));
}
function wordsOf({ db, settings }, document, { greeting, own }) {
  const { language } = followedRow(db, document.customerId);
  const base = settings.linkBase;
  const account = base === null ? "" : `${base}/account/${linkOf(db, document.customerId)}`;
  const booked = settings.coverSubject === null || settings.coverBody === null ? coverTemplate(language) : { subject: settings.coverSubject, body: settings.coverBody };
  return fill(own ?? booked, {
    customer: greeting,
    business: settings.name,
    number: document.number,
    total: `${document.currency} ${formatMoney(document.total, document.currency, document.currency)}`,
    due: dueWords(db, document, language),
    is_credit: document.kind === "credit_note",
    link: account === "" ? "" : `${account}/invoices/${document.itemId}`,
    account
  });
}
function dueWords(db, { number, dueOn, currency }, language) {
  const parts = partsOfInvoice(db, number);
  if (parts.length === 0) return dayIn(dueOn, language);
  return parts.map(
    (part) => `${dayIn(part.dueOn, language)} (${formatMoney(part.total, currency, currency)})`
  ).join(", ");
}

// src/server/invoices/steps/writePeriod.ts
function writePeriod(ctx, schedule) {
  const period = periodOf(schedule.plan, schedule.nextNo);
  if (!period) {
    moveOn(ctx.db, schedule.id, { no: schedule.nextNo, on: null });
    return fail("schedule.nothing");
  }
  const worked = workedPeriod(ctx, schedule, period);
  if (!worked.ok) return worked;
  const id = insertDraft(ctx, worked.value, { schedule: schedule.name });
  insertRun(ctx.db, schedule.id, period, { documentId: id });
  const next = periodOf(schedule.plan, period.no + 1);
  moveOn(ctx.db, schedule.id, { no: period.no + 1, on: next?.writtenOn ?? null });
  const document = documentById(ctx.db, id);
  if (schedule.makes === "draft" || !document) return ok(id);
  const approved2 = approveOne(ctx, document);
  if (!approved2.ok) return approved2;
  if (schedule.makes === "sent" && approved2.value && isMailed(ctx, id))
    ctx.part(() => sendOne(ctx, id, { own: null, again: false }));
  return ok(id);
}
var isMailed = ({ db }, id) => wayOf(db, id)?.way === "mail";
function workedPeriod(working, schedule, period) {
  const billed = billedOn(contentsOf(working.db, schedule.id), period.from);
  if (!billed) return fail("schedule.nothing");
  const currency = currencyOf(billed.currency ?? working.settings.currency);
  if (!currency) return fail("currency.unknown", { text: billed.currency });
  const as = { currency, prorated: schedule.prorated, language: languageOf(working.db, schedule) };
  return workOut(working, {
    ...billed,
    customerId: schedule.customerId,
    issuedOn: period.from,
    dueOn: null,
    dueReason: null,
    lines: billed.lines.map((line) => lineOfPeriod(line, period, as))
  });
}
var languageOf = (db, { customerId }) => followedRow(db, customerId).language;
function billedOn(contents, on) {
  const content = contents.findLast(({ fromDay }) => fromDay <= on) ?? contents[0];
  return content ? billedInput.parse(JSON.parse(content.draft)) : null;
}

// src/server/invoices/commands/runSchedules.ts
var MOST_AT_ONCE = 100;
var runSchedules = defineCommand({
  name: "runSchedules",
  schema: z33.object({
    /** Whether what could not be written today is tried once more: a person asks for it. */
    again: z33.boolean().default(false)
  }),
  run(ctx, { again }) {
    if (again) forgetFailures(ctx.db);
    let [written2, failed] = [0, 0];
    while (written2 + failed < MOST_AT_ONCE) {
      const [schedule] = schedulesDue(ctx.db, ctx.today, 1);
      if (!schedule) return ok({ written: written2, failed, more: false });
      const made = ctx.part(() => writePeriod(ctx, schedule));
      if (made.ok) written2 += 1;
      else {
        failed += 1;
        markFailed(ctx.db, schedule.id, ctx.today, inWords(made.error));
        ctx.act(
          "schedule",
          { kind: "schedule", id: schedule.id, customerId: schedule.customerId },
          `${schedule.name}: not written, ${inWords(made.error)}`
        );
      }
      ctx.who.progress?.(written2 + failed, MOST_AT_ONCE);
    }
    return ok({ written: written2, failed, more: schedulesDue(ctx.db, ctx.today, 1).length > 0 });
  }
});

// src/server/invoices/commands/sendDocuments.ts
import { z as z34 } from "zod";
var sendDocuments = defineCommand({
  name: "sendDocuments",
  schema: z34.object({
    ids: z34.array(z34.number().int()).min(1).max(2e3),
    /** Words that were looked at; null: the book's. */
    subject: z34.string().trim().min(1).max(200).nullable().default(null),
    body: z34.string().trim().min(1).max(2e4).nullable().default(null),
    /** Whether what was sent before goes once more. */
    again: z34.boolean().default(false)
  }),
  run(ctx, { ids, subject, body, again }) {
    const own = subject === null || body === null ? null : { subject, body };
    const refused = [];
    for (const [at, id] of ids.entries()) {
      const done = ctx.part(() => sendOne(ctx, id, { own, again }));
      if (!done.ok) refused.push({ id, why: inWords(done.error) });
      if (at % 50 === 0) ctx.who.progress?.(at, ids.length);
    }
    return ok({ sent: ids.length - refused.length, refused });
  }
});

// src/server/invoices/commands/scheduleDocuments.ts
import { z as z36 } from "zod";

// src/server/invoices/commands/setSchedule.ts
import { z as z35 } from "zod";

// src/server/invoices/steps/planWords.ts
function planWords2({ every, startsOn, until, times }) {
  const often = every.count === 1 ? `every ${every.unit}` : `every ${every.count} ${every.unit}s`;
  const last = every.monthEnd ? " on its last day" : "";
  const end = until === null ? "" : ` until ${formatDay(until)} ${until.slice(0, 4)}`;
  const most = times === null ? "" : `, ${times === 1 ? "once" : `${times} times`}`;
  return `${often}${last} from ${formatDay(startsOn)} ${startsOn.slice(0, 4)}${end}${most}`;
}

// src/server/invoices/commands/setSchedule.ts
var schema3 = z35.object({
  id: z35.number().int().nullable().default(null),
  /** Which state of it was seen by who writes over it. */
  version: z35.number().int().default(0),
  name: z35.string().trim().min(1, "Say what it is for.").max(120),
  plan: planInput,
  billed: billedInput,
  /** From when a changed schedule bills what is written here; null: from its next period. */
  from: isoDay.nullish().transform((value) => value ?? null)
});
var setSchedule = defineCommand({
  name: "setSchedule",
  schema: schema3,
  run(ctx, input) {
    const known = input.id === null ? ok(null) : changeable(ctx, input.id, input.version);
    if (!known.ok) return known;
    const before2 = known.value;
    const plan2 = planOf2(input, before2);
    if (!plan2.ok) return plan2;
    const nextNo = before2?.nextNo ?? 0;
    const next = periodOf(plan2.value, nextNo);
    if (next === null) return fail("schedule.nothing");
    const worked = workOut(ctx, {
      ...input.billed,
      issuedOn: next.from,
      dueOn: null,
      dueReason: null
    });
    if (!worked.ok) return worked;
    const id = keep3(ctx, input, { before: before2, plan: plan2.value, nextNo, nextOn: next.writtenOn });
    setContent(ctx.db, id, {
      fromDay: before2 === null ? plan2.value.startsOn : input.from ?? next.from,
      draft: JSON.stringify(input.billed),
      total: worked.value.content.total
    });
    const { total, currency } = worked.value.content;
    const from = input.from === null ? "" : ` from ${input.from}`;
    ctx.act(
      "schedule",
      { kind: "schedule", id, customerId: input.billed.customerId },
      `${before2 ? "changed" : "begun"}: ${input.name}, ${planWords2(plan2.value)}, ${ctx.sum(total, currency)}${from}`
    );
    return ok({ id });
  }
});
function changeable({ db }, id, version) {
  const schedule = scheduleById(db, id);
  if (!schedule) return fail("schedule.unknown");
  if (schedule.state === "ended") return fail("schedule.ended");
  return schedule.version === version ? ok(schedule) : fail("document.elsewhere");
}
function planOf2({ plan: plan2 }, before2) {
  const countedFrom = plan2.countedFrom ?? plan2.startsOn;
  if (countedFrom > plan2.startsOn) return fail("schedule.counted", { field: "counted_from" });
  if (plan2.until !== null && plan2.until < plan2.startsOn)
    return fail("schedule.until", { field: "until" });
  const made = {
    countedFrom,
    startsOn: plan2.startsOn,
    every: { count: plan2.everyCount, unit: plan2.everyUnit, monthEnd: plan2.monthEnd },
    until: plan2.until,
    times: plan2.times,
    ahead: plan2.ahead
  };
  if (before2 === null || before2.nextNo === 0 || sameDays(before2.plan, made)) return ok(made);
  return fail("schedule.days", { field: "starts_on" });
}
var sameDays = (a, b) => a.countedFrom === b.countedFrom && a.startsOn === b.startsOn && a.every.count === b.every.count && a.every.unit === b.every.unit && a.every.monthEnd === b.every.monthEnd;
function keep3(ctx, input, { before: before2, plan: plan2, nextNo, nextOn }) {
  const row = {
    customerId: input.billed.customerId,
    name: input.name,
    state: before2?.state ?? "running",
    plan: plan2,
    prorated: input.plan.prorated,
    makes: input.plan.makes,
    nextNo,
    nextOn,
    writtenBy: ctx.who.actor
  };
  if (before2 === null) return insertSchedule(ctx.db, row);
  changeSchedule(ctx.db, before2.id, row);
  return before2.id;
}

// src/server/invoices/commands/scheduleDocuments.ts
var plan = planInput.pick({ startsOn: true, everyCount: true, everyUnit: true, makes: true });
var scheduleDocuments = defineCommand({
  name: "scheduleDocuments",
  schema: z36.object({ ids: z36.array(z36.number().int()).min(1).max(500), plan }),
  run(ctx, { ids, plan: asked }) {
    const scheduleIds = [];
    for (const id of new Set(ids)) {
      const document = documentById(ctx.db, id);
      if (!document) return fail("document.unknown", { id });
      const billed = billedInput.parse(inputOf(ctx.db, document));
      const lines = billed.lines.filter(({ settles }) => settles === null);
      const name2 = (lines[0]?.description ?? document.number ?? "").slice(0, 120);
      if (!comesAgain(document) || lines.length === 0)
        return fail("schedule.not_of", { number: document.number ?? name2 });
      const whole = planInput.parse({ ...asked, countedFrom: null, until: null, times: null });
      const begun2 = setSchedule.run(ctx, {
        id: null,
        version: 0,
        name: name2,
        plan: whole,
        billed: { ...billed, lines },
        from: null
      });
      if (!begun2.ok) return begun2;
      scheduleIds.push(begun2.value.id);
    }
    return ok({ scheduleIds });
  }
});
var comesAgain = ({ kind, depositOf }) => kind === "invoice" && depositOf === null;

// src/server/invoices/commands/writeCreditNote.ts
import { z as z37 } from "zod";
var decimal = z37.string().trim().max(40);
var taken = z37.discriminatedUnion("what", [
  z37.object({ what: z37.literal("whole") }),
  /** Lines by their numbers, from 1, and how much of each. */
  z37.object({
    what: z37.literal("lines"),
    lines: z37.array(z37.object({ line: z37.number().int().min(1), quantity: decimal })).min(1).max(1e3)
  }),
  /** A sum without tax, in minor units, under the tax code of a line. */
  z37.object({
    what: z37.literal("sum"),
    sum: z37.number().int().positive(),
    line: z37.number().int().min(1)
  })
]);
var writeCreditNote = defineCommand({
  name: "writeCreditNote",
  schema: z37.object({
    itemId: z37.number().int(),
    taken,
    reason: z37.string().trim().min(1, "A reason is needed.").max(500)
  }),
  run(ctx, { itemId, taken: taken2, reason }) {
    const invoice = documentOfItem(ctx.db, itemId);
    if (invoice?.kind !== "invoice") return fail("document.not_written");
    const input = creditInput(ctx, invoice, taken2, reason);
    if (!input.ok) return input;
    const { taxIncluded, taxRounded } = invoice;
    const rules = { included: taxIncluded, rounded: taxRounded };
    const corrects = { kind: "credit_note", corrects: invoice.number, rules };
    const worked = workOut(ctx, input.value, corrects);
    if (!worked.ok) return worked;
    const before2 = creditNotesOf(ctx.db, invoice.id).reduce((sum5, { total }) => sum5 + total, 0);
    if (before2 + worked.value.totals.total > invoice.total)
      return fail("credit.too_much", { number: invoice.number ?? "" });
    const id = insertDraft(ctx, worked.value, { kind: "credit_note", creditsId: invoice.id });
    return approved(ctx, id, openedBy(ctx, invoice));
  }
});
function approved(ctx, id, items2) {
  const document = documentById(ctx.db, id);
  if (!document) return fail("document.unknown", { id });
  const done = approveOne(ctx, document);
  if (!done.ok) return done;
  if (done.value === null) return ok({ id, number: null, commandId: ctx.commandId });
  let left = document.total;
  for (const item of items2) {
    const amount2 = Math.min(left, item.balance);
    if (amount2 <= 0) continue;
    const setOff2 = { creditItemId: done.value.itemId, itemId: item.id, amount: amount2 };
    const off = setOffItems(ctx, setOff2);
    if (!off.ok) return off;
    left -= amount2;
  }
  return ok({ id, number: done.value.number, commandId: ctx.commandId });
}
function openedBy({ db }, { number, openItemId }) {
  const parts = number === null ? [] : partsOfInvoice(db, number);
  const whole = openItemId === null ? void 0 : openItemById(db, openItemId);
  return parts.length > 0 || !whole ? parts : [whole];
}
function creditInput(ctx, invoice, taken2, reason) {
  const whole = inputOf(ctx.db, invoice);
  const base = {
    ...whole,
    issuedOn: ctx.today < invoice.issuedOn ? invoice.issuedOn : ctx.today,
    terms: "now",
    dueOn: null,
    dueReason: null,
    note: reason,
    withholdingPercent: null,
    paysBy: null
  };
  if (taken2.what === "whole") return ok(base);
  const part = { ...base, charges: [], discountPercent: null, discountSum: null };
  const lines = taken2.what === "sum" ? [sumLine(ctx, whole, taken2, invoice)] : partLines(whole, taken2.lines);
  if (lines.includes(null)) return fail("document.line", { number: invoice.number ?? "" });
  const credited = { ...part, lines: lines.flatMap((line) => line ?? []) };
  if (taken2.what === "sum") return ok(credited);
  return ok({
    ...credited,
    discountPercent: whole.discountPercent,
    discountSum: discountOfLines(ctx, whole, taken2.lines)
  });
}
function discountOfLines(ctx, whole, asked) {
  if (whole.discountSum === null) return null;
  const worked = workOut(ctx, whole);
  if (!worked.ok) return null;
  const { discounts } = worked.value.totals;
  return asked.reduce((sum5, { line, quantity }) => {
    const [part, billed] = [decimalOf(quantity), decimalOf(whole.lines[line - 1]?.quantity ?? "")];
    if (!part.ok || !billed.ok || billed.value.units === 0n) return sum5;
    const numerator = part.value.units * 10n ** BigInt(billed.value.places);
    const denominator = billed.value.units * 10n ** BigInt(part.value.places);
    return sum5 + mulDiv(discounts[line - 1] ?? 0, numerator, denominator, "half-up");
  }, 0);
}
var partLines = ({ lines }, asked) => asked.map(({ line, quantity }) => {
  const found = lines[line - 1];
  return found ? { ...found, quantity } : null;
});
function sumLine(ctx, { lines }, { sum: sum5, line }, { currency }) {
  const found = lines[line - 1];
  if (!found) return null;
  return {
    item: found.item,
    description: `Credit on ${found.description}`.slice(0, 500),
    quantity: "1",
    rate: toDecimal(minor(sum5), currency),
    discountPercent: null,
    taxCode: found.taxCode,
    settles: null
  };
}

// src/server/invoices/commands/writeDraft.ts
import { z as z38 } from "zod";
var writeDraft = defineCommand({
  name: "writeDraft",
  schema: z38.object({
    id: z38.number().int().nullable().default(null),
    /** Which state of it was seen by who writes over it: another is not written over. */
    version: z38.number().int().default(0),
    draft: draftInput
  }),
  run(ctx, { id, version, draft }) {
    const before2 = id === null ? ok(null) : draftBefore(ctx, { id, version });
    if (!before2.ok) return before2;
    const worked = workOut(ctx, draft, writtenAs2(ctx, before2.value));
    if (!worked.ok) return worked;
    const { total } = worked.value.totals;
    if (!before2.value) return ok({ id: insertDraft(ctx, worked.value), total, version: 0 });
    return ok({ id: over(ctx, before2.value, worked.value), total, version: version + 1 });
  }
});
function draftBefore({ db }, { id, version }) {
  const found = documentById(db, id);
  if (!found) return fail("document.unknown", { id });
  if (found.stage !== "draft")
    return fail("document.written", { number: found.number ?? "This document" });
  return found.version === version ? ok(found) : fail("document.elsewhere");
}
function writtenAs2({ db }, before2) {
  if (!before2) return void 0;
  const corrected = before2.creditsId === null ? void 0 : documentById(db, before2.creditsId);
  return { kind: before2.kind, corrects: corrected?.number ?? null };
}
function over(ctx, { id, total }, { content, lines, charges }) {
  changeDocument(ctx.db, id, content);
  replaceLines(ctx.db, id, lines, charges);
  if (total !== content.total)
    ctx.act(
      "draft",
      { kind: "document", id, customerId: content.customerId },
      `draft changed to ${ctx.sum(content.total, content.currency)}`
    );
  return id;
}

// src/server/match/commands/changeAlias.ts
import { z as z39 } from "zod";
var changeAlias = defineCommand({
  name: "changeAlias",
  schema: z39.object({
    customerId: z39.number().int(),
    alias: z39.string().trim().min(2, "A name has two letters at least.").max(120),
    known: z39.boolean()
  }),
  run(ctx, { customerId, alias, known }) {
    const customer = customerById(ctx.db, customerId);
    if (!customer) return fail("customer.unknown", { id: customerId });
    if (aliasesOf(ctx.db, customerId).includes(alias) === known)
      return fail("customer.alias", { name: alias });
    if (known) insertAlias(ctx.db, customerId, alias);
    else deleteAlias(ctx.db, customerId, alias);
    return ok({
      actId: ctx.act(
        "settings",
        { kind: "customer", id: customerId, customerId },
        known ? `goes by ${alias} too` : `goes by ${alias} no more`
      )
    });
  }
});

// src/server/match/commands/decideWriteOff.ts
import { z as z40 } from "zod";
var decideWriteOff = defineCommand({
  name: "decideWriteOff",
  schema: z40.object({
    approvalId: z40.number().int(),
    approve: z40.boolean(),
    why: z40.string().trim().max(200).default("")
  }),
  run(ctx, input) {
    const asked = approvalById(ctx.db, input.approvalId);
    const receipt = asked && receiptById(ctx.db, asked.receiptId);
    if (!asked || asked.state !== "waiting" || !receipt) return fail("approval.unknown");
    if (asked.askedBy === ctx.who.actor)
      return fail("approval.same_person", { person: asked.askedBy });
    decideApproval(ctx.db, asked.id, {
      state: input.approve ? "approved" : "refused",
      by: ctx.who.actor,
      why: input.why || null
    });
    if (!input.approve)
      return ok({
        actId: ctx.act(
          "decide",
          { kind: "receipt", id: receipt.id },
          `write-off of ${ctx.sum(asked.sum)} refused${input.why ? `: ${input.why}` : ""}`
        )
      });
    const tally = tallySchema.omit({ receiptId: true }).parse(JSON.parse(asked.tally));
    const checked = checkTally(ctx, receipt, {
      lines: tally.lines,
      customerId: tally.customerId,
      available: receipt.unidentified,
      writeOffs: "approved"
    });
    if (!checked.ok) return checked;
    ctx.act(
      "decide",
      { kind: "receipt", id: receipt.id, customerId: checked.value.customerId },
      `write-off of ${ctx.sum(asked.sum)} approved, asked by ${asked.askedBy}: ${asked.why}`
    );
    const placed = applyTally(ctx, {
      receipt,
      lines: tally.lines,
      checked: checked.value,
      from: "unidentified"
    });
    if (!placed.ok) return placed;
    setPlacedAct(ctx.db, asked.id, placed.value);
    return ok({ actId: placed.value });
  }
});

// src/server/match/commands/forget.ts
import { z as z41 } from "zod";
var forget = defineCommand({
  name: "forget",
  schema: z41.object({
    customerId: z41.number().int(),
    what: z41.enum(["payer", "habit"]),
    payerName: z41.string().default(""),
    payerEmail: z41.string().default("")
  }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const words2 = input.what === "habit" ? "how it usually pays is forgotten" : `${input.payerName || input.payerEmail} is forgotten as its payer`;
    const actId = ctx.act(
      "forget",
      { kind: "customer", id: customer.id, customerId: customer.id },
      words2
    );
    insertForgotten(ctx.db, {
      customerId: customer.id,
      what: input.what,
      payerName: input.payerName,
      payerEmail: input.payerEmail,
      actId
    });
    return ok({ actId });
  }
});

// src/server/match/commands/useCredit.ts
var useCredit = defineCommand({
  name: "useCredit",
  schema: tallySchema,
  run(ctx, input) {
    const receipt = receiptById(ctx.db, input.receiptId);
    if (!receipt) return fail("receipt.unknown");
    if (input.lines.length === 0) return fail("tally.empty");
    const checked = checkTally(ctx, receipt, {
      lines: input.lines,
      customerId: receipt.customerId,
      available: receipt.onAccount
    });
    if (!checked.ok) return checked;
    const placed = applyTally(ctx, {
      receipt,
      lines: input.lines,
      checked: checked.value,
      from: "credits"
    });
    return placed.ok ? ok({ actId: placed.value }) : placed;
  }
});

// src/server/overdue/commands/addressWorks.ts
import { z as z42 } from "zod";
var addressWorks = defineCommand({
  name: "addressWorks",
  schema: z42.object({
    address: z42.string().trim().min(1).max(200),
    customerId: z42.number().int().nullable().default(null)
  }),
  run(ctx, { address: address2, customerId }) {
    if (backFrom(ctx.db, address2) === null) return fail("address.works", { address: address2 });
    setBack(ctx.db, address2, null, ctx.today);
    ctx.act(
      "settings",
      customerId === null ? { kind: "book", id: 0 } : { kind: "customer", id: customerId, customerId },
      `letters go to ${address2} again`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/bringAllowance.ts
import { z as z43 } from "zod";

// src/server/reports/queries/figures.ts
function doubtful(db, today) {
  const aging = agingTogether(db, today);
  const percent2 = readSettings(db).doubtfulPercent ?? DOUBTFUL_PERCENT;
  const { byBucket, sum: sum5 } = allowanceFor(aging, percent2);
  const stands = minor(
    -sumOf(
      balancesAsOf(db, today).filter(({ role }) => role === "allowance"),
      ({ balance }) => balance
    )
  );
  return { aging, percent: percent2, byBucket, sum: sum5, stands, entry: add(sum5, -stands) };
}

// src/server/overdue/commands/bringAllowance.ts
var bringAllowance = defineCommand({
  name: "bringAllowance",
  schema: z43.object({}),
  run(ctx) {
    const { entry, sum: sum5 } = doubtful(ctx.db, ctx.today);
    if (entry === 0) return fail("allowance.stands", { sum: ctx.sum(sum5) });
    const actId = ctx.act(
      "allowance",
      { kind: "book", id: 0 },
      `allowance for doubtful debts brought to ${ctx.sum(sum5)}`
    );
    insertAllowanceMove(ctx.db, ctx.today, entry, actId);
    ctx.post(
      postAllowance({
        on: ctx.today,
        document: {
          kind: "open_item",
          id: 0,
          text: `allowance for doubtful debts as of ${ctx.today}`
        },
        by: inBook(entry, ctx.settings.currency)
      }),
      actId
    );
    return ok({ actId, by: entry });
  }
});

// src/server/overdue/commands/decideInvoiceWriteOff.ts
import { z as z44 } from "zod";

// src/server/overdue/steps/postWriteOff.ts
function post2(ctx, { id, actId, by, why }) {
  const row = writeOffById(ctx.db, id);
  const item = openItemById(ctx.db, row.itemId);
  const tax = row.kind === "bad_debt" && ctx.settings.taxOnBadDebts ? taxIn(row.sum, item) : minor(0);
  const head = {
    on: ctx.today,
    partyId: row.customerId,
    document: { kind: "open_item", id: row.itemId, text: `invoice ${row.number}` },
    itemId: row.itemId,
    sum: inBook(row.sum, row.currency)
  };
  ctx.post(
    row.kind === "small" ? postSmallDifference(head) : postBadDebt({ ...head, tax: inBook(tax, row.currency) }),
    actId
  );
  changeBalance(ctx.db, row.itemId, minor(-row.sum));
  decideWriteOffRow(ctx.db, id, { state: "posted", by, why, tax, postedAct: actId });
}

// src/server/overdue/commands/decideInvoiceWriteOff.ts
var decideInvoiceWriteOff = defineCommand({
  name: "decideInvoiceWriteOff",
  schema: z44.object({
    writeOffId: z44.number().int(),
    approve: z44.boolean(),
    why: z44.string().trim().max(200).default("")
  }),
  run(ctx, input) {
    const asked = writeOffById(ctx.db, input.writeOffId);
    if (!asked || asked.state !== "waiting") return fail("approval.unknown");
    if (asked.askedBy === ctx.who.actor)
      return fail("approval.same_person", { person: asked.askedBy });
    const about = { kind: "open_item", id: asked.itemId, customerId: asked.customerId };
    const words2 = `${ctx.sum(asked.sum, asked.currency)} of ${asked.number}`;
    if (!input.approve) {
      decideWriteOffRow(ctx.db, asked.id, {
        state: "refused",
        by: ctx.who.actor,
        why: input.why || null,
        tax: minor(0),
        postedAct: null
      });
      return ok({
        actId: ctx.act(
          "decide",
          about,
          `write-off of ${words2} refused${input.why ? `: ${input.why}` : ""}`
        )
      });
    }
    const item = openItemById(ctx.db, asked.itemId);
    if (!item || item.balance < asked.sum)
      return fail("tally.item", {
        number: asked.number,
        balance: ctx.sum(item?.balance ?? 0, asked.currency),
        wanted: ctx.sum(asked.sum, asked.currency)
      });
    const actId = ctx.act(
      "write_off",
      about,
      `${words2} written off, asked by ${asked.askedBy}: ${asked.why}`
    );
    post2(ctx, { id: asked.id, actId, by: ctx.who.actor, why: input.why || null });
    return ok({ actId });
  }
});

// src/server/overdue/commands/dropWording.ts
import { z as z46 } from "zod";

// src/server/overdue/steps/letterTextKey.ts
import { z as z45 } from "zod";
var which = {
  ladderId: z45.number().int().min(0),
  tone: z45.number().int().min(1).max(4),
  language: z45.enum(LANGUAGES)
};

// src/server/overdue/commands/dropWording.ts
var dropWording = defineCommand({
  name: "dropWording",
  schema: z46.object(which),
  run(ctx, input) {
    if (!deleteWording(ctx.db, input.ladderId, input.tone, input.language))
      return fail("wording.none");
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `the words that ship are used again for tone ${input.tone} in ${input.language}`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/leaveItemOut.ts
import { z as z47 } from "zod";
var leaveItemOut = defineCommand({
  name: "leaveItemOut",
  schema: z47.object({ itemId: z47.number().int(), reason: z47.string().trim().max(200).nullable() }),
  run(ctx, input) {
    const item = openItemById(ctx.db, input.itemId);
    if (!item) return fail("item.unknown");
    setItemLeftOut(ctx.db, item.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: item.customerId, customerId: item.customerId },
      input.reason ? `${item.number} left out of letters: ${input.reason}` : `${item.number} in letters again`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/leaveOut.ts
import { z as z48 } from "zod";
var leaveOut = defineCommand({
  name: "leaveOut",
  schema: z48.object({ customerId: z48.number().int(), reason: z48.string().trim().max(200).nullable() }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setLeftOut(ctx.db, customer.id, input.reason || null);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.reason ? `left out of follow-up: ${input.reason}` : "in follow-up again"
    );
    return ok(null);
  }
});

// src/server/overdue/commands/letterCameBack.ts
import { z as z49 } from "zod";
var letterCameBack = defineCommand({
  name: "letterCameBack",
  schema: z49.object({
    letterId: z49.number().int(),
    why: z49.string().trim().min(3, "Say what came back, in a few words.").max(200)
  }),
  run(ctx, input) {
    const letter2 = letterById(ctx.db, input.letterId);
    if (!letter2) return fail("letter.unknown");
    for (const address2 of addressesOf(letter2)) noteBack(ctx, letter2, address2, input.why);
    return ok(null);
  }
});

// src/server/overdue/commands/logContact.ts
import { z as z50 } from "zod";
var logContact = defineCommand({
  name: "logContact",
  schema: z50.object({
    customerId: z50.number().int(),
    kind: z50.enum(["call", "note", "promise"]),
    text: z50.string().trim().min(1, "Say what was said, in a few words.").max(2e3),
    promisedOn: isoDay.nullable().default(null),
    promisedSum: z50.number().int().positive().transform(minor).nullable().default(null),
    /** A promise in parts: its day and sum are then those of the last part and of all together. */
    parts: z50.array(z50.object({ dueOn: isoDay, sum: z50.number().int().positive().transform(minor) })).max(24).default([]),
    /** A task or a stop of supply that the ladder asked for is done. */
    done: z50.boolean().default(false)
  }).refine(
    (input) => input.kind !== "promise" || input.promisedOn !== null || input.parts.length > 0,
    { message: "A promise needs its day.", path: ["promisedOn"] }
  ).refine(({ parts }) => new Set(parts.map(({ dueOn }) => dueOn)).size === parts.length, {
    message: "Two parts have the same day. Make one of them.",
    path: ["parts"]
  }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const actId = ctx.act(
      "contact",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `${input.kind}: ${input.text}`
    );
    const parts = input.kind === "promise" ? [...input.parts].sort((a, b) => a.dueOn < b.dueOn ? -1 : 1) : [];
    const last = parts.at(-1);
    const contactId = insertContact(ctx.db, {
      customerId: customer.id,
      kind: input.kind,
      onDay: ctx.today,
      text: input.text,
      promisedOn: last?.dueOn ?? input.promisedOn,
      promisedSum: last ? sumOf(parts, ({ sum: sum5 }) => sum5) : input.promisedSum,
      step: stepOf(ctx, customer.id, input),
      actId
    });
    if (parts.length > 1) insertPromiseParts(ctx.db, contactId, parts);
    return ok({ actId });
  }
});
function stepOf(ctx, customerId, input) {
  const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customerId).find(
    (overdue) => overdue.customer.id === customerId
  );
  if (!row || row.next.on > ctx.today) return null;
  const { act, step: step2 } = row.next.step;
  return act === "call" && input.kind !== "note" || (act === "task" || act === "stop") && input.done ? step2 : null;
}

// src/server/overdue/commands/removeLadder.ts
import { z as z51 } from "zod";
var removeLadder = defineCommand({
  name: "removeLadder",
  schema: z51.object({ id: z51.number().int() }),
  run(ctx, input) {
    const ladder = ladders(ctx.db).find(({ id }) => id === input.id);
    if (!ladder) return fail("ladder.unknown");
    if (ladder.standard) return fail("ladder.standard");
    deleteLadder(ctx.db, ladder.id);
    ctx.act("settings", { kind: "book", id: 0 }, `ladder ${ladder.name} taken away`);
    return ok(null);
  }
});

// src/server/overdue/commands/runLetters.ts
import { z as z53 } from "zod";

// src/server/arrivals/queries/arrived.ts
import { createHash as createHash2 } from "node:crypto";
import { readFileSync, statSync } from "node:fs";
var hashes = /* @__PURE__ */ new Map();
function hashOf(path) {
  const { size, mtimeMs } = statSync(path);
  const stamp = `${size} ${mtimeMs}`;
  const known = hashes.get(path);
  if (known?.stamp === stamp) return known.sha256;
  const sha256 = createHash2("sha256").update(readFileSync(path)).digest("hex");
  hashes.set(path, { stamp, sha256 });
  return sha256;
}
function waitingFiles(db, book) {
  return arrivedFiles(book).filter((name2) => !wasTakenIn(db, hashOf(arrivedFile(book, name2))));
}

// src/server/overdue/steps/filesWaiting.ts
function filesInTheWay(ctx, despite = []) {
  const seen = new Set(despite);
  const waiting = waitingFiles(ctx.db, ctx.who.book).filter((name2) => !seen.has(name2));
  if (waiting.length === 0) return null;
  return fail("letters.files_wait", { files: filesInWords(waiting) });
}

// src/server/overdue/steps/recordLetter.ts
import { z as z52 } from "zod";
var letter = z52.object({
  customerId: z52.number().int(),
  subject: z52.string().trim().min(1, "The letter needs a subject.").max(200),
  body: z52.string().trim().min(1, "The letter has no words.").max(2e4)
});
function record(ctx, row, looked) {
  const { customer } = row;
  const problem = whyNotToday(ctx, row);
  if (problem) return problem;
  const draft = draftLetter(ctx.db, row, { settings: ctx.settings, today: ctx.today });
  if (!draft.ok) return draft;
  const {
    step: step2,
    sum: sum5,
    items: items2,
    attach,
    to,
    copies,
    back: [back],
    fee: fee2,
    feeCurrency
  } = draft.value;
  const said2 = looked ?? draft.value;
  if (to === null)
    return back ? fail("letter.came_back", back) : fail("letter.no_address", { customer: customer.name });
  const actId = ctx.act(
    "letter",
    { kind: "customer", id: customer.id, customerId: customer.id },
    `letter ${step2} to ${to}: ${said2.subject}`
  );
  const name2 = `${ctx.today}-${customer.externalId.replace(/[^A-Za-z0-9-]/g, "_")}-${actId}`;
  const letterId = insertLetter(
    ctx.db,
    {
      customerId: customer.id,
      step: step2,
      onDay: ctx.today,
      toAddress: to,
      copyAddress: copies,
      subject: said2.subject,
      body: said2.body,
      currency: ctx.settings.currency,
      sum: sum5,
      messageId: `<${name2}@${ctx.who.book}.dozo.invalid>`,
      fileName: `${name2}.eml`,
      attach,
      fee: fee2,
      feeCurrency,
      actId
    },
    items2.map((item) => ({ openItemId: item.id, balance: item.balance }))
  );
  return ok({ letterId, actId });
}
function whyNotToday(ctx, row) {
  const { customer } = row;
  const [wait] = row.waits;
  if (wait)
    return fail("letter.waits", {
      customer: customer.name,
      why: waitInWords(wait, ctx.settings.currency)
    });
  if (row.leftOut !== null)
    return fail("letter.left_out", { customer: customer.name, why: row.leftOut });
  if (row.state === "later")
    return fail("letter.later", { customer: customer.name, day: row.next.on });
  if (row.letterFrom !== null && row.letterFrom > ctx.today)
    return fail("letter.later", { customer: customer.name, day: row.letterFrom });
  return null;
}

// src/server/overdue/commands/runLetters.ts
var runLetters = defineCommand({
  name: "runLetters",
  schema: z53.object({ despiteFiles: z53.array(z53.string()).optional() }),
  run(ctx, { despiteFiles }) {
    const problem = filesInTheWay(ctx, despiteFiles);
    if (problem) return problem;
    const skips = runSkips(ctx.db, ctx.today);
    const rows = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).filter(
      (row) => row.goesByItself && !skips.has(row.customer.id)
    );
    let sent = 0;
    rows.forEach((row, at) => {
      ctx.who.progress?.(at, rows.length);
      if (record(ctx, row, null).ok) sent += 1;
    });
    ctx.act(
      "run",
      { kind: "book", id: 0 },
      `letters that go by themselves: ${sent} sent${rows.length > sent ? `, ${rows.length - sent} without an address that letters reach` : ""}${skips.size > 0 ? `, ${skips.size} taken out` : ""}`
    );
    return ok({ sent, held: rows.length - sent });
  }
});

// src/server/overdue/commands/sendLetter.ts
import { z as z54 } from "zod";
var sendLetter = defineCommand({
  name: "sendLetter",
  schema: letter.extend({ despiteFiles: z54.array(z54.string()).optional() }),
  run(ctx, input) {
    const problem = filesInTheWay(ctx, input.despiteFiles);
    if (problem) return problem;
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const row = overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db), customer.id).find(
      (overdue) => overdue.customer.id === customer.id
    );
    return row ? record(ctx, row, input) : fail("letter.nothing", { customer: customer.name });
  }
});

// src/server/overdue/commands/sendLetters.ts
import { z as z55 } from "zod";
var toWrite = letter.partial({ subject: true, body: true }).refine(({ subject, body }) => subject === void 0 === (body === void 0), {
  message: "Subject and letter come together, or neither.",
  path: ["body"]
});
var sendLetters = defineCommand({
  name: "sendLetters",
  schema: z55.object({
    letters: z55.array(toWrite).min(1).max(1e5),
    despiteFiles: z55.array(z55.string()).optional()
  }),
  run(ctx, input) {
    const problem = filesInTheWay(ctx, input.despiteFiles);
    if (problem) return problem;
    const rows = new Map(
      overdueRows(ctx.db, ctx.today, proposalsOf(ctx.db)).map((row) => [row.customer.id, row])
    );
    const held = [];
    const seen = /* @__PURE__ */ new Set();
    let sent = 0;
    input.letters.forEach((letter2, at) => {
      ctx.who.progress?.(at, input.letters.length);
      if (seen.has(letter2.customerId)) return;
      seen.add(letter2.customerId);
      const row = rows.get(letter2.customerId);
      const done = row ? record(ctx, row, ownWords(letter2)) : null;
      if (done?.ok) sent += 1;
      else
        held.push({
          customerId: letter2.customerId,
          customer: nameOf(ctx, letter2.customerId, row),
          why: done?.error.code === "letter.words" ? inWords(done.error) : whyHeld(ctx, row)
        });
    });
    return sent === 0 ? fail("letters.all_held", { count: held.length, why: held[0]?.why }) : ok({ sent, held });
  }
});
var ownWords = ({ subject, body }) => subject !== void 0 && body !== void 0 ? { subject, body } : null;
var nameOf = (ctx, id, row) => row?.customer.name ?? customerById(ctx.db, id)?.name ?? "";
function whyHeld(ctx, row) {
  if (!row) return "nothing is past its date any more";
  const [wait] = row.waits;
  if (wait) return `waits for ${waitInWords(wait, ctx.settings.currency)}`;
  if (row.leftOut !== null) return `left out: ${row.leftOut}`;
  return row.state === "later" || row.letterFrom !== null && row.letterFrom > ctx.today ? "was written to already" : "has no e-mail address that letters reach";
}

// src/server/overdue/commands/setContactPersons.ts
import { z as z56 } from "zod";
var person = z56.object({
  name: z56.string().trim().max(200),
  duty: z56.string().trim().max(200),
  email: z56.string().trim().max(200).refine(
    (text) => text === "" || isEmailAddress(text),
    "An e-mail address, or leave it empty."
  ),
  phone: z56.string().trim().max(40),
  letters: z56.enum(LETTER_SHARES),
  calls: z56.boolean()
}).refine(({ letters, email }) => letters === "none" || email !== "", {
  message: "Who gets letters needs an e-mail address.",
  path: ["email"]
});
var setContactPersons = defineCommand({
  name: "setContactPersons",
  schema: z56.object({
    customerId: z56.number().int(),
    persons: z56.array(person).max(20, "At most 20 persons.")
  }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const persons = input.persons.filter(
      ({ name: name2, email, phone }) => name2 !== "" || email !== "" || phone !== ""
    );
    setPersons(ctx.db, customer.id, persons);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `contact persons: ${persons.map(({ name: name2, email, phone }) => name2 || email || phone).join(", ") || "none"}`
    );
    return ok({ persons });
  }
});

// src/server/overdue/commands/setFollowUp.ts
import { z as z57 } from "zod";
var setFollowUp = defineCommand({
  name: "setFollowUp",
  schema: z57.object({
    customerId: z57.number().int(),
    ladderId: z57.number().int().nullable(),
    language: z57.enum(LANGUAGES),
    byItself: z57.boolean(),
    smallest: z57.number().int().min(0).transform(minor).nullable(),
    quietUntil: isoDay.nullable()
  }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const ladder = ladders(ctx.db).find(({ id }) => id === input.ladderId);
    if (input.ladderId !== null && !ladder) return fail("ladder.unknown");
    setFollowed(ctx.db, input);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `followed up ${ladder ? `by the ladder ${ladder.name}` : "as the book does"}${input.quietUntil === null ? "" : `, no reminders until ${input.quietUntil}`}${input.byItself ? ", letters may go by themselves" : ""}`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/setLadder.ts
import { z as z58 } from "zod";
var sum3 = z58.number().int().min(0).max(1e8).transform(minor);
var step = z58.object({
  fromDays: z58.number().int().min(-60, "At most 60 days before the due day.").max(365),
  act: z58.enum(LADDER_ACTS),
  tone: z58.number().int().min(1).max(4).default(1),
  byItself: z58.boolean().default(false),
  attach: z58.enum(ATTACHED).default("none"),
  fee: sum3.default(minor(0))
});
var fee = z58.object({
  kind: z58.enum(FEE_KINDS),
  fixed: sum3,
  percent: z58.string().trim().regex(/^\d{1,2}(\.\d{1,4})?$/, "Write it like 1.5."),
  grace: z58.number().int().min(0).max(365),
  least: sum3,
  most: sum3.nullable()
});
var setLadder = defineCommand({
  name: "setLadder",
  schema: z58.object({
    id: z58.number().int().nullable().default(null),
    name: z58.string().trim().min(1, "What do you call it?").max(60),
    steps: z58.array(step).min(1, "A ladder has at least one step.").max(12),
    fee: fee.optional()
  }),
  run(ctx, input) {
    const all = ladders(ctx.db);
    if (input.id !== null && !all.some(({ id: id2 }) => id2 === input.id)) return fail("ladder.unknown");
    if (all.some(({ id: id2, name: name2 }) => name2 === input.name && id2 !== input.id))
      return fail("ladder.taken", { name: input.name });
    const steps = [...input.steps].sort((a, b) => a.fromDays - b.fromDays).map((step2, at) => ({ ...step2, step: at + 1 }));
    if (new Set(steps.map(({ fromDays }) => fromDays)).size < steps.length)
      return fail("ladder.days");
    const id = input.id ?? insertLadder(ctx.db, input.name);
    if (input.id !== null) renameLadder(ctx.db, id, input.name);
    setSteps(ctx.db, id, steps);
    if (input.fee) setFeeRule(ctx.db, id, input.fee);
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `ladder ${input.name}: ${steps.map(({ fromDays, act }) => `${act} at ${fromDays} days`).join(", ")}`
    );
    return ok({ id });
  }
});

// src/server/overdue/commands/setWordingOf.ts
import { z as z59 } from "zod";

// src/server/overdue/letterTexts.ts
var KINDS = [1, 3].flatMap(
  (count) => [true, false].flatMap(
    (ahead) => ["", "https://accounts.example/account/1"].map((link) => ({
      fee: link === "" ? "" : "USD 25.00",
      customer: "Alder Lane Pottery School",
      business: "Kestrel Row Clay & Kiln",
      count,
      ahead,
      sum: "USD 864.50",
      oldest_days: ahead ? 0 : 24,
      reply_by: "Tue, Dec 1, 2026",
      table: "  20401  due Sat, Oct 31, 2026  864.50",
      link
    }))
  )
);
function readsWell(template) {
  for (const fields of KINDS) {
    const filled = fill(template, fields);
    if (!filled.ok) return filled;
    const { subject, body } = filled.value;
    if (subject === "" || body.trim() === "")
      return fail("letter.empty_field", { field: subject === "" ? "subject" : "letter" });
    if (!body.includes(fields.sum) && !body.includes(fields.table)) return fail("wording.sum");
  }
  return ok(null);
}

// src/server/overdue/commands/setWordingOf.ts
var setWordingOf = defineCommand({
  name: "setWordingOf",
  schema: z59.object({
    ...which,
    subject: z59.string().trim().min(1, "The letter needs a subject.").max(300),
    body: z59.string().trim().min(1, "The letter has no words.").max(2e4)
  }),
  run(ctx, input) {
    if (input.ladderId !== 0 && !ladders(ctx.db).some(({ id }) => id === input.ladderId))
      return fail("ladder.unknown");
    const body = `${input.body}
`;
    const well = readsWell({ subject: input.subject, body });
    if (!well.ok) return well;
    setWording(ctx.db, { ...input, body });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `own words for letters of tone ${input.tone} in ${input.language} kept`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/settleLetter.ts
import { z as z60 } from "zod";
var settleLetter = defineCommand({
  name: "settleLetter",
  schema: z60.object({ letterId: z60.number().int(), arrived: z60.boolean() }),
  run(ctx, { letterId, arrived }) {
    const letter2 = letterById(ctx.db, letterId);
    if (!letter2) return fail("letter.unknown");
    if (letter2.delivery !== "perhaps sent") return fail("letter.settled");
    setDelivery(ctx.db, letterId, arrived ? "sent" : "queued");
    const { customerId, toAddress } = letter2;
    ctx.act(
      "settings",
      { kind: "customer", id: customerId, customerId },
      arrived ? `the letter to ${toAddress} arrived, as somebody found out` : `the letter to ${toAddress} did not arrive and goes again`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/skipRun.ts
import { z as z61 } from "zod";
var skipRun = defineCommand({
  name: "skipRun",
  schema: z61.object({
    customerId: z61.number().int(),
    onDay: isoDay,
    why: z61.string().trim().min(3, "Say why, in a few words.").max(200).nullable()
  }),
  run(ctx, input) {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    setRunSkip(ctx.db, customer.id, input.onDay, input.why);
    ctx.act(
      "leave_out",
      { kind: "customer", id: customer.id, customerId: customer.id },
      input.why === null ? `in the letters of ${input.onDay} again` : `taken out of the letters of ${input.onDay}: ${input.why}`
    );
    return ok(null);
  }
});

// src/server/overdue/commands/takeReturnedMail.ts
import { z as z62 } from "zod";
var takeReturnedMail = defineCommand({
  name: "takeReturnedMail",
  schema: z62.object({ reports: z62.array(returnedMailSchema).min(1).max(500) }),
  run(ctx, input) {
    return ok({
      returned: input.reports.map((report) => returned(ctx, report))
    });
  }
});

// src/server/overdue/commands/waiveLateFee.ts
import { z as z63 } from "zod";
var waiveLateFee = defineCommand({
  name: "waiveLateFee",
  schema: z63.object({
    feeId: z63.number().int(),
    reason: z63.string().trim().min(3, "Say why, in a few words.").max(200)
  }),
  run(ctx, input) {
    const fee2 = lateFees(ctx.db).find(({ id }) => id === input.feeId);
    const act = fee2 && actById(ctx.db, fee2.actId);
    if (!act) return fail("late_fee.unknown");
    const undone = undoAct(ctx, act, `waived: ${act.text}: ${input.reason}`);
    if (undone.ok) setWaived(ctx.db, fee2.id);
    return undone;
  }
});

// src/server/overdue/commands/writeOff.ts
import { z as z64 } from "zod";
var writeOff = defineCommand({
  name: "writeOff",
  schema: z64.object({
    itemId: z64.number().int(),
    sum: z64.number().int().positive().transform(minor),
    why: z64.string().trim().min(3, "Say why it is written off, in a few words.").max(200)
  }),
  run(ctx, input) {
    const found = itemToGiveUp(ctx, input);
    if (!found.ok) return found;
    const item = found.value;
    const over2 = isOver(ctx, input.sum, item.currency, ctx.today);
    if (over2 && ctx.settings.people.length < 2) return fail("approval.people");
    const words2 = `${ctx.sum(input.sum, item.currency)} of ${item.number}`;
    const actId = ctx.act(
      over2 ? "ask" : "write_off",
      { kind: "open_item", id: item.id, customerId: item.customerId },
      over2 ? `a write-off of ${words2} waits for a second person: ${input.why}` : `${words2} written off: ${input.why}`
    );
    const id = insertWriteOff(ctx.db, {
      itemId: item.id,
      sum: input.sum,
      kind: over2 ? "bad_debt" : "small",
      why: input.why,
      askedBy: ctx.who.actor,
      askedOn: ctx.today,
      actId
    });
    if (!over2) post2(ctx, { id, actId, by: null, why: null });
    return ok({ actId, waits: over2 });
  }
});
function itemToGiveUp(ctx, { itemId, sum: sum5 }) {
  const item = openItemById(ctx.db, itemId);
  if (!item || item.balance <= 0)
    return fail("write_off.settled", { number: item?.number ?? "this invoice" });
  if (sum5 > item.balance)
    return fail("tally.item", {
      number: item.number,
      balance: ctx.sum(item.balance, item.currency),
      wanted: ctx.sum(sum5, item.currency)
    });
  return writeOffsOf(ctx.db, item.id).some(({ state }) => state === "waiting") ? fail("write_off.waits", { number: item.number }) : ok(item);
}

// src/server/payouts/commands/agreeRate.ts
import { z as z65 } from "zod";
var sum4 = z65.number().int().min(0).transform(minor);
var agreeRate = defineCommand({
  name: "agreeRate",
  schema: z65.object({
    account: z65.string(),
    method: z65.enum(METHODS),
    from: isoDay,
    to: isoDay.nullable().default(null),
    percent: z65.string().trim(),
    fixed: sum4,
    least: sum4.nullable().default(null),
    most: sum4.nullable().default(null),
    brand: z65.string().trim().max(30).nullable().default(null).transform((text) => text || null),
    abroad: z65.boolean().nullable().default(null),
    fromVolume: sum4.default(() => minor(0))
  }),
  run(ctx, input) {
    const account = processorAccounts(ctx.db).find(({ code: code2 }) => code2 === input.account);
    if (!account) return fail("account.unknown", { account: input.account });
    const percent2 = ratioOf(input.percent);
    if (!percent2.ok || percent2.value.numerator < 0n || percent2.value.numerator > 100n * percent2.value.denominator)
      return fail("rate.unreadable", { text: input.percent });
    if (input.to !== null && input.to < input.from || input.least !== null && input.most !== null && input.least > input.most)
      return fail("rate.span");
    const rateId = insertAgreedRate(ctx.db, { ...input, processorAccountId: account.id });
    ctx.act(
      "settings",
      { kind: "processor_account", id: account.id },
      `agreed with ${account.name}: ${input.percent} % + ${ctx.sum(input.fixed)} by ${input.method.replace("_", " ")} from ${input.from}`
    );
    return ok({ rateId });
  }
});

// src/server/payouts/commands/endRate.ts
import { z as z66 } from "zod";
var endRate = defineCommand({
  name: "endRate",
  schema: z66.object({ rateId: z66.number().int() }),
  run(ctx, input) {
    const rate = agreedRateById(ctx.db, input.rateId);
    if (!rate) return fail("rate.unknown");
    endAgreedRate(
      ctx.db,
      rate.id,
      ctx.act(
        "settings",
        { kind: "processor_account", id: rate.processorAccountId },
        `agreed rate of ${rate.percent} % from ${rate.from} taken off`
      )
    );
    return ok(null);
  }
});

// src/server/payouts/commands/splitBulkPayout.ts
import { z as z67 } from "zod";
var splitBulkPayout = defineCommand({
  name: "splitBulkPayout",
  schema: z67.object({
    lineId: z67.number().int(),
    itemIds: z67.array(z67.number().int()).min(1).max(500)
  }),
  run(ctx, input) {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    const items2 = [...new Set(input.itemIds)].flatMap((id) => processorItemById(ctx.db, id) ?? []);
    const [first] = items2;
    if (!first || items2.length < new Set(input.itemIds).size || items2.some(
      (item) => item.payoutId !== null || item.processorAccountId !== first.processorAccountId || item.currency !== line.currency
    ))
      return fail("payout.item");
    const net = sumOf(items2, ({ amount: amount2 }) => amount2);
    if (net !== line.amount)
      return fail("payout.off", {
        bank: ctx.sum(line.amount),
        net: ctx.sum(net),
        off: ctx.sum(add(line.amount, negate(net)))
      });
    const payoutId = insertPayout(ctx.db, {
      processorAccountId: first.processorAccountId,
      externalId: `${LUMP}${line.postedOn} ${line.id} ${ctx.commandId}`,
      paidOn: line.postedOn,
      currency: line.currency,
      statedNet: null,
      spanFrom: null,
      spanTo: null,
      fileId: null,
      lineNo: null
    });
    const payout2 = payoutById(ctx.db, payoutId);
    if (!payout2) return fail("payout.unknown");
    const actId = tie(
      ctx,
      { ...payout2, net },
      [line],
      `put together from ${items2.length} items in clearing`
    );
    for (const item of items2) moveItem(ctx.db, item, payoutId, actId);
    refreshNet(ctx.db, payoutId);
    return ok({ actId, payoutId });
  }
});

// src/server/payouts/commands/tiePayouts.ts
import { z as z68 } from "zod";
var tiePayouts = defineCommand({
  name: "tiePayouts",
  schema: z68.object({
    payoutIds: z68.array(z68.number().int()).min(2).max(10),
    lineId: z68.number().int()
  }),
  run(ctx, input) {
    const line = bankLineById(ctx.db, input.lineId);
    if (!line) return fail("line.unknown");
    if (line.state !== "open") return fail("line.explained");
    const payouts = [...new Set(input.payoutIds)].flatMap((id) => payoutById(ctx.db, id) ?? []);
    if (payouts.length < new Set(input.payoutIds).size) return fail("payout.unknown");
    if (payouts.some(({ state }) => state === "tied")) return fail("payout.tied");
    if (payouts.some(({ currency }) => currency !== line.currency)) return fail("payout.line");
    const net = sumOf(payouts, (payout2) => payout2.net);
    if (net !== line.amount)
      return fail("payout.off", {
        bank: ctx.sum(line.amount),
        net: ctx.sum(net),
        off: ctx.sum(add(line.amount, negate(net)))
      });
    return ok({ actId: tieInOne(ctx, payouts, line) });
  }
});

// src/server/settings/commands/addBankAccount.ts
import { z as z69 } from "zod";
var addBankAccount = defineCommand({
  name: "addBankAccount",
  schema: z69.object({
    code,
    name,
    lastFour: z69.string().regex(/^\d{4}$/, "The last four digits only.").nullable().default(null),
    openingBalance: z69.number().int().transform(minor)
  }),
  run(ctx, input) {
    if (bankAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { account: input.code });
    const id = insertBankAccount(ctx.db, { ...input, currency: ctx.settings.currency });
    const taken2 = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken2, "bank"),
      name: input.name,
      role: "bank",
      of: input.code
    });
    ctx.chartChanged();
    const actId = ctx.act(
      "account",
      { kind: "bank_account", id },
      `bank account ${input.name} added`
    );
    if (input.openingBalance !== 0) {
      const document = {
        kind: "bank_line",
        id: 0,
        text: `opening balance, ${input.name}`
      };
      ctx.post(
        postOpening({
          on: ctx.settings.cutOverOn,
          document,
          account: { role: "bank", of: input.code },
          sum: inBook(input.openingBalance, ctx.settings.currency),
          item: null
        }),
        actId
      );
    }
    return ok({ id });
  }
});

// src/server/settings/commands/addProcessorAccount.ts
import { z as z70 } from "zod";
var addProcessorAccount = defineCommand({
  name: "addProcessorAccount",
  schema: z70.object({
    code,
    name,
    delayDays: z70.number().int().min(0).max(30),
    descriptor: z70.string().trim().max(60).nullable().default(null),
    currency: currencyCode.nullable().default(null),
    feeBilling: z70.enum(["taken", "monthly"]).default("taken")
  }),
  run(ctx, input) {
    if (processorAccounts(ctx.db).some((account) => account.code === input.code))
      return fail("account.taken", { account: input.code });
    const id = insertProcessorAccount(ctx.db, {
      ...input,
      descriptor: input.descriptor || null,
      currency: input.currency ?? ctx.settings.currency
    });
    const taken2 = new Set(accounts(ctx.db).map((account) => account.code));
    insertAccount(ctx.db, {
      code: nextCode(taken2, "clearing"),
      name: `Clearing, ${input.name}`,
      role: "clearing",
      of: input.code
    });
    ctx.chartChanged();
    ctx.act("account", { kind: "processor_account", id }, `processor account ${input.name} added`);
    return ok({ id });
  }
});

// src/server/settings/commands/changeMailbox.ts
import { z as z71 } from "zod";

// src/server/settings/keepPassword.ts
function keepPassword(ctx, name2, { secret, isGone }) {
  const kept = isGone ? "" : secret;
  if (kept !== void 0)
    ctx.afterwards(() => keepSecret(ctx.who.book, name2, kept === "" ? null : kept));
}

// src/server/settings/commands/changeMailbox.ts
var changeMailbox = defineCommand({
  name: "changeMailbox",
  schema: z71.object({
    mailbox: mailboxSchema.nullable(),
    secret: z71.string().max(500).optional()
  }),
  run(ctx, { mailbox, secret }) {
    writeSettings(ctx.db, { mailbox });
    keepPassword(ctx, "mailbox", { secret, isGone: mailbox === null });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      mailbox === null ? "no mailbox is read" : `the mailbox of ${mailbox.user} at ${mailbox.host} is read; files may come from ${mailbox.from.join(", ") || "nobody"}`
    );
    return ok(null);
  }
});

// src/server/settings/commands/changeMailServer.ts
import { z as z72 } from "zod";
var changeMailServer = defineCommand({
  name: "changeMailServer",
  schema: z72.object({
    server: mailServerSchema.nullable(),
    secret: z72.string().max(500).optional()
  }),
  run(ctx, { server, secret }) {
    writeSettings(ctx.db, { mailServer: server });
    keepPassword(ctx, "mail", { secret, isGone: server === null });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      server === null ? "letters go to the outbox alone" : `letters leave by ${server.host}, port ${server.port}`
    );
    return ok(null);
  }
});

// src/server/settings/commands/changeSettings.ts
import { z as z73 } from "zod";

// src/server/settings/watchable.ts
import { realpathSync, statSync as statSync2 } from "node:fs";
import { isAbsolute, relative } from "node:path";
function watchable(book, folder) {
  if (!isAbsolute(folder) || !statSync2(folder, { throwIfNoEntry: false })?.isDirectory())
    return fail("settings.folder", { path: folder });
  const way = relative(dataFolder(), folder);
  if (!way.startsWith("..") && !isAbsolute(way))
    return fail("settings.folder_own", { path: folder });
  const other = listBooks().find((name2) => name2 !== book && awaitsIn(name2, folder));
  return other === void 0 ? ok(null) : fail("settings.folder_taken", { path: folder, other });
}
function awaitsIn(book, folder) {
  const opened = openToRead(bookFile(book));
  if (!opened.ok) return false;
  const { watchedFolder } = readSettings(opened.value);
  opened.value.close();
  return watchedFolder !== null && placeOf(watchedFolder) === placeOf(folder);
}
var placeOf = (folder) => statSync2(folder, { throwIfNoEntry: false }) ? realpathSync(folder) : folder;

// src/server/settings/commands/changeSettings.ts
var percent = z73.string().trim().regex(/^(100|\d{1,2}(\.\d{1,3})?)$/, "Write it like 2.5, from 0 to 100.");
var prefix = z73.string().trim().regex(/^[A-Za-z0-9/-]{0,12}$/, "Up to twelve letters, digits, - or /.");
var changeSettings = defineCommand({
  name: "changeSettings",
  schema: z73.object({
    name: name.optional(),
    cutOverOn: isoDay.optional(),
    clock: isoDay.optional(),
    timeZone: z73.string().optional(),
    country: country.optional(),
    discountGraceDays: z73.number().int().min(0).max(30).optional(),
    smallDifferenceLimit: z73.number().int().min(0).max(1e5).optional(),
    wrongPerThousand: z73.number().int().min(1).max(200).optional(),
    smallestSumAskedFor: z73.number().int().min(0).optional(),
    replyTo: emailAddress.optional(),
    people: z73.array(z73.string().trim().min(1, "A name is needed.").max(40)).min(1, "At least one person works in the book.").max(50).optional(),
    surchargePercent: z73.string().trim().regex(/^\d{1,2}(\.\d{1,3})?$/, "Write it like 2.5.").nullable().optional(),
    bankSavingPercent: z73.string().trim().regex(/^\d{1,2}(\.\d{1,3})?$/, "Write it like 0.5.").nullable().optional(),
    ownSumsFrom: z73.number().int().min(1, "At least 0.01.").max(1e11).nullable().optional(),
    planParts: z73.number().int().min(2, "At least two parts.").max(24).nullable().optional(),
    mailReceipts: z73.boolean().optional(),
    provenAccounts: z73.boolean().optional(),
    noticeDays: z73.number().int().min(0).max(60).optional(),
    taxOnDiscounts: z73.boolean().optional(),
    taxOnBadDebts: z73.boolean().optional(),
    achFixedPerMonth: z73.number().int().min(0).max(1e7).optional(),
    returnFee: z73.number().int().min(0).max(1e5).nullable().optional(),
    usualTerms: z73.string().trim().refine((text) => readPlan(text).ok, "Like n/30, 2/10 n/30, eom/15, 30% now; rest n/30.").optional(),
    paysBy: z73.enum(PAYS_BY).nullable().optional(),
    invoicePrefix: prefix.optional(),
    creditNotePrefix: prefix.optional(),
    taxIncluded: z73.boolean().optional(),
    taxRounded: z73.enum(["by_code", "by_line"]).optional(),
    approvalOver: z73.number().int().min(0).nullable().optional(),
    address: z73.array(z73.string().trim().min(1).max(120)).max(6).optional(),
    taxNumber: z73.string().trim().max(40).nullable().optional(),
    coverSubject: z73.string().trim().min(1).max(200).nullable().optional(),
    coverBody: z73.string().trim().min(1).max(2e4).nullable().optional(),
    linkBase: z73.string().regex(
      /^https?:\/\/[^\s/]+(\/[^\s]*[^\s/])?$/,
      "Write it like https://accounts.example.com, without a slash at its end."
    ).nullable().optional(),
    letterInterval: z73.number().int().min(1, "At least one day.").max(90).optional(),
    feedDays: z73.number().int().min(1, "At least one banking day.").max(60).optional(),
    watchedFolder: z73.string().trim().min(1).max(400).nullable().optional(),
    backupsKept: z73.number().int().min(0).max(365).optional(),
    agingDays: z73.array(z73.number().int().min(1).max(3650)).min(1).max(8).refine(
      (edges) => edges.every((edge, at) => edge > (edges[at - 1] ?? 0)),
      "Rising days, like 30, 60, 90."
    ).optional(),
    doubtfulPercent: z73.object({
      not_due: percent,
      d1_30: percent,
      d31_60: percent,
      d61_90: percent,
      over_90: percent
    }).nullable().optional(),
    letterRun: z73.object({
      weekdays: z73.array(z73.number().int().min(1).max(7)).min(1, "Choose at least one weekday.").max(7),
      hour: z73.number().int().min(0).max(23)
    }).nullable().optional()
  }),
  run(ctx, input) {
    if (input.timeZone !== void 0 && !isTimeZone(input.timeZone))
      return fail("settings.time_zone", { text: input.timeZone });
    if (input.clock !== void 0 && ctx.settings.clock === null)
      return fail("settings.real_clock");
    if (input.clock !== void 0 && ctx.settings.clock !== null && input.clock < ctx.settings.clock)
      return fail("settings.clock");
    if (input.people && new Set(input.people.map((name2) => name2.toLowerCase())).size < input.people.length)
      return fail("settings.people");
    if (input.watchedFolder) {
      const watched = watchable(ctx.who.book, input.watchedFolder);
      if (!watched.ok) return watched;
    }
    const changed2 = Object.fromEntries(
      Object.entries(input).filter(([, value]) => value !== void 0)
    );
    writeSettings(ctx.db, changed2);
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `settings changed: ${Object.keys(changed2).join(", ")}`
    );
    return ok(null);
  }
});

// src/server/settings/commands/lockPeriod.ts
import { z as z74 } from "zod";
var lockPeriod = defineCommand({
  name: "lockPeriod",
  schema: z74.object({
    to: isoDay.nullable(),
    why: z74.string().trim().min(3, "Say why, in a few words.").max(200)
  }),
  run(ctx, input) {
    if (input.to !== null && input.to >= ctx.today) return fail("lock.today");
    writeSettings(ctx.db, { lockedTo: input.to });
    const before2 = ctx.settings.lockedTo;
    return ok({
      actId: ctx.act(
        "lock",
        { kind: "book", id: 0 },
        `${input.to === null ? "every day is open again" : `days up to ${input.to} are closed`}${before2 === null ? "" : ` (before: ${before2})`}: ${input.why}`
      )
    });
  }
});

// src/server/settings/commands/setAccount.ts
import { z as z75 } from "zod";

// src/db/chart.ts
function isUsed(db, accountId) {
  return db.get("SELECT 1 FROM entry_line WHERE account_id = ? LIMIT 1", accountId) !== void 0;
}
function renameAccount(db, id, code2, name2) {
  db.run("UPDATE account SET code = ?, name = ? WHERE id = ?", code2, name2, id);
}
function deleteAccount(db, id) {
  db.run("DELETE FROM account WHERE id = ?", id);
}

// src/server/settings/commands/setAccount.ts
var accountCode = z75.string().trim().regex(/^[A-Za-z0-9.-]{1,20}$/, "Up to twenty letters, digits, points and hyphens.");
var setAccount = defineCommand({
  name: "setAccount",
  schema: z75.object({
    /** The account that is changed, by its number; null: a new one. */
    code: accountCode.nullable().default(null),
    to: z75.object({ code: accountCode, name: z75.string().trim().min(1).max(80) }).nullable().default(null),
    /** Of a new one: income of its own, or the tax of a code. */
    role: z75.enum(["income", "tax"]).default("income"),
    taxCode: z75.string().trim().max(20).nullable().default(null)
  }),
  run(ctx, { code: code2, to, role, taxCode }) {
    const chart = accounts(ctx.db);
    const before2 = chart.find((account) => account.code === code2);
    if (code2 !== null && !before2) return fail("account.unknown", { account: code2 });
    if (to !== null && chart.some((account) => account.code === to.code && account !== before2))
      return fail("account.number", { field: "code", account: to.code });
    const done = before2 ? changed(ctx, before2, to) : added(ctx, { chart, to, role, of: role === "tax" ? taxCode : to?.code ?? null });
    if (done.ok) ctx.chartChanged();
    return done;
  }
});
function changed(ctx, before2, to) {
  const says = (words2) => void ctx.act("settings", { kind: "book", id: 0 }, words2);
  if (to !== null) {
    renameAccount(ctx.db, before2.id, to.code, to.name);
    says(`account ${before2.code} ${before2.name} is ${to.code} ${to.name} now`);
    return ok(null);
  }
  if (before2.of === null || !["income", "tax"].includes(before2.role))
    return fail("account.kept", { account: before2.name });
  if (isUsed(ctx.db, before2.id)) return fail("account.used", { account: before2.name });
  const [needing] = items(ctx.db).filter(({ incomeOf }) => incomeOf === before2.of);
  if (before2.role === "income" && needing)
    return fail("account.item", { account: before2.name, item: needing.code });
  deleteAccount(ctx.db, before2.id);
  says(`account ${before2.code} ${before2.name} removed`);
  return ok(null);
}
function added(ctx, { chart, to, role, of }) {
  if (to === null) return fail("account.unknown", { account: "" });
  if (role === "tax" && !taxCodes(ctx.db).some(({ code: code2 }) => code2 === of))
    return fail("document.tax_unknown", { field: "tax_code", text: of });
  if (chart.some((account) => account.role === role && account.of === of))
    return fail("account.number", { field: "code", account: of });
  insertAccount(ctx.db, { ...to, role, of });
  ctx.act("settings", { kind: "book", id: 0 }, `account ${to.code} ${to.name} added`);
  return ok(null);
}

// src/server/settings/commands/setItem.ts
import { z as z76 } from "zod";
var setItem2 = defineCommand({
  name: "setItem",
  schema: z76.object({
    code: z76.string().trim().min(1, "An item has a short name.").max(60),
    /** Null takes it off the list; what was billed stays. */
    to: z76.object({
      description: z76.string().trim().min(1).max(500),
      rate: z76.string().trim().max(40),
      taxCode: z76.string().trim().max(20).nullable().default(null),
      /** The number of its income account; null: the one of all income. */
      account: z76.string().trim().max(20).nullable().default(null),
      /** Over how many months its income is earned; 1: at once. */
      months: z76.number().int().min(1).max(120).default(1)
    }).nullable()
  }),
  run(ctx, { code: code2, to }) {
    if (to === null) {
      if (!items(ctx.db).some((item) => item.code === code2))
        return fail("item.gone", { item: code2 });
      deleteItem(ctx.db, code2);
      ctx.act("settings", { kind: "book", id: 0 }, `item ${code2} taken off the list`);
      return ok(null);
    }
    const rate = decimalOf(to.rate);
    if (!rate.ok) return fail("document.number", { field: "rate", text: to.rate });
    if (to.taxCode !== null && !taxCodes(ctx.db).some((tax) => tax.code === to.taxCode))
      return fail("document.tax_unknown", { field: "tax_code", text: to.taxCode });
    const account = accounts(ctx.db).find(
      (known) => known.role === "income" && known.code === to.account
    );
    if (to.account !== null && !account) return fail("account.unknown", { account: to.account });
    setItem(ctx.db, {
      code: code2,
      description: to.description,
      rate: decimalText(rate.value),
      taxCode: to.taxCode,
      incomeOf: account?.of ?? null,
      months: to.months
    });
    ctx.act(
      "settings",
      { kind: "book", id: 0 },
      `item ${code2}: ${to.description}, ${to.rate}${to.months > 1 ? `, earned over ${to.months} months` : ""}`
    );
    return ok(null);
  }
});

// src/server/settings/commands/setBankDetails.ts
import { z as z77 } from "zod";
var MOST_DETAILS = 12;
var setBankDetails = defineCommand({
  name: "setBankDetails",
  schema: z77.object({
    name: z77.string().trim().min(1, "Bank details have a name.").max(40),
    words: z77.string().trim().max(500)
  }),
  run(ctx, { name: name2, words: words2 }) {
    const { bankDetails, looks } = ctx.settings;
    const others = bankDetails.filter((known) => known.name !== name2);
    const isUsed2 = looks.find(({ bank }) => bank === name2);
    if (words2 === "" && isUsed2) return fail("look.bank_used", { look: isUsed2.name });
    if (words2 !== "" && others.length >= MOST_DETAILS)
      return fail("look.bank_many", { most: MOST_DETAILS });
    const kept = words2 === "" ? others : [...others, { name: name2, words: words2 }];
    writeSettings(ctx.db, {
      bankDetails: kept.toSorted((a, b) => a.name.localeCompare(b.name))
    });
    const done = words2 === "" ? "dropped" : "kept";
    ctx.act("settings", { kind: "book", id: 0 }, `bank details ${name2} ${done}`);
    return ok(null);
  }
});

// src/server/settings/commands/setLook.ts
import { existsSync, readFileSync as readFileSync2 } from "node:fs";
import { z as z79 } from "zod";

// src/contracts/looks.ts
import { z as z78 } from "zod";
var lookInput = z78.object({
  name: z78.string().trim().min(1, "A look has a name.").max(40),
  accent: z78.string().regex(/^#[0-9a-f]{6}$/, "A colour like #1f4e79."),
  letters: z78.enum(["plain", "serif"]),
  size: z78.enum(["usual", "letter", "a4"]),
  above: z78.string().trim().max(500),
  below: z78.string().trim().max(500),
  quantities: z78.boolean(),
  rates: z78.boolean(),
  lines: z78.enum(["all", "items", "one"]),
  oneLine: z78.string().trim().max(200),
  bank: z78.string().trim().max(500),
  code: z78.boolean(),
  slip: z78.boolean(),
  logo: z78.string().regex(/^[0-9a-f]{64}$/).nullable()
});

// src/server/settings/commands/setLook.ts
var MOST_LOOKS = 12;
var MOST_BYTES = 3e5;
var setLook = defineCommand({
  name: "setLook",
  schema: z79.object({
    name: z79.string().trim().max(40),
    /** Its picture lies under its hash already, in the book or among the kept files. */
    look: lookInput.nullable()
  }),
  run(ctx, { name: name2, look }) {
    const { looks } = ctx.settings;
    const at = looks.findIndex((known) => known.name === name2);
    if (look === null) {
      if (at < 0) return fail("look.unknown", { look: name2 });
      if (looks.length === 1) return fail("look.last");
      writeSettings(ctx.db, { looks: looks.filter((known) => known.name !== name2) });
      ctx.act("settings", { kind: "book", id: 0 }, `look of papers ${name2} dropped`);
      return ok({ logo: null });
    }
    if (at < 0 && looks.length >= MOST_LOOKS) return fail("look.many", { most: MOST_LOOKS });
    const kept = look.logo === null ? ok(null) : keepLogo(ctx, look.logo);
    if (!kept.ok) return kept;
    writeSettings(ctx.db, {
      looks: at < 0 ? [...looks, look] : looks.map((known, index) => index === at ? look : known)
    });
    ctx.act("settings", { kind: "book", id: 0 }, `look of papers ${look.name} kept`);
    return ok({ logo: look.logo });
  }
});
function keepLogo(ctx, sha256) {
  if (logoOf(ctx.db, sha256) !== null) return ok(null);
  const path = keptFile(ctx.who.book, sha256);
  if (!existsSync(path)) return fail("look.picture", { what: "not there any more" });
  const bytes = readFileSync2(path);
  if (bytes.length > MOST_BYTES) return fail("look.picture", { what: "over 300 kB" });
  const type = paperType(bytes, "The picture");
  if (!type.ok) return type;
  if (type.value === "application/pdf") return fail("look.picture", { what: "a PDF" });
  insertLogo(ctx.db, sha256, { type: type.value, bytes });
  return ok(null);
}

// src/server/settings/commands/setTaxCode.ts
import { z as z80 } from "zod";
var setTaxCode = defineCommand({
  name: "setTaxCode",
  schema: z80.object({
    code: z80.string().trim().regex(/^[A-Za-z0-9 ._-]{1,20}$/, "Up to twenty letters and digits."),
    percent: z80.string().trim().max(12),
    category: z80.enum(["standard", "zero", "exempt", "reverse", "none"]),
    note: z80.string().trim().max(300).nullish().transform((text) => text || null)
  }),
  run(ctx, { code: code2, percent: percent2, category, note }) {
    const read = decimalOf(percent2);
    if (!read.ok || read.value.units < 0n || Number(decimalText(read.value)) > 100)
      return fail("document.number", { text: percent2 });
    if (category === "standard" !== read.value.units > 0n)
      return fail("tax.category", { category, percent: percent2 });
    if (taxCodes(ctx.db).some((tax) => tax.code === code2)) return fail("tax.taken", { tax: code2 });
    insertTaxCode(ctx.db, { code: code2, percent: decimalText(read.value), category, note });
    ctx.act("settings", { kind: "book", id: 0 }, `tax code ${code2} of ${percent2} percent added`);
    return ok(null);
  }
});

// src/server/commands.ts
var COMMANDS = {
  importFile,
  applyReceipt,
  useCredit,
  postSure,
  setAside,
  tiePayout,
  tiePayouts,
  splitBulkPayout,
  dropLine,
  explainLine,
  removeRule,
  disputeLost,
  undo,
  undoFile,
  undoTogether,
  sendLetter,
  logContact,
  leaveOut,
  addProcessorAccount,
  addBankAccount,
  changeMailbox,
  changeMailServer,
  changeSettings,
  lockPeriod,
  askApproval,
  decideWriteOff,
  recordReceipt,
  makeDeposit,
  tieDeposit,
  bounceReceipt,
  forget,
  changeAlias,
  agreeRate,
  endRate,
  accrueFees,
  billFees,
  retryDebit,
  mendAccount,
  answerDispute,
  refundAtBank,
  makeJournalFile,
  setRates,
  revalue,
  sendLetters,
  setLadder,
  removeLadder,
  setFollowUp,
  leaveItemOut,
  bringAllowance,
  chargeLateFees,
  waiveLateFee,
  writeOff,
  decideInvoiceWriteOff,
  newAccountLink,
  noteVisit,
  runLetters,
  settleLetter,
  skipRun,
  letterCameBack,
  addressWorks,
  takeMail,
  takeReturnedMail,
  setContactPersons,
  setWordingOf,
  dropWording,
  writeDraft,
  moveDraft,
  joinDrafts,
  approveDocuments,
  takeOrders,
  writeCreditNote,
  setOff,
  sendDocuments,
  markPrinted,
  scheduleDocuments,
  setSchedule,
  moveSchedule,
  runSchedules,
  askDeposit,
  keepMethod,
  removeMethod,
  agree,
  endAgreement,
  askForCard,
  beginPayment,
  notePayment,
  askRefund,
  decideRefund,
  noteProof,
  noteRefund,
  takeOutOfRun,
  tellSums,
  noteEvent,
  agreePlan,
  endPlan,
  makePayLink,
  withdrawPayLink,
  releaseIncome,
  setTaxCode,
  setBankDetails,
  setLook,
  setAccount,
  setItem: setItem2,
  writeCustomer,
  mergeCustomers,
  answerQuestion,
  askQuestion,
  endQuestion,
  addAttachment
};

// src/practice/processor.ts
import { randomBytes as randomBytes2 } from "node:crypto";

// src/practice/telling.ts
function tell4(store, charge, told) {
  const isCharge = told.id === charge.id;
  store.addLine({
    id: told.id,
    account: charge.account,
    type: told.type,
    onDay: isCharge ? charge.madeOn : told.on,
    settledOn: told.on,
    amount: told.amount,
    payer: isCharge ? charge.payerName : "",
    email: isCharge ? charge.payerEmail : "",
    memo: isCharge ? charge.reference : "",
    related: isCharge ? "" : charge.id,
    spanFrom: null,
    spanTo: null,
    code: told.code ?? "",
    answerBy: told.answerBy ?? null,
    paidOutOn: told.movesNothing ? null : addBankingDays(told.on, termsOf(store, charge.account).payoutDays),
    toldOn: told.on
  });
}

// src/practice/reserves.ts
var OVER = 5e4;
var DAYS = 30;
function holdBack(store, charge, on) {
  if (charge.amount <= OVER || !termsOf(store, charge.account).reserves) return;
  const amount2 = minor(-mulDiv(charge.amount, 1, 10, "half-even"));
  tell4(store, charge, { type: "reserve hold", id: `${charge.id}-h`, amount: amount2, on });
}
function giveBack(store, on) {
  const due = store.heldBack(addDays(on, -DAYS));
  let given = 0;
  for (const { related, amount: amount2 } of due) {
    const charge = store.charge(related);
    if (!charge || !store.once(`reserve given back ${related}`, on)) continue;
    const back = minor(-amount2);
    tell4(store, charge, { type: "reserve release", id: `${related}-g`, amount: back, on });
    given += 1;
  }
  return given;
}

// src/practice/codes.ts
var TRIES = 3;
var ASKS_CODE = "65";
function approve(store, charge, on) {
  const fee2 = feeOf(termsOf(store, charge.account), charge.amount);
  tell4(store, charge, { type: "charge", id: charge.id, amount: charge.amount, on });
  tell4(store, charge, { type: "fee", id: `${charge.id}-f`, amount: minor(-fee2), on });
  holdBack(store, charge, on);
}
function takeCode(store, typed) {
  return store.together(() => {
    const charge = store.charge(typed.charge);
    if (!charge) return fail("method.gone");
    if (charge.state !== "asks_code") return ok(answerOf(charge));
    if (typed.code.replace(/\D/g, "") === PRACTICE_CODE) {
      store.setCharge(charge.id, "approved", null);
      store.setFee(charge.id, feeOf(termsOf(store, charge.account), charge.amount));
      approve(store, charge, charge.madeOn);
    } else {
      if (store.countWrongCode(charge.id) < TRIES) return fail("code.wrong", { field: "bankCode" });
      store.setCharge(charge.id, "declined", ASKS_CODE);
    }
    const after = store.charge(charge.id);
    return after ? ok(answerOf(after)) : fail("method.gone");
  });
}
function letGo(store, charge) {
  if (charge.state === "asks_code") store.setCharge(charge.id, "declined", ASKS_CODE);
}

// src/practice/debits.ts
function settle(store, charge, on) {
  store.setCharge(charge.id, "settled", charge.code);
  tellChange(store, charge, on);
  tell4(store, charge, { type: "ach debit", id: charge.id, amount: charge.amount, on });
  tell4(store, charge, { type: "fee", id: `${charge.id}-f`, amount: minor(-charge.fee), on });
}
function tellChange(store, { id, code: code2, token, payerName }, on) {
  if (code2 === null || !(code2 in CHANGES) || !store.once(`change of ${token}`, on)) return;
  store.addNotice({ charge: id, code: code2, payer: payerName, onDay: on });
}
function comeBack(store, charge, on) {
  if (charge.state === "on_way") settle(store, charge, on);
  store.setCharge(charge.id, "returned", charge.code);
  const amount2 = minor(-charge.amount);
  const code2 = charge.code ?? "";
  tell4(store, charge, { type: "return", id: `${charge.id}-r`, amount: amount2, on, code: code2 });
  const fee2 = minor(-RETURN_FEE);
  tell4(store, charge, { type: "return fee", id: `${charge.id}-rf`, amount: fee2, on });
}

// src/practice/disputes.ts
var ANSWER_DAYS = 14;
var DECIDED_AFTER = 10;
var answered = (disputeId) => `answered ${disputeId}`;
var lost = (disputeId) => `lost ${disputeId}`;
var decided = (disputeId) => `decided ${disputeId}`;
var disputeIdOf = ({ id }) => `${id}-d`;
function openDispute(store, charge, on) {
  store.setDisputed(charge.id, on);
  tell4(store, charge, {
    type: "dispute",
    id: disputeIdOf(charge),
    amount: minor(-charge.amount),
    on,
    answerBy: addDays(on, ANSWER_DAYS)
  });
  const id = `${charge.id}-df`;
  tell4(store, charge, { type: "dispute fee", id, amount: minor(-DISPUTE_FEE), on });
}
function answerDispute2(store, disputeId, on) {
  const charge = store.disputed().find((one) => disputeIdOf(one) === disputeId);
  if (charge?.disputedOn == null) return fail("dispute.elsewhere");
  if (on > addDays(charge.disputedOn, ANSWER_DAYS)) return fail("dispute.late");
  store.once(answered(disputeId), on);
  return ok(null);
}
function decideDisputes(store, on) {
  const count = { won: 0, lost: 0 };
  for (const charge of store.disputed()) {
    const id = disputeIdOf(charge);
    const fate = fateOf2(store, charge, on);
    if (fate === null || !store.once(decided(id), on)) continue;
    count[fate] += 1;
    if (fate === "lost") store.once(lost(id), on);
    else tell4(store, charge, { type: "dispute won", id: `${id}w`, amount: charge.amount, on });
  }
  return count;
}
function fateOf2(store, charge, on) {
  const answer3 = store.doneOn(answered(disputeIdOf(charge)));
  const from = charge.disputedOn ?? on;
  if (answer3 === null) return on > addDays(from, ANSWER_DAYS) ? "lost" : null;
  if (on < addDays(answer3, DECIDED_AFTER)) return null;
  return Number(charge.id.replace(/\D/g, "")) % 2 === 0 ? "won" : "lost";
}
var isLost = (store, disputeId) => store.isDone(lost(disputeId));

// src/practice/events.ts
import { randomBytes } from "node:crypto";
import { Webhook, WebhookVerificationError } from "standardwebhooks";
import { z as z81 } from "zod";
var SECRET = "events secret";
function secretOf(store) {
  const known = store.fact(SECRET);
  if (known !== null) return known;
  const made = `whsec_${randomBytes(24).toString("base64")}`;
  store.setFact(SECRET, made);
  return made;
}
var said = z81.object({
  type: z81.string(),
  data: z81.object({ account: z81.string().min(1).max(40), on: isoDay, entry: z81.string() })
});
function eventsOf(store, on, at) {
  const hook = new Webhook(secretOf(store));
  return accountsOf(store).flatMap(
    (account) => store.told(account, { to: on }).map((line) => {
      const id = `evt_${line.id}`;
      const type = `entry.${line.type.replace(/[^a-z]+/g, "_")}`;
      const body = JSON.stringify({ type, data: { account, on, entry: line.id } });
      const timestamp = String(Math.floor(at.getTime() / 1e3));
      return { id, timestamp, signature: hook.sign(id, at, body), body };
    })
  );
}
function readEvent(store, { id, timestamp, signature, body }) {
  const headers = {
    "webhook-id": id,
    "webhook-timestamp": timestamp,
    "webhook-signature": signature
  };
  try {
    new Webhook(secretOf(store)).verify(body, headers, { jsonParse: false });
  } catch (error) {
    if (error instanceof WebhookVerificationError) return fail("event.signature");
    throw error;
  }
  const read = said.safeParse(parsed(body));
  if (!read.success) return fail("event.form");
  const { account, on } = read.data.data;
  return ok({ id, account, on });
}
function parsed(body) {
  try {
    return JSON.parse(body);
  } catch {
    return null;
  }
}

// src/practice/proofs.ts
var TRIES2 = 3;
var OF_SMALL_SUMS = "Practice bank: they are the two pairs of the account's last four digits, as cents (6712: 0.67 and 0.12).";
function sumsFor(lastFour) {
  const cents = (pair) => Number(pair) || 1;
  return { first: cents(lastFour.slice(0, 2)), second: cents(lastFour.slice(2)) };
}
function sendSmallSums(store, token, on) {
  const method = store.method(token);
  if (method?.way !== "bank") return fail("method.gone");
  const known = store.smallSums(token);
  if (known) return ok({ thereOn: known.thereOn });
  const thereOn = addBankingDays(on, 1);
  store.sendSums(token, { ...sumsFor(method.lastFour), thereOn });
  return ok({ thereOn });
}
function proveBySums(store, token, typed) {
  return store.together(() => {
    const sent = store.smallSums(token);
    if (!sent) return fail("method.gone");
    if (store.isProven(token)) return ok(null);
    if (sent.tries >= TRIES2) return fail("proof.over");
    const [low, high] = [...typed].sort((a, b) => a - b);
    if (low !== Math.min(sent.first, sent.second) || high !== Math.max(sent.first, sent.second)) {
      store.countTry(token);
      return fail(sent.tries + 1 >= TRIES2 ? "proof.over" : "proof.wrong");
    }
    store.setProven(token);
    return ok(null);
  });
}

// src/practice/refunds.ts
function leftOfCharge(store, chargeId2) {
  const charge = store.charge(chargeId2);
  if (!charge || !["approved", "settled"].includes(charge.state)) return null;
  if (charge.disputedOn !== null) return minor(0);
  return minor(charge.amount - sumOf(store.refundsOf(chargeId2), ({ amount: amount2 }) => amount2));
}
function refunded(store, ask2) {
  const { key, chargeId: chargeId2, amount: amount2, on } = ask2;
  const known = store.refundByKey(key);
  if (known)
    return known.charge === chargeId2 && known.amount === amount2 ? ok({ refundId: known.id }) : fail("pay.key");
  const charge = store.charge(chargeId2);
  const left = leftOfCharge(store, chargeId2);
  if (!charge || left === null) return fail("refund.charge");
  if (amount2 > left) return fail("refund.left");
  return ok(
    store.together(() => {
      const refundId = `${chargeId2}-b${store.refundsOf(chargeId2).length + 1}`;
      store.addRefund(refundId, ask2);
      tell4(store, charge, { type: "refund", id: refundId, amount: minor(-amount2), on });
      return { refundId };
    })
  );
}

// src/practice/processor.ts
var DEBIT_DAYS = 3;
var PracticeProcessor = class {
  constructor(store) {
    this.store = store;
  }
  store;
  /** Takes a card for a token, or says what is wrong with how it is typed. */
  takeCard(card, today) {
    const face = cardFace(card, today);
    if (!face.ok) return face;
    const digits = card.number.replace(/\D/g, "");
    const { brand, lastFour, expires } = face.value;
    const code2 = digits.slice(-3, -1);
    const kept = { way: "card", name: brand, lastFour, expires, proven: false };
    return ok(this.kept(kept, isDeclineCode(code2) ? code2 : ""));
  }
  /** `proven`: its bank has said that it is the payer's. */
  takeAccount(typed, proven = false) {
    const face = accountFace(typed);
    if (!face.ok) return face;
    const answer3 = answerOfAccount(typed.account);
    const { bankName, lastFour } = face.value;
    const kept = { way: "bank", name: bankName, lastFour, expires: null, proven };
    return ok(this.kept(kept, answer3));
  }
  kept(method, answer3) {
    const token = `${method.way}_${randomBytes2(18).toString("hex")}`;
    const { proven, ...face } = method;
    this.store.addMethod({ token, ...face, answer: answer3 });
    if (proven) this.store.setProven(token);
    return { token, ...method };
  }
  method(token) {
    return faceOf(this.store.method(token), this.store.isProven(token));
  }
  ofSmallSums = OF_SMALL_SUMS;
  sendSmallSums(token, on) {
    return sendSmallSums(this.store, token, on);
  }
  proveBySums(token, sums) {
    return proveBySums(this.store, token, sums);
  }
  chargeByKey(key) {
    const known = this.store.chargeByKey(key);
    return known ? answerOf(known) : null;
  }
  charge(ask2) {
    const known = this.store.chargeByKey(ask2.key);
    if (known)
      return known.amount === ask2.amount && known.token === ask2.token ? ok(answerOf(known)) : fail("pay.key");
    const method = this.store.method(ask2.token);
    if (!method) return fail("method.gone");
    return ok(
      this.store.together(
        () => answerOf(
          method.way === "card" ? this.byCard(ask2, method.answer) : this.byDebit(ask2, method.answer)
        )
      )
    );
  }
  byCard(ask2, answer3) {
    const waits = { code: null, fee: minor(0), settlesOn: null, returnsOn: null };
    const account = accountFor(this.store, "card", ask2.currency);
    if (answer3 === ASKS_CODE && ask2.present)
      return this.made(ask2, account, { ...waits, state: "asks_code" });
    if (answer3 !== "")
      return this.made(ask2, account, { ...waits, state: "declined", code: answer3 });
    const made = this.made(ask2, account, {
      ...waits,
      state: "approved",
      fee: feeOf(termsOf(this.store, account), ask2.amount)
    });
    approve(this.store, made, ask2.on);
    return made;
  }
  /** Takes the code that a payer typed for a charge whose bank asks for one; null: it gives up. */
  takeCode(charge, code2) {
    const known = this.store.charge(charge);
    if (!known) return fail("method.gone");
    if (code2 !== null) return takeCode(this.store, { charge, code: code2 });
    letGo(this.store, known);
    return ok(answerOf(this.store.charge(charge) ?? known));
  }
  byDebit(ask2, answer3) {
    const settlesOn = addBankingDays(ask2.on, DEBIT_DAYS);
    const account = accountFor(this.store, "ach", ask2.currency);
    const made = this.made(ask2, account, {
      state: "on_way",
      code: null,
      fee: feeOf(termsOf(this.store, account), ask2.amount),
      settlesOn,
      returnsOn: returnCodeOf(answer3) ? returnsOn(answer3, settlesOn) : null
    });
    if (answer3 !== "") this.store.setCharge(made.id, "on_way", answer3);
    tell4(this.store, made, {
      type: "ach debit, pending",
      id: made.id,
      amount: made.amount,
      on: ask2.on,
      movesNothing: true
    });
    return made;
  }
  made(ask2, account, fate) {
    const { key, token, amount: amount2, currency, payerName, payerEmail, reference } = ask2;
    const charge = {
      id: `${fate.settlesOn === null ? "pc" : "pd"}_${this.store.nextNo()}`,
      key,
      token,
      account,
      amount: amount2,
      currency,
      payerName,
      payerEmail,
      reference,
      madeOn: ask2.on,
      disputedOn: null,
      ...fate
    };
    this.store.addCharge(charge);
    return charge;
  }
  /** All that is due by a day: debits settle or come back, disputes of cards begin, payouts leave. */
  day(on) {
    return this.store.together(() => {
      for (const charge of this.store.askedBefore(on)) letGo(this.store, charge);
      const returning = this.store.returning(on);
      for (const charge of returning) comeBack(this.store, charge, on);
      const settling = this.store.settling(on);
      for (const charge of settling) settle(this.store, charge, on);
      const decided2 = decideDisputes(this.store, on);
      const released = giveBack(this.store, on);
      const accounts2 = accountsOf(this.store);
      const failed = accounts2.map((account) => takeBackRefused(this.store, account, on));
      const payouts = sumOf(accounts2, (account) => payOut(this.store, account, on));
      const came = { settled: settling.length, returned: returning.length, payouts };
      const payouts_failed = failed.reduce((sum5, count) => sum5 + count, 0);
      return {
        ...came,
        released,
        payouts_failed,
        disputes_won: decided2.won,
        disputes_lost: decided2.lost
      };
    });
  }
  refund(ask2) {
    return refunded(this.store, ask2);
  }
  refundByKey(key) {
    const known = this.store.refundByKey(key);
    return known ? { refundId: known.id } : null;
  }
  leftOf(chargeId2) {
    return leftOfCharge(this.store, chargeId2);
  }
  readEvent(sent) {
    return readEvent(this.store, sent);
  }
  activity(account, on) {
    const text = activityFile(this.store, account, on);
    return text === null ? null : { name: `${account}-${on}.csv`, text };
  }
  dispute(charge, on) {
    openDispute(this.store, charge, on);
  }
  answerDispute({ disputeId, on }) {
    return answerDispute2(this.store, disputeId, on);
  }
};

// src/practice/orders.ts
var GOODS = [
  ["Stoneware, bags", 2450, 30],
  ["Porcelain, bags", 3175, 20],
  ["Glaze, pints", 1890, 24],
  ["Kiln shelves", 7400, 8],
  ["Pyrometric cones", 1225, 12],
  ["Kiln furniture", 15800, 3],
  ["Thermocouples", 4350, 4],
  ["Banding wheels", 8900, 5]
];
var HEAD2 = "document,customer_id,issued_on,terms,due_on,currency,po_number,item,description,quantity,rate,discount_percent,tax_code,tax_percent\n";
function ordersOf(seed, people, on) {
  if (!isBankingDay(on)) return null;
  const rows = people.flatMap(({ id, habit, parent }) => {
    const random = new Random(seedOf(seed, "order", id, on));
    if (!random.chance(habit.orders / 21)) return [];
    const [words2, price, most] = random.pick(GOODS);
    const po = parent || random.chance(0.15) ? `P-${random.whole(1e4, 99999)}` : "";
    const tax = habit.terms === "2/10 n/30" ? "," : "SALES,6";
    return [
      `${id}-${on},${id},${on},${habit.terms},,USD,${po},,"${words2}",${random.whole(1, most)},${(price / 100).toFixed(2)},,${tax}`
    ];
  });
  return rows.length === 0 ? null : `${HEAD2}${rows.join("\n")}
`;
}

// src/practice/people.ts
var PLACES = [
  "Alder Lane",
  "Saltgrass",
  "Pine Hollow",
  "Quarry Bank",
  "Tidemark",
  "Fernhill",
  "Emberline",
  "Larkspur",
  "Wrenfield",
  "Nine Elms",
  "Cobalt Row",
  "Brindle Creek",
  "Ashgrove",
  "Millrace",
  "Stonecrop",
  "Heron Point",
  "Juniper Flat",
  "Copper Ridge",
  "Thistledown",
  "Windrush",
  "Marlbank",
  "Otter Cove",
  "Greywater",
  "Slipstone",
  "Foxglove",
  "Harrow Street",
  "Bellwether",
  "Sandpiper",
  "Moss Landing Road",
  "Cinder Hill",
  "Laurel Fork",
  "Redbank",
  "Whistle Stop",
  "Clearwater Lane",
  "Dovecote",
  "Elder Grove"
];
var KINDS2 = [
  "Pottery School",
  "Community Kiln",
  "Ceramics",
  "Studio",
  "Gallery",
  "Arts Trust",
  "Clay Workshop",
  "Ceramics Guild",
  "Pottery Co-op",
  "School of Craft"
];
var OWN_NAMES = [
  "M. Okonjo Studio",
  "Hollis & Byrne",
  "Dunmore & Lacey",
  "T. Halloran",
  "Ruiz Hand Built LLC",
  "Priya Natarajan Ceramics",
  "Aoife Brannigan",
  "Lindqvist & Daughters",
  "Tomasz Wierzba Pottery",
  "Dara Voss"
];
var SCHOOLS = [
  "Lincoln Elementary",
  "Harbor Middle School",
  "Meadow High School",
  "Creekside Elementary",
  "North Campus",
  "Adult Education Center"
];
var ABROAD = [
  "Maple Fork Pottery (Canada)",
  "Keramik Werkstatt Eibe (Germany)",
  "Atelier Terre Basse (France)"
];
var PLANS = [14e3, 21e3, 42e3];
var DISTRICTS = [
  ["Brightwater Unified", 5],
  ["Tallow County Schools", 4]
];
var DISTRICT_HABIT = {
  pays: "ach_credit",
  memo: "number",
  together: true,
  terms: "2/10 n/30",
  lateDays: -18
};
var IN_STORIES = [
  "Alder Lane Pottery School",
  "Saltgrass Community Kiln",
  "Tidemark Gallery",
  "Fernhill Studio",
  "Emberline Studio",
  "Larkspur Ceramics Guild",
  "Quarry Bank Arts Trust",
  "Cobalt Row Ceramics",
  "Pine Hollow Ceramics"
];
function makePeople(random) {
  const people = new People(random);
  for (const [name2, count] of DISTRICTS) addDistrict(people, name2, count);
  for (const name2 of OWN_NAMES)
    people.add(
      name2,
      { pays: "card", memo: random.chance(0.5) ? "none" : "number" },
      null,
      `${slug(name2).slice(0, 12)}${random.whole(1, 99)}@post.example`
    );
  for (const name2 of ABROAD) people.add(name2, { pays: "card", terms: "n/30" });
  const used = new Set(IN_STORIES);
  for (const name2 of IN_STORIES) people.add(name2, {});
  while (people.all.length < 120) {
    const name2 = `${random.pick(PLACES)} ${random.pick(KINDS2)}`;
    if (used.has(name2)) continue;
    used.add(name2);
    people.add(name2, {});
  }
  return people.all;
}
function addDistrict(people, name2, count) {
  const head = people.add(name2, { ...DISTRICT_HABIT, orders: 0.6, plan: 0 });
  for (const school of SCHOOLS.slice(0, count))
    people.add(
      `${name2.split(" ")[0]} ${school}`,
      { ...DISTRICT_HABIT, orders: 0.9, plan: 42e3 },
      head.id,
      `office@${slug(name2)}.example`
    );
}
var People = class {
  constructor(random) {
    this.random = random;
  }
  random;
  all = [];
  add(name2, habit, parent = null, email) {
    const person2 = {
      id: `C${String(this.all.length + 101)}`,
      name: name2,
      parent,
      email: email ?? address(name2, this.random),
      habit: { ...anyHabit(this.random), ...habit }
    };
    this.all.push(person2);
    return person2;
  }
};
function anyHabit(random) {
  const roll = random.next();
  return {
    pays: wayOfPaying(roll),
    lateDays: random.pick([-12, -6, -3, 0, 0, 1, 2, 4, 8, 14, 24]),
    memo: random.pick(["number", "number", "number", "digits", "name", "none"]),
    together: random.chance(0.25),
    terms: random.pick(["n/30", "n/30", "n/30", "n/15", "n/10", "2/10 n/30"]),
    orders: 0.3 + random.next() * 1.1,
    plan: random.chance(0.45) ? random.pick(PLANS) : 0
  };
}
function wayOfPaying(roll) {
  if (roll < 0.5) return "card";
  if (roll < 0.75) return "ach_debit";
  return "ach_credit";
}
function address(name2, random) {
  return `${random.pick(["accounts", "office", "hello", "studio"])}@${slug(name2)}.example`;
}
function slug(name2) {
  return name2.toLowerCase().replace(/\([^()]*\)/, "").replace(/[^a-z0-9]+/g, "").slice(0, 30);
}

// src/practice/numbers.ts
function practiceCard(which2, answer3 = "00", begins = "4") {
  const free = 13 - begins.length;
  const body = `${begins}${String(which2).padStart(free, "0").slice(-free)}${answer3.padStart(2, "0")}`;
  for (let digit = 0; digit < 10; digit += 1)
    if (isChecked(`${body}${digit}`)) return `${body}${digit}`;
  throw new RangeError("every number has a check digit");
}
var PRACTICE_ROUTING = "011000015";
var practiceAccount = (which2, code2 = "00") => `${String(which2).padStart(8, "0").slice(-8)}${code2}`;

export {
  PracticeStore,
  Random,
  seedOf,
  fateOf,
  OPENING_BALANCE,
  OTHER_LINES,
  otherLines,
  creditWithAdvice,
  creditFrom,
  sum,
  csv,
  CARD,
  ACH,
  agreeOn,
  accountsOf,
  setRate2 as setRate,
  activityFile,
  noticesFile,
  statementFile,
  consentOf,
  agreedSkips,
  payMethodById,
  payMethodsOf,
  plansInForce,
  partsOfPlan,
  itemsOfPlan,
  refundsIn,
  freeToGoBack,
  payKey,
  agreedDue,
  wasHeard,
  COMMANDS,
  practiceCard,
  PRACTICE_ROUTING,
  practiceAccount,
  isLost,
  eventsOf,
  PracticeProcessor,
  GOODS,
  ordersOf,
  makePeople
};
