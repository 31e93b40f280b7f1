import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { invoicePageOf } from "@/server/invoices/queries/documents";
import { localBase } from "@/server/invoices/queries/told";
import { InvoicePage } from "@/ui/invoices/InvoicePage";

import { withOrigin } from "../../../../origins";
import { pageOf } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("invoice");

export default async function Invoice({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const found = invoicePageOf(db, Number((await params).id));
  if (!found) notFound();
  const page = await withOrigin(book, found);
  return (
    <InvoicePage
      book={book}
      currency={settings.currency}
      today={today}
      item={page.item}
      customer={page.customer}
      paid={page.paid}
      letters={page.letters}
      givingUp={page.givingUp}
      told={page}
      questions={found.questions}
      written={page.written}
      publicUrl={settings.linkBase ?? localBase()}
    />
  );
}
