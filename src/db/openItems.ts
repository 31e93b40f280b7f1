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
  /** The number of the invoice of which this is an instalment; null for a whole one. */
  partOf: string | null;
  /** What is left, in the book's currency. */
  bookBalance: Minor;
};
/** What is left of an item, and what it was taken in at, in the book's currency. */
export const BOOK_BALANCE = bookValue({
  table: "i",
  column: "balance",
  role: "receivables",
  kind: "open_item",
});
export const BOOK_TOTAL = `CASE WHEN i.currency = ${BOOK_CURRENCY} THEN i.total ELSE coalesce((SELECT sum(l.book_amount) FROM entry_line l JOIN entry e ON e.id = l.entry_id WHERE l.item_kind = 'open_item' AND l.item_id = i.id AND e.event IN ('opening', 'invoice', 'credit_note') AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables')), 0) END`;

export const ITEM_COLUMNS = `i.id, i.kind, i.number, i.customer_id AS customerId, i.issued_on AS issuedOn, i.due_on AS dueOn, i.currency, i.total, i.tax, i.opened, i.balance, i.opened_on AS openedOn,
  i.po_number AS poNumber, i.terms, i.description, i.file_id AS fileId, i.line_no AS lineNo, i.part_of AS partOf, ${BOOK_BALANCE} AS bookBalance`;

export function openItemById(db: Db, id: number): OpenItemRow | undefined {
  return db.get<OpenItemRow>(`SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.id = ?`, id);
}

export function openItemByNumber(db: Db, number: string): OpenItemRow | undefined {
  return db.get<OpenItemRow>(`SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.number = ?`, number);
}

/** All documents, by what tells them from others. */
export const openItemNumbers = (
  db: Db,
): Pick<OpenItemRow, "number" | "customerId" | "issuedOn" | "total">[] =>
  db.all(
    "SELECT number, customer_id AS customerId, issued_on AS issuedOn, total FROM open_item ORDER BY id",
  );

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
        partOf: "part_of",
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
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.customer_id = ? AND i.balance <> 0 ORDER BY i.due_on, i.id`,
    customerId,
  );
}

export function itemsOfCustomer(db: Db, customerId: number, limit: number): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.customer_id = ? ORDER BY i.issued_on DESC, i.id DESC LIMIT ?`,
    customerId,
    limit,
  );
}

/** The parts of an invoice, by their due days. */
export function partsOfInvoice(db: Db, number: string): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.part_of = ? ORDER BY i.id`,
    number,
  );
}

/**
 * The book's own numbers, newest first, to learn their style from; and closed ones that a memo may
 * still name.
 */
export function closedNumbers(db: Db, numbers: readonly string[]): OpenItemRow[] {
  return db.all<OpenItemRow>(
    `SELECT ${ITEM_COLUMNS} FROM open_item i WHERE i.balance = 0 AND i.number IN (SELECT value FROM json_each(?))`,
    JSON.stringify(numbers),
  );
}

type Opened = Omit<OpenItemRow, "id" | "bookBalance" | "partOf"> & { partOf?: string };

export function insertOpenItem(db: Db, item: Opened): number {
  return db.run(
    `INSERT INTO open_item (kind, number, customer_id, issued_on, due_on, currency, total, tax, opened, balance, opened_on, po_number, terms, description, file_id, line_no, part_of)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
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
    item.partOf ?? null,
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
