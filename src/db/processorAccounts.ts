import { type Currency } from "@/core/money";

import { type Db } from "./connection";

export type ProcessorAccountRow = {
  id: number;
  code: string;
  name: string;
  currency: Currency;
  delayDays: number;
  descriptor: string | null;
  /** Whether fees are taken with the charges, or billed by the month. */
  feeBilling: "taken" | "monthly";
};

const ACCOUNT =
  "SELECT id, code, name, currency, delay_days AS delayDays, descriptor, fee_billing AS feeBilling FROM processor_account";

export function processorAccounts(db: Db): ProcessorAccountRow[] {
  return db.all<ProcessorAccountRow>(`${ACCOUNT} ORDER BY id`);
}

export function insertProcessorAccount(db: Db, account: Omit<ProcessorAccountRow, "id">): number {
  return db.run(
    "INSERT INTO processor_account (code, name, currency, delay_days, descriptor, fee_billing) VALUES (?, ?, ?, ?, ?, ?)",
    account.code,
    account.name,
    account.currency,
    account.delayDays,
    account.descriptor,
    account.feeBilling,
  ).id;
}
