import type { ReactNode } from "react";

import {
  arrivalsPage,
  BANK_LINE_STATES,
  bankLinesPage,
} from "@/server/arrivals/queries/arrivalsPage";
import { ArrivalsPage } from "@/ui/arrivals/ArrivalsPage";
import { BankLines } from "@/ui/arrivals/BankLines";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("arrivals", "list");

export default async function Arrivals({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const page = pageNumber(search);
  if (one(search, "list") !== "lines")
    return <ArrivalsPage {...arrivalsPage(context, { page, pageRows: PAGE_ROWS })} />;
  const asked = {
    state: BANK_LINE_STATES.find((name) => name === one(search, "state")) ?? null,
    text: one(search, "q"),
    page,
    pageRows: PAGE_ROWS,
  };
  return <BankLines {...factsOf(context)} {...asked} {...bankLinesPage(context, asked)} />;
}
