import { proofs } from "@/server/books/queries/proofs";

import { CHARGES, eachBook, STATEMENT, type TestBook } from "../../tests/support/book";

/** A proof that cannot be off proves nothing: the book is tampered with past its own guards, and taken back again. */
let book: TestBook;
eachBook((made) => {
  book = made;
  book.mustTake("processor", CHARGES);
  book.mustTake("bank", STATEMENT);
  book.must("applyReceipt", {
    receiptId: book.id("receipt", "payer_name LIKE 'Alder%'"),
    customerId: 1,
    lines: [{ itemId: book.id("open_item", "number = '20401'"), amount: 80_000 }],
  });
  book.must("recordReceipt", {
    method: "check",
    number: "118",
    paidOn: "2026-11-20",
    amount: 5000,
    payerName: "Jo Amberley",
    reference: "",
  });
});

const GUARDS = [
  "entry_kept_update",
  "entry_kept_delete",
  "entry_line_kept_update",
  "entry_line_kept_delete",
  "entry_line_kept_insert",
  "posting_kept_delete",
  "posting_kept_update",
  "posting_foots",
];
/** The proofs that are off after some SQL; all of it is rolled back. */
const offAfter = (sql: string): string[] =>
  book.db.rehearse(() => {
    for (const guard of GUARDS) book.db.exec(`DROP TRIGGER ${guard}`);
    book.db.exec("PRAGMA defer_foreign_keys = ON");
    book.db.exec(sql);
    return proofs(book.db)
      .proofs.filter(({ holds }) => !holds)
      .map(({ name }) => name)
      .sort();
  });
const line = (role: string): string =>
  `(entry_id, line_no) = (SELECT l.entry_id, l.line_no FROM entry_line l JOIN account a ON a.id = l.account_id WHERE a.role = '${role}' ORDER BY l.entry_id DESC LIMIT 1)`;

describe("every proof is off when what it proves is", () => {
  it("and none is, where nothing was touched", () => expect(offAfter("SELECT 1")).toEqual([]));
  it.each<[string, string, string[]]>([
    [
      "a line of the journal is changed",
      `UPDATE entry_line SET amount = amount + 1, book_amount = book_amount + 1 WHERE ${line("receivables")}`,
      ["balances", "entries", "receivables"],
    ],
    [
      "lines of two entries are changed by the same sum, so that the journal still foots",
      `UPDATE entry_line SET amount = amount + (CASE WHEN ${line("credits")} THEN -1 ELSE 1 END), book_amount = book_amount + (CASE WHEN ${line("credits")} THEN -1 ELSE 1 END) WHERE ${line("credits")} OR ${line("receivables")}`,
      ["balances", "credits", "entries", "receivables"],
    ],
    [
      "a line is moved to another account",
      `UPDATE entry_line SET account_id = (SELECT id FROM account WHERE role = 'income') WHERE ${line("unidentified")}`,
      ["balances", "unidentified"],
    ],
    [
      "a line is lost",
      `DELETE FROM entry_line WHERE ${line("clearing")}`,
      ["balances", "clearing", "entries"],
    ],
    [
      "an entry never took effect",
      "DELETE FROM posting WHERE first_entry = (SELECT max(first_entry) FROM posting)",
      ["entries"],
    ],
    [
      "an entry has no lines",
      "INSERT INTO entry (event, posted_on, document_kind, document_id, document, act_id) SELECT 'invoice', '2026-11-20', 'open_item', 1, 'x', min(id) FROM act",
      ["entries"],
    ],
    [
      "what is kept by day is changed",
      "UPDATE account_day SET sum = sum + 1 WHERE (account_id, posted_on) = (SELECT account_id, posted_on FROM account_day LIMIT 1)",
      ["balances"],
    ],
    [
      "an invoice's balance is",
      "UPDATE open_item SET balance = balance - 1 WHERE number = '20402'",
      ["applications", "receivables"],
    ],
    [
      "two invoices' balances are, by the same sum",
      "UPDATE open_item SET balance = balance + (CASE number WHEN '20402' THEN -100 ELSE 0 END) WHERE number = '20402'; UPDATE open_item SET opened = opened + 100, balance = balance + 100 WHERE number = '20405'",
      ["applications", "receivables"],
    ],
    [
      "a receipt's parts are",
      "UPDATE receipt SET on_account = on_account - 1, unidentified = unidentified + 1 WHERE payer_name LIKE 'Alder%'",
      ["credits", "unidentified"],
    ],
    ["an application is", "UPDATE application SET amount = amount + 1", ["applications"]],
    [
      "a processor's line is",
      "UPDATE processor_item SET amount = amount + 1 WHERE kind = 'charge' AND payout_id IS NOT NULL AND id = (SELECT min(id) FROM processor_item)",
      ["clearing", "payouts"],
    ],
    [
      "a processor's line is lost",
      "UPDATE processor_item SET withdrawn = 1 WHERE id = (SELECT min(id) FROM processor_item)",
      ["clearing", "payouts"],
    ],
    ["a payout is", "UPDATE payout SET net = net + 1 WHERE state = 'tied'", ["payouts"]],
    ["a tie is", "UPDATE payout_tie SET amount = amount + 1", ["clearing", "payouts"]],
    [
      "a bank line that was explained is open again",
      "UPDATE bank_line SET state = 'open' WHERE state = 'payout'",
      ["bank"],
    ],
    [
      "a check on hand is gone",
      "UPDATE receipt SET hand_state = 'banked' WHERE method = 'check'",
      ["on_hand"],
    ],
  ])("%s", (_case, sql, off) => expect(offAfter(sql)).toEqual(off));
});
