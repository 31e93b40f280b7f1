import type { PerhapsSentLetter } from "@/contracts/overdue";
import { perhapsSent } from "@/db/letters";
import type { LastWord, OverdueLine, OverdueState } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import { type Ladder, type LadderAct, waitInWords } from "@/core/followup";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";
import { followedRows } from "@/db/followed";
import { ladders } from "@/db/ladders";
import { wordings } from "@/db/letterTexts";
import { backAddresses } from "@/db/persons";
import type { BookContext } from "@/server/runtime/bookContext";

import { type LetterHead, letterHeads } from "../letters";
import { LETTER_FIELDS, shippedWords } from "../letterTexts";
import type { OverdueRow } from "./overdueRow";

/** In which state a customer stands on the list; ready ones are written to or called today. */
export const OVERDUE_STATES = ["ready", "waits", "later", "left_out"] as const;

/** Customers among whom a letter's words can be tried. */
const MOST_TRIED = 200;

type Asked = {
  state: OverdueState | null;
  /** Null where the page of the open customer is wanted. */
  page: number | null;
  open: string;
  pageRows: number;
};
type OverdueFacts = {
  rows: OverdueLine[];
  state: OverdueState | null;
  counts: Record<OverdueState, number>;
  page: number;
  pageRows: number;
  count: number;
  shownSum: Minor;
  overdue: Minor;
};

/** A page of who is overdue. A row that the address opens brings its page with it. */
export function overduePage(
  { db, currency, today }: BookContext,
  all: readonly OverdueRow[],
  { state, page: asked, open, pageRows }: Asked,
): OverdueFacts {
  const shown = all.filter((row) => state === null || row.state === state);
  const at = shown.findIndex(({ customer }) => String(customer.id) === open);
  const page = asked ?? Math.floor(Math.max(0, at) / pageRows) + 1;
  const headOf = letterHeads(db);
  const count = (name: OverdueState): number => all.filter((row) => row.state === name).length;
  return {
    rows: shown
      .slice((page - 1) * pageRows, page * pageRows)
      .map((row) => overdueLine(row, headOf(row), { currency, today })),
    state,
    counts: {
      ready: count("ready"),
      waits: count("waits"),
      later: count("later"),
      left_out: count("left_out"),
    },
    page,
    pageRows,
    count: shown.length,
    shownSum: sumOf(shown, (row) => row.overdue),
    overdue: sumOf(all, (row) => row.overdue),
  };
}

function overdueLine(
  row: OverdueRow,
  { problem }: LetterHead,
  { currency, today }: Pick<BookContext, "currency" | "today">,
): OverdueLine {
  return {
    id: row.customer.id,
    name: row.customer.name,
    sites: row.sites,
    email: row.customer.email,
    aging: row.aging,
    overdue: row.overdue,
    oldestDays: row.oldestDays,
    lastWord: row.lastWord === null ? "–" : lastWordInWords(row.lastWord, currency, today),
    broken: row.lastWord?.kind === "promise" && row.lastWord.state === "broken",
    next: nextInWords(row, today, problem),
    act: row.next.step.act,
    problem,
    waits: row.waits.map((wait) => waitInWords(wait, currency)),
    state: row.state,
    leftOut: row.leftOut,
  };
}

function lastWordInWords(last: LastWord, currency: Currency, today: Day): string {
  if (last.kind === "letter") return `letter ${last.step}, ${formatDay(last.on, today)}`;
  if (last.kind !== "promise") return `${last.kind}, ${formatDay(last.on, today)}: ${last.text}`;
  const due = formatDay(last.dueOn, today);
  if (last.state === "broken") return `promise of ${due} broken`;
  if (last.state === "kept") return `promise of ${due} kept`;
  return `promise for ${due}${last.sum === null ? "" : `, ${formatAmount(last.sum, currency)}`}`;
}

/** What is done next at an act of a ladder; a letter is told by its number. */
const NEXT_WORDS: Record<Exclude<LadderAct, "letter">, string> = {
  call: "call",
  task: "task",
  stop: "stop of supply",
};

function nextInWords({ state, next }: OverdueRow, today: Day, problem: string | null): string {
  const { act, step } = next.step;
  if (state === "later") return `${act} ${step}, ${formatDay(next.on, today)}`;
  if (act !== "letter") return NEXT_WORDS[act];
  return problem === null ? `letter ${step}` : `another address, for letter ${step}`;
}

/** Ladders, each with how many customers it is chosen for. */
export function laddersPage({ db }: BookContext): { ladders: (Ladder & { customers: number })[] } {
  const on = followedRows(db);
  return {
    ladders: ladders(db).map((ladder) => ({
      ...ladder,
      customers: on.filter(({ ladderId }) => ladderId === ladder.id).length,
    })),
  };
}

/** The words of letters: one's own, those that ship, and whom they can be tried on. */
export function letterTextsPage({ db }: BookContext, all: readonly OverdueRow[]) {
  return {
    fields: LETTER_FIELDS,
    own: wordings(db),
    shipped: shippedWords(),
    ladders: ladders(db).map(({ id, name }) => ({ id, name })),
    customers: all
      .slice(0, MOST_TRIED)
      .map(({ customer }) => ({ id: customer.id, name: customer.name })),
  };
}

/**
 * What became of letters that somebody has to look after: addresses that they came back from, and
 * those of which nobody knows.
 */
export function lettersToLookAfter({ db }: BookContext): {
  back: ReturnType<typeof backAddresses>;
  perhaps: PerhapsSentLetter[];
} {
  return { back: backAddresses(db), perhaps: perhapsSent(db) };
}
