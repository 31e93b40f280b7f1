import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue, carriedByDocument } from "./rates";

export type OpenItemKind = "invoice" | "late_fee" | "credit_note";
export type OpenItemRow = {
  id: number;
  kind: OpenItemKind;
  number: string;
  customerId: number;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
  tax: Minor;
  opened: Minor;
  balance: Minor;
  openedOn: Day;
  poNumber: string | null;
  terms: string | null;
  description: string | null;
  fileId: number | null;
  lineNo: number | null;
  /** What is left, in the book's currency. */
  bookBalance: Minor;
};
/** What is left of an item, and what it was taken in at, in the book's currency. */
const BOOK_BALANCE = bookValue({
  table: "i",
  column: "balance",
  role: "receivables",
  kind: "open_item",
});
const BOOK_TOTAL = `CASE WHEN i.currency = ${BOOK_CURRENCY} THEN i.total ELSE coalesce((SELECT sum(l.book_amount) FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.item_kind = 'open_item' AND l.item_id = i.id AND e.event IN ('opening', 'invoice', 'credit_note') AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')), 0) END`;

const COLUMNS = `i.id, i.kind, i.number, i.customer_id AS customerId, i.issued_on AS issuedOn, i.due_on AS dueOn, i.currency, i.total, i.tax, i.opened, i.balance, i.opened_on AS openedOn,
  i.po_number AS poNumber, i.terms, i.description, i.file_id AS fileId, i.line_no AS lineNo, ${BOOK_BALANCE} AS bookBalance`;

export function openItemById(db: Db, id: number): OpenItemRow | undefined {
  return db.get<OpenItemRow>(`SELECT ${COLUMNS} FROM open_item i WHERE i.id = ?`, id);
}

export function openItemByNumber(db: Db, number: string): OpenItemRow | undefined {
  return db.get<OpenItemRow>(`SELECT ${COLUMNS} FROM open_item i WHERE i.number = ?`, number);
}

type MatchRow = Pick<
  OpenItemRow,
  | "id"
  | "number"
  | "customerId"
  | "issuedOn"
  | "dueOn"
  | "currency"
  | "total"
  | "balance"
  | "poNumber"
  | "terms"
>;
const MATCH_FIELDS = {
  id: "id",
  number: "number",
  customerId: "customer_id",
  issuedOn: "issued_on",
  dueOn: "due_on",
  currency: "currency",
  total: "total",
  balance: "balance",
  poNumber: "po_number",
  terms: "terms",
} as const;
const OPEN = "open_item NOT INDEXED WHERE balance <> 0";

/** What matching needs of everything with a balance, in no order. */
export function itemsToMatch(db: Db): MatchRow[] {
  return db.many<MatchRow>(MATCH_FIELDS, OPEN);
}

/** Everything with a balance, oldest first. */
export function openItems(db: Db): OpenItemRow[] {
  const foreign = carriedByDocument(db, ["receivables"], "open_item");
  return db
    .many<Omit<OpenItemRow, "bookBalance">>(
      {
        ...MATCH_FIELDS,
        kind: "kind",
        tax: "tax",
        opened: "opened",
        openedOn: "opened_on",
        description: "description",
        fileId: "file_id",
        lineNo: "line_no",
      },
      OPEN,
    )
    .map((item) => ({ ...item, bookBalance: foreign.get(item.id) ?? item.balance }))
    .sort((a, b) => {
      if (a.dueOn < b.dueOn) return -1;
      if (a.dueOn > b.dueOn) return 1;
      return a.id - b.id;
    });
}

export function openItemsOf(db: Db, customerId: number): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${COLUMNS} FROM open_item i WHERE i.customer_id = ? AND i.balance <> 0 ORDER BY i.due_on, i.id`,
    customerId,
  );
}

export function itemsOfCustomer(db: Db, customerId: number, limit: number): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${COLUMNS} FROM open_item i WHERE i.customer_id = ? ORDER BY i.issued_on DESC, i.id DESC LIMIT ?`,
    customerId,
    limit,
  );
}

/**
 * The book's own numbers, newest first, to learn their style from; and closed ones that a memo may
 * still name.
 */
export function closedNumbers(db: Db, numbers: readonly string[]): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${COLUMNS} FROM open_item i WHERE i.balance = 0 AND i.number IN (SELECT value FROM json_each(?))`,
    JSON.stringify(numbers),
  );
}

export function insertOpenItem(db: Db, item: Omit<OpenItemRow, "id" | "bookBalance">): number {
  return db.run(
    `INSERT INTO open_item (kind, number, customer_id, issued_on, due_on, currency, total, tax, opened, balance, opened_on, po_number, terms, description, file_id, line_no)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    item.kind,
    item.number,
    item.customerId,
    item.issuedOn,
    item.dueOn,
    item.currency,
    item.total,
    item.tax,
    item.opened,
    item.balance,
    item.openedOn,
    item.poNumber,
    item.terms,
    item.description,
    item.fileId,
    item.lineNo,
  ).id;
}

/** Moves a balance; the table's own check refuses one that would pass zero or the sum it opened with. */
export function changeBalance(db: Db, id: number, by: number): void {
  db.run("UPDATE open_item SET balance = balance + ? WHERE id = ?", by, id);
}

/** An item that was undone as if it had never been opened; its number stays taken. */
export function dropOpened(db: Db, id: number): void {
  db.run("UPDATE open_item SET total = 0, opened = 0, balance = 0 WHERE id = ?", id);
}

export type OpenItemListed = OpenItemRow & { customer: string; externalId: string };

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
    overdue: "i.balance > 0 AND i.due_on < ?2",
    paid: "i.balance = 0",
  }[filter.state];
  // Only what is a month gets into the statement.
  const month = /^\d{4}-\d\d$/.test(filter.issued ?? "") ? filter.issued : null;
  const from = `FROM open_item i JOIN customer c ON c.id = i.customer_id WHERE ${state} AND ?2 IS NOT NULL
    AND (?1 IS NULL OR i.number LIKE '%' || ?1 || '%' OR c.name LIKE '%' || ?1 || '%' OR i.po_number LIKE ?1 || '%') ${month === null ? "" : `AND i.issued_on BETWEEN '${month}-01' AND '${month}-31'`}`;
  const rows = db.all<OpenItemListed>(
    `SELECT ${COLUMNS}, c.name AS customer, c.external_id AS externalId ${from} ORDER BY ${filter.order} LIMIT ?3 OFFSET ?4`,
    filter.text,
    filter.today,
    filter.limit,
    filter.offset,
  );
  const sums = db.get<{ n: number; total: Minor; balance: Minor }>(
    `SELECT count(*) AS n, coalesce(sum(${BOOK_TOTAL}), 0) AS total, coalesce(sum(${BOOK_BALANCE}), 0) AS balance ${from}`,
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
    `SELECT ${COLUMNS}, c.name AS customer, c.external_id AS externalId, s.own AS ownBalance, s.sum AS asOfBalance
     FROM (SELECT l.item_id AS id, sum(l.amount) AS own, sum(l.book_amount) AS sum FROM entry e JOIN entry_line l ON l.entry_id = e.id
           WHERE e.posted_on <= ? AND l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY l.item_id HAVING sum(l.book_amount) <> 0) s
     JOIN open_item i ON i.id = s.id JOIN customer c ON c.id = i.customer_id ORDER BY c.name, i.due_on, i.id`,
    asOf,
  );
}
