import type { ReactNode } from "react";

import { sumOf } from "@/core/money";
import { openThreads } from "@/server/customers/queries/questions";
import { waitingFiles } from "@/server/arrivals/queries/arrived";
import { lateFeesPage } from "@/server/overdue/queries/lateFees";
import { automaticRun, letterRun, rowsOfCustomers } from "@/server/overdue/queries/letterRun";
import {
  laddersPage,
  lettersToLookAfter,
  letterTextsPage,
  OVERDUE_STATES,
  overduePage,
} from "@/server/overdue/queries/overduePage";
import type { OverdueRow } from "@/server/overdue/queries/overdueRow";
import { writeOffsPage } from "@/server/overdue/queries/writeOffs";
import { agingTogether } from "@/server/reports/queries/ages";
import type { BookContext } from "@/server/runtime/bookContext";
import { cachedQuery, overdueFor } from "@/server/runtime/threads/reader";
import { AutomaticLettersPage } from "@/ui/overdue/AutomaticLettersPage";
import { LaddersPage } from "@/ui/overdue/LaddersPage";
import { LateFeesPage } from "@/ui/overdue/LateFeesPage";
import { LettersPage } from "@/ui/overdue/LettersPage";
import { LetterTextsPage } from "@/ui/overdue/LetterTextsPage";
import { OverduePage } from "@/ui/overdue/OverduePage";
import { QuestionsPage } from "@/ui/overdue/QuestionsPage";
import { WriteOffsPage } from "@/ui/overdue/WriteOffsPage";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

type Shown = {
  context: Awaited<ReturnType<typeof pageOf>>;
  search: Awaited<Search>;
  all: OverdueRow[];
};

/** The views beside the list, by their names in the address. */
const VIEWS: Record<string, (shown: Shown) => ReactNode | Promise<ReactNode>> = {
  run: letters,
  questions: ({ context }) => (
    <QuestionsPage today={context.today} threads={openThreads(context.db)} />
  ),
  "by-itself": automatic,
  fees: ({ context, all }) => (
    <LateFeesPage {...factsOf(context)} {...lateFeesPage(context.db, context.today, all)} />
  ),
  words: ({ context, all }) => <LetterTextsPage {...letterTextsPage(context, all)} />,
  "given-up": ({ context }) => (
    <WriteOffsPage {...factsOf(context)} {...writeOffsPage(context.db)} />
  ),
  ladders: ({ context }) => <LaddersPage currency={context.currency} {...laddersPage(context)} />,
};

export const generateMetadata = stationTitle("overdue");

export default async function Overdue({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const all = overdueOn(context, await context.proposals());
  return (VIEWS[one(search, "show")] ?? list)({ context, search, all });
}

function overdueOn(
  { book, db, today }: BookContext,
  proposals: Parameters<typeof overdueFor>[2],
  on = today,
): OverdueRow[] {
  return overdueFor({ book, db }, on, proposals);
}

function list({ context, search, all }: Shown): ReactNode {
  const { book, db, today } = context;
  const asked = {
    state: OVERDUE_STATES.find((name) => name === one(search, "state")) ?? null,
    page: one(search, "page") === "" ? null : pageNumber(search),
    open: one(search, "open"),
    pageRows: PAGE_ROWS,
  };
  const together = cachedQuery(
    { book, db },
    `aging together ${today}`,
    () => agingTogether(db, today),
    "a change of sums",
  );
  return (
    <OverduePage {...factsOf(context)} {...overduePage(context, all, asked)} total={together} />
  );
}

function letters({ context, search, all }: Shown): ReactNode {
  const page = pageNumber(search);
  const window = { limit: PAGE_ROWS, offset: (page - 1) * PAGE_ROWS };
  const only = one(search, "only");
  const rows = only === "" ? all : rowsOfCustomers(context.db, all, only.split(",").map(Number));
  return (
    <LettersPage
      {...factsOf(context)}
      {...letterRun(context.db, context.today, rows, window)}
      chosen={only === "" ? null : rows.length}
      {...lettersToLookAfter(context)}
      filesWaiting={waitingFiles(context.db, context.book)}
      page={page}
      pageRows={PAGE_ROWS}
    />
  );
}

async function automatic({ context, search, all }: Shown): Promise<ReactNode> {
  const made = await context.proposals();
  const { rows, ...run } = automaticRun(context.db, context.today, (on) =>
    on === context.today ? all : overdueOn(context, made, on),
  );
  const page = pageNumber(search);
  const going = rows.filter(({ why, problem }) => why === null && problem === null);
  return (
    <AutomaticLettersPage
      {...factsOf(context)}
      {...run}
      filesWaiting={waitingFiles(context.db, context.book)}
      going={going.length}
      sum={sumOf(going, (row) => row.sum)}
      rows={rows.slice((page - 1) * PAGE_ROWS, page * PAGE_ROWS)}
      count={rows.length}
      page={page}
      pageRows={PAGE_ROWS}
    />
  );
}
