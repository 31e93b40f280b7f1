import type { EditorFacts, TypedDraft } from "@/contracts/editor";
import type {
  PeriodListed,
  ScheduleFacts,
  ScheduleListed,
  SchedulesFacts,
} from "@/contracts/schedules";
import { addMonths, type Day } from "@/core/calendar";
import { type Period, periodsAhead, periodsDue } from "@/core/invoices";
import { type Currency, currencyOf, minor, type Minor, sumOf } from "@/core/money";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { documentById } from "@/db/documents";
import { allSchedules, contentsOf, runsOf, type ScheduleRow, scheduleById } from "@/db/schedules";
import { readSettings, type Settings } from "@/db/settings";

import { billedOn, workedPeriod } from "../steps/writePeriod";
import { planWords } from "../steps/planWords";
import { editorOf, sumText, typedLine, typedOf, withoutDeposits } from "./editor";

type Reading = { db: Db; settings: Settings; today: Day };

/** Months that the list looks ahead. */
const MONTHS_AHEAD = 12;
/** The times to come that a schedule's own page shows. */
const TIMES_SHOWN = 12;

/** All schedules: what each writes next, and what will be written by month. */
export function schedulesOn(db: Db, today: Day): SchedulesFacts {
  const reading = { db, settings: readSettings(db), today };
  const schedules = allSchedules(db);
  const rows = schedules.map((schedule) => listed(reading, schedule));
  const running = schedules.filter(({ state }) => state === "running");
  return {
    rows,
    months: monthsOf(reading, running),
    due: sumOf(running, (each) => periodsDue(each.plan, each.nextNo, today).length),
  };
}

function listed({ db, settings }: Reading, schedule: ScheduleRow): ScheduleListed {
  const content = contentsOf(db, schedule.id);
  const on = schedule.nextOn ?? schedule.plan.startsOn;
  const latest = content.findLast(({ fromDay }) => fromDay <= on) ?? content.at(-1);
  return {
    id: schedule.id,
    customerId: schedule.customerId,
    customer: customerById(db, schedule.customerId)?.name ?? "",
    name: schedule.name,
    words: planWords(schedule.plan),
    state: schedule.state,
    makes: schedule.makes,
    nextOn: schedule.state === "ended" ? null : schedule.nextOn,
    total: latest?.total ?? minor(0),
    currency: currencyIn(db, schedule, settings),
    failed: schedule.failedWords,
  };
}

const currencyIn = (db: Db, { id, plan }: ScheduleRow, settings: Settings): Currency =>
  currencyOf(billedOn(contentsOf(db, id), plan.startsOn)?.currency ?? "") ?? settings.currency;

/** What running schedules will write by month, in the book's currency, the current month first. */
function monthsOf(reading: Reading, running: readonly ScheduleRow[]): SchedulesFacts["months"] {
  const { db, today, settings } = reading;
  const months = new Map<string, { sum: Minor; count: number }>();
  for (let ahead = 0; ahead < MONTHS_AHEAD; ahead += 1)
    months.set(addMonths(today, ahead).slice(0, 7), { sum: minor(0), count: 0 });
  for (const schedule of running) {
    if (currencyIn(db, schedule, settings) !== settings.currency) continue;
    const contents = contentsOf(db, schedule.id);
    for (const period of periodsAhead(schedule.plan, schedule.nextNo, MONTHS_AHEAD * 31)) {
      const month = months.get(period.from.slice(0, 7));
      if (!month) {
        if (period.from > today) break;
        continue;
      }
      const whole = contents.findLast(({ fromDay }) => fromDay <= period.from) ?? contents[0];
      month.sum = minor(
        month.sum +
          (period.days === period.of ? (whole?.total ?? 0) : total(reading, schedule, period)),
      );
      month.count += 1;
    }
  }
  return [...months].map(([month, told]) => ({ month, ...told }));
}

function total(reading: Reading, schedule: ScheduleRow, period: Period): Minor {
  const worked = workedPeriod(reading, schedule, period);
  return worked.ok ? worked.value.content.total : minor(0);
}

/** A schedule on its page: what is billed, what comes, what came; null where there is none. */
export function scheduleFacts(db: Db, today: Day, id: number): ScheduleFacts | null {
  const schedule = scheduleById(db, id);
  if (!schedule) return null;
  const reading = { db, settings: readSettings(db), today };
  const contents = contentsOf(db, id);
  const on = schedule.nextOn ?? schedule.plan.startsOn;
  return {
    ...listed(reading, schedule),
    version: schedule.version,
    plan: schedule.plan,
    prorated: schedule.prorated,
    begun: schedule.nextNo > 0,
    ahead: schedule.state === "ended" ? [] : aheadOf(reading, schedule),
    behind: runsOf(db, id),
    contents: contents.map(({ fromDay, total: sum }) => ({ fromDay, total: sum })),
    due: periodsDue(schedule.plan, schedule.nextNo, today).length,
    editor: editorFor(reading, schedule, on),
  };
}

const aheadOf = (reading: Reading, schedule: ScheduleRow): PeriodListed[] =>
  periodsAhead(schedule.plan, schedule.nextNo, TIMES_SHOWN).map((period) => ({
    no: period.no,
    from: period.from,
    to: period.to,
    writtenOn: period.writtenOn,
    total: total(reading, schedule, period),
  }));

/** The editor of what a schedule bills, as it is on a day. */
function editorFor({ db, today, settings }: Reading, schedule: ScheduleRow, on: Day): EditorFacts {
  const empty = emptyEditor(db, today, schedule.customerId);
  const billed = billedOn(contentsOf(db, schedule.id), on);
  if (!billed) return empty;
  const draft: TypedDraft = {
    ...empty.draft,
    issuedOn: on,
    terms: billed.terms ?? settings.usualTerms,
    poNumber: billed.poNumber ?? "",
    note: billed.note ?? "",
    currency: currencyIn(db, schedule, settings),
    discountPercent: billed.discountPercent ?? "",
    discountSum: sumText(billed.discountSum, currencyIn(db, schedule, settings)),
    charges: billed.charges.map(({ words, sum, taxCode }) => ({
      words,
      sum: sumText(sum, currencyIn(db, schedule, settings)),
      taxCode: taxCode ?? "",
    })),
    withholdingPercent: billed.withholdingPercent ?? "",
    paysBy: billed.paysBy ?? "",
    lines: billed.lines.map(typedLine),
  };
  return { ...empty, draft };
}

function emptyEditor(db: Db, today: Day, customerId: number | null): EditorFacts {
  const editor = editorOf(db, today, { id: null, customerId });
  if (!editor) throw new Error("an empty draft can always be written");
  return editor;
}

/** What a new schedule begins with: a customer, or a document that is to come again. */
export function newScheduleFacts(
  db: Db,
  today: Day,
  { documentId, customerId }: { documentId: number | null; customerId: number | null },
): EditorFacts {
  const document = documentId === null ? undefined : documentById(db, documentId);
  const empty = emptyEditor(db, today, document?.customerId ?? customerId);
  return document
    ? { ...empty, draft: { ...withoutDeposits(typedOf(db, document)), issuedOn: today, dueOn: "" } }
    : empty;
}
