import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { linePageOf } from "@/server/invoices/queries/documents";
import { LinePage } from "@/ui/arrivals/LinePage";

import { withOrigin } from "../../../../origins";
import { pageOf } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("line");

export default async function BankLine({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const found = linePageOf(db, Number((await params).id));
  if (!found) notFound();
  const page = await withOrigin(book, found);
  return (
    <LinePage
      book={book}
      currency={settings.currency}
      today={today}
      line={page.line}
      bank={page.bank}
      payouts={page.payouts}
      told={page}
    />
  );
}
