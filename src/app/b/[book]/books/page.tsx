import type { ReactNode } from "react";

import { addDays, type Day, parseDay } from "@/core/calendar";
import { keptBackups } from "@/server/books/backups/kept";
import { auditTrail } from "@/server/books/queries/auditTrail";
import { currenciesPage } from "@/server/books/queries/currencies";
import { journalFilePage } from "@/server/books/queries/journalFile";
import { accountPage, journalPage, trialBalance } from "@/server/books/queries/journalPage";
import { proofLines, workLines } from "@/server/books/queries/proofs";
import type { BookContext } from "@/server/runtime/bookContext";
import { countFor } from "@/server/runtime/threads/reader";
import { AccountView, TrialView } from "@/ui/books/AccountsView";
import { AuditTrailView } from "@/ui/books/AuditTrailView";
import { CurrenciesView } from "@/ui/books/CurrenciesView";
import { JournalExportView } from "@/ui/books/JournalExportView";
import { JournalView } from "@/ui/books/JournalView";
import { ProofsView } from "@/ui/books/ProofsView";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

type Shown = { context: BookContext; search: Awaited<Search>; asOf: Day };

/** The views of Books, by their names in the address. */
const VIEWS: Record<string, (shown: Shown) => ReactNode | Promise<ReactNode>> = {
  proofs,
  journal,
  trial,
  account,
  file,
  currencies: ({ context, asOf }) => (
    <CurrenciesView {...factsOf(context)} {...currenciesPage(context.db, asOf)} />
  ),
  trail,
};

export const generateMetadata = stationTitle("books", "view");

export default async function Books({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const asOf = dayOr(one(search, "as-of"), context.today);
  const name = one(search, "view", one(search, "q") === "" ? "proofs" : "journal");
  return (VIEWS[name] ?? proofs)({ context, search, asOf });
}

function dayOr(text: string, otherwise: Day): Day {
  const parsed = parseDay(text, "ymd");
  return parsed.ok ? parsed.value : otherwise;
}

function journal({ context, search }: Shown): ReactNode {
  const asked = { text: one(search, "q"), page: pageNumber(search), pageRows: PAGE_ROWS };
  const event = one(search, "event");
  const open = Number(one(search, "open"));
  return (
    <JournalView
      {...factsOf(context)}
      {...asked}
      {...journalPage(context, { ...asked, event, open, month: one(search, "month") })}
    />
  );
}

function trial({ context, asOf }: Shown): ReactNode {
  return <TrialView {...factsOf(context)} accounts={trialBalance(context, asOf)} asOf={asOf} />;
}

function account(shown: Shown): ReactNode {
  const { context, search, asOf } = shown;
  const asked = { asOf, page: pageNumber(search), pageRows: PAGE_ROWS };
  const found = accountPage(context, { ...asked, account: one(search, "account") });
  if (!found) return trial(shown);
  return <AccountView {...factsOf(context)} {...asked} {...found} />;
}

/** The journal for another ledger; last month unless told. */
function file({ context, search }: Shown): ReactNode {
  const last = addDays(`${context.today.slice(0, 7)}-01` as Day, -1);
  const from = dayOr(one(search, "from"), `${last.slice(0, 7)}-01` as Day);
  const facts = journalFilePage(context.db, from, dayOr(one(search, "to"), last));
  return <JournalExportView {...factsOf(context)} {...facts} />;
}

function trail({ context, search }: Shown): ReactNode {
  const page = pageNumber(search);
  const facts = auditTrail(context.db, PAGE_ROWS, (page - 1) * PAGE_ROWS);
  return <AuditTrailView {...factsOf(context)} {...facts} page={page} pageRows={PAGE_ROWS} />;
}

async function proofs({ context }: Shown): Promise<ReactNode> {
  const { report } = await countFor(context.book, context.db);
  return (
    <ProofsView
      {...factsOf(context)}
      proofs={proofLines(report)}
      work={workLines(report)}
      kept={keptBackups(context.book)}
    />
  );
}
