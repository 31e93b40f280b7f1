import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

export type BankAccountRow = {
  id: number;
  code: string;
  name: string;
  currency: Currency;
  lastFour: string | null;
  openingBalance: Minor;
};

export function bankAccounts(db: Db): BankAccountRow[] {
  return db.all<BankAccountRow>(
    "SELECT id, code, name, currency, last_four AS lastFour, opening_balance AS openingBalance FROM bank_account ORDER BY id",
  );
}

export function insertBankAccount(db: Db, account: Omit<BankAccountRow, "id">): number {
  return db.run(
    "INSERT INTO bank_account (code, name, currency, last_four, opening_balance) VALUES (?, ?, ?, ?, ?)",
    account.code,
    account.name,
    account.currency,
    account.lastFour,
    account.openingBalance,
  ).id;
}

export type BankLineState =
  "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce" | "fee_bill" | "refund";
export type BankLineRow = {
  id: number;
  bankAccountId: number;
  externalId: string;
  postedOn: Day;
  currency: Currency;
  amount: Minor;
  description: string;
  state: BankLineState;
  receiptId: number | null;
  ruleId: number | null;
  balanceAfter: Minor | null;
  fileId: number | null;
  lineNo: number | null;
};
const LINE = `SELECT id, bank_account_id AS bankAccountId, external_id AS externalId, posted_on AS postedOn, currency, amount, description, state, receipt_id AS receiptId, rule_id AS ruleId, balance_after AS balanceAfter,
  file_id AS fileId, line_no AS lineNo FROM bank_line`;

export function bankLineById(db: Db, id: number): BankLineRow | undefined {
  return db.get<BankLineRow>(`${LINE} WHERE id = ?`, id);
}

export function bankLineByExternalId(
  db: Db,
  bankAccountId: number,
  externalId: string,
): BankLineRow | undefined {
  return db.get<BankLineRow>(
    `${LINE} WHERE bank_account_id = ? AND external_id = ?`,
    bankAccountId,
    externalId,
  );
}

/** Lines of an account from one day to another, both with it, in the order in which they came. */
export function bankLinesBetween(
  db: Db,
  bankAccountId: number,
  [from, to]: readonly [Day, Day],
): BankLineRow[] {
  return db.all<BankLineRow>(
    `${LINE} WHERE bank_account_id = ? AND posted_on BETWEEN ? AND ? ORDER BY id`,
    bankAccountId,
    from,
    to,
  );
}

/** The name of another account that has a line of an id; undefined where none has. */
export function idInOtherBankAccount(
  db: Db,
  bankAccountId: number,
  externalId: string,
): string | undefined {
  return db.get<{ name: string }>(
    `SELECT a.name FROM bank_account a
     WHERE a.id <> ? AND EXISTS (
       SELECT 1 FROM bank_line l WHERE l.bank_account_id = a.id AND l.external_id = ?
     )`,
    bankAccountId,
    externalId,
  )?.name;
}

export function bankLineOfReceipt(db: Db, receiptId: number): BankLineRow | undefined {
  return db.get<BankLineRow>(`${LINE} WHERE receipt_id = ?`, receiptId);
}

export function openBankLines(db: Db): BankLineRow[] {
  return db.all<BankLineRow>(`${LINE} WHERE state = 'open' ORDER BY posted_on, id`);
}

export function insertBankLine(
  db: Db,
  line: Omit<BankLineRow, "id" | "state" | "receiptId" | "ruleId">,
): number {
  return db.run(
    "INSERT INTO bank_line (bank_account_id, external_id, posted_on, currency, amount, description, state, balance_after, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, 'open', ?, ?, ?)",
    line.bankAccountId,
    line.externalId,
    line.postedOn,
    line.currency,
    line.amount,
    line.description,
    line.balanceAfter,
    line.fileId,
    line.lineNo,
  ).id;
}

type BankLineChange = {
  id: number;
  state: BankLineState;
  receiptId?: number | null;
  ruleId?: number | null;
};

export function setBankLineState(
  db: Db,
  { id, state, receiptId = null, ruleId = null }: BankLineChange,
): void {
  db.run(
    "UPDATE bank_line SET state = ?, receipt_id = ?, rule_id = ? WHERE id = ?",
    state,
    receiptId,
    ruleId,
    id,
  );
}

export function bankLinePage(
  db: Db,
  filter: { state: BankLineState | null; text: string | null; limit: number; offset: number },
): { rows: BankLineRow[]; count: number; sum: Minor } {
  const where =
    "WHERE (?1 IS NULL OR state = ?1) AND (?2 IS NULL OR description LIKE '%' || ?2 || '%')";
  const rows = db.all<BankLineRow>(
    `${LINE} ${where} ORDER BY posted_on DESC, id DESC LIMIT ?3 OFFSET ?4`,
    filter.state,
    filter.text,
    filter.limit,
    filter.offset,
  );
  const sums = db.get<{ n: number; sum: Minor }>(
    `SELECT count(*) AS n, coalesce(sum(amount), 0) AS sum FROM bank_line ${where}`,
    filter.state,
    filter.text,
  );
  return { rows, count: sums?.n ?? 0, sum: sums?.sum ?? (0 as Minor) };
}

/** Lines that reached the bank as payouts, by day, for the band of days. */
export function payoutLinesByDay(db: Db, from: Day, to: Day): { on: Day; sum: Minor }[] {
  return db.all(
    "SELECT posted_on AS 'on', sum(amount) AS sum FROM bank_line WHERE state = 'payout' AND posted_on BETWEEN ? AND ? GROUP BY posted_on",
    from,
    to,
  );
}

export function lastStatementDay(db: Db): Day | null {
  return db.get<{ day: Day | null }>("SELECT max(posted_on) AS day FROM bank_line")?.day ?? null;
}

/**
 * Where a statement that carries balances does not follow from the line before
 * it: the balance after a line is not the one before plus its amount.
 */
export function statementGaps(db: Db): { count: number; sum: Minor } {
  const row = db.get<{ n: number; gap: Minor }>(
    `SELECT count(*) AS n, coalesce(sum(gap), 0) AS gap FROM (
       SELECT sum(l.amount) OVER (PARTITION BY l.bank_account_id ORDER BY l.posted_on, l.id) + a.opening_balance - l.balance_after AS gap,
              row_number() OVER (PARTITION BY l.bank_account_id ORDER BY l.posted_on DESC, l.id DESC) AS last, l.balance_after
       FROM bank_line l JOIN bank_account a ON a.id = l.bank_account_id) WHERE last = 1 AND balance_after IS NOT NULL AND gap <> 0`,
  );
  return { count: row?.n ?? 0, sum: row?.gap ?? (0 as Minor) };
}

/** Small debits near a line, on its account: what the bank may have taken for it. At most ten. */
export function smallDebitsBeside(
  db: Db,
  line: BankLineRow,
  atMost: number,
): { id: number; description: string; amount: Minor }[] {
  return db.all(
    `SELECT id, description, amount FROM bank_line
     WHERE state = 'open' AND bank_account_id = ? AND id <> ? AND amount < 0 AND amount >= ?
       AND posted_on BETWEEN date(?, '-3 days') AND date(?, '+3 days')
     ORDER BY posted_on, id
     LIMIT 10`,
    line.bankAccountId,
    line.id,
    -atMost,
    line.postedOn,
    line.postedOn,
  );
}

/** The lines by which a receipt's check bounced. */
export function bounceLinesOf(db: Db, receiptId: number): number[] {
  return db
    .all<{ id: number }>(
      "SELECT id FROM bank_line WHERE state = 'bounce' AND receipt_id = ?",
      receiptId,
    )
    .map(({ id }) => id);
}

/** The bank line that a receipt was found on. */
export function lineOfReceipt(
  db: Db,
  receiptId: number,
): { on: Day; amount: Minor; description: string } | undefined {
  return db.get(
    "SELECT posted_on AS 'on', amount, description FROM bank_line WHERE receipt_id = ?",
    receiptId,
  );
}

/** Lines that are explained, by month and what they are, newest first. */
export function explainedLinesByMonth(
  db: Db,
): { state: string; month: string; sum: Minor; count: number }[] {
  return db.all(
    `SELECT state, substr(posted_on, 1, 7) AS month, sum(amount) AS sum, count(*) AS count
     FROM bank_line
     WHERE state <> 'open'
     GROUP BY 2, 1
     ORDER BY 2 DESC, 1`,
  );
}
