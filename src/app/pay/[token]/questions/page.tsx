import type { Metadata } from "next";
import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { questionPageOf } from "@/server/customers/queries/questions";
import { ASK_WORDS } from "@/ui/questions/askWords";
import { AskPage } from "@/ui/questions/AskPage";

import { linkedBy } from "../../pay";

export const dynamic = "force-dynamic";
export const metadata: Metadata = { title: "Questions", robots: { index: false, follow: false } };

/** What a customer asked, what was answered, and the way to ask. */
export default async function Questions({
  params,
}: {
  params: Promise<{ token: string }>;
}): Promise<ReactNode> {
  const { token } = await params;
  const linked = linkedBy(token);
  const facts = linked && questionPageOf(linked.context.db, linked.customerId);
  if (!facts) notFound();
  return <AskPage base={`/pay/${token}`} facts={facts} words={ASK_WORDS[facts.language]} />;
}
