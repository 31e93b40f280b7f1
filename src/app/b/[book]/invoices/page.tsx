import type { ReactNode } from "react";

import { draftsOf } from "@/server/invoices/queries/editor";
import { INVOICE_STATES, invoicesPage } from "@/server/invoices/queries/invoicesPage";
import { documentsToSend } from "@/server/invoices/queries/toSend";
import { DraftsPage } from "@/ui/invoices/DraftsPage";
import { InvoicesPage } from "@/ui/invoices/InvoicesPage";
import { ToSendPage } from "@/ui/invoices/ToSendPage";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../serve";
import { stationTitle } from "../../../titles";

export const generateMetadata = stationTitle("invoices");

export default async function Invoices({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  if (one(search, "state") === "drafts")
    return <DraftsPage {...factsOf(context)} drafts={draftsOf(context.db)} />;
  if (one(search, "state") === "send")
    return <ToSendPage {...factsOf(context)} documents={documentsToSend(context.db)} />;
  const asked = {
    state: INVOICE_STATES.find((name) => name === one(search, "state")) ?? "open",
    issued: one(search, "issued") || null,
    text: one(search, "q"),
    page: pageNumber(search),
    pageRows: PAGE_ROWS,
  } as const;
  const sort = one(search, "sort", "-issued");
  return (
    <InvoicesPage
      {...factsOf(context)}
      {...invoicesPage(context, { ...asked, sort })}
      {...asked}
      sorted={sort}
    />
  );
}
