import { type Day } from "@/core/calendar";
import { type ItemKind, type Role } from "@/core/ledger";
import { minor, type Minor } from "@/core/money";

import { type Db } from "./connection";
import { bookValue } from "./rates";

export function one(db: Db, sql: string): Minor {
  return minor(db.get<{ sum: number | null }>(sql)?.sum ?? 0);
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
export const IN_CLEARING = bookValue({
  table: "i",
  column: "amount",
  role: "clearing",
  kind: "processor_item",
});

export const PAID_OUT =
  "coalesce((SELECT sum(cv.book) FROM carried cv JOIN account ca ON ca.id = cv.account_id WHERE cv.item_kind = 'payout' AND cv.item_id = p.id AND ca.role = 'clearing'), 0)";

/** Documents in other currencies that are kept at something else than their lines say. */
export const CARRIED_OTHERWISE = `SELECT count(*) AS sum FROM carried c WHERE (c.amount, c.book) IS NOT (SELECT sum(l.amount), sum(l.book_amount) FROM entry_line l WHERE l.account_id = c.account_id AND l.item_kind = c.item_kind AND l.item_id = c.item_id AND l.currency = c.currency)`;

/** Currencies in which nothing is left on an account, yet something in the book's. */
export function leftTogether(db: Db, role: Role): number {
  return one(
    db,
    `SELECT count(*) AS sum FROM (SELECT c.currency FROM carried c JOIN account a ON a.id = c.account_id WHERE a.role = '${role}' GROUP BY c.currency HAVING sum(c.amount) = 0 AND sum(c.book) <> 0)`,
  );
}

/** Each account with what is kept of it by day, and with its lines. */
const DAYS_AND_LINES =
  "SELECT coalesce(sum(abs(coalesce(d.sum, 0) - coalesce(s.sum, 0))), 0) AS sum, coalesce(sum(coalesce(d.lines, 0) <> coalesce(s.lines, 0)), 0) AS strays FROM account a LEFT JOIN (SELECT account_id, sum(sum) AS sum, sum(lines) AS lines FROM account_day GROUP BY account_id) d ON d.account_id = a.id LEFT JOIN (SELECT account_id, sum(book_amount) AS sum, count(*) AS lines FROM entry_line GROUP BY account_id) s ON s.account_id = a.id";

/** By how much what is kept by day differs from the lines, and on how many accounts their number does. */
export function daysAndLines(db: Db): { sum: Minor; strays: number } {
  const found = db.get<{ sum: number; strays: number }>(DAYS_AND_LINES);
  return { sum: minor(found?.sum ?? 0), strays: found?.strays ?? 0 };
}

/** How many documents differ from what the journal's own lines say of them, one by one. */
export function strays(db: Db, role: Role, itemKind: ItemKind): number {
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

/**
 * Entries that do not foot or have fewer than two lines, and those that never
 * took effect. Lines and postings belong to entries, each in one run of postings (the
 * database sees to that), so that what is missing shows in how many there are.
 */
export function unbalancedEntries(db: Db): number {
  const found = db.get<{ bad: number; withLines: number; entries: number; posted: number }>(
    "SELECT coalesce(sum(bad), 0) AS bad, count(*) AS withLines, (SELECT count(*) FROM entry) AS entries, (SELECT coalesce(sum(last_entry - first_entry + 1), 0) FROM posting) AS posted FROM (SELECT count(*) < 2 OR sum(book_amount) <> 0 AS bad FROM entry_line GROUP BY entry_id)",
  );
  return found ? found.bad + (found.entries - found.withLines) + (found.entries - found.posted) : 0;
}
