import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { newDraft } from "@/server/invoices/queries/editor";
import { InvoiceEditor } from "@/ui/invoices/editor/InvoiceEditor";

import { factsOf, idIn, pageOf, type Search } from "../../../../serve";

export const metadata = { title: "New invoice" };

export default async function NewInvoice({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const facts = newDraft(context.db, context.today, {
    customerId: idIn(search, "customer"),
    likeId: idIn(search, "like"),
  });
  if (!facts) notFound();
  return <InvoiceEditor {...factsOf(context)} facts={facts} />;
}
