import type { Db } from "@/db/connection";
import { hasPaidBy } from "@/db/payments";
import type { PayMethodRow } from "@/db/payMethods";
import type { Settings } from "@/db/settings";

/**
 * Whether a way may be used as far as its proof goes: a bank account is looked into before the first
 * debit from it where the book asks for that, and not again (Nacha Operating Rules, account
 * validation of WEB debits, in force since 19 March 2021).
 */
export const isProven = (
  db: Db,
  { provenAccounts }: Pick<Settings, "provenAccounts">,
  { id, way, proven }: Pick<PayMethodRow, "id" | "way" | "proven">,
): boolean => !provenAccounts || way === "card" || proven === 1 || hasPaidBy(db, id);
