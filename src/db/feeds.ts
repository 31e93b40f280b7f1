import { addDays, type Day } from "@/core/calendar";
import { type FeedReach, reachOf } from "@/core/followup";

import type { Db } from "./connection";

/** Days back in which an account's habit is looked for. */
const HABIT_DAYS = 180;

type ActiveDay = { account: string; on: Day };

/**
 * How far what was taken in reaches, account by account: the last day on which something happened in
 * it, whenever the file itself came, and how long it is silent as a rule. What lies after today is a
 * date of the future, not news of it.
 */
export function feedReach(db: Db, today: Day): FeedReach[] {
  const from = addDays(today, -HABIT_DAYS);
  const processors = db.all<ActiveDay>(
    `SELECT DISTINCT a.name AS account, seen.on_day AS 'on'
     FROM processor_account a
     JOIN (
       SELECT processor_account_id AS id, occurred_on AS on_day
       FROM processor_item
       WHERE file_id IS NOT NULL AND occurred_on BETWEEN ?1 AND ?2
       UNION ALL
       SELECT processor_account_id, started_on
       FROM ach_started
       WHERE started_on BETWEEN ?1 AND ?2
     ) seen ON seen.id = a.id
     ORDER BY seen.on_day`,
    from,
    today,
  );
  const banks = db.all<ActiveDay>(
    `SELECT DISTINCT a.name AS account, l.posted_on AS 'on'
     FROM bank_line l
     JOIN bank_account a ON a.id = l.bank_account_id
     WHERE l.posted_on BETWEEN ? AND ?
     ORDER BY l.posted_on`,
    from,
    today,
  );
  return [...reachOf("processor", processors), ...reachOf("bank", banks)];
}
