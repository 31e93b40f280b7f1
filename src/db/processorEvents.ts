import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

/** Notes an event of a processor; whether it is new. */
export const insertProcessorEvent = (
  db: Db,
  { id, account, on, at }: { id: string; account: string; on: Day; at: string },
): boolean =>
  db.run(
    "INSERT OR IGNORE INTO processor_event (id, account, on_day, came_at) VALUES (?, ?, ?, ?)",
    id,
    account,
    on,
    at,
  ).changes > 0;

export const wasHeard = (db: Db, id: string): boolean =>
  db.get("SELECT 1 FROM processor_event WHERE id = ?", id) !== undefined;
