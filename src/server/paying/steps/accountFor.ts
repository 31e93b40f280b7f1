import type { Currency } from "@/core/money";
import type { WayToPay } from "@/core/paying";
import type { Db } from "@/db/connection";
import { type ProcessorAccountRow, processorAccounts } from "@/db/processorAccounts";

/** The codes of the accounts that take each way. */
const USUAL: Readonly<Record<WayToPay, string>> = { card: "card", bank: "ach" };

/** The processor account that takes a way of paying in a currency; undefined where the book has none. */
export const accountForWay = (
  db: Db,
  way: WayToPay,
  currency: Currency,
): ProcessorAccountRow | undefined =>
  processorAccounts(db).find(
    (account) => account.code === USUAL[way] && account.currency === currency,
  );
