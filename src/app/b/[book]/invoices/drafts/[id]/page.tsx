import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { editorOf } from "@/server/invoices/queries/editor";
import { InvoiceEditor } from "@/ui/invoices/editor/InvoiceEditor";

import { factsOf, pageOf } from "../../../../../serve";

export const metadata = { title: "Draft" };

export default async function DraftPage({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const facts = editorOf(context.db, context.today, {
    id: Number((await params).id),
    customerId: null,
  });
  if (!facts) notFound();
  return <InvoiceEditor key={facts.id} {...factsOf(context)} facts={facts} />;
}
