import type { Day } from "@/core/calendar";
import type { ItemKind, OpenWork, ProofName, Role } from "@/core/ledger";
import { add, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { statementGaps } from "./bank";

type Side = { name: ProofName; journal: Minor; documents: Minor; strays?: number };

function one(db: Db, sql: string): Minor {
  return minor(db.get<{ sum: number | null }>(sql)?.sum ?? 0);
}

function journal(db: Db, role: Role): Minor {
  return one(db, `SELECT sum(l.book_amount) AS sum FROM entry_line l WHERE l.account_id IN (SELECT id FROM account WHERE role = '${role}')`);
}

/** What each document should stand at in the journal's lines of a role, one by one; debit positive. */
const DOCUMENTS: readonly { readonly role: Role; readonly itemKind: ItemKind; readonly documents: string }[] = [
  { role: "receivables", itemKind: "open_item", documents: "SELECT id, balance AS sum FROM open_item" },
  { role: "clearing", itemKind: "processor_item", documents: "SELECT id, CASE withdrawn WHEN 1 THEN 0 ELSE amount END AS sum FROM processor_item" },
  { role: "clearing", itemKind: "payout", documents: "SELECT p.id, -coalesce((SELECT sum(amount) FROM payout_tie t WHERE t.payout_id = p.id AND t.ended_by IS NULL), 0) AS sum FROM payout p" },
  { role: "unidentified", itemKind: "receipt", documents: "SELECT id, -unidentified AS sum FROM receipt" },
  { role: "credits", itemKind: "receipt", documents: "SELECT id, -on_account AS sum FROM receipt" },
  { role: "disputed", itemKind: "processor_item", documents: "SELECT id, CASE WHEN settled_state IN ('opened', 'won') AND withdrawn = 0 THEN -amount ELSE 0 END AS sum FROM processor_item WHERE kind = 'dispute'" },
  { role: "on_hand", itemKind: "receipt", documents: "SELECT id, CASE WHEN hand_state IN ('on_hand', 'deposited') THEN amount ELSE 0 END AS sum FROM receipt WHERE hand_state IS NOT NULL" },
  { role: "fees_accrued", itemKind: "fee_accrual", documents: "SELECT id, CASE state WHEN 'accrued' THEN -sum ELSE 0 END AS sum FROM fee_accrual" },
  { role: "bank", itemKind: "bank_line", documents: "SELECT id, CASE WHEN state = 'open' THEN 0 ELSE amount END AS sum FROM bank_line" },
];

/** Documents that differ from what the journal's own lines say of them. */
function straysSql(role: Role, itemKind: ItemKind): string {
  const documents = DOCUMENTS.find((one) => one.role === role && one.itemKind === itemKind)?.documents ?? "";
  return `WITH j AS (SELECT item_id AS id, sum(book_amount) AS sum FROM entry_line WHERE item_kind = '${itemKind}' AND account_id IN (SELECT id FROM account WHERE role = '${role}') GROUP BY item_id),
      d AS (${documents}),
      off AS (SELECT d.id, coalesce(j.sum, 0) AS journal, d.sum AS documents FROM d LEFT JOIN j ON j.id = d.id WHERE coalesce(j.sum, 0) <> d.sum UNION ALL SELECT j.id, j.sum, 0 FROM j LEFT JOIN d ON d.id = j.id WHERE d.id IS NULL AND j.sum <> 0)`;
}

/** Each account with what is kept of it by day, and with its lines. */
const DAYS_AND_LINES = "FROM account a LEFT JOIN (SELECT account_id, sum(sum) AS sum, sum(lines) AS lines FROM account_day GROUP BY account_id) d ON d.account_id = a.id LEFT JOIN (SELECT account_id, sum(book_amount) AS sum, count(*) AS lines FROM entry_line GROUP BY account_id) s ON s.account_id = a.id";

/** How many documents differ from what the journal's own lines say of them, one by one. */
function strays(db: Db, role: Role, itemKind: ItemKind): number {
  return one(db, `${straysSql(role, itemKind)} SELECT count(*) AS sum FROM off`);
}

/** A document whose balance is not what the journal says, with the last entry about it: since then it is off. */
export type Stray = { role: Role; kind: ItemKind; id: number; journal: Minor; documents: Minor; sinceEntry: number | null; sinceOn: Day | null };

const MOST_STRAYS = 20;

/** The documents by which a proof is off, the largest first; empty where it holds. */
export function straysOf(db: Db, roles: readonly Role[]): Stray[] {
  return DOCUMENTS.filter(({ role }) => roles.includes(role)).flatMap(({ role, itemKind }) =>
    db.all<Omit<Stray, "role" | "kind">>(
      `${straysSql(role, itemKind)} SELECT off.id, off.journal, off.documents, e.id AS sinceEntry, e.posted_on AS sinceOn FROM off
       LEFT JOIN entry e ON e.id = (SELECT max(l.entry_id) FROM entry_line l WHERE l.item_kind = '${itemKind}' AND l.item_id = off.id AND l.account_id IN (SELECT id FROM account WHERE role = '${role}'))
       ORDER BY abs(off.journal - off.documents) DESC LIMIT ${MOST_STRAYS}`,
    ).map((stray) => ({ role, kind: itemKind, ...stray })),
  );
}

/**
 * Both sides of every proof, computed apart: the journal from its lines, the
 * documents from their own tables. Debit positive.
 */
export function proofSides(db: Db): Side[] {
  const openings = one(db, "SELECT sum(opening_balance) AS sum FROM bank_account");
  return [
    { name: "entries", journal: one(db, "SELECT sum(book_amount) AS sum FROM entry_line"), documents: minor(0), strays: unbalancedEntries(db) },
    // What accounts moved by day by day, against the lines themselves: sums and how many there are.
    { name: "balances", journal: one(db, `SELECT sum(abs(coalesce(d.sum, 0) - coalesce(s.sum, 0))) AS sum ${DAYS_AND_LINES}`), documents: minor(0), strays: one(db, `SELECT count(*) AS sum ${DAYS_AND_LINES} WHERE coalesce(d.lines, 0) <> coalesce(s.lines, 0)`) },
    { name: "receivables", journal: journal(db, "receivables"), documents: one(db, "SELECT sum(balance) AS sum FROM open_item"), strays: strays(db, "receivables", "open_item") },
    {
      name: "clearing", journal: journal(db, "clearing"),
      documents: one(db, "SELECT sum(i.amount) AS sum FROM processor_item i LEFT JOIN payout p ON p.id = i.payout_id WHERE i.withdrawn = 0 AND (p.state IS NULL OR p.state <> 'tied')"),
      strays: add(
        strays(db, "clearing", "processor_item"),
        strays(db, "clearing", "payout"),
      ),
    },
    { name: "unidentified", journal: journal(db, "unidentified"), documents: one(db, "SELECT -sum(unidentified) AS sum FROM receipt"), strays: strays(db, "unidentified", "receipt") },
    { name: "credits", journal: journal(db, "credits"), documents: one(db, "SELECT -sum(on_account) AS sum FROM receipt"), strays: strays(db, "credits", "receipt") },
    {
      name: "disputed", journal: journal(db, "disputed"), documents: one(db, "SELECT -sum(amount) AS sum FROM processor_item WHERE kind = 'dispute' AND settled_state IN ('opened', 'won') AND withdrawn = 0"),
      // A dispute that was won stands with the sum that came back as an item of its own: the two cancel out, or show what did not come back.
      strays: strays(db, "disputed", "processor_item"),
    },
    { name: "on_hand", journal: journal(db, "on_hand"), documents: one(db, "SELECT sum(amount) AS sum FROM receipt WHERE hand_state IN ('on_hand', 'deposited')"), strays: strays(db, "on_hand", "receipt") },
    { name: "reserve", journal: journal(db, "reserve"), documents: one(db, "SELECT -sum(amount) AS sum FROM processor_item WHERE kind = 'reserve' AND withdrawn = 0") },
    { name: "fees_accrued", journal: journal(db, "fees_accrued"), documents: one(db, "SELECT -sum(sum) AS sum FROM fee_accrual WHERE state = 'accrued'"), strays: strays(db, "fees_accrued", "fee_accrual") },
    {
      name: "parked", journal: journal(db, "parked"),
      documents: add(one(db, "SELECT -sum(parked) AS sum FROM receipt"), one(db, "SELECT -sum(amount) AS sum FROM processor_item WHERE settled_state IS NULL AND reason IS NOT NULL AND withdrawn = 0 AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')")),
    },
    {
      name: "payouts",
      journal: one(db, "SELECT sum(i.amount) AS sum FROM processor_item i JOIN payout p ON p.id = i.payout_id WHERE p.state = 'tied' AND i.withdrawn = 0"),
      documents: one(db, "SELECT sum(amount) AS sum FROM payout_tie WHERE ended_by IS NULL"),
      strays: one(db, "SELECT count(*) AS sum FROM payout p WHERE p.net <> (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = p.id AND withdrawn = 0) OR (p.state = 'tied' AND p.net <> (SELECT coalesce(sum(amount), 0) FROM payout_tie WHERE payout_id = p.id AND ended_by IS NULL))"),
    },
    {
      name: "bank", journal: journal(db, "bank"),
      documents: add(openings, one(db, "SELECT sum(amount) AS sum FROM bank_line WHERE state <> 'open'")),
      strays: strays(db, "bank", "bank_line"),
    },
    {
      name: "applications", journal: one(db, "SELECT sum(applied) AS sum FROM receipt"), documents: one(db, "SELECT sum(amount) AS sum FROM application WHERE ended_by IS NULL"),
      strays: one(db, "SELECT count(*) AS sum FROM open_item i WHERE i.balance <> i.opened - (SELECT coalesce(sum(amount + discount + small_difference), 0) FROM application WHERE open_item_id = i.id AND ended_by IS NULL)"),
    },
  ];
}

function unbalancedEntries(db: Db): number {
  return one(
    db,
    "SELECT count(*) AS sum FROM (SELECT e.id FROM entry e LEFT JOIN entry_line l ON l.entry_id = e.id GROUP BY e.id HAVING count(l.line_no) < 2 OR sum(l.book_amount) <> 0 UNION SELECT e.id FROM entry e LEFT JOIN posting p ON p.entry_id = e.id WHERE p.entry_id IS NULL)",
  );
}

/** Open work with its sums: shown until it is done, never a broken proof. */
export function openWork(db: Db): OpenWork[] {
  const row = (sql: string): { sum: Minor; count: number } => {
    const found = db.get<{ sum: number | null; n: number }>(sql);
    return { sum: minor(found?.sum ?? 0), count: found?.n ?? 0 };
  };
  return [
    { name: "to_match", ...row("SELECT sum(unidentified) AS sum, count(*) AS n FROM receipt WHERE state = 'to_match'") },
    { name: "deposits_untied", ...row("SELECT sum(sum) AS sum, count(*) AS n FROM deposit WHERE state = 'made'") },
    { name: "approvals", ...row("SELECT sum(sum) AS sum, count(*) AS n FROM approval WHERE state = 'waiting'") },
    { name: "payouts_untied", ...row("SELECT sum(net) AS sum, count(*) AS n FROM payout WHERE state = 'open'") },
    { name: "payouts_off", ...row("SELECT sum(stated_net - net) AS sum, count(*) AS n FROM payout WHERE state = 'open' AND stated_net IS NOT NULL AND stated_net <> net") },
    { name: "bank_unexplained", ...row("SELECT sum(amount) AS sum, count(*) AS n FROM bank_line WHERE state = 'open'") },
    { name: "statement_gaps", ...statementGaps(db) },
    { name: "negative_credits", ...row("SELECT sum(on_account) AS sum, count(*) AS n FROM receipt WHERE on_account < 0") },
  ];
}
