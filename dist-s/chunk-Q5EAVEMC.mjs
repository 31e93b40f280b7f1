import {
  prove
} from "./chunk-CST2UU67.mjs";
import {
  BOOK_CURRENCY,
  bookValue,
  readSettings,
  worthOn
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  minor
} from "./chunk-HBIDXRTT.mjs";

// src/db/unreconciled.ts
function one(db, sql) {
  return minor(db.get(sql)?.sum ?? 0);
}
var DOCUMENTS = [
  {
    role: "receivables",
    itemKind: "open_item",
    documents: "SELECT id, balance AS sum FROM open_item"
  },
  {
    role: "clearing",
    itemKind: "processor_item",
    documents: "SELECT id, CASE withdrawn WHEN 1 THEN 0 ELSE amount END AS sum FROM processor_item"
  },
  {
    role: "clearing",
    itemKind: "payout",
    documents: "SELECT p.id, -coalesce((SELECT sum(amount) FROM payout_tie t WHERE t.payout_id = p.id AND t.ended_by IS NULL), 0) AS sum FROM payout p"
  },
  {
    role: "unidentified",
    itemKind: "receipt",
    documents: "SELECT id, -unidentified AS sum FROM receipt"
  },
  { role: "credits", itemKind: "receipt", documents: "SELECT id, -on_account AS sum FROM receipt" },
  {
    role: "disputed",
    itemKind: "processor_item",
    documents: "SELECT id, CASE WHEN settled_state IN ('opened', 'won') AND withdrawn = 0 THEN -amount ELSE 0 END AS sum FROM processor_item WHERE kind = 'dispute'"
  },
  {
    role: "on_hand",
    itemKind: "receipt",
    documents: "SELECT id, CASE WHEN hand_state IN ('on_hand', 'deposited') THEN amount ELSE 0 END AS sum FROM receipt WHERE hand_state IS NOT NULL"
  },
  {
    role: "fees_accrued",
    itemKind: "fee_accrual",
    documents: "SELECT id, CASE state WHEN 'accrued' THEN -sum ELSE 0 END AS sum FROM fee_accrual"
  },
  {
    role: "bank",
    itemKind: "bank_line",
    documents: "SELECT id, CASE WHEN state = 'open' THEN 0 ELSE amount END AS sum FROM bank_line"
  }
];
var TOGETHER = ["disputed", "reserve"];
function straysSql(role, itemKind) {
  const documents = DOCUMENTS.find((entry) => entry.role === role && entry.itemKind === itemKind)?.documents ?? "";
  return `WITH j AS (SELECT item_id AS id, sum(amount) AS sum, sum(book_amount) AS book FROM entry_line WHERE item_kind = '${itemKind}' AND account_id IN (SELECT id FROM account WHERE role = '${role}') GROUP BY item_id),
      d AS (${documents}),
      off AS (SELECT d.id, coalesce(j.sum, 0) AS journal, d.sum AS documents FROM d LEFT JOIN j ON j.id = d.id WHERE coalesce(j.sum, 0) <> d.sum${TOGETHER.includes(role) ? "" : " OR (coalesce(j.sum, 0) = 0 AND coalesce(j.book, 0) <> 0)"} UNION ALL SELECT j.id, j.sum, 0 FROM j LEFT JOIN d ON d.id = j.id WHERE d.id IS NULL AND j.sum <> 0)`;
}
var IN_CLEARING = bookValue({
  table: "i",
  column: "amount",
  role: "clearing",
  kind: "processor_item"
});
var PAID_OUT = "coalesce((SELECT sum(cv.book) FROM carried cv JOIN account ca ON ca.id = cv.account_id WHERE cv.item_kind = 'payout' AND cv.item_id = p.id AND ca.role = 'clearing'), 0)";
var CARRIED_OTHERWISE = `SELECT count(*) AS sum FROM carried c WHERE (c.amount, c.book) IS NOT (SELECT sum(l.amount), sum(l.book_amount) FROM entry_line l WHERE l.account_id = c.account_id AND l.item_kind = c.item_kind AND l.item_id = c.item_id AND l.currency = c.currency)`;
function leftTogether(db, role) {
  return one(
    db,
    `SELECT count(*) AS sum FROM (SELECT c.currency FROM carried c JOIN account a ON a.id = c.account_id WHERE a.role = '${role}' GROUP BY c.currency HAVING sum(c.amount) = 0 AND sum(c.book) <> 0)`
  );
}
var DAYS_AND_LINES = "SELECT coalesce(sum(abs(coalesce(d.sum, 0) - coalesce(s.sum, 0))), 0) AS sum, coalesce(sum(coalesce(d.lines, 0) <> coalesce(s.lines, 0)), 0) AS strays FROM account a LEFT JOIN (SELECT account_id, sum(sum) AS sum, sum(lines) AS lines FROM account_day GROUP BY account_id) d ON d.account_id = a.id LEFT JOIN (SELECT account_id, sum(book_amount) AS sum, count(*) AS lines FROM entry_line GROUP BY account_id) s ON s.account_id = a.id";
function daysAndLines(db) {
  const found = db.get(DAYS_AND_LINES);
  return { sum: minor(found?.sum ?? 0), strays: found?.strays ?? 0 };
}
function strays(db, role, itemKind) {
  return one(db, `${straysSql(role, itemKind)} SELECT count(*) AS sum FROM off`);
}
function unbalancedEntries(db) {
  const found = db.get(
    "SELECT coalesce(sum(bad), 0) AS bad, count(*) AS withLines, (SELECT count(*) FROM entry) AS entries, (SELECT coalesce(sum(last_entry - first_entry + 1), 0) FROM posting) AS posted FROM (SELECT count(*) < 2 OR sum(book_amount) <> 0 AS bad FROM entry_line GROUP BY entry_id)"
  );
  return found ? found.bad + (found.entries - found.withLines) + (found.entries - found.posted) : 0;
}

// src/db/controlTotals.ts
function journal(db, role) {
  return one(
    db,
    `SELECT sum(l.book_amount) AS sum FROM entry_line l WHERE l.account_id IN (SELECT id FROM account WHERE role = '${role}')`
  );
}
var entriesSide = (db) => ({
  name: "entries",
  journal: one(db, "SELECT sum(book_amount) AS sum FROM entry_line"),
  documents: minor(0),
  strays: unbalancedEntries(db)
});
function balancesSide(db) {
  const days = daysAndLines(db);
  return {
    name: "balances",
    journal: days.sum,
    documents: minor(0),
    strays: add(days.strays, one(db, CARRIED_OTHERWISE))
  };
}
var receivablesSide = (db) => ({
  name: "receivables",
  journal: journal(db, "receivables"),
  documents: one(
    db,
    `SELECT sum(${bookValue({ table: "i", column: "balance", role: "receivables", kind: "open_item" })}) AS sum FROM open_item i`
  ),
  strays: strays(db, "receivables", "open_item")
});
var clearingSide = (db) => ({
  name: "clearing",
  journal: journal(db, "clearing"),
  documents: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i LEFT JOIN payout p ON p.id = i.payout_id WHERE i.withdrawn = 0 AND (p.state IS NULL OR p.state <> 'tied')`
  ),
  strays: add(
    strays(db, "clearing", "processor_item"),
    strays(db, "clearing", "payout"),
    // A tied payout in another currency leaves nothing of its items in clearing.
    one(
      db,
      `SELECT count(*) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY} AND coalesce((SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id), 0) + ${PAID_OUT} <> 0`
    )
  )
});
var unidentifiedSide = (db) => ({
  name: "unidentified",
  journal: journal(db, "unidentified"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`
  ),
  strays: strays(db, "unidentified", "receipt")
});
var creditsSide = (db) => ({
  name: "credits",
  journal: journal(db, "credits"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`
  ),
  strays: strays(db, "credits", "receipt")
});
var disputedSide = (db) => ({
  name: "disputed",
  journal: journal(db, "disputed"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "disputed", kind: "processor_item" })} WHEN i.settled_state IN ('opened', 'won') AND i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'dispute'`
  ),
  // A dispute that was won stands with the sum that came back as an item of its own: the two
  // cancel out, or show what did not come back.
  strays: add(strays(db, "disputed", "processor_item"), leftTogether(db, "disputed"))
});
var onHandSide = (db) => ({
  name: "on_hand",
  journal: journal(db, "on_hand"),
  documents: one(
    db,
    "SELECT sum(amount) AS sum FROM receipt WHERE hand_state IN ('on_hand', 'deposited')"
  ),
  strays: strays(db, "on_hand", "receipt")
});
var reserveSide = (db) => ({
  name: "reserve",
  journal: journal(db, "reserve"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "reserve", kind: "processor_item" })} WHEN i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'reserve'`
  ),
  strays: leftTogether(db, "reserve")
});
var feesAccruedSide = (db) => ({
  name: "fees_accrued",
  journal: journal(db, "fees_accrued"),
  documents: one(db, "SELECT -sum(sum) AS sum FROM fee_accrual WHERE state = 'accrued'"),
  strays: strays(db, "fees_accrued", "fee_accrual")
});
var parkedSide = (db) => ({
  name: "parked",
  journal: journal(db, "parked"),
  documents: add(
    one(
      db,
      `SELECT -sum(${bookValue({ table: "r", column: "parked", role: "parked", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`
    ),
    one(
      db,
      `SELECT -sum(${bookValue({ table: "i", column: "amount", role: "parked", kind: "processor_item", sign: -1 })}) AS sum FROM processor_item i WHERE settled_state IS NULL AND reason IS NOT NULL AND withdrawn = 0 AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')`
    )
  )
});
var payoutsSide = (db) => ({
  name: "payouts",
  journal: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i JOIN payout p ON p.id = i.payout_id WHERE p.state = 'tied' AND i.withdrawn = 0`
  ),
  documents: add(
    one(
      db,
      `SELECT sum(t.amount) AS sum FROM payout_tie t JOIN payout p ON p.id = t.payout_id WHERE t.ended_by IS NULL AND p.currency = ${BOOK_CURRENCY}`
    ),
    one(
      db,
      `SELECT -sum(${PAID_OUT}) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY}`
    )
  ),
  strays: one(
    db,
    "SELECT count(*) AS sum FROM payout p WHERE p.net <> (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = p.id AND withdrawn = 0) OR (p.state = 'tied' AND p.net <> (SELECT coalesce(sum(amount), 0) FROM payout_tie WHERE payout_id = p.id AND ended_by IS NULL))"
  )
});
function bankSide(db) {
  const openings = one(db, "SELECT sum(opening_balance) AS sum FROM bank_account");
  return {
    name: "bank",
    journal: journal(db, "bank"),
    documents: add(
      openings,
      one(db, "SELECT sum(amount) AS sum FROM bank_line WHERE state <> 'open'")
    ),
    strays: strays(db, "bank", "bank_line")
  };
}
var applicationsSide = (db) => ({
  // In the book's own currency; each receipt and each item in theirs, one by one.
  name: "applications",
  journal: one(db, `SELECT sum(applied) AS sum FROM receipt WHERE currency = ${BOOK_CURRENCY}`),
  documents: one(
    db,
    `SELECT sum(p.amount) AS sum FROM application p JOIN receipt r ON r.id = p.receipt_id WHERE p.ended_by IS NULL AND r.currency = ${BOOK_CURRENCY}`
  ),
  strays: one(
    db,
    `SELECT (SELECT count(*) FROM receipt r WHERE r.applied <>
         (SELECT coalesce(sum(amount), 0) FROM application WHERE receipt_id = r.id AND ended_by IS NULL))
       + (SELECT count(*) FROM open_item i WHERE i.balance <> i.opened
         - (SELECT coalesce(sum(amount + discount + small_difference), 0) FROM application WHERE open_item_id = i.id AND ended_by IS NULL)
         - (SELECT coalesce(sum(sum), 0) FROM write_off WHERE open_item_id = i.id AND state = 'posted')
         - (SELECT coalesce(sum(amount), 0) FROM credit_use WHERE open_item_id = i.id AND ended_by IS NULL)
         + (SELECT coalesce(sum(amount), 0) FROM credit_use WHERE credit_item_id = i.id AND ended_by IS NULL)) AS sum`
  )
});
var SIDES = {
  entries: entriesSide,
  balances: balancesSide,
  receivables: receivablesSide,
  clearing: clearingSide,
  unidentified: unidentifiedSide,
  credits: creditsSide,
  disputed: disputedSide,
  on_hand: onHandSide,
  reserve: reserveSide,
  fees_accrued: feesAccruedSide,
  parked: parkedSide,
  payouts: payoutsSide,
  bank: bankSide,
  applications: applicationsSide
};
var controlTotals = (db) => Object.values(SIDES).map((side) => side(db));

// src/db/bank.ts
function bankAccounts(db) {
  return db.all(
    "SELECT id, code, name, currency, last_four AS lastFour, opening_balance AS openingBalance FROM bank_account ORDER BY id"
  );
}
function insertBankAccount(db, account) {
  return db.run(
    "INSERT INTO bank_account (code, name, currency, last_four, opening_balance) VALUES (?, ?, ?, ?, ?)",
    account.code,
    account.name,
    account.currency,
    account.lastFour,
    account.openingBalance
  ).id;
}
var LINE = `SELECT id, bank_account_id AS bankAccountId, external_id AS externalId, posted_on AS postedOn, currency, amount, description, state, receipt_id AS receiptId, rule_id AS ruleId, balance_after AS balanceAfter,
  file_id AS fileId, line_no AS lineNo FROM bank_line`;
function bankLineById(db, id) {
  return db.get(`${LINE} WHERE id = ?`, id);
}
function bankLineByExternalId(db, bankAccountId, externalId) {
  return db.get(
    `${LINE} WHERE bank_account_id = ? AND external_id = ?`,
    bankAccountId,
    externalId
  );
}
function bankLinesBetween(db, bankAccountId, [from, to]) {
  return db.all(
    `${LINE} WHERE bank_account_id = ? AND posted_on BETWEEN ? AND ? ORDER BY id`,
    bankAccountId,
    from,
    to
  );
}
function idInOtherBankAccount(db, bankAccountId, externalId) {
  return db.get(
    `SELECT a.name FROM bank_account a
     WHERE a.id <> ? AND EXISTS (
       SELECT 1 FROM bank_line l WHERE l.bank_account_id = a.id AND l.external_id = ?
     )`,
    bankAccountId,
    externalId
  )?.name;
}
function openBankLines(db) {
  return db.all(`${LINE} WHERE state = 'open' ORDER BY posted_on, id`);
}
function insertBankLine(db, line) {
  return db.run(
    "INSERT INTO bank_line (bank_account_id, external_id, posted_on, currency, amount, description, state, balance_after, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, 'open', ?, ?, ?)",
    line.bankAccountId,
    line.externalId,
    line.postedOn,
    line.currency,
    line.amount,
    line.description,
    line.balanceAfter,
    line.fileId,
    line.lineNo
  ).id;
}
function setBankLineState(db, { id, state, receiptId = null, ruleId = null }) {
  db.run(
    "UPDATE bank_line SET state = ?, receipt_id = ?, rule_id = ? WHERE id = ?",
    state,
    receiptId,
    ruleId,
    id
  );
}
function statementGaps(db) {
  const row = db.get(
    `SELECT count(*) AS n, coalesce(sum(gap), 0) AS gap FROM (
       SELECT sum(l.amount) OVER (PARTITION BY l.bank_account_id ORDER BY l.posted_on, l.id) + a.opening_balance - l.balance_after AS gap,
              row_number() OVER (PARTITION BY l.bank_account_id ORDER BY l.posted_on DESC, l.id DESC) AS last, l.balance_after
       FROM bank_line l JOIN bank_account a ON a.id = l.bank_account_id) WHERE last = 1 AND balance_after IS NOT NULL AND gap <> 0`
  );
  return { count: row?.n ?? 0, sum: row?.gap ?? 0 };
}
function bounceLinesOf(db, receiptId) {
  return db.all(
    "SELECT id FROM bank_line WHERE state = 'bounce' AND receipt_id = ?",
    receiptId
  ).map(({ id }) => id);
}
function lineOfReceipt(db, receiptId) {
  return db.get(
    "SELECT posted_on AS 'on', amount, description FROM bank_line WHERE receipt_id = ?",
    receiptId
  );
}

// src/db/openWork.ts
function payoutsOff(db) {
  const { currency } = readSettings(db);
  const off = db.all(
    "SELECT stated_net - net AS off, currency AS own, paid_on AS 'on' FROM payout WHERE state = 'open' AND stated_net IS NOT NULL AND stated_net <> net"
  );
  return {
    sum: add(
      ...off.map(
        (entry) => worthOn(db, { amount: entry.off, currency: entry.own, book: currency, on: entry.on })
      )
    ),
    count: off.length
  };
}
function openWork(db) {
  const row = (sql) => {
    const found = db.get(sql);
    return { sum: minor(found?.sum ?? 0), count: found?.n ?? 0 };
  };
  return [
    {
      name: "to_match",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.state = 'to_match'`
      )
    },
    {
      name: "deposits_untied",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM deposit WHERE state = 'made'")
    },
    {
      name: "approvals",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM approval WHERE state = 'waiting'")
    },
    {
      name: "write_offs",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM write_off WHERE state = 'waiting'")
    },
    {
      name: "payouts_untied",
      ...row(
        `SELECT sum(CASE WHEN p.currency = ${BOOK_CURRENCY} THEN p.net ELSE (SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id AND i.withdrawn = 0) END) AS sum, count(*) AS n FROM payout p WHERE p.state = 'open'`
      )
    },
    { name: "payouts_off", ...payoutsOff(db) },
    {
      name: "bank_unexplained",
      ...row("SELECT sum(amount) AS sum, count(*) AS n FROM bank_line WHERE state = 'open'")
    },
    { name: "statement_gaps", ...statementGaps(db) },
    {
      name: "negative_credits",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.on_account < 0`
      )
    }
  ];
}

// src/server/books/queries/proofs.ts
function proofs(db) {
  return prove(controlTotals(db), openWork(db));
}
var PROOF_WORDS = {
  entries: ["Debits", "credits", "Every entry foots"],
  balances: [
    "Balances kept",
    "lines of the journal",
    "The balances kept beside the journal are its own"
  ],
  receivables: ["Receivables", "open items", "Accounts receivable are the open items, one by one"],
  clearing: [
    "Clearing",
    "not yet paid out",
    "The clearing accounts are what has settled and is not in a tied payout"
  ],
  unidentified: [
    "Not identified",
    "receipts to match",
    "Receipts not identified are the receipts without a home"
  ],
  credits: [
    "Credit on account",
    "receipts kept on account",
    "Credit on account is what receipts left over"
  ],
  disputed: ["Disputed", "disputes open", "Disputed receipts are the disputes still open"],
  on_hand: ["On hand", "checks and cash", "Checks and cash on hand are those not deposited"],
  reserve: ["Reserve", "held by processors", "The reserve is what processors hold"],
  fees_accrued: [
    "Fees accrued",
    "months not billed yet",
    "Fees accrued are the months that the processor has not billed"
  ],
  parked: [
    "Parked",
    "set aside or unexplained",
    "What is parked is what was set aside, with its reasons"
  ],
  payouts: [
    "Items of tied payouts",
    "their bank lines",
    "Each tied payout is its items and its bank lines"
  ],
  bank: [
    "Bank",
    "statement lines explained",
    "The bank is its opening and every statement line that is explained"
  ],
  applications: [
    "Applied by receipts",
    "given to items",
    "What receipts gave is what items got, one by one"
  ]
};
function proofInWords(name) {
  const [journal2, documents, what] = PROOF_WORDS[name];
  return { journal: journal2, documents, what };
}
function workInWords(name) {
  const words = {
    to_match: "receipts to match",
    payouts_off: "payouts whose items do not sum",
    payouts_untied: "payouts not at the bank yet",
    deposits_untied: "deposits not at the bank yet",
    approvals: "write-offs that wait for a second person",
    write_offs: "debts to be given up that wait for a second person",
    bank_unexplained: "bank lines not explained",
    statement_gaps: "statements that do not follow on",
    negative_credits: "refunds of money that had been applied"
  };
  return words[name];
}

export {
  bankAccounts,
  insertBankAccount,
  bankLineById,
  bankLineByExternalId,
  bankLinesBetween,
  idInOtherBankAccount,
  openBankLines,
  insertBankLine,
  setBankLineState,
  bounceLinesOf,
  lineOfReceipt,
  proofs,
  proofInWords,
  workInWords
};
