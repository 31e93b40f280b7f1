import { type BilledInput, billedInput } from "@/contracts/schedules";
import type { Day } from "@/core/calendar";
import { lineOfPeriod, type Period, periodOf } from "@/core/invoices";
import { currencyOf } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";
import { documentById } from "@/db/documents";
import { wayOf } from "@/db/documentWays";
import { followedRow } from "@/db/followed";
import {
  contentsOf,
  insertRun,
  moveOn,
  type ScheduleContent,
  type ScheduleRow,
} from "@/db/schedules";
import type { Db } from "@/db/connection";
import type { CommandContext } from "@/server/runtime/context";

import { approveOne } from "./approveOne";
import { insertDraft } from "./insertDraft";
import { sendOne } from "./sendOne";
import { workOut, type WorkedOut, type Working } from "./workOut";

/** Writes the next period of a schedule, and approves it where the schedule says so. */
export function writePeriod(ctx: CommandContext, schedule: ScheduleRow): Result<number> {
  const period = periodOf(schedule.plan, schedule.nextNo);
  if (!period) {
    moveOn(ctx.db, schedule.id, { no: schedule.nextNo, on: null });
    return fail("schedule.nothing");
  }
  const worked = workedPeriod(ctx, schedule, period);
  if (!worked.ok) return worked;
  const id = insertDraft(ctx, worked.value, { schedule: schedule.name });
  insertRun(ctx.db, schedule.id, period, { documentId: id });
  const next = periodOf(schedule.plan, period.no + 1);
  moveOn(ctx.db, schedule.id, { no: period.no + 1, on: next?.writtenOn ?? null });
  const document = documentById(ctx.db, id);
  if (schedule.makes === "draft" || !document) return ok(id);
  const approved = approveOne(ctx, document);
  if (!approved.ok) return approved;
  // Where it cannot be sent, it lies with what is to be sent and says why there.
  if (schedule.makes === "sent" && approved.value && isMailed(ctx, id))
    ctx.part(() => sendOne(ctx, id, { own: null, again: false }));
  return ok(id);
}

const isMailed = ({ db }: CommandContext, id: number): boolean => wayOf(db, id)?.way === "mail";

/** A period of a schedule worked out: its lines as they are from its first day on, its days, its share. */
export function workedPeriod(
  working: Working,
  schedule: ScheduleRow,
  period: Period,
): Result<WorkedOut> {
  const billed = billedOn(contentsOf(working.db, schedule.id), period.from);
  if (!billed) return fail("schedule.nothing");
  const currency = currencyOf(billed.currency ?? working.settings.currency);
  if (!currency) return fail("currency.unknown", { text: billed.currency });
  const as = { currency, prorated: schedule.prorated, language: languageOf(working.db, schedule) };
  return workOut(working, {
    ...billed,
    customerId: schedule.customerId,
    issuedOn: period.from,
    dueOn: null,
    dueReason: null,
    lines: billed.lines.map((line) => lineOfPeriod(line, period, as)),
  });
}

const languageOf = (db: Db, { customerId }: ScheduleRow): string =>
  followedRow(db, customerId).language;

/** What is billed on a day: what was written for the latest day up to it. */
export function billedOn(contents: readonly ScheduleContent[], on: Day): BilledInput | null {
  const content = contents.findLast(({ fromDay }) => fromDay <= on) ?? contents[0];
  return content ? billedInput.parse(JSON.parse(content.draft)) : null;
}
