import { type Day, endOfMonth, parseDay } from "@/core/calendar";
import { ENTRY_EVENTS } from "@/core/ledger";
import { type AccountRow, balancesAsOf, entryById } from "@/db/journal";
import { accountLineCount, accountLines, entryPage } from "@/db/journalPages";
import type { BookContext } from "@/server/runtime/bookContext";

import { hrefOf } from "./history";

const FIRST = "1900-01-01" as Day;
const LAST = "9999-12-31" as Day;

type Page = { page: number; pageRows: number };
type JournalAsked = Page & {
  event: string;
  text: string;
  open: number;
  /** `2026-11`; empty for every month. */
  month: string;
};
type JournalFacts = ReturnType<typeof entryPage> & {
  event: string;
  month: string;
  events: readonly string[];
};

/** The days of a month, or of all time where the text is none. */
export function monthOrAll(month: string): { from: Day; to: Day } {
  const first = /^\d{4}-\d\d$/.test(month) ? parseDay(`${month}-01`, "ymd") : null;
  return first?.ok ? { from: first.value, to: endOfMonth(first.value) } : { from: FIRST, to: LAST };
}

/** A page of the journal. An entry that the address opens is shown though it may stand on another page. */
export function journalPage(
  { db }: BookContext,
  { event, text, open, month, page, pageRows }: JournalAsked,
): JournalFacts {
  const known = ENTRY_EVENTS.find((name) => name === event) ?? null;
  const all = { from: FIRST, to: LAST, event: null, text: null };
  const { rows, count } = entryPage(db, {
    ...all,
    ...monthOrAll(month),
    event: known,
    text: text || null,
    limit: pageRows,
    offset: (page - 1) * pageRows,
  });
  const elsewhere = open > 0 && !rows.some(({ id }) => id === open) && entryById(db, open);
  const extra = elsewhere ? entryPage(db, { ...all, limit: 1, offset: 0, id: open }).rows : [];
  return { rows: [...extra, ...rows], count, event: known ?? "", month, events: ENTRY_EVENTS };
}

/** Every account with its balance at the end of a day. */
export function trialBalance({ db }: BookContext, asOf: Day): ReturnType<typeof balancesAsOf> {
  return balancesAsOf(db, asOf);
}

type AccountLine = ReturnType<typeof accountLines>[number] & { href: string | null };
type AccountFacts = { account: AccountRow; lines: AccountLine[]; count: number };

/** A page of an account's lines up to a day, each with the way to its document; null where there is no such account. */
export function accountPage(
  { db }: BookContext,
  { account: id, asOf, page, pageRows }: Page & { account: string; asOf: Day },
): AccountFacts | null {
  const all = balancesAsOf(db, asOf);
  // By its number here, or by its code where a page knows nothing else of it.
  const account = all.find((row) => String(row.id) === id) ?? all.find((row) => row.code === id);
  if (!account) return null;
  const lines = accountLines(db, {
    accountId: account.id,
    asOf,
    limit: pageRows,
    offset: (page - 1) * pageRows,
  }).map((line) => ({
    ...line,
    href: hrefOf(db, line.itemKind ?? line.documentKind, line.itemId ?? line.documentId),
  }));
  return { account, lines, count: accountLineCount(db, account.id, asOf) };
}
