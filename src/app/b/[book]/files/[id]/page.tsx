import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { filePage } from "@/server/arrivals/queries/filePage";
import { FilePage } from "@/ui/arrivals/FilePage";

import { factsOf, one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../../serve";
import { titleOfDocument } from "../../../../titles";

export const generateMetadata = titleOfDocument("file");

export default async function KeptFile({
  params,
  searchParams,
}: {
  params: Promise<{ book: string; id: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const context = await pageOf(params);
  const search = await searchParams;
  const line = Number(one(search, "line")) || null;
  const found = filePage(context, Number((await params).id), {
    line,
    page: one(search, "page") === "" ? null : pageNumber(search),
    pageRows: PAGE_ROWS,
  });
  if (!found) notFound();
  return <FilePage {...factsOf(context)} {...found} pageRows={PAGE_ROWS} line={line} />;
}
