import type {
  ActView,
  EntryHistory,
  EntryLineView,
  EntryView,
  OriginPlace,
  Unread,
} from "@/contracts/history";
import type { ItemKind } from "@/core/ledger";
import type { Minor } from "@/core/money";
import { actById, actsOf, type SubjectKind } from "@/db/acts";
import { bankLineById } from "@/db/bank";
import type { Db } from "@/db/connection";
import { importFileById } from "@/db/files";
import {
  entriesBeside,
  entriesOfDocument,
  entryById,
  type EntryRow,
  linesOfEntry,
  sourceOfDocument,
} from "@/db/journal";
import { processorItemById } from "@/db/processor";

import { isUndoable } from "../reversals";

/** Where each kind of document is shown, below the book's address; null where it has no page. */
const HREFS: Record<ItemKind, (db: Db, id: number) => string | null> = {
  // What an age or a month makes (the allowance) has no item of its own.
  open_item: (_db, id) => (id === 0 ? "reports?show=figures" : `invoices/${id}`),
  receipt: (_db, id) => `receipts/${id}`,
  payout: (_db, id) => `payouts/${id}`,
  bank_line: (db, id) => (bankLineById(db, id) ? `lines/${id}` : null),
  processor_item: hrefOfProcessorItem,
  fee_accrual: () => "payouts?show=fees",
  revaluation: () => "books?view=currencies",
};

function hrefOfProcessorItem(db: Db, id: number): string | null {
  const item = processorItemById(db, id);
  if (!item) return null;
  if (item.receiptId !== null) return `receipts/${item.receiptId}`;
  return item.payoutId === null ? "books?proof=clearing" : `payouts/${item.payoutId}`;
}

export const hrefOf = (db: Db, kind: ItemKind, id: number): string | null => HREFS[kind](db, id);

/** An entry with its lines, each leading to what it is about. */
export function entryView(db: Db, entry: EntryRow): EntryView {
  const lines = linesOfEntry(db, entry.id).map((line): EntryLineView => ({
    accountId: line.accountId,
    code: line.code,
    name: line.name,
    role: line.role,
    debit: line.bookAmount > 0 ? line.bookAmount : null,
    credit: line.bookAmount < 0 ? (-line.bookAmount as Minor) : null,
    own: line.amount === line.bookAmount ? null : { amount: line.amount, currency: line.currency },
    href:
      line.itemKind === null || line.itemId === null
        ? null
        : hrefOf(db, line.itemKind, line.itemId),
  }));
  return {
    id: entry.id,
    event: entry.event.replaceAll("_", " "),
    postedOn: entry.postedOn,
    document: entry.document,
    documentHref: hrefOf(db, entry.documentKind, entry.documentId),
    reverses: entry.reverses,
    reversedBy: entry.reversedBy,
    datedFor: entry.datedFor,
    lines,
  };
}

export function entriesAbout(db: Db, kind: ItemKind, id: number): EntryView[] {
  return entriesOfDocument(db, kind, id).map((entry) => entryView(db, entry));
}

/** Everything done to a document, oldest first. */
export function actsAbout(db: Db, kind: SubjectKind, id: number): ActView[] {
  return actsOf(db, kind, id).map((act) => ({
    id: act.id,
    on: act.onDay,
    at: act.at,
    actor: act.actor,
    text: act.text,
    undone: act.undoneBy !== null,
    undoable: act.undoneBy === null && isUndoable(act.kind),
  }));
}

/** Where a document came from; the line itself is read where foreign files are. */
export function originOf(db: Db, fileId: number | null, lineNo: number | null): OriginPlace | null {
  const file = fileId === null ? undefined : importFileById(db, fileId);
  if (!file) return null;
  return { fileId: file.id, name: file.name, line: lineNo, sha256: file.sha256 };
}

/**
 * An entry with what was done when it was posted, the line of the file behind it, and the other
 * entries of the same act.
 */
export function entryHistory(db: Db, id: number): Unread<EntryHistory> | null {
  const entry = entryById(db, id);
  if (!entry) return null;
  const act = actById(db, entry.actId);
  return {
    entry: entryView(db, entry),
    act: act
      ? {
          id: act.id,
          on: act.onDay,
          at: act.at,
          actor: act.actor,
          text: act.text,
          undone: act.undoneBy !== null,
          undoable: act.undoneBy === null && isUndoable(act.kind),
        }
      : null,
    origin: originOfDocument(db, entry.documentKind, entry.documentId),
    others: act && act.kind !== "import" ? entriesBeside(db, act.id, id) : [],
  };
}

function originOfDocument(db: Db, kind: ItemKind, id: number): OriginPlace | null {
  const row = sourceOfDocument(db, kind, id);
  return row ? originOf(db, row.fileId, row.lineNo) : null;
}
