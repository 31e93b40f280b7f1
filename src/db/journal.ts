import type { Day } from "@/core/calendar";
import {
  accountFor,
  type AccountRef,
  type EntryDraft,
  type EntryEvent,
  foots,
  type ItemKind,
  type Role,
} from "@/core/ledger";
import { type Currency, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { ENTRIES, ENTRY_LINES, POSTINGS } from "./gathered";

export type AccountRow = {
  id: number;
  code: string;
  name: string;
  role: Role;
  of: string | null;
  balance: Minor;
};

export function accounts(db: Db): AccountRow[] {
  return db.all<AccountRow>(
    "SELECT id, code, name, role, of, balance FROM account_now ORDER BY code",
  );
}

export function insertAccount(db: Db, account: Omit<AccountRow, "id" | "balance">): number {
  return db.run(
    "INSERT INTO account (code, name, role, of) VALUES (?, ?, ?, ?)",
    account.code,
    account.name,
    account.role,
    account.of,
  ).id;
}

/** Resolves the accounts that posting rules speak of; kept for one command, as the chart does not change within it. */
export function accountFinder(db: Db): (ref: AccountRef) => number {
  const chart = accounts(db);
  const known = new Map<Role, Map<string | undefined, number>>();
  return (ref) => {
    const before = known.get(ref.role)?.get(ref.of);
    if (before !== undefined) return before;
    const found = accountFor(chart, ref)?.id;
    if (found === undefined)
      throw new Error(`the chart has no account for ${ref.role}/${ref.of ?? ""}`);
    known.set(ref.role, (known.get(ref.role) ?? new Map()).set(ref.of, found));
    return found;
  };
}

type EntryOfAct = {
  actId: number;
  reverses?: number | null;
  datedFor?: Day | null;
};

/** Writes an entry with its lines and posts it. Throws where it does not foot: the database would refuse it too. */
export function insertEntry(
  db: Db,
  find: (ref: AccountRef) => number,
  draft: EntryDraft,
  { actId, reverses = null, datedFor = null }: EntryOfAct,
): number {
  if (!foots(draft)) throw new Error(`the entry ${draft.event} does not foot`);
  const id = db.insert(
    ENTRIES,
    draft.event,
    draft.postedOn,
    draft.document.kind,
    draft.document.id,
    draft.document.text,
    draft.partyId,
    actId,
    reverses,
    datedFor,
  );
  for (const [index, line] of draft.lines.entries())
    db.insert(
      ENTRY_LINES,
      id,
      index + 1,
      find(line.account),
      line.sum.currency,
      line.sum.amount,
      line.sum.book,
      line.item?.kind ?? null,
      line.item?.id ?? null,
    );
  db.insert(POSTINGS, id, id);
  return id;
}

/** The name and balance of an account, in the book's currency. */
export function accountById(db: Db, id: number): { name: string; balance: Minor } | undefined {
  return db.get("SELECT name, balance FROM account_now WHERE id = ?", id);
}

export type EntryRow = {
  id: number;
  event: EntryEvent;
  postedOn: Day;
  documentKind: ItemKind;
  documentId: number;
  document: string;
  customerId: number | null;
  actId: number;
  reverses: number | null;
  reversedBy: number | null;
  /** The day it would have borne, where that was closed. */
  datedFor: Day | null;
};
export const ENTRY = `SELECT e.id, e.event, e.posted_on AS postedOn, e.document_kind AS documentKind, e.document_id AS documentId, e.document,
  e.customer_id AS customerId, e.act_id AS actId, e.reverses, e.dated_for AS datedFor, (SELECT r.id FROM entry r WHERE r.reverses = e.id) AS reversedBy FROM entry e`;

export function entryById(db: Db, id: number): EntryRow | undefined {
  return db.get<EntryRow>(`${ENTRY} WHERE e.id = ?`, id);
}

export function entriesOfAct(db: Db, actId: number): EntryRow[] {
  return db.all<EntryRow>(`${ENTRY} WHERE e.act_id = ? ORDER BY e.id`, actId);
}

/** Entries that name a document, or carry a line about it. */
export function entriesOfDocument(db: Db, kind: ItemKind, id: number): EntryRow[] {
  return db.all<EntryRow>(
    `${ENTRY} WHERE e.id IN (SELECT id FROM entry WHERE document_kind = ?1 AND document_id = ?2 UNION SELECT entry_id FROM entry_line WHERE item_kind = ?1 AND item_id = ?2) ORDER BY e.id`,
    kind,
    id,
  );
}

export type LineRow = {
  entryId: number;
  lineNo: number;
  accountId: number;
  code: string;
  name: string;
  role: Role;
  of: string | null;
  currency: Currency;
  amount: Minor;
  bookAmount: Minor;
  itemKind: ItemKind | null;
  itemId: number | null;
};
const LINE = `SELECT l.entry_id AS entryId, l.line_no AS lineNo, l.account_id AS accountId, a.code, a.name, a.role, a.of, l.currency, l.amount, l.book_amount AS bookAmount,
  l.item_kind AS itemKind, l.item_id AS itemId FROM entry_line l JOIN account a ON a.id = l.account_id`;

export function linesOfEntry(db: Db, entryId: number): LineRow[] {
  return db.all<LineRow>(`${LINE} WHERE l.entry_id = ? ORDER BY l.line_no`, entryId);
}

/** Each account's balance as of a day, from what it moved by day by day; a proof holds those to the lines. */
export function balancesAsOf(db: Db, asOf: Day): AccountRow[] {
  return db.all<AccountRow>(
    `SELECT a.id, a.code, a.name, a.role, a.of, coalesce((SELECT sum(d.sum) FROM account_day d WHERE d.account_id = a.id AND d.posted_on <= ?), 0) AS balance FROM account a ORDER BY a.code`,
    asOf,
  );
}

/** Other entries of an act, the first twenty. */
export function entriesBeside(
  db: Db,
  actId: number,
  entryId: number,
): { id: number; event: string; document: string }[] {
  return db.all(
    "SELECT id, event, document FROM entry WHERE act_id = ? AND id <> ? ORDER BY id LIMIT 20",
    actId,
    entryId,
  );
}

/** What an account role moved by in each month between two days, newest first; credit positive. */
export function movedByMonth(
  db: Db,
  role: string,
  from: Day,
  to: Day,
): { month: string; sum: Minor }[] {
  return db.all(
    `SELECT substr(d.posted_on, 1, 7) AS month, -sum(d.sum) AS sum
     FROM account_day d
     JOIN account a ON a.id = d.account_id
     WHERE a.role = ? AND d.posted_on BETWEEN ? AND ?
     GROUP BY 1
     HAVING sum(d.sum) <> 0
     ORDER BY 1 DESC`,
    role,
    from,
    to,
  );
}

/** Kinds of documents that have a file and line of their own; the others are made by the book itself. */
const TABLE_OF = {
  open_item: "open_item",
  receipt: "receipt",
  processor_item: "processor_item",
  bank_line: "bank_line",
  payout: "payout",
  fee_accrual: null,
  revaluation: null,
} as const satisfies Record<ItemKind, string | null>;

/** The file and line that a document came from; undefined where it has none. */
export function sourceOfDocument(
  db: Db,
  kind: ItemKind,
  id: number,
): { fileId: number | null; lineNo: number | null } | undefined {
  const table = TABLE_OF[kind];
  if (table === null) return undefined;
  return db.get(`SELECT file_id AS fileId, line_no AS lineNo FROM ${table} WHERE id = ?`, id);
}
