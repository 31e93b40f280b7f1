import type { ReactNode } from "react";

import { addMonths, endOfMonth, parseDay } from "@/core/calendar";
import { clearingPageOf } from "@/server/payouts/queries/clearing";
import { feeCheck, feesAsked } from "@/server/payouts/queries/fees";
import { band, payoutRows, payoutViews } from "@/server/payouts/queries/payouts";
import { expectedPage, returnsAndDisputes } from "@/server/payouts/queries/returnsAndDisputes";
import { monthOr } from "@/server/output/queries";
import { cachedQuery } from "@/server/runtime/threads/reader";
import { ClearingPage } from "@/ui/payouts/ClearingPage";
import { ExpectedPage } from "@/ui/payouts/ExpectedPage";
import { FeesPage } from "@/ui/payouts/FeesPage";
import { PayoutsPage } from "@/ui/payouts/PayoutsPage";
import { ReturnsPage } from "@/ui/payouts/ReturnsPage";

import { one, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

/** Days on the band above the list. */
const BAND_DAYS = 16;

export const generateMetadata = stationTitle("payouts");

export default async function Payouts({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  if (one(search, "show") === "fees") {
    const asked = feesAsked.parse(search);
    const name = `fees ${today} ${JSON.stringify(asked)}`;
    return (
      <FeesPage
        book={book}
        currency={settings.currency}
        today={today}
        asked={asked}
        {...cachedQuery({ book, db }, name, () => feeCheck(db, today, asked))}
      />
    );
  }
  const around = { book, currency: settings.currency, today };
  if (one(search, "show") === "back")
    return <ReturnsPage {...around} {...returnsAndDisputes(db, today)} />;
  if (one(search, "show") === "ahead")
    return <ExpectedPage {...around} {...expectedPage(db, today)} />;
  if (one(search, "show") === "clearing") {
    const asked = parseDay(one(search, "as-of"), "ymd");
    return (
      <ClearingPage
        {...around}
        {...clearingPageOf(db, asked.ok ? asked.value : today, pageNumber(search))}
      />
    );
  }
  const from = monthOr(one(search, "month"), today);
  const views = payoutViews(db, from, endOfMonth(from));
  const show = one(search, "show");
  const shown = show === "open" ? views.filter((view) => view.shown !== "tied") : views;
  const rows = payoutRows(shown);
  return (
    <PayoutsPage
      book={book}
      currency={settings.currency}
      today={today}
      rows={rows}
      days={band(db, views, today, BAND_DAYS)}
      month={from.slice(0, 7)}
      before={addMonths(from, -1).slice(0, 7)}
      after={addMonths(from, 1).slice(0, 7)}
      onlyOpen={show === "open"}
    />
  );
}
