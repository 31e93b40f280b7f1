import type { Day } from "@/core/calendar";
import type { FeedReach } from "@/core/followup";

import type { Db } from "./connection";

/**
 * How far what was taken in reaches, account by account: the last day on which something happened in
 * it, whenever the file itself came. What lies after today is a date of the future, not news of it.
 */
export function feedReach(db: Db, today: Day): FeedReach[] {
  const processors = db.all<Omit<FeedReach, "feed">>(
    `SELECT a.name AS account, max(seen.on_day) AS 'to'
     FROM processor_account a
     JOIN (
       SELECT processor_account_id AS id, max(occurred_on) AS on_day
       FROM processor_item
       WHERE file_id IS NOT NULL AND occurred_on <= ?1
       GROUP BY processor_account_id
       UNION ALL
       SELECT processor_account_id, max(started_on)
       FROM ach_started
       WHERE started_on <= ?1
       GROUP BY processor_account_id
     ) seen ON seen.id = a.id
     GROUP BY a.id`,
    today,
  );
  const banks = db.all<Omit<FeedReach, "feed">>(
    `SELECT a.name AS account, max(l.posted_on) AS 'to'
     FROM bank_line l
     JOIN bank_account a ON a.id = l.bank_account_id
     WHERE l.posted_on <= ?
     GROUP BY a.id`,
    today,
  );
  return [
    ...processors.map((reach) => ({ feed: "processor" as const, ...reach })),
    ...banks.map((reach) => ({ feed: "bank" as const, ...reach })),
  ];
}
