import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { editorOf } from "@/server/invoices/queries/editor";
import { InvoiceEditor } from "@/ui/invoices/editor/InvoiceEditor";

import { factsOf, one, pageOf, type Search } from "../../../../serve";

export const metadata = { title: "New invoice" };

export default async function NewInvoice({
  params,
  searchParams,
}: {
  params: Promise<{ book: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const customer = Number(one(await searchParams, "customer"));
  const customerId = Number.isInteger(customer) && customer > 0 ? customer : null;
  const facts = editorOf(context.db, context.today, { id: null, customerId });
  if (!facts) notFound();
  return <InvoiceEditor {...factsOf(context)} facts={facts} />;
}
