import type { Metadata } from "next";
import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { processorBehind } from "@/practice";
import { payPageOf } from "@/server/paying/queries/payPage";
import { PayPage } from "@/ui/pay/PayPage";
import { PAY_WORDS } from "@/ui/pay/words";

import { linkOrPaid } from "../pay";

export const dynamic = "force-dynamic";
export const metadata: Metadata = { title: "Pay", robots: { index: false, follow: false } };

/** A customer's pay page, behind a link that cannot be guessed. */
export default async function Pay({
  params,
  searchParams,
}: {
  params: Promise<{ token: string }>;
  searchParams: Promise<{ currency?: string }>;
}): Promise<ReactNode> {
  const { token } = await params;
  const linked = linkOrPaid(token);
  const wanted = (await searchParams).currency ?? null;
  const { db, book, today } = linked?.context ?? {};
  const facts = db && book && today ? payPageOf(db, { book, token, today, wanted }) : null;
  if (!facts) notFound();
  const processor = facts.provenAccounts ? processorBehind(facts.book) : null;
  const words = PAY_WORDS[facts.language];
  return (
    <PayPage
      key={facts.currency}
      base={`/pay/${token}`}
      facts={{ ...facts, ofSmallSums: processor?.ofSmallSums ?? "" }}
      words={words}
    />
  );
}
