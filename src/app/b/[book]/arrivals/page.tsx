import type { ReactNode } from "react";

import {
  arrivalsPage,
  BANK_LINE_STATES,
  bankLinesPage,
  mailsRead,
  trayLines,
} from "@/server/arrivals/queries/arrivalsPage";
import { ArrivalsPage } from "@/ui/arrivals/ArrivalsPage";
import { MailPage } from "@/ui/arrivals/MailPage";
import { TrayPage } from "@/ui/arrivals/TrayPage";
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
  const list = one(search, "list");
  if (list === "tray")
    return (
      <TrayPage {...factsOf(context)} {...trayLines(context, { page, pageRows: PAGE_ROWS })} />
    );
  if (list === "mail")
    return (
      <MailPage {...factsOf(context)} {...mailsRead(context, { page, pageRows: PAGE_ROWS })} />
    );
  if (list !== "lines") {
    const again = numberOf(one(search, "again"));
    const facts = arrivalsPage(context, { page, pageRows: PAGE_ROWS, again });
    return <ArrivalsPage key={again} {...facts} />;
  }
  const asked = {
    state: BANK_LINE_STATES.find((name) => name === one(search, "state")) ?? null,
    text: one(search, "q"),
    page,
    pageRows: PAGE_ROWS,
  };
  return <BankLines {...factsOf(context)} {...asked} {...bankLinesPage(context, asked)} />;
}

/** The number of a file in the address; null where it is none. */
const numberOf = (text: string): number | null => (/^\d{1,12}$/.test(text) ? Number(text) : null);
