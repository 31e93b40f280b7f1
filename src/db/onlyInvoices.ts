import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** Whole invoices of single customers who owe nothing else, between two sums; the oldest first. */
export function onlyInvoices(
  db: Db,
  { least, most, limit }: { least: number; most: number; limit: number },
): { id: number; number: string; customerId: number; name: string; balance: Minor }[] {
  return db.all(
    `SELECT i.id, i.number, i.customer_id AS customerId, c.name, i.balance
     FROM open_item i
     JOIN customer c ON c.id = i.customer_id
     WHERE i.kind = 'invoice' AND i.balance BETWEEN ? AND ? AND i.balance = i.total
       AND c.parent_id IS NULL
     GROUP BY c.id
     HAVING count(*) = 1
     ORDER BY i.due_on, i.id
     LIMIT ?`,
    least,
    most,
    limit,
  );
}
