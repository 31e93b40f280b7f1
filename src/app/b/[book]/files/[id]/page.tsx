import { notFound } from "next/navigation";
import type { ReactNode } from "react";

import { importFileById } from "@/db/files";
import { tableOf } from "@/server/arrivals/imports/read";
import { documentsOfLine } from "@/db/files";
import { FilePage } from "@/ui/arrivals/FilePage";

import { one, PAGE_ROWS, pageNumber, pageOf, type Search } from "../../../../serve";

export default async function KeptFile({
  params,
  searchParams,
}: {
  params: Promise<{ book: string; id: string }>;
  searchParams: Search;
}): Promise<ReactNode> {
  const { book, db, settings, today } = await pageOf(params);
  const search = await searchParams;
  const file = importFileById(db, Number((await params).id));
  if (!file) notFound();
  const table = tableOf(book, file.sha256);
  const rows = table.ok ? table.value.rows : [];
  const line = Number(one(search, "line")) || null;
  const at = line === null ? -1 : rows.findIndex((row) => row.line === line);
  const page =
    line !== null && at >= 0 && one(search, "page") === ""
      ? Math.floor(at / PAGE_ROWS) + 1
      : pageNumber(search);
  return (
    <FilePage
      book={book}
      currency={settings.currency}
      today={today}
      file={file}
      headers={table.ok ? table.value.headers : []}
      rows={rows.slice((page - 1) * PAGE_ROWS, page * PAGE_ROWS)}
      count={rows.length}
      page={page}
      pageRows={PAGE_ROWS}
      line={line}
      documents={line === null ? [] : documentsOfLine(db, file.id, line)}
    />
  );
}
