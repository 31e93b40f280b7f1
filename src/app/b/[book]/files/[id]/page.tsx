import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { filePage } from "@/server/arrivals/queries/filePage";
import { restsOnFile } from "@/server/books/steps/restsOnFile";
import { readForeign } from "@/server/runtime/threads/limited";
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
  const asked = {
    line,
    page: one(search, "page") === "" ? null : pageNumber(search),
    pageRows: PAGE_ROWS,
  };
  const { book } = context;
  const found = await filePage(context, Number((await params).id), asked, (sha256, head) =>
    readForeign<"rows">({ what: "rows", book, sha256, asked: { ...asked, head } }),
  );
  if (!found) notFound();
  const rests = found.file.undoneBy === null ? restsOnFile(context.db, found.file.id) : [];
  return (
    <FilePage {...factsOf(context)} {...found} rests={rests} pageRows={PAGE_ROWS} line={line} />
  );
}
