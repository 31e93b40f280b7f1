import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { clerkPayPageOf } from "@/server/paying/queries/payPage";
import { PayPage } from "@/ui/pay/PayPage";
import { CLERK } from "@/ui/pay/payWordsClerk";

import { pageOf } from "../../../../../serve";
import { titleOfDocument } from "../../../../../titles";

export const generateMetadata = titleOfDocument("customer");

/** A payment that a clerk takes at the customer's word, as on the telephone. */
export default async function TakePayment({
  params,
  searchParams,
}: {
  params: Promise<{ book: string; id: string }>;
  searchParams: Promise<{ currency?: string }>;
}): Promise<ReactNode> {
  const { book, db, today } = await pageOf(params);
  const { id } = await params;
  const wanted = (await searchParams).currency ?? null;
  const facts = clerkPayPageOf(db, Number(id), { book, today, wanted });
  if (!facts) notFound();
  const base = `/b/${book}/customers/${id}/pay`;
  return <PayPage key={facts.currency} base={base} facts={facts} words={CLERK} />;
}
