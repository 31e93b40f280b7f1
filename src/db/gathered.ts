import type { Gathering } from "./pending";

/* The tables that a large file fills, each with the columns that a new row is given. */

export const RECEIPTS: Gathering = {
  table: "receipt",
  columns: [
    ...["source", "method", "paid_on", "settled_on", "currency", "amount", "payer_name"],
    ...["payer_email", "reference", "state", "unidentified", "file_id", "line_no", "number"],
    "hand_state",
  ],
  isNumbered: true,
};

export const PROCESSOR_ITEMS: Gathering = {
  table: "processor_item",
  columns: [
    ...["processor_account_id", "external_id", "kind", "occurred_on", "settled_on", "currency"],
    ...["amount", "payout_id", "receipt_id", "related_id", "origin", "reason", "settled_state"],
    ...["return_code", "answer_by", "brand", "abroad", "file_id", "line_no"],
  ],
  isNumbered: true,
};

export const ENTRIES: Gathering = {
  table: "entry",
  columns: [
    ...["event", "posted_on", "document_kind", "document_id", "document", "customer_id"],
    ...["act_id", "reverses", "dated_for"],
  ],
  isNumbered: true,
};

export const ENTRY_LINES: Gathering = {
  table: "entry_line",
  columns: [
    ...["entry_id", "line_no", "account_id", "currency", "amount", "book_amount"],
    ...["item_kind", "item_id"],
  ],
  isNumbered: false,
};

/** Entries that take effect, from the first to the last. */
export const POSTINGS: Gathering = {
  table: "posting",
  columns: ["first_entry", "last_entry"],
  isNumbered: false,
  isRun: true,
};

/** A table before those that name it, and lines before the posting that they foot for. */
export const ACTIVITY_TABLES: readonly Gathering[] = [
  RECEIPTS,
  PROCESSOR_ITEMS,
  ENTRIES,
  ENTRY_LINES,
  POSTINGS,
];
