import type { ReactNode } from "react";

import { agesAsked, agesPage, currenciesOf } from "@/server/reports/queries/ages";
import { figuresOf } from "@/server/reports/queries/figures";
import { yearPageOf } from "@/server/reports/queries/yearEnd";
import { cachedQuery, overdueFor } from "@/server/runtime/threads/reader";
import { AgingPage } from "@/ui/reports/AgingPage";
import { FiguresPage } from "@/ui/reports/FiguresPage";
import { YearEndPage } from "@/ui/reports/YearEndPage";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("reports");

export default async function Reports({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const { book, db, settings, today, proposals } = context;
  const search = await searchParams;
  if (one(search, "show") === "year")
    return (
      <YearEndPage
        {...factsOf(context)}
        {...yearPageOf(
          db,
          /^\d{4}$/.test(one(search, "year")) ? one(search, "year") : today.slice(0, 4),
          today,
        )}
      />
    );
  if (one(search, "show") === "figures") {
    const rows = overdueFor({ book, db }, today, await proposals());
    return (
      <FiguresPage
        {...factsOf(context)}
        {...cachedQuery({ book, db }, `figures ${today}`, () =>
          figuresOf(db, today, rows, settings.currency),
        )}
      />
    );
  }
  const asked = agesAsked(
    new URLSearchParams(
      ["as-of", "by", "days", "of", "currency"].map((name) => [name, one(search, name)]),
    ),
    settings,
    today,
  );
  const page = pageNumber(search);
  const aging = cachedQuery(
    { book, db },
    `ages ${page} ${JSON.stringify(asked)}`,
    () => agesPage(db, asked, { limit: PAGE_ROWS, offset: (page - 1) * PAGE_ROWS }),
    "a change of sums",
  );
  return (
    <AgingPage
      key={JSON.stringify(asked)}
      {...factsOf(context)}
      {...aging}
      page={page}
      pageRows={PAGE_ROWS}
      currencies={currenciesOf(context)}
    />
  );
}
