import { addDays, type Day } from "@/core/calendar";
import { type ActiveDay, type FeedReach, reachOf } from "@/core/followup";

import type { Db } from "./connection";

/** Days back in which an account's habit is looked for. */
const HABIT_DAYS = 180;

/**
 * How far what was taken in reaches, account by account: the last day on which something happened in
 * it, whenever the file itself came, and how long it is silent as a rule. What lies after today is a
 * date of the future, not news of it.
 */
export function feedReach(db: Db, today: Day): FeedReach[] {
  const from = addDays(today, -HABIT_DAYS);
  const processors = db.all<ActiveDay>(
    `SELECT a.id, a.name AS account, i.occurred_on AS 'on'
     FROM processor_account a
     CROSS JOIN processor_item i ON i.processor_account_id = a.id
     WHERE i.file_id IS NOT NULL AND i.occurred_on BETWEEN ?1 AND ?2
     UNION
     SELECT a.id, a.name, s.started_on
     FROM processor_account a
     JOIN ach_started s ON s.processor_account_id = a.id
     WHERE s.started_on BETWEEN ?1 AND ?2
     ORDER BY 3`,
    from,
    today,
  );
  const banks = db.all<ActiveDay>(
    `SELECT DISTINCT a.id, a.name AS account, l.posted_on AS 'on'
     FROM bank_account a
     CROSS JOIN bank_line l ON l.bank_account_id = a.id
     WHERE l.posted_on BETWEEN ? AND ?
     ORDER BY 3`,
    from,
    today,
  );
  return [...reachOf("processor", processors), ...reachOf("bank", banks)];
}
