import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

type Told = { openItemId: number; amount: Minor; onDay: Day; actId: number };

export function insertSumTold(db: Db, { openItemId, amount, onDay, actId }: Told): void {
  db.run(
    "INSERT INTO sum_told (open_item_id, amount, on_day, act_id) VALUES (?, ?, ?, ?)",
    openItemId,
    amount,
    onDay,
    actId,
  );
}

/**
 * The first day on which a customer was told what of an item is owed and when: by the invoice that
 * was mailed to it, or by a word on the sum that is taken. Null where it never was. A letter that
 * came back told nobody.
 */
export const toldOn = (db: Db, itemId: number, amount: Minor): Day | null =>
  db.get<{ onDay: Day | null }>(
    `SELECT min(on_day) AS onDay FROM (
       SELECT on_day FROM sum_told WHERE open_item_id = ? AND amount = ?
       UNION ALL
       SELECT l.on_day FROM letter_item i JOIN letter l ON l.id = i.letter_id
       WHERE i.open_item_id = ? AND i.balance = ? AND l.came_back IS NULL)`,
    itemId,
    amount,
    itemId,
    amount,
  )?.onDay ?? null;

/** What was taken last of a customer as agreed, in a currency; null where nothing was. */
export const lastTaken = (db: Db, customerId: number, currency: string): Minor | null =>
  db.get<{ amount: Minor }>(
    `SELECT amount FROM payment WHERE customer_id = ? AND currency = ? AND by = 'agreed' AND state IN ('paid', 'on_way')
     ORDER BY id DESC LIMIT 1`,
    customerId,
    currency,
  )?.amount ?? null;
