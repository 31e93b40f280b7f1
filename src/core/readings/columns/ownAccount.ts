import { headWords, type Table } from "@/core/formats";

import { MOST_LOOKED_AT } from "./contents";

/** Heads of accounts, which may be those of customers or those of the business's own books. */
const ACCOUNT = /^(?:account|acct)(?: (?:code|no|number|id))?$/;
/** Heads of whoever buys. */
const BUYER = /^(?:contact|customer|client|debtor)(?: (?:full )?name)?$/;

/**
 * Whether a column of accounts is none of customers: one of its accounts stands beside two different
 * customers, as an account of the ledger does.
 */
export function isOwnAccount({ headers, rows }: Table, head: string): boolean {
  const buyer = headers.findIndex((other) => other !== head && BUYER.test(headWords(other)));
  const own = headers.indexOf(head);
  if (!ACCOUNT.test(headWords(head)) || buyer < 0 || own < 0) return false;
  const buyerOf = new Map<string, string>();
  return rows.slice(0, MOST_LOOKED_AT).some(({ cells }) => {
    const [account, name] = [own, buyer].map((at) => (cells[at] ?? "").trim());
    if (!account || !name) return false;
    const before = buyerOf.get(account);
    buyerOf.set(account, name);
    return before !== undefined && before !== name;
  });
}
