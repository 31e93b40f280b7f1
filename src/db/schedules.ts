import type { Day, Every, Unit } from "@/core/calendar";
import type { PastPeriod, Period, Plan } from "@/core/invoices";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

export type ScheduleState = "running" | "paused" | "ended";
export type ScheduleMakes = "draft" | "approved" | "sent";

export type ScheduleRow = {
  id: number;
  customerId: number;
  name: string;
  state: ScheduleState;
  plan: Plan;
  prorated: boolean;
  makes: ScheduleMakes;
  /** The next period, and the day it is written on; null where none comes any more. */
  nextNo: number;
  nextOn: Day | null;
  failedOn: Day | null;
  failedWords: string | null;
  writtenBy: string;
  version: number;
};

/** What a schedule bills from a day on; `draft`: JSON of what is written, without its days. */
export type ScheduleContent = { fromDay: Day; draft: string; total: Minor };

type Stored = Omit<ScheduleRow, "plan" | "prorated"> & {
  countedFrom: Day;
  startsOn: Day;
  everyCount: number;
  everyUnit: Unit;
  monthEnd: number;
  until: Day | null;
  times: number | null;
  ahead: number;
  prorated: number;
};

const SCHEDULE = `
  SELECT id, customer_id AS customerId, name, state, counted_from AS countedFrom,
    starts_on AS startsOn, every_count AS everyCount, every_unit AS everyUnit,
    month_end AS monthEnd, until, times, ahead, prorated, makes, next_no AS nextNo,
    next_on AS nextOn, failed_on AS failedOn, failed_words AS failedWords,
    written_by AS writtenBy, version
  FROM schedule`;

function asRow(stored: Stored): ScheduleRow {
  const { countedFrom, startsOn, everyCount, everyUnit, monthEnd, until, times, ahead, ...rest } =
    stored;
  const every: Every = { count: everyCount, unit: everyUnit, monthEnd: monthEnd === 1 };
  return {
    ...rest,
    prorated: stored.prorated === 1,
    plan: { countedFrom, startsOn, every, until, times, ahead },
  };
}

export function scheduleById(db: Db, id: number): ScheduleRow | undefined {
  const row = db.get<Stored>(`${SCHEDULE} WHERE id = ?`, id);
  return row && asRow(row);
}

/** All schedules, the next to write first; what has ended comes last. */
export function allSchedules(db: Db): ScheduleRow[] {
  return db
    .all<Stored>(`${SCHEDULE} ORDER BY state = 'ended', next_on IS NULL, next_on, id`)
    .map(asRow);
}

/** Schedules that have something to write by a day; one that failed today is not tried again today. */
export function schedulesDue(db: Db, today: Day, most: number): ScheduleRow[] {
  return db
    .all<Stored>(
      `${SCHEDULE} WHERE state = 'running' AND next_on <= ?1
         AND (failed_on IS NULL OR failed_on < ?1)
       ORDER BY next_on, id LIMIT ?2`,
      today,
      most,
    )
    .map(asRow);
}

type Written = Omit<ScheduleRow, "id" | "version" | "failedOn" | "failedWords">;

const valuesOf = ({ plan, ...row }: Written): (string | number | null)[] => [
  row.customerId,
  row.name,
  row.state,
  plan.countedFrom,
  plan.startsOn,
  plan.every.count,
  plan.every.unit,
  Number(plan.every.monthEnd),
  plan.until,
  plan.times,
  plan.ahead,
  Number(row.prorated),
  row.makes,
  row.nextNo,
  row.nextOn,
  row.writtenBy,
];
const WRITTEN = `customer_id, name, state, counted_from, starts_on, every_count, every_unit,
  month_end, until, times, ahead, prorated, makes, next_no, next_on, written_by`;

export function insertSchedule(db: Db, row: Written): number {
  return db.run(
    `INSERT INTO schedule (${WRITTEN}) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    ...valuesOf(row),
  ).id;
}

/** Writes a schedule over; what failed before is to be tried again. */
export function changeSchedule(db: Db, id: number, row: Written): void {
  db.run(
    `UPDATE schedule SET (${WRITTEN}) = (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?),
       failed_on = NULL, failed_words = NULL, version = version + 1
     WHERE id = ?`,
    ...valuesOf(row),
    id,
  );
}

/** How far a schedule has come; null: nothing comes any more, and it has ended. */
export function moveOn(db: Db, id: number, next: { no: number; on: Day | null }): void {
  db.run(
    `UPDATE schedule SET next_no = ?1, next_on = ?2, failed_on = NULL, failed_words = NULL,
       state = CASE WHEN ?2 IS NULL THEN 'ended' ELSE state END
     WHERE id = ?3`,
    next.no,
    next.on,
    id,
  );
}

export function setScheduleState(db: Db, id: number, state: ScheduleState): void {
  db.run(
    "UPDATE schedule SET state = ?, failed_on = NULL, failed_words = NULL, version = version + 1 WHERE id = ?",
    state,
    id,
  );
}

export function markFailed(db: Db, id: number, on: Day, words: string): void {
  db.run("UPDATE schedule SET failed_on = ?, failed_words = ? WHERE id = ?", on, words, id);
}

/** What could not be written is tried once more. */
export function forgetFailures(db: Db): void {
  db.run("UPDATE schedule SET failed_on = NULL, failed_words = NULL WHERE failed_on IS NOT NULL");
}

/** What a schedule bills from each day on, the first first. */
export function contentsOf(db: Db, scheduleId: number): ScheduleContent[] {
  return db.all<ScheduleContent>(
    "SELECT from_day AS fromDay, draft, total FROM schedule_content WHERE schedule_id = ? ORDER BY from_day",
    scheduleId,
  );
}

export function setContent(db: Db, scheduleId: number, content: ScheduleContent): void {
  db.run(
    `INSERT INTO schedule_content (schedule_id, from_day, draft, total) VALUES (?, ?, ?, ?)
     ON CONFLICT (schedule_id, from_day) DO UPDATE SET draft = excluded.draft, total = excluded.total`,
    scheduleId,
    content.fromDay,
    content.draft,
    content.total,
  );
}

/** Notes what a period became: a document, or the words why nothing was billed. */
export function insertRun(
  db: Db,
  scheduleId: number,
  { no, from, to }: Period,
  became: { documentId: number } | { leftOut: string },
): void {
  db.run(
    `INSERT INTO schedule_run (schedule_id, period_no, from_day, to_day, document_id, left_out)
     VALUES (?, ?, ?, ?, ?, ?)`,
    scheduleId,
    no,
    from,
    to,
    "documentId" in became ? became.documentId : null,
    "leftOut" in became ? became.leftOut : null,
  );
}

/** The past periods of a schedule, the latest first. */
export function runsOf(db: Db, scheduleId: number): PastPeriod[] {
  return db.all<PastPeriod>(
    `SELECT r.period_no AS no, r.from_day AS fromDay, r.to_day AS toDay, r.left_out AS leftOut,
       d.id AS documentId, d.number, d.stage, d.total, d.currency, d.open_item_id AS openItemId
     FROM schedule_run r LEFT JOIN document d ON d.id = r.document_id
     WHERE r.schedule_id = ? ORDER BY r.period_no DESC`,
    scheduleId,
  );
}
