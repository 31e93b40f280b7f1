import type { Db } from "./connection";

/**
 * What is billed again and again; `rate`: decimal text; `incomeOf`: the key of its income account;
 * `months`: over how many months its income is earned, 1 for at once.
 */
export type ItemRow = {
  code: string;
  description: string;
  rate: string;
  taxCode: string | null;
  incomeOf: string | null;
  months: number;
};

const ITEM =
  "SELECT code, description, rate, tax_code AS taxCode, income_of AS incomeOf, months FROM item";

export function items(db: Db): ItemRow[] {
  return db.all<ItemRow>(`${ITEM} ORDER BY code`);
}

export function setItem(db: Db, item: ItemRow): void {
  db.run(
    `INSERT INTO item (code, description, rate, tax_code, income_of, months) VALUES (?1, ?2, ?3, ?4, ?5, ?6)
     ON CONFLICT (code) DO UPDATE SET description = ?2, rate = ?3, tax_code = ?4, income_of = ?5, months = ?6`,
    item.code,
    item.description,
    item.rate,
    item.taxCode,
    item.incomeOf,
    item.months,
  );
}

export function deleteItem(db: Db, code: string): void {
  db.run("DELETE FROM item WHERE code = ?", code);
}
