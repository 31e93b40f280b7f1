import { isRunDay } from "@/core/followup";
import { commandByKey } from "@/db/acts";
import { monthsDue } from "@/core/invoices";
import type { Processor } from "@/core/paying";
import type { Db } from "@/db/connection";
import { deferralsLeft } from "@/db/deferrals";
import { letterToDeliver } from "@/db/letters";
import { schedulesDue } from "@/db/schedules";
import { readSettings, type Settings } from "@/db/settings";
import { isBackupDue } from "@/server/books/backups/kept";
import type { DoCommand } from "@/server/paying/payNow";
import { sendRefunds } from "@/server/paying/sendRefunds";
import { settleAsked } from "@/server/paying/settleAsked";
import { runKey } from "@/server/overdue/queries/letterRun";

import { todayOf } from "../context";
import { listBooks } from "../folders";
import { inWords } from "../messages";
import { keepReading, keepWatching } from "./beside";
import { backupInPool, reading } from "./reader";
import { execute, wake } from "./writer";

/** How often the clock looks; a run goes within so long of its hour. */
const LOOK_EVERY_MS = 60_000;
const kept = globalThis as typeof globalThis & { dozoClock?: NodeJS.Timeout };

/**
 * Looks at every book each minute for letters and schedules whose time has come. Starting it twice
 * is starting it once.
 */
export function startClock(processorOf: ProcessorOf): void {
  if (kept.dozoClock) return;
  kept.dozoClock = setInterval(() => {
    void look(new Date(), processorOf);
  }, LOOK_EVERY_MS);
  kept.dozoClock.unref();
  void look(new Date(), processorOf);
}

/** The processor behind a book; null where there is none. */
type ProcessorOf = (book: string) => Processor | null;

async function look(now: Date, processorOf: ProcessorOf): Promise<void> {
  for (const book of listBooks()) {
    try {
      const db = reading(book);
      if (db === null) continue;
      const { watchedFolder, mailbox } = readSettings(db);
      keepWatching(book, watchedFolder);
      keepReading(book, mailbox);
      const key = dueRun(db, now);
      if (key !== null) await execute(book, "runLetters", {}, { actor: "schedule", key });
      else if (letterToDeliver(db, now.toISOString()) !== undefined) wake(book);
      await writeSchedules(book, db, now);
      await earn(book, db, now);
      await settlePayments(book, db, { now, processor: processorOf(book) });
      await backUp(book, readSettings(db), now);
    } catch (error) {
      // One book that cannot be read does not keep the others waiting.
      console.error(
        `dozo: the schedule of ${book} waits: ${error instanceof Error ? error.message : "unknown"}`,
      );
    }
  }
}

/** Writes what schedules have due, in parts, so that the book is free for others in between. */
async function writeSchedules(book: string, db: Db, now: Date): Promise<void> {
  const settings = readSettings(db);
  if (settings.clock !== null) return;
  const today = todayOf(settings, now);
  for (let part = 0; schedulesDue(db, today, 1).length > 0; part += 1) {
    const key = `schedules-${now.toISOString()}-${part}`;
    const done = await execute(book, "runSchedules", {}, { actor: "schedule", key });
    if (!done.ok) return;
  }
}

/** Finds out what became of payments whose answer was lost. */
async function settlePayments(
  book: string,
  db: Db,
  { now, processor }: { now: Date; processor: Processor | null },
): Promise<void> {
  if (!processor) return;
  const run = ((name, input, key) =>
    execute(book, name, input, { actor: "schedule", key })) as DoCommand;
  await settleAsked(db, { processor, run, now });
  await sendRefunds(db, { processor, run, on: todayOf(readSettings(db), now) });
}

/** Posts what months that are over have earned. */
async function earn(book: string, db: Db, now: Date): Promise<void> {
  const settings = readSettings(db);
  if (settings.clock !== null) return;
  const today = todayOf(settings, now);
  if (!deferralsLeft(db).some((deferral) => monthsDue(deferral, today).length > 0)) return;
  await execute(book, "releaseIncome", {}, { actor: "schedule", key: `earned-${today}` });
}

/** Takes the copy of the day of a real book, where the last good one is older than that. */
async function backUp(book: string, { clock, backupsKept }: Settings, now: Date): Promise<void> {
  if (clock !== null || backupsKept === 0 || !isBackupDue(book, now)) return;
  const made = await backupInPool({ book, what: "keep", keep: backupsKept });
  if (!made.ok) console.error(`dozo: no backup of ${book}: ${inWords(made.error)}`);
}

/**
 * The key of the run that is due in a book now: its day and hour have come, and
 * it has not gone yet. The key makes it go once, whoever starts it. Null where
 * none is due; never in a practice book, whose clock stands.
 */
export function dueRun(db: Db, now: Date): string | null {
  const settings = readSettings(db);
  if (settings.letterRun === null || settings.clock !== null) return null;
  const today = todayOf(settings, now);
  const hour = Number(
    new Intl.DateTimeFormat("en-GB", {
      hour: "2-digit",
      hourCycle: "h23",
      timeZone: settings.timeZone,
    }).format(now),
  );
  if (!isRunDay(settings.letterRun, today) || hour < settings.letterRun.hour) return null;
  const key = runKey(today);
  return commandByKey(db, key) ? null : key;
}
