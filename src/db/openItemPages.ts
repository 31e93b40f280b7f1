import type { Day } from "@/core/calendar";
import { soughtIn } from "@/core/invoices";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_BALANCE, BOOK_TOTAL, ITEM_COLUMNS, type OpenItemRow } from "./openItems";

export type OpenItemListed = OpenItemRow & {
  customer: string;
  externalId: string;
  /** The document behind it, where it was written here. */
  documentId: number | null;
};

const DOCUMENT_OF =
  "(SELECT d.id FROM document d WHERE d.open_item_id = i.id OR d.number = i.part_of)";

/**
 * A page of invoices with their customer, with the count and sums (in the book's currency) of all
 * that the filter lets through.
 */
export function openItemPage(
  db: Db,
  filter: {
    state: "all" | "open" | "overdue" | "paid";
    today: Day;
    text: string | null;
    /** The month of issue, like 2026-11. */
    issued?: string | null;
    order: string;
    limit: number;
    offset: number;
  },
): { rows: OpenItemListed[]; count: number; total: Minor; balance: Minor } {
  const state = {
    all: "1",
    open: "i.balance <> 0",
    overdue: "i.balance > 0 AND i.due_on < ?3",
    paid: "i.balance = 0",
  }[filter.state];
  // Only what is a month gets into the statement.
  const month = /^\d{4}-\d\d$/.test(filter.issued ?? "") ? filter.issued : null;
  const { place, where, words } = lookingFor(db, filter.text, filter.today);
  const from = `FROM ${place} JOIN customer c ON c.id = i.customer_id WHERE ${state} AND ?3 IS NOT NULL
    AND (?1 IS NULL OR ?2 IS NOT NULL) AND ${where} ${month === null ? "" : `AND i.issued_on BETWEEN '${month}-01' AND '${month}-31'`}`;
  const rows = db.all<OpenItemListed>(
    `SELECT ${ITEM_COLUMNS}, c.name AS customer, c.external_id AS externalId, ${DOCUMENT_OF} AS documentId ${from} ORDER BY ${filter.order} LIMIT ?4 OFFSET ?5`,
    words,
    filter.text,
    filter.today,
    filter.limit,
    filter.offset,
  );
  const sums = db.get<{ n: number; total: Minor; balance: Minor }>(
    `SELECT count(*) AS n, coalesce(sum(${BOOK_TOTAL}), 0) AS total, coalesce(sum(${BOOK_BALANCE}), 0) AS balance ${from}`,
    words,
    filter.text,
    filter.today,
  );
  return {
    rows,
    count: sums?.n ?? 0,
    total: sums?.total ?? (0 as Minor),
    balance: sums?.balance ?? (0 as Minor),
  };
}

const BY_WORDS = `SELECT rowid AS id FROM item_words WHERE item_words MATCH ?1
  UNION SELECT own.id FROM customer named CROSS JOIN open_item own ON own.customer_id = named.id WHERE named.name LIKE '%' || ?2 || '%'`;

/** Of a total, or with so much open; a credit note by its size. */
const bySum = (sum: Minor): string => `SELECT id FROM open_item WHERE total IN (${sum}, ${-sum})
  UNION SELECT id FROM open_item WHERE balance <> 0 AND balance IN (${sum}, ${-sum})`;

/** Issued on a day, or open and due on it. */
const byDay = (on: Day): string => `SELECT id FROM open_item WHERE issued_on = '${on}'
  UNION SELECT id FROM open_item WHERE balance <> 0 AND due_on = '${on}'`;

/** What a text finds besides its words, where it is a sum or a day too. */
function asSought(text: string, today: Day): string[] {
  const sought = soughtIn(text, today);
  if (sought === null) return [];
  return ["sum" in sought ? bySum(sought.sum) : byDay(sought.day)];
}

/**
 * How the list is looked through for a text: by how words of an item's number, order number and
 * lines begin, by part of its customer's name, and by what it is as a sum or a day; where these find
 * nothing, by part of the number.
 */
function lookingFor(
  db: Db,
  text: string | null,
  today: Day,
): { place: string; where: string; words: string | null } {
  const all = "open_item i";
  if (text === null) return { place: all, where: "1", words: null };
  const typed = [...text.matchAll(/[\p{L}\p{N}]+/gu)].map(([word]) => word);
  // A letter by itself, as the K of K-204, says little beside the rest and is in nearly everything.
  const telling = typed.some((word) => word.length > 1)
    ? typed.filter((word) => word.length > 1)
    : typed;
  const words = telling.map((word) => `"${word}"*`).join(" ") || '""';
  const ids = [BY_WORDS, ...asSought(text, today)].join(" UNION ");
  const found = db.get(`SELECT 1 FROM (${ids}) LIMIT 1`, words, text);
  if (!found) return { place: all, where: "i.number LIKE '%' || ?2 || '%'", words };
  // From what was found to the items, never the other way round.
  return {
    place: `(${ids}) found CROSS JOIN open_item i ON i.id = found.id`,
    where: "1",
    words,
  };
}

/**
 * Open items as of a day, by what was posted in receivables up to it. Today's
 * come from the balances kept; earlier days from the journal's lines. `ownBalance`
 * is in the item's currency, `asOfBalance` in the book's.
 */
export function openItemsAsOf(
  db: Db,
  asOf: Day,
): (OpenItemListed & { ownBalance: Minor; asOfBalance: Minor })[] {
  return db.all<OpenItemListed & { ownBalance: Minor; asOfBalance: Minor }>(
    `SELECT ${ITEM_COLUMNS}, c.name AS customer, c.external_id AS externalId, ${DOCUMENT_OF} AS documentId, s.own AS ownBalance, s.sum AS asOfBalance
     FROM (SELECT l.item_id AS id, sum(l.amount) AS own, sum(l.book_amount) AS sum FROM entry e JOIN entry_line l ON l.entry_id = e.id
           WHERE e.posted_on <= ? AND l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY l.item_id HAVING sum(l.book_amount) <> 0) s
     JOIN open_item i ON i.id = s.id JOIN customer c ON c.id = i.customer_id ORDER BY c.name, i.due_on, i.id`,
    asOf,
  );
}
