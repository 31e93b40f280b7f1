import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** The bank tells a line with another sum or day, of which nothing was done yet. */
export function restateLine(
  db: Db,
  id: number,
  { amount, postedOn, balanceAfter }: { amount: Minor; postedOn: Day; balanceAfter: Minor | null },
): void {
  db.run(
    "UPDATE bank_line SET amount = ?, posted_on = ?, balance_after = coalesce(?, balance_after) WHERE id = ? AND state = 'open'",
    amount,
    postedOn,
    balanceAfter,
    id,
  );
}
