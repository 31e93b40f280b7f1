import { type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

import { type Db } from "./connection";
import { ENTRY, type EntryRow, type LineRow } from "./journal";

export type JournalRow = Pick<
  EntryRow,
  "event" | "postedOn" | "document" | "documentKind" | "documentId" | "reverses" | "actId"
> &
  LineRow & { party: string | null };

const JOURNAL_COLUMNS = `e.event, e.posted_on AS postedOn, e.document, e.document_kind AS documentKind, e.document_id AS documentId, e.reverses, e.act_id AS actId,
  c.name AS party, l.entry_id AS entryId, l.line_no AS lineNo, l.account_id AS accountId, a.code, a.name, a.role, a.of, l.currency, l.amount, l.book_amount AS bookAmount,
  l.item_kind AS itemKind, l.item_id AS itemId`;

const JOURNAL_FROM = `FROM entry e JOIN entry_line l ON l.entry_id = e.id JOIN account a ON a.id = l.account_id LEFT JOIN customer c ON c.id = e.customer_id`;

/** The same, read by the days of the entries first: an account may have lines by the hundred thousand. */
const BY_DAY = JOURNAL_FROM.replace(
  "FROM entry e JOIN entry_line",
  "FROM entry e CROSS JOIN entry_line",
);

/** All lines between two days, in the order they were posted. */
export function journalBetween(db: Db, from: Day, to: Day): JournalRow[] {
  return db.all<JournalRow>(
    `SELECT ${JOURNAL_COLUMNS} ${JOURNAL_FROM} WHERE e.posted_on BETWEEN ? AND ? ORDER BY e.id, l.line_no`,
    from,
    to,
  );
}

export type EntryHead = EntryRow & { party: string | null; sum: Minor };

/** Entries newest first, with the total of their debits; `text` is looked for in document and party. */
export function entryPage(
  db: Db,
  filter: {
    from: Day;
    to: Day;
    event: string | null;
    text: string | null;
    limit: number;
    offset: number;
    id?: number;
  },
): { rows: EntryHead[]; count: number } {
  const where = `WHERE (?5 IS NULL OR e.id = ?5) AND e.posted_on BETWEEN ?1 AND ?2 AND (?3 IS NULL OR e.event = ?3) AND (?4 IS NULL OR e.document LIKE '%' || ?4 || '%' OR c.name LIKE '%' || ?4 || '%')`;
  const rows = db.all<EntryHead>(
    `${ENTRY.replace(" FROM entry e", `, c.name AS party, (SELECT sum(max(l.book_amount, 0)) FROM entry_line l WHERE l.entry_id = e.id) AS sum FROM entry e`)}
     LEFT JOIN customer c ON c.id = e.customer_id ${where} ORDER BY e.posted_on DESC, e.id DESC LIMIT ?6 OFFSET ?7`,
    filter.from,
    filter.to,
    filter.event,
    filter.text,
    filter.id ?? null,
    filter.limit,
    filter.offset,
  );
  const count = db.get<{ n: number }>(
    `SELECT count(*) AS n FROM entry e LEFT JOIN customer c ON c.id = e.customer_id ${where}`,
    filter.from,
    filter.to,
    filter.event,
    filter.text,
    filter.id ?? null,
  );
  return { rows, count: count?.n ?? 0 };
}

export type AccountLine = JournalRow & { running: Minor };

type AccountPage = {
  accountId: number;
  asOf: Day;
  limit: number;
  offset: number;
};

/**
 * An account's lines up to a day, newest first, each with the balance after it.
 * Which days a page lies on, and the balance it begins with, is told by what
 * the account moved by day by day: a page reads its own lines only.
 */
export function accountLines(
  db: Db,
  { accountId, asOf, limit, offset }: AccountPage,
): AccountLine[] {
  const days = db.all<DayMoved>(
    "SELECT posted_on AS postedOn, sum, lines FROM account_day WHERE account_id = ? AND posted_on <= ? ORDER BY posted_on DESC",
    accountId,
    asOf,
  );
  const page = daysOfPage(days, offset, limit);
  if (page === null) return [];
  const rows = db.all<JournalRow>(
    `SELECT ${JOURNAL_COLUMNS} ${BY_DAY} WHERE e.posted_on BETWEEN ? AND ? AND l.account_id = ? ORDER BY e.posted_on DESC, e.id DESC, l.line_no DESC`,
    page.oldest,
    page.newest,
    accountId,
  );
  let { running } = page;
  return rows
    .map((row) => {
      const line = { ...row, running: minor(running) };
      running -= row.bookAmount;
      return line;
    })
    .slice(offset - page.before, offset - page.before + limit);
}

/** What an account moved by on a day, in how many lines. */
type DayMoved = { postedOn: Day; sum: Minor; lines: number };

/** The days that hold a page, how many lines lie before them, and the balance after the newest. */
type PageDays = { newest: Day; oldest: Day; before: number; running: number };

/** Days stand newest first. */
function daysOfPage(days: readonly DayMoved[], offset: number, limit: number): PageDays | null {
  let [before, running] = [0, days.reduce((so, { sum }) => so + sum, 0)];
  let newest: Day | null = null;
  let oldest: Day | null = null;
  let lines = 0;
  for (const day of days) {
    const after = lines + day.lines;
    if (newest === null && after <= offset) {
      before = after;
      running -= day.sum;
    } else if (newest === null || lines < offset + limit) {
      newest ??= day.postedOn;
      oldest = day.postedOn;
    }
    lines = after;
  }
  return newest === null || oldest === null ? null : { newest, oldest, before, running };
}

export function accountLineCount(db: Db, accountId: number, asOf: Day): number {
  return (
    db.get<{ n: number }>(
      "SELECT coalesce(sum(lines), 0) AS n FROM account_day WHERE account_id = ? AND posted_on <= ?",
      accountId,
      asOf,
    )?.n ?? 0
  );
}
