import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { processorBehind } from "@/practice";
import { refundFactsOf } from "@/server/paying/queries/refundFacts";
import { receiptPageOf } from "@/server/invoices/queries/documents";
import { ReceiptPage } from "@/ui/match/ReceiptPage";

import { withOrigin } from "../../../../origins";
import { pageOf } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("receipt");

export default async function Receipt({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const found = receiptPageOf(db, Number((await params).id));
  if (!found) notFound();
  const page = await withOrigin(book, found);
  const processor = processorBehind(book);
  return (
    <ReceiptPage
      book={book}
      currency={settings.currency}
      today={today}
      receipt={page.receipt}
      method={page.method}
      customer={page.customer}
      given={page.given}
      items={page.items}
      line={page.line}
      hand={page.hand}
      told={page}
      refunds={processor ? refundFactsOf(db, found.receipt.id, (id) => processor.leftOf(id)) : null}
    />
  );
}
