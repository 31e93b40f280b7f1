import type { Day } from "@/core/calendar";
import type { Stage } from "@/core/invoices";
import type { Currency, Minor } from "@/core/money";
import type { PaysBy } from "@/core/paying";

import type { Db } from "./connection";

export type DocumentKind = "invoice" | "credit_note";

/** A document that is written here; sums in its currency, minor units, positive for both kinds. */
export type DocumentRow = {
  id: number;
  kind: DocumentKind;
  stage: Stage;
  customerId: number;
  issuedOn: Day;
  dueOn: Day;
  dueReason: string | null;
  terms: string | null;
  currency: Currency;
  poNumber: string | null;
  note: string | null;
  taxIncluded: boolean;
  taxRounded: "by_code" | "by_line";
  discountPercent: string | null;
  discountSum: Minor | null;
  withholdingPercent: string | null;
  /** By which ways it may be paid; null: as its customer, or the book, says. */
  paysBy: PaysBy | null;
  orderRef: string | null;
  orderHash: string | null;
  creditsId: number | null;
  /** The draft that this invoice asks a part of beforehand. */
  depositOf: number | null;
  net: Minor;
  tax: Minor;
  total: Minor;
  number: string | null;
  openItemId: number | null;
  frozen: string | null;
  frozenHash: string | null;
  writtenBy: string;
  version: number;
  approvedBy: string | null;
  approvedOn: Day | null;
};

/** What of a draft is written and may be written over. */
export type DocumentContent = Pick<
  DocumentRow,
  | "customerId"
  | "issuedOn"
  | "dueOn"
  | "dueReason"
  | "terms"
  | "currency"
  | "poNumber"
  | "note"
  | "taxIncluded"
  | "taxRounded"
  | "discountPercent"
  | "discountSum"
  | "withholdingPercent"
  | "paysBy"
  | "net"
  | "tax"
  | "total"
>;

const COLUMNS: Readonly<Record<keyof DocumentContent, string>> = {
  customerId: "customer_id",
  issuedOn: "issued_on",
  dueOn: "due_on",
  dueReason: "due_reason",
  terms: "terms",
  currency: "currency",
  poNumber: "po_number",
  note: "note",
  taxIncluded: "tax_included",
  taxRounded: "tax_rounded",
  discountPercent: "discount_percent",
  discountSum: "discount_sum",
  withholdingPercent: "withholding_percent",
  paysBy: "pays_by",
  net: "net",
  tax: "tax",
  total: "total",
};
const FIELDS = Object.keys(COLUMNS) as (keyof DocumentContent)[];

const DOCUMENT = `
  SELECT id, kind, stage, ${FIELDS.map((field) => `${COLUMNS[field]} AS ${field}`).join(", ")},
    order_ref AS orderRef, order_hash AS orderHash, credits_id AS creditsId, deposit_of AS depositOf, number,
    open_item_id AS openItemId, frozen, frozen_hash AS frozenHash, written_by AS writtenBy, version,
    approved_by AS approvedBy, approved_on AS approvedOn
  FROM document`;

type Stored = Omit<DocumentRow, "taxIncluded"> & { taxIncluded: number };
const asRow = (row: Stored): DocumentRow => ({ ...row, taxIncluded: row.taxIncluded === 1 });

const found = (db: Db, where: string, value: string | number): DocumentRow | undefined => {
  const row = db.get<Stored>(`${DOCUMENT} WHERE ${where}`, value);
  return row && asRow(row);
};

export const documentById = (db: Db, id: number): DocumentRow | undefined =>
  found(db, "id = ?", id);

export const documentByNumber = (db: Db, number: string): DocumentRow | undefined =>
  found(db, "number = ?", number);

/** The document that an order became. */
export const documentOfOrder = (db: Db, orderRef: string): DocumentRow | undefined =>
  found(db, "order_ref = ?", orderRef);

const OF_ITEM = "open_item_id = ?1 OR number = (SELECT part_of FROM open_item WHERE id = ?1)";

/** The document behind an open item, which may be one of its parts; undefined for one that came by a file. */
export const documentOfItem = (db: Db, itemId: number): DocumentRow | undefined =>
  found(db, OF_ITEM, itemId);

/** The approved credit notes of an invoice. */
export function creditNotesOf(db: Db, documentId: number): DocumentRow[] {
  return db
    .all<Stored>(`${DOCUMENT} WHERE credits_id = ? AND stage = 'approved' ORDER BY id`, documentId)
    .map(asRow);
}

type DocumentHead = Pick<
  DocumentRow,
  "kind" | "stage" | "orderRef" | "orderHash" | "creditsId" | "depositOf" | "writtenBy"
>;

export function insertDocument(db: Db, head: DocumentHead, content: DocumentContent): number {
  return db.run(
    `INSERT INTO document (kind, stage, order_ref, order_hash, credits_id, deposit_of, written_by,
       ${FIELDS.map((field) => COLUMNS[field]).join(", ")})
     VALUES (?, ?, ?, ?, ?, ?, ?, ${FIELDS.map(() => "?").join(", ")})`,
    head.kind,
    head.stage,
    head.orderRef,
    head.orderHash,
    head.creditsId,
    head.depositOf,
    head.writtenBy,
    ...valuesOf(content),
  ).id;
}

export function changeDocument(db: Db, id: number, content: DocumentContent): void {
  db.run(
    `UPDATE document SET ${FIELDS.map((field) => `${COLUMNS[field]} = ?`).join(", ")}, version = version + 1 WHERE id = ?`,
    ...valuesOf(content),
    id,
  );
}

const valuesOf = (content: DocumentContent): (string | number | null)[] =>
  FIELDS.map((field) => {
    const value = content[field];
    return typeof value === "boolean" ? Number(value) : value;
  });

export function setStage(db: Db, id: number, stage: Exclude<Stage, "approved">): void {
  db.run("UPDATE document SET stage = ? WHERE id = ?", stage, id);
}

type Approval = {
  number: string;
  openItemId: number;
  frozen: string;
  frozenHash: string;
  by: string;
  on: Day;
};

/** An approved document has its number and its open item, and does not change any more. */
export function markApproved(db: Db, id: number, approval: Approval): void {
  db.run(
    `UPDATE document SET stage = 'approved', number = ?, open_item_id = ?, frozen = ?,
       frozen_hash = ?, approved_by = ?, approved_on = ?
     WHERE id = ?`,
    approval.number,
    approval.openItemId,
    approval.frozen,
    approval.frozenHash,
    approval.by,
    approval.on,
    id,
  );
}
