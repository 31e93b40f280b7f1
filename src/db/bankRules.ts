import type { Db } from "./connection";

export type TreatAs = "elsewhere" | "receipt" | "payout";
export type BankRuleRow = {
  id: number;
  bankAccountId: number;
  contains: string;
  sign: "in" | "out" | "both";
  treatAs: TreatAs;
  accountId: number | null;
};
const RULE =
  "SELECT id, bank_account_id AS bankAccountId, contains, sign, treat_as AS treatAs, account_id AS accountId FROM bank_rule";

export function bankRules(db: Db, bankAccountId: number): BankRuleRow[] {
  return db.all<BankRuleRow>(
    `${RULE} WHERE bank_account_id = ? ORDER BY length(contains) DESC, id`,
    bankAccountId,
  );
}

/** Whether a rule has been made and not ended. */
export function isBankRule(db: Db, id: number): boolean {
  return db.get("SELECT 1 FROM bank_rule WHERE id = ?", id) !== undefined;
}

export function insertBankRule(db: Db, rule: Omit<BankRuleRow, "id">): number {
  return db.run(
    `INSERT INTO bank_rule (bank_account_id, contains, sign, treat_as, account_id) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (bank_account_id, contains, sign) DO UPDATE SET treat_as = excluded.treat_as, account_id = excluded.account_id`,
    rule.bankAccountId,
    rule.contains,
    rule.sign,
    rule.treatAs,
    rule.accountId,
  ).id;
}

export function deleteBankRule(db: Db, id: number): void {
  db.run("UPDATE bank_line SET rule_id = NULL WHERE rule_id = ?", id);
  db.run("DELETE FROM bank_rule WHERE id = ?", id);
}
