import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { BankLineRow } from "./bank";
import type { Db } from "./connection";

export type TreatAs = "elsewhere" | "receipt" | "payout";
export type BankRuleRow = {
  id: number;
  /** Null: of every account. */
  bankAccountId: number | null;
  contains: string;
  sign: "in" | "out" | "both";
  /** Bounds of the sum, whichever way it went; null: none. */
  least: Minor | null;
  most: Minor | null;
  treatAs: TreatAs;
  accountId: number | null;
};
const RULE =
  "SELECT id, bank_account_id AS bankAccountId, contains, sign, least, most, treat_as AS treatAs, account_id AS accountId FROM bank_rule";

/** The rules for an account, the narrowest first: by words, then by bounds of sums, then by account. */
export function bankRules(db: Db, bankAccountId: number): BankRuleRow[] {
  return db.all<BankRuleRow>(
    `${RULE} WHERE bank_account_id = ? OR bank_account_id IS NULL
     ORDER BY length(contains) DESC, (least IS NULL) + (most IS NULL), bank_account_id IS NULL, id`,
    bankAccountId,
  );
}

/** All rules, those that take the most words first. */
export const allBankRules = (db: Db): BankRuleRow[] =>
  db.all<BankRuleRow>(`${RULE} ORDER BY length(contains) DESC, id`);

/** Whether a rule has been made and not ended. */
export function isBankRule(db: Db, id: number): boolean {
  return db.get("SELECT 1 FROM bank_rule WHERE id = ?", id) !== undefined;
}

/** Keeps a rule; one of the same words, way, bounds and account is taken over. */
export function insertBankRule(db: Db, rule: Omit<BankRuleRow, "id">): number {
  const { bankAccountId, contains, sign, least, most, treatAs, accountId } = rule;
  const known = db.get<{ id: number }>(
    "SELECT id FROM bank_rule WHERE bank_account_id IS ? AND contains = ? AND sign = ? AND least IS ? AND most IS ?",
    bankAccountId,
    contains,
    sign,
    least,
    most,
  );
  if (known) {
    const change = "UPDATE bank_rule SET treat_as = ?, account_id = ? WHERE id = ?";
    db.run(change, treatAs, accountId, known.id);
    return known.id;
  }
  return db.run(
    "INSERT INTO bank_rule (bank_account_id, contains, sign, least, most, treat_as, account_id) VALUES (?, ?, ?, ?, ?, ?, ?)",
    bankAccountId,
    contains,
    sign,
    least,
    most,
    treatAs,
    accountId,
  ).id;
}

export function deleteBankRule(db: Db, id: number): void {
  db.run("UPDATE bank_line SET rule_id = NULL WHERE rule_id = ?", id);
  db.run("DELETE FROM bank_rule WHERE id = ?", id);
}

/** A line that a rule fits, and what it is. */
export type LikeLine = Pick<BankLineRow, "id" | "description" | "amount" | "state"> & {
  postedOn: Day;
};

/** The lines that came until now and that a rule fits, newest first, at most so many; and how many are what. */
export function linesLike(
  db: Db,
  rule: Omit<BankRuleRow, "id" | "treatAs" | "accountId">,
  most: number,
): { lines: LikeLine[]; counts: { state: BankLineRow["state"]; count: number }[] } {
  const { bankAccountId, contains, sign } = rule;
  const ways = { in: "amount > 0", out: "amount < 0", both: "1" };
  const from = `FROM bank_line WHERE (?1 IS NULL OR bank_account_id = ?1) AND instr(lower(description), lower(?2)) > 0
    AND ${ways[sign]} AND (?3 IS NULL OR abs(amount) >= ?3) AND (?4 IS NULL OR abs(amount) <= ?4)`;
  const values = [bankAccountId, contains, rule.least, rule.most] as const;
  return {
    lines: db.all<LikeLine>(
      `SELECT id, posted_on AS postedOn, description, amount, state ${from} ORDER BY posted_on DESC, id DESC LIMIT ?5`,
      ...values,
      most,
    ),
    counts: db.all(
      `SELECT state, count(*) AS count ${from} GROUP BY state ORDER BY 2 DESC`,
      ...values,
    ),
  };
}
