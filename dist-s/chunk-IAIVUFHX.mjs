// src/db/gathered.ts
var RECEIPTS = {
  table: "receipt",
  columns: [
    ...["source", "method", "paid_on", "settled_on", "currency", "amount", "payer_name"],
    ...["payer_email", "reference", "state", "unidentified", "file_id", "line_no", "number"],
    "hand_state"
  ],
  isNumbered: true
};
var PROCESSOR_ITEMS = {
  table: "processor_item",
  columns: [
    ...["processor_account_id", "external_id", "kind", "occurred_on", "settled_on", "currency"],
    ...["amount", "payout_id", "receipt_id", "related_id", "origin", "reason", "settled_state"],
    ...["return_code", "answer_by", "brand", "abroad", "file_id", "line_no"]
  ],
  isNumbered: true
};
var ENTRIES = {
  table: "entry",
  columns: [
    ...["event", "posted_on", "document_kind", "document_id", "document", "customer_id"],
    ...["act_id", "reverses", "dated_for"]
  ],
  isNumbered: true
};
var ENTRY_LINES = {
  table: "entry_line",
  columns: [
    ...["entry_id", "line_no", "account_id", "currency", "amount", "book_amount"],
    ...["item_kind", "item_id"]
  ],
  isNumbered: false
};
var POSTINGS = {
  table: "posting",
  columns: ["first_entry", "last_entry"],
  isNumbered: false,
  isRun: true
};
var ACTIVITY_TABLES = [
  RECEIPTS,
  PROCESSOR_ITEMS,
  ENTRIES,
  ENTRY_LINES,
  POSTINGS
];

export {
  RECEIPTS,
  PROCESSOR_ITEMS,
  ENTRIES,
  ENTRY_LINES,
  POSTINGS,
  ACTIVITY_TABLES
};
