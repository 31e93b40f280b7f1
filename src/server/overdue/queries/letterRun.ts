import type { AutomaticRun, LetterRun, RunLetter } from "@/contracts/overdue";
import { addDays, type Day, formatDay } from "@/core/calendar";
import { nextRunDay, type NextStep, TONES, waitInWords } from "@/core/followup";
import { add, formatAmount, type Minor, ZERO } from "@/core/money";
import { commandByKey } from "@/db/acts";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { runSkips } from "@/db/letters";
import { readSettings, type Settings } from "@/db/settings";
import { inWords } from "@/server/runtime/messages";

import { draftLetter, type LetterHead, letterHeads } from "../letters";
import type { OverdueRow } from "./overdueRow";

const stepWords = ({ step, tone }: Pick<LetterHead, "step" | "tone">): string =>
  `letter ${step}, ${TONES[tone - 1] ?? ""}`;

/**
 * What would go today: one letter a customer or group, with all of it; who waits
 * is counted by reason. Words are filled in for the letters of a page only.
 */
export function letterRun(
  db: Db,
  today: Day,
  rows: readonly OverdueRow[],
  { limit, offset }: { limit: number; offset: number } = { limit: rows.length, offset: 0 },
): LetterRun {
  const settings = readSettings(db);
  const headOf = letterHeads(db);
  const ready = rows.filter(({ state }) => state === "ready");
  const letters = ready
    .filter(({ next }) => next.step.act === "letter")
    .map((row) => ({ row, head: headOf(row) }));
  return {
    letters: letters
      .slice(offset, offset + limit)
      .map((letter) => shownLetter(db, letter, settings, today)),
    count: letters.length,
    going: letters
      .filter(({ head }) => head.problem === null)
      .map(({ row, head }) => ({ customerId: row.customer.id, sum: head.sum })),
    others: ready
      .filter(({ next }) => next.step.act !== "letter")
      .map((row) => ({
        customerId: row.customer.id,
        name: row.customer.name,
        act: row.next.step.act === "stop" ? "stop of supply" : row.next.step.act,
        sum: row.overdue,
      })),
    held: heldByReason(rows),
  };
}

/** The rows of these customers, or of the groups that they belong to. */
export function rowsOfCustomers(
  db: Db,
  rows: readonly OverdueRow[],
  customerIds: readonly number[],
): OverdueRow[] {
  const heads = new Set(customerIds.flatMap((id) => [id, customerById(db, id)?.parentId ?? id]));
  return rows.filter(({ customer }) => heads.has(customer.id));
}

type LetterToShow = { row: OverdueRow; head: ReturnType<ReturnType<typeof letterHeads>> };

function shownLetter(
  db: Db,
  { row, head }: LetterToShow,
  settings: Settings,
  today: Day,
): RunLetter {
  const draft = draftLetter(db, row, { settings, today });
  const { copies, sum, attach } = head;
  const words = draft.ok
    ? {
        to: head.to,
        problem: head.problem,
        subject: draft.value.subject,
        body: draft.value.body,
        items: draft.value.items.length,
        fee: draft.value.fee,
        feeCurrency: draft.value.feeCurrency,
      }
    : {
        to: null,
        problem: inWords(draft.error),
        subject: "",
        body: "",
        items: 0,
        fee: ZERO,
        feeCurrency: settings.currency,
      };
  return {
    ...words,
    customerId: row.customer.id,
    name: row.customer.name,
    copies,
    sum,
    oldestDays: row.oldestDays,
    step: stepWords(head),
    ladder: row.ladder,
    attach,
    byItself: row.goesByItself,
  };
}

/** Why a customer is not written to today; null for one who is. */
function whyHeld(row: OverdueRow): string | null {
  if (row.state === "waits") return REASONS[row.waits[0]?.code ?? "receipt"];
  if (row.state === "left_out") return "left out";
  return row.state === "later" ? "written to already, not due again yet" : null;
}

/** Who is not written to today, by reason, the commonest first. */
function heldByReason(rows: readonly OverdueRow[]): LetterRun["held"] {
  const held = new Map<string, { count: number; sum: Minor }>();
  for (const row of rows) {
    const why = whyHeld(row);
    if (why === null) continue;
    const known = held.get(why) ?? { count: 0, sum: ZERO };
    held.set(why, { count: known.count + 1, sum: add(known.sum, row.overdue) });
  }
  return [...held].map(([why, sums]) => ({ why, ...sums })).sort((a, b) => b.count - a.count);
}

/** The letters that go by themselves on their next day; `rowsOn` gives who is overdue on a day. */
export function automaticRun(
  db: Db,
  today: Day,
  rowsOn: (day: Day) => readonly OverdueRow[],
): AutomaticRun {
  const rule = readSettings(db).letterRun;
  const gone = commandByKey(db, runKey(today)) !== undefined;
  const on = rule === null ? null : nextRunDay(rule, gone ? addDays(today, 1) : today);
  if (rule === null || on === null) return { on: null, hour: 0, gone, rows: [] };
  const skips = runSkips(db, on);
  const headOf = letterHeads(db);
  const rows = rowsOn(on)
    .filter(({ goesByItself }) => goesByItself)
    .map((row) => {
      const head = headOf(row);
      return {
        customerId: row.customer.id,
        name: row.customer.name,
        step: stepWords(head),
        sum: head.sum,
        why: skips.get(row.customer.id) ?? null,
        problem: head.problem,
      };
    });
  return { on, hour: rule.hour, gone, rows };
}

/** The key of a day's run by schedule: whoever starts it, it goes once. */
export function runKey(day: Day): string {
  return `letters-by-schedule-${day}`;
}

const REASONS = {
  receipt: "a receipt in Match that may be theirs",
  on_way: "an ACH debit on its way",
  stale: "a feed that has fallen behind",
  promise: "a promise not yet due",
  credit: "a credit that covers it",
  dispute: "a dispute",
  question: "a question that nobody has ended",
  quiet: "no reminders until a day",
  small: "a very small sum",
} as const;

/** Why a customer gets something today, or why not, in one sentence; for whoever doubts the list. */
export function whyToday(
  row: OverdueRow | undefined,
  today: Day,
  currency: Parameters<typeof formatAmount>[1],
): string {
  if (!row)
    return "Nothing of theirs is past its date, and no step before the due day is reached: nothing is said today.";
  const { next, state } = row;
  const step = stepInWords(next);
  const because = `${formatAmount(row.overdue, currency)} is past its date, the oldest ${row.oldestDays} days; the ladder ${row.ladder} has ${step} from day ${next.step.fromDays} on`;
  switch (state) {
    case "ready":
      return `On today’s list: ${because}, and nothing holds it back.${row.goesByItself ? " It may go by itself." : ""}`;
    case "waits":
      return `Held back: waits for ${row.waits.map((wait) => waitInWords(wait, currency)).join(", ")}. Otherwise ${because}.`;
    case "later":
      return `Not today: ${step} comes on ${formatDay(next.on, today)}: not before day ${next.step.fromDays}, and no sooner after the last letter than the book allows.`;
    case "left_out":
      return `Left out: ${row.leftOut ?? ""}.`;
    default:
      throw state satisfies never;
  }
}

function stepInWords(next: NextStep): string {
  if (next.step.act === "letter")
    return `letter ${next.step.step} (${TONES[next.step.tone - 1] ?? ""})`;
  if (next.step.act === "stop") return "the stop of supply";
  return `the ${next.step.act}`;
}
