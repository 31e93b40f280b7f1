import type { ReactNode } from "react";

import { parseDay } from "@/core/calendar";
import { sumOf } from "@/core/money";
import { balancesAsOf } from "@/db/journal";
import { agingRows } from "@/server/queries/exports";
import { figuresOf } from "@/server/queries/figures";
import { yearPageOf } from "@/server/queries/year";
import { keptAnswer, overdueFor } from "@/server/threads/reader";
import { FiguresPage } from "@/ui/records/FiguresPage";
import { YearPage } from "@/ui/records/YearPage";
import { AgingPage } from "@/ui/records/AgingPage";

import { one, pageOf, type Search } from "../../../serve";

export default async function Reports({ params, searchParams }: { params: Promise<{ book: string }>; searchParams: Search }): Promise<ReactNode> {
  const { book, db, settings, today, proposals } = await pageOf(params);
  const search = await searchParams;
  if (one(search, "show") === "year") return <YearPage book={book} currency={settings.currency} today={today} {...yearPageOf(db, /^\d{4}$/.test(one(search, "year")) ? one(search, "year") : today.slice(0, 4), today)} />;
  if (one(search, "show") === "figures") {
    const rows = overdueFor(book, db, today, await proposals());
    return <FiguresPage book={book} currency={settings.currency} today={today} {...keptAnswer(book, db, `figures ${today}`, () => figuresOf(db, today, rows, settings.currency))} />;
  }
  const asked = parseDay(one(search, "as-of"), "ymd");
  const asOf = asked.ok ? asked.value : today;
  const { rows, total } = agingRows(db, asOf);
  const control = sumOf(balancesAsOf(db, asOf).filter(({ role }) => role === "receivables"), (account) => account.balance);
  return <AgingPage book={book} currency={settings.currency} today={today} asOf={asOf} rows={rows} total={total} control={control} />;
}
