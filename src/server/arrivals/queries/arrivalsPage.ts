import type { Accounts, ArrivalsFacts, FileAgain, MailsRead } from "@/contracts/arrivals";
import { FIELDS, FILE_KINDS, type FileKind, type MappingSpec } from "@/core/formats";
import { bankAccounts, bankLinePage } from "@/db/bank";
import { allBankRules, type BankRuleRow } from "@/db/bankRules";
import type { Db } from "@/db/connection";
import { importFileById, importFilePage, lastFileOfKind, mappings } from "@/db/files";
import { processorAccounts } from "@/db/processorAccounts";
import { mailPage } from "@/db/mailRead";
import { trayCount, trayPage } from "@/db/tray";
import type { BookContext } from "@/server/runtime/bookContext";

import { MOST_MEGABYTES } from "../keepFile";
import { lookProblem } from "../mailbox/lastLook";
import { waitingFiles } from "./arrived";

type Page = { page: number; pageRows: number };
type Arrivals = Page & { again?: number | null };

/** Files that were taken in, those that wait, and what a new one may be read by. */
export function arrivalsPage(
  { book, db, currency, today, settings }: BookContext,
  { page, pageRows, again = null }: Arrivals,
): ArrivalsFacts {
  const { rows, count } = importFilePage(db, pageRows, (page - 1) * pageRows);
  const last = FILE_KINDS.map((kind) => [kind, lastFileOfKind(db, kind)?.onDay ?? null]);
  return {
    book,
    currency,
    today,
    cutOverOn: settings.cutOverOn,
    files: rows,
    count,
    page,
    pageRows,
    arrived: waitingFiles(db, book),
    tray: trayCount(db),
    again: again === null ? null : fileAgain(db, again),
    mostMegabytes: MOST_MEGABYTES,
    fields: FIELDS,
    last: Object.fromEntries(last) as Record<FileKind, string | null>,
    accounts: accountsOf(db),
    mappings: mappings(db).map(({ name, kind, spec }) => ({
      name,
      kind,
      spec: JSON.parse(spec) as MappingSpec,
    })),
  };
}

function fileAgain(db: Db, id: number): FileAgain | null {
  const file = importFileById(db, id);
  if (!file) return null;
  const { name, sha256, kind, mapping, undoneBy } = file;
  const spec = JSON.parse(mapping) as MappingSpec;
  return { id, name, sha256, kind, mapping: spec, isBack: undoneBy !== null };
}

/** Refused lines that wait, a page of them. */
export function trayLines({ db }: BookContext, { page, pageRows }: Page): TrayFacts {
  return { ...trayPage(db, pageRows, (page - 1) * pageRows), page, pageRows };
}
export type TrayFacts = ReturnType<typeof trayPage> & Page;

/** Mails that were read, a page of them; `mailbox`: whose it is, null where none is read. */
export function mailsRead(
  { book, db, settings }: BookContext,
  { page, pageRows }: Page,
): MailsRead {
  const mailbox = settings.mailbox?.user ?? null;
  const problem = mailbox === null ? null : lookProblem(book);
  return { ...mailPage(db, pageRows, (page - 1) * pageRows), page, pageRows, mailbox, problem };
}
function accountsOf(db: Db): Accounts {
  return {
    processor: processorAccounts(db).map(({ code, name }) => [code, name] as const),
    bank: bankAccounts(db).map(({ code, name }) => [code, name] as const),
  };
}

/** What a line of the bank's statement is. */
export const BANK_LINE_STATES = [
  "open",
  "payout",
  "receipt",
  "elsewhere",
  "deposit",
  "bounce",
] as const;

type LinesAsked = Page & { state: (typeof BANK_LINE_STATES)[number] | null; text: string };

/** A page of the statements' lines, with the rules by which lines are put aside. */
export function bankLinesPage(
  { db }: BookContext,
  { state, text, page, pageRows }: LinesAsked,
): ReturnType<typeof bankLinePage> & { rules: BankRuleRow[]; accounts: Accounts["bank"] } {
  return {
    ...bankLinePage(db, {
      state,
      text: text || null,
      limit: pageRows,
      offset: (page - 1) * pageRows,
    }),
    rules: allBankRules(db),
    accounts: accountsOf(db).bank,
  };
}
