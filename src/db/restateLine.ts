import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** The bank tells a line with another sum, of which nothing was done yet. */
export function restateLine(
  db: Db,
  id: number,
  { amount, balanceAfter }: { amount: Minor; balanceAfter: Minor | null },
): void {
  db.run(
    "UPDATE bank_line SET amount = ?, balance_after = coalesce(?, balance_after) WHERE id = ? AND state = 'open'",
    amount,
    balanceAfter,
    id,
  );
}
