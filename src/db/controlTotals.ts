import type { Day } from "@/core/calendar";
import type { ItemKind, OpenWork, ProofName, Role } from "@/core/ledger";
import { add, type Currency, minor, type Minor } from "@/core/money";

import { statementGaps } from "./bank";
import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue, worthOn } from "./rates";
import { readSettings } from "./settings";

type Side = { name: ProofName; journal: Minor; documents: Minor; strays?: number };

function one(db: Db, sql: string): Minor {
  return minor(db.get<{ sum: number | null }>(sql)?.sum ?? 0);
}

function journal(db: Db, role: Role): Minor {
  return one(
    db,
    `SELECT sum(l.book_amount) AS sum FROM entry_line l WHERE l.account_id IN (SELECT id FROM account WHERE role = '${role}')`,
  );
}

/** What each document should stand at in the journal's lines of a role, one by one; debit positive. */
const DOCUMENTS: readonly {
  readonly role: Role;
  readonly itemKind: ItemKind;
  readonly documents: string;
}[] = [
  {
    role: "receivables",
    itemKind: "open_item",
    documents: "SELECT id, balance AS sum FROM open_item",
  },
  {
    role: "clearing",
    itemKind: "processor_item",
    documents: "SELECT id, CASE withdrawn WHEN 1 THEN 0 ELSE amount END AS sum FROM processor_item",
  },
  {
    role: "clearing",
    itemKind: "payout",
    documents:
      "SELECT p.id, -coalesce((SELECT sum(amount) FROM payout_tie t WHERE t.payout_id = p.id AND t.ended_by IS NULL), 0) AS sum FROM payout p",
  },
  {
    role: "unidentified",
    itemKind: "receipt",
    documents: "SELECT id, -unidentified AS sum FROM receipt",
  },
  { role: "credits", itemKind: "receipt", documents: "SELECT id, -on_account AS sum FROM receipt" },
  {
    role: "disputed",
    itemKind: "processor_item",
    documents:
      "SELECT id, CASE WHEN settled_state IN ('opened', 'won') AND withdrawn = 0 THEN -amount ELSE 0 END AS sum FROM processor_item WHERE kind = 'dispute'",
  },
  {
    role: "on_hand",
    itemKind: "receipt",
    documents:
      "SELECT id, CASE WHEN hand_state IN ('on_hand', 'deposited') THEN amount ELSE 0 END AS sum FROM receipt WHERE hand_state IS NOT NULL",
  },
  {
    role: "fees_accrued",
    itemKind: "fee_accrual",
    documents: "SELECT id, CASE state WHEN 'accrued' THEN -sum ELSE 0 END AS sum FROM fee_accrual",
  },
  {
    role: "bank",
    itemKind: "bank_line",
    documents: "SELECT id, CASE WHEN state = 'open' THEN 0 ELSE amount END AS sum FROM bank_line",
  },
];

/**
 * Disputes and reserves are carried together (context.ts), so that one of them alone may keep a
 * difference.
 */
const TOGETHER: readonly Role[] = ["disputed", "reserve"];

/**
 * Documents that differ from what the journal's own lines say of them, each in its own currency; or
 * that are empty and left something behind in the book's.
 */
function straysSql(role: Role, itemKind: ItemKind): string {
  const documents =
    DOCUMENTS.find((entry) => entry.role === role && entry.itemKind === itemKind)?.documents ?? "";
  return `WITH j AS (SELECT item_id AS id, sum(amount) AS sum, sum(book_amount) AS book FROM entry_line WHERE item_kind = '${itemKind}' AND account_id IN (SELECT id FROM account WHERE role = '${role}') GROUP BY item_id),
      d AS (${documents}),
      off AS (SELECT d.id, coalesce(j.sum, 0) AS journal, d.sum AS documents FROM d LEFT JOIN j ON j.id = d.id WHERE coalesce(j.sum, 0) <> d.sum${TOGETHER.includes(role) ? "" : " OR (coalesce(j.sum, 0) = 0 AND coalesce(j.book, 0) <> 0)"} UNION ALL SELECT j.id, j.sum, 0 FROM j LEFT JOIN d ON d.id = j.id WHERE d.id IS NULL AND j.sum <> 0)`;
}

/**
 * What an item stands at in clearing, and what a payout in another currency took out of it; in the
 * book's currency.
 */
const IN_CLEARING = bookValue({
  table: "i",
  column: "amount",
  role: "clearing",
  kind: "processor_item",
});
const PAID_OUT =
  "coalesce((SELECT sum(cv.book) FROM carried cv JOIN account ca ON ca.id = cv.account_id WHERE cv.item_kind = 'payout' AND cv.item_id = p.id AND ca.role = 'clearing'), 0)";
/** Documents in other currencies that are kept at something else than their lines say. */
const CARRIED_OTHERWISE = `SELECT count(*) AS sum FROM carried c WHERE (c.amount, c.book) IS NOT (SELECT sum(l.amount), sum(l.book_amount) FROM entry_line l WHERE l.account_id = c.account_id AND l.item_kind = c.item_kind AND l.item_id = c.item_id AND l.currency = c.currency)`;

/** Currencies in which nothing is left on an account, yet something in the book's. */
function leftTogether(db: Db, role: Role): number {
  return one(
    db,
    `SELECT count(*) AS sum FROM (SELECT c.currency FROM carried c JOIN account a ON a.id = c.account_id WHERE a.role = '${role}' GROUP BY c.currency HAVING sum(c.amount) = 0 AND sum(c.book) <> 0)`,
  );
}

/** Each account with what is kept of it by day, and with its lines. */
const DAYS_AND_LINES =
  "SELECT coalesce(sum(abs(coalesce(d.sum, 0) - coalesce(s.sum, 0))), 0) AS sum, coalesce(sum(coalesce(d.lines, 0) <> coalesce(s.lines, 0)), 0) AS strays FROM account a LEFT JOIN (SELECT account_id, sum(sum) AS sum, sum(lines) AS lines FROM account_day GROUP BY account_id) d ON d.account_id = a.id LEFT JOIN (SELECT account_id, sum(book_amount) AS sum, count(*) AS lines FROM entry_line GROUP BY account_id) s ON s.account_id = a.id";

/** By how much what is kept by day differs from the lines, and on how many accounts their number does. */
function daysAndLines(db: Db): { sum: Minor; strays: number } {
  const found = db.get<{ sum: number; strays: number }>(DAYS_AND_LINES);
  return { sum: minor(found?.sum ?? 0), strays: found?.strays ?? 0 };
}

/** How many documents differ from what the journal's own lines say of them, one by one. */
function strays(db: Db, role: Role, itemKind: ItemKind): number {
  return one(db, `${straysSql(role, itemKind)} SELECT count(*) AS sum FROM off`);
}

/**
 * A document whose balance is not what the journal says, with the last entry about it: since then
 * it is off.
 */
export type UnreconciledDocument = {
  role: Role;
  kind: ItemKind;
  id: number;
  journal: Minor;
  documents: Minor;
  sinceEntry: number | null;
  sinceOn: Day | null;
};

const MOST_STRAYS = 20;

/** The documents by which a proof is off, the largest first; empty where it holds. */
export function unreconciledDocuments(db: Db, roles: readonly Role[]): UnreconciledDocument[] {
  return DOCUMENTS.filter(({ role }) => roles.includes(role)).flatMap(({ role, itemKind }) =>
    db
      .all<Omit<UnreconciledDocument, "role" | "kind">>(
        `${straysSql(role, itemKind)} SELECT off.id, off.journal, off.documents, e.id AS sinceEntry, e.posted_on AS sinceOn FROM off
       LEFT JOIN entry e ON e.id = (SELECT max(l.entry_id) FROM entry_line l WHERE l.item_kind = '${itemKind}' AND l.item_id = off.id AND l.account_id IN (SELECT id FROM account WHERE role = '${role}'))
       ORDER BY abs(off.journal - off.documents) DESC LIMIT ${MOST_STRAYS}`,
      )
      .map((stray) => ({ role, kind: itemKind, ...stray })),
  );
}

const entriesSide = (db: Db): Side => ({
  name: "entries",
  journal: one(db, "SELECT sum(book_amount) AS sum FROM entry_line"),
  documents: minor(0),
  strays: unbalancedEntries(db),
});

/** What accounts moved by day by day, against the lines themselves: sums and how many there are. */
function balancesSide(db: Db): Side {
  const days = daysAndLines(db);
  return {
    name: "balances",
    journal: days.sum,
    documents: minor(0),
    strays: add(days.strays, one(db, CARRIED_OTHERWISE)),
  };
}

const receivablesSide = (db: Db): Side => ({
  name: "receivables",
  journal: journal(db, "receivables"),
  documents: one(
    db,
    `SELECT sum(${bookValue({ table: "i", column: "balance", role: "receivables", kind: "open_item" })}) AS sum FROM open_item i`,
  ),
  strays: strays(db, "receivables", "open_item"),
});

const clearingSide = (db: Db): Side => ({
  name: "clearing",
  journal: journal(db, "clearing"),
  documents: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i LEFT JOIN payout p ON p.id = i.payout_id WHERE i.withdrawn = 0 AND (p.state IS NULL OR p.state <> 'tied')`,
  ),
  strays: add(
    strays(db, "clearing", "processor_item"),
    strays(db, "clearing", "payout"),
    // A tied payout in another currency leaves nothing of its items in clearing.
    one(
      db,
      `SELECT count(*) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY} AND coalesce((SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id), 0) + ${PAID_OUT} <> 0`,
    ),
  ),
});

const unidentifiedSide = (db: Db): Side => ({
  name: "unidentified",
  journal: journal(db, "unidentified"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
  ),
  strays: strays(db, "unidentified", "receipt"),
});

const creditsSide = (db: Db): Side => ({
  name: "credits",
  journal: journal(db, "credits"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
  ),
  strays: strays(db, "credits", "receipt"),
});

const disputedSide = (db: Db): Side => ({
  name: "disputed",
  journal: journal(db, "disputed"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "disputed", kind: "processor_item" })} WHEN i.settled_state IN ('opened', 'won') AND i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'dispute'`,
  ),
  // A dispute that was won stands with the sum that came back as an item of its own: the two
  // cancel out, or show what did not come back.
  strays: add(strays(db, "disputed", "processor_item"), leftTogether(db, "disputed")),
});

const onHandSide = (db: Db): Side => ({
  name: "on_hand",
  journal: journal(db, "on_hand"),
  documents: one(
    db,
    "SELECT sum(amount) AS sum FROM receipt WHERE hand_state IN ('on_hand', 'deposited')",
  ),
  strays: strays(db, "on_hand", "receipt"),
});

const reserveSide = (db: Db): Side => ({
  name: "reserve",
  journal: journal(db, "reserve"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "reserve", kind: "processor_item" })} WHEN i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'reserve'`,
  ),
  strays: leftTogether(db, "reserve"),
});

const feesAccruedSide = (db: Db): Side => ({
  name: "fees_accrued",
  journal: journal(db, "fees_accrued"),
  documents: one(db, "SELECT -sum(sum) AS sum FROM fee_accrual WHERE state = 'accrued'"),
  strays: strays(db, "fees_accrued", "fee_accrual"),
});

const parkedSide = (db: Db): Side => ({
  name: "parked",
  journal: journal(db, "parked"),
  documents: add(
    one(
      db,
      `SELECT -sum(${bookValue({ table: "r", column: "parked", role: "parked", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
    ),
    one(
      db,
      `SELECT -sum(${bookValue({ table: "i", column: "amount", role: "parked", kind: "processor_item", sign: -1 })}) AS sum FROM processor_item i WHERE settled_state IS NULL AND reason IS NOT NULL AND withdrawn = 0 AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')`,
    ),
  ),
});

const payoutsSide = (db: Db): Side => ({
  name: "payouts",
  journal: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i JOIN payout p ON p.id = i.payout_id WHERE p.state = 'tied' AND i.withdrawn = 0`,
  ),
  documents: add(
    one(
      db,
      `SELECT sum(t.amount) AS sum FROM payout_tie t JOIN payout p ON p.id = t.payout_id WHERE t.ended_by IS NULL AND p.currency = ${BOOK_CURRENCY}`,
    ),
    one(
      db,
      `SELECT -sum(${PAID_OUT}) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY}`,
    ),
  ),
  strays: one(
    db,
    "SELECT count(*) AS sum FROM payout p WHERE p.net <> (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = p.id AND withdrawn = 0) OR (p.state = 'tied' AND p.net <> (SELECT coalesce(sum(amount), 0) FROM payout_tie WHERE payout_id = p.id AND ended_by IS NULL))",
  ),
});

function bankSide(db: Db): Side {
  const openings = one(db, "SELECT sum(opening_balance) AS sum FROM bank_account");
  return {
    name: "bank",
    journal: journal(db, "bank"),
    documents: add(
      openings,
      one(db, "SELECT sum(amount) AS sum FROM bank_line WHERE state <> 'open'"),
    ),
    strays: strays(db, "bank", "bank_line"),
  };
}

const applicationsSide = (db: Db): Side => ({
  // In the book's own currency; each receipt and each item in theirs, one by one.
  name: "applications",
  journal: one(db, `SELECT sum(applied) AS sum FROM receipt WHERE currency = ${BOOK_CURRENCY}`),
  documents: one(
    db,
    `SELECT sum(p.amount) AS sum FROM application p JOIN receipt r ON r.id = p.receipt_id WHERE p.ended_by IS NULL AND r.currency = ${BOOK_CURRENCY}`,
  ),
  strays: one(
    db,
    "SELECT (SELECT count(*) FROM receipt r WHERE r.applied <> (SELECT coalesce(sum(amount), 0) FROM application WHERE receipt_id = r.id AND ended_by IS NULL)) + (SELECT count(*) FROM open_item i WHERE i.balance <> i.opened - (SELECT coalesce(sum(amount + discount + small_difference), 0) FROM application WHERE open_item_id = i.id AND ended_by IS NULL) - (SELECT coalesce(sum(sum), 0) FROM write_off WHERE open_item_id = i.id AND state = 'posted')) AS sum",
  ),
});

/** Each proof's two sides. */
const SIDES: Record<ProofName, (db: Db) => Side> = {
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
  applications: applicationsSide,
};

/**
 * Both sides of every proof, computed apart: the journal from its lines, the
 * documents from their own tables. Debit positive.
 */
export const controlTotals = (db: Db): Side[] => Object.values(SIDES).map((side) => side(db));

/**
 * Entries that do not foot or have fewer than two lines, and those that never
 * took effect. Lines and postings belong to entries, one posting to each (the
 * database sees to that), so that what is missing shows in how many there are.
 */
function unbalancedEntries(db: Db): number {
  const found = db.get<{ bad: number; withLines: number; entries: number; posted: number }>(
    "SELECT coalesce(sum(bad), 0) AS bad, count(*) AS withLines, (SELECT count(*) FROM entry) AS entries, (SELECT count(*) FROM posting) AS posted FROM (SELECT count(*) < 2 OR sum(book_amount) <> 0 AS bad FROM entry_line GROUP BY entry_id)",
  );
  return found ? found.bad + (found.entries - found.withLines) + (found.entries - found.posted) : 0;
}

/**
 * Payouts whose items do not make what was paid, at the rate of their day where they are in another
 * currency.
 */
function payoutsOff(db: Db): { sum: Minor; count: number } {
  const { currency } = readSettings(db);
  const off = db.all<{ off: Minor; own: Currency; on: Day }>(
    "SELECT stated_net - net AS off, currency AS own, paid_on AS 'on' FROM payout WHERE state = 'open' AND stated_net IS NOT NULL AND stated_net <> net",
  );
  return {
    sum: add(
      ...off.map((entry) =>
        worthOn(db, { amount: entry.off, currency: entry.own, book: currency, on: entry.on }),
      ),
    ),
    count: off.length,
  };
}

/** Open work with its sums: shown until it is done, never a broken proof. */
export function openWork(db: Db): OpenWork[] {
  const row = (sql: string): { sum: Minor; count: number } => {
    const found = db.get<{ sum: number | null; n: number }>(sql);
    return { sum: minor(found?.sum ?? 0), count: found?.n ?? 0 };
  };
  return [
    {
      name: "to_match",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.state = 'to_match'`,
      ),
    },
    {
      name: "deposits_untied",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM deposit WHERE state = 'made'"),
    },
    {
      name: "approvals",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM approval WHERE state = 'waiting'"),
    },
    {
      name: "write_offs",
      ...row("SELECT sum(sum) AS sum, count(*) AS n FROM write_off WHERE state = 'waiting'"),
    },
    {
      name: "payouts_untied",
      ...row(
        `SELECT sum(CASE WHEN p.currency = ${BOOK_CURRENCY} THEN p.net ELSE (SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id AND i.withdrawn = 0) END) AS sum, count(*) AS n FROM payout p WHERE p.state = 'open'`,
      ),
    },
    { name: "payouts_off", ...payoutsOff(db) },
    {
      name: "bank_unexplained",
      ...row("SELECT sum(amount) AS sum, count(*) AS n FROM bank_line WHERE state = 'open'"),
    },
    { name: "statement_gaps", ...statementGaps(db) },
    {
      name: "negative_credits",
      ...row(
        `SELECT sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum, count(*) AS n FROM receipt r WHERE r.on_account < 0`,
      ),
    },
  ];
}
