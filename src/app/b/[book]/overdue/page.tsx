import type { ReactNode } from "react";

import { formatDay } from "@/core/calendar";
import { waitInWords } from "@/core/followup";
import { formatAmount, sumOf } from "@/core/money";
import { lastChangeOfSums } from "@/db/acts";
import { followedRows, ladders } from "@/db/ladders";
import { wordings } from "@/db/letterTexts";
import { backAddresses } from "@/db/persons";
import { LETTER_FIELDS, shippedWords } from "@/server/overdue/letterTexts";
import { lateFeesPage } from "@/server/overdue/queries/lateFees";
import { automaticRun, letterRun } from "@/server/overdue/queries/letterRun";
import type { LastWord } from "@/server/overdue/queries/overdue";
import { writeOffsPage } from "@/server/overdue/queries/writeOffs";
import { agingTogether } from "@/server/reports/queries/ages";
import { cachedQuery, overdueFor } from "@/server/runtime/threads/reader";
import { AutomaticLettersPage } from "@/ui/overdue/AutomaticLettersPage";
import { LaddersPage } from "@/ui/overdue/LaddersPage";
import { LateFeesPage } from "@/ui/overdue/LateFeesPage";
import { LetterTextsPage } from "@/ui/overdue/LetterTextsPage";
import { LettersPage } from "@/ui/overdue/LettersPage";
import { OverduePage } from "@/ui/overdue/OverduePage";
import { WriteOffsPage } from "@/ui/overdue/WriteOffsPage";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";

export default async function Overdue({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today, proposals } = await pageOf(params);
  const search = await searchParams;
  const state =
    (["ready", "waits", "later", "left_out"] as const).find(
      (name) => name === one(search, "state"),
    ) ?? null;
  const made = await proposals();
  const all = overdueFor(book, db, today, made);
  if (one(search, "show") === "run") {
    const page = pageNumber(search);
    return (
      <LettersPage
        book={book}
        currency={settings.currency}
        today={today}
        back={backAddresses(db)}
        page={page}
        pageRows={PAGE_ROWS}
        {...letterRun(db, today, all, { limit: PAGE_ROWS, offset: (page - 1) * PAGE_ROWS })}
      />
    );
  }
  if (one(search, "show") === "by-itself") {
    const { rows, ...run } = automaticRun(db, today, (on) =>
      on === today ? all : overdueFor(book, db, on, made),
    );
    const [page, going] = [
      pageNumber(search),
      rows.filter(({ why, problem }) => why === null && problem === null),
    ];
    return (
      <AutomaticLettersPage
        book={book}
        currency={settings.currency}
        today={today}
        {...run}
        going={going.length}
        sum={sumOf(going, (row) => row.sum)}
        rows={rows.slice((page - 1) * PAGE_ROWS, page * PAGE_ROWS)}
        count={rows.length}
        page={page}
        pageRows={PAGE_ROWS}
      />
    );
  }
  if (one(search, "show") === "fees")
    return (
      <LateFeesPage
        book={book}
        currency={settings.currency}
        today={today}
        {...lateFeesPage(db, today, all)}
      />
    );
  if (one(search, "show") === "words")
    return (
      <LetterTextsPage
        fields={LETTER_FIELDS}
        own={wordings(db)}
        shipped={shippedWords()}
        ladders={ladders(db).map(({ id, name }) => ({ id, name }))}
        customers={all
          .slice(0, 200)
          .map(({ customer }) => ({ id: customer.id, name: customer.name }))}
      />
    );
  if (one(search, "show") === "given-up")
    return <WriteOffsPage book={book} today={today} {...writeOffsPage(db)} />;
  if (one(search, "show") === "ladders") {
    const on = followedRows(db);
    return (
      <LaddersPage
        currency={settings.currency}
        ladders={ladders(db).map((ladder) => ({
          ...ladder,
          customers: on.filter(({ ladderId }) => ladderId === ladder.id).length,
        }))}
      />
    );
  }
  const words = (last: LastWord | null): string => {
    if (last === null) return "–";
    if (last.kind === "letter") return `letter ${last.step}, ${formatDay(last.on, today)}`;
    if (last.kind === "promise")
      return last.state === "broken"
        ? `promise of ${formatDay(last.dueOn, today)} broken`
        : last.state === "kept"
          ? `promise of ${formatDay(last.dueOn, today)} kept`
          : `promise for ${formatDay(last.dueOn, today)}${last.sum === null ? "" : `, ${formatAmount(last.sum, settings.currency)}`}`;
    return `${last.kind}, ${formatDay(last.on, today)}: ${last.text}`;
  };
  const shown = all.filter((row) => state === null || row.state === state);
  // A row that the address opens brings its page with it.
  const wanted = shown.findIndex(({ customer }) => String(customer.id) === one(search, "open"));
  const page =
    one(search, "page") === "" && wanted >= 0
      ? Math.floor(wanted / PAGE_ROWS) + 1
      : pageNumber(search);
  const rows = shown.slice((page - 1) * PAGE_ROWS, page * PAGE_ROWS).map((row) => ({
    id: row.customer.id,
    name: row.customer.name,
    sites: row.sites,
    email: row.customer.email,
    aging: row.aging,
    overdue: row.overdue,
    oldestDays: row.oldestDays,
    lastWord: words(row.lastWord),
    broken: row.lastWord?.kind === "promise" && row.lastWord.state === "broken",
    next:
      row.state === "later"
        ? `${row.next.step.act} ${row.next.step.step}, ${formatDay(row.next.on, today)}`
        : row.next.step.act === "letter"
          ? `letter ${row.next.step.step}`
          : row.next.step.act === "stop"
            ? "stop of supply"
            : row.next.step.act,
    waits: row.waits.map((wait) => waitInWords(wait, settings.currency)),
    state: row.state,
    leftOut: row.leftOut,
  }));
  const count = (name: typeof state): number => all.filter((row) => row.state === name).length;
  return (
    <OverduePage
      book={book}
      currency={settings.currency}
      today={today}
      rows={rows}
      state={state}
      counts={{
        ready: count("ready"),
        waits: count("waits"),
        later: count("later"),
        left_out: count("left_out"),
      }}
      page={page}
      pageRows={PAGE_ROWS}
      count={shown.length}
      shownSum={sumOf(shown, (row) => row.overdue)}
      total={cachedQuery(
        book,
        db,
        `aging together ${today}`,
        () => agingTogether(db, today),
        lastChangeOfSums(db),
      )}
      overdue={sumOf(all, (row) => row.overdue)}
    />
  );
}
