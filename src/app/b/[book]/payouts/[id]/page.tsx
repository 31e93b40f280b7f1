import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { payoutBacking } from "@/server/invoices/queries/documents";
import { payoutWorkings } from "@/server/payouts/queries/payoutWorkings";
import { PayoutPage } from "@/ui/payouts/PayoutPage";

import { withOrigin } from "../../../../origins";
import { pageOf } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("payout");

export default async function Payout({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const id = Number((await params).id);
  const workings = payoutWorkings(db, id);
  if (!workings) notFound();
  return (
    <PayoutPage
      book={book}
      currency={settings.currency}
      today={today}
      payout={workings.payout}
      items={workings.items}
      lines={workings.lines}
      told={await withOrigin(book, payoutBacking(db, id))}
    />
  );
}
