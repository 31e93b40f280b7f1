import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { customerPageOf } from "@/server/customers/queries/customer";
import { CustomerPage } from "@/ui/customers/CustomerPage";

import { pageOf } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("customer");

export default async function Customer({
  params,
}: {
  params: Promise<{ book: string; id: string }>;
}): Promise<ReactNode> {
  const { book, db, settings, today, proposals } = await pageOf(params);
  const page = customerPageOf(db, Number((await params).id), today, await proposals());
  if (!page) notFound();
  return <CustomerPage book={book} currency={settings.currency} today={today} {...page} />;
}
