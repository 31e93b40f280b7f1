import type { ClearingFacts } from "@/contracts/payouts";
import type { Day } from "@/core/calendar";
import { sumOf } from "@/core/money";
import { clearingAsOf, type ClearingItem } from "@/db/clearing";
import type { Db } from "@/db/connection";
import { balancesAsOf } from "@/db/journal";
import { processorAccounts } from "@/db/processorAccounts";

const PAGE_ROWS = 200;

/** Clearing item by item as of a day: what was taken until then and reached the bank after it, if at all. */
export function clearingPageOf(db: Db, asOf: Day, page: number): ClearingFacts {
  const items = clearingAsOf(db, asOf);
  const balances = balancesAsOf(db, asOf).filter(({ role }) => role === "clearing");
  return {
    asOf,
    count: items.length,
    sum: sumOf(items, ({ book }) => book),
    page,
    pageRows: PAGE_ROWS,
    accounts: processorAccounts(db).map(({ code, name }) => ({
      name,
      items: sumOf(
        items.filter(({ processorAccount }) => processorAccount === code),
        ({ book }) => book,
      ),
      ledger: sumOf(
        balances.filter(({ of }) => of === code),
        ({ balance }) => balance,
      ),
    })),
    rows: items.slice((page - 1) * PAGE_ROWS, page * PAGE_ROWS).map((item) => ({
      id: item.id,
      postedOn: item.postedOn,
      what: `${item.kind.replaceAll("_", " ")} ${item.externalId}`,
      from: item.payer ?? "",
      account: item.processorAccount,
      payout: item.payout,
      bankedOn: item.bankedOn,
      amount: item.amount,
      currency: item.currency,
      href: hrefOf(item),
    })),
  };
}

function hrefOf(item: ClearingItem): string {
  if (item.receiptId !== null) return `receipts/${item.receiptId}`;
  if (item.payoutId !== null) return `payouts/${item.payoutId}`;
  return "books?proof=clearing";
}
