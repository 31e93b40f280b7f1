import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { addDays, type Day, parseDay } from "@/core/calendar";
import { statementOf } from "@/server/customers/queries/statement";
import { StatementPage } from "@/ui/customers/StatementPage";

import { one, pageOf, type Search } from "../../../../../serve";
import { titleOfDocument } from "../../../../../titles";

export const generateMetadata = titleOfDocument("statement");

export default async function StatementOfAccount({
  params,
  searchParams,
}: {
  params: Promise<{ book: string; id: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const day = (name: string): Day | undefined => {
    const parsed = parseDay(one(search, name), "ymd");
    return parsed.ok ? parsed.value : undefined;
  };
  const to = day("as-of") ?? today;
  const statement = statementOf(db, Number((await params).id), day("from") ?? addDays(to, -92), to);
  if (!statement) notFound();
  return <StatementPage book={book} currency={settings.currency} today={today} {...statement} />;
}
