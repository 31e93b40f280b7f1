import type { ReactNode } from "react";

import { addDays, type Day, parseDay } from "@/core/calendar";
import { ENTRY_EVENTS } from "@/core/ledger";
import { accountLineCount, accountLines, balancesAsOf, entryById, entryPage } from "@/db/journal";
import { auditTrail } from "@/server/books/queries/auditTrail";
import { currenciesPage } from "@/server/books/queries/currencies";
import { hrefOf } from "@/server/books/queries/history";
import { journalFilePage } from "@/server/books/queries/journalFile";
import { proofInWords, workInWords, workPage } from "@/server/books/queries/proofs";
import { countFor } from "@/server/runtime/threads/reader";
import { AccountView, TrialView } from "@/ui/books/AccountsView";
import { AuditTrailView } from "@/ui/books/AuditTrailView";
import { CurrenciesView } from "@/ui/books/CurrenciesView";
import { JournalExportView } from "@/ui/books/JournalExportView";
import { JournalView } from "@/ui/books/JournalView";
import { ProofsView } from "@/ui/books/ProofsView";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";

const FIRST = "1900-01-01" as Day;
const LAST = "9999-12-31" as Day;

export default async function Books({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const around = { book, currency: settings.currency, today };
  const page = pageNumber(search);
  const asked = parseDay(one(search, "as-of"), "ymd");
  const asOf = asked.ok ? asked.value : today;
  switch (one(search, "view", one(search, "q") === "" ? "proofs" : "journal")) {
    case "journal": {
      const event = ENTRY_EVENTS.find((name) => name === one(search, "event")) ?? null;
      const text = one(search, "q") || null;
      const { rows, count } = entryPage(db, {
        from: FIRST,
        to: LAST,
        event,
        text,
        limit: PAGE_ROWS,
        offset: (page - 1) * PAGE_ROWS,
      });
      // An entry that the address opens is shown though it may stand on another page.
      const wanted = Number(one(search, "open"));
      const extra =
        wanted > 0 && !rows.some(({ id }) => id === wanted) && entryById(db, wanted)
          ? entryPage(db, {
              from: FIRST,
              to: LAST,
              event: null,
              text: null,
              limit: 1,
              offset: 0,
              id: wanted,
            }).rows
          : [];
      return (
        <JournalView
          {...around}
          rows={[...extra, ...rows]}
          count={count}
          text={text ?? ""}
          event={event ?? ""}
          events={ENTRY_EVENTS}
          page={page}
          pageRows={PAGE_ROWS}
        />
      );
    }
    case "trial":
      return <TrialView {...around} accounts={balancesAsOf(db, asOf)} asOf={asOf} />;
    case "account": {
      const account = balancesAsOf(db, asOf).find(
        ({ id }) => String(id) === one(search, "account"),
      );
      if (!account) return <TrialView {...around} accounts={balancesAsOf(db, asOf)} asOf={asOf} />;
      const lines = accountLines(db, account.id, asOf, PAGE_ROWS, (page - 1) * PAGE_ROWS).map(
        (line) => ({
          ...line,
          href: hrefOf(db, line.itemKind ?? line.documentKind, line.itemId ?? line.documentId),
        }),
      );
      return (
        <AccountView
          {...around}
          account={account}
          lines={lines}
          count={accountLineCount(db, account.id, asOf)}
          asOf={asOf}
          page={page}
          pageRows={PAGE_ROWS}
        />
      );
    }
    case "file": {
      const days = [parseDay(one(search, "from"), "ymd"), parseDay(one(search, "to"), "ymd")];
      const last = addDays(`${today.slice(0, 7)}-01` as Day, -1);
      return (
        <JournalExportView
          {...around}
          {...journalFilePage(
            db,
            days[0]?.ok ? days[0].value : (`${last.slice(0, 7)}-01` as Day),
            days[1]?.ok ? days[1].value : last,
          )}
        />
      );
    }
    case "currencies":
      return <CurrenciesView {...around} {...currenciesPage(db, asOf)} />;
    case "trail":
      return (
        <AuditTrailView
          {...around}
          {...auditTrail(db, PAGE_ROWS, (page - 1) * PAGE_ROWS)}
          page={page}
          pageRows={PAGE_ROWS}
        />
      );
    default: {
      const { report } = await countFor(book, db);
      const lines = report.proofs.map((proof) => {
        const { what, journal, documents } = proofInWords(proof.name);
        return { ...proof, what, journalWords: journal, documentWords: documents };
      });
      return (
        <ProofsView
          {...around}
          proofs={lines}
          work={report.work.map((work) => ({
            ...work,
            words: workInWords(work.name),
            href: workPage(work.name),
          }))}
        />
      );
    }
  }
}
