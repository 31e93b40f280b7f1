import type { TaxCode } from "@/core/invoices";

import type { Db } from "./connection";

export function taxCodes(db: Db): TaxCode[] {
  return db.all<TaxCode>("SELECT code, percent, category, note FROM tax_code ORDER BY code");
}

export function insertTaxCode(db: Db, tax: TaxCode): void {
  db.run(
    "INSERT INTO tax_code (code, percent, category, note) VALUES (?, ?, ?, ?)",
    tax.code,
    tax.percent,
    tax.category,
    tax.note,
  );
}
